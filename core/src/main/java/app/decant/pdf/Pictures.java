package app.decant.pdf;

/**
 * What becomes of pictures. A picture never grows: where the way chosen would make it larger, it stays as it is.
 *
 * @param quality    of JPEG, 1 to 100; 0 keeps every picture exactly
 * @param resolution pictures finer than this are made this fine, in pixels an inch; 0 leaves all as fine as they are
 */
public record Pictures(int quality, int resolution) {
    public static final Pictures EXACT = new Pictures(0, 0);

    public Pictures {
        if (quality < 0 || quality > 100) throw new IllegalArgumentException("Quality goes from 1 to 100");
        if (resolution < 0) throw new IllegalArgumentException("Resolution is not below 0");
    }

    public boolean isExact() { return quality == 0 && resolution == 0; }
}
