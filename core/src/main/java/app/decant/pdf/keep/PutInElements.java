package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Elements of a structure (ISO 32000-2, 14.7.2) for paragraphs that are put in beside some that are there. */
final class PutInElements {
    /** What stands within the lines of a block (14.8.4.7). */
    private static final Set<String> INLINE = Set.of("Span", "Link", "Reference", "Em", "Strong", "Sub", "Quote", "Code", "Note", "Annot",
            "BibEntry", "FENote");
    private static final Set<String> OF_ITEM = Set.of("Lbl", "LBody");
    private static final Set<String> CELLS = Set.of("TD", "TH");
    private static final int LOWEST = 6;
    private static final int DEEPEST = 64;

    private final COSDictionary roles;
    /** Those that were put in, by what they are beside and their places there. */
    private final Map<COSDictionary, SortedMap<Integer, COSDictionary>> put = new IdentityHashMap<>();

    PutInElements(PDDocument pdf) {
        COSDictionary root = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.STRUCT_TREE_ROOT);
        roles = root == null ? null : root.getCOSDictionary(COSName.ROLE_MAP);
    }

    /** The element of a paragraph beside what another holds, made where it is not there yet; null where that stands in no other. */
    COSDictionary beside(COSDictionary element, Rewritten.Beside beside) {
        if (beside.cells() != 0 || beside.rows() != 0) return inCell(element, beside);
        COSDictionary block = block(element);
        boolean inItem = OF_ITEM.contains(role(block)) && parent(block) != null && role(parent(block)).equals("LI");
        // Words of one item may be a paragraph in its body.
        if (!inItem && beside.item() && parent(block) != null && OF_ITEM.contains(role(parent(block)))) {
            block = parent(block);
            inItem = true;
        }
        if (inItem && beside.item()) block = parent(block);
        SortedMap<Integer, COSDictionary> known = put.computeIfAbsent(block, key -> new TreeMap<>());
        COSDictionary there = known.get(beside.place());
        if (there != null) return there;
        String text = beside.level() > 0 ? heading(beside.level()) : role(block).equals("P") ? block.getNameAsString(COSName.S) : "P";
        COSDictionary made = element(inItem && beside.item() ? "LBody" : text);
        COSDictionary outer = made;
        if (inItem && beside.item()) {
            outer = element("LI");
            hold(outer, made);
        }
        if (inItem && !beside.item()) {
            made.setItem(COSName.P, block);
            kids(block).add(made);
        } else if (!insert(block, outer, known, beside.place())) {
            return null;
        }
        known.put(beside.place(), made);
        return made;
    }

    /** The element of the paragraph that an element is of, or is. */
    COSDictionary block(COSDictionary element) {
        COSDictionary block = element;
        for (int i = 0; i < DEEPEST && INLINE.contains(role(block)) && parent(block) != null; i++) block = parent(block);
        return block;
    }

    /** A paragraph in another cell of the row that an element is in, or of one that is put in below it (14.8.4.8.3). */
    private COSDictionary inCell(COSDictionary element, Rewritten.Beside beside) {
        COSDictionary cell = element;
        for (int i = 0; i < DEEPEST && cell != null && !CELLS.contains(role(cell)); i++) cell = parent(cell);
        COSDictionary row = cell == null ? null : parent(cell);
        if (row == null) return null;
        int at = index(kids(row), cell) + beside.cells();
        if (beside.rows() > 0) return inCell(rowBelow(row, beside.rows()), at);
        int cells = beside.cells();
        SortedMap<Integer, COSDictionary> known = put.computeIfAbsent(cell, key -> new TreeMap<>());
        COSDictionary there = known.get(cells);
        if (there != null) return there;
        COSArray kids = kids(row);
        COSDictionary other = at >= 0 && at < kids.size() && kids.getObject(at) instanceof COSDictionary one && CELLS.contains(role(one)) ? one : null;
        // Some writers leave out cells that say nothing.
        if (other == null) {
            other = element("TD");
            other.setItem(COSName.P, row);
            kids.add(cells > 0 ? index(kids, cell) + 1 : index(kids, cell), other);
        }
        COSDictionary made = element("P");
        hold(other, made);
        known.put(cells, made);
        return made;
    }

    /** Takes the row of a table out that an element is in, for all that it holds; false where it is in none. */
    boolean remove(COSDictionary element) {
        COSDictionary row = element;
        for (int i = 0; i < DEEPEST && row != null && !role(row).equals("TR"); i++) row = parent(row);
        COSDictionary parent = row == null ? null : parent(row);
        if (parent == null) return false;
        int at = index(kids(parent), row);
        if (at >= 0) kids(parent).remove(at);
        return true;
    }

    /** What a cell of a row that was put in holds; null where the row has not as many. */
    private COSDictionary inCell(COSDictionary row, int at) {
        if (row == null || at < 0 || at >= kids(row).size() || !(kids(row).getObject(at) instanceof COSDictionary cell)) return null;
        if (kids(cell).size() == 0) hold(cell, element("P"));
        return (COSDictionary) kids(cell).getObject(0);
    }

    /** A row that is put in below another, with as many cells; below a head it is the first of the rest. */
    private COSDictionary rowBelow(COSDictionary row, int rows) {
        SortedMap<Integer, COSDictionary> known = put.computeIfAbsent(row, key -> new TreeMap<>());
        if (known.containsKey(rows)) return known.get(rows);
        COSDictionary parent = parent(row);
        if (parent == null || index(kids(parent), row) < 0) return null;
        COSDictionary made = element("TR");
        for (int i = 0; i < kids(row).size(); i++) {
            COSDictionary cell = element("TD");
            if (kids(row).getObject(i) instanceof COSDictionary like && like.containsKey(COSName.A)) cell.setItem(COSName.A, like.getItem(COSName.A));
            hold(made, cell);
        }
        int before = known.headMap(rows).size();
        COSDictionary table = role(parent).equals("THead") ? parent(parent) : null;
        COSDictionary body = table == null ? null : body(table, index(kids(table), parent));
        COSDictionary holder = body != null ? body : table != null ? table : parent;
        int at = body != null ? 0 : index(kids(holder), table != null ? parent : row) + 1;
        kids(holder).add(at + before, made);
        made.setItem(COSName.P, holder);
        known.put(rows, made);
        return made;
    }

    private COSDictionary body(COSDictionary table, int head) {
        for (int i = head + 1; i < kids(table).size(); i++)
            if (kids(table).getObject(i) instanceof COSDictionary one && role(one).equals("TBody")) return one;
        return null;
    }

    private boolean insert(COSDictionary block, COSDictionary made, SortedMap<Integer, COSDictionary> known, int place) {
        COSDictionary parent = parent(block);
        if (parent == null) return false;
        COSArray kids = kids(parent);
        int at = index(kids, block);
        if (at < 0) return false;
        int between = place > 0 ? known.subMap(1, place).size() : known.subMap(place + 1, 0).size();
        kids.add(place > 0 ? at + 1 + between : at - between, made);
        made.setItem(COSName.P, parent);
        return true;
    }

    /** What a heading is, as deep as the standard's names go. */
    static String heading(int level) { return "H" + Math.min(LOWEST, level); }

    private static int index(COSArray kids, COSDictionary kid) {
        for (int i = 0; i < kids.size(); i++) if (kids.getObject(i) == kid) return i;
        return -1;
    }

    private static COSDictionary element(String role) {
        COSDictionary element = new COSDictionary();
        element.setName(COSName.TYPE, "StructElem");
        element.setName(COSName.S, role);
        element.setItem(COSName.K, new COSArray());
        return element;
    }

    private static void hold(COSDictionary outer, COSDictionary inner) {
        kids(outer).add(inner);
        inner.setItem(COSName.P, outer);
    }

    /** What an element holds, as an array. */
    private static COSArray kids(COSDictionary element) {
        COSBase kids = element.getDictionaryObject(COSName.K);
        if (kids instanceof COSArray array) return array;
        COSArray made = new COSArray();
        if (kids != null) made.add(element.getItem(COSName.K));
        element.setItem(COSName.K, made);
        return made;
    }

    private static COSDictionary parent(COSDictionary element) { return element.getCOSDictionary(COSName.P); }

    /** What it is in the terms of the standard (14.7.3). */
    String role(COSDictionary element) {
        String role = element.getNameAsString(COSName.S);
        for (int i = 0; i < DEEPEST && roles != null && role != null && roles.containsKey(role); i++) {
            String mapped = roles.getNameAsString(role);
            if (role.equals(mapped)) break;
            role = mapped;
        }
        return role == null ? "" : role;
    }
}
