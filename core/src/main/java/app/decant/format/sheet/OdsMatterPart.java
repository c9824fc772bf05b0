package app.decant.format.sheet;

import app.decant.document.Block;
import app.decant.document.Image;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.TextBox;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellNote;
import app.decant.sheet.CellValue;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetObject;
import app.decant.sheet.Workbook;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/** Writes what belongs to sheets beside their cells into an .ods (ISO/IEC 26300-1, 9): notes, pictures, checks, filters, groups. */
final class OdsMatterPart {
    private static final Map<String, String> KINDS = Map.of("image/png", "png", "image/jpeg", "jpg", "image/gif", "gif");

    private final Workbook workbook;
    private final Map<Look, String> textStyles = new LinkedHashMap<>();
    private final Map<Image, String> pictures = new LinkedHashMap<>();
    private final Map<SheetObject, String> shown = new HashMap<>();
    /** The styles of boxes with the words of shapes. */
    private final Map<SheetObject, String> boxes = new LinkedHashMap<>();
    private Sheet sheet;
    private int index;
    private Map<Integer, TreeMap<Integer, CellNote>> notes = Map.of();
    private Map<Integer, TreeMap<Integer, List<SheetObject>>> objects = Map.of();
    private int depth;

    OdsMatterPart(Workbook workbook) {
        this.workbook = workbook;
        for (Sheet one : workbook.sheets()) {
            for (Row row : one.rows()) row.cells().forEach(cell -> {
                if (cell.value() instanceof CellValue.Text text) text.stretches().forEach(stretch -> textStyle(stretch.look()));
            });
            for (SheetObject object : one.objects()) {
                Image image = object.picture() == null ? null : SheetPictures.usual(object.picture().image(), KINDS.keySet());
                TextBox box = object.shape() == null ? null : object.shape().words();
                if (box != null) {
                    boxes.put(object, "gr" + (boxes.size() + 1));
                    for (Block block : box.blocks()) if (block instanceof Paragraph paragraph)
                        paragraph.inlines().forEach(inline -> textStyle(inline.look()));
                }
                if (image != null) shown.put(object, pictures.computeIfAbsent(image, key -> "Pictures/picture" + (pictures.size() + 1) + "." + KINDS.get(
                        key.type())));
            }
        }
    }

    Map<Image, String> pictures() { return pictures; }

    String textStyle(Look look) { return textStyles.computeIfAbsent(look, key -> "T" + (textStyles.size() + 1)); }

    void textStyles(XmlWriter xml) {
        boxes.forEach((object, name) -> OdsShapes.style(xml, name, object.shape().words()));
        if (!boxes.isEmpty()) OdsShapes.paragraphs(xml);
        textStyles.forEach((look, name) -> {
            xml.open("style:style", "style:name", name, "style:family", "text");
            OdsLooks.text(xml, look);
            xml.close();
        });
    }

    private static String name(int sheet, int check) { return "check" + (sheet + 1) + "-" + (check + 1); }

    private static String quoted(Sheet sheet) { return "$'" + sheet.name().replace("'", "''") + "'."; }

    void checks(XmlWriter xml) {
        if (workbook.sheets().stream().allMatch(one -> one.matter().checks().isEmpty())) return;
        xml.open("table:content-validations");
        for (int s = 0; s < workbook.sheets().size(); s++) {
            Sheet one = workbook.sheets().get(s);
            for (int i = 0; i < one.matter().checks().size(); i++) {
                CellCheck check = one.matter().checks().get(i);
                Range first = check.places().get(0);
                OdsChecks.write(xml, name(s, i), check, quoted(one) + "$" + Range.letters(first.left()) + "$" + (first.top() + 1));
            }
        }
        xml.close();
    }

    void filters(XmlWriter xml) {
        if (workbook.sheets().stream().allMatch(one -> one.matter().filter() == null)) return;
        xml.open("table:database-ranges");
        for (int s = 0; s < workbook.sheets().size(); s++) {
            Sheet one = workbook.sheets().get(s);
            if (one.matter().filter() == null) continue;
            Range range = one.matter().filter().range();
            String name = quoted(one).substring(1);
            xml.leaf("table:database-range", "table:name", "filter" + (s + 1), "table:target-range-address", name + Range.name(range.top(), range.left()) + ":"
                    + name + Range.name(range.bottom(), range.right()), "table:display-filter-buttons", "true");
        }
        xml.close();
    }

    /** A sheet begins. */
    void begin(Sheet next, int number) {
        sheet = next;
        index = number;
        depth = 0;
        notes = new HashMap<>();
        objects = new HashMap<>();
        for (CellNote one : sheet.matter().notes()) notes.computeIfAbsent(one.row(), key -> new TreeMap<>()).put(one.column(), one);
        for (SheetObject one : sheet.objects()) if (shown.containsKey(one) || boxes.containsKey(one))
            objects.computeIfAbsent(one.cells().top(), key -> new TreeMap<>()).computeIfAbsent(one.cells().left(), key -> new ArrayList<>()).add(one);
    }

    /** Its rows, and those that hold nothing but a note or a picture. */
    List<Row> rows() {
        TreeMap<Integer, Row> rows = new TreeMap<>();
        for (Set<Integer> some : List.of(notes.keySet(), objects.keySet())) for (int one : some) rows.put(one, new Row(one, sheet.rowHeight(), false,
                List.of()));
        for (Row row : sheet.rows()) rows.put(row.index(), row);
        return List.copyOf(rows.values());
    }

    /** The columns of a row that have a note or a picture. */
    Set<Integer> columns(int row) {
        Set<Integer> columns = new TreeSet<>();
        if (notes.containsKey(row)) columns.addAll(notes.get(row).keySet());
        if (objects.containsKey(row)) columns.addAll(objects.get(row).keySet());
        return columns;
    }

    /** The name of the check of a cell, or null. */
    String check(int row, int column) {
        List<CellCheck> checks = sheet.matter().checks();
        for (int i = 0; i < checks.size(); i++) for (Range one : checks.get(i).places()) if (one.holds(row, column)) return name(index, i);
        return null;
    }

    int lastChecked() { return sheet.matter().checks().stream().flatMap(one -> one.places().stream()).mapToInt(Range::bottom).max().orElse(-1); }

    /** Up to which row what is checked stays the same. */
    int end(int from, int end) {
        int last = end;
        for (CellCheck check : sheet.matter().checks()) for (Range one : check.places()) {
            if (one.top() > from) last = Math.min(last, one.top());
            else if (one.bottom() >= from) last = Math.min(last, one.bottom() + 1);
        }
        return last;
    }

    /** Writes empty cells that are checked, and those before them; the column behind the last, or 0 where there are none. */
    int blank(XmlWriter xml, int row, int from, int to) {
        TreeSet<Integer> cuts = new TreeSet<>();
        for (CellCheck check : sheet.matter().checks()) for (Range one : check.places()) {
            if (one.top() > row || one.bottom() < row || one.right() < from || one.left() >= to) continue;
            cuts.add(Math.max(from, one.left()));
            cuts.add(Math.min(to, one.right() + 1));
        }
        if (cuts.isEmpty()) return 0;
        int at = from;
        for (int cut : cuts) {
            if (cut == at) continue;
            xml.leaf("table:table-cell", "table:content-validation-name", check(row, at), "table:number-columns-repeated", cut - at > 1
                    ? String.valueOf(cut - at)
                    : null);
            at = cut;
        }
        return at;
    }

    /** What a cell holds besides its text. */
    void within(XmlWriter xml, int row, int column) {
        CellNote note = notes.containsKey(row) ? notes.get(row).get(column) : null;
        if (note != null) {
            xml.open("office:annotation");
            if (!note.author().isEmpty()) xml.open("dc:creator").text(note.author()).close();
            for (String line : note.text().split("\n", -1)) xml.open("text:p").text(line).close();
            xml.close();
        }
        if (objects.containsKey(row)) objects.get(row).getOrDefault(column, List.of()).forEach(one -> {
            if (shown.containsKey(one)) picture(xml, one);
            if (boxes.containsKey(one)) box(xml, one);
        });
    }

    private void box(XmlWriter xml, SheetObject one) {
        TextBox box = one.shape().words();
        String end = quoted(sheet).substring(1) + Range.name(one.cells().bottom(), one.cells().right());
        xml.open("draw:frame", "draw:style-name", boxes.get(one), "table:end-cell-address", end, "table:end-x", OdsWriter.points(one.right()), "table:end-y",
                OdsWriter.points(one.bottom()), "svg:width", OdsWriter.points(box.width()), "svg:height", OdsWriter.points(box.height()), "svg:x",
                OdsWriter.points(one.left()), "svg:y", OdsWriter.points(one.top()));
        xml.open("draw:text-box");
        OdsShapes.words(xml, box, this::textStyle);
        xml.close();
        xml.close();
    }

    private void picture(XmlWriter xml, SheetObject one) {
        // The outline of a shape reaches out of its box: it is as large as it is.
        SheetObject.Shape shape = one.shape();
        String end = shape != null ? null : quoted(sheet).substring(1) + Range.name(one.cells().bottom(), one.cells().right());
        xml.open("draw:frame", "table:end-cell-address", end, "table:end-x", end == null ? null : OdsWriter.points(one.right()), "table:end-y",
                end == null ? null : OdsWriter.points(one.bottom()), "svg:width", OdsWriter.points(one.picture().width()), "svg:height",
                OdsWriter.points(one.picture().height()), "svg:x", OdsWriter.points(Math.max(0, one.left() + (shape == null ? 0 : shape.x()))), "svg:y",
                OdsWriter.points(Math.max(0, one.top() + (shape == null ? 0 : shape.y()))));
        xml.leaf("draw:image", "xlink:href", shown.get(one), "xlink:type", "simple", "xlink:show", "embed", "xlink:actuate", "onLoad");
        if (one.picture().description() != null) xml.open("svg:desc").text(one.picture().description()).close();
        xml.close();
    }

    /** Opens and closes groups of rows. */
    void group(XmlWriter xml, int wanted) { group(xml, wanted, "row", sheet.setup().titleRows()); }

    /** Groups stand round heads that repeat, or beside them, never across their ends: where there are heads, there are no groups. */
    void group(XmlWriter xml, int wanted, String what, Range titles) {
        if (titles != null) return;
        for (; depth > wanted; depth--) xml.close();
        for (; depth < wanted; depth++) xml.open("table:table-" + what + "-group");
    }
}
