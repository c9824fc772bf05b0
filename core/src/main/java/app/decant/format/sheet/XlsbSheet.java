package app.decant.format.sheet;

import app.decant.sheet.Range;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.ss.usermodel.FormulaError;
import org.apache.poi.ss.util.NumberToTextConverter;

/** One sheet of a binary workbook of the newest generation ([MS-XLSB] 2.1.7.62), told as markup (ISO/IEC 29500-1, 18.3). */
final class XlsbSheet {
    private static final int ENTRIES = 256;
    private static final double TWIPS = 20;
    private static final String[] ALLOWED = {"objects", "scenarios", "formatCells", "formatColumns", "formatRows", "insertColumns", "insertRows",
        "insertHyperlinks", "deleteColumns", "deleteRows", "selectLockedCells", "sort", "autoFilter", "pivotTables", "selectUnlockedCells"};

    private final XlsbFormula.Names names;
    private final Lost lost;
    private final XmlWriter xml = new XmlWriter();
    /** Elements that stand open in turn, the list of those of one kind. */
    private String open;
    private final List<Told> row = new ArrayList<>();
    private Object[] rowTold;
    private int rowIndex;
    private final Map<Long, Shared> shared = new HashMap<>();
    private final Map<Long, Range> arrays = new HashMap<>();
    private boolean viewed;
    private int unwritten;

    /** A cell, and its formula as it was read. */
    private record Told(int column, int style, String type, String value, byte[] formula, byte[] more) { }

    /** A formula that many cells have. */
    private record Shared(byte[] formula, byte[] more, boolean array) { }

    XlsbSheet(XlsbFormula.Names names, Lost lost) {
        this.names = names;
        this.lost = lost;
    }

    byte[] told(byte[] part) {
        xml.open("worksheet", "xmlns", XlsbParts.MAIN, "xmlns:r", XlsbParts.ROLES);
        BinaryRecords in = new BinaryRecords(part);
        while (in.next()) {
            int type = in.type();
            if (type <= 11 || type == 62) {
                if (type == 0) row(in);
                else cell(type, in);
            } else if (type == 426 || type == 427) {
                shared(in, type == 426);
            } else {
                if (type == 146) endRow();
                other(type, in);
            }
        }
        endRow();
        list(null);
        if (unwritten > 0) lost.count(Lost.Kind.FORMULAS, unwritten);
        return xml.close().bytes();
    }

    /** Elements of one kind stand in a list. */
    private void list(String name, Object... attributes) {
        if (name != null && name.equals(open)) return;
        if (open != null) xml.close();
        open = name;
        if (name != null) xml.open(name, attributes);
    }

    private void row(BinaryRecords in) {
        endRow();
        list("sheetData");
        rowIndex = in.four();
        in.four();
        int height = in.two();
        in.one();
        int flags = in.one();
        rowTold = new Object[] {"r", rowIndex + 1, "ht", height / TWIPS, "customHeight", (flags & 0x20) != 0 ? "1" : null, "hidden",
            (flags & 0x10) != 0 ? "1" : null, "outlineLevel", (flags & 7) == 0 ? null : flags & 7};
    }

    private void cell(int type, BinaryRecords in) {
        int column = in.four();
        int style = in.two() | in.one() << 16;
        in.one();
        String kind = switch (type) {
            case 3, 11 -> "e";
            case 4, 10 -> "b";
            case 6, 8, 62 -> "str";
            case 7 -> "s";
            default -> "n";
        };
        String value = switch (type) {
            case 2 -> NumberToTextConverter.toText(in.shortReal());
            case 5, 9 -> NumberToTextConverter.toText(in.real());
            case 3, 11 -> error(in.one());
            case 4, 10 -> Integer.toString(in.one());
            case 6, 8 -> XlsbParts.escaped(String.valueOf(in.text()));
            case 7 -> Integer.toString(in.four());
            case 62 -> XlsbParts.escaped(XlsbParts.words(in));
            default -> null;
        };
        byte[] formula = null;
        byte[] more = new byte[0];
        if (type >= 8 && type <= 11) {
            in.two();
            formula = in.bytes(in.four());
            if (in.left() >= 4) more = in.bytes(in.four());
        }
        row.add(new Told(column, style, kind, value, formula, more));
    }

    private static String error(int code) { return FormulaError.isValidCode(code) ? FormulaError.forInt(code).getString() : "#N/A"; }

    /** The formula of many cells stands behind the first of them. */
    private void shared(BinaryRecords in, boolean array) {
        Range range = range(in);
        if (array) in.one();
        byte[] formula = in.bytes(in.four());
        byte[] more = in.left() >= 4 ? in.bytes(in.four()) : new byte[0];
        long key = (long) range.top() << 20 | range.left();
        shared.put(key, new Shared(formula, more, array));
        if (array) arrays.put(key, range);
    }

    private static Range range(BinaryRecords in) {
        int top = in.four();
        int bottom = in.four();
        int left = in.four();
        int right = in.four();
        return new Range(Math.max(0, Math.min(top, bottom)), Math.max(0, Math.min(left, right)), Math.max(top, bottom), Math.max(left, right));
    }

    private void endRow() {
        if (rowTold == null) return;
        xml.open("row", rowTold);
        for (Told cell : row) written(cell);
        xml.close();
        row.clear();
        rowTold = null;
    }

    private void written(Told cell) {
        xml.open("c", "r", Range.name(rowIndex, cell.column), "s", cell.style, "t", cell.type.equals("n") ? null : cell.type);
        if (cell.formula != null) formula(cell);
        if (cell.value != null) xml.open("v").text(cell.value).close();
        xml.close();
    }

    private void formula(Told cell) {
        int[] place = XlsbFormula.shared(cell.formula, cell.more);
        long key = place == null ? -1 : (long) place[0] << 20 | place[1];
        Shared of = place == null ? null : shared.get(key);
        boolean within = of != null && of.array && (place[0] != rowIndex || place[1] != cell.column);
        if (within) return;
        String formula = place == null ? XlsbFormula.of(cell.formula, cell.more, names, rowIndex, cell.column)
                : of == null ? null : XlsbFormula.of(of.formula, of.more, names, rowIndex, cell.column);
        if (formula == null) unwritten++;
        else if (of != null && of.array) xml.open("f", "t", "array", "ref", arrays.get(key).toString()).text(formula).close();
        else xml.open("f").text(formula).close();
    }

    private void other(int type, BinaryRecords in) {
        switch (type) {
            case 147 -> {
                list(null);
                int flags = in.one() | in.one() << 8;
                xml.open("sheetPr").leaf("pageSetUpPr", "fitToPage", (flags & 0x100) != 0 ? "1" : null).close();
            }
            case 137 -> {
                list(null);
                int flags = in.two();
                xml.open("sheetViews").open("sheetView", "showGridLines", (flags & 4) != 0 ? null : "0", "rightToLeft", (flags & 0x20) != 0 ? "1" : null);
                viewed = true;
            }
            case 151 -> {
                if (!viewed) return;
                double across = in.real();
                double down = in.real();
                in.skip(12);
                boolean frozen = in.left() > 0 && (in.one() & 1) != 0;
                xml.leaf("pane", "xSplit", across, "ySplit", down, "state", frozen ? "frozen" : "split");
            }
            case 138 -> {
                if (viewed) xml.close().close();
                viewed = false;
            }
            case 485 -> format(in);
            case 60 -> column(in);
            case 176 -> {
                list("mergeCells");
                xml.leaf("mergeCell", "ref", range(in));
            }
            case 494 -> {
                list("hyperlinks");
                Range range = range(in);
                xml.leaf("hyperlink", "ref", range, "r:id", in.text(), "location", in.text());
            }
            case 392, 394 -> list(type == 392 ? "rowBreaks" : "colBreaks");
            case 396 -> {
                if ("rowBreaks".equals(open) || "colBreaks".equals(open)) xml.leaf("brk", "id", in.four(), "man", "1");
            }
            case 535 -> locks(in);
            case 161 -> alone("autoFilter", "ref", range(in));
            case 550, 551 -> alone(type == 550 ? "drawing" : "legacyDrawing", "r:id", in.text());
            case 461 -> lost.count(Lost.Kind.CONDITIONS, 1);
            case 64 -> lost.count(Lost.Kind.CHECKS, 1);
            case 476, 477, 478, 479 -> page(type, in);
            default -> { }
        }
    }

    private void alone(String name, Object... attributes) {
        list(null);
        xml.leaf(name, attributes);
    }

    private void format(BinaryRecords in) {
        int width = in.four();
        int letters = in.two();
        int height = in.two();
        int flags = in.two();
        alone("sheetFormatPr", "defaultColWidth", width == -1 ? null : width / (double) ENTRIES, "baseColWidth", letters, "defaultRowHeight", height / TWIPS,
                "zeroHeight", (flags & 2) != 0 ? "1" : null);
    }

    private void column(BinaryRecords in) {
        list("cols");
        int from = in.four();
        int to = in.four();
        int width = in.four();
        int style = in.four();
        int flags = in.two();
        int depth = flags >> 8 & 7;
        xml.leaf("col", "min", from + 1, "max", to + 1, "width", width / (double) ENTRIES, "style", style, "hidden", (flags & 1) != 0 ? "1" : null,
                "outlineLevel", depth == 0 ? null : depth);
    }

    private void locks(BinaryRecords in) {
        int password = in.two();
        List<Object> told = new ArrayList<>(List.of("sheet", in.four() != 0 ? "1" : "0"));
        for (String one : ALLOWED) {
            if (in.left() < 4) break;
            told.add(one);
            told.add(in.four() != 0 ? "1" : "0");
        }
        if (password != 0) {
            told.add("password");
            told.add(String.format("%04X", password));
        }
        alone("sheetProtection", told.toArray());
    }

    private void page(int type, BinaryRecords in) {
        switch (type) {
            case 476 -> alone("pageMargins", "left", in.real(), "right", in.real(), "top", in.real(), "bottom", in.real(), "header", in.real(), "footer",
                    in.real());
            case 477 -> {
                int flags = in.two();
                alone("printOptions", "horizontalCentered", flags & 1, "verticalCentered", flags >> 1 & 1, "headings", flags >> 2 & 1, "gridLines",
                        flags >> 3 & 1);
            }
            case 478 -> {
                int paper = in.four();
                int scale = in.four();
                in.skip(12);
                int first = in.four();
                int across = in.four();
                int down = in.four();
                int flags = in.two();
                alone("pageSetup", "paperSize", paper, "scale", scale == 0 ? null : scale, "firstPageNumber", (flags & 0x80) != 0 ? first : null, "fitToWidth",
                        across, "fitToHeight", down, "pageOrder", (flags & 1) != 0 ? "overThenDown" : null, "orientation",
                        (flags & 0x40) != 0 ? null : (flags & 2) != 0 ? "landscape" : "portrait", "useFirstPageNumber", (flags & 0x80) != 0 ? "1" : null);
            }
            default -> {
                int flags = in.two();
                list(null);
                xml.open("headerFooter", "differentOddEven", flags & 1, "differentFirst", flags >> 1 & 1);
                for (String one : List.of("oddHeader", "oddFooter", "evenHeader", "evenFooter", "firstHeader", "firstFooter")) {
                    String words = in.left() < 4 ? null : in.text();
                    if (words != null) xml.open(one).text(words).close();
                }
                xml.close();
            }
        }
    }
}
