package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.TextBox;
import app.decant.font.FontCatalogue;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.layout.Layout;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import app.decant.picture.PictureDecoder;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Groups of drawings and canvases that hold some ([MS-ODRAWXML], wgp and wpc), and groups in the older markup (ISO/IEC 29500-4, 19.1.2.7): two shapes in a
 * frame of 200 by 100 points, a red box at 20, 10 that says "Quay" and, in a group of its own, a blue one at 120, 60.
 */
class DrawingGroupsTest {
    private static final String GROUPS = " xmlns:wpg=\"http://schemas.microsoft.com/office/word/2010/wordprocessingGroup\" "
            + "xmlns:wpc=\"http://schemas.microsoft.com/office/word/2010/wordprocessingCanvas\"";

    private static long emu(double points) { return Math.round(points * 12700); }

    private static String shape(double x, double y, double width, double height, String colour, String words) {
        String text = words == null ? "" : "<wps:txbx><w:txbxContent><w:p><w:r><w:t>" + words + "</w:t></w:r></w:p></w:txbxContent></wps:txbx>";
        return "<wps:wsp><wps:cNvSpPr/><wps:spPr><a:xfrm><a:off x=\"" + emu(x) + "\" y=\"" + emu(y) + "\"/><a:ext cx=\"" + emu(width) + "\" cy=\""
                + emu(height) + "\"/></a:xfrm><a:prstGeom prst=\"rect\"><a:avLst/></a:prstGeom><a:solidFill><a:srgbClr val=\"" + colour
                + "\"/></a:solidFill></wps:spPr>" + text + "<wps:bodyPr lIns=\"0\" tIns=\"0\"/></wps:wsp>";
    }

    private static String frame(double width, double height, double inX, double inY, double inWidth, double inHeight, double x, double y) {
        return "<wpg:cNvGrpSpPr/><wpg:grpSpPr><a:xfrm><a:off x=\"" + emu(x) + "\" y=\"" + emu(y) + "\"/><a:ext cx=\"" + emu(width) + "\" cy=\"" + emu(height)
                + "\"/><a:chOff x=\"" + emu(inX) + "\" y=\"" + emu(inY) + "\"/><a:chExt cx=\"" + emu(inWidth) + "\" cy=\"" + emu(inHeight)
                + "\"/></a:xfrm></wpg:grpSpPr>";
    }

    /** The blue box, which its own group measures in tenths from a corner far away. */
    private static String nested(String element, double scale) {
        return "<wpg:" + element + ">" + frame(60 * scale, 30 * scale, 7, 9, 6, 3, 120 * scale, 60 * scale) + shape(7, 9, 6, 3, "0000AA", null)
                + "</wpg:" + element + ">";
    }

    private static String markup(String kind) {
        return switch (kind) {
            case "canvas" -> drawing("Canvas", "<wpc:wpc" + GROUPS + "><wpc:bg/><wpc:whole/>" + shape(20, 10, 80, 30, "AA0000", "Quay") + nested("wgp", 1)
                    + "</wpc:wpc>", "wpc");
            // Measured in half points.
            case "group" -> drawing("Group", "<wpg:wgp" + GROUPS + ">" + frame(200, 100, 0, 0, 400, 200, 0, 0) + shape(40, 20, 160, 60, "AA0000", "Quay")
                    + nested("grpSp", 2) + "</wpg:wgp>", "wpg");
            default -> "<w:pict><v:group xmlns:v=\"urn:schemas-microsoft-com:vml\" style=\"width:200pt;height:100pt\" coordorigin=\"100,100\" "
                    + "coordsize=\"2000,1000\"><v:rect style=\"position:absolute;left:300;top:200;width:800;height:300\" fillcolor=\"#AA0000\" stroked=\"f\">"
                    + "<v:textbox inset=\"0,0,0,0\"><w:txbxContent><w:p><w:r><w:t>Quay</w:t></w:r></w:p></w:txbxContent></v:textbox></v:rect><v:group "
                    + "style=\"position:absolute;left:1300;top:700;width:600;height:300\" coordorigin=\"7,9\" coordsize=\"6,3\"><v:rect "
                    + "style=\"position:absolute;left:7;top:9;width:6;height:3\" fillcolor=\"#0000AA\" stroked=\"f\"/></v:group></v:group></w:pict>";
        };
    }

    private static String drawing(String kind, String content, String requires) {
        return "<mc:AlternateContent><mc:Choice xmlns:wpg=\"x\" Requires=\"" + requires + "\"><w:drawing><wp:inline><wp:extent cx=\"" + emu(200)
                + "\" cy=\"" + emu(100) + "\"/><wp:docPr id=\"7\" name=\"d\"/><a:graphic><a:graphicData uri=\"http://schemas.microsoft.com/office/word/2010/"
                + "wordprocessing" + kind + "\">" + content + "</a:graphicData></a:graphic></wp:inline></w:drawing></mc:Choice><mc:Fallback><w:pict/>"
                + "</mc:Fallback></mc:AlternateContent>";
    }

    private static byte[] file(String kind) {
        return new DocxParts().bytes("<w:p><w:r><w:t>Words above it.</w:t></w:r></w:p><w:p><w:r><w:t>Before </w:t></w:r><w:r>"
                + markup(kind).replace(" xmlns:wpg=\"x\"", "") + "</w:r></w:p>");
    }

    private static Document read(byte[] file) { return Formats.read(file, "made.docx", null, Progress.SILENT).document(); }

    private static byte[] saved(Document document) { return OoxmlFormat.DOCX.write(document, Instant.EPOCH).bytes(); }

    private static String body(byte[] docx) { return Elements.part(docx, "word/document.xml").markup(); }

    /** The drawing, and its upper left corner on the page. */
    private record Drawn(Picture picture, double x, double y) { }

    private static Drawn drawn(Page page) {
        for (Item item : page.items()) {
            if (item instanceof Item.PictureItem one) return new Drawn(one.picture(), one.x(), one.y());
            if (!(item instanceof Item.LineItem line)) continue;
            for (Piece piece : line.line().pieces())
                if (piece instanceof Piece.PictureBox box)
                    return new Drawn(box.picture(), line.left() + box.x(), line.baseline() - box.picture().height());
        }
        throw new AssertionError("nothing drawn");
    }

    private static List<Item.LineItem> lines(Page page) {
        return page.items().stream().filter(Item.LineItem.class::isInstance).map(Item.LineItem.class::cast).toList();
    }

    private static Item.LineItem says(Page page, String words) { return lines(page).stream().filter(line -> begins(line, words)).findFirst().orElseThrow(); }

    private static boolean begins(Item.LineItem line, String word) {
        return line.line().pieces().stream().anyMatch(piece -> piece instanceof Piece.Glyphs one && one.text().contains(word));
    }

    private static int at(Picture picture, double x, double y) throws IOException {
        BufferedImage pixels = PictureDecoder.decode(picture.image(), 144);
        return pixels.getRGB((int) (2 * x), (int) (2 * y)) & 0xFFFFFF;
    }

    /** Where everything stands, whoever read it. */
    private static void standsRight(Document document, String words) throws IOException {
        Page page = Layout.of(document, FontCatalogue.shipped()).page(0);
        Drawn drawn = drawn(page);
        assertThat(drawn.picture().width()).isEqualTo(200, within(0.1));
        assertThat(drawn.picture().height()).isEqualTo(100, within(0.1));
        assertThat(at(drawn.picture(), 60, 25)).as("the red box").isEqualTo(0xAA0000);
        assertThat(at(drawn.picture(), 150, 75)).as("the blue one").isEqualTo(0x0000AA);
        assertThat(at(drawn.picture(), 115, 75)).as("left of it").isIn(0xFFFFFF, 0);
        assertThat(at(drawn.picture(), 60, 45)).as("below the red one").isIn(0xFFFFFF, 0);
        Item.LineItem line = says(page, words);
        assertThat(line.left() - drawn.x()).as("the words begin with their box").isBetween(19.0, 28.0);
        assertThat(line.baseline() - drawn.y()).as("and stand in it").isBetween(14.0, 40.0);
    }

    @ParameterizedTest
    @ValueSource(strings = {"canvas", "group", "older group"})
    void aGroupInALineIsOneDrawingWithItsWordsOverIt(String kind) throws IOException {
        Document document = read(file(kind));
        standsRight(document, "Quay");
        // Saved as it was, it is what it was.
        byte[] same = saved(document);
        assertThat(body(same)).contains(kind.equals("canvas") ? "<wpc:wpc" : kind.equals("group") ? "<wpg:wgp" : "<v:group").containsOnlyOnce("Quay");
        standsRight(read(same), "Quay");
    }

    @ParameterizedTest
    @ValueSource(strings = {"canvas", "older group"})
    void wordsOfAGroupCanBeChanged(String kind) throws IOException {
        Document document = read(file(kind));
        Paragraph holding = (Paragraph) document.blocks().get(1);
        List<Inline> inlines = holding.inlines().stream().map(inline -> inline instanceof Inline.Floating floating
                && floating.content() instanceof TextBox box ? new Inline.Floating(floating.anchor(), box.withBlocks(List.of(Paragraph.of("Pier"))),
                floating.look()) : inline).toList();
        byte[] changed = saved(document.withSections(List.of(document.sections().get(0).withBlocks(List.of(document.blocks().get(0),
                holding.withInlines(inlines))))));
        assertThat(body(changed)).contains("Pier").doesNotContain("Quay");
        Page page = Layout.of(read(changed), FontCatalogue.shipped()).page(0);
        Drawn drawn = drawn(page);
        assertThat(at(drawn.picture(), 60, 25)).isEqualTo(0xAA0000);
        assertThat(says(page, "Pier").left() - drawn.x()).isBetween(19.0, 28.0);
    }

    @Test void aPictureThatIsNoneLeavesTheRestOfItsGroup() throws IOException {
        String picture = "<pic:pic xmlns:pic=\"http://schemas.openxmlformats.org/drawingml/2006/picture\"><pic:blipFill><a:blip r:embed=\"r1\"/></pic:blipFill>"
                + "<pic:spPr><a:xfrm><a:off x=\"0\" y=\"0\"/><a:ext cx=\"" + emu(20) + "\" cy=\"" + emu(20) + "\"/></a:xfrm></pic:spPr></pic:pic>";
        String markup = markup("canvas").replace("<wpc:whole/>", "<wpc:whole/>" + picture + "<wpg:graphicFrame/>").replace(" xmlns:wpg=\"x\"", "");
        Taken taken = Formats.read(new DocxParts().with("image", "media/image1.png", "no picture at all").bytes("<w:p><w:r>" + markup + "</w:r></w:p>"),
                "made.docx", null, Progress.SILENT);
        standsRight(taken.document(), "Quay");
        assertThat(taken.findings()).anyMatch(finding -> finding.weight() == Finding.Weight.LOST
                && finding.message().toString().contains("its place is left empty"));
        assertThat(taken.findings()).as("what stands in a frame and is no chart").anyMatch(finding -> finding.message().toString().contains("are not shown"));
    }

    /** 20.4.2.3: what stands at the right of its page stands there as a whole, words and all. */
    @Test void anAlignedGroupStaysTogether() throws IOException {
        String inline = markup("group").replace(" xmlns:wpg=\"x\"", "");
        String anchored = inline.replace("<wp:inline>", "<wp:anchor behindDoc=\"0\"><wp:positionH relativeFrom=\"margin\"><wp:align>right</wp:align>"
                + "</wp:positionH><wp:positionV relativeFrom=\"paragraph\"><wp:posOffset>" + emu(40) + "</wp:posOffset></wp:positionV>")
                .replace("<wp:docPr", "<wp:wrapSquare wrapText=\"bothSides\"/><wp:docPr").replace("</wp:inline>", "</wp:anchor>");
        Document document = read(new DocxParts().bytes("<w:p><w:r>" + anchored + "</w:r><w:r><w:t>" + "Words beside it. ".repeat(60) + "</w:t></w:r></w:p>"
                + "<w:sectPr><w:pgSz w:w=\"12240\" w:h=\"15840\"/><w:pgMar w:top=\"1440\" w:right=\"1440\" w:bottom=\"1440\" w:left=\"1440\"/></w:sectPr>"));
        standsRight(document, "Quay");
        byte[] same = saved(document);
        assertThat(body(same)).contains("<wpg:wgp").containsOnlyOnce("Quay");
        standsRight(read(same), "Quay");
        Page page = Layout.of(document, FontCatalogue.shipped()).page(0);
        assertThat(drawn(page).x()).isEqualTo(612 - 72 - 200, within(0.1));
        List<Item.LineItem> beside = lines(page).stream().filter(line -> begins(line, "Words") && line.baseline() > drawn(page).y() + 5
                && line.baseline() < drawn(page).y() + 95).toList();
        assertThat(beside).isNotEmpty().allMatch(line -> line.left() + line.line().width() <= drawn(page).x() + 0.1);
    }
}
