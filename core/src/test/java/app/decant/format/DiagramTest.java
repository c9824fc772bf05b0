package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.format.sheet.SheetFormat;
import app.decant.picture.PictureDecoder;
import app.decant.sheet.SheetObject;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Diagrams (ISO/IEC 29500-1, 21.4), shown by the drawing that is stored with them ([MS-ODRAWXML], 2.7): two boxes, 80 by 40, above each other. */
class DiagramTest {
    private static final String A = "xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\"";
    private static final String DGM = "http://schemas.openxmlformats.org/drawingml/2006/diagram";
    private static final String DSP = "xmlns:dsp=\"http://schemas.microsoft.com/office/drawing/2008/diagram\"";
    private static final String ROLES = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private static final String FRAME = "<a:graphic " + A + "><a:graphicData uri=\"" + DGM + "\"><dgm:relIds xmlns:dgm=\"" + DGM + "\" xmlns:r=\"" + ROLES
            + "\" r:dm=\"r1\"/></a:graphicData></a:graphic>";

    private static String data(String relation) {
        return "<dgm:dataModel xmlns:dgm=\"" + DGM + "\" " + A + "><dgm:ptLst/><dgm:extLst><a:ext uri=\"x\"><dsp:dataModelExt " + DSP + " relId=\"" + relation
                + "\"/></a:ext></dgm:extLst></dgm:dataModel>";
    }

    private static String drawing() {
        return "<dsp:drawing " + DSP + " " + A + "><dsp:spTree>" + shape(0, "AA0000", "Ferry") + shape(60, "0000AA", "A word that is far too long for its box")
                + "</dsp:spTree></dsp:drawing>";
    }

    private static String shape(int top, String colour, String words) {
        return "<dsp:sp><dsp:spPr><a:xfrm><a:off x=\"" + 10 * 12700 + "\" y=\"" + top * 12700 + "\"/><a:ext cx=\"" + 80 * 12700 + "\" cy=\"" + 40 * 12700
                + "\"/></a:xfrm><a:prstGeom prst=\"rect\"><a:avLst/></a:prstGeom><a:solidFill><a:srgbClr val=\"" + colour
                + "\"/></a:solidFill></dsp:spPr><dsp:txBody><a:bodyPr anchor=\"ctr\"/><a:p><a:pPr algn=\"ctr\"/><a:r><a:rPr sz=\"2000\"><a:solidFill>"
                + "<a:srgbClr val=\"FFFFFF\"/></a:solidFill></a:rPr><a:t>" + words + "</a:t></a:r></a:p></dsp:txBody></dsp:sp>";
    }

    private static Picture likeness(Taken taken) {
        for (Inline inline : ((Paragraph) taken.document().blocks().get(0)).inlines())
            if (inline instanceof Inline.OpaqueInline opaque) return opaque.opaque().likeness();
        throw new AssertionError("nothing kept");
    }

    private static int at(Picture picture, double x, double y) throws IOException {
        BufferedImage pixels = PictureDecoder.decode(picture.image(), 144);
        return pixels.getRGB((int) (2 * x), (int) (2 * y)) & 0xFFFFFF;
    }

    @Test void diagramsAreShownAndStay() throws IOException {
        byte[] file = new DocxParts().with("diagramData", "diagrams/data1.xml", data("r2")).with("diagramDrawing", "diagrams/drawing1.xml", drawing())
                .bytes("<w:p><w:r><w:drawing><wp:inline><wp:extent cx=\"" + 100 * 12700 + "\" cy=\"" + 100 * 12700 + "\"/><wp:docPr id=\"1\" name=\"d\"/>"
                + FRAME + "</wp:inline></w:drawing></w:r></w:p>");
        Taken first = Formats.read(file, "made.docx", null, Progress.SILENT);
        assertThat(first.findings()).extracting(Finding::weight).doesNotContain(Finding.Weight.LOST, Finding.Weight.CHANGED);
        // Something before it takes the numbers that its relations had.
        Taken again = Formats.read(OoxmlFormat.DOCX.write(first.document(), Instant.EPOCH).bytes(), "made.docx", null, Progress.SILENT);
        for (Taken taken : List.of(first, again)) {
            Picture picture = likeness(taken);
            assertThat(picture.width()).isEqualTo(100, within(0.1));
            assertThat(picture.description()).isEqualTo("Ferry A word that is far too long for its box");
            assertThat(at(picture, 12, 3)).isEqualTo(0xAA0000);
            assertThat(at(picture, 12, 97)).isEqualTo(0x0000AA);
            assertThat(at(picture, 50, 50)).as("words stay in their boxes").isIn(0xFFFFFF, 0);
            BufferedImage pixels = PictureDecoder.decode(picture.image(), 144);
            int letters = 0;
            for (int y = 0; y < 80; y++) for (int x = 30; x < 170; x++) if ((pixels.getRGB(x, y) & 0xFFFFFF) == 0xFFFFFF) letters++;
            assertThat(letters).as("ink of white letters in the first box").isBetween(150, 2500);
        }
    }

    @Test void diagramsOnSheetsAreShapes() {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        put(parts, "[Content_Types].xml", "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Override "
                + "PartName=\"/xl/workbook.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/></Types>");
        put(parts, "_rels/.rels", relations("officeDocument", "xl/workbook.xml"));
        String main = "xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\" xmlns:r=\"" + ROLES + "\"";
        put(parts, "xl/workbook.xml", "<workbook " + main + "><sheets><sheet name=\"Map\" sheetId=\"1\" r:id=\"r1\"/></sheets></workbook>");
        put(parts, "xl/_rels/workbook.xml.rels", relations("worksheet", "worksheets/sheet1.xml"));
        put(parts, "xl/worksheets/sheet1.xml", "<worksheet " + main + "><sheetData/><drawing r:id=\"r1\"/></worksheet>");
        put(parts, "xl/worksheets/_rels/sheet1.xml.rels", relations("drawing", "../drawings/drawing1.xml"));
        put(parts, "xl/drawings/drawing1.xml", "<xdr:wsDr xmlns:xdr=\"http://schemas.openxmlformats.org/drawingml/2006/spreadsheetDrawing\" " + A
                + "><xdr:absoluteAnchor><xdr:pos x=\"0\" y=\"0\"/><xdr:ext cx=\"" + 100 * 12700 + "\" cy=\"" + 100 * 12700
                + "\"/><xdr:graphicFrame><xdr:nvGraphicFramePr><xdr:cNvPr id=\"2\" name=\"d\"/></xdr:nvGraphicFramePr>" + FRAME
                + "</xdr:graphicFrame></xdr:absoluteAnchor></xdr:wsDr>");
        put(parts, "xl/drawings/_rels/drawing1.xml.rels", relations("diagramData", "../diagrams/data1.xml", "diagramDrawing", "../diagrams/drawing1.xml"));
        put(parts, "xl/diagrams/data1.xml", data("r2"));
        put(parts, "xl/diagrams/drawing1.xml", drawing());
        byte[] file = Archive.packed(null, parts);
        List<SheetObject> objects = SheetFormat.XLSX.workbook(new Content(file, "made.xlsx"), null, Progress.SILENT).workbook().sheets().get(0).objects();
        assertThat(objects).extracting(one -> ((Paragraph) one.shape().words().blocks().get(0)).text()).containsExactly("Ferry",
                "A word that is far too long for its box");
        assertThat(objects.get(0).shape().words().width()).isEqualTo(80, within(0.1));
        assertThat(objects.get(1).cells().top()).as("sixty points down").isPositive();
    }

    private static String relations(String... told) {
        StringBuilder all = new StringBuilder("<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">");
        for (int i = 0; i < told.length; i += 2) all.append("<Relationship Id=\"r").append(i / 2 + 1).append("\" Type=\"").append(ROLES).append('/')
                .append(told[i]).append("\" Target=\"").append(told[i + 1]).append("\"/>");
        return all.append("</Relationships>").toString();
    }

    private static void put(Map<String, byte[]> parts, String name, String xml) { parts.put(name, xml.getBytes(StandardCharsets.UTF_8)); }
}
