package app.decant.format.ooxml;

import app.decant.document.Anchor;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TextBox;
import app.decant.format.shape.DrawnGroup;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.List;

/** A group of drawings as it comes into text: what is drawn of it makes one drawing, and its words stand over that in boxes of their own, to be written in. */
final class DrawingGroup {
    /** On the drawing of a group: which group, and how many boxes belong to it. */
    private static final String GROUP = "group";
    /** On each of its boxes: which group, and how it was when it was read. */
    private static final String GROUPED = "grouped";
    /** What is kept beside the properties of a run. */
    static final List<String> NAMES = List.of(GROUP, GROUPED);

    private final DrawnGroup drawn;
    private final double width;
    private final double height;
    private final List<Words> words = new ArrayList<>();
    private boolean leftOut;

    private record Words(TextBox box, double x, double y) { }

    DrawingGroup(DrawnGroup drawn, double width, double height) {
        this.drawn = drawn;
        this.width = width;
        this.height = height;
    }

    /** @param x from the group's left edge in points, as is {@code y} from its upper edge */
    void words(TextBox box, double x, double y) { words.add(new Words(box, x, y)); }

    /** Something of it can't be drawn here: ink by hand, outlines that nobody knows, charts of other kinds. */
    void leftOut() { leftOut = true; }

    /** What to tell of the drawing that was made. */
    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        for (String type : drawn.unshown()) findings.add(Finding.lost(Message.of("write.a-picture-cannot-be-shown-its-place", type)));
        if (leftOut) findings.add(Finding.lost(Message.of("ooxml.lines-and-shapes-around-the-texts")));
        return findings;
    }

    /** The drawing alone. @param description read to people who do not see it, or null */
    Picture picture(String description) { return drawn.picture(description); }

    /**
     * The group in a line: boxes that go where the drawing goes.
     *
     * @param kept the markup it was read from, with the drawing as its likeness
     */
    List<Inline> inLine(Opaque kept, Look look) {
        List<Inline> inlines = new ArrayList<>();
        String name = Integer.toHexString(kept.source().hashCode());
        for (Words one : words) {
            Anchor place = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.CHARACTER, null, one.x),
                    new Anchor.Vertical(Anchor.Vertical.From.LINE, null, one.y), Anchor.Wrap.NONE, Insets.NONE, false);
            Look own = KeptMarkup.with(look, Markup.TEXT, GROUPED, name + " " + state(one.box));
            inlines.add(new Inline.Floating(place, one.box, own));
        }
        inlines.add(new Inline.OpaqueInline(kept, KeptMarkup.with(look, Markup.TEXT, GROUP, name + " " + words.size())));
        return inlines;
    }

    /**
     * The group at a place of its own. What text runs round is the whole of it.
     *
     * @param drawing the markup it was read from
     */
    List<Inline> floating(Anchor place, String description, Look look, XmlNode drawing) {
        List<Inline> inlines = new ArrayList<>();
        boolean aligned = place.horizontal().alignment() != null || place.vertical().alignment() != null;
        double margin = aligned || place.wrap() != Anchor.Wrap.NONE ? 0 : drawn.reach();
        String name = Integer.toHexString(drawing.markup().hashCode());
        if (!drawn.isEmpty() || place.wrap() != Anchor.Wrap.NONE || words.isEmpty()) {
            Picture picture = drawn.picture(description, margin);
            Anchor corner = place.moved(-margin, -margin);
            Look kept = DrawingMarkup.keep(look, drawing, corner, picture);
            inlines.add(new Inline.Floating(corner, picture, words.isEmpty() ? kept : KeptMarkup.with(kept, Markup.TEXT, GROUP, name + " " + words.size())));
        }
        Anchor over = new Anchor(place.horizontal(), place.vertical(), Anchor.Wrap.NONE, place.distance(), place.behind(), place.level());
        for (Words one : words) {
            TextBox box = aligned ? asWideAsTheGroup(one) : one.box;
            Look own = KeptMarkup.with(look, Markup.TEXT, GROUPED, name + " " + state(box));
            inlines.add(new Inline.Floating(aligned ? over : over.moved(one.x, one.y), box, own));
        }
        return inlines;
    }

    /** What is aligned on the page stands right only as a whole. */
    private TextBox asWideAsTheGroup(Words one) {
        Insets own = one.box.padding();
        Insets padding = new Insets(Math.max(0, one.y + own.top()), Math.max(0, width - one.x - one.box.width() + own.right()),
                Math.max(0, height - one.y - one.box.height() + own.bottom()), Math.max(0, one.x + own.left()));
        return new TextBox(one.box.blocks(), width, height, false, padding, null, null, one.box.standing(), one.box.running());
    }

    private static String state(TextBox box) { return Integer.toHexString(box.toString().hashCode()); }

    /** Of the drawings in a paragraph, the names of those groups that are as they were when they were read: their markup says all of their boxes. */
    static List<String> unchanged(Paragraph paragraph) {
        List<String> whole = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) {
            String group = KeptMarkup.beside(inline.look(), Markup.TEXT, GROUP);
            boolean still = group != null && (inline instanceof Inline.OpaqueInline || inline instanceof Inline.Floating one
                    && one.content() instanceof Picture picture && DrawingMarkup.holds(one.look(), one.anchor(), picture));
            if (!still) continue;
            String name = group.substring(0, group.indexOf(' '));
            List<Inline.Floating> boxes = boxes(paragraph, name);
            boolean same = boxes.stream().allMatch(box -> KeptMarkup.beside(box.look(), Markup.TEXT, GROUPED).equals(name + " "
                    + state((TextBox) box.content())));
            if (same && group.equals(name + " " + boxes.size())) whole.add(name);
        }
        return whole;
    }

    private static List<Inline.Floating> boxes(Paragraph paragraph, String name) {
        return paragraph.inlines().stream().filter(inline -> inline instanceof Inline.Floating box && box.content() instanceof TextBox
                && isBox(box) && name.equals(name(box))).map(Inline.Floating.class::cast).toList();
    }

    /** The name of the group that a drawing or a box is of, or null. */
    static String name(Inline inline) {
        String drawing = KeptMarkup.beside(inline.look(), Markup.TEXT, GROUP);
        String told = drawing != null ? drawing : KeptMarkup.beside(inline.look(), Markup.TEXT, GROUPED);
        return told == null ? null : told.substring(0, told.indexOf(' '));
    }

    /** Whether something is a box of a group, not its drawing. */
    static boolean isBox(Inline inline) { return KeptMarkup.beside(inline.look(), Markup.TEXT, GROUPED) != null; }
}
