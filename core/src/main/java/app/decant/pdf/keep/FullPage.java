package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Passage;
import app.decant.pdf.keep.MovedDrawings.Drawing;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.words.Message;
import java.io.IOException;
import java.util.List;
import java.util.Set;

/** A page that has no room for all that would go down: which of it goes over to the next, lines, rows of tables and pictures, and where the page ends then. */
final class FullPage {
    /** So many lines more go over at most where a page had better begin with another than the first that has no room; common practice. */
    private static final int MOST_BACK = 5;

    private final Overflow overflow;
    private final WordMarkings markings;
    private final RowDrawings plain;

    FullPage(ChangedPage at) {
        overflow = at.overflow;
        markings = at.markings;
        plain = new RowDrawings(at.read);
    }

    /**
     * How many of the units the page keeps; the others are for the next.
     *
     * @param units  from above
     * @param lowest where the last of them may end
     * @throws NoRoom where they can't go over
     */
    int stays(Passage passage, List<LoweredUnit> units, double lowest) throws NoRoom {
        int most = 0;
        while (most < units.size() && units.get(most).ends <= lowest + 0.05) most++;
        // A rule below a row stays with it.
        while (most > 0 && most < units.size() && isRule(units.get(most)) && !units.get(most - 1).marks.isEmpty()) most++;
        if (most == units.size() && most > 0 && isRule(units.get(most - 1))) return most;
        boolean drawn = units.subList(most, units.size()).stream().anyMatch(unit -> !canGo(unit));
        if (passage.onward() == null || drawn || most == units.size()) throw noRoom();
        int least = most;
        while (least > 0 && has(units.get(least), passage.onward().within())) least--;
        for (int stays = least; stays >= 0 && stays > least - MOST_BACK && canGo(units.get(stays)); stays--)
            if (has(units.get(stays), passage.onward().openers())) return stays;
        if (has(units.get(least), passage.onward().within())) throw noRoom();
        return least;
    }

    /** Gives the units over that it does not keep. @return where the first of them began */
    double give(Passage passage, List<LoweredUnit> units, int stays) throws Refused, IOException {
        Drawing rule = stays > 0 && units.get(stays - 1).marks.isEmpty() && units.get(stays - 1).drawings.size() == 1
                && RowDrawings.isRule(units.get(stays - 1).drawings.get(0)) ? units.get(stays - 1).drawings.get(0) : null;
        boolean row = rule != null && units.get(stays).top < rule.box().getMaxY() + units.get(stays).size;
        boolean edged = passage.onward().head() != null && passage.onward().head().goesOn();
        overflow.give(units.subList(stays, units.size()), row && !edged ? rule : null, passage.onward());
        return row ? rule.box().getCenterY() : units.get(stays).top;
    }

    /** Gives all of the units over. */
    void giveAll(Passage passage, List<LoweredUnit> units) throws Refused, IOException {
        if (!units.stream().allMatch(this::canGo)) throw noRoom();
        overflow.give(units, null, passage.onward());
    }

    private static boolean has(LoweredUnit unit, Set<Integer> marks) { return unit.marks.stream().anyMatch(mark -> marks.contains(mark.glyph().order())); }

    private static boolean isRule(LoweredUnit unit) { return unit.marks.isEmpty() && unit.drawings.stream().allMatch(RowDrawings::isRule); }

    /** Whether what is drawn in it can go elsewhere: lines under its words, areas behind them, what is drawn around rows, pictures. */
    private boolean canGo(LoweredUnit unit) {
        Set<Integer> own = markings.orders(unit.marks);
        return unit.boxes.isEmpty() && unit.drawings.stream()
                .allMatch(one -> LowerLines.isOf(one, own) || plain.of(one) != null || overflow.picture(one) != null);
    }

    private static NoRoom noRoom() { return new NoRoom(Message.of("keep.the-page-has-no-room")); }
}
