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
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;

/** The areas of links whose words are set anew: they go with their words, to another line too (ISO 32000-2, 12.5.6.5). */
final class CarriedLinks {
    private final PageReader.Addressed read;
    private final PageChanges changes;
    /** By the places of their annotations among those of the page: where they are, as the page was read. */
    private final Map<Integer, List<Rectangle2D>> areas = new TreeMap<>();
    private final Map<Integer, List<Carried>> carried = new TreeMap<>();
    private final Map<Integer, Integer> byMark = new HashMap<>();
    /** How much further to the right marks stand on their lines. */
    private final Map<Integer, Double> shifted = new HashMap<>();
    /** Of these annotations all words are gone. */
    private final Set<Integer> gone = new TreeSet<>();

    /** A letter of a link where it stands now, if the mark it goes down with did not. */
    private record Carried(double left, double right, double baseline, ShownGlyph mark) { }

    CarriedLinks(PDPage page, PageReader.Addressed read, PageChanges changes) throws IOException {
        this.read = read;
        this.changes = changes;
        AffineTransform toPage = PageReader.toPage(page, read.page().turn());
        List<PDAnnotation> all = page.getAnnotations();
        for (int i = 0; i < all.size(); i++) {
            if (!(all.get(i) instanceof PDAnnotationLink) || all.get(i).isHidden() || all.get(i).getRectangle() == null) continue;
            List<Rectangle2D> own = new ArrayList<>();
            COSArray corners = all.get(i).getCOSObject().getCOSArray(COSName.QUADPOINTS);
            for (int at = 0; corners != null && at + 7 < corners.size(); at += 8) own.add(around(corners, at, 4));
            if (own.size() < 2) own = List.of(around(all.get(i).getCOSObject().getCOSArray(COSName.RECT), 0, 2));
            areas.put(i, own.stream().map(box -> toPage.createTransformedShape(box).getBounds2D()).toList());
        }
        for (ShownGlyph mark : read.shown()) {
            int link = find(mark);
            if (link >= 0) byMark.put(mark.glyph().order(), link);
        }
    }

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

    private int find(ShownGlyph mark) {
        Glyph glyph = mark.glyph();
        double x = glyph.x() + glyph.width() / 2;
        double y = glyph.baseline() - 0.3 * glyph.size();
        for (Map.Entry<Integer, List<Rectangle2D>> one : areas.entrySet())
            if (one.getValue().stream().anyMatch(box -> box.contains(x, y))) return one.getKey();
        return -1;
    }

    /** The letter of a mark, or one in its place, stands somewhere else. */
    void carry(ShownGlyph mark, double left, double right, double baseline, ShownGlyph target) {
        Integer link = byMark.get(mark.glyph().order());
        if (link != null) carried.computeIfAbsent(link, key -> new ArrayList<>()).add(new Carried(left, right, baseline, target));
    }

    /** A mark stands so much further to the right on its line. */
    void along(ShownGlyph mark, double by) {
        Integer link = byMark.get(mark.glyph().order());
        if (link == null || by == 0) return;
        carried.computeIfAbsent(link, key -> new ArrayList<>());
        shifted.put(mark.glyph().order(), by);
    }

    /** Words are gone for good; links of nothing else go with them. */
    void leave(Set<Integer> left) {
        Set<Integer> some = left.stream().map(byMark::get).filter(Objects::nonNull).collect(Collectors.toSet());
        for (ShownGlyph mark : read.shown()) {
            boolean stays = !mark.glyph().isSpace() && !left.contains(mark.glyph().order()) && !changes.isRemoved(mark);
            if (stays) some.remove(byMark.get(mark.glyph().order()));
        }
        some.removeAll(carried.keySet());
        gone.addAll(some);
    }

    /** The places of the annotations that go with words. */
    Set<Integer> going() {
        Set<Integer> going = new TreeSet<>(gone);
        going.addAll(carried.keySet());
        return going;
    }

    /** Where links are now. */
    List<Rewritten.Relinked> made() {
        List<Rewritten.Relinked> made = new ArrayList<>();
        for (int link : gone) if (!carried.containsKey(link)) made.add(Rewritten.Relinked.gone(link, read.page().turn()));
        carried.forEach((link, letters) -> {
            List<Rectangle2D> lines = new ArrayList<>();
            ShownGlyph any = read.shown().stream().filter(mark -> link.equals(byMark.get(mark.glyph().order()))).findFirst().orElseThrow();
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
                if (!link.equals(byMark.get(glyph.order())) || changes.isRemoved(mark) || glyph.isSpace()) continue;
                double left = glyph.x() + shifted.getOrDefault(glyph.order(), 0.0);
                add(lines, new Rectangle2D.Double(left, glyph.baseline() + changes.lowered(mark) - above, glyph.width(), height));
            }
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
