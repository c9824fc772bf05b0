package app.decant.sheet;

import app.decant.document.Section.PageGeometry;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntToDoubleFunction;

/**
 * What of an area goes onto which page: stretches of columns and of rows, and how small it is made.
 *
 * @param columns the first and the last of each stretch
 * @param rows    likewise
 */
record SheetSplit(double scale, List<int[]> columns, List<int[]> rows) {
    private static final double SLACK = 0.05;

    int pages() { return columns.size() * rows.size(); }

    static SheetSplit of(Sheet sheet, PageSetup setup, Range area, SheetGrid grid, double beside, double above) {
        PageGeometry page = setup.page();
        double width = page.width() - page.left() - page.right();
        double height = page.height() - page.top() - page.bottom();
        if (!setup.fitted()) return at(setup.scale(), sheet, setup, area, grid, width - beside, height - above);
        // Nothing is made larger, and percents are whole (common practice).
        int low = (int) (PageSetup.LEAST_SCALE * 100);
        int high = 100;
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (fits(at(middle / 100.0, sheet, setup, area, grid, width - beside, height - above), setup)) low = middle;
            else high = middle - 1;
        }
        return at(low / 100.0, sheet, setup, area, grid, width - beside, height - above);
    }

    private static boolean fits(SheetSplit split, PageSetup setup) {
        return (setup.wide() == 0 || split.columns.size() <= setup.wide()) && (setup.tall() == 0 || split.rows.size() <= setup.tall());
    }

    private static SheetSplit at(double scale, Sheet sheet, PageSetup setup, Range area, SheetGrid grid, double width, double height) {
        // Where it is made to fit, breaks that somebody set do not count in that direction.
        List<Integer> columnBreaks = setup.fitted() && setup.wide() > 0 ? List.of() : setup.columnBreaks();
        List<Integer> rowBreaks = setup.fitted() && setup.tall() > 0 ? List.of() : setup.rowBreaks();
        Range titles = setup.titleColumns();
        List<int[]> columns = stretches(area.left(), area.right(), width / scale, grid::width, columnBreaks, titles == null ? -1 : titles.left(),
                titles == null ? -1 : titles.right(), sheet.merged().stream().map(one -> new int[] {one.left(), one.right()}).toList());
        titles = setup.titleRows();
        List<int[]> rows = stretches(area.top(), area.bottom(), height / scale, grid::height, rowBreaks, titles == null ? -1 : titles.top(),
                titles == null ? -1 : titles.bottom(), sheet.merged().stream().map(one -> new int[] {one.top(), one.bottom()}).toList());
        return new SheetSplit(scale, columns, rows);
    }

    /** Cuts a run of columns or rows into stretches that fit, before breaks that are set and, where that helps, before what is merged. */
    private static List<int[]> stretches(int from, int to, double room, IntToDoubleFunction size, List<Integer> breaks, int titleFrom, int titleTo,
            List<int[]> merged) {
        List<int[]> stretches = new ArrayList<>();
        int start = from;
        double used = 0;
        double titles = 0;
        for (int i = Math.max(from, titleFrom); titleFrom >= 0 && i <= Math.min(to, titleTo); i++) titles += size.applyAsDouble(i);
        for (int i = from; i <= to; i++) {
            double own = size.applyAsDouble(i);
            // Titles stand once more on all pages behind them.
            double repeated = start > titleTo ? titles : 0;
            boolean full = i > start && used + own + Math.min(repeated, room / 2) > room + SLACK;
            boolean set = i > start && breaks.contains(i);
            if (full || set) {
                int cut = set ? i : beforeMerged(i, start, merged);
                stretches.add(new int[] {start, cut - 1});
                start = cut;
                used = 0;
                for (int j = cut; j < i; j++) used += size.applyAsDouble(j);
            }
            used += own;
        }
        stretches.add(new int[] {start, to});
        // What is hidden as a whole makes no page.
        stretches.removeIf(stretch -> stretches.size() > 1 && isHidden(stretch, size));
        return stretches;
    }

    private static boolean isHidden(int[] stretch, IntToDoubleFunction size) {
        for (int i = stretch[0]; i <= stretch[1]; i++) if (size.applyAsDouble(i) > 0) return false;
        return true;
    }

    private static int beforeMerged(int cut, int start, List<int[]> merged) {
        int best = cut;
        for (int[] one : merged) if (one[0] < cut && one[1] >= cut && one[0] > start) best = Math.min(best, one[0]);
        return best;
    }
}
