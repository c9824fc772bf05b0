package app.decant.recover.region;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Glyph;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** The titles of columns that stand so close to each other above a table without lines that they look like one line of text. */
final class ColumnTitles {
    /** Titles stand further apart than words, in ems, and no further above the first row than this. */
    private static final double APART = 0.42;
    private static final double ABOVE = 1.4;

    private ColumnTitles() { }

    /** The table with the line above it as its first row; null where that has not one title for each column, over its column. */
    static Band of(List<Box> line, Band band) {
        List<List<Box>> columns = band.columns();
        if (columns.size() < 3 || columns.stream().anyMatch(List::isEmpty) || line.isEmpty()) return null;
        List<Chunk> titles = new ArrayList<>();
        for (Box box : line) {
            if (!(box instanceof Chunk chunk)) return null;
            Map<Glyph, Integer> words = groups(chunk);
            titles.addAll(chunk.cut(words::get));
        }
        double top = band.boxes().stream().mapToDouble(Box::top).min().orElse(0);
        Chunk first = titles.get(0);
        if (titles.size() != columns.size() || top - first.bottom() > ABOVE * first.size() || top < first.baseline()) return null;
        List<double[]> strips = new ArrayList<>();
        for (int i = 0; i < titles.size(); i++) {
            double from = columns.get(i).stream().mapToDouble(Box::left).min().orElse(0);
            double to = columns.get(i).stream().mapToDouble(Box::right).max().orElse(0);
            if (titles.get(i).right() < from || titles.get(i).left() > to) return null;
            if (i == 0) continue;
            double before = Math.max(titles.get(i - 1).right(), columns.get(i - 1).stream().mapToDouble(Box::right).max().orElse(0));
            double after = Math.min(titles.get(i).left(), from);
            if (before > after) return null;
            strips.add(new double[] {before, after});
        }
        List<Box> boxes = new ArrayList<>(titles);
        boxes.addAll(band.boxes());
        return new Band(boxes, strips, band.from(), band.to());
    }

    /** Which of the titles each glyph belongs to: they part where the gap is wider than between words. */
    private static Map<Glyph, Integer> groups(Chunk chunk) {
        Map<Glyph, Integer> groups = new IdentityHashMap<>();
        int group = 0;
        Glyph before = null;
        for (Glyph glyph : chunk.glyphs()) {
            if (glyph.isSpace()) continue;
            if (before != null && glyph.x() - before.right() > APART * glyph.size()) group++;
            groups.put(glyph, group);
            before = glyph;
        }
        return groups;
    }
}
