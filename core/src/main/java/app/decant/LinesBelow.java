package app.decant;

import app.decant.document.BlockPath;
import app.decant.document.Inline;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What stands below a passage of a page that may move it: in its column, in its cell, or below the row of the table that it is in. */
final class LinesBelow {
    /** A table's cell is so many steps from its document: section, table, row, cell, and the paragraph in it. */
    static final int IN_CELL = 5;

    private final Walk walk;
    private final Provenance provenance;
    private final TextFlow flow;
    private final Map<Integer, List<Provenance.Line>> byPage = new HashMap<>();

    LinesBelow(Walk walk, Provenance provenance, TextFlow flow) {
        this.walk = walk;
        this.provenance = provenance;
        this.flow = flow;
    }

    /** Whether a paragraph is one of the text itself, such as an entry of a contents list is too, and in no table. */
    static boolean isOfText(BlockPath path) { return path.size() < IN_CELL; }

    /**
     * What stands below a passage in its column, from above: the rest of its paragraph and the paragraphs after it, until the text goes on higher up or
     * elsewhere; and what else of the text stands below those. Of a cell it is what else that holds.
     *
     * @param rest the first line of the paragraph that is not of the passage
     * @return null where that is not known
     */
    List<List<Integer>> following(int stop, int rest, int page) {
        List<Provenance.Line> own = lines(stop);
        double lowest = own.get(rest - 1).baseline();
        List<Provenance.Line> lines = new ArrayList<>();
        for (Provenance.Line line : own.subList(rest, own.size())) {
            if (line.page() != page || line.baseline() < lowest) return marks(lines);
            lowest = line.baseline();
            lines.add(line);
        }
        BlockPath path = walk.stops().get(stop).path();
        if (!isOfText(path)) {
            if (path.size() == IN_CELL && lines.size() == own.size() - rest) addOfCell(lines, stop, page, lowest);
            return marks(lines);
        }
        if (!addInOrder(lines, stop, page, lowest)) return null;
        addBelow(lines, own.subList(0, rest), own, page, own.get(rest - 1).baseline());
        return marks(lines);
    }

    /**
     * The row of a table that a passage stands in, and what stands below it.
     *
     * @return null where it stands in none, in a table within another, or that is not known
     */
    Correction.Row row(int stop, int page) {
        BlockPath path = walk.stops().get(stop).path();
        if (path.size() != IN_CELL) return null;
        int from = stop;
        int to = stop;
        while (from > 0 && walk.stops().get(from - 1).path().startsWith(path.head(3))) from--;
        while (to < walk.stops().size() && walk.stops().get(to).path().startsWith(path.head(3))) to++;
        return rows(from, to, page, 0);
    }

    /**
     * Rows of a table, one below another, and what stands below them.
     *
     * @param from the first of their paragraphs, {@code to} behind the last
     * @return null where they stand on another page, or it is not known what is below
     */
    Correction.Row rows(int from, int to, int page, double height) {
        List<Provenance.Line> row = new ArrayList<>();
        for (int i = from; i < to; i++) row.addAll(lines(i));
        if (row.isEmpty() || row.stream().anyMatch(line -> line.page() != page)) return null;
        double lowest = row.stream().mapToDouble(Provenance.Line::baseline).max().orElseThrow();
        List<Provenance.Line> lines = new ArrayList<>();
        if (!addInOrder(lines, to - 1, page, lowest)) return null;
        addBelow(lines, row, row, page, lowest);
        Set<Integer> marks = new HashSet<>();
        for (Provenance.Line line : row) marks.addAll(StandingPassages.marks(line));
        return new Correction.Row(marks, marks(lines), height, flow.after(page));
    }

    private void addOfCell(List<Provenance.Line> lines, int stop, int page, double lowest) {
        BlockPath cell = walk.stops().get(stop).path().head(IN_CELL - 1);
        for (int i = stop + 1; i < walk.stops().size() && walk.stops().get(i).path().startsWith(cell); i++)
            for (Provenance.Line line : lines(i)) if (line.page() == page && line.baseline() > lowest) lines.add(line);
    }

    /** What is read next, as long as it stands further down; false where it is not known where that is. */
    private boolean addInOrder(List<Provenance.Line> following, int stop, int page, double from) {
        double lowest = from;
        BlockPath own = walk.stops().get(stop).path();
        BlockPath table = isOfText(own) ? null : own.head(2);
        for (int i = stop + 1; i < walk.stops().size(); i++) {
            Walk.Stop next = walk.stops().get(i);
            List<Provenance.Line> lines = lines(i);
            if (lines.isEmpty()) {
                // Pictures are seen when room is looked for.
                if (next.paragraph().text().chars().allMatch(c -> Character.isWhitespace(c) || c == Inline.OBJECT)) continue;
                return false;
            }
            BlockPath block = next.path().head(2);
            boolean within = !isOfText(next.path()) && block.equals(table);
            table = block;
            if (!within && lines.get(0).baseline() < lowest) return true;
            for (Provenance.Line line : lines) {
                if (line.page() != page) return true;
                lowest = Math.max(lowest, line.baseline());
                following.add(line);
            }
        }
        return true;
    }

    /** What else stands below it in the column of some lines, whatever it is read after. */
    private void addBelow(List<Provenance.Line> lines, List<Provenance.Line> from, List<Provenance.Line> own, int page, double lowest) {
        List<Provenance.Line> column = new ArrayList<>(lines);
        column.addAll(from);
        double left = column.stream().mapToDouble(StandingPassages::left).min().orElseThrow();
        double right = column.stream().mapToDouble(StandingPassages::right).max().orElseThrow();
        Set<Provenance.Line> known = Collections.newSetFromMap(new IdentityHashMap<>());
        known.addAll(column);
        known.addAll(own);
        for (Provenance.Line line : on(page))
            if (line.baseline() > lowest && StandingPassages.left(line) < right && StandingPassages.right(line) > left && known.add(line)) lines.add(line);
    }

    /** All lines of the text on a page; told for all pages when first asked. */
    private List<Provenance.Line> on(int page) {
        if (byPage.isEmpty()) {
            for (Walk.Stop stop : walk.stops())
                for (Provenance.Line line : provenance.of(stop.paragraph())) byPage.computeIfAbsent(line.page(), key -> new ArrayList<>()).add(line);
        }
        return byPage.getOrDefault(page, List.of());
    }

    private List<Provenance.Line> lines(int stop) { return provenance.of(walk.stops().get(stop).paragraph()); }

    private static List<List<Integer>> marks(Collection<Provenance.Line> lines) {
        return lines.stream().sorted(Comparator.comparingDouble(Provenance.Line::baseline)).map(StandingPassages::marks).toList();
    }
}
