package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Property;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.edit.Search;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.recover.line.OpticalReader;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;

/** One thing of a page at a time. The PDFs are drawn through PDFBox; what they must become is plain from how they look. */
class RecoveryTest {
    private static final String BODY = "LiberationSerif-Regular";

    private static List<Paragraph> paragraphs(Document document) {
        List<Paragraph> found = new ArrayList<>();
        for (Block block : document.blocks()) if (block instanceof Paragraph paragraph && !paragraph.plainText().isBlank()) found.add(paragraph);
        return found;
    }

    private static List<String> texts(Document document) { return paragraphs(document).stream().map(Paragraph::plainText).toList(); }

    /** What is said of the first run that holds a text. */
    private static <T> T of(Document document, String text, Property<T> property) {
        Cascade cascade = Cascade.of(document);
        for (Paragraph paragraph : paragraphs(document)) {
            for (Inline inline : paragraph.inlines())
                if (inline instanceof Inline.Text run && run.text().contains(text)) return cascade.text(paragraph, run.look()).get(property);
        }
        throw new AssertionError("No run holds " + text);
    }

    @Test void joinsWordsThatALineEndBrokeAndKeepsCompounds() {
        try (PdfSketch sketch = new PdfSketch()) {
            Document document = sketch.lines(72, 100, "The passengers wait at the pier until the com-",
                    "pany opens the gate; a well-known rule of the ship-", "ping office, and the well-", "known rule is kept by all the passen-",
                    "gers who come on board before the whistle blows.").document();
            assertThat(texts(document)).hasSize(1);
            assertThat(texts(document).get(0).replace("\u00AD", "").replace('\u00A0', ' ')).contains("until the company opens", "shipping office",
                    "well-known rule is kept", "passengers who come");
        }
    }

    @Test void wordsThatWereBrokenAreFoundAsWholes() {
        try (PdfSketch sketch = new PdfSketch()) {
            Document document = sketch.lines(72, 100, "The passengers wait at the pier until the whole com-",
                    "pany has come on board and the ramp is up again.").document();
            assertThat(Search.all(document, "company has", false)).hasSize(1);
        }
    }

    @Test void takesLigaturesApart() {
        try (PdfSketch sketch = new PdfSketch()) {
            assertThat(texts(sketch.text(72, 100, "The of\uFB01ce \uFB02oats.").document())).containsExactly("The office floats.");
        }
    }

    @Test void readsTheTextThatSignsStandFor() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "Before");
            COSDictionary properties = new COSDictionary();
            // What is no character could be kept by no other format, and refused the whole file.
            properties.setString(COSName.ACTUAL_TEXT, "fe\u0007rry\uFFFE");
            sketch.page.setResources(sketch.page.getResources());
            COSName name = sketch.page.getResources().add(PDPropertyList.create(properties));
            sketch.out.beginMarkedContent(COSName.getPDFName("Span"),
                    PDPropertyList.create(properties));
            sketch.text(72, 130, "xxxxx");
            sketch.out.endMarkedContent();
            assertThat(name).isNotNull();
            assertThat(texts(sketch.document())).containsExactly("Before", "ferry");
        }
    }

    @Test void turnsPagesThatLieOnTheirSide() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.page.setRotation(90);
            sketch.out.transform(new Matrix(0, 1, -1, 0, 595, 0));
            for (int i = 0; i < 4; i++) sketch.text(72, 400 + 14 * i, "Line " + i + " of a page that is turned for reading on a screen");
            Document document = sketch.document();
            assertThat(document.sections().get(0).page().isLandscape()).isTrue();
            assertThat(texts(document).get(0)).startsWith("Line 0 of a page");
        }
    }

    @Test void keepsColoursWeightsScriptsAndLines() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "Water boils at 100 degrees; H").text(214.5, 103, 7, BODY, "2").text(218.5, 100, "O is water, and it is so here.");
            sketch.text(72, 130, "This is underlined text.").line(72, 132, 100, 132);
            sketch.text(72, 160, "This is struck out text.").line(72, 157, 100, 157);
            sketch.area(72, 182, 30, 11, 0xFFFF00).text(72, 190, "This is marked text.");
            sketch.out.setNonStrokingColor(new Color(0x993300));
            sketch.text(72, 220, 11, "LiberationSerif-Bold", "All of this is bold and brown, and it goes on to the end of the line.");
            Document document = sketch.document();
            assertThat(of(document, "2", TextProperty.SCRIPT)).isEqualTo(TextProperty.Script.SUB);
            assertThat(of(document, "This", TextProperty.UNDERLINE)).isEqualTo(TextProperty.Underline.SINGLE);
            assertThat(paragraphs(document).stream().filter(paragraph -> paragraph.plainText().contains("struck")).findFirst().orElseThrow().inlines().get(0)
                    .look().is(TextProperty.STRIKE)).isTrue();
            assertThat(paragraphs(document).stream().filter(paragraph -> paragraph.plainText().contains("marked")).findFirst().orElseThrow().inlines().get(0)
                    .look().get(TextProperty.HIGHLIGHT)).isEqualTo(new Colour(0xFFFF00));
            assertThat(of(document, "brown", TextProperty.COLOUR)).isEqualTo(new Colour(0x993300));
            assertThat(of(document, "brown", TextProperty.BOLD)).isTrue();
        }
    }

    @Test void tagsTellParagraphsAndHeadingsThatLooksDoNot() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            PDStructureTreeRoot root = new PDStructureTreeRoot();
            sketch.pdf.getDocumentCatalog().setStructureTreeRoot(root);
            PDMarkInfo marked = new PDMarkInfo();
            marked.setMarked(true);
            sketch.pdf.getDocumentCatalog().setMarkInfo(marked);
            String[] roles = {"H2", "P", "P"};
            String[] words = {"Looks like text", "The first paragraph fills its line up to the very edge of the column here",
                    "and the second begins in lower case, straight below."};
            for (int i = 0; i < 3; i++) {
                PDStructureElement element = new PDStructureElement(roles[i], root);
                element.setPage(sketch.page);
                element.appendKid(i);
                root.appendKid(element);
                COSDictionary properties = new COSDictionary();
                properties.setInt(COSName.MCID, i);
                sketch.out.beginMarkedContent(COSName.P, PDPropertyList.create(properties));
                sketch.text(72, 100 + 14 * i, words[i]);
                sketch.out.endMarkedContent();
            }
            Document document = sketch.document();
            assertThat(texts(document)).containsExactly(words);
            Cascade cascade = Cascade.of(document);
            assertThat(Outline.of(document, cascade, ListLabels.of(document, cascade)).headings()).singleElement()
                    .satisfies(heading -> assertThat(heading.level()).isEqualTo(2));
        }
    }

    @Test void passesPhotographsThroughByteForByte() throws IOException {
        BufferedImage image = new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB);
        image.createGraphics().fillRect(10, 10, 20, 20);
        try (PdfSketch sketch = new PdfSketch()) {
            PDImageXObject photograph = JPEGFactory.createFromImage(sketch.pdf, image, 0.8f);
            byte[] before = photograph.getStream().createInputStream(List.of("DCTDecode")).readAllBytes();
            sketch.out.drawImage(photograph, 100, 500, 120, 80);
            sketch.text(72, 100, "A photograph:");
            Picture picture = pictures(sketch.document()).get(0);
            assertThat(picture.image().type()).isEqualTo("image/jpeg");
            assertThat(picture.image().bytes()).isEqualTo(before);
            assertThat(picture.width()).isBetween(119.9, 120.1);
        }
    }

    @Test void keepsWhatIsSeenThroughPictures() throws IOException {
        BufferedImage image = new BufferedImage(30, 30, BufferedImage.TYPE_INT_ARGB);
        image.setRGB(5, 5, 0xFF2244AA);
        try (PdfSketch sketch = new PdfSketch()) {
            Picture picture = pictures(sketch.picture(100, 200, 60, 60, image).document()).get(0);
            BufferedImage back = ImageIO.read(new ByteArrayInputStream(picture.image().bytes()));
            assertThat(back.getColorModel().hasAlpha()).isTrue();
            assertThat(back.getRGB(5, 5)).isEqualTo(0xFF2244AA);
            assertThat(back.getRGB(20, 20) >>> 24).isZero();
        }
    }

    @Test void keepsDrawingsSharpWithTheirLabels() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "Above the chart stands a line of text that is not part of it.");
            for (int i = 0; i < 4; i++) sketch.area(120 + 30 * i, 300 - 20 * i, 20, 40 + 20 * i, 0x336688);
            sketch.out.moveTo(110, 842 - 345);
            sketch.out.curveTo(150, 842 - 250, 200, 842 - 250, 250, 842 - 200);
            sketch.out.stroke();
            sketch.text(150, 230, 8, BODY, "Sailings");
            Recovered recovered = sketch.recovered();
            Picture drawing = pictures(recovered.document()).get(0);
            assertThat(drawing.image().type()).isEqualTo("application/pdf");
            assertThat(drawing.description()).isEqualTo("Sailings");
            byte[] again = OwnWriter.write(Layout.of(recovered.document(), FontCatalogue.shipped()), false);
            try (PDDocument pdf = Loader.loadPDF(again)) {
                COSName name = pdf.getPage(0).getResources().getXObjectNames().iterator().next();
                assertThat(pdf.getPage(0).getResources().getXObject(name)).isInstanceOf(PDFormXObject.class);
                BufferedImage painted = new PDFRenderer(pdf).renderImage(0);
                assertThat(painted.getRGB(130, 320) & 0xFFFFFF).isEqualTo(0x336688);
            }
        }
    }

    private static List<Picture> pictures(Document document) {
        List<Picture> pictures = new ArrayList<>();
        for (Block block : document.blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            for (Inline inline : paragraph.inlines()) {
                if (inline instanceof Inline.InlinePicture picture) pictures.add(picture.picture());
                if (inline instanceof Inline.Floating floating && floating.content() instanceof Picture picture) pictures.add(picture);
            }
        }
        return pictures;
    }

    @Test void linksLeadToTheParagraphTheyLedTo() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "Look at the second part.");
            PDPage first = sketch.page;
            sketch.page().text(72, 100, "Something else stands first.").text(72, 400, "The second part begins here.");
            PDPageXYZDestination target = new PDPageXYZDestination();
            target.setPage(sketch.page);
            target.setTop(842 - 390);
            PDAnnotationLink link = new PDAnnotationLink();
            link.setRectangle(new PDRectangle(70, 735, 200, 16));
            link.setDestination(target);
            first.getAnnotations().add(link);
            Document document = sketch.document();
            Link found = paragraphs(document).get(0).inlines().get(0).look().get(TextProperty.LINK);
            assertThat(found).isInstanceOf(Link.Inside.class);
            Paragraph there = paragraphs(document).stream().filter(paragraph -> paragraph.inlines()
                    .contains(new Inline.BookmarkPoint(((Link.Inside) found).bookmark(), true))).findFirst().orElseThrow();
            assertThat(there.plainText()).isEqualTo("The second part begins here.");
        }
    }

    @Test void findsCellsThatReachOverColumnsAndRows() {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 80, "A table with wide and high cells follows this line of text.");
            for (double y : new double[] {100, 120, 140, 160}) sketch.line(y == 140 ? 172 : 72, y, 372, y);
            for (double x : new double[] {72, 172, 372}) sketch.line(x, 100, x, 160);
            sketch.line(272, 120, 272, 160);
            sketch.text(76, 134, "High").text(176, 114, "Wide over two").text(176, 134, "a").text(276, 134, "b").text(176, 154, "c").text(276, 154, "d")
                    .text(76, 114, "Corner");
            Table table = (Table) sketch.document().blocks().stream().filter(block -> block instanceof Table).findFirst().orElseThrow();
            assertThat(table.columns()).hasSize(3);
            assertThat(table.rows().get(0).cells()).extracting(Table.Cell::columnSpan).containsExactly(1, 2);
            assertThat(table.rows().get(1).cells()).extracting(Table.Cell::rowSpan).containsExactly(2, 1, 1);
            assertThat(table.rows().get(2).cells()).hasSize(2);
        }
    }

    @Test void numbersOfPagesAreLiveAndGoOnAsPrinted() {
        try (PdfSketch sketch = new PdfSketch()) {
            String[] numbers = {"iii", "iv", "1", "2", "3"};
            for (int i = 0; i < numbers.length; i++) {
                if (i > 0) sketch.page();
                sketch.text(72, 40, 9, BODY, i < 2 ? "Before the beginning" : "Harbour rules");
                sketch.lines(72, 100, "This page has text of its own, number " + i + ", and a line", "that ends somewhere in the middle.")
                        .text(290, 800, 9, BODY, numbers[i]);
            }
            Document document = sketch.document();
            assertThat(texts(document)).noneMatch(text -> text.equals("Harbour rules") || text.matches("[ivx\\d]+"));
            assertThat(document.sections().stream().map(section -> section.numbering().start())).containsExactly(3, 1);
            assertThat(document.sections().get(0).numbering().format()).isEqualTo(NumberFormat.LOWER_ROMAN);
            assertThat(document.sections().get(1).frames().get(Section.FramePlace.HEADER).get(0))
                    .satisfies(block -> assertThat(((Paragraph) block).plainText()).isEqualTo("Harbour rules"));
            assertThat(((Paragraph) document.sections().get(1).frames().get(Section.FramePlace.FOOTER).get(0)).inlines())
                    .anyMatch(inline -> inline instanceof Inline.Field field && field.kind() == Inline.Field.Kind.PAGE);
        }
    }

    @Test void aMissingFontIsReplacedByTheNearestAndLinesStillEndWhereTheyDid() throws IOException {
        // A face under a name nobody has: its letters are those of Caladea, so Caladea must be found by widths.
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, 11, "Caladea-Regular", "The harbour office is open from eight in the morning until the last ship")
                    .text(72, 114, 11, "Caladea-Regular", "is in, and it answers the telephone on all days of the week but Sundays.");
            byte[] bytes = new String(sketch.bytes(), StandardCharsets.ISO_8859_1).replace("Caladea", "Aldineq")
                    .getBytes(StandardCharsets.ISO_8859_1);
            Recovered recovered = PdfSketch.recovered(bytes);
            assertThat(of(recovered.document(), "harbour", TextProperty.FAMILY)).isEqualTo("Caladea");
            assertThat(recovered.findings()).anyMatch(finding -> finding.what().startsWith("Aldineq is not here; Caladea took its place"));
            ByteArrayOutputStream lines = new ByteArrayOutputStream();
            lines.write(String.join("|", PageText.of(Layout.of(recovered.document(), FontCatalogue.shipped())).get(0).lines().stream()
                    .map(PageText.Line::text).toList()).getBytes(StandardCharsets.UTF_8));
            assertThat(lines.toString(StandardCharsets.UTF_8)).contains("the last ship|is in,");
        }
    }

    @Test void whatARecogniserSaysBecomesLinesOfText() {
        String hocr = "<span class='ocr_line' title='bbox 300 300 1200 350; baseline 0.01 -11; x_size 45; x_descenders 10'>"
                + "<span class='ocrx_word' title='bbox 300 300 550 350; x_wconf 96'>Harbour</span>"
                + "<span class='ocrx_word' title='bbox 580 300 760 350; x_wconf 91'><strong>notice</strong></span>"
                + "<span class='ocrx_word' title='bbox 800 300 860 350; x_wconf 12'>~;</span></span>"
                + "<span class='ocr_line' title='bbox 900 400 930 900; textangle 90; x_size 30'>"
                + "<span class='ocrx_word' title='bbox 900 400 930 900; x_wconf 60'>OMAN</span></span>";
        List<Picture.Word> words = OpticalReader.words(hocr, 72.0 / 300);
        assertThat(words).extracting(Picture.Word::text).containsExactly("Harbour", "notice");
        // hOCR 1.2: the baseline is a line through the left lower corner of the box, moved by its second number, falling by its first.
        assertThat(words.get(1).baseline()).isEqualTo((350 - 11 + 0.01 * (670 - 300)) * 72 / 300, within(0.001));
        assertThat(words.get(0).size()).isEqualTo(12, within(0.1));
    }

    @Test void listLevelsAndLooksSurviveAsNumbering() {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 80, "What is to be done before the ship leaves the pier in the morning:");
            String[] items = {"Look at the lines.", "Count the passengers.", "Raise the ramp."};
            for (int i = 0; i < 3; i++) sketch.text(90, 104 + 16 * i, "(" + (char) ('a' + i) + ")").text(110, 104 + 16 * i, items[i]);
            Document document = sketch.document();
            Cascade cascade = Cascade.of(document);
            ListLabels labels = ListLabels.of(document, cascade);
            List<Paragraph> found = paragraphs(document).stream().filter(paragraph -> cascade.paragraph(paragraph).says(ParagraphProperty.LIST)).toList();
            assertThat(found).extracting(labels::label).containsExactly("(a)", "(b)", "(c)");
            assertThat(found).extracting(Paragraph::plainText).containsExactly(items);
        }
    }

    @Test void looksThatAreCommonBecomeStyles() {
        try (PdfSketch sketch = new PdfSketch()) {
            for (int i = 0; i < 5; i++)
                sketch.text(72, 80 + 90 * i, 15, "LiberationSans-Bold", "Heading number " + (i + 1))
                        .lines(72, 104 + 90 * i, "The purser keeps the keys of the waiting room in a drawer, where they",
                        "are found by everybody who looks for them.");
            Document document = sketch.document();
            assertThat(paragraphs(document)).allSatisfy(paragraph -> assertThat(paragraph.inlines()).allMatch(inline -> inline.look().equals(Look.PLAIN)));
            assertThat(document.styles().style("Heading1").look().get(TextProperty.SIZE)).isEqualTo(15);
        }
    }
}
