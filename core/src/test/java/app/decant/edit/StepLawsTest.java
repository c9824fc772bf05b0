package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.FontFile;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.StyleSheet;
import app.decant.document.Table;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * The laws of steps, over random documents and random steps of every kind: what is applied and taken back is what was there; and every character is found
 * where the step's map says. No character stands twice in a document, so each can be followed.
 */
class StepLawsTest {
    /** Fewer are enough to notice a mutant. */
    private static final int DOCUMENTS = Integer.getInteger("decant.laws", 1200);

    @Test void aStepTakenBackGivesTheDocumentThatWasThere() {
        Map<Class<?>, Integer> tried = new HashMap<>();
        for (int seed = 0; seed < DOCUMENTS; seed++) {
            Random random = new Random(seed);
            RandomDocument made = new RandomDocument(random);
            Document before = made.document();
            for (Step step : steps(before, made, random)) {
                Document after = step.apply(before).orThrow();
                assertThat(step.inverse(before).apply(after).orThrow()).as("seed %d, %s", seed, step).isEqualTo(before);
                assertThat(step.inverse(before).inverse(after).apply(before).orThrow()).as("once more, seed %d, %s", seed, step).isEqualTo(after);
                tried.merge(step.getClass(), 1, Integer::sum);
            }
        }
        assertThat(tried).hasSize(Step.class.getPermittedSubclasses().length).allSatisfy((kind, count) -> assertThat(count).as(kind.toString())
                .isGreaterThan(DOCUMENTS / 60));
    }

    @Test void everyCharacterIsWhereTheMapSaysAndNoneThatIsGoneIsFound() {
        for (int seed = 0; seed < DOCUMENTS; seed++) {
            Random random = new Random(seed);
            RandomDocument made = new RandomDocument(random);
            Document before = made.document();
            Map<Character, Place> places = places(before);
            for (Step step : steps(before, made, random)) {
                Document after = step.apply(before).orThrow();
                Map<Character, Place> now = places(after);
                int at = seed;
                places.forEach((letter, place) -> {
                    PositionMap.Mapped head = step.map().map(place, Side.AFTER);
                    PositionMap.Mapped tail = step.map().map(place.at(place.offset() + 1), Side.BEFORE);
                    assertThat(head.deleted()).as("seed %d, %c after %s", at, letter, step).isEqualTo(!now.containsKey(letter)).isEqualTo(tail.deleted());
                    if (head.deleted()) return;
                    assertThat(head.place()).as("seed %d, before %c after %s", at, letter, step).isEqualTo(now.get(letter));
                    assertThat(tail.place()).as("seed %d, behind %c after %s", at, letter, step).isEqualTo(now.get(letter).at(now.get(letter).offset() + 1));
                });
            }
        }
    }

    @Test void whatDoesNotChangeStaysTheSameObject() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            RandomDocument made = new RandomDocument(random);
            Document before = made.document();
            for (Step step : steps(before, made, random)) {
                if (!(step instanceof TextStep text) || !(text.story() instanceof Story.Body)) continue;
                Document after = step.apply(before).orThrow();
                List<BlockPath> touched = text.parts().stream().map(TextStep.Part::path).toList();
                for (Walk.Stop stop : Walk.of(before).stops())
                    assertThat(after.find(Story.BODY, stop.path()) == stop.paragraph()).as("%s after %s", stop.path(), step)
                            .isEqualTo(!touched.contains(stop.path()));
            }
        }
    }

    @Test void stepsThatDoNotFitAreRefusedAndNeverFail() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            RandomDocument made = new RandomDocument(random);
            Document mother = made.document();
            Document stranger = new RandomDocument(new Random(seed + 7000)).document();
            for (Step step : steps(mother, made, random)) {
                Outcome outcome = step.apply(stranger);
                assertThat(outcome.document() == null).as("%s", step).isEqualTo(outcome.refusal() != null);
            }
        }
    }

    /** Where each character stands, in all stories. */
    private static Map<Character, Place> places(Document document) {
        Map<Character, Place> places = new HashMap<>();
        for (Story story : Stories.all(document)) {
            for (Walk.Stop stop : Walk.of(document, story).stops()) {
                String text = stop.paragraph().text();
                for (int i = 0; i < text.length(); i++) if (Character.isLetter(text.charAt(i))) places.put(text.charAt(i), new Place(story, stop.path(), i));
            }
        }
        return places;
    }

    /** One step of each kind that the document has room for. */
    private static List<Step> steps(Document document, RandomDocument made, Random random) {
        List<Step> steps = new ArrayList<>();
        List<Story> stories = Stories.all(document);
        Story story = stories.get(random.nextInt(stories.size()));
        List<Walk.Stop> stops = Walk.of(document, story).stops();
        steps.add(text(story, stops, made, random));
        Walk.Stop stop = stops.get(random.nextInt(stops.size()));
        Paragraph paragraph = stop.paragraph();
        steps.add(new SplitStep(story, stop.path(), cut(paragraph, random.nextInt(paragraph.length() + 1), random), Dress.of(paragraph),
                new Dress("Body", made.look(), made.look())));
        if (document.find(story, stop.path().sibling(stop.path().last() + 1)) instanceof Paragraph)
            steps.add(new JoinStep(story, stop.path(), paragraph.length(), new Dress(null, made.look(), made.look())));
        int count = document.children(story, stop.path().parent()).size();
        boolean contents = stop.path().size() == 3;
        int from = random.nextInt(count + 1);
        int to = from + random.nextInt(count - from + 1);
        List<Block> blocks = contents ? List.of(made.paragraph(3)) : to - from == count || random.nextBoolean() ? made.blocks(1, 2) : List.of();
        steps.add(new BlockStep(story, stop.path().parent(), from, to, blocks));
        SortedMap<BlockPath, Paragraph> dressed = new TreeMap<>();
        for (Walk.Stop one : stops) if (random.nextBoolean()) dressed.put(one.path(), dressed(one.paragraph(), made));
        steps.add(new DressStep(story, dressed));
        table(document, story, random).ifPresent(steps::add);
        steps.add(new StyleStep(StyleSheet.EMPTY, document.numbering()));
        steps.add(new FactsStep(Facts.NONE));
        steps.add(new FontStep(List.of(new FontFile("Harbourmaster", true, false, false, new byte[] {1, 2, 3}))));
        for (String field : document.answers().keySet()) steps.add(new AnswerStep(field, random.nextBoolean() ? null : "other"));
        steps.add(new AnswerStep("owner", "Marit Holm"));
        int section = random.nextInt(document.sections().size());
        Section present = document.sections().get(section);
        steps.add(new SectionStep(section, Section.PLAIN));
        if (present.blocks().size() > 1)
            steps.add(new SectionSplitStep(section, 1 + random.nextInt(present.blocks().size() - 1), present, Section.PLAIN));
        if (section + 1 < document.sections().size()) steps.add(new SectionJoinStep(section, present.blocks().size(), present));
        Section.FramePlace place = random.nextBoolean() ? Section.FramePlace.HEADER : Section.FramePlace.EVEN_FOOTER;
        boolean removes = present.frames().containsKey(place) && random.nextBoolean();
        steps.add(new FrameStep(new Story.Frame(section, place), removes ? null : made.blocks(1, 3)));
        return steps;
    }

    private static TextStep text(Story story, List<Walk.Stop> stops, RandomDocument made, Random random) {
        List<TextStep.Part> parts = new ArrayList<>();
        for (Walk.Stop stop : stops) {
            int at = 0;
            while (at <= stop.paragraph().length() && random.nextInt(3) > 0) {
                int from = at + random.nextInt(stop.paragraph().length() - at + 1);
                int to = from + random.nextInt(Math.min(3, stop.paragraph().length() - from + 1));
                Cut one = cut(stop.paragraph(), from, random);
                Cut other = from == to ? one : cut(stop.paragraph(), to, random);
                List<Inline> inlines = new ArrayList<>();
                if (random.nextInt(3) > 0) inlines.add(new Inline.Text(made.text(), made.look()));
                if (random.nextInt(4) == 0) inlines.add(new Inline.BookmarkPoint("new", random.nextBoolean()));
                parts.add(new TextStep.Part(stop.path(), one, other, inlines));
                at = to + 1;
            }
        }
        return new TextStep(story, parts);
    }

    private static Cut cut(Paragraph paragraph, int offset, Random random) { return new Cut(offset, random.nextInt(paragraph.pointsAt(offset) + 1)); }

    private static Paragraph dressed(Paragraph paragraph, RandomDocument made) {
        return new Paragraph("Body", made.look(), made.look(), paragraph.inlines().stream().map(inline -> inline.with(made.look())).toList());
    }

    /** A row taken out, or two cells made one. */
    private static Optional<TableStep> table(Document document, Story story, Random random) {
        for (Walk.Stop stop : Walk.of(document, story).stops()) {
            if (stop.path().size() < 5 || !(document.find(story, stop.path().parent().parent().parent()) instanceof Table table)) continue;
            BlockPath path = stop.path().parent().parent().parent();
            Map<CellMoves.Cell, CellMoves.Cell> moves = new HashMap<>();
            List<Table.Row> rows = new ArrayList<>();
            int out = table.rows().size() > 1 ? random.nextInt(table.rows().size()) : -1;
            for (int r = 0; r < table.rows().size(); r++) {
                if (r == out) continue;
                List<Table.Cell> cells = new ArrayList<>();
                for (Table.Cell cell : table.rows().get(r).cells()) {
                    boolean merges = out < 0 && !cells.isEmpty() && cells.size() == 1;
                    int index = cells.size();
                    int source = table.rows().get(r).cells().indexOf(cell);
                    if (merges) {
                        Table.Cell before = cells.get(0);
                        List<Block> blocks = new ArrayList<>(before.blocks());
                        moves.put(new CellMoves.Cell(r, source, 0), new CellMoves.Cell(rows.size(), 0, blocks.size()));
                        blocks.addAll(cell.blocks());
                        cells.set(0, new Table.Cell(before.column(), before.columnSpan() + cell.columnSpan(), 1, before.look(), blocks));
                    } else {
                        moves.put(new CellMoves.Cell(r, source, 0), new CellMoves.Cell(rows.size(), index, 0));
                        cells.add(cell);
                    }
                }
                rows.add(new Table.Row(table.rows().get(r).look(), cells));
            }
            return Optional.of(new TableStep(story, path, new Table(table.look(), table.columns(), rows), new CellMoves(moves)));
        }
        return Optional.empty();
    }
}
