package app.decant;

import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.pdf.keep.Correction;
import app.decant.pdf.keep.Correction.AddedRow;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** Rows that were put into tables of a document that came from a PDF: where they come to stand on its pages, below a row that is there. */
final class AddedRows {
    private final Document now;
    private final StyleChange styles;
    private final Walk walk;
    private final Provenance provenance;
    private final FreshParagraphs letters;
    private final EmptyCells columns;

    /**
     * Rows below another.
     *
     * @param beside a paragraph of the row that they are below
     */
    record Found(int beside, List<AddedRow> rows) { }

    AddedRows(Document before, Document now, StyleChange styles, Walk walk, Provenance provenance, FreshParagraphs letters) {
        this.now = now;
        this.styles = styles;
        this.walk = walk;
        this.provenance = provenance;
        this.letters = letters;
        columns = new EmptyCells(before, styles.was(), walk, provenance);
    }

    /**
     * Rows that came among paragraphs.
     *
     * @param above  a paragraph of the row behind which they are, as it came
     * @param stops  all that they say
     * @param others the other paragraphs as they are, by those that they were
     */
    record Put(int above, List<Walk.Stop> stops, Map<Integer, Paragraph> others) { }

    /** The rows among paragraphs that stand where others stood; null where what came is none, or where they don't stand behind a row that was there. */
    Put among(int from, int to, List<Walk.Stop> fresh, Walk then) {
        if (fresh.size() <= to - from) return null;
        int[] partners = Partners.of(walk.stops().subList(from, to).stream().map(Walk.Stop::paragraph).toList(),
                fresh.stream().map(Walk.Stop::paragraph).toList());
        int begin = 0;
        while (partners != null && begin < partners.length && partners[begin] >= 0) begin++;
        int end = begin;
        while (partners != null && end < partners.length && partners[end] < 0) end++;
        int above = from + begin - 1;
        boolean some = begin < end && end - begin == fresh.size() - (to - from) && above >= 0;
        if (!some || walk.stops().get(above).path().size() != LinesBelow.IN_CELL) return null;
        List<Walk.Stop> put = fresh.subList(begin, end);
        BlockPath row = put.get(0).path();
        BlockPath before = begin > 0 ? fresh.get(begin - 1).path() : then.pathOf(walk.stops().get(above).paragraph());
        boolean below = row.size() == LinesBelow.IN_CELL && row.step(2) > 0 && before.startsWith(row.head(2).then(row.step(2) - 1));
        if (!below || !areWhole(put, now)) return null;
        Map<Integer, Paragraph> others = new TreeMap<>();
        for (int i = 0; i < fresh.size(); i++) if (partners[i] >= 0) others.put(from + partners[i], fresh.get(i).paragraph());
        return new Put(above, put, others);
    }

    /** Whether paragraphs are all that some rows of a table say, one in each cell, and these rows stand one below another. */
    private static boolean areWhole(List<Walk.Stop> fresh, Document now) {
        BlockPath first = fresh.get(0).path();
        if (first.size() != LinesBelow.IN_CELL || !(EmptyCells.block(now, first) instanceof Table table)) return false;
        int at = 0;
        for (int row = first.step(2); at < fresh.size(); row++) {
            if (row >= table.rows().size()) return false;
            List<Table.Cell> cells = table.rows().get(row).cells();
            for (int cell = 0; cell < cells.size(); cell++, at++) {
                boolean one = at < fresh.size() && cells.get(cell).rowSpan() == 1 && cells.get(cell).blocks().size() == 1
                        && fresh.get(at).path().equals(first.head(2).then(row, cell, 0));
                if (!one) return false;
            }
        }
        return true;
    }

    /** Whether paragraphs are all that is in some rows of a table, not in all of them, and no cell reaches from others into these. */
    static boolean areAll(Walk walk, int from, int to, Document document) {
        if (from == to) return false;
        BlockPath first = walk.stops().get(from).path();
        BlockPath last = walk.stops().get(to - 1).path();
        boolean table = first.size() >= LinesBelow.IN_CELL && last.size() >= LinesBelow.IN_CELL && last.startsWith(first.head(2));
        if (!table || !(EmptyCells.block(document, first) instanceof Table of)) return false;
        boolean begun = from > 0 && walk.stops().get(from - 1).path().startsWith(first.head(3));
        boolean goesOn = to < walk.stops().size() && walk.stops().get(to).path().startsWith(last.head(3));
        List<Table.Row> rows = of.rows().subList(first.step(2), last.step(2) + 1);
        return !begun && !goesOn && rows.size() < of.rows().size() && rows.stream().allMatch(row -> isPlain(row, of));
    }

    private static boolean isPlain(Table.Row row, Table table) {
        return row.cells().stream().allMatch(cell -> cell.rowSpan() == 1)
                && row.cells().stream().mapToInt(Table.Cell::columnSpan).sum() == table.columns().size();
    }

    /**
     * Rows behind one that is there.
     *
     * @param above a paragraph of that row as it came
     * @param fresh all that they say
     * @return null where it is not known where they would stand
     */
    Found below(int above, List<Walk.Stop> fresh) {
        BlockPath path = walk.stops().get(above).path();
        Table old = (Table) columns.block(path);
        BlockPath first = fresh.get(0).path();
        Table table = (Table) EmptyCells.block(now, first);
        Table.Row row = old.rows().get(path.step(2));
        if (!isPlain(row, old) || !old.columns().equals(table.columns())) return null;
        int beside = columns.beside(path.head(3), 0);
        if (beside < 0) return null;
        Provenance.Line line = provenance.of(walk.stops().get(beside).paragraph()).get(0);
        double[] own = baselines(path.head(3), line.page());
        double height = height(path, line.page());
        double[] edges = EmptyCells.columns(old);
        double origin = columns.origin(old, path, edges, line.page());
        if (own == null || height <= 0 || Double.isNaN(origin)) return null;
        Standing standing = new Standing(beside, path, old, edges, origin, line.page());
        boolean head = row.look().is(TableProperty.HEADER_ROW);
        List<AddedRow> rows = new ArrayList<>();
        double[] next = path.step(2) + 1 < old.rows().size() ? baselines(path.head(2).then(path.step(2) + 1), line.page()) : null;
        double baseline = next != null && next[0] > own[1] ? next[0] : own[1] + height;
        int at = 0;
        for (int i = first.step(2); at < fresh.size(); i++, baseline += height) {
            List<Correction> cells = new ArrayList<>();
            for (Table.Cell cell : table.rows().get(i).cells()) {
                Correction one = cell(table, i, cell, fresh.get(at++).paragraph(), standing, baseline);
                if (one == null) return null;
                cells.add(one);
            }
            rows.add(new AddedRow(cells, height, head));
        }
        return new Found(beside, rows);
    }

    /**
     * The table as it stands on its page.
     *
     * @param beside a paragraph of the row below which others are put in
     * @param edges  where each column begins, and the last ends, from {@code origin}
     */
    private record Standing(int beside, BlockPath path, Table table, double[] edges, double origin, int page) { }

    private Correction cell(Table table, int row, Table.Cell cell, Paragraph fresh, Standing there, double baseline) {
        Cascade cascade = styles.is();
        Look look = cascade.text(fresh, fresh.inlines().isEmpty() ? fresh.mark() : fresh.inlines().get(0).look());
        int away = table.rows().get(row).cells().indexOf(cell) - walk.stops().get(there.beside).path().step(3);
        double size = look.get(TextProperty.SIZE, 10.0);
        Correction.Cell place = EmptyCells.place(cascade.cell(table, row, cell), cell, there.edges, there.origin, baseline, size, away);
        List<Correction.Run> runs = place == null ? null : letters.runs(there.beside, List.of(fresh));
        if (runs == null) return null;
        List<List<Integer>> marks = provenance.of(walk.stops().get(there.beside).paragraph()).stream().map(StandingPassages::marks).toList();
        Correction.Passage passage = new Correction.Passage(marks, Set.of(), false, List.of(), 0, null);
        Correction.Cell aligned = columns.aligned(place, there.table, there.path, cell, there.page);
        return Correction.into(aligned, passage, runs, WordChange.setting(cascade, fresh));
    }

    /** How high rows of a table are, all between two paragraphs: as far as others stand apart; 0 where that is not told. */
    double height(int from, int to) {
        BlockPath first = walk.stops().get(from).path();
        BlockPath last = walk.stops().get(to - 1).path();
        for (int i = from; i < to; i++) {
            List<Provenance.Line> lines = provenance.of(walk.stops().get(i).paragraph());
            if (lines.isEmpty()) continue;
            int page = lines.get(0).page();
            double[] own = baselines(first.head(3), page);
            double[] end = baselines(last.head(3), page);
            double[] next = baselines(first.head(2).then(last.step(2) + 1), page);
            double[] before = first.step(2) == 0 ? null : baselines(first.head(2).then(first.step(2) - 1), page);
            if (own == null || end == null) return 0;
            return next != null ? next[0] - own[0] : before != null ? own[0] - before[1] + end[1] - own[0] : 0;
        }
        return 0;
    }

    /** The first and the last baseline of a row on a page; null where none of it stands there. */
    private double[] baselines(BlockPath row, int page) {
        double first = Double.MAX_VALUE;
        double last = 0;
        for (Walk.Stop stop : walk.stops()) {
            if (!stop.path().startsWith(row)) continue;
            for (Provenance.Line line : provenance.of(stop.paragraph())) {
                if (line.page() != page) continue;
                first = Math.min(first, line.baseline());
                last = Math.max(last, line.baseline());
            }
        }
        return last == 0 ? null : new double[] {first, last};
    }

    /**
     * How high a row of one line is, by how far apart such rows of the table stand, the nearest that do; where none does, what is between others; 0 where
     * nothing tells it.
     */
    private double height(BlockPath path, int page) {
        int rows = ((Table) columns.block(path)).rows().size();
        double between = 0;
        for (int away = 0; away < rows; away++) {
            for (int row : new int[] {path.step(2) - away, path.step(2) + away}) {
                if (row < 0 || row + 1 >= rows) continue;
                double[] one = baselines(path.head(2).then(row), page);
                double[] next = baselines(path.head(2).then(row + 1), page);
                if (one == null || next == null || next[0] <= one[1]) continue;
                if (one[1] - one[0] < 1) return next[0] - one[0];
                if (between == 0) between = next[0] - one[1];
            }
        }
        return between;
    }
}
