package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.layout.Sample;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
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

    /** Pictures as wide as one, tables like one: what is told to give is undone as one, and what has it already stays the very thing. */
    @Test void picturesAndTablesBecomeLikeOneThatIsRight() {
        Document document = PassengerHandbook.document();
        int pictures = 0;
        int tables = 0;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            int at = 0;
            for (Inline inline : stop.paragraph().inlines()) {
                TextSelection here = new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + inline.length()));
                at += inline.length();
                Picture model = inline.length() == 1 ? Pictures.picked(document, here) : null;
                if (model == null) continue;
                pictures++;
                PictureEcho echo = PictureEcho.of(document, here);
                Change change = echo.give(document, here, IntStream.range(0, echo.others().size()).boxed().toList());
                for (TextSelection other : echo.others()) {
                    Picture before = Pictures.picked(document, other);
                    Picture after = Pictures.picked(change.after(), other);
                    assertThat(after.width()).isCloseTo(model.width(), within(0.05));
                    assertThat(after.height() / after.width()).isCloseTo(before.height() / before.width(), within(0.001));
                }
                assertThat(Pictures.picked(change.after(), here)).isSameAs(model);
                assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
                assertThat(PictureEcho.of(change.after(), here).give(change.after(), here, List.of(0)).isNothing()).isTrue();
            }
            TextSelection caret = TextSelection.caret(new Place(stop.path(), 0));
            TableEcho echo = TableEcho.of(document, caret);
            if (echo == null) continue;
            tables++;
            Change change = echo.give(document, caret, IntStream.range(0, echo.others().size()).boxed().toList());
            assertThat(words(change.after())).isEqualTo(words(document));
            for (TextSelection other : echo.others()) {
                Table made = Tables.area(change.after(), other).table();
                assertThat(made.look().get(TableProperty.BORDERS)).isEqualTo(echo.model().look().get(TableProperty.BORDERS));
                assertThat(made.columns()).isEqualTo(Tables.area(document, other).table().columns());
                assertThat(echo.giveTo(change.after(), other).isNothing()).isTrue();
            }
            assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
        }
        assertThat(pictures).isGreaterThan(2);
        assertThat(tables).isGreaterThan(5);
    }

    private static List<String> words(Document document) { return Walk.of(document).stops().stream().map(stop -> stop.paragraph().text()).toList(); }

    @Test void linksGetTheDressOfOneThatIsRightAndLeadWhereTheyLed() {
        Link one = new Link.Address("https://ostrey.example/boats");
        Link two = new Link.Address("https://ostrey.example/fares");
        Look right = Look.of(TextProperty.COLOUR, new Colour(0x6B1F47)).with(TextProperty.BOLD, true).with(TextProperty.LINK, one);
        Look blue = Look.of(TextProperty.COLOUR, new Colour(0x0000FF)).with(TextProperty.SIZE, 14.0).with(TextProperty.LINK, one);
        Paragraph first = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("See ", Look.PLAIN), new Inline.Text("boats", right)));
        Paragraph other = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("boats", blue), new Inline.Text("fares", blue.with(
                TextProperty.LINK, two)), new Inline.Text(" of today", Look.PLAIN)));
        Document document = Sample.of(List.<Block>of(first, other, Paragraph.of("no link")));
        assertThat(LinkEcho.of(document, TextSelection.caret(new Place(at(2), 1)))).isNull();
        LinkEcho echo = LinkEcho.of(document, TextSelection.caret(new Place(at(0), 6)));
        assertThat(IntStream.range(0, echo.others().size()).mapToObj(i -> echo.words(document, i))).containsExactly("boats", "fares");
        Change change = echo.give(document, caret(at(0)), List.of(1));
        Paragraph made = change.after().paragraph(at(1));
        assertThat(made.lookBefore(1)).isEqualTo(blue);
        assertThat(made.lookBefore(6)).isEqualTo(right.with(TextProperty.SIZE, 14.0).with(TextProperty.LINK, two));
        assertThat(made.lookBefore(12)).isEqualTo(Look.PLAIN);
        assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
        assertThat(echo.giveTo(document, TextSelection.caret(new Place(at(1), 2))).after().paragraph(at(1)).lookBefore(1).get(TextProperty.COLOUR))
                .isEqualTo(new Colour(0x6B1F47));
        assertThat(echo.giveTo(document, TextSelection.caret(new Place(at(0), 6)))).isNull();
    }

    @Test void whatIsClickedWhileEchoIsHeldBecomesLikeIt() {
        Document document = Sample.of(List.<Block>of(Paragraph.styled("Heading2", "One"), Paragraph.of("text")));
        PassageEcho echo = PassageEcho.of(document, at(0));
        assertThat(echo.giveTo(document, TextSelection.caret(new Place(at(0), 0)))).isNull();
        Change change = echo.giveTo(document, TextSelection.caret(new Place(at(1), 0)));
        assertThat(change.after().paragraph(at(1)).style()).isEqualTo(document.paragraph(at(0)).style());
        assertThat(change.after().paragraph(at(1)).text()).isEqualTo(document.paragraph(at(1)).text());
    }
}
