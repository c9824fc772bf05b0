package app.decant;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section;
import app.decant.format.Formats;
import app.decant.layout.PagedDocument;
import app.decant.page.Item;
import app.decant.page.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The first pages of a long document are those that it has in the end, on paper of their own section, though that is told behind them. */
class AheadTest {
    private static final PageGeometry SMALL = new PageGeometry(420, 595, 50, 50, 50, 50, 30, 30, 0);

    @TempDir private Path folder;

    private static Section section(PageGeometry page, int paragraphs) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < paragraphs; i++) blocks.add(Paragraph.of("Sailing " + i + " leaves the quay. ".repeat(12)));
        return new Section(Section.PLAIN.start(), page, Section.PLAIN.columns(), Section.PLAIN.numbering(), Section.PLAIN.frames(), false, blocks,
                List.of(), Section.PLAIN.dress());
    }

    private static List<String> seen(Page page) {
        return page.lines().stream().map(line -> line.left() + " " + line.y() + " " + line.line().start() + " " + line.line().end()).toList();
    }

    /** @param first how many paragraphs there are before other paper is used: fewer than are read ahead, and more */
    @ParameterizedTest @ValueSource(ints = {20, 200}) void firstPagesAreThoseOfTheWhole(int first) throws IOException {
        Document document = Document.empty().withSections(List.of(section(SMALL, first), section(PageGeometry.A4, 200)));
        Path file = Files.write(folder.resolve("long.docx"), Formats.called("docx").write(document, Instant.EPOCH).bytes());
        PagedDocument whole = Decant.layOut(Decant.open(file).document());
        PagedDocument ahead = Decant.ahead(file).orElseThrow();
        assertThat(ahead.count()).isGreaterThan(2).isLessThan(whole.count());
        for (int i = 0; i + 1 < ahead.count(); i++) {
            assertThat(ahead.page(i).width()).isEqualTo(whole.page(i).width());
            assertThat(seen(ahead.page(i))).as("page %d", i + 1).isEqualTo(seen(whole.page(i))).isNotEmpty();
        }
        assertThat(ahead.pages().stream().flatMap(page -> page.items().stream()).filter(Item.LineItem.class::isInstance)).hasSizeGreaterThan(60);
    }

    @Test void whatCannotBeReadInPartOrAtAllShowsNothing() throws IOException {
        Document document = Document.empty().withSections(List.of(section(SMALL, 10)));
        Path odt = Files.write(folder.resolve("x.odt"), Formats.called("odt").write(document, Instant.EPOCH).bytes());
        byte[] docx = Formats.called("docx").write(document, Instant.EPOCH).bytes();
        Path torn = Files.write(folder.resolve("torn.docx"), Arrays.copyOf(docx, docx.length / 2));
        for (Path one : Stream.of(odt, torn, folder.resolve("none.docx")).toList()) assertThat(Decant.ahead(one)).as("%s", one).isEmpty();
        // A short one is there as a whole.
        Path brief = Files.write(folder.resolve("short.docx"), docx);
        assertThat(Decant.ahead(brief).orElseThrow().count()).isEqualTo(Decant.layOut(Decant.open(brief).document()).count());
    }
}
