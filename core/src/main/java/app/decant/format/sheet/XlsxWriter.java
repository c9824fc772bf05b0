package app.decant.format.sheet;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Facts;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Section.PageGeometry;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.format.Archive;
import app.decant.sheet.Cell;
import app.decant.sheet.CellDress;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellStyle.Down;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import app.decant.xml.XmlWriter;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Writes workbooks of Office Open XML (ISO/IEC 29500-1, 18), transitional. */
final class XlsxWriter {
    private static final String MAIN = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    private static final String ROLES = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private static final String PACKAGE = "http://schemas.openxmlformats.org/package/2006/";
    private static final String TYPES = "application/vnd.openxmlformats-officedocument.spreadsheetml.";
    /** Codes of one's own begin here (18.8.30). */
    private static final int FIRST_FORMAT = 164;

    private final Workbook workbook;
    private final Map<String, byte[]> parts = new LinkedHashMap<>();
    private final Map<String, Integer> shared = new LinkedHashMap<>();
    private final int digit;
    private XmlWriter xml;

    private XlsxWriter(Workbook workbook) {
        this.workbook = workbook;
        digit = DigitWidth.of(workbook.styles().isEmpty() ? Look.PLAIN : workbook.styles().get(0).font());
    }

    static byte[] write(Workbook workbook, Instant when) { return new XlsxWriter(workbook).archive(when); }

    private byte[] archive(Instant when) {
        Map<String, byte[]> sheets = new LinkedHashMap<>();
        for (int i = 0; i < workbook.sheets().size(); i++) sheet(workbook.sheets().get(i), i, sheets);
        parts.put("[Content_Types].xml", types());
        parts.put("_rels/.rels", relations("officeDocument", "xl/workbook.xml", "core", "docProps/core.xml"));
        parts.put("xl/workbook.xml", book());
        List<String> targets = new ArrayList<>(List.of("styles", "styles.xml", "sharedStrings", "sharedStrings.xml"));
        for (int i = 0; i < workbook.sheets().size(); i++) targets.addAll(List.of("worksheet", "worksheets/sheet" + (i + 1) + ".xml"));
        parts.put("xl/_rels/workbook.xml.rels", relations(targets.toArray(String[]::new)));
        parts.put("xl/styles.xml", styles());
        parts.put("xl/sharedStrings.xml", strings());
        parts.putAll(sheets);
        parts.put("docProps/core.xml", core(when));
        return Archive.packed(null, parts);
    }

    private byte[] types() {
        xml = new XmlWriter();
        xml.open("Types", "xmlns", PACKAGE + "content-types");
        xml.leaf("Default", "Extension", "rels", "ContentType", "application/vnd.openxmlformats-package.relationships+xml");
        xml.leaf("Default", "Extension", "xml", "ContentType", "application/xml");
        xml.leaf("Override", "PartName", "/xl/workbook.xml", "ContentType", TYPES + "sheet.main+xml");
        xml.leaf("Override", "PartName", "/xl/styles.xml", "ContentType", TYPES + "styles+xml");
        xml.leaf("Override", "PartName", "/xl/sharedStrings.xml", "ContentType", TYPES + "sharedStrings+xml");
        for (int i = 0; i < workbook.sheets().size(); i++)
            xml.leaf("Override", "PartName", "/xl/worksheets/sheet" + (i + 1) + ".xml", "ContentType", TYPES + "worksheet+xml");
        xml.leaf("Override", "PartName", "/docProps/core.xml", "ContentType", "application/vnd.openxmlformats-package.core-properties+xml");
        xml.close();
        return xml.bytes();
    }

    /** @param told roles and targets in turn; ids are their numbers */
    private static byte[] relations(String... told) {
        XmlWriter xml = new XmlWriter();
        xml.open("Relationships", "xmlns", PACKAGE + "relationships");
        for (int i = 0; i < told.length; i += 2) {
            boolean outside = told[i].equals("hyperlink");
            String role = told[i].equals("core") ? PACKAGE + "relationships/metadata/core-properties" : ROLES + "/" + told[i];
            xml.leaf("Relationship", "Id", "rId" + (i / 2 + 1), "Type", role, "Target", told[i + 1], "TargetMode", outside ? "External" : null);
        }
        xml.close();
        return xml.bytes();
    }

    private byte[] book() {
        xml = new XmlWriter();
        xml.open("workbook", "xmlns", MAIN, "xmlns:r", ROLES);
        xml.leaf("workbookPr", "date1904", workbook.since1904() ? "1" : null);
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
        }
        workbook.names().forEach((name, place) -> {
            boolean sound = name.matches("[\\p{L}_\\\\][\\p{L}\\p{N}_.?\\\\]{0,254}") && Range.of(name) == null && !place.contains("#REF");
            if (sound) name(names, name, -1, place, count);
        });
        names.close();
        if (count[0] > 0) xml.raw(new String(names.bytes(), StandardCharsets.UTF_8).replaceFirst("^<\\?xml[^>]*\\?>\\s*", ""));
    }

    private static void name(XmlWriter xml, String name, int sheet, String place, int[] count) {
        xml.open("definedName", "name", name, "localSheetId", sheet < 0 ? null : sheet);
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
        for (String text : shared.keySet()) {
            xml.open("si");
            xml.open("t", "xml:space", text.equals(text.strip()) ? null : "preserve");
            xml.text(text);
            xml.close();
            xml.close();
        }
        xml.close();
        return xml.bytes();
    }

    private void sheet(Sheet sheet, int index, Map<String, byte[]> sheets) {
        PageSetup setup = sheet.setup();
        xml = new XmlWriter();
        xml.open("worksheet", "xmlns", MAIN, "xmlns:r", ROLES);
        xml.open("sheetPr");
        xml.leaf("pageSetUpPr", "fitToPage", setup.fitted() ? "1" : "0");
        xml.close();
        xml.open("sheetViews");
        xml.leaf("sheetView", "workbookViewId", 0);
        xml.close();
        xml.leaf("sheetFormatPr", "defaultColWidth", digits(sheet.columnWidth()), "defaultRowHeight", number(sheet.rowHeight()),
                "zeroHeight", sheet.rowHeight() == 0 ? "1" : null);
        if (!sheet.columns().isEmpty()) {
            xml.open("cols");
            for (Column column : sheet.columns())
                xml.leaf("col", "min", column.from() + 1, "max", column.to() + 1, "width", digits(column.width()), "hidden", column.hidden() ? "1" : null,
                        "customWidth", "1");
            xml.close();
        }
        List<String> links = new ArrayList<>();
        xml.open("sheetData");
        List<String[]> linked = new ArrayList<>();
        for (Row row : sheet.rows()) {
            boolean own = !Double.isNaN(row.height());
            xml.open("row", "r", row.index() + 1, "ht", own ? number(row.height()) : null, "customHeight", own ? "1" : null, "hidden", row.hidden() ? "1"
                    : null);
            for (Cell cell : row.cells()) {
                cell(row.index(), cell);
                if (cell.link() instanceof Link.Address address) {
                    links.addAll(List.of("hyperlink", address.uri()));
                    linked.add(new String[] {Range.name(row.index(), cell.column()), "rId" + links.size() / 2});
                }
            }
            xml.close();
        }
        xml.close();
        if (!sheet.merged().isEmpty()) {
            xml.open("mergeCells", "count", sheet.merged().size());
            for (Range range : sheet.merged()) xml.leaf("mergeCell", "ref", range.toString());
            xml.close();
        }
        XlsxConditions.write(xml, sheet.conditions(), dresses());
        if (!linked.isEmpty()) {
            xml.open("hyperlinks");
            for (String[] one : linked) xml.leaf("hyperlink", "ref", one[0], "r:id", one[1]);
            xml.close();
            sheets.put("xl/worksheets/_rels/sheet" + (index + 1) + ".xml.rels", relations(links.toArray(String[]::new)));
        }
        pages(setup);
        xml.close();
        sheets.put("xl/worksheets/sheet" + (index + 1) + ".xml", xml.bytes());
    }

    private String digits(double points) { return number(DigitWidth.digits(points, digit)); }

    private static String number(double value) {
        double rounded = Math.round(value * 10_000) / 10_000.0;
        return rounded == Math.rint(rounded) ? String.valueOf((long) rounded) : String.valueOf(rounded);
    }

    private void cell(int row, Cell cell) {
        String place = Range.name(row, cell.column());
        CellValue value = cell.value();
        String type = value instanceof CellValue.Text ? cell.formula() == null ? "s" : "str" : value instanceof CellValue.Truth ? "b"
                : value instanceof CellValue.Failure ? "e" : null;
        xml.open("c", "r", place, "s", cell.style() == 0 ? null : cell.style(), "t", type);
        if (cell.formula() != null) {
            xml.open("f");
            xml.text(cell.formula());
            xml.close();
        }
        String told = value instanceof CellValue.Number one ? String.valueOf(one.value()).replaceFirst("\\.0$", "")
                : value instanceof CellValue.Truth truth ? truth.value() ? "1" : "0" : value instanceof CellValue.Failure failure ? failure.code()
                : value instanceof CellValue.Text text ? cell.formula() != null ? text.text() : String.valueOf(shared.computeIfAbsent(text.text(),
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

    private byte[] styles() {
        List<Look> fonts = new ArrayList<>();
        List<Colour> fills = new ArrayList<>();
        List<Borders> borders = new ArrayList<>(List.of(Borders.OPEN));
        List<String> formats = new ArrayList<>();
        for (CellStyle style : workbook.styles()) {
            if (!fonts.contains(style.font())) fonts.add(style.font());
            if (style.fill() != null && !fills.contains(style.fill())) fills.add(style.fill());
            if (style.borders() != null && !borders.contains(style.borders())) borders.add(style.borders());
            if (!style.format().equalsIgnoreCase(CellStyle.GENERAL) && !formats.contains(style.format())) formats.add(style.format());
        }
        xml = new XmlWriter();
        xml.open("styleSheet", "xmlns", MAIN);
        if (!formats.isEmpty()) {
            xml.open("numFmts", "count", formats.size());
            for (int i = 0; i < formats.size(); i++) xml.leaf("numFmt", "numFmtId", FIRST_FORMAT + i, "formatCode", formats.get(i));
            xml.close();
        }
        xml.open("fonts", "count", fonts.size());
        for (Look font : fonts) font(font, true);
        xml.close();
        xml.open("fills", "count", fills.size() + 2);
        for (String plain : new String[] {"none", "gray125"}) {
            xml.open("fill");
            xml.leaf("patternFill", "patternType", plain);
            xml.close();
        }
        for (Colour fill : fills) {
            xml.open("fill");
            xml.open("patternFill", "patternType", "solid");
            xml.leaf("fgColor", "rgb", "FF" + fill.hex());
            xml.close();
            xml.close();
        }
        xml.close();
        xml.open("borders", "count", borders.size());
        for (Borders one : borders) {
            xml.open("border");
            side("left", one.left());
            side("right", one.right());
            side("top", one.top());
            side("bottom", one.bottom());
            xml.leaf("diagonal");
            xml.close();
        }
        xml.close();
        xml.open("cellStyleXfs", "count", 1);
        xml.leaf("xf", "numFmtId", 0, "fontId", 0, "fillId", 0, "borderId", 0);
        xml.close();
        xml.open("cellXfs", "count", workbook.styles().size());
        for (CellStyle style : workbook.styles()) {
            int format = formats.indexOf(style.format());
            int border = style.borders() == null ? 0 : borders.indexOf(style.borders());
            xml.open("xf", "numFmtId", format < 0 ? 0 : FIRST_FORMAT + format, "fontId", fonts.indexOf(style.font()), "fillId",
                    style.fill() == null ? 0 : fills.indexOf(style.fill()) + 2, "borderId", border, "xfId", 0, "applyNumberFormat", "1", "applyFont", "1",
                            "applyFill", "1",
                    "applyBorder", "1", "applyAlignment", "1");
            alignment(style);
            xml.close();
        }
        xml.close();
        xml.open("cellStyles", "count", 1);
        xml.leaf("cellStyle", "name", "Normal", "xfId", 0, "builtinId", 0);
        xml.close();
        dressed();
        xml.close();
        return xml.bytes();
    }

    /** What rules put over cells, each once. */
    private List<CellDress> dresses() {
        return workbook.sheets().stream().flatMap(sheet -> sheet.conditions().stream()).map(one -> one.rule().dress())
                .filter(dress -> !dress.equals(CellDress.NONE)).distinct().toList();
    }

    private void dressed() {
        List<CellDress> dresses = dresses();
        if (dresses.isEmpty()) return;
        xml.open("dxfs", "count", dresses.size());
        for (int i = 0; i < dresses.size(); i++) {
            CellDress dress = dresses.get(i);
            xml.open("dxf");
            if (!dress.font().equals(Look.PLAIN)) font(dress.font(), false);
            if (dress.format() != null) xml.leaf("numFmt", "numFmtId", FIRST_FORMAT + workbook.styles().size() + i, "formatCode", dress.format());
            if (dress.fill() != null) {
                xml.open("fill");
                xml.open("patternFill");
                xml.leaf("bgColor", "rgb", "FF" + dress.fill().hex());
                xml.close();
                xml.close();
            }
            if (dress.borders() != null) {
                xml.open("border");
                side("left", dress.borders().left());
                side("right", dress.borders().right());
                side("top", dress.borders().top());
                side("bottom", dress.borders().bottom());
                xml.close();
            }
            xml.close();
        }
        xml.close();
    }

    private void alignment(CellStyle style) {
        String across = switch (style.across()) {
            case BY_KIND -> null;
            case LEFT -> "left";
            case CENTRE -> "center";
            case RIGHT -> "right";
            case JUSTIFY -> "justify";
            case FILL -> "fill";
            case CENTRE_ACROSS -> "centerContinuous";
        };
        String down = style.down() == Down.TOP ? "top" : style.down() == Down.MIDDLE ? "center" : style.down() == Down.JUSTIFY ? "justify" : null;
        int turn = style.turn() < 0 ? 90 - style.turn() : style.turn();
        xml.leaf("alignment", "horizontal", across, "vertical", down, "textRotation", turn == 0 ? null : turn, "wrapText", style.wraps() ? "1" : null, "indent",
                style.indent() == 0 ? null : style.indent(), "shrinkToFit", style.shrinks() ? "1" : null);
    }

    /** @param whole whether it says its size and name in any case; what a rule puts over others says only what it changes */
    private void font(Look look, boolean whole) {
        xml.open("font");
        if (look.is(TextProperty.BOLD)) xml.leaf("b");
        if (look.is(TextProperty.ITALIC)) xml.leaf("i");
        if (look.is(TextProperty.STRIKE)) xml.leaf("strike");
        Underline under = look.get(TextProperty.UNDERLINE, Underline.NONE);
        if (under != Underline.NONE) xml.leaf("u", "val", under == Underline.DOUBLE ? "double" : null);
        Script script = look.get(TextProperty.SCRIPT, Script.BASELINE);
        if (script != Script.BASELINE) xml.leaf("vertAlign", "val", script == Script.SUPER ? "superscript" : "subscript");
        if (whole || look.says(TextProperty.SIZE)) xml.leaf("sz", "val", number(look.get(TextProperty.SIZE, 11.0)));
        Colour ink = look.get(TextProperty.COLOUR);
        if (ink != null && !ink.isAutomatic()) xml.leaf("color", "rgb", "FF" + ink.hex());
        if (whole || look.says(TextProperty.FAMILY)) xml.leaf("name", "val", look.get(TextProperty.FAMILY, "Calibri"));
        xml.close();
    }

    private void side(String name, Border border) {
        String style = LineStyles.name(border);
        if (style == null) {
            xml.leaf(name);
            return;
        }
        xml.open(name, "style", style);
        xml.leaf("color", "rgb", "FF" + (border.colour().isAutomatic() ? "000000" : border.colour().hex()));
        xml.close();
    }

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
