package app.decant.spelling;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HyphenationTest {
    /** Source: what the patterns' own documents give as examples and dictionaries have (Duden for German, from memory). */
    @ParameterizedTest
    @CsvSource({"en-US, hyphenation, hy-phen-ation", "en-GB, university, uni-ver-sity", "en-GB, University, Uni-ver-sity", "de-DE, Fahrplan, Fahr-plan",
        "de-AT, Schifffahrt, Schiff-fahrt", "de, Straße, Stra-ße", "fr-FR, voyageurs, voya-geurs", "es-ES, pasajeros, pa-sa-je-ros", "en-GB, NATO, NATO",
        "en-GB, ship, ship"})
    void wordsArePartedWhereCompositorsPartThem(String language, String word, String parted) {
        StringBuilder made = new StringBuilder(word);
        int[] points = Hyphenation.of(Language.of(language)).points(word);
        for (int i = points.length - 1; i >= 0; i--) made.insert(points[i], '-');
        assertThat(made.toString()).isEqualTo(parted);
    }

    @Test void languagesWithoutPatternsPartNothing() { assertThat(Hyphenation.of(Language.of("tlh"))).isNull(); }
}
