package app.decant.format.html;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Single declarations of style sheets as looks; clauses are those of CSS 2.2 where no other part is named. */
class StyleValuesTest {
    private static Map<String, String> css(String declarations) {
        Map<String, String> css = new LinkedHashMap<>();
        for (String one : declarations.split(";")) if (one.contains(":")) css.put(one.substring(0, one.indexOf(':')).strip(), one.substring(one.indexOf(':')
                + 1).strip());
        return css;
    }

    private static Look text(String declarations) { return StyleValues.text(css(declarations), 10); }

    private static Look paragraph(String declarations) { return StyleValues.paragraph(css(declarations), 10); }

    /** 4.3.2, and Values 3, 5 and 6. */
    @ParameterizedTest @CsvSource({"12pt, 12", "16px, 12", "1.5em, 15", "2rem, 24", "2.54cm, 72", "25.4mm, 72", "1in, 72", "1pc, 12", "150%, 15", "0, 0",
            "-3pt, -3",
        ".5in, 36"}) void lengthsArePoints(String told, double points) {
        assertThat(StyleValues.length(told, 10)).isCloseTo(points, within(0.001));
    }

    @ParameterizedTest @ValueSource(strings = {"auto", "12", "normal", "calc(1px + 2px)", "pt", "", "1e400pt", "12 pt 3",
            "--x"}) void whatIsNoLengthIsNone(String told) {
        Double length = StyleValues.length(told, 10);
        assertThat(length == null || Double.isFinite(length)).isTrue();
        if (!told.startsWith("1e")) assertThat(length).isNull();
    }

    /** Color 4, 4 to 7; names from memory. */
    @ParameterizedTest @CsvSource({"red, FF0000", "RebeccaPurple, 663399", "#abc, AABBCC", "#AABBCC, AABBCC", "#aabbccdd, AABBCC", "#abcd, AABBCC",
        "'rgb(10, 20, 30)', 0A141E", "'rgb(10 20 30 / 50%)', 0A141E", "'rgba(100%, 0%, 50%, .5)', FF0080", "'rgb(300, -5, 0)', FF0000",
        "'hsl(120, 100%, 25%)', 008000", "'hsl(240deg 100% 50%)', 0000FF", "'hsl(0, 0%, 50%)', 808080"}) void coloursAreKnown(String told, String hex) {
        assertThat(StyleValues.colour(told)).isEqualTo(Colour.hex(hex));
    }

    @ParameterizedTest @ValueSource(strings = {"inherit", "#12", "#12345", "rgb(1,2)", "hsl(a,b,c)", "url(red)", "",
            "#ggg"}) void whatIsNoColourIsNone(String told) {
        assertThat(StyleValues.colour(told)).isNull();
    }

    @Test void lettersLookAsTheySay() {
        Map<String, Look> cases = new LinkedHashMap<>();
        cases.put("font-family: 'Carlito', sans-serif", Look.of(TextProperty.FAMILY, "Carlito"));
        cases.put("font-family: serif", Look.of(TextProperty.FAMILY, "Liberation Serif"));
        cases.put("font-family: system-ui", Look.of(TextProperty.FAMILY, "Liberation Sans"));
        cases.put("font-family: monospace", Look.of(TextProperty.FAMILY, "Liberation Mono"));
        cases.put("font-size: 14pt", Look.of(TextProperty.SIZE, 14.0));
        cases.put("font-size: larger", Look.of(TextProperty.SIZE, 12.0));
        cases.put("font-size: x-large", Look.of(TextProperty.SIZE, 18.0));
        cases.put("font-size: 120%", Look.of(TextProperty.SIZE, 12.0));
        cases.put("font-size: 0", Look.PLAIN);
        cases.put("font-size: 99999pt", Look.PLAIN);
        cases.put("font-weight: bold", Look.of(TextProperty.BOLD, true));
        cases.put("font-weight: 700", Look.of(TextProperty.BOLD, true));
        cases.put("font-weight: 400", Look.of(TextProperty.BOLD, false));
        cases.put("font-weight: inherit", Look.PLAIN);
        cases.put("font-style: oblique 10deg", Look.of(TextProperty.ITALIC, true));
        cases.put("font-style: normal", Look.of(TextProperty.ITALIC, false));
        cases.put("color: #aa0000", Look.of(TextProperty.COLOUR, Colour.hex("AA0000")));
        cases.put("color: nothing", Look.PLAIN);
        cases.put("text-decoration: underline", Look.of(TextProperty.UNDERLINE, Underline.SINGLE));
        cases.put("text-decoration: underline line-through", Look.of(TextProperty.UNDERLINE, Underline.SINGLE).with(TextProperty.STRIKE, true));
        cases.put("text-decoration: none", Look.of(TextProperty.UNDERLINE, Underline.NONE));
        cases.put("text-decoration: underline wavy red", Look.of(TextProperty.UNDERLINE, Underline.WAVE));
        cases.put("text-decoration-line: underline; text-decoration-style: double", Look.of(TextProperty.UNDERLINE, Underline.DOUBLE));
        cases.put("text-decoration: underline dotted", Look.of(TextProperty.UNDERLINE, Underline.DOTTED));
        cases.put("text-decoration: dashed underline", Look.of(TextProperty.UNDERLINE, Underline.DASHED));
        cases.put("font-variant: small-caps", Look.of(TextProperty.SMALL_CAPITALS, true));
        cases.put("font-variant-caps: all-small-caps", Look.of(TextProperty.SMALL_CAPITALS, true));
        cases.put("text-transform: uppercase", Look.of(TextProperty.CAPITALS, true));
        cases.put("vertical-align: super", Look.of(TextProperty.SCRIPT, Script.SUPER));
        cases.put("vertical-align: sub", Look.of(TextProperty.SCRIPT, Script.SUB));
        cases.put("vertical-align: middle", Look.PLAIN);
        cases.put("letter-spacing: .1em", Look.of(TextProperty.LETTER_SPACING, 1.0));
        cases.put("letter-spacing: normal", Look.PLAIN);
        cases.forEach((told, look) -> assertThat(text(told)).as(told).isEqualTo(look));
    }

    /** 15.8, and Fonts 3, 3.7: all of a font in one; what is said by itself counts more. */
    @Test void fontsAreToldInOne() {
        assertThat(text("font: italic bold 12pt/1.5 'Carlito', serif")).isEqualTo(Look.of(TextProperty.FAMILY, "Carlito").with(TextProperty.SIZE, 12.0)
                .with(TextProperty.BOLD, true).with(TextProperty.ITALIC, true));
        assertThat(paragraph("font: 12pt/23px serif").get(ParagraphProperty.LINE_SPACING)).isEqualTo(new LineSpacing(LineSpacing.Rule.EXACTLY, 17.25));
        assertThat(text("font: small-caps 600 larger sans-serif")).isEqualTo(Look.of(TextProperty.FAMILY, "Liberation Sans").with(TextProperty.SIZE, 12.0)
                .with(TextProperty.BOLD, true).with(TextProperty.SMALL_CAPITALS, true));
        assertThat(text("font: bold 12pt serif; font-weight: normal").get(TextProperty.BOLD)).isFalse();
        for (String system : List.of("caption", "inherit", "12pt", "bold serif")) assertThat(text("font: " + system)).as(system).isEqualTo(Look.PLAIN);
    }

    @Test void paragraphsStandAsTheySay() {
        Map<String, Look> cases = new LinkedHashMap<>();
        cases.put("text-align: center", Look.of(ParagraphProperty.ALIGNMENT, Alignment.CENTRE));
        cases.put("text-align: end", Look.of(ParagraphProperty.ALIGNMENT, Alignment.END));
        cases.put("text-align: justify", Look.of(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY));
        cases.put("text-align: start", Look.of(ParagraphProperty.ALIGNMENT, Alignment.START));
        cases.put("text-align: inherit", Look.PLAIN);
        cases.put("margin-top: 6pt; margin-bottom: -3pt", Look.of(ParagraphProperty.SPACE_BEFORE, 6.0).with(ParagraphProperty.SPACE_AFTER, 0.0));
        cases.put("margin-left: 2em; margin-right: 10pt", Look.of(ParagraphProperty.INDENT_START, 20.0).with(ParagraphProperty.INDENT_END, 10.0));
        cases.put("margin-inline-start: 3pt", Look.of(ParagraphProperty.INDENT_START, 3.0));
        cases.put("text-indent: -1em", Look.of(ParagraphProperty.FIRST_LINE, -10.0));
        cases.put("line-height: 1.15", Look.of(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE));
        cases.put("line-height: 2.3", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE, 2)));
        cases.put("line-height: 14pt", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.EXACTLY, 14)));
        cases.put("line-height: 150%", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.EXACTLY, 15)));
        cases.put("line-height: normal", Look.PLAIN);
        cases.put("break-before: page", Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        cases.put("page-break-before: always", Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        cases.put("page-break-after: avoid", Look.of(ParagraphProperty.KEEP_WITH_NEXT, true));
        cases.put("direction: rtl", Look.of(ParagraphProperty.RIGHT_TO_LEFT, true));
        cases.put("background-color: #eee", Look.of(ParagraphProperty.SHADING, Colour.hex("EEEEEE")));
        cases.put("background: url(a.png) no-repeat rgb(1, 2, 3)", Look.of(ParagraphProperty.SHADING, Colour.hex("010203")));
        cases.put("background: none", Look.PLAIN);
        cases.forEach((told, look) -> assertThat(paragraph(told)).as(told).isEqualTo(look));
    }

    /** 8.3: one to four values, clockwise from the top; a side told by itself counts more. */
    @ParameterizedTest @CsvSource({"5pt, 5, 5, 5, 5", "5pt 6pt, 5, 6, 5, 6", "5pt 6pt 7pt, 5, 6, 7, 6", "5pt 6pt 7pt 8pt, 5, 6, 7, 8"})
    void marginsGoRoundClockwise(String told, double top, double end, double bottom, double start) {
        Look look = paragraph("margin: " + told);
        assertThat(List.of(look.get(ParagraphProperty.SPACE_BEFORE), look.get(ParagraphProperty.INDENT_END), look.get(ParagraphProperty.SPACE_AFTER),
                look.get(ParagraphProperty.INDENT_START))).containsExactly(top, end, bottom, start);
        assertThat(paragraph("margin: " + told + "; margin-left: 30pt").get(ParagraphProperty.INDENT_START)).isEqualTo(30);
        assertThat(paragraph("margin: 0 auto").says(ParagraphProperty.INDENT_START)).isFalse();
    }

    /** 8.5: borders in one, side by side, or part by part. */
    @Test void bordersAreToldInManyWays() {
        Border red = new Border(Border.Line.SINGLE, 3, Colour.hex("FF0000"), 0);
        Borders all = new Borders(red, red, red, red, null, null);
        assertThat(StyleValues.borders(css("border: 3pt solid red"), 10)).isEqualTo(all);
        assertThat(StyleValues.borders(css("border: solid rgb(255, 0, 0) thick"), 10)).isEqualTo(all);
        assertThat(StyleValues.borders(css("border-width: 3pt; border-style: solid; border-color: red"), 10)).isEqualTo(all);
        Borders one = StyleValues.borders(css("border-bottom: 1px dashed #123456; padding-bottom: 2pt"), 10);
        assertThat(one).isEqualTo(new Borders(null, null, new Border(Border.Line.DASHED, 0.75, Colour.hex("123456"), 2), null, null, null));
        Borders mixed = StyleValues.borders(css("border-style: solid none dotted double; border-width: 1pt 2pt; padding: 1pt 2pt 3pt 4pt"), 10);
        assertThat(mixed.top()).isEqualTo(new Border(Border.Line.SINGLE, 1, Colour.AUTOMATIC, 1));
        assertThat(mixed.right()).isEqualTo(Border.NONE);
        assertThat(mixed.bottom()).isEqualTo(new Border(Border.Line.DOTTED, 1, Colour.AUTOMATIC, 3));
        assertThat(mixed.left()).isEqualTo(new Border(Border.Line.DOUBLE, 2, Colour.AUTOMATIC, 4));
        assertThat(StyleValues.borders(css("border-top-style: solid; border-top-color: red; border-top-width: 3pt"), 10).top()).isEqualTo(red);
        for (String none : List.of("", "border: 3pt red", "border: 0 solid", "border-width: 3pt", "color: red"))
            assertThat(StyleValues.borders(css(none), 10)).as(none).isNull();
        assertThat(StyleValues.borders(css("border: none"), 10).top()).isEqualTo(Border.NONE);
    }
}
