package app.decant.document;

/** What every text must be before anything can be written of it. */
final class Characters {
    /** Stands for what is no character (Unicode 15, 23.8). */
    private static final char UNKNOWN = '\uFFFD';

    private Characters() { }

    /**
     * The text itself, or as long a one with U+FFFD for every half of a surrogate pair that stands alone (Unicode 15, C10) and for U+FFFE and U+FFFF
     * (23.7): they come in from damaged files, and no XML can hold them (XML 1.0, 2.2).
     */
    static String wellFormed(String text) {
        StringBuilder mended = null;
        for (int i = 0; i < text.length(); i++) {
            if (!isSuspect(text.charAt(i))) continue;
            if (Character.isSupplementaryCodePoint(text.codePointAt(i))) {
                i++;
                continue;
            }
            if (mended == null) mended = new StringBuilder(text);
            mended.setCharAt(i, UNKNOWN);
        }
        return mended == null ? text : mended.toString();
    }

    private static boolean isSuspect(char sign) { return Character.isSurrogate(sign) || sign >= '\uFFFE'; }

    /** The same without control characters but tabs and ends of lines, for what stands in no paragraph; they become spaces. */
    static String plain(String text) { return wellFormed(text).replaceAll("[\\x00-\\x08\\x0B\\x0C\\x0E-\\x1F]", " "); }
}
