package app.decant.document;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Numbering.Level;
import app.decant.document.Numbering.NumberedList;
import app.decant.document.Numbering.Pattern;
import app.decant.document.Numbering.Suffix;
import app.decant.document.ParagraphProperty.ListReference;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** How lists are counted and written (ISO/IEC 29500-1, 17.9): against the clauses, and a second count that knows nothing of the first. */
class CountingTest {
    private static final Map<Character, Integer> ROMAN = Map.of('i', 1, 'v', 5, 'x', 10, 'l', 50, 'c', 100, 'd', 500, 'm', 1000);

    /** Read back by the rule that a smaller sign before a larger one is taken away. */
    private static int roman(String text) {
        int sum = 0;
        for (int i = 0; i < text.length(); i++) {
            int value = ROMAN.get(text.charAt(i));
            sum += i + 1 < text.length() && ROMAN.get(text.charAt(i + 1)) > value ? -value : value;
        }
        return sum;
    }

    @Test void romanNumbersReadAsTheyWereMeant() {
        Set<String> seen = new HashSet<>();
        for (int i = 1; i < 4000; i++) {
            String written = NumberFormat.LOWER_ROMAN.write(i);
            assertThat(roman(written)).as(written).isEqualTo(i);
            assertThat(written).doesNotContain("iiii", "xxxx", "cccc", "vv", "ll", "dd");
            assertThat(seen.add(written)).isTrue();
            assertThat(NumberFormat.UPPER_ROMAN.write(i)).isEqualToIgnoringCase(written).isUpperCase();
        }
        assertThat(NumberFormat.LOWER_ROMAN.write(1994)).isEqualTo("mcmxciv");
        // What Romans had no number for is written as one has it.
        assertThat(NumberFormat.LOWER_ROMAN.write(0)).isEqualTo("0");
        assertThat(NumberFormat.UPPER_ROMAN.write(-3)).isEqualTo("-3");
        assertThat(NumberFormat.LOWER_ROMAN.write(10_000)).isEqualTo("10000");
    }

    /** Letters go on doubled (17.18.59, lowerLetter). */
    @Test void lettersGoOnDoubled() {
        assertThat(List.of(1, 2, 26, 27, 28, 52, 53, 78, 79)).extracting(NumberFormat.LOWER_LETTER::write)
                .containsExactly("a", "b", "z", "aa", "bb", "zz", "aaa", "zzz", "aaaa");
        assertThat(NumberFormat.UPPER_LETTER.write(28)).isEqualTo("BB");
        assertThat(NumberFormat.LOWER_LETTER.write(0)).isEqualTo("0");
        assertThat(NumberFormat.LOWER_LETTER.write(Integer.MAX_VALUE)).hasSize(50);
    }

    @Test void plainNumbersAndNone() {
        assertThat(List.of(0, 7, 9, 10, 123)).extracting(NumberFormat.DECIMAL_ZERO::write).containsExactly("00", "07", "09", "10", "123");
        assertThat(NumberFormat.DECIMAL.write(-4)).isEqualTo("-4");
        assertThat(NumberFormat.BULLET.write(3)).isEmpty();
        assertThat(NumberFormat.NONE.write(3)).isEmpty();
    }

    private static Level level(NumberFormat format, int start, String label, Integer restart) {
        return new Level(format, start, label, Suffix.TAB, restart, null, Look.PLAIN);
    }

    private static final Pattern CLAUSES = new Pattern("clauses",
            List.of(level(NumberFormat.DECIMAL, 1, "%1.", null), level(NumberFormat.LOWER_LETTER, 1, "%1.%2)", null),
            level(NumberFormat.LOWER_ROMAN, 1, "(%3)", null)));

    private static List<String> labels(Numbering numbering, Object... listsAndLevels) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < listsAndLevels.length; i += 2)
            blocks.add(Paragraph.of("x").withLook(Look.of(ParagraphProperty.LIST, new ListReference((String) listsAndLevels[i], (int) listsAndLevels[i + 1]))));
        return labels(numbering, blocks);
    }

    private static List<String> labels(Numbering numbering, List<Block> blocks) {
        Document empty = Document.empty();
        Document document = empty.withNumbering(numbering).withSections(List.of(empty.sections().get(0).withBlocks(blocks)));
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        return Walk.of(document).stops().stream().map(stop -> labels.label(stop.paragraph())).toList();
    }

    private static Numbering numbering(Pattern pattern, NumberedList... lists) {
        Numbering numbering = Numbering.NONE;
        for (NumberedList list : lists) numbering = numbering.with(pattern, list);
        return numbering;
    }

    private static NumberedList list(String id) { return new NumberedList(id, "clauses", Map.of(), Map.of()); }

    /** 17.18.59: counts in words, of the language of the text; English and German from memory. */
    @Test void countsAreSaidInWords() {
        assertThat(List.of(1, 2, 3, 11, 21, 112)).extracting(count -> NumberFormat.ORDINAL.write(count, "en-GB"))
                .containsExactly("1st", "2nd", "3rd", "11th", "21st", "112th");
        assertThat(List.of(1, 12, 21)).extracting(count -> NumberFormat.CARDINAL_TEXT.write(count, "en")).containsExactly("One", "Twelve", "Twenty-one");
        assertThat(List.of(1, 2, 20)).extracting(count -> NumberFormat.ORDINAL_TEXT.write(count, "en")).containsExactly("First", "Second", "Twentieth");
        assertThat(NumberFormat.CARDINAL_TEXT.write(3, "de")).isEqualTo("Drei");
        assertThat(NumberFormat.ORDINAL_TEXT.write(1, null)).as("no language").isEqualTo("First");
        assertThat(NumberFormat.ORDINAL_TEXT.write(1, "not a language")).isNotBlank();
        assertThat(NumberFormat.UPPER_ROMAN.write(4, "de")).isEqualTo("IV");
    }

    /** 17.9.4: in legal numbering all counts of a label are plain figures; 17.9.17: a level without a count of its own still shows those it names. */
    @Test void clausesShowPlainFigures() {
        Pattern articles = new Pattern("clauses", List.of(level(NumberFormat.UPPER_ROMAN, 1, "Article %1.", null),
                level(NumberFormat.DECIMAL_ZERO, 1, "Section %1.%2", null).labelled(true, ParagraphProperty.Alignment.START),
                level(NumberFormat.NONE, 1, "to %1.%2", null)));
        assertThat(labels(numbering(articles, list("a")), "a", 0, "a", 0, "a", 1, "a", 1, "a", 2)).containsExactly("Article I.", "Article II.", "Section 2.1",
                "Section 2.2", "to II.02");
        Pattern said = new Pattern("clauses", List.of(level(NumberFormat.ORDINAL_TEXT, 1, "%1 part", null)));
        assertThat(labels(numbering(said, list("a")), "a", 0, "a", 0)).containsExactly("First part", "Second part");
    }

    @Test void innerLevelsBeginAnewAfterOuterOnes() {
        assertThat(labels(numbering(CLAUSES, list("a")), "a", 0, "a", 1, "a", 1, "a", 2, "a", 2, "a", 1, "a", 2, "a", 0, "a", 1, "a", 2))
                .containsExactly("1.", "1.a)", "1.b)", "(i)", "(ii)", "1.c)", "(i)", "2.", "2.a)", "(i)");
    }

    @Test void anOuterLevelThatWasNeverSaidCountsAsItsFirst() {
        assertThat(labels(numbering(CLAUSES, list("a")), "a", 1, "a", 1, "a", 0, "a", 1)).containsExactly("1.a)", "1.b)", "2.", "2.a)");
    }

    /** 17.9.10: a level begins anew only after the level it names, or never. */
    @Test void levelsBeginAnewWhereTheySay() {
        Pattern never = new Pattern("clauses", List.of(level(NumberFormat.DECIMAL, 1, "%1.", null), level(NumberFormat.DECIMAL, 1, "%2", 0)));
        assertThat(labels(numbering(never, list("a")), "a", 0, "a", 1, "a", 1, "a", 0, "a", 1)).containsExactly("1.", "1", "2", "2.", "3");
        Pattern first = new Pattern("clauses", List.of(level(NumberFormat.DECIMAL, 1, "%1.", null), level(NumberFormat.DECIMAL, 1, "%2.", null),
                level(NumberFormat.DECIMAL, 1, "%3", 1)));
        assertThat(labels(numbering(first, list("a")), "a", 0, "a", 1, "a", 2, "a", 1, "a", 2, "a", 0, "a", 2)).as("after level 1 only, not after 2")
                .containsExactly("1.", "1.", "1", "2.", "2", "2.", "1");
    }

    /** 17.9.17: lists of one pattern go on together, but where one has a start of its own. */
    @Test void listsOfOnePatternGoOnTogether() {
        NumberedList again = new NumberedList("b", "clauses", Map.of(0, 5), Map.of());
        assertThat(labels(numbering(CLAUSES, list("a"), again, list("c")), "a", 0, "a", 0, "b", 0, "b", 0, "c", 0, "b", 0))
                .containsExactly("1.", "2.", "5.", "6.", "7.", "8.");
    }

    @Test void aListMayChangeALevel() {
        NumberedList changed = new NumberedList("b", "clauses", Map.of(), Map.of(0, level(NumberFormat.UPPER_ROMAN, 3, "Part %1", null)));
        assertThat(labels(numbering(CLAUSES, changed), "b", 0, "b", 0)).containsExactly("Part III", "Part IV");
    }

    @Test void bulletsAndWhatLeadsNowhere() {
        Pattern bullets = new Pattern("clauses", List.of(level(NumberFormat.BULLET, 1, "\u2022", null), level(NumberFormat.NONE, 1, "%1", null)));
        assertThat(labels(numbering(bullets, list("a")), "a", 0, "a", 1, "a", 2, "z", 0)).containsExactly("\u2022", "", null, null);
        Pattern odd = new Pattern("clauses", List.of(level(NumberFormat.DECIMAL, 1, "100% %1 of %9 %", null)));
        assertThat(labels(numbering(odd, list("a")), "a", 0)).containsExactly("100% 1 of  %");
    }

    @Test void paragraphsInCellsCountInReadingOrder() {
        Look one = Look.of(ParagraphProperty.LIST, new ListReference("a", 0));
        Table table = new Table(Look.PLAIN, List.of(50.0, 50.0), List.of(new Table.Row(Look.PLAIN, List.of(
                new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of("x").withLook(one))),
                new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of("x").withLook(one), Paragraph.of("x").withLook(one)))))));
        assertThat(labels(numbering(CLAUSES, list("a")), List.of(Paragraph.of("x").withLook(one), table, Paragraph.of("x").withLook(one))))
                .containsExactly("1.", "2.", "3.", "4.", "5.");
    }

    /** Against a count by paths: a paragraph's numbers are how many of its level stand since the last of a level above. */
    @Test void anySequenceCountsAsByHand() {
        Pattern plain = new Pattern("clauses", List.of(level(NumberFormat.DECIMAL, 1, "%1", null), level(NumberFormat.DECIMAL, 1, "%1.%2", null),
                level(NumberFormat.DECIMAL, 1, "%1.%2.%3", null)));
        for (int seed = 0; seed < 200; seed++) {
            Random random = new Random(seed);
            int length = 1 + random.nextInt(14);
            Object[] told = new Object[2 * length];
            int[] levels = new int[length];
            for (int i = 0; i < length; i++) {
                levels[i] = random.nextInt(3);
                told[2 * i] = "a";
                told[2 * i + 1] = levels[i];
            }
            List<String> expected = new ArrayList<>();
            for (int i = 0; i < length; i++) {
                StringBuilder label = new StringBuilder();
                for (int level = 0; level <= levels[i]; level++) label.append(level == 0 ? "" : ".").append(countOf(levels, i, level));
                expected.add(label.toString());
            }
            assertThat(labels(numbering(plain, list("a")), told)).as("seed %d", seed).isEqualTo(expected);
        }
    }

    /** Of a level at a paragraph: one for each since an outer one, and one more where an inner one came before any. */
    private static int countOf(int[] levels, int at, int level) {
        int count = 0;
        boolean open = false;
        for (int i = 0; i <= at; i++) {
            if (levels[i] < level) {
                count = 0;
                open = false;
            } else if (levels[i] == level) {
                count = open ? count + 1 : 1;
                open = true;
            } else if (!open) {
                count = 1;
                open = true;
            }
        }
        return count;
    }
}
