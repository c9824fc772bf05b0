package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.TextProperty;
import app.decant.edit.TypingAids.Aid;
import app.decant.layout.Sample;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What comes of keys when typing is helped, letter by letter as they are struck. */
class TypingAidsTest {
    private static final Set<Aid> ALL = EnumSet.allOf(Aid.class);

    private final History history = new History();

    /** The document that comes of striking the keys of a text, in a language. */
    private Document typed(String language, String keys, Set<Aid> wanted) {
        Look look = Look.of(TextProperty.LANGUAGE, language);
        Document document = Sample.of(List.of(new Paragraph(null, Look.PLAIN, look, List.of())));
        history.begin(document);
        TextSelection caret = TextSelection.caret(new Place(BlockPath.of(0, 0), 0));
        for (String key : keys.split("")) {
            Change change = Typing.type(document, caret, key, look);
            history.add(change, true);
            document = change.after();
            caret = (TextSelection) change.picked();
            Change aid = TypingAids.after(document, caret, key, wanted);
            if (aid == null) continue;
            assertThat(aid.isNothing()).isFalse();
            history.add(aid, true);
            document = aid.after();
            caret = (TextSelection) aid.picked();
            assertThat(caret.fits(document)).isTrue();
        }
        return document;
    }

    private static String text(Document document) { return document.paragraph(BlockPath.of(0, 0)).text(); }

    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
        "en-GB|She said \"come aboard\" (\"now\").|She said “come aboard” (“now”).",
                "en-GB|The crew's 'own' boat, '98, don't|The crew’s ‘own’ boat, ‘98, don’t",
        "de-DE|Er sagte \"Achtung\" und 'ja'.|Er sagte „Achtung“ und ‚ja‘.", "fr-FR|Il dit \"bonjour\" à l'aube.|Il dit «\u00A0bonjour\u00A0» à l’aube.",
        "es-ES|Dijo \"hola\".|Dijo «hola»."})
    void quotesAreThoseOfTheLanguage(String language, String keys, String wanted) { assertThat(text(typed(language, keys, ALL))).isEqualTo(wanted); }

    @ParameterizedTest @CsvSource(delimiter = '|', value = {"the boat is late. it waits for no one.|The boat is late. It waits for no one.",
        "We sail at noon, i.e. at twelve, e.g. today.|We sail at noon, i.e. at twelve, e.g. today.", "ask dr. hale or st. anne|Ask dr. hale or st. anne",
        "Is it open? yes.|Is it open? Yes.", "iPhones are no heads of sentences.|iPhones are no heads of sentences.",
                "See no. 12 of the list.|See no. 12 of the list."})
    void aSentenceBeginsWithACapital(String keys, String wanted) { assertThat(text(typed("en-GB", keys + " x", ALL))).isEqualTo(wanted + " x"); }

    @Test void slipsOfTheFingersAreMendedWithTheirCapital() {
        assertThat(text(typed("en-GB", "Teh boat adn teh pier, wiht care.", ALL))).isEqualTo("The boat and the pier, with care.");
        assertThat(text(typed("de-DE", "Boote udn Stege sidn da.", ALL))).isEqualTo("Boote und Stege sind da.");
        assertThat(text(typed("fr-FR", "teh ", ALL))).as("no French slip").isEqualTo("Teh ");
    }

    @Test void addressesAreMadeLinks() {
        Document document = typed("en-GB", "Write to desk@ostreysound.example or www.ostreysound.example now", ALL);
        Paragraph paragraph = document.paragraph(BlockPath.of(0, 0));
        assertThat(paragraph.lookBefore(12).get(TextProperty.LINK)).isEqualTo(new Link.Address("mailto:desk@ostreysound.example"));
        assertThat(paragraph.lookBefore(paragraph.text().indexOf("www") + 3).get(TextProperty.LINK))
                .isEqualTo(new Link.Address("https://www.ostreysound.example"));
        assertThat(paragraph.lookBefore(paragraph.length()).says(TextProperty.LINK)).as("what is typed behind is no link").isFalse();
    }

    @Test void aSignAtTheHeadBeginsAList() {
        Document document = typed("en-GB", "- ropes", ALL);
        assertThat(text(document)).isEqualTo("ropes");
        assertThat(Lists.kind(document, document.paragraph(BlockPath.of(0, 0)))).isEqualTo(Lists.Kind.BULLETS);
        assertThat(Lists.kind(typed("en-GB", "1. ropes", ALL), typed("en-GB", "1. ropes", ALL).paragraph(BlockPath.of(0, 0)))).isEqualTo(Lists.Kind.NUMBERS);
        assertThat(text(typed("en-GB", "12. ropes - and nets", ALL))).isEqualTo("12. ropes - and nets");
    }

    @Test void oneUndoTakesJustTheAidBack() {
        Document document = typed("en-GB", "Say \"", ALL);
        assertThat(text(document)).isEqualTo("Say \u201C");
        assertThat(text(history.undo().document())).isEqualTo("Say \"");
        document = typed("en-GB", "- ", ALL);
        assertThat(text(document)).isEmpty();
        History.Turn turn = history.undo();
        assertThat(text(turn.document())).isEqualTo("- ");
        assertThat(turn.picked().head().offset()).isEqualTo(2);
    }

    @Test void eachAidCanBeSwitchedOff() {
        String keys = "teh \"end\". it is\n";
        assertThat(text(typed("en-GB", keys.strip(), EnumSet.noneOf(Aid.class)))).isEqualTo(keys.strip());
        assertThat(text(typed("en-GB", "teh boat. it is ", EnumSet.of(Aid.CAPITALS)))).isEqualTo("Teh boat. It is ");
        assertThat(text(typed("en-GB", "teh boat. it is ", EnumSet.of(Aid.SLIPS)))).isEqualTo("the boat. it is ");
        Document document = typed("en-GB", "- www.ostrey.example ", EnumSet.of(Aid.QUOTES));
        assertThat(document.paragraph(BlockPath.of(0, 0)).inlines()).allMatch(inline -> inline instanceof Inline.Text run && !run.look()
                .says(TextProperty.LINK));
    }
}
