package app.decant.format.ooxml;

import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.TablePart;
import app.decant.document.TableProperty.TableParts;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;

/** Reads tables (ISO/IEC 29500-1, 17.4). */
final class TableReader {
    private final StoryReader story;

    TableReader(StoryReader story) { this.story = story; }

    /** Ends of bookmarks that stand before rows and cells, in the order of the file. */
    private final List<XmlNode> waiting = new ArrayList<>();
    private final Map<XmlNode, List<XmlNode>> before = new IdentityHashMap<>();

    /** A cell on its way: {@code goesOn} for one that carries on the cell above. */
    private record Raw(int column, int span, boolean goesOn, boolean starts, XmlNode node) { }

    Table table(XmlNode node) {
        XmlNode properties = node.child("w:tblPr");
        List<Double> columns = new ArrayList<>();
        XmlNode grid = node.child("w:tblGrid");
        if (grid != null) for (XmlNode column : grid.children("w:gridCol")) columns.add(LookReader.first(Units.twips(column, "w:w"), 0.0));
        List<XmlNode> rowNodes = new ArrayList<>();
        gatherRows(node, rowNodes);
        List<XmlNode> behind = new ArrayList<>(waiting);
        waiting.clear();
        List<List<Raw>> raw = new ArrayList<>();
        for (XmlNode row : rowNodes) {
            List<Raw> cells = rawCells(row);
            raw.add(cells);
            for (Raw cell : cells) while (columns.size() < cell.column + cell.span) columns.add(0.0);
        }
        behind.addAll(0, waiting);
        waiting.clear();
        fillWidths(columns, raw);
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < raw.size(); r++) {
            List<Table.Cell> cells = new ArrayList<>();
            reach(rowNodes.get(r));
            for (Raw cell : raw.get(r)) {
                reach(cell.node);
                if (cell.goesOn && carriesOn(raw, r, cell)) continue;
                cells.add(new Table.Cell(cell.column, cell.span, cell.starts ? rowSpan(raw, r, cell) : 1, cellLook(cell.node.child("w:tcPr")),
                        story.inner(cell.node)));
            }
            rows.add(new Table.Row(KeptMarkup.with(rowLook(rowNodes.get(r).child("w:trPr")), Markup.ROW, rowNodes.get(r).child("w:tblPrEx")), cells));
        }
        behind.forEach(story::between);
        if (columns.isEmpty()) columns.add(0.0);
        Look look = tableLook(properties);
        XmlNode layout = properties == null ? null : properties.child("w:tblLayout");
        return new Table(layout == null ? look.with(TableProperty.FITTED, true) : look, columns, rows);
    }

    private void waits(XmlNode node) {
        if (waiting.isEmpty()) return;
        before.put(node, new ArrayList<>(waiting));
        waiting.clear();
    }

    private void reach(XmlNode node) { before.getOrDefault(node, List.of()).forEach(story::between); }

    private void gatherRows(XmlNode node, List<XmlNode> rows) {
        for (XmlNode child : node.children()) {
            if (child.is("w:tr")) {
                rows.add(child);
                waits(child);
            }
            else if (child.is("w:sdt") && child.child("w:sdtContent") != null) gatherRows(child.child("w:sdtContent"), rows);
            else if (child.is("w:ins") || child.is("w:customXml")) gatherRows(child, rows);
            else if (child.is("w:bookmarkStart") || child.is("w:bookmarkEnd")) waiting.add(child);
        }
    }

    /** Whether a cell was taken out while changes were tracked (17.13.5.2); that comes in as accepted. */
    private boolean isDeleted(XmlNode properties, String mark) {
        boolean deleted = properties != null && properties.child(mark) != null;
        if (deleted) story.reader.findOnce(Finding.changed(Message.of("ooxml.changes-of-cells-come-in-accepted")));
        return deleted;
    }

    private void gatherCells(XmlNode node, List<XmlNode> cells) {
        for (XmlNode child : node.children()) {
            if (child.is("w:tc") && isDeleted(child.child("w:tcPr"), "w:cellDel")) continue;
            if (child.is("w:tc")) {
                cells.add(child);
                waits(child);
            }
            else if (child.is("w:sdt") && child.child("w:sdtContent") != null) gatherCells(child.child("w:sdtContent"), cells);
            else if (child.is("w:ins") || child.is("w:customXml")) gatherCells(child, cells);
            else if (child.is("w:bookmarkStart") || child.is("w:bookmarkEnd")) waiting.add(child);
        }
    }

    private List<Raw> rawCells(XmlNode row) {
        List<XmlNode> nodes = new ArrayList<>();
        gatherCells(row, nodes);
        List<Raw> cells = new ArrayList<>();
        Integer before = row.child("w:trPr") == null ? null : Units.whole(row.child("w:trPr").child("w:gridBefore"), "w:val");
        int column = before == null ? 0 : Math.max(0, Math.min(before, 63));
        for (XmlNode node : nodes) {
            XmlNode properties = node.child("w:tcPr");
            Integer span = properties == null ? null : Units.whole(properties.child("w:gridSpan"), "w:val");
            XmlNode merge = properties == null ? null : properties.child("w:vMerge");
            boolean restart = merge != null && "restart".equals(merge.get("w:val"));
            int width = span == null ? 1 : Math.max(1, Math.min(span, 63));
            XmlNode beside = properties == null ? null : properties.child("w:hMerge");
            if (beside != null && !"restart".equals(beside.get("w:val")) && !cells.isEmpty()) {
                // 17.4.22: it is part of the cell before it.
                Raw last = cells.remove(cells.size() - 1);
                cells.add(new Raw(last.column, last.span + width, last.goesOn, last.starts, last.node));
                column += width;
                continue;
            }
            cells.add(new Raw(column, width, merge != null && !restart, restart, node));
            column += width;
        }
        return cells;
    }

    private static boolean carriesOn(List<List<Raw>> raw, int row, Raw cell) {
        if (row == 0) return false;
        for (Raw above : raw.get(row - 1)) if (above.column == cell.column) return above.starts || above.goesOn && carriesOn(raw, row - 1, above);
        return false;
    }

    private static int rowSpan(List<List<Raw>> raw, int row, Raw cell) {
        int span = 1;
        for (int r = row + 1; r < raw.size(); r++) {
            if (raw.get(r).stream().noneMatch(below -> below.column == cell.column && below.goesOn)) break;
            span++;
        }
        return span;
    }

    /** Grid columns without a width take it from cells that stand in one column. */
    private static void fillWidths(List<Double> columns, List<List<Raw>> raw) {
        for (List<Raw> row : raw) {
            for (Raw cell : row) {
                XmlNode width = cell.node.child("w:tcPr") == null ? null : cell.node.child("w:tcPr").child("w:tcW");
                if (cell.span != 1 || columns.get(cell.column) > 0 || width == null || !"dxa".equals(width.get("w:type", "dxa"))) continue;
                Double points = Units.twips(width, "w:w");
                if (points != null && points > 0) columns.set(cell.column, points);
            }
        }
        double known = columns.stream().filter(width -> width > 0).mapToDouble(Double::doubleValue).average().orElse(0);
        if (known > 0) columns.replaceAll(width -> width > 0 ? width : known);
    }

    Look tableLook(XmlNode properties) { return look(properties, TableWriter.TABLE, TableReader::ofTable); }

    static Look rowLook(XmlNode properties) {
        Look look = look(properties, TableWriter.ROW, TableReader::ofRow);
        return properties == null ? look : look.with(TableProperty.TRACKED, TrackedMarkup.within(properties));
    }

    Look cellLook(XmlNode properties) { return look(properties, TableWriter.CELL, TableReader::ofCell); }

    private static Look look(XmlNode properties, KeptMarkup kept, BiFunction<Look, XmlNode, Look> one) {
        if (properties == null) return Look.PLAIN;
        Look look = Look.PLAIN;
        for (XmlNode node : properties.children()) look = one.apply(look, node);
        return kept.rest(properties, look, node -> one.apply(Look.PLAIN, node));
    }

    private static Look ofTable(Look look, XmlNode node) {
        return switch (node.name()) {
            case "w:tblStyle" -> look.with(TableProperty.STYLE, node.get("w:val"));
            case "w:tblBorders" -> look.with(TableProperty.BORDERS, LookReader.borders(node));
            case "w:shd" -> look.with(TableProperty.SHADING, LookReader.fill(node));
            case "w:tblCellMar" -> look.with(TableProperty.PADDING, insets(node, new Insets(0, 5.4, 0, 5.4)));
            case "w:tblInd" -> look.with(TableProperty.INDENT, Units.twips(node, "w:w"));
            case "w:jc" -> look.with(TableProperty.ALIGNMENT, LookReader.alignment(node.get("w:val", "start")));
            case "w:tblW" -> width(look, node);
            case "w:tblLayout" -> look.with(TableProperty.FITTED, node.get("w:type", "autofit").equals("fixed") ? null : Boolean.TRUE);
            case "w:tblpPr" -> look.with(TableProperty.FLOATING, FrameMarkup.table(node));
            case "w:tblLook" -> look.with(TableProperty.PARTS, parts(node));
            default -> look;
        };
    }

    private static Look ofRow(Look look, XmlNode node) {
        return switch (node.name()) {
            case "w:tblHeader" -> look.with(TableProperty.HEADER_ROW, Units.isOn(node));
            case "w:cantSplit" -> look.with(TableProperty.KEEP_ROW, Units.isOn(node));
            case "w:trHeight" -> {
                Look tall = look.with(TableProperty.ROW_HEIGHT, Units.twips(node, "w:val"));
                yield "exact".equals(node.get("w:hRule")) ? tall.with(TableProperty.ROW_HEIGHT_EXACT, true) : tall;
            }
            default -> look;
        };
    }

    private static Look ofCell(Look look, XmlNode node) {
        return switch (node.name()) {
            case "w:tcBorders" -> look.with(TableProperty.BORDERS, LookReader.borders(node));
            case "w:shd" -> look.with(TableProperty.SHADING, LookReader.fill(node));
            case "w:tcMar" -> look.with(TableProperty.PADDING, insets(node, new Insets(0, 5.4, 0, 5.4)));
            case "w:textDirection" -> switch (node.get("w:val", "")) {
                case "btLr", "btLrV", "lr" -> look.with(TableProperty.RUNNING, Running.UP);
                case "tbRl", "tbRlV", "tbLrV", "rl", "rlV" -> look.with(TableProperty.RUNNING, Running.DOWN);
                case "lrTb", "tb" -> look.with(TableProperty.RUNNING, Running.ACROSS);
                default -> look;
            };
            case "w:vAlign" -> look.with(TableProperty.VERTICAL_ALIGNMENT, switch (node.get("w:val", "top")) {
                case "center", "both" -> VerticalAlignment.CENTRE;
                case "bottom" -> VerticalAlignment.BOTTOM;
                default -> VerticalAlignment.TOP;
            });
            default -> look;
        };
    }

    private static Look width(Look look, XmlNode node) {
        String type = node.get("w:type", "auto");
        String text = node.get("w:w", "0");
        if (type.equals("pct") || text.endsWith("%")) {
            Double share = text.endsWith("%") ? Units.measure(text.replace("%", ""), 100) : Units.measure(text, 5000);
            return share == null || share <= 0 ? look : look.with(TableProperty.WIDTH_SHARE, Math.min(share, 2));
        }
        Double points = Units.twips(node, "w:w");
        return type.equals("dxa") && points != null && points > 0 ? look.with(TableProperty.WIDTH, points) : look;
    }

    private static Insets insets(XmlNode node, Insets below) {
        return new Insets(side(node, "w:top", "w:top", below.top()), side(node, "w:right", "w:end", below.right()), side(node, "w:bottom", "w:bottom",
                below.bottom()), side(node, "w:left", "w:start", below.left()));
    }

    private static double side(XmlNode node, String name, String other, double otherwise) {
        XmlNode side = node.child(name) != null ? node.child(name) : node.child(other);
        return LookReader.first(Units.twips(side, "w:w"), otherwise);
    }

    private static TableParts parts(XmlNode node) {
        Set<TablePart> parts = EnumSet.noneOf(TablePart.class);
        String bits = node.get("w:val");
        int value;
        try {
            value = bits == null ? 0 : Integer.parseInt(bits, 16);
        } catch (NumberFormatException e) {
            value = 0x04A0;
        }
        if (on(node, "w:firstRow", value, 0x0020)) parts.add(TablePart.FIRST_ROW);
        if (on(node, "w:lastRow", value, 0x0040)) parts.add(TablePart.LAST_ROW);
        if (on(node, "w:firstColumn", value, 0x0080)) parts.add(TablePart.FIRST_COLUMN);
        if (on(node, "w:lastColumn", value, 0x0100)) parts.add(TablePart.LAST_COLUMN);
        if (!on(node, "w:noHBand", value, 0x0200)) parts.addAll(List.of(TablePart.ODD_ROWS, TablePart.EVEN_ROWS));
        if (!on(node, "w:noVBand", value, 0x0400)) parts.addAll(List.of(TablePart.ODD_COLUMNS, TablePart.EVEN_COLUMNS));
        return new TableParts(parts);
    }

    private static boolean on(XmlNode node, String attribute, int bits, int bit) {
        String value = node.get(attribute);
        return value == null ? (bits & bit) != 0 : value.equals("1") || value.equals("true") || value.equals("on");
    }
}
