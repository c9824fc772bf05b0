package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.demo.PassengerHandbook;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.format.shape.DrawnLetters;
import app.decant.format.Formats;
import app.decant.layout.Sample;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Words under the text of every page: on each of them, whatever headers it has; published pages painted by PDFBox. */
class WatermarkTest {
    private static final Selection CARET = TextSelection.caret(new Place(BlockPath.of(0, 0), 0));

    @TempDir private Path root;

    private static Change marked(Document document, String words) {
        return Watermark.put(document, CARET, words == null ? null : page -> DrawnLetters.across(words, "Liberation Sans", page));
    }

    /** How many pixels in a hundred of the middle of a page are of a watermark's colour. */
    private static double pale(BufferedImage page) {
        int pale = 0;
        int all = 0;
        for (int y = page.getHeight() / 4; y < page.getHeight() * 3 / 4; y++) {
            for (int x = page.getWidth() / 4; x < page.getWidth() * 3 / 4; x++, all++) if ((page.getRGB(x, y) & 0xFFFFFF) == 0xDADADA) pale++;
        }
        return 100.0 * pale / all;
    }

    @Test void everyPageHasItAndLosesItAgain() throws IOException {
        Document handbook = PassengerHandbook.document();
        Change change = marked(handbook, "DRAFT");
        assertThat(Watermark.of(handbook)).isNull();
        assertThat(Watermark.of(change.after())).isEqualTo("DRAFT");
        assertThat(change.transaction().inverse(handbook).apply(change.after()).document()).isEqualTo(handbook);
        Path pdf = root.resolve("draft.pdf");
        Decant.publish(new Order(Decant.layOut(change.after()), Recipe.PLAIN), pdf, Progress.SILENT);
        try (PDDocument read = Loader.loadPDF(pdf.toFile())) {
            for (int i = 0; i < Math.min(4, read.getNumberOfPages()); i++) {
                assertThat(pale(new PDFRenderer(read).renderImageWithDPI(i, 40))).as("page %d", i + 1).isGreaterThan(3);
            }
        }
        Document other = marked(change.after(), "COPY").after();
        assertThat(Watermark.of(other)).isEqualTo("COPY");
        assertThat(Watermark.of(marked(other, null).after())).isNull();
    }

    @Test void pagesThatHaveNoHeaderGetOneAndNoOthersDo() {
        Document plain = Sample.of(List.of(Paragraph.of("The pier is open.")));
        Section first = plain.sections().get(0);
        Section differing = new Section(first.start(), first.page(), first.columns(), first.numbering(), Map.of(FramePlace.EVEN_FOOTER,
                List.of(Paragraph.of("even"))), true, first.blocks());
        Document document = plain.withSections(List.of(differing, first));
        Document marked = marked(document, "DRAFT").after();
        assertThat(marked.sections().get(0).frames()).containsOnlyKeys(FramePlace.FIRST_HEADER, FramePlace.HEADER, FramePlace.EVEN_HEADER,
                FramePlace.EVEN_FOOTER);
        assertThat(marked.sections().get(1).frames()).isEmpty();
        assertThat(marked(document, " ").isNothing()).as("nothing to be seen").isTrue();
    }

    /** A printed paper under the text, such as a letterhead, is no watermark: it stays when one is put in or taken out. */
    @Test void aPaperThatLiesUnderTheTextStays() {
        Document marked = marked(Sample.of(List.of(Paragraph.of("The pier is open."))), "DRAFT").after();
        Paragraph header = (Paragraph) marked.sections().get(0).frames().get(FramePlace.HEADER).get(0);
        Inline.Floating words = (Inline.Floating) header.inlines().get(0);
        Picture picture = (Picture) words.content();
        Inline.Floating paper = new Inline.Floating(words.anchor(), new Picture(picture.image(), 595, 842, "Letterhead"), words.look());
        Document document = Stories.withFrame(marked, new Story.Frame(0, FramePlace.HEADER), List.of(header.withInlines(List.of(paper))));
        assertThat(Watermark.of(document)).isNull();
        Document both = marked(document, "COPY").after();
        assertThat(Watermark.of(both)).isEqualTo("COPY");
        assertThat(marked(both, null).after()).isEqualTo(document);
    }

    @ParameterizedTest @ValueSource(strings = {"docx", "odt"}) void formatsKeepIt(String ending) {
        Document marked = marked(PassengerHandbook.document(), "DRAFT").after();
        Document back = Formats.read(Formats.called(ending).write(marked, Instant.EPOCH).bytes(), "x." + ending, null, Progress.SILENT).document();
        assertThat(Watermark.of(back)).isEqualTo("DRAFT");
    }
}
