package app.decant.format.binary;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.OfficeShape;
import app.decant.picture.PictureFile;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.poi.ddf.DefaultEscherRecordFactory;
import org.apache.poi.ddf.EscherBSERecord;
import org.apache.poi.ddf.EscherBlipRecord;
import org.apache.poi.ddf.EscherChildAnchorRecord;
import org.apache.poi.ddf.EscherContainerRecord;
import org.apache.poi.ddf.EscherRecord;
import org.apache.poi.ddf.EscherSpRecord;
import org.apache.poi.ddf.EscherSpgrRecord;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.usermodel.OfficeDrawing;
import org.apache.poi.hwpf.usermodel.OfficeDrawings;
import org.slf4j.LoggerFactory;

/** Reads drawn shapes that float: pictures, boxes of text, outlines, and groups of these (MS-DOC 2.9.253; MS-ODRAW 2.2.14 and 2.2.16). */
final class FloatingShapes {
    private static final int BODY_SHAPES = 40;
    private static final int HEADER_SHAPES = 41;
    private static final int TEXT_BOXES = 56;
    private static final int HEADER_TEXT_BOXES = 58;
    /** Properties (2.3): the picture that is shown, what is cut off it, the text. */
    private static final int BLIP = 0x0104;
    private static final int CUT_FROM_TOP = 0x0100;
    private static final int TEXT = 0x0080;
    private static final double ONE = 65_536;
    private static final int DEEPEST = 32;

    private final HWPFDocument file;
    private final DocReader reader;
    private final List<Finding> findings;
    private AnchorReading bodyAnchors;
    private AnchorReading headerAnchors;
    private final Set<Integer> boxesRead = new HashSet<>();
    private final Set<Integer> headerBoxesRead = new HashSet<>();

    /** Where the shapes of one drawing stand, and what they have become. */
    private final class Drawn {
        private final Anchor anchor;
        private final boolean header;
        private final Look look;
        private final List<Inline> found = new ArrayList<>();
        private boolean lacking;

        Drawn(Anchor anchor, boolean header, Look look) {
            this.anchor = anchor;
            this.header = header;
            this.look = look;
        }

        /** Takes in a shape. @param alone where the anchor is its own, not that of a group */
        void shape(EscherContainerRecord container, Rectangle2D told, boolean alone) {
            OfficeShape shape = ShapeRecords.of(container);
            if (shape == null || shape.isHidden()) return;
            int before = found.size();
            Rectangle2D area = shape.upright(told);
            Anchor there = alone ? anchor.moved(area.getX() - told.getX(), area.getY() - told.getY())
                    : AnchorReading.at(anchor, area.getX(), area.getY());
            Picture picture = picture(shape, area);
            if (picture != null) found.add(new Inline.Floating(there, picture, look));
            List<Block> words = words(shape);
            DrawnShape.Made made = picture != null || shape.isBox() && words != null ? null : shape.draw(area.getWidth(), area.getHeight());
            if (made != null) found.add(new Inline.Floating(made.at(there), made.picture(), look));
            if (words != null) found.add(new Inline.Floating(there, shape.box(words, area.getWidth(), area.getHeight()), look));
            lacking |= found.size() == before && shape.ink().isVisible();
        }

        /** Takes in the shapes of a group, each in its share of the group's area (2.2.38, 2.2.39). */
        void group(EscherContainerRecord group, Rectangle2D area, int depth) {
            List<EscherContainerRecord> inside = group.getChildContainers();
            if (inside.isEmpty() || depth > DEEPEST) return;
            EscherSpgrRecord measure = inside.get(0).getChildById(EscherSpgrRecord.RECORD_ID);
            for (EscherContainerRecord child : inside.subList(1, inside.size())) {
                if (child.getRecordId() == EscherContainerRecord.SPGR_CONTAINER) {
                    List<EscherContainerRecord> own = child.getChildContainers();
                    if (!own.isEmpty()) group(child, share(own.get(0), measure, area), depth + 1);
                } else shape(child, share(child, measure, area), false);
            }
        }

        private List<Block> words(OfficeShape shape) {
            int text = shape.told().number(TEXT, 0) >> 16;
            if (text < 1 || !(header ? headerBoxesRead : boxesRead).add(text)) return null;
            List<Block> blocks = box(text, header);
            // Drawn shapes may have a text that says nothing.
            boolean says = blocks != null && !(blocks.size() == 1 && blocks.get(0) instanceof Paragraph paragraph && paragraph.length() == 0);
            return says || shape.isBox() ? blocks : null;
        }
    }

    FloatingShapes(HWPFDocument file, DocReader reader, List<Finding> findings) {
        this.file = file;
        this.reader = reader;
        this.findings = findings;
    }

    /** What is drawn at a place; nothing where it can't be taken over. */
    List<Inline> at(int at, Look look) {
        boolean header = reader.isInHeaders(at);
        if (!header && !reader.isInBody(at)) return List.of();
        try {
            OfficeDrawings all = header ? file.getOfficeDrawingsHeaders() : file.getOfficeDrawingsMain();
            OfficeDrawing drawing = all.getOfficeDrawingAt(header ? at - reader.headersStart() : at);
            if (drawing == null) return List.of();
            Rectangle2D area = new Rectangle2D.Double(drawing.getRectangleLeft() / 20.0, drawing.getRectangleTop() / 20.0,
                    (drawing.getRectangleRight() - drawing.getRectangleLeft()) / 20.0, (drawing.getRectangleBottom() - drawing.getRectangleTop()) / 20.0);
            Drawn drawn = new Drawn(anchors(header).anchor(drawing, header ? at - reader.headersStart() : at, area.getX(), area.getY()), header, look);
            EscherContainerRecord group = group(file.getOfficeArtContent().getSpgrContainers(), drawing.getShapeId());
            if (group != null) drawn.group(group, area, 0);
            else drawn.shape(drawing.getOfficeArtSpContainer(), area, true);
            if (drawn.lacking) findings.add(Finding.lost(Message.of("binary.a-drawn-shape-is-left")));
            return drawn.found;
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(FloatingShapes.class).info("A drawing can't be read", e);
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

    private static Rectangle2D share(EscherContainerRecord shape, EscherSpgrRecord measure, Rectangle2D area) {
        EscherChildAnchorRecord at = shape.getChildById(EscherChildAnchorRecord.RECORD_ID);
        if (at == null || measure == null) return area;
        double across = area.getWidth() / Math.max(1.0, (double) measure.getRectX2() - measure.getRectX1());
        double down = area.getHeight() / Math.max(1.0, (double) measure.getRectY2() - measure.getRectY1());
        return new Rectangle2D.Double(area.getX() + (at.getDx1() - measure.getRectX1()) * across, area.getY() + (at.getDy1() - measure.getRectY1()) * down,
                (at.getDx2() - at.getDx1()) * across, (at.getDy2() - at.getDy1()) * down);
    }

    private Picture picture(OfficeShape shape, Rectangle2D area) {
        byte[] bytes = blip(shape.told().number(BLIP, 0));
        if (bytes == null || bytes.length == 0) return null;
        double[] cut = new double[4];
        for (int i = 0; i < cut.length; i++) cut[i] = shape.told().number(CUT_FROM_TOP + i, 0) / ONE;
        Insets crop = DrawingReading.sane(new Insets(cut[0], cut[3], cut[1], cut[2]));
        return new Picture(new Image(DrawingReading.type(null, bytes), bytes), Math.max(1, area.getWidth()), Math.max(1, area.getHeight()), crop, shape.turn(),
                DrawingReading.blank(shape.told().words(0x0381)));
    }

    /** The picture of a number, from 1: it stands in its entry (2.2.32), or in the stream of the document where that says; null where there is none. */
    private byte[] blip(int number) {
        EscherContainerRecord store = number < 1 ? null : file.getOfficeArtContent().getBStoreContainer();
        if (store == null || number > store.getChildCount()) return null;
        EscherRecord entry = store.getChild(number - 1);
        if (entry instanceof EscherBSERecord told && told.getBlipRecord() != null) entry = told.getBlipRecord();
        else if (entry instanceof EscherBSERecord told) {
            byte[] main = file.getMainStream();
            if (told.getOffset() <= 0 || told.getOffset() >= main.length) return null;
            DefaultEscherRecordFactory kinds = new DefaultEscherRecordFactory();
            EscherRecord there = kinds.createRecord(main, told.getOffset());
            there.fillFields(main, told.getOffset(), kinds);
            entry = there;
        }
        byte[] shown = entry instanceof EscherBlipRecord blip ? blip.getPicturedata() : null;
        return shown == null ? null : PictureFile.withHeader(shown);
    }

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
