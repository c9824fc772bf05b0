package app.decant.spelling;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.layout.Sample;
import app.decant.spelling.Spelling.Slip;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Words are looked up in the language of their passage, and what is wrong with them is found and mended. */
class SpellingTest {
    private static List<String> slips(Document document, String... own) {
        Map<Paragraph, List<Slip>> found = new Spelling(Set.of(own)).check(document, () -> false);
        List<String> words = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document).stops()) for (Slip slip : found.getOrDefault(stop.paragraph(), List.of())) {
            assertThat(stop.paragraph().text().substring(slip.from(), slip.to()).replace('\u2019', '\'')).isEqualTo(slip.word());
            words.add(slip.word());
        }
        return words;
    }

    private static Paragraph in(String language, String text) {
        return new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(text, Look.of(TextProperty.LANGUAGE, language))));
    }

    /** Slips that people make, from memory; what they meant is common knowledge. */
    @ParameterizedTest @CsvSource({"en-GB,accomodation,accommodation", "en-GB,recieve,receive", "en-GB,seperate,separate", "en-GB,harbor,harbour",
        "en-US,harbour,harbor", "de-DE,Fahrplahn,Fahrplan", "de-DE,Verspähtung,Verspätung", "fr-FR,dévelopement,développement", "fr-FR,horraire,horaire",
        "es-ES,bienbenidos,bienvenidos", "es-ES,equipage,equipaje"})
    void aSlipIsFoundAndTheWordThatWasMeantIsOffered(String language, String wrong, String meant) {
        Document document = Sample.of(List.of(in(language, wrong), in(language, meant)));
        Map<Paragraph, List<Slip>> found = new Spelling(Set.of()).check(document, () -> false);
        assertThat(slips(document)).containsExactly(wrong);
        assertThat(Spelling.suggestions(found.values().iterator().next().get(0), 4)).contains(meant);
    }

    @Test void eachPassageIsReadInItsOwnLanguage() {
        assertThat(slips(Sample.of(List.of(in("en-GB", "The ferry leaves at noon."), in("de", "Die Fähre fährt am Mittag ab."),
                in("fr-CH", "Le bac part à midi."),
                in("es", "El barco sale al mediodía."), in("cy", "Mae'r fferi'n gadael am hanner dydd."))))).isEmpty();
        assertThat(slips(Sample.of(List.of(in("de", "The ferry leaves."))))).containsExactly("The", "ferry", "leaves");
    }

    @Test void aTextThatDoesNotSayItsLanguageIsReadInTheOneItIsIn() {
        String[] texts = {"The winter timetable begins in November and passengers are asked to arrive early at the peir.",
            "Der Winterfahrplan beginnt im November und alle Reisenden werden gebeten, früh an der Anlegestele zu sein.",
            "Le service d'hiver commence en novembre et les voyageurs sont priés d'arriver tôt au débarcadaire.",
            "El horario de invierno empieza en noviembre y se ruega a los pasajeros que lleguen pronto al muele."};
        String[] wrong = {"peir", "Anlegestele", "débarcadaire", "muele"};
        for (int i = 0; i < texts.length; i++) {
            boolean spanish = i == 3;
            // "muele" is a word too: what is proven there is that all others are known.
            assertThat(slips(Sample.of(List.of(Paragraph.of(texts[i]))))).as(texts[i]).isEqualTo(spanish ? List.of() : List.of(wrong[i]));
        }
        assertThat(slips(Sample.of(List.of(Paragraph.of("Kaikki matkustajat ovat tervetulleita laivaan ennen puoltapäivää."))))).as("a language of none here")
                .isEmpty();
    }

    @Test void whatIsNoWordIsLeftAlone() {
        assertThat(slips(Sample.of(List.of(in("en-GB",
                "Write to desk@ostreysound.example or https://ostreysound.example/faers?x=teh, ref. AB12cd, form OSF, a b c."),
                in("en-GB", "The passengers’ lounge doesn’t open; a well-known co\u00ADoperative ship-to-shore line."))))).isEmpty();
    }

    @Test void aNameThatComesAgainAndAgainIsAName() {
        Document document = Sample.of(List.of(in("en-GB", "The Grennick boat leaves Grennick."), in("en-GB", "From Grennick to Vannerhold, teh long way.")));
        assertThat(slips(document)).containsExactly("Vannerhold", "teh");
        assertThat(slips(Sample.of(List.of(in("de", "Die Anlegestele, die Anlegestele und die Anlegestele."))))).as("nouns are no names").hasSize(3);
    }

    @Test void ownWordsAreRightInAnyLanguageAndAtTheHeadOfASentence() {
        Document document = Sample.of(List.of(in("en-GB", "Skerrow and the skerrow boat."), in("de", "Skerrow")));
        assertThat(slips(document)).hasSize(3);
        assertThat(slips(document, "skerrow")).isEmpty();
        Spelling spelling = new Spelling(Set.of());
        assertThat(spelling.check(document, () -> false)).hasSize(2);
        spelling.learn("skerrow");
        assertThat(spelling.check(document, () -> false)).isEmpty();
    }

    @Test void afterAnEditOnlyWhatIsNewIsLookedUp() {
        Document before = PassengerHandbook.document();
        Spelling spelling = new Spelling(Set.of());
        Map<Paragraph, List<Slip>> first = spelling.check(before, () -> false);
        Walk.Stop stop = Walk.of(before).stops().stream().filter(one -> one.paragraph().text().startsWith("Each passenger")).findFirst().orElseThrow();
        Document after = Typing.type(before, TextSelection.caret(new Place(stop.path(), 0)), "Teh ", null).after();
        Map<Paragraph, List<Slip>> second = spelling.check(after, () -> false);
        Map<Paragraph, List<Slip>> more = new IdentityHashMap<>(second);
        first.forEach((paragraph, slips) -> {
            if (paragraph != stop.paragraph()) assertThat(more.remove(paragraph)).as("the answer given before").isEqualTo(slips);
        });
        assertThat(more.values().stream().flatMap(List::stream).map(Slip::word)).contains("Teh").hasSizeLessThan(4);
        assertThat(spelling.check(PassengerHandbook.document(), () -> true)).as("stopped at once").isEmpty();
    }
}
