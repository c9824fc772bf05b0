package app.decant.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Codes of headers and footers, one by one (ISO/IEC 29500-1, 18.3.1.46). */
class HeaderTextTest {
    private static final HeaderText.Values VALUES = new HeaderText.Values("7", 12, "Fares", "winter", LocalDateTime.of(2026, 11, 28, 8, 30), Locale.UK);

    private static List<List<Inline>> parts(String codes) { return HeaderText.of(codes, VALUES, Look.PLAIN); }

    private static String words(List<Inline> part) {
        StringBuilder text = new StringBuilder();
        for (Inline one : part) text.append(((Inline.Text) one).text());
        return text.toString();
    }

    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '`', ignoreLeadingAndTrailingWhitespace = false, value = {
        "&LFares&CPage &P of &N&R&A|Fares|Page 7 of 12|Fares", "alone|``|alone|``", "&Rright&Lleft|left|``|right", "&C&F && &P+3|``|winter & 10|``",
        "&C&P-2|``|5|``", "&L&D|28/11/2026|``|``", "&R&T|``|``|08:30", "&Cends in &|``|ends in &|``", "&Z&G&Cx|``|x|``",
                "&C&\"Carlito,Bold\"&14&Kff0000red|``|red|``",
        "&C&\"unclosed|``|unclosed|``", "&C&K01+000tint|``|tint|``", "&c&p|``|7|``"})
    void codesSayWhatTheyStandFor(String codes, String left, String middle, String right) {
        assertThat(parts(codes).stream().map(HeaderTextTest::words).toList()).containsExactly(left, middle, right);
    }

    private static Look look(String codes) {
        List<Inline> part = parts(codes).get(1);
        return ((Inline.Text) part.get(part.size() - 1)).look();
    }

    @Test void codesSwitchLooksOnAndOff() {
        assertThat(look("&Bx").is(TextProperty.BOLD)).isTrue();
        assertThat(look("&Ba&Bx").is(TextProperty.BOLD)).isFalse();
        assertThat(look("&Ix").is(TextProperty.ITALIC)).isTrue();
        assertThat(look("&Ux").get(TextProperty.UNDERLINE)).isEqualTo(Underline.SINGLE);
        assertThat(look("&Ex").get(TextProperty.UNDERLINE)).isEqualTo(Underline.DOUBLE);
        assertThat(look("&Ua&Ux").says(TextProperty.UNDERLINE)).isFalse();
        assertThat(look("&Sx").is(TextProperty.STRIKE)).isTrue();
        assertThat(look("&Xx").get(TextProperty.SCRIPT)).isEqualTo(Script.SUPER);
        assertThat(look("&Yx").get(TextProperty.SCRIPT)).isEqualTo(Script.SUB);
        assertThat(look("&24x").get(TextProperty.SIZE)).isEqualTo(24.0);
        assertThat(look("&0x").get(TextProperty.SIZE)).as("letters of no size can't be set").isEqualTo(1.0);
        assertThat(look("&K00B050x").get(TextProperty.COLOUR)).isEqualTo(new Colour(0x00B050));
        assertThat(look("&\"Carlito,Bold Italic\"x")).isEqualTo(Look.of(TextProperty.FAMILY, "Carlito").with(TextProperty.BOLD, true)
                .with(TextProperty.ITALIC, true));
        assertThat(look("&\"-,Regular\"x").says(TextProperty.FAMILY)).as("a dash keeps the family").isFalse();
    }

    /** Each part begins plain, whatever the one before it wore. */
    @Test void partsDoNotDressEachOther() {
        List<List<Inline>> parts = parts("&L&B&20big&Cplain");
        assertThat(((Inline.Text) parts.get(0).get(0)).look().is(TextProperty.BOLD)).isTrue();
        assertThat(((Inline.Text) parts.get(1).get(0)).look()).isEqualTo(Look.PLAIN);
    }

    @Test void linesAreBrokenAndReturnsPassedOver() {
        assertThat(words(parts("&Cone\r\ntwo").get(1))).isEqualTo("one" + Inline.LINE_BREAK + "two");
    }

    /** Any letters at all make three parts, and plain words among them stay whole. */
    @Test void anyCodesAreFollowedToTheirEnd() {
        Random random = new Random(46);
        String signs = "&&&&LCRPNADTFBIUESXYKGZ\"',-+0123456789 abc\n";
        for (int round = 0; round < 5000; round++) {
            StringBuilder codes = new StringBuilder();
            for (int i = random.nextInt(30); i > 0; i--) codes.append(signs.charAt(random.nextInt(signs.length())));
            assertThat(parts(codes.toString())).hasSize(3);
            assertThat(parts(codes + " &Lquay").get(0)).isNotEmpty();
        }
    }
}
