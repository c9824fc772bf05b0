package app.decant.pdf.keep;

import app.decant.document.Colour;
import app.decant.pdf.keep.Correction.Drawn;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.keep.WordMarkings.Marking;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.StreamOperators;
import app.decant.words.Message;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Lines under and through words that are put in, and areas behind them. Lines are painted after the text object they belong to, in its colour, areas before it,
 * since nothing is drawn within one (ISO 32000-2, 9.4.1): all once it is known how far it went down.
 */
final class DrawnLines {
    /** As the common typefaces have it, in ems: Helvetica and Times tell 0.1 and 0.05 of themselves. */
    private static final double BELOW = 0.1;
    private static final double THICKNESS = 0.05;
    private static final double LEAST = 0.4;
    /** The middle of small letters; as pages are laid out here. */
    private static final double THROUGH = 0.28;
    /** So far an area reaches above and below the baseline: no line of ordinary text comes upon another. */
    private static final double LIT_ABOVE = 0.8;
    private static final double LIT_BELOW = 0.22;

    /** The colour of whoever calls the stream: it is in force anyway. */
    private static final String CALLERS = "";

    private final ChangedStream stream;
    private final PageChanges changes;
    private final List<Line> lines = new ArrayList<>();
    private final List<Carried> carried = new ArrayList<>();
    private final List<Rule> rules = new ArrayList<>();

    /** What is drawn with the letter that was put in last. */
    private List<Marking> open = List.of();

    /**
     * A line that was there and goes along, as long as it is told so far.
     *
     * @param mark with which it goes down
     */
    private record Carried(Marking marking, double left, double right, double top, ShownGlyph mark) { }

    /**
     * A line, as long as it is told so far.
     *
     * @param mark   with which it goes down
     * @param colour the operators that set what it is painted in
     * @param to     the letter after the last of those it belongs to, in the text of its correction
     */
    private record Line(Correction correction, Drawn kind, double left, double right, double baseline, double size, ShownGlyph mark, String colour, int to) { }

    /** A rule between rows that are put in; it goes down with a mark. */
    private record Rule(Rectangle2D box, int rgb, ShownGlyph mark) { }

    DrawnLines(ChangedStream stream, PageChanges changes) {
        this.stream = stream;
        this.changes = changes;
    }

    /**
     * A letter is put in, with its lines if it has some.
     *
     * @param at     the first of its letters in the text of the correction
     * @param to     the letter after the last
     * @param size   in points
     * @param colour the operators that set what it is painted in; null for the colour of the mark
     */
    void letter(Correction correction, int at, int to, double left, double right, double baseline, double size, ShownGlyph mark, String colour)
            throws Refused, IOException {
        for (Drawn kind : correction.drawn(at)) {
            String paint = kind.lit() != null ? NewLetters.colour(kind.lit()) : colour != null ? colour : own(mark);
            int last = lines.size() - 1;
            while (last >= 0 && !lines.get(last).kind.equals(kind)) last--;
            Line before = last < 0 ? null : lines.get(last);
            boolean goesOn = before != null && before.correction == correction && before.baseline == baseline && before.colour.equals(paint)
                    && IntStream.range(before.to, at).allMatch(between -> correction.drawn(between).contains(kind));
            if (goesOn) lines.set(last, new Line(correction, kind, before.left, right, baseline, Math.max(size, before.size), mark, paint, to));
            else lines.add(new Line(correction, kind, left, right, baseline, size, mark, paint, to));
        }
    }

    /** A letter is put in, with what was drawn with it, or with the letter it stands for. */
    void carry(List<Marking> markings, double left, double right, double baseline, ShownGlyph mark) {
        for (Marking marking : markings) {
            double top = baseline + marking.top();
            int last = carried.size() - 1;
            while (last >= 0 && carried.get(last).marking != marking) last--;
            Carried before = last < 0 ? null : carried.get(last);
            if (before != null && open.contains(marking) && before.top == top) carried.set(last, new Carried(marking, before.left, right, top, before.mark));
            else carried.add(new Carried(marking, left, right, top, mark));
        }
        open = markings;
    }

    /** What was drawn with words that stay where they are, beside others that do not. */
    void stays(Marking marking, Rectangle2D box, ShownGlyph mark) {
        carried.add(new Carried(marking, box.getMinX(), box.getMaxX(), box.getMinY(), mark));
    }

    /** A rule by itself. */
    void rule(Rectangle2D box, int rgb, ShownGlyph mark) { rules.add(new Rule(box, rgb, mark)); }

    private String own(ShownGlyph mark) throws Refused, IOException {
        String colour = stream.of(mark).colour(mark);
        return colour == null ? CALLERS : colour;
    }

    /** Where a line or an area stands, in points from the page's top left corner. */
    private Rectangle2D box(Line line) {
        double baseline = line.baseline + changes.lowered(line.mark);
        double width = line.right - line.left;
        if (line.kind.lit() != null)
            return new Rectangle2D.Double(line.left, baseline - LIT_ABOVE * line.size, width, (LIT_ABOVE + LIT_BELOW) * line.size);
        double thickness = Math.max(LEAST, THICKNESS * line.size);
        double middle = baseline + (line.kind.equals(Drawn.UNDER) ? BELOW : -THROUGH) * line.size;
        return new Rectangle2D.Double(line.left, middle - thickness / 2, width, thickness);
    }

    /** Paints them. */
    void paint() throws Refused, IOException {
        for (Line line : lines) paint(box(line), line.kind.lit() != null, line.colour, line.mark);
        for (Rule one : rules) {
            Rectangle2D box = one.box;
            double top = box.getY() + changes.lowered(one.mark);
            paint(new Rectangle2D.Double(box.getX(), top, box.getWidth(), box.getHeight()), false, NewLetters.colour(new Colour(one.rgb)), one.mark);
        }
        for (Carried one : carried) {
            Rectangle2D box = new Rectangle2D.Double(one.left, one.top + changes.lowered(one.mark), one.right - one.left, one.marking.box().getHeight());
            paint(box, one.marking.place() == Drawn.Place.BEHIND, NewLetters.colour(new Colour(one.marking.rgb())), one.mark);
        }
    }

    private void paint(Rectangle2D box, boolean area, String colour, ShownGlyph mark) throws Refused, IOException {
        ChangedStream own = stream.of(mark);
        List<StreamOperators.Found> operators = own.operators();
        int end = mark.operator();
        while (end >= 0 && end < operators.size() && !operators.get(end).name().equals(area ? "BT" : "ET")) end += area ? -1 : 1;
        if (end < 0 || end == operators.size()) throw new Refused(Message.of("keep.its-stream-is-damaged"));
        if (colour.equals(CALLERS) && own.colour(end) != null) throw new Refused(Message.of("keep.its-colour-is-set-elsewhere"));
        String painting = framed(operators.subList(0, end), "q " + colour + " " + path(box, mark.state().place()) + " f Q");
        if (area) own.putBefore(end, painting + "\n");
        else own.putAfter(end, painting);
        changes.draws(box);
    }

    /** In tagged content a line has no words (14.8.2.2): it is told apart where it is not within what has. */
    private static String framed(List<StreamOperators.Found> before, String painting) {
        int depth = 0;
        boolean tagged = false;
        for (StreamOperators.Found one : before) {
            boolean begins = one.name().equals("BDC") || one.name().equals("BMC");
            tagged |= begins;
            if (begins) depth++;
            else if (one.name().equals("EMC")) depth--;
        }
        return tagged && depth <= 0 ? "\n/Artifact BMC " + painting + " EMC" : "\n" + painting;
    }

    /** The operators of a path around a box that is told in points from the page's top left corner. */
    static String path(Rectangle2D box, AffineTransform place) throws Refused {
        StringBuilder path = new StringBuilder();
        try {
            for (int corner = 0; corner < 4; corner++) {
                double x = corner == 1 || corner == 2 ? box.getMaxX() : box.getMinX();
                Point2D at = place.inverseTransform(new Point2D.Double(x, corner < 2 ? box.getMinY() : box.getMaxY()), null);
                String step = path.isEmpty() ? " m " : " l ";
                path.append(TextRewriting.number(at.getX())).append(' ').append(TextRewriting.number(at.getY())).append(step);
            }
        } catch (NoninvertibleTransformException e) {
            throw new Refused(Message.of("keep.its-stream-is-damaged"));
        }
        return path.append('h').toString();
    }
}
