package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A wish for another page, in the text and in a table. */
class PageBreaksTest {
    private static Document document() {
        List<Table.Row> rows = new ArrayList<>();
        for (String name : List.of("north", "east", "south")) rows.add(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN,
                List.of(Paragraph.of(name))), new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of("pier"), Paragraph.of("quay"))))));
        List<Block> blocks = List.of(Paragraph.of("ferry times"), new Table(Look.PLAIN, List.of(90.0, 90.0), rows), Paragraph.of("end"));
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(blocks)));
    }

    private static List<String> pages(Document document) {
        PagedDocument pages = Layout.of(document, FontCatalogue.shipped());
        List<String> said = new ArrayList<>();
        for (Page page : pages.pages()) {
            StringBuilder text = new StringBuilder();
            page.lines().forEach(line -> line.line().pieces().forEach(piece -> text.append(piece instanceof Piece.Glyphs one ? one.text() : "")));
            said.add(text.toString().replace(" ", ""));
        }
        return said;
    }

    @Test void aPageBeginsAtTheCaretOrAtTheRowItStandsIn() {
        Document document = document();
        Change inText = PageBreaks.put(document, TextSelection.caret(new Place(BlockPath.of(0, 0), 6)));
        assertThat(pages(inText.after())).containsExactly("ferry", "timesnorthpierquayeastpierquaysouthpierquayend");
        Change inCell = PageBreaks.put(document, TextSelection.caret(new Place(BlockPath.of(0, 1, 1, 1, 1), 2)));
        assertThat(pages(inCell.after())).containsExactly("ferrytimesnorthpierquay", "eastpierquaysouthpierquayend");
        assertThat(inCell.picked()).isEqualTo(TextSelection.caret(new Place(BlockPath.of(0, 1, 1, 1, 1), 2)));
        assertThat(PageBreaks.put(inCell.after(), (TextSelection) inCell.picked()).isNothing()).isTrue();
    }
}
