package app.decant.format.sheet;

import app.decant.document.Facts;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Section.PageGeometry;
import app.decant.format.Archive;
import app.decant.sheet.Cell;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetMatter;
import app.decant.sheet.SheetTable;
import app.decant.sheet.Workbook;
import app.decant.xml.XmlWriter;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Writes workbooks of Office Open XML (ISO/IEC 29500-1, 18), transitional. */
final class XlsxWriter {
    static final String MAIN = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    static final String ROLES = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private static final String PACKAGE = "http://schemas.openxmlformats.org/package/2006/";
    private static final String TYPES = "application/vnd.openxmlformats-officedocument.spreadsheetml.";

    private final Workbook workbook;
    private final Map<String, byte[]> parts = new LinkedHashMap<>();
    private final Map<CellValue.Text, Integer> shared = new LinkedHashMap<>();
    private final XlsxStylesPart styles;
    private final XlsxDrawingPart drawings = new XlsxDrawingPart();
    private final int digit;
    private int notes;
    private int tables;
    private XmlWriter xml;

    private XlsxWriter(Workbook workbook) {
        this.workbook = workbook;
        styles = new XlsxStylesPart(workbook);
        digit = DigitWidth.of(workbook.styles().isEmpty() ? Look.PLAIN : workbook.styles().get(0).font());
    }

    static byte[] write(Workbook workbook, Instant when) { return new XlsxWriter(workbook).archive(when); }

    private byte[] archive(Instant when) {
        Map<String, byte[]> sheets = new LinkedHashMap<>();
        for (int i = 0; i < workbook.sheets().size(); i++) sheet(workbook.sheets().get(i), i, sheets);
        Map<String, byte[]> drawn = new LinkedHashMap<>(parts);
        parts.clear();
        parts.put("[Content_Types].xml", types(drawn.keySet()));
        parts.put("_rels/.rels", relations("officeDocument", "xl/workbook.xml", "core", "docProps/core.xml"));
        parts.put("xl/workbook.xml", book());
        List<String> targets = new ArrayList<>(List.of("styles", "styles.xml", "sharedStrings", "sharedStrings.xml"));
        for (int i = 0; i < workbook.sheets().size(); i++) targets.addAll(List.of("worksheet", "worksheets/sheet" + (i + 1) + ".xml"));
        parts.put("xl/_rels/workbook.xml.rels", relations(targets.toArray(String[]::new)));
        parts.put("xl/styles.xml", styles.part());
        parts.put("xl/sharedStrings.xml", strings());
        parts.putAll(sheets);
        parts.putAll(drawn);
        parts.put("docProps/core.xml", core(when));
        return Archive.packed(null, parts);
    }

    private byte[] types(Set<String> others) {
        xml = new XmlWriter();
        xml.open("Types", "xmlns", PACKAGE + "content-types");
        xml.leaf("Default", "Extension", "rels", "ContentType", "application/vnd.openxmlformats-package.relationships+xml");
        xml.leaf("Default", "Extension", "xml", "ContentType", "application/xml");
        XlsxDrawingPart.endings(xml, others);
        xml.leaf("Override", "PartName", "/xl/workbook.xml", "ContentType", TYPES + "sheet.main+xml");
        xml.leaf("Override", "PartName", "/xl/styles.xml", "ContentType", TYPES + "styles+xml");
        xml.leaf("Override", "PartName", "/xl/sharedStrings.xml", "ContentType", TYPES + "sharedStrings+xml");
        for (int i = 0; i < workbook.sheets().size(); i++)
            xml.leaf("Override", "PartName", "/xl/worksheets/sheet" + (i + 1) + ".xml", "ContentType", TYPES + "worksheet+xml");
        XlsxDrawingPart.types(xml, others);
        xml.leaf("Override", "PartName", "/docProps/core.xml", "ContentType", "application/vnd.openxmlformats-package.core-properties+xml");
        xml.close();
        return xml.bytes();
    }

    /** @param told roles and targets in turn; ids are their numbers */
    private static byte[] relations(String... told) {
        Relations relations = new Relations();
        for (int i = 0; i < told.length; i += 2) relations.add(told[i], told[i + 1]);
        return relations.part();
    }

    /** What a part points at, by ids that count. */
    static final class Relations {
        private final List<String[]> told = new ArrayList<>();

        /** The id of one more. */
        String add(String role, String target) {
            told.add(new String[] {role, target});
            return "rId" + told.size();
        }

        int count() { return told.size(); }

        byte[] part() {
            XmlWriter xml = new XmlWriter();
            xml.open("Relationships", "xmlns", PACKAGE + "relationships");
            for (int i = 0; i < told.size(); i++) {
                String name = told.get(i)[0];
                String role = name.equals("core") ? PACKAGE + "relationships/metadata/core-properties" : ROLES + "/" + name;
                xml.leaf("Relationship", "Id", "rId" + (i + 1), "Type", role, "Target", told.get(i)[1], "TargetMode", name.equals("hyperlink") ? "External"
                        : null);
            }
            xml.close();
            return xml.bytes();
        }
    }

    private byte[] book() {
        xml = new XmlWriter();
        xml.open("workbook", "xmlns", MAIN, "xmlns:r", ROLES);
        XlsxLocks.sharing(xml, workbook.lock());
        xml.leaf("workbookPr", "date1904", workbook.since1904() ? "1" : null);
        XlsxLocks.structure(xml, workbook.lock());
        xml.open("sheets");
        for (int i = 0; i < workbook.sheets().size(); i++)
            xml.leaf("sheet", "name", workbook.sheets().get(i).name(), "sheetId", i + 1, "state", workbook.sheets().get(i).hidden() ? "hidden" : null, "r:id",
                    "rId" + (i + 3));
        xml.close();
        names();
        xml.close();
        return xml.bytes();
    }

    private void names() {
        XmlWriter names = new XmlWriter();
        int[] count = new int[1];
        names.open("definedNames");
        for (int i = 0; i < workbook.sheets().size(); i++) {
            Sheet sheet = workbook.sheets().get(i);
            PageSetup setup = sheet.setup();
            String quoted = "'" + sheet.name().replace("'", "''") + "'!";
            if (!setup.areas().isEmpty()) name(names, "_xlnm.Print_Area", i, String.join(",", setup.areas().stream().map(area -> quoted + fixed(area))
                    .toList()), count);
            List<String> titles = new ArrayList<>();
            if (setup.titleColumns() != null)
                titles.add(quoted + "$" + Range.letters(setup.titleColumns().left()) + ":$" + Range.letters(setup.titleColumns().right()));
            if (setup.titleRows() != null) titles.add(quoted + "$" + (setup.titleRows().top() + 1) + ":$" + (setup.titleRows().bottom() + 1));
            if (!titles.isEmpty()) name(names, "_xlnm.Print_Titles", i, String.join(",", titles), count);
            if (sheet.matter().filter() != null) name(names, "_xlnm._FilterDatabase", i, quoted + fixed(sheet.matter().filter().range()), count);
        }
        workbook.names().forEach((key, place) -> {
            int mark = key.lastIndexOf('!');
            String name = key.substring(mark + 1);
            int owner = -1;
            for (int i = 0; mark > 0 && i < workbook.sheets().size(); i++) if (workbook.sheets().get(i).name().equals(key.substring(0, mark))) owner = i;
            boolean sound = (mark < 0 || owner >= 0) && name.matches("[\\p{L}_\\\\][\\p{L}\\p{N}_.?\\\\]{0,254}") && Range.of(name) == null
                    && !place.contains("#REF");
            if (sound) name(names, name, owner, place, count);
        });
        names.close();
        if (count[0] > 0) xml.raw(new String(names.bytes(), StandardCharsets.UTF_8).replaceFirst("^<\\?xml[^>]*\\?>\\s*", ""));
    }

    private static void name(XmlWriter xml, String name, int sheet, String place, int[] count) {
        xml.open("definedName", "name", name, "localSheetId", sheet < 0 ? null : sheet, "hidden", name.endsWith("_FilterDatabase") ? "1" : null);
        xml.text(place);
        xml.close();
        count[0]++;
    }

    private static String fixed(Range range) {
        return "$" + Range.letters(range.left()) + "$" + (range.top() + 1) + ":$" + Range.letters(range.right()) + "$" + (range.bottom() + 1);
    }

    private byte[] strings() {
        xml = new XmlWriter();
        xml.open("sst", "xmlns", MAIN, "uniqueCount", shared.size());
        for (CellValue.Text text : shared.keySet()) {
            xml.open("si");
            words(text);
            xml.close();
        }
        xml.close();
        return xml.bytes();
    }

    /** A text, its stretches as runs (18.4.4). */
    private void words(CellValue.Text text) {
        if (text.stretches().isEmpty()) {
            run(text.text());
            return;
        }
        int from = 0;
        for (CellValue.Stretch one : text.stretches()) {
            if (one.from() > from) run(text.text().substring(from, one.from()), null);
            run(text.text().substring(one.from(), one.to()), one.look());
            from = one.to();
        }
        if (from < text.text().length()) run(text.text().substring(from), null);
    }

    private void run(String text, Look look) {
        xml.open("r");
        if (look != null) {
            xml.open("rPr");
            XlsxStylesPart.font(xml, look, false, "rFont");
            xml.close();
        }
        run(text);
        xml.close();
    }

    private void run(String text) {
        xml.open("t", "xml:space", text.equals(text.strip()) ? null : "preserve");
        xml.text(text);
        xml.close();
    }

    private void sheet(Sheet sheet, int index, Map<String, byte[]> sheets) {
        PageSetup setup = sheet.setup();
        xml = new XmlWriter();
        xml.open("worksheet", "xmlns", MAIN, "xmlns:r", ROLES);
        SheetMatter matter = sheet.matter();
        XlsxMatterPart.head(xml, matter.view(), setup.fitted());
        int rowDepth = sheet.rows().stream().mapToInt(Row::depth).max().orElse(0);
        int columnDepth = sheet.columns().stream().mapToInt(Column::depth).max().orElse(0);
        xml.leaf("sheetFormatPr", "defaultColWidth", digits(sheet.columnWidth()), "defaultRowHeight", number(sheet.rowHeight()),
                "zeroHeight", sheet.rowHeight() == 0 ? "1" : null, "outlineLevelRow", rowDepth == 0 ? null : rowDepth,
                "outlineLevelCol", columnDepth == 0 ? null : columnDepth);
        if (!sheet.columns().isEmpty()) {
            xml.open("cols");
            for (Column column : sheet.columns())
                xml.leaf("col", "min", column.from() + 1, "max", column.to() + 1, "width", digits(column.width()),
                        "style", column.style() == 0 ? null : column.style(), "hidden", column.hidden() ? "1" : null, "customWidth", "1",
                        "outlineLevel", column.depth() == 0 ? null : column.depth());
            xml.close();
        }
        Relations relations = new Relations();
        xml.open("sheetData");
        List<String[]> linked = new ArrayList<>();
        for (Row row : sheet.rows()) {
            boolean own = !Double.isNaN(row.height());
            xml.open("row", "r", row.index() + 1, "ht", own ? number(row.height()) : null, "customHeight", own ? "1" : null, "hidden", row.hidden() ? "1"
                    : null, "outlineLevel", row.depth() == 0 ? null : row.depth());
            for (Cell cell : row.cells()) {
                cell(row.index(), cell);
                String place = Range.name(row.index(), cell.column());
                if (cell.link() instanceof Link.Address address) linked.add(new String[] {place, relations.add("hyperlink", address.uri()), null});
                if (cell.link() instanceof Link.Inside inside) linked.add(new String[] {place, null, inside.bookmark()});
            }
            xml.close();
        }
        xml.close();
        XlsxMatterPart.lock(xml, matter.lock());
        XlsxMatterPart.filter(xml, matter.filter());
        if (!sheet.merged().isEmpty()) {
            xml.open("mergeCells", "count", sheet.merged().size());
            for (Range range : sheet.merged()) xml.leaf("mergeCell", "ref", range.toString());
            xml.close();
        }
        XlsxConditions.write(xml, sheet.conditions(), styles.dresses());
        XlsxMatterPart.checks(xml, matter.checks());
        if (!linked.isEmpty()) {
            xml.open("hyperlinks");
            for (String[] one : linked) xml.leaf("hyperlink", "ref", one[0], "r:id", one[1], "location", one[2]);
            xml.close();
        }
        pages(setup);
        if (!sheet.objects().isEmpty())
            xml.leaf("drawing", "r:id", relations.add("drawing", "../drawings/drawing" + drawings.add(sheet.objects(), parts) + ".xml"));
        if (!matter.notes().isEmpty()) {
            notes++;
            relations.add("comments", "../comments" + notes + ".xml");
            parts.put("xl/comments" + notes + ".xml", XlsxMatterPart.comments(matter.notes()));
            parts.put("xl/drawings/notes" + notes + ".vml", XlsxMatterPart.boxes(matter.notes()));
            xml.leaf("legacyDrawing", "r:id", relations.add("vmlDrawing", "../drawings/notes" + notes + ".vml"));
        }
        if (!matter.tables().isEmpty()) {
            xml.open("tableParts", "count", matter.tables().size());
            for (SheetTable one : matter.tables()) {
                tables++;
                parts.put("xl/tables/table" + tables + ".xml", XlsxTables.part(named(one, sheet), tables));
                xml.leaf("tablePart", "r:id", relations.add("table", "../tables/table" + tables + ".xml"));
            }
            xml.close();
        }
        xml.close();
        if (relations.count() > 0) parts.put("xl/worksheets/_rels/sheet" + (index + 1) + ".xml.rels", relations.part());
        sheets.put("xl/worksheets/sheet" + (index + 1) + ".xml", xml.bytes());
    }

    static String number(double value) {
        double rounded = Math.round(value * 10_000) / 10_000.0;
        return rounded == Math.rint(rounded) ? String.valueOf((long) rounded) : String.valueOf(rounded);
    }

    /** A table whose columns are called as its head says now: programs refuse one that differs. */
    private static SheetTable named(SheetTable table, Sheet sheet) {
        if (!table.head()) return table;
        Set<String> taken = new HashSet<>();
        List<SheetTable.TableColumn> columns = new ArrayList<>();
        for (int i = 0; i < table.columns().size(); i++) {
            SheetTable.TableColumn one = table.columns().get(i);
            Cell cell = sheet.cell(table.range().top(), table.range().left() + i);
            String name = cell != null && cell.value() instanceof CellValue.Text text && !text.text().isBlank() ? text.text() : one.name();
            String free = name;
            for (int n = 2; !taken.add(free.toLowerCase(Locale.ROOT)); n++) free = name + n;
            columns.add(new SheetTable.TableColumn(free, one.formula(), one.total(), one.label()));
        }
        return new SheetTable(table.name(), table.range(), true, table.total(), table.filter(), table.style(), table.parts(), table.dress(), columns);
    }

    private String digits(double points) { return number(DigitWidth.digits(points, digit)); }

    private void cell(int row, Cell cell) {
        String place = Range.name(row, cell.column());
        // What other programs make up of a formula is no error that a reader of this format knows.
        CellValue value = cell.value() instanceof CellValue.Failure other && !other.isStandard() ? new CellValue.Text(other.code()) : cell.value();
        String type = value instanceof CellValue.Text ? cell.formula() == null ? "s" : "str" : value instanceof CellValue.Truth ? "b"
                : value instanceof CellValue.Failure ? "e" : null;
        xml.open("c", "r", place, "s", cell.style() == 0 ? null : cell.style(), "t", type);
        if (cell.formula() != null) {
            xml.open("f", "t", cell.array() == null ? null : "array", "ref", cell.array() == null ? null : cell.array().toString());
            xml.text(cell.formula());
            xml.close();
        }
        String told = value instanceof CellValue.Number one ? String.valueOf(one.value()).replaceFirst("\\.0$", "")
                : value instanceof CellValue.Truth truth ? truth.value() ? "1" : "0" : value instanceof CellValue.Failure failure ? failure.code()
                : value instanceof CellValue.Text text ? cell.formula() != null ? text.text() : String.valueOf(shared.computeIfAbsent(text,
                        key -> shared.size()))
                : null;
        if (told != null) {
            xml.open("v");
            xml.text(told);
            xml.close();
        }
        xml.close();
    }

    private void pages(PageSetup setup) {
        PageGeometry page = setup.page();
        xml.leaf("printOptions", "horizontalCentered", setup.middle() ? "1" : null, "verticalCentered", setup.centre() ? "1" : null, "headings",
                setup.headings() ? "1" : null, "gridLines", setup.grid() ? "1" : null);
        xml.leaf("pageMargins", "left", inches(page.left()), "right", inches(page.right()), "top", inches(page.top()), "bottom", inches(page.bottom()),
                "header",
                inches(page.header()), "footer", inches(page.footer()));
        xml.leaf("pageSetup", "paperSize", XlsxPages.number(page), "scale", Math.max(10, Math.round(setup.scale() * 100)), "fitToWidth",
                setup.fitted() ? setup.wide() : null, "fitToHeight", setup.fitted() ? setup.tall() : null, "pageOrder", setup.across() ? "overThenDown" : null,
                "orientation", page.isLandscape() ? "landscape" : "portrait");
        if (setup.header() != null || setup.footer() != null) {
            xml.open("headerFooter");
            words("oddHeader", setup.header());
            words("oddFooter", setup.footer());
            xml.close();
        }
        breaks("rowBreaks", setup.rowBreaks(), Range.MOST_COLUMNS - 1);
        breaks("colBreaks", setup.columnBreaks(), Range.MOST_ROWS - 1);
    }

    private void words(String name, String codes) {
        if (codes == null) return;
        xml.open(name);
        xml.text(codes);
        xml.close();
    }

    private void breaks(String name, List<Integer> breaks, int most) {
        if (breaks.isEmpty()) return;
        xml.open(name, "count", breaks.size(), "manualBreakCount", breaks.size());
        for (int one : breaks) xml.leaf("brk", "id", one, "max", most, "man", "1");
        xml.close();
    }

    private static String inches(double points) { return number(points / 72); }

    private byte[] core(Instant when) {
        Facts facts = workbook.facts();
        xml = new XmlWriter();
        xml.open("cp:coreProperties", "xmlns:cp", PACKAGE + "metadata/core-properties", "xmlns:dc", "http://purl.org/dc/elements/1.1/", "xmlns:dcterms",
                "http://purl.org/dc/terms/", "xmlns:xsi", "http://www.w3.org/2001/XMLSchema-instance");
        words("dc:title", facts.title());
        words("dc:subject", facts.subject());
        words("dc:creator", facts.author());
        words("cp:keywords", facts.keywords());
        words("dc:language", facts.language());
        time("dcterms:created", facts.created() == null ? when : facts.created());
        time("dcterms:modified", when);
        xml.close();
        return xml.bytes();
    }

    private void time(String name, Instant when) {
        xml.open(name, "xsi:type", "dcterms:W3CDTF");
        xml.text(when.truncatedTo(ChronoUnit.SECONDS).toString());
        xml.close();
    }
}
