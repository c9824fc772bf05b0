package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.Finding;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.format.Taken;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.apache.poi.hssf.usermodel.HSSFChildAnchor;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFPatriarch;
import org.apache.poi.hssf.usermodel.HSSFRichTextString;
import org.apache.poi.hssf.usermodel.HSSFShape;
import org.apache.poi.hssf.usermodel.HSSFShapeGroup;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFSimpleShape;
import org.apache.poi.hssf.usermodel.HSSFTextbox;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.ss.usermodel.ShapeTypes;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFChildAnchor;
import org.apache.poi.xssf.usermodel.XSSFClientAnchor;
import org.apache.poi.xssf.usermodel.XSSFConnector;
import org.apache.poi.xssf.usermodel.XSSFDrawing;
import org.apache.poi.xssf.usermodel.XSSFShape;
import org.apache.poi.xssf.usermodel.XSSFShapeGroup;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFSimpleShape;
import org.apache.poi.xssf.usermodel.XSSFTextBox;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Shapes and text boxes over cells, written by POI; PDFBox tells where their words stand on the page and what is painted there. */
class SheetShapesTest {
    private static final int COLUMN = 256 * 10;

    @TempDir private Path root;

    private static <S extends Sheet> S framed(S sheet) {
        for (int i = 0; i < 12; i++) {
            sheet.setColumnWidth(i, COLUMN);
            sheet.createRow(i).setHeightInPoints(20);
        }
        sheet.getRow(0).createCell(0).setCellValue("Pier");
        sheet.getRow(11).createCell(7).setCellValue("End");
        return sheet;
    }

    /** A box with words, an ellipse that says something, a line, and two boxes in a group. */
    static Path xlsx(Path file) throws IOException {
        try (XSSFWorkbook book = new XSSFWorkbook(); OutputStream out = Files.newOutputStream(file)) {
            XSSFSheet sheet = framed(book.createSheet("Map"));
            XSSFDrawing over = sheet.createDrawingPatriarch();
            XSSFTextBox box = over.createTextbox(new XSSFClientAnchor(0, 0, 0, 0, 1, 1, 3, 4));
            box.setText("Wait here");
            box.setFillColor(255, 230, 120);
            box.setLineStyleColor(176, 0, 32);
            box.setLineWidth(2);
            XSSFSimpleShape round = over.createSimpleShape(new XSSFClientAnchor(0, 0, 0, 0, 4, 1, 6, 5));
            round.setShapeType(ShapeTypes.ELLIPSE);
            round.setFillColor(20, 120, 60);
            round.setText("Buoy");
            XSSFConnector line = over.createConnector(new XSSFClientAnchor(0, 0, 0, 0, 1, 6, 6, 6));
            line.setShapeType(ShapeTypes.LINE);
            line.setLineStyleColor(0, 0, 200);
            line.setLineWidth(3);
            XSSFShapeGroup group = over.createGroup(new XSSFClientAnchor(0, 0, 0, 0, 1, 7, 5, 11));
            group.setCoordinates(0, 0, 1000, 1000);
            group.createTextbox(new XSSFChildAnchor(0, 0, 400, 1000)).setText("Left");
            group.createTextbox(new XSSFChildAnchor(600, 0, 1000, 1000)).setText("Right");
            book.write(out);
        }
        return file;
    }

    /** The same as the older generation has them. */
    private Path xls() throws IOException {
        Path file = root.resolve("map.xls");
        try (HSSFWorkbook book = new HSSFWorkbook(); OutputStream out = Files.newOutputStream(file)) {
            HSSFSheet sheet = framed(book.createSheet("Map"));
            HSSFPatriarch over = sheet.createDrawingPatriarch();
            HSSFTextbox box = over.createTextbox(new HSSFClientAnchor(0, 0, 0, 0, (short) 1, 1, (short) 3, 4));
            box.setString(new HSSFRichTextString("Wait here"));
            box.setFillColor(255, 230, 120);
            box.setLineStyleColor(176, 0, 32);
            box.setLineWidth(25_400);
            HSSFSimpleShape round = over.createSimpleShape(new HSSFClientAnchor(0, 0, 0, 0, (short) 4, 1, (short) 6, 5));
            round.setShapeType(HSSFSimpleShape.OBJECT_TYPE_OVAL);
            round.setFillColor(20, 120, 60);
            round.setString(new HSSFRichTextString("Buoy"));
            HSSFSimpleShape line = over.createSimpleShape(new HSSFClientAnchor(0, 0, 0, 0, (short) 1, 6, (short) 6, 6));
            line.setShapeType(HSSFSimpleShape.OBJECT_TYPE_LINE);
            line.setLineStyleColor(0, 0, 200);
            line.setLineWidth(38_100);
            HSSFShapeGroup group = over.createGroup(new HSSFClientAnchor(0, 0, 0, 0, (short) 1, 7, (short) 5, 11));
            group.setCoordinates(0, 0, 1000, 1000);
            group.createTextbox(new HSSFChildAnchor(0, 0, 400, 1000)).setString(new HSSFRichTextString("Left"));
            group.createTextbox(new HSSFChildAnchor(600, 0, 1000, 1000)).setString(new HSSFRichTextString("Right"));
            book.write(out);
        }
        return file;
    }

    private Receipt published(Path file, String name, Target target) {
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).as(target);
        Receipt receipt = Decant.publish(new Order(new Intake(file, null).pages(recipe, Progress.SILENT), recipe), root.resolve(name), Progress.SILENT).get(0);
        assertThat(receipt.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        return receipt;
    }

    /** Where words begin on the first page, in points from its upper left corner. */
    private static Map<String, double[]> words(Path pdf) throws IOException {
        Map<String, double[]> words = new TreeMap<>();
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            new PDFTextStripper() {
                @Override protected void writeString(String text, List<TextPosition> positions) {
                    words.put(text.strip(), new double[] {positions.get(0).getXDirAdj(), positions.get(0).getYDirAdj()});
                }
            }.getText(document);
        }
        return words;
    }

    private void stands(Path file) throws IOException {
        Receipt receipt = published(file, "map.pdf", Target.PDF);
        assertThat(receipt.findings().stream().map(Finding::what)).noneMatch(what -> what.contains("left out"));
        Map<String, double[]> words = words(receipt.file());
        assertThat(words).containsKeys("Pier", "End", "Wait here", "Buoy", "Left", "Right");
        double x = words.get("Pier")[0] - 1.5;
        double column = (words.get("End")[0] - words.get("Pier")[0]) / 7;
        double below = words.get("Pier")[1];
        assertThat(words.get("Wait here")[0]).isCloseTo(x + column + 7.2, Offset.offset(2.0));
        assertThat(words.get("Wait here")[1]).isBetween(below + 5, below + 26);
        // The second box of the group begins at six tenths of its four columns.
        assertThat(words.get("Right")[0] - words.get("Left")[0]).isCloseTo(0.6 * 4 * column, Offset.offset(3.0));
        try (PDDocument document = Loader.loadPDF(receipt.file().toFile())) {
            BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 72);
            double top = below - 20;
            assertThat(near(page, x + 2.9 * column, top + 75, new Color(255, 230, 120))).as("the area of the box").isTrue();
            assertThat(near(page, x + 2 * column, top + 20 + 1, new Color(176, 0, 32))).as("its line").isTrue();
            assertThat(near(page, x + 5.7 * column, top + 60, new Color(20, 120, 60))).as("the ellipse").isTrue();
            assertThat(near(page, x + 5.95 * column, top + 24, Color.WHITE)).as("nothing in the corner of its box").isTrue();
            assertThat(near(page, x + 3 * column, top + 120, new Color(0, 0, 200))).as("the line").isTrue();
        }
    }

    /** Whether a pixel or one beside it is about of a colour. */
    private static boolean near(BufferedImage page, double x, double y, Color colour) {
        for (int dx = -3; dx <= 3; dx++) for (int dy = -7; dy <= 7; dy++) {
            Color seen = new Color(page.getRGB((int) x + dx, (int) y + dy));
            int away = Math.abs(seen.getRed() - colour.getRed()) + Math.abs(seen.getGreen() - colour.getGreen()) + Math.abs(seen.getBlue() - colour.getBlue());
            if (away < 40) return true;
        }
        return false;
    }

    @Test void shapesOfANewWorkbookStandOverTheirCells() throws IOException { stands(xlsx(root.resolve("map.xlsx"))); }

    @Test void shapesOfAnOldWorkbookStandOverTheirCells() throws IOException { stands(xls()); }

    /** Written by our own writer, whose boxes and pictures are the format's. */
    @Test void shapesOfAnOpenWorkbookStandOverTheirCells() throws IOException {
        stands(published(xlsx(root.resolve("map.xlsx")), "map.ods", Target.of("ods")).file());
    }

    private static List<String> said(Iterable<? extends XSSFShape> shapes) {
        List<String> said = new ArrayList<>();
        for (XSSFShape shape : shapes) if (shape instanceof XSSFSimpleShape simple && !simple.getText().isBlank()) said.add(simple.getText());
        return said;
    }

    /** Saved again a shape is a shape: of the same kind in its own generation, a box with its words in the other. */
    @Test void shapesAreSavedAgain() throws IOException {
        Path same = published(xlsx(root.resolve("map.xlsx")), "again.xlsx", Target.of("xlsx")).file();
        try (XSSFWorkbook book = new XSSFWorkbook(Files.newInputStream(same))) {
            List<XSSFShape> shapes = book.getSheetAt(0).createDrawingPatriarch().getShapes();
            assertThat(said(shapes)).containsExactly("Wait here", "Buoy", "Left", "Right");
            assertThat(shapes.stream().filter(shape -> shape instanceof XSSFSimpleShape).map(shape -> ((XSSFSimpleShape) shape).getShapeType()))
                    .contains(ShapeTypes.ELLIPSE);
            assertThat(shapes).anyMatch(shape -> shape instanceof XSSFConnector);
        }
        Path newer = published(xls(), "newer.xlsx", Target.of("xlsx")).file();
        try (XSSFWorkbook book = new XSSFWorkbook(Files.newInputStream(newer))) {
            List<XSSFShape> shapes = book.getSheetAt(0).createDrawingPatriarch().getShapes();
            assertThat(said(shapes)).containsExactly("Wait here", "Buoy", "Left", "Right");
            assertThat(((XSSFClientAnchor) shapes.get(0).getAnchor()).getCol1()).isEqualTo((short) 1);
        }
        Path older = published(xlsx(root.resolve("map.xlsx")), "older.xls", Target.of("xls")).file();
        try (HSSFWorkbook book = new HSSFWorkbook(Files.newInputStream(older))) {
            List<String> said = new ArrayList<>();
            for (HSSFShape shape : book.getSheetAt(0).getDrawingPatriarch().getChildren()) {
                if (!(shape instanceof HSSFTextbox box)) continue;
                said.add(box.getString().getString());
                if (said.size() == 1) assertThat(box.getFillColor()).isEqualTo(120 << 16 | 230 << 8 | 255);
            }
            assertThat(said).containsExactly("Wait here", "Buoy", "Left", "Right");
        }
    }

    /** The workbook stream without the records of the text in boxes ([MS-XLS], 2.4.329) and what continues them, as some programs write it. */
    private static void dropTexts(Path file) throws IOException {
        ByteArrayOutputStream rest = new ByteArrayOutputStream();
        try (POIFSFileSystem files = new POIFSFileSystem(Files.newInputStream(file))) {
            byte[] stream = files.createDocumentInputStream("Workbook").readAllBytes();
            ByteBuffer records = ByteBuffer.wrap(stream).order(ByteOrder.LITTLE_ENDIAN);
            boolean text = false;
            for (int at = 0; at + 4 <= stream.length; at += 4 + records.getShort(at + 2)) {
                int kind = records.getShort(at);
                text = kind == 0x01B6 || text && kind == 0x003C;
                if (!text) rest.write(stream, at, 4 + records.getShort(at + 2));
            }
            files.getRoot().getEntry("Workbook").delete();
            files.createDocument(new ByteArrayInputStream(rest.toByteArray()), "Workbook");
            try (OutputStream out = Files.newOutputStream(file)) {
                files.writeFilesystem(out);
            }
        }
    }

    /** Drawings that lack a record cost those drawings, told, and no cell. */
    @Test void aBoxWithoutItsTextLosesNoCell() throws IOException {
        Path file = xls();
        dropTexts(file);
        Taken taken = Decant.open(file);
        assertThat(text(taken.document())).contains("Pier", "End");
        assertThat(taken.findings()).extracting(finding -> finding.message().toString()).anyMatch(told -> told.contains("shape"));
    }

    private static String text(Document document) {
        return String.join("\n", Walk.of(document).stops().stream().map(stop -> stop.paragraph().plainText()).toList());
    }
}
