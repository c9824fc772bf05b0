package app.decant.format.sheet;

import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.document.Facts;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Progress;
import app.decant.format.OfficePackage;
import app.decant.format.ooxml.ShapeReader;
import app.decant.sheet.Cell;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetObject;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import app.decant.xml.Entities;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.apache.poi.ss.usermodel.DateUtil;
import org.slf4j.LoggerFactory;

/** Reads workbooks of Office Open XML (ISO/IEC 29500-1, 18), row by row. Macros are never run. */
final class XlsxReader {
    private static final String TITLES = "_xlnm.Print_Titles";
    private static final String AREA = "_xlnm.Print_Area";
    private static final Set<String> WANTED = Set.of("x:sheetPr", "x:sheetFormatPr", "x:cols", "x:row", "x:mergeCells", "x:hyperlinks", "x:printOptions",
            "x:pageMargins", "x:pageSetup", "x:headerFooter", "x:rowBreaks", "x:colBreaks", "x:conditionalFormatting", "x:dataValidations", "x:drawing",
            "x:sheetViews", "x:sheetProtection", "x:autoFilter", "x:extLst", "x:legacyDrawing");
    /** So wide and high are cells of which nothing is said: 64 by 20 pixels. */
    private static final double WIDTH = 48;
    private static final double HEIGHT = 15;

    private final OfficePackage file;
    private final Progress progress;
    private final Lost lost;
    private final List<CellValue.Text> shared = new ArrayList<>();
    private XlsxStyles styles;
    private ShapeReader shapes;
    private String main;
    private int digit;
    private boolean since1904;

    private XlsxReader(OfficePackage file, Lost lost, Progress progress) {
        this.file = file;
        this.lost = lost;
        this.progress = progress;
    }

    static ReadWorkbook read(byte[] bytes, boolean macros, Progress progress) {
        XlsxReader reader = new XlsxReader(new OfficePackage(bytes), new Lost(), progress);
        if (macros) reader.lost.count(Lost.Kind.MACROS, 1);
        return reader.workbook();
    }

    /** Reads one whose parts are told in records. */
    static ReadWorkbook binary(byte[] bytes, Progress progress) {
        OfficePackage file = new OfficePackage(bytes);
        Lost lost = new Lost();
        if (file.target(Objects.requireNonNullElse(file.target("", "officeDocument"), ""), "vbaProject") != null) lost.count(Lost.Kind.MACROS, 1);
        return new XlsxReader(XlsbParts.asMarkup(file, lost), lost, progress).workbook();
    }

    private ReadWorkbook workbook() {
        main = file.target("", "officeDocument");
        if (main == null) main = "xl/workbook.xml";
        byte[] part = file.part(main);
        if (part == null) throw new DecantException(Kind.UNREADABLE, Message.of("sheet.no-workbook"));
        XmlNode book = XmlReader.tree(part, "workbook.xml");
        XmlNode properties = book.child("x:workbookPr");
        since1904 = properties != null && isTrue(properties.get("date1904"));
        String looks = file.target(main, "styles");
        String theme = file.target(main, "theme");
        styles = XlsxStyles.of(looks == null ? null : file.part(looks), theme == null ? null : file.part(theme));
        shapes = new ShapeReader(theme == null ? null : file.part(theme));
        digit = DigitWidth.of(styles.firstFont());
        String strings = file.target(main, "sharedStrings");
        if (strings != null && file.part(strings) != null) {
            if (Entities.areIn(file.part(strings))) lost.count(Lost.Kind.ENTITIES, 1);
            XmlReader.stream(file.part(strings), "sharedStrings.xml", "x:si"::equals, node -> shared.add(words(node)));
        }
        Map<String, String> names = new TreeMap<>();
        Map<Integer, Map<String, String>> local = new HashMap<>();
        XmlNode defined = book.child("x:definedNames");
        if (defined != null) for (XmlNode name : defined.children("x:definedName")) {
            String sheet = name.get("localSheetId");
            if (sheet == null) names.put(name.get("name", ""), name.text());
            else local.computeIfAbsent(whole(sheet, -1), key -> new HashMap<>()).put(name.get("name", ""), name.text());
        }
        names.keySet().removeIf(name -> name.startsWith("_xlnm") || name.isBlank());
        List<Sheet> sheets = new ArrayList<>();
        Map<String, OfficePackage.Relation> relations = file.relations(main);
        XmlNode list = book.child("x:sheets");
        List<XmlNode> told = list == null ? List.of() : list.children("x:sheet");
        for (int i = 0; i < told.size(); i++) {
            XmlNode one = told.get(i);
            OfficePackage.Relation relation = relations.get(one.get("r:id", ""));
            if (relation == null || relation.outside() || file.part(relation.target()) == null) continue;
            progress.step(i, told.size(), Message.of("sheet.reading", one.get("name", "")));
            // A sheet that is one chart (18.3.1.12) is read as one without cells, over which the chart lies.
            boolean chart = relation.is("chartsheet");
            if (!relation.is("worksheet") && !chart) continue;
            boolean hidden = !one.get("state", "visible").equals("visible");
            Sheet read = new Reading(one.get("name", ""), relation.target(), local.getOrDefault(i, Map.of())).sheet(hidden);
            sheets.add(chart ? read.withSetup(wide(read.setup())) : read);
            local.getOrDefault(i, Map.of()).forEach((name, place) -> {
                if (!name.startsWith("_xlnm") && !name.isBlank()) names.put(read.name() + "!" + name, place);
            });
        }
        Workbook made = new Workbook(sheets, styles.cells(), names, facts(), since1904, XlsxLocks.of(book));
        return new ReadWorkbook(made, lost.findings());
    }

    /** The setup of a chart's own sheet: on one page, lying where it does not stand by its own word. */
    private static PageSetup wide(PageSetup setup) {
        PageSetup fitted = setup.fitted(1, 1);
        return setup.page().isLandscape() ? fitted : fitted.on(setup.page().turned());
    }

    private Facts facts() {
        String core = file.target("", "core-properties");
        if (core == null || file.part(core) == null) return Facts.NONE;
        XmlNode node = XmlReader.tree(file.part(core), "core.xml");
        return new Facts(text(node, "dc:title"), text(node, "dc:subject"), text(node, "dc:creator"), text(node, "cp:keywords"), text(node, "dc:language"),
                instant(text(node, "dcterms:created")), instant(text(node, "dcterms:modified")), Map.of());
    }

    private static String text(XmlNode node, String child) {
        XmlNode found = node.child(child);
        return found == null || found.text().isBlank() ? null : found.text();
    }

    private static Instant instant(String told) {
        try {
            return told == null ? null : Instant.parse(told);
        } catch (DateTimeParseException e) {
            LoggerFactory.getLogger(XlsxReader.class).debug("{} is no time", told, e);
            return null;
        }
    }

    /** The words of a string, and which of them look otherwise; readings are left out (18.4.8). */
    private CellValue.Text words(XmlNode node) {
        if (node.child("x:r") == null) return new CellValue.Text(text(node));
        StringBuilder text = new StringBuilder();
        List<CellValue.Stretch> stretches = new ArrayList<>();
        for (XmlNode child : node.children()) {
            XmlNode words = child.is("x:r") ? child.child("x:t") : child.is("x:t") ? child : null;
            if (words == null) continue;
            int from = text.length();
            text.append(unescaped(words.text()));
            Look look = child.child("x:rPr") == null ? Look.PLAIN : styles.font(child.child("x:rPr"));
            if (!look.equals(Look.PLAIN) && text.length() > from) stretches.add(new CellValue.Stretch(from, text.length(), look));
        }
        return new CellValue.Text(text.toString(), stretches);
    }

    /** The words of a string, its runs joined, readings left out. */
    static String text(XmlNode node) {
        StringBuilder text = new StringBuilder();
        for (XmlNode child : node.children()) {
            if (child.is("x:t")) text.append(child.text());
            if (child.is("x:r") && child.child("x:t") != null) text.append(child.child("x:t").text());
        }
        return unescaped(text.toString());
    }

    /** {@code _x000D_} stands for a character that XML can't hold (22.4.2.4). */
    static String unescaped(String text) {
        if (!text.contains("_x")) return text;
        StringBuilder plain = new StringBuilder();
        for (int i = 0; i < text.length(); i++) {
            if (text.startsWith("_x", i) && i + 6 < text.length() && text.charAt(i + 6) == '_' && text.substring(i + 2, i + 6).matches("[0-9A-Fa-f]{4}")) {
                char c = (char) Integer.parseInt(text.substring(i + 2, i + 6), 16);
                if (c >= ' ' || c == '\n' || c == '\t') plain.append(c);
                i += 6;
            } else {
                plain.append(text.charAt(i));
            }
        }
        return plain.toString();
    }

    static boolean isTrue(String value) { return value != null && (value.equals("1") || value.equals("true") || value.equals("on")); }

    static int whole(String digits, int otherwise) {
        try {
            return digits == null ? otherwise : Integer.parseInt(digits.trim());
        } catch (NumberFormatException e) {
            // What is no number says nothing.
            return otherwise;
        }
    }

    static double number(String digits, double otherwise) {
        try {
            double value = digits == null ? otherwise : Double.parseDouble(digits.trim());
            return Double.isFinite(value) ? value : otherwise;
        } catch (NumberFormatException e) {
            // What is no number says nothing.
            return otherwise;
        }
    }

    /** A formula that is told once for many cells, and the cell for which it is told. */
    private record Told(String formula, int row, int column) { }

    /** One sheet while it is read. */
    private final class Reading {
        private final String name;
        private final String part;
        private final Map<String, String> names;
        private final List<Column> columns = new ArrayList<>();
        private final TreeMap<Integer, Row> rows = new TreeMap<>();
        private final List<Range> merged = new ArrayList<>();
        private final Map<Long, Link> links = new HashMap<>();
        private final XlsxPages pages = new XlsxPages();
        private final XlsxConditions conditions = new XlsxConditions(styles);
        private final XlsxMatter matter = new XlsxMatter(styles::colour, lost);
        private final Map<String, Told> sharedFormulas = new HashMap<>();
        private double width = WIDTH;
        private double height = HEIGHT;
        private boolean rowsHidden;
        private final List<String> drawings = new ArrayList<>();
        private final List<String> older = new ArrayList<>();

        Reading(String name, String part, Map<String, String> names) {
            this.name = name;
            this.part = part;
            this.names = names;
        }

        Sheet sheet(boolean hidden) {
            if (Entities.areIn(file.part(part))) lost.count(Lost.Kind.ENTITIES, 1);
            XmlReader.stream(file.part(part), name, WANTED::contains, this::node);
            List<Row> linked = new ArrayList<>();
            for (Row row : rows.values()) linked.add(links.isEmpty() ? row : linked(row));
            lost.count(Lost.Kind.PIVOTS, (int) file.relations(part).values().stream().filter(one -> one.is("pivotTable")).count());
            PageSetup setup = pages.setup(ranges(names.get(AREA)), names.get(TITLES));
            lost.count(Lost.Kind.CONDITIONS, conditions.unknown());
            return new Sheet(name, hidden, width, height, columns, linked, merged, setup, objects(), conditions.conditions(),
                    matter.matter(XlsxMatter.notes(file, main, part), XlsxTables.read(file, part, styles::accent)));
        }

        private void node(XmlNode node) {
            switch (node.name()) {
                case "x:sheetFormatPr" -> {
                    height = Math.max(0, Math.min(409, number(node.get("defaultRowHeight"), HEIGHT)));
                    rowsHidden = isTrue(node.get("zeroHeight"));
                    if (rowsHidden) height = 0;
                    double told = number(node.get("defaultColWidth"), -1);
                    width = told >= 0 ? points(told) : points(number(node.get("baseColWidth"), 8) + 5.0 / digit);
                }
                case "x:cols" -> node.children("x:col").forEach(this::column);
                case "x:row" -> row(node);
                case "x:mergeCells" -> node.children("x:mergeCell").forEach(one -> {
                    Range range = Range.of(one.get("ref", ""));
                    if (range != null && range.rows() * (long) range.columns() > 1) merged.add(range);
                });
                case "x:hyperlinks" -> node.children("x:hyperlink").forEach(this::link);
                case "x:conditionalFormatting" -> conditions.read(node);
                case "x:dataValidations", "x:sheetViews", "x:sheetProtection", "x:autoFilter", "x:extLst" -> matter.told(node);
                case "x:sheetPr" -> {
                    matter.told(node);
                    pages.told(node);
                }
                case "x:drawing", "x:legacyDrawing" -> {
                    OfficePackage.Relation relation = file.relations(part).get(node.get("r:id", ""));
                    if (relation != null && file.part(relation.target()) != null) (node.is("x:drawing") ? drawings : older).add(relation.target());
                }
                default -> pages.told(node);
            }
        }

        private List<SheetObject> objects() {
            List<SheetObject> objects = new ArrayList<>();
            CellPlaces places = new CellPlaces(columns, width, rows, height);
            for (String drawing : drawings) objects.addAll(new XlsxObjects(file, drawing, lost, shapes, places).read());
            for (String drawing : older) objects.addAll(new XlsxControls(file, drawing, lost, places).read());
            return objects;
        }

        private void column(XmlNode node) {
            int from = whole(node.get("min"), 0) - 1;
            int to = Math.min(Range.MOST_COLUMNS, whole(node.get("max"), 0)) - 1;
            if (from < 0 || to < from || !columns.isEmpty() && columns.get(columns.size() - 1).to() >= from) return;
            double told = number(node.get("width"), -1);
            columns.add(new Column(from, to, told < 0 ? width : points(told), isTrue(node.get("hidden")), whole(node.get("outlineLevel"), 0),
                    node.get("style") == null ? 0 : styles.index(whole(node.get("style"), 0))));
        }

        private double points(double digits) { return DigitWidth.points(digits, digit); }

        private void row(XmlNode node) {
            int index = whole(node.get("r"), rows.isEmpty() ? 1 : rows.lastKey() + 2) - 1;
            if (index < 0 || index >= Range.MOST_ROWS) return;
            TreeMap<Integer, Cell> cells = new TreeMap<>();
            for (XmlNode one : node.children("x:c")) {
                int column = cells.isEmpty() ? 0 : cells.lastKey() + 1;
                int named = Range.columnOf(one.get("r", ""));
                if (named >= 0) column = named;
                if (column < Range.MOST_COLUMNS) cells.put(column, cell(one, index, column));
            }
            double told = number(node.get("ht"), Double.NaN);
            boolean own = isTrue(node.get("customHeight"));
            boolean hidden = isTrue(node.get("hidden")) || rowsHidden && node.get("hidden") == null && !own;
            int depth = whole(node.get("outlineLevel"), 0);
            boolean empty = cells.isEmpty() && Double.isNaN(told) && !hidden && depth == 0;
            if (!empty) rows.put(index, new Row(index, Double.isNaN(told) ? Double.NaN : Math.max(0, Math.min(409.5, told)), hidden, depth,
                    List.copyOf(cells.values())));
            if (rows.size() % 1000 == 0) progress.step(0, 0, Message.of("sheet.reading", name));
        }

        private Cell cell(XmlNode node, int row, int column) {
            int style = styles.index(whole(node.get("s"), 0));
            XmlNode formula = node.child("x:f");
            XmlNode value = node.child("x:v");
            Range array = formula == null || !formula.get("t", "normal").equals("array") ? null : Range.of(formula.get("ref", ""));
            boolean here = array != null && array.top() == row && array.left() == column;
            return new Cell(column, value(node.get("t", "n"), value == null ? null : value.text(), node.child("x:is")),
                    formula == null ? null : formula(formula, row, column), here ? array : null, style, null);
        }

        /** A formula of this cell alone, of the first of many, or of one of those many (18.18.6); what is worked out over a range of entries is not told. */
        private String formula(XmlNode node, int row, int column) {
            String told = node.text().isEmpty() ? null : node.text();
            if (!node.get("t", "normal").equals("shared")) return node.get("t", "normal").equals("dataTable") ? null : told;
            String number = node.get("si", "");
            if (told != null) sharedFormulas.put(number, new Told(told, row, column));
            Told first = sharedFormulas.get(number);
            return told != null || first == null ? told : MovedFormula.moved(first.formula, row - first.row, column - first.column);
        }

        private CellValue value(String type, String value, XmlNode inline) {
            if (inline != null) return words(inline);
            if (value == null || value.isEmpty() && !type.equals("str")) return CellValue.EMPTY;
            return switch (type) {
                case "s" -> {
                    int index = whole(value, -1);
                    yield index >= 0 && index < shared.size() ? shared.get(index) : CellValue.EMPTY;
                }
                case "str" -> new CellValue.Text(unescaped(value));
                case "b" -> new CellValue.Truth(isTrue(value));
                case "e" -> new CellValue.Failure(value);
                case "d" -> date(value);
                default -> {
                    double number = number(value, Double.NaN);
                    yield Double.isNaN(number) ? new CellValue.Text(value) : CellValue.of(number);
                }
            };
        }

        private CellValue date(String told) {
            try {
                return new CellValue.Number(DateUtil.getExcelDate(LocalDateTime.parse(told.length() == 10 ? told + "T00:00:00" : told.replace("Z", "")),
                        since1904));
            } catch (DateTimeParseException e) {
                LoggerFactory.getLogger(XlsxReader.class).debug("{} is no time", told, e);
                return new CellValue.Text(told);
            }
        }

        private void link(XmlNode node) {
            Range range = Range.of(node.get("ref", ""));
            OfficePackage.Relation relation = file.relations(part).get(node.get("r:id", ""));
            String place = node.get("location", "");
            if (range == null) return;
            long at = (long) range.top() << 20 | range.left();
            if (relation != null && relation.outside()) links.put(at, new Link.Address(relation.target() + (place.isEmpty() ? "" : "#" + place)));
            else if (!place.isEmpty()) links.put(at, new Link.Inside(place));
        }

        private Row linked(Row row) {
            List<Cell> cells = row.cells().stream().map(cell -> {
                Link link = links.get((long) row.index() << 20 | cell.column());
                return link == null ? cell : new Cell(cell.column(), cell.value(), cell.formula(), cell.array(), cell.style(), link);
            }).toList();
            return row.with(cells);
        }

        private List<Range> ranges(String told) { return told == null ? List.of() : XlsxPages.ranges(told); }
    }
}
