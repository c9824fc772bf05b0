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
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.slf4j.LoggerFactory;

/** Reads pictures and boxes in frames (ISO/IEC 26300-1, 10.4). */
final class OdtFrames {
    private final OdtReader reader;
    private final boolean inContent;
    private final Function<XmlNode, List<Block>> inner;

    /** @param inner reads the blocks of a box */
    OdtFrames(OdtReader reader, boolean inContent, Function<XmlNode, List<Block>> inner) {
        this.reader = reader;
        this.inContent = inContent;
        this.inner = inner;
    }

    /** A picture or a box in a frame, or null where it can't be taken over. */
    Inline frame(XmlNode node, Look look) {
        XmlNode object = object(node);
        if (object != null && object.is("math:math"))
            return new Inline.OpaqueInline(new Opaque("odf", "a formula", object.markup(), Map.of(), null), look);
        XmlNode style = reader.sheet().automatic("graphic", node.get("draw:style-name"), inContent);
        XmlNode properties = style == null ? null : style.child("style:graphic-properties");
        double width = OdtLookReading.length(node.get("svg:width", node.get("fo:min-width")), 100);
        double height = OdtLookReading.length(node.get("svg:height", node.get("fo:min-height")), 20);
        Inline.Floating.Content content = chart(node, object, width, height);
        if (content == null) content = content(node, properties, width, height);
        if (content == null) {
            reader.find(Finding.lost(Message.of("binary.a-drawn-shape-is-left")));
            return null;
        }
        if ("as-char".equals(node.get("text:anchor-type")) && content instanceof Picture picture) return new Inline.InlinePicture(picture, look);
        return new Inline.Floating(anchor(node, properties), content, look);
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
                if (image.get("xlink:href", "").matches("(?i)(https?|file):.*"))
                    reader.find(Finding.lost(Message.of("odf.pictures-that-lie-outside-the-file")));
                continue;
            }
            return new Picture(new Image(type(bytes, image.get("xlink:href", "")), bytes), Math.max(1, width), Math.max(1, height),
                    crop(properties, width, height), 0, description(node));
        }
        XmlNode box = node.child("draw:text-box");
        if (box == null && node.is("draw:custom-shape") && !node.children("text:p").isEmpty()) box = node;
        if (box == null) return null;
        List<Block> inside = inner.apply(box);
        Border border = properties == null ? null : OdtLookReading.border(properties.get("fo:border", properties.get("fo:border-top")), null);
        Colour fill = properties == null ? null : OdtLookReading.colour(properties.get("fo:background-color", "solid".equals(properties.get("draw:fill"))
                ? properties.get("draw:fill-color") : null));
        double all = properties == null ? 0 : OdtLookReading.length(properties.get("fo:padding"), 0);
        Insets padding = properties == null ? Insets.NONE : new Insets(OdtLookReading.length(properties.get("fo:padding-top"), all),
                OdtLookReading.length(properties.get("fo:padding-right"), all), OdtLookReading.length(properties.get("fo:padding-bottom"), all),
                OdtLookReading.length(properties.get("fo:padding-left"), all));
        boolean grows = node.get("svg:height") == null;
        double high = grows ? OdtLookReading.length(box.get("fo:min-height"), height) : height;
        return new TextBox(inside.isEmpty() ? List.of(Paragraph.of("")) : inside, Math.max(1, width), Math.max(1, high), grows, padding, border == null
                ? Border.NONE : border, fill, switch (properties == null ? "top" : properties.get("draw:textarea-vertical-align", "top")) {
                    case "middle", "justify" -> VerticalAlignment.CENTRE;
                    case "bottom" -> VerticalAlignment.BOTTOM;
                    default -> VerticalAlignment.TOP;
                }, properties == null ? Running.ACROSS : switch (properties.get("style:writing-mode", "")) {
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

    private static Anchor anchor(XmlNode node, XmlNode properties) {
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
        return new Anchor(new Anchor.Horizontal(x, alignment, alignment == null ? OdtLookReading.length(node.get("svg:x"), 0) : 0),
                new Anchor.Vertical(y, vertical, vertical == null ? OdtLookReading.length(node.get("svg:y"), 0) : 0), how, distance, properties != null
                && "background".equals(properties.get("style:run-through")), level(node.get("draw:z-index", "")));
    }

    /** From what is written for one that has none (19.231): one may be lower. */
    private static int level(String index) {
        return index.matches("\\d{1,10}") ? (int) Math.min(Integer.MAX_VALUE, Long.parseLong(index)) - OdtBody.LEVEL : 0;
    }
}
