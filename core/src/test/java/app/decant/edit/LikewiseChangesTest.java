package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What was done to one document is done to another that reads alike: in the same words, in its own looks. */
class LikewiseChangesTest {
    private static final String[] WORDS = "ferry pier tide winter notice fare berth harbour crew lantern rope gull island crossing".split(" ");

    /** The law: where both read the same, they do so afterwards, whatever was typed, taken out or put in. */
    @Test void documentsThatReadAlikeDoSoAfterAnyChangeOfWords() {
        for (int seed = 0; seed < 40; seed++) {
            Random random = new Random(seed);
            List<String> texts = texts(random, 12);
            Document came = document(texts, Look.PLAIN);
            Document other = document(texts, Look.of(TextProperty.BOLD, true));
            Document now = came;
            int steps = 1 + random.nextInt(4);
            for (int i = 0; i < steps; i++) now = changed(now, random);
            LikewiseChanges.Result result = LikewiseChanges.make(came, now, other);
            assertThat(result.left()).as("seed %d", seed).isZero();
            assertThat(read(result.document())).as("seed %d", seed).isEqualTo(read(now));
            for (Walk.Stop stop : Walk.of(result.document()).stops()) {
                boolean added = Walk.of(other).stops().stream().noneMatch(old -> old.paragraph().plainText().equals(stop.paragraph().plainText()));
                for (Inline inline : stop.paragraph().inlines())
                    if (!added) assertThat(inline.look().is(TextProperty.BOLD)).as("seed %d: %s", seed, stop.paragraph().plainText()).isTrue();
            }
        }
    }

    @Test void aLabelAmongTheWordsIsNoneOfThem() {
        Numbering numbering = numbered();
        Paragraph heading = Paragraph.of("Landing at Halvard Point").withLook(Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference("1", 0)));
        Document other = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(heading, Paragraph.of("Half tide.")))))
                .withNumbering(numbering);
        Document came = plain("1.\tLanding at Halvard Point", "Half tide.");
        Document now = plain("1.\tLanding at Skerrow Point", "Half tide.");
        LikewiseChanges.Result result = LikewiseChanges.make(came, now, other);
        assertThat(read(result.document())).containsExactly("Landing at Skerrow Point", "Half tide.");
        assertThat(Walk.of(result.document()).stops().get(0).paragraph().look()).isEqualTo(heading.look());
        // A label that was changed has no place among its words.
        LikewiseChanges.Result label = LikewiseChanges.make(came, plain("2.\tLanding at Halvard Point", "Half tide."), other);
        assertThat(label.made()).isZero();
        assertThat(label.left()).isEqualTo(1);
        assertThat(label.document()).isEqualTo(other);
    }

    @Test void spacesMayStandOtherwise() {
        Document came = plain("The ferry leaves at seven.", "Half tide.");
        Document other = plain("The\u00A0ferry  leaves at sev\u00ADen.", "Half tide.");
        assertThat(read(LikewiseChanges.make(came, plain("The old ferry leaves at eight.", "Half tide."), other).document()))
                .containsExactly("The\u00A0old ferry  leaves at eight.", "Half tide.");
        assertThat(read(LikewiseChanges.make(came, plain("The ferry leaves.", "Half tide."), other).document()))
                .containsExactly("The\u00A0ferry  leaves.", "Half tide.");
        assertThat(LikewiseChanges.make(came, plain("The  ferry leaves at seven.", "Half tide."), other).document()).isEqualTo(other);
    }

    @Test void ofPassagesThatReadTheSameTheRightOneIsChanged() {
        Document other = plain("Fares", "as before", "Tides", "as before", "Crew", "as before");
        Document came = plain("Fares", "as before", "Tides", "as before", "Crew", "as before");
        List<Block> blocks = new ArrayList<>(came.sections().get(0).blocks());
        blocks.set(3, Paragraph.of("as from May"));
        Document now = came.withSections(List.of(Section.PLAIN.withBlocks(blocks)));
        assertThat(read(LikewiseChanges.make(came, now, other).document())).containsExactly("Fares", "as before", "Tides", "as from May", "Crew", "as before");
    }

    @Test void longDocumentsAreMatchedByWhatIsThereOnce() {
        List<String> texts = new ArrayList<>();
        for (int i = 0; i < 6000; i++) texts.add(i % 3 == 0 ? "as before" : "Clause " + i + " of many");
        List<String> strange = new ArrayList<>(texts);
        for (int i = 0; i < 6000; i += 2) strange.set(i, "Something else " + i);
        Document came = document(texts, Look.PLAIN);
        Document other = document(strange, Look.PLAIN);
        List<String> changed = new ArrayList<>(texts);
        changed.set(4001, "Clause 4001 of very many");
        changed.set(4002, "Clause 4002 of very many");
        changed.set(3, "as from May");
        List<Block> blocks = new ArrayList<>(came.sections().get(0).blocks());
        for (int i : new int[] {3, 4001, 4002}) blocks.set(i, Paragraph.of(changed.get(i)));
        Document now = came.withSections(List.of(Section.PLAIN.withBlocks(blocks)));
        LikewiseChanges.Result result = LikewiseChanges.make(came, now, other);
        assertThat(read(result.document()).get(4001)).isEqualTo("Clause 4001 of very many");
        assertThat(read(result.document()).get(3)).as("it is there many times").isEqualTo("as before");
        assertThat(result.made()).isEqualTo(1);
        assertThat(result.left()).isEqualTo(2);
    }

    @Test void cellsAreFoundInTheirTable() {
        Document came = table("Skerrow", "07.15", "Tolm Head", "07.15");
        Document other = table("Skerrow", "07.15", "Tolm Head", "07.15");
        BlockPath cell = BlockPath.of(0, 0, 1, 1, 0);
        Document now = Typing.type(came, new TextSelection(new Place(cell, 0), new Place(cell, 5)), "08.40", null).after();
        LikewiseChanges.Result result = LikewiseChanges.make(came, now, other);
        assertThat(read(result.document())).containsExactly("Skerrow", "07.15", "Tolm Head", "08.40", "after");
        assertThat(result.made()).isEqualTo(1);
    }

    @Test void whatHasNoPlaceThereIsCountedAndTheRestStays() {
        Document other = plain("Something quite different", "Half tide.");
        Document came = plain("The ferry leaves at seven.", "Half tide.");
        LikewiseChanges.Result result = LikewiseChanges.make(came, plain("The ferry leaves at eight.", "High tide."), other);
        assertThat(read(result.document())).containsExactly("Something quite different", "High tide.");
        assertThat(result.made()).isEqualTo(1);
        assertThat(result.left()).isEqualTo(1);
        Document bold = Dressing.looks(came, new TextSelection(new Place(BlockPath.of(0, 1), 0), new Place(BlockPath.of(0, 1), 4)),
                look -> look.with(TextProperty.BOLD, true)).after();
        assertThat(LikewiseChanges.make(came, bold, other).left()).isEqualTo(1);
    }

    private static Document changed(Document document, Random random) {
        List<Walk.Stop> stops = Walk.of(document).stops();
        Walk.Stop stop = stops.get(random.nextInt(stops.size()));
        String text = stop.paragraph().plainText();
        int space = text.indexOf(' ', random.nextInt(text.length()));
        Place place = new Place(stop.path(), space < 0 ? text.length() : space);
        String unique = "x" + random.nextInt(1_000_000);
        return switch (random.nextInt(4)) {
            case 0 -> Typing.type(document, TextSelection.caret(place), " " + unique, null).after();
            case 1 -> Typing.type(document, new TextSelection(place.at(0), place), unique, null).after();
            case 2 -> new BlockStep(Story.BODY, stop.path().parent(), stop.path().last(), stop.path().last() + (stops.size() > 3 ? 1 : 0), List.of())
                    .apply(document).document();
            default -> new BlockStep(Story.BODY, stop.path().parent(), stop.path().last() + 1, stop.path().last() + 1, List.of(Paragraph.of("New " + unique)))
                    .apply(document).document();
        };
    }

    private static List<String> texts(Random random, int count) {
        List<String> texts = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            String words = random.ints(4 + random.nextInt(8), 0, WORDS.length).mapToObj(word -> WORDS[word]).collect(Collectors.joining(" "));
            texts.add("Clause " + i + " " + words + ".");
        }
        return texts;
    }

    private static Document document(List<String> texts, Look look) {
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(texts.stream().<Block>map(text -> Paragraph.of("")
                .withInlines(List.of(new Inline.Text(text, look)))).toList())));
    }

    private static Document plain(String... texts) { return document(List.of(texts), Look.PLAIN); }

    private static Document table(String... cells) {
        List<Table.Row> rows = new ArrayList<>();
        for (int i = 0; i < cells.length; i += 2)
            rows.add(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of(cells[i]))),
                    new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of(cells[i + 1]))))));
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(new Table(Look.PLAIN, List.of(90.0, 60.0), rows),
                Paragraph.of("after")))));
    }

    private static List<String> read(Document document) { return Walk.of(document).stops().stream().map(stop -> stop.paragraph().plainText()).toList(); }

    private static Numbering numbered() {
        Numbering.Level level = new Numbering.Level(NumberFormat.DECIMAL, 1, "%1.", Numbering.Suffix.TAB, null, null, Look.PLAIN);
        return Numbering.NONE.with(new Numbering.Pattern("p", List.of(level)), new Numbering.NumberedList("1", "p", Map.of(), Map.of()));
    }
}
