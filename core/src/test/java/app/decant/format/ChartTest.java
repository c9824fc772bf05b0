package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.picture.PictureDecoder;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.xddf.usermodel.XDDFColor;
import org.apache.poi.xddf.usermodel.XDDFShapeProperties;
import org.apache.poi.xddf.usermodel.XDDFSolidFillProperties;
import org.apache.poi.xddf.usermodel.chart.AxisPosition;
import org.apache.poi.xddf.usermodel.chart.ChartTypes;
import org.apache.poi.xddf.usermodel.chart.XDDFCategoryAxis;
import org.apache.poi.xddf.usermodel.chart.XDDFChartData;
import org.apache.poi.xddf.usermodel.chart.XDDFDataSource;
import org.apache.poi.xddf.usermodel.chart.XDDFDataSourcesFactory;
import org.apache.poi.xddf.usermodel.chart.XDDFNumericalDataSource;
import org.apache.poi.xddf.usermodel.chart.XDDFValueAxis;
import org.apache.poi.xwpf.usermodel.XWPFChart;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Charts that POI makes (ISO/IEC 29500-1, 21.2), drawn here from the values it stores: as much ink of each colour as the numbers ask for. */
class ChartTest {
    private static final byte[] RED = {(byte) 0xC0, 0x20, 0x20};
    private static final byte[] BLUE = {0x20, 0x20, (byte) 0xC0};

    private static byte[] docx(ChartTypes type) throws IOException, InvalidFormatException {
        try (XWPFDocument document = new XWPFDocument()) {
            XWPFChart chart = document.createChart(4_000_000, 2_500_000);
            chart.setTitleText("Passengers by month");
            XDDFDataSource<String> months = XDDFDataSourcesFactory.fromArray(new String[] {"January", "February", "March"});
            XDDFCategoryAxis bottom = type == ChartTypes.PIE ? null : chart.createCategoryAxis(AxisPosition.BOTTOM);
            XDDFValueAxis left = type == ChartTypes.PIE ? null : chart.createValueAxis(AxisPosition.LEFT);
            XDDFChartData data = chart.createData(type, bottom, left);
            series(data, months, "Westness", RED, 400, 380, 420);
            if (type != ChartTypes.PIE) series(data, months, "Eynhallow", BLUE, 200, 190, 210);
            chart.plot(data);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.write(out);
            return out.toByteArray();
        }
    }

    private static void series(XDDFChartData data, XDDFDataSource<String> months, String name, byte[] colour, Integer... values) {
        XDDFNumericalDataSource<Integer> counts = XDDFDataSourcesFactory.fromArray(values);
        XDDFChartData.Series series = data.addSeries(months, counts);
        series.setTitle(name, null);
        XDDFShapeProperties properties = new XDDFShapeProperties();
        properties.setFillProperties(new XDDFSolidFillProperties(XDDFColor.from(colour)));
        series.setShapeProperties(properties);
    }

    private static Taken taken(byte[] file) { return Formats.read(file, "chart.docx", null, Progress.SILENT); }

    private static Picture likeness(Taken taken) {
        for (var block : taken.document().blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.OpaqueInline opaque) return opaque.opaque().likeness();
        }
        return null;
    }

    private static Map<Integer, Integer> ink(Picture picture) throws IOException {
        BufferedImage pixels = PictureDecoder.decode(picture.image(), 216);
        Map<Integer, Integer> ink = new HashMap<>();
        for (int y = 0; y < pixels.getHeight(); y++) for (int x = 0; x < pixels.getWidth(); x++) ink.merge(pixels.getRGB(x, y) & 0xFFFFFF, 1, Integer::sum);
        return ink;
    }

    @Test void columnsAreAsHighAsTheirNumbers() throws Exception {
        Taken taken = taken(docx(ChartTypes.BAR));
        Picture picture = likeness(taken);
        assertThat(picture.width()).isEqualTo(4_000_000 / 12_700.0);
        assertThat(picture.description()).isEqualTo("Passengers by month");
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("a chart, shown by a picture drawn from its stored values"));
        Map<Integer, Integer> ink = ink(picture);
        // Keys beside the chart have one little square of each colour.
        assertThat((double) ink.get(0xC02020) / ink.get(0x2020C0)).isBetween(1.85, 2.15);
    }

    @ParameterizedTest
    @EnumSource(value = ChartTypes.class, names = {"PIE", "LINE", "AREA", "DOUGHNUT"})
    void otherKindsShowSomethingOfTheirNumbers(ChartTypes type) throws Exception {
        Picture picture = likeness(taken(docx(type == ChartTypes.DOUGHNUT ? ChartTypes.PIE : type)));
        assertThat(picture).isNotNull();
        Map<Integer, Integer> ink = ink(picture);
        long all = ink.values().stream().mapToLong(Integer::longValue).sum();
        assertThat(ink.get(0xFFFFFF)).as("not blank").isLessThan((int) (all * 0.99));
        if (type == ChartTypes.LINE || type == ChartTypes.AREA) assertThat(ink).containsKeys(0xC02020, 0x2020C0);
    }

    /** Three slices of 400, 380 and 420: each about a third of the ink. */
    @Test void slicesAreAsWideAsTheirNumbers() throws Exception {
        Map<Integer, Integer> ink = ink(likeness(taken(docx(ChartTypes.PIE))));
        int[] slices = ink.entrySet().stream().filter(entry -> entry.getKey() != 0xFFFFFF).mapToInt(Map.Entry::getValue).sorted().toArray();
        int last = slices.length - 1;
        assertThat((double) slices[last] / slices[last - 2]).isBetween(1.05, 1.18);
    }

    /** A chart that lies about itself is kept, not shown, and nothing else suffers. */
    @Test void brokenChartsAreKeptButNotShown() throws Exception {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (var in = new ZipInputStream(new ByteArrayInputStream(docx(ChartTypes.BAR)))) {
            for (var entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) parts.put(entry.getName(), in.readAllBytes());
        }
        for (String[] lie : new String[][] {{"<c:v>4", "<c:v>wind"}, {"idx=\"1\"", "idx=\"2000000000\""}, {"c:barChart", "c:surfaceChart"},
                {"c:plotArea", "c:plotHall"}}) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            try (var zip = new ZipOutputStream(out)) {
                for (var part : parts.entrySet()) {
                    zip.putNextEntry(new ZipEntry(part.getKey()));
                    boolean chart = part.getKey().matches("word/charts/chart\\d*\\.xml");
                    zip.write(chart ? new String(part.getValue(), StandardCharsets.UTF_8).replace(lie[0], lie[1])
                            .getBytes(StandardCharsets.UTF_8) : part.getValue());
                }
            }
            Taken taken = taken(out.toByteArray());
            assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("a chart"));
        }
    }
}
