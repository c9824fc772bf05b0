package app.decant.format.binary;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.TableProperty.Insets;
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.OfficeShape;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.hwpf.model.SubdocumentType;

/**
 * Things drawn over the text of a file of 1993 to 1995: each has a place in the text and a list of lines, boxes, ellipses and the like, in twentieths of a
 * point. From memory, checked against files. They become shapes as later files tell them ([MS-ODRAW], 2.3).
 */
final class OlderDrawings {
    private static final int BODY = 0x192;
    private static final int HEADERS = 0x19A;
    private static final int BODY_WORDS = 0x222;
    private static final int HEADER_WORDS = 0x23A;
    private static final int HEAD = 12;
    private static final int LINE = 1;
    private static final int WORDS = 2;
    private static final int RECTANGLE = 3;
    private static final int ELLIPSE = 4;
    private static final int POLYLINE = 6;
    private static final int OUTSIDE = 8;
    private static final int HOLLOW = 5;
    private static final int TWENTIETH = 635;

    private final OlderText stored;
    private final DocReader reader;
    private final List<Finding> findings;
    private final Map<Integer, Integer> body;
    private final Map<Integer, Integer> headers;
    private final Map<Boolean, Integer> boxes = new HashMap<>();

    OlderDrawings(OlderText stored, DocReader reader, List<Finding> findings) {
        this.stored = stored;
        this.reader = reader;
        this.findings = findings;
        body = places(stored.part(BODY));
        headers = places(stored.part(HEADERS));
    }

    /** Where in the file that stands which is drawn at a place of the text. */
    private static Map<Integer, Integer> places(byte[] table) {
        Map<Integer, Integer> places = new HashMap<>();
        int count = Math.max(0, (table.length - 4) / 10);
        for (int i = 0; i < count; i++) places.put(Modifiers.four(table, 4 * i), Modifiers.four(table, 4 * (count + 1) + 6 * i));
        return places;
    }

    /** What is drawn at a place of the text. */
    List<Inline> at(int at, Look look) {
        boolean header = reader.isInHeaders(at);
        Integer place = header ? headers.get(at - stored.start(SubdocumentType.HEADER)) : body.get(at);
        byte[] data = stored.data();
        List<Inline> found = new ArrayList<>();
        if (place == null || place <= 0 || place + OUTSIDE + HEAD > data.length) return found;
        int end = Math.min(data.length, place + Modifiers.two(data, place + 2));
        Anchor.Horizontal.From across = switch (data[place + 4]) {
            case 0 -> Anchor.Horizontal.From.MARGIN;
            case 1 -> Anchor.Horizontal.From.PAGE;
            default -> Anchor.Horizontal.From.COLUMN;
        };
        Anchor.Vertical.From down = switch (data[place + 5]) {
            case 0 -> Anchor.Vertical.From.MARGIN;
            case 1 -> Anchor.Vertical.From.PAGE;
            default -> Anchor.Vertical.From.PARAGRAPH;
        };
        int level = Modifiers.two(data, place + 6);
        // Drawn things of these generations lie under or over text, which takes no notice; those of the ground have the lower half of the levels.
        boolean behind = level < 0x2000;
        boolean lacking = false;
        for (int one = place + 10; one + HEAD <= end;) {
            int kind = data[one] & 0xFF;
            int length = Modifiers.two(data, one + 2);
            if (length < HEAD || one + length > end) break;
            double width = Math.abs(signed(one + 8)) / 20.0;
            double height = Math.abs(signed(one + 10)) / 20.0;
            Anchor anchor = new Anchor(new Anchor.Horizontal(across, null, signed(one + 4) / 20.0), new Anchor.Vertical(down, null, signed(one + 6) / 20.0),
                    Anchor.Wrap.NONE, Insets.NONE, behind, level & 0x1FFF);
            OfficeShape shape = shape(kind, one, length);
            List<Block> words = kind == WORDS ? words(header) : null;
            if (words != null) found.add(new Inline.Floating(anchor, shape.box(words, width, height), look));
            else if (shape != null) {
                DrawnShape.Made made = shape.draw(width, height);
                if (made != null) found.add(new Inline.Floating(made.at(anchor), made.picture(), look));
            } else lacking |= kind != 0 && kind != 8;
            one += length;
        }
        if (lacking) findings.add(Finding.lost(Message.of("binary.a-drawn-shape-is-left")));
        return found;
    }

    private int signed(int at) { return (short) Modifiers.two(stored.data(), at); }

    /** The words of the next box: boxes stand in the order of their places, each with a paragraph mark at its end. */
    private List<Block> words(boolean header) {
        byte[] table = stored.part(header ? HEADER_WORDS : BODY_WORDS);
        int number = boxes.merge(header, 1, Integer::sum) - 1;
        if (4 * number + 8 > table.length) return null;
        SubdocumentType part = header ? SubdocumentType.HEADER_TEXTBOX : SubdocumentType.TEXTBOX;
        int from = Modifiers.four(table, 4 * number);
        int to = Math.min(stored.length(part), Modifiers.four(table, 4 * number + 4));
        return from < 0 || to <= from ? null : new BodyReading(reader).blocks(stored.start(part) + from, stored.start(part) + to);
    }

    private OfficeShape shape(int kind, int at, int length) {
        byte[] data = stored.data();
        boolean line = kind == LINE;
        int pen = at + HEAD + (line ? 8 : 0);
        if (pen + (line ? 8 : 18) > at + length) return null;
        int width = Modifiers.two(data, pen + 4);
        int style = Modifiers.two(data, pen + 6);
        Map<Integer, Integer> told = new HashMap<>();
        told.put(0x01C0, Modifiers.four(data, pen) & 0xFFFFFF);
        told.put(0x01CB, Math.max(width, 1) * TWENTIETH);
        told.put(0x01CE, style > 0 && style < HOLLOW ? new int[] {0, 6, 2, 8, 9}[style] : 0);
        told.put(0x01FF, style == HOLLOW ? 0 : 8);
        int pattern = line ? 0 : Modifiers.two(data, pen + 16);
        told.put(0x01BF, pattern == 0 ? 0 : 0x10);
        // A solid pattern is its first colour, none but the ground the second.
        if (!line) told.put(0x0181, Modifiers.four(data, pen + (pattern == 1 ? 12 : 8)) & 0xFFFFFF);
        int[] points = null;
        if (kind == POLYLINE) {
            // Whether it is closed, and how many points it has.
            points = points(at + HEAD + 30, Modifiers.two(data, at + HEAD + 28) >> 1, at + length);
            told.put(0x0142, Math.max(1, Math.abs(signed(at + 8))));
            told.put(0x0143, Math.max(1, Math.abs(signed(at + 10))));
        }
        boolean backwards = line && signed(at + HEAD) > signed(at + HEAD + 4);
        boolean upwards = line && signed(at + HEAD + 2) > signed(at + HEAD + 6);
        int type = switch (kind) {
            case LINE -> 20;
            case WORDS -> 202;
            case RECTANGLE -> (Modifiers.two(data, at + length - 2) & 1) != 0 ? 2 : 1;
            case ELLIPSE -> 3;
            case POLYLINE -> 0;
            default -> -1;
        };
        return type < 0 || kind == POLYLINE && points == null ? null : new OfficeShape(type, backwards, upwards, new Told(told, points));
    }

    private int[] points(int at, int count, int end) {
        if (count < 2 || at + 4 * count > end) return null;
        int[] points = new int[2 * count];
        for (int i = 0; i < points.length; i++) points[i] = signed(at + 2 * i);
        return points;
    }

    /** What is told of a shape, by the numbers of later files. */
    private record Told(Map<Integer, Integer> numbers, int[] points) implements OfficeShape.Properties {
        @Override public int number(int property, int otherwise) { return numbers.getOrDefault(property, otherwise); }
        @Override public boolean isOn(int property, int mask, boolean otherwise) {
            return numbers.containsKey(property) ? (numbers.get(property) & mask) != 0 : otherwise;
        }
        @Override public int[] numbers(int property) { return property == 0x0145 ? points : null; }
        @Override public String words(int property) { return null; }
    }
}
