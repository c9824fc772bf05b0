package app.decant.recover.made;

import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.recover.table.TableGrid;
import java.util.ArrayList;
import java.util.List;

/** A table that goes on on the next page. */
final class ContinuedTable {
    private ContinuedTable() { }

    /** Whether what begins a page is the rest of a table before. */
    static boolean goesOn(TableGrid above, TableGrid below) {
        if (above.page() == below.page() || above.columns() != below.columns()) return false;
        if (above.tag() != null && above.tag() == below.tag()) return true;
        for (int i = 0; i < above.xs().length; i++) if (Math.abs(above.xs()[i] - below.xs()[i]) > 4) return false;
        return true;
    }

    /** One table of two parts on following pages; a row of heads that comes again stands once, marked to be repeated. */
    static Table joined(Table above, TableGrid first, Table below, TableGrid grid) {
        List<Table.Row> rows = new ArrayList<>(above.rows());
        boolean again = TableMaker.rowText(first, 0).equals(TableMaker.rowText(grid, 0)) && grid.rows() > 1;
        if (again) rows.set(0, new Table.Row(rows.get(0).look().with(TableProperty.HEADER_ROW, true), rows.get(0).cells()));
        for (int r = again ? 1 : 0; r < below.rows().size(); r++)
            rows.add(new Table.Row(below.rows().get(r).look().without(TableProperty.HEADER_ROW), below.rows().get(r).cells()));
        return new Table(above.look(), columns(above, below), rows);
    }

    /** The widths of columns: an edge at which no cell above begins is where the part below has it, where one begins there. */
    private static List<Double> columns(Table above, Table below) {
        List<Double> widths = new ArrayList<>();
        double edge = 0;
        double here = 0;
        double there = 0;
        for (int i = 1; i <= above.columns().size(); i++) {
            here += above.columns().get(i - 1);
            there += below.columns().get(i - 1);
            boolean last = i == above.columns().size();
            double next = last ? Math.max(here, edge + 1) : !begins(above, i) && begins(below, i) ? there : here;
            // Parts that contradict each other are as the first.
            if (next <= edge) return above.columns();
            widths.add(BlockMaker.rounded(next - edge));
            edge = next;
        }
        return widths;
    }

    private static boolean begins(Table table, int column) {
        return table.rows().stream().flatMap(row -> row.cells().stream()).anyMatch(cell -> cell.column() == column);
    }
}
