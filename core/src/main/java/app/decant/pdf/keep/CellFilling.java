package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.keep.Correction.Cell;
import app.decant.pdf.keep.Correction.Passage;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/** Puts words into a cell of a table that says nothing yet: on the line of what stands beside it in its row, which grows where that is not enough. */
final class CellFilling {
    /** From baseline to baseline, in ems; common practice. */
    static final double LEADING = 1.2;
    /** Letters reach so far above and below their baseline, in ems. */
    private static final double ABOVE = 0.7;
    private static final double BELOW = 0.2;

    private final ChangedPage at;
    private final PlacedAnew placed;

    /** @param placed hears where letters come to stand */
    CellFilling(ChangedPage at, PlacedAnew placed) {
        this.at = at;
        this.placed = placed;
    }

    void set(Correction correction) throws Refused, IOException {
        Passage passage = correction.passage();
        ShownGlyph like = like(passage, at);
        List<ComposedLine> lines = composed(correction, like, at);
        LowerLines lower = new LowerLines(at);
        Rectangle2D set = PassageSetting.extent(lines);
        double size = correction.cell().size();
        double lowest = new GrownRow(at, lower, passage, LEADING * size).grow(List.of(), set, correction.cell().baseline(),
                set.getMaxY() - correction.cell().baseline());
        for (ComposedLine line : lines) {
            double below = Math.min(BELOW * size, Math.max(0, set.getMaxY() - line.baseline()));
            lower.refuseOn(passage, new Rectangle2D.Double(line.left(), line.baseline() - ABOVE * size, Math.max(0.1, line.width()), ABOVE * size + below));
        }
        Rectangle2D touched = new Rectangle2D.Double(Math.min(set.getMinX(), lower.left()), set.getMinY() - ABOVE * size, 0, 0);
        touched.add(Math.max(set.getMaxX(), lower.right()), Math.max(lowest, lower.bottom()) + BELOW * size);
        at.refuseAnnotations(lower.extent(size), touched);
        at.changes.touches(touched.getMinX() - 0.5 * size, touched.getMinY() - 0.6 * size, touched.getMaxX() + 0.5 * size, touched.getMaxY() + 0.4 * size);
        put(lines, Rewritten.Beside.inCell(correction.cell().away(), 0), like, at, placed, 0);
    }

    /** The first letter of a passage beside which words can be put. */
    static ShownGlyph like(Passage passage, ChangedPage at) throws Refused, IOException {
        ShownGlyph like = PageRewriting.movable(passage.lines().get(0), at.byOrder).get(0);
        if (!like.path().isEmpty() || !at.stream.takesBeside(like.operator()))
            throw new Refused(Message.of("keep.its-text-is-drawn-in-a-way", false, false, false));
        return like;
    }

    /** @param first the place among all that is put in of the first letter of the lines' own text */
    static void put(List<ComposedLine> lines, Rewritten.Beside where, ShownGlyph like, ChangedPage at, PlacedAnew placed, int first)
            throws Refused, IOException {
        PutInLines.Beside beside = new PutInLines.Beside(at.stream.contents(like), where);
        for (ComposedLine line : lines) {
            at.fresh.take(line, beside, like, like);
            tell(line, like, placed, first, false);
        }
    }

    /** @param over whether the line goes over to the next page */
    static void tell(ComposedLine line, ShownGlyph like, PlacedAnew placed, int first, boolean over) {
        for (ComposedLine.Placed one : line.places(like)) {
            Rewritten.Spot here = PageRewriting.spot(one.x(), one.x() + one.width(), line.baseline());
            int from = first + one.letter().at();
            for (int letter = from; letter < from + one.letter().text().length(); letter++) placed.letter(letter, over ? here.goingOver() : here, like);
        }
    }

    /** The lines of words for a cell, within its edges. */
    static List<ComposedLine> composed(Correction correction, ShownGlyph like, ChangedPage at) throws Refused, IOException {
        Cell cell = correction.cell();
        List<SetWord> words = new PassageWords(at).fresh(correction, like);
        List<ComposedLine> lines = new ArrayList<>();
        double space = ComposedLine.space(like);
        for (int begin = 0, end; begin < words.size(); begin = end) {
            double width = words.get(begin).width(like);
            if (width > cell.right() - cell.left() + 0.5) throw new NoRoom(Message.of("keep.a-word-is-longer-than-its-line"));
            for (SetWord.Letter letter : words.get(begin).letters()) {
                if (!Overflow.isPlain(correction, letter)) throw new Refused(Message.of("keep.lines-are-drawn-under-its-words"));
                if (at.stream.address(letter.like()) == null) throw new Refused(Message.of("keep.its-font-has-no-name"));
            }
            end = begin + 1;
            while (end < words.size() && cell.left() + width + space + words.get(end).width(like) <= cell.right() + 0.05)
                width += space + words.get(end++).width(like);
            double room = cell.right() - cell.left() - width;
            double left = cell.left() + switch (correction.set()) {
                case AT_RIGHT -> room;
                case CENTRED -> room / 2;
                default -> 0;
            };
            double baseline = cell.baseline() + lines.size() * LEADING * cell.size();
            lines.add(new ComposedLine(words.subList(begin, end), left, width, baseline, end == words.size(), null, null));
        }
        if (lines.isEmpty()) throw new Refused(Message.of("keep.its-text-is-not-where-it-seems"));
        return lines;
    }
}
