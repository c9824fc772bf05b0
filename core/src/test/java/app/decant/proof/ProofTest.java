package app.decant.proof;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Deletion;
import app.decant.edit.Dressing;
import app.decant.edit.EditKind;
import app.decant.edit.Search;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.publish.Order;
import app.decant.publish.Publisher;
import app.decant.publish.Recipe;
import app.decant.recover.PageText;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.UnaryOperator;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The promise of the score: a perfect copy is 100, and whatever differs lowers it and is found in its place. Originals are files that were published. */
class ProofTest {
    @TempDir Path folder;
    private Document document;
    private PagedDocument pages;
    private byte[] original;

    @BeforeEach void publishTheOriginal() throws IOException {
        document = beginning(PassengerHandbook.document());
        pages = Layout.of(document, FontCatalogue.shipped());
        original = published(pages, "original.pdf");
    }

    /** The handbook as far as it is about luggage. */
    private static Document beginning(Document whole) {
        List<Section> sections = new ArrayList<>();
        for (Section section : whole.sections()) {
            List<Block> blocks = new ArrayList<>();
            boolean found = false;
            for (Block block : section.blocks()) {
                blocks.add(block);
                found = block instanceof Paragraph paragraph && paragraph.plainText().contains("luggage without");
                if (found) break;
            }
            sections.add(section.withBlocks(blocks));
            if (found) break;
        }
        return whole.withSections(sections);
    }

    private byte[] published(PagedDocument laidOut, String name) throws IOException {
        Path file = folder.resolve(name);
        Publisher.publish(new Order(laidOut, Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), file, Instant.EPOCH, Progress.SILENT);
        return Files.readAllBytes(file);
    }

    private static Comparison compared(byte[] before, byte[] after) {
        try (Side one = side(before); Side other = side(after)) {
            return Proof.compare(one, other, Progress.SILENT);
        }
    }

    private static Side side(byte[] pdf) { return Side.of(pdf, "a.pdf", null, Progress.SILENT); }

    private Comparison against(Document changed) throws IOException {
        return compared(original, published(Layout.of(changed, FontCatalogue.shipped()), "changed.pdf"));
    }

    @Test void aPerfectCopyIsAHundredWithoutAnyFinding() throws IOException {
        for (Comparison comparison : List.of(compared(original, original), Proof.compare(side(original), pages, Progress.SILENT), against(document))) {
            assertThat(comparison.pages()).hasSize(pages.count()).allSatisfy(page -> assertThat(page.score()).isEqualTo(100));
            assertThat(comparison.score()).isEqualTo(100);
            assertThat(comparison.differences()).isEmpty();
        }
    }

    @Test void aChangedWordIsFoundInItsPlace() throws IOException {
        TextSelection word = word("luggage without", 0);
        Difference found = only(against(Typing.type(document, word, "parcels", null).after()), Difference.Kind.TEXT);
        assertThat(found.sentence()).contains("luggage").contains("parcels").contains("reads");
        assertAt(found, word);
    }

    @Test void aWordThatIsGoneIsLost() throws IOException {
        TextSelection word = word("luggage without", 0);
        Difference found = only(against(Deletion.delete(document, word).after()), Difference.Kind.TEXT);
        assertThat(found.sentence()).isEqualTo("“luggage” is missing.");
        assertThat(found.weight()).isEqualTo(Finding.Weight.LOST);
        assertAt(found, word);
    }

    @Test void aWordThatCameInIsTold() throws IOException {
        TextSelection word = word("luggage without", 0);
        Difference found = only(against(Typing.type(document, TextSelection.caret(word.start()), "heavy ", null).after()), Difference.Kind.TEXT);
        assertThat(found.sentence()).isEqualTo("“heavy” was not there.");
    }

    @Test void anotherColourWeightSlantAndSizeOfOneWordAreFoundInItsPlace() throws IOException {
        Map<UnaryOperator<Look>, String> looks = Map.of(look -> look.with(TextProperty.COLOUR, new Colour(0xC03020)), "“luggage” has another colour.",
                look -> look.with(TextProperty.BOLD, true), "“luggage” is bold now.", look -> look.with(TextProperty.ITALIC, true), "“luggage” is italic now.",
                look -> look.with(TextProperty.SIZE, 9.0), "“luggage” is set in 9.0 pt instead of ");
        for (Map.Entry<UnaryOperator<Look>, String> look : looks.entrySet()) {
            TextSelection word = word("luggage without", 0);
            Comparison comparison = against(Dressing.looks(document, word, look.getKey()).after());
            assertThat(comparison.score()).as(look.getValue()).isLessThan(100).isGreaterThan(97);
            List<Difference> found = comparison.differences().stream().filter(one -> one.sentence().startsWith(look.getValue())).toList();
            assertThat(found).as("%s in %s", look.getValue(), comparison.differences()).hasSize(1);
            assertAt(found.get(0), word);
        }
    }

    @Test void anotherFontIsToldOnceAndLowersThePagesThatUseIt() throws IOException {
        Paragraph body = document.paragraph(word("luggage without", 0).start());
        Document changed = document;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            if (!Objects.equals(stop.paragraph().style(), body.style())) continue;
            TextSelection all = new TextSelection(new Place(stop.path(), 0), new Place(stop.path(), stop.paragraph().length()));
            changed = Dressing.looks(changed, all, look -> look.with(TextProperty.FAMILY, "Liberation Mono")).after();
        }
        Comparison comparison = against(changed);
        assertThat(comparison.differences()).filteredOn(one -> one.kind() == Difference.Kind.FONT).hasSize(1).first()
                .satisfies(one -> assertThat(one.sentence()).contains("is replaced by Liberation Mono"));
        assertThat(comparison.score()).isLessThan(98);
    }

    @Test void aLineThatMovedIsFound() throws IOException {
        TextSelection word = word("luggage without", 0);
        Document changed = Dressing.paragraphs(document, word, one -> one.withLook(one.look().with(ParagraphProperty.INDENT_START, 14.0).with(
                ParagraphProperty.INDENT_END, -14.0)), EditKind.PARAGRAPH).after();
        Comparison comparison = against(changed);
        assertThat(comparison.score()).isLessThan(100);
        Difference found = only(comparison, Difference.Kind.PLACE);
        assertThat(found.sentence()).contains("moved by 14 pt");
        assertThat(found.page()).isEqualTo(pages.spot(word.start()).page());
    }

    @Test void aPictureThatIsLostMovedOrResizedIsFoundInItsPlace() throws IOException {
        Picture picture = new Picture(harbour(), 200, 120, "The harbour");
        document = withPicture(picture, 0);
        pages = Layout.of(document, FontCatalogue.shipped());
        original = published(pages, "with picture.pdf");
        Difference lost = only(against(withPicture(null, 0)), Difference.Kind.PICTURE);
        assertThat(lost.sentence()).isEqualTo("A picture is missing.");
        assertThat(List.of(lost.width(), lost.height())).usingElementComparator((a, b) -> Math.abs(a - b) < 0.5 ? 0 : 1).containsExactly(200.0, 120.0);
        assertThat(only(against(withPicture(picture.sized(180, 120), 0)), Difference.Kind.PICTURE).sentence()).isEqualTo("A picture has another size.");
        assertThat(only(against(withPicture(picture, 40)), Difference.Kind.PICTURE).sentence()).isEqualTo("A picture moved by 40 pt.");
    }

    private static Image harbour() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(60, 36, BufferedImage.TYPE_INT_RGB), "png", bytes);
        return new Image("image/png", bytes.toByteArray());
    }

    private Document withPicture(Picture picture, double indent) {
        Paragraph paragraph = Paragraph.of("A picture of the harbour: ");
        List<Inline> inlines = new ArrayList<>(paragraph.inlines());
        if (picture != null) inlines.add(0, new Inline.InlinePicture(picture, Look.PLAIN));
        Look look = Look.of(ParagraphProperty.INDENT_START, indent).with(ParagraphProperty.LINE_SPACING,
                new ParagraphProperty.LineSpacing(ParagraphProperty.LineSpacing.Rule.EXACTLY, 140));
        List<Block> blocks = List.of(new Paragraph(null, look, Look.PLAIN, inlines), Paragraph.of("What follows."));
        return PassengerHandbook.document().withSections(List.of(Section.PLAIN.withBlocks(blocks)));
    }

    @Test void aLinkThatIsGoneIsTold() throws IOException {
        TextSelection word = word("luggage without", 0);
        Document linked = Dressing.looks(document, word, look -> look.with(TextProperty.LINK, new Link.Address("https://ferries.example/luggage"))).after();
        byte[] before = published(Layout.of(linked, FontCatalogue.shipped()), "linked.pdf");
        Comparison comparison = compared(before, original);
        assertThat(comparison.differences()).extracting(Difference::sentence).containsExactly("The link to https://ferries.example/luggage is gone.");
        Document strange = Dressing.looks(document, word, look -> look.with(TextProperty.LINK, new Link.Address("https://ferries.example/gepäck"))).after();
        PagedDocument laid = Layout.of(strange, FontCatalogue.shipped());
        assertThat(Proof.compare(side(published(laid, "strange.pdf")), laid, Progress.SILENT).differences()).as("one address, written in two ways").isEmpty();
    }

    @Test void aMissingPageIsUnlikeEverything() throws IOException {
        List<PageText> all = PageText.of(original, "a.pdf", null, Progress.SILENT);
        Comparison comparison = Proof.compare(all, all.subList(0, all.size() - 1), Progress.SILENT);
        assertThat(comparison.pages().get(all.size() - 1).score()).isZero();
        assertThat(comparison.score()).isLessThan(100.0 * (all.size() - 0.5) / all.size());
    }

    /** What tags and looks can't tell: the same page built otherwise. */
    @Test void whatPassagesAreCountsWhereBothSidesSayIt() throws IOException {
        Paragraph heading = Paragraph.of("1 Crossings").withLook(Look.of(ParagraphProperty.OUTLINE_LEVEL, 1));
        Document built = PassengerHandbook.document().withSections(List.of(Section.PLAIN.withBlocks(List.of(heading, Paragraph.of("By day.")))));
        PagedDocument before = Layout.of(built, FontCatalogue.shipped());
        Document flat = built.withSections(List.of(Section.PLAIN.withBlocks(List.of(heading.withLook(Look.PLAIN), Paragraph.of("By day.")))));
        Document lower = built.withSections(List.of(Section.PLAIN.withBlocks(List.of(heading.withLook(Look.of(ParagraphProperty.OUTLINE_LEVEL, 2)),
                Paragraph.of("By day.")))));
        Comparison lost = Proof.compare(Side.of(before), Layout.of(flat, FontCatalogue.shipped()), Progress.SILENT);
        Comparison other = Proof.compare(Side.of(before), Layout.of(lower, FontCatalogue.shipped()), Progress.SILENT);
        assertThat(lost.looks()).isEqualTo(100);
        assertThat(lost.words()).isLessThan(other.words());
        assertThat(other.words()).isLessThan(100);
        assertThat(lost.differences()).extracting(Difference::sentence).containsExactly("“1 Crossings” was a heading, and is a paragraph now.");
        assertThat(other.differences()).extracting(Difference::sentence)
                .containsExactly("“1 Crossings” was a heading of level 1, and is one of level 2 now.");
    }

    /** The nth place in the body of a word, told by the one after it. */
    private TextSelection word(String text, int nth) {
        TextSelection found = Search.all(document, text, true).stream().filter(one -> one.story().equals(Story.BODY)).skip(nth).findFirst().orElseThrow();
        return new TextSelection(found.start(), found.start().at(found.start().offset() + text.indexOf(' ')));
    }

    private static Difference only(Comparison comparison, Difference.Kind kind) {
        assertThat(comparison.score()).isLessThan(100);
        List<Difference> found = comparison.differences().stream().filter(one -> one.kind() == kind).toList();
        assertThat(found).as("%s", comparison.differences()).hasSize(1);
        return found.get(0);
    }

    /** Whether a difference stands where the line of a place does. */
    private void assertAt(Difference found, TextSelection word) {
        PagedDocument.Caret caret = pages.caret(word.start());
        assertThat(found.page()).isEqualTo(caret.page());
        assertThat(caret.top() + caret.height() / 2).isBetween(found.y() - 1, found.y() + found.height() + 1);
        assertThat(caret.x()).isBetween(found.x() - 1, found.x() + found.width() + 1);
    }
}
