package app.decant.format.ooxml;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Finding;
import app.decant.document.FormField;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.format.CommentRanges;
import app.decant.format.OfficePackage;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** Reads one story (the body, a header, a note): its blocks one after another. Remembers fields that reach over paragraphs. */
final class StoryReader {
    final DocxReader reader;
    private final String part;
    private final Map<String, OfficePackage.Relation> relations;
    private final Map<String, Image> images;
    final CommentRanges comments = new CommentRanges();
    private final InlineReader inlines;
    private final TableReader tables;
    private List<Paragraph> entries;
    private String contents;

    StoryReader(DocxReader reader, String part) { this(reader, part, reader.container().relations(part), new HashMap<>()); }

    private StoryReader(DocxReader reader, String part, Map<String, OfficePackage.Relation> relations, Map<String, Image> images) {
        this.reader = reader;
        this.part = part;
        this.relations = relations;
        this.images = images;
        this.inlines = new InlineReader(this);
        this.tables = new TableReader(this);
    }

    /** The blocks of a container element whose content is all there is, such as a cell. */
    List<Block> inner(XmlNode container) {
        List<Block> blocks = new ArrayList<>();
        for (XmlNode node : container.children()) block(node, blocks, null);
        endContents(blocks);
        if (blocks.isEmpty() || !(blocks.get(blocks.size() - 1) instanceof Paragraph) && container.is("w:tc")) blocks.add(Paragraph.of(""));
        if (!container.is("w:tc")) endBookmarks(blocks);
        return blocks;
    }

    /** The blocks of a text box, which stands inside a paragraph that is still being read. */
    List<Block> boxed(XmlNode container) { return new StoryReader(reader, part, relations, images).inner(container); }

    /** Reads one block; a section's end is told to {@code sections}. */
    void block(XmlNode node, List<Block> blocks, Consumer<XmlNode> sections) {
        switch (node.name()) {
            case "w:p" -> paragraph(node, blocks, sections);
            case "w:tbl" -> {
                endContents(blocks);
                Table table = tables.table(node);
                if (!table.rows().isEmpty()) blocks.add(table);
            }
            case "w:sdt" -> control(node, blocks, sections);
            case "w:customXml", "w:ins", "w:moveTo", "w:smartTag" -> {
                for (XmlNode child : node.children()) block(child, blocks, sections);
            }
            case "mc:AlternateContent" -> {
                XmlNode choice = node.child("mc:Fallback") != null ? node.child("mc:Fallback") : node.child("mc:Choice");
                if (choice != null) for (XmlNode child : choice.children()) block(child, blocks, sections);
            }
            case "w:commentRangeStart", "w:commentRangeEnd" -> commentRange(node);
            case "w:bookmarkStart", "w:bookmarkEnd" -> inlines.between(node);
            case "w:altChunk" -> reader.find(Finding.lost(Message.of("ooxml.a-document-inserted-as-a-file")));
            case "w:sectPr" -> {
                endContents(blocks);
                if (sections != null) sections.accept(node);
            }
            default -> { }
        }
    }

    /** A content control round paragraphs or tables, each of which is told of it. */
    private void control(XmlNode node, List<Block> blocks, Consumer<XmlNode> sections) {
        XmlNode content = node.child("w:sdtContent");
        if (content == null) return;
        FormField control = FormMarkup.control(reader.nextForm(), node);
        int first = blocks.size();
        int[] begun = {first};
        for (XmlNode child : content.children()) {
            block(child, blocks, sections == null ? null : section -> {
                within(control, blocks, begun[0]);
                sections.accept(section);
                begun[0] = blocks.size();
            });
        }
        within(control, blocks, Math.min(begun[0], blocks.size()));
    }

    private static void within(FormField control, List<Block> blocks, int first) {
        if (control == null) return;
        for (int i = first; i < blocks.size(); i++) {
            if (blocks.get(i) instanceof Paragraph paragraph) blocks.set(i, paragraph.withLook(within(control, paragraph.look())));
            if (blocks.get(i) instanceof Table table) blocks.set(i, new Table(within(control, table.look()), table.columns(), table.rows()));
        }
    }

    private static Look within(FormField control, Look look) {
        return look.with(ParagraphProperty.CONTROL, FormField.Nest.around(control, look.get(ParagraphProperty.CONTROL)));
    }

    private void paragraph(XmlNode node, List<Block> blocks, Consumer<XmlNode> sections) {
        XmlNode properties = node.child("w:pPr");
        String style = properties == null || properties.child("w:pStyle") == null ? null : properties.child("w:pStyle").get("w:val");
        Look look = reader.looks().paragraph(properties);
        Look mark = reader.looks().text(properties == null ? null : properties.child("w:rPr"));
        boolean inContents = inlines.insideContents();
        List<Inline> content = inlines.read(node);
        TrackedChange end = properties == null ? null : TrackedMarkup.within(properties.child("w:rPr"));
        if (end != null) mark = mark.with(TextProperty.TRACKED, end);
        if (properties != null && properties.child("w:pPrChange") != null)
            reader.findOnce(Finding.changed(Message.of("format.changes-of-looks-come-in-accepted")));
        Paragraph paragraph = comments.ended(new Paragraph(style, look, mark, content));
        String begun = inlines.contents();
        if (begun != null && entries == null) {
            entries = new ArrayList<>();
            contents = begun;
        }
        boolean closesOnly = inContents && !inlines.insideContents() && paragraph.length() == 0;
        if (entries != null && (begun != null || inContents) && !closesOnly) {
            entries.add(paragraph);
            if (!inlines.insideContents()) endContents(blocks);
        } else {
            endContents(blocks);
            blocks.add(paragraph);
        }
        XmlNode section = properties == null ? null : properties.child("w:sectPr");
        if (section != null && sections != null) {
            endContents(blocks);
            sections.accept(section);
        }
    }

    /** Where a comment begins or ends to reach over what is read (17.13.4.4, 17.13.4.3). */
    void commentRange(XmlNode node) {
        if (node.is("w:commentRangeStart")) comments.begin(reader.comment(node));
        else comments.end(reader.comment(node));
    }

    void endContents(List<Block> blocks) {
        if (entries == null) return;
        blocks.add(Contents.of(contents, entries));
        entries = null;
        contents = null;
    }

    /** At a story's end: bookmarks that end behind its last block end in it. */
    void endBookmarks(List<Block> blocks) {
        List<Inline> left = inlines.left();
        if (left.isEmpty() || blocks.isEmpty() || !(blocks.get(blocks.size() - 1) instanceof Paragraph last)) return;
        List<Inline> all = new ArrayList<>(last.inlines());
        all.addAll(left);
        blocks.set(blocks.size() - 1, last.withInlines(all));
    }

    void between(XmlNode node) { inlines.between(node); }

    OfficePackage.Relation relation(String id) { return id == null ? null : relations.get(id); }

    /** The picture that a relation leads to, or null; one object for one part. */
    Image image(String id) {
        OfficePackage.Relation relation = relations.get(id);
        if (relation == null || relation.outside()) return null;
        return images.computeIfAbsent(relation.target(), target -> reader.image(target));
    }

    /** A part that this story points at, as markup, or null. */
    XmlNode tree(String id) {
        OfficePackage.Relation relation = relations.get(id);
        byte[] part = relation == null || relation.outside() ? null : reader.container().part(relation.target());
        return part == null ? null : XmlReader.tree(part, relation.target());
    }

    /** A part that opaque markup points at, with whatever that part itself points at kept too; null for what is not there. */
    Opaque.Part keptPart(String id) {
        OfficePackage.Relation relation = relations.get(id);
        if (relation == null) return null;
        if (relation.outside()) return new Opaque.Part(relation.target(), "", relation.role(), null);
        byte[] bytes = reader.container().part(relation.target());
        if (bytes == null) return null;
        reader.keepWhatItPointsAt(relation.target());
        return new Opaque.Part(relation.target(), reader.container().type(relation.target()), relation.role(), bytes);
    }

    /** Section properties (17.6) without its blocks. */
    Section section(XmlNode node) { return SectionReader.section(node, this); }
}
