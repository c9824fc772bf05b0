package app.decant.font;

/**
 * A piece of text as glyphs, in the order they stand on the line from left to right.
 *
 * @param glyphs   glyph numbers of the face
 * @param x        where each glyph starts, in ems from the left end; one more entry for the right end
 * @param y        how far each glyph is raised, in ems, or null where all stand on the baseline
 * @param clusters for each glyph the index of the first character it stands for
 * @param text     the characters
 * @param rightToLeft whether the text runs leftward
 */
public record Shaped(int[] glyphs, float[] x, float[] y, int[] clusters, String text, boolean rightToLeft) {
    /** The whole advance, in ems. */
    public double width() { return x[x.length - 1]; }

    /**
     * The advance of each character, in ems. A glyph that stands for several characters is shared out evenly among them, so that a caret can
     * stand between the letters of a ligature.
     */
    public float[] advances() {
        int length = text.length();
        float[] advances = new float[length];
        boolean[] starts = new boolean[length + 1];
        starts[length] = true;
        for (int cluster : clusters) starts[cluster] = true;
        for (int g = 0; g < glyphs.length; g++) advances[clusters[g]] += x[g + 1] - x[g];
        for (int from = 0; from < length; ) {
            int to = from + 1;
            while (!starts[to]) to++;
            if (to - from > 1) {
                float share = advances[from] / (to - from);
                for (int i = from; i < to; i++) advances[i] = share;
            }
            from = to;
        }
        return advances;
    }
}
