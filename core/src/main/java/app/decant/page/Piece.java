package app.decant.page;

import app.decant.document.ParagraphProperty.TabStop.Leader;
import app.decant.document.Picture;

/** What stands on a line, measured in points from the line's left end. {@code start} and {@code end} are caret positions in the passage. */
public sealed interface Piece {
    int start();
    int end();
    double x();
    double width();

    /**
     * Glyphs in one style, left to right.
     *
     * @param text     the characters they stand for
     * @param glyphX   where each glyph starts, from the line's left end; one more entry for the right end
     * @param glyphY   how far each is raised, or null
     * @param clusters for each glyph the index in {@code text} of the first character it stands for
     */
    record Glyphs(TextStyle style, String text, int start, int end, int[] glyphs, float[] glyphX, float[] glyphY, int[] clusters, boolean rightToLeft)
            implements Piece {
        @Override public double x() { return glyphX[0]; }
        @Override public double width() { return glyphX[glyphs.length] - glyphX[0]; }

        /** Whether a caret can stand between its characters; false for labels and fields, which are one object. */
        public boolean isText() { return end - start == text.length(); }
    }

    /**
     * Letters that the page's ground shows: told for carets only, nothing of them is painted.
     *
     * @param lefts  where each begins, from the line's left end
     * @param rights where each ends
     */
    record Letters(int start, float[] lefts, float[] rights, boolean rightToLeft) implements Piece {
        public Letters {
            if (lefts.length == 0 || lefts.length != rights.length) throw new IllegalArgumentException("Every letter begins and ends somewhere");
        }

        @Override public int end() { return start + lefts.length; }
        @Override public double x() { return rightToLeft ? lefts[lefts.length - 1] : lefts[0]; }
        @Override public double width() { return (rightToLeft ? rights[0] : rights[lefts.length - 1]) - x(); }

        /** Where a caret before a letter stands. */
        double caretX(int offset) { return rightToLeft ? rights[offset - start] : lefts[offset - start]; }
    }

    /** The way to a tab stop, with what fills it. */
    record Tab(TextStyle style, Leader leader, int start, double x, double width) implements Piece {
        @Override public int end() { return start + 1; }
    }

    /** A picture standing in the line, on the baseline. */
    record PictureBox(Picture picture, TextStyle style, int start, double x) implements Piece {
        @Override public int end() { return start + 1; }
        @Override public double width() { return picture.width(); }
    }
}
