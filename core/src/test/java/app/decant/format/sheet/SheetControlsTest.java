package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.Finding;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.format.Archive;
import app.decant.format.Content;
import app.decant.sheet.Range;
import app.decant.sheet.SheetObject;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.apache.poi.hssf.record.CommonObjectDataSubRecord;
import org.apache.poi.hssf.record.EscherAggregate;
import org.apache.poi.hssf.record.ObjRecord;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFPatriarch;
import org.apache.poi.hssf.usermodel.HSSFRichTextString;
import org.apache.poi.hssf.usermodel.HSSFShape;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFSimpleShape;
import org.apache.poi.hssf.usermodel.HSSFTextbox;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.sl.usermodel.ShapeType;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

/** Boxes to tick, buttons and objects inside a file, over cells: older drawing parts (ISO/IEC 29500-4, 19.4) and records ([MS-XLS], 2.4.181). */
class SheetControlsTest {
    private static final String HEAD = "<xml xmlns:v='urn:schemas-microsoft-com:vml' xmlns:o='urn:schemas-microsoft-com:office:office'"
            + " xmlns:x='urn:schemas-microsoft-com:office:excel'>";

    private static String shape(String style, String words, String kind, String place, String more) {
        return "<v:shape type='#_x0000_t201' style='position:absolute;" + style + "' filled='f' stroked='f'><v:textbox><div style='text-align:left'>" + words
                + "</div></v:textbox><x:ClientData ObjectType='" + kind + "'><x:Anchor>\n " + place + "</x:Anchor>" + more + "</x:ClientData></v:shape>";
    }

    private static ReadWorkbook read(String shapes) throws IOException {
        ByteArrayOutputStream plain = new ByteArrayOutputStream();
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            book.createSheet("Form").createRow(0).createCell(0).setCellValue("Ask here");
            book.write(plain);
        }
        Map<String, byte[]> parts = new LinkedHashMap<>(Archive.parts(plain.toByteArray()));
        String sheet = new String(parts.get("xl/worksheets/sheet1.xml"), StandardCharsets.UTF_8);
        parts.put("xl/worksheets/sheet1.xml", sheet.replace("</worksheet>", "<legacyDrawing xmlns:r='http://schemas.openxmlformats.org/officeDocument/2006/"
                + "relationships' r:id='rId1'/></worksheet>").getBytes(StandardCharsets.UTF_8));
        String roles = "<Relationships xmlns='http://schemas.openxmlformats.org/package/2006/relationships'><Relationship Id='rId1' Type='http://schemas."
                + "openxmlformats.org/officeDocument/2006/relationships/%s' Target='%s'/></Relationships>";
        parts.put("xl/worksheets/_rels/sheet1.xml.rels", roles.formatted("vmlDrawing", "../drawings/old1.vml").getBytes(StandardCharsets.UTF_8));
        parts.put("xl/drawings/_rels/old1.vml.rels", roles.formatted("image", "../media/seen.png").getBytes(StandardCharsets.UTF_8));
        parts.put("xl/drawings/old1.vml", (HEAD + shapes + "</xml>").getBytes(StandardCharsets.UTF_8));
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(20, 10, BufferedImage.TYPE_INT_RGB), "png", png);
        parts.put("xl/media/seen.png", png.toByteArray());
        String types = new String(parts.get("[Content_Types].xml"), StandardCharsets.UTF_8);
        parts.put("[Content_Types].xml", types.replaceFirst("(<Types[^>]*>)", "$1<Default Extension=\"png\" ContentType=\"image/png\"/>")
                .getBytes(StandardCharsets.UTF_8));
        return SheetFormat.XLSX.workbook(new Content(Archive.packed(null, parts), "form.xlsx"), null, Progress.SILENT);
    }

    private static List<SheetObject> objects(ReadWorkbook read) { return read.workbook().sheets().get(0).objects(); }

    private static List<String> told(ReadWorkbook read) { return read.findings().stream().map(Finding::what).toList(); }

    private static String words(SheetObject object) {
        return object.shape().words().blocks().stream().map(block -> ((Paragraph) block).text()).collect(Collectors.joining("|"));
    }

    @Test void boxesToTickShowWhetherTheyAre() throws IOException {
        String ticked = "<x:Checked>1</x:Checked>";
        ReadWorkbook read = read(shape("", "<font face='Calibri' size='220'>With<br>a dog</font>", "Checkbox", "1, 0, 2, 0, 3, 0, 4, 10", ticked)
                + shape("", "", "Checkbox", "1, 0, 5, 0, 2, 0, 6, 0", "") + shape("", "By day", "Radio", "1, 0, 7, 0, 2, 0, 8, 0", ticked));
        assertThat(objects(read)).extracting(SheetControlsTest::words).containsExactly("\u2612 With\na dog", "\u2610", "\u25CF By day");
        SheetObject first = objects(read).get(0);
        assertThat(first.cells()).isEqualTo(new Range(2, 1, 4, 3));
        assertThat(first.bottom()).as("pixels, three quarters of a point each").isCloseTo(7.5, within(0.01));
        assertThat(first.shape().words().border()).isNull();
        assertThat(told(read)).anySatisfy(what -> assertThat(what).startsWith("3 controls"));
    }

    /** What its maker lets nobody see or print is on no page; notes are told elsewhere. */
    @Test void buttonsAreSeenUnlessTheyAreNotToBe() throws IOException {
        String place = "0, 0, 0, 0, 1, 0, 1, 0";
        ReadWorkbook read = read(shape("", "Send", "Button", place, "") + shape("visibility:hidden", "Secret", "Button", place, "")
                + shape("", "Reckon", "Button", place, "<x:PrintObject>False</x:PrintObject>") + shape("", "A note", "Note", place, "")
                + shape("", "", "Scroll", place, ""));
        assertThat(objects(read)).extracting(SheetControlsTest::words).containsExactly("Send");
        assertThat(objects(read).get(0).shape().words().border()).isNotNull();
        assertThat(told(read)).as("and the bar that scrolls").anySatisfy(what -> assertThat(what).startsWith("2 controls"));
    }

    @Test void objectsInsideTheFileAreSeenAsTheirPictures() throws IOException {
        String picture = "<v:shape style='position:absolute'><v:imagedata o:relid='rId1'/><x:ClientData ObjectType='Pict'><x:Anchor>0, 0, 0, 0, 1, 0, 2, 0"
                + "</x:Anchor></x:ClientData></v:shape>";
        ReadWorkbook read = read(picture);
        assertThat(objects(read)).singleElement().satisfies(one -> {
            assertThat(one.kind()).isEqualTo(SheetObject.Kind.PICTURE);
            assertThat(one.picture().image().type()).isEqualTo("image/png");
            assertThat(one.cells()).isEqualTo(new Range(0, 0, 2, 1));
        });
        assertThat(told(read)).anySatisfy(what -> assertThat(what).startsWith("1 object inside the file"));
        assertThat(objects(read(picture.replace("0, 0, 0, 0, 1, 0, 2, 0", "0, 0, 0, 99999999, 1")))).isEmpty();
        ReadWorkbook torn = read(picture + "<v:shape>");
        assertThat(objects(torn)).isEmpty();
        assertThat(told(torn)).anySatisfy(what -> assertThat(what).startsWith("1 control"));
    }

    @Test void controlsOfOlderWorkbooksAreToldByTheirRecords() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (HSSFWorkbook book = new HSSFWorkbook()) {
            HSSFSheet sheet = book.createSheet("Form");
            sheet.createRow(0).createCell(0).setCellValue("Ask here");
            HSSFPatriarch over = sheet.createDrawingPatriarch();
            HSSFSimpleShape tick = over.createSimpleShape(new HSSFClientAnchor(0, 0, 0, 0, (short) 1, 1, (short) 2, 2));
            tick.setShapeType(ShapeType.HOST_CONTROL.nativeId);
            HSSFSimpleShape arrow = over.createSimpleShape(new HSSFClientAnchor(0, 0, 0, 0, (short) 3, 1, (short) 4, 2));
            arrow.setShapeType(ShapeType.HOST_CONTROL.nativeId);
            HSSFTextbox box = over.createTextbox(new HSSFClientAnchor(0, 0, 0, 0, (short) 1, 5, (short) 2, 6));
            box.setString(new HSSFRichTextString("without a line"));
            box.setLineStyle(HSSFShape.LINESTYLE_NONE);
            HSSFTextbox lined = over.createTextbox(new HSSFClientAnchor(0, 0, 0, 0, (short) 1, 7, (short) 2, 8));
            lined.setString(new HSSFRichTextString("with one"));
            List<CommonObjectDataSubRecord> told = sheet.getSheet().getRecords().stream().filter(EscherAggregate.class::isInstance)
                    .flatMap(one -> ((EscherAggregate) one).getShapeToObjMapping().values().stream()).filter(ObjRecord.class::isInstance)
                    .map(one -> (CommonObjectDataSubRecord) ((ObjRecord) one).getSubRecords().get(0))
                    .sorted(Comparator.comparingInt(CommonObjectDataSubRecord::getObjectId)).toList();
            for (CommonObjectDataSubRecord one : told.subList(0, 2)) one.setObjectType(CommonObjectDataSubRecord.OBJECT_TYPE_CHECKBOX);
            told.get(0).setPrintable(true);
            told.get(1).setPrintable(false);
            book.write(out);
        }
        ReadWorkbook read = SheetFormat.XLS.workbook(new Content(out.toByteArray(), "form.xls"), null, Progress.SILENT);
        assertThat(objects(read)).extracting(SheetControlsTest::words).containsExactly("\u2610", "without a line", "with one");
        assertThat(objects(read)).extracting(one -> one.shape().words().border() == null).containsExactly(true, true, false);
        Block sign = objects(read).get(0).shape().words().blocks().get(0);
        assertThat(((Paragraph) sign).look().get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.START);
        assertThat(told(read)).anySatisfy(what -> assertThat(what).startsWith("1 control")).noneMatch(what -> what.contains("drawn shape"));
    }
}
