package app.decant.proof;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Progress;
import app.decant.recover.PageText;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Pages find their counterparts though some were put in, left out or changed. */
class PageAlignmentTest {
    private static final String[] WORDS = {"pier", "ramp", "tide", "purser", "fare", "night", "crew", "chart", "buoy", "log", "deck", "mail"};

    private static PageText page(int number) {
        List<PageText.Line> lines = new ArrayList<>();
        for (int i = 0; i < 12; i++)
            lines.add(new PageText.Line("the " + WORDS[(number * 5 + i) % 12] + " number" + number + " line" + number + "x" + i, 72, 400, 80 + i * 14, 11,
                    List.of(), PageText.Begin.UNKNOWN));
        return new PageText(number, 595, 842, 0, null, false, lines, List.of(), Set.of(), 0);
    }

    private static List<PageText> pages(int... numbers) {
        List<PageText> pages = new ArrayList<>();
        for (int number : numbers) pages.add(page(number));
        return pages;
    }

    @Test void goesOnAfterAPageThatWasPutIn() {
        assertThat(PageAlignment.of(pages(0, 1, 2, 3, 4), pages(0, 1, 9, 2, 3, 4))).containsExactly(0, 1, 3, 4, 5);
    }

    @Test void goesOnAfterAPageThatWasLeftOut() {
        assertThat(PageAlignment.of(pages(0, 1, 2, 3, 4), pages(0, 1, 3, 4))).containsExactly(0, 1, -1, 2, 3);
    }

    @Test void staysInStepWhereNothingFits() {
        assertThat(PageAlignment.of(pages(0, 1, 2), pages(0, 7, 2))).containsExactly(0, 1, 2);
    }

    @Test void tellsThePagesThatStandElsewhereAndCountsThoseThatAreGone() {
        Comparison comparison = Proof.compare(pages(0, 1, 2, 3), pages(0, 9, 1, 2, 3), Progress.SILENT);
        assertThat(comparison.pages()).hasSize(5);
        assertThat(comparison.pages().subList(0, 4)).allSatisfy(score -> assertThat(score.score()).isEqualTo(100));
        assertThat(comparison.pages().get(4).text()).isZero();
        assertThat(comparison.differences()).extracting(Difference::sentence).contains("5 pages instead of 4.", "This page is page 3 now.");
    }
}
