package app.decant.format.odf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Single attributes of text and paragraph properties (OpenDocument 1.2, 16.27.28, 16.27.29 and 20) as looks. */
class OdtLookReadingTest {
    private final OdtLookReading looks = new OdtLookReading(Map.of("F1", "'Carlito', sans-serif", "F2", "Noto Sans Hebrew"));

    private static XmlNode node(String attributes, String content) {
        StringBuilder xml = new StringBuilder("<style:properties");
        XmlNames.OPEN_DOCUMENT.forEach((prefix, space) -> xml.append(" xmlns:").append(prefix).append("='").append(space).append('\''));
        return XmlReader.tree(xml.append(' ').append(attributes).append('>').append(content).append("</style:properties>").toString()
                .getBytes(StandardCharsets.UTF_8), "made");
    }

    private Look text(String attributes) { return looks.text(node(attributes, "")); }

    private Look paragraph(String attributes) { return looks.paragraph(node(attributes, "")); }

    @ParameterizedTest @CsvSource({"12pt, 12", "2.54cm, 72", "25.4mm, 72", "1in, 72", "16px, 12", "1pc, 12",
            "-0.5in, -36"}) void lengthsArePoints(String told, double points) {
        assertThat(OdtLookReading.length(told, 99)).isCloseTo(points, within(0.001));
        assertThat(OdtLookReading.length("wide", 99)).isEqualTo(99);
        assertThat(OdtLookReading.length(null, 99)).isEqualTo(99);
    }

    @Test void lettersLookAsTheirAttributesSay() {
        Map<String, Look> cases = new LinkedHashMap<>();
        cases.put("style:font-name='F1'", Look.of(TextProperty.FAMILY, "Carlito"));
        cases.put("style:font-name='Gone'", Look.of(TextProperty.FAMILY, "Gone"));
        cases.put("fo:font-family='&apos;Liberation Sans&apos;'", Look.of(TextProperty.FAMILY, "Liberation Sans"));
        cases.put("style:font-name-complex='F2'", Look.of(TextProperty.COMPLEX_FAMILY, "Noto Sans Hebrew"));
        cases.put("style:font-family-asian='Noto Sans JP'", Look.of(TextProperty.EAST_ASIAN_FAMILY, "Noto Sans JP"));
        cases.put("fo:font-size='11.5pt'", Look.of(TextProperty.SIZE, 11.5));
        cases.put("fo:font-size='120%'", Look.PLAIN);
        cases.put("fo:font-weight='bold'", Look.of(TextProperty.BOLD, true));
        cases.put("fo:font-weight='600'", Look.of(TextProperty.BOLD, true));
        cases.put("fo:font-weight='normal'", Look.of(TextProperty.BOLD, false));
        cases.put("fo:font-style='oblique'", Look.of(TextProperty.ITALIC, true));
        cases.put("fo:font-style='normal'", Look.of(TextProperty.ITALIC, false));
        cases.put("style:text-line-through-style='solid'", Look.of(TextProperty.STRIKE, true));
        cases.put("style:text-line-through-style='none'", Look.of(TextProperty.STRIKE, false));
        cases.put("style:text-line-through-style='solid' style:text-line-through-type='double'", Look.of(TextProperty.DOUBLE_STRIKE, true));
        cases.put("fo:font-variant='small-caps'", Look.of(TextProperty.SMALL_CAPITALS, true));
        cases.put("fo:text-transform='uppercase'", Look.of(TextProperty.CAPITALS, true));
        cases.put("text:display='none'", Look.of(TextProperty.HIDDEN, true));
        cases.put("text:display='true'", Look.of(TextProperty.HIDDEN, false));
        cases.put("fo:color='#aa0000'", Look.of(TextProperty.COLOUR, Colour.hex("AA0000")));
        cases.put("fo:color='#aa0000' style:use-window-font-color='true'", Look.of(TextProperty.COLOUR, Colour.AUTOMATIC));
        cases.put("fo:background-color='#ffff00'", Look.of(TextProperty.HIGHLIGHT, Colour.hex("FFFF00")));
        cases.put("fo:background-color='transparent'", Look.of(TextProperty.HIGHLIGHT, Colour.AUTOMATIC));
        cases.put("style:text-position='super 58%'", Look.of(TextProperty.SCRIPT, Script.SUPER));
        cases.put("style:text-position='sub'", Look.of(TextProperty.SCRIPT, Script.SUB));
        cases.put("style:text-position='33% 58%'", Look.of(TextProperty.SCRIPT, Script.SUPER));
        cases.put("style:text-position='-33% 58%'", Look.of(TextProperty.SCRIPT, Script.SUB));
        cases.put("style:text-position='0% 100%'", Look.of(TextProperty.SCRIPT, Script.BASELINE));
        cases.put("fo:font-size='20pt' style:text-position='25% 100%'", Look.of(TextProperty.SIZE, 20.0).with(TextProperty.RAISE, 5.0));
        cases.put("fo:letter-spacing='-1pt'", Look.of(TextProperty.LETTER_SPACING, -1.0));
        cases.put("fo:letter-spacing='normal'", Look.of(TextProperty.LETTER_SPACING, 0.0));
        cases.put("style:text-scale='80%'", Look.of(TextProperty.WIDTH_SCALE, 0.8));
        cases.put("fo:language='de' fo:country='AT'", Look.of(TextProperty.LANGUAGE, "de-AT"));
        cases.put("fo:language='de' fo:country='none'", Look.of(TextProperty.LANGUAGE, "de"));
        cases.put("fo:language='zxx'", Look.PLAIN);
        cases.forEach((attributes, look) -> assertThat(text(attributes)).as(attributes).isEqualTo(look));
        assertThat(looks.text(null)).isEqualTo(Look.PLAIN);
    }

    @ParameterizedTest @CsvSource({"none, '', NONE", "solid, '', SINGLE", "solid, style:text-underline-type='double', DOUBLE", "dotted, '', DOTTED",
            "dash, '', DASHED",
        "long-dash, '', DASHED", "dot-dot-dash, '', DASHED", "wave, '', WAVE", "solid, style:text-underline-width='bold', THICK",
        "solid, style:text-underline-mode='skip-white-space', WORDS"}) void linesUnderTextAreOfTheirKind(String style, String more, Underline kind) {
        assertThat(text("style:text-underline-style='" + style + "' " + more).get(TextProperty.UNDERLINE)).isEqualTo(kind);
    }

    @Test void paragraphsLookAsTheirAttributesSay() {
        Map<String, Look> cases = new LinkedHashMap<>();
        cases.put("fo:text-align='center'", Look.of(ParagraphProperty.ALIGNMENT, Alignment.CENTRE));
        cases.put("fo:text-align='end'", Look.of(ParagraphProperty.ALIGNMENT, Alignment.END));
        cases.put("fo:text-align='right'", Look.of(ParagraphProperty.ALIGNMENT, Alignment.END));
        cases.put("fo:text-align='justify'", Look.of(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY));
        cases.put("fo:text-align='start'", Look.of(ParagraphProperty.ALIGNMENT, Alignment.START));
        cases.put("fo:margin-left='1in' fo:margin-right='0.5in' fo:text-indent='-18pt'", Look.of(ParagraphProperty.INDENT_START, 72.0)
                .with(ParagraphProperty.INDENT_END, 36.0).with(ParagraphProperty.FIRST_LINE, -18.0));
        cases.put("fo:margin='6pt' fo:margin-top='3pt'", Look.of(ParagraphProperty.SPACE_BEFORE, 3.0).with(ParagraphProperty.SPACE_AFTER, 6.0)
                .with(ParagraphProperty.INDENT_START, 6.0).with(ParagraphProperty.INDENT_END, 6.0));
        cases.put("fo:line-height='150%'", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE, 1.5)));
        cases.put("fo:line-height='14pt'", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.EXACTLY, 14)));
        cases.put("fo:line-height='normal'", Look.of(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE));
        cases.put("style:line-height-at-least='14pt'", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.AT_LEAST, 14)));
        cases.put("fo:keep-together='always' fo:keep-with-next='always'", Look.of(ParagraphProperty.KEEP_TOGETHER, true)
                .with(ParagraphProperty.KEEP_WITH_NEXT, true));
        cases.put("fo:keep-with-next='auto'", Look.of(ParagraphProperty.KEEP_WITH_NEXT, false));
        cases.put("fo:widows='2'", Look.of(ParagraphProperty.WIDOW_CONTROL, true));
        cases.put("fo:widows='0'", Look.of(ParagraphProperty.WIDOW_CONTROL, false));
        cases.put("fo:break-before='page'", Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        cases.put("fo:break-before='auto'", Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, false));
        cases.put("style:writing-mode='rl-tb'", Look.of(ParagraphProperty.RIGHT_TO_LEFT, true));
        cases.put("style:writing-mode='lr-tb'", Look.of(ParagraphProperty.RIGHT_TO_LEFT, false));
        cases.put("style:writing-mode='page'", Look.PLAIN);
        cases.put("fo:background-color='#eeeeee'", Look.of(ParagraphProperty.SHADING, Colour.hex("EEEEEE")));
        cases.put("fo:background-color='transparent'", Look.of(ParagraphProperty.SHADING, Colour.AUTOMATIC));
        cases.forEach((attributes, look) -> assertThat(paragraph(attributes)).as(attributes).isEqualTo(look));
        assertThat(looks.paragraph(null)).isEqualTo(Look.PLAIN);
    }

    /** 20.183 and 20.210. */
    @Test void bordersStandAtTheirPadding() {
        Borders all = paragraph("fo:border='0.06pt solid #000000' fo:padding='2pt' fo:padding-left='5pt'").get(ParagraphProperty.BORDERS);
        assertThat(all.top()).isEqualTo(new Border(Border.Line.SINGLE, 0.06, Colour.BLACK, 2));
        assertThat(all.left().space()).isEqualTo(5);
        Borders some = paragraph("fo:border-top='1pt double #aa0000' fo:border-bottom='none' fo:border-left='2pt dashed #000000' fo:border-right='1pt "
                + "dotted #000000'")
                .get(ParagraphProperty.BORDERS);
        assertThat(some).isEqualTo(new Borders(new Border(Border.Line.DOUBLE, 1, Colour.hex("AA0000"), 0), new Border(Border.Line.DOTTED, 1, Colour.BLACK, 0),
                Border.NONE, new Border(Border.Line.DASHED, 2, Colour.BLACK, 0), null, null));
        assertThat(paragraph("fo:padding='2pt'").says(ParagraphProperty.BORDERS)).isFalse();
    }

    /** 17.8. */
    @Test void tabsHaveKindsAndLeaders() {
        String stops = "<style:tab-stops><style:tab-stop style:position='1in'/><style:tab-stop style:position='2in' style:type='center'/>"
                + "<style:tab-stop style:position='3in' style:type='right' style:leader-style='dotted' style:leader-text='.'/>"
                + "<style:tab-stop style:position='4in' style:type='char' style:char=',' style:leader-style='solid'/>"
                + "<style:tab-stop style:position='5in' style:leader-style='dash' style:leader-text='-'/>"
                + "<style:tab-stop style:position='6in' style:leader-style='dotted' style:leader-text='\u00B7'/></style:tab-stops>";
        assertThat(looks.paragraph(node("", stops)).get(ParagraphProperty.TABS)).isEqualTo(new TabStops(List.of(
                new TabStop(72, TabStop.Kind.START, TabStop.Leader.NONE), new TabStop(144, TabStop.Kind.CENTRE, TabStop.Leader.NONE),
                new TabStop(216, TabStop.Kind.END, TabStop.Leader.DOTS), new TabStop(288, TabStop.Kind.DECIMAL, TabStop.Leader.LINE),
                new TabStop(360, TabStop.Kind.START, TabStop.Leader.HYPHENS), new TabStop(432, TabStop.Kind.START, TabStop.Leader.MIDDLE_DOTS))));
    }
}
