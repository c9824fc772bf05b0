package app.decant.recover.region;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Glyph;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.TextLine;
import app.decant.recover.table.TableGrid;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A row at the edge of a page, of text or a table as a whole: complete once it is asked for its text. */
final class EdgeRow {
    static final Pattern NUMBER = Pattern.compile("\\d+");
    static final Pattern ROMAN = Pattern.compile("(?i)^[ivxlcdm]{1,7}$");
    /** Letters reach this share of their size above their baseline and below it. */
    private static final double ABOVE = 0.75;
    private static final double BELOW = 0.22;

    private final int page;
    private final TableGrid grid;
    private final List<Chunk> chunks = new ArrayList<>();
    private List<TextLine> lines;
    private String text;
    private String kind;
    private List<Integer> numbers;

    EdgeRow(int page, Chunk first) {
        this.page = page;
        this.grid = null;
        chunks.add(first);
    }

    EdgeRow(TableGrid grid) {
        this.page = grid.page();
        this.grid = grid;
        for (TableGrid.Cell cell : grid.cells()) chunks.addAll(cell.chunks());
    }

    int page() { return page; }
    /** The table that it is; null for text. */
    TableGrid grid() { return grid; }
    List<Chunk> chunks() { return chunks; }
    /** Of a table its upper edge, which stays where cells grow. */
    double baseline() { return grid == null ? chunks.get(0).baseline() : grid.top(); }
    double size() { return chunks.stream().mapToDouble(Chunk::size).max().orElse(10); }
    double top() { return grid == null ? baseline() - ABOVE * size() : grid.top(); }
    double bottom() { return grid == null ? baseline() + BELOW * size() : grid.bottom(); }
    boolean isArtifact() { return !chunks.isEmpty() && chunks.stream().allMatch(chunk -> chunk.first().tag() == Glyph.ARTIFACT); }
    boolean holds(Box box) { return grid == null ? chunks.contains(box) : grid == box; }

    /** Its lines of text: of a table cell by cell. */
    List<TextLine> lines() {
        if (lines == null) {
            lines = new ArrayList<>();
            if (grid == null) lines.add(new TextLine(chunks.stream().sorted(Comparator.comparingDouble(Chunk::left)).toList(), page));
            else for (TableGrid.Cell cell : grid.cells()) if (!cell.chunks().isEmpty()) lines.addAll(TextLine.byBaseline(cell.chunks(), page));
        }
        return lines;
    }

    String text() {
        if (text == null) text = String.join("\t", lines().stream().map(TextLine::text).toList());
        return text;
    }

    /** Its text with all numbers made one. */
    String kind() {
        if (kind == null) {
            String trimmed = text().trim();
            kind = ROMAN.matcher(trimmed).matches() ? "#" : NUMBER.matcher(trimmed).replaceAll("#");
            if (grid != null) kind = grid.rows() + "x" + grid.columns() + "\t" + kind;
        }
        return kind;
    }

    /** The numbers in it, in order. */
    List<Integer> numbers() {
        if (numbers == null) {
            numbers = new ArrayList<>();
            for (Matcher matcher = NUMBER.matcher(text()); matcher.find(); ) numbers.add(value(matcher.group()));
        }
        return numbers;
    }

    static int value(String digits) { return digits.length() > 6 ? -1_000_000 : Integer.parseInt(digits); }

    /**
     * Whether another page has it again. A table, or a row of nothing but figures, is a head only if each of its numbers is the same there or counts the pages:
     * what says other numbers is one of the text.
     */
    boolean isAgain(EdgeRow other) {
        if (other.page == page || Math.abs(other.baseline() - baseline()) >= 3) return false;
        boolean figures = grid == null && numbers().size() > 1 && kind().codePoints().noneMatch(Character::isLetter);
        if (grid == null && !figures) return true;
        if (other.grid == null != (grid == null) || other.numbers().size() != numbers().size()) return false;
        for (int i = 0; i < numbers().size(); i++) {
            int more = other.numbers().get(i) - numbers().get(i);
            if (more != 0 && more != other.page - page) return false;
        }
        return true;
    }
}
