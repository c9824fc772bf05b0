package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Finding;
import app.decant.document.Link;
import app.decant.document.Progress;
import app.decant.format.Archive;
import app.decant.format.Content;
import app.decant.sheet.Cell;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetFilter;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetMatter;
import app.decant.sheet.SheetObject;
import app.decant.sheet.SheetView;
import app.decant.sheet.Workbook;
import app.decant.sheet.WorkbookLock;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.apache.poi.common.usermodel.HyperlinkType;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.poifs.crypt.CryptoFunctions;
import org.apache.poi.ss.usermodel.ClientAnchor;
import org.apache.poi.ss.usermodel.DataValidation;
import org.apache.poi.ss.usermodel.DataValidationConstraint.OperatorType;
import org.apache.poi.ss.usermodel.DataValidationConstraint.ValidationType;
import org.apache.poi.ss.usermodel.Drawing;
import org.apache.poi.ss.usermodel.Picture;
import org.apache.poi.ss.usermodel.Shape;
import org.apache.poi.ss.util.CellAddress;
import org.apache.poi.xssf.usermodel.XSSFRichTextString;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.apache.xmlbeans.XmlError;
import org.apache.xmlbeans.XmlObject;
import org.apache.xmlbeans.XmlOptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.openxmlformats.schemas.drawingml.x2006.spreadsheetDrawing.WsDrDocument;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.CommentsDocument;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.StyleSheetDocument;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.WorksheetDocument;

/**
 * What belongs to sheets beside their values, in each kind of workbook: written and read again, and read by POI's own models of both generations; the parts
 * held to the schemas of ISO/IEC 29500, the .ods to the ODF Toolkit's validator.
 */
class SheetMatterTest {
    private static final Instant WHEN = Instant.parse("2026-11-28T08:00:00Z");

    @TempDir private Path folder;

    private static Workbook read(SheetFormat format, byte[] bytes) {
        return format.workbook(new Content(bytes, "fares." + format.named().ending()), null, Progress.SILENT).workbook();
    }

    private static Workbook again(SheetFormat format, Workbook workbook) { return read(format, format.write(workbook, WHEN).bytes()); }

    @ParameterizedTest @EnumSource(names = {"XLSX", "XLS", "ODS"})
    void whatBelongsToASheetComesBack(SheetFormat format) {
        Workbook before = FurnishedWorkbook.workbook(FurnishedWorkbook.lock());
        WrittenWorkbook written = format.write(before, WHEN);
        Workbook after = read(format, written.bytes());
        SheetMatter was = before.sheets().get(0).matter();
        SheetMatter is = after.sheets().get(0).matter();
        assertThat(is.notes()).isEqualTo(was.notes());
        assertThat(is.filter()).isEqualTo(was.filter());
        assertThat(is.checks()).hasSameSizeAs(was.checks());
        for (CellCheck check : was.checks()) assertThat(is.checks()).as("%s in %s", check, format).anyMatch(other -> same(check, other));
        assertThat(is.lock()).isNotNull();
        assertThat(is.lock().allowed()).isEqualTo(SheetLock.USUAL);
        if (format != SheetFormat.ODS) {
            assertThat(is.lock().shortKey()).isEqualTo(FurnishedWorkbook.SHORT_KEY);
            assertThat(is.view()).isEqualTo(new SheetView(1, 2, false, false, 1, null));
        } else {
            assertThat(written.findings()).extracting(Finding::what).anyMatch(told -> told.contains("password")).anyMatch(told -> told
                    .contains("stay in view"));
        }
    }

    /** The locks of a workbook as a whole: read by POI's own models, and told where a format has no place for them. */
    @ParameterizedTest @EnumSource(names = {"XLSX", "XLS", "ODS"})
    void aWorkbookStaysLockedAndReserved(SheetFormat format) throws IOException {
        WorkbookLock.Pass pass = new WorkbookLock.Pass(null, FurnishedWorkbook.SHORT_KEY);
        WorkbookLock lock = new WorkbookLock(true, format != SheetFormat.ODS, pass, true, "Harbour office", new WorkbookLock.Pass(null, 0x1234));
        WrittenWorkbook written = format.write(FurnishedWorkbook.workbook(null).with(lock), WHEN);
        WorkbookLock is = read(format, written.bytes()).lock();
        if (format == SheetFormat.ODS) {
            assertThat(is).isEqualTo(new WorkbookLock(true, false, WorkbookLock.Pass.FREE, false, null, WorkbookLock.Pass.FREE));
            assertThat(written.findings()).extracting(Finding::what).anyMatch(told -> told.contains("The password that the sheets of the workbook"))
                    .anyMatch(told -> told.contains("change only a copy"));
            return;
        }
        assertThat(is).isEqualTo(lock);
        assertThat(format.read(new Content(written.bytes(), "fares." + format.named().ending()), null, Progress.SILENT).findings())
                .extracting(Finding::what).anyMatch(told -> told.startsWith("The sheets of the workbook are locked"))
                .anyMatch(told -> told.startsWith("The workbook asks whoever opens it"));
        if (format == SheetFormat.XLS) {
            try (HSSFWorkbook book = new HSSFWorkbook(new ByteArrayInputStream(written.bytes()))) {
                assertThat(book.isWriteProtected()).isTrue();
            }
            return;
        }
        try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(written.bytes()))) {
            assertThat(book.isStructureLocked()).isTrue();
            assertThat(book.isWindowsLocked()).isTrue();
            assertThat(book.getCTWorkbook().getFileSharing().getUserName()).isEqualTo("Harbour office");
        }
        WorkbookLock strong = new WorkbookLock(true, false, new WorkbookLock.Pass(FurnishedWorkbook.strong().key(), 0), false, null,
                new WorkbookLock.Pass(FurnishedWorkbook.strong().key(), 0));
        byte[] bytes = format.write(FurnishedWorkbook.workbook(null).with(strong), WHEN).bytes();
        assertThat(read(format, bytes).lock()).isEqualTo(strong);
        assertThat(read(format, SheetFormat.XLSX.write(FurnishedWorkbook.workbook(null), WHEN).bytes()).lock()).isEqualTo(WorkbookLock.NONE);
    }

    /** The same check; how an anything-goes operator is told, and the order of places, are the formats' own. */
    private static boolean same(CellCheck one, CellCheck other) {
        boolean compared = one.kind() != CellCheck.Kind.LIST && one.kind() != CellCheck.Kind.FORMULA;
        return one.kind() == other.kind() && (!compared || one.comparison() == other.comparison()) && plain(one.first()).equals(plain(other.first()))
                && plain(one.second()).equals(plain(other.second())) && one.blanks() == other.blanks() && one.strictness() == other.strictness()
                && (one.kind() != CellCheck.Kind.LIST || one.choices() == other.choices()) && Objects.equals(one.prompt(), other.prompt())
                && Objects.equals(one.refusal(), other.refusal()) && new HashSet<>(one.places()).equals(new HashSet<>(other.places()));
    }

    private static String plain(String formula) { return formula == null ? "" : formula.replaceAll("^=|'", "").replaceFirst("\\.0$", ""); }

    @ParameterizedTest @EnumSource(names = {"XLSX", "XLS", "ODS"})
    void cellsKeepTheirStretchesLinksGroupsAndSpreadFormulas(SheetFormat format) {
        Workbook before = FurnishedWorkbook.workbook(null);
        Workbook after = again(format, before);
        Sheet was = before.sheets().get(0);
        Sheet is = after.sheets().get(0);
        CellValue.Text text = (CellValue.Text) is.cell(0, 0).value();
        assertThat(text.text()).isEqualTo("Winter fares apply  now");
        assertThat(text.stretches()).extracting(CellValue.Stretch::from).containsExactly(0, 13, 20);
        assertThat(text.stretches()).extracting(CellValue.Stretch::to).containsExactly(6, 18, 23);
        List<CellValue.Stretch> stretches = FurnishedWorkbook.stretched().stretches();
        for (int i = 0; i < 3; i++) assertThat(text.stretches().get(i).look().over(after.style(is.cell(0, 0)).font()))
                .isEqualTo(stretches.get(i).look().over(before.style(was.cell(0, 0)).font()));
        assertThat(is.cell(0, 1).link()).isInstanceOfSatisfying(Link.Inside.class, link -> assertThat(link.bookmark().replace("'", "")).isEqualTo("Lines!A2"));
        assertThat(is.cell(0, 2).link()).isEqualTo(new Link.Address("https://fernhollow.example/fares"));
        assertThat(is.cell(11, 1).formula().replace(" ", "")).isEqualTo("B2:B4*2");
        assertThat(is.cell(11, 1).array()).isEqualTo(new Range(11, 1, 13, 1));
        assertThat(is.cell(12, 1).value()).isEqualTo(new CellValue.Number(24));
        assertThat(is.cell(12, 1).formula()).as("the cells over which it is spread have none themselves").isNull();
        for (Row row : was.rows()) assertThat(is.row(row.index()).depth()).as("row %s in %s", row.index(), format).isEqualTo(row.depth());
        for (Row row : was.rows()) assertThat(is.row(row.index()).hidden()).as("row %s in %s", row.index(), format).isEqualTo(row.hidden());
        assertThat(depth(is, 1)).isEqualTo(1);
        assertThat(depth(is, 3)).isEqualTo(2);
        assertThat(is.columns().stream().filter(one -> one.from() <= 3 && one.to() >= 3).findFirst().orElseThrow().hidden()).isTrue();
        assertThat(after.style(is.cell(1, 0)).open()).isTrue();
        assertThat(after.style(is.cell(2, 0)).open()).isFalse();
        assertThat(after.styles().get(style(is, 2)).format()).isEqualTo("0.00");
        assertThat(is.setup().rowBreaks()).isEqualTo(was.setup().rowBreaks());
        assertThat(is.setup().columnBreaks()).isEqualTo(was.setup().columnBreaks());
    }

    private static int depth(Sheet sheet, int column) {
        return sheet.columns().stream().filter(one -> one.from() <= column && one.to() >= column).mapToInt(Column::depth).findFirst().orElse(0);
    }

    private static int style(Sheet sheet, int column) {
        return sheet.columns().stream().filter(one -> one.from() <= column && one.to() >= column).mapToInt(Column::style).findFirst().orElse(0);
    }

    @ParameterizedTest @EnumSource(names = {"XLSX", "XLS", "ODS"})
    void picturesStayOverTheirCells(SheetFormat format) {
        SheetObject was = FurnishedWorkbook.picture();
        SheetObject is = again(format, FurnishedWorkbook.workbook(null)).sheets().get(0).objects().get(0);
        assertThat(is.cells()).isEqualTo(was.cells());
        // Older files tell places in parts of cells.
        assertThat(new double[] {is.left(), is.top(), is.right(), is.bottom()}).containsExactly(new double[] {6, 3, 36, 12}, within(0.1));
        assertThat(is.picture().image()).isEqualTo(was.picture().image());
        if (format != SheetFormat.XLS) assertThat(is.picture().description()).isEqualTo("The ferry");
    }

    /** POI's models of what was written. */
    @Test void theLibraryFindsItInBothGenerations() throws IOException {
        Workbook workbook = FurnishedWorkbook.workbook(FurnishedWorkbook.lock());
        try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(SheetFormat.XLSX.write(workbook, WHEN).bytes()))) {
            assertFound(book.getSheetAt(0));
            XSSFSheet sheet = book.getSheetAt(0);
            assertThat(sheet.validateSheetPassword("quay")).isTrue();
            assertThat(sheet.validateSheetPassword("quayside")).isFalse();
            XSSFRichTextString text = sheet.getRow(0).getCell(0).getRichStringCellValue();
            assertThat(text.getFontAtIndex(2).getBold()).isTrue();
            assertThat(text.getFontAtIndex(8).getBold()).isFalse();
            assertThat(text.getFontAtIndex(14).getItalic()).isTrue();
            assertThat(sheet.getCTWorksheet().getAutoFilter().getRef()).isEqualTo("A1:B10");
        }
        try (HSSFWorkbook book = new HSSFWorkbook(new ByteArrayInputStream(SheetFormat.XLS.write(workbook, WHEN).bytes()))) {
            assertFound(book.getSheetAt(0));
            HSSFSheet sheet = book.getSheetAt(0);
            assertThat(sheet.getPassword() & 0xFFFF).isEqualTo(FurnishedWorkbook.SHORT_KEY);
            assertThat(sheet.getRow(0).getCell(0).getRichStringCellValue().numFormattingRuns()).isEqualTo(5);
        }
    }

    private static void assertFound(org.apache.poi.ss.usermodel.Sheet sheet) {
        assertThat(sheet.getPaneInformation().isFreezePane()).isTrue();
        assertThat(sheet.getPaneInformation().getHorizontalSplitTopRow()).isEqualTo((short) 1);
        assertThat(sheet.getPaneInformation().getVerticalSplitLeftColumn()).isEqualTo((short) 2);
        assertThat(sheet.isDisplayGridlines()).isFalse();
        assertThat(sheet.getProtect()).isTrue();
        assertThat(sheet.getCellComment(new CellAddress(0, 0)).getString().getString()).isEqualTo("Ask the harbour master\nbefore winter");
        assertThat(sheet.getCellComment(new CellAddress(0, 0)).getAuthor()).isEqualTo("Ada Quay");
        assertThat(sheet.getCellComment(new CellAddress(30, 5)).getString().getString()).isEqualTo("On an empty cell");
        List<? extends DataValidation> checks = sheet.getDataValidations();
        assertThat(checks).hasSize(FurnishedWorkbook.CHECKS.size());
        DataValidation ages = checks.get(0);
        assertThat(ages.getValidationConstraint().getValidationType()).isEqualTo(ValidationType.INTEGER);
        assertThat(ages.getValidationConstraint().getOperator()).isEqualTo(OperatorType.BETWEEN);
        assertThat(ages.getRegions().getCellRangeAddress(0).formatAsString()).isEqualTo("B2:B41");
        assertThat(ages.getPromptBoxText()).isEqualTo("In full years");
        assertThat(ages.getErrorBoxTitle()).isEqualTo("No age");
        assertThat(checks.get(1).getValidationConstraint().getExplicitListValues()).containsExactly("Adult", "Child", "Both");
        assertThat(checks.get(1).getErrorStyle()).isEqualTo(DataValidation.ErrorStyle.WARNING);
        assertThat(checks.get(2).getValidationConstraint().getFormula1()).isEqualTo("Lines!$A$1:$A$3");
        assertThat(checks.get(2).getSuppressDropDownArrow()).as("whether the list is shown, as the library turns it round").isNotEqualTo(
                checks.get(1).getSuppressDropDownArrow());
        assertThat(sheet.getRow(0).getCell(1).getHyperlink().getType()).isEqualTo(HyperlinkType.DOCUMENT);
        assertThat(sheet.getRow(0).getCell(1).getHyperlink().getAddress()).isEqualTo("Lines!A2");
        assertThat(sheet.getRow(12).getCell(1).getArrayFormulaRange().formatAsString()).isEqualTo("B12:B14");
        assertThat(sheet.getRow(12).getCell(1).getNumericCellValue()).isEqualTo(24);
        assertThat(sheet.getRow(4).getOutlineLevel()).isEqualTo(2);
        assertThat(sheet.getRow(8).getOutlineLevel()).isEqualTo(1);
        assertThat(sheet.getColumnOutlineLevel(3)).isEqualTo(2);
        assertThat(sheet.getRow(1).getCell(0).getCellStyle().getLocked()).isFalse();
        assertThat(sheet.getRow(2).getCell(0).getCellStyle().getLocked()).isTrue();
        Drawing<?> drawing = sheet.getDrawingPatriarch();
        List<ClientAnchor> anchors = new ArrayList<>();
        for (Shape shape : drawing) if (shape instanceof Picture picture) anchors.add(picture.getClientAnchor());
        assertThat(anchors).singleElement().satisfies(anchor -> {
            assertThat((int) anchor.getCol1()).isEqualTo(8);
            assertThat(anchor.getRow2()).isEqualTo(4);
        });
    }

    /** A digest that older files can't tell stays in the newer ones, with what it allows. */
    @Test void strongLocksStayAsTheyAreOrAreTold() throws IOException {
        Workbook workbook = FurnishedWorkbook.workbook(FurnishedWorkbook.strong());
        assertThat(again(SheetFormat.XLSX, workbook).sheets().get(0).matter().lock()).isEqualTo(FurnishedWorkbook.strong());
        WrittenWorkbook older = SheetFormat.XLS.write(workbook, WHEN);
        assertThat(older.findings()).extracting(Finding::what).anyMatch(told -> told.contains("password")).anyMatch(told -> told.contains("was allowed"));
        assertThat(read(SheetFormat.XLS, older.bytes()).sheets().get(0).matter().lock()).isEqualTo(new SheetLock(null, 0, SheetLock.USUAL));
        for (int key : new int[] {0xCE4B, 0x83AF, 0xCBEB}) {
            String other = XlsMatterPart.password(key);
            if (other != null) assertThat(CryptoFunctions.createXorVerifier1(other)).isEqualTo(key);
        }
        assertThat(XlsMatterPart.password(FurnishedWorkbook.SHORT_KEY)).as("there is always one, since it is a password's").isNotNull();
    }

    @Test void partsAreAsTheSchemasSay() throws Exception {
        byte[] file = SheetFormat.XLSX.write(FurnishedWorkbook.workbook(FurnishedWorkbook.strong()), WHEN).bytes();
        List<String> errors = new ArrayList<>();
        Set<String> seen = new TreeSet<>();
        for (Map.Entry<String, byte[]> part : Archive.parts(file).entrySet()) {
            String text = new String(part.getValue(), StandardCharsets.UTF_8);
            String name = part.getKey();
            XmlObject parsed = name.startsWith("xl/worksheets/sheet") ? WorksheetDocument.Factory.parse(text) : name.equals("xl/styles.xml")
                    ? StyleSheetDocument.Factory.parse(text) : name.startsWith("xl/comments") ? CommentsDocument.Factory.parse(text)
                    : name.startsWith("xl/drawings/drawing") ? WsDrDocument.Factory.parse(text) : null;
            if (parsed == null) continue;
            seen.add(name);
            List<XmlError> found = new ArrayList<>();
            parsed.validate(new XmlOptions().setErrorListener(found));
            found.removeIf(error -> error.getMessage().contains("space@http://www.w3.org/XML/1998/namespace"));
            for (XmlError error : found) errors.add(name + ": " + error.getMessage());
        }
        assertThat(errors).isEmpty();
        assertThat(seen).contains("xl/comments1.xml", "xl/drawings/drawing1.xml", "xl/worksheets/sheet1.xml", "xl/worksheets/sheet2.xml");
        Path open = Files.write(folder.resolve("fares.ods"), SheetFormat.ODS.write(FurnishedWorkbook.workbook(FurnishedWorkbook.strong()), WHEN).bytes());
        Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-jar",
                Path.of("target", "tools", "odfvalidator.jar").toString(), "-c", open.toString()).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        assertThat(said).doesNotContain("rror");
    }

    /** Values between separators, and tables of a text, hold cells only; what is left out is told. */
    @Test void whatHasNoPlaceIsTold() {
        Workbook workbook = FurnishedWorkbook.workbook(FurnishedWorkbook.lock());
        for (List<Finding> told : List.of(SheetFormat.CSV.write(workbook, WHEN).findings(), SheetFormat.lostInTables(workbook)))
            assertThat(told).extracting(Finding::what).anyMatch(what -> what.contains("Notes of 2")).anyMatch(what -> what.contains("1 picture"));
        assertThat(SheetFormat.XLSX.write(workbook, WHEN).findings()).isEmpty();
        Workbook filtered = workbook.withSheets(List.of(workbook.sheets().get(0).with(workbook.sheets().get(0).matter().with(
                new SheetFilter(new Range(0, 0, 9, 1), Map.of(1, List.of("11", "")))))));
        assertThat(again(SheetFormat.XLSX, filtered).sheets().get(0).matter().filter().values()).isEqualTo(Map.of(1, List.of("11", "")));
        for (SheetFormat format : List.of(SheetFormat.XLS, SheetFormat.ODS))
            assertThat(format.write(filtered, WHEN).findings()).extracting(Finding::what).anyMatch(what -> what.contains("condition of a filter"));
    }

    /** A filter that shows by a comparison is told; its arrows stay. Cells that name a check far down, and one over a whole column, are kept. */
    @Test void oddMatterIsKeptOrTold() {
        CellCheck column = new CellCheck(List.of(new Range(0, 3, Range.MOST_ROWS - 1, 3)), CellCheck.Kind.WHOLE_NUMBER,
                Comparison.AT_LEAST, "0", null, true, true, null, null, CellCheck.Strictness.STOP);
        Workbook plain = FurnishedWorkbook.workbook(null);
        Sheet sheet = plain.sheets().get(0);
        Workbook workbook = plain.withSheets(List.of(sheet.with(sheet.matter().checked(List.of(column)))));
        for (SheetFormat format : List.of(SheetFormat.XLSX, SheetFormat.ODS))
            assertThat(again(format, workbook).sheets().get(0).matter().checks()).as("%s", format).singleElement()
                    .satisfies(check -> assertThat(check.places()).isEqualTo(column.places()));
        assertThat(again(SheetFormat.XLS, workbook).sheets().get(0).matter().checks().get(0).places()).containsExactly(new Range(0, 3, 65_535, 3));
        Cell first = again(SheetFormat.ODS, workbook).sheets().get(0).cell(0, 0);
        assertThat(((CellValue.Text) first.value()).text()).startsWith("Winter");
    }
}
