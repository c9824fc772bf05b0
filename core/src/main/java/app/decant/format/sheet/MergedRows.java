package app.decant.format.sheet;

import app.decant.sheet.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The merged cells of a sheet as a writer comes by them, which asks for rows one after another: sheets have been seen with fifty thousand of them. */
final class MergedRows {
    private final List<Range> all;
    private final List<Range> over = new ArrayList<>();
    private int begun;

    MergedRows(List<Range> merged) { all = merged.stream().sorted(Comparator.comparingInt(Range::top)).toList(); }

    /** Those that a row is part of; rows may only be asked for downwards. */
    List<Range> over(int row) {
        over.removeIf(one -> one.bottom() < row);
        for (; begun < all.size() && all.get(begun).top() <= row; begun++) if (all.get(begun).bottom() >= row) over.add(all.get(begun));
        return over;
    }

    /** The first row behind the one that was asked for last where some begin; none below the sheet. */
    int next() { return begun < all.size() ? all.get(begun).top() : Integer.MAX_VALUE; }
}
