package app.decant.sheet;

import java.util.List;

/**
 * What belongs to a sheet beside its cells and its pages.
 *
 * @param view   how it is shown on a screen
 * @param notes  on its cells, in their order
 * @param checks of what may be typed
 * @param filter by which rows are hidden, or null
 * @param lock   against changes, or null
 * @param tables that have names
 */
public record SheetMatter(SheetView view, List<CellNote> notes, List<CellCheck> checks, SheetFilter filter, SheetLock lock,
                          List<SheetTable> tables) {
    public static final SheetMatter NONE = new SheetMatter(SheetView.PLAIN, List.of(), List.of(), null, null, List.of());

    public SheetMatter {
        notes = List.copyOf(notes);
        checks = List.copyOf(checks);
        tables = List.copyOf(tables);
    }

    /** What no table has a part in. */
    public SheetMatter(SheetView view, List<CellNote> notes, List<CellCheck> checks, SheetFilter filter, SheetLock lock) {
        this(view, notes, checks, filter, lock, List.of());
    }

    public SheetMatter with(SheetFilter other) { return new SheetMatter(view, notes, checks, other, lock, tables); }

    public SheetMatter checked(List<CellCheck> others) { return new SheetMatter(view, notes, others, filter, lock, tables); }
}
