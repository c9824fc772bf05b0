package app.decant.sheet;

import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.CellText;
import app.decant.page.Item;
import app.decant.page.Page;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/**
 * One sheet as it is worked on: where its columns and rows stand, in points from its corner at full size, and any part of it painted as its pages show it.
 * Reaches beyond what is used, so that there is room to write.
 */
public final class SheetSurface {
    private static final Look PLAIN = Look.of(TextProperty.FAMILY, "Calibri").with(TextProperty.SIZE, 11.0);
    private static final int MORE_ROWS = 60;
    private static final int MORE_COLUMNS = 31;
    /** Text of cells beside a part may run into it from as many columns away. */
    private static final int REACH = 8;
    /** What is merged is painted as a whole; more rows than these of it are not looked for. */
    private static final int MOST_MERGED = 400;

    private final Workbook workbook;
    private final Sheet sheet;
    private final NumberText numbers;
    private final CellText setter;
    private final SheetPainter painter;
    private final double[] lefts;
    private final double[] tops;
    private final Range used;
    private final List<Edges> edges = new ArrayList<>();

    /**
     * Where pages begin and end on it.
     *
     * @param area    that goes onto them
     * @param columns the first of each page, from 0, and the one after the last
     * @param rows    likewise
     */
    public record Edges(Range area, int[] columns, int[] rows, double scale) {
        public int pages() { return (columns.length - 1) * (rows.length - 1); }
    }

    /** @param index of the sheet in the workbook */
    public SheetSurface(Workbook workbook, int index, FontCatalogue fonts) {
        this.workbook = workbook;
        sheet = workbook.sheets().get(index);
        setter = new CellText(fonts, workbook.styles().get(0).font().over(PLAIN));
        numbers = new NumberText(workbook, Locale.getDefault(Locale.Category.FORMAT));
        used = sheet.used(workbook.styles());
        int bottom = Math.min(Range.MOST_ROWS, (used == null ? 0 : used.bottom() + 1) + MORE_ROWS) - 1;
        int right = Math.min(Range.MOST_COLUMNS, (used == null ? 0 : used.right() + 1) + MORE_COLUMNS) - 1;
        Range whole = new Range(0, 0, bottom, right);
        SheetGrid grid = new SheetGrid(workbook, sheet, whole, (cell, style, width) -> SheetPainter.height(workbook, setter, numbers, cell, style, width));
        PageSetup lined = sheet.setup().grid() ? sheet.setup() : sheet.setup().lined();
        painter = new SheetPainter(workbook, sheet, lined, grid, 1, setter, numbers, Conditions.of(workbook, sheet), new CellLinks(workbook), 0, false);
        lefts = sums(right + 1, grid::width);
        tops = sums(bottom + 1, grid::height);
        if (used != null) edges(whole, grid);
    }

    private static double[] sums(int count, IntToDoubleFunction size) {
        double[] sums = new double[count + 1];
        for (int i = 0; i < count; i++) sums[i + 1] = sums[i] + size.applyAsDouble(i);
        return sums;
    }

    private void edges(Range whole, SheetGrid grid) {
        PageSetup setup = sheet.setup();
        for (Range area : PublishedAreas.of(workbook, sheet, setup, used, setter)) {
            Range seen = area.within(whole);
            if (seen == null) continue;
            double beside = setup.headings() ? SheetLayout.beside(seen) : 0;
            SheetSplit split = SheetSplit.of(sheet, setup, seen, grid, beside, setup.headings() ? SheetLayout.HEADING_HEIGHT : 0);
            edges.add(new Edges(seen, begins(split.columns()), begins(split.rows()), split.scale()));
        }
    }

    private static int[] begins(List<int[]> stretches) {
        return IntStream.concat(stretches.stream().mapToInt(stretch -> stretch[0]), IntStream.of(stretches.get(stretches.size() - 1)[1] + 1)).toArray();
    }

    public Sheet sheet() { return sheet; }

    /** All that holds or shows something; null for an empty sheet. */
    public Range used() { return used; }

    public int rows() { return tops.length - 1; }
    public int columns() { return lefts.length - 1; }
    public double width() { return lefts[lefts.length - 1]; }
    public double height() { return tops[tops.length - 1]; }

    /** Where a column begins; that after the last, where the last ends. */
    public double left(int column) { return lefts[Math.max(0, Math.min(columns(), column))]; }

    public double top(int row) { return tops[Math.max(0, Math.min(rows(), row))]; }

    /** The column at a place; the first or the last where it is beside all. */
    public int columnAt(double x) { return at(lefts, x); }

    public int rowAt(double y) { return at(tops, y); }

    private static int at(double[] sums, double place) {
        int found = Arrays.binarySearch(sums, place);
        int at = found >= 0 ? found : -found - 2;
        // Of what is hidden at a place none is there.
        while (at + 1 < sums.length - 1 && sums[at + 1] <= place) at++;
        return Math.max(0, Math.min(sums.length - 2, at));
    }

    /** The areas that are published, with the pages they fall onto. */
    public List<Edges> edges() { return List.copyOf(edges); }

    /** The cells that a cell is one with; itself alone where it is none. */
    public Range whole(int row, int column) {
        for (Range one : sheet.merged()) if (one.holds(row, column)) return one;
        return Range.cell(row, column);
    }

    /** What a cell shows. */
    public String shown(int row, int column) { return shown(sheet, row, column); }

    /** What a cell of any sheet of the workbook shows. */
    public String shown(Sheet of, int row, int column) {
        Cell cell = of.cell(row, column);
        return cell == null ? "" : numbers.of(cell.value(), workbook.style(cell).format());
    }

    /** What is in a cell as one would type it: a formula with its equals sign, a number in full, a date as it is shown. */
    public String typed(int row, int column) {
        Cell cell = sheet.cell(row, column);
        if (cell == null) return "";
        if (cell.formula() != null) return "=" + cell.formula();
        boolean plain = cell.value() instanceof CellValue.Number && !NumberText.isDate(workbook.style(cell).format())
                && !workbook.style(cell).format().contains("%");
        return numbers.of(cell.value(), plain ? CellStyle.GENERAL : workbook.style(cell).format());
    }

    /**
     * A part of the sheet as a page whose left top corner is that of its first cell, lines between all cells.
     *
     * @param from the first row; likewise {@code left} the first column
     * @param to   the last
     */
    public Page part(int from, int left, int to, int right) {
        int top = from;
        int bottom = to;
        for (Range one : sheet.merged()) {
            if (one.top() > to || one.bottom() < from) continue;
            top = Math.min(top, Math.max(one.top(), from - MOST_MERGED));
            bottom = Math.max(bottom, Math.min(one.bottom(), to + MOST_MERGED));
        }
        int[] across = IntStream.rangeClosed(Math.max(0, left - REACH), Math.min(columns() - 1, right + REACH)).toArray();
        int[] down = IntStream.rangeClosed(Math.max(0, top), Math.min(rows() - 1, bottom)).toArray();
        double x = left(across[0]) - left(left);
        double y = top(down[0]) - top(from);
        List<Item> items;
        synchronized (painter) {
            items = painter.paint(across, down, x, y, 0, 0, new SheetPainter.Tally());
        }
        return new Page(0, "", Math.max(1, left(right + 1) - left(left)), Math.max(1, top(to + 1) - top(from)), items, List.of());
    }
}
