package app.decant.pdf.keep;

import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;

/**
 * Fields to fill in, notes written on the page, and stamps (ISO 32000-2, 12.5.6.6, 12.5.6.12 and 12.5.6.19). Each draws what it shows within its own
 * rectangle, so that it goes down as it is with the lines it stands among.
 */
final class CarriedBoxes {
    private static final Set<String> KINDS = Set.of("Widget", "FreeText", "Stamp");
    /** Frames and letters reach so far over the rectangle, in points. */
    private static final double AROUND = 1;

    private final List<Box> boxes = new ArrayList<>();
    private final Set<Integer> own = new HashSet<>();

    /**
     * One of them.
     *
     * @param area   where it is on the page as that was read
     * @param marks  the letters it shows
     * @param orders the numbers of all marks it makes, letters and drawings
     */
    record Box(Rectangle2D area, List<ShownGlyph> marks, Set<Integer> orders) {
        /** Below this it stands among lines; fields reach over the lines they are on. */
        double top() { return area.getMinY() + LoweredPlaces.within(area); }
    }

    CarriedBoxes(PDPage page, PageReader.Addressed read) throws IOException {
        AffineTransform toPage = PageReader.toPage(page, read.page().turn());
        SortedMap<Integer, Rectangle2D> drawn = LineRoom.drawn(read).tailMap(read.page().own());
        for (PDAnnotation annotation : page.getAnnotations()) {
            if (!isBox(annotation) || annotation.isHidden() || annotation.getRectangle() == null) continue;
            Rectangle2D area = LoweredPlaces.area(annotation, toPage);
            List<ShownGlyph> marks = new ArrayList<>();
            Set<Integer> orders = new HashSet<>();
            for (ShownGlyph mark : read.shown()) {
                Glyph glyph = mark.glyph();
                if (mark.path() != null || !holds(area, glyph.x() + glyph.width() / 2, glyph.baseline() - 0.3 * glyph.size())) continue;
                marks.add(mark);
                orders.add(glyph.order());
            }
            drawn.forEach((order, box) -> {
                if (holds(area, box.getCenterX(), box.getCenterY())) orders.add(order);
            });
            own.addAll(orders);
            boxes.add(new Box(area, List.copyOf(marks), Set.copyOf(orders)));
        }
    }

    /** Whether an annotation is one of them. */
    static boolean isBox(PDAnnotation annotation) { return KINDS.contains(String.valueOf(annotation.getSubtype())); }

    private static boolean holds(Rectangle2D area, double x, double y) {
        return x > area.getMinX() - AROUND && x < area.getMaxX() + AROUND && y > area.getMinY() - AROUND && y < area.getMaxY() + AROUND;
    }

    /** Whether one of them makes a mark. */
    boolean isOwn(int order) { return own.contains(order); }

    /** The marks of a line that the page makes itself. */
    List<Integer> without(List<Integer> line) { return line.stream().filter(order -> !own.contains(order)).toList(); }

    /**
     * Those that go with lines: in their column or beside one of them, with no words on them that stay.
     *
     * @param column where it begins and ends
     * @param high the baseline above it
     * @param low  where it ends at the latest
     * @param words all words that go, or are set anew
     */
    List<Box> among(PageReader.Addressed read, List<LoweredUnit> lines, double[] column, double high, double low, Set<Integer> words) {
        List<Box> among = new ArrayList<>();
        for (Box box : boxes) {
            Rectangle2D area = box.area;
            if (box.top() <= high + 0.1 || area.getMaxY() >= low) continue;
            boolean within = area.getMaxX() > column[0] && area.getMinX() < column[1];
            boolean covers = read.shown().stream().anyMatch(mark -> mark.path() != null && !words.contains(mark.glyph().order()) && !mark.glyph().isSpace()
                    && area.contains(mark.glyph().x() + mark.glyph().width() / 2, mark.glyph().baseline() - 0.3 * mark.glyph().size()));
            if (!covers && (within || isBeside(box, lines, read, words))) among.add(box);
        }
        return among;
    }

    /** Whether the words before it on its line are of the lines that go, or where there are none, those behind it. */
    private static boolean isBeside(Box box, List<LoweredUnit> lines, PageReader.Addressed read, Set<Integer> words) {
        Glyph nearest = null;
        double least = Double.MAX_VALUE;
        for (ShownGlyph mark : read.shown()) {
            Glyph glyph = mark.glyph();
            double middle = glyph.baseline() - 0.3 * glyph.size();
            if (glyph.isSpace() || mark.path() == null || middle < box.area.getMinY() || middle > box.area.getMaxY()) continue;
            double before = box.area.getMinX() - glyph.right();
            double away = before > -AROUND ? before : read.page().width() + glyph.x() - box.area.getMaxX();
            if (away < least) nearest = glyph;
            least = Math.min(least, away);
        }
        int order = nearest == null ? -1 : nearest.order();
        return words.contains(order) && lines.stream().anyMatch(line -> line.marks.stream().anyMatch(mark -> mark.glyph().order() == order));
    }
}
