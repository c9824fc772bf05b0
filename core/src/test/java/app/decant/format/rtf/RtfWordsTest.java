package app.decant.format.rtf;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Property;
import app.decant.document.Table;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.format.Formats;
import app.decant.format.Reading;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Single control words of Rich Text Format 1.9.1 as looks, in the order of its tables: character, paragraph, tab, border, table formatting properties. */
class RtfWordsTest {
    private static final String HEAD = "{\\rtf1\\ansi\\deff0{\\fonttbl{\\f0 Liberation Serif;}{\\f1 "
            + "Carlito;}}{\\colortbl;\\red170\\green0\\blue0;\\red0\\green0\\blue170;}";

    private static Document read(String body) {
        return Formats.read((HEAD + body + "}").getBytes(StandardCharsets.US_ASCII), "a.rtf", null, Progress.SILENT).document();
    }

    private static Look letters(String words) { return Reading.run(read("\\pard\\plain " + words + " Ferry\\par"), "Ferry"); }

    private static Look paragraph(String words) {
        Document document = read("\\pard\\plain" + words + " Ferry\\par");
        return Cascade.of(document).paragraph(Reading.paragraphs(document).get(0));
    }

    private static <T> void assertSays(String words, Look look, Property<T> property, T value) { assertThat(look.get(property)).as(words).isEqualTo(value); }

    @Test void lettersLookAsTheirWordsSay() {
        Map<String, Look> cases = new LinkedHashMap<>();
        cases.put("\\b", Look.of(TextProperty.BOLD, true));
        cases.put("\\b\\b0", Look.of(TextProperty.BOLD, false));
        cases.put("\\i", Look.of(TextProperty.ITALIC, true));
        cases.put("\\strike", Look.of(TextProperty.STRIKE, true));
        cases.put("\\striked1", Look.of(TextProperty.DOUBLE_STRIKE, true));
        cases.put("\\scaps", Look.of(TextProperty.SMALL_CAPITALS, true));
        cases.put("\\caps", Look.of(TextProperty.CAPITALS, true));
        cases.put("\\v", Look.of(TextProperty.HIDDEN, true));
        cases.put("\\super", Look.of(TextProperty.SCRIPT, Script.SUPER));
        cases.put("\\sub", Look.of(TextProperty.SCRIPT, Script.SUB));
        cases.put("\\super\\nosupersub", Look.of(TextProperty.SCRIPT, Script.BASELINE));
        cases.put("\\f1", Look.of(TextProperty.FAMILY, "Carlito"));
        cases.put("\\fs23", Look.of(TextProperty.SIZE, 11.5));
        cases.put("\\cf1", Look.of(TextProperty.COLOUR, Colour.hex("AA0000")));
        cases.put("\\cf0", Look.of(TextProperty.COLOUR, Colour.AUTOMATIC));
        cases.put("\\highlight2", Look.of(TextProperty.HIGHLIGHT, Colour.hex("0000AA")));
        cases.put("\\chcbpat1", Look.of(TextProperty.HIGHLIGHT, Colour.hex("AA0000")));
        cases.put("\\expndtw-20", Look.of(TextProperty.LETTER_SPACING, -1.0));
        cases.put("\\expnd6", Look.of(TextProperty.LETTER_SPACING, 1.5));
        cases.put("\\expnd6\\expndtw30", Look.of(TextProperty.LETTER_SPACING, 1.5));
        cases.put("\\up8", Look.of(TextProperty.RAISE, 4.0));
        cases.put("\\up", Look.of(TextProperty.RAISE, 3.0));
        cases.put("\\dn", Look.of(TextProperty.RAISE, -3.0));
        cases.put("\\dn4", Look.of(TextProperty.RAISE, -2.0));
        cases.put("\\up8\\up0", Look.of(TextProperty.RAISE, 0.0));
        cases.put("\\charscalex80", Look.of(TextProperty.WIDTH_SCALE, 0.8));
        cases.put("\\kerning28", Look.of(TextProperty.KERNING_FROM, 14.0));
        cases.put("\\lang1031", Look.of(TextProperty.LANGUAGE, "de-DE"));
        cases.forEach((words, look) -> {
            Look read = letters(words);
            for (Property<?> property : look.properties()) assertThat(read.get(property)).as(words).isEqualTo(look.get(property));
        });
    }

    @ParameterizedTest @CsvSource({"ul, SINGLE", "ul0, NONE", "ulnone, NONE", "uldb, DOUBLE", "ulth, THICK", "uld, DOTTED", "ulthd, DOTTED", "uldash, DASHED",
            "uldashd, DASHED",
        "uldashdd, DASHED", "ulldash, DASHED", "ulthdash, DASHED", "ulthdashd, DASHED", "ulthdashdd, DASHED", "ulthldash, DASHED", "ulwave, WAVE",
        "ulhwave, WAVE",
        "ululdbwave, WAVE", "ulw, WORDS", "uldb0, NONE"}) void linesUnderTextAreOfTheirKind(String word, Underline kind) {
        assertThat(letters("\\" + word).get(TextProperty.UNDERLINE)).isEqualTo(kind);
    }

    /** Words end with their group, {@code plain} takes back what is said of letters, {@code pard} what is said of paragraphs. */
    @Test void wordsHoldUntilTheyAreTakenBack() {
        Document document = read("\\pard\\plain\\qc{\\b one}{ two}\\i three\\plain  four\\par\\pard five\\par");
        assertThat(Reading.run(document, "one").is(TextProperty.BOLD)).isTrue();
        assertThat(Reading.run(document, "two").is(TextProperty.BOLD)).isFalse();
        assertThat(Reading.run(document, "three").is(TextProperty.ITALIC)).isTrue();
        assertThat(Reading.run(document, "four").is(TextProperty.ITALIC)).isFalse();
        assertThat(Reading.paragraph(document, 0).get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.CENTRE);
        assertThat(Reading.paragraph(document, 1).get(ParagraphProperty.ALIGNMENT, Alignment.START)).isEqualTo(Alignment.START);
    }

    @Test void paragraphsLookAsTheirWordsSay() {
        Map<String, Look> cases = new LinkedHashMap<>();
        cases.put("\\qc", Look.of(ParagraphProperty.ALIGNMENT, Alignment.CENTRE));
        cases.put("\\qr", Look.of(ParagraphProperty.ALIGNMENT, Alignment.END));
        cases.put("\\qj", Look.of(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY));
        cases.put("\\qd", Look.of(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY));
        cases.put("\\rtlpar\\ql", Look.of(ParagraphProperty.ALIGNMENT, Alignment.END).with(ParagraphProperty.RIGHT_TO_LEFT, true));
        cases.put("\\rtlpar\\qr", Look.of(ParagraphProperty.ALIGNMENT, Alignment.START));
        cases.put("\\li720\\ri360\\fi-360", Look.of(ParagraphProperty.INDENT_START, 36.0).with(ParagraphProperty.INDENT_END, 18.0)
                .with(ParagraphProperty.FIRST_LINE, -18.0));
        cases.put("\\lin720", Look.of(ParagraphProperty.INDENT_START, 36.0));
        cases.put("\\sb120\\sa60", Look.of(ParagraphProperty.SPACE_BEFORE, 6.0).with(ParagraphProperty.SPACE_AFTER, 3.0));
        cases.put("\\sb100\\sbauto1\\sa100\\saauto1", Look.of(ParagraphProperty.SPACE_BEFORE, ParagraphProperty.AUTOMATIC_SPACE)
                .with(ParagraphProperty.SPACE_AFTER, ParagraphProperty.AUTOMATIC_SPACE));
        cases.put("\\sb100\\sbauto0", Look.of(ParagraphProperty.SPACE_BEFORE, 5.0));
        cases.put("\\sl360\\slmult1", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE, 1.5)));
        cases.put("\\sl240\\slmult0", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.AT_LEAST, 12)));
        cases.put("\\sl-240", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.EXACTLY, 12)));
        cases.put("\\keep\\keepn\\pagebb", Look.of(ParagraphProperty.KEEP_TOGETHER, true).with(ParagraphProperty.KEEP_WITH_NEXT, true)
                .with(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        cases.put("\\nowidctlpar", Look.of(ParagraphProperty.WIDOW_CONTROL, false));
        cases.put("\\widctlpar", Look.of(ParagraphProperty.WIDOW_CONTROL, true));
        cases.put("\\contextualspace", Look.of(ParagraphProperty.CONTEXTUAL_SPACING, true));
        cases.put("\\outlinelevel2", Look.of(ParagraphProperty.OUTLINE_LEVEL, 3));
        cases.put("\\outlinelevel9", Look.of(ParagraphProperty.OUTLINE_LEVEL, 0));
        cases.put("\\cbpat1", Look.of(ParagraphProperty.SHADING, Colour.hex("AA0000")));
        cases.put("\\shading5000", Look.of(ParagraphProperty.SHADING, Colour.hex("808080")));
        cases.put("\\shading2500\\cfpat2", Look.of(ParagraphProperty.SHADING, Colour.hex("BFBFEA")));
        cases.put("\\shading10000\\cfpat1\\cbpat2", Look.of(ParagraphProperty.SHADING, Colour.hex("AA0000")));
        cases.put("\\cbpat2\\shading0", Look.of(ParagraphProperty.SHADING, Colour.hex("0000AA")));
        cases.forEach((words, look) -> {
            Look read = paragraph(words);
            for (Property<?> property : look.properties()) assertThat(read.get(property)).as(words).isEqualTo(look.get(property));
        });
        assertSays("none", paragraph("\\shading5000\\pard"), ParagraphProperty.SHADING, null);
        assertSays("none", paragraph("\\sl0"), ParagraphProperty.LINE_SPACING, null);
    }

    @Test void tabsAreOfTheirKinds() {
        assertThat(paragraph("\\tx720\\tqc\\tx1440\\tqr\\tldot\\tx2160\\tqdec\\tlul\\tx2880\\tlhyph\\tx3600\\tlmdot\\tx4320\\tb5040")
                .get(ParagraphProperty.TABS))
                .isEqualTo(new TabStops(List.of(new TabStop(36, TabStop.Kind.START, TabStop.Leader.NONE), new TabStop(72, TabStop.Kind.CENTRE,
                TabStop.Leader.NONE),
                        new TabStop(108, TabStop.Kind.END, TabStop.Leader.DOTS), new TabStop(144, TabStop.Kind.DECIMAL, TabStop.Leader.LINE),
                        new TabStop(180, TabStop.Kind.START, TabStop.Leader.HYPHENS), new TabStop(216, TabStop.Kind.START, TabStop.Leader.MIDDLE_DOTS),
                        new TabStop(252, TabStop.Kind.BAR, TabStop.Leader.NONE))));
    }

    @Test void linesRoundParagraphsAreOfTheirKinds() {
        Borders borders = paragraph("\\brdrt\\brdrs\\brdrw20\\brsp40\\brdrcf1\\brdrb\\brdrdb\\brdrw10\\brdrl\\brdrdot\\brdrw15\\brdrr\\brdrdash\\brdrw15")
                .get(ParagraphProperty.BORDERS);
        assertThat(borders.top()).isEqualTo(new Border(Border.Line.SINGLE, 1, Colour.hex("AA0000"), 2));
        assertThat(borders.bottom().line()).isEqualTo(Border.Line.DOUBLE);
        assertThat(borders.left()).isEqualTo(new Border(Border.Line.DOTTED, 0.75, Colour.AUTOMATIC, 0));
        assertThat(borders.right().line()).isEqualTo(Border.Line.DASHED);
        Borders box = paragraph("\\box\\brdrs\\brdrw20").get(ParagraphProperty.BORDERS);
        assertThat(List.of(box.top(), box.right(), box.bottom(), box.left())).allMatch(side -> side.equals(new Border(Border.Line.SINGLE, 1, Colour.AUTOMATIC,
                0)));
    }

    private static Table table(String row, String cells) {
        Document document = read("\\trowd" + row + cells + "\\pard\\intbl a\\cell b\\cell\\row\\pard after\\par");
        return (Table) document.blocks().stream().filter(Table.class::isInstance).findFirst().orElseThrow();
    }

    @Test void rowsAndCellsLookAsTheirWordsSay() {
        Table table = table("\\trrh-400\\trhdr\\trkeep\\trqc", "\\clvertalc\\clcbpat1\\clbrdrt\\brdrs\\brdrw20\\cellx2000\\clvertalb\\cellx3000");
        assertThat(table.columns()).containsExactly(100.0, 50.0);
        Look row = table.rows().get(0).look();
        assertSays("height", row, TableProperty.ROW_HEIGHT, 20.0);
        assertSays("exact", row, TableProperty.ROW_HEIGHT_EXACT, true);
        assertSays("head", row, TableProperty.HEADER_ROW, true);
        assertSays("whole", row, TableProperty.KEEP_ROW, true);
        assertSays("middle", table.look(), TableProperty.ALIGNMENT, Alignment.CENTRE);
        Look first = table.rows().get(0).cells().get(0).look();
        assertSays("cell", first, TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.CENTRE);
        assertSays("cell", first, TableProperty.SHADING, Colour.hex("AA0000"));
        assertThat(first.get(TableProperty.BORDERS).top().width()).isEqualTo(1);
        assertSays("cell", table.rows().get(0).cells().get(1).look(), TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM);
        assertThat(table("", "\\clmgf\\cellx2000\\clmrg\\cellx3000").rows().get(0).cells()).hasSize(1);
    }

    /** Words that mean nothing here, or numbers that can't be, change nothing else. */
    @Test void unknownWordsChangeNothing() {
        Document document = read("\\pard\\plain\\nosuchword5\\fs-4\\charscalex0\\f99\\cf99\\li999999999\\b Ferry\\nosuch\\par");
        Paragraph paragraph = Reading.paragraphs(document).get(0);
        assertThat(paragraph.text()).isEqualTo("Ferry");
        assertThat(Reading.run(document, "Ferry").is(TextProperty.BOLD)).isTrue();
    }
}
