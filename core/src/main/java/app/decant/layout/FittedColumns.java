package app.decant.layout;

import app.decant.document.Look;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * The columns of a table that is fitted to what it holds: none narrower than its widest word while there is room, and those whose width nobody said as wide
 * as their text asks (CSS 2.2, 17.5.2.2; ISO/IEC 29500-1, ST_TblLayoutType, autofit).
 */
final class FittedColumns {
    private final double[] least;
    private final double[] most;
    private final Map<Table.Row, ContentWidths[]> cells = new IdentityHashMap<>();

    /** @param known the same table as it was before an edit, whose rows need not be measured again; or null */
    FittedColumns(Composer composer, Table table, FittedColumns known) {
        least = new double[table.columns().size()];
        most = new double[least.length];
        for (int r = 0; r < table.rows().size(); r++) {
            Table.Row row = table.rows().get(r);
            ContentWidths[] measured = known == null ? null : known.cells.get(row);
            cells.put(row, measured != null ? measured : measured(composer, table, r));
        }
        // In the order of the rows: which of two wide cells widens its columns first is seen in the widths.
        for (boolean several : new boolean[] {false, true}) for (Table.Row row : table.rows()) spread(row, cells.get(row), several);
    }

    private static ContentWidths[] measured(Composer composer, Table table, int r) {
        List<Table.Cell> cells = table.rows().get(r).cells();
        ContentWidths[] measured = new ContentWidths[cells.size()];
        for (int c = 0; c < measured.length; c++) {
            Look look = composer.styles().cascade().cell(table, r, cells.get(c));
            Insets padding = look.get(TableProperty.PADDING, TableSetter.PADDING);
            boolean turned = look.get(TableProperty.RUNNING, Running.ACROSS) != Running.ACROSS;
            measured[c] = (turned ? ContentWidths.NONE : ContentWidths.of(composer, cells.get(c).blocks(), TableSetter.textOnly(look)))
                    .beside(padding.left() + padding.right());
        }
        return measured;
    }

    /** Cells over one column say how wide it is; those over several then widen all of them alike where they ask for more. */
    private void spread(Table.Row row, ContentWidths[] measured, boolean several) {
        for (int c = 0; c < measured.length; c++) {
            Table.Cell cell = row.cells().get(c);
            int from = Math.min(cell.column(), least.length - 1);
            int to = Math.min(least.length, cell.column() + cell.columnSpan());
            if (to - from > 1 != several) continue;
            raise(least, from, to, measured[c].least());
            raise(most, from, to, measured[c].most());
        }
    }

    private static void raise(double[] widths, int from, int to, double wanted) {
        double missing = wanted - IntStream.range(from, to).mapToDouble(i -> widths[i]).sum();
        for (int i = from; i < to && missing > 0; i++) widths[i] += missing / (to - from);
    }

    /** Whether columns of these widths tear no word. */
    boolean fitIn(double[] widths) { return IntStream.range(0, least.length).allMatch(i -> least[i] <= widths[i] + 0.1); }

    /**
     * @param stored    how wide columns are said to be; 0 where nothing says so
     * @param wanted    how wide the table is said to be; 0 where nothing says so
     * @param available how wide the place is
     */
    double[] widths(List<Double> stored, double wanted, double available) {
        double[] wished = new double[least.length];
        for (int i = 0; i < wished.length; i++) wished[i] = Math.max(stored.get(i) > 0 ? stored.get(i) : most[i], least[i]);
        double sum = Arrays.stream(wished).sum();
        double said = stored.stream().mapToDouble(width -> Math.max(0, width)).sum();
        double room = wanted > 0 ? wanted : Math.max(available, said);
        double must = Arrays.stream(least).sum();
        if (sum > room && must >= room) return scaled(least, Math.max(room, Math.min(must, available)) / must);
        if (sum > room) {
            double given = (room - must) / (sum - must);
            for (int i = 0; i < wished.length; i++) wished[i] = least[i] + (wished[i] - least[i]) * given;
        }
        return wanted > sum && sum > 0 ? widened(wished, stored, wanted - sum) : wished;
    }

    /** What is left over goes to columns that nobody gave a width; to all where all have one. */
    private static double[] widened(double[] widths, List<Double> stored, double more) {
        double free = IntStream.range(0, widths.length).filter(i -> stored.get(i) <= 0).mapToDouble(i -> widths[i]).sum();
        double sum = free > 0 ? free : Arrays.stream(widths).sum();
        for (int i = 0; i < widths.length; i++) if (free == 0 || stored.get(i) <= 0) widths[i] += more * widths[i] / sum;
        return widths;
    }

    private static double[] scaled(double[] widths, double factor) { return Arrays.stream(widths).map(width -> width * factor).toArray(); }

    static boolean isStored(List<Double> columns) { return columns.stream().allMatch(width -> width > 0); }

    /** Of a table within a cell. */
    static ContentWidths contentWidths(Composer composer, Table table) {
        double stored = table.columns().stream().mapToDouble(width -> Math.max(0, width)).sum();
        if (isStored(table.columns())) return new ContentWidths(stored, stored);
        FittedColumns fitted = new FittedColumns(composer, table, null);
        return new ContentWidths(Arrays.stream(fitted.least).sum(), Math.max(stored, Arrays.stream(fitted.most).sum()));
    }
}
