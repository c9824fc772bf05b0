package app.decant.format.ooxml;

import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.TablePart;
import app.decant.document.TableProperty.TableParts;
import app.decant.document.TableProperty;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;

/** Writes tables (ISO/IEC 29500-1, 17.4): cells that reach over rows become chains of merged cells again. */
final class TableWriter {
    private TableWriter() { }

    static void table(XmlWriter xml, Table table, StoryWriter story) {
        xml.open("w:tbl");
        tableProperties(xml, table.look());
        xml.open("w:tblGrid");
        for (double column : table.columns()) xml.leaf("w:gridCol", "w:w", column > 0 ? Units.toTwips(column) : null);
        xml.close();
        for (int r = 0; r < table.rows().size(); r++) row(xml, table, r, story);
        xml.close();
    }

    private static void row(XmlWriter xml, Table table, int r, StoryWriter story) {
        Table.Row row = table.rows().get(r);
        List<Object[]> cells = new ArrayList<>();
        for (Table.Cell cell : row.cells()) cells.add(new Object[] {cell, cell.rowSpan() > 1 ? "restart" : null});
        for (int above = 0; above < r; above++) {
            for (Table.Cell cell : table.rows().get(above).cells()) if (above + cell.rowSpan() > r) cells.add(new Object[] {cell, "continue"});
        }
        cells.sort(Comparator.comparingInt(entry -> ((Table.Cell) entry[0]).column()));
        xml.open("w:tr");
        int first = cells.isEmpty() ? 0 : ((Table.Cell) cells.get(0)[0]).column();
        Table.Cell last = cells.isEmpty() ? null : (Table.Cell) cells.get(cells.size() - 1)[0];
        String exceptions = KeptMarkup.beside(row.look(), Markup.ROW, "w:tblPrEx");
        if (exceptions != null) xml.raw(exceptions);
        int after = last == null ? 0 : Math.max(0, table.columns().size() - last.column() - last.columnSpan());
        rowProperties(xml, row.look(), first, after, story.writer);
        for (Object[] entry : cells) {
            Table.Cell cell = (Table.Cell) entry[0];
            xml.open("w:tc");
            double width = 0;
            for (int c = cell.column(); c < Math.min(table.columns().size(), cell.column() + cell.columnSpan()); c++) width += table.columns().get(c);
            cellProperties(xml, cell.look(), width, cell.columnSpan(), (String) entry[1]);
            if ("continue".equals(entry[1])) xml.leaf("w:p");
            else story.blocks(cell.blocks());
            xml.close();
        }
        xml.close();
    }

    /** What a table says of itself (17.4.60). */
    static final KeptMarkup TABLE = new KeptMarkup(Markup.TABLE, List.of("w:tblStyle", "w:tblpPr", "w:tblOverlap", "w:bidiVisual", "w:tblStyleRowBandSize",
            "w:tblStyleColBandSize", "w:tblW", "w:jc", "w:tblCellSpacing", "w:tblInd", "w:tblBorders", "w:shd", "w:tblLayout", "w:tblCellMar", "w:tblLook",
            "w:tblCaption", "w:tblDescription"), Set.of(), TableWriter::ofTable);
    /** What a row says of itself (17.4.79); where its cells stand is seen from them. */
    static final KeptMarkup ROW = new KeptMarkup(Markup.ROW, List.of("w:cnfStyle", "w:divId", "w:cantSplit", "w:trHeight", "w:tblHeader",
            "w:tblCellSpacing", "w:jc", "w:hidden"),
            Set.of("w:gridBefore", "w:gridAfter", "w:wBefore", "w:wAfter", "w:ins", "w:del", "w:tblPrEx"), TableWriter::ofRow);
    /** What a cell says of itself (17.4.70), after how wide it is and what it reaches over. */
    static final KeptMarkup CELL = new KeptMarkup(Markup.CELL, List.of("w:tcBorders", "w:shd", "w:noWrap", "w:tcMar",
            "w:textDirection", "w:tcFitText", "w:vAlign", "w:hideMark"),
            Set.of("w:cnfStyle", "w:tcW", "w:gridSpan", "w:hMerge", "w:vMerge", "w:cellIns", "w:cellDel", "w:cellMerge"), TableWriter::ofCell);

    static void tableProperties(XmlWriter xml, Look look) {
        xml.open("w:tblPr");
        TABLE.write(xml, look);
        xml.close();
    }

    private static void ofTable(XmlWriter xml, String name, Look look) {
        switch (name) {
            case "w:tblStyle" -> {
                if (look.says(TableProperty.STYLE)) xml.leaf(name, "w:val", look.get(TableProperty.STYLE));
            }
            case "w:tblpPr" -> {
                if (look.says(TableProperty.FLOATING)) FrameMarkup.write(xml, look.get(TableProperty.FLOATING));
            }
            case "w:tblW" -> {
                Double share = look.get(TableProperty.WIDTH_SHARE);
                Double width = look.get(TableProperty.WIDTH);
                if (share != null) xml.leaf(name, "w:w", Math.round(share * 5000), "w:type", "pct");
                else xml.leaf(name, "w:w", width == null ? 0 : Units.toTwips(width), "w:type", width == null ? "auto" : "dxa");
            }
            case "w:jc" -> {
                if (look.says(TableProperty.ALIGNMENT)) xml.leaf(name, "w:val", LookWriter.alignment(look.get(TableProperty.ALIGNMENT)));
            }
            case "w:tblInd" -> {
                if (look.says(TableProperty.INDENT)) xml.leaf(name, "w:w", Units.toTwips(look.get(TableProperty.INDENT)), "w:type", "dxa");
            }
            case "w:tblBorders" -> {
                if (look.says(TableProperty.BORDERS)) LookWriter.borders(xml, name, look.get(TableProperty.BORDERS), false);
            }
            case "w:shd" -> {
                if (look.says(TableProperty.SHADING)) LookWriter.shading(xml, look.get(TableProperty.SHADING));
            }
            case "w:tblLayout" -> {
                if (!look.is(TableProperty.FITTED)) xml.leaf(name, "w:type", "fixed");
            }
            case "w:tblCellMar" -> {
                if (look.says(TableProperty.PADDING)) padding(xml, name, look.get(TableProperty.PADDING));
            }
            case "w:tblLook" -> parts(xml, look.get(TableProperty.PARTS));
            default -> { }
        }
    }

    private static void parts(XmlWriter xml, TableParts parts) {
        if (parts == null) return;
        xml.leaf("w:tblLook", "w:val", String.format("%04X", bits(parts)), "w:firstRow", on(parts, TablePart.FIRST_ROW), "w:lastRow",
                on(parts, TablePart.LAST_ROW), "w:firstColumn", on(parts, TablePart.FIRST_COLUMN), "w:lastColumn", on(parts, TablePart.LAST_COLUMN),
                "w:noHBand", parts.parts().contains(TablePart.ODD_ROWS) ? "0" : "1", "w:noVBand", parts.parts().contains(TablePart.ODD_COLUMNS) ? "0" : "1");
    }

    private static int bits(TableParts parts) {
        int bits = 0;
        if (parts.parts().contains(TablePart.FIRST_ROW)) bits |= 0x20;
        if (parts.parts().contains(TablePart.LAST_ROW)) bits |= 0x40;
        if (parts.parts().contains(TablePart.FIRST_COLUMN)) bits |= 0x80;
        if (parts.parts().contains(TablePart.LAST_COLUMN)) bits |= 0x100;
        if (!parts.parts().contains(TablePart.ODD_ROWS)) bits |= 0x200;
        if (!parts.parts().contains(TablePart.ODD_COLUMNS)) bits |= 0x400;
        return bits;
    }

    private static String on(TableParts parts, TablePart part) { return parts.parts().contains(part) ? "1" : "0"; }

    private static void padding(XmlWriter xml, String element, Insets padding) {
        xml.open(element);
        xml.leaf("w:top", "w:w", Units.toTwips(padding.top()), "w:type", "dxa").leaf("w:left", "w:w", Units.toTwips(padding.left()), "w:type", "dxa");
        xml.leaf("w:bottom", "w:w", Units.toTwips(padding.bottom()), "w:type", "dxa").leaf("w:right", "w:w", Units.toTwips(padding.right()), "w:type", "dxa");
        xml.close();
    }

    /** @param before the columns of the grid left free before its first cell, {@code after} those behind its last */
    static void rowProperties(XmlWriter xml, Look look, int before, int after, DocxWriter writer) {
        xml.some("w:trPr", () -> {
            if (before > 0) xml.leaf("w:gridBefore", "w:val", before);
            if (after > 0) xml.leaf("w:gridAfter", "w:val", after);
            ROW.write(xml, look);
            TrackedMarkup.leaves(xml, look.get(TableProperty.TRACKED), writer);
        });
    }

    private static void ofRow(XmlWriter xml, String name, Look look) {
        switch (name) {
            case "w:cantSplit" -> LookWriter.flag(xml, name, look, TableProperty.KEEP_ROW);
            case "w:trHeight" -> {
                Double height = look.get(TableProperty.ROW_HEIGHT);
                if (height != null) xml.leaf(name, "w:val", Units.toTwips(height), "w:hRule", look.is(TableProperty.ROW_HEIGHT_EXACT) ? "exact" : "atLeast");
            }
            case "w:tblHeader" -> LookWriter.flag(xml, name, look, TableProperty.HEADER_ROW);
            default -> { }
        }
    }

    static void cellProperties(XmlWriter xml, Look look, double width, int span, String merge) {
        xml.open("w:tcPr");
        if (width > 0) xml.leaf("w:tcW", "w:w", Units.toTwips(width), "w:type", "dxa");
        if (span > 1) xml.leaf("w:gridSpan", "w:val", span);
        if (merge != null) xml.leaf("w:vMerge", "w:val", merge);
        CELL.write(xml, look);
        xml.close();
    }

    private static void ofCell(XmlWriter xml, String name, Look look) {
        switch (name) {
            case "w:tcBorders" -> {
                if (look.says(TableProperty.BORDERS)) LookWriter.borders(xml, name, look.get(TableProperty.BORDERS), false);
            }
            case "w:shd" -> {
                if (look.says(TableProperty.SHADING)) LookWriter.shading(xml, look.get(TableProperty.SHADING));
            }
            case "w:tcMar" -> {
                if (look.says(TableProperty.PADDING)) padding(xml, name, look.get(TableProperty.PADDING));
            }
            case "w:textDirection" -> {
                if (look.says(TableProperty.RUNNING)) xml.leaf(name, "w:val", switch (look.get(TableProperty.RUNNING)) {
                    case ACROSS -> "lrTb";
                    case UP -> "btLr";
                    case DOWN -> "tbRl";
                });
            }
            case "w:vAlign" -> {
                if (look.says(TableProperty.VERTICAL_ALIGNMENT)) xml.leaf(name, "w:val", switch (look.get(TableProperty.VERTICAL_ALIGNMENT)) {
                    case TOP -> "top";
                    case CENTRE -> "center";
                    case BOTTOM -> "bottom";
                });
            }
            default -> { }
        }
    }
}
