package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.format.Chart;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.poi.hssf.model.HSSFFormulaParser;
import org.apache.poi.hssf.record.Record;
import org.apache.poi.hssf.record.UnknownRecord;
import org.apache.poi.hssf.record.chart.AreaFormatRecord;
import org.apache.poi.hssf.record.chart.BarRecord;
import org.apache.poi.hssf.record.chart.BeginRecord;
import org.apache.poi.hssf.record.chart.ChartRecord;
import org.apache.poi.hssf.record.chart.EndRecord;
import org.apache.poi.hssf.record.chart.LinkedDataRecord;
import org.apache.poi.hssf.record.chart.ObjectLinkRecord;
import org.apache.poi.hssf.record.chart.SeriesRecord;
import org.apache.poi.hssf.record.chart.SeriesTextRecord;
import org.apache.poi.hssf.record.chart.TextRecord;
import org.apache.poi.hssf.usermodel.HSSFCell;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.junit.jupiter.api.Test;

/** Charts of the older generation, told by records as [MS-XLS], 2.1.7.20.1 has them. */
class XlsChartsTest {
    private static final String FARES = "'Autumn, fares'!";

    private final HSSFWorkbook book = new HSSFWorkbook();
    private final HSSFSheet fares = book.createSheet("Autumn, fares");
    private final HSSFSheet sheet = book.createSheet("Charts");

    XlsChartsTest() {
        Object[][] cells = {{"Isle", "Adults", "Children"}, {"Lunnay", 12.5, 6.0}, {"Brannoch", 15.0, 7.5}, {"Skarra", 20.0, null}};
        for (int r = 0; r < cells.length; r++) {
            for (int c = 0; c < 3; c++) {
                if (cells[r][c] == null) continue;
                HSSFCell cell = (fares.getRow(r) == null ? fares.createRow(r) : fares.getRow(r)).createCell(c);
                if (cells[r][c] instanceof Double number) cell.setCellValue(number);
                else cell.setCellValue((String) cells[r][c]);
            }
        }
    }

    private void tell(Record... records) { sheet.getSheet().getRecords().addAll(Arrays.asList(records)); }

    private LinkedDataRecord link(byte kind, String formula) {
        LinkedDataRecord link = new LinkedDataRecord();
        link.setLinkType(kind);
        link.setReferenceType(formula == null ? LinkedDataRecord.REFERENCE_TYPE_DIRECT : LinkedDataRecord.REFERENCE_TYPE_WORKSHEET);
        link.setFormulaOfLink(formula == null ? null : HSSFFormulaParser.parse(formula, book));
        return link;
    }

    /** A series whose name is a cell, or told outright. */
    private void series(String name, String values, String categories, Integer colour) {
        boolean cell = name.contains("!");
        List<Record> records = new ArrayList<>(List.of(new SeriesRecord(), new BeginRecord(),
                link(LinkedDataRecord.LINK_TYPE_TITLE_OR_TEXT, cell ? name : null)));
        if (!cell) records.add(text(name));
        records.add(link(LinkedDataRecord.LINK_TYPE_VALUES, values));
        records.add(link(LinkedDataRecord.LINK_TYPE_CATEGORIES, categories));
        records.add(link(LinkedDataRecord.LINK_TYPE_SECONDARY_CATEGORIES, null));
        records.add(new BeginRecord());
        AreaFormatRecord area = new AreaFormatRecord();
        area.setAutomatic(colour == null);
        if (colour != null) area.setForegroundColor(colour);
        records.add(area);
        records.add(new EndRecord());
        records.add(new EndRecord());
        tell(records.toArray(Record[]::new));
    }

    private static SeriesTextRecord text(String words) {
        SeriesTextRecord text = new SeriesTextRecord();
        text.setText(words);
        return text;
    }

    private void title(String words) {
        ObjectLinkRecord link = new ObjectLinkRecord();
        link.setAnchorId((short) 1);
        tell(new TextRecord(), new BeginRecord(), text(words), link, new EndRecord());
    }

    @Test void columnsStandOnEachOtherInTheirColours() {
        BarRecord bar = new BarRecord();
        bar.setStacked(true);
        tell(new ChartRecord(), new BeginRecord());
        // In the record red is first from below.
        series(FARES + "$B$1", FARES + "$B$2:$B$4", FARES + "$A$2:$A$4", 0x2000B0);
        series("Little ones", FARES + "$C$2:$C$4", FARES + "$A$2:$A$4", null);
        tell(bar);
        title("Fares by isle");
        tell(new EndRecord());
        Chart chart = XlsCharts.of(sheet).get(0);
        assertThat(chart.kind()).isEqualTo(Chart.Kind.COLUMNS);
        assertThat(chart.stacked()).isTrue();
        assertThat(chart.title()).isEqualTo("Fares by isle");
        assertThat(chart.categories()).containsExactly("Lunnay", "Brannoch", "Skarra");
        assertThat(chart.series()).extracting(Chart.Series::name).containsExactly("Adults", "Little ones");
        assertThat(chart.series().get(0).values()).containsExactly(12.5, 15.0, 20.0);
        assertThat(chart.series().get(0).colour()).isEqualTo(0xB00020);
        assertThat(chart.series().get(1).values()).containsExactly(6.0, 7.5, Double.NaN);
        assertThat(chart.series().get(1).colour()).isNull();
    }

    @Test void eachChartIsByItself() {
        byte[] ring = {0, 0, 50, 0, 0, 0};
        for (Record kind : List.of(new UnknownRecord(0x1018, new byte[] {1, 0}), new UnknownRecord(0x1019, ring), new UnknownRecord(0x1019, new byte[6]),
                new UnknownRecord(0x101B, new byte[6]))) {
            tell(new ChartRecord(), new BeginRecord());
            series("Adults", FARES + "$B$2:$B$4", FARES + "$C$2:$C$4", null);
            tell(kind, new EndRecord());
        }
        tell(new ChartRecord(), new BeginRecord());
        series("Adults", FARES + "$B$2:$B$4", FARES + "$A$2:$A$4", null);
        tell(new UnknownRecord(0x103F, new byte[4]), new EndRecord());
        List<Chart> charts = XlsCharts.of(sheet);
        assertThat(charts.subList(0, 4)).extracting(Chart::kind).containsExactly(Chart.Kind.LINES, Chart.Kind.RING, Chart.Kind.PIE, Chart.Kind.POINTS);
        assertThat(charts.get(0).stacked()).isTrue();
        assertThat(charts.get(3).series().get(0).across()).containsExactly(6.0, 7.5, Double.NaN);
        assertThat(charts.get(4)).as("a kind that is not drawn").isNull();
    }

    /** What leads nowhere is no chart, and ends no reading. */
    @Test void whatLeadsNowhereIsNotDrawn() {
        book.createName().setNameName("Gone");
        book.getName("Gone").setRefersToFormula("#REF!");
        book.createName().setNameName("Adults");
        book.getName("Adults").setRefersToFormula(FARES + "$B$2:$B$4");
        tell(new ChartRecord(), new BeginRecord());
        series("Adults", "Gone", null, null);
        tell(new BarRecord(), new EndRecord(), new EndRecord(), new EndRecord());
        assertThat(XlsCharts.of(sheet)).containsExactly((Chart) null);
        tell(new ChartRecord(), new BeginRecord());
        series("Adults", "Adults", null, null);
        tell(new BarRecord(), new EndRecord());
        assertThat(XlsCharts.of(sheet).get(1).series().get(0).values()).as("by a name").containsExactly(12.5, 15.0, 20.0);
    }
}
