package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.BlockPath;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.layout.Sample;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Looking for words and putting others in their place, against a plain text. */
class SearchTest {
    private static Document text(String... paragraphs) { return Sample.of(List.of(paragraphs).stream().map(Paragraph::of).toList()); }

    private static String read(Document document) { return String.join("|", Walk.of(document).stops().stream().map(stop -> stop.paragraph().text()).toList()); }

    private static String replaced(Document document, Wanted wanted, String with) {
        TextSelection caret = TextSelection.caret(new Place(Walk.of(document).stops().get(0).path(), 0));
        Change change = Search.replaceAll(document, caret, wanted, with);
        assertThat(change.transaction().apply(document).document()).isEqualTo(change.after());
        assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
        return read(change.after());
    }

    @Test void choicesSayWhatCountsAsTheSame() {
        Document document = text("Pier, pier and piers", "p\u00ADier\u00A0two");
        assertThat(Search.all(document, new Wanted("pier", false, false, false))).hasSize(4);
        assertThat(Search.all(document, new Wanted("pier", true, false, false))).hasSize(3);
        assertThat(Search.all(document, new Wanted("pier", false, true, false))).hasSize(3);
        assertThat(Search.all(document, new Wanted("pier two", false, false, false))).hasSize(1);
        assertThat(Search.all(document, new Wanted("p.er", true, false, false))).isEmpty();
        assertThat(Search.all(document, new Wanted("p.ers?", true, false, true))).hasSize(3);
        assertThat(Search.all(document, new Wanted("x*", true, false, true))).as("nothing is no place").isEmpty();
    }

    /** Unicode Standard Annex 15: a letter and what stands on it, as one sign or as two. */
    @Test void accentsCountOrNot() {
        Document document = text("Cafe, caf\u00E9, cafe\u0301 and \u00C7afe; sch\u00F6n, schon");
        assertThat(Search.all(document, new Wanted("cafe", false, false, false, null, true))).hasSize(4);
        assertThat(Search.all(document, new Wanted("caf\u00E9", false, false, false, null, true))).hasSize(4);
        assertThat(Search.all(document, new Wanted("caf\u00E9", false, false, false, null, false))).hasSize(1);
        assertThat(Search.all(document, new Wanted("schon", true, true, false, null, false))).hasSize(1);
        assertThat(replaced(document, new Wanted("schon", true, true, false, null, true), "fair")).endsWith(" and \u00C7afe; fair, fair");
        assertThat(replaced(document, new Wanted("cafe", false, false, false, null, true), "tea")).startsWith("tea, tea, tea and tea;");
    }

    @Test void onlyAPartIsLookedThrough() {
        Document document = text("pier pier", "pier", "pier pier");
        List<Walk.Stop> stops = Walk.of(document).stops();
        TextSelection within = new TextSelection(new Place(stops.get(0).path(), 5), new Place(stops.get(2).path(), 6));
        Change change = Search.replaceAll(document, within, Wanted.plain("pier", true), "quay", within);
        assertThat(Walk.of(change.after()).stops().stream().map(stop -> stop.paragraph().text())).containsExactly("pier quay", "quay", "quay pier");
    }

    @Test void othersTakeTheirPlaceInOneStep() {
        assertThat(replaced(text("a cat, a cat", "cat"), Wanted.plain("cat", true), "dog")).isEqualTo("a dog, a dog|dog");
        assertThat(replaced(text("aaaa"), Wanted.plain("a", true), "bc")).as("places that touch").isEqualTo("bcbcbcbc");
        assertThat(replaced(text("$1 \\ 2"), Wanted.plain("$1 \\", true), "$2\\")).as("signs of patterns are signs").isEqualTo("$2\\ 2");
        assertThat(replaced(text("12.11.2026 and 1.2.2027"), new Wanted("(\\d+)\\.(\\d+)\\.(\\d{4})", true, false, true), "$3-$2-$1"))
                .isEqualTo("2026-11-12 and 2027-2-1");
        assertThat(replaced(text("gone gone"), Wanted.plain("gone", true), "")).isEqualTo(" ");
    }

    @Test void whatIsPutInLooksAsTheFirstLetterItReplaces() {
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("the ", Look.PLAIN),
                new Inline.BookmarkPoint("here", true), new Inline.Text("pi", Look.of(TextProperty.BOLD, true)), new Inline.BookmarkPoint("in", true),
                new Inline.BookmarkPoint("in", false), new Inline.Text("er", Look.PLAIN), new Inline.BookmarkPoint("here", false)));
        Document document = Sample.of(List.of(paragraph));
        TextSelection place = Search.all(document, "pier", true).get(0);
        Change change = Search.replace(document, place, Wanted.plain("pier", true), "quay");
        Paragraph made = change.after().paragraph(place.start());
        assertThat(made.text()).isEqualTo("the quay");
        assertThat(made.lookBefore(8).is(TextProperty.BOLD)).isTrue();
        assertThat(made.inlines().stream().filter(Inline.BookmarkPoint.class::isInstance)).hasSize(4);
        assertThat(((TextSelection) change.picked()).isEmpty()).isTrue();
        assertThat(change.picked().head().offset()).isEqualTo(8);
        assertThat(Search.replace(change.after(), place, Wanted.plain("pier", true), "quay").isNothing()).as("it does not stand there any more").isTrue();
    }

    /** In any document, in all its stories: what was a letter is two others, all else as it was; and all of it is taken back at once. */
    @Test void everyPlaceOfEveryStoryIsReached() {
        for (int seed = 0; seed < 80; seed++) {
            Random random = new Random(seed);
            Document document = new RandomDocument(random).document();
            List<String> before = texts(document);
            String all = String.join("", before).replaceAll("[^\\u4E00-\\u9FFF]", "");
            if (all.isEmpty()) continue;
            String one = all.substring(0, 1);
            String either = "[" + one + all.charAt(random.nextInt(all.length())) + "]";
            TextSelection caret = TextSelection.caret(new Place(Walk.of(document).stops().get(0).path(), 0));
            Change change = Search.replaceAll(document, caret, new Wanted(either, true, false, true), "xy");
            assertThat(texts(change.after())).as("seed %d", seed).isEqualTo(before.stream().map(text -> text.replaceAll(either, "xy")).toList());
            assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
        }
    }

    @Test void patternsThatAreNoneOrNeverEndAreRefusedInWords() {
        Document document = text("a".repeat(5000) + "!");
        for (String bad : List.of("(", "[a", "*"))
            assertThatThrownBy(() -> Search.all(document, new Wanted(bad, true, false, true))).isInstanceOf(DecantException.class)
                    .hasMessageContaining("no pattern");
        for (String endless : List.of("(a|aa)+$", "(a|a?)+b"))
            assertThatThrownBy(() -> Search.all(document, new Wanted(endless, true, false, true))).isInstanceOf(DecantException.class)
                    .hasMessageContaining("no end");
        assertThatThrownBy(() -> replaced(document, new Wanted("(a)", true, false, true), "$2")).isInstanceOf(DecantException.class).hasMessageContaining("$2");
    }

    private static List<String> texts(Document document) {
        List<String> texts = new ArrayList<>();
        for (Story story : Stories.all(document)) for (Walk.Stop stop : Walk.of(document, story).stops()) texts.add(stop.paragraph().text());
        return texts;
    }

    /** Letters that look alike are found whatever says how they look: a style, the passage, the letters themselves. */
    @Test void whatLooksLikeWhatIsPickedIsFoundWithWordsOrWithout() {
        Look loud = Look.of(TextProperty.BOLD, true);
        Document plain = Sample.of(List.of(new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("pier ", Look.PLAIN),
                new Inline.Text("pier", loud), new Inline.Text(" and pier", Look.of(TextProperty.BOLD, false)))), Paragraph.of("pier alone")));
        Place bold = new Place(BlockPath.of(0, 0), 6);
        SeenLook look = SeenLook.at(plain, new TextSelection(bold, bold.at(8)));
        assertThat(Search.all(plain, new Wanted("pier", true, false, false, look))).containsExactly(new TextSelection(bold.at(5), bold.at(9)));
        assertThat(Search.all(plain, new Wanted("", true, false, false, look))).containsExactly(new TextSelection(bold.at(5), bold.at(9)));
        SeenLook quiet = SeenLook.at(plain, TextSelection.caret(new Place(BlockPath.of(0, 1), 2)));
        assertThat(Search.all(plain, new Wanted("pier", true, false, false, quiet))).as("bold that is switched off is not bold").hasSize(3);
        Change change = Search.replaceAll(plain, TextSelection.caret(bold), new Wanted("p(ie)r", true, false, true, quiet), "$1");
        assertThat(change.after().paragraph(BlockPath.of(0, 0)).text()).isEqualTo("ie pier and ie");
    }
}
