package app.decant.pdf.keep;

import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The marks of a page by how far down they stand: a letter that is typed must not ask all of them. */
final class MarkRows {
    /** As far as a row reaches, in points. */
    private static final double HIGH = 2;
    /** A letter so near to its like, in ems, is it drawn once more. */
    private static final double TWIN = 0.1;

    private final Map<Long, List<ShownGlyph>> rows = new HashMap<>();

    MarkRows(List<ShownGlyph> shown) {
        for (ShownGlyph mark : shown) rows.computeIfAbsent(row(mark.glyph().baseline()), key -> new ArrayList<>()).add(mark);
    }

    private static long row(double baseline) { return (long) Math.floor(baseline / HIGH); }

    /** Marks on baselines within so many points of one, and some besides. */
    private List<ShownGlyph> near(double baseline, double points) {
        List<ShownGlyph> near = new ArrayList<>();
        for (long row = row(baseline - points); row <= row(baseline + points); row++) near.addAll(rows.getOrDefault(row, List.of()));
        return near;
    }

    /** With the spaces that are shown between the letters: they move with them, though nobody sees it. */
    List<ShownGlyph> withSpaces(List<ShownGlyph> words) {
        Glyph first = words.get(0).glyph();
        Set<Integer> own = new HashSet<>();
        for (ShownGlyph word : words) own.add(word.glyph().order());
        List<ShownGlyph> spaces = near(first.baseline(), 0.5).stream().filter(mark -> mark.glyph().isSpace() && mark.isMovable()
                && !own.contains(mark.glyph().order()) && Math.abs(mark.glyph().baseline() - first.baseline()) < 0.5).toList();
        if (spaces.isEmpty()) return words;
        List<ShownGlyph> line = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            Glyph here = words.get(i).glyph();
            line.add(words.get(i));
            double until = i + 1 < words.size() ? words.get(i + 1).glyph().x() : here.right() + here.size();
            for (ShownGlyph space : spaces)
                if (space.glyph().x() > here.x() && space.glyph().x() >= here.right() - 0.3 * here.size() && space.glyph().x() < until) line.add(space);
        }
        return line;
    }

    /** Text drawn twice for weight or shadow would keep its other copy. */
    void refuseDoubled(List<ShownGlyph> going) throws Refused {
        for (ShownGlyph mark : going) {
            Glyph glyph = mark.glyph();
            for (ShownGlyph other : near(glyph.baseline(), TWIN * glyph.size())) {
                boolean twin = other != mark && other.glyph().text().equals(glyph.text()) && !other.glyph().isSpace()
                        && Math.hypot(other.glyph().x() - glyph.x(), other.glyph().baseline() - glyph.baseline()) < TWIN * glyph.size();
                if (twin) throw new Refused(Message.of("keep.its-letters-are-drawn-twice"));
            }
        }
    }
}
