package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.AddressFinder;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Ranges of pages, and addresses in the text, as people write them. */
class PageRangeTest {
    private static final List<String> LABELS = List.of("i", "ii", "iii", "1", "2", "3", "A-1", "4");

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"all | 0,1,2,3,4,5,6,7", "odd | 0,2,4,6", "1-3, 7 | 0,1,2,6", "6- | 5,6,7", "-2 | 0,1", "8, 1 | 7,0",
            "2\u20134 | 1,2,3", "printed ii-2 | 1,2,3,4", "printed 3 | 5", "printed III | 2", "printed 2- | 4,5,6,7"})
    void namesPages(String text, String expected) {
        assertThat(new PageRange(text).of(LABELS)).isEqualTo(List.of(expected.split(",")).stream().map(Integer::valueOf).toList());
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "9", "5-2", "1-99", "three", "1--3", "1,,2", "printed iv", "printed 3-i", "printed", "printed -", "999999999999"})
    void refusesWhatMakesNoSenseInASentence(String text) {
        assertThatThrownBy(() -> new PageRange(text).of(LABELS)).isInstanceOf(DecantException.class).extracting(e -> ((DecantException) e).kind())
                .isEqualTo(DecantException.Kind.WRONG_CALL);
    }

    private static List<String> linked(String text) {
        Paragraph paragraph = new Paragraph("Normal", Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(text, Look.PLAIN)));
        Document document = AddressFinder.linked(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(paragraph)))), Look.PLAIN);
        Paragraph made = (Paragraph) document.blocks().get(0);
        assertThat(made.plainText()).isEqualTo(text);
        return made.inlines().stream().filter(inline -> inline.look().get(TextProperty.LINK) != null).map(inline -> ((Inline.Text) inline).text() + " > "
                + ((Link.Address) inline.look().get(TextProperty.LINK)).uri()).toList();
    }

    @Test void makesAddressesLiveAndLeavesTheSentenceItsStops() {
        assertThat(linked("See https://ferries.example/winter?x=1, or write to office@ferries.example."))
                .containsExactly("https://ferries.example/winter?x=1 > https://ferries.example/winter?x=1",
                "office@ferries.example > mailto:office@ferries.example");
        assertThat(linked("(more at www.ferries.example)")).containsExactly("www.ferries.example > https://www.ferries.example");
        assertThat(linked("https://ferries.example/a_(b) is one address")).containsExactly("https://ferries.example/a_(b) > https://ferries.example/a_(b)");
        assertThat(linked("10 @ 4.50 each, 3.5 www, and a@b")).isEmpty();
    }
}
