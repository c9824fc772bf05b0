package app.decant.format.sheet;

import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.document.Facts;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Progress;
import app.decant.format.Archive;
import app.decant.format.OpenDocumentLock;
import app.decant.sheet.Cell;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellNote;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetFilter;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetMatter;
import app.decant.sheet.SheetView;
import app.decant.sheet.Workbook;
import app.decant.sheet.WorkbookLock;
import app.decant.words.Message;
import app.decant.xml.Entities;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.poi.ss.usermodel.DateUtil;
import org.slf4j.LoggerFactory;

/** Reads workbooks of OpenDocument (ISO/IEC 26300-1, 9). */
final class OdsReader {
    /** How the digest of a password is made unless it is said (ISO/IEC 26300-1, 19.700). */
    private static final String SHA1 = "http://www.w3.org/2000/09/xmldsig#sha1";
    private static final double DAY_NANOS = 86_400e9;
    private static final Pattern DURATION = Pattern.compile("(-)?PT?(?:(\\d+)D)?T?(?:(\\d+)H)?(?:(\\d+)M)?(?:([\\d.]+)S)?");
    private static final Pattern FAILURE = Pattern.compile("#(N/A|DIV/0!|VALUE!|REF!|NAME\\?|NUM!|NULL!)|Err:\\d+");
    private static final double WIDTH = 64;
    private static final double HEIGHT = 12.8;
    /** Rows that are only repeated to the end of the sheet say nothing. */
    private static final int MOST_REPEATED = 10_000;

    private final Progress progress;
    private final Lost lost = new Lost();
    private final OdsStyles styles;
    private final XmlNode content;
    private final Map<String, byte[]> parts;
    private OdsChecks checks;
    private Map<String, Range> filters;

    private OdsReader(Map<String, byte[]> parts, Progress progress) {
        this.progress = progress;
        this.parts = parts;
        byte[] body = parts.get("content.xml");
        if (body == null) throw new DecantException(Kind.UNREADABLE, Message.of("sheet.no-workbook"));
        if (Entities.areIn(body)) lost.count(Lost.Kind.ENTITIES, 1);
        content = XmlReader.tree(body, "content.xml");
        byte[] common = parts.get("styles.xml");
        styles = new OdsStyles(content, common == null ? null : XmlReader.tree(common, "styles.xml"));
        meta = parts.get("meta.xml");
    }

    private final byte[] meta;

    static ReadWorkbook read(byte[] bytes, String name, String password, Progress progress) {
        return new OdsReader(OpenDocumentLock.unlocked(Archive.parts(bytes), name, password, progress), progress).workbook();
    }

    private ReadWorkbook workbook() {
        XmlNode book = content.at("office:body", "office:spreadsheet");
        if (book == null) throw new DecantException(Kind.UNREADABLE, Message.of("sheet.no-workbook"));
        checks = new OdsChecks(book.child("table:content-validations"));
        filters = filters(book.child("table:database-ranges"));
        List<Sheet> sheets = new ArrayList<>();
        List<XmlNode> tables = book.children("table:table");
        for (int i = 0; i < tables.size(); i++) {
            progress.step(i, tables.size(), Message.of("sheet.reading", tables.get(i).get("table:name", "")));
            sheets.add(new Reading(tables.get(i)).sheet());
        }
        Map<String, String> names = new TreeMap<>();
        names(book, "", names);
        for (XmlNode table : tables) names(table, table.get("table:name", "") + "!", names);
        boolean locked = "true".equals(book.get("table:structure-protected"));
        if (locked && book.get("table:protection-key") != null) lost.count(Lost.Kind.KEYS, 1);
        WorkbookLock lock = locked ? new WorkbookLock(true, false, WorkbookLock.Pass.FREE, false, null, WorkbookLock.Pass.FREE) : WorkbookLock.NONE;
        return new ReadWorkbook(new Workbook(sheets, styles.cells(), names, facts(), false, lock), lost.findings());
    }

    private static void names(XmlNode holder, String owner, Map<String, String> names) {
        XmlNode defined = holder.child("table:named-expressions");
        if (defined == null) return;
        for (XmlNode one : defined.children()) {
            String place = one.is("table:named-range") ? address(one.get("table:cell-range-address", "")) : OdsFormula.plain(one.get("table:expression"));
            if (!one.get("table:name", "").isEmpty() && place != null) names.put(owner + one.get("table:name"), place);
        }
    }

    /** Ranges with signs to filter them by, by the sheets they are on. */
    private Map<String, Range> filters(XmlNode told) {
        Map<String, Range> filters = new TreeMap<>();
        if (told != null) for (XmlNode one : told.children("table:database-range")) {
            String address = address(one.get("table:target-range-address", ""));
            int mark = address.lastIndexOf('!');
            Range range = mark < 0 ? null : Range.of(address.substring(mark + 1));
            if (range == null || !"true".equals(one.get("table:display-filter-buttons"))) continue;
            filters.put(address.substring(0, mark).replaceAll("^'|'$", "").replace("''", "'"), range);
            if (one.child("table:filter") != null) lost.count(Lost.Kind.FILTERS, 1);
        }
        return filters;
    }

    /** {@code $Fares.$B$2:.$G$40} as others write it: {@code Fares!$B$2:$G$40}. */
    private static String address(String told) {
        int stop = told.indexOf('.');
        if (stop < 0) return told;
        String sheet = told.substring(0, stop).replaceFirst("^\\$", "");
        return sheet + "!" + told.substring(stop + 1).replaceAll(":[^.]*\\.", ":");
    }

    private Facts facts() {
        if (meta == null) return Facts.NONE;
        XmlNode told = XmlReader.tree(meta, "meta.xml").child("office:meta");
        if (told == null) return Facts.NONE;
        return new Facts(text(told, "dc:title"), text(told, "dc:subject"), text(told, "meta:initial-creator"), text(told, "meta:keyword"),
                text(told, "dc:language"),
                instant(text(told, "meta:creation-date")), instant(text(told, "dc:date")), Map.of());
    }

    private static String text(XmlNode node, String child) {
        XmlNode found = node.child(child);
        return found == null || found.text().isBlank() ? null : found.text();
    }

    private static Instant instant(String told) {
        try {
            return told == null ? null : told.endsWith("Z") ? Instant.parse(told) : LocalDateTime.parse(told).toInstant(ZoneOffset.UTC);
        } catch (DateTimeParseException e) {
            LoggerFactory.getLogger(OdsReader.class).debug("{} is no time", told, e);
            return null;
        }
    }

    static int repeated(XmlNode node, String attribute) { return Math.max(1, XlsxReader.whole(node.get(attribute), 1)); }

    /** One sheet while it is read. */
    private final class Reading {
        private final XmlNode table;
        private final List<Column> columns = new ArrayList<>();
        private final List<String> columnStyles = new ArrayList<>();
        private final List<Integer> columnEnds = new ArrayList<>();
        private final List<Row> rows = new ArrayList<>();
        private final List<Range> merged = new ArrayList<>();
        private final List<Integer> rowBreaks = new ArrayList<>();
        private final List<Integer> columnBreaks = new ArrayList<>();
        private int row;
        private int column;
        private Range titleRows;
        private Range titleColumns;
        private int depth;
        private final List<CellNote> notes = new ArrayList<>();
        private final Map<String, List<Range>> checked = new TreeMap<>();
        private final OdsPlaces objects = new OdsPlaces(parts, new OdsShapes(styles, OdsReader.this::line), lost);

        Reading(XmlNode table) { this.table = table; }

        Sheet sheet() {
            parts(table, false);
            List<Range> areas = new ArrayList<>();
            for (String part : table.get("table:print-ranges", "").split("\\s+(?=(?:[^']*'[^']*')*[^']*$)")) {
                Range range = Range.of(part.replaceAll("(^|:)[^.:]*\\.", "$1"));
                if (range != null) areas.add(range);
            }
            boolean hidden = styles.isHidden(table.get("table:style-name"));
            PageSetup setup = styles.setup(table.get("table:style-name"), areas, titleRows, titleColumns, rowBreaks, columnBreaks);
            List<CellCheck> told = new ArrayList<>();
            checked.forEach((name, places) -> {
                CellCheck check = checks.check(name, places);
                if (check == null) lost.count(Lost.Kind.CHECKS, 1);
                else told.add(check);
            });
            String name = table.get("table:name", "");
            Range filtered = filters.get(name);
            String digest = table.get("table:protection-key");
            SheetLock.Key key = digest == null ? null : new SheetLock.Key(table.get("table:protection-key-digest-algorithm", SHA1), digest, "", 0);
            SheetLock lock = "true".equals(table.get("table:protected")) ? new SheetLock(key, 0, SheetLock.USUAL) : null;
            SheetMatter matter = new SheetMatter(SheetView.PLAIN, notes, told, filtered == null ? null : new SheetFilter(filtered, Map.of()), lock);
            return new Sheet(name, hidden, WIDTH, HEIGHT, columns, rows, merged, setup, objects.objects(columns, WIDTH, rows, HEIGHT), List.of(), matter);
        }

        private void parts(XmlNode node, boolean head) {
            for (XmlNode child : node.children()) {
                switch (child.name()) {
                    case "table:table-column" -> column(child, head);
                    case "table:table-row" -> row(child, head);
                    case "table:table-header-columns", "table:table-header-rows" -> parts(child, true);
                    case "table:table-columns", "table:table-rows" -> parts(child, head);
                    case "table:table-column-group", "table:table-row-group" -> {
                        depth++;
                        parts(child, head);
                        depth--;
                    }
                    case "table:shapes" -> objects.add(child, -1, -1);
                    case "calcext:conditional-formats" -> lost.count(Lost.Kind.CONDITIONS, child.children().size());
                    default -> { }
                }
            }
        }

        private void column(XmlNode node, boolean head) {
            int count = Math.min(repeated(node, "table:number-columns-repeated"), Range.MOST_COLUMNS - column);
            if (count <= 0) return;
            String style = node.get("table:style-name");
            if (styles.breaksBefore(style) && column > 0) columnBreaks.add(column);
            double width = styles.length(style, "style:column-width", WIDTH);
            columns.add(new Column(column, column + count - 1, width, !node.get("table:visibility", "visible").equals("visible"), depth,
                    styles.cell(node.get("table:default-cell-style-name"))));
            columnStyles.add(node.get("table:default-cell-style-name"));
            columnEnds.add(column + count);
            if (head) {
                Range range = new Range(0, column, Range.MOST_ROWS - 1, column + count - 1);
                titleColumns = range.with(titleColumns);
            }
            column += count;
        }

        private String columnStyle(int at) {
            for (int i = 0; i < columnEnds.size(); i++) if (at < columnEnds.get(i)) return columnStyles.get(i);
            return null;
        }

        private void row(XmlNode node, boolean head) {
            int count = Math.min(repeated(node, "table:number-rows-repeated"), Range.MOST_ROWS - row);
            if (count <= 0) return;
            String style = node.get("table:style-name");
            if (styles.breaksBefore(style) && row > 0) rowBreaks.add(row);
            boolean hidden = !node.get("table:visibility", "visible").equals("visible");
            boolean optimal = styles.isOptimal(style);
            double height = styles.length(style, "style:row-height", Double.NaN);
            List<Cell> cells = cells(node, count);
            boolean plain = cells.isEmpty() && !hidden && Double.isNaN(height) && depth == 0;
            boolean tail = cells.isEmpty() && count > MOST_REPEATED;
            if (!plain && !tail)
                for (int i = 0; i < count; i++) rows.add(new Row(row + i, optimal && !cells.isEmpty() ? Double.NaN : height, hidden, depth, cells));
            if (head) titleRows = new Range(row, 0, row + count - 1, Range.MOST_COLUMNS - 1).with(titleRows);
            row += count;
            if (rows.size() % 1000 == 0) progress.step(0, 0, Message.of("sheet.reading", table.get("table:name", "")));
        }

        private List<Cell> cells(XmlNode node, int rowCount) {
            List<Cell> cells = new ArrayList<>();
            Map<String, List<Range>> inRow = new TreeMap<>();
            int at = 0;
            for (XmlNode one : node.children()) {
                if (!one.is("table:table-cell") && !one.is("table:covered-table-cell")) continue;
                int count = Math.min(repeated(one, "table:number-columns-repeated"), Range.MOST_COLUMNS - at);
                // Beyond the last column there is no cell.
                if (count <= 0) break;
                CellValue value = value(one);
                XmlNode note = one.child("office:annotation");
                if (note != null) note(note, at);
                objects.add(one, row, at);
                String check = one.get("table:content-validation-name");
                if (check != null) beside(inRow.computeIfAbsent(check, key -> new ArrayList<>()), new Range(row, at, Math.min(row + rowCount,
                        Range.MOST_ROWS) - 1, at + count - 1));
                String told = one.get("table:style-name") != null ? one.get("table:style-name") : columnStyle(at);
                int style = styles.cell(told);
                boolean dressed = styles.cells().get(style).shows();
                int down = repeated(one, "table:number-rows-spanned");
                int across = repeated(one, "table:number-columns-spanned");
                if (down * (long) across > 1)
                    merged.add(new Range(row, at, Math.min(Range.MOST_ROWS, row + down) - 1, Math.min(Range.MOST_COLUMNS, at + across) - 1));
                boolean counts = !(value instanceof CellValue.Empty) || one.get("table:formula") != null || dressed && count < 200;
                for (int i = 0; i < count && counts; i++) {
                    String formula = OdsFormula.plain(one.get("table:formula"));
                    int matrixDown = XlsxReader.whole(one.get("table:number-matrix-rows-spanned"), 0);
                    int matrixAcross = XlsxReader.whole(one.get("table:number-matrix-columns-spanned"), 0);
                    boolean spread = formula != null && matrixDown > 0 && matrixAcross > 0 && row + matrixDown <= Range.MOST_ROWS
                            && at + matrixAcross <= Range.MOST_COLUMNS;
                    Range array = spread ? new Range(row, at, row + matrixDown - 1, at + matrixAcross - 1) : null;
                    cells.add(new Cell(at + i, value, formula, array, style, link(one)));
                }
                at += count;
            }
            inRow.forEach((name, ranges) -> ranges.forEach(range -> checked(name, range)));
            return cells;
        }

        private void note(XmlNode node, int column) {
            String text = String.join("\n", node.children("text:p").stream().map(one -> {
                StringBuilder words = new StringBuilder();
                gather(one, words, null);
                return words.toString();
            }).toList());
            notes.add(new CellNote(row, column, node.child("dc:creator") == null ? "" : node.child("dc:creator").text(), text));
        }

        /** One more range of a row; it goes on from the one before where that ends beside it. */
        private static void beside(List<Range> ranges, Range range) {
            Range last = ranges.isEmpty() ? null : ranges.get(ranges.size() - 1);
            if (last != null && last.right() == range.left() - 1) ranges.set(ranges.size() - 1, last.with(range));
            else ranges.add(range);
        }

        /** One more range that a check is about; it goes on from the one above where that is as wide. */
        private void checked(String name, Range range) {
            List<Range> places = checked.computeIfAbsent(name, key -> new ArrayList<>());
            for (int i = places.size() - 1; i >= Math.max(0, places.size() - 8); i--) {
                Range above = places.get(i);
                if (above.left() != range.left() || above.right() != range.right() || above.bottom() != range.top() - 1) continue;
                places.set(i, above.with(range));
                return;
            }
            places.add(range);
        }

        private static Link link(XmlNode cell) {
            XmlNode link = cell.find("text:a");
            String address = link == null ? null : link.get("xlink:href");
            if (address != null && address.startsWith("#")) return new Link.Inside(address(address.substring(1)));
            return address == null || !address.contains(":") ? null : new Link.Address(address);
        }
    }

    private CellValue value(XmlNode cell) {
        String type = cell.get("office:value-type", "");
        switch (type) {
            case "float", "percentage", "currency" -> {
                double number = XlsxReader.number(cell.get("office:value"), Double.NaN);
                if (!Double.isNaN(number)) return CellValue.of(number);
            }
            case "boolean" -> { return new CellValue.Truth("true".equals(cell.get("office:boolean-value"))); }
            case "date" -> {
                CellValue date = date(cell.get("office:date-value", ""));
                if (date != null) return date;
            }
            case "time" -> {
                Matcher matcher = DURATION.matcher(cell.get("office:time-value", ""));
                if (matcher.matches()) return CellValue.of(days(matcher));
            }
            default -> { }
        }
        CellValue.Text words = words(cell);
        String text = words.text();
        if (text.isEmpty()) return CellValue.EMPTY;
        boolean failure = cell.get("table:formula") != null && FAILURE.matcher(text).matches();
        return failure ? new CellValue.Failure(text) : words;
    }

    private static double days(Matcher duration) {
        double days = XlsxReader.number(duration.group(2), 0) + XlsxReader.number(duration.group(3), 0) / 24 + XlsxReader.number(duration.group(4), 0) / 1440
                + XlsxReader.number(duration.group(5), 0) / 86400;
        return duration.group(1) == null ? days : -days;
    }

    private static CellValue date(String told) {
        try {
            LocalDateTime time = told.length() <= 10 ? LocalDate.parse(told).atStartOfDay() : LocalDateTime.parse(told.replaceFirst("Z$", ""));
            // The library counts thousandths of seconds.
            return new CellValue.Number(DateUtil.getExcelDate(time.truncatedTo(ChronoUnit.DAYS)) + time.toLocalTime().toNanoOfDay() / DAY_NANOS);
        } catch (DateTimeParseException e) {
            LoggerFactory.getLogger(OdsReader.class).debug("{} is no time", told, e);
            return null;
        }
    }

    /** The paragraphs of a cell, each a line, and which of their letters look otherwise; its note is not among them. */
    private CellValue.Text words(XmlNode cell) {
        StringBuilder text = new StringBuilder();
        List<CellValue.Stretch> stretches = new ArrayList<>();
        boolean first = true;
        for (XmlNode one : cell.children("text:p")) {
            if (!first) text.append('\n');
            first = false;
            gather(one, text, stretches);
        }
        return new CellValue.Text(text.toString(), stretches);
    }

    /** The words of one paragraph. */
    private CellValue.Text line(XmlNode paragraph) {
        StringBuilder text = new StringBuilder();
        List<CellValue.Stretch> stretches = new ArrayList<>();
        gather(paragraph, text, stretches);
        return new CellValue.Text(text.toString(), stretches);
    }

    /** @param stretches of letters that look otherwise, or null where nobody asks */
    private void gather(XmlNode node, StringBuilder text, List<CellValue.Stretch> stretches) {
        for (Object one : node.content()) {
            if (one instanceof String part) {
                text.append(part);
                continue;
            }
            XmlNode child = (XmlNode) one;
            switch (child.name()) {
                case "text:s" -> text.append(" ".repeat(Math.min(1000, repeated(child, "text:c"))));
                case "text:tab" -> text.append('\t');
                case "text:line-break" -> text.append('\n');
                case "office:annotation" -> { }
                case "text:span" -> {
                    int from = text.length();
                    Look look = stretches == null ? Look.PLAIN : styles.letters(child.get("text:style-name"));
                    // Of spans within each other the outer one tells, as far as it says something.
                    gather(child, text, look.equals(Look.PLAIN) ? stretches : null);
                    if (!look.equals(Look.PLAIN) && text.length() > from) stretches.add(new CellValue.Stretch(from, text.length(), look));
                }
                default -> gather(child, text, stretches);
            }
        }
    }
}
