package app.decant.pdf;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * The structure of a document as tags (ISO 32000-1, 14.8.4): headings, paragraphs, lists, tables, contents, notes, figures, links. Built from the
 * document before its pages are written; {@link PageTags} then hangs each page's content on it.
 */
final class Structure {
    private final Cascade cascade;
    private final ListLabels labels;
    private final Tag root = new Tag("Document", null);
    private final Map<Paragraph, Tag> paragraphs = new IdentityHashMap<>();
    private final Map<Paragraph, Tag> itemLabels = new IdentityHashMap<>();
    private final Map<Paragraph, Boolean> body = new IdentityHashMap<>();
    private final Map<Picture, Tag> figures = new IdentityHashMap<>();
    private final List<List<Tag>> owners = new ArrayList<>();
    private final List<Tag> annotated = new ArrayList<>();
    private final Map<Picture, Boolean> nameless = new IdentityHashMap<>();
    private int level;
    private int notes;

    /** A list while its items are met. */
    private static final class OpenList {
        final List<Tag> lists = new ArrayList<>();
        final List<Tag> bodies = new ArrayList<>();
        String id;
    }

    Structure(Document document) {
        cascade = Cascade.of(document);
        labels = ListLabels.of(document, cascade);
        for (Section section : document.sections()) blocks(section.blocks(), root, true);
    }

    /** The element of a paragraph, or null where it is no content, such as a running head. */
    Tag of(Paragraph paragraph) { return paragraphs.get(paragraph); }

    /** The element of the label before a list item, or null. */
    Tag labelOf(Paragraph paragraph) { return itemLabels.get(paragraph); }

    /** Whether the paragraph stands in the body, so that a second showing of it is a repeated head. */
    boolean isBody(Paragraph paragraph) { return body.containsKey(paragraph); }

    /** The figure of a picture that does not stand in a line, or null. */
    Tag figure(Picture picture) { return figures.get(picture); }

    /** A figure for a picture in a line. */
    Tag figure(Picture picture, Tag parent) {
        Tag known = figures.get(picture);
        return known != null ? known : figure(picture, parent, picture.description());
    }

    /** Pictures without a description. */
    int nameless() { return nameless.size(); }

    private Tag figure(Picture picture, Tag parent, String description) {
        Tag figure = new Tag("Figure", parent);
        if (description == null || description.isBlank()) nameless.put(picture, true);
        else figure.alternative = description;
        figures.put(picture, figure);
        return figure;
    }

    private void blocks(List<? extends Block> blocks, Tag parent, boolean inBody) {
        OpenList open = new OpenList();
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) {
                paragraph(paragraph, parent, open, inBody);
                continue;
            }
            open = new OpenList();
            if (block instanceof Table table) {
                table(table, parent, inBody);
            } else if (block instanceof Contents contents) {
                Tag list = new Tag("TOC", parent);
                for (Paragraph entry : contents.entries()) put(entry, new Tag("TOCI", list), inBody);
            } else if (block instanceof OpaqueBlock opaque && opaque.opaque().likeness() != null) {
                figure(opaque.opaque().likeness(), parent, opaque.opaque().what());
            }
        }
    }

    private void put(Paragraph paragraph, Tag tag, boolean inBody) {
        paragraphs.put(paragraph, tag);
        if (inBody) body.put(paragraph, true);
    }

    private void paragraph(Paragraph paragraph, Tag parent, OpenList open, boolean inBody) {
        int outline = cascade.outlineLevel(paragraph);
        String label = labels.label(paragraph);
        Tag home = parent;
        if (outline > 0 && !paragraph.plainText().isBlank()) {
            open.lists.clear();
            // Levels are told without holes (ISO 14289-1, 7.4.2).
            level = Math.min(Math.min(outline, 6), level + 1);
            put(paragraph, new Tag("H" + level, parent), inBody);
        } else if (label != null && !label.isBlank()) {
            home = item(paragraph, parent, open, inBody);
        } else {
            open.lists.clear();
            put(paragraph, new Tag("P", parent), inBody);
        }
        for (Inline inline : paragraph.inlines()) beside(inline, home);
    }

    /** What hangs on a paragraph but does not stand in its lines. */
    private void beside(Inline inline, Tag home) {
        if (inline instanceof Inline.Note note) {
            Tag tag = new Tag("Note", home);
            tag.id = "note" + ++notes;
            blocks(note.blocks(), tag, false);
        } else if (inline instanceof Inline.Floating floating && floating.content() instanceof Picture picture) {
            figure(picture, home, picture.description());
        } else if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) {
            blocks(box.blocks(), new Tag("Div", home), false);
        } else if (inline instanceof Inline.OpaqueInline opaque && opaque.opaque().likeness() != null) {
            figure(opaque.opaque().likeness(), home, opaque.opaque().what());
        }
    }

    private Tag item(Paragraph paragraph, Tag parent, OpenList open, boolean inBody) {
        ParagraphProperty.ListReference reference = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
        if (!reference.list().equals(open.id) && reference.level() == 0) open.lists.clear();
        open.id = reference.list();
        while (open.lists.size() > reference.level() + 1) open.lists.remove(open.lists.size() - 1);
        while (open.bodies.size() > open.lists.size()) open.bodies.remove(open.bodies.size() - 1);
        while (open.lists.size() <= reference.level()) {
            int depth = open.lists.size();
            Tag within = depth == 0 ? parent : open.bodies.size() >= depth ? open.bodies.get(depth - 1) : open.lists.get(depth - 1);
            if (depth > 0 && within == open.lists.get(depth - 1)) {
                // A level left out: an item of its own holds the deeper list.
                Tag carrier = new Tag("LBody", new Tag("LI", within));
                open.bodies.add(carrier);
                within = carrier;
            }
            Tag list = new Tag("L", within);
            list.attributes = numbering(cascade.numbering().level(new ParagraphProperty.ListReference(reference.list(), depth)));
            open.lists.add(list);
        }
        Tag item = new Tag("LI", open.lists.get(reference.level()));
        itemLabels.put(paragraph, new Tag("Lbl", item));
        Tag text = new Tag("LBody", item);
        while (open.bodies.size() > reference.level()) open.bodies.remove(open.bodies.size() - 1);
        open.bodies.add(text);
        put(paragraph, text, inBody);
        return text;
    }

    /** How a list is labelled (14.8.5.5). */
    private static COSDictionary numbering(Numbering.Level level) {
        NumberFormat format = level == null ? NumberFormat.BULLET : level.format();
        COSDictionary attributes = new COSDictionary();
        attributes.setName(COSName.O, "List");
        attributes.setName(COSName.getPDFName("ListNumbering"), switch (format) {
            case DECIMAL -> "Decimal";
            case LOWER_LETTER -> "LowerAlpha";
            case UPPER_LETTER -> "UpperAlpha";
            case LOWER_ROMAN -> "LowerRoman";
            case UPPER_ROMAN -> "UpperRoman";
            default -> "Disc";
        });
        return attributes;
    }

    private void table(Table table, Tag parent, boolean inBody) {
        Tag whole = new Tag("Table", parent);
        for (Table.Row row : table.rows()) {
            boolean head = row.look().is(TableProperty.HEADER_ROW);
            Tag line = new Tag("TR", whole);
            for (Table.Cell cell : row.cells()) {
                Tag tag = new Tag(head ? "TH" : "TD", line);
                COSDictionary attributes = new COSDictionary();
                attributes.setName(COSName.O, "Table");
                if (head) attributes.setName(COSName.getPDFName("Scope"), "Column");
                if (cell.columnSpan() > 1) attributes.setInt(COSName.getPDFName("ColSpan"), cell.columnSpan());
                if (cell.rowSpan() > 1) attributes.setInt(COSName.getPDFName("RowSpan"), cell.rowSpan());
                if (attributes.size() > 1) tag.attributes = attributes;
                blocks(cell.blocks(), tag, inBody);
            }
        }
    }

    /** The tags of the next page of the file. */
    PageTags nextPage() {
        owners.add(new ArrayList<>());
        return new PageTags(this, owners.size() - 1, owners.get(owners.size() - 1));
    }

    /** Hangs an annotation on an element; gives the key under which it is found again. */
    int annotate(Tag tag, COSDictionary annotation) {
        tag.kids.add(annotation);
        annotated.add(tag);
        return owners.size() + annotated.size() - 1;
    }

    /** Writes the tree into a file whose pages are there (14.7.2 and 14.7.4.4). */
    void write(PDDocument pdf) {
        root.prune();
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
        COSDictionary parents = new COSDictionary();
        parents.setItem(COSName.NUMS, numbers);
        treeRoot.setItem(COSName.PARENT_TREE, parents);
        treeRoot.setInt(COSName.PARENT_TREE_NEXT_KEY, owners.size() + annotated.size());
        catalog.setItem(COSName.STRUCT_TREE_ROOT, treeRoot);
        COSDictionary marked = new COSDictionary();
        marked.setBoolean(COSName.getPDFName("Marked"), true);
        catalog.setItem(COSName.MARK_INFO, marked);
    }

    private COSDictionary element(Tag tag, COSDictionary parent, List<COSDictionary> pages, COSArray names) {
        COSDictionary element = new COSDictionary();
        tag.written = element;
        element.setItem(COSName.TYPE, COSName.STRUCT_ELEM);
        element.setName(COSName.S, tag.role);
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
            else if (kid instanceof Tag.Mark mark) kids.add(mark.page() == page ? COSInteger.get(mark.number()) : reference(mark, pages));
            else kids.add(annotation((COSDictionary) kid));
        }
        if (kids.size() > 0) element.setItem(COSName.K, kids.size() == 1 ? kids.get(0) : kids);
        return element;
    }

    private static COSDictionary reference(Tag.Mark mark, List<COSDictionary> pages) {
        COSDictionary reference = new COSDictionary();
        reference.setItem(COSName.TYPE, COSName.getPDFName("MCR"));
        reference.setItem(COSName.PG, pages.get(mark.page()));
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
