package app.decant.format.sheet;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.FormField;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.OfficePackage;
import app.decant.sheet.Range;
import app.decant.sheet.SheetObject;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.slf4j.LoggerFactory;

/**
 * What an older drawing part lays over a sheet beside its notes (ISO/IEC 29500-4, 19.4): the likenesses of objects that are inside the file, and controls to
 * be filled in or pressed, with what they say.
 */
final class XlsxControls {
    /** Points to a pixel, in which places within cells are told. */
    private static final double PIXEL = 0.75;
    private static final int MOST = 3000;
    private static final Insets PADDING = new Insets(1.5, 3, 1.5, 3);
    private static final Map<String, String> SIGNS = Map.of("Checkbox", FormField.UNTICKED, "Radio", "\u25CB");
    private static final Map<String, String> TICKED = Map.of("Checkbox", FormField.TICKED, "Radio", "\u25CF");
    private static final Set<String> WORDED = Set.of("Checkbox", "Radio", "Button", "Label", "GBox", "EditBox", "Rect", "Dialog");
    private static final Map<String, Colour> COLOURS = Map.of("window", Colour.WHITE, "windowtext", Colour.BLACK, "buttonface", new Colour(0xE4E4E4),
            "black", Colour.BLACK, "white", Colour.WHITE);

    private final OfficePackage file;
    private final String part;
    private final Lost lost;
    private final CellPlaces places;

    /** @param part the drawing, as a sheet names it */
    XlsxControls(OfficePackage file, String part, Lost lost, CellPlaces places) {
        this.file = file;
        this.part = part;
        this.lost = lost;
        this.places = places;
    }

    List<SheetObject> read() {
        List<SheetObject> objects = new ArrayList<>();
        // Programs write breaks as web pages have them, which no XML allows.
        String markup = new String(file.part(part), StandardCharsets.UTF_8).replaceAll("<br\\s*>", "<br/>");
        XmlNode root;
        try {
            root = XmlReader.tree(markup.getBytes(StandardCharsets.UTF_8), part);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsxControls.class).info("An older drawing part can't be read", e);
            if (markup.contains("imagedata") || markup.contains("\"Checkbox\"")) lost.count(Lost.Kind.CONTROLS, 1);
            return objects;
        }
        for (XmlNode shape : root.children()) {
            XmlNode data = data(shape);
            String kind = data == null ? "Note" : data.get("ObjectType", "");
            boolean unseen = kind.equals("Note") || hides(shape) || "False".equalsIgnoreCase(told(data, "PrintObject"));
            if (unseen) continue;
            SheetObject object = objects.size() >= MOST ? null : kind.equals("Pict") ? likeness(shape, data) : control(shape, data, kind);
            if (object == null && kind.equals("Pict") && shape.child("v:imagedata") == null) continue;
            lost.count(kind.equals("Pict") ? Lost.Kind.OBJECTS : Lost.Kind.CONTROLS, 1);
            if (object != null) objects.add(object);
        }
        return objects;
    }

    private static XmlNode data(XmlNode shape) {
        return shape.children().stream().filter(child -> child.name().endsWith("ClientData")).findFirst().orElse(null);
    }

    private static boolean hides(XmlNode shape) { return shape.get("style", "").replaceAll("\\s", "").toLowerCase(Locale.ROOT).contains("visibility:hidden"); }

    /** What a child of the data says; null where there is none. */
    private static String told(XmlNode data, String name) {
        return data.children().stream().filter(child -> child.name().endsWith(":" + name)).findFirst().map(child -> child.text().strip()).orElse(null);
    }

    /** Column, how far in it, row, how far in it, twice, in pixels (19.4.2.4); null where it says no such place. */
    private double[][] place(XmlNode data) {
        String anchor = told(data, "Anchor");
        String[] numbers = anchor == null ? new String[0] : anchor.split("\\s*,\\s*");
        if (numbers.length != 8) return null;
        double[][] place = new double[2][4];
        for (int i = 0; i < 8; i++) {
            if (!numbers[i].matches("-?\\d{1,7}")) return null;
            place[i / 4][i % 4] = Math.max(0, Integer.parseInt(numbers[i])) * (i % 2 == 1 ? PIXEL : 1);
        }
        double[] from = place[0];
        double[] to = place[1];
        boolean there = to[0] < Range.MOST_COLUMNS && to[2] < Range.MOST_ROWS && from[0] <= to[0] && from[2] <= to[2];
        return there && (from[0] < to[0] || from[1] < to[1]) && (from[2] < to[2] || from[3] < to[3]) ? place : null;
    }

    private SheetObject likeness(XmlNode shape, XmlNode data) {
        double[][] place = place(data);
        XmlNode picture = shape.child("v:imagedata");
        OfficePackage.Relation relation = picture == null ? null
                : file.relations(part).get(picture.get("o:relid", picture.get("r:id", picture.get("r:pict", ""))));
        byte[] bytes = relation == null || relation.outside() ? null : file.part(relation.target());
        if (place == null || bytes == null) return null;
        double[] size = places.size(place[0], place[1]);
        return object(SheetObject.Kind.PICTURE, place, new Picture(new Image(file.type(relation.target()), bytes), size[0], size[1], Insets.NONE, 0, null),
                null);
    }

    private SheetObject control(XmlNode shape, XmlNode data, String kind) {
        double[][] place = place(data);
        if (place == null || !WORDED.contains(kind)) return null;
        double[] size = places.size(place[0], place[1]);
        List<Block> words = words(shape.child("v:textbox"), sign(data, kind));
        boolean box = kind.equals("Button") || kind.equals("GBox") || kind.equals("EditBox");
        boolean stroked = box || !"f".equals(shape.get("stroked", "t").substring(0, 1));
        Colour fill = "f".equals(shape.get("filled", "t").substring(0, 1)) ? null : colour(shape.get("fillcolor", "window"), Colour.WHITE);
        TextBox told = new TextBox(words, size[0], size[1], false, PADDING, stroked && !SIGNS.containsKey(kind) ? Border.single(PIXEL,
                colour(shape.get("strokecolor", ""), new Colour(0x808080))) : null, kind.equals("GBox") ? null : fill,
                kind.equals("GBox") ? VerticalAlignment.TOP : VerticalAlignment.CENTRE);
        return object(SheetObject.Kind.SHAPE, place, null, new SheetObject.Shape(told, size[0], size[1], 0, 0));
    }

    /** The sign of a box to tick or of a choice; null for all else. */
    private static String sign(XmlNode data, String kind) {
        String checked = told(data, "Checked");
        return checked != null && !checked.equals("0") ? TICKED.get(kind) : SIGNS.get(kind);
    }

    private static SheetObject object(SheetObject.Kind kind, double[][] place, Picture picture, SheetObject.Shape shape) {
        double[] from = place[0];
        double[] to = place[1];
        return new SheetObject(kind, new Range((int) from[2], (int) from[0], (int) to[2], (int) to[0]), from[1], from[3], to[1], to[3], picture, shape, null);
    }

    /** What a control says, in paragraphs and fonts as web pages had them. */
    private static List<Block> words(XmlNode textbox, String sign) {
        List<Block> blocks = new ArrayList<>();
        for (XmlNode line : textbox == null ? List.<XmlNode>of() : textbox.children("div")) {
            List<Inline> inlines = new ArrayList<>();
            add(line, Look.of(TextProperty.SIZE, 8.0), inlines);
            String style = line.get("style", "").replaceAll("\\s", "");
            Alignment alignment = style.contains("text-align:center") ? Alignment.CENTRE : style.contains("text-align:right") ? Alignment.END : Alignment.START;
            blocks.add(new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, alignment), Look.of(TextProperty.SIZE, 8.0), inlines));
        }
        return sign == null ? blocks : XlsShapes.signed(blocks, sign);
    }

    private static void add(XmlNode node, Look look, List<Inline> inlines) {
        for (Object one : node.content()) {
            if (one instanceof String text && !text.isBlank()) inlines.add(new Inline.Text(text.replaceAll("\\s+", " "), look));
            if (!(one instanceof XmlNode child)) continue;
            Look own = look;
            switch (child.name()) {
                case "br" -> inlines.add(new Inline.Text(String.valueOf(Inline.LINE_BREAK), look));
                case "b" -> own = look.with(TextProperty.BOLD, true);
                case "i" -> own = look.with(TextProperty.ITALIC, true);
                case "u" -> own = look.with(TextProperty.UNDERLINE, TextProperty.Underline.SINGLE);
                case "font" -> own = font(child, look);
                default -> { }
            }
            add(child, own, inlines);
        }
    }

    /** Sizes are twentieths of a point. */
    private static Look font(XmlNode font, Look look) {
        Look own = look;
        if (!font.get("face", "").isBlank()) own = own.with(TextProperty.FAMILY, font.get("face"));
        if (font.get("size", "").matches("\\d{2,5}")) own = own.with(TextProperty.SIZE, Math.max(1, Math.min(409, Integer.parseInt(font.get("size")) / 20.0)));
        Colour colour = colour(font.get("color", ""), null);
        return colour == null ? own : own.with(TextProperty.COLOUR, colour);
    }

    /** A colour as it is told, with a number of the palette behind it or not. */
    private static Colour colour(String told, Colour otherwise) {
        String plain = told.replaceFirst("\\s*\\[.*", "").strip().toLowerCase(Locale.ROOT);
        if (plain.matches("#[0-9a-f]{6}")) return new Colour(Integer.parseInt(plain.substring(1), 16));
        return COLOURS.getOrDefault(plain, otherwise);
    }
}
