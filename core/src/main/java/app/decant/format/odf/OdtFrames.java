package app.decant.format.odf;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.format.Chart;
import app.decant.format.ChartPicture;
import app.decant.format.OpenDocumentChart;
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.OpenDocumentShape;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.awt.geom.Rectangle2D;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.slf4j.LoggerFactory;

/** Reads what is drawn: pictures and boxes in frames, shapes, groups of these (ISO/IEC 26300-1, 10.3 to 10.6). */
final class OdtFrames {
    /** What stands among shapes and draws nothing by itself. */
    private static final Set<String> NO_SHAPES = Set.of("draw:glue-point", "draw:layer-set", "draw:enhanced-geometry",
            "draw:image-map", "draw:contour-polygon", "draw:contour-path");
    private static final int DEEPEST = 32;

    private final OdtReader reader;
    private final boolean inContent;
    private final Function<XmlNode, List<Block>> inner;

    /** @param inner reads the blocks of a box */
    OdtFrames(OdtReader reader, boolean inContent, Function<XmlNode, List<Block>> inner) {
        this.reader = reader;
        this.inContent = inContent;
        this.inner = inner;
    }

    /** What floats: a picture or a box in a frame, a shape with its words, or all that a group holds; nothing where it can't be taken over. */
    List<Inline> floating(XmlNode node, Look look) {
        List<Inline> made = new ArrayList<>();
        add(node, node, look, made, 0);
        return made;
    }

    /** @param holder the group that says where all of it stands, or the thing itself */
    private void add(XmlNode node, XmlNode holder, Look look, List<Inline> made, int depth) {
        if (node.is("draw:g") || node.is("draw:a")) {
            for (XmlNode child : node.children()) {
                XmlNode placed = holder == node && node.is("draw:a") ? child : holder;
                if (child.name().startsWith("draw:") && depth < DEEPEST) add(child, placed, look, made, depth + 1);
            }
        } else if (node.is("draw:control")) control(node, holder, look, made);
        else if (embedded(node, holder, look, made)) return;
        else if (OpenDocumentShape.isOne(node)) shape(node, holder, look, made);
        else if (!NO_SHAPES.contains(node.name())) {
            Inline framed = frame(node, holder, look);
            if (framed != null) made.add(framed);
        }
    }

    /**
     * What a document inside this one shows, where the picture that stands for it is of a kind that only its maker's programs know, or missing.
     *
     * @return whether there was something to show
     */
    private boolean embedded(XmlNode node, XmlNode holder, Look look, List<Inline> made) {
        XmlNode object = node.child("draw:object");
        if (object == null || object.get("xlink:href") == null || !node.children("draw:image").stream().allMatch(this::isUnknown)) return false;
        XmlNode own = object(node);
        if (own != null && (own.is("math:math") || OpenDocumentChart.read(own) != null)) return false;
        double width = Math.max(1, OdtLookReading.length(node.get("svg:width"), 100));
        double height = Math.max(1, OdtLookReading.length(node.get("svg:height"), 20));
        double left = OdtLookReading.length(node.get("svg:x"), 0);
        double top = OdtLookReading.length(node.get("svg:y"), 0);
        boolean inLine = "as-char".equals(holder.get("text:anchor-type"));
        Anchor place = inLine ? new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 0), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH,
                null, 0), Anchor.Wrap.TOP_AND_BOTTOM, Insets.NONE, false) : anchor(holder, properties(holder), left, top);
        OdtObject inside = reader.object(object.get("xlink:href"));
        List<Block> blocks = inside.blocks();
        List<Inline.Floating> drawn = blocks.isEmpty() ? inside.drawn() : List.of();
        if (blocks.isEmpty() && drawn.isEmpty()) return false;
        // Keeps the room, also where things drawn stand in it.
        List<Block> held = blocks.isEmpty() ? List.of(Paragraph.of("")) : blocks;
        made.add(new Inline.Floating(place, new TextBox(held, width, height, false, Insets.NONE, Border.NONE, null), look));
        Rectangle2D all = null;
        for (Inline.Floating one : drawn) {
            Rectangle2D box = new Rectangle2D.Double(one.anchor().horizontal().offset(), one.anchor().vertical().offset(), one.content().width(),
                    one.content().height());
            all = all == null ? box : all.createUnion(box);
        }
        for (Inline.Floating one : drawn) {
            double across = width / Math.max(1, all.getWidth());
            double down = height / Math.max(1, all.getHeight());
            Anchor at = place.moved((one.anchor().horizontal().offset() - all.getX()) * across, (one.anchor().vertical().offset() - all.getY()) * down);
            Anchor over = new Anchor(at.horizontal(), at.vertical(), Anchor.Wrap.NONE, at.distance(), at.behind(), at.level() + 1);
            made.add(new Inline.Floating(over, scaled(one.content(), across, down), look));
        }
        return true;
    }

    private static Inline.Floating.Content scaled(Inline.Floating.Content content, double across, double down) {
        if (content instanceof Picture picture) return new Picture(picture.image(), Math.max(1, picture.width() * across),
                Math.max(1, picture.height() * down), picture.crop(), picture.rotation(), picture.description());
        TextBox box = (TextBox) content;
        return new TextBox(box.blocks(), Math.max(1, box.width() * across), Math.max(1, box.height() * down), box.grows(), box.padding(), box.border(),
                box.fill(), box.standing(), box.running());
    }

    /** Whether a picture is of the kind that begins so, which is in no standard, or is not there. */
    private boolean isUnknown(XmlNode image) {
        byte[] bytes = image.get("xlink:href") == null ? null : reader.part(image.get("xlink:href"));
        return bytes == null || bytes.length > 6 && new String(bytes, 0, 6, StandardCharsets.US_ASCII).equals("VCLMTF");
    }

    private void shape(XmlNode node, XmlNode holder, Look look, List<Inline> made) {
        OpenDocumentShape shape = new OpenDocumentShape(node, property -> reader.sheet().graphic(node.get("draw:style-name"), property, inContent));
        XmlNode properties = properties(holder);
        Rectangle2D place = shape.standing();
        boolean says = !shape.isLetters() && node.children().stream().anyMatch(child -> child.name().startsWith("text:") && !child.text().isBlank());
        boolean box = shape.isBox() && place.getWidth() > 0 && place.getHeight() > 0;
        DrawnShape.Made drawn = box ? null : shape.draw();
        int before = made.size();
        if (drawn != null) {
            boolean inLine = "as-char".equals(holder.get("text:anchor-type")) && !says;
            made.add(inLine ? new Inline.InlinePicture(drawn.picture(), look)
                    : new Inline.Floating(anchor(holder, properties, drawn.x(), drawn.y()), drawn.picture(), look));
        }
        if (says || box) made.add(new Inline.Floating(anchor(holder, properties, place.getX(), place.getY()), box(node, node, shape.style(), place,
                box ? shape.ink().pen().border() : null, box ? shape.ink().fill() : null), look));
        if (made.size() == before && shape.ink().isVisible()) reader.find(Finding.lost(Message.of("binary.a-drawn-shape-is-left")));
    }

    private void control(XmlNode node, XmlNode holder, Look look, List<Inline> made) {
        List<Inline> filled = reader.forms().drawn(node, look);
        if (filled.isEmpty()) {
            reader.find(Finding.lost(Message.of("odf.a-control-is-left")));
        } else if ("as-char".equals(holder.get("text:anchor-type"))) made.addAll(filled);
        else {
            double x = OdtLookReading.length(node.get("svg:x"), 0);
            double y = OdtLookReading.length(node.get("svg:y"), 0);
            TextBox box = new TextBox(List.of(Paragraph.of("").withInlines(filled)), Math.max(1, OdtLookReading.length(node.get("svg:width"), 1)),
                    Math.max(1, OdtLookReading.length(node.get("svg:height"), 1)), false, Insets.NONE, Border.NONE, null);
            made.add(new Inline.Floating(anchor(holder, properties(holder), x, y), box, look));
        }
    }

    private XmlNode properties(XmlNode node) {
        XmlNode style = reader.sheet().automatic("graphic", node.get("draw:style-name"), inContent);
        return style == null ? null : style.child("style:graphic-properties");
    }

    /** A picture or a box in a frame, or null where it can't be taken over. */
    private Inline frame(XmlNode node, XmlNode holder, Look look) {
        XmlNode object = object(node);
        if (object != null && object.is("math:math"))
            return new Inline.OpaqueInline(new Opaque("odf", "a formula", object.markup(), Map.of(), null), look);
        XmlNode properties = properties(node);
        double width = OdtLookReading.length(node.get("svg:width", node.get("fo:min-width")), 100);
        double height = OdtLookReading.length(node.get("svg:height", node.get("fo:min-height")), 20);
        Inline.Floating.Content content = chart(node, object, width, height);
        if (content == null) content = content(node, properties, width, height);
        if (content == null) {
            List<XmlNode> images = node.children("draw:image");
            boolean missing = images.stream().anyMatch(image -> !isOutside(image));
            if (missing) reader.find(Finding.lost(Message.of("ooxml.a-picture-is-missing-from-the-file")));
            else if (images.isEmpty()) reader.find(Finding.lost(Message.of("binary.a-drawn-shape-is-left")));
            return null;
        }
        if ("as-char".equals(holder.get("text:anchor-type")) && content instanceof Picture picture) return new Inline.InlinePicture(picture, look);
        return new Inline.Floating(anchor(holder, properties(holder), OdtLookReading.length(node.get("svg:x"), 0), OdtLookReading.length(node.get("svg:y"), 0)),
                content, look);
    }

    /** A chart as a picture of it, drawn from its stored values; null where the object is none that can be drawn. */
    private Picture chart(XmlNode frame, XmlNode object, double width, double height) {
        Chart chart = object == null ? null : OpenDocumentChart.read(object);
        Picture drawn = chart == null ? null : ChartPicture.of(chart, width, height, description(frame));
        if (drawn != null) reader.find(Finding.changed(Message.of("odf.charts-are-pictures")));
        return drawn;
    }

    /** What is read to people who do not see it, or null. */
    private static String description(XmlNode frame) {
        XmlNode told = frame.child("svg:desc") != null ? frame.child("svg:desc") : frame.child("svg:title");
        return told == null || told.text().isBlank() ? null : told.text();
    }

    /** The markup of an object in a frame, which stands in it or in a part of its own (10.4.6.2); null where there is none. */
    private XmlNode object(XmlNode frame) {
        XmlNode object = frame.child("draw:object");
        if (object == null) return null;
        if (!object.children().isEmpty()) return object.children().get(0);
        byte[] content = reader.part(object.get("xlink:href", "") + "/content.xml");
        if (content == null) return null;
        try {
            return XmlReader.tree(content, "content.xml");
        } catch (DecantException e) {
            LoggerFactory.getLogger(OdtFrames.class).info("An object can't be read; its picture stands for it", e);
            return null;
        }
    }

    private Inline.Floating.Content content(XmlNode node, XmlNode properties, double width, double height) {
        for (XmlNode image : node.children("draw:image")) {
            byte[] bytes = image.get("xlink:href") == null ? null : reader.part(image.get("xlink:href"));
            if (bytes == null) {
                if (isOutside(image)) reader.find(Finding.lost(Message.of("odf.pictures-that-lie-outside-the-file")));
                continue;
            }
            return new Picture(new Image(type(bytes, image.get("xlink:href", "")), bytes), Math.max(1, width), Math.max(1, height),
                    crop(properties, width, height), 0, description(node));
        }
        XmlNode box = node.child("draw:text-box");
        if (box == null) return null;
        Border border = properties == null ? null : OdtLookReading.border(properties.get("fo:border", properties.get("fo:border-top")), null);
        Colour fill = properties == null ? null : OdtLookReading.colour(properties.get("fo:background-color", "solid".equals(properties.get("draw:fill"))
                ? properties.get("draw:fill-color") : null));
        return box(node, box, property -> properties == null ? null : properties.get(property), new Rectangle2D.Double(0, 0, width, height), border, fill);
    }

    /** A box of text. @param holder of its blocks; {@code style} gives a property of its graphic style, or null */
    private TextBox box(XmlNode node, XmlNode holder, UnaryOperator<String> style, Rectangle2D place, Border border, Colour fill) {
        List<Block> inside = inner.apply(holder);
        double all = OdtLookReading.length(style.apply("fo:padding"), 0);
        Insets padding = new Insets(OdtLookReading.length(style.apply("fo:padding-top"), all), OdtLookReading.length(style.apply("fo:padding-right"), all),
                OdtLookReading.length(style.apply("fo:padding-bottom"), all), OdtLookReading.length(style.apply("fo:padding-left"), all));
        boolean grows = node.is("draw:frame") && node.get("svg:height") == null;
        double high = grows ? OdtLookReading.length(holder.get("fo:min-height"), place.getHeight()) : place.getHeight();
        String standing = style.apply("draw:textarea-vertical-align");
        String running = style.apply("style:writing-mode");
        return new TextBox(inside.isEmpty() ? List.of(Paragraph.of("")) : inside, Math.max(1, place.getWidth()), Math.max(1, high), grows,
                padding, border == null ? Border.NONE : border, fill, switch (standing == null ? "top" : standing) {
                    case "middle", "justify" -> VerticalAlignment.CENTRE;
                    case "bottom" -> VerticalAlignment.BOTTOM;
                    default -> VerticalAlignment.TOP;
                }, switch (running == null ? "" : running) {
                    case "tb-rl", "tb-lr", "tb" -> Running.DOWN;
                    case "bt-lr" -> Running.UP;
                    default -> Running.ACROSS;
                });
    }

    private static String type(byte[] bytes, String name) {
        if (bytes.length > 3 && bytes[0] == (byte) 0x89 && bytes[1] == 'P') return "image/png";
        if (bytes.length > 3 && bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xD8) return "image/jpeg";
        String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        return "image/" + (ending.equals("jpg") ? "jpeg" : ending.equals("svg") ? "svg+xml" : ending.equals("emf") || ending.equals("wmf") ? "x-" + ending
                : ending);
    }

    private static boolean isOutside(XmlNode image) { return image.get("xlink:href", "").matches("(?i)(https?|file):.*"); }

    private static Insets crop(XmlNode properties, double width, double height) {
        String clip = properties == null ? null : properties.get("fo:clip");
        if (clip == null || !clip.startsWith("rect(")) return Insets.NONE;
        String[] words = clip.substring(5).replace(")", "").split("[,\\s]+");
        if (words.length != 4) return Insets.NONE;
        double[] sides = new double[4];
        for (int i = 0; i < 4; i++) sides[i] = OdtLookReading.length(words[i], 0);
        double wide = width + sides[1] + sides[3];
        double high = height + sides[0] + sides[2];
        return wide <= 0 || high <= 0 ? Insets.NONE : new Insets(sides[0] / high, sides[1] / wide, sides[2] / high, sides[3] / wide);
    }

    private static Anchor anchor(XmlNode node, XmlNode properties, double left, double top) {
        String across = properties == null ? "from-left" : properties.get("style:horizontal-pos", "from-left");
        Alignment alignment = switch (across) {
            case "center" -> Alignment.CENTRE;
            case "right", "outside" -> Alignment.END;
            case "left", "inside" -> Alignment.START;
            default -> null;
        };
        String down = properties == null ? "from-top" : properties.get("style:vertical-pos", "from-top");
        VerticalAlignment vertical = switch (down) {
            case "middle" -> VerticalAlignment.CENTRE;
            case "bottom", "below" -> VerticalAlignment.BOTTOM;
            case "top" -> VerticalAlignment.TOP;
            default -> null;
        };
        String fromX = properties == null ? "paragraph" : properties.get("style:horizontal-rel", "paragraph");
        String fromY = properties == null ? "paragraph" : properties.get("style:vertical-rel", "paragraph");
        boolean page = "page".equals(node.get("text:anchor-type"));
        Anchor.Horizontal.From x = fromX.equals("page") || page && fromX.equals("paragraph") ? Anchor.Horizontal.From.PAGE : fromX.startsWith("page-content")
                ? Anchor.Horizontal.From.MARGIN : fromX.equals("char") ? Anchor.Horizontal.From.CHARACTER : Anchor.Horizontal.From.COLUMN;
        Anchor.Vertical.From y = fromY.equals("page") || page && fromY.equals("paragraph") ? Anchor.Vertical.From.PAGE : fromY.startsWith("page-content")
                ? Anchor.Vertical.From.MARGIN : fromY.equals("line") ? Anchor.Vertical.From.LINE : Anchor.Vertical.From.PARAGRAPH;
        String wrap = properties == null ? "dynamic" : properties.get("style:wrap", "none");
        Anchor.Wrap how = wrap.equals("run-through") ? Anchor.Wrap.NONE : wrap.equals("none") ? Anchor.Wrap.TOP_AND_BOTTOM : Anchor.Wrap.SQUARE;
        Insets distance = properties == null ? Insets.NONE : new Insets(OdtLookReading.length(properties.get("fo:margin-top"), 0),
                OdtLookReading.length(properties.get("fo:margin-right"), 0), OdtLookReading.length(properties.get("fo:margin-bottom"), 0),
                OdtLookReading.length(properties.get("fo:margin-left"), 0));
        return new Anchor(new Anchor.Horizontal(x, alignment, alignment == null ? left : 0),
                new Anchor.Vertical(y, vertical, vertical == null ? top : 0), how, distance, properties != null
                && "background".equals(properties.get("style:run-through")), level(node.get("draw:z-index", "")), true);
    }

    /** From what is written for one that has none (19.231): one may be lower. */
    private static int level(String index) {
        return index.matches("\\d{1,10}") ? (int) Math.min(Integer.MAX_VALUE, Long.parseLong(index)) - OdtBody.LEVEL : 0;
    }
}
