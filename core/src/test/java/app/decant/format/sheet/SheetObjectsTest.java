package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.Content;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.SheetObject;
import app.decant.sheet.SheetPages;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.ClientAnchor;
import org.apache.poi.ss.usermodel.Drawing;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xddf.usermodel.chart.AxisPosition;
import org.apache.poi.xddf.usermodel.chart.ChartTypes;
import org.apache.poi.xddf.usermodel.chart.XDDFChartData;
import org.apache.poi.xddf.usermodel.chart.XDDFDataSource;
import org.apache.poi.xddf.usermodel.chart.XDDFDataSourcesFactory;
import org.apache.poi.xddf.usermodel.chart.XDDFNumericalDataSource;
import org.apache.poi.xssf.usermodel.XSSFChart;
import org.apache.poi.xssf.usermodel.XSSFClientAnchor;
import org.apache.poi.xssf.usermodel.XSSFShape;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

/** Pictures and charts over the cells of workbooks that POI made: where they stand on pages, and that they are told of where they have no place. */
class SheetObjectsTest {
    private static byte[] red() throws IOException {
        BufferedImage image = new BufferedImage(40, 20, BufferedImage.TYPE_INT_RGB);
        image.createGraphics();
        for (int x = 0; x < 40; x++) for (int y = 0; y < 20; y++) image.setRGB(x, y, Color.RED.getRGB());
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, "png", bytes);
        return bytes.toByteArray();
    }

    /** A picture from the middle of B3 to the middle of D7. */
    private static byte[] pictured(Workbook book) throws IOException {
        Sheet sheet = book.createSheet("Plan");
        sheet.createRow(0).createCell(0).setCellValue("Plan");
        for (int row = 1; row < 9; row++) sheet.createRow(row).setHeightInPoints(20);
        int image = book.addPicture(red(), Workbook.PICTURE_TYPE_PNG);
        Drawing<?> drawing = sheet.createDrawingPatriarch();
        ClientAnchor anchor = book.getCreationHelper().createClientAnchor();
        boolean old = book instanceof HSSFWorkbook;
        anchor.setCol1(1);
        anchor.setRow1(2);
        anchor.setCol2(3);
        anchor.setRow2(6);
        anchor.setDx1(old ? 512 : 24 * 12700);
        anchor.setDx2(old ? 512 : 24 * 12700);
        anchor.setDy1(old ? 128 : 10 * 12700);
        anchor.setDy2(old ? 128 : 10 * 12700);
        drawing.createPicture(anchor, image);
        return bytes(book);
    }

    private static byte[] bytes(Workbook book) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        book.write(out);
        book.close();
        return out.toByteArray();
    }

    private static ReadWorkbook read(SheetFormat format, byte[] file) {
        return format.workbook(new Content(file, "book." + format.ending()), null, Progress.SILENT);
    }

    private static SheetPages pages(ReadWorkbook read) {
        return SheetLayout.of(read.workbook(), SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT);
    }

    private static List<Item.PictureItem> pictures(Page page) {
        return page.text().stream().filter(Item.PictureItem.class::isInstance).map(Item.PictureItem.class::cast).toList();
    }

    @Test void picturesStandOverTheirCells() throws IOException {
        for (SheetFormat format : List.of(SheetFormat.XLSX, SheetFormat.XLS)) {
            ReadWorkbook read = read(format, pictured(format == SheetFormat.XLS ? new HSSFWorkbook() : new XSSFWorkbook()));
            assertThat(read.findings()).as(format.ending()).isEmpty();
            app.decant.sheet.Sheet sheet = read.workbook().sheets().get(0);
            double width = sheet.columns().isEmpty() ? sheet.columnWidth() : sheet.columns().get(0).width();
            Item.PictureItem item = pictures(pages(read).page(0)).get(0);
            double left = sheet.setup().page().left();
            double top = sheet.setup().page().top();
            // By hand: one and a half columns from the margin; a usual row, one and a half of 20 points down.
            assertThat(item.x()).as(format.ending()).isCloseTo(left + width + (format == SheetFormat.XLS ? width / 2 : 24), within(0.6));
            assertThat(item.y()).isCloseTo(top + sheet.rowHeight() + 30, within(1.5));
            assertThat(item.picture().width()).isCloseTo(2 * width, within(0.6));
            assertThat(item.picture().height()).isCloseTo(80, within(0.6));
        }
    }

    /** What goes over the edge of a page goes on on the next: the shares that are seen make up the whole. */
    @Test void whatIsCutGoesOnOnTheNextPage() throws IOException {
        XSSFWorkbook book = new XSSFWorkbook();
        XSSFSheet sheet = book.createSheet("Long");
        sheet.createRow(0).createCell(0).setCellValue("Long");
        ClientAnchor anchor = book.getCreationHelper().createClientAnchor();
        anchor.setCol1(0);
        anchor.setRow1(40);
        anchor.setCol2(2);
        anchor.setRow2(70);
        sheet.createDrawingPatriarch().createPicture(anchor, book.addPicture(red(), Workbook.PICTURE_TYPE_PNG));
        SheetPages pages = pages(read(SheetFormat.XLSX, bytes(book)));
        assertThat(pages.count()).isEqualTo(2);
        Item.PictureItem first = pictures(pages.page(0)).get(0);
        Item.PictureItem second = pictures(pages.page(1)).get(0);
        assertThat(first.picture().crop().top()).isZero();
        assertThat(second.picture().crop().bottom()).isZero();
        assertThat(first.picture().crop().bottom() + second.picture().crop().top()).isCloseTo(1, within(0.001));
        assertThat(first.picture().height() + second.picture().height()).isCloseTo(30 * 15, within(1.0));
    }

    @Test void chartsAreDrawnFromTheirNumbersAndToldOfWhereTheyHaveNoPlace() throws IOException {
        XSSFWorkbook book = new XSSFWorkbook();
        XSSFSheet sheet = book.createSheet("Crossings");
        for (int row = 0; row < 4; row++) {
            sheet.createRow(row).createCell(0).setCellValue("Line " + row);
            sheet.getRow(row).createCell(1).setCellValue(10 * (row + 1));
        }
        XSSFChart chart = sheet.createDrawingPatriarch().createChart(sheet.createDrawingPatriarch().createAnchor(0, 0, 0, 0, 3, 1, 9, 16));
        chart.setTitleText("Crossings");
        XDDFDataSource<String> names = XDDFDataSourcesFactory.fromStringCellRange(sheet, new CellRangeAddress(0, 3, 0, 0));
        XDDFNumericalDataSource<Double> values = XDDFDataSourcesFactory.fromNumericCellRange(sheet, new CellRangeAddress(0, 3, 1, 1));
        XDDFChartData data = chart.createData(ChartTypes.BAR, chart.createCategoryAxis(AxisPosition.BOTTOM), chart.createValueAxis(AxisPosition.LEFT));
        data.addSeries(names, values);
        chart.plot(data);
        ReadWorkbook read = read(SheetFormat.XLSX, bytes(book));
        assertThat(read.findings()).isEmpty();
        assertThat(read.workbook().sheets().get(0).objects()).extracting(SheetObject::kind).containsExactly(SheetObject.Kind.CHART);
        assertThat(pictures(pages(read).page(0))).hasSize(1);
        assertThat(pictures(pages(read).page(0)).get(0).picture().description()).contains("Crossings");
        WrittenWorkbook same = SheetFormat.XLSX.write(read.workbook(), Instant.EPOCH);
        assertThat(same.findings()).isEmpty();
        try (XSSFWorkbook again = new XSSFWorkbook(new ByteArrayInputStream(same.bytes()))) {
            XSSFChart kept = again.getSheetAt(0).getDrawingPatriarch().getCharts().get(0);
            assertThat(kept.getTitleText().getString()).isEqualTo("Crossings");
            assertThat(kept.getChartSeries().get(0).getSeries(0).getValuesData().getDataRangeReference()).isEqualTo("Crossings!$B$1:$B$4");
            assertThat(kept.getChartSeries().get(0).getSeries(0).getValuesData().getPointAt(2)).isEqualTo(30.0);
            assertThat(again.getSheetAt(0).getDrawingPatriarch().getShapes()).singleElement().extracting(XSSFShape::getAnchor)
                    .isInstanceOfSatisfying(XSSFClientAnchor.class, anchor ->
                            assertThat(new int[] {anchor.getCol1(), anchor.getRow1(), anchor.getCol2(), anchor.getRow2()}).containsExactly(3, 1, 9, 16));
        }
        for (SheetFormat format : List.of(SheetFormat.XLS, SheetFormat.ODS)) {
            WrittenWorkbook written = format.write(read.workbook(), Instant.EPOCH);
            assertThat(written.findings()).as(format.ending()).extracting(Finding::what).containsExactly(
                    "1 chart goes as a picture; its numbers stay in their cells.");
            assertThat(read(format, written.bytes()).workbook().sheets().get(0).objects()).extracting(SheetObject::kind)
                    .containsExactly(SheetObject.Kind.PICTURE);
        }
        assertThat(SheetFormat.CSV.write(read.workbook(), Instant.EPOCH).findings()).anySatisfy(finding -> assertThat(finding.what()).contains("chart"));
    }
}
