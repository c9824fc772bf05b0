package app.decant.desktop.revise;

import app.decant.desktop.work.Desk;
import app.decant.document.Document;
import app.decant.edit.Change;
import app.decant.edit.ColumnWidths;
import app.decant.edit.Selection;
import app.decant.edit.TableSorting;
import app.decant.edit.TableText;
import app.decant.edit.Tables;
import app.decant.edit.Tables.Area;
import java.util.List;
import java.util.Locale;
import java.util.function.BiFunction;
import java.util.function.Predicate;

/** What can be done to the table that is picked; each is a command of its own. */
public enum TableTask {
    ROW_BELOW((document, picked) -> Tables.insertRow(document, picked, true), area -> true),
    ROW_ABOVE((document, picked) -> Tables.insertRow(document, picked, false), area -> true),
    COLUMN_BEHIND((document, picked) -> Tables.insertColumn(document, picked, true), area -> true),
    COLUMN_BEFORE((document, picked) -> Tables.insertColumn(document, picked, false), area -> true),
    ROWS_OUT(Tables::removeRows, area -> true),
    COLUMNS_OUT(Tables::removeColumns, area -> true),
    MERGE(Tables::merge, area -> area.rows() > 1 && !isOneCell(area) || area.columns() > 1 && !isOneCell(area)),
    SPLIT(Tables::split, area -> isOneCell(area) && Tables.isMerged(area)),
    SORT_RISING((document, picked) -> TableSorting.sort(document, picked, false), TableSorting::canSort),
    SORT_FALLING((document, picked) -> TableSorting.sort(document, picked, true), TableSorting::canSort),
    WIDER((document, picked) -> widened(document, picked, TableTask.STEP), TableTask::hasWidths),
    NARROWER((document, picked) -> widened(document, picked, -TableTask.STEP), TableTask::hasWidths),
    EVEN(ColumnWidths::even, area -> area.table().columns().size() > 1 && !ColumnWidths.areEven(area.table())),
    HEAD(Tables::head, area -> true),
    TEXT(TableText::part, TableText::canPart),
    OUT(Tables::remove, area -> true);

    /** A step by keys: two millimetres. */
    private static final double STEP = 2 * 72 / 25.4;

    private final BiFunction<Document, Selection, Change> change;
    private final Predicate<Area> when;

    TableTask(BiFunction<Document, Selection, Change> change, Predicate<Area> when) {
        this.change = change;
        this.when = when;
    }

    private static boolean hasWidths(Area area) { return !area.table().columns().isEmpty(); }

    /** The last column that is picked, wider or narrower. */
    private static Change widened(Document document, Selection picked, double by) {
        Area area = Tables.area(document, picked);
        List<Double> widths = ColumnWidths.declared(area.table());
        return ColumnWidths.move(document, picked, Math.min(area.right(), widths.size()) - 1, widths, by);
    }

    private static boolean isOneCell(Area area) {
        return area.table().rows().get(area.top()).cells().stream().anyMatch(cell -> cell.column() == area.left() && cell.columnSpan() == area.columns()
                && cell.rowSpan() == area.rows());
    }

    /** By which commands and words call it. */
    public String key() { return "table." + name().toLowerCase(Locale.ROOT).replace('_', '.'); }

    /** Whether it can be done to what is picked. */
    public boolean applies(Desk desk) {
        Area area = desk.selection().get() == null ? null : Tables.area(desk.document(), desk.selection().get());
        return area != null && when.test(area);
    }

    public void run(Desk desk) { desk.apply(change.apply(desk.document(), desk.selection().get())); }
}
