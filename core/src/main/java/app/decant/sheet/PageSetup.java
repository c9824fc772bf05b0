package app.decant.sheet;

import app.decant.document.Section.PageGeometry;
import java.util.List;

/**
 * How a sheet is put onto paper (ISO/IEC 29500-1, 18.3.1.63).
 *
 * @param page       paper and margins, in points
 * @param scale      1 as it is; not looked at where it is fitted
 * @param wide       pages side by side that it is made small enough for; 0 for as many as it takes
 * @param tall       pages one under another, likewise
 * @param fitted     whether it is made small enough
 * @param across     whether pages go from left to right before they go down
 * @param middle     whether it stands in the middle of the page from side to side
 * @param centre     and from top to bottom
 * @param grid       whether lines stand between all cells
 * @param headings   whether letters and numbers of columns and rows stand beside them
 * @param areas      that are published, each beginning a page; empty for all that is used
 * @param titleRows  rows that stand at the head of every page, or null
 * @param titleColumns likewise at the left
 * @param rowBreaks  rows that begin a page
 * @param columnBreaks columns that do
 * @param header     with the codes of 18.3.1.46, or null
 */
public record PageSetup(PageGeometry page, double scale, int wide, int tall, boolean fitted, boolean across, boolean middle, boolean centre, boolean grid,
                        boolean headings, List<Range> areas, Range titleRows, Range titleColumns, List<Integer> rowBreaks, List<Integer> columnBreaks,
                        String header, String footer) {
    /** Margins of 0.7 and 0.75 inch, common practice. */
    public static final PageSetup PLAIN = new PageSetup(new PageGeometry(595.3, 841.9, 54, 50.4, 54, 50.4, 21.6, 21.6, 0), 1, 1, 1, false, false, false, false,
            false, false, List.of(), null, null, List.of(), List.of(), null, null);
    public static final double LEAST_SCALE = 0.1;
    public static final double MOST_SCALE = 4;

    public PageSetup {
        areas = List.copyOf(areas);
        rowBreaks = rowBreaks.stream().sorted().distinct().toList();
        columnBreaks = columnBreaks.stream().sorted().distinct().toList();
        scale = Double.isNaN(scale) ? 1 : Math.max(LEAST_SCALE, Math.min(MOST_SCALE, scale));
    }

    public PageSetup withAreas(List<Range> others) {
        return new PageSetup(page, scale, wide, tall, fitted, across, middle, centre, grid, headings, others, titleRows, titleColumns, rowBreaks, columnBreaks,
                header, footer);
    }

    /** Made small enough for so many pages side by side and one under another; 0 for as many as it takes. */
    public PageSetup fitted(int pagesWide, int pagesTall) {
        return new PageSetup(page, scale, pagesWide, pagesTall, true, across, middle, centre, grid, headings, areas, titleRows, titleColumns, rowBreaks,
                columnBreaks, header, footer);
    }

    /** With rows at the head of every page. */
    public PageSetup repeating(Range rows) {
        return new PageSetup(page, scale, wide, tall, fitted, across, middle, centre, grid, headings, areas, rows, titleColumns, rowBreaks, columnBreaks,
                header, footer);
    }

    /** On other paper. */
    public PageSetup on(PageGeometry other) {
        return new PageSetup(other, scale, wide, tall, fitted, across, middle, centre, grid, headings, areas, titleRows, titleColumns, rowBreaks, columnBreaks,
                header, footer);
    }

    /** With pages that begin at other rows and columns. */
    public PageSetup broken(List<Integer> rows, List<Integer> columns) {
        return new PageSetup(page, scale, wide, tall, fitted, across, middle, centre, grid, headings, areas, titleRows, titleColumns, rows, columns, header,
                footer);
    }

    /** With lines between all cells. */
    public PageSetup lined() {
        return new PageSetup(page, scale, wide, tall, fitted, across, middle, centre, true, headings, areas, titleRows, titleColumns, rowBreaks, columnBreaks,
                header, footer);
    }

    public PageSetup scaled(double other) {
        return new PageSetup(page, other, wide, tall, false, across, middle, centre, grid, headings, areas, titleRows, titleColumns, rowBreaks, columnBreaks,
                header, footer);
    }
}
