package app.decant.recover.region;

import app.decant.document.FormField;
import app.decant.pdf.form.FileField;
import app.decant.pdf.form.FileForm;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.SourcePage;
import app.decant.pdf.read.VectorPicture;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Where a form is filled in. A field that shows words has them among the page's letters already; one that is empty becomes a blank there, a box to tick its
 * sign. What is drawn round them goes: a place to write into is told by what it is, not by its frame.
 */
public final class FieldPlaces {
    /** What stands for an empty field while lines are found: no space, and none of the letters that a page has. */
    public static final String BLANK = "\u00A0".repeat(FormField.EMPTY.length());
    /** Of the letters in a field nothing tells the size of, in points; and of its height at most. */
    private static final double USUAL = 11;
    private static final double OF_HEIGHT = 0.75;
    /** A field as high as this shows several lines. */
    private static final double MANY_LINES = 45;
    /** A page with more fields is no form that anybody fills in. */
    private static final int MOST = 600;
    /** Boxes to tick are no larger. */
    private static final double LARGEST_BOX = 30;
    /** How far a frame reaches beyond its field: one that the field draws, one that the page does; in points. */
    private static final double NEAR = 2;
    private static final double AROUND = 5;
    /** A field's label stands so near on its left, in points. */
    private static final double LABEL = 200;

    private final Map<Integer, List<Field>> fields = new HashMap<>();

    /** A field and one of its places, in points from the left top corner of its page as the file shows it. */
    public record Field(FileField field, FileField.Place place) {
        /** Where it is on the page as it was read. */
        public Rectangle2D area(int turn, double width, double height) {
            FileField.Place read = place.turned(turn, width, height);
            return new Rectangle2D.Double(read.left(), read.top(), read.width(), read.height());
        }
    }

    public FieldPlaces(FileForm form) {
        for (FileField field : form.fields()) for (FileField.Place place : field.places())
            fields.computeIfAbsent(place.page(), page -> new ArrayList<>()).add(new Field(field, place));
        fields.values().removeIf(some -> some.size() > MOST);
    }

    /** The fields of a page, in their order. */
    public List<Field> on(int page) { return fields.getOrDefault(page, List.of()); }

    /** Puts the fields of a page among its letters. */
    void take(SourcePage page, List<Ink> ink, List<Glyph> glyphs) {
        List<Glyph> words = List.copyOf(glyphs);
        for (Field one : on(page.index())) {
            Rectangle2D area = one.area(page.turn(), page.width(), page.height());
            boolean box = one.field.kind() == FileField.Kind.TICK && area.getWidth() < LARGEST_BOX && area.getHeight() < LARGEST_BOX;
            if (one.field.kind() == FileField.Kind.CIRCLES || one.field.kind() == FileField.Kind.TICK && !box) continue;
            // What shows many lines keeps its frame, and stands in it.
            if (area.getHeight() < MANY_LINES) takeFrame(ink, area, page.own());
            if (box) {
                glyphs.removeIf(glyph -> isIn(glyph, area));
                glyphs.add(glyph(FileField.isSet(one.place, one.field.value()) ? FormField.TICKED : FormField.UNTICKED, area, words));
            } else if (glyphs.stream().noneMatch(glyph -> !glyph.isSpace() && isIn(glyph, area))) glyphs.add(glyph(BLANK, area, words));
        }
    }

    /** The frame that the field draws itself, or the page round it and nothing else: rules of a table are that table's. */
    private static void takeFrame(List<Ink> ink, Rectangle2D area, int own) {
        ink.removeIf(drawn -> drawn.order() >= own && !(drawn instanceof Ink.Fill) && isWithin(VectorPicture.bounds(drawn), area, NEAR));
        List<Ink> frame = ink.stream().filter(drawn -> !(drawn instanceof Ink.Fill) && isWithin(VectorPicture.bounds(drawn), area, AROUND)).toList();
        Rectangle2D all = frame.stream().map(VectorPicture::bounds).reduce(Rectangle2D::createUnion).orElse(null);
        if (all == null || !all.contains(area)) return;
        boolean alone = ink.stream().noneMatch(drawn -> drawn instanceof Ink.Stroke && !frame.contains(drawn) && VectorPicture.bounds(drawn).intersects(all));
        if (alone) ink.removeAll(frame);
    }

    private static boolean isWithin(Rectangle2D bounds, Rectangle2D area, double room) {
        return bounds.getX() > area.getX() - room && bounds.getY() > area.getY() - room && bounds.getMaxX() < area.getMaxX() + room
                && bounds.getMaxY() < area.getMaxY() + room;
    }

    private static boolean isIn(Glyph glyph, Rectangle2D area) {
        return area.contains(glyph.x() + glyph.width() / 2, glyph.baseline() - glyph.size() * 0.3);
    }

    /** What stands in a field, on the line of the words beside it and as large as these. */
    private static Glyph glyph(String text, Rectangle2D area, List<Glyph> words) {
        Glyph beside = null;
        double least = LABEL;
        for (Glyph word : words) {
            boolean onLine = word.angle() == 0 && !word.isSpace() && word.baseline() > area.getMinY() + 2 && word.baseline() < area.getMaxY() + 3;
            double away = word.x() >= area.getMaxX() - 1 ? word.x() - area.getMaxX() : area.getX() - word.right();
            if (!onLine || away < -1 || away >= least) continue;
            least = away;
            beside = word;
        }
        boolean box = text.length() == 1;
        double size = beside != null ? beside.size() : Math.min(USUAL, Math.max(4, area.getHeight() * OF_HEIGHT));
        double baseline = beside != null ? beside.baseline() : area.getY() + Math.min(area.getHeight() / 2, size) + 0.35 * size;
        FaceUse face = beside != null ? beside.face() : new FaceUse("Liberation Sans", false, false, false, false, true);
        double width = box ? area.getWidth() : Math.min(area.getWidth(), size * text.length() / 2);
        int order = beside != null ? beside.order() : words.stream().mapToInt(Glyph::order).max().orElse(0) + 1;
        return new Glyph(text, area.getX(), baseline, width, size, size * 0.25, face, beside != null ? beside.rgb() : 0, beside != null ? beside.tag() : -1, 0,
                true, null, order);
    }
}
