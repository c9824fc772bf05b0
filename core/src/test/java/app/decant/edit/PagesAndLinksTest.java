package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.BlockPath;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.layout.Sample;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Pages of parts, links, contents lists: made, seen on paper, taken back. */
class PagesAndLinksTest {
    private static Document made(Document before, Change change) {
        assertThat(change.transaction().inverse(before).apply(change.after()).document()).isEqualTo(before);
        assertThat(change.picked().fits(change.after())).isTrue();
        return change.after();
    }

    private static TextSelection at(Document document, String text) {
        Walk.Stop stop = Walk.of(document).stops().stream().filter(one -> one.paragraph().text().startsWith(text)).findFirst().orElseThrow();
        return TextSelection.caret(new Place(stop.path(), 3));
    }

    private static PagedDocument laid(Document document) { return Layout.of(document, FontCatalogue.ofThisMachine()); }

    @Test void aPartIsBegunAndTurnedWhileTheRestStands() {
        Document before = PassengerHandbook.document();
        TextSelection table = at(before, "Ostrey line");
        Document parted = made(before, Sections.begin(before, table, Section.Start.NEXT_PAGE));
        assertThat(parted.sections()).hasSize(before.sections().size() + 1);
        TextSelection there = at(parted, "Ostrey line");
        Document turned = made(parted, Sections.pages(parted, there, false, section -> {
            PageGeometry page = section.page();
            return new Section(section.start(), new PageGeometry(page.height(), page.width(), page.top(), page.right(), page.bottom(), page.left(),
                    page.header(),
                    page.footer(), page.gutter()), section.columns(), section.numbering(), section.frames(), section.firstPageDiffers(), section.blocks());
        }));
        PagedDocument pages = laid(turned);
        int page = pages.caret(there.head()).page();
        assertThat(pages.page(page).width()).isGreaterThan(pages.page(page).height());
        assertThat(pages.page(0).width()).isLessThan(pages.page(0).height());
        assertThat(pages.frame(page, true)).as("the header goes on").isEqualTo(laid(before).frame(laid(before).caret(table.head()).page(), true));
        assertThat(pages.unplaced()).isEmpty();
        assertThat(Sections.canBegin(TextSelection.caret(new Place(Walk.of(before).stops().get(0).path(), 0)))).isFalse();
    }

    @Test void allPartsGetTheSamePages() {
        Document before = PassengerHandbook.document();
        Document after = made(before, Sections.pages(before, at(before, "Who we are"), true, section -> new Section(section.start(), PageGeometry.A4,
                new Section.Columns(2, 18, false, List.of()), section.numbering(), section.frames(), section.firstPageDiffers(), section.blocks())));
        assertThat(after.sections()).allMatch(section -> section.columns().count() == 2);
        assertThat(Sections.pages(after, at(after, "Who we are"), true, section -> section).isNothing()).isTrue();
    }

    @Test void wordsAreMadeALinkChangedAndFreed() {
        Document before = Sample.of(List.of(Paragraph.of("See our notice for more.")));
        TextSelection words = new TextSelection(new Place(BlockPath.of(0, 0), 8), new Place(BlockPath.of(0, 0), 14));
        Document linked = made(before, Links.put(before, words, new Link.Address("https://ostrey.example")));
        TextSelection caret = TextSelection.caret(new Place(BlockPath.of(0, 0), 10));
        assertThat(Links.at(linked, caret)).isEqualTo(new Link.Address("https://ostrey.example"));
        assertThat(Links.around(linked, caret)).isEqualTo(words);
        Document changed = made(linked, Links.put(linked, caret, new Link.Address("https://other.example")));
        assertThat(Links.at(changed, words)).isEqualTo(new Link.Address("https://other.example"));
        assertThat(made(changed, Links.put(changed, caret, null))).isEqualTo(before);
        assertThat(Links.at(linked, TextSelection.caret(new Place(BlockPath.of(0, 0), 2)))).isNull();
    }

    @Test void wordsLeadToAHeadingAndFollowItWhereItMoves() {
        Document before = PassengerHandbook.document();
        TextSelection caret = at(before, "Each passenger");
        TextSelection words = new TextSelection(caret.head().at(0), caret.head().at(4));
        Place heading = at(before, "Vehicles").head().at(0);
        Document linked = made(before, Links.lead(before, words, heading));
        Link.Inside link = (Link.Inside) Links.at(linked, words);
        assertThat(linked.paragraph(Links.target(linked, link.bookmark())).text()).startsWith("Vehicles");
        Document moved = Headings.move(linked, TextSelection.caret(Links.target(linked, link.bookmark())), false).after();
        assertThat(moved.paragraph(Links.target(moved, link.bookmark())).text()).startsWith("Vehicles");
        Document plain = Sample.of(List.of(Paragraph.of("to the end"), Paragraph.of("end")));
        TextSelection to = new TextSelection(new Place(BlockPath.of(0, 0), 0), new Place(BlockPath.of(0, 0), 2));
        Document named = made(plain, Links.lead(plain, to, new Place(BlockPath.of(0, 1), 0)));
        assertThat(Links.target(named, ((Link.Inside) Links.at(named, to)).bookmark()).path()).isEqualTo(BlockPath.of(0, 1));
        assertThat(Links.target(named, "nowhere")).isNull();
    }

    /** A list that says something else, as one does that was made before the headings changed elsewhere, or leaves some out: as a whole, in one step. */
    @Test void aStaleContentsListIsBroughtUpToDate() {
        Document bare = Sample.of(List.of(Paragraph.of("Foreword"), Paragraph.styled("Heading1", "Fares"), Paragraph.styled("Heading2", "Nights")));
        Document fresh = made(bare, ContentsLists.insert(bare, TextSelection.caret(new Place(BlockPath.of(0, 0), 0))));
        TextSelection caret = TextSelection.caret(new Place(BlockPath.of(0, 0, 1), 2));
        assertThat(ContentsLists.refresh(fresh, caret)).as("it says what the headings say").isNull();
        Contents list = (Contents) fresh.blocks().get(0);
        Paragraph dressed = list.entries().get(0).withLook(Look.of(ParagraphProperty.SPACE_AFTER, 7.0));
        Contents stale = list.withEntries(List.of(dressed, Paragraph.of("Long gone\t9"), Paragraph.of("Typed by hand")));
        Document before = fresh.replacing(BlockPath.of(0), 0, 1, List.of(stale));
        Change change = ContentsLists.refresh(before, caret);
        Document after = made(before, change);
        assertThat(((Contents) after.blocks().get(0)).entries()).extracting(Paragraph::plainText).satisfiesExactly(
                one -> assertThat(one).startsWith("Fares\t"), one -> assertThat(one).startsWith("Nights\t"));
        assertThat(((Contents) after.blocks().get(0)).entries().get(0).look()).as("what leads to its heading keeps its look").isEqualTo(dressed.look());
        assertThat(after.find(Story.BODY, change.picked().head().path())).isNotNull();
        assertThat(ContentsLists.hasAny(Sample.of(List.of(Paragraph.of("Foreword"))))).isFalse();
    }

    @Test void aContentsListIsPutInAndFollowsTheHeadings() {
        Document before = Sample.of(List.of(Paragraph.of("Foreword"), Paragraph.styled("Heading1", "Fares"), Paragraph.of("text"),
                Paragraph.styled("Heading2", "Nights")));
        Change change = ContentsLists.insert(before, TextSelection.caret(new Place(BlockPath.of(0, 1), 2)));
        Document after = made(before, change);
        Contents contents = (Contents) after.sections().get(0).blocks().get(1);
        assertThat(contents.entries()).extracting(Paragraph::plainText).satisfiesExactly(one -> assertThat(one).startsWith("Fares\t"), one -> assertThat(one)
                .startsWith("Nights\t"));
        assertThat(after.paragraph(change.picked().head()).text()).isEqualTo("Fares");
        assertThat(contents.entries().get(0).inlines().get(0).look().get(TextProperty.LINK)).isInstanceOf(Link.Inside.class);
        PagedDocument pages = laid(after);
        PagedDocument.Spot entry = pages.spot(new Place(BlockPath.of(0, 1, 0), 0));
        double right = entry.line().left() + entry.line().line().width();
        assertThat(right).as("the page number stands at the right edge").isGreaterThan(pages.page(0).width() - 110);
        Change typed = FollowingContents.of(Typing.type(after, TextSelection.caret(new Place(BlockPath.of(0, 2), 5)), " of 2027", null));
        assertThat(((Contents) typed.after().sections().get(0).blocks().get(1)).entries().get(0).plainText()).startsWith("Fares of 2027\t");
        // Whatever is done within the list, its entries come from the headings, and the caret stays with its own: what is typed next goes there.
        for (int at : new int[] {0, 3, contents.entries().get(1).length()}) {
            Change parted = FollowingContents.of(Typing.breakParagraph(after, TextSelection.caret(new Place(BlockPath.of(0, 1, 1), at))));
            assertThat(((Contents) parted.after().sections().get(0).blocks().get(1)).entries()).hasSize(2);
            assertThat(parted.picked().head().path()).isEqualTo(BlockPath.of(0, 1, 1));
            assertThat(parted.after().paragraph(parted.picked().head()).length()).isGreaterThanOrEqualTo(parted.picked().head().offset());
        }
        assertThat(IntStream.range(0, 3).filter(i -> ContentsLists.canInsert(TextSelection.caret(new Place(BlockPath.of(0, i), 0))))).hasSize(3);
    }
}
