package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.Progress;
import app.decant.page.Page;
import app.decant.paint.PagePainter;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.apache.poi.common.usermodel.HyperlinkType;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Hyperlink;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.VerticalAlignment;
import org.apache.poi.ss.usermodel.Workbook;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Turned text of cells (ISO/IEC 29500-1, 18.8.1, textRotation), written by POI; PDFBox tells how letters stand on the page. */
class TurnedCellsTest {
    @TempDir private Path root;
    private Path book;

    /** The first and the last letter of a cell's text on the page, from its top left corner. */
    private record Run(double x, double y, double toX, double toY) { }

    @BeforeEach void setUp() throws IOException {
        book = root.resolve("rota.xls");
        try (Workbook poi = new HSSFWorkbook(); OutputStream out = Files.newOutputStream(book)) {
            Sheet sheet = poi.createSheet("Rota");
            Row row = sheet.createRow(0);
            row.setHeightInPoints(150);
            cell(poi, row, 0, "Ahead", 0, VerticalAlignment.BOTTOM);
            cell(poi, row, 1, "Bottom", 90, VerticalAlignment.BOTTOM);
            cell(poi, row, 2, "Crest", 90, VerticalAlignment.TOP);
            cell(poi, row, 3, "Down", -90, VerticalAlignment.TOP);
            cell(poi, row, 4, "Easy", 45, VerticalAlignment.BOTTOM);
            cell(poi, row, 5, "Fig", 0xFF, VerticalAlignment.TOP);
            Hyperlink link = poi.getCreationHelper().createHyperlink(HyperlinkType.URL);
            link.setAddress("https://ostrey.example/rota");
            cell(poi, row, 6, "Guide", 90, VerticalAlignment.BOTTOM).setHyperlink(link);
            poi.write(out);
        }
    }

    private static Cell cell(Workbook poi, Row row, int column, String text, int turn, VerticalAlignment down) {
        row.getSheet().setColumnWidth(column, 256 * 10);
        CellStyle style = poi.createCellStyle();
        style.setRotation((short) turn);
        style.setVerticalAlignment(down);
        Cell cell = row.createCell(column);
        cell.setCellValue(text);
        cell.setCellStyle(style);
        return cell;
    }

    private Receipt published(Path file) {
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
        Order order = new Order(new Intake(file, null).pages(recipe, Progress.SILENT), recipe);
        Receipt receipt = Decant.publish(order, root.resolve("rota.pdf"), Progress.SILENT).get(0);
        assertThat(receipt.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        return receipt;
    }

    /** By the first letter of a cell, each of which begins another way. */
    private static Map<String, Run> runs(Path pdf) throws IOException {
        Map<String, Run> runs = new LinkedHashMap<>();
        String[] open = {""};
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) {
                    String letter = text.getUnicode();
                    double x = text.getTextMatrix().getTranslateX();
                    double y = document.getPage(0).getMediaBox().getHeight() - text.getTextMatrix().getTranslateY();
                    if (Character.isUpperCase(letter.charAt(0))) runs.put(open[0] = letter, new Run(x, y, x, y));
                    else runs.computeIfPresent(open[0], (key, run) -> new Run(run.x, run.y, x, y));
                }
            }.getText(document);
        }
        return runs;
    }

    private static void stands(Map<String, Run> runs) {
        Run ahead = runs.get("A");
        assertThat(ahead.toX - ahead.x).isGreaterThan(10);
        assertThat(ahead.toY).isEqualTo(ahead.y);
        Run up = runs.get("B");
        assertThat(up.y - up.toY).as("upwards").isGreaterThan(15);
        assertThat(up.toX).isCloseTo(up.x, within());
        assertThat(up.y).as("from the foot of the cell").isBetween(ahead.y - 4, ahead.y + 6);
        Run crest = runs.get("C");
        assertThat(crest.toY).as("up to its head").isLessThan(up.toY - 80);
        Run down = runs.get("D");
        assertThat(down.toY - down.y).as("downwards").isGreaterThan(10);
        assertThat(down.y).as("from the head of the cell").isLessThan(crest.y);
        Run aslant = runs.get("E");
        assertThat((aslant.toX - aslant.x) / (aslant.y - aslant.toY)).isCloseTo(1, Offset.offset(0.02));
        Run stacked = runs.get("F");
        assertThat(stacked.toY - stacked.y).as("two lines below").isBetween(15.0, 45.0);
        assertThat(stacked.toX).isCloseTo(stacked.x, Offset.offset(4.0));
    }

    private static Offset<Double> within() { return Offset.offset(0.1); }

    @Test void textRunsAsItsCellTurnsIt() throws IOException {
        Receipt receipt = published(book);
        stands(runs(receipt.file()));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            PDAnnotation link = pdf.getPage(0).getAnnotations().get(0);
            Run guide = runs(receipt.file()).get("G");
            PDPage page = pdf.getPage(0);
            assertThat(link.getRectangle().getHeight()).as("as long as its words").isGreaterThan(2 * link.getRectangle().getWidth() * 0.8f);
            assertThat(link.getRectangle().contains((float) guide.toX - 1, page.getMediaBox().getHeight() - (float) guide.toY)).isTrue();
        }
    }

    /** What the screen shows is what is published. */
    @Test void pagesAreAlikeOnTheScreen() throws IOException {
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
        Page page = new Intake(book, null).pages(recipe, Progress.SILENT).page(0);
        BufferedImage seen = PagePainter.image(page, 1, new PagePainter.PictureCache());
        try (PDDocument pdf = Loader.loadPDF(published(book).file().toFile())) {
            BufferedImage written = new PDFRenderer(pdf).renderImage(0, 1);
            int differing = 0;
            int inked = 0;
            for (int x = 4; x < seen.getWidth() - 4; x += 4) for (int y = 4; y < seen.getHeight() - 4; y += 4) {
                if (ink(seen, x, y) != ink(written, x, y)) differing++;
                if (ink(written, x, y)) inked++;
            }
            assertThat(differing).as("of %d places", inked).isLessThan(inked / 6);
        }
    }

    /** Whether a part of four by four points holds ink. */
    private static boolean ink(BufferedImage image, int left, int top) {
        for (int x = left - 1; x < left + 5; x++) for (int y = top - 1; y < top + 5; y++) if ((image.getRGB(x, y) & 0xFF) < 120) return true;
        return false;
    }

    @Test void formatsKeepHowTextIsTurned() throws IOException {
        for (Target target : new Target[] {Target.of("xlsx"), Target.of("ods"), Target.of("xls")}) {
            Recipe recipe = Recipe.PLAIN.as(target).with(Recipe.WhenPresent.REPLACE);
            Path file = root.resolve("again." + target.ending());
            Decant.publish(new Order(new Intake(book, null).pages(recipe, Progress.SILENT), recipe), file, Progress.SILENT);
            stands(runs(published(file).file()));
        }
    }
}
