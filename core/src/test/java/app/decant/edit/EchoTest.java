package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.layout.Sample;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Passages alike in kind, and one look given to all of them. */
class EchoTest {
    private static final Look BIG = Look.of(TextProperty.SIZE, 14.0).with(TextProperty.BOLD, true);

    private static Paragraph big(String text) { return new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(text, BIG))); }

    private static BlockPath at(int block) { return BlockPath.of(0, block); }

    private static Selection caret(BlockPath path) { return TextSelection.caret(new Place(path, 0)); }

    @Test void alikeAreThoseOfALevelAStyleOrALook() {
        Document document = Sample.of(List.<Block>of(Paragraph.styled("Heading2", "One"), Paragraph.of("text"), big("By hand"), Paragraph.styled("Heading2",
                "Two"),
                Paragraph.styled("Heading1", "Top"), big("By hand too"), Paragraph.of("more text"), Paragraph.of(" ")));
        assertThat(Echo.of(document, at(0)).others()).containsExactly(at(3));
        assertThat(Echo.of(document, at(2)).others()).containsExactly(at(5));
        assertThat(Echo.of(document, at(1)).others()).containsExactly(at(6));
    }

    /** 4.2 and 4.4 are headings; what bears the number between them in another size is meant as one. */
    @Test void theOddSiblingThatBearsTheMissingNumberIsFound() {
        Document document = Sample.of(List.<Block>of(Paragraph.styled("Heading2", "4.2 Life jackets"), Paragraph.of("text of it"), big("4.3 Fire and smoke"),
                Paragraph.of("other text"), Paragraph.styled("Heading2", "4.4 Boats")));
        Echo echo = Echo.of(document, at(0));
        assertThat(echo.others()).containsExactly(at(2), at(4));
        Change change = echo.apply(document, caret(at(0)), echo.others());
        assertThat(Cascade.of(change.after()).outlineLevel(change.after().paragraph(at(2)))).isEqualTo(2);
        assertThat(change.after().paragraph(at(2)).text()).as("typed numbers stay where the model's is typed").isEqualTo("4.3 Fire and smoke");
        assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
    }

    @Test void emphasisAndLinksWithinStayAndTheRestTakesTheLook() {
        Look red = Look.of(TextProperty.COLOUR, new Colour(0xAA0000));
        Paragraph model = new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, Alignment.CENTRE), Look.PLAIN, List.of(new Inline.Text("model", red)));
        Paragraph other = new Paragraph(null, Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true), Look.PLAIN, List.of(new Inline.Text("plain ", Look.PLAIN),
                new Inline.Text("loud", Look.of(TextProperty.ITALIC, true))));
        Document document = Sample.of(List.of(model, other));
        Document after = new Echo(at(0), List.of(at(1))).apply(document, caret(at(0)), List.of(at(1))).after();
        Paragraph made = after.paragraph(at(1));
        assertThat(made.look().get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.CENTRE);
        assertThat(made.look().is(ParagraphProperty.PAGE_BREAK_BEFORE)).isTrue();
        assertThat(made.inlines()).containsExactly(new Inline.Text("plain ", red), new Inline.Text("loud", red.with(TextProperty.ITALIC, true)));
    }

    /** The demo handbook: all headings of a level and the one that is missing among them; its typed number goes, since the others are counted. */
    @Test void aCountedHeadingIsNotNumberedTwice() {
        Document document = PassengerHandbook.document();
        List<Walk.Stop> stops = Walk.of(document).stops();
        BlockPath model = stops.stream().filter(stop -> stop.paragraph().text().equals("Muster points")).findFirst().orElseThrow().path();
        Echo echo = Echo.of(document, model);
        assertThat(echo.others()).hasSizeGreaterThan(10);
        Document after = echo.apply(document, caret(model), echo.others()).after();
        for (BlockPath path : echo.others()) {
            assertThat(after.paragraph(path).style()).isEqualTo(document.paragraph(model).style());
            assertThat(after.paragraph(path).text()).doesNotContainPattern("^\\d");
        }
    }

    /** In any document: no text is changed, and all of it is taken back. */
    @Test void textStaysWhatItIs() {
        for (int seed = 0; seed < 80; seed++) {
            Document document = new RandomDocument(new Random(seed)).document();
            List<Walk.Stop> stops = Walk.of(document).stops();
            BlockPath model = stops.get(new Random(seed).nextInt(stops.size())).path();
            Echo echo = Echo.of(document, model);
            assertThat(echo.others()).doesNotContain(model).isSorted();
            Change change = echo.apply(document, caret(model), echo.others());
            assertThat(Walk.of(change.after()).stops()).extracting(stop -> stop.paragraph().text()).isEqualTo(stops.stream().map(stop -> stop.paragraph()
                    .text()).toList());
            assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
        }
    }
}
