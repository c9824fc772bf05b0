package app.decant.recover.line;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Glyph;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToIntFunction;

/** A stretch of text on one baseline without a wide gap, spaces put in, its glyphs in reading order. */
public final class Chunk implements Box {
    private final List<Glyph> glyphs;
    private final boolean rightToLeft;
    private final double left;
    private final double right;
    private final double size;
    private final double baseline;
    private final int order;
    private final String text;
    private final boolean blank;

    Chunk(List<Glyph> glyphs, boolean rightToLeft) {
        this.glyphs = List.copyOf(glyphs);
        this.rightToLeft = rightToLeft;
        double from = Double.MAX_VALUE;
        double to = -Double.MAX_VALUE;
        int first = Integer.MAX_VALUE;
        Map<Long, Integer> sizes = new TreeMap<>();
        StringBuilder read = new StringBuilder();
        for (Glyph glyph : glyphs) {
            read.append(glyph.text());
            if (glyph.isSpace()) continue;
            from = Math.min(from, glyph.x());
            to = Math.max(to, glyph.right());
            first = Math.min(first, glyph.order());
            sizes.merge(Math.round(glyph.size() * 10), Math.max(1, glyph.text().length()), Integer::sum);
        }
        long most = sizes.entrySet().stream().max(Map.Entry.<Long, Integer>comparingByValue().thenComparing(Map.Entry::getKey)).orElseThrow().getKey();
        Glyph typical = glyphs.stream().filter(glyph -> !glyph.isSpace() && Math.round(glyph.size() * 10) == most).findFirst().orElseThrow();
        left = from;
        right = to;
        order = first;
        size = typical.size();
        baseline = typical.baseline();
        text = read.toString();
        blank = false;
    }

    private Chunk(Glyph only, double size) {
        glyphs = List.of(only);
        rightToLeft = false;
        left = only.x();
        right = only.right();
        this.size = size;
        baseline = only.baseline();
        order = only.order();
        text = only.text();
        blank = true;
    }

    /** A blank to be filled in, in one line with some words: it reads as a tab. */
    public static Chunk blank(Chunk beside, double left, double right) {
        Glyph like = beside.first();
        return new Chunk(new Glyph("\t", left, beside.baseline(), right - left, beside.size(), like.space(), like.face(), like.rgb(), like.tag(), 0, true, null,
                like.order()), beside.size());
    }

    public List<Glyph> glyphs() { return glyphs; }
    /** Whether it is a blank to be filled in, and no words. */
    public boolean isBlank() { return blank; }
    public boolean isRightToLeft() { return rightToLeft; }
    public String text() { return text; }
    public double size() { return size; }
    public double baseline() { return baseline; }
    @Override public double left() { return left; }
    @Override public double right() { return right; }
    @Override public double top() { return baseline - size * 0.75; }
    @Override public double bottom() { return baseline + size * 0.22; }
    @Override public int order() { return order; }

    /**
     * Cuts it where its glyphs belong to different pieces; spaces at the cuts are dropped.
     *
     * @param piece the number of the piece that a glyph belongs to
     */
    public List<Chunk> cut(ToIntFunction<Glyph> piece) {
        if (blank) return List.of(this);
        List<Chunk> pieces = new ArrayList<>();
        List<Glyph> current = new ArrayList<>();
        int at = 0;
        for (Glyph glyph : glyphs) {
            if (!glyph.isSpace()) {
                int own = piece.applyAsInt(glyph);
                if (!current.isEmpty() && own != at) end(current, pieces);
                at = own;
            }
            if (!current.isEmpty() || !glyph.isSpace()) current.add(glyph);
        }
        end(current, pieces);
        return pieces.size() == 1 ? List.of(this) : pieces;
    }

    private void end(List<Glyph> current, List<Chunk> pieces) {
        while (!current.isEmpty() && current.get(current.size() - 1).isSpace()) current.remove(current.size() - 1);
        if (!current.isEmpty()) pieces.add(new Chunk(current, rightToLeft));
        current.clear();
    }

    /** The first glyph that is not a space; of a blank its only one. */
    public Glyph first() { return blank ? glyphs.get(0) : glyphs.stream().filter(glyph -> !glyph.isSpace()).findFirst().orElseThrow(); }

    @Override public String toString() { return Math.round(left) + "," + Math.round(baseline) + " " + text; }
}
