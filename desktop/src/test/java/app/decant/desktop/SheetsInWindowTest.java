package app.decant.desktop;

import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.demo.FaresWorkbook;
import app.decant.desktop.command.Command;
import app.decant.desktop.part.Words;
import app.decant.desktop.sheet.SheetTable;
import app.decant.desktop.station.Station;
import app.decant.document.Colour;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.format.sheet.SheetFormat;
import app.decant.publish.Receipt;
import app.decant.sheet.Cell;
import app.decant.sheet.CellSides;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetMatter;
import app.decant.sheet.SheetView;
import app.decant.sheet.Workbook;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.concurrent.TimeoutException;
import javafx.geometry.Point2D;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** Workbooks revised on their sheets, with pointer and keys: what is published of them is read by PDFBox and as a workbook again. */
class SheetsInWindowTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;
    private SheetTable table;

    @BeforeEach void open() throws Exception {
        window = SHARED.window();
        table = window.sheets().table();
        WaitForAsyncUtils.asyncFx(() -> window.sheets().asTables(false)).get();
        open(FaresWorkbook.workbook(), "Fares.xlsx");
    }

    private Path open(Workbook workbook, String name) throws Exception {
        Path file = SHARED.own().resolve(System.nanoTime() + " " + name);
        Files.write(file, SheetFormat.XLSX.write(workbook, Instant.EPOCH).bytes());
        WaitForAsyncUtils.asyncFx(() -> {
            window.desk().discard();
            window.desk().open(file, null);
        });
        until(() -> window.desk().source().get() != null && window.desk().source().get().file().equals(file) && window.desk().job().get() == null);
        until(() -> window.station() == Station.REVISE && table.getScene() != null && table.workbook() != null
                && table.workbook().sheets().size() == workbook.sheets().size());
        WaitForAsyncUtils.waitForFxEvents();
        until(() -> text("#sheet-place").endsWith("A1"));
        return file;
    }

    private String text(String id) {
        return window.stage().getScene().lookup(id) instanceof Label label ? label.getText() : "";
    }

    private void click(FxRobot robot, int row, int column) {
        Point2D at = table.middle(row, column);
        robot.clickOn(at.getX(), at.getY());
        WaitForAsyncUtils.waitForFxEvents();
    }

    private Sheet sheet() { return table.surface().get().sheet(); }

    private double number(int row, int column) {
        Cell cell = sheet().cell(row, column);
        return cell != null && cell.value() instanceof CellValue.Number number ? number.value() : Double.NaN;
    }

    private void shows(int row, int column, double wanted) throws TimeoutException { until(() -> Math.abs(number(row, column) - wanted) < 1e-9); }

    private void keys(FxRobot robot, KeyCode... codes) {
        robot.press(codes[0]).type(codes[1]).release(codes[0]);
        WaitForAsyncUtils.waitForFxEvents();
    }

    private Receipt published(FxRobot robot) throws TimeoutException {
        Receipt before = window.desk().publishing().receipt().get();
        keys(robot, KeyCode.CONTROL, KeyCode.ENTER);
        until(() -> window.desk().publishing().receipt().get() != before && window.desk().job().get() == null);
        return window.desk().publishing().receipt().get();
    }

    /** What was found out of values between separators is shown where they came in; another choice reads them once more. */
    @Test void valuesBetweenSeparatorsArePartedAnew(FxRobot robot) throws Exception {
        Path file = Files.writeString(SHARED.own().resolve(System.nanoTime() + " stops.csv"), "Pier;Fare, single\nNorth;1,5\nSouth;2,5\n");
        WaitForAsyncUtils.asyncFx(() -> {
            window.desk().discard();
            window.desk().open(file, null);
        });
        until(() -> window.desk().source().get().file().equals(file) && window.desk().job().get() == null && table.workbook() != null
                && table.workbook().sheets().size() == 1);
        shows(1, 1, 1.5);
        WaitForAsyncUtils.asyncFx(() -> window.go(Station.TAKE_IN)).get();
        Waiting.settle(window);
        ComboBox<Character> parted = robot.lookup("#separated #parted").query();
        assertThat(parted.getValue()).isEqualTo(';');
        WaitForAsyncUtils.asyncFx(() -> parted.setValue(',')).get();
        until(() -> window.desk().job().get() == null && ((CellValue.Text) sheet().cell(1, 0).value()).text().equals("North;1"));
        WaitForAsyncUtils.asyncFx(() -> window.go(Station.TAKE_IN)).get();
        assertThat(robot.lookup("#separated #parted").<ComboBox<Character>>query().getValue()).isEqualTo(',');
    }

    @Test void aFareIsTypedOnItsSheetAndAllThatDependsOnItFollows(FxRobot robot) throws Exception {
        click(robot, 3, 1);
        assertThat(text("#sheet-place")).isEqualTo("Fares, B4");
        robot.write("5.20");
        robot.type(KeyCode.ENTER);
        shows(3, 1, 5.2);
        shows(3, 2, 6.5);
        assertThat(text("#sheet-place")).isEqualTo("Fares, B5");
        click(robot, 3, 2);
        assertThat(robot.lookup("#sheet-typed").<TextField>query().getText()).isEqualTo("=B4*1.25");
        // Far from all that was there, by keys alone; a formula.
        keys(robot, KeyCode.CONTROL, KeyCode.END);
        robot.type(KeyCode.DOWN, KeyCode.DOWN);
        robot.write("=B4+1");
        robot.type(KeyCode.TAB);
        String there = text("#sheet-place");
        until(() -> sheet().rows().stream().anyMatch(row -> row.cells().stream().anyMatch(cell -> "B4+1".equals(cell.formula()))));
        assertThat(there).startsWith("Fares, ");
        keys(robot, KeyCode.CONTROL, KeyCode.Z);
        until(() -> sheet().rows().stream().noneMatch(row -> row.cells().stream().anyMatch(cell -> "B4+1".equals(cell.formula()))));
        shows(3, 1, 5.2);
        Receipt receipt = published(robot);
        assertThat(receipt.proven()).isTrue();
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("Adult, single 5.20 6.50 2.60");
        }
        assertThat(Decant.workbook(window.desk().source().get().file(), null, Progress.SILENT).workbook().sheet("Fares").cell(3, 1).value())
                .as("the original").isEqualTo(new CellValue.Number(4.8));
    }

    /** What its maker locked is written on only once the lock is open, which asks for its password; it stays on what is saved. */
    @Test void aLockedSheetIsWrittenOnWithItsPassword(FxRobot robot) throws Exception {
        Workbook fares = FaresWorkbook.workbook();
        String digest = Base64.getEncoder().encodeToString(MessageDigest.getInstance("SHA-256").digest("gull".getBytes(StandardCharsets.UTF_16LE)));
        SheetLock lock = new SheetLock(new SheetLock.Key("SHA-256", digest, "", 0), 0, SheetLock.USUAL);
        List<Sheet> sheets = new ArrayList<>(fares.sheets());
        SheetMatter matter = sheets.get(0).matter();
        sheets.set(0, sheets.get(0).with(new SheetMatter(matter.view(), matter.notes(), matter.checks(), matter.filter(), lock, matter.tables())));
        open(fares.withSheets(sheets), "Locked fares.xlsx");
        assertThat(text("#sheet-lock")).isEqualTo(Words.of("sheet.lock.password"));
        click(robot, 3, 1);
        robot.write("5.20").type(KeyCode.ENTER);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.desk().trouble().get().getMessage()).contains("Nothing was changed", "Fares", "B4");
        assertThat(number(3, 1)).isEqualTo(4.8);
        WaitForAsyncUtils.asyncFx(() -> window.desk().trouble().set(null)).get();
        click(robot, 3, 1);
        robot.type(KeyCode.DELETE);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.desk().trouble().get()).as("nor is it emptied").isNotNull();
        WaitForAsyncUtils.asyncFx(() -> window.desk().trouble().set(null)).get();
        robot.clickOn("#sheet-lock-password").write("tern").clickOn("#sheet-lock-open");
        assertThat(text("#sheet-lock")).as("a wrong one").isEqualTo(Words.of("sheet.lock.password"));
        robot.clickOn("#sheet-lock-password").eraseText(4).write("gull").type(KeyCode.ENTER);
        until(() -> text("#sheet-lock").equals(Words.of("sheet.lock.is.open")));
        click(robot, 3, 1);
        robot.write("5.20").type(KeyCode.ENTER);
        shows(3, 1, 5.2);
        assertThat(sheet().matter().lock()).isNotNull();
    }

    @Test void aWideSheetIsMadeOnePageWideWhereItIsSeen(FxRobot robot) throws Exception {
        robot.clickOn(robot.lookup("#sheet-strip .sheet-row").<Button>queryAll().stream().filter(row -> row.getAccessibleText().startsWith("Timetable"))
                .findFirst().orElseThrow());
        until(() -> sheet().name().equals("Timetable"));
        assertThat(text("#sheet-pages")).isEqualTo("3 pages across, 1 down");
        assertThat(text("#line-about")).as("the pages of its tables are nobody's").contains("3 sheets").doesNotContain("page");
        robot.clickOn("#sheet-one-wide");
        until(() -> table.surface().get().edges().get(0).pages() == 1);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(text("#sheet-pages")).startsWith("1 page, at ");
        // A break that somebody sets is kept by the file.
        click(robot, 5, 0);
        robot.clickOn("#sheet-break-row");
        until(() -> sheet().setup().rowBreaks().equals(List.of(5)));
        assertThat(published(robot).pages()).isEqualTo(4);
    }

    /** All that the slip does with cells is asked for by words as well, and the keys lead out of the cells and back. */
    @Test void whatIsPickedIsWorkedOnByKeysAlone(FxRobot robot) throws Exception {
        click(robot, 3, 1);
        keys(robot, KeyCode.CONTROL, KeyCode.K);
        robot.write("Hide these columns").type(KeyCode.ENTER);
        until(() -> table.surface().get().left(2) == table.surface().get().left(1));
        assertThat(window.commands().applying()).extracting(Command::key).contains("sheet.show.columns").doesNotContain("sheet.only");
        WaitForAsyncUtils.asyncFx(() -> window.commands().named("sheet.show.columns").run()).get();
        until(() -> table.surface().get().left(2) > table.surface().get().left(1));
        WaitForAsyncUtils.asyncFx(() -> table.requestFocus()).get();
        robot.type(KeyCode.F6);
        TextField typed = robot.lookup("#sheet-typed").query();
        until(typed::isFocused);
        robot.write("9").type(KeyCode.ESCAPE);
        until(table::isFocused);
        assertThat(typed.getText()).as("left as it was").doesNotContain("9");
    }

    /** A page begins where its edge is dragged to; one that is full begins no later; back at the next is as it was. */
    @Test void theEdgeOfAPageIsDraggedToAnotherColumn(FxRobot robot) throws Exception {
        robot.clickOn(robot.lookup("#sheet-strip .sheet-row").<Button>queryAll().stream().filter(row -> row.getAccessibleText().startsWith("Timetable"))
                .findFirst().orElseThrow());
        until(() -> sheet().name().equals("Timetable") && text("#sheet-pages").startsWith("3 pages"));
        int second = table.surface().get().edges().get(0).columns()[1];
        dragEdge(robot, second, second + 1);
        assertThat(sheet().setup().columnBreaks()).as("a page is full there").isEmpty();
        dragEdge(robot, second, second - 2);
        until(() -> sheet().setup().columnBreaks().equals(List.of(second - 2)));
        until(() -> table.surface().get().edges().get(0).columns()[1] == second - 2);
        // What was set goes either way, as far as a page has room.
        dragEdge(robot, second - 2, second - 1);
        until(() -> sheet().setup().columnBreaks().equals(List.of(second - 1)));
        until(() -> table.surface().get().edges().get(0).columns()[1] == second - 1);
        keys(robot, KeyCode.CONTROL, KeyCode.Z);
        until(() -> sheet().setup().columnBreaks().equals(List.of(second - 2)));
        assertThat(published(robot).proven()).isTrue();
    }

    private void dragEdge(FxRobot robot, int from, int to) {
        Point2D begin = WaitForAsyncUtils.waitForAsyncFx(5000, () -> table.corner(4, from));
        Point2D end = WaitForAsyncUtils.waitForAsyncFx(5000, () -> table.corner(4, to));
        robot.moveTo(begin.add(0, 6)).press(MouseButton.PRIMARY).moveTo(end.add(begin.getX() < end.getX() ? -9 : 9, 6)).moveTo(end.add(1, 6))
                .release(MouseButton.PRIMARY);
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test void columnsAreDrawnWiderHiddenAndShownAgain(FxRobot robot) throws Exception {
        double before = table.surface().get().left(2) - table.surface().get().left(1);
        Point2D cell = table.middle(0, 1);
        Point2D head = table.localToScreen(0, 12);
        double edge = cell.getX() + before * 96 / 72 / 2;
        robot.moveTo(edge, head.getY()).press(MouseButton.PRIMARY).moveBy(20, 0).moveBy(20, 0).release(MouseButton.PRIMARY);
        until(() -> table.surface().get().left(2) - table.surface().get().left(1) > before + 20);
        assertThat(table.surface().get().left(2) - table.surface().get().left(1)).isCloseTo(before + 30, within(2.0));
        keys(robot, KeyCode.CONTROL, KeyCode.Z);
        until(() -> Math.abs(table.surface().get().left(2) - table.surface().get().left(1) - before) < 0.01);
        click(robot, 3, 1);
        robot.clickOn("#sheet-hide-columns");
        until(() -> table.surface().get().left(2) == table.surface().get().left(1));
        click(robot, 3, 2);
        robot.clickOn("#sheet-show-columns");
        until(() -> table.surface().get().left(2) > table.surface().get().left(1));
    }

    @Test void cellsAreCopiedPastedEmptiedAndSummed(FxRobot robot) throws Exception {
        click(robot, 3, 1);
        robot.press(KeyCode.SHIFT).type(KeyCode.DOWN, KeyCode.DOWN).release(KeyCode.SHIFT);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(text("#sheet-place")).isEqualTo("Fares, B4:B6");
        assertThat(text("#sheet-shows")).isEqualTo("3 filled cells · sum 15.80 · mean 5.27");
        keys(robot, KeyCode.CONTROL, KeyCode.C);
        assertThat(WaitForAsyncUtils.asyncFx(() -> Clipboard.getSystemClipboard().getString()).get()).isEqualTo("4.80\n8.60\n2.40");
        click(robot, 19, 5);
        keys(robot, KeyCode.CONTROL, KeyCode.V);
        shows(19, 5, 4.8);
        shows(21, 5, 2.4);
        robot.type(KeyCode.DELETE);
        until(() -> sheet().cell(19, 5) == null || sheet().cell(19, 5).isEmpty());
        keys(robot, KeyCode.CONTROL, KeyCode.Z);
        shows(20, 5, 8.6);
        // What is begun and left with Escape is not written.
        robot.write("9");
        robot.type(KeyCode.ESCAPE);
        WaitForAsyncUtils.waitForFxEvents();
        shows(19, 5, 4.8);
    }

    @Test void pickedCellsGetAnotherLookInOneStep(FxRobot robot) throws Exception {
        click(robot, 3, 1);
        String before = style(3, 1).format();
        robot.press(KeyCode.SHIFT).type(KeyCode.DOWN).release(KeyCode.SHIFT);
        robot.clickOn("#sheet-bold");
        until(() -> style(4, 1).font().is(TextProperty.BOLD) && style(3, 1).font().is(TextProperty.BOLD));
        robot.clickOn("#sheet-more");
        robot.clickOn("#sheet-fill-F6EAD2");
        until(() -> new Colour(0xF6EAD2).equals(style(4, 1).fill()));
        String lines = sides(4, 1);
        robot.clickOn("#sheet-lines-around");
        until(() -> sides(3, 1).matches("tb?lr") && sides(4, 1).matches("t?blr"));
        robot.clickOn("#sheet-lines-none");
        until(() -> sides(3, 1).isEmpty() && sides(4, 1).isEmpty());
        assertThat(sides(2, 1)).as("nor along it").doesNotContain("b");
        keys(robot, KeyCode.CONTROL, KeyCode.Z);
        keys(robot, KeyCode.CONTROL, KeyCode.Z);
        until(() -> sides(4, 1).equals(lines));
        robot.clickOn(robot.lookup("#sheet-format .text-field").<TextField>query());
        keys(robot, KeyCode.CONTROL, KeyCode.A);
        robot.write("0.000").type(KeyCode.ENTER);
        until(() -> style(3, 1).format().equals("0.000"));
        assertThat(table.surface().get().shown(3, 1)).isEqualTo("4.800");
        assertThat(style(5, 1).font().is(TextProperty.BOLD)).isFalse();
        click(robot, 4, 1);
        keys(robot, KeyCode.CONTROL, KeyCode.Z);
        keys(robot, KeyCode.CONTROL, KeyCode.Z);
        until(() -> style(3, 1).fill() == null && style(3, 1).font().is(TextProperty.BOLD) && style(3, 1).format().equals(before));
        assertThat(robot.lookup("#sheet-bold").<ToggleButton>query().isSelected()).isTrue();
    }

    private String sides(int row, int column) { return CellSides.of(style(row, column).borders()).toString(); }

    private CellStyle style(int row, int column) { return table.workbook().style(sheet().cell(row, column)); }

    @Test void wordsAreFoundOnAllSheetsAndReplacedOnOne(FxRobot robot) throws Exception {
        keys(robot, KeyCode.CONTROL, KeyCode.F);
        robot.write("Lighthouse");
        robot.type(KeyCode.ENTER);
        until(() -> text("#sheet-place").equals("Timetable, A8"));
        // It is in no other cell: round all sheets, and here again.
        robot.type(KeyCode.ENTER);
        WaitForAsyncUtils.waitForFxEvents();
        until(() -> text("#sheet-place").equals("Timetable, A8"));
        keys(robot, KeyCode.CONTROL, KeyCode.H);
        robot.clickOn("#sheet-replace").write("Lantern");
        robot.clickOn("#sheet-replace-all");
        until(() -> sheet().cell(7, 0).value().equals(new CellValue.Text("Lantern Quay")));
        assertThat(text("#sheet-found")).isEqualTo("1 cell was changed.");
        keys(robot, KeyCode.CONTROL, KeyCode.F);
        robot.write("nowhere at all");
        robot.type(KeyCode.ENTER);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(text("#sheet-found")).isEqualTo("“nowhere at all” is in no cell.");
    }

    /** Rows and columns that stay where they are, while others go by. */
    @Test void frozenRowsStayWhileOthersGoBy(FxRobot robot) throws Exception {
        List<Sheet> sheets = new ArrayList<>(FaresWorkbook.workbook().sheets());
        SheetMatter matter = sheets.get(0).matter();
        sheets.set(0, sheets.get(0).with(new SheetMatter(new SheetView(3, 1, true, false, 1, null), matter.notes(), matter.checks(), matter.filter(),
                matter.lock(), matter.tables())));
        Path file = SHARED.own().resolve(System.nanoTime() + " Frozen.xlsx");
        Files.write(file, SheetFormat.XLSX.write(FaresWorkbook.workbook().withSheets(sheets), Instant.EPOCH).bytes());
        WaitForAsyncUtils.asyncFx(() -> window.desk().open(file, null));
        until(() -> text("#sheet-place").equals("Fares, B4"));
        Point2D frozen = table.middle(1, 0);
        Point2D scrolled = table.middle(40, 2);
        keys(robot, KeyCode.CONTROL, KeyCode.END);
        for (int i = 0; i < 3; i++) robot.type(KeyCode.PAGE_DOWN);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(table.middle(1, 0)).isEqualTo(frozen);
        assertThat(table.middle(40, 2).getY()).isLessThan(scrolled.getY());
        // A press where rows went by meets the row that is seen there.
        click(robot, 50, 2);
        assertThat(text("#sheet-place")).isEqualTo("Fares, C51");
        click(robot, 2, 1);
        assertThat(text("#sheet-place")).isEqualTo("Fares, B3");
    }

    @Test void theSheetsAreTablesOfADocumentForWhomWantsThat(FxRobot robot) throws Exception {
        assertThat(window.commands().applying()).contains(window.commands().named("sheet.tables")).doesNotContain(window.commands().named("sheet.sheets"));
        WaitForAsyncUtils.asyncFx(() -> window.commands().named("sheet.tables").run()).get();
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.table().getScene()).isNotNull();
        assertThat(table.getScene()).isNull();
        assertThat(Words.of("command.sheet.sheets")).isNotBlank();
        WaitForAsyncUtils.asyncFx(() -> window.commands().named("sheet.sheets").run()).get();
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(table.getScene()).isNotNull();
    }
}
