package app.decant.format.sheet;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.ShapeGeometry;
import app.decant.sheet.SheetObject;
import java.awt.geom.AffineTransform;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.apache.poi.hssf.usermodel.HSSFAnchor;
import org.apache.poi.hssf.usermodel.HSSFChildAnchor;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFFont;
import org.apache.poi.hssf.usermodel.HSSFPalette;
import org.apache.poi.hssf.usermodel.HSSFPatriarch;
import org.apache.poi.hssf.usermodel.HSSFRichTextString;
import org.apache.poi.hssf.usermodel.HSSFShape;
import org.apache.poi.hssf.usermodel.HSSFShapeGroup;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFSimpleShape;
import org.apache.poi.hssf.usermodel.HSSFTextbox;
import org.apache.poi.hssf.util.HSSFColor;
import org.apache.poi.sl.usermodel.ShapeType;
import org.slf4j.LoggerFactory;

/** Shapes over the cells of a .xls with their words ([MS-ODRAW], 2.2.40, [MS-XLS], 2.4.329), and groups of these. */
final class XlsShapes {
    private static final double POINT = 12700;
    private static final double USUAL_LINE = 0.75;
    /** A colour that is told by its number (2.2.2). */
    private static final int BY_NUMBER = 0x08000000;
    /** Colours of the system: of letters and lines, and what is behind them. */
    private static final List<Integer> FRONT = List.of(64, 77, 81);
    private static final List<Integer> BACK = List.of(65, 78, 80);
    private static final int BUTTON = 67;
    private static final double USUAL_SIGN = 9;
    private static final Insets USUAL_PADDING = new Insets(3.6, 7.2, 3.6, 7.2);

    private final HSSFSheet sheet;
    private final HSSFPalette palette;
    private final Function<HSSFFont, Look> letters;
    private final XlsObjectRecords records;

    XlsShapes(HSSFSheet sheet, HSSFPalette palette, Function<HSSFFont, Look> letters, XlsObjectRecords records) {
        this.sheet = sheet;
        this.palette = palette;
        this.letters = letters;
        this.records = records;
    }

    /**
     * What is drawn over a sheet.
     *
     * @param lost told where its records are not as they should be: then nothing is known of any of it
     */
    static List<HSSFShape> over(HSSFSheet sheet, Runnable lost) {
        try {
            HSSFPatriarch over = sheet.getDrawingPatriarch();
            return over == null ? List.of() : over.getChildren();
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsShapes.class).info("What is drawn over a sheet can't be read", e);
            lost.run();
            return List.of();
        }
    }

    /** Whether it is the frame of something else, without words, as charts have one. */
    static boolean isChart(HSSFShape shape) {
        return shape instanceof HSSFSimpleShape simple && ShapeType.forId(simple.getShapeType(), false) == ShapeType.HOST_CONTROL && text(simple) == null;
    }

    /** What is seen of a shape, of a group of each in it; nothing where that is not known. */
    List<SheetObject> read(HSSFShape shape) {
        XlsPlace place = shape.getAnchor() instanceof HSSFClientAnchor anchor ? XlsPlace.of(sheet, anchor) : null;
        List<SheetObject> objects = new ArrayList<>();
        if (place != null) add(shape, place, objects);
        return objects;
    }

    private void add(HSSFShape shape, XlsPlace place, List<SheetObject> objects) {
        if (shape instanceof HSSFShapeGroup group) {
            double wide = group.getX2() - group.getX1();
            double high = group.getY2() - group.getY1();
            for (HSSFShape one : group.getChildren()) {
                if (!(one.getAnchor() instanceof HSSFChildAnchor anchor) || wide <= 0 || high <= 0) continue;
                double across = place.width() / wide;
                double down = place.height() / high;
                add(one, place.within((Math.min(anchor.getDx1(), anchor.getDx2()) - group.getX1()) * across,
                        (Math.min(anchor.getDy1(), anchor.getDy2()) - group.getY1()) * down, Math.abs(anchor.getDx2() - anchor.getDx1()) * across,
                        Math.abs(anchor.getDy2() - anchor.getDy1()) * down), objects);
            }
        } else if (shape instanceof HSSFSimpleShape simple) {
            SheetObject made = simple(simple, place);
            if (made != null) objects.add(made);
        }
    }

    private SheetObject simple(HSSFSimpleShape shape, XlsPlace place) {
        String sign = records.sign(shape);
        List<Block> words = sign == null ? words(shape) : signed(words(shape), sign);
        ShapeType type = ShapeType.forId(shape.getShapeType(), false);
        boolean control = type == ShapeType.HOST_CONTROL;
        if (control && words.isEmpty()) return null;
        boolean box = shape instanceof HSSFTextbox || control || type == ShapeType.RECT;
        Colour fill = shape.isNoFill() ? null : colour(shape.getFillColor(), Colour.WHITE);
        Border border = Border.single(shape.getLineWidth() >= POINT / 8 ? shape.getLineWidth() / POINT : USUAL_LINE,
                colour(shape.getLineStyleColor(), Colour.BLACK));
        DrawnShape.Made outline = null;
        if (!box && type != null) {
            DrawnShape.Ink ink = new DrawnShape.Ink(fill, 1, new DrawnShape.Pen(border.width(), border.colour(), List.of(), DrawnShape.Head.NONE,
                    DrawnShape.Head.NONE));
            outline = DrawnShape.draw(ShapeGeometry.numbered(shape.getShapeType(), place.width(), place.height()), ink, turning(shape, place), null);
        }
        if (outline == null && !box && words.isEmpty()) return null;
        boolean framed = box && sign == null;
        TextBox told = box || !words.isEmpty() ? new TextBox(words, place.width(), place.height(), false, padding(shape),
                framed && records.isLined(shape) ? border : null, framed ? fill : null, standing(shape)) : null;
        return new SheetObject(SheetObject.Kind.SHAPE, place.cells(), place.left(), place.top(), place.right(), place.bottom(),
                outline == null ? null : outline.picture(), new SheetObject.Shape(told, place.width(), place.height(), outline == null ? 0 : outline.x(),
                outline == null ? 0 : outline.y()), null);
    }

    /** A sign before what is said, as that looks. */
    static List<Block> signed(List<Block> words, String sign) {
        List<Block> signed = new ArrayList<>();
        for (Block line : words.isEmpty() ? List.of(Paragraph.of("")) : words)
            signed.add(((Paragraph) line).withLook(((Paragraph) line).look().with(ParagraphProperty.ALIGNMENT, Alignment.START)));
        Paragraph first = (Paragraph) signed.get(0);
        Look look = first.inlines().isEmpty() ? Look.of(TextProperty.SIZE, USUAL_SIGN) : first.inlines().get(0).look();
        List<Inline> inlines = new ArrayList<>(List.of(new Inline.Text(first.length() == 0 ? sign : sign + " ", look)));
        inlines.addAll(first.inlines());
        signed.set(0, first.withInlines(inlines));
        return signed;
    }

    private static AffineTransform turning(HSSFSimpleShape shape, XlsPlace place) {
        HSSFAnchor anchor = shape.getAnchor();
        AffineTransform turned = AffineTransform.getTranslateInstance(place.width() / 2, place.height() / 2);
        turned.rotate(Math.toRadians(shape.getRotationDegree()));
        turned.scale(anchor.isHorizontallyFlipped() ? -1 : 1, anchor.isVerticallyFlipped() ? -1 : 1);
        turned.translate(-place.width() / 2, -place.height() / 2);
        return turned;
    }

    private static Insets padding(HSSFSimpleShape shape) {
        Insets told = !(shape instanceof HSSFTextbox box) ? Insets.NONE
                : new Insets(box.getMarginTop() / POINT, box.getMarginRight() / POINT, box.getMarginBottom() / POINT, box.getMarginLeft() / POINT);
        // The library tells what is not said as nothing (2.3.21.1 has what it is then).
        return told.equals(Insets.NONE) ? USUAL_PADDING : told;
    }

    private static VerticalAlignment standing(HSSFSimpleShape shape) {
        if (!(shape instanceof HSSFTextbox box)) return VerticalAlignment.CENTRE;
        // Some programs write boxes that have no record of text at all.
        if (text(shape) == null) return VerticalAlignment.TOP;
        return switch (box.getVerticalAlignment()) {
            case HSSFTextbox.VERTICAL_ALIGNMENT_CENTER -> VerticalAlignment.CENTRE;
            case HSSFTextbox.VERTICAL_ALIGNMENT_BOTTOM -> VerticalAlignment.BOTTOM;
            default -> VerticalAlignment.TOP;
        };
    }

    private Colour colour(int told, Colour otherwise) {
        if ((told & 0xFF000000) != BY_NUMBER) return new Colour((told & 0xFF) << 16 | told & 0xFF00 | told >> 16 & 0xFF);
        int number = told & 0xFF;
        if (number == BUTTON) return new Colour(0xE4E4E4);
        HSSFColor colour = FRONT.contains(number) || BACK.contains(number) ? null : palette.getColor(number);
        if (colour == null) return FRONT.contains(number) ? Colour.BLACK : BACK.contains(number) ? Colour.WHITE : otherwise;
        short[] rgb = colour.getTriplet();
        return new Colour(rgb[0] << 16 | rgb[1] << 8 | rgb[2]);
    }

    private List<Block> words(HSSFSimpleShape shape) {
        HSSFRichTextString text = text(shape);
        List<Block> blocks = new ArrayList<>();
        if (text == null || text.getString().isBlank()) return blocks;
        Alignment alignment = !(shape instanceof HSSFTextbox box) ? Alignment.CENTRE : switch (box.getHorizontalAlignment()) {
            case HSSFTextbox.HORIZONTAL_ALIGNMENT_CENTERED -> Alignment.CENTRE;
            case HSSFTextbox.HORIZONTAL_ALIGNMENT_RIGHT -> Alignment.END;
            case HSSFTextbox.HORIZONTAL_ALIGNMENT_JUSTIFIED -> Alignment.JUSTIFY;
            default -> Alignment.START;
        };
        String words = text.getString();
        int at = 0;
        for (String line : words.split("\n", -1)) {
            List<Inline> inlines = new ArrayList<>();
            for (int i = 0; i < line.length(); ) {
                Look look = look(text, at + i);
                int end = i + 1;
                while (end < line.length() && look(text, at + end).equals(look)) end++;
                inlines.add(new Inline.Text(line.substring(i, end), look));
                i = end;
            }
            blocks.add(new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, alignment), inlines.isEmpty() ? look(text, at) : inlines.get(0).look(),
                    inlines));
            at += line.length() + 1;
        }
        // Most end with a line that nobody sees.
        while (blocks.size() > 1 && ((Paragraph) blocks.get(blocks.size() - 1)).length() == 0) blocks.remove(blocks.size() - 1);
        return blocks;
    }

    private Look look(HSSFRichTextString text, int at) {
        short font = 0;
        for (int run = 0; run < text.numFormattingRuns() && text.getIndexOfFormattingRun(run) <= at; run++) font = text.getFontOfFormattingRun(run);
        return letters.apply(sheet.getWorkbook().getFontAt(Math.max(0, Math.min(font, sheet.getWorkbook().getNumberOfFonts()))));
    }

    /** The library has no way to ask a shape whether it says anything. */
    private static HSSFRichTextString text(HSSFSimpleShape shape) {
        try {
            return shape.getString();
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsShapes.class).debug("A shape has no words", e);
            return null;
        }
    }

    /** Letters of one look, from one to before another. */
    private record Run(int from, int to, Look look) { }

    /** Puts the words of a shape into a sheet, in their box. */
    static void write(HSSFSheet sheet, HSSFClientAnchor anchor, TextBox box, Function<Look, HSSFFont> fonts) {
        HSSFPatriarch over = sheet.getDrawingPatriarch() == null ? sheet.createDrawingPatriarch() : sheet.getDrawingPatriarch();
        HSSFTextbox made = over.createTextbox(anchor);
        StringBuilder words = new StringBuilder();
        List<Run> runs = new ArrayList<>();
        for (Block block : box.blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            if (!words.isEmpty()) words.append('\n');
            for (Inline inline : paragraph.inlines()) {
                if (!(inline instanceof Inline.Text run)) continue;
                runs.add(new Run(words.length(), words.length() + run.text().length(), run.look()));
                words.append(run.text().replace(Inline.LINE_BREAK, '\n'));
            }
        }
        HSSFRichTextString text = new HSSFRichTextString(words.toString());
        for (Run run : runs) text.applyFont(run.from, run.to, fonts.apply(run.look));
        made.setString(text);
        Alignment alignment = box.blocks().stream().filter(block -> block instanceof Paragraph).map(block -> ((Paragraph) block).look()
                .get(ParagraphProperty.ALIGNMENT, Alignment.START)).findFirst().orElse(Alignment.START);
        made.setHorizontalAlignment(switch (alignment) {
            case START -> HSSFTextbox.HORIZONTAL_ALIGNMENT_LEFT;
            case CENTRE -> HSSFTextbox.HORIZONTAL_ALIGNMENT_CENTERED;
            case END -> HSSFTextbox.HORIZONTAL_ALIGNMENT_RIGHT;
            case JUSTIFY -> HSSFTextbox.HORIZONTAL_ALIGNMENT_JUSTIFIED;
        });
        made.setVerticalAlignment(switch (box.standing()) {
            case TOP -> HSSFTextbox.VERTICAL_ALIGNMENT_TOP;
            case CENTRE -> HSSFTextbox.VERTICAL_ALIGNMENT_CENTER;
            case BOTTOM -> HSSFTextbox.VERTICAL_ALIGNMENT_BOTTOM;
        });
        if (box.fill() == null) made.setNoFill(true);
        else made.setFillColor(box.fill().red(), box.fill().green(), box.fill().blue());
        if (box.border() == null || !box.border().isVisible()) made.setLineStyle(HSSFShape.LINESTYLE_NONE);
        else {
            Colour line = box.border().colour().isAutomatic() ? Colour.BLACK : box.border().colour();
            made.setLineStyle(HSSFShape.LINESTYLE_SOLID);
            made.setLineStyleColor(line.red(), line.green(), line.blue());
            made.setLineWidth((int) Math.round(box.border().width() * POINT));
        }
    }
}
