package app.decant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Documents that are begun here, read by POI. */
class NewDocumentTest {
    @TempDir private Path root;

    /** Twips of the page's width, as section properties tell it (ISO/IEC 29500-1, 17.6.13). */
    private static long width(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file); XWPFDocument read = new XWPFDocument(in)) {
            assertThat(read.getParagraphs()).allMatch(paragraph -> paragraph.getText().isEmpty());
            assertThat(read.getStyles().getStyle("Heading1")).isNotNull();
            return ((Number) read.getDocument().getBody().getSectPr().getPgSz().getW()).longValue();
        }
    }

    @Test void anEmptyOneHasThePaperOfItsCountry() throws IOException {
        assertThat(width(NewDocument.empty(root.resolve("a.docx"), Locale.UK))).isEqualTo(11906);
        assertThat(width(NewDocument.empty(root.resolve("b.docx"), Locale.US))).isEqualTo(12240);
    }

    /** What was there is never written over, and a name that tells no format of text gets one. */
    @Test void itTakesTheNextFreeName() throws IOException {
        Path taken = Files.writeString(root.resolve("Minutes.docx"), "mine");
        assertThat(NewDocument.empty(taken, Locale.UK)).isEqualTo(root.resolve("Minutes 2.docx"));
        assertThat(taken).hasContent("mine");
        assertThat(NewDocument.empty(root.resolve("Board.2026"), Locale.UK)).isEqualTo(root.resolve("Board.2026.docx"));
        assertThat(Decant.open(NewDocument.empty(root.resolve("Board.odt"), Locale.FRANCE)).document().facts().language()).startsWith("fr");
    }

    @Test void aTemplateThatIsNoneIsRefusedAndNothingWritten() throws IOException {
        Path broken = Files.write(root.resolve("broken.dotx"), new byte[] {'P', 'K', 3, 4, 0});
        assertThatThrownBy(() -> NewDocument.from(broken, root.resolve("made.docx"))).isInstanceOf(DecantException.class);
        assertThat(root.resolve("made.docx")).doesNotExist();
    }
}
