package app.decant.format.binary;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TextBox;
import app.decant.format.FormTold;
import app.decant.format.binary.Modifiers.Modifier;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.apache.poi.ddf.EscherChildAnchorRecord;
import org.apache.poi.ddf.EscherContainerRecord;
import org.apache.poi.ddf.EscherOptRecord;
import org.apache.poi.ddf.EscherPropertyTypes;
import org.apache.poi.ddf.EscherSimpleProperty;
import org.apache.poi.ddf.EscherSpRecord;
import org.apache.poi.ddf.EscherSpgrRecord;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.usermodel.OfficeDrawing;
import org.apache.poi.hwpf.usermodel.OfficeDrawings;
import org.slf4j.LoggerFactory;

/** Reads pictures that stand in lines, and drawn shapes that float: pictures and boxes of text (MS-DOC 2.9.192, 2.9.253). */
final class DrawingReading {
    private static final int BODY_SHAPES = 40;
    private static final int HEADER_SHAPES = 41;
    private static final int TEXT_BOXES = 56;
    private static final int HEADER_TEXT_BOXES = 58;
    private static final Insets PADDING = new Insets(3.6, 7.2, 3.6, 7.2);

    private final HWPFDocument file;
    private final DocReader reader;
    private final List<Finding> findings;
    private AnchorReading bodyAnchors;
    private AnchorReading headerAnchors;
    private final Set<Integer> boxesRead = new HashSet<>();
    private final Set<Integer> headerBoxesRead = new HashSet<>();

    /** A rectangle in points. */
    private record Area(double left, double top, double width, double height) { }

    DrawingReading(HWPFDocument file, DocReader reader, List<Finding> findings) {
        this.file = file;
        this.reader = reader;
        this.findings = findings;
    }

    /** What is said of a form field where its data are told of, or null. */
    FormTold form(List<Modifier> properties) {
        boolean data = false;
        int place = -1;
        for (Modifier one : properties) {
            if (one.code() == 0x6A03) place = one.four();
            if (one.code() == 0x0806) data = one.on();
        }
        return data ? FormReading.of(file.getDataStream(), place) : null;
    }

    /** The picture a sign stands for, or null where it has none. */
    Inline inline(List<Modifier> properties, Look look) {
        Integer place = null;
        for (Modifier one : properties) {
            if (one.code() == 0x6A03) place = one.four();
            // Data of a form field, not a picture.
            if (one.code() == 0x0806 && one.on()) return null;
        }
        byte[] data = file.getDataStream();
        if (place == null || data == null || place < 0 || place + 68 > data.length) return null;
        try {
            org.apache.poi.hwpf.usermodel.Picture read = new org.apache.poi.hwpf.usermodel.Picture(place, data, true);
            byte[] bytes = read.getContent();
            if (bytes == null || bytes.length == 0) return null;
            double width = read.getDxaGoal() / 20.0 * read.getHorizontalScalingFactor() / 1000.0;
            double height = read.getDyaGoal() / 20.0 * read.getVerticalScalingFactor() / 1000.0;
            Insets crop = new Insets(read.getCropTop() / 65536, read.getCropRight() / 65536, read.getCropBottom() / 65536, read.getCropLeft() / 65536);
            return new Inline.InlinePicture(new Picture(new Image(type(read.getMimeType(), bytes), bytes), Math.max(1, width), Math.max(1, height),
                    sane(crop), 0, blank(read.getDescription())), look);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(DrawingReading.class).info("A picture can't be read", e);
            findings.add(Finding.lost(Message.of("binary.a-picture-cannot-be-read")));
            return null;
        }
    }

    private static Insets sane(Insets crop) {
        for (double side : new double[] {crop.top(), crop.right(), crop.bottom(), crop.left()}) if (!(side > -1 && side < 1)) return Insets.NONE;
        return crop;
    }

    private static String blank(String text) { return text == null || text.isBlank() ? null : text; }

    private static String type(String told, byte[] bytes) {
        if (bytes.length > 3 && bytes[0] == (byte) 0x89 && bytes[1] == 'P') return "image/png";
        if (bytes.length > 3 && bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xD8) return "image/jpeg";
        return told == null ? "image/unknown" : told.toLowerCase(Locale.ROOT);
    }

    /** What is drawn at a place: a picture, a box, or the boxes of a group; nothing where it can't be taken over. */
    List<Inline> floating(int at, Look look) {
        boolean header = reader.isInHeaders(at);
        if (!header && !reader.isInBody(at)) return List.of();
        try {
            OfficeDrawings all = header ? file.getOfficeDrawingsHeaders() : file.getOfficeDrawingsMain();
            OfficeDrawing drawing = all.getOfficeDrawingAt(header ? at - reader.headersStart() : at);
            if (drawing == null) return List.of();
            Area area = new Area(drawing.getRectangleLeft() / 20.0, drawing.getRectangleTop() / 20.0,
                    Math.max(1, (drawing.getRectangleRight() - drawing.getRectangleLeft()) / 20.0),
                    Math.max(1, (drawing.getRectangleBottom() - drawing.getRectangleTop()) / 20.0));
            Inline.Floating.Content content = content(drawing, area, header);
            Anchor anchor = anchors(header).anchor(drawing, header ? at - reader.headersStart() : at, area.left, area.top);
            if (content != null) return List.of(new Inline.Floating(anchor, content, look));
            List<Inline> grouped = new ArrayList<>();
            EscherContainerRecord group = group(file.getOfficeArtContent().getSpgrContainers(), drawing.getShapeId());
            boolean others = group == null || grouped(group, area, anchor, header, look, grouped);
            if (grouped.isEmpty()) findings.add(Finding.lost(Message.of("binary.a-drawn-shape-is-left")));
            else if (others) findings.add(Finding.lost(Message.of("binary.lines-shapes-and-pictures-around-the-texts")));
            return grouped;
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(DrawingReading.class).info("A drawing can't be read", e);
            findings.add(Finding.lost(Message.of("binary.a-drawing-cannot-be-read")));
            return List.of();
        }
    }

    private AnchorReading anchors(boolean header) {
        if (header && headerAnchors == null) headerAnchors = new AnchorReading(file, reader.place(HEADER_SHAPES));
        if (!header && bodyAnchors == null) bodyAnchors = new AnchorReading(file, reader.place(BODY_SHAPES));
        return header ? headerAnchors : bodyAnchors;
    }

    /** The group among these, or in them, that begins with a shape of this number (MS-ODRAW 2.2.16), or null. */
    private static EscherContainerRecord group(List<? extends EscherContainerRecord> among, int shape) {
        for (EscherContainerRecord group : among) {
            if (group.getRecordId() != EscherContainerRecord.SPGR_CONTAINER) continue;
            List<EscherContainerRecord> inside = group.getChildContainers();
            if (inside.isEmpty()) continue;
            EscherSpRecord own = inside.get(0).getChildById(EscherSpRecord.RECORD_ID);
            if (own != null && own.getShapeId() == shape) return group;
            EscherContainerRecord deeper = group(inside, shape);
            if (deeper != null) return deeper;
        }
        return null;
    }

    /**
     * Finds the boxes of a group, each in its share of the group's area (MS-ODRAW 2.2.38, 2.2.39).
     *
     * @return whether there are also shapes that are no boxes
     */
    private boolean grouped(EscherContainerRecord group, Area area, Anchor anchor, boolean header, Look look, List<Inline> found) {
        List<EscherContainerRecord> inside = group.getChildContainers();
        if (inside.isEmpty()) return false;
        boolean others = false;
        EscherSpgrRecord measure = inside.get(0).getChildById(EscherSpgrRecord.RECORD_ID);
        for (EscherContainerRecord child : inside.subList(1, inside.size())) {
            if (child.getRecordId() == EscherContainerRecord.SPGR_CONTAINER) {
                List<EscherContainerRecord> own = child.getChildContainers();
                if (!own.isEmpty()) others |= grouped(child, share(own.get(0), measure, area), anchor, header, look, found);
            } else {
                Area part = share(child, measure, area);
                TextBox box = box(child.getChildById(EscherOptRecord.RECORD_ID), part, header);
                if (box != null) found.add(new Inline.Floating(AnchorReading.at(anchor, part.left, part.top), box, look));
                else others = true;
            }
        }
        return others;
    }

    private static Area share(EscherContainerRecord shape, EscherSpgrRecord measure, Area area) {
        EscherChildAnchorRecord at = shape.getChildById(EscherChildAnchorRecord.RECORD_ID);
        if (at == null || measure == null) return area;
        double across = area.width / Math.max(1.0, (double) measure.getRectX2() - measure.getRectX1());
        double down = area.height / Math.max(1.0, (double) measure.getRectY2() - measure.getRectY1());
        return new Area(area.left + (at.getDx1() - measure.getRectX1()) * across, area.top + (at.getDy1() - measure.getRectY1()) * down,
                Math.max(1, (at.getDx2() - at.getDx1()) * across), Math.max(1, (at.getDy2() - at.getDy1()) * down));
    }

    private Inline.Floating.Content content(OfficeDrawing drawing, Area area, boolean header) {
        EscherOptRecord options = options(drawing);
        byte[] bytes = drawing.getPictureData();
        if (bytes != null && bytes.length > 0) {
            Insets crop = options == null ? Insets.NONE : sane(new Insets(share(options, EscherPropertyTypes.BLIP__CROPFROMTOP),
                    share(options, EscherPropertyTypes.BLIP__CROPFROMRIGHT), share(options, EscherPropertyTypes.BLIP__CROPFROMBOTTOM),
                    share(options, EscherPropertyTypes.BLIP__CROPFROMLEFT)));
            double turn = options == null ? 0 : share(options, EscherPropertyTypes.TRANSFORM__ROTATION);
            return new Picture(new Image(type(null, bytes), bytes), area.width, area.height, crop, turn, null);
        }
        return box(options, area, header);
    }

    /** The box of text that a shape's properties name and that no other shape took, or null. */
    private TextBox box(EscherOptRecord options, Area area, boolean header) {
        int text = options == null ? 0 : number(options, EscherPropertyTypes.TEXT__TEXTID) >> 16;
        if (text < 1 || !(header ? headerBoxesRead : boxesRead).add(text)) return null;
        List<Block> blocks = box(text, header);
        return blocks == null ? null : new TextBox(blocks, area.width, area.height, false, PADDING, Border.NONE, null)
                .running(switch (number(options, EscherPropertyTypes.TEXT__TEXTFLOW)) {
                    case 1, 3, 5 -> Running.DOWN;
                    case 2 -> Running.UP;
                    default -> Running.ACROSS;
                });
    }

    private static EscherOptRecord options(OfficeDrawing drawing) {
        EscherContainerRecord shape = drawing.getOfficeArtSpContainer();
        return shape == null ? null : shape.getChildById(EscherOptRecord.RECORD_ID);
    }

    private static int number(EscherOptRecord options, EscherPropertyTypes kind) {
        return options.lookup(kind) instanceof EscherSimpleProperty simple ? simple.getPropertyValue() : 0;
    }

    private static double share(EscherOptRecord options, EscherPropertyTypes kind) { return number(options, kind) / 65536.0; }

    /** The text of a box by its number, from 1 (2.8.32); those of headers have a story of their own. */
    private List<Block> box(int number, boolean header) {
        int[] place = reader.place(header ? HEADER_TEXT_BOXES : TEXT_BOXES);
        int count = (place[1] - 4) / 26;
        if (number > count) return null;
        byte[] table = file.getTableStream();
        int from = Modifiers.four(table, place[0] + 4 * (number - 1));
        int to = Modifiers.four(table, place[0] + 4 * number);
        if (to <= from) return null;
        int start = header ? reader.headerTextBoxesStart() : reader.textBoxesStart();
        // Each box ends in a paragraph mark of its own.
        return new ArrayList<>(new BodyReading(reader).blocks(start + from, start + to));
    }
}
