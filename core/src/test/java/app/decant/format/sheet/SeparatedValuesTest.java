package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.Content;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Values between separators, by RFC 4180 and by what offices send: separators, quotes, decimal signs, encodings, and what other programs would run. */
class SeparatedValuesTest {
    private static ReadWorkbook read(byte[] bytes, String name) { return SheetFormat.CSV.workbook(new Content(bytes, name), null, Progress.SILENT); }

    private static Sheet sheet(String text) { return read(text.getBytes(StandardCharsets.UTF_8), "fares.csv").workbook().sheets().get(0); }

    private static List<List<String>> words(Sheet sheet) {
        List<List<String>> all = new ArrayList<>();
        for (Row row : sheet.rows()) all.add(row.cells().stream().map(cell -> cell.value() instanceof CellValue.Text text ? text.text()
                : String.valueOf(((CellValue.Number) cell.value()).value())).toList());
        return all;
    }

    /** RFC 4180, 2: 5 to 7, quotes round what holds separators, line ends and quotes. */
    @Test void quotesHoldSeparatorsLinesAndQuotes() {
        assertThat(words(sheet("a,\"b,c\",\"d\ne\",\"f\"\"g\"\r\nh,i,j,k\r\n"))).containsExactly(List.of("a", "b,c", "d\ne", "f\"g"), List.of("h", "i",
                "j", "k"));
        assertThat(words(sheet("a,b\rc,d"))).as("lines may end in any way, the last in none").containsExactly(List.of("a", "b"), List.of("c", "d"));
        assertThat(words(sheet("a,\"never closed\nb,c"))).containsExactly(List.of("a", "never closed\nb,c"));
        assertThat(words(sheet("a,b\"c\"d\ne,f"))).as("quotes within a value stand for themselves").containsExactly(List.of("a", "b\"c\"d"), List.of("e",
                "f"));
        Sheet gaps = sheet("a,,c\n,,\n\n,e,");
        assertThat(gaps.cell(0, 1)).isNull();
        assertThat(gaps.row(1)).isNull();
        assertThat(gaps.cell(3, 1).value()).isEqualTo(new CellValue.Text("e"));
    }

    @ParameterizedTest @CsvSource(delimiter = '~', value = {"Line,Fare\\nA,1.5\\nB,2.5 ~ ,", "Line;Fare\\nA, b;1,5\\nC, d;2,5 ~ ;",
            "Line\\tFare\\nA\\t1\\nB\\t2 ~ tab",
        "Line|Fare\\nA|1\\nB|2 ~ |", "Pier;Fare, single\\nNorth;1,5\\nSouth;2,5 ~ ;", "1,5;2,5\\n3,5;4,25 ~ ;", "a;b,c\\nd;e,f ~ ,"})
    void theSeparatorIsFoundOut(String text, String told) {
        ReadWorkbook read = read(text.strip().replace("\\n", "\n").replace("\\t", "\t").getBytes(StandardCharsets.UTF_8), "fares.csv");
        assertThat(read.findings()).extracting(Finding::what).singleElement().asString().contains(told.strip());
        assertThat(read.workbook().sheets().get(0).rows()).allMatch(row -> row.cells().size() == 2);
    }

    /** What is chosen is taken whatever the file looks like; how it was read is told for each of the three. */
    @Test void separatorDecimalsAndLettersAreChosen() {
        byte[] file = "Linie;Preis\nF\u00e4hre, Nord;1.234\n".getBytes(Charset.forName("windows-1252"));
        SeparatedValues found = read(file, "fares.csv").separated();
        assertThat(found.separator()).isEqualTo(';');
        assertThat(found.comma()).isFalse();
        assertThat(found.letters().newEncoder().canEncode('\u00e4')).isTrue();
        Content content = new Content(file, "fares.csv");
        ReadWorkbook german = SheetFormat.separated(content, found.decimals(true), Progress.SILENT);
        assertThat(german.workbook().sheets().get(0).cell(1, 1).value()).isEqualTo(new CellValue.Number(1234));
        assertThat(german.separated()).isEqualTo(found.decimals(true));
        ReadWorkbook commas = SheetFormat.separated(content, SeparatedValues.AS_FOUND.parted(','), Progress.SILENT);
        assertThat(words(commas.workbook().sheets().get(0)).get(1)).containsExactly("F\u00e4hre", " Nord;1.234");
        Content decimals = new Content("a|1,5\nb|2,5\n".getBytes(StandardCharsets.UTF_8), "fares.csv");
        SeparatedValues misread = SheetFormat.separated(decimals, SeparatedValues.AS_FOUND.parted(','), Progress.SILENT).separated();
        ReadWorkbook anew = SheetFormat.separated(decimals, misread.parted('|'), Progress.SILENT);
        assertThat(anew.workbook().sheets().get(0).cell(0, 1).value()).as("decimals are found out anew").isEqualTo(new CellValue.Number(1.5));
        ReadWorkbook cyrillic = SheetFormat.separated(content, found.written(Charset.forName("windows-1251")), Progress.SILENT);
        assertThat(words(cyrillic.workbook().sheets().get(0)).get(1).get(0)).isEqualTo("F\u0434hre, Nord");
        assertThatThrownBy(() -> SeparatedValues.AS_FOUND.parted('"')).isInstanceOf(DecantException.class);
    }

    @Test void aNameTellsTheSeparatorWhereNothingElseDoes() {
        assertThat(read("alone".getBytes(StandardCharsets.UTF_8), "fares.tsv").findings()).extracting(Finding::what).singleElement().asString()
                .contains("tab");
        assertThat(read("alone".getBytes(StandardCharsets.UTF_8), "fares.csv").workbook().sheets().get(0).name()).isEqualTo("fares");
    }

    /** Numbers by the sign that the whole file has before its decimals; codes, and numbers too long to be held, stay words. */
    @Test void numbersAreNumbersAndCodesAreWords() {
        Sheet points = sheet("n;x\n1,234.5;a\n-7;b\n+2.5e3;c\n007;d\n12345678901234567890;e\n1.2.3;f\n12/05;g\n2e999;h\n");
        assertThat(points.cell(1, 0).value()).isEqualTo(new CellValue.Number(1234.5));
        assertThat(points.cell(2, 0).value()).isEqualTo(new CellValue.Number(-7));
        assertThat(points.cell(3, 0).value()).isEqualTo(new CellValue.Number(2500));
        for (int row = 4; row <= 8; row++) assertThat(points.cell(row, 0).value()).isInstanceOf(CellValue.Text.class);
        Sheet commas = sheet("n;x\n1.234,5;a\n2,75;b\n3;c\n0,5;d\n");
        assertThat(commas.cell(1, 0).value()).isEqualTo(new CellValue.Number(1234.5));
        assertThat(commas.cell(2, 0).value()).isEqualTo(new CellValue.Number(2.75));
        assertThat(commas.cell(4, 0).value()).as("a nought before the comma is no code").isEqualTo(new CellValue.Number(0.5));
    }

    /** No format has a number for what is beyond all numbers (ISO/IEC 29500-1, 18.18.11): it is the failure that people know. */
    @Test void numbersBeyondAllNumbersAreFailures() {
        for (double beyond : new double[] {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NaN})
            assertThat(CellValue.of(beyond)).isEqualTo(new CellValue.Failure("#NUM!"));
        assertThatThrownBy(() -> new CellValue.Number(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
        assertThat(CellValue.of(1.5)).isEqualTo(new CellValue.Number(1.5));
    }

    @Test void lettersAreReadInTheEncodingTheyAreIn() {
        String text = "Überfahrt,Größe\nä,ö\n";
        for (Charset charset : List.of(StandardCharsets.UTF_8, StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE, Charset.forName("windows-1252"))) {
            String marked = charset.name().startsWith("UTF-16") ? "\uFEFF" + text : text;
            assertThat(words(read(marked.getBytes(charset), "a.csv").workbook().sheets().get(0)).get(0)).as(charset.name()).containsExactly("Überfahrt",
                    "Größe");
        }
        assertThat(words(read("\uFEFFa,b".getBytes(StandardCharsets.UTF_8), "a.csv").workbook().sheets().get(0))).containsExactly(List.of("a", "b"));
    }

    private static Workbook one(String... values) {
        List<Cell> cells = new ArrayList<>();
        for (int i = 0; i < values.length; i++) cells.add(new Cell(i, new CellValue.Text(values[i]), 0));
        Sheet sheet = new Sheet("S", false, 48, 15, List.of(), List.of(new Row(0, 15, false, cells)), List.of(), PageSetup.PLAIN);
        return new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
    }

    private static String written(Workbook workbook) { return new String(SheetFormat.CSV.write(workbook, Instant.EPOCH).bytes(), StandardCharsets.UTF_8); }

    /** Words that another program would work out, open or run when it reads them. */
    @ParameterizedTest @ValueSource(strings = {"=1+1", "=HYPERLINK(\"http://evil.example\")", "@SUM(A1)", "+cmd|' /C calc'!A0", "-2+3+cmd|' /C calc'!A0",
        "-SUM(A1:A9)", "\t=1+1", "  =DDE(\"x\")", "\r=1", "+A1", "-HYPERLINK(\"x\")", "\uFF1D1+1", "\u200B=1+1", "-[other.xlsx]S!A1"})
    void whatOthersWouldRunIsMarkedAsWords(String tricky) {
        String line = written(one(tricky)).strip();
        assertThat(line.startsWith("'") || line.startsWith("\"'")).as(line).isTrue();
    }

    @ParameterizedTest @ValueSource(strings = {"-", "- none", "-7", "+44 (0)20 7946 0000", "-12.5%", "2026-11-28", "a=b", "+1", "- see page 4", "10:30"})
    void whatIsHarmlessStaysAsItIs(String plain) { assertThat(written(one(plain)).strip()).isEqualTo(plain); }

    /** What is written is read as the same, for tables drawn by lot of all that needs quotes. */
    @Test void whateverIsWrittenComesBack() {
        Random random = new Random(15);
        String[] pieces = {"a", "B ", " c", ",", ";", "\"", "\n", "|", "\t", "ü", "漢", "''", "'", "0", "1.5", "x=y"};
        for (int round = 0; round < 300; round++) {
            List<Row> rows = new ArrayList<>();
            int width = 2 + random.nextInt(4);
            for (int r = 0; r < 2 + random.nextInt(5); r++) {
                List<Cell> cells = new ArrayList<>();
                for (int c = 0; c < width; c++) {
                    StringBuilder text = new StringBuilder("w");
                    for (int i = random.nextInt(5); i > 0; i--) text.append(pieces[random.nextInt(pieces.length)]);
                    cells.add(new Cell(c, new CellValue.Text(text.toString()), 0));
                }
                rows.add(new Row(r, 15, false, cells));
            }
            Sheet before = new Sheet("S", false, 48, 15, List.of(), rows, List.of(), PageSetup.PLAIN);
            Workbook workbook = new Workbook(List.of(before), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
            List<List<String>> lines = CsvReader.lines(written(workbook), ',', Progress.SILENT);
            assertThat(lines).isEqualTo(words(before));
        }
    }

    @Test void manyColumnsAndRowsHaveAnEnd() {
        String wide = "x,".repeat(Range.MOST_COLUMNS + 50);
        assertThat(sheet(wide).rows().get(0).cells()).hasSize(Range.MOST_COLUMNS);
        assertThat(sheet("")).satisfies(empty -> assertThat(empty.rows()).isEmpty());
        assertThat(sheet("\n\n\n").rows()).isEmpty();
        assertThat(sheet("a\0b,c").cell(0, 0).value()).isEqualTo(new CellValue.Text("ab"));
    }
}
