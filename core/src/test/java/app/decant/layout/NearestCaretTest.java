package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Line;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A click finds the nearest of all caret positions, the first of those in one place, in whatever a line holds. */
class NearestCaretTest {
    @ParameterizedTest
    @ValueSource(strings = {"AVAVA To office waffle ffi, and so on; then more words that go on to another line, and to a third one when these are many enough",
        "one\ttwo\t\tthree\u200D\u200Dfour e\u0301e\u0301 x\u0323\u0302 end", "a", "one\u2028two lines", "ab \u05D0\u05D1\u05D2 cd ef \u05D3\u05D4 gh"})
    void clicksFindTheNearest(String text) {
        for (Alignment alignment : Alignment.values()) {
            Paragraph paragraph = Sample.looking(text.replace('\u2028', '\n'), Look.of(ParagraphProperty.ALIGNMENT, alignment));
            for (Item.LineItem item : Layout.of(Sample.of(List.of(paragraph)), FontCatalogue.ofThisMachine()).page(0).lines()) {
                Line line = item.line();
                for (double x = -20; x < line.width() + 30; x += 0.61) assertThat(line.offsetAt(x)).as("%s at %.2f", text, x).isEqualTo(nearest(line, x));
            }
        }
    }

    private static int nearest(Line line, double x) {
        int last = line.after() == Line.Break.NONE ? line.end() : Math.max(line.start(), line.end() - 1);
        int nearest = line.start();
        for (int other = line.start(); other <= last; other++)
            if (Math.abs(line.caretX(other) - x) < Math.abs(line.caretX(nearest) - x)) nearest = other;
        return nearest;
    }
}
