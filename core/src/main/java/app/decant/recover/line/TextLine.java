package app.decant.recover.line;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Glyph;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;

/** One line of text in its column: its chunks, joined by spaces or, over wide gaps, by tabs. */
public final class TextLine implements Box {
    /** A gap this wide, in ems, is a tab unless the line's other gaps are wide too. */
    /** Spaces wider than this, in ems, were stretched to fill their line. */
    private static final double STRETCHED = 0.4;
    private static final Set<String> SENTENCE_ENDS = Set.of(".", "!", "?", ":", ")", "\u201D");
    private static final double TAB_GAP = 1.7;

    /** Gaps that differ no more than this, in ems, are even. */
    private static final double EVEN = 0.06;

    /** A gap this wide, in ems, between a number and what it numbers is a tab. */
    private static final double NUMBER_GAP = 0.55;
    private static final Pattern NUMBER = Pattern.compile("(\\p{Lu}|\\d{1,3})(\\.\\d{1,3})*\\.?");

    private final List<Chunk> chunks;
    private final List<Glyph> glyphs = new ArrayList<>();
    private final Set<Chunk> tabbed = Collections.newSetFromMap(new IdentityHashMap<>());
    private final String text;
    private final double baseline;
    private final double size;
    private final int page;
    private final double insetLeft;
    private final double insetRight;

    /**
     * A line.
     *
     * @param chunks of one baseline, in reading order
     * @param page   the index of its page
     */
    public TextLine(List<Chunk> chunks, int page) { this(chunks, page, 0, 0); }

    private TextLine(List<Chunk> chunks, int page, double insetLeft, double insetRight) {
        this.chunks = List.copyOf(withNumberApart(chunks));
        this.page = page;
        this.insetLeft = insetLeft;
        this.insetRight = insetRight;
        Chunk main = this.chunks.stream().max(Comparator.comparingInt(chunk -> chunk.text().length())).orElseThrow();
        baseline = main.baseline();
        size = main.size();
        double usual = usualSpace();
        boolean spread = isSpread();
        for (int i = 0; i < this.chunks.size(); i++) {
            if (i > 0) {
                Chunk before = this.chunks.get(i - 1);
                double gap = before.isRightToLeft() ? before.left() - this.chunks.get(i).right() : this.chunks.get(i).left() - before.right();
                Glyph last = before.glyphs().get(before.glyphs().size() - 1);
                boolean numbered = i == 1 && NUMBER.matcher(before.text()).matches();
                // Two spaces behind a sentence are two of those that a justified line has.
                boolean sentences = usual > STRETCHED * size && SENTENCE_ENDS.contains(last.text()) && gap < 2.4 * usual;
                boolean tab = !spread && !sentences && gap > TAB_GAP * size && gap > 1.6 * usual || gap > 4 * size || numbered && gap > NUMBER_GAP * size;
                if (tab) tabbed.add(this.chunks.get(i));
                glyphs.add(tab ? last.spaceAfter(gap).with("\t") : last.spaceAfter(gap));
            }
            glyphs.addAll(this.chunks.get(i).glyphs());
        }
        StringBuilder read = new StringBuilder();
        for (Glyph glyph : glyphs) read.append(glyph.text());
        text = read.toString();
    }

    /** The lines that chunks are which stand below and beside each other, as in a cell. */
    public static List<TextLine> byBaseline(List<Chunk> chunks, int page) {
        Map<Long, List<Chunk>> rows = new TreeMap<>();
        for (Chunk chunk : chunks) rows.computeIfAbsent(Math.round(chunk.baseline() / 2), key -> new ArrayList<>()).add(chunk);
        List<TextLine> lines = new ArrayList<>();
        for (List<Chunk> row : rows.values()) {
            row.sort(Comparator.comparingDouble(Chunk::left));
            lines.add(new TextLine(row, page));
        }
        return lines;
    }

    /** A number at the start stands in a chunk of its own where it stands apart. */
    private static List<Chunk> withNumberApart(List<Chunk> chunks) {
        Chunk first = chunks.get(0);
        int space = first.text().indexOf(' ');
        if (space < 1 || space > 12 || first.isRightToLeft() || !NUMBER.matcher(first.text().substring(0, space)).matches()) return chunks;
        Glyph gap = first.glyphs().stream().filter(Glyph::isSpace).findFirst().orElseThrow();
        if (gap.width() < NUMBER_GAP * first.size()) return chunks;
        List<Chunk> parted = new ArrayList<>(first.cut(glyph -> glyph.x() < gap.x() + gap.width() / 2 ? 0 : 1));
        parted.addAll(chunks.subList(1, chunks.size()));
        return parted;
    }

    /** Whether words of unlike width stand evenly apart: they were spread over the column, which no tab stops would do. */
    private boolean isSpread() {
        if (chunks.size() < 3 || chunks.get(0).isRightToLeft()) return false;
        double least = Double.MAX_VALUE;
        double most = 0;
        for (int i = 1; i < chunks.size(); i++) {
            double gap = chunks.get(i).left() - chunks.get(i - 1).right();
            least = Math.min(least, gap);
            most = Math.max(most, gap);
        }
        double narrow = chunks.stream().mapToDouble(Chunk::width).min().orElse(0);
        double wide = chunks.stream().mapToDouble(Chunk::width).max().orElse(0);
        return most - least < EVEN * size && wide - narrow > size;
    }

    /** The widest space within the chunks. */
    private double usualSpace() {
        double most = 0;
        for (Chunk chunk : chunks) for (Glyph glyph : chunk.glyphs()) if (glyph.isSpace() && !chunk.isBlank()) most = Math.max(most, glyph.width());
        return most;
    }

    public int page() { return page; }
    public List<Chunk> chunks() { return chunks; }
    /** With the spaces and tabs between its chunks. */
    public List<Glyph> glyphs() { return glyphs; }
    public String text() { return text; }
    public double baseline() { return baseline; }
    public double size() { return size; }
    public boolean isRightToLeft() { return chunks.get(0).isRightToLeft(); }
    /** Whether a tab stands before a chunk of it. */
    public boolean isTabbed(Chunk chunk) { return tabbed.contains(chunk); }
    public boolean hasTab() { return text.indexOf('\t') >= 0; }

    @Override public double left() { return chunks.stream().mapToDouble(Chunk::left).min().orElse(0); }
    @Override public double right() { return chunks.stream().mapToDouble(Chunk::right).max().orElse(0); }
    @Override public double top() { return baseline - size * 0.75; }
    @Override public double bottom() { return baseline + size * 0.22; }
    @Override public int order() { return chunks.get(0).order(); }

    /** The same line made narrower by something that stands beside it. */
    public TextLine inset(double fromLeft, double fromRight) { return new TextLine(chunks, page, fromLeft, fromRight); }

    public boolean isInset() { return insetLeft != 0 || insetRight != 0; }

    /** Where it would start and end with nothing beside it. */
    public double edgeLeft() { return left() - insetLeft; }
    public double edgeRight() { return right() + insetRight; }

    /** The first glyph that is no space. */
    public Glyph first() { return chunks.get(0).first(); }

    /** The last glyph that is no space: what the next line goes on with, where a number before it is told as something else. */
    public Glyph last() {
        List<Glyph> last = chunks.get(chunks.size() - 1).glyphs();
        for (int i = last.size() - 1; i >= 0; i--) if (!last.get(i).text().isBlank()) return last.get(i);
        return last.get(0);
    }

    /** The width of the first word, in points: what would have to fit at the end of the line before. */
    public double firstWord() {
        double from = Double.MAX_VALUE;
        double to = 0;
        for (Glyph glyph : glyphs) {
            if (glyph.text().isBlank()) break;
            from = Math.min(from, glyph.x());
            to = Math.max(to, glyph.right());
            if (glyph.text().endsWith("-") && to - from > size) break;
        }
        return Math.max(0, to - from);
    }

    /** Where the text after the first tab starts, or after the label of a list item; -1 where there is neither. */
    public double textAfterLabel() {
        int tab = text.indexOf('\t');
        if (tab >= 0 && chunks.size() > 1) return chunks.get(1).left();
        int length = ListLabel.length(text);
        if (length <= 0) return -1;
        int at = 0;
        for (Glyph glyph : glyphs) {
            if (at >= length && !glyph.text().isBlank()) return glyph.x();
            at += glyph.text().length();
        }
        return -1;
    }

    /** The line without its first chunks. */
    TextLine without(int first) { return new TextLine(chunks.subList(first, chunks.size()), page); }

    @Override public String toString() { return Math.round(left()) + "-" + Math.round(right()) + "," + Math.round(baseline) + " " + text; }
}
