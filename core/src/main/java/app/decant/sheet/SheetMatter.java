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
 */
public record SheetMatter(SheetView view, List<CellNote> notes, List<CellCheck> checks, SheetFilter filter, SheetLock lock) {
    public static final SheetMatter NONE = new SheetMatter(SheetView.PLAIN, List.of(), List.of(), null, null);

    public SheetMatter {
        notes = List.copyOf(notes);
        checks = List.copyOf(checks);
    }

    public SheetMatter with(SheetView other) { return new SheetMatter(other, notes, checks, filter, lock); }

    public SheetMatter with(SheetFilter other) { return new SheetMatter(view, notes, checks, other, lock); }

    public SheetMatter with(SheetLock other) { return new SheetMatter(view, notes, checks, filter, other); }

    public SheetMatter noted(List<CellNote> others) { return new SheetMatter(view, others, checks, filter, lock); }

    public SheetMatter checked(List<CellCheck> others) { return new SheetMatter(view, notes, others, filter, lock); }
}
