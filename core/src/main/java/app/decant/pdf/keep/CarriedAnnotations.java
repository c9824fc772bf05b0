package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationTextMarkup;

/**
 * The areas of links, and of notes that mark words, whose words are set anew: they go with their words, to another line too (ISO 32000-2, 12.5.6.5 and
 * 12.5.6.10).
 */
final class CarriedAnnotations {
    /** What borders, and lines below words, reach over the words they are of, in points. */
    private static final double AROUND = 4;

    private final PDPage page;
    private final PageReader.Addressed read;
    private final PageChanges changes;
    /** By the places of their annotations among those of the page: where they are, as the page was read. */
    private final Map<Integer, List<Rectangle2D>> areas = new TreeMap<>();
    private final Map<Integer, List<Carried>> carried = new TreeMap<>();
    private final Map<Integer, Set<Integer>> byMark = new HashMap<>();
    /** Those that are links: where all their words are gone, so are they. */
    private final Set<Integer> links = new HashSet<>();
    /** How much further to the right marks stand on their lines. */
    private final Map<Integer, Double> shifted = new HashMap<>();
    /** Of these annotations all words are gone. */
    private final Set<Integer> gone = new TreeSet<>();
    /** The same of notes, which say something still: they stay where they are. */
    private final Set<Integer> left = new TreeSet<>();

    /** A letter of one where it stands now, if the mark it goes down with did not. */
    private record Carried(double left, double right, double baseline, ShownGlyph mark) { }

    CarriedAnnotations(PDPage page, PageReader.Addressed read, PageChanges changes) throws IOException {
        this.page = page;
        this.read = read;
        this.changes = changes;
        AffineTransform toPage = PageReader.toPage(page, read.page().turn());
        List<PDAnnotation> all = page.getAnnotations();
        for (int i = 0; i < all.size(); i++) {
            if (!isOfWords(all.get(i)) || all.get(i).isHidden() || all.get(i).getRectangle() == null) continue;
            boolean link = all.get(i) instanceof PDAnnotationLink;
            if (link) links.add(i);
            List<Rectangle2D> own = new ArrayList<>();
            COSArray corners = all.get(i).getCOSObject().getCOSArray(COSName.QUADPOINTS);
            for (int at = 0; corners != null && at + 7 < corners.size(); at += 8) own.add(around(corners, at, 4));
            if (own.size() < (link ? 2 : 1)) own = List.of(around(all.get(i).getCOSObject().getCOSArray(COSName.RECT), 0, 2));
            areas.put(i, own.stream().map(box -> toPage.createTransformedShape(box).getBounds2D()).toList());
        }
        for (ShownGlyph mark : read.shown()) {
            Set<Integer> found = find(mark);
            if (!found.isEmpty()) byMark.put(mark.glyph().order(), found);
        }
    }

    /** Whether an annotation is of the words it lies on: a link, a highlight, a line under or through them. */
    static boolean isOfWords(PDAnnotation annotation) { return annotation instanceof PDAnnotationLink || annotation instanceof PDAnnotationTextMarkup; }

    private static Rectangle2D around(COSArray points, int from, int count) {
        Rectangle2D box = null;
        for (int i = 0; i < count; i++) {
            double x = points.getObject(from + 2 * i) instanceof COSNumber number ? number.floatValue() : 0;
            double y = points.getObject(from + 2 * i + 1) instanceof COSNumber number ? number.floatValue() : 0;
            if (box == null) box = new Rectangle2D.Double(x, y, 0, 0);
            else box.add(x, y);
        }
        return box;
    }

    private Set<Integer> find(ShownGlyph mark) {
        Glyph glyph = mark.glyph();
        double x = glyph.x() + glyph.width() / 2;
        double y = glyph.baseline() - 0.3 * glyph.size();
        return areas.entrySet().stream().filter(one -> one.getValue().stream().anyMatch(box -> box.contains(x, y))).map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    /** The letter of a mark, or one in its place, stands somewhere else. */
    void carry(ShownGlyph mark, double left, double right, double baseline, ShownGlyph target) {
        for (int one : of(mark)) carried.computeIfAbsent(one, key -> new ArrayList<>()).add(new Carried(left, right, baseline, target));
    }

    /** A mark stands so much further to the right on its line. */
    void along(ShownGlyph mark, double by) {
        if (of(mark).isEmpty() || by == 0) return;
        for (int one : of(mark)) carried.computeIfAbsent(one, key -> new ArrayList<>());
        shifted.put(mark.glyph().order(), by);
    }

    private Set<Integer> of(ShownGlyph mark) { return byMark.getOrDefault(mark.glyph().order(), Set.of()); }

    /** Words are gone for good; links of nothing else go with them. */
    void leave(Set<Integer> words) {
        Set<Integer> some = words.stream().flatMap(mark -> byMark.getOrDefault(mark, Set.of()).stream()).collect(Collectors.toSet());
        for (ShownGlyph mark : read.shown()) {
            boolean stays = !mark.glyph().isSpace() && !words.contains(mark.glyph().order()) && !changes.isRemoved(mark);
            if (stays) some.removeAll(of(mark));
        }
        some.removeAll(carried.keySet());
        for (int one : some) (links.contains(one) ? gone : left).add(one);
    }

    /** The places of the annotations that go with words. */
    Set<Integer> going() {
        Set<Integer> going = new TreeSet<>(gone);
        going.addAll(carried.keySet());
        going.addAll(left);
        going.addAll(parted());
        return going;
    }

    /** Those that go over to another page with all of their words. */
    Set<Integer> over(IntPredicate given) {
        Set<Integer> over = new TreeSet<>();
        Set<Integer> stay = new TreeSet<>();
        for (ShownGlyph mark : read.shown()) if (!mark.glyph().isSpace()) (given.test(mark.glyph().order()) ? over : stay).addAll(of(mark));
        over.removeAll(stay);
        return over;
    }

    /** Those of which some words went down and others did not, or not as far. */
    private Set<Integer> parted() {
        Map<Integer, Double> first = new HashMap<>();
        Set<Integer> parted = new TreeSet<>();
        for (ShownGlyph mark : read.shown()) {
            if (mark.glyph().isSpace() || changes.isRemoved(mark)) continue;
            for (int one : of(mark)) {
                Double other = first.putIfAbsent(one, changes.lowered(mark));
                if (other != null && Math.abs(other - changes.lowered(mark)) > 0.01) parted.add(one);
            }
        }
        return parted;
    }

    /** Says that the page may look otherwise where annotations were, and where they are. */
    void touch() throws IOException {
        List<PDAnnotation> all = page.getAnnotations();
        AffineTransform toPage = PageReader.toPage(page, read.page().turn());
        for (Rewritten.Relinked one : made()) {
            touch(LoweredPlaces.area(all.get(one.annotation()), toPage));
            for (Rewritten.Area area : one.areas())
                touch(new Rectangle2D.Double(area.left(), area.top(), area.right() - area.left(), area.bottom() - area.top()));
        }
        Set<Integer> going = going();
        for (int i = 0; i < all.size(); i++) {
            Rectangle2D area = going.contains(i) || !LoweredPlaces.goesAlong(all.get(i)) ? null : LoweredPlaces.area(all.get(i), toPage);
            double down = area == null ? 0 : LoweredPlaces.down(changes.pushed(), all.get(i), area);
            if (area != null && down == 0 && !isOfWords(all.get(i)) && !CarriedBoxes.isBox(all.get(i))) down = beside(area);
            if (down == 0) continue;
            touch(area);
            touch(new Rectangle2D.Double(area.getX(), area.getY() + down, area.getWidth(), area.getHeight()));
        }
    }

    /** How far a note in the margin goes down with the line it stands beside. */
    private double beside(Rectangle2D area) {
        double nearest = Double.MAX_VALUE;
        double down = 0;
        for (ShownGlyph mark : read.shown()) {
            Glyph glyph = mark.glyph();
            double away = Math.max(glyph.x() - area.getMaxX(), area.getMinX() - glyph.right());
            boolean level = area.getCenterY() > glyph.baseline() - 1.2 * glyph.size() && area.getCenterY() < glyph.baseline() + 0.4 * glyph.size();
            if (!level || glyph.isSpace() || away < 0 || away > nearest) continue;
            nearest = away;
            down = changes.isRemoved(mark) ? 0 : changes.lowered(mark);
        }
        if (down != 0) changes.pushes(area.getMinX(), area.getMinY(), area.getMaxX(), area.getMaxY(), down);
        return down;
    }

    private void touch(Rectangle2D area) {
        changes.touches(area.getMinX() - AROUND, area.getMinY() - AROUND, area.getMaxX() + AROUND, area.getMaxY() + AROUND);
    }

    /** Where they are now. */
    List<Rewritten.Relinked> made() {
        List<Rewritten.Relinked> made = new ArrayList<>();
        for (int one : gone) if (!carried.containsKey(one)) made.add(Rewritten.Relinked.gone(one, read.page().turn()));
        Map<Integer, List<Carried>> all = new TreeMap<>(carried);
        for (int one : parted()) all.putIfAbsent(one, List.of());
        all.forEach((link, letters) -> {
            List<Rectangle2D> lines = new ArrayList<>();
            ShownGlyph any = read.shown().stream().filter(mark -> of(mark).contains(link)).findFirst().orElseThrow();
            Rectangle2D was = areas.get(link).stream().filter(box -> box.contains(any.glyph().x() + any.glyph().width() / 2,
                    any.glyph().baseline() - 0.3 * any.glyph().size())).findFirst().orElseThrow();
            double above = any.glyph().baseline() - was.getMinY();
            double height = Math.min(was.getHeight(), above + 0.5 * any.glyph().size());
            for (Carried letter : letters) {
                double baseline = letter.baseline + changes.lowered(letter.mark);
                add(lines, new Rectangle2D.Double(letter.left, baseline - above, letter.right - letter.left, height));
            }
            // What of it is not set anew stays, or goes down with its line.
            for (ShownGlyph mark : read.shown()) {
                Glyph glyph = mark.glyph();
                if (!of(mark).contains(link) || changes.isRemoved(mark) || glyph.isSpace()) continue;
                double left = glyph.x() + shifted.getOrDefault(glyph.order(), 0.0);
                add(lines, new Rectangle2D.Double(left, glyph.baseline() + changes.lowered(mark) - above, glyph.width(), height));
            }
            // A note of which no word is left stays; a link without words is none.
            if (lines.isEmpty() && !links.contains(link)) return;
            made.add(new Rewritten.Relinked(link, read.page().turn(),
                    lines.stream().map(box -> new Rewritten.Area(box.getMinX(), box.getMinY(), box.getMaxX(), box.getMaxY())).toList()));
        });
        return made;
    }

    private static void add(List<Rectangle2D> lines, Rectangle2D letter) {
        for (Rectangle2D line : lines) {
            if (Math.abs(line.getMinY() - letter.getMinY()) < 1) {
                line.add(letter);
                return;
            }
        }
        lines.add(letter);
    }
}
