package app.decant.format.sheet;

import app.decant.sheet.CellCheck;
import app.decant.sheet.CellCheck.Strictness;
import app.decant.sheet.CellNote;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.Range;
import app.decant.sheet.SheetFilter;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetLock.Allowed;
import app.decant.sheet.SheetView;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Writes what {@link XlsxMatter} reads (ISO/IEC 29500-1, 18.3.1 and 18.7). */
final class XlsxMatterPart {
    private static final int NOTE_WIDTH = 144;
    private static final int NOTE_HEIGHT = 79;

    private XlsxMatterPart() { }

    /** What a sheet begins with: its tab, how it is shown. */
    static void head(XmlWriter xml, SheetView view, boolean fitted) {
        xml.open("sheetPr");
        if (view.tab() != null) xml.leaf("tabColor", "rgb", "FF" + view.tab().hex());
        xml.leaf("pageSetUpPr", "fitToPage", fitted ? "1" : "0");
        xml.close();
        xml.open("sheetViews");
        xml.open("sheetView", "showGridLines", view.grid() ? null : "0", "rightToLeft", view.rightToLeft() ? "1" : null, "zoomScale",
                view.zoom() == 1 ? null : Math.round(view.zoom() * 100), "workbookViewId", 0);
        if (view.isFrozen()) {
            String pane = view.frozenRows() == 0 ? "topRight" : view.frozenColumns() == 0 ? "bottomLeft" : "bottomRight";
            xml.leaf("pane", "xSplit", view.frozenColumns() == 0 ? null : view.frozenColumns(), "ySplit", view.frozenRows() == 0 ? null : view.frozenRows(),
                    "topLeftCell", Range.name(view.frozenRows(), view.frozenColumns()), "activePane", pane, "state", "frozen");
            xml.leaf("selection", "pane", pane);
        }
        xml.close();
        xml.close();
    }

    static void lock(XmlWriter xml, SheetLock lock) {
        if (lock == null) return;
        List<Object> told = new ArrayList<>();
        if (lock.key() != null && !lock.key().isOpenDocument()) {
            told.addAll(List.of("algorithmName", lock.key().algorithm(), "hashValue", lock.key().digest(), "saltValue", lock.key().salt(), "spinCount",
                    lock.key().rounds()));
        } else if (lock.shortKey() != 0) {
            told.addAll(List.of("password", String.format(Locale.ROOT, "%04X", lock.shortKey())));
        }
        told.addAll(List.of("sheet", "1"));
        XlsxMatter.ALLOWED.forEach((one, name) -> {
            boolean free = SheetLock.USUAL.contains(one) || one == Allowed.OBJECTS || one == Allowed.SCENARIOS;
            if (free != lock.allowed().contains(one)) told.addAll(List.of(name, free ? "1" : "0"));
        });
        xml.leaf("sheetProtection", told.toArray());
    }

    static void filter(XmlWriter xml, SheetFilter filter) {
        if (filter == null) return;
        xml.open("autoFilter", "ref", filter.range().toString());
        filter.values().forEach((column, shown) -> {
            xml.open("filterColumn", "colId", column);
            xml.open("filters", "blank", shown.contains("") ? "1" : null);
            for (String one : shown) if (!one.isEmpty()) xml.leaf("filter", "val", one);
            xml.close();
            xml.close();
        });
        xml.close();
    }

    static void checks(XmlWriter xml, List<CellCheck> checks) {
        if (checks.isEmpty()) return;
        xml.open("dataValidations", "count", checks.size());
        for (CellCheck one : checks) {
            String style = one.strictness() == Strictness.WARN ? "warning" : one.strictness() == Strictness.TELL ? "information" : null;
            String kind = name(XlsxMatter.KINDS, one.kind());
            boolean compared = one.comparison() != Comparison.BETWEEN && one.kind() != CellCheck.Kind.LIST && one.kind() != CellCheck.Kind.FORMULA;
            xml.open("dataValidation", "type", kind.equals("none") ? null : kind, "errorStyle", style, "operator",
                    compared ? name(XlsxMatter.COMPARISONS, one.comparison()) : null, "allowBlank", one.blanks() ? "1" : null, "showDropDown",
                    one.choices() ? null : "1", "showInputMessage", one.prompt() == null ? null : "1", "showErrorMessage",
                    one.strictness() == Strictness.SILENT ? null : "1", "errorTitle", title(one.refusal()), "error", text(one.refusal()), "promptTitle",
                    title(one.prompt()), "prompt", text(one.prompt()), "sqref", String.join(" ", one.places().stream().map(Range::toString).toList()));
            formula(xml, "formula1", one.first());
            formula(xml, "formula2", one.second());
            xml.close();
        }
        xml.close();
    }

    private static <T> String name(Map<String, T> names, T wanted) {
        return names.entrySet().stream().filter(one -> one.getValue().equals(wanted)).map(Map.Entry::getKey).findFirst().orElseThrow();
    }

    private static String title(CellCheck.Words words) { return words == null || words.title().isEmpty() ? null : words.title(); }

    private static String text(CellCheck.Words words) { return words == null || words.text().isEmpty() ? null : words.text(); }

    private static void formula(XmlWriter xml, String name, String formula) {
        if (formula == null) return;
        xml.open(name);
        xml.text(formula);
        xml.close();
    }

    /** The part that tells what notes say. */
    static byte[] comments(List<CellNote> notes) {
        XmlWriter xml = new XmlWriter();
        List<String> authors = notes.stream().map(CellNote::author).distinct().toList();
        xml.open("comments", "xmlns", XlsxWriter.MAIN);
        xml.open("authors");
        for (String one : authors) {
            xml.open("author");
            xml.text(one);
            xml.close();
        }
        xml.close();
        xml.open("commentList");
        for (CellNote one : notes) {
            xml.open("comment", "ref", Range.name(one.row(), one.column()), "authorId", authors.indexOf(one.author()));
            xml.open("text");
            xml.open("t", "xml:space", "preserve");
            xml.text(one.text());
            xml.close();
            xml.close();
            xml.close();
        }
        xml.close();
        xml.close();
        return xml.bytes();
    }

    /** The boxes in which programs show notes; without them they would show none. */
    static byte[] boxes(List<CellNote> notes) {
        XmlWriter xml = new XmlWriter();
        xml.open("xml", "xmlns:v", "urn:schemas-microsoft-com:vml", "xmlns:o", "urn:schemas-microsoft-com:office:office", "xmlns:x",
                "urn:schemas-microsoft-com:office:excel");
        xml.open("v:shapetype", "id", "note", "coordsize", "21600,21600", "o:spt", "202", "path", "m,l,21600r21600,l21600,xe");
        xml.leaf("v:stroke", "joinstyle", "miter");
        xml.leaf("v:path", "gradientshapeok", "t", "o:connecttype", "rect");
        xml.close();
        for (int i = 0; i < notes.size(); i++) {
            CellNote one = notes.get(i);
            xml.open("v:shape", "id", "_x0000_s" + (1025 + i), "type", "#note", "style", "position:absolute;width:" + NOTE_WIDTH + "pt;height:" + NOTE_HEIGHT
                    + "pt;visibility:hidden", "fillcolor", "#ffffe1", "o:insetmode", "auto");
            xml.leaf("v:fill", "color2", "#ffffe1");
            xml.open("x:ClientData", "ObjectType", "Note");
            xml.leaf("x:MoveWithCells");
            xml.leaf("x:SizeWithCells");
            formula(xml, "x:Anchor", one.column() + 1 + ", 12, " + Math.max(0, one.row() - 1) + ", 8, " + (one.column() + 3) + ", 20, " + (one.row() + 4)
                    + ", 4");
            formula(xml, "x:AutoFill", "False");
            formula(xml, "x:Row", String.valueOf(one.row()));
            formula(xml, "x:Column", String.valueOf(one.column()));
            xml.close();
            xml.close();
        }
        xml.close();
        return xml.bytes();
    }
}
