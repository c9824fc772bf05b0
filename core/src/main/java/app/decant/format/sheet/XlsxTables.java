package app.decant.format.sheet;

import app.decant.document.Colour;
import app.decant.format.OfficePackage;
import app.decant.sheet.Range;
import app.decant.sheet.SheetTable;
import app.decant.sheet.SheetTable.Parts;
import app.decant.sheet.SheetTable.TableColumn;
import app.decant.sheet.TableDress;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Tables with names (ISO/IEC 29500-1, 18.5): read, written, and how those look whose style every program knows by its name (18.8.40, from memory). */
final class XlsxTables {
    private static final Pattern STYLE = Pattern.compile("TableStyle(Light|Medium|Dark)([1-9]|1\\d|2[0-8])");
    private static final int COLOURS = 7;
    private static final Colour GREY = new Colour(0xD9D9D9);

    private XlsxTables() { }

    /** The tables of a sheet. @param accents the colours of the theme by their numbers; 0 is that of letters */
    static List<SheetTable> read(OfficePackage file, String sheet, IntFunction<Colour> accents) {
        List<SheetTable> tables = new ArrayList<>();
        for (OfficePackage.Relation one : file.relations(sheet).values()) {
            byte[] part = one.is("table") && !one.outside() ? file.part(one.target()) : null;
            SheetTable table = part == null ? null : table(XmlReader.tree(part, one.target()), accents);
            if (table != null) tables.add(table);
        }
        return tables;
    }

    private static SheetTable table(XmlNode node, IntFunction<Colour> accents) {
        Range range = Range.of(node.get("ref", ""));
        XmlNode list = node.child("x:tableColumns");
        List<XmlNode> told = list == null ? List.of() : list.children("x:tableColumn");
        String name = node.get("displayName", node.get("name", ""));
        if (range == null || told.size() != range.columns() || name.isBlank()) return null;
        List<TableColumn> columns = new ArrayList<>();
        for (XmlNode one : told) columns.add(new TableColumn(XlsxReader.unescaped(one.get("name", "")), text(one, "x:calculatedColumnFormula"),
                one.get("totalsRowFunction"), one.get("totalsRowLabel")));
        XmlNode look = node.child("x:tableStyleInfo");
        String style = look == null ? null : look.get("name");
        Parts parts = look == null ? new Parts(false, false, false, false) : new Parts(XlsxReader.isTrue(look.get("showFirstColumn")),
                XlsxReader.isTrue(look.get("showLastColumn")), XlsxReader.isTrue(look.get("showRowStripes")), XlsxReader.isTrue(look.get("showColumnStripes")));
        boolean head = XlsxReader.whole(node.get("headerRowCount"), 1) > 0;
        boolean total = XlsxReader.whole(node.get("totalsRowCount"), 0) > 0;
        return new SheetTable(name, range, head, total, node.child("x:autoFilter") != null, style, parts, dress(style, accents), columns);
    }

    private static String text(XmlNode node, String child) { return node.child(child) == null ? null : node.child(child).text(); }

    /** A table as a part of its own. @param id unlike that of all others */
    static byte[] part(SheetTable table, int id) {
        XmlWriter xml = new XmlWriter();
        xml.open("table", "xmlns", XlsxWriter.MAIN, "id", id, "name", table.name(), "displayName", table.name(), "ref", table.range().toString(),
                "headerRowCount", table.head() ? null : "0", "totalsRowCount", table.total() ? "1" : null, "totalsRowShown", table.total() ? null : "0");
        Range range = table.range();
        int bottom = table.total() ? range.bottom() - 1 : range.bottom();
        if (table.filter() && table.head()) xml.leaf("autoFilter", "ref", new Range(range.top(), range.left(), Math.max(range.top(), bottom), range.right())
                .toString());
        xml.open("tableColumns", "count", table.columns().size());
        for (int i = 0; i < table.columns().size(); i++) {
            TableColumn one = table.columns().get(i);
            xml.open("tableColumn", "id", i + 1, "name", one.name(), "totalsRowFunction", one.total(), "totalsRowLabel", one.label());
            if (one.formula() != null) xml.open("calculatedColumnFormula").text(one.formula()).close();
            xml.close();
        }
        xml.close();
        if (table.style() != null) xml.leaf("tableStyleInfo", "name", table.style(), "showFirstColumn", flag(table.parts().firstColumn()), "showLastColumn",
                flag(table.parts().lastColumn()), "showRowStripes", flag(table.parts().rowStripes()), "showColumnStripes", flag(table.parts().columnStripes()));
        xml.close();
        return xml.bytes();
    }

    private static String flag(boolean on) { return on ? "1" : "0"; }

    /** Looks come in rows of seven: one without colour, one for each of the theme's six. */
    static TableDress dress(String style, IntFunction<Colour> accents) {
        Matcher matcher = style == null ? null : STYLE.matcher(style);
        if (matcher == null || !matcher.matches()) return null;
        int number = Integer.parseInt(matcher.group(2)) - 1;
        boolean plain = number % COLOURS == 0;
        Colour ink = accents.apply(number % COLOURS);
        Colour pale = plain ? GREY : ink.mixed(Colour.WHITE, 0.2);
        Colour middle = plain ? new Colour(0xA6A6A6) : ink.mixed(Colour.WHITE, 0.4);
        Colour line = plain ? ink : ink.mixed(Colour.WHITE, 0.6);
        int row = number / COLOURS;
        return switch (matcher.group(1)) {
            case "Light" -> switch (row) {
                case 0 -> new TableDress(null, null, null, pale, null, false, null, ink, 0.5);
                case 1 -> new TableDress(ink, Colour.WHITE, null, null, ink, false, ink, ink, 0.5);
                default -> new TableDress(null, null, null, pale, ink, true, ink, ink, 1.5);
            };
            case "Medium" -> switch (row) {
                case 0 -> new TableDress(ink, Colour.WHITE, null, pale, line, false, line, line, 0.5);
                case 1 -> new TableDress(ink, Colour.WHITE, pale, middle, Colour.WHITE, true, Colour.WHITE, Colour.WHITE, 1.5);
                case 2 -> new TableDress(ink, Colour.WHITE, null, GREY, null, false, Colour.BLACK, Colour.BLACK, 0.5);
                default -> new TableDress(pale, null, pale, middle, line, true, line, line, 1.5);
            };
            default -> row == 0 ? new TableDress(Colour.BLACK, Colour.WHITE, ink.mixed(Colour.BLACK, 0.75), ink, null, false, null, Colour.WHITE, 1)
                    : new TableDress(ink, Colour.WHITE, pale, middle, null, false, null, null, 1);
        };
    }
}
