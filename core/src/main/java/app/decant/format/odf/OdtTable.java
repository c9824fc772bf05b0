package app.decant.format.odf;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** Reads tables: columns and rows that are told once for many, heads, spans (ISO/IEC 26300-1, 9). */
final class OdtTable {
    private static final int MOST_CELLS = 1000;

    private final OdtSheet sheet;
    private final boolean inContent;
    private final Function<XmlNode, List<Block>> inner;

    /** @param inner reads the blocks of a cell */
    OdtTable(OdtSheet sheet, boolean inContent, Function<XmlNode, List<Block>> inner) {
        this.sheet = sheet;
        this.inContent = inContent;
        this.inner = inner;
    }

    Table table(XmlNode node) {
        XmlNode style = sheet.automatic("table", node.get("table:style-name"), inContent);
        List<Double> columns = new ArrayList<>();
        columns(node, columns);
        List<XmlNode> rows = new ArrayList<>();
        List<Boolean> heads = new ArrayList<>();
        rows(node, false, rows, heads);
        List<Table.Row> made = new ArrayList<>();
        int widest = 0;
        for (int r = 0; r < rows.size(); r++) {
            List<Table.Cell> cells = new ArrayList<>();
            int column = 0;
            for (XmlNode cell : rows.get(r).children()) {
                int again = count(cell.get("table:number-columns-repeated"));
                if (cell.is("table:covered-table-cell")) column += again;
                if (!cell.is("table:table-cell")) continue;
                for (int k = 0; k < again && column < MOST_CELLS; k++) {
                    int across = count(cell.get("table:number-columns-spanned"));
                    int down = Math.min(rows.size() - r, count(cell.get("table:number-rows-spanned")));
                    cells.add(cell(cell, column, across, down));
                    column += 1;
                }
            }
            widest = Math.max(widest, column);
            XmlNode own = sheet.automatic("table-row", rows.get(r).get("table:style-name"), inContent);
            XmlNode properties = own == null ? null : own.child("style:table-row-properties");
            Look look = heads.get(r) ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN;
            if (properties != null) {
                Double exact = OdtLookReading.length(properties.get("style:row-height"));
                Double least = OdtLookReading.length(properties.get("style:min-row-height"));
                if (exact != null) look = look.with(TableProperty.ROW_HEIGHT, exact).with(TableProperty.ROW_HEIGHT_EXACT, true);
                else if (least != null && least > 0) look = look.with(TableProperty.ROW_HEIGHT, least);
                if ("always".equals(properties.get("fo:keep-together"))) look = look.with(TableProperty.KEEP_ROW, true);
            }
            made.add(new Table.Row(look, cells));
        }
        while (columns.size() < widest) columns.add(72.0);
        return new Table(look(style, made), columns, made);
    }

    private Look look(XmlNode style, List<Table.Row> rows) {
        XmlNode properties = style == null ? null : style.child("style:table-properties");
        Insets padding = rows.isEmpty() || rows.get(0).cells().isEmpty() ? Insets.NONE : rows.get(0).cells().get(0).look().get(TableProperty.PADDING,
                Insets.NONE);
        Look look = Look.of(TableProperty.PADDING, padding);
        if (properties == null) return look.with(TableProperty.INDENT, padding.left());
        String align = properties.get("table:align", "margins");
        if (align.equals("center")) return look.with(TableProperty.ALIGNMENT, Alignment.CENTRE);
        if (align.equals("right")) return look.with(TableProperty.ALIGNMENT, Alignment.END);
        double indent = OdtLookReading.length(properties.get("fo:margin-left"), 0) + padding.left();
        return Math.abs(indent) < 0.1 ? look : look.with(TableProperty.INDENT, Math.round(indent * 20) / 20.0);
    }

    private void columns(XmlNode node, List<Double> columns) {
        for (XmlNode child : node.children()) {
            if (child.is("table:table-columns") || child.is("table:table-header-columns") || child.is("table:table-column-group")) columns(child, columns);
            if (!child.is("table:table-column")) continue;
            XmlNode style = sheet.automatic("table-column", child.get("table:style-name"), inContent);
            double width = style == null || style.child("style:table-column-properties") == null ? 72
                    : OdtLookReading.length(style.child("style:table-column-properties").get("style:column-width"), 72);
            for (int i = 0; i < count(child.get("table:number-columns-repeated")) && columns.size() < MOST_CELLS; i++) columns.add(width);
        }
    }

    private static void rows(XmlNode node, boolean head, List<XmlNode> rows, List<Boolean> heads) {
        for (XmlNode child : node.children()) {
            if (child.is("table:table-header-rows")) rows(child, true, rows, heads);
            if (child.is("table:table-rows") || child.is("table:table-row-group")) rows(child, head, rows, heads);
            if (!child.is("table:table-row")) continue;
            for (int i = 0; i < Math.min(200, count(child.get("table:number-rows-repeated"))); i++) {
                rows.add(child);
                heads.add(head);
            }
        }
    }

    private static int count(String told) { return told != null && told.matches("[1-9]\\d{0,3}") ? Integer.parseInt(told) : 1; }

    private Table.Cell cell(XmlNode node, int column, int across, int down) {
        XmlNode style = sheet.automatic("table-cell", node.get("table:style-name"), inContent);
        XmlNode properties = style == null ? null : style.child("style:table-cell-properties");
        Look look = Look.PLAIN;
        if (properties != null) {
            var borders = OdtLookReading.borders(properties);
            if (borders != null) look = look.with(TableProperty.BORDERS, new Borders(flush(borders.top()), flush(borders.right()),
                    flush(borders.bottom()), flush(borders.left()), null, null));
            Colour fill = OdtLookReading.colour(properties.get("fo:background-color"));
            if (fill != null) look = look.with(TableProperty.SHADING, fill);
            String vertical = properties.get("style:vertical-align", "");
            if (vertical.equals("middle")) look = look.with(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.CENTRE);
            if (vertical.equals("bottom")) look = look.with(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM);
            String angle = properties.get("style:rotation-angle", "");
            String mode = properties.get("style:writing-mode", "");
            if (angle.startsWith("90") || mode.equals("bt-lr")) look = look.with(TableProperty.RUNNING, TableProperty.Running.UP);
            if (angle.startsWith("270") || mode.matches("tb(-rl|-lr)?")) look = look.with(TableProperty.RUNNING, TableProperty.Running.DOWN);
            double all = OdtLookReading.length(properties.get("fo:padding"), 0);
            look = look.with(TableProperty.PADDING, new Insets(OdtLookReading.length(properties.get("fo:padding-top"), all),
                    OdtLookReading.length(properties.get("fo:padding-right"), all), OdtLookReading.length(properties.get("fo:padding-bottom"), all),
                    OdtLookReading.length(properties.get("fo:padding-left"), all)));
        }
        List<Block> inside = inner.apply(node);
        if (inside.isEmpty() || !(inside.get(inside.size() - 1) instanceof Paragraph)) inside.add(Paragraph.of(""));
        return new Table.Cell(column, across, down, look, inside);
    }

    /** The room beside a cell's border is its padding, not the border's. */
    private static Border flush(Border border) { return border == null ? null : new Border(border.line(), border.width(), border.colour(), 0); }
}
