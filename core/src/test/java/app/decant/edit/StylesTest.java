package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import app.decant.demo.PassengerHandbook;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.format.text.TextWriter;
import app.decant.layout.Layout;
import app.decant.layout.Sample;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Styles made, changed, put in each other's place and tidied: what a person sees of it, and that all of it is taken back. */
class StylesTest {
    private static final Look LARGE = Look.of(TextProperty.SIZE, 17.0).with(TextProperty.BOLD, true);

    private static Document handbook() { return PassengerHandbook.document(); }

    private static Walk.Stop stop(Document document, String text) {
        return Walk.of(document).stops().stream().filter(one -> one.paragraph().text().startsWith(text)).findFirst().orElseThrow();
    }

    private static TextSelection all(Walk.Stop stop) { return new TextSelection(new Place(stop.path(), 0), new Place(stop.path(), stop.paragraph().length())); }

    private static Change made(Document before, Change change) {
        assertThat(change.transaction().inverse(before).apply(change.after()).document()).isEqualTo(before);
        return change;
    }

    private static Look look(Document document, BlockPath path) {
        return Cascade.of(document).text(document.paragraph(path), document.paragraph(path).lookBefore(1));
    }

    @Test void allOfAStyleFollowAPassage() {
        Document before = handbook();
        Walk.Stop model = stop(before, "Who we are");
        Walk.Stop other = stop(before, "The three lines");
        Document dressed = Dressing.looks(before, all(model), look -> LARGE.over(look)).after();
        Document after = made(dressed, Styles.follow(dressed, all(model))).after();
        assertThat(look(after, model.path()).get(TextProperty.SIZE)).isEqualTo(17.0);
        assertThat(look(after, other.path()).get(TextProperty.SIZE)).isEqualTo(17.0);
        assertThat(after.paragraph(model.path()).inlines().get(0).look().says(TextProperty.SIZE)).as("the style says it now").isFalse();
        assertThat(look(after, stop(before, "Each passenger").path())).as("text is no such heading").isEqualTo(look(before, stop(before, "Each passenger")
                .path()));
        assertThat(Styles.follow(before, all(model)).isNothing()).as("a passage that says nothing of its own").isTrue();
    }

    @Test void aStyleIsMadeFromAPassageAndItsNameIsItsOwn() {
        Document before = handbook();
        Walk.Stop model = stop(before, "Each passenger");
        Document dressed = Dressing.looks(before, all(model), look -> LARGE.over(look)).after();
        Document after = made(dressed, Styles.make(dressed, all(model), " Notice ")).after();
        Style style = after.styles().style(after.paragraph(model.path()).style());
        assertThat(style.name()).isEqualTo("Notice");
        assertThat(style.look()).isEqualTo(LARGE);
        assertThat(look(after, model.path())).isEqualTo(look(dressed, model.path()));
        Document twice = Styles.make(after, all(stop(after, "Who we are")), "notice").after();
        assertThat(Styles.at(twice, all(stop(twice, "Who we are"))).name()).isEqualTo("notice 2");
    }

    @Test void oneStyleStandsInForAnotherEverywhere() {
        Document before = handbook();
        String from = stop(before, "Residents").paragraph().style();
        String to = stop(before, "Who we are").paragraph().style();
        Document after = made(before, Styles.replace(before, all(stop(before, "Residents")), from, to)).after();
        assertThat(Styles.wearers(after)).doesNotContainKey(from);
        assertThat(Styles.wearers(after).get(to)).isEqualTo(Styles.wearers(before).get(from) + Styles.wearers(before).get(to));
        assertThatIllegalArgumentException().isThrownBy(() -> Styles.replace(before, all(stop(before, "Residents")), from, "none"));
    }

    @Test void heirsOfAStyleThatGoesLookAsBefore() {
        Style base = new Style("Base", "Base", Style.Kind.PARAGRAPH, null, null, LARGE);
        Style heir = new Style("Heir", "Heir", Style.Kind.PARAGRAPH, "Base", "Base", Look.of(TextProperty.ITALIC, true));
        Document plain = Sample.of(List.of(Paragraph.styled("Heir", "one"), Paragraph.styled("Base", "two")));
        Document before = plain.withStyles(plain.styles().with(base).with(heir).with(new Style("Other", "Other", Style.Kind.PARAGRAPH, null, null,
                Look.PLAIN)));
        Document after = made(before, Styles.replace(before, TextSelection.caret(new Place(BlockPath.of(0, 0), 0)), "Base", "Other")).after();
        assertThat(after.styles().style("Base")).isNull();
        assertThat(after.styles().style("Heir").next()).isEqualTo("Other");
        assertThat(look(after, BlockPath.of(0, 0))).isEqualTo(look(before, BlockPath.of(0, 0)));
        assertThat(look(after, BlockPath.of(0, 1)).is(TextProperty.BOLD)).isFalse();
    }

    /** The law of tidying: no letter looks otherwise, in no story. */
    @Test void tidyingChangesNoLook() {
        List<Document> documents = new ArrayList<>(List.of(handbook()));
        for (int seed = 0; seed < 40; seed++) documents.add(new RandomDocument(new Random(seed)).document());
        int styles = 0;
        int looks = 0;
        for (Document before : documents) {
            Document loud = aloud(before);
            TextSelection start = TextSelection.caret(new Place(Walk.of(loud).stops().get(0).path(), 0));
            UsedStyles.Tidied tidied = UsedStyles.tidy(loud, start);
            Document after = made(loud, tidied.change()).after();
            styles += tidied.styles();
            looks += tidied.looks();
            Cascade then = Cascade.of(loud);
            Cascade now = Cascade.of(after);
            for (Story story : Stories.all(loud)) {
                List<Walk.Stop> stops = Walk.of(loud, story).stops();
                List<Walk.Stop> others = Walk.of(after, story).stops();
                for (int i = 0; i < stops.size(); i++) {
                    Paragraph one = stops.get(i).paragraph();
                    Paragraph other = others.get(i).paragraph();
                    assertThat(now.paragraph(other)).isEqualTo(then.paragraph(one));
                    for (int at = 0; at <= one.length(); at++)
                        assertThat(now.text(other, other.lookBefore(at)).without(TextProperty.STYLE)).isEqualTo(then.text(one, one.lookBefore(at))
                                .without(TextProperty.STYLE));
                }
            }
            assertThat(UsedStyles.tidy(after, start).change().isNothing()).as("once is enough").isTrue();
        }
        assertThat(styles).isPositive();
        assertThat(looks).isGreaterThan(100);
        FontCatalogue fonts = FontCatalogue.ofThisMachine();
        Document loud = aloud(handbook());
        Document tidy = UsedStyles.tidy(loud, TextSelection.caret(new Place(BlockPath.of(0, 0), 0))).change().after();
        assertThat(Layout.of(tidy, fonts).pages().stream().map(page -> page.lines().size()).toList())
                .isEqualTo(Layout.of(loud, fonts).pages().stream().map(page -> page.lines().size()).toList());
    }

    /** The same with every paragraph and letter saying itself what its style says of them, and a style that nothing wears. */
    private static Document aloud(Document document) {
        Cascade cascade = Cascade.of(document);
        Draft draft = new Draft(document, TextSelection.caret(new Place(Walk.of(document).stops().get(0).path(), 0)));
        Styles.dress(draft, paragraph -> {
            Look look = cascade.paragraph(paragraph);
            Look loud = paragraph.look();
            if (look.says(ParagraphProperty.SPACE_AFTER)) loud = loud.with(ParagraphProperty.SPACE_AFTER, look.get(ParagraphProperty.SPACE_AFTER));
            if (look.says(ParagraphProperty.ALIGNMENT)) loud = loud.with(ParagraphProperty.ALIGNMENT, look.get(ParagraphProperty.ALIGNMENT));
            List<Inline> inlines = paragraph.inlines().stream()
                    .map(inline -> inline instanceof Inline.Text ? inline.with(inline.look().with(TextProperty.SIZE, cascade.text(paragraph, inline.look())
                            .get(TextProperty.SIZE)))
                            : inline).toList();
            return new Paragraph(paragraph.style(), loud, paragraph.mark(), inlines);
        });
        Style unworn = new Style("Unworn", "Unworn", Style.Kind.PARAGRAPH, null, null, LARGE);
        return draft.document().withStyles(draft.document().styles().with(unworn));
    }

    /** A family that is replaced stands nowhere any more, on no page either, and nothing else becomes otherwise. */
    @Test void aFontIsReplacedEverywhere() {
        Document document = PassengerHandbook.document();
        TextSelection caret = Selection.near(document, new Place(Story.BODY, BlockPath.of(0, 0), 0));
        Change change = FontReplacing.replace(document, caret, "liberation sans", "Carlito");
        List<String> before = families(document);
        assertThat(before).contains("Liberation Sans").doesNotContain("Carlito");
        List<String> expected = before.stream().map(family -> family.equals("Liberation Sans") ? "Carlito" : family).sorted().toList();
        assertThat(families(change.after())).isEqualTo(expected);
        assertThat(TextWriter.write(change.after())).isEqualTo(TextWriter.write(document));
        assertThat(change.transaction().inverse(document).apply(change.after()).orThrow()).isEqualTo(document);
        assertThat(FontReplacing.replace(document, caret, "No Such Font", "Carlito").isNothing()).isTrue();
    }

    private static List<String> families(Document document) {
        return Layout.of(document, FontCatalogue.shipped()).fonts().stream().map(FontCatalogue.Match::family).distinct().sorted().toList();
    }
}
