package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Opaque;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.page.Element.Role;
import app.decant.page.Element;
import app.decant.page.Passage;
import java.util.ArrayList;
import java.util.List;

/** A document as elements: headings, paragraphs, lists, tables, contents, notes, figures. */
final class StructureTree {
    private final Cascade cascade;
    private final ListLabels labels;

    /** An element while it grows. */
    private static final class Growing {
        final Element made;
        final List<Growing> children = new ArrayList<>();

        Growing(Element made) { this.made = made; }

        Growing add(Element child) {
            Growing growing = new Growing(child);
            children.add(growing);
            return growing;
        }

        Growing add(Role role) { return add(Element.of(role, List.of())); }

        Element grown() {
            return new Element(made.role(), made.level(), made.text(), made.inBody(), made.picture(), made.description(), made.numbering(), made.columnSpan(),
                    made.rowSpan(), children.stream().map(Growing::grown).toList());
        }
    }

    /** A list while its items are met. */
    private static final class OpenList {
        final List<Growing> lists = new ArrayList<>();
        final List<Growing> bodies = new ArrayList<>();
        String id;
    }

    private StructureTree(Document document) {
        cascade = Cascade.of(document);
        labels = ListLabels.of(document, cascade);
    }

    static Element of(Document document) {
        StructureTree tree = new StructureTree(document);
        Growing root = new Growing(Element.of(Role.DOCUMENT, List.of()));
        for (Section section : document.sections()) tree.blocks(section.blocks(), root, true);
        return root.grown();
    }

    private void blocks(List<? extends Block> blocks, Growing parent, boolean inBody) {
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
                Growing list = parent.add(Role.CONTENTS);
                for (Paragraph entry : contents.entries()) list.add(text(Role.CONTENTS_ENTRY, 0, entry, inBody));
            } else if (block instanceof OpaqueBlock opaque && opaque.opaque().likeness() != null) {
                parent.add(likeness(opaque.opaque()));
            }
        }
    }

    private static Element text(Role role, int level, Paragraph paragraph, boolean inBody) {
        Passage passage = new TextPassage(paragraph);
        return new Element(role, level, passage, inBody, null, null, null, 1, 1, List.of());
    }

    /** Read as its likeness is, such as a formula in words; by what it is where that says nothing. */
    private static Element likeness(Opaque opaque) {
        Picture likeness = opaque.likeness();
        return figure(likeness, likeness.description() == null || likeness.description().isBlank() ? opaque.what() : likeness.description());
    }

    private static Element figure(Picture picture, String description) {
        return new Element(Role.FIGURE, 0, null, false, picture, description, null, 1, 1, List.of());
    }

    private void paragraph(Paragraph paragraph, Growing parent, OpenList open, boolean inBody) {
        int outline = cascade.outlineLevel(paragraph);
        String label = labels.label(paragraph);
        Growing home = parent;
        if (outline > 0 && !paragraph.plainText().isBlank()) {
            open.lists.clear();
            parent.add(text(Role.HEADING, outline, paragraph, inBody));
        } else if (label != null && !label.isBlank()) {
            home = item(paragraph, parent, open, inBody);
        } else {
            open.lists.clear();
            parent.add(text(Role.PARAGRAPH, 0, paragraph, inBody));
        }
        for (Inline inline : paragraph.inlines()) beside(inline, home);
    }

    /** What hangs on a paragraph but does not stand in its lines. */
    private void beside(Inline inline, Growing home) {
        if (inline instanceof Inline.Note note) {
            blocks(note.blocks(), home.add(Role.NOTE), false);
        } else if (inline instanceof Inline.Floating floating && floating.content() instanceof Picture picture) {
            home.add(figure(picture, picture.description()));
        } else if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) {
            blocks(box.blocks(), home.add(Role.DIVISION), false);
        } else if (inline instanceof Inline.OpaqueInline opaque && opaque.opaque().likeness() != null) {
            home.add(likeness(opaque.opaque()));
        }
    }

    private Growing item(Paragraph paragraph, Growing parent, OpenList open, boolean inBody) {
        ListReference reference = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
        if (!reference.list().equals(open.id) && reference.level() == 0) open.lists.clear();
        open.id = reference.list();
        while (open.lists.size() > reference.level() + 1) open.lists.remove(open.lists.size() - 1);
        while (open.bodies.size() > open.lists.size()) open.bodies.remove(open.bodies.size() - 1);
        while (open.lists.size() <= reference.level()) {
            int depth = open.lists.size();
            Growing within = depth == 0 ? parent : open.bodies.size() >= depth ? open.bodies.get(depth - 1) : null;
            if (within == null) {
                // A level left out: an item of its own holds the deeper list.
                within = open.lists.get(depth - 1).add(Role.ITEM).add(Role.ITEM_BODY);
                open.bodies.add(within);
            }
            open.lists.add(within.add(list(cascade.numbering().level(new ListReference(reference.list(), depth)))));
        }
        Growing item = open.lists.get(reference.level()).add(Role.ITEM);
        item.add(text(Role.LABEL, 0, paragraph, inBody));
        Growing body = item.add(text(Role.ITEM_BODY, 0, paragraph, inBody));
        while (open.bodies.size() > reference.level()) open.bodies.remove(open.bodies.size() - 1);
        open.bodies.add(body);
        return body;
    }

    private static Element list(Numbering.Level level) {
        return new Element(Role.LIST, 0, null, false, null, null, level == null ? NumberFormat.BULLET : level.format(), 1, 1, List.of());
    }

    private void table(Table table, Growing parent, boolean inBody) {
        Growing whole = parent.add(Role.TABLE);
        for (Table.Row row : table.rows()) {
            Role role = row.look().is(TableProperty.HEADER_ROW) ? Role.HEAD_CELL : Role.CELL;
            Growing line = whole.add(Role.ROW);
            for (Table.Cell cell : row.cells())
                blocks(cell.blocks(), line.add(new Element(role, 0, null, false, null, null, null, cell.columnSpan(), cell.rowSpan(), List.of())), inBody);
        }
    }
}
