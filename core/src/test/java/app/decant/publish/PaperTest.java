package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Passage;
import app.decant.proof.Proof;
import app.decant.recover.PageText;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is on paper but is no text document is published, checked and compared like all else. Read back by PDFBox. */
class PaperTest {
    @TempDir Path folder;

    /** Two cells with a rule under each, such as a workbook would bring: no document stands behind them. */
    private static final class TwoSheets implements Pages {
        private static final PagedDocument SETTER = Layout.of(Document.empty(), FontCatalogue.shipped());
        private final List<Page> pages = new ArrayList<>();
        private final List<Element> elements = new ArrayList<>();

        private record Cell(String text, Map<String, Integer> marks) implements Passage {
            @Override public int length() { return text.length(); }
        }

        TwoSheets() {
            for (String text : List.of("Fares from May", "Halvard Point")) {
                Cell cell = new Cell(text, Map.of(text.substring(0, 5), 0));
                List<Item> items = new ArrayList<>();
                for (Item.LineItem line : SETTER.words(text, "Liberation Sans", 12, Colour.BLACK)) items.add(new Item.LineItem(cell, line.line(), 60, 50,
                        true));
                items.add(new Item.Rule(60, 70, 200, 70, Border.single(1, Colour.BLACK)));
                pages.add(new Page(pages.size(), Integer.toString(pages.size() + 1), 400, 300, items, List.of()));
                elements.add(new Element(Element.Role.PARAGRAPH, 0, cell, true, null, null, null, 1, 1, List.of()));
            }
        }

        @Override public List<Page> pages() { return pages; }
        @Override public Facts facts() { return Facts.NONE; }
        @Override public List<Heading> headings() { return List.of(new Heading(1, "Sheet two", "Sheet two", 1, 50)); }
        @Override public Collection<FontCatalogue.Match> fonts() { return List.of(); }
        @Override public List<Finding> findings() { return List.of(); }
        @Override public Element structure() { return Element.of(Element.Role.DOCUMENT, elements); }
        @Override public List<String> unplaced() { return List.of(); }
        @Override public Pages without(Set<String> families) { return this; }
        @Override public <T> Optional<T> origin(Class<T> kind) { return Optional.empty(); }
        @Override public List<Item.LineItem> words(String text, String family, double size, Colour colour) { return SETTER.words(text, family, size, colour); }
    }

    @Test void paperWithoutATextDocumentBecomesAPdfWithTagsAndBookmarks() throws Exception {
        Path file = folder.resolve("sheets.pdf");
        Receipt receipt = Publisher.publish(new Order(new TwoSheets(), Recipe.PLAIN), file, Instant.EPOCH, Progress.SILENT);
        assertThat(receipt.findings()).isEmpty();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(2);
            assertThat(pdf.getPage(0).getMediaBox().getWidth()).isEqualTo(400);
            assertThat(new PDFTextStripper().getText(pdf).trim().split("\\s*\\R\\s*")).containsExactly("Fares from May", "Halvard Point");
            PDOutlineItem mark = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild();
            assertThat(mark.getTitle()).isEqualTo("Sheet two");
            assertThat(mark.findDestinationPage(pdf)).isEqualTo(pdf.getPage(1));
            assertThat(pdf.getDocumentCatalog().getStructureTreeRoot()).isNotNull();
        }
        assertThat(Proof.compare(PageText.of(new TwoSheets()), PageText.of(Files.readAllBytes(file), "sheets.pdf", null, Progress.SILENT), Progress.SILENT)
                .score()).isEqualTo(100);
    }

    @Test void paperWithoutATextDocumentBecomesNoOfficeFile() {
        assertThatThrownBy(() -> Publisher.publish(new Order(new TwoSheets(), Recipe.PLAIN.to(Target.DOCX)), folder.resolve("sheets.docx"), Instant.EPOCH,
                Progress.SILENT)).isInstanceOf(DecantException.class).hasMessageContaining("no text document");
        assertThat(folder).isEmptyDirectory();
    }
}
