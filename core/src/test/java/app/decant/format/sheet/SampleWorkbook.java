package app.decant.format.sheet;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDateTime;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.BorderStyle;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.CreationHelper;
import org.apache.poi.ss.usermodel.FillPatternType;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.HorizontalAlignment;
import org.apache.poi.ss.usermodel.Hyperlink;
import org.apache.poi.ss.usermodel.IndexedColors;
import org.apache.poi.ss.usermodel.Name;
import org.apache.poi.ss.usermodel.PrintSetup;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.apache.poi.common.usermodel.HyperlinkType;

/** The fares of the demo company as an office would keep them, made by the common library: values of all kinds, formats, merges, pages that are set up. */
final class SampleWorkbook {
    private static final String[] FORMATS = {"0.00", "#,##0", "#,##0.00;[Red]-#,##0.00", "0%", "0.0%", "d mmmm yyyy", "hh:mm", "[h]:mm", "0.00E+00", "# ?/?",
        "\"crowns\" 0.00", "General", "yyyy-mm-dd", "0.0##", "#,##0.0,", "000"};

    private SampleWorkbook() { }

    static byte[] xlsx() { return bytes(new XSSFWorkbook()); }

    static byte[] xls() { return bytes(new HSSFWorkbook()); }

    private static byte[] bytes(Workbook book) {
        try (book; ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            fill(book);
            book.write(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void fill(Workbook book) {
        CreationHelper helper = book.getCreationHelper();
        Sheet fares = book.createSheet("Fares");
        fares.setColumnWidth(0, 22 * 256);
        CellStyle head = book.createCellStyle();
        Font bold = book.createFont();
        bold.setBold(true);
        bold.setColor(IndexedColors.WHITE.getIndex());
        head.setFont(bold);
        head.setFillForegroundColor(IndexedColors.DARK_TEAL.getIndex());
        head.setFillPattern(FillPatternType.SOLID_FOREGROUND);
        head.setAlignment(HorizontalAlignment.CENTER);
        head.setBorderBottom(BorderStyle.MEDIUM);
        Row title = fares.createRow(0);
        title.setHeightInPoints(30);
        title.createCell(0).setCellValue("Winter fares");
        title.getCell(0).setCellStyle(head);
        fares.addMergedRegion(new CellRangeAddress(0, 0, 0, 3));
        Row names = fares.createRow(1);
        String[] columns = {"Line", "Adult", "Child", "Both"};
        for (int c = 0; c < columns.length; c++) {
            names.createCell(c).setCellValue(columns[c]);
            names.getCell(c).setCellStyle(head);
        }
        CellStyle money = book.createCellStyle();
        money.setDataFormat(book.createDataFormat().getFormat("#,##0.00"));
        for (int r = 2; r < 42; r++) {
            Row row = fares.createRow(r);
            row.createCell(0).setCellValue("Line " + (r - 1));
            for (int c = 1; c < 3; c++) {
                row.createCell(c).setCellValue(r * 1.25 * c);
                row.getCell(c).setCellStyle(money);
            }
            row.createCell(3).setCellFormula("SUM(B" + (r + 1) + ":C" + (r + 1) + ")");
            row.getCell(3).setCellStyle(money);
        }
        fares.getRow(5).setZeroHeight(true);
        fares.setRepeatingRows(CellRangeAddress.valueOf("2:2"));
        fares.getHeader().setCenter("&\"Arial,Bold\"&14&A");
        fares.getFooter().setRight("Page &P of &N");
        PrintSetup setup = fares.getPrintSetup();
        setup.setPaperSize(PrintSetup.A5_PAPERSIZE);
        setup.setLandscape(true);
        fares.setHorizontallyCenter(true);
        fares.setRowBreak(19);
        Sheet formats = book.createSheet("Formats & kinds");
        double[] values = {0, 1, -1234.5, 0.256, 45678.75, 1e-7, 123456789.123, -0.5};
        for (int r = 0; r < FORMATS.length; r++) {
            CellStyle style = book.createCellStyle();
            style.setDataFormat(book.createDataFormat().getFormat(FORMATS[r]));
            Row row = formats.createRow(r);
            for (int c = 0; c < values.length; c++) {
                row.createCell(c).setCellValue(values[c]);
                row.getCell(c).setCellStyle(style);
            }
        }
        Row kinds = formats.createRow(FORMATS.length + 1);
        kinds.createCell(0).setCellValue(true);
        kinds.createCell(1).setCellErrorValue((byte) 7);
        kinds.createCell(2).setCellValue("  two  blanks & <signs> \"quoted\"\nsecond line ");
        kinds.createCell(3).setCellValue(LocalDateTime.of(2026, 11, 1, 8, 30));
        Cell linked = kinds.createCell(4);
        linked.setCellValue("ostreysound.example");
        Hyperlink link = helper.createHyperlink(HyperlinkType.URL);
        link.setAddress("https://ostreysound.example/fares");
        linked.setHyperlink(link);
        kinds.createCell(5).setCellFormula("IF(A1>0,\"a,b\",Fares!B3)");
        Name name = book.createName();
        name.setNameName("Winter");
        name.setRefersToFormula("Fares!$A$2:$D$10");
        book.createSheet("Empty");
        book.setSheetHidden(2, true);
        book.setPrintArea(1, 0, 7, 0, FORMATS.length + 1);
        book.getCreationHelper().createFormulaEvaluator().evaluateAll();
    }
}
