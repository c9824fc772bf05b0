package app.decant.document;

/** An sRGB colour, {@code 0xRRGGBB}; {@link #AUTOMATIC} leaves it to the page (black on light, white on dark shading). */
public record Colour(int rgb) {
    public static final Colour AUTOMATIC = new Colour(-1);
    public static final Colour BLACK = new Colour(0);
    public static final Colour WHITE = new Colour(0xFFFFFF);

    /** From six hexadecimal digits, with or without a leading number sign. */
    public static Colour hex(String digits) {
        String plain = digits.startsWith("#") ? digits.substring(1) : digits;
        return new Colour(Integer.parseInt(plain, 16) & 0xFFFFFF);
    }

    public boolean isAutomatic() { return rgb < 0; }

    /** Six hexadecimal digits. */
    public String hex() { return String.format("%06X", rgb & 0xFFFFFF); }

    public int red() { return rgb >> 16 & 255; }
    public int green() { return rgb >> 8 & 255; }
    public int blue() { return rgb & 255; }

    /** A share of this colour over the rest of another: what a pattern gives from afar. An automatic colour is black in front and white behind. */
    public Colour mixed(Colour behind, double share) {
        int front = isAutomatic() ? BLACK.rgb : rgb;
        int under = behind.isAutomatic() ? WHITE.rgb : behind.rgb;
        double part = Math.max(0, Math.min(1, share));
        int made = 0;
        for (int shift = 16; shift >= 0; shift -= 8) made |= (int) Math.round((front >> shift & 255) * part + (under >> shift & 255) * (1 - part)) << shift;
        return new Colour(made);
    }

    /** Perceived lightness, 0 to 1 (ITU-R BT.601 weights). */
    public double lightness() { return (0.299 * red() + 0.587 * green() + 0.114 * blue()) / 255; }
}
