package app.decant.pdf;

/**
 * What becomes of pictures. A picture never grows: where the way chosen would make it larger, it stays as it is.
 *
 * @param quality    of JPEG, 1 to 100; 0 keeps every picture exactly
 * @param resolution pictures finer than this are made this fine, in pixels an inch; 0 leaves all as fine as they are
 * @param grey       the same for pictures without colour; 0 for that of the others
 * @param lineArt    the same for line art; 0 for that of the others, but leaves pictures of one bit as fine as they are
 */
public record Pictures(int quality, int resolution, int grey, int lineArt) {
    public static final Pictures EXACT = new Pictures(0, 0);

    public Pictures {
        if (quality < 0 || quality > 100) throw new IllegalArgumentException("Quality goes from 1 to 100");
        if (resolution < 0 || grey < 0 || lineArt < 0) throw new IllegalArgumentException("Resolution is not below 0");
    }

    public Pictures(int quality, int resolution) { this(quality, resolution, 0, 0); }

    public boolean isExact() { return quality == 0 && !coarsens(); }

    /** Whether any picture may be made coarser. */
    public boolean coarsens() { return resolution > 0 || grey > 0 || lineArt > 0; }

    /** The resolution no picture needs to be finer than; 0 where some may be as fine as they are. */
    public int finest() { return resolution == 0 ? 0 : Math.max(resolution, Math.max(grey, lineArt)); }
}
