package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.BlockPath;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The laws of what people do: random edits with selections of every kind in every story, against a plain text and back through the history. */
class TransactionLawsTest {
    private static final int DOCUMENTS = Integer.getInteger("decant.laws", 1200);

    @Test void everythingUndoneIsTheFirstDocumentAndRedoneTheLast() {
        Map<EditKind, Integer> done = new HashMap<>();
        for (int seed = 0; seed < DOCUMENTS / 8; seed++) {
            Random random = new Random(seed);
            RandomDocument made = new RandomDocument(random);
            Document document = made.document();
            History history = new History();
            history.begin(document);
            List<Document> states = new ArrayList<>(List.of(document));
            List<Selection> picked = new ArrayList<>();
            for (int i = 0; i < 25; i++) {
                Selection selection = selection(document, random);
                Change change = FollowingContents.of(edit(document, selection, made, random));
                Transaction transaction = change.transaction();
                assertThat(transaction.apply(document).orThrow()).as("seed %d", seed).isEqualTo(change.after());
                assertThat(transaction.inverse(document).apply(change.after()).orThrow()).as("seed %d, %s", seed, transaction).isEqualTo(document);
                assertThat(change.picked().fits(change.after())).as("seed %d: %s after %s of %s", seed, change.picked(), transaction.kind(), selection)
                        .isTrue();
                history.add(change, false);
                document = change.after();
                states.add(document);
                picked.add(selection);
                done.merge(transaction.kind(), 1, Integer::sum);
            }
            for (int i = states.size() - 2; i >= 0; i--) {
                assertThat(history.undoes()).isNotNull();
                History.Turn turn = history.undo();
                assertThat(turn.document()).isSameAs(states.get(i));
                assertThat(turn.picked()).isEqualTo(picked.get(i));
            }
            assertThat(history.canUndo()).isFalse();
            for (int i = 1; i < states.size(); i++) assertThat(history.redo().document()).isSameAs(states.get(i));
            assertThat(history.canRedo()).isFalse();
        }
        assertThat(done.keySet()).contains(EditKind.TYPING, EditKind.DELETING, EditKind.NEW_PARAGRAPH, EditKind.LINE_BREAK, EditKind.PASTING, EditKind.LOOK,
                EditKind.PARAGRAPH);
    }

    /** Selections and marks live through edits that others make beside them: what is picked afterwards reads as before. */
    @Test void whatIsPickedElsewhereStaysPicked() {
        for (int seed = 0; seed < DOCUMENTS / 2; seed++) {
            Random random = new Random(seed);
            RandomDocument made = new RandomDocument(random);
            Document document = made.document();
            Selection mark = selection(document, random);
            String text = seen(Slice.of(document, mark).text());
            Change change = edit(document, selection(document, random), made, random);
            Selection moved = mark.map(change.transaction().map(), change.after());
            assertThat(moved.fits(change.after())).as("seed %d: %s", seed, moved).isTrue();
            String now = seen(Slice.of(change.after(), moved).text());
            // A block that is joined to another is not by itself any more.
            boolean joined = mark instanceof BlockSelection && change.transaction().steps().stream().anyMatch(JoinStep.class::isInstance);
            boolean touched = joined || text.chars().anyMatch(c -> !reads(change.after(), (char) c));
            if (!touched && moved.getClass() == mark.getClass() && change.transaction().kind() != EditKind.TYPING && change.transaction()
                    .kind() != EditKind.PASTING)
                assertThat(now).as("seed %d: %s after %s", seed, mark, change.transaction()).isEqualTo(text);
        }
    }

    private static String seen(String text) { return text.replaceAll("[\\s\\uFFFC]", ""); }

    private static boolean reads(Document document, char c) {
        for (Story story : Stories.all(document)) for (Walk.Stop stop : Walk.of(document, story).stops())
            if (stop.paragraph().plainText().indexOf(c) >= 0) return true;
        return false;
    }

    /** In plain paragraphs every edit is an edit of one string, a new line for each paragraph's end. */
    @Test void editsOfPlainParagraphsAreEditsOfAString() {
        for (int seed = 0; seed < DOCUMENTS / 3; seed++) {
            Random random = new Random(seed);
            Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("one"), Paragraph.of(""),
                    Paragraph.of("two words"), Paragraph.of("three")))));
            StringBuilder model = new StringBuilder("one\n\ntwo words\nthree");
            for (int i = 0; i < 40; i++) {
                int a = random.nextInt(model.length() + 1);
                int b = random.nextInt(3) == 0 ? random.nextInt(model.length() + 1) : a;
                TextSelection picked = new TextSelection(place(document, a), place(document, b));
                int from = Math.min(a, b);
                int to = Math.max(a, b);
                String typed = switch (random.nextInt(5)) {
                    case 0 -> "x";
                    case 1 -> "ab\ncd";
                    case 2 -> "\n";
                    case 3 -> "e\n\nf\n";
                    default -> "";
                };
                Change change = switch (random.nextInt(3)) {
                    case 0 -> Typing.type(document, picked, typed, null);
                    case 1 -> Deletion.delete(document, picked);
                    default -> Typing.breakParagraph(document, picked);
                };
                String put = switch (change.transaction().kind()) {
                    case TYPING -> typed;
                    case NEW_PARAGRAPH -> "\n";
                    default -> "";
                };
                model.replace(from, to, put);
                document = change.after();
                assertThat(text(document)).as("seed %d, step %d, %s", seed, i, change.transaction()).isEqualTo(model.toString());
                assertThat(((TextSelection) change.picked()).head()).isEqualTo(place(document, from + put.length()));
                if (model.length() > 200) break;
            }
        }
    }

    @Test void lettersTypedInOneBreathAreUndoneTogetherAndOthersAreNot() {
        Document document = Document.empty();
        History history = new History();
        history.begin(document);
        Document now = document;
        Place place = new Place(BlockPath.of(0, 0), 0);
        for (int i = 0; i < 4; i++) {
            Change change = Typing.type(now, TextSelection.caret(place.at(i)), "x", null);
            history.add(change, i != 2);
            now = change.after();
        }
        Change bold = Dressing.looks(now, new TextSelection(place, place.at(4)), look -> look.with(TextProperty.BOLD, true));
        history.add(bold, true);
        assertThat(history.undoes()).isEqualTo(EditKind.LOOK);
        assertThat(history.undo().document().paragraph(place).text()).isEqualTo("xxxx");
        assertThat(history.undo().document().paragraph(place).text()).isEqualTo("xx");
        assertThat(history.undo().document()).isSameAs(document);
        assertThat(history.redo().document().paragraph(place).text()).isEqualTo("xx");
        history.add(Typing.type(history.undo().document(), TextSelection.caret(place), "y", null), true);
        assertThat(history.canRedo()).as("what was undone before something new was done").isFalse();
    }

    @Test void aLookOverAnyNumberOfParagraphsIsOneStep() {
        List<Paragraph> paragraphs = new ArrayList<>();
        for (int i = 0; i < 2000; i++) paragraphs.add(Paragraph.of("Paragraph " + i));
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.copyOf(paragraphs))));
        TextSelection all = new TextSelection(new Place(BlockPath.of(0, 0), 0), new Place(BlockPath.of(0, 1999), 3));
        Change change = Dressing.looks(document, all, look -> look.with(TextProperty.ITALIC, true));
        assertThat(change.transaction().steps()).hasSize(1);
        assertThat(change.after().blocks()).hasSize(2000);
        Paragraph last = change.after().paragraph(BlockPath.of(0, 1999));
        assertThat(last.inlines()).hasSize(2);
        assertThat(last.inlines().get(0).look().is(TextProperty.ITALIC)).isTrue();
        assertThat(last.inlines().get(1).look().isPlain()).isTrue();
    }

    /** A bookmark whose text is typed over still holds what is typed: contents lists go on leading there. */
    @Test void textTypedOverABookmarkedHeadingIsInItsBookmark() {
        Paragraph heading = Paragraph.of("").withInlines(List.of(new Inline.BookmarkPoint("fares", true), new Inline.Text("Fares", Look.PLAIN),
                new Inline.BookmarkPoint("fares", false)));
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(heading))));
        Place start = new Place(BlockPath.of(0, 0), 0);
        Document after = Typing.type(document, new TextSelection(start, start.at(5)), "Tickets", null).after();
        assertThat(after.paragraph(start).inlines()).containsExactly(new Inline.BookmarkPoint("fares", true), new Inline.Text("Tickets", Look.PLAIN),
                new Inline.BookmarkPoint("fares", false));
    }

    @Test void wordsAreFoundInEveryStory() {
        for (int seed = 0; seed < DOCUMENTS / 12; seed++) {
            Document document = new RandomDocument(new Random(seed)).document();
            for (Story story : Stories.all(document)) {
                for (Walk.Stop stop : Walk.of(document, story).stops()) {
                    String text = stop.paragraph().text();
                    for (int i = 0; i < text.length(); i++) {
                        if (!Character.isLetter(text.charAt(i))) continue;
                        Place place = new Place(story, stop.path(), i);
                        assertThat(Search.all(document, text.substring(i, i + 1), true)).containsExactly(new TextSelection(place, place.at(i + 1)));
                    }
                }
            }
        }
    }

    private static Change edit(Document document, Selection selection, RandomDocument made, Random random) {
        // An entry of contents is a line: nothing else may come into its list.
        boolean inContents = document.find(selection.story(), selection.head().path().parent()) instanceof Contents;
        return switch (random.nextInt(8)) {
            case 0 -> Typing.type(document, selection, made.text(), null);
            case 1 -> Typing.type(document, selection, made.text() + "\n" + made.text(), made.look());
            case 2 -> Deletion.delete(document, selection);
            case 3 -> Typing.breakParagraph(document, selection);
            case 4 -> Typing.breakLine(document, selection);
            case 5 -> Pasting.paste(document, selection, new Slice(inContents ? List.of(made.paragraph(3)) : made.blocks(1 + random.nextInt(3), 2)));
            case 6 -> Dressing.looks(document, selection, look -> look.with(TextProperty.BOLD, random.nextBoolean()));
            default -> Dressing.paragraphs(document, selection, paragraph -> paragraph.withLook(paragraph.look().with(ParagraphProperty.KEEP_TOGETHER, true)),
                    EditKind.PARAGRAPH);
        };
    }

    /** A selection of any kind in any story. */
    static Selection selection(Document document, Random random) {
        List<Story> stories = Stories.all(document);
        Story story = random.nextBoolean() ? Story.BODY : stories.get(random.nextInt(stories.size()));
        List<Walk.Stop> stops = Walk.of(document, story).stops();
        int first = random.nextInt(stops.size());
        Walk.Stop stop = stops.get(first);
        int kind = random.nextInt(8);
        if (kind == 0) {
            for (Walk.Stop one : stops) {
                int at = one.paragraph().text().indexOf(Inline.OBJECT);
                if (at >= 0) return new ObjectSelection(new Place(story, one.path(), at));
            }
        }
        if (kind == 1 && stop.path().size() >= 5 && document.find(story, stop.path().parent().parent().parent()) instanceof Table table) {
            int row = random.nextInt(table.rows().size());
            return new CellSelection(story, stop.path().parent().parent().parent(), new CellSelection.Corner(0, 0),
                    new CellSelection.Corner(row, random.nextInt(table.rows().get(row).cells().size())));
        }
        if (kind == 2) {
            BlockPath container = stop.path().parent();
            int from = stop.path().last();
            return new BlockSelection(story, container, from, from + 1 + random.nextInt(document.children(story, container).size() - from));
        }
        Place place = new Place(story, stop.path(), random.nextInt(stop.paragraph().length() + 1));
        if (kind < 5) return TextSelection.caret(place);
        Walk.Stop last = stops.get(Math.min(stops.size() - 1, first + random.nextInt(6)));
        return new TextSelection(place, new Place(story, last.path(), random.nextInt(last.paragraph().length() + 1)));
    }

    private static String text(Document document) {
        return String.join("\n", Walk.of(document).stops().stream().map(stop -> stop.paragraph().text()).toList());
    }

    private static Place place(Document document, int at) {
        int left = at;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            if (left <= stop.paragraph().length()) return new Place(stop.path(), left);
            left -= stop.paragraph().length() + 1;
        }
        throw new AssertionError(at);
    }
}
