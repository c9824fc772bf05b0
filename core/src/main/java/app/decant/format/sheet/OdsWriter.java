package app.decant.format.sheet;

import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Section.PageGeometry;
import app.decant.format.Archive;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetLock;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlWriter;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Writes workbooks of OpenDocument 1.2 (ISO/IEC 26300-1, 9). */
final class OdsWriter {
    private static final String KIND = "application/vnd.oasis.opendocument.spreadsheet";
    private static final String[] SPACES = spaces();
    private static final int MOST_COLUMNS = 1024;

    private final Workbook workbook;
    private final OdsNumberStyles formats = new OdsNumberStyles();
    private static final String BREAK = "break ";
    private static final Pattern RANGE = Pattern.compile("\\[([^\\[\\]]+\\.[^\\[\\]]+)\\]");

    private final Map<Long, String> columnStyles = new LinkedHashMap<>();
    private final Map<String, String> rowStyles = new LinkedHashMap<>();
    private final OdsMatterPart matter;
    private OdsCells cells;
    private XmlWriter xml;

    private OdsWriter(Workbook workbook) {
        this.workbook = workbook;
        matter = new OdsMatterPart(workbook);
    }

    private static String[] spaces() {
        List<String> spaces = new ArrayList<>();
        XmlNames.OPEN_DOCUMENT.forEach((prefix, namespace) -> {
            spaces.add("xmlns:" + prefix);
            spaces.add(namespace);
        });
        spaces.addAll(List.of("xmlns:dc", "http://purl.org/dc/elements/1.1/", "xmlns:of", "urn:oasis:names:tc:opendocument:xmlns:of:1.2", "office:version",
                "1.2"));
        return spaces.toArray(String[]::new);
    }

    static WrittenWorkbook write(Workbook workbook, Instant when) {
        OdsWriter writer = new OdsWriter(workbook);
        byte[] bytes = writer.archive(when);
        return new WrittenWorkbook(bytes, workbook,
                writer.cells.formulas() == 0 ? List.of() : List.of(Finding.changed(Message.of("sheet.formulas-as-values", writer.cells.formulas()))));
    }

    private byte[] archive(Instant when) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        byte[] content = content();
        parts.put("content.xml", content);
        parts.put("styles.xml", styles());
        parts.put("meta.xml", meta(when));
        xml = new XmlWriter();
        xml.open("manifest:manifest", "xmlns:manifest", XmlNames.OPEN_DOCUMENT.get("manifest"), "manifest:version", "1.2");
        xml.leaf("manifest:file-entry", "manifest:full-path", "/", "manifest:version", "1.2", "manifest:media-type", KIND);
        for (String part : parts.keySet()) xml.leaf("manifest:file-entry", "manifest:full-path", part, "manifest:media-type", "text/xml");
        matter.pictures().forEach((image, name) -> {
            xml.leaf("manifest:file-entry", "manifest:full-path", name, "manifest:media-type", image.type());
            parts.put(name, image.bytes());
        });
        xml.close();
        parts.put("META-INF/manifest.xml", xml.bytes());
        return Archive.packed(KIND, parts);
    }

    private byte[] content() {
        // Styles stand before what wears them.
        for (Sheet sheet : workbook.sheets()) prepare(sheet);
        xml = new XmlWriter();
        cells = new OdsCells(workbook, matter, xml);
        xml.open("office:document-content", SPACES);
        xml.open("office:automatic-styles");
        for (CellStyle style : workbook.styles()) formats.name(style.format());
        formats.write(xml);
        columnStyles.forEach((width, name) -> {
            xml.open("style:style", "style:name", name, "style:family", "table-column");
            xml.leaf("style:table-column-properties", "style:column-width", points(Math.abs(width) / 100.0), "fo:break-before", width < 0 ? "page" : null);
            xml.close();
        });
        rowStyles.forEach((height, name) -> {
            xml.open("style:style", "style:name", name, "style:family", "table-row");
            boolean broken = height.startsWith(BREAK);
            String high = broken ? height.substring(BREAK.length()) : height;
            xml.leaf("style:table-row-properties", "style:row-height", high.isEmpty() ? null : high, "style:use-optimal-row-height",
                    String.valueOf(high.isEmpty()), "fo:break-before", broken ? "page" : null);
            xml.close();
        });
        for (int s = 0; s < workbook.sheets().size(); s++) {
            xml.open("style:style", "style:name", "ta" + s, "style:family", "table", "style:master-page-name", "pm" + s);
            xml.leaf("style:table-properties", "table:display", String.valueOf(!workbook.sheets().get(s).hidden()));
            xml.close();
        }
        for (int i = 0; i < workbook.styles().size(); i++) OdsLooks.cell(xml, "ce" + i, workbook.styles().get(i), formats.name(workbook.styles().get(i)
                .format()));
        matter.textStyles(xml);
        xml.close();
        xml.open("office:body");
        xml.open("office:spreadsheet", "table:structure-protected", workbook.lock().structure() ? "true" : null);
        matter.checks(xml);
        for (int s = 0; s < workbook.sheets().size(); s++) table(workbook.sheets().get(s), s);
        names(null);
        matter.filters(xml);
        xml.close();
        xml.close();
        xml.close();
        return xml.bytes();
    }

    private void prepare(Sheet sheet) {
        for (boolean breaks : new boolean[] {false, true}) {
            columnStyle(sheet.columnWidth(), breaks);
            for (Column column : sheet.columns()) columnStyle(column.width(), breaks);
            rowStyle(sheet.rowHeight(), breaks);
        }
        for (Row row : sheet.rows()) rowStyle(row.height(), sheet.setup().rowBreaks().contains(row.index()));
    }

    /** @param breaks whether a page begins before it, as its width below nought tells among the styles */
    private String columnStyle(double width, boolean breaks) {
        long told = Math.max(1, Math.round(width * 100));
        return columnStyles.computeIfAbsent(breaks ? -told : told, key -> "co" + columnStyles.size());
    }

    private String rowStyle(double height, boolean breaks) {
        return rowStyles.computeIfAbsent((breaks ? BREAK : "") + (Double.isNaN(height) ? "" : points(height)), key -> "ro" + rowStyles.size());
    }

    static String points(double value) { return String.format(Locale.ROOT, "%.2fpt", value); }

    private void table(Sheet sheet, int index) {
        SheetLock lock = sheet.matter().lock();
        SheetLock.Key key = lock == null || lock.key() == null || !lock.key().isOpenDocument() ? null : lock.key();
        List<String> areas = sheet.setup().areas().stream().map(area -> address(sheet, area)).toList();
        xml.open("table:table", "table:name", sheet.name(), "table:style-name", "ta" + index, "table:print-ranges", areas.isEmpty() ? null
                : String.join(" ", areas), "table:protected", lock == null ? null : "true",
                "table:protection-key", key == null ? null : key.digest(), "table:protection-key-digest-algorithm", key == null ? null : key.algorithm());
        matter.begin(sheet, index);
        columns(sheet);
        Range titles = sheet.setup().titleRows();
        MergedRows merged = new MergedRows(sheet.merged());
        int next = 0;
        List<Row> rows = matter.rows();
        for (int i = 0; i < rows.size(); ) {
            Row row = rows.get(i);
            if (row.index() > next) {
                next = gap(sheet, next, row.index(), titles, merged);
                continue;
            }
            matter.group(xml, row.depth());
            head(titles, next, true);
            int alike = alike(sheet, rows, i, titles, merged);
            row(sheet, row, merged.over(row.index()), alike);
            head(titles, next, false);
            next += alike;
            i += alike;
        }
        matter.group(xml, 0);
        int end = titles == null ? next : Math.max(next, titles.bottom() + 1);
        for (Range one : sheet.merged()) end = Math.max(end, Math.min(one.bottom() + 1, next + 1000));
        end = Math.max(end, matter.lastChecked() + 1);
        for (int one : sheet.setup().rowBreaks()) end = Math.max(end, Math.min(one + 1, next + 1000));
        while (next < Math.max(end, 1)) next = gap(sheet, next, Math.max(end, 1), titles, merged);
        names(sheet);
        xml.close();
    }

    /** How many rows from one on, itself among them, say the same: empty cells that are dressed alike. */
    private int alike(Sheet sheet, List<Row> rows, int from, Range titles, MergedRows merged) {
        Row first = rows.get(from);
        boolean plain = merged.over(first.index()).isEmpty() && matter.columns(first.index()).isEmpty()
                && !sheet.setup().rowBreaks().contains(first.index()) && first.cells().stream().allMatch(OdsWriter::isBlank);
        if (!plain || titles != null && first.index() <= titles.bottom()) return 1;
        int end = Math.min(merged.next(), matter.end(first.index(), Integer.MAX_VALUE));
        int to = from + 1;
        for (; to < rows.size(); to++) {
            Row next = rows.get(to);
            if (next.index() != first.index() + to - from || next.index() >= end || !saysSame(sheet, first, next)) break;
        }
        return to - from;
    }

    private boolean saysSame(Sheet sheet, Row one, Row other) {
        boolean high = Double.compare(one.height(), other.height()) == 0 && one.hidden() == other.hidden() && one.depth() == other.depth();
        return high && one.cells().equals(other.cells()) && matter.columns(other.index()).isEmpty() && !sheet.setup().rowBreaks().contains(other.index());
    }

    private static boolean isBlank(Cell cell) { return cell.isEmpty() && cell.formula() == null && cell.link() == null; }

    private String address(Sheet sheet, Range range) {
        String name = "'" + sheet.name().replace("'", "''") + "'.";
        return name + Range.name(range.top(), range.left()) + ":" + name + Range.name(range.bottom(), range.right());
    }

    private void columns(Sheet sheet) {
        int last = 0;
        for (Row row : sheet.rows()) if (!row.cells().isEmpty()) last = Math.max(last, row.cells().get(row.cells().size() - 1).column());
        for (Range one : sheet.merged()) last = Math.max(last, Math.min(one.right(), MOST_COLUMNS));
        for (Column column : sheet.columns()) if (column.to() < MOST_COLUMNS) last = Math.max(last, column.to());
        Range titles = sheet.setup().titleColumns();
        if (titles != null) last = Math.max(last, titles.right());
        for (int one : sheet.setup().columnBreaks()) if (one < MOST_COLUMNS) last = Math.max(last, one);
        TreeSet<Integer> cuts = new TreeSet<>(List.of(0, last + 1));
        for (Column column : sheet.columns()) {
            cuts.add(Math.min(column.from(), last + 1));
            cuts.add(Math.min(column.to(), last) + 1);
        }
        if (titles != null) {
            cuts.add(titles.left());
            cuts.add(titles.right() + 1);
        }
        for (int one : sheet.setup().columnBreaks()) {
            if (one > last) continue;
            cuts.add(one);
            cuts.add(one + 1);
        }
        Integer from = cuts.pollFirst();
        while (!cuts.isEmpty()) {
            int to = cuts.pollFirst();
            int at = from;
            Column told = sheet.columns().stream().filter(column -> column.from() <= at && column.to() >= at).findFirst().orElse(null);
            boolean head = titles != null && at >= titles.left() && at <= titles.right();
            matter.group(xml, told == null ? 0 : told.depth(), "column", titles);
            if (head) xml.open("table:table-header-columns");
            xml.leaf("table:table-column", "table:style-name",
                    columnStyle(told == null ? sheet.columnWidth() : told.width(), sheet.setup().columnBreaks().contains(at)), "table:number-columns-repeated",
                    to - from > 1 ? String.valueOf(to - from) : null, "table:visibility", told != null && told.hidden() ? "collapse" : null,
                    "table:default-cell-style-name", "ce" + (told == null ? 0 : told.style()));
            if (head) xml.close();
            from = to;
        }
        matter.group(xml, 0, "column", titles);
    }

    /** Opens or closes the rows that are repeated, where a row begins or ends them. */
    private void head(Range titles, int row, boolean opens) {
        if (titles == null) return;
        if (opens && row == titles.top()) xml.open("table:table-header-rows");
        if (!opens && row == titles.bottom()) xml.close();
    }

    /** Rows that hold nothing, up to the next that does or that begins or ends something. */
    private int gap(Sheet sheet, int from, int to, Range titles, MergedRows merged) {
        int end = to;
        if (titles != null && from < titles.top()) end = Math.min(end, titles.top());
        else if (titles != null && from <= titles.bottom()) end = Math.min(end, titles.bottom() + 1);
        List<Range> over = merged.over(from);
        boolean covered = !over.isEmpty();
        end = covered ? from + 1 : Math.min(end, merged.next());
        end = matter.end(from, end);
        for (int one : sheet.setup().rowBreaks()) if (one >= from && one < end) end = one > from ? one : from + 1;
        matter.group(xml, 0);
        head(titles, from, true);
        if (covered) {
            row(sheet, new Row(from, sheet.rowHeight(), false, List.of()), over, 1);
        } else {
            xml.open("table:table-row", "table:style-name", rowStyle(sheet.rowHeight(), sheet.setup().rowBreaks().contains(from)),
                    "table:number-rows-repeated", end - from > 1 ? String.valueOf(end - from) : null);
            if (matter.blank(xml, from, 0, Range.MOST_COLUMNS) == 0) xml.leaf("table:table-cell");
            xml.close();
        }
        head(titles, end - 1, false);
        return end;
    }

    private void row(Sheet sheet, Row row, List<Range> over, int count) {
        xml.open("table:table-row", "table:style-name", rowStyle(row.height(), sheet.setup().rowBreaks().contains(row.index())), "table:visibility",
                row.hidden() ? "collapse" : null, "table:number-rows-repeated", count > 1 ? String.valueOf(count) : null);
        int next = 0;
        TreeSet<Integer> places = new TreeSet<>();
        for (Cell cell : row.cells()) places.add(cell.column());
        Set<Integer> apart = matter.columns(row.index());
        places.addAll(apart);
        for (Range one : over) for (int c = one.left(); c <= Math.min(one.right(), MOST_COLUMNS); c++) places.add(c);
        for (int column : places) {
            if (column < next) continue;
            int blank = matter.blank(xml, row.index(), next, column);
            if (column > blank && column > next)
                xml.leaf("table:table-cell", "table:number-columns-repeated", column - Math.max(next, blank) > 1 ? String.valueOf(column - Math.max(next,
                        blank))
                        : null);
            Range whole = over.stream().filter(one -> one.holds(row.index(), column)).findFirst().orElse(null);
            Cell cell = row.cell(column);
            int alike = whole != null || apart.contains(column) || matter.check(row.index(), column) != null ? 1 : alike(row, column, places, over, apart);
            if (alike > 1) {
                xml.leaf("table:table-cell", "table:style-name", "ce" + cell.style(), "table:number-columns-repeated", String.valueOf(alike));
                next = column + alike;
                continue;
            }
            boolean covered = whole != null && (whole.top() != row.index() || whole.left() != column);
            cells.write(row.index(), cell == null ? new Cell(column, CellValue.EMPTY, 0) : cell, covered ? null : whole, covered);
            next = column + 1;
        }
        int blank = matter.blank(xml, row.index(), next, Range.MOST_COLUMNS);
        if (places.isEmpty() && blank == 0) xml.leaf("table:table-cell");
        xml.close();
    }

    /** How many cells from one on, itself among them, are empty and dressed alike. */
    private int alike(Row row, int from, Set<Integer> places, List<Range> over, Set<Integer> apart) {
        Cell first = row.cell(from);
        if (first == null || !isBlank(first)) return 1;
        int to = from + 1;
        for (; places.contains(to); to++) {
            int column = to;
            Cell cell = row.cell(to);
            boolean same = cell != null && isBlank(cell) && cell.style() == first.style() && !apart.contains(to);
            if (!same || matter.check(row.index(), to) != null || over.stream().anyMatch(one -> one.holds(row.index(), column))) break;
        }
        return to - from;
    }

    /** @param sheet whose own names are told, or null for those of the workbook */
    private void names(Sheet sheet) {
        XmlWriter into = xml;
        boolean[] any = new boolean[1];
        workbook.names().forEach((key, place) -> {
            int mark = key.lastIndexOf('!');
            Sheet owner = mark < 0 ? null : workbook.sheet(key.substring(0, mark));
            String name = key.substring(mark + 1);
            String formula = owner == sheet && name.matches("[\\p{L}_][\\p{L}\\p{N}_.]*") ? OdsFormula.open(place) : null;
            if (formula == null) return;
            if (!any[0]) into.open("table:named-expressions");
            any[0] = true;
            Matcher range = RANGE.matcher(formula);
            if (range.matches()) into.leaf("table:named-range", "table:name", name, "table:cell-range-address", range.group(1));
            else into.leaf("table:named-expression", "table:name", name, "table:expression", "of:=" + formula);
        });
        if (any[0]) into.close();
    }

    private byte[] styles() {
        xml = new XmlWriter();
        xml.open("office:document-styles", SPACES);
        xml.open("office:styles");
        xml.open("style:style", "style:name", "Default", "style:family", "table-cell");
        OdsLooks.text(xml, workbook.styles().get(0).font());
        xml.close();
        xml.close();
        xml.open("office:automatic-styles");
        for (int s = 0; s < workbook.sheets().size(); s++) layout("pl" + s, workbook.sheets().get(s).setup());
        xml.close();
        xml.open("office:master-styles");
        for (int s = 0; s < workbook.sheets().size(); s++) {
            xml.open("style:master-page", "style:name", "pm" + s, "style:page-layout-name", "pl" + s);
            PageSetup setup = workbook.sheets().get(s).setup();
            OdsHeader.write(xml, "style:header", setup.header());
            OdsHeader.write(xml, "style:footer", setup.footer());
            xml.close();
        }
        xml.close();
        xml.close();
        return xml.bytes();
    }

    private void layout(String name, PageSetup setup) {
        PageGeometry page = setup.page();
        xml.open("style:page-layout", "style:name", name);
        List<String> printed = new ArrayList<>(List.of("objects", "charts", "drawings", "zero-values"));
        if (setup.grid()) printed.add("grid");
        if (setup.headings()) printed.add("headers");
        String centring = setup.middle() ? setup.centre() ? "both" : "horizontal" : setup.centre() ? "vertical" : "none";
        boolean both = setup.fitted();
        xml.leaf("style:page-layout-properties", "fo:page-width", points(page.width()), "fo:page-height", points(page.height()), "style:print-orientation",
                page.isLandscape() ? "landscape" : "portrait", "fo:margin-top", points(page.top()), "fo:margin-bottom", points(page.bottom()),
                        "fo:margin-left",
                points(page.left()), "fo:margin-right", points(page.right()), "style:print-page-order", setup.across() ? "ltr" : "ttb", "style:print",
                String.join(" ", printed), "style:table-centering", centring, "style:scale-to", both ? null : Math.round(setup.scale() * 100) + "%",
                "style:scale-to-X", both && setup.wide() > 0 ? String.valueOf(setup.wide()) : null,
                "style:scale-to-Y", both && setup.tall() > 0 ? String.valueOf(setup.tall()) : null);
        xml.close();
    }

    private byte[] meta(Instant when) {
        Facts facts = workbook.facts();
        xml = new XmlWriter();
        xml.open("office:document-meta", SPACES);
        xml.open("office:meta");
        fact("dc:title", facts.title());
        fact("dc:subject", facts.subject());
        fact("meta:initial-creator", facts.author());
        fact("meta:keyword", facts.keywords());
        fact("dc:language", facts.language());
        fact("meta:creation-date", (facts.created() == null ? when : facts.created()).toString());
        fact("dc:date", when.toString());
        xml.close();
        xml.close();
        return xml.bytes();
    }

    private void fact(String name, String value) {
        if (value == null) return;
        xml.open(name);
        xml.text(value);
        xml.close();
    }
}
