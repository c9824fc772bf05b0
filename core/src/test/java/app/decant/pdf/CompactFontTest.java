package app.decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.layout.Sample;
import app.decant.pdf.check.StandardCheck;
import app.decant.pdf.font.CffSubset;
import app.decant.pdf.write.PdfWriter;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.fontbox.cff.CFFFont;
import org.apache.fontbox.cff.CFFParser;
import org.apache.fontbox.ttf.OpenTypeFont;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Fonts with CFF outlines inside a PDF (ISO 32000-1, 9.7.4.2 and 9.9): drawn by PDFBox and, where it is installed, by {@code pdftoppm}, they look as their
 * twin with TrueType outlines does.
 */
class CompactFontTest {
    private static final String TEXT = "Quayside tickets, 24 June: £3.50 for the 10:45 to Västerholm";
    private static final Face PLAIN = FontCatalogue.shipped().match("Carlito", false, false).face();

    @TempDir private Path folder;

    private static Face twin() throws IOException { return Face.read("Twin", false, false, CompactTwin.of(PLAIN.file())); }

    private static PagedDocument pages(String family, Face... brought) {
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN,
                List.of(new Inline.Text(TEXT, Look.of(TextProperty.FAMILY, family).with(TextProperty.SIZE, 16.0))));
        Document document = Sample.of(List.of(paragraph));
        return Layout.of(document.withFacts(new Facts("Twin", null, null, null, "en", null, null, Map.of())), FontCatalogue.shipped()
                .with(List.of(brought)));
    }

    private static byte[] write(PagedDocument pages, PdfStyle style) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        PdfWriter.write(pages, new PdfChoices(List.of(0), style, pages.document().facts(), Instant.EPOCH), bytes, Progress.SILENT);
        return bytes.toByteArray();
    }

    @Test void onlyTheGlyphsUsedGoInAndLookTheSame() throws IOException {
        byte[] used = write(pages("Twin", twin()), PdfStyle.PLAIN);
        byte[] whole = write(pages("Twin", twin()), PdfStyle.PLAIN.with(PdfChoices.Fonts.WHOLE));
        assertThat(whole.length).isGreaterThan(twin().file().length / 6);
        assertThat(used.length).isLessThan(whole.length / 5);
        BufferedImage expected = drawn(write(pages("Carlito"), PdfStyle.PLAIN));
        for (byte[] file : List.of(used, whole)) {
            assertThat(difference(expected, drawn(file))).isLessThan(0.002);
            try (PDDocument pdf = Loader.loadPDF(file)) {
                COSDictionary resources = pdf.getPage(0).getResources().getCOSObject().getCOSDictionary(COSName.FONT);
                COSDictionary descendant = (COSDictionary) resources.getCOSDictionary(resources.keySet().iterator().next())
                        .getCOSArray(COSName.DESCENDANT_FONTS).getObject(0);
                COSDictionary program = descendant.getCOSDictionary(COSName.FONT_DESC).getCOSStream(COSName.FONT_FILE3);
                assertThat(program.getNameAsString(COSName.SUBTYPE)).isEqualTo(file == used ? "CIDFontType0C" : "OpenType");
                assertThat(new PDFTextStripper().getText(pdf).strip()).isEqualTo(TEXT);
                PDType0Font font = (PDType0Font) pdf.getPage(0).getResources().getFont(pdf.getPage(0).getResources().getFontNames().iterator().next());
                assertThat(font.isEmbedded()).isTrue();
                assertThat(font.isDamaged()).isFalse();
            }
        }
    }

    /** Shared pieces nobody calls are emptied: the twin has one of {@value CompactTwin#UNUSED} bytes. */
    @Test void piecesThatNoGlyphCallsStayOut() throws IOException {
        CFFFont font = ((OpenTypeFont) twin().tables()).getCFF().getFont();
        byte[] subset = CffSubset.of(font, PLAIN.unitsPerEm(), List.of(36, 37, 38));
        CFFFont again = new CFFParser().parse(new RandomAccessReadBuffer(subset)).get(0);
        assertThat(subset.length).isLessThan(CompactTwin.UNUSED);
        assertThat(again.getNumCharStrings()).isEqualTo(4);
        for (int glyph : new int[] {36, 37, 38}) {
            // Keyed by their numbers in the font they come from.
            assertThat(again.getType2CharString(glyph).getBounds()).isEqualTo(font.getType2CharString(glyph).getBounds());
            assertThat(again.getType2CharString(glyph).getWidth()).isEqualTo(font.getType2CharString(glyph).getWidth());
        }
    }

    /** ISO 19005-1 knows no OpenType programs, and asks which characters a subset holds; judged by veraPDF. */
    @Test void archiveCopiesTakeThemToo() throws IOException {
        for (Standard standard : List.of(Standard.A_1B, Standard.A_2U, Standard.UA_1)) {
            for (PdfChoices.Fonts fonts : List.of(PdfChoices.Fonts.USED_CHARACTERS, PdfChoices.Fonts.WHOLE)) {
                Path file = folder.resolve("twin.pdf");
                Files.write(file, write(pages("Twin", twin()), PdfStyle.PLAIN.with(standard).with(fonts)));
                assertThat(StandardCheck.broken(file, standard)).as(standard + " " + fonts).isEmpty();
            }
        }
    }

    @Test void anotherProgramDrawsThemAlike() throws Exception {
        Path file = folder.resolve("twin.pdf");
        Files.write(file, write(pages("Twin", twin()), PdfStyle.PLAIN));
        Path model = folder.resolve("model.pdf");
        Files.write(model, write(pages("Carlito"), PdfStyle.PLAIN));
        BufferedImage[] images = new BufferedImage[2];
        for (int i = 0; i < 2; i++) {
            try {
                Process process = new ProcessBuilder("pdftoppm", "-png", "-r", "96", "-singlefile", (i == 0 ? model : file).toString(),
                        folder.resolve("image" + i).toString()).redirectErrorStream(true).start();
                String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
                assertThat(process.waitFor()).isZero();
                assertThat(said).isEmpty();
            } catch (IOException e) {
                Assumptions.assumeTrue(false, "pdftoppm is not installed");
            }
            images[i] = ImageIO.read(folder.resolve("image" + i + ".png").toFile());
        }
        assertThat(difference(images[0], images[1])).isLessThan(0.002);
    }

    private static BufferedImage drawn(byte[] file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file)) {
            return new PDFRenderer(pdf).renderImage(0, 2);
        }
    }

    /** The share of pixels that differ by more than a quarter of the way from black to white. */
    private static double difference(BufferedImage one, BufferedImage other) {
        int differing = 0;
        boolean ink = false;
        for (int y = 0; y < one.getHeight(); y++) {
            for (int x = 0; x < one.getWidth(); x++) {
                if (Math.abs((one.getRGB(x, y) & 255) - (other.getRGB(x, y) & 255)) > 64) differing++;
                ink |= (other.getRGB(x, y) & 255) < 64;
            }
        }
        assertThat(ink).isTrue();
        return (double) differing / one.getWidth() / one.getHeight();
    }
}
