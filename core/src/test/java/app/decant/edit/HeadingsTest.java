package app.decant.edit;

import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.layout.Sample;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Headings raised and lowered, sections moved with all that stands below them. */
class HeadingsTest {
    /** One letter a paragraph; a digit before it makes a heading of that level. */
    private static Document document(String told) {
        List<Block> blocks = new ArrayList<>();
        for (String one : told.split(" ")) blocks.add(one.length() > 1 ? Paragraph.styled("Heading" + one.charAt(0), one.substring(1)) : Paragraph.of(one));
        return Sample.of(blocks);
    }

    private static String told(Document document) {
        return document.blocks().stream().map(block -> (Paragraph) block)
                .map(paragraph -> (paragraph.style() == null ? "" : paragraph.style().substring(7)) + paragraph.text()).collect(Collectors.joining(" "));
    }

    private static TextSelection at(int block) { return TextSelection.caret(new Place(BlockPath.of(0, block), 1)); }

    private static String made(Document before, Change change) {
        assertThat(change.transaction().inverse(before).apply(change.after()).document()).isEqualTo(before);
        return told(change.after());
    }

    @Test void aSectionGoesPastItsNeighbourWithAllBelowIt() {
        Document document = document("1A b 2C d 2E f 3G h 1I j 2K");
        assertThat(made(document, Headings.move(document, at(4), false))).isEqualTo("1A b 2E f 3G h 2C d 1I j 2K");
        assertThat(made(document, Headings.move(document, at(2), true))).isEqualTo("1A b 2E f 3G h 2C d 1I j 2K");
        assertThat(made(document, Headings.move(document, at(0), true))).isEqualTo("1I j 2K 1A b 2C d 2E f 3G h");
        for (int stays : new int[] {1, 6, 10}) {
            assertThat(Headings.canMove(document, at(stays), true) || Headings.canMove(document, at(stays), false)).as("%d", stays).isFalse();
            assertThat(Headings.move(document, at(stays), true).isNothing()).isTrue();
        }
        assertThat(Headings.canMove(document, at(2), false)).as("it is the first of its chapter").isFalse();
        assertThat(Headings.move(document, at(4), false).picked().head()).isEqualTo(new Place(BlockPath.of(0, 2), 1));
    }

    @Test void aSectionIsPutBeforeAnyHeadingOfItsLevelOrAbove() {
        Document document = document("1A b 2C d 2E f 3G h 1I j 2K");
        assertThat(made(document, Headings.place(document, at(1), BlockPath.of(0, 2), BlockPath.of(0, 8)))).isEqualTo("1A b 2E f 3G h 2C d 1I j 2K");
        assertThat(made(document, Headings.place(document, at(1), BlockPath.of(0, 4), BlockPath.of(0, 10)))).isEqualTo("1A b 2C d 1I j 2E f 3G h 2K");
        assertThat(made(document, Headings.place(document, at(1), BlockPath.of(0, 2), null))).isEqualTo("1A b 2E f 3G h 1I j 2K 2C d");
        assertThat(made(document, Headings.place(document, at(1), BlockPath.of(0, 8), BlockPath.of(0, 0)))).isEqualTo("1I j 2K 1A b 2C d 2E f 3G h");
        assertThat(Headings.place(document, at(1), BlockPath.of(0, 8), BlockPath.of(0, 0)).picked().head()).isEqualTo(new Place(BlockPath.of(0, 0), 0));
        assertThat(Headings.canPlace(document, BlockPath.of(0, 0), BlockPath.of(0, 4))).as("into itself").isFalse();
        assertThat(Headings.canPlace(document, BlockPath.of(0, 8), BlockPath.of(0, 4))).as("a chapter into the middle of another").isFalse();
        assertThat(Headings.canPlace(document, BlockPath.of(0, 2), BlockPath.of(0, 4))).as("where it stands").isFalse();
        assertThat(Headings.canPlace(document, BlockPath.of(0, 1), BlockPath.of(0, 8))).as("text is no section").isFalse();
    }

    @Test void aSectionIsPutIntoAnotherPartOfTheDocumentButNeverTheLastOfItsOwn() {
        Document two = document("1A b 1C d 1E").withSections(List.of(Section.PLAIN.withBlocks(document("1A b 1C d").blocks()),
                Section.PLAIN.withBlocks(document("1E f").blocks())));
        Change change = Headings.place(two, at(1), BlockPath.of(0, 2), BlockPath.of(1, 0));
        assertThat(made(two, change)).isEqualTo("1A b 1C d 1E f");
        assertThat(change.after().sections().get(1).blocks()).hasSize(4);
        assertThat(change.picked().head()).isEqualTo(new Place(BlockPath.of(1, 0), 0));
        assertThat(Headings.canPlace(two, BlockPath.of(1, 0), BlockPath.of(0, 0))).isFalse();
    }

    @Test void aHeadingIsRenamedAndWhatStaysKeepsItsLook() {
        Look bold = Look.of(TextProperty.BOLD, true);
        Paragraph heading = new Paragraph("Heading1", Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("Night ", Look.PLAIN), new Inline.Text("fares", bold)));
        Document document = Sample.of(List.of(heading));
        Change change = Headings.rename(document, at(0), BlockPath.of(0, 0), "Night and winter fares");
        Paragraph made = change.after().paragraph(BlockPath.of(0, 0));
        assertThat(made.text()).isEqualTo("Night and winter fares");
        assertThat(made.lookBefore(made.length())).isEqualTo(bold);
        assertThat(made.lookBefore(8)).isEqualTo(Look.PLAIN);
        for (String words : new String[] {"fares", "Night", "N", "Night fares!", "aNight fares", "Other"}) {
            Change one = Headings.rename(document, at(0), BlockPath.of(0, 0), words);
            assertThat(one.after().paragraph(BlockPath.of(0, 0)).text()).isEqualTo(words);
            assertThat(one.transaction().inverse(document).apply(one.after()).document()).isEqualTo(document);
        }
        assertThat(Headings.rename(document, at(0), BlockPath.of(0, 0), "Night fares").isNothing()).isTrue();
    }

    @Test void headingsAreRaisedAndLoweredAsFarAsThereAreStyles() {
        Document document = document("1A b 2C 3D");
        TextSelection all = new TextSelection(at(0).head(), at(3).head());
        assertThat(made(document, Headings.shift(document, all, 1))).isEqualTo("2A b 3C 3D");
        assertThat(made(document, Headings.shift(document, all, -1))).isEqualTo("1A b 1C 2D");
        assertThat(Headings.canShift(document, at(1), 1)).isFalse();
        assertThat(Headings.canShift(document, at(0), -1)).isFalse();
    }

    /** Down and up again is where it was; nothing is lost on any way. */
    @Test void movesAreTakenBackByTheOtherWay() {
        for (int seed = 0; seed < 100; seed++) {
            Random random = new Random(seed);
            StringBuilder told = new StringBuilder("1A");
            for (int i = 0; i < 12; i++) told.append(' ').append(random.nextInt(2) == 0 ? "" : String.valueOf(1 + random.nextInt(3))).append((char) ('b' + i));
            Document document = document(told.toString());
            int block = random.nextInt(13);
            if (!Headings.canMove(document, at(block), true)) continue;
            Change down = Headings.move(document, at(block), true);
            assertThat(made(document, down).chars().sorted().toArray()).isEqualTo(told.chars().sorted().toArray());
            assertThat(((Paragraph) down.after().blocks().get(down.picked().head().path().last())).text()).isEqualTo(((Paragraph) document.blocks()
                    .get(block)).text());
            assertThat(told(Headings.move(down.after(), down.picked(), false).after())).as("seed %d", seed).isEqualTo(told(document));
        }
    }
}
