package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Anchor;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.page.Item;
import app.decant.page.Piece;
import app.decant.picture.PictureDecoder;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.xml.XmlNode;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Shapes of drawings and of the older vector markup, on the page and in the file; clauses are those of ISO/IEC 29500-1 and 29500-4. */
class DrawnShapesTest {
    private static final String THEME = "<a:theme xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\"><a:themeElements><a:clrScheme name=\"x\">"
            + slot("dk1", "<a:sysClr val=\"windowText\" lastClr=\"000000\"/>") + slot("lt1", "<a:sysClr val=\"window\" lastClr=\"FFFFFF\"/>")
            + slot("dk2", "<a:srgbClr val=\"44546A\"/>") + slot("accent1", "<a:srgbClr val=\"4472C4\"/>") + "</a:clrScheme></a:themeElements></a:theme>";
    private static final String VML = " xmlns:v=\"urn:schemas-microsoft-com:vml\" xmlns:w10=\"urn:schemas-microsoft-com:office:word\" "
            + "xmlns:o=\"urn:schemas-microsoft-com:office:office\"";

    private static String slot(String name, String colour) { return "<a:" + name + ">" + colour + "</a:" + name + ">"; }

    private static long emu(double points) { return Math.round(points * 12700); }

    /** A shape anchored 100 points right of and 50 below its column and paragraph. */
    private static byte[] file(double width, double height, String frame, String geometry, String paint, String rest) {
        String drawing = "<w:drawing><wp:anchor distT=\"0\" distB=\"0\" distL=\"0\" distR=\"0\" simplePos=\"0\" relativeHeight=\"1\" behindDoc=\"0\" "
                + "locked=\"0\" "
                + "layoutInCell=\"1\" allowOverlap=\"1\"><wp:simplePos x=\"0\" y=\"0\"/><wp:positionH relativeFrom=\"column\"><wp:posOffset>" + emu(100)
                + "</wp:posOffset></wp:positionH><wp:positionV relativeFrom=\"paragraph\"><wp:posOffset>" + emu(50) + "</wp:posOffset></wp:positionV>"
                + "<wp:extent cx=\"" + emu(width) + "\" cy=\"" + emu(height) + "\"/><wp:wrapNone/><wp:docPr id=\"7\" name=\"Shape 7\" descr=\"To the quay\"/>"
                + "<a:graphic><a:graphicData uri=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\"><wps:wsp><wps:cNvSpPr/>"
                + "<wps:spPr><a:xfrm "
                + frame + "><a:off x=\"0\" y=\"0\"/><a:ext cx=\"" + emu(width) + "\" cy=\"" + emu(height) + "\"/></a:xfrm>" + geometry + paint + "</wps:spPr>"
                + rest + "<wps:bodyPr/></wps:wsp></a:graphicData></a:graphic></wp:anchor></w:drawing>";
        return new DocxParts().with("theme", "theme/theme1.xml", THEME).bytes("<w:p><w:r><mc:AlternateContent><mc:Choice Requires=\"wps\">" + drawing
                + "</mc:Choice></mc:AlternateContent></w:r></w:p>");
    }

    private static String preset(String name) { return "<a:prstGeom prst=\"" + name + "\"><a:avLst/></a:prstGeom>"; }

    private static String solid(String colour) { return "<a:solidFill>" + colour + "</a:solidFill>"; }

    private static Taken read(byte[] file) { return Formats.read(file, "made.docx", null, Progress.SILENT); }

    private static List<Inline> inlines(Document document) { return ((Paragraph) document.blocks().get(0)).inlines(); }

    private static Inline.Floating floating(byte[] file) { return (Inline.Floating) inlines(read(file).document()).get(0); }

    /** What is painted at a place, in points from the shape's own upper left corner; null where nothing is. */
    private static Colour at(Inline.Floating floating, double x, double y) throws IOException {
        double left = floating.anchor().horizontal().offset() - 100;
        double top = floating.anchor().vertical().offset() - 50;
        return at((Picture) floating.content(), x - left, y - top);
    }

    private static Colour at(Picture picture, double x, double y) throws IOException {
        BufferedImage pixels = PictureDecoder.decode(picture.image(), 144);
        int argb = pixels.getRGB((int) Math.round(x * 2), (int) Math.round(y * 2));
        return argb >>> 24 < 128 ? null : new Colour(argb & 0xFFFFFF);
    }

    /** 20.1.9.18: an arrow 80 by 40 points points right; its head is as wide as it is high, its shaft half as high. */
    @Test void arrowsPointWhereTheyShould() throws IOException {
        String paint = solid("<a:srgbClr val=\"AA0000\"/>") + "<a:ln><a:noFill/></a:ln>";
        Inline.Floating right = floating(file(80, 40, "", preset("rightArrow"), paint, ""));
        assertThat(at(right, 78, 20)).isEqualTo(Colour.hex("AA0000"));
        assertThat(at(right, 78, 4)).as("beside its tip").isNull();
        assertThat(at(right, 3, 20)).isEqualTo(Colour.hex("AA0000"));
        assertThat(at(right, 3, 4)).as("above its shaft").isNull();
        Inline.Floating mirrored = floating(file(80, 40, "flipH=\"1\"", preset("rightArrow"), paint, ""));
        assertThat(at(mirrored, 78, 4)).isNull();
        assertThat(at(mirrored, 3, 20)).isNotNull();
        assertThat(at(mirrored, 3, 4)).isNull();
        assertThat(at(mirrored, 61, 20)).isNotNull();
        // Turned by a quarter it stands upright round the same middle: 40 wide and 80 high.
        Inline.Floating down = floating(file(80, 40, "rot=\"5400000\"", preset("rightArrow"), paint, ""));
        assertThat(at(down, 40, 58)).isNotNull();
        assertThat(at(down, 40, -18)).isNotNull();
        assertThat(at(down, 24, 58)).isNull();
        assertThat(((Picture) down.content()).height()).isGreaterThan(80);
    }

    /** 20.1.9.8 and 20.1.9.15: outlines told point by point, with guides of their own. */
    @Test void outlinesMayBeToldPointByPoint() throws IOException {
        String triangle = "<a:custGeom><a:avLst/><a:gdLst><a:gd name=\"mid\" fmla=\"*/ w 1 2\"/></a:gdLst><a:pathLst><a:path w=\"200\" h=\"100\"><a:moveTo>"
                + "<a:pt x=\"0\" y=\"100\"/></a:moveTo><a:lnTo><a:pt x=\"100\" y=\"0\"/></a:lnTo><a:lnTo><a:pt x=\"200\" "
                + "y=\"100\"/></a:lnTo><a:close/></a:path>"
                + "<a:path><a:moveTo><a:pt x=\"mid\" y=\"0\"/></a:moveTo><a:lnTo><a:pt x=\"mid\" y=\"h\"/></a:lnTo></a:path></a:pathLst></a:custGeom>";
        Inline.Floating shape = floating(file(60, 30, "", triangle, solid("<a:prstClr val=\"dkGreen\"/>") + "<a:ln w=\"25400\">"
                + solid("<a:srgbClr val=\"0000AA\"/>") + "</a:ln>", ""));
        assertThat(at(shape, 15, 25)).isEqualTo(Colour.hex("006400"));
        assertThat(at(shape, 5, 5)).isNull();
        assertThat(at(shape, 30, 20)).as("the line down its middle").isEqualTo(Colour.hex("0000AA"));
    }

    /** Lines have no height of their own: their ends and heads are seen whole. */
    @Test void linesAndTheirHeadsAreNotCutOff() throws IOException {
        String pen = "<a:ln w=\"50800\">" + solid("<a:srgbClr val=\"222222\"/>") + "<a:prstDash val=\"solid\"/><a:tailEnd type=\"triangle\"/></a:ln>";
        Inline.Floating line = floating(file(90, 0, "", preset("line"), pen, ""));
        assertThat(at(line, 20, 0)).isEqualTo(Colour.hex("222222"));
        assertThat(at(line, 20, 1.5)).as("4 points thick").isNotNull();
        assertThat(at(line, 20, 3)).isNull();
        assertThat(at(line, 80, 4)).as("its head").isNotNull();
        assertThat(at(line, 3, 4)).as("none at its start").isNull();
        Inline.Floating rising = floating(file(90, 60, "flipV=\"1\"", preset("straightConnector1"), pen, ""));
        assertThat(at(rising, 30, 40)).isNotNull();
        assertThat(at(rising, 30, 20)).isNull();
    }

    /** 20.1.2.3: theme colours made lighter and darker; the values are common practice, no source. */
    @ParameterizedTest @CsvSource({"accent1, '', 4472C4", "accent1, <a:lumMod val=\"75000\"/>, 2F5597",
            "accent1, <a:lumMod val=\"40000\"/><a:lumOff val=\"60000\"/>, B4C7E7",
        "tx1, <a:lumMod val=\"50000\"/><a:lumOff val=\"50000\"/>, 7F7F7F", "bg1, <a:lumMod val=\"85000\"/>, D9D9D9", "tx2, '', 44546A",
        "bg1, <a:shade val=\"50%\"/>, 808080", "tx1, <a:tint val=\"75000\"/>, 404040"})
    void themeColoursAreWorkedOut(String slot, String changes, String expected) throws IOException {
        byte[] file = file(40, 40, "", preset("ellipse"), solid("<a:schemeClr val=\"" + slot + "\">" + changes + "</a:schemeClr>")
                + "<a:ln><a:noFill/></a:ln>", "");
        Colour found = at(floating(file), 20, 20);
        Colour wanted = Colour.hex(expected);
        assertThat((double) found.red()).isCloseTo(wanted.red(), within(1.01));
        assertThat((double) found.green()).isCloseTo(wanted.green(), within(1.01));
        assertThat((double) found.blue()).isCloseTo(wanted.blue(), within(1.01));
    }

    /** 20.1.4.2.10, 20.1.4.2.19, 20.1.4.1.17: what a box does not say itself its style says: white letters on the accent's colour. */
    @Test void boxesTakeWhatTheirStyleSays() {
        String style = "<wps:style><a:lnRef idx=\"2\"><a:schemeClr val=\"accent1\"><a:shade val=\"50000\"/></a:schemeClr></a:lnRef><a:fillRef idx=\"1\">"
                + "<a:schemeClr val=\"accent1\"/></a:fillRef><a:fontRef idx=\"minor\"><a:schemeClr val=\"lt1\"/></a:fontRef></wps:style>";
        String text = "<wps:txbx><w:txbxContent><w:p><w:r><w:t>Notice</w:t></w:r><w:r><w:rPr><w:color w:val=\"FFFF00\"/></w:rPr><w:t>!</w:t></w:r></w:p>"
                + "</w:txbxContent></wps:txbx>";
        TextBox box = (TextBox) floating(file(100, 30, "", preset("rect"), "", style + text)).content();
        assertThat(box.fill()).isEqualTo(Colour.hex("4472C4"));
        assertThat(box.border().colour()).isEqualTo(Colour.hex("223962"));
        assertThat(((Paragraph) box.blocks().get(0)).inlines()).extracting(inline -> inline.look().get(TextProperty.COLOUR))
                .containsExactly(Colour.WHITE, Colour.hex("FFFF00"));
        TextBox plain = (TextBox) floating(file(100, 30, "", preset("rect"), "<a:noFill/><a:ln><a:noFill/></a:ln>", style + text)).content();
        assertThat(plain.fill()).isNull();
        assertThat(plain.border()).isNull();
    }

    /** 20.1.8.33, 20.1.8.41 and 20.1.9.22: colours that run into each other behind words, and words within an ellipse; saved as they were, or written in. */
    @Test void wordsStandInShapesOfEveryKind() throws IOException {
        String run = "<a:gradFill><a:gsLst><a:gs pos=\"0\"><a:srgbClr val=\"000000\"/></a:gs><a:gs pos=\"100000\"><a:srgbClr val=\"C80000\"/></a:gs>"
                + "</a:gsLst><a:lin ang=\"%d\"/></a:gradFill><a:ln><a:noFill/></a:ln>";
        String text = "<wps:txbx><w:txbxContent><w:p><w:r><w:t>Notice</w:t></w:r></w:p></w:txbxContent></wps:txbx>";
        byte[] file = file(100, 60, "", preset("ellipse"), run.formatted(0), text);
        Inline.Floating across = floating(file);
        assertThat((double) at(across, 10, 30).red()).as("near its left").isCloseTo(20, within(6.0));
        assertThat((double) at(across, 50, 30).red()).isCloseTo(100, within(6.0));
        assertThat((double) at(across, 90, 30).red()).isCloseTo(180, within(6.0));
        assertThat(at(across, 2, 2)).as("beside the ellipse").isNull();
        Inline.Floating down = floating(file(100, 60, "", preset("rect"), run.formatted(5400000), text));
        assertThat((double) at(down, 10, 54).red()).as("near its foot").isCloseTo(180, within(6.0));
        List<Inline> both = inlines(read(file).document());
        TextBox box = (TextBox) ((Inline.Floating) both.get(1)).content();
        // The widest rectangle in an ellipse, 20.1.10.56.
        assertThat(box.width()).isCloseTo(100 / Math.sqrt(2), within(0.5));
        assertThat(((Inline.Floating) both.get(1)).anchor().horizontal().offset()).isCloseTo(100 + 50 - 50 / Math.sqrt(2), within(0.5));
        Document document = read(file).document();
        String same = Elements.part(OoxmlFormat.DOCX.write(document, Instant.EPOCH).bytes(), "word/document.xml").markup();
        assertThat(same).contains("<a:gradFill>").containsOnlyOnce("Notice");
        Paragraph holding = (Paragraph) document.blocks().get(0);
        Inline.Floating written = (Inline.Floating) both.get(1);
        Document changed = document.withSections(List.of(document.sections().get(0).withBlocks(List.of(holding.withInlines(List.of(both.get(0),
                new Inline.Floating(written.anchor(), box.withBlocks(List.of(Paragraph.of("Closed"))), written.look())))))));
        assertThat(Elements.part(OoxmlFormat.DOCX.write(changed, Instant.EPOCH).bytes(), "word/document.xml").markup()).contains("Closed")
                .doesNotContain("Notice");
    }

    /** 20.1.10.59 and 21.1.2.1.1: text that does not fill its box stands at its top, in the middle or at the bottom, on the page and in what is written. */
    @Test void textStandsWhereItsBoxSays() {
        String text = "<wps:txbx><w:txbxContent><w:p><w:r><w:t>Notice</w:t></w:r></w:p></w:txbxContent></wps:txbx>";
        for (String[] one : new String[][] {{"t", "0"}, {"ctr", "0.5"}, {"b", "1"}}) {
            byte[] file = Elements.with(file(100, 80, "", preset("rect"), "<a:noFill/>", text), "word/document.xml",
                    markup -> markup.replace("<wps:bodyPr/>", "<wps:bodyPr tIns=\"0\" bIns=\"0\" anchor=\"" + one[0] + "\"/>"));
            Document document = read(file).document();
            for (String ending : List.of("docx", "odt")) {
                Document back = Formats.read(Formats.called(ending).write(document, Instant.EPOCH).bytes(), "box." + ending, null, Progress.SILENT).document();
                for (Document any : List.of(document, back)) {
                    Item.LineItem line = Layout.of(any, FontCatalogue.shipped()).page(0).items().stream()
                            .filter(Item.LineItem.class::isInstance).map(Item.LineItem.class::cast).filter(item -> item.line().pieces().stream()
                            .anyMatch(piece -> piece instanceof Piece.Glyphs glyphs && glyphs.text().equals("Notice"))).findFirst()
                            .orElseThrow();
                    double above = line.y() - (any.sections().get(0).page().top() + 50);
                    assertThat(above).as(one[0] + " " + ending).isCloseTo(Double.parseDouble(one[1]) * (80 - line.line().height()), within(0.6));
                }
            }
        }
    }

    /** Saved as .docx a shape is the shape it was; moved, it stands where it was moved to. */
    @Test void shapesStayShapes() {
        byte[] file = file(80, 40, "", preset("rightArrow"), solid("<a:srgbClr val=\"AA0000\"/>"), "");
        Document document = read(file).document();
        XmlNode saved = Elements.part(Formats.called("docx").write(document, Instant.EPOCH).bytes(), "word/document.xml");
        assertThat(saved.find("mc:Choice").get("Requires")).isEqualTo("wps");
        assertThat(saved.find("a:prstGeom").get("prst")).isEqualTo("rightArrow");
        assertThat(saved.find("pic:pic")).isNull();
        Inline.Floating shape = (Inline.Floating) inlines(document).get(0);
        Anchor moved = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, 10), shape.anchor().vertical(), shape.anchor().wrap(),
                shape.anchor().distance(), false);
        Paragraph other = Paragraph.of("").withInlines(List.of(new Inline.Floating(moved, shape.content(), shape.look())));
        Document changed = document.withSections(List.of(document.sections().get(0).withBlocks(List.of(other))));
        XmlNode after = Elements.part(Formats.called("docx").write(changed, Instant.EPOCH).bytes(), "word/document.xml");
        assertThat(after.find("wp:positionH").get("relativeFrom")).isEqualTo("page");
        assertThat(after.find("pic:pic")).isNotNull();
    }

    /** The same file gives the same document, byte by byte, also what is drawn. */
    @Test void theSameShapeIsDrawnAlike() {
        byte[] file = file(80, 40, "", preset("gear6"), solid("<a:srgbClr val=\"AA0000\"/>"), "");
        assertThat(read(file).document()).isEqualTo(read(file).document());
    }

    /** What has no outline, lies, or would be as large as a house, is kept and told, and nothing else happens. */
    @ParameterizedTest @ValueSource(strings = {"<a:prstGeom prst=\"nothing\"/>", "<a:custGeom/>",
            "<a:custGeom><a:pathLst><a:path><a:lnTo><a:pt x=\"nobody\" y=\"1\"/></a:lnTo>"
            + "</a:path></a:pathLst></a:custGeom>",
            "<a:custGeom><a:gdLst><a:gd name=\"g\" fmla=\"*/ w 1 0\"/></a:gdLst><a:pathLst><a:path><a:moveTo><a:pt x=\"g\" y=\"g\"/>"
            + "</a:moveTo><a:lnTo><a:pt x=\"g\" y=\"0\"/></a:lnTo></a:path></a:pathLst></a:custGeom>",
            "<a:custGeom><a:pathLst><a:path w=\"1\" h=\"1\"><a:moveTo>"
            + "<a:pt x=\"0\" y=\"0\"/></a:moveTo><a:lnTo><a:pt x=\"900000000\" y=\"900000000\"/></a:lnTo></a:path></a:pathLst></a:custGeom>", ""})
    void shapesWithoutAnOutlineAreKept(String geometry) {
        Taken taken = read(file(80, 40, "", geometry, solid("<a:srgbClr val=\"AA0000\"/>"), ""));
        assertThat(inlines(taken.document()).get(0)).isInstanceOf(Inline.OpaqueInline.class);
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("drawing"));
    }

    private static byte[] vector(String shapes) { return new DocxParts().bytes("<w:p><w:r><w:pict" + VML + ">" + shapes + "</w:pict></w:r></w:p>"); }

    private static String place(String more) {
        return "style=\"position:absolute;margin-left:100pt;margin-top:50pt;width:80pt;height:40pt;" + more + "\"";
    }

    /** 19.1.2: ovals, boxes with round corners, and shapes by their numbers. */
    @Test void shapesOfTheOlderMarkupAreDrawn() throws IOException {
        Inline.Floating oval = floating(vector("<v:oval " + place("") + " fillcolor=\"#a00\" strokecolor=\"blue [3204]\" strokeweight=\"3pt\"/>"));
        assertThat(at(oval, 40, 20)).isEqualTo(Colour.hex("AA0000"));
        assertThat(at(oval, 0.5, 20)).isEqualTo(Colour.hex("0000FF"));
        assertThat(at(oval, 3, 3)).isNull();
        Inline.Floating arrow = floating(vector("<v:shape type=\"#_x0000_t13\" " + place("rotation:180") + " fillcolor=\"#00aa00\" stroked=\"f\"/>"));
        assertThat(at(arrow, 2, 20)).as("points left").isEqualTo(Colour.hex("00AA00"));
        assertThat(at(arrow, 2, 4)).isNull();
        Inline.Floating round = floating(vector("<v:roundrect arcsize=\"50%\" " + place("") + " filled=\"f\" strokecolor=\"#123456\" strokeweight=\"2pt\"/>"));
        assertThat(at(round, 40, 20)).as("not filled").isNull();
        assertThat(at(round, 40, 0)).isEqualTo(Colour.hex("123456"));
        assertThat(at(round, 1, 1)).as("its corner").isNull();
        Inline.Floating plain = floating(vector("<v:rect " + place("z-index:-1") + "/>"));
        assertThat(at(plain, 40, 20)).as("white where nothing is said").isEqualTo(Colour.WHITE);
        assertThat(plain.anchor().behind()).isTrue();
    }

    /** 19.1.2.12 and 19.1.2.7: lines go from point to point, in the measure of their group. */
    @Test void linesStandInTheirGroups() throws IOException {
        Inline.Floating line = floating(vector("<v:line style=\"position:absolute\" from=\"180pt,50pt\" to=\"100pt,90pt\" strokecolor=\"#aa0000\" "
                + "strokeweight=\"3pt\">"
                + "<v:stroke dashstyle=\"solid\" endarrow=\"block\"/></v:line>"));
        assertThat(at(line, 40, 20)).isEqualTo(Colour.hex("AA0000"));
        assertThat(at(line, 70, 5)).isNotNull();
        assertThat(at(line, 10, 5)).as("it falls to the left").isNull();
        byte[] group = vector("<v:group style=\"position:absolute;margin-left:100pt;margin-top:50pt;width:200pt;height:100pt\" coordsize=\"2000,1000\" "
                + "coordorigin=\"1000,0\"><v:line from=\"1000,500\" to=\"3000,500\" strokecolor=\"#aa0000\" strokeweight=\"2pt\"/><v:oval "
                + "style=\"position:absolute;"
                + "left:1500;top:250;width:1000;height:500\" fillcolor=\"#0000aa\" stroked=\"f\"/></v:group>");
        List<Inline> shapes = inlines(read(group).document());
        assertThat(shapes).hasSize(2);
        Inline.Floating first = (Inline.Floating) shapes.get(0);
        assertThat(at(first, 3, 50)).isEqualTo(Colour.hex("AA0000"));
        assertThat(at(first, 197, 50)).isEqualTo(Colour.hex("AA0000"));
        Inline.Floating second = (Inline.Floating) shapes.get(1);
        assertThat(at(second, 100, 50)).isEqualTo(Colour.hex("0000AA"));
        assertThat(second.anchor().horizontal().offset()).isCloseTo(150, within(1.0));
    }

    /** 19.1.2.23: letters along a path, as watermarks in headers are made: stretched over their box, in the middle of the page. */
    @Test void watermarksAreSeen() throws IOException {
        byte[] file = vector("<v:shapetype id=\"_x0000_t136\" o:spt=\"136\"/><v:shape type=\"#_x0000_t136\" "
                + "style=\"position:absolute;margin-left:0;margin-top:0;"
                + "width:400pt;height:80pt;rotation:315;z-index:-251658752;mso-position-horizontal:center;mso-position-horizontal-relative:margin;"
                + "mso-position-vertical:center;mso-position-vertical-relative:margin\" fillcolor=\"silver\" stroked=\"f\"><v:fill opacity=\".5\"/>"
                + "<v:textpath style=\"font-family:&quot;Calibri&quot;;font-size:1pt\" string=\"DRAFT\"/></v:shape>");
        Inline.Floating mark = floating(file);
        assertThat(mark.anchor().behind()).isTrue();
        assertThat(mark.anchor().horizontal()).isEqualTo(new Anchor.Horizontal(Anchor.Horizontal.From.MARGIN, Alignment.CENTRE, mark.anchor().horizontal()
                .offset()));
        Picture picture = (Picture) mark.content();
        assertThat(picture.description()).isEqualTo("DRAFT");
        // Turned by half a right angle its box is as wide as high.
        assertThat(picture.width()).isCloseTo(picture.height(), within(30.0));
        assertThat(picture.width()).isBetween(300.0, 345.0);
        BufferedImage pixels = PictureDecoder.decode(picture.image(), 72);
        int inked = 0;
        int halfClear = 0;
        for (int y = 0; y < pixels.getHeight(); y++) for (int x = 0; x < pixels.getWidth(); x++) {
            int alpha = pixels.getRGB(x, y) >>> 24;
            if (alpha > 100) inked++;
            if (alpha > 115 && alpha < 140) halfClear++;
        }
        assertThat(inked).isGreaterThan(4000);
        assertThat((double) halfClear / inked).as("half of what is behind is seen through it").isGreaterThan(0.9);
        XmlNode saved = Elements.part(Formats.called("docx").write(read(file).document(), Instant.EPOCH).bytes(), "word/document.xml");
        assertThat(saved.find("v:textpath").get("string")).isEqualTo("DRAFT");
    }

    /** Boxes of the older markup are white with a black frame unless they say otherwise. */
    @Test void boxesOfTheOlderMarkupHaveTheirFrames() {
        String text = "<v:textbox><w:txbxContent><w:p><w:r><w:t>Notice</w:t></w:r></w:p></w:txbxContent></v:textbox>";
        TextBox plain = (TextBox) floating(vector("<v:shape type=\"#_x0000_t202\" " + place("") + ">" + text + "</v:shape>")).content();
        assertThat(plain.fill()).isEqualTo(Colour.WHITE);
        assertThat(plain.border().colour()).isEqualTo(Colour.BLACK);
        TextBox bare = (TextBox) floating(vector("<v:rect filled=\"f\" stroked=\"f\" " + place("") + ">" + text + "</v:rect>")).content();
        assertThat(bare.fill()).isNull();
        assertThat(bare.border()).isNull();
        TextBox dressed = (TextBox) floating(vector("<v:rect fillcolor=\"#4f81bd [3204]\" strokecolor=\"#243f60\" strokeweight=\"2pt\" " + place("") + ">"
                + text
                + "</v:rect>")).content();
        assertThat(dressed.fill()).isEqualTo(Colour.hex("4F81BD"));
        assertThat(dressed.border().width()).isEqualTo(2);
    }

    /** 19.1.2.11: from point to point in a measure of its own, numbers that are left out are nothing, and places may be told from the last one. */
    @Test void pathsOfTheOlderMarkupAreDrawn() throws IOException {
        String look = "fillcolor=\"#aa0000\" stroked=\"f\" coordorigin=\"100,100\" coordsize=\"200,100\" " + place("");
        Inline.Floating corner = floating(vector("<v:shape path=\"m100,100r200,l100,200xe\" " + look + "/>"));
        assertThat(at(corner, 5, 5)).isEqualTo(Colour.hex("AA0000"));
        assertThat(at(corner, 75, 35)).isNull();
        Inline.Floating hole = floating(vector("<v:shape path=\"m100,100l300,100,300,200,100,200xm150,125l250,125,250,175,150,175xe\" " + look + "/>"));
        assertThat(at(hole, 40, 20)).as("what is drawn in it is cut out").isNull();
        assertThat(at(hole, 5, 20)).isEqualTo(Colour.hex("AA0000"));
    }

    /** What has an outline of its own that is not known here is told as lost, if anything of it is seen. */
    @Test void unknownShapesBesideTextsAreTold() {
        String text = "<v:rect " + place("") + "><v:textbox><w:txbxContent><w:p><w:r><w:t>Notice</w:t></w:r></w:p></w:txbxContent></v:textbox></v:rect>";
        Taken told = read(vector("<v:group style=\"position:absolute;width:100pt;height:100pt\">" + text
                + "<v:shape path=\"m0,0wr5,5,9,9,1,1,2,2e\" style=\"width:9;height:9\"/></v:group>"));
        assertThat(told.findings()).extracting(Finding::what).anyMatch(what -> what.contains("hapes"));
        Taken silent = read(vector("<v:group style=\"position:absolute;width:100pt;height:100pt\">" + text
                + "<v:shape path=\"m0,0wr5,5,9,9,1,1,2,2e\" filled=\"f\" stroked=\"f\" style=\"width:9;height:9\"/></v:group>"));
        assertThat(silent.findings()).extracting(Finding::what).noneMatch(what -> what.contains("ines and shapes"));
    }
}
