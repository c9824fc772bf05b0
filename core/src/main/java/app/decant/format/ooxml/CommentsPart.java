package app.decant.format.ooxml;

import app.decant.document.Comment;
import app.decant.document.Finding;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** The part of comments (ISO/IEC 29500-1, 17.13.4), and the one beside it that tells which answer which and what is done ([MS-DOCX], 2.5.4). */
final class CommentsPart {
    static final String EXTENDED_ROLE = "http://schemas.microsoft.com/office/2011/relationships/commentsExtended";
    static final String EXTENDED_TYPE = "application/vnd.openxmlformats-officedocument.wordprocessingml.commentsExtended+xml";
    private static final Object[] NAMESPACES = {"xmlns:w", "http://schemas.openxmlformats.org/wordprocessingml/2006/main", "xmlns:w14",
            "http://schemas.microsoft.com/office/word/2010/wordml", "xmlns:w15", "http://schemas.microsoft.com/office/word/2012/wordml", "xmlns:mc",
            "http://schemas.openxmlformats.org/markup-compatibility/2006", "mc:Ignorable", "w14 w15"};

    private CommentsPart() { }

    /** One comment while it is not known yet what it answers. */
    private record Raw(String id, String paragraph, Comment.Remark remark) { }

    /**
     * The comments by their ids; an answer leads to the comment that it answers.
     *
     * @param extended the part beside it, or null
     */
    static Map<String, Comment> read(XmlNode comments, XmlNode extended, Consumer<Finding> findings) {
        Map<String, Raw> byParagraph = new LinkedHashMap<>();
        List<Raw> all = new ArrayList<>();
        for (XmlNode node : comments.children("w:comment")) {
            StringBuilder text = new StringBuilder();
            String last = "";
            for (XmlNode paragraph : node.children("w:p")) {
                if (paragraph.find("w:drawing") != null) findings.accept(Finding.lost(Message.of("format.pictures-in-comments-are-left-out")));
                text.append(text(paragraph)).append('\n');
                last = paragraph.get("w14:paraId", last);
            }
            Comment.Remark remark = new Comment.Remark(node.get("w:author", ""), TrackedMarkup.time(node.get("w:date")), text.toString());
            Raw raw = new Raw(node.get("w:id", ""), last, remark);
            all.add(raw);
            if (!last.isEmpty()) byParagraph.put(last, raw);
        }
        Map<String, String> parents = new HashMap<>();
        Map<String, Boolean> done = new HashMap<>();
        if (extended != null) {
            for (XmlNode node : extended.children()) {
                String own = node.get("w15:paraId", "");
                if (node.get("w15:paraIdParent") != null) parents.put(own, node.get("w15:paraIdParent"));
                done.put(own, "1".equals(node.get("w15:done")) || "true".equals(node.get("w15:done")));
            }
        }
        Map<String, Comment> made = new HashMap<>();
        Map<String, List<Raw>> answers = new HashMap<>();
        for (Raw raw : all) {
            Raw parent = byParagraph.get(root(parents, raw.paragraph));
            if (parent != null && parent != raw) answers.computeIfAbsent(parent.id, id -> new ArrayList<>()).add(raw);
        }
        int number = 0;
        for (Raw raw : all) {
            Raw parent = byParagraph.get(root(parents, raw.paragraph));
            if (parent != null && parent != raw) continue;
            List<Comment.Remark> own = answers.getOrDefault(raw.id, List.of()).stream().map(Raw::remark).toList();
            Comment comment = new Comment(++number, raw.remark, own, done.getOrDefault(raw.paragraph, false));
            made.put(raw.id, comment);
            for (Raw answer : answers.getOrDefault(raw.id, List.of())) made.put(answer.id, comment);
        }
        return made;
    }

    /** The paragraph at the head of a row of answers; rows that run in a circle end somewhere. */
    private static String root(Map<String, String> parents, String paragraph) {
        String root = paragraph;
        for (int i = 0; i < parents.size() && parents.containsKey(root); i++) root = parents.get(root);
        return root;
    }

    private static String text(XmlNode paragraph) {
        StringBuilder text = new StringBuilder();
        for (XmlNode node : paragraph.children()) {
            switch (node.name()) {
                case "w:t" -> text.append(node.text());
                case "w:tab" -> text.append('\t');
                case "w:br", "w:cr" -> text.append(' ');
                case "w:pPr", "w:rPr", "w:del", "w:instrText" -> { }
                default -> text.append(text(node));
            }
        }
        return text.toString();
    }

    /** Comments as they are written, each answer behind what it answers; their places in the list are their ids. */
    static final class Writing {
        private final Map<Comment, Integer> ids = new HashMap<>();
        private final List<Comment> comments = new ArrayList<>();
        private int next;

        /** The id of a comment; those of its answers follow. */
        int id(Comment comment) {
            Integer known = ids.get(comment);
            if (known != null) return known;
            int id = next;
            ids.put(comment, id);
            comments.add(comment);
            next += 1 + comment.answers().size();
            return id;
        }

        boolean isEmpty() { return comments.isEmpty(); }

        byte[] comments() {
            XmlWriter xml = new XmlWriter();
            xml.open("w:comments", NAMESPACES);
            for (Comment comment : comments) {
                int id = id(comment);
                comment(xml, id, comment.remark());
                for (int i = 0; i < comment.answers().size(); i++) comment(xml, id + 1 + i, comment.answers().get(i));
            }
            xml.close();
            return xml.bytes();
        }

        private static void comment(XmlWriter xml, int id, Comment.Remark remark) {
            xml.open("w:comment", "w:id", id, "w:author", remark.author(), "w:date", TrackedMarkup.time(remark.when()), "w:initials",
                    remark.initials().isEmpty() ? null : remark.initials());
            String[] lines = remark.text().split("\n", -1);
            for (int i = 0; i < lines.length; i++) {
                xml.open("w:p", "w14:paraId", i == lines.length - 1 ? paragraph(id) : null);
                xml.open("w:r");
                xml.open("w:t", "xml:space", "preserve").text(lines[i]).close().close().close();
            }
            xml.close();
        }

        byte[] extended() {
            XmlWriter xml = new XmlWriter();
            xml.open("w15:commentsEx", NAMESPACES);
            for (Comment comment : comments) {
                int id = id(comment);
                String done = comment.done() ? "1" : "0";
                xml.leaf("w15:commentEx", "w15:paraId", paragraph(id), "w15:done", done);
                for (int i = 0; i < comment.answers().size(); i++)
                    xml.leaf("w15:commentEx", "w15:paraId", paragraph(id + 1 + i), "w15:paraIdParent", paragraph(id), "w15:done", done);
            }
            xml.close();
            return xml.bytes();
        }

        /** A number that no two comments share, below 0x80000000 as asked. */
        private static String paragraph(int id) { return String.format("%08X", 0x10000000 + id); }
    }
}
