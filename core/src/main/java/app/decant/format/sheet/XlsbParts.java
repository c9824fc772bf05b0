package app.decant.format.sheet;

import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.format.OfficePackage;
import app.decant.sheet.Range;
import app.decant.words.Message;
import app.decant.xml.XmlWriter;
import java.nio.BufferUnderflowException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.slf4j.LoggerFactory;

/**
 * The parts of a binary workbook of the newest generation ([MS-XLSB] 2.1.7) told as the markup that stands for them in the other kind of file
 * (ISO/IEC 29500-1, 18): both hold the same, and one reader reads both.
 */
final class XlsbParts implements XlsbFormula.Names {
    static final String MAIN = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    static final String ROLES = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private static final String[] ACROSS = {null, "left", "center", "right", "fill", "justify", "centerContinuous", "distributed"};
    private static final String[] DOWN = {"top", "center", null, "justify", "distributed"};
    private static final String[] LINES = {"none", "thin", "medium", "dashed", "dotted", "thick", "double", "hair", "mediumDashed", "dashDot",
        "mediumDashDot", "dashDotDot", "mediumDashDotDot", "slantDashDot"};
    private static final String[] PATTERNS = {"none", "solid", "mediumGray", "darkGray", "lightGray", "darkHorizontal", "darkVertical", "darkDown", "darkUp",
        "darkGrid", "darkTrellis", "lightHorizontal", "lightVertical", "lightDown", "lightUp", "lightGrid", "lightTrellis", "gray125", "gray0625"};
    private static final double TINTS = 32_767;

    private final OfficePackage file;
    private final Lost lost;
    private final List<String> sheets = new ArrayList<>();
    private final List<String> names = new ArrayList<>();
    private final List<String> entries = new ArrayList<>();
    private int books;
    private int own = -1;

    private XlsbParts(OfficePackage file, Lost lost) {
        this.file = file;
        this.lost = lost;
    }

    /** The same file with all parts that are told in records told as markup. */
    static OfficePackage asMarkup(OfficePackage file, Lost lost) { return new XlsbParts(file, lost).told(); }

    private OfficePackage told() {
        String main = file.target("", "officeDocument");
        if (main == null || file.part(main) == null) throw new DecantException(Kind.UNREADABLE, Message.of("sheet.no-workbook"));
        Map<String, byte[]> told = new HashMap<>();
        try {
            told.put(main, book(file.part(main)));
            for (OfficePackage.Relation one : file.relations(main).values()) {
                byte[] part = one.outside() ? null : file.part(one.target());
                if (part == null) continue;
                if (one.is("styles")) told.put(one.target(), styles(part));
                else if (one.is("sharedStrings")) told.put(one.target(), strings(part));
                else if (one.is("worksheet") || one.is("chartsheet")) sheet(one.target(), part, told);
            }
        } catch (BufferUnderflowException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("sheet.records-break-off"), e);
        }
        return file.with(told);
    }

    private void sheet(String name, byte[] part, Map<String, byte[]> told) {
        told.put(name, new XlsbSheet(this, lost).told(part));
        for (OfficePackage.Relation one : file.relations(name).values()) {
            byte[] more = one.outside() ? null : file.part(one.target());
            if (more == null || !one.target().endsWith(".bin")) continue;
            if (one.is("comments")) told.put(one.target(), comments(more));
            if (one.is("table")) {
                lost.count(Lost.Kind.TABLES, 1);
                told.put(one.target(), null);
            }
        }
    }

    private static XmlWriter begin(String root) {
        XmlWriter xml = new XmlWriter();
        xml.open(root, "xmlns", MAIN, "xmlns:r", ROLES);
        return xml;
    }

    private byte[] book(byte[] part) {
        XmlWriter xml = begin("workbook");
        XmlWriter defined = new XmlWriter();
        defined.open("definedNames");
        List<Object[]> late = new ArrayList<>();
        BinaryRecords in = new BinaryRecords(part);
        boolean listing = false;
        while (in.next()) {
            if (in.type() == 156 && !listing) xml.open("sheets");
            listing |= in.type() == 156;
            if (listing && in.type() == 144) {
                xml.close();
                listing = false;
            }
            switch (in.type()) {
                case 153 -> xml.leaf("workbookPr", "date1904", in.four() % 2 != 0 ? "1" : null);
                case 156 -> {
                    int state = in.four();
                    in.four();
                    String relation = in.text();
                    sheets.add(in.text());
                    xml.leaf("sheet", "name", sheets.get(sheets.size() - 1), "sheetId", sheets.size(), "state", state == 0 ? null : "hidden", "r:id", relation);
                }
                case 357 -> own = books++;
                case 355, 358, 359 -> books++;
                case 362 -> entries(in);
                case 39 -> late.add(name(in));
                default -> { }
            }
        }
        if (listing) xml.close();
        // Names may name those that come after them.
        for (Object[] one : late) {
            String formula = XlsbFormula.of((byte[]) one[2], (byte[]) one[3], this, 0, 0);
            if (formula != null) defined.open("definedName", "name", one[0], "localSheetId", one[1]).text(formula).close();
        }
        return xml.raw(defined.close().markup()).close().bytes();
    }

    private void entries(BinaryRecords in) {
        int count = in.four();
        for (int i = 0; i < count && in.left() >= 12; i++) {
            int book = in.four();
            int first = in.four();
            int last = in.four();
            boolean here = book == own && first >= 0 && last >= first && last < sheets.size();
            entries.add(!here ? null : quoted(sheets.get(first) + (last > first ? ":" + sheets.get(last) : "")) + "!");
        }
    }

    private static String quoted(String sheets) {
        return sheets.matches("[\\p{L}_][\\p{L}\\p{N}_.]*") && !sheets.matches("[A-Za-z]{1,3}\\d+") ? sheets : "'" + sheets.replace("'", "''") + "'";
    }

    private Object[] name(BinaryRecords in) {
        in.skip(5);
        int sheet = in.four();
        String name = in.text();
        names.add(name);
        byte[] formula = in.bytes(in.four());
        byte[] more = in.left() >= 4 ? in.bytes(in.four()) : new byte[0];
        return new Object[] {name, sheet == -1 ? null : sheet, formula, more};
    }

    @Override public String name(int number) { return number >= 1 && number <= names.size() ? names.get(number - 1) : null; }
    @Override public String sheets(int entry) { return entry >= 0 && entry < entries.size() ? entries.get(entry) : null; }

    /** Strings, their stretches joined: how parts of a cell's text look is left out. */
    private byte[] strings(byte[] part) {
        XmlWriter xml = begin("sst");
        BinaryRecords in = new BinaryRecords(part);
        while (in.next()) if (in.type() == 19) xml.open("si").open("t", "xml:space", "preserve").text(escaped(words(in))).close().close();
        return xml.close().bytes();
    }

    /** What a string says, whose looks follow it. */
    static String words(BinaryRecords in) {
        in.one();
        String text = in.text();
        return text == null ? "" : text;
    }

    /** What the reader of markup takes for a letter that markup can't hold stays what it is. */
    static String escaped(String text) {
        StringBuilder escaped = new StringBuilder();
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean looks = c == '_' && text.startsWith("_x", i);
            boolean odd = c < ' ' && c != '\n' && c != '\t';
            if (looks || odd) escaped.append(String.format(Locale.ROOT, "_x%04X_", (int) c));
            else escaped.append(c);
        }
        return escaped.toString();
    }

    private byte[] comments(byte[] part) {
        XmlWriter authors = new XmlWriter();
        XmlWriter list = new XmlWriter();
        authors.open("authors");
        list.open("commentList");
        BinaryRecords in = new BinaryRecords(part);
        int author = 0;
        String place = "A1";
        while (in.next()) {
            if (in.type() == 632) authors.open("author").text(String.valueOf(in.text())).close();
            if (in.type() == 635) {
                author = in.four();
                int row = in.four();
                in.four();
                place = Range.name(row, in.four());
            }
            if (in.type() != 637) continue;
            list.open("comment", "ref", place, "authorId", author).open("text").open("t").text(escaped(words(in))).close().close().close();
        }
        return begin("comments").raw(authors.close().markup()).raw(list.close().markup()).close().bytes();
    }

    private byte[] styles(byte[] part) {
        Map<String, XmlWriter> lists = new HashMap<>();
        List<String> order = List.of("numFmts", "fonts", "fills", "borders", "cellXfs");
        for (String list : order) lists.put(list, new XmlWriter().open(list));
        BinaryRecords in = new BinaryRecords(part);
        boolean cells = false;
        while (in.next()) {
            switch (in.type()) {
                case 44 -> lists.get("numFmts").leaf("numFmt", "numFmtId", in.two(), "formatCode", in.text());
                case 43 -> font(in, lists.get("fonts"));
                case 45 -> fill(in, lists.get("fills"));
                case 46 -> border(in, lists.get("borders"));
                case 617, 618 -> cells = in.type() == 617;
                case 47 -> {
                    if (cells) format(in, lists.get("cellXfs"));
                }
                // What rules put over cells has fonts of its own.
                case 505 -> {
                    return styles(order, lists);
                }
                default -> LoggerFactory.getLogger(XlsbParts.class).trace("Record {}", in.type());
            }
        }
        return styles(order, lists);
    }

    private static byte[] styles(List<String> order, Map<String, XmlWriter> lists) {
        XmlWriter xml = begin("styleSheet");
        for (String list : order) xml.raw(lists.get(list).close().markup());
        return xml.close().bytes();
    }

    private static void font(BinaryRecords in, XmlWriter xml) {
        int size = in.two();
        int flags = in.two();
        int weight = in.two();
        int raised = in.two();
        int underline = in.one();
        in.skip(3);
        Object[] colour = colour(in);
        in.one();
        String name = in.text();
        xml.open("font");
        if (weight > 400) xml.leaf("b");
        if ((flags & 2) != 0) xml.leaf("i");
        if ((flags & 8) != 0) xml.leaf("strike");
        if (underline != 0) xml.leaf("u", "val", underline == 2 ? "double" : underline == 0x21 ? "singleAccounting" : underline == 0x22 ? "doubleAccounting"
                : "single");
        if (raised != 0) xml.leaf("vertAlign", "val", raised == 1 ? "superscript" : "subscript");
        xml.leaf("sz", "val", size / 20.0);
        if (colour != null) xml.leaf("color", colour);
        if (name != null) xml.leaf("name", "val", name);
        xml.close();
    }

    /** A colour as markup tells it; null where none is told. */
    private static Object[] colour(BinaryRecords in) {
        int kind = in.one() >> 1;
        int index = in.one();
        short tint = (short) in.two();
        int red = in.one();
        int green = in.one();
        int blue = in.one();
        in.one();
        String by = tint == 0 ? null : Double.toString(tint / TINTS);
        return switch (kind) {
            case 1 -> new Object[] {"indexed", index, "tint", by};
            case 2 -> new Object[] {"rgb", String.format(Locale.ROOT, "FF%02X%02X%02X", red, green, blue), "tint", by};
            case 3 -> new Object[] {"theme", index, "tint", by};
            default -> null;
        };
    }

    private static void fill(BinaryRecords in, XmlWriter xml) {
        int pattern = in.four();
        Object[] fore = colour(in);
        Object[] back = colour(in);
        xml.open("fill").open("patternFill", "patternType", pattern >= 0 && pattern < PATTERNS.length ? PATTERNS[pattern] : "solid");
        if (fore != null) xml.leaf("fgColor", fore);
        if (back != null) xml.leaf("bgColor", back);
        xml.close().close();
    }

    private static void border(BinaryRecords in, XmlWriter xml) {
        in.one();
        Map<String, Object[]> sides = new HashMap<>();
        Map<String, String> lines = new HashMap<>();
        for (String side : List.of("top", "bottom", "left", "right")) {
            int line = in.one();
            in.one();
            lines.put(side, line < LINES.length ? LINES[line] : "thin");
            sides.put(side, colour(in));
        }
        xml.open("border");
        for (String side : List.of("left", "right", "top", "bottom")) {
            xml.open(side, "style", lines.get(side).equals("none") ? null : lines.get(side));
            if (sides.get(side) != null) xml.leaf("color", sides.get(side));
            xml.close();
        }
        xml.close();
    }

    private static void format(BinaryRecords in, XmlWriter xml) {
        in.two();
        int format = in.two();
        int font = in.two();
        int fill = in.two();
        int border = in.two();
        int turn = in.one();
        int indent = in.one();
        int flags = in.two();
        int across = flags & 7;
        int down = flags >> 3 & 7;
        xml.open("xf", "numFmtId", format, "fontId", font, "fillId", fill, "borderId", border);
        xml.leaf("alignment", "horizontal", ACROSS[across], "vertical", down < DOWN.length ? DOWN[down] : null, "textRotation", turn == 0 ? null : turn,
                "wrapText", (flags & 0x40) != 0 ? "1" : null, "indent", indent == 0 ? null : indent, "shrinkToFit", (flags & 0x100) != 0 ? "1" : null);
        xml.leaf("protection", "locked", (flags & 0x1000) != 0 ? "1" : "0");
        xml.close();
    }
}
