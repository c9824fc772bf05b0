package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.Block;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.Sample;
import app.decant.page.Pages;
import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Names of files that are made a page each. */
class NamePatternTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final Look NEW_PAGE = Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true);

    private static Pages pages(String title) {
        Document document = Sample.of(List.<Block>of(Paragraph.of("before any heading"), Sample.looking("on page 2", NEW_PAGE),
                Paragraph.styled("Heading1", "Fares: dogs/bicycles?"), Paragraph.styled("Heading2", "Prams"), Sample.looking("on page 3", NEW_PAGE)));
        return Layout.of(document.withFacts(document.facts().withTitle(title)), FontCatalogue.shipped());
    }

    private static String names(String pattern, String title) {
        Pages pages = pages(title);
        return IntStream.range(0, pages.count()).mapToObj(page -> NamePattern.of(pattern, "notice", pages, page, page + 1, WHEN))
                .collect(Collectors.joining(" | "));
    }

    @Test void everyFieldIsFilledInWithoutWhatFileSystemsDoNotTake() {
        assertThat(names("{name}-{n}", null)).isEqualTo("notice-1 | notice-2 | notice-3");
        assertThat(names("{nnn} {heading}", null)).isEqualTo("001 | 002 Prams | 003 Prams");
        assertThat(names("p{label} {title}", "Sound: \"all\" <piers>")).isEqualTo("p1 Sound all piers | p2 Sound all piers | p3 Sound all piers");
        assertThat(names("{title} {date} {n}", null)).startsWith("notice 2026-11-01 1 |");
        assertThat(names("$1\\{n}".replace("\\", ""), null)).as("signs that replacing knows").startsWith("$11 |");
    }

    @Test void patternsThatMakeNoNameAreRefusedInWords() {
        for (String[] bad : new String[][] {{"{name}", "same name"}, {"{page}", "means nothing in a name"}, {"{N}", "means nothing in a name"},
                {"../{n}", "no name for a file"}, {"a\\{n}", "no name for a file"}, {"", "same name"}, {"{}", "means nothing"}})
            assertThatThrownBy(() -> names(bad[0], null)).as(bad[0]).isInstanceOf(DecantException.class).hasMessageContaining(bad[1]);
    }
}
