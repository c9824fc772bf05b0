package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Contents;
import app.decant.document.ContentsList;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.TextProperty;
import app.decant.layout.Sample;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Lists of what a document holds, and what edits of its text change in them: no more than what they list was changed. */
class FollowingContentsTest {
    private static final Look BOLD = Look.of(TextProperty.BOLD, true);
    private Document document;

    /** A list of headings that leaves “Nights” out, names the preface by hand, and says one number in bold; and one of figures. */
    @BeforeEach void setUp() {
        Contents headings = new Contents(1, 2, List.of(Paragraph.of("Preface\tiii"), entry("a", "1\tFares\t", BOLD), entry("c", "2\tAnimals\t", Look.PLAIN)));
        Contents figures = Contents.of("TOC \\h \\z \\c \"Figure\"", List.of(entry("f", "Figure 1: The harbour\t", Look.PLAIN)));
        document = Sample.of(List.of(headings, figures, heading("a", "Heading1", "1 Fares"), Paragraph.of("text"), heading("b", "Heading2", "Nights"),
                Paragraph.of("more"), heading("c", "Heading1", "2 Animals"), heading("f", null, "Figure 1: The harbour")));
    }

    private static Paragraph entry(String mark, String words, Look look) {
        Look link = look.with(TextProperty.LINK, new Link.Inside(mark));
        return Paragraph.of("").withStyle("TOC1").withInlines(List.of(new Inline.Text(words, link),
                new Inline.Field(Inline.Field.Kind.PAGE_REFERENCE, "PAGEREF " + mark + " \\h", "3", link)));
    }

    private static Paragraph heading(String mark, String style, String words) {
        return Paragraph.styled(style, words).withInlines(List.of(new Inline.BookmarkPoint(mark, true), new Inline.Text(words, Look.PLAIN),
                new Inline.BookmarkPoint(mark, false)));
    }

    private static List<String> entries(Document document, int list) {
        return ((Contents) document.blocks().get(list)).entries().stream().map(Paragraph::plainText).toList();
    }

    private Document after(Change change) {
        Change followed = FollowingContents.of(change);
        assertThat(entries(followed.after(), 1)).as("figures are none of the headings").containsExactly("Figure 1: The harbour\t3");
        assertThat(followed.transaction().inverse(document).apply(followed.after()).orThrow()).isEqualTo(document);
        return followed.after();
    }

    private static TextSelection at(int block, int offset) { return TextSelection.caret(new Place(BlockPath.of(0, block), offset)); }

    @Test void whatIsTypedElsewhereChangesNoList() {
        Document after = after(Typing.breakParagraph(document, at(3, 2)));
        assertThat(after.blocks().get(0)).isSameAs(document.blocks().get(0));
        assertThat(after.blocks().get(1)).isSameAs(document.blocks().get(1));
        assertThat(ContentsList.following(document, null, document)).isSameAs(document);
    }

    @Test void theWordsOfAnEntryChangeInTheirLook() {
        Document after = after(Typing.type(document, at(2, 7), " of 2027", null));
        assertThat(entries(after, 0)).containsExactly("Preface\tiii", "1\tFares of 2027\t3", "2\tAnimals\t3");
        Paragraph entry = ((Contents) after.blocks().get(0)).entries().get(1);
        assertThat(entry.inlines()).hasSize(2).allSatisfy(inline -> assertThat(inline.look().is(TextProperty.BOLD)).isTrue());
        Document numbered = after(Typing.type(document, new TextSelection(new Place(BlockPath.of(0, 6), 0), new Place(BlockPath.of(0, 6), 1)), "7", null));
        assertThat(entries(numbered, 0)).containsExactly("Preface\tiii", "1\tFares\t3", "7\tAnimals\t3");
    }

    @Test void entriesComeAndGoWithTheirHeadings() {
        Document gone = after(Deletion.delete(document, new TextSelection(new Place(BlockPath.of(0, 2), 0), new Place(BlockPath.of(0, 3), 0))));
        assertThat(entries(gone, 0)).containsExactly("Preface\tiii", "2\tAnimals\t3");
        Change parted = Typing.breakParagraph(document, at(3, 4));
        Document typed = Typing.type(parted.after(), parted.picked(), "Seats", null).after();
        Change made = Dressing.paragraphs(typed, at(4, 0), one -> one.withStyle("Heading2"), EditKind.HEADING);
        Document put = FollowingContents.of(made).after();
        assertThat(entries(put, 0)).containsExactly("Preface\tiii", "1\tFares\t3", "Seats\t", "2\tAnimals\t3");
        assertThat(entries(FollowingContents.of(Typing.type(put, at(4, 5), " inside", null)).after(), 0)).contains("Seats inside\t");
    }

    @Test void entriesMoveWithTheirSections() {
        Document moved = after(Headings.place(document, at(6, 0), BlockPath.of(0, 6), BlockPath.of(0, 2)));
        assertThat(entries(moved, 0)).containsExactly("Preface\tiii", "2\tAnimals\t3", "1\tFares\t3");
    }

    /** An entry that leads to a plain paragraph stays when that becomes a heading, and is none twice. */
    @Test void whatBecomesAHeadingKeepsItsEntry() {
        Paragraph named = heading("n", null, "Notes");
        Contents list = (Contents) document.blocks().get(0);
        List<Paragraph> entries = new ArrayList<>(list.entries());
        entries.add(entry("n", "Notes\t", Look.PLAIN));
        entries.add(entry("c", "Animals, with a picture ", Look.PLAIN).withInlines(List.of(new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "1",
                Look.of(TextProperty.LINK, new Link.Inside("c"))), new Inline.Text("2 Animals\t", Look.PLAIN))));
        List<Block> blocks = new ArrayList<>(document.blocks());
        blocks.set(0, list.withEntries(entries));
        blocks.add(named);
        document = Sample.of(blocks);
        Document made = after(Dressing.paragraphs(document, at(8, 0), one -> one.withStyle("Heading1"), EditKind.HEADING));
        assertThat(entries(made, 0)).startsWith("Preface\tiii", "1\tFares\t3", "2\tAnimals\t3", "Notes\t3").hasSize(5);
        Document renamed = after(Typing.type(document, at(6, 2), "All ", null));
        assertThat(entries(renamed, 0)).as("one with more than words stays as it is").contains("2\tAll Animals\t3").endsWith("12 Animals\t");
    }

    /** A list that names all headings is a list of them all: whatever is done to it, it names them. */
    @Test void aWholeListStaysWhole() {
        Document whole = ContentsList.refreshed(document);
        assertThat(entries(whole, 0)).containsExactly("1\tFares\t3", "Nights\t", "2\tAnimals\t3");
        Change parted = Typing.breakParagraph(whole, TextSelection.caret(new Place(BlockPath.of(0, 0, 1), 3)));
        assertThat(entries(FollowingContents.of(parted).after(), 0)).containsExactly("1\tFares\t3", "Nights\t", "2\tAnimals\t3");
    }

    @Test void whatAFieldListsIsToldByItsSwitches() {
        assertThat(List.of("TOC", "TOC \\o \"1-3\" \\h", "TOC \\t \"Chapter,1\"", "TOC \\f \\o 1-2", " toc \\u"))
                .allMatch(field -> Contents.of(field, List.of()).listsHeadings());
        assertThat(List.of("TOC \\c \"Figure\"", "TOC \\h\\z\\a Table", "TOC \\f m")).noneMatch(field -> Contents.of(field, List.of()).listsHeadings());
        assertThat(Contents.of("TOC \\h \\c Table \\z", List.of()).captions()).isEqualTo("Table");
        assertThat(Contents.of("TOC \\o \"2-4\"", List.of())).extracting(Contents::fromLevel, Contents::toLevel).containsExactly(2, 4);
        Block plain = Contents.of(new Contents(1, 2, List.of()).field(), List.of());
        assertThat(plain).isEqualTo(new Contents(1, 2, List.of()));
    }
}
