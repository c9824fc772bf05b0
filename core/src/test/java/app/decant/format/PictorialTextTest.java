package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.publish.Order;
import app.decant.publish.Publisher;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Signs of pictorial fonts and letters of formulas, from files to words that PDFBox reads back. What each number shows is common practice, from memory. */
class PictorialTextTest {
    private static final String SYMBOL = "<w:r><w:rPr><w:rFonts w:ascii=\"Symbol\" w:hAnsi=\"Symbol\"/></w:rPr><w:t>\uF061\uF0E3</w:t></w:r>";
    @TempDir Path folder;

    private static String sign(String font, String code) { return "<w:r><w:sym w:font=\"" + font + "\" w:char=\"" + code + "\"/></w:r>"; }

    private static Document docx(String... runs) {
        return Formats.read(new DocxParts().bytes("<w:p>" + String.join("", runs) + "</w:p>"), "a.docx", null, Progress.SILENT).document();
    }

    private static String text(Document document) { return ((Paragraph) document.blocks().get(0)).text(); }

    private String published(Document document) throws IOException {
        Path pdf = folder.resolve("signs.pdf");
        Publisher.publish(new Order(Layout.of(document, FontCatalogue.shipped()), Recipe.PLAIN), pdf, Instant.EPOCH, Progress.SILENT);
        try (PDDocument made = Loader.loadPDF(pdf.toFile())) {
            return new PDFTextStripper().getText(made).strip();
        }
    }

    @Test void signsAreCharactersByTheFontTheyAreOf() throws IOException {
        Document document = docx(SYMBOL, sign("Wingdings", "F0FC"), sign("Wingdings 2", "F052"), sign("Wingdings 3", "F075"), sign("Webdings", "F061"));
        assertThat(text(document)).isEqualTo("α©✓☑▶✔");
        assertThat(published(document)).isEqualTo("α©✓☑▶✔");
        assertThat(Layout.of(document, FontCatalogue.shipped()).findings()).isEmpty();
    }

    /** A sign of a font that is not known was shown as another font's sign of the same number, or as a bullet. */
    @Test void aSignThatNothingStandsForStaysAndIsTold() {
        Document document = docx(sign("Marlett", "F0FC"), sign("Wingdings", "F0FF"));
        assertThat(text(document)).isEqualTo("\uF0FC\uF0FF");
        assertThat(Layout.of(document, FontCatalogue.shipped()).findings()).extracting(Finding::what)
                .anyMatch(told -> told.contains("No font here has \uF0FC \uF0FF"));
    }

    @Test void bytesOfASymbolFontInRichTextAreItsSigns() {
        String file = "{\\rtf1\\ansi{\\fonttbl{\\f0\\fcharset0 Liberation Serif;}{\\f1\\fcharset2 Symbol;}}{\\f0 a}{\\f1 \\'61\\'b3}{\\f1\\plain b}\\par}";
        assertThat(text(Formats.read(file.getBytes(StandardCharsets.US_ASCII), "a.rtf", null, Progress.SILENT).document())).isEqualTo("aα≥b");
    }

    /** No wide font has the alphabets of formulas: the plain letter in their weight and slant shows them, and the words stay what they are. */
    @Test void lettersOfFormulasAreShownByPlainOnes() throws IOException {
        Document document = docx("<w:r><w:t>so \uD835\uDC3B\u2080 and \uD835\uDC9E\u2329x\u232A</w:t></w:r>");
        PagedDocument pages = Layout.of(document, FontCatalogue.shipped());
        assertThat(pages.findings()).singleElement().satisfies(told -> assertThat(told.what()).contains("No font here has \uD835\uDC9E;"));
        assertThat(published(document)).contains("\uD835\uDC3B\u2080 and").contains("x");
        FontCatalogue fonts = FontCatalogue.shipped();
        assertThat(fonts.fallback(fonts.match("Liberation Serif", false, false).face(), 0x1D43B)).hasToString("Liberation Serif Italic");
        assertThat(fonts.match("Liberation Serif", false, true).face().shape("\uD835\uDC3B!", false, false, false).clusters()).containsExactly(0, 2);
    }
}
