package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.format.kept.KeptDocument;
import app.decant.format.ooxml.DocxWriter;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.poi.common.usermodel.PictureType;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFRun;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A .docx that is opened and saved says what it said, element by element; clauses are those of ISO/IEC 29500-1. */
class KeptElementsTest {
    private static final Instant WHEN = Instant.parse("2026-03-02T09:30:00Z");

    /** What may be missing after a file was saved: everything else is a loss. */
    private static final Pattern ALLOWED = Pattern.compile(String.join("|",
            // marks of editing sessions and of where pages ended last (17.15.1.72, 17.3.3.13), of spelling, and where the caret stood
            "@w:rsid", "@w14:paraId", "@w14:textId", "w:lastRenderedPageBreak", "w:proofErr", "w:bookmark(Start|End)",
            // words are put into fewer or more runs
            "/w:t(@|$)", "/w:r$", "w:r/w:rPr$",
            // words that mean something to another program (17.5.1.9) are words
            "w:smartTag",
            // drawings say a second time in older markup what they said
            " (v|o|w10):", "mc:Fallback", "w:pict$", "w:txbxContent/",
            // simple fields are written as the others are (17.16.19, 17.16.18)
            "w:fldSimple",
            // columns are told in points, of all cells
            "w:tcPr/w:tcW@", "w:cnfStyle"));

    private static String p(String content) { return "<w:p>" + content + "</w:p>"; }

    private static String cell(String properties, String text) {
        return "<w:tc><w:tcPr>" + properties + "</w:tcPr>" + p("<w:r><w:t>" + text + "</w:t></w:r>") + "</w:tc>";
    }

    private static Document read(byte[] file) { return Formats.read(file, "made.docx", null, Progress.SILENT).document(); }

    private static byte[] saved(byte[] file) { return DocxWriter.write(read(file), WHEN); }

    private static XmlNode element(String markup) {
        String head = "<all xmlns:w=\"" + DocxParts.W + "\" xmlns:w14=\"http://schemas.microsoft.com/office/word/2010/wordml\">";
        return XmlReader.tree((head + markup + "</all>").getBytes(StandardCharsets.UTF_8), "made").children().get(0);
    }

    private static boolean holds(XmlNode within, XmlNode wanted) {
        if (within.equals(wanted)) return true;
        for (XmlNode child : within.children()) if (holds(child, wanted)) return true;
        return false;
    }

    /** Puts each markup into a body, saves that and asks for the very element. */
    private static void assertKept(List<String> all, UnaryOperator<String> body) {
        List<String> lost = new ArrayList<>();
        for (String markup : all) {
            XmlNode after = Elements.part(saved(new DocxParts().bytes(body.apply(markup))), "word/document.xml");
            if (!holds(after, element(markup))) lost.add(markup);
        }
        assertThat(lost).isEmpty();
    }

    /** 17.3.2: every property of a run. */
    @Test void whatRunsSayIsKept() {
        assertKept(List.of("<w:b w:val=\"true\"/>", "<w:bCs/>", "<w:iCs/>", "<w:outline/>", "<w:shadow/>", "<w:emboss/>", "<w:imprint/>", "<w:noProof/>",
                "<w:snapToGrid w:val=\"0\"/>", "<w:webHidden/>", "<w:color w:val=\"1F497D\" w:themeColor=\"text2\" w:themeShade=\"BF\"/>",
                "<w:spacing w:val=\"-7\"/>", "<w:w w:val=\"85\"/>", "<w:kern w:val=\"28\"/>", "<w:position w:val=\"-6\"/>", "<w:sz w:val=\"23\"/>",
                "<w:szCs w:val=\"40\"/>", "<w:highlight w:val=\"darkCyan\"/>", "<w:u w:val=\"wavyDouble\" w:color=\"FF0000\"/>", "<w:u w:val=\"dotDash\"/>",
                "<w:effect w:val=\"shimmer\"/>", "<w:bdr w:val=\"single\" w:sz=\"4\" w:space=\"0\" w:color=\"auto\"/>",
                "<w:shd w:val=\"pct20\" w:color=\"00FF00\" w:fill=\"FFFF00\"/>", "<w:fitText w:val=\"1440\" w:id=\"1\"/>", "<w:vertAlign w:val=\"baseline\"/>",
                "<w:cs/>", "<w:em w:val=\"dot\"/>", "<w:lang w:val=\"en-GB\" w:eastAsia=\"ja-JP\" w:bidi=\"ar-SA\"/>",
                "<w:eastAsianLayout w:id=\"2\" w:combine=\"1\"/>", "<w:specVanish/>", "<w:oMath/>",
                "<w:rFonts w:ascii=\"Carlito\" w:hAnsi=\"Caladea\" w:eastAsia=\"Gothic A\" w:cs=\"Carlito\" w:hint=\"eastAsia\"/>",
                "<w:rFonts w:asciiTheme=\"minorHAnsi\" w:hAnsiTheme=\"minorHAnsi\"/>",
                "<w14:glow w14:rad=\"101600\"><w14:srgbClr w14:val=\"AA0000\"/></w14:glow>", "<w14:ligatures w14:val=\"standardContextual\"/>"),
                markup -> p("<w:r><w:rPr>" + with14(markup) + "</w:rPr><w:t>Ferry</w:t></w:r>"));
    }

    private static String with14(String markup) {
        return markup.startsWith("<w14:") ? markup.replaceFirst("<w14:\\w+", "$0 xmlns:w14=\"http://schemas.microsoft.com/office/word/2010/wordml\"") : markup;
    }

    /** 17.3.1: every property of a paragraph. */
    @Test void whatParagraphsSayIsKept() {
        List<String> said = List.of("<w:framePr w:w=\"2400\" w:hSpace=\"180\" w:wrap=\"around\" w:vAnchor=\"text\" w:hAnchor=\"margin\" w:y=\"5\"/>",
                "<w:suppressLineNumbers/>", "<w:suppressAutoHyphens/>", "<w:kinsoku w:val=\"0\"/>", "<w:wordWrap w:val=\"0\"/>",
                "<w:overflowPunct w:val=\"0\"/>",
                "<w:topLinePunct/>", "<w:autoSpaceDE w:val=\"0\"/>", "<w:autoSpaceDN w:val=\"0\"/>", "<w:adjustRightInd w:val=\"0\"/>",
                "<w:snapToGrid w:val=\"0\"/>", "<w:spacing w:before=\"100\" w:beforeAutospacing=\"1\" w:after=\"100\" w:afterAutospacing=\"1\"/>",
                "<w:spacing w:beforeLines=\"50\" w:before=\"156\"/>", "<w:ind w:firstLineChars=\"200\" w:firstLine=\"420\"/>", "<w:ind w:start=\"720\"/>",
                "<w:mirrorIndents/>", "<w:suppressOverlap/>", "<w:jc w:val=\"distribute\"/>", "<w:jc w:val=\"start\"/>", "<w:textDirection w:val=\"btLr\"/>",
                "<w:textAlignment w:val=\"center\"/>", "<w:textboxTightWrap w:val=\"allLines\"/>", "<w:cnfStyle w:val=\"100000000000\"/>",
                "<w:tabs><w:tab w:val=\"num\" w:pos=\"360\"/><w:tab w:val=\"end\" w:leader=\"heavy\" w:pos=\"9000\"/></w:tabs>",
                "<w:pBdr><w:top w:val=\"wave\" w:sz=\"6\" w:space=\"1\" w:color=\"auto\" w:shadow=\"1\"/><w:bar w:val=\"single\" w:sz=\"4\"/></w:pBdr>",
                "<w:shd w:val=\"diagStripe\" w:color=\"FF0000\" w:fill=\"FFFFFF\"/>");
        assertKept(said, markup -> p("<w:pPr>" + markup + "</w:pPr><w:r><w:t>Ferry</w:t></w:r>"));
        assertKept(List.of("<w:noProof/>", "<w:szCs w:val=\"19\"/>"), markup -> p("<w:pPr><w:rPr>" + markup + "</w:rPr></w:pPr><w:r><w:t>Ferry</w:t></w:r>"));
    }

    /** 17.4: tables, rows and cells. */
    @Test void whatTablesSayIsKept() {
        String grid = "<w:tblGrid><w:gridCol w:w=\"2000\"/><w:gridCol w:w=\"2000\"/></w:tblGrid>";
        assertKept(List.of("<w:tblpPr w:leftFromText=\"180\" w:vertAnchor=\"text\" w:tblpX=\"300\" w:tblpY=\"20\"/>", "<w:tblOverlap w:val=\"never\"/>",
                "<w:bidiVisual/>", "<w:tblStyleRowBandSize w:val=\"2\"/>", "<w:tblW w:w=\"0\" w:type=\"nil\"/>",
                "<w:tblCellSpacing w:w=\"20\" w:type=\"dxa\"/>",
                "<w:tblInd w:w=\"5\" w:type=\"pct\"/>", "<w:tblLayout w:type=\"fixed\"/>", "<w:tblCaption w:val=\"Fares\"/>",
                "<w:tblDescription w:val=\"What a crossing costs\"/>", "<w:tblLook w:val=\"04A0\"/>",
                "<w:tblCellMar><w:left w:w=\"70\" w:type=\"dxa\"/><w:right w:w=\"70\" w:type=\"dxa\"/></w:tblCellMar>"),
                markup -> "<w:tbl><w:tblPr>" + markup + "</w:tblPr>" + grid + "<w:tr>" + cell("", "a") + cell("", "b") + "</w:tr></w:tbl>" + p(""));
        assertKept(List.of("<w:tblCellSpacing w:w=\"20\" w:type=\"dxa\"/>", "<w:jc w:val=\"center\"/>", "<w:hidden/>", "<w:trHeight w:val=\"400\"/>",
                "<w:cantSplit w:val=\"off\"/>"),
                markup -> "<w:tbl><w:tblPr/>" + grid + "<w:tr><w:trPr>" + markup + "</w:trPr>" + cell("", "a") + cell("", "b") + "</w:tr></w:tbl>" + p(""));
        assertKept(List.of("<w:noWrap/>", "<w:textDirection w:val=\"btLr\"/>", "<w:tcFitText/>", "<w:hideMark/>", "<w:vAlign w:val=\"both\"/>",
                "<w:tcBorders><w:tl2br w:val=\"single\" w:sz=\"4\" w:space=\"0\" w:color=\"auto\"/></w:tcBorders>",
                "<w:tcMar><w:start w:w=\"10\" w:type=\"dxa\"/></w:tcMar>"),
                markup -> "<w:tbl><w:tblPr/>" + grid + "<w:tr>" + cell(markup, "a") + cell("", "b") + "</w:tr></w:tbl>" + p(""));
        assertKept(List.of("<w:tblPrEx><w:tblBorders><w:top w:val=\"nil\"/></w:tblBorders></w:tblPrEx>"),
                markup -> "<w:tbl><w:tblPr/>" + grid + "<w:tr>" + markup + cell("", "a") + cell("", "b") + "</w:tr></w:tbl>" + p(""));
    }

    /** 17.6: sections. */
    @Test void whatSectionsSayIsKept() {
        assertKept(List.of("<w:pgSz w:w=\"11906\" w:h=\"16838\" w:code=\"9\"/>", "<w:pgNumType w:start=\"3\" w:chapStyle=\"1\" w:chapSep=\"period\"/>",
                "<w:cols w:space=\"708\"/>", "<w:docGrid w:linePitch=\"360\"/>", "<w:paperSrc w:first=\"15\" w:other=\"15\"/>"),
                markup -> p("<w:r><w:t>Ferry</w:t></w:r>") + "<w:sectPr>" + markup + "</w:sectPr>");
    }

    /** 17.7.4.17 and 17.9.6: styles and levels of lists. */
    @Test void whatStylesAndListsSayIsKept() {
        String styles = "<w:styles xmlns:w=\"" + DocxParts.W + "\"><w:docDefaults/><w:latentStyles w:defLockedState=\"0\" w:count=\"2\"><w:lsdException "
                + "w:name=\"heading 1\" w:qFormat=\"1\"/></w:latentStyles><w:style w:type=\"paragraph\" w:default=\"1\" w:styleId=\"N\"><w:name "
                + "w:val=\"Normal\"/>"
                + "</w:style><w:style w:type=\"paragraph\" w:customStyle=\"1\" w:styleId=\"F\"><w:name w:val=\"Fare\"/><w:aliases w:val=\"Price\"/>"
                + "<w:basedOn w:val=\"N\"/><w:link w:val=\"FChar\"/><w:uiPriority w:val=\"34\"/><w:semiHidden/><w:unhideWhenUsed/><w:locked/>"
                + "<w:rPr><w:noProof/></w:rPr></w:style></w:styles>";
        byte[] after = saved(new DocxParts().with("styles", "styles.xml", styles).bytes(p("<w:r><w:t>Ferry</w:t></w:r>")));
        XmlNode root = Elements.part(after, "word/styles.xml");
        for (String markup : List.of("<w:aliases w:val=\"Price\"/>", "<w:link w:val=\"FChar\"/>", "<w:uiPriority w:val=\"34\"/>", "<w:semiHidden/>",
                "<w:locked/>",
                "<w:unhideWhenUsed/>", "<w:noProof/>", "<w:lsdException w:name=\"heading 1\" w:qFormat=\"1\"/>"))
            assertThat(holds(root, element(markup))).as(markup).isTrue();
        XmlNode fare = root.children("w:style").get(1);
        assertThat(fare.get("w:customStyle")).isEqualTo("1");
        assertThat(fare.child("w:qFormat")).as("it was not among those shown first").isNull();
    }

    /** What was said of a look that is another by now is no longer said; all else still is. */
    @Test void changedLooksLeaveNothingStaleBehind() {
        Document document = read(new DocxParts().bytes(p("<w:r><w:rPr><w:noProof/><w:color w:val=\"1F497D\" w:themeColor=\"text2\"/><w:sz w:val=\"24\"/>"
                + "<w:szCs w:val=\"30\"/><w:u w:val=\"wavyDouble\"/></w:rPr><w:t>Ferry</w:t></w:r>")));
        Paragraph paragraph = (Paragraph) document.blocks().get(0);
        Look look = paragraph.inlines().get(0).look().with(TextProperty.COLOUR, Colour.hex("AA0000")).with(TextProperty.UNDERLINE, Underline.SINGLE);
        XmlNode run = Elements.part(DocxWriter.write(with(document, look), WHEN), "word/document.xml").find("w:rPr");
        assertThat(run.child("w:noProof")).isNotNull();
        assertThat(run.child("w:color")).isEqualTo(element("<w:color w:val=\"AA0000\"/>"));
        assertThat(run.child("w:u")).isEqualTo(element("<w:u w:val=\"single\"/>"));
        assertThat(run.child("w:szCs")).isEqualTo(element("<w:szCs w:val=\"30\"/>"));
        Look larger = look.with(TextProperty.SIZE, 20.0);
        run = Elements.part(DocxWriter.write(with(document, larger), WHEN), "word/document.xml").find("w:rPr");
        assertThat(run.child("w:szCs")).as("letters of all scripts grow").isEqualTo(element("<w:szCs w:val=\"40\"/>"));
    }

    private static Document with(Document document, Look look) {
        Paragraph paragraph = Paragraph.of("").withInlines(List.of(new Inline.Text("Ferry", look)));
        return document.withSections(List.of(document.sections().get(0).withBlocks(List.of(paragraph))));
    }

    /** Size of complex scripts is said only where the file said it, or where somebody here said a size. */
    @Test void nothingIsSaidThatWasNotSaid() {
        XmlNode run = Elements.part(saved(new DocxParts().bytes(p("<w:r><w:rPr><w:sz w:val=\"24\"/><w:shd w:val=\"clear\" w:color=\"auto\" w:fill=\"FFFF00\"/>"
                + "</w:rPr><w:t>Ferry</w:t></w:r>"))), "word/document.xml").find("w:rPr");
        assertThat(run.children()).extracting(XmlNode::name).containsExactly("w:sz", "w:shd");
    }

    /** 20.4 and 20.2: a picture's frame and effects stay while it stands as it did. */
    @Test void drawingsKeepTheirFramesUntilTheyAreChanged() throws IOException {
        byte[] file = withPicture();
        XmlNode drawing = Elements.part(saved(file), "word/document.xml").find("w:drawing");
        assertThat(drawing.find("a:ln")).isNotNull();
        assertThat(drawing.find("wp:effectExtent").get("r")).isEqualTo("19050");
        assertThat(drawing.find("a:hlinkClick")).as("leads to a part that did not come along").isNull();
        try (XWPFDocument poi = new XWPFDocument(new ByteArrayInputStream(saved(file)))) {
            assertThat(poi.getAllPictures()).hasSize(1);
            assertThat(poi.getParagraphs().get(0).getRuns().get(0).getEmbeddedPictures().get(0).getPictureData().getData())
                    .isEqualTo(PIXEL);
        }
        Document document = read(file);
        Inline.InlinePicture placed = (Inline.InlinePicture) ((Paragraph) document.blocks().get(0)).inlines().stream()
                .filter(Inline.InlinePicture.class::isInstance).findFirst().orElseThrow();
        Inline described = new Inline.InlinePicture(placed.picture().described("The harbour"), placed.look());
        Paragraph changed = Paragraph.of("").withInlines(List.of(described));
        Document other = document.withSections(List.of(document.sections().get(0).withBlocks(List.of(changed))));
        XmlNode after = Elements.part(DocxWriter.write(other, WHEN), "word/document.xml").find("w:drawing");
        assertThat(after.find("wp:docPr").get("descr")).isEqualTo("The harbour");
    }

    private static final byte[] PIXEL = HexFormat.of().parseHex("89504e470d0a1a0a0000000d4948445200000001000000010802000000907753de"
            + "0000000c4944415408d763f8ffff3f0005fe02fedccc59e70000000049454e44ae426082");

    private static byte[] withPicture() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (XWPFDocument poi = new XWPFDocument()) {
            XWPFRun run = poi.createParagraph().createRun();
            run.addPicture(new ByteArrayInputStream(PIXEL), PictureType.PNG, "a.png", 360000, 360000);
            poi.write(out);
        } catch (InvalidFormatException e) {
            throw new IOException(e);
        }
        return Elements.with(out.toByteArray(), "word/document.xml", markup -> markup
                .replaceFirst("(<wp:extent[^>]*?)(/>|></wp:extent>)", "$1/><wp:effectExtent l=\"0\" t=\"0\" r=\"19050\" b=\"0\"/>")
                .replaceFirst("(</a:prstGeom>|<a:prstGeom[^>]*/>)", "$1<a:ln w=\"12700\"><a:solidFill><a:srgbClr val=\"AA0000\"/></a:solidFill></a:ln>"));
    }

    /** Working copies hold what was kept, and give the same file. */
    @Test void workingCopiesKeepItToo() throws IOException {
        Document document = read(new DocxParts()
                .bytes(p("<w:pPr><w:kinsoku w:val=\"0\"/></w:pPr><w:r><w:rPr><w:em w:val=\"dot\"/></w:rPr><w:t>Ferry</w:t></w:r>")
                + "<w:tbl><w:tblPr><w:tblCaption w:val=\"Fares\"/></w:tblPr><w:tr><w:trPr><w:hidden/></w:trPr>" + cell("<w:noWrap/>", "a") + "</w:tr></w:tbl>"
                + p("<w:r><w:ptab w:relativeTo=\"margin\" w:alignment=\"right\" w:leader=\"dot\"/></w:r>")));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        KeptDocument.write(document, out);
        Document again = KeptDocument.read(out.toByteArray(), Progress.SILENT).document();
        assertThat(again).isEqualTo(document);
        Table table = (Table) again.blocks().stream().filter(Table.class::isInstance).findFirst().orElseThrow();
        assertThat(table.look().get(Markup.TABLE).pieces()).extracting(Markup.Piece::name).contains("w:tblCaption");
        assertThat(DocxWriter.write(again, WHEN)).isEqualTo(DocxWriter.write(document, WHEN));
    }

    /** Nothing of it goes to formats it does not come from, nor into another document. */
    @Test void otherFormatsNeverSeeIt() {
        String space = " xmlns:w=\"" + DocxParts.W + "\"";
        String styles = "<w:styles" + space + "><w:style w:type=\"table\" w:styleId=\"T\"><w:name w:val=\"T\"/><w:uiPriority w:val=\"39\"/><w:tblStylePr "
                + "w:type=\"firstRow\"><w:rPr><w:webHidden/></w:rPr></w:tblStylePr></w:style></w:styles>";
        String numbering = "<w:numbering" + space
                + "><w:abstractNum w:abstractNumId=\"0\"><w:lvl w:ilvl=\"0\"><w:lvlText w:val=\"%1.\"/><w:rPr><w:imprint/></w:rPr>"
                + "</w:lvl></w:abstractNum><w:num w:numId=\"1\"><w:abstractNumId w:val=\"0\"/></w:num></w:numbering>";
        Document document = read(new DocxParts().with("styles", "styles.xml", styles).with("numbering", "numbering.xml", numbering)
                .bytes(p("<w:pPr><w:kinsoku w:val=\"0\"/></w:pPr><w:r><w:rPr><w:em w:val=\"dot\"/></w:rPr><w:t>Ferry</w:t></w:r>")
                + "<w:tbl><w:tblPr><w:tblCaption w:val=\"Fares\"/></w:tblPr><w:tr><w:trPr><w:hidden/></w:trPr>" + cell("<w:noWrap/>", "a") + "</w:tr></w:tbl>"
                + p("")));
        Document foreign = ForeignDocument.of(document);
        assertThat(foreign.toString()).doesNotContain("kinsoku").doesNotContain("w:em").doesNotContain("tblCaption").doesNotContain("noWrap")
                .doesNotContain("w:hidden").doesNotContain("uiPriority").doesNotContain("webHidden").doesNotContain("imprint");
        assertThat(document.toString()).contains("uiPriority", "webHidden", "imprint");
        assertThat(foreign.blocks()).extracting(KeptElementsTest::words).containsExactlyElementsOf(document.blocks().stream().map(KeptElementsTest::words)
                .toList());
        Document plain = read(new DocxParts().bytes(p("<w:r><w:t>Ferry</w:t></w:r>")));
        assertThat(ForeignDocument.of(plain).blocks().get(0)).isSameAs(plain.blocks().get(0));
    }

    private static String words(Block block) { return block instanceof Paragraph paragraph ? paragraph.text() : block.getClass().getSimpleName(); }

    /** Real files (see real/LICENCE.txt), and a folder of others where {@code -Ddecant.docx=FOLDER} names one. */
    @ParameterizedTest @ValueSource(strings = {"docx-01.docx", "docx-03.docx", "docx-04.docx", "docx-06.docx", "docx-08.docx"})
    void realFilesLoseNoElement(String name) throws IOException {
        byte[] file = KeptElementsTest.class.getResourceAsStream("/app/decant/real/" + name).readAllBytes();
        assertThat(Elements.lost(Elements.of(file), Elements.of(saved(file)), ALLOWED)).isEmpty();
    }

    @Test void filesOfAFolderLoseNoElement() throws IOException {
        String folder = System.getProperty("decant.docx");
        if (folder == null) return;
        List<String> lost = new ArrayList<>();
        try (Stream<Path> files = Files.list(Path.of(folder))) {
            for (Path one : files.filter(path -> path.toString().endsWith(".docx")).sorted().toList()) {
                byte[] file = Files.readAllBytes(one);
                try {
                    Elements.lost(Elements.of(file), Elements.of(saved(file)), ALLOWED).forEach(loss -> lost.add(one.getFileName() + ": " + loss));
                } catch (DecantException e) {
                    System.out.println(one.getFileName() + ": " + e.getMessage());
                }
            }
        }
        assertThat(lost).isEmpty();
    }
}
