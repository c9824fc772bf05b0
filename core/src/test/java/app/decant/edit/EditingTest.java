package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.ContentsList;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.format.text.TextWriter;
import app.decant.layout.Sample;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Edits give new documents and leave the old ones as they were. */
class EditingTest {
    private static Place at(int block, int offset) { return new Place(BlockPath.of(0, block), offset); }

    private static final Document TWO = Sample.of(List.of(Paragraph.of("first words"), Paragraph.styled("Heading1", "Heading"), Paragraph.of("last words")));

    private static List<String> texts(Document document) { return Walk.of(document).stops().stream().map(stop -> stop.paragraph().text()).toList(); }

    @Test void typingReplacesWhatIsPicked() {
        Change edit = Typing.type(TWO, new TextSelection(at(0, 0), at(0, 5)), "other", null);
        assertThat(texts(edit.after())).containsExactly("other words", "Heading", "last words");
        assertThat(edit.picked()).isEqualTo(TextSelection.caret(at(0, 5)));
        assertThat(texts(TWO)).containsExactly("first words", "Heading", "last words");
    }

    /** What is typed over a word looks as that did, not as what stands before it; a link goes on only within itself. */
    @Test void whatIsTypedLooksAsWhatItReplacesOrWhatItFollows() {
        Look red = Look.of(TextProperty.COLOUR, new Colour(0xC02020));
        Look linked = Look.of(TextProperty.LINK, new Link.Address("https://ferries.example"));
        Paragraph line = Paragraph.of("").withInlines(List.of(new Inline.Text("See ", Look.PLAIN), new Inline.Text("all notices", red),
                new Inline.Text(" here", linked)));
        Document document = Sample.of(List.of(line));
        assertThat(Typing.type(document, new TextSelection(at(0, 4), at(0, 7)), "new", null).after().paragraph(at(0, 0)).lookBefore(5)).isEqualTo(red);
        assertThat(Typing.type(document, TextSelection.caret(at(0, 4)), "x", null).after().paragraph(at(0, 0)).lookBefore(5)).isEqualTo(Look.PLAIN);
        assertThat(Typing.type(document, new TextSelection(at(0, 15), at(0, 20)), "there", null).after().paragraph(at(0, 0)).lookBefore(17))
                .as("all of the link went").isEqualTo(Look.PLAIN);
        assertThat(Typing.type(document, new TextSelection(at(0, 17), at(0, 18)), "x", null).after().paragraph(at(0, 0)).lookBefore(18)).isEqualTo(linked);
        Change parted = Typing.breakParagraph(document, TextSelection.caret(at(0, 20)));
        assertThat(Typing.type(parted.after(), parted.picked(), "On", null).after().paragraph(at(1, 0)).lookBefore(1))
                .as("not the link").isEqualTo(Look.PLAIN);
        Document ends = Sample.of(List.of(line.withInlines(List.of(new Inline.Text("all notices", red)))));
        parted = Typing.breakParagraph(ends, TextSelection.caret(at(0, 11)));
        assertThat(Typing.type(parted.after(), parted.picked(), "On", null).after().paragraph(at(1, 0)).lookBefore(1))
                .as("goes on in its letters").isEqualTo(red);
    }

    @Test void typedLinesBecomeParagraphs() {
        Change edit = Typing.type(TWO, TextSelection.caret(at(0, 6)), "a\nb\nc", null);
        assertThat(texts(edit.after())).containsExactly("first a", "b", "cwords", "Heading", "last words");
        assertThat(edit.picked()).isEqualTo(TextSelection.caret(at(2, 1)));
    }

    @Test void deletingOverParagraphsJoinsThem() {
        Document joined = Deletion.delete(TWO, new TextSelection(at(2, 4), at(0, 5))).after();
        assertThat(texts(joined)).containsExactly("first words");
    }

    @Test void theParagraphAfterAHeadingIsText() {
        Document split = Typing.breakParagraph(TWO, TextSelection.caret(at(1, 7))).after();
        assertThat(split.paragraph(BlockPath.of(0, 2)).style()).isEqualTo("Normal");
        Document inside = Typing.breakParagraph(TWO, TextSelection.caret(at(1, 3))).after();
        assertThat(inside.paragraph(BlockPath.of(0, 2)).style()).isEqualTo("Heading1");
    }

    @Test void untouchedBlocksAreTheVerySameObjects() {
        Document document = PassengerHandbook.document();
        List<Walk.Stop> stops = Walk.of(document).stops();
        Document edited = Typing.type(document, TextSelection.caret(new Place(stops.get(60).path(), 0)), "x", null).after();
        List<Walk.Stop> after = Walk.of(edited).stops();
        int same = 0;
        for (int i = 0; i < stops.size(); i++) if (after.get(i).paragraph() == stops.get(i).paragraph()) same++;
        assertThat(same).isEqualTo(stops.size() - 1);
    }

    @Test void dressingChangesOnlyWhatIsPicked() {
        Document bold = Dressing.looks(TWO, new TextSelection(at(0, 6), at(0, 11)), look -> look.with(TextProperty.BOLD, true)).after();
        List<Inline> inlines = bold.paragraph(BlockPath.of(0, 0)).inlines();
        assertThat(inlines).hasSize(2);
        assertThat(inlines.get(0).look()).isEqualTo(Look.PLAIN);
        assertThat(inlines.get(1).look().is(TextProperty.BOLD)).isTrue();
        Document back = Dressing.looks(bold, new TextSelection(at(0, 0), at(0, 11)), look -> look.without(TextProperty.BOLD)).after();
        assertThat(back.paragraph(BlockPath.of(0, 0)).inlines()).hasSize(1);
    }

    @Test void deletingIntoATableLeavesTheTable() {
        Document document = PassengerHandbook.document();
        List<Walk.Stop> stops = Walk.of(document).stops();
        int inside = 0;
        while (stops.get(inside).path().size() < 4) inside++;
        Document after = Deletion.delete(document, new TextSelection(new Place(stops.get(inside - 1).path(), 2), new Place(stops.get(inside + 3).path(), 1)))
                .after();
        assertThat(after.blocks().stream().filter(Table.class::isInstance)).hasSameSizeAs(document.blocks().stream().filter(Table.class::isInstance).toList());
        assertThat(Walk.of(after).stops()).hasSameSizeAs(stops);
    }

    /** Any edits at all, in any order: positions stay inside the document, and undoing them all gives the first one back. */
    @Test void randomEditsNeverLeaveTheDocument() {
        Random random = new Random(7);
        Document document = PassengerHandbook.document();
        List<Document> history = new ArrayList<>(List.of(document));
        String first = TextWriter.write(document);
        for (int i = 0; i < 400; i++) {
            List<Walk.Stop> stops = Walk.of(document).stops();
            Place one = place(stops.get(random.nextInt(stops.size())), random);
            Place other = random.nextBoolean() ? one
                    : place(stops.get(Math.max(0, Math.min(stops.size() - 1, stops.indexOf(stops.get(0)) + random.nextInt(stops.size())))), random);
            if (random.nextInt(4) > 0) other = one;
            TextSelection span = new TextSelection(one, other);
            Change edit = switch (random.nextInt(4)) {
                case 0 -> Typing.type(document, span, "ab", null);
                case 1 -> Deletion.delete(document, span);
                case 2 -> Typing.breakParagraph(document, span);
                default -> Dressing.looks(document, span, look -> look.with(TextProperty.ITALIC, true));
            };
            document = edit.after();
            history.add(document);
            Place after = edit.picked().head();
            assertThat(after.offset()).isBetween(0, document.paragraph(after.path()).length());
        }
        assertThat(TextWriter.write(history.get(0))).isEqualTo(first);
    }

    private static Place place(Walk.Stop stop, Random random) { return new Place(stop.path(), random.nextInt(stop.paragraph().length() + 1)); }

    @Test void aNumberMissingBetweenHeadingsIsFoundWithItsLikelyPassage() {
        List<Block> blocks = List.of(Paragraph.styled("Heading2", "3.2 In rough weather"), Paragraph.of("text"), Paragraph.of("3.3 Lost and found"),
                Paragraph.of("more"), Paragraph.styled("Heading2", "3.4 Mobility"));
        Document document = Sample.of(blocks);
        Cascade cascade = Cascade.of(document);
        Outline outline = Outline.of(document, cascade, ListLabels.of(document, cascade));
        assertThat(outline.gaps()).containsExactly(new Outline.Gap("3.3", 0, BlockPath.of(0, 2)));
    }

    @Test void contentsFollowARenamedHeading() {
        Document document = PassengerHandbook.document();
        Cascade cascade = Cascade.of(document);
        Outline.Heading heading = Outline.of(document, cascade, ListLabels.of(document, cascade)).headings().get(3);
        int length = heading.paragraph().length();
        Document renamed = ContentsList.refreshed(Typing.type(document, new TextSelection(new Place(heading.path(), 0), new Place(heading.path(), length)),
                "Setting out", null).after());
        Contents contents = (Contents) renamed.blocks().stream().filter(Contents.class::isInstance).findFirst().orElseThrow();
        assertThat(contents.entries()).extracting(Paragraph::plainText).anyMatch(text -> text.startsWith("2 Setting out"))
                .noneMatch(text -> text.contains("Before you travel"));
        assertThat(ContentsList.refreshed(renamed)).isSameAs(renamed);
    }

    private static String flat(Document document) {
        StringBuilder text = new StringBuilder();
        for (Walk.Stop stop : Walk.of(document).stops()) text.append(stop.paragraph().text());
        return text.toString();
    }

    private static int flat(Document document, Place place) {
        int at = 0;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            if (stop.path().equals(place.path())) return at + place.offset();
            at += stop.paragraph().text().length();
        }
        throw new AssertionError(place + " is not in the document");
    }

    /** The law of deleting: the letters that were picked go, all others stay in their order, and the caret stands where they were. */
    @Test void deletingTakesOutWhatWasPickedAndNothingElse() {
        Random random = new Random(11);
        Document several = PassengerHandbook.document();
        List<Section> sections = new ArrayList<>(several.sections());
        sections.addAll(HarbourNotice.document().sections());
        sections.add(several.sections().get(0).withBlocks(List.of(Paragraph.of("the last words"))));
        several = several.withSections(sections);
        for (int i = 0; i < 600; i++) {
            List<Walk.Stop> stops = Walk.of(several).stops();
            int from = random.nextInt(stops.size());
            int to = Math.min(stops.size() - 1, from + (random.nextInt(3) == 0 ? random.nextInt(stops.size()) : random.nextInt(6)));
            Place one = random.nextBoolean() ? new Place(stops.get(from).path(), 0) : place(stops.get(from), random);
            Place other = random.nextBoolean() ? new Place(stops.get(to).path(), stops.get(to).paragraph().length()) : place(stops.get(to), random);
            TextSelection span = new TextSelection(one, other);
            String text = flat(several);
            int start = flat(several, span.start());
            int end = flat(several, span.end());
            Change edit = Deletion.delete(several, span);
            Document after = edit.after();
            assertThat(flat(after)).as("deleting " + span).isEqualTo(text.substring(0, start) + text.substring(end));
            assertThat(flat(after, ((TextSelection) edit.picked()).start())).as("caret after " + span).isEqualTo(start);
            assertThat(after.sections()).allSatisfy(section -> assertThat(section.blocks()).isNotEmpty());
        }
    }

    @Test void deletingAllLeavesOneEmptyParagraph() {
        for (Document document : List.of(PassengerHandbook.document(), HarbourNotice.document(), TWO)) {
            List<Walk.Stop> stops = Walk.of(document).stops();
            Walk.Stop last = stops.get(stops.size() - 1);
            Change edit = Deletion.delete(document, new TextSelection(new Place(stops.get(0).path(), 0), new Place(last.path(), last.paragraph().length())));
            Document after = edit.after();
            assertThat(after.sections()).hasSize(1);
            assertThat(after.blocks()).singleElement().satisfies(block -> assertThat(((Paragraph) block).length()).isZero());
            assertThat(texts(Typing.type(after, edit.picked(), "anew", null).after())).containsExactly("anew");
        }
    }
}
