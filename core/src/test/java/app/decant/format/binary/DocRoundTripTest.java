package app.decant.format.binary;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Anchor.Horizontal;
import app.decant.document.Anchor.Vertical;
import app.decant.document.Anchor.Wrap;
import app.decant.document.Anchor;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.format.Portrait.Aspect;
import app.decant.format.Portrait;
import app.decant.format.Written;
import app.decant.format.ooxml.DocxReader;
import app.decant.format.ooxml.DocxWriter;
import app.decant.layout.Layout;
import app.decant.picture.PictureFile;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.apache.poi.ddf.EscherContainerRecord;
import org.apache.poi.ddf.EscherSpRecord;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.extractor.WordExtractor;
import org.apache.poi.hwpf.usermodel.OfficeDrawing;
import org.apache.poi.hwpf.usermodel.Range;
import org.apache.poi.hwpf.usermodel.TableIterator;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Binary text documents written from nothing: read back by our reader as values, and by programs that are not ours. */
class DocRoundTripTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final Section.PageGeometry PAGE = Section.PageGeometry.A4;
    private static final Set<Aspect> ALL = EnumSet.complementOf(EnumSet.of(Aspect.FLOATING));

    @TempDir private Path folder;

    private static Document laidOut(Document document) { return Layout.of(document, FontCatalogue.shipped()).withFieldResults(); }

    private static Document again(byte[] doc) { return DocReader.read(doc, "test.doc", null, Progress.SILENT).document(); }

    private static List<Document> demo() { return List.of(PassengerHandbook.document(), HarbourNotice.document()); }

    @Test void keepsAllThatTheDemoDocumentsHold() {
        for (Document document : demo()) {
            Document before = laidOut(document);
            Written written = DocWriter.write(before, WHEN, false);
            assertThat(Formats.of(written.bytes())).isEqualTo(BinaryFormat.DOC);
            Document after = again(written.bytes());
            assertThat(Portrait.differences(before, after, ALL)).isEmpty();
            assertThat(Layout.of(after, FontCatalogue.shipped()).count()).isEqualTo(Layout.of(before, FontCatalogue.shipped()).count());
            assertThat(after.facts().title()).isEqualTo(before.facts().title());
            assertThat(after.facts().author()).isEqualTo(before.facts().author());
        }
    }

    /** Around, above and below or straight through, under or over the text, and which lies over which (2.9.253); the order of shapes is read by POI too. */
    @Test void picturesMeetTheTextAndEachOtherAsTheyDid() throws IOException {
        List<Inline> inlines = new ArrayList<>();
        List<Anchor> anchors = new ArrayList<>();
        for (Wrap wrap : Wrap.values()) {
            for (boolean behind : wrap == Wrap.NONE ? new boolean[] {false, true} : new boolean[] {false}) {
                Horizontal.From across = Horizontal.From.values()[anchors.size() % 3];
                Vertical.From down = Vertical.From.values()[anchors.size() % 3];
                // The first in the text lie over the others.
                anchors.add(new Anchor(new Horizontal(across, null, 10 + 20 * anchors.size()), new Vertical(down, null, 30), wrap, new Insets(0, 9, 0, 9),
                        behind, 9 - anchors.size()));
                Image image = PictureFile.of(new BufferedImage(4 + anchors.size(), 4, BufferedImage.TYPE_INT_RGB)).image();
                inlines.add(new Inline.Floating(anchors.get(anchors.size() - 1), new Picture(image, 40, 40, null), Look.PLAIN));
            }
        }
        Anchor corner = new Anchor(new Horizontal(Horizontal.From.MARGIN, Alignment.END, 0), new Vertical(Vertical.From.MARGIN, VerticalAlignment.BOTTOM, 0),
                Wrap.SQUARE, new Insets(0, 9, 0, 9), false, -5);
        inlines.add(new Inline.Floating(corner, ((Inline.Floating) inlines.get(0)).content(), Look.PLAIN));
        anchors.add(new Anchor(new Horizontal(Horizontal.From.MARGIN, null, PAGE.textWidth() - 40),
                new Vertical(Vertical.From.MARGIN, null, PAGE.height() - PAGE.top() - PAGE.bottom() - 40), Wrap.SQUARE, corner.distance(), false, -5));
        Paragraph paragraph = Paragraph.of("Ships").withInlines(inlines);
        byte[] file = DocWriter.write(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(paragraph)))), WHEN, false).bytes();
        List<Anchor> back = ((Paragraph) again(file).blocks().get(0)).inlines().stream().filter(Inline.Floating.class::isInstance)
                .map(inline -> ((Inline.Floating) inline).anchor()).toList();
        assertThat(back).usingRecursiveComparison().ignoringFields("level").withComparatorForType(Comparator.comparing(Math::round), Double.class)
                .isEqualTo(anchors);
        for (int i = 1; i < back.size(); i++) assertThat(back.get(i).level()).isLessThan(back.get(i - 1).level());
        try (HWPFDocument read = new HWPFDocument(new ByteArrayInputStream(file))) {
            List<Integer> shapes = new ArrayList<>();
            for (EscherContainerRecord one : read.getOfficeArtContent().getSpgrContainers().get(0).getChildContainers())
                shapes.add(((EscherSpRecord) one.getChildById(EscherSpRecord.RECORD_ID)).getShapeId());
            List<Integer> inText = read.getOfficeDrawingsMain().getOfficeDrawings().stream().map(OfficeDrawing::getShapeId).toList();
            Collections.reverse(shapes);
            assertThat(shapes.subList(0, shapes.size() - 1)).isEqualTo(inText);
        }
    }

    @Test void goesToDocAndBackToDocxWithNothingLost() {
        for (Document document : demo()) {
            Document before = laidOut(document);
            Document doc = again(DocWriter.write(before, WHEN, false).bytes());
            Document docx = DocxReader.read(DocxWriter.write(doc, WHEN), false, Progress.SILENT).document();
            assertThat(Portrait.differences(before, docx, ALL)).isEmpty();
        }
    }

    @Test void isReadByTheCommonLibrary() throws IOException {
        Document document = laidOut(PassengerHandbook.document());
        try (HWPFDocument file = new HWPFDocument(new ByteArrayInputStream(DocWriter.write(document, WHEN, false).bytes())); WordExtractor extractor =
                new WordExtractor(file)) {
            String text = extractor.getText();
            assertThat(text).contains("Welcome aboard", "Luggage and bicycles", "Every household on Ostrey and Skerrow holds one share");
            assertThat(extractor.getFootnoteText()).isNotEmpty();
            assertThat(extractor.getHeaderText()).contains("Ostrey Sound Ferries");
            Range range = file.getRange();
            int tables = 0;
            for (TableIterator it = new TableIterator(range); it.hasNext(); it.next()) tables++;
            assertThat(tables).isGreaterThanOrEqualTo(5);
            assertThat(file.getPicturesTable().getAllPictures()).isNotEmpty();
            assertThat(file.getBookmarks().getBookmarksCount()).isPositive();
            assertThat(file.getSummaryInformation().getTitle()).isEqualTo("Passenger handbook");
        }
    }

    /** Debian's {@code antiword} and {@code catdoc}, where they are installed. */
    @Test void isReadByOtherPrograms() throws Exception {
        Path file = folder.resolve("notice.doc");
        Files.write(file, DocWriter.write(laidOut(HarbourNotice.document()), WHEN, false).bytes());
        for (List<String> program : List.of(List.of("antiword", "-w", "0"), List.of("catdoc", "-w"))) {
            List<String> call = new ArrayList<>(program);
            call.add(file.toString());
            Process process;
            try {
                process = new ProcessBuilder(call).redirectErrorStream(true).start();
            } catch (IOException e) {
                Assumptions.assumeTrue(false, program.get(0) + " is not installed");
                return;
            }
            String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8).replaceAll("\\s+", " ");
            assertThat(process.waitFor()).isZero();
            assertThat(said).as(program.get(0)).contains("The timbers of the outer berth are renewed in January.",
                    "Foot passengers board by the inner steps", "Mon 11 January", "low water 06:10", "Parcels are taken in at the back door");
        }
    }

    @Test void brokenFilesEndInASentence() {
        byte[] good = DocWriter.write(laidOut(HarbourNotice.document()), WHEN, false).bytes();
        Random random = new Random(7);
        int opened = 0;
        for (int i = 0; i < 120; i++) {
            byte[] bad = i % 3 == 0 ? Arrays.copyOf(good, 600 + random.nextInt(good.length - 600)) : good.clone();
            for (int k = 0; k < 1 + i % 40; k++) bad[512 + random.nextInt(bad.length - 512)] = (byte) random.nextInt(256);
            try {
                Formats.read(bad, "bad.doc", null, Progress.SILENT);
                opened++;
            } catch (DecantException e) {
                assertThat(e.getMessage()).contains("bad.doc").endsWith(".");
            }
        }
        assertThat(opened).as("some damage leaves the rest readable").isBetween(1, 119);
    }

    private static byte[] replaced(byte[] file, byte[] from, byte[] to) {
        String before = new String(file, StandardCharsets.ISO_8859_1);
        String pattern = new String(from, StandardCharsets.ISO_8859_1);
        assertThat(before).contains(pattern);
        return before.replace(pattern, new String(to, StandardCharsets.ISO_8859_1)).getBytes(StandardCharsets.ISO_8859_1);
    }

    /** MS-DOC 2.6.1, sprmCSymbol: the sign of a font stands in place of the bracket in the text. */
    @Test void symbolsAreTheirSignsAndNotBrackets() throws IOException {
        Look colour = Look.of(TextProperty.COLOUR, new Colour(0x112233));
        Paragraph degrees = Paragraph.of("").withInlines(List.of(new Inline.Text("100", Look.PLAIN), new Inline.Text("(", colour),
                new Inline.Text("C", Look.of(TextProperty.FAMILY, "Symbol"))));
        byte[] doc = DocWriter.write(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(degrees)))), WHEN, false)
                .bytes();
        List<String> fonts = List.of(new HWPFDocument(new ByteArrayInputStream(doc)).getFontTable().getFontNames()).stream()
                .map(font -> font.getMainFontName()).toList();
        byte[] symbol = replaced(doc, new byte[] {0x70, 0x68, 0x11, 0x22, 0x33, 0}, new byte[] {0x09, 0x6A, (byte) fonts.indexOf("Symbol"), 0, (byte) 0xB0,
                (byte) 0xF0});
        assertThat(((Paragraph) again(symbol).blocks().get(0)).plainText()).isEqualTo("100\u00B0C");
    }

    /** MS-DOC 2.4.1: a page break may end its paragraph. */
    @Test void aPageBreakThatEndsItsParagraphBreaksThePage() {
        byte[] doc = DocWriter.write(Document.empty()
                .withSections(List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("before the break"), Paragraph.of("after it"))))),
                WHEN, false).bytes();
        String text = new String(doc, StandardCharsets.ISO_8859_1);
        byte[] from = text.contains("before the break\r") ? "before the break\r".getBytes(StandardCharsets.ISO_8859_1)
                : "before the break\r".getBytes(StandardCharsets.UTF_16LE);
        byte[] to = from.clone();
        to[to.length - (from[1] == 0 ? 2 : 1)] = '\f';
        Document read = again(replaced(doc, from, to));
        assertThat(Layout.of(read, FontCatalogue.shipped()).count()).isEqualTo(2);
        assertThat(((Paragraph) read.blocks().get(1)).plainText()).isEqualTo("after it");
    }
}
