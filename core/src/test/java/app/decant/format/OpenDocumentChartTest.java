package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.format.sheet.ReadWorkbook;
import app.decant.format.sheet.SheetFormat;
import app.decant.sheet.SheetObject;
import app.decant.xml.XmlReader;
import app.decant.picture.PictureDecoder;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Charts of OpenDocument (ISO/IEC 26300-1, 11), in texts and on sheets, from the values of their own tables. */
class OpenDocumentChartTest {
    private static final String OASIS = "urn:oasis:names:tc:opendocument:xmlns:";
    private static final String NAMES = " xmlns:office=\"" + OASIS + "office:1.0\" xmlns:chart=\"" + OASIS + "chart:1.0\" xmlns:table=\"" + OASIS
            + "table:1.0\" xmlns:text=\"" + OASIS + "text:1.0\" xmlns:style=\"" + OASIS + "style:1.0\" xmlns:draw=\"" + OASIS + "drawing:1.0\" xmlns:svg=\""
            + OASIS + "svg-compatible:1.0\" xmlns:xlink=\"http://www.w3.org/1999/xlink\"";
    private static final String FRAME = "<draw:frame text:anchor-type=\"as-char\" svg:width=\"240pt\" svg:height=\"150pt\">"
            + "<draw:object xlink:href=\"./Object 1\"/><draw:image xlink:href=\"./ObjectReplacements/Object 1\"/></draw:frame>";

    private static String cell(Object value) {
        return (value instanceof Number ? "<table:table-cell office:value-type=\"float\" office:value=\"" + value + "\"><text:p>shown"
                : "<table:table-cell office:value-type=\"string\"><text:p>" + value) + "</text:p></table:table-cell>";
    }

    private static String row(Object... cells) {
        StringBuilder row = new StringBuilder("<table:table-row>");
        for (Object one : cells) row.append(cell(one));
        return row.append("</table:table-row>").toString();
    }

    /** @param own whether series say where in the chart's own table they stand, or name cells of a sheet */
    private static String chart(String kind, boolean own) {
        String series = own ? "<chart:series chart:style-name=\"red\" chart:values-cell-range-address=\"local-table.$B$2:.$B$4\" "
                + "chart:label-cell-address=\"local-table.$B$1\"/><chart:series chart:style-name=\"blue\" "
                + "chart:values-cell-range-address=\"local-table.$C$2:.$C$4\" chart:label-cell-address=\"local-table.$C$1\"/>"
                : "<chart:series chart:style-name=\"red\" chart:values-cell-range-address=\"Fares.B2:Fares.B4\"/><chart:series chart:style-name=\"blue\" "
                + "chart:values-cell-range-address=\"Fares.C2:Fares.C4\"/>";
        return "<office:document-content" + NAMES + "><office:automatic-styles>"
                + "<style:style style:name=\"red\" style:family=\"chart\"><style:graphic-properties draw:fill-color=\"#c02020\"/></style:style>"
                + "<style:style style:name=\"blue\" style:family=\"chart\"><style:graphic-properties draw:fill-color=\"#2020c0\"/></style:style>"
                + "<style:style style:name=\"area\" style:family=\"chart\"><style:chart-properties chart:stacked=\"true\"/></style:style>"
                + "</office:automatic-styles><office:body><office:chart><chart:chart chart:class=\"chart:" + kind
                + "\"><chart:title><text:p>乗客</text:p></chart:title><chart:plot-area chart:style-name=\"area\"><chart:axis chart:dimension=\"x\">"
                + "<chart:categories table:cell-range-address=\"local-table.$A$2:.$A$4\"/></chart:axis>" + series
                + "</chart:plot-area><table:table table:name=\"local-table\"><table:table-header-rows>" + row("", "Westness", "Eynhallow")
                + "</table:table-header-rows><table:table-rows>" + row("Jan", 400, 200) + row("Feb", 380.5, "none") + row("Mar", 420, 210)
                + "</table:table-rows></table:table></chart:chart></office:chart></office:body></office:document-content>";
    }

    private static byte[] file(String kind, String body, String chart) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        String content = "<office:document-content" + NAMES + "><office:body>" + body + "</office:body></office:document-content>";
        parts.put("content.xml", content.getBytes(StandardCharsets.UTF_8));
        parts.put("Object 1/content.xml", chart.getBytes(StandardCharsets.UTF_8));
        parts.put("ObjectReplacements/Object 1", "VCLMTF".getBytes(StandardCharsets.US_ASCII));
        return Archive.packed("application/vnd.oasis.opendocument." + kind, parts);
    }

    @Test void seriesAreTheValuesOfTheirColumns() {
        for (boolean own : new boolean[] {true, false}) {
            Chart chart = OpenDocumentChart.read(XmlReader.tree(chart("bar", own).getBytes(StandardCharsets.UTF_8), "chart"));
            assertThat(chart.kind()).isEqualTo(Chart.Kind.COLUMNS);
            assertThat(chart.stacked()).isTrue();
            assertThat(chart.title()).isEqualTo("乗客");
            assertThat(chart.categories()).containsExactly("Jan", "Feb", "Mar");
            assertThat(chart.series()).extracting(Chart.Series::name).containsExactly("Westness", "Eynhallow");
            assertThat(chart.series()).extracting(Chart.Series::colour).containsExactly(0xC02020, 0x2020C0);
            assertThat(chart.series().get(0).values()).containsExactly(400.0, 380.5, 420.0);
            assertThat(chart.series().get(1).values()).containsExactly(200.0, Double.NaN, 210.0);
        }
        assertThat(OpenDocumentChart.read(XmlReader.tree(chart("surface", true).getBytes(StandardCharsets.UTF_8), "chart"))).isNull();
    }

    private static long ink(Picture picture, int colour) throws IOException {
        BufferedImage pixels = PictureDecoder.decode(picture.image(), 216);
        long count = 0;
        for (int y = 0; y < pixels.getHeight(); y++) for (int x = 0; x < pixels.getWidth(); x++) if ((pixels.getRGB(x, y) & 0xFFFFFF) == colour) count++;
        return count;
    }

    @Test void aChartInATextIsDrawnWhereItsPictureCanNotBeShown() throws IOException {
        Taken taken = Formats.read(file("text", "<office:text><text:p>Fares " + FRAME + "</text:p></office:text>", chart("bar", true)), "fares.odt", null,
                Progress.SILENT);
        Picture drawn = ((Paragraph) taken.document().blocks().get(0)).inlines().stream().filter(Inline.InlinePicture.class::isInstance)
                .map(inline -> ((Inline.InlinePicture) inline).picture()).findFirst().orElseThrow();
        assertThat(drawn.width()).isEqualTo(240);
        // Three times 400 against twice 200, and a square for each in the legend.
        assertThat(ink(drawn, 0xC02020) / (double) ink(drawn, 0x2020C0)).isBetween(2.0, 3.0);
        assertThat(taken.findings()).extracting(Finding::what).containsExactly("Charts come in as pictures, drawn from the values stored with them.");
    }

    @Test void aChartOnASheetIsDrawn() throws IOException {
        String sheet = "<office:spreadsheet><table:table table:name=\"Fares\"><table:shapes>" + FRAME + "</table:shapes>" + row("Line", 1)
                + "</table:table></office:spreadsheet>";
        ReadWorkbook read = SheetFormat.ODS.workbook(new Content(file("spreadsheet", sheet, chart("circle", false)), "fares.ods"), null, Progress.SILENT);
        List<SheetObject> objects = read.workbook().sheets().get(0).objects();
        assertThat(objects).singleElement().satisfies(one -> assertThat(one.kind()).isEqualTo(SheetObject.Kind.CHART));
        assertThat(objects.get(0).picture().image().type()).isEqualTo(PictureDecoder.DRAWING);
        assertThat(read.findings()).isEmpty();
    }

    @Test void whatIsDamagedLeavesItsPicture() {
        byte[] broken = file("text", "<office:text><text:p>Fares " + FRAME + "</text:p></office:text>", "<office:document-content");
        assertThat(Formats.read(broken, "fares.odt", null, Progress.SILENT).document().blocks()).isNotEmpty();
    }
}
