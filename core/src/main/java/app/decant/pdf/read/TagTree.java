package app.decant.pdf.read;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;

/** The structure a tagged PDF tells of itself (ISO 32000-1, 14.7 and 14.8): for each marked content, the element it belongs to. */
public final class TagTree {
    private static final int MOST_ELEMENTS = 2_000_000;
    private static final int DEEPEST = 200;

    private final Map<Long, Element> elements = new HashMap<>();
    private final Map<String, String> roles = new HashMap<>();
    private int count;

    /**
     * One element.
     *
     * @param role  its standard type, such as {@code P} or {@code H1}
     * @param alternative text for people who do not see it, or null
     * @param columnSpan  how many columns a cell covers
     * @param rowSpan     how many rows it covers
     * @param children    the elements in it, in order
     */
    public record Element(int number, String role, Element parent, String alternative, int columnSpan, int rowSpan, List<Element> children) {
        /** The nearest element of one of these roles, this one included, or null. */
        public Element within(String... wanted) {
            for (Element at = this; at != null; at = at.parent) for (String one : wanted) if (at.role.equals(one)) return at;
            return null;
        }

        /** The nearest element that stands for a block: what a paragraph is in tags. */
        public Element block() {
            for (Element at = this; at != null; at = at.parent) {
                if (at.role.matches("P|H|H[1-9]|LBody|Lbl|TD|TH|Caption|TOCI|BlockQuote|Note|Title|LI|FENote")) return at;
            }
            return null;
        }

        /** 1 to 9 for headings, 0 for anything else. */
        public int headingLevel() {
            Element heading = within("H1", "H2", "H3", "H4", "H5", "H6", "H7", "H8", "H9", "H");
            return heading == null ? 0 : heading.role.equals("H") ? 1 : heading.role.charAt(1) - '0';
        }

        @Override public boolean equals(Object other) { return this == other; }
        @Override public int hashCode() { return number; }
    }

    private TagTree() { }

    public static TagTree of(PDDocument pdf, Map<COSDictionary, Integer> pageNumbers) {
        TagTree tree = new TagTree();
        COSDictionary root = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.STRUCT_TREE_ROOT);
        if (root == null) return tree;
        COSDictionary map = root.getCOSDictionary(COSName.ROLE_MAP);
        if (map != null) for (COSName name : map.keySet()) if (map.getCOSName(name) != null) tree.roles.put(name.getName(), map.getCOSName(name).getName());
        tree.walk(root.getDictionaryObject(COSName.K), null, null, pageNumbers, new IdentityHashMap<>(), 0);
        return tree;
    }

    public boolean isEmpty() { return elements.isEmpty(); }

    /** The element of a marked content on a page, or null. */
    public Element of(int page, int tag) { return tag < 0 ? null : elements.get((long) page << 32 | tag); }

    private void walk(COSBase kids, Element parent, COSDictionary page, Map<COSDictionary, Integer> pageNumbers, Map<COSDictionary, Boolean> seen, int depth) {
        if (kids instanceof COSObject reference) kids = reference.getObject();
        if (depth > DEEPEST || count > MOST_ELEMENTS) return;
        if (kids instanceof COSArray array) {
            for (int i = 0; i < array.size(); i++) walk(array.getObject(i), parent, page, pageNumbers, seen, depth + 1);
        } else if (kids instanceof COSInteger content) {
            put(parent, page, content, pageNumbers);
        } else if (kids instanceof COSDictionary dictionary) {
            COSDictionary here = dictionary.getCOSDictionary(COSName.PG);
            if (here == null) here = page;
            COSName type = dictionary.getCOSName(COSName.TYPE);
            if (COSName.getPDFName("MCR").equals(type)) {
                put(parent, here, dictionary.getDictionaryObject(COSName.MCID), pageNumbers);
            } else if (dictionary.containsKey(COSName.S) && seen.put(dictionary, true) == null) {
                Element element = new Element(count++, role(dictionary.getCOSName(COSName.S)), parent, dictionary.getString(COSName.ALT),
                        attribute(dictionary, "ColSpan"), attribute(dictionary, "RowSpan"), new ArrayList<>());
                if (parent != null) parent.children.add(element);
                walk(dictionary.getDictionaryObject(COSName.K), element, here, pageNumbers, seen, depth + 1);
            }
        }
    }

    /** A whole number above 0 among an element's attributes; 1 where it has none (ISO 32000-1, 14.7.5 and 14.8.5.7). */
    private static int attribute(COSDictionary element, String name) {
        COSBase attributes = element.getDictionaryObject(COSName.A);
        List<COSDictionary> all = new ArrayList<>();
        if (attributes instanceof COSDictionary one) all.add(one);
        if (attributes instanceof COSArray array) for (int i = 0; i < array.size(); i++) if (array.getObject(i) instanceof COSDictionary one) all.add(one);
        for (COSDictionary one : all) {
            int value = one.getInt(COSName.getPDFName(name), 1);
            if (value > 1 && value < 1000) return value;
        }
        return 1;
    }

    private void put(Element element, COSDictionary page, COSBase content, Map<COSDictionary, Integer> pageNumbers) {
        Integer number = page == null ? null : pageNumbers.get(page);
        if (number != null && element != null && content instanceof COSNumber id) elements.put((long) number << 32 | id.intValue(), element);
    }

    private String role(COSName name) {
        String role = name == null ? "" : name.getName();
        for (int i = 0; i < 10 && roles.containsKey(role); i++) role = roles.get(role);
        return role;
    }

    /** The share of a page's seen letters that belong to an element or are marked as no content. */
    public double coverage(SourcePage page) {
        long tagged = 0;
        List<Glyph> all = new ArrayList<>();
        for (Glyph glyph : page.glyphs()) if (!glyph.isSpace()) all.add(glyph);
        for (Glyph glyph : all) if (glyph.tag() == Glyph.ARTIFACT || of(page.index(), glyph.tag()) != null) tagged++;
        return all.isEmpty() ? 0 : (double) tagged / all.size();
    }
}
