package app.decant.edit;

import app.decant.document.Inline;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.Walk;
import app.decant.layout.Sample;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.BiFunction;
import org.junit.jupiter.api.Test;

/** Whatever is offered at a caret can be done there, in text, cells, contents lists, headers, notes and boxes alike, and is taken back. */
class EverywhereTest {
    private static final Document PASTED = Sample.of(List.of(Paragraph.styled("Heading1", "Night fares"), Paragraph.of("two crowns")));
    private static final List<BiFunction<Document, Selection, Change>> OFFERED = List.of(
            (document, picked) -> Adoption.paste(document, picked, PASTED),
            (document, picked) -> Adoption.paste(document, picked, Sample.of(List.of(Paragraph.of("one"), Paragraph.of("two")))),
            (document, picked) -> Pictures.insert(document, picked, new Image("image/png", new byte[8]), 20, 20),
            (document, picked) -> Lists.toggle(document, picked, Lists.Kind.NUMBERS), Lists::restart, (document, picked) -> Lists.deeper(document, picked, 1),
            (document, picked) -> Headings.shift(document, picked, 1), (document, picked) -> Headings.move(document, picked, true),
            (document, picked) -> Headings.move(document, picked, false),
            (document, picked) -> Tables.canInsert(document, picked) ? Tables.insert(document, picked, 2, 2, 100) : new Draft(document, picked)
                    .done(EditKind.TABLE),
            (document, picked) -> picked.story() instanceof Story.Body
                    ? Echo.of(document, picked.head().path()).apply(document, picked, Echo.of(document, picked.head().path()).others())
                    : new Draft(document, picked).done(EditKind.LOOK),
            (document, picked) -> Notes.canInsert(picked) ? Notes.insert(document, picked, Inline.Note.Kind.FOOTNOTE) : new Draft(document, picked)
                    .done(EditKind.OBJECT),
            (document, picked) -> Fields.insert(document, picked, Inline.Field.Kind.PAGE),
            (document, picked) -> Frames.open(document, picked, 0, Section.FramePlace.EVEN_FOOTER),
            (document, picked) -> picked.story() instanceof Story.Frame ? Frames.remove(document, picked) : Typing.breakLine(document, picked),
            (document, picked) -> Deletion.delete(document, whole(document, picked)),
            Typing::breakParagraph, (document, picked) -> Typing.type(document, picked, "a\nb", null));

    @Test void whatIsOfferedCanBeDone() {
        List<Document> documents = new ArrayList<>(List.of(PassengerHandbook.document()));
        for (int seed = 0; seed < 25; seed++) documents.add(new RandomDocument(new Random(seed)).document());
        for (int d = 0; d < documents.size(); d++) {
            Document document = documents.get(d);
            for (Story story : Stories.all(document)) {
                List<Walk.Stop> stops = Walk.of(document, story).stops();
                for (int i = 0; i < stops.size(); i += d == 0 ? 7 : 1) {
                    int length = stops.get(i).paragraph().length();
                    for (int offset : new int[] {0, length / 2, length}) canBeDone(document, TextSelection.caret(new Place(story, stops.get(i).path(),
                            offset)), d);
                }
            }
        }
    }

    private static void canBeDone(Document document, TextSelection caret, int d) {
        for (int o = 0; o < OFFERED.size(); o++) {
            Change change = OFFERED.get(o).apply(document, caret);
            assertThat(change.transaction().inverse(document).apply(change.after()).document()).as("document %d, %s, %d", d, caret, o).isEqualTo(document);
            assertThat(change.picked().fits(change.after())).as("document %d, %s, %d: %s", d, caret, o, change.picked()).isTrue();
        }
    }

    /** All of the story that a caret is in. */
    private static TextSelection whole(Document document, Selection caret) {
        List<Walk.Stop> stops = Walk.of(document, caret.story()).stops();
        Walk.Stop last = stops.get(stops.size() - 1);
        return new TextSelection(new Place(caret.story(), stops.get(0).path(), 0), new Place(caret.story(), last.path(), last.paragraph().length()));
    }
}
