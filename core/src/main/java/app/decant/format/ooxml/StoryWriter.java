package app.decant.format.ooxml;

import app.decant.document.AlignedTab;
import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.FormField;
import app.decant.document.Forms;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Opaque;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.format.formula.FormulaPictures;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** Writes one story: the body, a header, a note. Its relations go to the part it is written into. */
final class StoryWriter {
    final XmlWriter xml;
    final PartRelations relations;
    final DocxWriter writer;
    private final DrawingWriter drawings;
    private final Map<String, Integer> bookmarks = new HashMap<>();
    private final CommentMarks comments;
    private boolean deleting;
    private List<FormField> controls = new ArrayList<>();

    StoryWriter(DocxWriter writer, XmlWriter xml, PartRelations relations) {
        this.writer = writer;
        this.xml = xml;
        this.relations = relations;
        this.drawings = new DrawingWriter(this, writer);
        this.comments = new CommentMarks(xml, writer);
    }

    void blocks(List<? extends Block> blocks) {
        List<FormField> around = controls;
        controls = new ArrayList<>();
        boolean endsInParagraph = false;
        for (Block block : blocks) {
            block(block, null);
            endsInParagraph = block instanceof Paragraph;
        }
        endControls(0);
        controls = around;
        if (!endsInParagraph) xml.leaf("w:p");
    }

    /** One block; {@code section} is written into it where it is the section's last paragraph. */
    void block(Block block, Runnable section) {
        Look look = block instanceof Paragraph paragraph ? paragraph.look() : block instanceof Table table ? table.look() : Look.PLAIN;
        FormField.Nest nest = look.get(ParagraphProperty.CONTROL);
        List<FormField> own = nest == null ? List.of() : nest.fields();
        int same = 0;
        while (same < own.size() && same < controls.size() && own.get(same).equals(controls.get(same))) same++;
        endControls(same);
        for (FormField control : own.subList(same, own.size())) {
            xml.open("w:sdt").raw(FormMarkup.filled(control, "")).open("w:sdtContent");
            controls.add(control);
        }
        if (block instanceof Paragraph paragraph) paragraph(paragraph, section, null, false);
        else if (block instanceof Table table) TableWriter.table(xml, table, this);
        else if (block instanceof Contents contents) contents(contents);
        else if (block instanceof OpaqueBlock opaque) xml.raw(drawings.remapped(opaque.opaque()));
    }

    /** Ends the content controls that blocks stand in, but for some of the outermost. */
    void endControls(int left) {
        while (controls.size() > left) {
            xml.close().close();
            controls.remove(controls.size() - 1);
        }
    }

    private void contents(Contents contents) {
        List<Paragraph> entries = contents.entries().isEmpty() ? List.of(Paragraph.of("")) : contents.entries();
        int last = entries.size() - 1;
        for (int i = 0; i <= last; i++) paragraph(entries.get(i), null, i == 0 ? contents.field() : null, i == last);
    }

    private void begin(String instruction) {
        fieldMark("begin", Look.PLAIN);
        xml.open("w:r").open("w:instrText", "xml:space", "preserve").text(" " + instruction + " ").close().close();
        fieldMark("separate", Look.PLAIN);
    }

    /** A paragraph; {@code opens} begins a contents field in it, {@code closes} ends one. */
    private void paragraph(Paragraph told, Runnable section, String opens, boolean closes) {
        Paragraph paragraph = Forms.sound(told);
        xml.open("w:p");
        Runnable mark = paragraph.mark().isPlain() ? null : () -> LookWriter.mark(xml, paragraph.mark(), writer);
        LookWriter.paragraph(xml, writer.lists(), paragraph.style(), paragraph.look(), mark, section);
        if (opens != null) begin(opens);
        Link open = null;
        FormField form = null;
        List<String> groups = DrawingGroup.unchanged(paragraph);
        for (int i = 0; i < paragraph.inlines().size(); i++) {
            Inline inline = paragraph.inlines().get(i);
            Link link = inline.look().get(TextProperty.LINK);
            FormField own = inline.look().get(TextProperty.FORM);
            boolean otherForm = inline.length() > 0 && !Objects.equals(own, form);
            boolean otherLink = inline.length() > 0 && !Objects.equals(link, open);
            if (otherForm || otherLink && form != null) {
                if (form != null) endForm(form);
                form = null;
            }
            if (otherLink) {
                if (open != null) xml.close();
                if (link != null) openLink(link);
                open = link;
            }
            if (own != null && form == null && inline.length() > 0) {
                form = own;
                beginForm(own, shown(paragraph, i, own));
            }
            if (inline.length() > 0) comments.before(inline.look());
            inline(inline, groups);
            if (inline.length() > 0) comments.after(inline.look());
        }
        if (paragraph.length() == 0) comments.at(paragraph.mark());
        if (form != null) endForm(form);
        if (open != null) xml.close();
        if (closes) fieldMark("end", Look.PLAIN);
        xml.close();
    }

    /** The letters from an inline on that fill in a field. */
    private static String shown(Paragraph paragraph, int first, FormField field) {
        StringBuilder shown = new StringBuilder();
        for (Inline inline : paragraph.inlines().subList(first, paragraph.inlines().size())) {
            if (inline.length() > 0 && !field.equals(inline.look().get(TextProperty.FORM))) break;
            if (inline instanceof Inline.Text text) shown.append(text.text());
        }
        return shown.toString();
    }

    private void beginForm(FormField field, String shown) {
        if (field.control()) {
            xml.open("w:sdt").raw(FormMarkup.filled(field, shown)).open("w:sdtContent");
            return;
        }
        run(Look.PLAIN, () -> xml.open("w:fldChar", "w:fldCharType", "begin").raw(FormMarkup.filled(field, shown)).close());
        run(Look.PLAIN, () -> xml.open("w:instrText", "xml:space", "preserve").text(" " + FormMarkup.instruction(field) + " ").close());
        fieldMark("separate", Look.PLAIN);
    }

    private void endForm(FormField field) {
        if (field.control()) xml.close().close();
        else fieldMark("end", Look.PLAIN);
    }

    /** Boxes and choices are told by their data: they have no result. */
    private static boolean isShownByData(Inline inline) {
        FormField field = inline.look().get(TextProperty.FORM);
        return field != null && !field.control() && (field.kind() == FormField.Kind.TICK || field.kind() == FormField.Kind.CHOICE);
    }

    private void openLink(Link link) {
        if (link instanceof Link.Inside inside) xml.open("w:hyperlink", "w:anchor", inside.bookmark(), "w:history", "1");
        else if (link instanceof Link.Address address) xml.open("w:hyperlink", "r:id", relations.outside("hyperlink", address.uri()), "w:history", "1");
    }

    /** @param groups that are as they were read: their boxes are in their own markup */
    private void inline(Inline inline, List<String> groups) {
        boolean grouped = inline instanceof Inline.Floating && DrawingGroup.name(inline) != null;
        boolean still = grouped && groups.contains(DrawingGroup.name(inline));
        if (isShownByData(inline) || still && DrawingGroup.isBox(inline)) return;
        if (inline instanceof Inline.Text run) text(run);
        else if (inline instanceof Inline.Field field) field(field);
        else if (inline instanceof Inline.BookmarkPoint point) bookmark(point);
        else if (inline instanceof Inline.Note note) note(note);
        else if (inline instanceof Inline.InlinePicture picture) run(picture.look(), () -> drawings.inline(picture.picture(), picture.look()));
        else if (inline instanceof Inline.Floating floating)
            run(floating.look(), () -> drawings.floating(grouped && !still ? floating.with(floating.look().without(Markup.TEXT)) : floating));
        else if (inline instanceof Inline.OpaqueInline opaque) opaque(opaque, groups);
    }

    private void run(Look look, Runnable content) {
        TrackedChange change = look.get(TextProperty.TRACKED);
        int around = TrackedMarkup.open(xml, change, writer);
        deleting = change != null && change.isDeletion();
        xml.open("w:r");
        LookWriter.text(xml, "w:rPr", look);
        content.run();
        xml.close();
        deleting = false;
        for (int i = 0; i < around; i++) xml.close();
    }

    private void text(Inline.Text run) {
        run(run.look(), () -> {
            StringBuilder plain = new StringBuilder();
            for (char c : run.text().toCharArray()) {
                String element = switch (c) {
                    case Inline.TAB -> "w:tab";
                    case Inline.LINE_BREAK, Inline.PAGE_BREAK, Inline.COLUMN_BREAK -> "w:br";
                    case '\u2011' -> "w:noBreakHyphen";
                    case '\u00AD' -> "w:softHyphen";
                    default -> null;
                };
                if (element == null) {
                    plain.append(c);
                    continue;
                }
                flush(plain);
                AlignedTab aligned = c == Inline.TAB ? run.look().get(TextProperty.ALIGNED_TAB) : null;
                if (aligned != null) LookWriter.alignedTab(xml, aligned);
                else xml.leaf(element, "w:type", c == Inline.PAGE_BREAK ? "page" : c == Inline.COLUMN_BREAK ? "column" : null);
            }
            flush(plain);
        });
    }

    private void flush(StringBuilder plain) {
        if (plain.isEmpty()) return;
        xml.open(deleting ? "w:delText" : "w:t", "xml:space", "preserve").text(plain.toString()).close();
        plain.setLength(0);
    }

    private void field(Inline.Field field) {
        if (field.kind() == Inline.Field.Kind.NOTE_MARK) {
            run(field.look(), () -> xml.leaf(writer.insideEndnotes() ? "w:endnoteRef" : "w:footnoteRef"));
            return;
        }
        fieldMark("begin", field.look());
        run(field.look(), () -> xml.open(deleting ? "w:delInstrText" : "w:instrText", "xml:space", "preserve").text(" " + field.asked() + " ").close());
        fieldMark("separate", field.look());
        if (!field.result().isEmpty()) text(new Inline.Text(field.result(), field.look()));
        fieldMark("end", field.look());
    }

    private void fieldMark(String type, Look look) { run(look.without(TextProperty.LINK), () -> xml.leaf("w:fldChar", "w:fldCharType", type)); }

    private void bookmark(Inline.BookmarkPoint point) {
        if (point.start()) {
            int id = writer.nextId();
            bookmarks.put(point.name(), id);
            xml.leaf("w:bookmarkStart", "w:id", id, "w:name", point.name());
        } else if (bookmarks.containsKey(point.name())) {
            xml.leaf("w:bookmarkEnd", "w:id", bookmarks.remove(point.name()));
        }
    }

    private void note(Inline.Note note) {
        boolean foot = note.kind() == Inline.Note.Kind.FOOTNOTE;
        int id = writer.addNote(note);
        run(note.look(), () -> xml.leaf(foot ? "w:footnoteReference" : "w:endnoteReference", "w:customMarkFollows", note.mark() != null ? "1" : null, "w:id",
                id));
    }

    private void opaque(Inline.OpaqueInline inline, List<String> groups) {
        Opaque opaque = inline.opaque();
        boolean still = DrawingGroup.name(inline) == null || groups.contains(DrawingGroup.name(inline));
        if (opaque.family().equals("ooxml") && still) {
            String markup = drawings.remapped(opaque);
            if (markup.startsWith("<m:")) xml.raw(markup);
            else run(inline.look(), () -> xml.raw(markup));
        } else if (FormulaPictures.isFormula(opaque)) {
            xml.raw(FormulaPictures.officeMarkup(opaque));
        } else if (opaque.likeness() != null) {
            Picture likeness = opaque.likeness();
            run(inline.look(), () -> drawings.inline(likeness, Look.PLAIN));
        }
    }
}
