package app.decant.format.sheet;

import app.decant.document.Colour;
import app.decant.format.OfficePackage;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellCheck.Strictness;
import app.decant.sheet.CellCheck.Words;
import app.decant.sheet.CellNote;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.Range;
import app.decant.sheet.SheetFilter;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetLock.Allowed;
import app.decant.sheet.SheetMatter;
import app.decant.sheet.SheetTable;
import app.decant.sheet.SheetView;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;

/** Reads what belongs to a sheet beside its cells and its pages (ISO/IEC 29500-1, 18.3.1): views, notes, checks, the filter and the lock. */
final class XlsxMatter {
    static final Map<String, CellCheck.Kind> KINDS = Map.of("none", CellCheck.Kind.ANYTHING, "whole", CellCheck.Kind.WHOLE_NUMBER, "decimal",
            CellCheck.Kind.NUMBER, "list", CellCheck.Kind.LIST, "date", CellCheck.Kind.DAY, "time", CellCheck.Kind.TIME, "textLength", CellCheck.Kind.LENGTH,
            "custom", CellCheck.Kind.FORMULA);
    static final Map<String, Comparison> COMPARISONS = Map.of("between", Comparison.BETWEEN, "notBetween", Comparison.OUTSIDE, "equal", Comparison.EQUAL,
            "notEqual", Comparison.OTHER, "lessThan", Comparison.LESS, "lessThanOrEqual", Comparison.AT_MOST, "greaterThan", Comparison.MORE,
            "greaterThanOrEqual", Comparison.AT_LEAST);
    /** What is allowed where an attribute says 0; most say 1 where nothing is said (18.3.1.85). */
    static final Map<Allowed, String> ALLOWED = allowed();
    private static final int MOST_NOTES = 100_000;

    private final Function<XmlNode, Colour> colours;
    private final Lost lost;
    private final List<CellCheck> checks = new ArrayList<>();
    private SheetView view = SheetView.PLAIN;
    private Colour tab;
    private SheetFilter filter;
    private SheetLock lock;

    XlsxMatter(Function<XmlNode, Colour> colours, Lost lost) {
        this.colours = colours;
        this.lost = lost;
    }

    private static Map<Allowed, String> allowed() {
        Map<Allowed, String> names = new EnumMap<>(Allowed.class);
        String[] told = {"selectLockedCells", "selectUnlockedCells", "formatCells", "formatColumns", "formatRows", "insertColumns", "insertRows",
            "insertHyperlinks", "deleteColumns", "deleteRows", "sort", "autoFilter", "pivotTables", "objects", "scenarios"};
        for (Allowed one : Allowed.values()) names.put(one, told[one.ordinal()]);
        return names;
    }

    void told(XmlNode node) {
        switch (node.name()) {
            case "x:sheetPr" -> tab = node.child("x:tabColor") == null ? null : colours.apply(node.child("x:tabColor"));
            case "x:sheetViews" -> view(node.child("x:sheetView"));
            case "x:sheetProtection" -> lock = lock(node);
            case "x:autoFilter" -> filter = filter(node);
            case "x:dataValidations" -> node.children("x:dataValidation").forEach(one -> check(one, one.get("sqref", ""), text(one, "x:formula1"),
                    text(one, "x:formula2")));
            case "x:extLst" -> node.children().forEach(extension -> extension.children().forEach(this::extended));
            default -> { }
        }
    }

    SheetMatter matter(List<CellNote> notes, List<SheetTable> tables) {
        SheetView seen = new SheetView(view.frozenRows(), view.frozenColumns(), view.grid(), view.rightToLeft(), view.zoom(), tab);
        return new SheetMatter(seen, notes, checks, filter, lock, tables);
    }

    private void view(XmlNode node) {
        if (node == null) return;
        XmlNode pane = node.child("x:pane");
        boolean frozen = pane != null && pane.get("state", "").startsWith("frozen");
        view = new SheetView(frozen ? (int) XlsxReader.number(pane.get("ySplit"), 0) : 0, frozen ? (int) XlsxReader.number(pane.get("xSplit"), 0) : 0,
                node.get("showGridLines") == null || XlsxReader.isTrue(node.get("showGridLines")), XlsxReader.isTrue(node.get("rightToLeft")),
                XlsxReader.number(node.get("zoomScale"), 100) / 100, null);
    }

    private static SheetLock lock(XmlNode node) {
        if (!XlsxReader.isTrue(node.get("sheet"))) return null;
        List<Allowed> allowed = new ArrayList<>();
        ALLOWED.forEach((one, name) -> {
            // Picking cells, objects and scenarios are free unless it is said that they are not; all else is not.
            boolean free = SheetLock.USUAL.contains(one) || one == Allowed.OBJECTS || one == Allowed.SCENARIOS;
            if (!(node.get(name) == null ? !free : XlsxReader.isTrue(node.get(name)))) allowed.add(one);
        });
        String digest = node.get("hashValue");
        SheetLock.Key key = digest == null ? null : new SheetLock.Key(node.get("algorithmName", "SHA-512"), digest, node.get("saltValue", ""),
                Math.max(0, XlsxReader.whole(node.get("spinCount"), 0)));
        String shortKey = node.get("password", "");
        return new SheetLock(key, shortKey.matches("[0-9A-Fa-f]{1,4}") ? Integer.parseInt(shortKey, 16) : 0, Set.copyOf(allowed));
    }

    private SheetFilter filter(XmlNode node) {
        Range range = Range.of(node.get("ref", ""));
        if (range == null) return null;
        Map<Integer, List<String>> values = new TreeMap<>();
        for (XmlNode column : node.children("x:filterColumn")) {
            int at = XlsxReader.whole(column.get("colId"), -1);
            XmlNode shown = column.child("x:filters");
            boolean plain = shown != null && shown.children("x:dateGroupItem").isEmpty();
            if (!plain && !column.children().isEmpty()) lost.count(Lost.Kind.FILTERS, 1);
            if (!plain || at < 0 || at >= range.columns()) continue;
            List<String> all = new ArrayList<>();
            for (XmlNode one : shown.children("x:filter")) all.add(one.get("val", ""));
            if (XlsxReader.isTrue(shown.get("blank"))) all.add("");
            values.put(at, all);
        }
        return new SheetFilter(range, values);
    }

    /** Checks whose values stand on another sheet are told in an extension by some programs. */
    private void extended(XmlNode node) {
        if (!local(node).equals("dataValidations")) return;
        for (XmlNode one : node.children()) {
            String places = "";
            String[] formulas = new String[2];
            for (XmlNode child : one.children()) {
                if (local(child).equals("sqref")) places = child.text();
                if (local(child).equals("formula1")) formulas[0] = child.text();
                if (local(child).equals("formula2")) formulas[1] = child.text();
            }
            check(one, places, formulas[0], formulas[1]);
        }
    }

    private static String local(XmlNode node) { return node.name().substring(node.name().indexOf(':') + 1); }

    private static String text(XmlNode node, String child) { return node.child(child) == null ? null : node.child(child).text(); }

    private void check(XmlNode node, String places, String first, String second) {
        List<Range> ranges = new ArrayList<>();
        for (String place : places.strip().split("\\s+")) {
            Range range = Range.of(place);
            if (range != null) ranges.add(range);
        }
        CellCheck.Kind kind = KINDS.get(node.get("type", "none"));
        Comparison comparison = COMPARISONS.get(node.get("operator", "between"));
        if (ranges.isEmpty() || kind == null || comparison == null) {
            lost.count(Lost.Kind.CHECKS, 1);
            return;
        }
        boolean stops = XlsxReader.isTrue(node.get("showErrorMessage"));
        Strictness strictness = !stops ? Strictness.SILENT : switch (node.get("errorStyle", "stop")) {
            case "warning" -> Strictness.WARN;
            case "information" -> Strictness.TELL;
            default -> Strictness.STOP;
        };
        Words prompt = XlsxReader.isTrue(node.get("showInputMessage")) ? words(node.get("promptTitle"), node.get("prompt")) : null;
        checks.add(new CellCheck(ranges, kind, comparison, first, second, XlsxReader.isTrue(node.get("allowBlank")),
                !XlsxReader.isTrue(node.get("showDropDown")), prompt, words(node.get("errorTitle"), node.get("error")), strictness));
    }

    private static Words words(String title, String text) {
        if (title == null && text == null) return null;
        return new Words(title == null ? "" : XlsxReader.unescaped(title), text == null ? "" : XlsxReader.unescaped(text));
    }

    /** The notes on the cells of a sheet: talks of newer files, whose older notes only say that there is one, come first. */
    static List<CellNote> notes(OfficePackage file, String main, String sheet) {
        Map<Long, CellNote> notes = new TreeMap<>();
        String part = file.target(sheet, "comments");
        if (part != null && file.part(part) != null) {
            XmlNode root = XmlReader.tree(file.part(part), part);
            List<XmlNode> authors = root.child("x:authors") == null ? List.of() : root.child("x:authors").children("x:author");
            XmlNode list = root.child("x:commentList");
            if (list != null) for (XmlNode one : list.children("x:comment")) {
                int by = XlsxReader.whole(one.get("authorId"), -1);
                XmlNode text = one.child("x:text");
                put(notes, one.get("ref", ""), by >= 0 && by < authors.size() ? authors.get(by).text() : "", text == null ? "" : XlsxReader.text(text));
            }
        }
        talks(file, main, sheet, notes);
        return List.copyOf(notes.values());
    }

    private static void talks(OfficePackage file, String main, String sheet, Map<Long, CellNote> notes) {
        String part = file.target(sheet, "threadedComment");
        if (part == null || file.part(part) == null) return;
        Map<String, String> persons = new HashMap<>();
        String people = file.target(main, "person");
        if (people != null && file.part(people) != null)
            for (XmlNode one : XmlReader.tree(file.part(people), people).children()) persons.put(one.get("id", ""), one.get("displayName", ""));
        Map<String, List<XmlNode>> byPlace = new LinkedHashMap<>();
        for (XmlNode one : XmlReader.tree(file.part(part), part).children()) byPlace.computeIfAbsent(one.get("ref", ""), key -> new ArrayList<>()).add(one);
        byPlace.forEach((place, talk) -> {
            StringBuilder text = new StringBuilder();
            for (XmlNode one : talk) {
                String by = persons.getOrDefault(one.get("personId", ""), "");
                XmlNode words = one.children().stream().filter(child -> local(child).equals("text")).findFirst().orElse(null);
                if (!text.isEmpty()) text.append('\n').append(by).append(by.isEmpty() ? "" : ": ");
                if (words != null) text.append(words.text());
            }
            put(notes, place, persons.getOrDefault(talk.get(0).get("personId", ""), ""), text.toString());
        });
    }

    private static void put(Map<Long, CellNote> notes, String place, String author, String text) {
        Range range = Range.of(place);
        if (range != null && notes.size() < MOST_NOTES)
            notes.put((long) range.top() << 20 | range.left(), new CellNote(range.top(), range.left(), author, text));
    }
}
