package app.decant.format.binary;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.PageDress;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.format.binary.Modifiers.Modifier;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Single property modifiers of MS-DOC, byte by byte: clauses are those of [MS-DOC]. */
class PropertyModifiersTest {
    private final LookReading looks = new LookReading(number -> List.of("Liberation Serif", "Carlito", "Caladea").get(number), number -> "style" + number,
            number -> "author " + number, true);

    private static List<Modifier> modifiers(String hex) { return Modifiers.in(HexFormat.of().parseHex(hex.replace(" ", "")), 0); }

    private Look text(String hex) { return looks.text(modifiers(hex)); }

    private Look paragraph(String hex) { return looks.paragraph(modifiers(hex), list -> list == 7 ? null : "list" + list); }

    /** 2.2.5.1: the three highest bits of a code tell how long its operand is; 6 says so in its first byte. */
    @Test void operandsAreAsLongAsTheirCodesSay() {
        assertThat(modifiers("3508 01  434A 1800  7068 000000AA  40E0 010203  4DC6 0A 00000000000000000000  3608 01").stream().map(Modifier::code).toList())
                .containsExactly(0x0835, 0x4A43, 0x6870, 0xE040, 0xC64D, 0x0836);
        assertThat(modifiers("08D6 0300 0102  3508 01")).as("definitions of tables tell their length in two bytes, one more than there are")
                .extracting(Modifier::code).containsExactly(0xD608, 0x0835);
        assertThat(modifiers("15C6 FF 01 68010000 01 D002 00  3508 01")).as("changes of tabs too long for one byte").extracting(Modifier::code)
                .containsExactly(0xC615, 0x0835);
    }

    /** A list that lies about a length, or breaks off, gives what came before. */
    @Test void brokenListsEndWhereTheyBreak() {
        String good = "3508 01  434A 1800  7068 000000AA  4DC6 0A 00000000000000000000";
        byte[] bytes = HexFormat.of().parseHex(good.replace(" ", ""));
        for (int length = 0; length <= bytes.length; length++) {
            byte[] cut = Arrays.copyOf(bytes, length);
            List<Modifier> all = Modifiers.in(cut, 0);
            assertThat(all).hasSizeLessThanOrEqualTo(4);
            assertThat(looks.text(all)).isNotNull();
        }
        for (String lie : List.of("4DC6 FF 00", "08D6 FFFF", "08D6 0000", "15C6 FF", "08D6", "0DC6 05 09", "0DC6 02 00 FF")) {
            assertThat(looks.paragraph(modifiers(lie), list -> null)).isNotNull();
            assertThat(looks.text(modifiers(lie))).isNotNull();
        }
        assertThat(Modifiers.in(null, 0)).isEmpty();
    }

    /** 2.6.1: properties of characters. */
    @Test void lettersLookAsTheirModifiersSay() {
        Map<String, Look> cases = new LinkedHashMap<>();
        cases.put("3508 01", Look.of(TextProperty.BOLD, true));
        cases.put("3508 00", Look.of(TextProperty.BOLD, false));
        cases.put("3608 01", Look.of(TextProperty.ITALIC, true));
        cases.put("3708 01", Look.of(TextProperty.STRIKE, true));
        cases.put("3A08 01", Look.of(TextProperty.SMALL_CAPITALS, true));
        cases.put("3B08 01", Look.of(TextProperty.CAPITALS, true));
        cases.put("3C08 01", Look.of(TextProperty.HIDDEN, true));
        cases.put("532A 01", Look.of(TextProperty.DOUBLE_STRIKE, true));
        cases.put("5A08 01", Look.of(TextProperty.RIGHT_TO_LEFT, true));
        cases.put("304A 0500", Look.of(TextProperty.STYLE, "style5"));
        cases.put("4F4A 0100", Look.of(TextProperty.FAMILY, "Carlito"));
        cases.put("4F4A 0100 504A 0100 5E4A 0200", Look.of(TextProperty.FAMILY, "Carlito").with(TextProperty.COMPLEX_FAMILY, "Caladea"));
        cases.put("434A 1700", Look.of(TextProperty.SIZE, 11.5));
        cases.put("7068 11223300", Look.of(TextProperty.COLOUR, Colour.hex("112233")));
        cases.put("7068 000000FF", Look.of(TextProperty.COLOUR, Colour.AUTOMATIC));
        cases.put("422A 06", Look.of(TextProperty.COLOUR, Colour.hex("FF0000")));
        cases.put("7068 11223300 422A 06", Look.of(TextProperty.COLOUR, Colour.hex("112233")));
        cases.put("0C2A 07", Look.of(TextProperty.HIGHLIGHT, Colour.hex("FFFF00")));
        cases.put("0C2A 00", Look.PLAIN);
        cases.put("71CA 0A 000000FF 11223300 0000", Look.of(TextProperty.HIGHLIGHT, Colour.hex("112233")));
        cases.put("6648 E000", Look.of(TextProperty.HIGHLIGHT, Colour.hex("FFFF00")));
        cases.put("482A 01", Look.of(TextProperty.SCRIPT, Script.SUPER));
        cases.put("482A 02", Look.of(TextProperty.SCRIPT, Script.SUB));
        cases.put("482A 00", Look.of(TextProperty.SCRIPT, Script.BASELINE));
        cases.put("4088 ECFF", Look.of(TextProperty.LETTER_SPACING, -1.0));
        cases.put("4548 0600", Look.of(TextProperty.RAISE, 3.0));
        cases.put("4548 FAFF", Look.of(TextProperty.RAISE, -3.0));
        cases.put("5248 5000", Look.of(TextProperty.WIDTH_SCALE, 0.8));
        cases.put("4B48 1C00", Look.of(TextProperty.KERNING_FROM, 14.0));
        cases.put("6D48 0704", Look.of(TextProperty.LANGUAGE, "de-DE"));
        cases.put("7348 0C04", Look.of(TextProperty.LANGUAGE, "fr-FR"));
        cases.put("6D48 FFFF", Look.PLAIN);
        cases.forEach((hex, look) -> assertThat(text(hex)).as(hex).isEqualTo(look));
    }

    /** 2.9.327, ToggleOperand: 0x80 is as the style says, 0x81 the opposite of that. */
    @Test void togglesAskWhatTheStyleSays() {
        Map<String, Property<Boolean>> toggles = Map.of("3508", TextProperty.BOLD, "3608", TextProperty.ITALIC, "3708", TextProperty.STRIKE, "3A08",
                TextProperty.SMALL_CAPITALS, "3B08", TextProperty.CAPITALS, "3C08", TextProperty.HIDDEN);
        toggles.forEach((code, property) -> {
            Look on = Look.of(property, true);
            assertThat(looks.text(modifiers(code + "80"), on)).as("as the style").isEqualTo(Look.PLAIN);
            assertThat(looks.text(modifiers(code + "01" + code + "80"), on)).as("as the style after all").isEqualTo(Look.PLAIN);
            assertThat(looks.text(modifiers(code + "81"), on)).as("off in a style that is on").isEqualTo(Look.of(property, false));
            assertThat(looks.text(modifiers(code + "81"), Look.PLAIN)).as("on in a style that is not").isEqualTo(Look.of(property, true));
        });
    }

    /** 2.9.128, Kul. */
    @ParameterizedTest @CsvSource({"00, NONE", "01, SINGLE", "02, WORDS", "03, DOUBLE", "04, DOTTED", "06, THICK", "07, DASHED", "09, DASHED", "0A, DASHED",
        "0B, WAVE", "14, DOTTED", "17, DASHED", "1B, WAVE", "27, DASHED", "2B, WAVE", "37, DASHED"}) void linesUnderTextAreOfTheirKind(String code,
                Underline kind) {
        assertThat(text("3E2A" + code).get(TextProperty.UNDERLINE)).isEqualTo(kind);
    }

    /** 2.9.119, Ico: the sixteen colours of the first programs. */
    @ParameterizedTest @CsvSource({"01, 000000", "02, 0000FF", "03, 00FFFF", "04, 00FF00", "05, FF00FF", "06, FF0000", "07, FFFF00", "08, FFFFFF", "09, 00008B",
        "0A, 008B8B", "0B, 006400", "0C, 8B008B", "0D, 8B0000", "0E, 808000", "0F, A9A9A9", "10, D3D3D3"}) void coloursByTheirNumbers(String code, String hex) {
        assertThat(text("422A" + code).get(TextProperty.COLOUR)).isEqualTo(Colour.hex(hex));
        assertThat(text("422A11").get(TextProperty.COLOUR)).isEqualTo(Colour.AUTOMATIC);
    }

    /** 2.9.121, Ipat: shares of black in steps, of the colour in front over that behind. */
    @ParameterizedTest @CsvSource({"0000, 11223300, 112233", "0100, 11223300, 000000", "0200, FFFFFF00, F2F2F2", "0800, FFFFFF00, 808080",
            "0D00, FFFFFF00, 191919"})
    void patternsAreMixed(String pattern, String behind, String expected) {
        assertThat(paragraph("4DC6 0A 00000000" + behind + pattern).get(ParagraphProperty.SHADING)).isEqualTo(Colour.hex(expected));
        assertThat(paragraph("4DC6 0A 00000000" + behind + "FFFF").says(ParagraphProperty.SHADING)).as("no shading").isFalse();
        assertThat(paragraph("4DC6 0A 000000FF 000000FF 0000").says(ParagraphProperty.SHADING)).as("clear over nothing").isFalse();
    }

    /** 2.6.1: what was put in and taken out, by whom and when (2.9.71, DTTM: minutes, hours, days, months, years from 1900). */
    @Test void changesAreTracked() {
        int when = 30 | 9 << 6 | 2 << 11 | 3 << 16 | 126 << 20;
        String time = HexFormat.of().formatHex(new byte[] {(byte) when, (byte) (when >> 8), (byte) (when >> 16), (byte) (when >> 24)});
        TrackedChange came = text("0108 01 0448 0300 0568" + time).get(TextProperty.TRACKED);
        assertThat(came.isDeletion()).isFalse();
        assertThat(came.insertion()).isEqualTo(new TrackedChange.Mark("author 3", Instant.parse("2026-03-02T09:30:00Z")));
        TrackedChange both = text("0108 01 0448 0300 0008 01 6348 0400 6468" + time).get(TextProperty.TRACKED);
        assertThat(both.isDeletion()).isTrue();
        assertThat(both.insertion().author()).isEqualTo("author 3");
        assertThat(text("0108 00 0448 0300").says(TextProperty.TRACKED)).isFalse();
    }

    /** 2.6.2: properties of paragraphs. */
    @Test void paragraphsLookAsTheirModifiersSay() {
        Map<String, Look> cases = new LinkedHashMap<>();
        cases.put("6124 01", Look.of(ParagraphProperty.ALIGNMENT, Alignment.CENTRE));
        cases.put("0324 02", Look.of(ParagraphProperty.ALIGNMENT, Alignment.END));
        cases.put("6124 00 0324 02", Look.of(ParagraphProperty.ALIGNMENT, Alignment.START));
        cases.put("6124 03", Look.of(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY));
        cases.put("6124 09", Look.of(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY));
        cases.put("0524 01", Look.of(ParagraphProperty.KEEP_TOGETHER, true));
        cases.put("0624 01", Look.of(ParagraphProperty.KEEP_WITH_NEXT, true));
        cases.put("0724 01", Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        cases.put("3124 00", Look.of(ParagraphProperty.WIDOW_CONTROL, false));
        cases.put("6D24 01", Look.of(ParagraphProperty.CONTEXTUAL_SPACING, true));
        cases.put("4124 01", Look.of(ParagraphProperty.RIGHT_TO_LEFT, true));
        cases.put("0F84 D002", Look.of(ParagraphProperty.INDENT_START, 36.0));
        cases.put("5E84 D002", Look.of(ParagraphProperty.INDENT_START, 36.0));
        cases.put("0E84 6801", Look.of(ParagraphProperty.INDENT_END, 18.0));
        cases.put("5D84 6801", Look.of(ParagraphProperty.INDENT_END, 18.0));
        cases.put("1184 98FE", Look.of(ParagraphProperty.FIRST_LINE, -18.0));
        cases.put("6084 98FE", Look.of(ParagraphProperty.FIRST_LINE, -18.0));
        cases.put("13A4 7800", Look.of(ParagraphProperty.SPACE_BEFORE, 6.0));
        cases.put("14A4 7800", Look.of(ParagraphProperty.SPACE_AFTER, 6.0));
        cases.put("13A4 7800 5B24 01", Look.of(ParagraphProperty.SPACE_BEFORE, ParagraphProperty.AUTOMATIC_SPACE));
        cases.put("5C24 01", Look.of(ParagraphProperty.SPACE_AFTER, ParagraphProperty.AUTOMATIC_SPACE));
        cases.put("5C24 00", Look.PLAIN);
        cases.put("1264 68010100", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE, 1.5)));
        cases.put("1264 F0000000", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.AT_LEAST, 12)));
        cases.put("1264 10FF0000", Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.EXACTLY, 12)));
        cases.put("1264 00000000", Look.of(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE));
        cases.put("4026 02", Look.of(ParagraphProperty.OUTLINE_LEVEL, 3));
        cases.put("4026 09", Look.of(ParagraphProperty.OUTLINE_LEVEL, 0));
        cases.put("0A26 02 0B46 0300", Look.of(ParagraphProperty.LIST, new ListReference("list3", 2)));
        cases.put("0B46 0000", Look.of(ParagraphProperty.LIST, new ListReference(null, 0)));
        cases.put("0B46 0700", Look.PLAIN);
        cases.put("2D44 E000", Look.of(ParagraphProperty.SHADING, Colour.hex("FFFF00")));
        cases.put("2D44 FFFF", Look.PLAIN);
        cases.forEach((hex, look) -> assertThat(paragraph(hex)).as(hex).isEqualTo(look));
    }

    /** 2.9.183 and 2.9.182: stops taken out and put in, each with how text meets it and what leads to it; changes also tell how close stops go. */
    @Test void tabsAreTakenOutAndPutIn() {
        TabStop gone = new TabStop(36, TabStop.Kind.CLEAR, TabStop.Leader.NONE);
        TabStop end = new TabStop(72, TabStop.Kind.END, TabStop.Leader.DOTS);
        TabStop point = new TabStop(144, TabStop.Kind.DECIMAL, TabStop.Leader.LINE);
        TabStops all = new TabStops(List.of(gone, end, point));
        assertThat(paragraph("0DC6 0A 01 D002 02 A005 400B 0A 1B").get(ParagraphProperty.TABS)).isEqualTo(all);
        assertThat(paragraph("15C6 0C 01 D002 1900 02 A005 400B 0A 1B").get(ParagraphProperty.TABS)).isEqualTo(all);
        assertThat(paragraph("15C6 FF 01 D002 1900 02 A005 400B 0A 1B 0524 01")).isEqualTo(Look.of(ParagraphProperty.TABS, all)
                .with(ParagraphProperty.KEEP_TOGETHER, true));
        assertThat(paragraph("0DC6 05 00 01 A005 21").get(ParagraphProperty.TABS).stops())
                .containsExactly(new TabStop(72, TabStop.Kind.CENTRE, TabStop.Leader.LINE));
    }

    /** 2.9.16 and 2.9.17: lines round paragraphs, in eighths of a point. */
    @Test void linesRoundParagraphsOfBothGenerations() {
        Borders old = paragraph("2464 06010500 2764 0C030220").get(ParagraphProperty.BORDERS);
        assertThat(old.top()).isEqualTo(new Border(Border.Line.SINGLE, 0.75, Colour.hex("FF00FF"), 0));
        assertThat(old.right()).isEqualTo(new Border(Border.Line.DOUBLE, 1.5, Colour.hex("0000FF"), 0));
        assertThat(old.left()).isNull();
        Borders newer = paragraph("4EC6 08 11223300 08 06 04 00  50C6 08 00000000 00 00 00 00").get(ParagraphProperty.BORDERS);
        assertThat(newer.top()).isEqualTo(new Border(Border.Line.DOTTED, 1, Colour.hex("112233"), 4));
        assertThat(newer.bottom()).isEqualTo(Border.NONE);
        assertThat(paragraph("2464 FFFFFFFF").get(ParagraphProperty.BORDERS).top()).as("nothing is said").isNull();
    }

    private static Section section(String hex) { return SectionReading.of(modifiers(hex), Map.of(), List.of(Paragraph.of(""))); }

    /** 2.6.4: properties of sections; what is not said is letter paper with the margins that the clause gives. */
    @Test void sectionsAreAsTheirModifiersSay() {
        Section plain = section("");
        assertThat(plain.page()).isEqualTo(new Section.PageGeometry(612, 792, 72, 90, 72, 90, 36, 36, 0));
        assertThat(plain.start()).isEqualTo(Section.Start.NEXT_PAGE);
        Section told = section("1FB0 822E 20B0 C641 21B0 A005 22B0 D002 2390 A005 2490 60FA 25B0 6801 17B0 C402 18B0 D002 0930 00 0A30 01");
        assertThat(told.page()).isEqualTo(new Section.PageGeometry(595.3, 841.9, 72, 36, 72, 72, 35.4, 36, 18));
        assertThat(told.start()).isEqualTo(Section.Start.CONTINUOUS);
        assertThat(told.firstPageDiffers()).isTrue();
        assertThat(List.of("00", "01", "02", "03", "04")).extracting(code -> section("0930" + code).start()).containsExactly(Section.Start.CONTINUOUS,
                Section.Start.NEXT_COLUMN, Section.Start.NEXT_PAGE, Section.Start.EVEN_PAGE, Section.Start.ODD_PAGE);
        assertThat(List.of("00", "01", "02", "03", "04")).extracting(code -> section("0E30" + code).numbering().format()).containsExactly(NumberFormat.DECIMAL,
                NumberFormat.UPPER_ROMAN, NumberFormat.LOWER_ROMAN, NumberFormat.UPPER_LETTER, NumberFormat.LOWER_LETTER);
        assertThat(section("1130 01 1C50 0500").numbering().start()).isEqualTo(5);
        assertThat(section("1C50 0500").numbering().start()).as("counts on").isNull();
    }

    @Test void columnsHaveWidthsOfTheirOwn() {
        assertThat(section("0B50 0100 0C90 D002 1930 01").columns()).isEqualTo(new Section.Columns(2, 36, true, List.of()));
        assertThat(section("0B50 0200 0530 00 03F2 00 A005 04F2 00 6801 03F2 01 400B 04F2 01 6801 03F2 02 A005").columns())
                .isEqualTo(new Section.Columns(3, 36, false, List.of(72.0, 18.0, 144.0, 18.0, 72.0)));
        assertThat(section("0B50 FFFF").columns().count()).as("more than there can be").isEqualTo(44);
        assertThat(section("03F2 FF A005").columns().count()).isEqualTo(1);
    }

    /** Frames round pages, numbers beside lines, and where text stands on its page. */
    @Test void pagesAreDressed() {
        PageDress dress = section("2B70 08010600 2F52 2100 1A30 03").dress();
        assertThat(dress.frame().top().width()).isEqualTo(1);
        assertThat(dress.framed()).isEqualTo(PageDress.Framed.FIRST);
        assertThat(dress.fromText()).isFalse();
        assertThat(dress.standing()).isEqualTo(PageDress.Standing.BOTTOM);
        PageDress.LineNumbers numbers = section("1550 0500 1B50 0200 1690 6801 1330 02").dress().numbers();
        assertThat(numbers).isEqualTo(new PageDress.LineNumbers(5, 3, 18, PageDress.LineNumbers.Again.NEVER));
        assertThat(section("1690 6801").dress().numbers()).as("none are asked for").isNull();
    }

    /** A row of two cells, 100 and 50 points wide; what is said of each is twenty bytes (2.9.317). */
    private static Table table(String cells, String more) {
        RowReading rows = new RowReading();
        String definition = "02 0000 D007 B80B" + cells;
        int length = definition.replace(" ", "").length() / 2 + 1;
        String hex = "08D6" + String.format("%02X%02X", length & 255, length >> 8) + definition + more;
        rows.row(List.of(List.of(Paragraph.of("a")), List.of(Paragraph.of("b"))), modifiers(hex));
        return rows.table();
    }

    private static final String BARE = "0000 0000 FFFFFFFF FFFFFFFF FFFFFFFF FFFFFFFF";

    @Test void rowsAreDefinedCellByCell() {
        Table table = table("8000 0000 08010100 FFFFFFFF FFFFFFFF FFFFFFFF" + BARE, "0794 6801 0434 01 0334 01 0296 6400 0054 0200");
        assertThat(table.columns()).containsExactly(100.0, 50.0);
        Table.Row row = table.rows().get(0);
        assertThat(row.look()).isEqualTo(Look.of(TableProperty.ROW_HEIGHT, 18.0).with(TableProperty.HEADER_ROW, true).with(TableProperty.KEEP_ROW, true));
        Table.Cell first = row.cells().get(0);
        assertThat(first.look().get(TableProperty.VERTICAL_ALIGNMENT)).isEqualTo(VerticalAlignment.CENTRE);
        assertThat(first.look().get(TableProperty.BORDERS).top()).isEqualTo(new Border(Border.Line.SINGLE, 1, Colour.BLACK, 0));
        assertThat(table.look().get(TableProperty.ALIGNMENT)).isEqualTo(Alignment.END);
        assertThat(table.look().get(TableProperty.PADDING)).isEqualTo(new Insets(0, 5, 0, 5));
        assertThat(table(BARE + BARE, "0794 98FE").rows().get(0).look()).isEqualTo(Look.of(TableProperty.ROW_HEIGHT, 18.0)
                .with(TableProperty.ROW_HEIGHT_EXACT, true));
    }

    /** 2.9.52 and 2.9.250: shades of cells in both generations; the newer wins. */
    @Test void cellsAreShaded() {
        Table old = table(BARE + BARE, "09D6 04 E000 FFFF");
        assertThat(old.rows().get(0).cells()).extracting(cell -> cell.look().get(TableProperty.SHADING)).containsExactly(Colour.hex("FFFF00"), null);
        Table newer = table(BARE + BARE, "09D6 04 E000 E000 12D6 14 000000FF 11223300 0000 000000FF 44556600 0000");
        assertThat(newer.rows().get(0).cells()).extracting(cell -> cell.look().get(TableProperty.SHADING)).containsExactly(Colour.hex("112233"),
                Colour.hex("445566"));
    }

    /** 2.9.317: cells joined sideways, and what the row says of all its lines. */
    @Test void cellsAreJoinedAndRuled() {
        Table joined = table("0100 0000 FFFFFFFF FFFFFFFF FFFFFFFF FFFFFFFF 0200 0000 FFFFFFFF FFFFFFFF FFFFFFFF FFFFFFFF", "");
        assertThat(joined.rows().get(0).cells()).hasSize(1);
        assertThat(joined.rows().get(0).cells().get(0).columnSpan()).isEqualTo(2);
        Table ruled = table(BARE + BARE, "05D6 18 08010100 08010100 08010100 08010100 08010100 04010600");
        List<Borders> lines = new ArrayList<>();
        for (Table.Cell cell : ruled.rows().get(0).cells()) lines.add(cell.look().get(TableProperty.BORDERS));
        assertThat(lines.get(0).left().colour()).isEqualTo(Colour.BLACK);
        assertThat(lines.get(0).right()).as("between the cells").isEqualTo(new Border(Border.Line.SINGLE, 0.5, Colour.hex("FF0000"), 0));
        assertThat(lines.get(1).left()).isEqualTo(lines.get(0).right());
        assertThat(lines.get(1).right().width()).isEqualTo(1);
    }

    /** 2.9.45: what is kept free inside cells, some of them only. */
    @Test void cellsKeepRoomFree() {
        Table table = table(BARE + BARE, "32D6 06 01 02 0A 03 C800");
        assertThat(table.rows().get(0).cells()).extracting(cell -> cell.look().get(TableProperty.PADDING)).containsExactly(null, new Insets(0, 10, 0, 10));
        assertThat(table(BARE + BARE, "34D6 06 00 01 0F 03 2800").look().get(TableProperty.PADDING)).isEqualTo(new Insets(2, 2, 2, 2));
    }

    /** Definitions that lie about how many cells there are leave a table that can be set. */
    @Test void rowsThatLieAreStillRows() {
        for (String lie : List.of("08D6 0200", "08D6 0300 FF", "08D6 0500 02 0000 D0", "")) {
            RowReading rows = new RowReading();
            rows.row(List.of(List.of(Paragraph.of("a")), List.of(Paragraph.of("b"))), modifiers(lie));
            Table table = rows.table();
            assertThat(table.rows().get(0).cells()).as(lie).hasSize(2);
            assertThat(table.columns()).as(lie).allMatch(width -> width > 0);
        }
    }
}
