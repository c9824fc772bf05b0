package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.Archive;
import app.decant.format.Content;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.formula.WorkbookEvaluator;
import org.apache.poi.ss.usermodel.Name;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Formulas between the languages of ISO/IEC 29500-1, 18.17, and ISO/IEC 26300-3, and into the binary generation by POI; the names they ask for. */
class FormulaLanguagesTest {
    private static final Instant WHEN = Instant.parse("2026-11-28T08:00:00Z");

    /** ISO/IEC 26300-3, 5: places in brackets (5.8), semicolons between arguments (5.6), {@code ~} and {@code !} between places (6.4), lists (5.13). */
    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '`', value = {"A1+B2 | [.A1]+[.B2]", "SUM(A1:B9,3) | SUM([.A1:.B9];3)",
        "Lines!A1 | [$Lines.A1]", "'It''s fares'!$A$1:B2 | [$'It''s fares'.$A$1:.B2]", "\"a,b;c [A1]\"&A1 | \"a,b;c [A1]\"&[.A1]",
        "SUM({1,2;3,4}) | `SUM({1;2|3;4})`", "#REF!+1 | #REF!+1", "SUM(A:A,2:4) | SUM([.A:.A];[.2:.4])", "SUM($B:$C) | SUM([.$B:.$C])",
                "LOG10(A1)+A1B | LOG10([.A1])+A1B",
        "_xlfn.STDEV.S(A1:A9) | COM.MICROSOFT.STDEV.S([.A1:.A9])", "_xlfn.IFNA(A1,0) | IFNA([.A1];0)", "_xlfn._xlws.FILTER(A1:A9,B1:B9) | "
        + "COM.MICROSOFT.FILTER([.A1:.A9];[.B1:.B9])", "_xlfn.FORMULATEXT(A1) | FORMULA([.A1])",
                "IF(A1=\"\"\"\",\"A1\",Total) | IF([.A1]=\"\"\"\";\"A1\";Total)",
        "-A1%^2 | -[.A1]%^2", "TRUE | TRUE", "1E3+A1 | 1E3+[.A1]"})
    void bothLanguagesSayTheSame(String plain, String open) {
        assertThat(OdsFormula.open(plain)).isEqualTo(open);
        String back = OdsFormula.plain("of:=" + open);
        // Which of two prefixes a newer function had is not told.
        assertThat(back).isEqualTo(plain.replace("_xlws.", ""));
    }

    @Test void everyFunctionOfTheLibraryGoesThereAndBack() {
        TreeSet<String> names = new TreeSet<>(WorkbookEvaluator.getSupportedFunctionNames());
        names.addAll(WorkbookEvaluator.getNotSupportedFunctionNames());
        assertThat(names).hasSizeGreaterThan(350);
        for (String name : names) {
            String formula = name + "(A1,$B$2:C3,\"x;y\")";
            // Newer ones that OpenDocument has as its own are written with what tells that they are newer.
            assertThat(OdsFormula.plain("of:=" + OdsFormula.open(formula))).isIn(formula, "_xlfn." + formula);
            String newer = "_xlfn." + name + "(A1)";
            assertThat(OdsFormula.plain("of:=" + OdsFormula.open(newer))).isEqualTo(newer);
        }
    }

    @ParameterizedTest @ValueSource(strings = {"[other.xlsx]Fares!A1", "'[other.xlsx]It''s'!A1+1", "SUM(Table1[[A]:[B]])", "[1]!Total"})
    void whatLeadsElsewhereHasNoCounterpart(String formula) { assertThat(OdsFormula.open(formula)).isNull(); }

    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '`', value = {"oooc:=SUM([.A1:.A3];1) | SUM(A1:A3,1)", "of:=[.A1]~[.B1] | A1,B1",
        "of:=[.A1:.B2]![.B1:.B9] | A1:B2 B1:B9", "of:=['a.b''c'.A1] | 'a.b''c'!A1", "of:=[#REF!] | #REF!", "msoxl:=A1 | A1", "of:=\"unclosed | \"unclosed",
        "`of:={\"a;b|c\";2|3}` | `{\"a;b|c\",2;3}`", "of:=[$Lines.#REF!]+1 | Lines!#REF!+1", "of:=[.A1 | [.A1"})
    void whatOthersWriteIsRead(String open, String plain) { assertThat(OdsFormula.plain(open)).isEqualTo(plain); }

    private static Workbook named(Map<String, String> names, String... formulas) {
        List<Row> rows = new ArrayList<>();
        for (int r = 0; r < formulas.length; r++)
            rows.add(new Row(r, 15, false, List.of(new Cell(0, new CellValue.Number(r), formulas[r], 0, null), new Cell(1, new CellValue.Number(2), 0))));
        Sheet fares = new Sheet("It's fares", false, 48, 15, List.of(), rows, List.of(), PageSetup.PLAIN);
        Sheet lines = new Sheet("Lines", false, 48, 15, List.of(), List.of(new Row(0, 15, false, List.of(new Cell(0, new CellValue.Number(1), 0)))), List.of(),
                PageSetup.PLAIN);
        return new Workbook(List.of(fares, lines), List.of(CellStyle.PLAIN), names, Facts.NONE, false);
    }

    /** 18.2.5: names of the workbook, of one sheet, of formulas, of what is gone; formulas that ask for them stay formulas in each kind of file. */
    @ParameterizedTest @EnumSource(names = {"XLSX", "XLS", "ODS"})
    void namesComeFirst(SheetFormat format) {
        Map<String, String> names = new TreeMap<>(Map.of("Rate", "Lines!$A$1", "Double", "Rate*2", "It's fares!Own", "'It''s fares'!$B$1:$B$3", "Gone",
                "Lines!#REF!"));
        Workbook before = named(names, "Rate*2", "Double+1", "SUM(Own)", "B1+Rate");
        WrittenWorkbook written = format.write(before, WHEN);
        assertThat(written.findings()).isEmpty();
        Workbook after = format.workbook(new Content(written.bytes(), "fares." + format.ending()), null, Progress.SILENT).workbook();
        for (Row row : before.sheets().get(0).rows())
            assertThat(after.sheets().get(0).cell(row.index(), 0).formula()).isEqualTo(row.cells().get(0).formula());
        assertThat(after.names().get("Rate").replaceAll("['$]", "")).isEqualTo("Lines!A1");
        assertThat(after.names().get("Double")).isEqualTo("Rate*2");
        assertThat(after.names().get("It's fares!Own").replace("$", "")).contains("B1:B3");
        if (format != SheetFormat.XLSX) assertThat(after.names().getOrDefault("Gone", "#REF!")).contains("#REF!");
    }

    /** POI's models know whose a name is. */
    @Test void namesOfOneSheetStayItsOwn() throws IOException {
        Workbook workbook = named(Map.of("It's fares!Own", "'It''s fares'!$B$1:$B$3", "Rate", "Lines!$A$1"), "SUM(Own)*Rate");
        for (boolean old : new boolean[] {false, true}) {
            byte[] bytes = (old ? SheetFormat.XLS : SheetFormat.XLSX).write(workbook, WHEN).bytes();
            try (org.apache.poi.ss.usermodel.Workbook book = old ? new HSSFWorkbook(new ByteArrayInputStream(bytes)) : new XSSFWorkbook(
                    new ByteArrayInputStream(bytes))) {
                Name own = book.getAllNames().stream().filter(name -> name.getNameName().equals("Own")).findFirst().orElseThrow();
                assertThat(own.getSheetIndex()).isZero();
                assertThat(book.getName("Rate").getSheetIndex()).isEqualTo(-1);
                assertThat(book.getCreationHelper().createFormulaEvaluator().evaluate(book.getSheetAt(0).getRow(0).getCell(0)).getNumberValue())
                        .isEqualTo(2.0);
            }
        }
    }

    /** A blank between commas is an argument that is left out, not one that is there. */
    @Test void blanksAroundCommasDoNotCount() {
        assertThat(MovedFormula.dense("CONCATENATE(\"a ,b\", ,A1 ) & 'x ,y'!A1")).isEqualTo("CONCATENATE(\"a ,b\",,A1) & 'x ,y'!A1");
        assertThat(MovedFormula.dense("A1:B2 B1:B9")).isEqualTo("A1:B2 B1:B9");
        Workbook workbook = named(Map.of(), "CONCATENATE(\"a\", ,B1)");
        assertThat(SheetFormat.XLS.write(workbook, WHEN).findings()).isEmpty();
    }

    /** What can't be put into another language stands as what it came to, and is told with its number. */
    @Test void formulasThatCantGoAreTold() {
        Workbook workbook = named(Map.of(), "[1]Fares!A1", "Table1[[A]]", "1+1");
        for (SheetFormat format : List.of(SheetFormat.XLS, SheetFormat.ODS)) {
            WrittenWorkbook written = format.write(workbook, WHEN);
            assertThat(written.findings()).extracting(Finding::what).as(format.ending())
                    .containsExactly("2 formulas can't be put so in this format; the values stand in their place.");
            Sheet again = format.workbook(new Content(written.bytes(), "a." + format.ending()), null, Progress.SILENT).workbook().sheets().get(0);
            assertThat(again.cell(0, 0).formula()).isNull();
            assertThat(again.cell(1, 0).value()).isEqualTo(new CellValue.Number(1));
            assertThat(again.cell(2, 0).formula()).isEqualTo("1+1");
        }
    }

    /** A formula that came to nothing is still one, in each kind of file. */
    @ParameterizedTest @EnumSource(names = {"XLSX", "XLS", "ODS"})
    void formulasThatCameToNothingStay(SheetFormat format) {
        Row row = new Row(0, 15, false, List.of(new Cell(0, new CellValue.Text(""), "IF(TRUE,\"\",\"\")", 0, null), new Cell(1, CellValue.EMPTY, "B9", 0,
                null)));
        Workbook workbook = new Workbook(List.of(new Sheet("S", false, 48, 15, List.of(), List.of(row), List.of(), PageSetup.PLAIN)), List.of(CellStyle.PLAIN),
                Map.of(), Facts.NONE, false);
        Sheet again = format.workbook(new Content(format.write(workbook, WHEN).bytes(), "a." + format.ending()), null, Progress.SILENT).workbook()
                .sheets().get(0);
        assertThat(again.cell(0, 0).formula()).isEqualTo("IF(TRUE,\"\",\"\")");
        assertThat(again.cell(0, 1).formula()).isEqualTo("B9");
    }

    /** ISO/IEC 26300-1, 9.4.12 and 9.4.13: ranges by their address, all else as an expression; those of a sheet within its table. */
    @Test void openDocumentTellsRangesAndExpressionsApart() {
        Workbook workbook = named(Map.of("Rate", "Lines!$A$1", "Twice", "Rate*2", "Lines!Own", "Lines!$A$1:$A$2"), "1");
        String content = new String(Archive.parts(SheetFormat.ODS.write(workbook, WHEN).bytes()).get("content.xml"), StandardCharsets.UTF_8);
        assertThat(content).contains("<table:named-range table:name=\"Rate\" table:cell-range-address=\"$Lines.$A$1\"/>")
                .contains("<table:named-expression table:name=\"Twice\" table:expression=\"of:=Rate*2\"/>");
        String lines = content.substring(content.indexOf("table:name=\"Lines\""));
        assertThat(lines.substring(0, lines.indexOf("</table:table>"))).contains("table:name=\"Own\" table:cell-range-address=\"$Lines.$A$1:.$A$2\"");
    }

    /** 18.2.19: sheets of OpenDocument may be called what no workbook of the other kinds can be; formulas and names follow, and POI opens the file. */
    @Test void sheetsAreCalledWhatTheFormatCanHave() throws IOException {
        Row row = new Row(0, 15, false, List.of(new Cell(0, new CellValue.Number(1), "'Winter/Summer: all the fares of the year'!B1+Fares!B1", 0, null),
                new Cell(1, new CellValue.Number(2), 0)));
        List<Sheet> sheets = new ArrayList<>();
        for (String name : List.of("Winter/Summer: all the fares of the year", "fares", "Fares", " ", "'quoted'"))
            sheets.add(new Sheet(name, false, 48, 15, List.of(), List.of(row), List.of(), PageSetup.PLAIN));
        Workbook workbook = new Workbook(sheets, List.of(CellStyle.PLAIN), Map.of("Winter/Summer: all the fares of the year!Own",
                "'Winter/Summer: all the fares of the year'!$B$1"), Facts.NONE, false);
        for (boolean old : new boolean[] {false, true}) {
            WrittenWorkbook written = (old ? SheetFormat.XLS : SheetFormat.XLSX).write(workbook, WHEN);
            assertThat(written.findings()).filteredOn(finding -> finding.what().contains("is called")).hasSize(4);
            try (org.apache.poi.ss.usermodel.Workbook book = old ? new HSSFWorkbook(new ByteArrayInputStream(written.bytes())) : new XSSFWorkbook(
                    new ByteArrayInputStream(written.bytes()))) {
                assertThat(List.of(book.getSheetName(0), book.getSheetName(1), book.getSheetName(2), book.getSheetName(3), book.getSheetName(4)))
                        .containsExactly("Winter_Summer_ all the fares of", "fares", "Fares (2)", "1", "_quoted_");
                assertThat(book.getSheetAt(1).getRow(0).getCell(0).getCellFormula()).startsWith("'Winter_Summer_ all the fares of'!B1+");
                assertThat(book.getName("Own").getRefersToFormula()).isEqualTo("'Winter_Summer_ all the fares of'!$B$1");
            }
        }
        assertThat(SheetFormat.ODS.write(workbook, WHEN).findings()).filteredOn(finding -> finding.what().contains("is called")).hasSize(2);
    }
}
