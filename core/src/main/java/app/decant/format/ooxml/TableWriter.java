package app.decant.format.ooxml;

import app.decant.document.Look;
import app.decant.document.Property;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.TablePart;
import app.decant.document.TableProperty.TableParts;
import app.decant.document.TableProperty;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Writes tables (ISO/IEC 29500-1, 17.4): cells that reach over rows become chains of merged cells again. */
final class TableWriter {
    private TableWriter() { }

    static void table(XmlWriter xml, Table table, StoryWriter story) {
        xml.open("w:tbl");
        tableProperties(xml, table.look());
        xml.open("w:tblGrid");
        for (double column : table.columns()) xml.leaf("w:gridCol", "w:w", Units.toTwips(column));
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
        rowProperties(xml, row.look(), first, story.writer);
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

    static void tableProperties(XmlWriter xml, Look look) {
        xml.open("w:tblPr");
        if (look.says(TableProperty.STYLE)) xml.leaf("w:tblStyle", "w:val", look.get(TableProperty.STYLE));
        Double share = look.get(TableProperty.WIDTH_SHARE);
        Double width = look.get(TableProperty.WIDTH);
        if (share != null) xml.leaf("w:tblW", "w:w", Math.round(share * 5000), "w:type", "pct");
        else xml.leaf("w:tblW", "w:w", width == null ? 0 : Units.toTwips(width), "w:type", width == null ? "auto" : "dxa");
        if (look.says(TableProperty.ALIGNMENT)) xml.leaf("w:jc", "w:val", LookWriter.alignment(look.get(TableProperty.ALIGNMENT)));
        if (look.says(TableProperty.INDENT)) xml.leaf("w:tblInd", "w:w", Units.toTwips(look.get(TableProperty.INDENT)), "w:type", "dxa");
        if (look.says(TableProperty.BORDERS)) LookWriter.borders(xml, "w:tblBorders", look.get(TableProperty.BORDERS), false);
        if (look.says(TableProperty.SHADING)) LookWriter.shading(xml, look.get(TableProperty.SHADING));
        if (look.says(TableProperty.PADDING)) padding(xml, "w:tblCellMar", look.get(TableProperty.PADDING));
        TableParts parts = look.get(TableProperty.PARTS);
        if (parts != null) {
            xml.leaf("w:tblLook", "w:val", String.format("%04X", bits(parts)), "w:firstRow", on(parts, TablePart.FIRST_ROW), "w:lastRow",
                    on(parts, TablePart.LAST_ROW), "w:firstColumn",
                    on(parts, TablePart.FIRST_COLUMN), "w:lastColumn", on(parts, TablePart.LAST_COLUMN), "w:noHBand", parts.parts()
                            .contains(TablePart.ODD_ROWS) ? "0" : "1", "w:noVBand",
                    parts.parts().contains(TablePart.ODD_COLUMNS) ? "0" : "1");
        }
        xml.close();
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

    private static final List<Property<?>> ROW = List.of(TableProperty.KEEP_ROW, TableProperty.ROW_HEIGHT, TableProperty.HEADER_ROW, TableProperty.TRACKED);

    static void rowProperties(XmlWriter xml, Look look, int before, DocxWriter writer) {
        boolean any = before > 0;
        for (Property<?> property : ROW) any |= look.says(property);
        if (!any) return;
        xml.open("w:trPr");
        if (before > 0) xml.leaf("w:gridBefore", "w:val", before);
        LookWriter.flag(xml, "w:cantSplit", look, TableProperty.KEEP_ROW);
        Double height = look.get(TableProperty.ROW_HEIGHT);
        if (height != null) xml.leaf("w:trHeight", "w:val", Units.toTwips(height), "w:hRule", look.is(TableProperty.ROW_HEIGHT_EXACT) ? "exact" : "atLeast");
        LookWriter.flag(xml, "w:tblHeader", look, TableProperty.HEADER_ROW);
        TrackedMarkup.leaves(xml, look.get(TableProperty.TRACKED), writer);
        xml.close();
    }

    static void cellProperties(XmlWriter xml, Look look, double width, int span, String merge) {
        xml.open("w:tcPr");
        if (width > 0) xml.leaf("w:tcW", "w:w", Units.toTwips(width), "w:type", "dxa");
        if (span > 1) xml.leaf("w:gridSpan", "w:val", span);
        if (merge != null) xml.leaf("w:vMerge", "w:val", merge);
        if (look.says(TableProperty.BORDERS)) LookWriter.borders(xml, "w:tcBorders", look.get(TableProperty.BORDERS), false);
        if (look.says(TableProperty.SHADING)) LookWriter.shading(xml, look.get(TableProperty.SHADING));
        if (look.says(TableProperty.PADDING)) padding(xml, "w:tcMar", look.get(TableProperty.PADDING));
        if (look.says(TableProperty.VERTICAL_ALIGNMENT)) {
            xml.leaf("w:vAlign", "w:val", switch (look.get(TableProperty.VERTICAL_ALIGNMENT)) {
                case TOP -> "top";
                case CENTRE -> "center";
                case BOTTOM -> "bottom";
            });
        }
        xml.close();
    }
}
