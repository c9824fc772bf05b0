package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.font.FontCatalogue;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.lock.Protection.Permission;
import app.decant.pdf.lock.Protection.Strength;
import app.decant.publish.Recipe.Passwords;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.Workbook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import org.apache.poi.ss.usermodel.WorkbookFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Workbooks published as workbooks: every value read back, what would be lost refused with its cell; read again by POI. */
class SheetFileTest {
    private static final CellValue TWO = new CellValue.Number(2);

    @TempDir private Path folder;

    private static Workbook workbook(CellValue... values) {
        List<Cell> cells = new ArrayList<>();
        for (int i = 0; i < values.length; i++) cells.add(new Cell(i + 1, values[i], 0));
        return new Workbook(List.of(sheet("Fares", List.of(new Row(2, 15, false, cells)))), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
    }

    private static Workbook timed(CellValue value) {
        return new Workbook(workbook(value).sheets(), List.of(CellStyle.PLAIN.showing("d mmm yyyy h:mm")), Map.of(), Facts.NONE, false);
    }

    private static Sheet sheet(String name, List<Row> rows) { return new Sheet(name, false, 48, 15, List.of(), rows, List.of(), PageSetup.PLAIN); }

    private static Order order(Workbook workbook, Recipe recipe) {
        return new Order(SheetLayout.of(workbook, SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT), recipe);
    }

    private static Recipe to(String ending) { return Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).as(Target.of(ending)); }

    @ParameterizedTest @ValueSource(strings = {"xlsx", "xls", "ods", "csv"})
    void everyValueIsReadBack(String ending) {
        Workbook workbook = workbook(new CellValue.Number(4.8), new CellValue.Text("Adult, \"single\"\nwith two lines"), new CellValue.Truth(true), TWO,
                new CellValue.Number(-12345678.25));
        Receipt receipt = Decant.publish(order(workbook, to(ending)), folder.resolve("fares." + ending), Progress.SILENT).get(0);
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence, PdfCheck.Proof::holds).hasSize(1);
        assertThat(receipt.proven()).isTrue();
        assertThat(receipt.pages()).isZero();
        Sheet again = Decant.workbook(receipt.file(), null, Progress.SILENT).workbook().sheets().get(0);
        assertThat(again.row(2).cell(1).value()).isEqualTo(new CellValue.Number(4.8));
        assertThat(again.row(2).cell(5).value()).isEqualTo(new CellValue.Number(-12345678.25));
        assertThat(((CellValue.Text) again.row(2).cell(2).value()).text().replace("\r", "")).isEqualTo("Adult, \"single\"\nwith two lines");
    }

    @Test void onlyTheSheetsThatAreWishedAndTheFactsThatAreSaid() throws IOException {
        Workbook two = new Workbook(List.of(sheet("Fares", List.of(new Row(0, 15, false, List.of(new Cell(0, TWO, 0))))),
                sheet("Times", List.of(new Row(0, 15, false, List.of(new Cell(0, new CellValue.Text("06:10"), 0)))))), List.of(CellStyle.PLAIN), Map.of(),
                new Facts("Winter fares", null, "Mara Olden", null, null, null, null, Map.of()), false);
        Recipe recipe = to("xlsx").with(new SheetChoice(List.of("Times"), List.of(), false, SheetChoice.AS_SET_UP.fit())).with(FactsRule.STRIP);
        Path file = Decant.publish(order(two, recipe), folder.resolve("times.xlsx"), Progress.SILENT).get(0).file();
        try (org.apache.poi.ss.usermodel.Workbook poi = WorkbookFactory.create(file.toFile(), null, true)) {
            assertThat(poi.getNumberOfSheets()).isEqualTo(1);
            assertThat(poi.getSheetName(0)).isEqualTo("Times");
        }
        Facts facts = Decant.workbook(file, null, Progress.SILENT).workbook().facts();
        assertThat(facts.title()).isNull();
        assertThat(facts.author()).isNull();
    }

    /** A value that is another, or not there, is found by its cell. */
    @Test void whatIsNotTheSameIsFoundByItsCell() {
        Workbook one = workbook(new CellValue.Number(4.8), new CellValue.Text("Adult"));
        assertThat(SheetFile.lost(one, one)).isNull();
        assertThat(SheetFile.lost(one, workbook(new CellValue.Number(4.9), new CellValue.Text("Adult")))).isEqualTo("Fares!B3");
        assertThat(SheetFile.lost(one, workbook(new CellValue.Number(4.8), new CellValue.Text("Child")))).isEqualTo("Fares!C3");
        assertThat(SheetFile.lost(one, workbook(new CellValue.Number(4.8)))).isEqualTo("Fares!C3");
        assertThat(SheetFile.lost(one, workbook())).isEqualTo("Fares!B3");
        assertThat(SheetFile.lost(one, one.withSheets(List.of(sheet("Fares", List.of()))))).isEqualTo("Fares!B3");
        assertThat(SheetFile.lost(one, one.withSheets(List.of()))).isNotNull();
        // What holds nothing may be left out.
        assertThat(SheetFile.lost(workbook(CellValue.EMPTY, new CellValue.Text("")), workbook())).isNull();
    }

    @Test void whatReadersSayOtherwiseIsTheSameWhereItMeansTheSame() {
        assertThat(SheetFile.lost(workbook(new CellValue.Number(1e12)), workbook(new CellValue.Number(1e12 + 1)))).isNotNull();
        assertThat(SheetFile.lost(workbook(new CellValue.Number(0.1 + 0.2)), workbook(new CellValue.Number(0.3)))).isNull();
        assertThat(SheetFile.lost(workbook(new CellValue.Number(0.000005)), workbook(new CellValue.Number(0)))).as("small, but not nothing").isNotNull();
        // A time is told to the second; a number is not.
        CellValue noon = new CellValue.Number(45_000.5);
        CellValue soon = new CellValue.Number(45_000.5 + 0.4 / 86_400);
        assertThat(SheetFile.lost(workbook(noon), workbook(soon))).isNotNull();
        assertThat(SheetFile.lost(timed(noon), timed(soon))).isNull();
        assertThat(SheetFile.lost(timed(noon), timed(new CellValue.Number(45_000.5 + 90.0 / 86_400)))).isNotNull();
        assertThat(SheetFile.lost(workbook(new CellValue.Text("a\r\nb\u0007")), workbook(new CellValue.Text("a\nb")))).isNull();
        assertThat(SheetFile.lost(workbook(new CellValue.Text("1,250.5")), workbook(new CellValue.Number(1250.5)))).isNull();
        assertThat(SheetFile.lost(workbook(new CellValue.Text("1,250.5")), workbook(new CellValue.Number(1250)))).isNotNull();
        assertThat(SheetFile.lost(workbook(new CellValue.Text("12 May")), workbook(new CellValue.Number(12)))).isNotNull();
        CellValue failure = new CellValue.Failure("#DIV/0!");
        assertThat(SheetFile.lost(workbook(failure), workbook(failure))).isNull();
        assertThat(SheetFile.lost(workbook(failure), workbook(new CellValue.Text("#DIV/0!")))).isNull();
        assertThat(SheetFile.lost(workbook(failure), workbook(new CellValue.Text("#REF!")))).isNotNull();
        assertThat(SheetFile.lost(workbook(failure), workbook(new CellValue.Failure("#REF!")))).isNotNull();
        assertThat(SheetFile.lost(workbook(new CellValue.Truth(true)), workbook(new CellValue.Truth(false)))).isNotNull();
        assertThat(SheetFile.lost(workbook(new CellValue.Truth(true)), workbook(new CellValue.Truth(true)))).isNull();
    }

    /** [MS-OFFCRYPTO], 2.3.4.10, and ISO/IEC 26300-3, 3.4: opened by the password alone, by POI too; every value is there. */
    @ParameterizedTest @ValueSource(strings = {"xlsx", "ods"})
    void aWorkbookIsLockedByAPassword(String ending) throws IOException {
        Recipe locked = to(ending).with(new Recipe.Locking(Strength.AES_256, EnumSet.allOf(Permission.class)));
        Order order = new Order(order(workbook(TWO), locked).pages(), locked, new Passwords("Hälf tide", ""), null);
        Receipt receipt = Decant.publish(order, folder.resolve("pay." + ending), Progress.SILENT).get(0);
        assertThat(Decant.workbook(receipt.file(), "Hälf tide", Progress.SILENT).workbook().sheets().get(0).cell(2, 1).value()).isEqualTo(TWO);
        for (String wrong : new String[] {null, "", "half tide"})
            assertThatThrownBy(() -> Decant.workbook(receipt.file(), wrong, Progress.SILENT)).isInstanceOfSatisfying(DecantException.class,
                    told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.NEEDS_PASSWORD));
        if (ending.equals("xlsx")) try (org.apache.poi.ss.usermodel.Workbook poi = WorkbookFactory.create(receipt.file().toFile(), "Hälf tide")) {
            assertThat(poi.getSheet("Fares").getRow(2).getCell(1).getNumericCellValue()).isEqualTo(2);
        }
    }

    @Test void aLockIsRefusedAndNothingReplaced() throws IOException {
        Path file = Files.writeString(folder.resolve("fares.xls"), "before");
        Recipe locked = to("xls").with(new Recipe.Locking(Strength.AES_256, EnumSet.allOf(Permission.class)));
        Order order = new Order(order(workbook(TWO), locked).pages(), locked, new Passwords("secret", ""), null);
        assertThatThrownBy(() -> Decant.publish(order, file, Progress.SILENT)).isInstanceOfSatisfying(DecantException.class,
                told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.WRONG_CALL));
        assertThat(file).hasContent("before");
    }

    @Test void aTextBecomesTheTablesItHolds() {
        Table table = new Table(Look.PLAIN, List.of(100.0, 100.0), List.of(row("Adult", "4.80"), row("Child", "2.40")));
        Document document = Document.empty();
        document = document.withSections(List.of(document.sections().get(0).withBlocks(List.of(Paragraph.of("Fares"), table))));
        Receipt receipt = Decant.publish(new Order(Decant.layOut(document), to("xlsx")), folder.resolve("tables.xlsx"), Progress.SILENT).get(0);
        Sheet sheet = Decant.workbook(receipt.file(), null, Progress.SILENT).workbook().sheets().get(0);
        assertThat(sheet.cell(0, 0).value()).isEqualTo(new CellValue.Text("Adult"));
        assertThat(sheet.cell(1, 1).value()).isEqualTo(new CellValue.Number(2.4));
        assertThat(Publisher.losses(new Order(Decant.layOut(document), to("csv")))).extracting(Finding::weight).isNotEmpty();
    }

    private static Table.Row row(String... texts) {
        List<Table.Cell> cells = new ArrayList<>();
        for (int i = 0; i < texts.length; i++) cells.add(new Table.Cell(i, 1, 1, Look.PLAIN, List.of(Paragraph.of(texts[i]))));
        return new Table.Row(Look.PLAIN, cells);
    }

    @Test void sheetsAsTextTellWhatDoesNotComeAlong() {
        Order text = order(workbook(TWO, new CellValue.Text("Adult")), to("txt"));
        assertThat(Publisher.losses(text)).isEqualTo(Publisher.losses(text));
        Receipt receipt = Decant.publish(text, folder.resolve("fares.txt"), Progress.SILENT).get(0);
        assertThat(receipt.file()).content().contains("Adult");
        assertThat(Publisher.losses(order(workbook(TWO), Recipe.PLAIN))).isEqualTo(order(workbook(TWO), Recipe.PLAIN).pages().findings());
    }
}
