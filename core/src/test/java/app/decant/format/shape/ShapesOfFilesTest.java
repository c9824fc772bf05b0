package app.decant.format.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.Formats;
import app.decant.format.OpenText;
import app.decant.format.Taken;
import app.decant.format.binary.DocWriter;
import app.decant.picture.PictureDecoder;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.poi.util.LittleEndian;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Drawn shapes of .rtf (RTF 1.9.1, “Drawing Objects”), .doc (MS-ODRAW) and .odt (ISO/IEC 26300-1, 10.3 and 10.6), looked at where they stand. */
class ShapesOfFilesTest {
    private static final String STYLES = "<style:style style:name='g' style:family='graphic'><style:graphic-properties draw:fill='solid' "
            + "draw:fill-color='#aa0000' draw:stroke='none' style:wrap='run-through' style:horizontal-pos='from-left' style:vertical-pos='from-top' "
            + "draw:textarea-vertical-align='middle'/></style:style><style:style style:name='l' style:family='graphic' style:parent-style-name='g'>"
            + "<style:graphic-properties draw:stroke='solid' svg:stroke-width='4pt' svg:stroke-color='#0000aa'/></style:style>";
    private static final Colour RED = Colour.hex("AA0000");

    private static Taken rtf(String shapes) {
        return Formats.read(("{\\rtf1\\ansi\\deff0{\\fonttbl{\\f0 Liberation Serif;}}\\pard Quay " + shapes + "\\par}").getBytes(StandardCharsets.US_ASCII),
                "made.rtf", null, Progress.SILENT);
    }

    private static String shape(String place, String inside) { return "{\\shp{\\*\\shpinst" + place + "\\shpwr3 " + inside + "}}"; }

    private static String told(Object... names) {
        StringBuilder all = new StringBuilder();
        for (int i = 0; i < names.length; i += 2) all.append("{\\sp{\\sn ").append(names[i]).append("}{\\sv ").append(names[i + 1]).append("}}");
        return all.toString();
    }

    private static Taken odt(String body) { return Formats.read(OpenText.file(STYLES, body), "made.odt", null, Progress.SILENT); }

    private static List<Inline.Floating> floating(Document document) {
        List<Inline.Floating> found = new ArrayList<>();
        for (Block block : document.blocks())
            if (block instanceof Paragraph paragraph) for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.Floating one) found.add(one);
        return found;
    }

    private static Inline.Floating only(Taken taken) {
        assertThat(taken.findings()).extracting(Finding::what).noneMatch(what -> what.contains("shape"));
        List<Inline.Floating> found = floating(taken.document());
        assertThat(found).hasSize(1);
        return found.get(0);
    }

    /** What is painted so many points right of and below where all of it is measured from; null where nothing is. */
    private static Colour at(Inline.Floating floating, double x, double y) throws IOException {
        BufferedImage pixels = PictureDecoder.decode(((Picture) floating.content()).image(), 144);
        int column = (int) Math.round((x - floating.anchor().horizontal().offset()) * 2);
        int row = (int) Math.round((y - floating.anchor().vertical().offset()) * 2);
        if (column < 0 || row < 0 || column >= pixels.getWidth() || row >= pixels.getHeight()) return null;
        int argb = pixels.getRGB(column, row);
        return argb >>> 24 < 128 ? null : new Colour(argb & 0xFFFFFF);
    }

    /** MS-ODRAW 2.4.24: 13 is an arrow to the right. The box lies 100 points right, 50 down, and is 80 by 40. */
    @ParameterizedTest @CsvSource({"0, 178, 103", "1, 103, 178"})
    void arrowsPointWhereTheyShould(int mirrored, double tip, double shaft) throws IOException {
        Inline.Floating arrow = only(rtf(shape("\\shpleft2000\\shptop1000\\shpright3600\\shpbottom1800", told("shapeType", 13, "fillColor", 0xAA, "fLine", 0,
                "fFlipH", mirrored))));
        assertThat(at(arrow, tip, 70)).isEqualTo(RED);
        assertThat(at(arrow, tip, 54)).as("beside its tip").isNull();
        assertThat(at(arrow, shaft, 54)).as("beside its shaft").isNull();
        assertThat(at(arrow, shaft, 70)).isEqualTo(RED);
        assertThat(arrow.anchor().wrap()).isEqualTo(Anchor.Wrap.NONE);
    }

    /** 2.3.6: a triangle told point by point, in a measure of its own; a straight line has its width, colour, dashes. */
    @Test void outlinesMayBeToldPointByPoint() throws IOException {
        Inline.Floating triangle = only(rtf(shape("\\shpleft0\\shptop0\\shpright2000\\shpbottom2000", told("shapeType", 0, "geoRight", 200, "geoBottom", 100,
                "pVerticies", "8;3;(0,100);(100,0);(200,100)", "pSegmentInfo", "2;5;16384;1;1;24577;32768", "fillColor", 0xAA, "fLine", 0))));
        assertThat(at(triangle, 50, 90)).isEqualTo(RED);
        assertThat(at(triangle, 10, 30)).isNull();
        Inline.Floating line = only(rtf(shape("\\shpleft0\\shptop400\\shpright2000\\shpbottom400", told("shapeType", 20, "lineColor", 0xAA, "lineWidth", 50800,
                "lineDashing", 6))));
        assertThat(at(line, 8, 20)).isEqualTo(RED);
        assertThat(at(line, 22, 20)).as("between two dashes of sixteen points each").isNull();
        assertThat(at(line, 50, 25)).isNull();
    }

    /** In a group each stands by its share of the group's own measure. */
    @Test void groupsArePlacedByTheirShares() throws IOException {
        String child = told("shapeType", 1, "fillColor", 0xAA, "fLine", 0, "relLeft", 1500, "relTop", 100, "relRight", 2000, "relBottom", 300);
        Taken taken = rtf("{\\shpgrp{\\*\\shpinst\\shpleft2000\\shptop1000\\shpright4000\\shpbottom2000\\shpwr3 " + told("groupLeft", 1000, "groupTop", 100,
                "groupRight", 2000, "groupBottom", 600) + shape("", child) + shape("", told("shapeType", 202, "relLeft", 1000, "relTop", 100, "relRight", 1500,
                "relBottom", 600, "fFilled", 0, "fLine", 0) + "{\\shptxt\\pard Ferry\\par}") + "}}");
        List<Inline.Floating> found = floating(taken.document());
        assertThat(found).hasSize(2);
        assertThat(at(found.get(0), 199, 51)).isEqualTo(RED);
        assertThat(at(found.get(0), 151, 69)).isEqualTo(RED);
        assertThat(at(found.get(0), 149, 60)).isNull();
        assertThat(at(found.get(0), 160, 71)).isNull();
        TextBox box = (TextBox) found.get(1).content();
        assertThat(((Paragraph) box.blocks().get(0)).text()).isEqualTo("Ferry");
        assertThat(box.width()).isEqualTo(50, within(0.1));
        assertThat(box.fill()).isNull();
    }

    /** Words in a drawn shape stand over its outline; words of a plain box have its area and line, in its middle. */
    @Test void wordsStandInTheirShapes() throws IOException {
        String words = "{\\shptxt\\pard Gate 4\\par}";
        List<Inline.Floating> oval = floating(rtf(shape("\\shpleft0\\shptop0\\shpright2000\\shpbottom1000", told("shapeType", 3, "fillColor", 0xAA) + words))
                .document());
        assertThat(oval).hasSize(2);
        assertThat(at(oval.get(0), 50, 25)).isEqualTo(RED);
        assertThat(at(oval.get(0), 3, 3)).isNull();
        assertThat(((TextBox) oval.get(1).content()).fill()).isNull();
        TextBox box = (TextBox) only(rtf(shape("\\shpleft0\\shptop0\\shpright2000\\shpbottom1000", told("shapeType", 1, "fillColor", 0xAA, "anchorText", 1,
                "lineWidth", 25400) + words))).content();
        assertThat(box.fill()).isEqualTo(RED);
        assertThat(box.border().width()).isEqualTo(2);
        assertThat(box.standing()).isEqualTo(VerticalAlignment.CENTRE);
    }

    /** Letters drawn from corner to corner are wider than they are high, however the square round them is told; they are read to who does not see them. */
    @Test void lettersAcrossAPageKeepTheirShape() {
        Picture drawn = (Picture) only(rtf(shape("\\shpleft0\\shptop0\\shpright8000\\shpbottom8000", told("shapeType", 136, "gtextUNICODE", "DRAFT NOTICE",
                "gtextFont", "Liberation Sans", "rotation", -45 * 65536, "fillColor", 0xC0C0C0, "fLine", 0)))).content();
        assertThat(drawn.description()).isEqualTo("DRAFT NOTICE");
        assertThat(drawn.width()).isEqualTo(401, within(3.0));
        assertThat(drawn.height()).isEqualTo(401, within(3.0));
    }

    /** What nobody is to see is not drawn, and nobody is told; what cannot be drawn is told. */
    @ParameterizedTest @CsvSource({"'shapeType;13;fHidden;1', false", "'shapeType;13;fLine;0;fFilled;0', false", "'shapeType;0', true",
        "'shapeType;0;pVerticies;8;2;(0,0);(-2147483648,9)', true"})
    void whatIsLeftOutIsTold(String properties, boolean told) {
        String[] names = properties.split(";", properties.contains("Vert") ? 4 : -1);
        Taken taken = rtf(shape("\\shpleft0\\shptop0\\shpright2000\\shpbottom1000", told((Object[]) names)));
        assertThat(floating(taken.document())).isEmpty();
        assertThat(taken.findings().stream().anyMatch(finding -> finding.weight() == Finding.Weight.LOST)).isEqualTo(told);
    }

    /** A .doc of ours whose floating picture is made another shape, record by record (2.2.40, 2.3.7.2, 2.3.8.1, 2.3.8.38): files of others have such. */
    @Test void shapesOfBinaryFilesAreDrawn() throws IOException {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(4, 4, BufferedImage.TYPE_INT_RGB), "png", png);
        Picture picture = new Picture(new Image("image/png", png.toByteArray()), 80, 40, Insets.NONE, 30, null);
        Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 100),
                new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 50), Anchor.Wrap.NONE, Insets.NONE, false);
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(new Paragraph(null, Look.PLAIN, Look.PLAIN,
                List.of(new Inline.Floating(anchor, picture, Look.PLAIN)))))));
        byte[] file = DocWriter.write(document, Instant.EPOCH, false).bytes();
        int changed = 0;
        for (int i = 0; i + 24 < file.length; i++) {
            // The shape: a picture frame, 75, becomes a diamond, 4; its two properties, a turn and a picture, an area and a line.
            if (LittleEndian.getUShort(file, i) != (75 << 4 | 2) || LittleEndian.getUShort(file, i + 2) != 0xF00A) continue;
            LittleEndian.putShort(file, i, (short) (4 << 4 | 2));
            assertThat(LittleEndian.getUShort(file, i + 18)).as("properties follow").isEqualTo(0xF00B);
            LittleEndian.putShort(file, i + 24, (short) 0x0181);
            LittleEndian.putInt(file, i + 26, 0xAA);
            LittleEndian.putShort(file, i + 30, (short) 0x01FF);
            LittleEndian.putInt(file, i + 32, 0x80000);
            changed++;
        }
        assertThat(changed).isEqualTo(1);
        Inline.Floating diamond = only(Formats.read(file, "made.doc", null, Progress.SILENT));
        assertThat(at(diamond, 140, 70)).isEqualTo(RED);
        assertThat(at(diamond, 105, 55)).isNull();
        assertThat(at(diamond, 103, 70)).isEqualTo(RED);
        assertThat(at(diamond, 140, 48)).isNull();
    }

    /** 19.145: the points of a custom shape come of formulas, what a person adjusted, and its size. */
    @Test void customShapesFollowTheirFormulas() throws IOException {
        Inline.Floating tab = only(odt(custom("draw:modifiers='5000' draw:enhanced-path='M 0 0 L ?f0 0 ?f0 ?f1 right bottom 0 bottom Z N'",
                "<draw:equation draw:name='f0' draw:formula='$0*1'/><draw:equation draw:name='f1' draw:formula='if(?f0-1,max(100,bottom/2),0)'/>")));
        assertThat(at(tab, 120, 55)).as("its upper left quarter").isEqualTo(RED);
        assertThat(at(tab, 175, 55)).as("its upper right quarter").isNull();
        assertThat(at(tab, 160, 85)).isEqualTo(RED);
        Inline.Floating ring = only(odt(custom("draw:enhanced-path='U 5000 5000 5000 5000 0 360 Z U 5000 5000 2500 2500 0 360 Z N'", "")));
        assertThat(at(ring, 140, 70)).as("its hole").isNull();
        assertThat(at(ring, 105, 70)).isEqualTo(RED);
        Inline.Floating moon = only(odt(custom("draw:enhanced-path='W 0 0 10000 10000 5000 0 5000 10000 Z N'", "")));
        assertThat(at(moon, 170, 70)).as("clockwise from its top to its foot").isEqualTo(RED);
        assertThat(at(moon, 110, 70)).isNull();
        Taken worded = odt(custom("draw:enhanced-path='U 5000 5000 5000 5000 0 360 Z N'", "").replace("<text:p/>", "<text:p>Ferry</text:p>"));
        assertThat(worded.findings()).isEmpty();
        assertThat(floating(worded.document())).as("its outline, and its words").hasSize(2);
    }

    private static String custom(String attributes, String equations) {
        return "<text:p>Quay<draw:custom-shape text:anchor-type='paragraph' draw:style-name='g' svg:x='100pt' svg:y='50pt' svg:width='80pt' svg:height='40pt'>"
                + "<text:p/><draw:enhanced-geometry svg:viewBox='0 0 10000 10000' draw:type='x' " + attributes + ">" + equations
                + "</draw:enhanced-geometry></draw:custom-shape></text:p>";
    }

    /** Formulas that lead to themselves, divide by nothing or never end are worth nothing; the rest of the document comes in. */
    @ParameterizedTest @ValueSource(strings = {"?f0", "1/0", "((((", "sqrt(0-1)", "$99999999999", "atan2(", "?none*left", "- - -"})
    void formulasThatMakeNoSenseHarmNothing(String formula) {
        Taken taken = odt(custom("draw:enhanced-path='M 0 0 L ?f0 0 10000 10000 Z N'", "<draw:equation draw:name='f0' draw:formula='" + formula + "'/>"));
        assertThat(((Paragraph) taken.document().blocks().get(0)).text()).startsWith("Quay");
        assertThat(floating(taken.document())).hasSize(1);
    }

    /** 10.3: lines, rows of points, and paths, each in its own measure. */
    @Test void plainShapesAreDrawn() throws IOException {
        String place = "text:anchor-type='paragraph' svg:x='10pt' svg:y='20pt' svg:width='100pt' svg:height='100pt' draw:style-name='g'";
        Inline.Floating polygon = only(odt("<text:p><draw:polygon " + place + " svg:viewBox='0 0 200 200' draw:points='0,0 200,0 0,200'/></text:p>"));
        assertThat(at(polygon, 20, 40)).isEqualTo(RED);
        assertThat(at(polygon, 100, 110)).isNull();
        Inline.Floating path = only(odt("<text:p><draw:path " + place + " svg:viewBox='0 0 20 20' svg:d='M0 10a10 10 0 0 1 20 0z'/></text:p>"));
        assertThat(at(path, 60, 50)).as("the upper half of a disc").isEqualTo(RED);
        assertThat(at(path, 60, 90)).isNull();
        assertThat(at(path, 12, 22)).isNull();
        Inline.Floating line = only(odt("<text:p><draw:line text:anchor-type='paragraph' draw:style-name='l' svg:x1='10pt' svg:y1='60pt' svg:x2='110pt' "
                + "svg:y2='20pt'/></text:p>"));
        assertThat(at(line, 60, 40)).isEqualTo(Colour.hex("0000AA"));
        assertThat(at(line, 20, 30)).isNull();
    }

    /** 19.228: turned against the clock round the corner it is told from, then moved. */
    @Test void shapesAreTurned() throws IOException {
        Inline.Floating turned = only(odt("<text:p><draw:rect text:anchor-type='paragraph' draw:style-name='g' svg:width='100pt' svg:height='20pt' "
                + "draw:transform='rotate (1.5707963) translate (50pt 150pt)'/></text:p>"));
        assertThat(at(turned, 60, 60)).isEqualTo(RED);
        assertThat(at(turned, 60, 140)).isEqualTo(RED);
        assertThat(at(turned, 100, 140)).isNull();
    }

    /** Groups stand as a whole; what belongs to a page hangs from its next paragraph and makes none of its own. */
    @Test void groupsAndThingsOfAPageComeInWhole() {
        String box = "<draw:frame svg:x='30pt' svg:y='5pt' svg:width='60pt' svg:height='20pt'><draw:text-box><text:p>Ferry</text:p></draw:text-box>"
                + "</draw:frame>";
        Taken taken = odt("<draw:rect text:anchor-type='page' text:anchor-page-number='1' draw:style-name='g' svg:x='1pt' svg:y='2pt' svg:width='9pt' "
                + "svg:height='9pt'><text:p>Pier</text:p></draw:rect><text:p>Quay<draw:g text:anchor-type='paragraph' draw:style-name='g'>" + box
                + "<draw:g><draw:ellipse draw:style-name='g' svg:x='3pt' svg:y='4pt' svg:width='9pt' svg:height='9pt'/></draw:g></draw:g></text:p>");
        assertThat(taken.document().blocks()).hasSize(1);
        List<Inline.Floating> found = floating(taken.document());
        assertThat(found).hasSize(3);
        TextBox pier = (TextBox) found.get(0).content();
        assertThat(pier.fill()).isEqualTo(RED);
        assertThat(pier.standing()).isEqualTo(VerticalAlignment.CENTRE);
        assertThat(found.get(0).anchor().horizontal().from()).isEqualTo(Anchor.Horizontal.From.PAGE);
        assertThat(found.get(1).anchor().horizontal().offset()).isEqualTo(30);
        assertThat(((Paragraph) ((TextBox) found.get(1).content()).blocks().get(0)).text()).isEqualTo("Ferry");
        assertThat(found.get(2).anchor().vertical().offset()).isEqualTo(4, within(1.0));
    }

    /**
     * 10.4.6.2: documents inside another one, which stand for themselves where their picture is of a kind that only its maker's programs know: text with
     * the looks and labels it has there, the tables of a first sheet, what is drawn on a first page.
     */
    @Test void documentsInsideAnotherAreSeen() throws IOException {
        String bold = "<style:style style:name='P1' style:family='paragraph'><style:text-properties fo:font-weight='bold'/></style:style>";
        Map<String, String> parts = Map.of("Object 1/content.xml", OpenText.content(bold,
                "<office:text><text:p text:style-name='P1'>Ferry</text:p></office:text>"),
                "Object 2/content.xml", OpenText.content("", "<office:spreadsheet><table:table table:name='Fares'><table:table-row><table:table-cell "
                + "office:value-type='string'><text:p>Adults</text:p></table:table-cell></table:table-row></table:table></office:spreadsheet>"),
                "Object 3/content.xml", OpenText.content(STYLES, "<office:drawing><draw:page><draw:rect draw:style-name='g' svg:x='200pt' svg:y='300pt' "
                + "svg:width='50pt' svg:height='50pt'/><draw:ellipse draw:style-name='g' svg:x='250pt' svg:y='350pt' svg:width='50pt' svg:height='50pt'/>"
                + "</draw:page></office:drawing>"), "Replaced", "VCLMTF and what follows");
        StringBuilder body = new StringBuilder();
        for (int i = 1; i <= 4; i++) body.append("<text:p><draw:frame text:anchor-type='paragraph' draw:style-name='g' svg:x='10pt' svg:y='20pt' "
                + "svg:width='100pt' svg:height='100pt'><draw:object xlink:href='./Object ").append(i).append("'/><draw:image xlink:href='./Replaced'/>"
                + "</draw:frame></text:p>");
        Document document = Formats.read(OpenText.file(STYLES, body.toString(), parts), "made.odt", null, Progress.SILENT).document();
        List<Inline.Floating> found = floating(document);
        Paragraph text = (Paragraph) ((TextBox) found.get(0).content()).blocks().get(0);
        assertThat(text.text()).isEqualTo("Ferry");
        assertThat(text.inlines().get(0).look().is(TextProperty.BOLD)).isTrue();
        Table table = (Table) ((TextBox) found.get(1).content()).blocks().get(0);
        assertThat(((Paragraph) table.rows().get(0).cells().get(0).blocks().get(0)).text()).isEqualTo("Adults");
        assertThat(found.get(3).anchor().horizontal().offset()).as("a square, in the first quarter of the room").isEqualTo(10, within(1.0));
        assertThat(((TextBox) found.get(3).content()).width()).isEqualTo(50, within(1.5));
        assertThat(at(found.get(4), 85, 95)).as("a disc in the last quarter").isEqualTo(RED);
        assertThat(((Picture) found.get(5).content()).image().bytes()).as("where there is no object, the picture as it is").startsWith('V', 'C', 'L');
    }

    /** A picture that is not there, or lies elsewhere, is told as that, once. */
    @ParameterizedTest @CsvSource({"Pictures/none.png, missing", "https://example.org/a.png, outside"})
    void picturesThatAreNotThereAreTold(String leads, String said) {
        Taken taken = odt("<text:p><draw:frame svg:width='9pt' svg:height='9pt'><draw:image xlink:href='" + leads + "'/></draw:frame></text:p>");
        assertThat(taken.findings()).singleElement().satisfies(finding -> assertThat(finding.what()).contains(said));
    }
}
