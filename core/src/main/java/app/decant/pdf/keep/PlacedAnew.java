package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.read.ShownGlyph;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Where the letters of a passage stand that was set anew, as if nothing above it was; and what they go down with. */
final class PlacedAnew {
    private final Map<Integer, Spot> marks = new HashMap<>();
    private final Spot[] letters;

    /** @param with the mark whose way down a letter goes too, by its number in the order of painting */
    private record Spot(Rewritten.Spot spot, int with) {
        Rewritten.Spot lowered(Map<Integer, Double> down) { return spot.lowered(down.getOrDefault(with, 0.0)); }
    }

    /** @param letters how many are put in */
    PlacedAnew(int letters) { this.letters = new Spot[letters]; }

    void mark(int order, Rewritten.Spot spot, ShownGlyph with) { marks.put(order, new Spot(spot, with.glyph().order())); }

    void letter(int at, Rewritten.Spot spot, ShownGlyph with) { letters[at] = new Spot(spot, with.glyph().order()); }

    /** Where a letter of words stands that went over to another page: one that was there, or one that was put in. */
    void elsewhere(GivenWords.Letter letter, Rewritten.Spot spot, int page) {
        if (letter.mark() >= 0) marks.put(letter.mark(), new Spot(spot.on(page), letter.mark()));
        else for (int i = 0; i < letter.text().length(); i++) letters[letter.at() + i] = new Spot(spot.on(page), -1);
    }

    /** @param down how far each mark goes down for what is done above it */
    Rewritten.Reset told(Map<Integer, Double> down) {
        Map<Integer, Rewritten.Spot> told = new HashMap<>();
        marks.forEach((mark, one) -> told.put(mark, one.lowered(down)));
        List<Rewritten.Spot> fresh = Arrays.stream(letters).map(one -> one == null ? null : one.lowered(down)).toList();
        return new Rewritten.Reset(told, fresh);
    }
}
