package app.decant.pdf.structure;

import app.decant.document.NumberFormat;
import app.decant.document.Picture;
import app.decant.page.Element;
import app.decant.page.Passage;
import app.decant.pdf.Pictures;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * The structure of a document as tags (ISO 32000-1, 14.8.4): headings, paragraphs, lists, tables, contents, notes, figures, links. Built from its
 * elements before its pages are written; {@link PageTags} then hangs each page's content on it.
 */
public final class Structure {
    private final Tag root = new Tag("Document", null);
    private final Map<Passage, Tag> texts = new HashMap<>();
    private final Map<Passage, Tag> itemLabels = new HashMap<>();
    private final Set<Passage> body = new HashSet<>();
    private final Map<Picture, Tag> figures = new IdentityHashMap<>();
    private final List<List<Tag>> owners = new ArrayList<>();
    private final List<Tag> annotated = new ArrayList<>();
    private final Map<COSStream, List<Tag>> forms = new LinkedHashMap<>();
    private final List<Tag> standing = new ArrayList<>();
    private final Map<Object, Integer> ranks = new IdentityHashMap<>();
    private final Map<Picture, Boolean> nameless = new IdentityHashMap<>();
    private int notes;

    /** @param document the whole of it */
    public Structure(Element document) { for (Element child : document.children()) add(child, root); }

    private void add(Element element, Tag parent) {
        if (element.role() == Element.Role.FIGURE) {
            Tag figure = figure(element.picture(), parent, element.description());
            standing.add(figure);
            return;
        }
        Tag tag = new Tag(element.role() == Element.Role.HEADING ? element.role().type() + Math.min(element.level(), 6) : element.role().type(), parent);
        if (element.role() == Element.Role.NOTE) tag.id = "note" + ++notes;
        tag.attributes = attributes(element);
        tag.blank = element.role() == Element.Role.ROW && isBlank(element);
        if (element.text() != null) {
            (element.role() == Element.Role.LABEL ? itemLabels : texts).put(element.text(), tag);
            if (element.inBody()) body.add(element.text());
        }
        for (Element child : element.children()) add(child, tag);
    }

    private static boolean isBlank(Element element) {
        boolean own = element.role() != Element.Role.FIGURE && (element.text() == null || element.text().length() == 0);
        return own && element.children().stream().allMatch(Structure::isBlank);
    }

    /** The element of a passage, or null where it is no content, such as a running head. */
    public Tag of(Passage passage) { return texts.get(passage); }

    /** The element of the label before a list item, or null. */
    public Tag labelOf(Passage passage) { return itemLabels.get(passage); }

    /** Whether the passage stands in the body, so that a second showing of it is a repeated head. */
    boolean isBody(Passage passage) { return body.contains(passage); }

    /** The figure of a picture that does not stand in a line, or null. */
    Tag figure(Picture picture) { return figures.get(picture); }

    /** A figure for a picture in a line; null for an ornament. */
    Tag figure(Picture picture, Tag parent) {
        Tag known = figures.get(picture);
        return known != null ? known : figure(picture, parent, picture.description());
    }

    /** Pictures without a description. */
    public int nameless() { return nameless.size(); }

    private Tag figure(Picture picture, Tag parent, String description) {
        // Who does not see an ornament is not told of it.
        if (picture.isOrnament()) return null;
        Tag figure = new Tag("Figure", parent);
        if (description == null || description.isBlank()) nameless.put(picture, true);
        else figure.alternative = description;
        figures.put(picture, figure);
        return figure;
    }

    private static COSDictionary attributes(Element element) {
        COSDictionary attributes = new COSDictionary();
        if (element.role() == Element.Role.LIST) {
            attributes.setName(COSName.O, "List");
            attributes.setName(COSName.getPDFName("ListNumbering"), numbering(element.numbering()));
        } else if (element.role() == Element.Role.CELL || element.role() == Element.Role.HEAD_CELL) {
            if (element.role() == Element.Role.HEAD_CELL) attributes.setName(COSName.getPDFName("Scope"), "Column");
            if (element.columnSpan() > 1) attributes.setInt(COSName.getPDFName("ColSpan"), element.columnSpan());
            if (element.rowSpan() > 1) attributes.setInt(COSName.getPDFName("RowSpan"), element.rowSpan());
            if (attributes.size() > 0) attributes.setName(COSName.O, "Table");
        }
        return attributes.size() == 0 ? null : attributes;
    }

    /** How a list is labelled (14.8.5.5). */
    private static String numbering(NumberFormat format) {
        return switch (format) {
            case DECIMAL -> "Decimal";
            case LOWER_LETTER -> "LowerAlpha";
            case UPPER_LETTER -> "UpperAlpha";
            case LOWER_ROMAN -> "LowerRoman";
            case UPPER_ROMAN -> "UpperRoman";
            default -> "Disc";
        };
    }

    /** The figures of the elements, in their order; null for ornaments. */
    public List<Tag> figures() { return Collections.unmodifiableList(standing); }

    /** An element within another, after what is there. */
    public Tag within(String role, Tag parent) { return new Tag(role, parent); }

    /** The element that holds all. */
    public Tag whole() { return root; }

    /** The tags of the next page of the file. */
    public PageTags nextPage() {
        owners.add(new ArrayList<>());
        return new PageTags(this, owners.size() - 1, null, owners.get(owners.size() - 1));
    }

    PageTags form(COSStream form, int page) { return new PageTags(this, page, form, forms.computeIfAbsent(form, key -> new ArrayList<>())); }

    void rank(Object kid, int rank) { ranks.put(kid, rank); }

    /** Puts what was marked in the order of painting into that of reading. */
    private int sort(Tag tag) {
        int first = Integer.MAX_VALUE;
        Map<Object, Integer> own = new IdentityHashMap<>();
        for (Object kid : tag.kids) {
            int rank = kid instanceof Tag inner ? sort(inner) : ranks.getOrDefault(kid, Integer.MAX_VALUE);
            own.put(kid, rank);
            first = Math.min(first, rank);
        }
        // Where no mark of its own has a rank, its elements stand as they were made.
        if (tag.kids.stream().anyMatch(kid -> !(kid instanceof Tag) && own.get(kid) < Integer.MAX_VALUE)) tag.kids.sort(Comparator.comparing(own::get));
        return first;
    }

    /** Hangs an annotation on an element; gives the key under which it is found again. */
    public int annotate(Tag tag, COSDictionary annotation) {
        tag.kids.add(annotation);
        annotated.add(tag);
        return owners.size() + annotated.size() - 1;
    }

    /** Writes the tree into a file whose pages are there (14.7.2 and 14.7.4.4). */
    public void write(PDDocument pdf) {
        root.prune();
        root.level(0);
        if (!ranks.isEmpty()) sort(root);
        // The library looks for a page by its number among all of them each time.
        List<COSDictionary> pages = new ArrayList<>();
        for (PDPage page : pdf.getPages()) pages.add(page.getCOSObject());
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        COSDictionary treeRoot = new COSDictionary();
        treeRoot.setItem(COSName.TYPE, COSName.STRUCT_TREE_ROOT);
        COSDictionary ids = new COSDictionary();
        COSArray names = new COSArray();
        treeRoot.setItem(COSName.K, element(root, treeRoot, pages, names));
        if (names.size() > 0) {
            ids.setItem(COSName.NAMES, names);
            treeRoot.setItem(COSName.getPDFName("IDTree"), ids);
        }
        COSArray numbers = new COSArray();
        for (int page = 0; page < owners.size(); page++) {
            COSArray owned = new COSArray();
            for (Tag tag : owners.get(page)) owned.add(tag.written);
            numbers.add(COSInteger.get(page));
            numbers.add(owned);
            pages.get(page).setInt(COSName.STRUCT_PARENTS, page);
            pages.get(page).setName(COSName.getPDFName("Tabs"), "S");
        }
        for (int i = 0; i < annotated.size(); i++) {
            numbers.add(COSInteger.get(owners.size() + i));
            numbers.add(annotated.get(i).written);
        }
        int key = owners.size() + annotated.size();
        for (Map.Entry<COSStream, List<Tag>> form : forms.entrySet()) {
            COSArray owned = new COSArray();
            for (Tag tag : form.getValue()) owned.add(tag.written);
            form.getKey().setInt(COSName.STRUCT_PARENTS, key);
            numbers.add(COSInteger.get(key++));
            numbers.add(owned);
        }
        COSDictionary parents = new COSDictionary();
        parents.setItem(COSName.NUMS, numbers);
        treeRoot.setItem(COSName.PARENT_TREE, parents);
        treeRoot.setInt(COSName.PARENT_TREE_NEXT_KEY, key);
        catalog.setItem(COSName.STRUCT_TREE_ROOT, treeRoot);
        COSDictionary marked = new COSDictionary();
        marked.setBoolean(COSName.getPDFName("Marked"), true);
        catalog.setItem(COSName.MARK_INFO, marked);
    }

    private COSDictionary element(Tag tag, COSDictionary parent, List<COSDictionary> pages, COSArray names) {
        COSDictionary element = new COSDictionary();
        tag.written = element;
        element.setItem(COSName.TYPE, COSName.STRUCT_ELEM);
        element.setName(COSName.S, tag.role());
        element.setItem(COSName.P, parent);
        if (tag.alternative != null) element.setString(COSName.ALT, tag.alternative);
        if (tag.attributes != null) element.setItem(COSName.A, tag.attributes);
        if (tag.id != null) {
            element.setItem(COSName.ID, new COSString(tag.id));
            names.add(new COSString(tag.id));
            names.add(element);
        }
        int page = tag.kids.stream().filter(kid -> kid instanceof Tag.Mark).mapToInt(kid -> ((Tag.Mark) kid).page()).findFirst().orElse(-1);
        if (page >= 0) element.setItem(COSName.PG, pages.get(page));
        COSArray kids = new COSArray();
        for (Object kid : tag.kids) {
            if (kid instanceof Tag inner) kids.add(element(inner, element, pages, names));
            else if (kid instanceof Tag.Mark mark)
                kids.add(mark.page() == page && mark.form() == null ? COSInteger.get(mark.number()) : reference(mark, pages));
            else kids.add(annotation((COSDictionary) kid));
        }
        if (kids.size() > 0) element.setItem(COSName.K, kids.size() == 1 ? kids.get(0) : kids);
        return element;
    }

    private static COSDictionary reference(Tag.Mark mark, List<COSDictionary> pages) {
        COSDictionary reference = new COSDictionary();
        reference.setItem(COSName.TYPE, COSName.getPDFName("MCR"));
        reference.setItem(COSName.PG, pages.get(mark.page()));
        if (mark.form() != null) reference.setItem(COSName.getPDFName("Stm"), mark.form());
        reference.setInt(COSName.MCID, mark.number());
        return reference;
    }

    private static COSDictionary annotation(COSDictionary annotation) {
        COSDictionary reference = new COSDictionary();
        reference.setItem(COSName.TYPE, COSName.getPDFName("OBJR"));
        reference.setItem(COSName.getPDFName("Obj"), annotation);
        reference.setItem(COSName.PG, annotation.getCOSDictionary(COSName.P));
        return reference;
    }
}
