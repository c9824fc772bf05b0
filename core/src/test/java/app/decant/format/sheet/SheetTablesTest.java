package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Colour;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.Archive;
import app.decant.format.Content;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import app.decant.sheet.Cell;
import app.decant.sheet.CellValue;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.SheetTable;
import app.decant.sheet.TableDress;
import app.decant.sheet.Workbook;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.util.AreaReference;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFTable;
import org.apache.poi.xssf.usermodel.XSSFTableStyleInfo;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.apache.xmlbeans.XmlError;
import org.apache.xmlbeans.XmlOptions;
import org.junit.jupiter.api.Test;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.TableDocument;

/** Tables with names, made by POI: what formulas ask of them, how they look on pages, and what POI finds of them again (ISO/IEC 29500-1, 18.5). */
class SheetTablesTest {
    private static final Instant WHEN = Instant.parse("2026-11-28T08:00:00Z");

    private static byte[] fares() throws IOException {
        try (XSSFWorkbook book = new XSSFWorkbook(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            XSSFSheet sheet = book.createSheet("Fares");
            String[] heads = {"Line", "Adult", "Child"};
            for (int r = 0; r < 6; r++) {
                sheet.createRow(r + 1);
                for (int c = 0; c < 3; c++) {
                    if (r == 0) sheet.getRow(1).createCell(c + 1).setCellValue(heads[c]);
                    else if (c == 0) sheet.getRow(r + 1).createCell(1).setCellValue("Line " + r);
                    else if (r != 4) sheet.getRow(r + 1).createCell(c + 1).setCellValue(r * c);
                }
            }
            XSSFTable table = sheet.createTable(new AreaReference("B2:D7", SpreadsheetVersion.EXCEL2007));
            table.setName("Prices");
            table.setDisplayName("Prices");
            table.getCTTable().addNewAutoFilter().setRef("B2:D6");
            table.getCTTable().setTotalsRowCount(1);
            table.getCTTable().addNewTableStyleInfo().setName("TableStyleMedium2");
            XSSFTableStyleInfo style = (XSSFTableStyleInfo) table.getStyle();
            style.setShowRowStripes(true);
            style.setFirstColumn(true);
            sheet.createRow(9).createCell(0).setCellFormula("SUM(Prices[Adult])");
            book.write(out);
            return out.toByteArray();
        }
    }

    private static Workbook read(byte[] bytes) { return SheetFormat.XLSX.workbook(new Content(bytes, "fares.xlsx"), null, Progress.SILENT).workbook(); }

    private static SheetTable table(Workbook workbook) { return workbook.sheets().get(0).matter().tables().get(0); }

    @Test void tablesAreReadWithTheirColumns() throws IOException {
        SheetTable table = table(read(fares()));
        assertThat(table.name()).isEqualTo("Prices");
        assertThat(table.range()).isEqualTo(Range.of("B2:D7"));
        assertThat(table.columns()).extracting(SheetTable.TableColumn::name).containsExactly("Line", "Adult", "Child");
        assertThat(table.head()).isTrue();
        assertThat(table.total()).isTrue();
        assertThat(table.filter()).isTrue();
        assertThat(table.parts()).isEqualTo(new SheetTable.Parts(true, false, true, false));
        assertThat(table.style()).isEqualTo("TableStyleMedium2");
    }

    /** POI reads the name, the columns and the look again, and the formula that asks for a column. */
    @Test void theLibraryFindsThemAgain() throws Exception {
        byte[] written = SheetFormat.XLSX.write(read(fares()), WHEN).bytes();
        try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(written))) {
            XSSFTable table = book.getTable("Prices");
            assertThat(table.getArea().formatAsString()).isEqualTo("B2:D7");
            assertThat(table.getColumns()).extracting(column -> column.getName()).containsExactly("Line", "Adult", "Child");
            assertThat(table.getStyleName()).isEqualTo("TableStyleMedium2");
            assertThat(table.getStyle().isShowRowStripes()).isTrue();
            assertThat(table.getTotalsRowCount()).isEqualTo(1);
            assertThat(table.getCTTable().getAutoFilter().getRef()).isEqualTo("B2:D6");
            assertThat(book.getSheetAt(0).getRow(9).getCell(0).getCellFormula()).isEqualTo("SUM(Prices[Adult])");
        }
        String part = new String(Archive.parts(written).get("xl/tables/table1.xml"), StandardCharsets.UTF_8);
        List<XmlError> errors = new ArrayList<>();
        TableDocument.Factory.parse(part).validate(new XmlOptions().setErrorListener(errors));
        assertThat(errors).isEmpty();
        assertThat(table(read(written))).isEqualTo(table(read(fares())));
    }

    /** 18.5.1.3: a column is called as its head says; programs refuse a file where both differ, or two are called alike. */
    @Test void columnsAreCalledAsTheirHeadsSayNow() throws IOException {
        Workbook workbook = read(fares());
        Sheet sheet = workbook.sheets().get(0);
        List<Row> rows = new ArrayList<>(sheet.rows());
        Row head = sheet.row(1);
        rows.set(rows.indexOf(head), head.with(List.of(new Cell(1, new CellValue.Text("Route"), 0), new Cell(2, new CellValue.Text("Fare"), 0),
                new Cell(3, new CellValue.Text("fare"), 0))));
        byte[] written = SheetFormat.XLSX.write(workbook.withSheets(List.of(sheet.withRows(rows))), WHEN).bytes();
        assertThat(table(read(written)).columns()).extracting(SheetTable.TableColumn::name).containsExactly("Route", "Fare", "fare2");
    }

    /** The head in the theme's first accent with white letters, every other row pale, also where a cell is empty; a fill of a cell's own goes over it. */
    @Test void tablesLookAsTheirStyleSays() throws IOException {
        Page page = SheetLayout.of(read(fares()), SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT).page(0);
        Colour accent = new Colour(0x4472C4);
        List<Item.Fill> fills = page.text().stream().filter(Item.Fill.class::isInstance).map(Item.Fill.class::cast).toList();
        List<Item.Fill> heads = fills.stream().filter(fill -> fill.colour().equals(accent)).toList();
        assertThat(heads).hasSize(3);
        List<Item.Fill> pale = fills.stream().filter(fill -> fill.colour().equals(accent.mixed(Colour.WHITE, 0.2))).toList();
        assertThat(new TreeSet<>(pale.stream().map(Item.Fill::y).toList())).as("rows 3 and 5; the last sums up").hasSize(2);
        assertThat(pale).hasSize(6);
        Item.LineItem head = page.lines().stream().filter(line -> text(line).equals("Adult")).findFirst().orElseThrow();
        Piece.Glyphs letters = (Piece.Glyphs) head.line().pieces().get(0);
        assertThat(letters.style().colour()).isEqualTo(Colour.WHITE);
        assertThat(letters.style().face().bold()).isTrue();
        Item.LineItem first = page.lines().stream().filter(line -> text(line).equals("Line 1")).findFirst().orElseThrow();
        assertThat(((Piece.Glyphs) first.line().pieces().get(0)).style().face().bold()).as("the first column is marked").isTrue();
        assertThat(page.text().stream().filter(Item.Rule.class::isInstance).count()).as("lines round it and between rows").isGreaterThan(5);
    }

    private static String text(Item.LineItem line) {
        StringBuilder text = new StringBuilder();
        for (Piece piece : line.line().pieces()) if (piece instanceof Piece.Glyphs glyphs) text.append(glyphs.text());
        return text.toString();
    }

    /** All sixty styles that every program knows have a look; what is called otherwise has none. */
    @Test void everyNamedStyleHasALook() {
        int looks = 0;
        for (String[] kind : new String[][] {{"Light", "21"}, {"Medium", "28"}, {"Dark", "11"}}) {
            TreeSet<String> unlike = new TreeSet<>();
            for (int n = 1; n <= Integer.parseInt(kind[1]); n++) {
                TableDress dress = XlsxTables.dress("TableStyle" + kind[0] + n, number -> new Colour(0x101010 * (number + 1)));
                assertThat(dress).as(kind[0] + n).isNotNull();
                unlike.add(dress.toString());
                looks++;
            }
            assertThat(unlike).as("no two of a kind look alike").hasSize(Integer.parseInt(kind[1]));
        }
        assertThat(looks).isEqualTo(60);
        for (String none : new String[] {"TableStyleLight0", "TableStyleMedium29", "PivotStyleLight1", "My style", ""})
            assertThat(XlsxTables.dress(none, number -> Colour.BLACK)).isNull();
        assertThat(XlsxTables.dress(null, number -> Colour.BLACK)).isNull();
    }

    @Test void otherFormatsTellThatTheyAreCellsAlone() throws IOException {
        for (SheetFormat format : List.of(SheetFormat.XLS, SheetFormat.ODS))
            assertThat(format.write(read(fares()), WHEN).findings()).extracting(Finding::what).as(format.ending())
                    .anyMatch(told -> told.startsWith("1 table with a name is cells alone")).anyMatch(told -> told.startsWith("1 formula"));
    }
}
