package app.decant;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Provenance;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TableProperty.Insets;
import app.decant.document.Walk;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.List;

/** Where empty cells of tables stand on the pages that these came from: told by what stands in others, and how wide their columns are. */
final class EmptyCells {
    private static final Insets PADDING = new Insets(0, 5.4, 0, 5.4);
    /** Words keep as far away from the edges of their cell, in points. */
    private static final double LEAST_PADDING = 2;
    /** What is said in a column stands this near to where its edges tell it, in points. */
    private static final double NEAR = 6;
    /** A cell is at least as wide, in ems. */
    private static final double NARROWEST = 1;

    private final Document document;
    private final Cascade cascade;
    private final Walk walk;
    private final Provenance provenance;

    /**
     * An empty cell.
     *
     * @param beside a paragraph of another cell in its row
     */
    record Found(int beside, Correction.Cell cell) { }

    EmptyCells(Document document, Cascade cascade, Walk walk, Provenance provenance) {
        this.document = document;
        this.cascade = cascade;
        this.walk = walk;
        this.provenance = provenance;
    }

    /**
     * The cell of a paragraph that says nothing.
     *
     * @param size of its letters
     * @return null where it is none, holds more, or nothing stands in its row
     */
    Found of(int stop, double size) {
        BlockPath path = walk.stops().get(stop).path();
        if (path.size() != LinesBelow.IN_CELL || !(block(path) instanceof Table table)) return null;
        Table.Row row = table.rows().get(path.step(2));
        Table.Cell cell = row.cells().get(path.step(3));
        if (cell.blocks().size() != 1) return null;
        int beside = beside(path.head(3), path.step(3));
        if (beside < 0) return null;
        Provenance.Line line = provenance.of(walk.stops().get(beside).paragraph()).get(0);
        double[] columns = columns(table);
        double origin = origin(table, path, columns, line.page());
        Correction.Cell place = place(cascade.cell(table, path.step(2), cell), cell, columns, origin, line.baseline(), size,
                path.step(3) - walk.stops().get(beside).path().step(3));
        return place == null ? null : new Found(beside, aligned(place, table, path, cell, line.page()));
    }

    /** The same place, but that it begins and ends where what is said in the cells of its column does. */
    Correction.Cell aligned(Correction.Cell place, Table table, BlockPath path, Table.Cell cell, int page) {
        List<Double> lefts = new ArrayList<>();
        List<Double> rights = new ArrayList<>();
        for (Walk.Stop stop : walk.stops()) {
            if (!stop.path().startsWith(path.head(2)) || stop.path().size() != LinesBelow.IN_CELL) continue;
            Table.Cell other = table.rows().get(stop.path().step(2)).cells().get(stop.path().step(3));
            List<Provenance.Line> lines = provenance.of(stop.paragraph());
            boolean alike = other.column() == cell.column() && other.columnSpan() == cell.columnSpan() && !lines.isEmpty() && lines.get(0).page() == page;
            if (!alike) continue;
            Alignment alignment = cascade.paragraph(stop.paragraph()).get(ParagraphProperty.ALIGNMENT, Alignment.START);
            if (alignment == Alignment.START) lefts.add(StandingPassages.left(lines.get(0)));
            if (alignment == Alignment.END) rights.add(StandingPassages.right(lines.get(0)));
        }
        double left = near(lefts, place.left());
        double right = near(rights, place.right());
        return right - left < NARROWEST * place.size() ? place : new Correction.Cell(left, right, place.baseline(), place.size(), place.away());
    }

    /** What most of some places are, where that is near to one; else that. */
    private static double near(List<Double> some, double place) {
        some.sort(Double::compare);
        double middle = some.isEmpty() ? place : some.get(some.size() / 2);
        return Math.abs(middle - place) < NEAR ? middle : place;
    }

    /**
     * Where a cell stands, between the edges of its columns; null where that is too narrow.
     *
     * @param look    of the cell, in force
     * @param columns where each column begins, and the last ends, from {@code origin}
     */
    static Correction.Cell place(Look look, Table.Cell cell, double[] columns, double origin, double baseline, double size, int away) {
        Insets padding = look.get(TableProperty.PADDING, PADDING);
        double left = origin + columns[Math.min(cell.column(), columns.length - 1)] + Math.max(LEAST_PADDING, padding.left());
        double right = origin + columns[Math.min(cell.column() + cell.columnSpan(), columns.length - 1)] - Math.max(LEAST_PADDING, padding.right());
        return Double.isNaN(origin) || right - left < NARROWEST * size ? null : new Correction.Cell(left, right, baseline, size, away);
    }

    Block block(BlockPath path) { return block(document, path); }

    static Block block(Document document, BlockPath path) { return document.sections().get(path.step(0)).blocks().get(path.step(1)); }

    /** The first paragraph of the cell nearest to one in a row that says something; -1 for none. */
    int beside(BlockPath row, int cell) {
        int found = -1;
        int least = Integer.MAX_VALUE;
        for (int i = 0; i < walk.stops().size(); i++) {
            BlockPath other = walk.stops().get(i).path();
            if (!other.startsWith(row) || other.size() != LinesBelow.IN_CELL) continue;
            int away = Math.abs(other.step(3) - cell);
            List<Provenance.Line> lines = provenance.of(walk.stops().get(i).paragraph());
            boolean says = !lines.isEmpty() && provenance.places(walk.stops().get(i).paragraph()) != null && !StandingPassages.marks(lines.get(0)).isEmpty();
            if (!says || away >= least) continue;
            least = away;
            found = i;
        }
        return found;
    }

    static double[] columns(Table table) {
        double[] columns = new double[table.columns().size() + 1];
        for (int i = 1; i < columns.length; i++) columns[i] = columns[i - 1] + table.columns().get(i - 1);
        return columns;
    }

    /** Where the first column begins on a page, as most of what stands in the table tells it; NaN where nothing does. */
    double origin(Table table, BlockPath path, double[] columns, int page) {
        List<Double> told = new ArrayList<>();
        for (Walk.Stop stop : walk.stops()) {
            if (!stop.path().startsWith(path.head(2)) || stop.path().size() != LinesBelow.IN_CELL) continue;
            Table.Cell cell = table.rows().get(stop.path().step(2)).cells().get(stop.path().step(3));
            Insets padding = cascade.cell(table, stop.path().step(2), cell).get(TableProperty.PADDING, PADDING);
            Look look = cascade.paragraph(stop.paragraph());
            Alignment alignment = look.get(ParagraphProperty.ALIGNMENT, Alignment.START);
            double indent = look.get(ParagraphProperty.INDENT_START, 0.0) + look.get(ParagraphProperty.FIRST_LINE, 0.0);
            List<Provenance.Line> lines = provenance.of(stop.paragraph());
            if (lines.isEmpty() || lines.get(0).page() != page) continue;
            if (alignment == Alignment.START && indent == 0) {
                told.add(StandingPassages.left(lines.get(0)) - padding.left() - columns[Math.min(cell.column(), columns.length - 1)]);
            } else if (alignment == Alignment.END) {
                told.add(StandingPassages.right(lines.get(0)) + padding.right() + look.get(ParagraphProperty.INDENT_END, 0.0)
                        - columns[Math.min(cell.column() + cell.columnSpan(), columns.length - 1)]);
            }
        }
        told.sort(Double::compare);
        return told.isEmpty() ? Double.NaN : told.get(told.size() / 2);
    }
}
