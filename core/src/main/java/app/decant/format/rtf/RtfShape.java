package app.decant.format.rtf;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.OfficeShape;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** A drawn shape while its words come in, or a group of shapes: what floats is made of it (RTF 1.9.1, “Drawing Objects”). */
final class RtfShape implements OfficeShape.Properties {
    /** What properties are called here that binary files number. */
    private static final Map<Integer, String> NAMES = Map.ofEntries(Map.entry(0x0004, "rotation"), Map.entry(0x0081, "dxTextLeft"),
            Map.entry(0x0082, "dyTextTop"), Map.entry(0x0083, "dxTextRight"), Map.entry(0x0084, "dyTextBottom"), Map.entry(0x0087, "anchorText"),
            Map.entry(0x0088, "txflTextFlow"), Map.entry(0x00C0, "gtextUNICODE"), Map.entry(0x00C5, "gtextFont"), Map.entry(0x0140, "geoLeft"),
            Map.entry(0x0141, "geoTop"), Map.entry(0x0142, "geoRight"), Map.entry(0x0143, "geoBottom"), Map.entry(0x0144, "shapePath"),
            Map.entry(0x0145, "pVerticies"), Map.entry(0x0146, "pSegmentInfo"), Map.entry(0x0180, "fillType"), Map.entry(0x0181, "fillColor"),
            Map.entry(0x0182, "fillOpacity"), Map.entry(0x0183, "fillBackColor"), Map.entry(0x01C0, "lineColor"), Map.entry(0x01CB, "lineWidth"),
            Map.entry(0x01CE, "lineDashing"), Map.entry(0x01D0, "lineStartArrowhead"), Map.entry(0x01D1, "lineEndArrowhead"),
            Map.entry(0x0381, "wzDescription"));
    /** The same for switches, by their set and their place in it. */
    private static final Map<Long, String> SWITCHES = Map.of(switched(0x01BF, 0x10), "fFilled", switched(0x01FF, 0x8), "fLine", switched(0x03BF, 0x2),
            "fHidden", switched(0x00FF, 0x20), "gtextFBold", switched(0x00FF, 0x10), "gtextFItalic");
    private static final int TEXT_BOX = 202;
    private static final int MOST_NUMBERS = 200_000;
    private static final int DEEPEST = 32;
    /** Where something lies that nobody put over or under others. */
    static final int LEVEL = 1;

    final Map<String, String> properties = new HashMap<>();
    /** The group it stands in, or null. */
    final RtfShape group;
    final boolean isGroup;
    private final int depth;
    String name = "";
    Picture picture;
    List<Block> blocks;
    private int left;
    private int top;
    private int right;
    private int bottom;
    private Anchor.Horizontal.From across = Anchor.Horizontal.From.COLUMN;
    private Anchor.Vertical.From down = Anchor.Vertical.From.PARAGRAPH;
    private int wrap = 2;
    private boolean behind;
    private int level;

    RtfShape(RtfShape group, boolean isGroup) {
        depth = group == null ? 0 : group.depth + 1;
        this.group = depth > DEEPEST ? null : group;
        this.isGroup = isGroup;
    }

    private static long switched(int property, int mask) { return (long) property << 32 | mask; }

    void word(String word, int value) {
        switch (word) {
            case "shpleft" -> left = value;
            case "shptop" -> top = value;
            case "shpright" -> right = value;
            case "shpbottom" -> bottom = value;
            case "shpbxpage" -> across = Anchor.Horizontal.From.PAGE;
            case "shpbxmargin" -> across = Anchor.Horizontal.From.MARGIN;
            case "shpbxcolumn" -> across = Anchor.Horizontal.From.COLUMN;
            case "shpbypage" -> down = Anchor.Vertical.From.PAGE;
            case "shpbymargin" -> down = Anchor.Vertical.From.MARGIN;
            case "shpbypara" -> down = Anchor.Vertical.From.PARAGRAPH;
            case "shpwr" -> wrap = value;
            case "shpfblwtxt" -> behind = value == 1;
            case "shpz" -> level = value - LEVEL;
            default -> { }
        }
    }

    private int number(String property, int otherwise) {
        String told = properties.get(property);
        return told != null && told.matches("-?\\d{1,9}") ? Integer.parseInt(told) : otherwise;
    }

    @Override public int number(int property, int otherwise) { return number(NAMES.get(property), otherwise); }

    @Override public boolean isOn(int property, int mask, boolean otherwise) {
        return number(SWITCHES.get(switched(property, mask)), otherwise ? 1 : 0) != 0;
    }

    /** How long each is, how many there are, then these, points in brackets. */
    @Override public int[] numbers(int property) {
        String told = properties.get(NAMES.get(property));
        if (told == null) return null;
        String[] parts = told.split(";", 3);
        if (parts.length < 3) return null;
        String[] numbers = parts[2].replaceAll("[();]+", ",").split("[,\\s]+");
        return List.of(numbers).stream().filter(one -> one.matches("-?\\d{1,9}")).limit(MOST_NUMBERS).mapToInt(Integer::parseInt).toArray();
    }

    @Override public String words(int property) { return properties.get(NAMES.get(property)); }

    /** What floats; nothing where it can't be taken over. */
    List<Inline> floating(Look look) {
        List<Inline> made = new ArrayList<>();
        OfficeShape shape = shape();
        if (shape.isHidden()) return made;
        Rectangle2D area = shape.upright(area());
        Anchor anchor = anchor(area);
        if (picture != null) {
            Picture shown = new Picture(picture.image(), Math.max(1, area.getWidth()), Math.max(1, area.getHeight()), picture.crop(), shape.turn(),
                    properties.get("wzDescription"));
            made.add(new Inline.Floating(anchor, shown, look));
            return made;
        }
        boolean says = blocks != null && !(blocks.isEmpty() || blocks.size() == 1 && blocks.get(0) instanceof Paragraph only && only.length() == 0);
        boolean boxed = blocks != null && (says || shape.isBox());
        DrawnShape.Made drawn = boxed && shape.isBox() ? null : shape.draw(area.getWidth(), area.getHeight());
        if (drawn != null) made.add(new Inline.Floating(drawn.at(anchor), drawn.picture(), look));
        if (boxed) made.add(new Inline.Floating(anchor, shape.box(blocks, area.getWidth(), area.getHeight()), look));
        return made;
    }

    /** Whether it would be seen. */
    boolean isVisible() { return !shape().isHidden() && shape().ink().isVisible(); }

    private OfficeShape shape() { return new OfficeShape(number("shapeType", TEXT_BOX), number("fFlipH", 0) == 1, number("fFlipV", 0) == 1, this); }

    /** Where it stands; in a group by its share of that. */
    private Rectangle2D area() {
        if (group == null) return new Rectangle2D.Double(left / 20.0, top / 20.0, (right - left) / 20.0, (bottom - top) / 20.0);
        Rectangle2D whole = group.area();
        double across = whole.getWidth() / Math.max(1, group.number("groupRight", 1) - group.number("groupLeft", 0));
        double down = whole.getHeight() / Math.max(1, group.number("groupBottom", 1) - group.number("groupTop", 0));
        return new Rectangle2D.Double(whole.getX() + (number("relLeft", 0) - group.number("groupLeft", 0)) * across,
                whole.getY() + (number("relTop", 0) - group.number("groupTop", 0)) * down, (number("relRight", 0) - number("relLeft", 0)) * across,
                (number("relBottom", 0) - number("relTop", 0)) * down);
    }

    private Anchor anchor(Rectangle2D area) {
        RtfShape placed = this;
        while (placed.group != null) placed = placed.group;
        Anchor.Wrap how = placed.wrap == 1 ? Anchor.Wrap.TOP_AND_BOTTOM : placed.wrap == 3 ? Anchor.Wrap.NONE : Anchor.Wrap.SQUARE;
        return new Anchor(new Anchor.Horizontal(placed.across, null, area.getX()), new Anchor.Vertical(placed.down, null, area.getY()), how,
                new Insets(0, 9, 0, 9), placed.behind, placed.level);
    }
}
