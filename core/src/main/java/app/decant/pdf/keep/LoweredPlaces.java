package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.read.PageReader;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationPopup;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationTextMarkup;

/**
 * What belongs to lines that went down on a page goes with them: areas of links, notes on their words and beside them (ISO 32000-2, 12.5.6), and the places
 * that bookmarks and links lead to (12.3.2).
 */
final class LoweredPlaces {
    /** Places that tell how far up the page they are (table 149). */
    private static final Set<String> BY_TOP = Set.of("XYZ", "FitH", "FitBH");
    /** Notes that are drawn on the page, or stand at a place of it. What others show was read as text of the page. */
    private static final Set<String> DRAWN = Set.of("Text", "Caret", "FileAttachment", "Square", "Circle", "Line", "Polygon", "PolyLine", "Ink");
    /** The numbers of pairs that tell where on the page something is: around it, for each line, and along what is drawn (12.5.6.5 to 12.5.6.13). */
    private static final List<COSName> POINTS = Stream.of("Rect", "QuadPoints", "L", "CL", "Vertices").map(COSName::getPDFName).toList();
    /** Drawings reach so much over the lines they are about, in points. */
    private static final double OVER = 10;
    private static final COSName INK = COSName.getPDFName("InkList");

    private final PDDocument pdf;
    private final PDPage page;
    private final List<Rewritten.Push> pushed;
    private final List<Rewritten.Given> given;
    private final Set<Integer> going;
    private final IntFunction<PDPage> at;
    private final Set<COSBase> over = Collections.newSetFromMap(new IdentityHashMap<>());
    private final AffineTransform toPage;
    private final AffineTransform back;

    private LoweredPlaces(PDDocument pdf, PDPage page, Rewritten rewritten, IntFunction<PDPage> at) throws IOException {
        this.pdf = pdf;
        this.page = page;
        this.at = at;
        pushed = rewritten.pushed();
        given = rewritten.given().stream().filter(one -> !one.fresh()).toList();
        going = rewritten.relinked().stream().map(Rewritten.Relinked::annotation).collect(Collectors.toSet());
        int turn = given.isEmpty() ? 0 : given.get(0).turn();
        toPage = PageReader.toPage(page, pushed.isEmpty() ? turn : pushed.get(0).turn());
        try {
            back = toPage.createInverse();
        } catch (NoninvertibleTransformException e) {
            throw new IOException("A page without extent", e);
        }
    }

    /**
     * Moves what belongs to lines of a page that went down, or over to another.
     *
     * @param at where pages of the original are in the file; null where they are not
     */
    static void move(PDDocument pdf, PDPage page, Rewritten rewritten, IntFunction<PDPage> at) throws IOException {
        LoweredPlaces lowered = new LoweredPlaces(pdf, page, rewritten, at);
        Set<COSBase> gone = lowered.annotations(rewritten);
        if (lowered.moves()) lowered.destinations();
        for (COSBase one : gone) if (!lowered.over.contains(one)) new CarriedTags(pdf).drop((COSDictionary) one);
    }

    /** Shows notes on a page where they are to be; the page has to get its own back then. */
    static void show(PDDocument pdf, PDPage page, Rewritten rewritten) throws IOException {
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        if (annotations == null || annotations.size() == 0) return;
        COSArray copies = new COSArray();
        for (int i = 0; i < annotations.size(); i++) {
            copies.add(annotations.getObject(i) instanceof COSDictionary one ? new COSDictionary(one) : annotations.get(i));
        }
        page.getCOSObject().setItem(COSName.ANNOTS, copies);
        new LoweredPlaces(pdf, page, rewritten, number -> null).annotations(rewritten);
    }

    private boolean moves() { return !pushed.isEmpty() || !given.isEmpty(); }

    /** Puts the annotations of the page where they are to be; those that are on it no more. */
    private Set<COSBase> annotations(Rewritten rewritten) throws IOException {
        // These are told by their places among all that the page had.
        List<PDAnnotation> all = page.getAnnotations();
        if (moves()) move(all);
        Set<COSBase> gone = Collections.newSetFromMap(new IdentityHashMap<>());
        for (Rewritten.Relinked one : rewritten.relinked()) {
            if (one.isGone()) gone.add(all.get(one.annotation()).getCOSObject());
            else relink(pdf, page, one);
        }
        gone.addAll(over);
        leave(page, gone);
        return gone;
    }

    /**
     * Whether something on a page stands in a part of it that can't go along, or goes only in part: told as it was read.
     *
     * @param pushed what went down on the page
     * @param going  the places of annotations that go with their words
     */
    static boolean refuses(PDPage page, int turn, Rectangle2D moved, Rectangle2D touched, List<Rewritten.Push> pushed, Set<Integer> going)
            throws IOException {
        List<PDAnnotation> all = page.getAnnotations();
        for (int i = 0; i < all.size(); i++) {
            PDAnnotation annotation = all.get(i);
            PDRectangle box = annotation.getRectangle();
            // A window for reading is no part of the page (12.5.6.14).
            if (box == null || annotation.isHidden() || annotation instanceof PDAnnotationPopup || going.contains(i)) continue;
            // What is drawn on the page stays where it can't go along.
            if (DRAWN.contains(String.valueOf(annotation.getSubtype()))) continue;
            Rectangle2D area = area(annotation, PageReader.toPage(page, turn));
            boolean goes = CarriedAnnotations.isOfWords(annotation) ? contains(moved, area)
                    : CarriedBoxes.isBox(annotation) && down(pushed, annotation, area) != 0;
            boolean meets = touched.intersects(area.getX(), area.getY(), Math.max(0.1, area.getWidth()), Math.max(0.1, area.getHeight()));
            if (meets && !goes) return true;
        }
        return false;
    }

    /** Whether an annotation goes with what is at its place. */
    static boolean goesAlong(PDAnnotation annotation) {
        boolean drawn = DRAWN.contains(String.valueOf(annotation.getSubtype()));
        return annotation.getRectangle() != null && (drawn || CarriedAnnotations.isOfWords(annotation) || CarriedBoxes.isBox(annotation));
    }

    /** Where an annotation is on a page as it was read. */
    static Rectangle2D area(PDAnnotation annotation, AffineTransform toPage) {
        return toPage.createTransformedShape(rectangle(annotation.getRectangle())).getBounds2D();
    }

    /** How far an annotation goes down; one that is drawn over more than what moved stays. */
    static double down(List<Rewritten.Push> pushed, PDAnnotation annotation, Rectangle2D area) {
        double down = down(pushed, area.getCenterX(), area.getCenterY());
        if (down == 0 || CarriedAnnotations.isOfWords(annotation)) return down;
        double within = within(area);
        boolean whole = down(pushed, area.getCenterX(), area.getMinY() + within) == down && down(pushed, area.getCenterX(), area.getMaxY() - within) == down;
        return whole ? down : 0;
    }

    /** How far into what is drawn lines may begin that it is about. */
    static double within(Rectangle2D area) { return Math.min(OVER, 0.4 * area.getHeight()); }

    private static double down(List<Rewritten.Push> pushed, double x, double y) {
        double down = 0;
        for (Rewritten.Push push : pushed) if (push.from().holds(x, y)) down += push.by();
        return down;
    }

    /** A link or a note is where its words are: around them all, and told line by line (12.5.6.5, 12.5.6.10). */
    private static void relink(PDDocument pdf, PDPage page, Rewritten.Relinked link) throws IOException {
        PDAnnotation linked = page.getAnnotations().get(link.annotation());
        COSDictionary annotation = linked.getCOSObject();
        AffineTransform back;
        try {
            back = PageReader.toPage(page, link.turn()).createInverse();
        } catch (NoninvertibleTransformException e) {
            throw new IOException("A page without extent", e);
        }
        COSArray corners = new COSArray();
        Rectangle2D all = null;
        for (Rewritten.Area area : link.areas()) {
            Rectangle2D box = back.createTransformedShape(new Rectangle2D.Double(area.left(), area.top(), area.right() - area.left(),
                    area.bottom() - area.top())).getBounds2D();
            all = all == null ? box : all.createUnion(box);
            // As most readers take them: the upper corners first, then the lower ones.
            for (double[] one : new double[][] {{box.getMinX(), box.getMaxY()}, {box.getMaxX(), box.getMaxY()}, {box.getMinX(), box.getMinY()},
                {box.getMaxX(), box.getMinY()}}) {
                corners.add(new COSFloat((float) one[0]));
                corners.add(new COSFloat((float) one[1]));
            }
        }
        annotation.setItem(COSName.RECT, new PDRectangle((float) all.getMinX(), (float) all.getMinY(), (float) all.getWidth(),
                (float) all.getHeight()).getCOSArray());
        if (link.areas().size() > 1 || annotation.containsKey(COSName.QUADPOINTS)) annotation.setItem(COSName.QUADPOINTS, corners);
        // What was drawn for the old lines is drawn for these; without a colour nobody knows how.
        boolean drawn = linked instanceof PDAnnotationTextMarkup && annotation.containsKey(COSName.AP) && annotation.containsKey(COSName.C);
        if (!drawn) return;
        annotation.removeItem(COSName.AP);
        linked.constructAppearances(pdf);
    }

    private static Rectangle2D rectangle(PDRectangle box) {
        return new Rectangle2D.Double(box.getLowerLeftX(), box.getLowerLeftY(), box.getWidth(), box.getHeight());
    }

    /** Areas of links reach a little over the letters they are of. */
    private static boolean contains(Rectangle2D moved, Rectangle2D area) {
        return area.getCenterX() > moved.getMinX() - 2 && area.getCenterX() < moved.getMaxX() + 2 && area.getMinY() > moved.getMinY() - 4
                && area.getMaxY() < moved.getMaxY() + 6;
    }

    private void move(List<PDAnnotation> all) throws IOException {
        for (int i = 0; i < all.size(); i++) {
            PDAnnotation annotation = all.get(i);
            if (!goesAlong(annotation) || going.contains(i)) continue;
            COSArray box = annotation.getCOSObject().getCOSArray(COSName.RECT);
            if (box == null || box.size() < 4) continue;
            Point2D middle = new Point2D.Double((number(box, 0) + number(box, 2)) / 2, (number(box, 1) + number(box, 3)) / 2);
            if (goesOver(annotation.getCOSObject(), middle)) continue;
            double down = down(pushed, annotation, area(annotation, toPage));
            if (down == 0) continue;
            Point2D by = back.deltaTransform(new Point2D.Double(0, down), null);
            shift(annotation.getCOSObject(), points -> shifted(points, by));
            if (annotation.getCOSObject().getDictionaryObject(COSName.POPUP) instanceof COSDictionary window) shift(window, points -> shifted(points, by));
        }
    }

    private void destinations() {
        for (COSArray place : places()) {
            boolean corner = kind(place).equals("XYZ");
            int top = corner ? 3 : 2;
            if (place.size() <= top || !(place.getObject(top) instanceof COSNumber y)) continue;
            double x = corner && place.getObject(2) instanceof COSNumber left ? left.floatValue() : 0;
            // A place stands above the line it is of, and often at the edge of the page.
            Rectangle2D extent = back.createTransformedShape(extent()).getBounds2D();
            Point2D there = new Point2D.Double(Math.max(extent.getMinX() + 1, Math.min(extent.getMaxX() - 1, x)), y.floatValue() - 6);
            if (goesOver(place, top, there)) continue;
            Point2D by = by(there);
            if (by != null) place.set(top, new COSFloat((float) (y.floatValue() + by.getY())));
        }
    }

    private static void shift(COSDictionary annotation, UnaryOperator<COSArray> by) {
        for (COSName name : POINTS) {
            COSArray points = annotation.getCOSArray(name);
            if (points != null) annotation.setItem(name, by.apply(points));
        }
        COSArray strokes = annotation.getCOSArray(INK);
        for (int i = 0; strokes != null && i < strokes.size(); i++) if (strokes.getObject(i) instanceof COSArray points) strokes.set(i, by.apply(points));
    }

    /** A link or a note goes to another page with its line (12.5.2): there it is among the annotations, and its structure tells so. */
    private boolean goesOver(COSDictionary link, Point2D middle) throws IOException {
        Point2D read = toPage.transform(middle, null);
        Rewritten.Given gone = given.stream().filter(one -> one.from().holds(read.getX(), read.getY())).findFirst().orElse(null);
        if (gone == null) return false;
        over.add(link);
        PDPage other = at.apply(gone.page());
        // Where that page is left out, so is what stood on it.
        if (other == null) return true;
        AffineTransform there = new AffineTransform(toPage);
        there.preConcatenate(AffineTransform.getTranslateInstance(gone.across(), gone.down()));
        try {
            there.preConcatenate(PageReader.toPage(other, gone.turn()).createInverse());
        } catch (NoninvertibleTransformException e) {
            throw new IOException("A page without extent", e);
        }
        shift(link, points -> led(points, there));
        link.setItem(COSName.RECT, upright(link.getCOSArray(COSName.RECT)));
        COSArray annotations = other.getCOSObject().getCOSArray(COSName.ANNOTS);
        COSArray more = new COSArray();
        if (annotations != null) more.addAll(annotations);
        more.add(link);
        if (link.containsKey(COSName.P)) link.setItem(COSName.P, other.getCOSObject());
        if (link.getDictionaryObject(COSName.POPUP) instanceof COSDictionary window) {
            over.add(window);
            more.add(window);
            if (window.containsKey(COSName.P)) window.setItem(COSName.P, other.getCOSObject());
        }
        other.getCOSObject().setItem(COSName.ANNOTS, more);
        new CarriedTags(pdf).carry(link, other);
        return true;
    }

    private static COSArray led(COSArray points, AffineTransform by) {
        COSArray led = new COSArray();
        for (int i = 0; i + 1 < points.size(); i += 2) {
            Point2D one = by.transform(new Point2D.Double(number(points, i), number(points, i + 1)), null);
            led.add(new COSFloat((float) one.getX()));
            led.add(new COSFloat((float) one.getY()));
        }
        return led;
    }

    /** A rectangle from its lower left to its upper right corner, however the pages are turned (7.9.5). */
    private static COSArray upright(COSArray box) {
        COSArray upright = new COSArray();
        for (int i = 0; i < 4; i++) {
            double one = number(box, i % 2);
            double other = number(box, i % 2 + 2);
            upright.add(new COSFloat((float) (i < 2 ? Math.min(one, other) : Math.max(one, other))));
        }
        return upright;
    }

    /** Takes out what went with its words, or to other pages. */
    private static void leave(PDPage page, Set<COSBase> gone) {
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        if (gone.isEmpty() || annotations == null) return;
        COSArray left = new COSArray();
        for (int i = 0; i < annotations.size(); i++) if (!gone.contains(annotations.getObject(i))) left.add(annotations.get(i));
        page.getCOSObject().setItem(COSName.ANNOTS, left);
    }

    /** Leads to another page with the lines that a place stands above, where these went there. */
    private boolean goesOver(COSArray place, int top, Point2D there) {
        Point2D read = toPage.transform(there, null);
        Rewritten.Given gone = given.stream().filter(one -> one.from().holds(read.getX(), read.getY())).findFirst().orElse(null);
        if (gone == null) return false;
        PDPage other = at.apply(gone.page());
        if (other == null) return true;
        Point2D on = PageReader.toPage(page, gone.turn()).transform(new Point2D.Double(there.getX(), ((COSNumber) place.getObject(top)).floatValue()), null);
        Point2D now = new Point2D.Double(on.getX() + gone.across(), on.getY() + gone.down());
        try {
            PageReader.toPage(other, gone.turn()).inverseTransform(now, now);
        } catch (NoninvertibleTransformException e) {
            return true;
        }
        place.set(0, other.getCOSObject());
        place.set(top, new COSFloat((float) now.getY()));
        return true;
    }

    private Rectangle2D extent() {
        Rectangle2D all = null;
        List<Rewritten.Area> areas = new ArrayList<>(pushed.stream().map(Rewritten.Push::from).toList());
        for (Rewritten.Given one : given) areas.add(one.from());
        for (Rewritten.Area from : areas) {
            Rectangle2D one = new Rectangle2D.Double(from.left(), from.top(), from.right() - from.left(), from.bottom() - from.top());
            all = all == null ? one : all.createUnion(one);
        }
        return all;
    }

    /** How far what stands somewhere went, in the page's own space; null for nowhere. */
    private Point2D by(Point2D there) {
        Point2D read = toPage.transform(there, null);
        double down = down(pushed, read.getX(), read.getY());
        return down == 0 ? null : back.deltaTransform(new Point2D.Double(0, down), null);
    }

    private static String kind(COSArray place) { return place.getObject(1) instanceof COSName name ? name.getName() : ""; }

    private static double number(COSArray array, int index) { return array.getObject(index) instanceof COSNumber number ? number.floatValue() : 0; }

    private static COSArray shifted(COSArray points, Point2D by) {
        COSArray moved = new COSArray();
        for (int i = 0; i < points.size(); i++) moved.add(new COSFloat((float) (number(points, i) + (i % 2 == 0 ? by.getX() : by.getY()))));
        return moved;
    }

    /** Every place on the page that anything in the file leads to by how far up it is. */
    private List<COSArray> places() {
        Set<COSArray> found = Collections.newSetFromMap(new IdentityHashMap<>());
        Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        Deque<COSBase> next = new ArrayDeque<>(List.of(pdf.getDocumentCatalog().getCOSObject()));
        while (!next.isEmpty()) {
            COSBase one = next.pop();
            if (one instanceof COSObject reference) one = reference.getObject();
            if (one == null || !seen.add(one)) continue;
            if (one instanceof COSDictionary dictionary) next.addAll(dictionary.getValues());
            if (!(one instanceof COSArray array)) continue;
            if (array.size() > 2 && array.getObject(0) == page.getCOSObject() && BY_TOP.contains(kind(array))) found.add(array);
            for (COSBase item : array) if (item != null) next.push(item);
        }
        return List.copyOf(found);
    }
}
