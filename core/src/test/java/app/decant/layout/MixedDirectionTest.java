package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Line;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Carets among words of two directions (Unicode Standard Annex 9): each position has a place of its own, and the keys find all of them by eye. */
class MixedDirectionTest {
    @ParameterizedTest @CsvSource(ignoreLeadingAndTrailingWhitespace = false, value = {"ab \u05D0\u05D1\u05D2 cd,false", "ab\u05D0\u05D1cd,false",
        "\u05D0\u05D1 xyz \u05D2\u05D3,true", "\u05D0\u05D1xy\u05D2\u05D3,true", "\u05D0\u05D1\u05D2 123 \u05D3\u05D4,true",
        "to \u05D0\u05D1 and \u05D2\u05D3 go,false"})
    void everyPositionHasAPlaceThatTheKeysFind(String text, boolean leftward) {
        Paragraph paragraph = Sample.looking(text, Look.of(ParagraphProperty.RIGHT_TO_LEFT, leftward));
        Line line = Layout.of(Sample.of(List.of(paragraph)), FontCatalogue.ofThisMachine()).page(0).lines().get(0).line();
        List<Integer> byEye = new ArrayList<>(IntStream.rangeClosed(0, text.length()).boxed().toList());
        byEye.sort(Comparator.comparingDouble(line::caretX));
        for (int i = 1; i < byEye.size(); i++) assertThat(line.caretX(byEye.get(i)) - line.caretX(byEye.get(i - 1))).as("%s, %s", text, byEye).isGreaterThan(1);
        for (int i = 0; i < byEye.size(); i++) {
            assertThat(line.beside(byEye.get(i), true, offset -> true)).isEqualTo(i + 1 < byEye.size() ? byEye.get(i + 1) : -1);
            assertThat(line.beside(byEye.get(i), false, offset -> true)).isEqualTo(i > 0 ? byEye.get(i - 1) : -1);
            assertThat(line.offsetAt(line.caretX(byEye.get(i)))).isEqualTo(byEye.get(i));
        }
        // The first letter is at the side where the line begins.
        assertThat(byEye.get(leftward ? text.length() : 0)).isZero();
    }
}
