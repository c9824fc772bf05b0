package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Inline;
import app.decant.document.Place;
import app.decant.document.Section.FramePlace;
import app.decant.document.Story;
import app.decant.document.Walk;
import app.decant.edit.Change;
import app.decant.edit.Frames;
import app.decant.edit.Notes;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;
import org.junit.jupiter.api.Test;

/** The way from paper to text and back, in headers, footers, notes and boxes as in the body. */
class StoryPlacesTest {
    @Test void everyLineOnPaperLeadsToItsTextAndBack() {
        PagedDocument pages = Layout.of(PassengerHandbook.document(), FontCatalogue.ofThisMachine());
        int others = 0;
        for (Page page : pages.pages()) {
            for (Item item : page.items()) {
                if (!(item instanceof Item.LineItem line) || line.line().end() == line.line().start()) continue;
                double x = line.left() + line.line().width() / 2;
                double y = line.y() + line.line().height() / 2;
                Place place = pages.placeAt(page.index(), x, y);
                assertThat(place).as("page %d, %s", page.index(), line.line()).isNotNull();
                assertThat(pages.document().paragraph(place)).as("%s", place).isSameAs(TextPassage.paragraph(line));
                PagedDocument.Caret caret = pages.caret(place, page.index());
                // A head that repeats is written where it stands first.
                if (!line.editable() && place.story() instanceof Story.Body) continue;
                assertThat(caret.page()).as("%s", place).isEqualTo(page.index());
                assertThat(caret.x()).isBetween(line.left() - 1, line.left() + line.line().width() + 1);
                assertThat(caret.top()).isBetween(line.y() - 1, line.y() + line.line().height());
                if (!(place.story() instanceof Story.Body)) others++;
            }
        }
        assertThat(others).as("lines beside the body").isGreaterThan(20);
    }

    @Test void aHeaderIsBegunWrittenAndFollowedByThePages() {
        Layout layout = new Layout(FontCatalogue.ofThisMachine());
        PagedDocument pages = layout.next(PassengerHandbook.document());
        Story.Frame frame = pages.frame(0, true);
        assertThat(frame).as("the cover has a head of its own").isEqualTo(new Story.Frame(0, FramePlace.FIRST_HEADER));
        assertThat(pages.frame(5, true).place()).isEqualTo(FramePlace.HEADER);
        TextSelection start = TextSelection.caret(new Place(pages.walk().stops().get(0).path(), 0));
        Change change = Frames.open(pages.document(), start, frame.section(), frame.place());
        for (String letter : "Copy".split("")) {
            pages = layout.next(change.after());
            assertThat(pages.caret(change.picked().head()).page()).isZero();
            change = Typing.type(change.after(), change.picked(), letter, null);
        }
        pages = layout.next(change.after());
        PagedDocument.Caret caret = pages.caret(change.picked().head());
        assertThat(caret.page()).isZero();
        assertThat(caret.top()).isLessThan(60);
        assertThat(pages.placeAt(0, caret.x() - 1, caret.top() + 3)).isEqualTo(change.picked().head());
        assertThat(pages.placeAt(0, 300, 400).story()).isEqualTo(Story.BODY);
    }

    @Test void aHeaderIsWrittenOnThePageThatIsLookedAt() {
        PagedDocument pages = Layout.of(PassengerHandbook.document(), FontCatalogue.ofThisMachine());
        Story.Frame frame = pages.frame(7, true);
        Place place = new Place(frame, pages.walk(frame).stops().get(0).path(), 1);
        assertThat(pages.caret(place, 7).page()).isEqualTo(7);
        assertThat(pages.caret(place, 0).page()).as("the cover has none of it").isEqualTo(1);
    }

    @Test void aNoteIsPutInAndWrittenAtTheFoot() {
        Layout layout = new Layout(FontCatalogue.ofThisMachine());
        PagedDocument pages = layout.next(PassengerHandbook.document());
        Walk.Stop stop = pages.walk().stops().get(pages.walk().stops().size() / 2);
        Change put = Notes.insert(pages.document(), TextSelection.caret(new Place(stop.path(), 2)), Inline.Note.Kind.FOOTNOTE);
        assertThat(put.picked().story()).isInstanceOf(Story.Note.class);
        Change typed = Typing.type(put.after(), put.picked(), "By the winter order.", null);
        pages = layout.next(typed.after());
        PagedDocument.Caret mark = pages.caret(new Place(stop.path(), 2));
        PagedDocument.Caret caret = pages.caret(typed.picked().head());
        assertThat(caret.page()).isEqualTo(mark.page());
        assertThat(caret.top()).isGreaterThan(mark.top());
        assertThat(pages.unplaced()).isEmpty();
    }
}
