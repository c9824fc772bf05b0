package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.proof.Difference;
import app.decant.proof.Proof;
import app.decant.proof.Side;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.InputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDFormContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;

/** What is drawn on a page and means something: panels, boxes, blanks, pale words. Published again it looks as it did. */
class DrawnMatterTest {
    private static final String PROSE = "The purser keeps the passenger list before the first sailing and the office signs it.";

    private static BufferedImage image(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFRenderer(document).renderImage(0, 1);
        }
    }

    private static BufferedImage again(Document document) throws IOException {
        return image(OwnWriter.write(Layout.of(document, FontCatalogue.shipped()), false));
    }

    private static int apart(BufferedImage one, BufferedImage other, int x, int y) {
        Color was = new Color(one.getRGB(x, y));
        Color is = new Color(other.getRGB(x, y));
        return Math.abs(was.getRed() - is.getRed()) + Math.abs(was.getGreen() - is.getGreen()) + Math.abs(was.getBlue() - is.getBlue());
    }

    private static List<Paragraph> paragraphs(Document document) {
        return document.blocks().stream().filter(block -> block instanceof Paragraph).map(block -> (Paragraph) block).toList();
    }

    private static String words(Paragraph paragraph) { return paragraph.text().replace(String.valueOf(Inline.OBJECT), "").trim(); }

    private static PdfSketch box(PdfSketch sketch, double x, double y, double width, double height) {
        return sketch.line(x, y, x + width, y).line(x + width, y, x + width, y + height).line(x, y + height, x + width, y + height)
                .line(x, y, x, y + height);
    }

    @Test void panelsStayAsLargeAsTheyWere() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.area(72, 72, 451, 300, 0x12355B);
            sketch.out.setNonStrokingColor(Color.WHITE);
            sketch.text(110, 160, 22, "LiberationSans-Bold", "Annual report");
            sketch.out.setNonStrokingColor(Color.BLACK);
            for (int i = 0; i < 3; i++) sketch.text(72, 400 + 14 * i, PROSE);
            sketch.area(72, 460, 451, 60, 0xEEF3D0);
            box(sketch, 72, 460, 451, 60).lines(86, 480, "Note. Every passenger counts.", "So do bicycles.");
            sketch.text(72, 545, PROSE).area(72, 570, 451, 90, 0xDDDDDD).text(80, 600, "For office use only").text(72, 690, PROSE);
            byte[] original = sketch.bytes();
            Document document = PdfSketch.recovered(original).document();
            assertThat(paragraphs(document)).extracting(DrawnMatterTest::words).contains("Annual report", "For office use only");
            BufferedImage before = image(original);
            BufferedImage after = again(document);
            for (int x : new int[] {76, 300, 518})
                for (int y : new int[] {76, 120, 300, 368, 464, 515, 574, 655}) assertThat(apart(before, after, x, y)).as("at %d, %d", x, y).isLessThan(24);
            assertThat(apart(before, after, 300, 380)).as("between").isLessThan(24);
        }
    }

    @Test void whiteOnAPanelStaysWhite() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.area(40, 40, 515, 700, 0x336699).area(100, 100, 395, 500, 0xFFFFFF);
            for (int i = 0; i < 12; i++) sketch.text(110, 140 + 14 * i, 10, "LiberationSerif-Regular", PROSE);
            byte[] original = sketch.bytes();
            BufferedImage after = again(PdfSketch.recovered(original).document());
            for (int[] at : new int[][] {{60, 60}, {300, 80}, {104, 580}, {300, 500}, {520, 400}})
                assertThat(apart(image(original), after, at[0], at[1])).as("at %d, %d", at[0], at[1]).isLessThan(24);
        }
    }

    @Test void blanksAreTabsWithALineUnderThem() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "Name:").line(108, 102, 306, 102).text(310, 100, "Born:").line(342, 102, 428, 102);
            sketch.text(72, 126, "Address:").line(119, 128, 460, 128);
            for (int i = 0; i < 3; i++) sketch.text(72, 160 + 14 * i, PROSE);
            sketch.line(72, 230, 523, 230).text(72, 250, PROSE);
            byte[] original = sketch.bytes();
            Document document = PdfSketch.recovered(original).document();
            Paragraph first = paragraphs(document).get(0);
            assertThat(first.text()).matches("Name: *\t *Born: *\t");
            List<TabStop> stops = Cascade.of(document).paragraph(first).get(ParagraphProperty.TABS).stops();
            assertThat(stops).filteredOn(stop -> stop.leader() == TabStop.Leader.LINE).extracting(TabStop::position)
                    .satisfiesExactly(at -> assertThat(at).isBetween(232.0, 236.0), at -> assertThat(at).isBetween(354.0, 358.0));
            BufferedImage after = again(document);
            for (int x : new int[] {150, 290, 380}) assertThat(isInked(after, x, 102)).as("blank at %d", x).isTrue();
            assertThat(isInked(after, 324, 103)).as("no line under the words").isFalse();
            assertThat(isInked(after, 500, 102)).as("nor to the margin").isFalse();
        }
    }

    /** Whether anything dark stands at a place, give or take two points. */
    private static boolean isInked(BufferedImage image, int x, int y) {
        for (int down = -2; down <= 2; down++) if (new Color(image.getRGB(x, y + down)).getRed() < 200) return true;
        return false;
    }

    @Test void boxesAndRingsAreSignsThatCanBeTicked() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            box(sketch, 72, 92, 9, 9).text(85, 100, "I live on Skerrow all year.");
            box(sketch, 72, 112, 9, 9).text(73.8, 119.6, 10, "LiberationSans-Regular", "x").text(85, 120, "I own a car.");
            ring(sketch, 76.5, 136.5).text(85, 140, "By mail.");
            for (int i = 0; i < 3; i++) sketch.text(72, 170 + 14 * i, PROSE);
            byte[] original = sketch.bytes();
            Document document = PdfSketch.recovered(original).document();
            assertThat(Proof.compare(Side.of(original, "sketch.pdf", null, Progress.SILENT), Layout.of(document, FontCatalogue.shipped()), Progress.SILENT)
                    .differences()).as("what is drawn and what is written are the same sign").extracting(Difference::sentence)
                    .noneMatch(what -> what.contains("not there") || what.contains("missing"));
            assertThat(paragraphs(document)).extracting(DrawnMatterTest::words).startsWith(FormField.UNTICKED + " I live on Skerrow all year.",
                    FormField.TICKED + " I own a car.", "\u25EF By mail.");
        }
    }

    private static PdfSketch ring(PdfSketch sketch, double x, double y) throws IOException {
        float r = 4.5f;
        float k = 0.5523f * r;
        float left = (float) x;
        float up = (float) (842 - y);
        sketch.out.moveTo(left + r, up);
        sketch.out.curveTo(left + r, up + k, left + k, up + r, left, up + r);
        sketch.out.curveTo(left - k, up + r, left - r, up + k, left - r, up);
        sketch.out.curveTo(left - r, up - k, left - k, up - r, left, up - r);
        sketch.out.curveTo(left + k, up - r, left + r, up - k, left + r, up);
        sketch.out.closeAndStroke();
        return sketch;
    }

    @Test void paleWordsStayPaleAlsoWithinGroups() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            PDExtendedGraphicsState pale = new PDExtendedGraphicsState();
            pale.setNonStrokingAlphaConstant(0.25f);
            sketch.out.saveGraphicsState();
            sketch.out.setGraphicsStateParameters(pale);
            sketch.out.setNonStrokingColor(Color.RED);
            sketch.text(72, 100, 30, "LiberationSans-Bold", "DRAFT");
            sketch.out.restoreGraphicsState();
            PDFormXObject form = new PDFormXObject(sketch.pdf);
            form.setResources(new PDResources());
            form.setBBox(new PDRectangle(595, 842));
            COSDictionary group = new COSDictionary();
            group.setItem(COSName.S, COSName.TRANSPARENCY);
            form.getCOSObject().setItem(COSName.GROUP, group);
            try (PDFormContentStream out = new PDFormContentStream(form)) {
                out.beginText();
                out.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 20);
                out.newLineAtOffset(72, 642);
                out.showText("COPY");
                out.endText();
            }
            sketch.out.saveGraphicsState();
            sketch.out.setGraphicsStateParameters(pale);
            sketch.out.drawForm(form);
            sketch.out.restoreGraphicsState();
            for (int i = 0; i < 3; i++) sketch.text(72, 300 + 14 * i, PROSE);
            Document document = sketch.document();
            assertThat(colour(document, "DRAFT")).isEqualTo(0xFFBFBF);
            assertThat(colour(document, "COPY")).isEqualTo(0xBFBFBF);
            assertThat(colour(document, "The purser")).isIn(0, Colour.AUTOMATIC.rgb() & 0xFFFFFF);
        }
    }

    private static int colour(Document document, String words) {
        Paragraph paragraph = paragraphs(document).stream().filter(one -> words(one).startsWith(words)).findFirst().orElseThrow();
        Inline.Text run = (Inline.Text) paragraph.inlines().stream().filter(inline -> inline instanceof Inline.Text).findFirst().orElseThrow();
        return Cascade.of(document).text(paragraph, run.look()).get(TextProperty.COLOUR).rgb() & 0xFFFFFF;
    }

    /** ISO 32000-1, 12.7.2: with NeedAppearances, fields leave their looks to the reader. */
    /** Fields (ISO 32000-2, 12.7) are controls of the document: what is filled in, what is to be, and boxes; what has no control is told. */
    @Test void fieldsAreFilledInAsControls() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "Name of the boat").text(72, 130, "Its harbour").text(90, 220, "It comes at night.").lines(72, 160, PROSE, PROSE);
            sketch.line(178, 117, 342, 117).line(178, 135, 342, 135).line(178, 117, 178, 135).line(342, 117, 342, 135);
            PDAcroForm form = new PDAcroForm(sketch.pdf);
            form.setDefaultResources(new PDResources());
            form.getDefaultResources().put(COSName.getPDFName("Helv"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            form.setDefaultAppearance("/Helv 11 Tf 0 g");
            form.setNeedAppearances(true);
            sketch.pdf.getDocumentCatalog().setAcroForm(form);
            PDTextField field = new PDTextField(form);
            field.setPartialName("boat");
            field.getWidgets().get(0).setRectangle(new PDRectangle(180, 842 - 106, 160, 18));
            field.getWidgets().get(0).setPage(sketch.page);
            field.getCOSObject().setString(COSName.V, "Skerrow Lass");
            sketch.page.getAnnotations().add(field.getWidgets().get(0));
            form.getFields().add(field);
            PDTextField empty = new PDTextField(form);
            empty.setPartialName("harbour");
            PDCheckBox box = new PDCheckBox(form);
            box.setPartialName("night");
            PDRadioButton circle = new PDRadioButton(form);
            circle.setPartialName("day");
            widget(sketch, empty, 180, 842 - 134, 160, 16);
            widget(sketch, box, 74, 842 - 221, 10, 10);
            widget(sketch, circle, 74, 842 - 321, 10, 10);
            form.getFields().addAll(List.of(empty, box, circle));
            Recovered recovered = sketch.recovered();
            assertThat(paragraphs(recovered.document())).extracting(DrawnMatterTest::words).startsWith("Name of the boat" + Inline.TAB + "Skerrow Lass",
                    "Its harbour" + Inline.TAB + FormField.EMPTY).contains(FormField.UNTICKED + " It comes at night.");
            assertThat(controls(recovered.document())).containsExactly("TEXT boat: Skerrow Lass", "TEXT harbour: " + FormField.EMPTY, "TICK night: "
                    + FormField.UNTICKED);
            assertThat(recovered.findings()).extracting(Finding::what).contains("It has a field to fill in that only a PDF keeps: click it on its page.");
        }
    }

    private static void widget(PdfSketch sketch, PDTerminalField field, float x, float y, float width, float height) throws IOException {
        field.getWidgets().get(0).setRectangle(new PDRectangle(x, y, width, height));
        field.getWidgets().get(0).setPage(sketch.page);
        sketch.page.getAnnotations().add(field.getWidgets().get(0));
    }

    private static List<String> controls(Document document) {
        List<String> found = new ArrayList<>();
        for (Paragraph paragraph : paragraphs(document)) for (Inline inline : paragraph.inlines()) {
            FormField field = inline.look().get(TextProperty.FORM);
            if (field != null && inline instanceof Inline.Text text) found.add(field.kind() + " " + field.name() + ": " + text.text());
        }
        return found;
    }

    /** A font whose pen leads down (ISO 32000-2, 9.7.4.3), each letter placed by itself along a line: as wide as it is, else no word would be one. */
    @Test void lettersOfAFontForWritingDownwardsStandOnALine() throws IOException {
        try (PdfSketch sketch = new PdfSketch(); InputStream in = FontCatalogue.class.getResourceAsStream("LiberationSans-Regular.ttf")) {
            PDType0Font font = PDType0Font.loadVertical(sketch.pdf, new ByteArrayInputStream(in.readAllBytes()));
            for (int line = 0; line < 3; line++) {
                double x = 72;
                for (String letter : "Notice of a public hearing about the long pier".split("")) {
                    sketch.out.beginText();
                    sketch.out.setFont(font, 12);
                    sketch.out.newLineAtOffset((float) x, 700 - 20 * line);
                    sketch.out.showText(letter);
                    sketch.out.endText();
                    x += font.getStringWidth(letter) / 1000 * 12;
                }
            }
            assertThat(paragraphs(sketch.document())).extracting(DrawnMatterTest::words).anyMatch(words -> words.contains("Notice of a public hearing"));
        }
    }

    /** Codes whose glyphs have names of mathematical fonts, names in parts, or names that are only their numbers. */
    @Test void namesOfGlyphsTellWhatNoMapTells() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            PDType1Font signs = named("integraldisplay", "f_f_i", "summationtext", "one.oldstyle");
            PDType1Font numbers = named("a65", "a66", "a67", "a68");
            int y = 700;
            for (PDType1Font font : List.of(signs, numbers)) {
                sketch.out.beginText();
                sketch.out.setFont(font, 12);
                sketch.out.newLineAtOffset(72, y);
                sketch.out.showText("ABCD");
                sketch.out.endText();
                y -= 60;
            }
            assertThat(paragraphs(sketch.document())).extracting(paragraph -> words(paragraph).replace(" ", "")).containsExactly("\u222Bffi\u22111", "ABCD");
        }
    }

    /** A font whose codes from A on have these names. */
    private static PDType1Font named(String... names) throws IOException {
        COSDictionary font = new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN).getCOSObject();
        COSArray differences = new COSArray();
        differences.add(COSInteger.get('A'));
        for (String name : names) differences.add(COSName.getPDFName(name));
        COSArray widths = new COSArray();
        for (int i = 0; i < names.length; i++) widths.add(COSInteger.get(600));
        COSDictionary encoding = new COSDictionary();
        encoding.setItem(COSName.DIFFERENCES, differences);
        font.setItem(COSName.ENCODING, encoding);
        font.setInt(COSName.FIRST_CHAR, 'A');
        font.setInt(COSName.LAST_CHAR, 'A' + names.length - 1);
        font.setItem(COSName.WIDTHS, widths);
        return new PDType1Font(font) {
            @Override protected byte[] encode(int unicode) { return new byte[] {(byte) unicode}; }
        };
    }
}
