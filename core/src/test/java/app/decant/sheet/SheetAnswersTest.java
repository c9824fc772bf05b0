package app.decant.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.demo.FaresWorkbook;
import app.decant.document.BlockPath;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.edit.Change;
import app.decant.edit.FormFilling;
import app.decant.edit.TextSelection;
import app.decant.font.FontCatalogue;
import app.decant.format.Content;
import app.decant.format.sheet.CorrectedSheets;
import app.decant.format.sheet.SheetFormat;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Pages;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.FormulaError;
import org.apache.poi.ss.usermodel.HorizontalAlignment;
import org.apache.poi.xssf.usermodel.XSSFCell;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

/** What is written into a workbook on its sheets, and how these are set: published, read by POI; undone; and where it all stands. */
class SheetAnswersTest {
    private static Workbook answered(String... answers) {
        TreeMap<String, String> all = new TreeMap<>();
        for (int i = 0; i < answers.length; i += 2) all.put(answers[i], answers[i + 1]);
        return SheetAnswers.of(all).set(FaresWorkbook.workbook());
    }

    @Test void whatIsWrittenIsPublishedAndWhatDependsOnItReckoned() throws IOException {
        Workbook before = FaresWorkbook.workbook();
        Document came = SheetText.of(before, SheetChoice.AS_SET_UP);
        Sheet sheet = before.sheets().get(0);
        Row row = sheet.rows().stream().filter(one -> one.cells().stream().anyMatch(cell -> cell.formula() != null)).findFirst().orElseThrow();
        Cell asked = row.cells().stream().filter(cell -> cell.formula() != null).findFirst().orElseThrow();
        Cell given = row.cells().stream().filter(cell -> cell.formula() == null && cell.value() instanceof CellValue.Number
                && asked.formula().contains(Range.name(row.index(), cell.column()))).findFirst().orElseThrow();
        TextSelection caret = TextSelection.caret(new Place(BlockPath.of(0, 0), 0));
        int free = sheet.used(before.styles()).bottom() + 5;
        Change change = FormFilling.answer(came, caret, Map.of(SheetAnswers.cell(sheet.name(), row.index(), given.column()), "99",
                SheetAnswers.cell(sheet.name(), free, 1), "=1+2", SheetAnswers.column(sheet.name(), 1), "123.5", SheetAnswers.row(sheet.name(), free), "40",
                SheetAnswers.column(sheet.name(), 2), SheetAnswers.HIDDEN, SheetAnswers.breaks(sheet.name(), true), SheetAnswers.breaks(List.of(3, 5))));
        Document now = change.after();
        CorrectedSheets corrected = CorrectedSheets.of(before, came, now).orElseThrow();
        assertThat(corrected.cells()).isEqualTo(2);
        try (XSSFWorkbook read = new XSSFWorkbook(new ByteArrayInputStream(SheetFormat.XLSX.write(corrected.workbook(), Instant.EPOCH).bytes()))) {
            XSSFSheet found = read.getSheet(sheet.name());
            assertThat(found.getRow(row.index()).getCell(given.column()).getNumericCellValue()).isEqualTo(99);
            double old = ((CellValue.Number) asked.value()).value();
            assertThat(found.getRow(row.index()).getCell(asked.column()).getNumericCellValue()).isNotEqualTo(old);
            assertThat(found.getRow(free).getCell(1).getCellFormula()).isEqualTo("1+2");
            assertThat(found.getRow(free).getCell(1).getNumericCellValue()).isEqualTo(3);
            assertThat(found.getRow(free).getHeightInPoints()).isEqualTo(40);
            assertThat(found.isColumnHidden(2)).isTrue();
            assertThat(found.isColumnHidden(1)).isFalse();
            // POI tells the row before the break.
            assertThat(found.getRowBreaks()).containsExactly(2, 4);
        }
        assertThat(change.transaction().inverse(came).apply(now).document().answers()).isEqualTo(came.answers());
    }

    /** Looks go into the file as POI reads them; what holds nothing can be dressed, and what was typed stays. */
    @Test void cellsLookAsIsWished() throws IOException {
        Workbook before = FaresWorkbook.workbook();
        Document came = SheetText.of(before, SheetChoice.AS_SET_UP);
        Document now = came;
        for (String[] one : new String[][] {{"Fares!B4 bold", "true"}, {"Fares!B4 fill", "F6EAD2"}, {"Fares!B4", "7.5"}, {"Fares!B5 format", "0.0"},
                {"Fares!C5 across", "CENTRE"}, {"Fares!C5 colour", "B00020"}, {"Fares!H30 italic", "true"}, {"Fares!B6 fill", "pale"},
                {"Fares!B6 across", "AROUND"}, {"Fares!B6 shine", "much"}}) now = now.answering(one[0], one[1]);
        Workbook made = CorrectedSheets.of(before, came, now).orElseThrow().workbook();
        assertThat(made.style(made.sheets().get(0).cell(5, 1))).as("what is none changes nothing").isEqualTo(before.style(before.sheets().get(0).cell(5, 1)));
        try (XSSFWorkbook read = new XSSFWorkbook(new ByteArrayInputStream(SheetFormat.XLSX.write(made, Instant.EPOCH).bytes()))) {
            XSSFSheet fares = read.getSheet("Fares");
            XSSFCell price = fares.getRow(3).getCell(1);
            assertThat(price.getNumericCellValue()).isEqualTo(7.5);
            assertThat(price.getCellStyle().getFont().getBold()).isTrue();
            assertThat(price.getCellStyle().getFillForegroundColorColor().getARGBHex()).isEqualTo("FFF6EAD2");
            assertThat(fares.getRow(4).getCell(1).getCellStyle().getDataFormatString()).isEqualTo("0.0");
            XSSFCell centred = fares.getRow(4).getCell(2);
            assertThat(centred.getCellStyle().getAlignment()).isEqualTo(HorizontalAlignment.CENTER);
            assertThat(centred.getCellStyle().getFont().getXSSFColor().getARGBHex()).isEqualTo("FFB00020");
            assertThat(centred.getCellFormula()).isEqualTo("B5*1.25");
            assertThat(fares.getRow(29).getCell(7).getCellStyle().getFont().getItalic()).isTrue();
        }
    }

    /** Sizes, lines and text in several lines, in three formats, each read by its own reader; what is no size and no side changes nothing. */
    @Test void linesSizesAndSeveralLinesGoIntoEveryFormat() throws IOException {
        Workbook before = FaresWorkbook.workbook();
        Document came = SheetText.of(before, SheetChoice.AS_SET_UP);
        Document now = came;
        for (String[] one : new String[][] {{"Fares!B4 lines", "tblr"}, {"Fares!B5 lines", "b"}, {"Fares!C5 size", "16.5"}, {"Fares!C5 wrap", "true"},
                {"Fares!H30 lines", "tl"}, {"Fares!B6 lines", "rt"}, {"Fares!B6 size", "4000"}}) now = now.answering(one[0], one[1]);
        Workbook made = CorrectedSheets.of(before, came, now).orElseThrow().workbook();
        assertThat(made.style(made.sheets().get(0).cell(5, 1))).isEqualTo(before.style(before.sheets().get(0).cell(5, 1)));
        for (SheetFormat format : List.of(SheetFormat.XLSX, SheetFormat.XLS, SheetFormat.ODS)) {
            Workbook read = format.workbook(new Content(format.write(made, Instant.EPOCH).bytes(), "fares"), null, Progress.SILENT).workbook();
            Sheet fares = read.sheets().get(0);
            assertThat(sides(read, fares, 3, 1)).as("%s", format).isEqualTo("tblr");
            assertThat(sides(read, fares, 4, 1)).as("%s", format).endsWith("b");
            assertThat(sides(read, fares, 29, 7)).as("%s", format).isEqualTo("tl");
            assertThat(read.style(fares.cell(4, 2)).font().get(TextProperty.SIZE, 0.0)).as("%s", format).isCloseTo(16.5, within(0.01));
            assertThat(read.style(fares.cell(4, 2)).wraps()).as("%s", format).isTrue();
        }
        Workbook bare = CorrectedSheets.of(before, came, now.answering("Fares!B4 lines", "")).orElseThrow().workbook();
        assertThat(sides(bare, bare.sheets().get(0), 3, 1)).isEmpty();
    }

    /** Formulas that ask themselves, or what the library lacks, come to nothing it makes up: rules that ask them are worked out, files can be read. */
    @Test void formulasInACircleKeepWhatTheyShowed() throws IOException {
        Workbook before = FaresWorkbook.workbook();
        Document came = SheetText.of(before, SheetChoice.AS_SET_UP);
        Document now = came;
        for (String[] one : new String[][] {{"Fares!B4", "=B5+1"}, {"Fares!B5", "=B4+1"}, {"Fares!H30", "=H30"}, {"Fares!H31", "=H30:H32"},
                {"Fares!H32", "=1/0"}}) now = now.answering(one[0], one[1]);
        Workbook made = CorrectedSheets.of(before, came, now).orElseThrow().workbook();
        Sheet fares = made.sheets().get(0);
        assertThat(fares.cell(3, 1).formula()).isEqualTo("B5+1");
        assertThat(fares.cell(31, 7).value()).isEqualTo(new CellValue.Failure("#DIV/0!"));
        assertThat(fares.rows()).flatExtracting(Row::cells).extracting(cell -> ((Cell) cell).value()).doesNotContain(new CellValue.Failure("~CIRCULAR~REF~"));
        CellDress red = new CellDress(CellDress.NONE.font(), new Colour(0xFF0000), null, null);
        Sheet ruled = fares.with(List.of(new Condition(List.of(new Range(3, 1, 3, 1)), 1, false, new Condition.Formula("ISERROR(H32)", red))));
        Workbook asked = made.withSheets(List.of(ruled));
        assertThat(Conditions.of(asked, ruled).of(3, ruled.cell(3, 1)).dress().fill()).isEqualTo(new Colour(0xFF0000));
        try (HSSFWorkbook read = new HSSFWorkbook(new ByteArrayInputStream(SheetFormat.XLS.write(made, Instant.EPOCH).bytes()))) {
            assertThat(read.getSheet("Fares").getRow(31).getCell(7).getErrorCellValue()).isEqualTo(FormulaError.DIV0.getCode());
        }
    }

    /** Programs tell failures of their own, such as {@code Err:522}: in a format that has none of them, they are words. */
    @Test void failuresOfOtherProgramsAreWords() throws IOException {
        Workbook fares = FaresWorkbook.workbook();
        Sheet sheet = fares.sheets().get(0);
        Workbook failed = fares.withSheets(List.of(sheet.withRows(sheet.rows().stream().map(row -> row.with(row.cells().stream()
                .map(cell -> cell.formula() == null ? cell : cell.with(new CellValue.Failure("Err:522"))).toList())).toList())));
        Workbook read = SheetFormat.ODS.workbook(new Content(SheetFormat.ODS.write(failed, Instant.EPOCH).bytes(), "fares"), null, Progress.SILENT)
                .workbook();
        int found = 0;
        try (XSSFWorkbook library = new XSSFWorkbook(new ByteArrayInputStream(SheetFormat.XLSX.write(read, Instant.EPOCH).bytes()))) {
            for (Row row : failed.sheets().get(0).rows()) {
                for (Cell cell : row.cells()) {
                    if (cell.formula() == null) continue;
                    XSSFCell there = library.getSheetAt(0).getRow(row.index()).getCell(cell.column());
                    assertThat(there.getCachedFormulaResultType()).isEqualTo(CellType.STRING);
                    assertThat(there.getStringCellValue()).isEqualTo("Err:522");
                    found++;
                }
            }
        }
        assertThat(found).isPositive();
    }

    private static String sides(Workbook workbook, Sheet sheet, int row, int column) {
        return CellSides.of(workbook.style(sheet.cell(row, column)).borders()).toString();
    }

    @Test void aColumnAmongOthersThatAreAlikeIsSetAlone() {
        Sheet sheet = FaresWorkbook.workbook().sheets().get(0).withColumns(List.of(new Column(0, 9, 50, false, 1, 0)));
        Workbook workbook = FaresWorkbook.workbook().withSheets(List.of(sheet));
        TreeMap<String, String> answers = new TreeMap<>(Map.of(SheetAnswers.column(sheet.name(), 4), "80", SheetAnswers.column(sheet.name(), 12), "20"));
        assertThat(SheetAnswers.of(answers).set(workbook).sheets().get(0).columns()).containsExactly(new Column(0, 3, 50, false, 1, 0),
                new Column(4, 4, 80, false, 1, 0), new Column(5, 9, 50, false, 1, 0), new Column(12, 12, 20, false, 0, 0));
    }

    @Test void whatIsNoAnswerChangesNothing() {
        Workbook came = FaresWorkbook.workbook();
        String name = came.sheets().get(0).name();
        assertThat(answered(name + "!B:B", "wide", name + "!4:4", "-3", name + "!Q", "1", "Nowhere!B:B", "30", "field", "yes", name + "!area", "")).isEqualTo(
                came.withSheets(came.sheets().stream().map(sheet -> sheet.name().equals(name) ? sheet.withSetup(sheet.setup().withAreas(List.of())) : sheet)
                        .toList()));
    }

    /** Every place is in the column that begins at or before it and ends behind it; a part of the sheet is as large as its cells. */
    @Test void placesAndCellsAgree() {
        Workbook workbook = answered(FaresWorkbook.workbook().sheets().get(0).name() + "!C:C", "hidden");
        SheetSurface surface = new SheetSurface(workbook, 0, FontCatalogue.ofThisMachine());
        Random random = new Random(5);
        for (int i = 0; i < 500; i++) {
            double x = random.nextDouble() * surface.width();
            double y = random.nextDouble() * surface.height();
            int column = surface.columnAt(x);
            int row = surface.rowAt(y);
            assertThat(x).isBetween(surface.left(column), surface.left(column + 1));
            assertThat(y).isBetween(surface.top(row), surface.top(row + 1));
        }
        assertThat(surface.left(3)).as("what is hidden takes no room").isEqualTo(surface.left(2));
        for (int column = 0; column < surface.columns(); column++) if (column != 2) assertThat(surface.columnAt(surface.left(column))).isEqualTo(column);
        Page part = surface.part(2, 1, 6, 4);
        assertThat(part.width()).isCloseTo(surface.left(5) - surface.left(1), within(1e-9));
        assertThat(part.height()).isCloseTo(surface.top(7) - surface.top(2), within(1e-9));
        assertThat(part.text()).anyMatch(item -> item instanceof Item.LineItem);
    }

    /** The edges that are shown on a sheet are those of the pages that are made of it, also where text runs on beyond what is used, or numbers stand beside. */
    @Test void edgesAreThoseOfThePages() {
        Workbook fares = FaresWorkbook.workbook();
        List<Sheet> sheets = new ArrayList<>(fares.sheets());
        List<Row> rows = new ArrayList<>();
        CellValue text = new CellValue.Text("From the pier to the lighthouse and back. ".repeat(9));
        for (int r = 0; r < 200; r++) rows.add(new Row(r, Double.NaN, false, List.of(new Cell(0, text, 0))));
        PageSetup lettered = new PageSetup(PageSetup.PLAIN.page(), 1, 1, 1, false, false, false, false, false, true, List.of(), null, null, List.of(40),
                List.of(), null, null);
        sheets.add(new Sheet("Long", false, 48, 15, List.of(), rows, List.of(), lettered));
        Workbook workbook = fares.withSheets(sheets);
        for (int i = 0; i < workbook.sheets().size(); i++) {
            SheetChoice choice = new SheetChoice(List.of(workbook.sheets().get(i).name()), List.of(), false, SheetChoice.Fit.AS_SET_UP);
            int pages = new SheetSurface(workbook, i, FontCatalogue.ofThisMachine()).edges().stream().mapToInt(SheetSurface.Edges::pages).sum();
            Pages made = SheetLayout.of(workbook, choice, FontCatalogue.ofThisMachine(), Progress.SILENT);
            assertThat(made.pages()).as(workbook.sheets().get(i).name()).hasSize(pages);
        }
    }
}
