package app.decant.edit;

import app.decant.document.Contents;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.WhatChanged.Kind;
import app.decant.edit.WhatChanged.Passage;
import app.decant.layout.Sample;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What was changed is found passage by passage and put back, until nothing differs any more. */
class WhatChangedTest {
    private static Document text(String... paragraphs) { return Sample.of(List.of(paragraphs).stream().map(Paragraph::of).toList()); }

    private static String told(Passage passage) {
        return passage.kind() + " " + passage.pieces().stream().map(piece -> switch (piece.fate()) {
            case STAYED -> piece.words();
            case GONE -> "[-" + piece.words() + "]";
            case CAME -> "[+" + piece.words() + "]";
        }).collect(Collectors.joining());
    }

    @Test void wordsThatWentAndCameAreTold() {
        Document before = text("The boat leaves at nine.", "It is late.", "Bring a coat and a hat.");
        Document now = text("The boat leaves at ten.", "Bring a coat and a hat.", "Tea is served.");
        assertThat(WhatChanged.against(before, now)).extracting(WhatChangedTest::told).containsExactly("REWORDED The boat leaves at [-nine][+ten].",
                "REMOVED [-It is late.]", "ADDED [+Tea is served.]");
        assertThat(WhatChanged.against(before, before)).isEmpty();
    }

    @Test void aCellAHeaderAndALookAreFoundWhereTheyAre() {
        Document before = PassengerHandbook.document();
        TextSelection start = TextSelection.caret(new Place(Walk.of(before).stops().get(0).path(), 0));
        Walk.Stop cell = Walk.of(before).stops().stream().filter(stop -> stop.path().size() == 5 && stop.paragraph().length() > 3).findFirst().orElseThrow();
        Document one = Typing.type(before, TextSelection.caret(new Place(cell.path(), 1)), "x", null).after();
        Story.Frame header = new Story.Frame(0, Section.FramePlace.HEADER);
        Document two = one.sections().get(0).frames().containsKey(Section.FramePlace.HEADER)
                ? Typing.type(one, TextSelection.caret(new Place(header, BlockPath.of(0, 0), 0)), "x", null).after() : one;
        Walk.Stop heading = Walk.of(two).stops().stream().filter(stop -> stop.paragraph().text().equals("Who we are")).findFirst().orElseThrow();
        TextSelection whole = new TextSelection(new Place(heading.path(), 0), new Place(heading.path(), heading.paragraph().length()));
        Document three = Dressing.looks(two, whole, look -> look.with(TextProperty.ITALIC, true)).after();
        List<Passage> found = WhatChanged.since(before, three);
        assertThat(found).extracting(Passage::kind).contains(Kind.RELOOKED, Kind.REWORDED).hasSize(two == one ? 2 : 3);
        Document back = three;
        for (Passage passage : found) {
            assertThat(WhatChanged.stands(back, passage)).isTrue();
            back = WhatChanged.putBack(back, start, passage).after();
        }
        assertThat(back).isEqualTo(before);
    }

    /** The law: whatever was done to a document, putting back what differs, again and again, ends where it began. */
    @Test void puttingAllBackEndsWhereItBegan() {
        int made = 0;
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(seed);
            Document before = new RandomDocument(random).document();
            Document now = before;
            for (int edit = 0; edit < 6; edit++) {
                Document present = now;
                // Contents lists follow the headings by themselves.
                List<Walk.Stop> stops = Walk.of(now).stops().stream().filter(one -> !(present.find(Story.BODY, one.path().parent()) instanceof Contents))
                        .toList();
                Walk.Stop stop = stops.get(random.nextInt(stops.size()));
                TextSelection caret = TextSelection.caret(new Place(stop.path(), random.nextInt(stop.paragraph().length() + 1)));
                now = switch (random.nextInt(4)) {
                    case 0 -> Typing.type(now, caret, "word" + edit, null).after();
                    case 1 -> Typing.breakParagraph(now, caret).after();
                    case 2 -> Deletion.delete(now, new TextSelection(caret.head().at(0), new Place(stop.path(), stop.paragraph().length()))).after();
                    default -> Dressing.paragraphs(now, caret, paragraph -> new Paragraph(null, paragraph.look(), paragraph.mark(), paragraph.inlines()),
                            EditKind.STYLE).after();
                };
            }
            for (int turn = 0; turn < 200; turn++) {
                List<Passage> found = WhatChanged.since(before, now);
                if (found.isEmpty()) break;
                Change back = WhatChanged.putBack(now, TextSelection.caret(found.get(0).place(now)), found.get(0));
                assertThat(back.transaction().inverse(now).apply(back.after()).document()).isEqualTo(now);
                now = back.after();
                made++;
            }
            assertThat(WhatChanged.since(before, now)).as("seed %d", seed).isEmpty();
            assertThat(Walk.of(now).stops().stream().map(Walk.Stop::paragraph).toList()).as("seed %d", seed)
                    .isEqualTo(Walk.of(before).stops().stream().map(Walk.Stop::paragraph).toList());
        }
        assertThat(made).isGreaterThan(150);
    }
}
