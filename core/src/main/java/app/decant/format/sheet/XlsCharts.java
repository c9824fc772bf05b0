package app.decant.format.sheet;

import app.decant.format.Chart;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.poi.hssf.model.HSSFFormulaParser;
import org.apache.poi.hssf.record.Record;
import org.apache.poi.hssf.record.RecordBase;
import org.apache.poi.hssf.record.chart.AreaFormatRecord;
import org.apache.poi.hssf.record.chart.ChartRecord;
import org.apache.poi.hssf.record.chart.LineFormatRecord;
import org.apache.poi.hssf.record.chart.LinkedDataRecord;
import org.apache.poi.hssf.record.chart.ObjectLinkRecord;
import org.apache.poi.hssf.record.chart.SeriesRecord;
import org.apache.poi.hssf.record.chart.SeriesTextRecord;
import org.apache.poi.hssf.record.chart.TextRecord;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.formula.ptg.Ptg;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.Name;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.util.AreaReference;
import org.apache.poi.ss.util.CellReference;
import org.slf4j.LoggerFactory;

/** The charts of a sheet of a .xls ([MS-XLS], 2.1.7.20.1), by the values that their cells hold as they were last reckoned. */
final class XlsCharts {
    /** More numbers than a page can show. */
    private static final int MOST_VALUES = 10_000;
    private static final int BAR = 0x1017;
    private static final int LINE = 0x1018;
    private static final int PIE = 0x1019;
    private static final int AREA = 0x101A;
    private static final int SCATTER = 0x101B;
    private static final int NET = 0x103E;
    private static final int LEGEND = 0x1015;
    /** Where keys stand (2.4.152, wType). */
    private static final Map<Integer, Chart.Keys> KEYS = Map.of(0, Chart.Keys.BELOW, 2, Chart.Keys.ABOVE, 4, Chart.Keys.LEFT);
    private static final int BEGIN = 0x1033;
    private static final int END = 0x1034;
    /** The head of a record: what it is and how long. */
    private static final int HEAD = 4;
    private static final int TITLE = 1;

    private final HSSFWorkbook book;
    private final DataFormatter written = new DataFormatter();
    private final List<Drawn> charts = new ArrayList<>();
    private int depth;

    /** A chart as far as it has been read. */
    private static final class Drawn {
        private final List<Told> rows = new ArrayList<>();
        private Chart.Kind kind;
        private Chart.Grouping grouping = Chart.Grouping.BESIDE;
        private Chart.Keys keys = Chart.Keys.NONE;
        private String title;
        private String text;
    }

    /** A series as far as it has been read, and how deep within others it is told. */
    private static final class Told {
        private final int depth;
        private String name = "";
        private List<Cell> values = List.of();
        private List<Cell> categories = List.of();
        private Integer colour;
        private boolean open = true;

        Told(int depth) { this.depth = depth; }
    }

    private XlsCharts(HSSFWorkbook book) { this.book = book; }

    /** The charts of a sheet in the order of their frames; null for those of kinds that are not drawn here. */
    static List<Chart> of(HSSFSheet sheet) {
        XlsCharts charts = new XlsCharts(sheet.getWorkbook());
        for (RecordBase one : sheet.getSheet().getRecords()) if (one instanceof Record record) charts.add(record);
        return charts.charts.stream().map(charts::made).toList();
    }

    private void add(Record record) {
        if (record instanceof ChartRecord) {
            charts.add(new Drawn());
            depth = 0;
        }
        if (charts.isEmpty()) return;
        Drawn chart = charts.get(charts.size() - 1);
        Told row = chart.rows.isEmpty() || !chart.rows.get(chart.rows.size() - 1).open ? null : chart.rows.get(chart.rows.size() - 1);
        if (record instanceof SeriesRecord) chart.rows.add(new Told(depth));
        else if (record instanceof LinkedDataRecord link && row != null) link(link, row);
        else if (record instanceof SeriesTextRecord text && row != null) row.name = text.getText();
        else if (record instanceof SeriesTextRecord text) chart.text = text.getText();
        else if (record instanceof TextRecord) chart.text = null;
        else if (record instanceof ObjectLinkRecord link && link.getAnchorId() == TITLE) chart.title = chart.text;
        else if (record instanceof AreaFormatRecord format && row != null && !format.isAutomatic()) row.colour = rgb(format.getForegroundColor());
        else if (record instanceof LineFormatRecord format && row != null && row.colour == null && !format.isAuto()) row.colour = rgb(format.getLineColor());
        else structure(record, chart, row);
    }

    private void structure(Record record, Drawn chart, Told row) {
        switch (record.getSid()) {
            case BEGIN -> depth++;
            case END -> {
                depth--;
                if (row != null && depth == row.depth) row.open = false;
            }
            case BAR -> {
                int flags = flags(record, HEAD + 4);
                kind(chart, (flags & 1) != 0 ? Chart.Kind.BARS : Chart.Kind.COLUMNS, grouping((flags & 2) != 0, (flags & 4) != 0));
            }
            case LINE -> kind(chart, Chart.Kind.LINES, grouping((flags(record, HEAD) & 1) != 0, (flags(record, HEAD) & 2) != 0));
            case AREA -> kind(chart, Chart.Kind.AREAS, grouping((flags(record, HEAD) & 1) != 0, (flags(record, HEAD) & 2) != 0));
            case PIE -> kind(chart, flags(record, HEAD + 2) > 0 ? Chart.Kind.RING : Chart.Kind.PIE, Chart.Grouping.BESIDE);
            case SCATTER -> kind(chart, Chart.Kind.POINTS, Chart.Grouping.BESIDE);
            case NET -> kind(chart, Chart.Kind.NET, Chart.Grouping.BESIDE);
            case LEGEND -> chart.keys = KEYS.getOrDefault(flags(record, HEAD + 16) & 0xFF, Chart.Keys.RIGHT);
            default -> { }
        }
    }

    /** Where several kinds are in one chart the first is taken for all. */
    private static void kind(Drawn chart, Chart.Kind kind, Chart.Grouping grouping) {
        if (chart.kind != null) return;
        chart.kind = kind;
        chart.grouping = grouping;
    }

    private static Chart.Grouping grouping(boolean stacked, boolean shares) {
        return shares ? Chart.Grouping.SHARES : stacked ? Chart.Grouping.STACKED : Chart.Grouping.BESIDE;
    }

    private static int flags(Record record, int at) {
        byte[] bytes = record.serialize();
        return bytes.length < at + 2 ? 0 : bytes[at] & 0xFF | (bytes[at + 1] & 0xFF) << 8;
    }

    private static int rgb(int told) { return (told & 0xFF) << 16 | told & 0xFF00 | told >> 16 & 0xFF; }

    private void link(LinkedDataRecord link, Told row) {
        Ptg[] formula = link.getFormulaOfLink();
        if (link.getReferenceType() != LinkedDataRecord.REFERENCE_TYPE_WORKSHEET || formula == null || formula.length == 0) return;
        List<Cell> cells = cells(formula);
        switch (link.getLinkType()) {
            case LinkedDataRecord.LINK_TYPE_TITLE_OR_TEXT -> row.name = String.join(" ", cells.stream().map(this::text).toList());
            case LinkedDataRecord.LINK_TYPE_VALUES -> row.values = cells;
            case LinkedDataRecord.LINK_TYPE_CATEGORIES -> row.categories = cells;
            default -> { }
        }
    }

    /** The cells that a formula names, null for those that are not there; none where it names none of this workbook. */
    private List<Cell> cells(Ptg[] formula) {
        List<Cell> cells = new ArrayList<>();
        try {
            String told = HSSFFormulaParser.toFormulaString(book, formula);
            for (String part : told.replaceFirst("^\\((.*)\\)$", "$1").split(",(?=(?:[^']*'[^']*')*[^']*$)")) {
                Name named = book.getName(part);
                AreaReference area = new AreaReference(named == null ? part : named.getRefersToFormula(), SpreadsheetVersion.EXCEL97);
                CellReference first = area.getFirstCell();
                CellReference last = area.getLastCell();
                Sheet sheet = first.getSheetName() == null ? null : book.getSheet(first.getSheetName());
                if (sheet == null) return List.of();
                for (int r = Math.min(first.getRow(), last.getRow()); r <= Math.max(first.getRow(), last.getRow()); r++) {
                    Row row = sheet.getRow(r);
                    for (int c = Math.min(first.getCol(), last.getCol()); c <= Math.max(first.getCol(), last.getCol()) && cells.size() < MOST_VALUES; c++)
                        cells.add(row == null ? null : row.getCell(c));
                    if (cells.size() >= MOST_VALUES) return cells;
                }
            }
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsCharts.class).info("A chart leads to cells that can't be found", e);
            return List.of();
        }
        return cells;
    }

    private String text(Cell cell) {
        if (cell == null) return "";
        if (cell.getCellType() != CellType.FORMULA) return written.formatCellValue(cell);
        return switch (cell.getCachedFormulaResultType()) {
            case NUMERIC -> written.formatRawCellContents(cell.getNumericCellValue(), cell.getCellStyle().getDataFormat(),
                    cell.getCellStyle().getDataFormatString());
            case STRING -> cell.getStringCellValue();
            default -> "";
        };
    }

    private static double number(Cell cell) {
        if (cell == null) return Double.NaN;
        CellType type = cell.getCellType() == CellType.FORMULA ? cell.getCachedFormulaResultType() : cell.getCellType();
        return type == CellType.NUMERIC ? cell.getNumericCellValue() : Double.NaN;
    }

    private Chart made(Drawn chart) {
        if (chart.kind == null) return null;
        boolean points = chart.kind == Chart.Kind.POINTS;
        List<Chart.Series> series = new ArrayList<>();
        List<String> categories = List.of();
        for (Told row : chart.rows) {
            if (row.values.isEmpty()) continue;
            if (categories.isEmpty() && !points) categories = row.categories.stream().map(this::text).toList();
            List<Double> across = points ? row.categories.stream().map(XlsCharts::number).toList() : List.of();
            series.add(new Chart.Series(row.name, across, row.values.stream().map(XlsCharts::number).toList(), row.colour));
        }
        String title = chart.title == null || chart.title.isBlank() ? null : chart.title;
        Chart.Dress dress = Chart.Dress.of(series);
        return series.isEmpty() ? null : new Chart(chart.kind, title, categories, series, chart.grouping, new Chart.Dress(dress.along(), dress.up(),
                dress.second(), chart.keys, dress.labels(), dress.slices(), dress.gap(), dress.usual()));
    }
}
