package app.decant.format.ooxml;

import app.decant.document.Comment;
import app.decant.document.Look;
import app.decant.xml.XmlWriter;

/** Writes where comments begin and end (17.13.4), answers with the same ends as what they answer. */
final class CommentMarks {
    private final XmlWriter xml;
    private final DocxWriter writer;

    CommentMarks(XmlWriter xml, DocxWriter writer) {
        this.xml = xml;
        this.writer = writer;
    }

    void before(Look look) {
        for (Comment comment : writer.spans().beginning(look)) {
            int id = writer.comments().id(comment);
            for (int i = 0; i <= comment.answers().size(); i++) xml.leaf("w:commentRangeStart", "w:id", id + i);
        }
    }

    void after(Look look) {
        for (Comment comment : writer.spans().ending(look)) {
            int id = writer.comments().id(comment);
            for (int i = 0; i <= comment.answers().size(); i++) {
                xml.leaf("w:commentRangeEnd", "w:id", id + i);
                xml.open("w:r");
                if (writer.commentStyle() != null) xml.open("w:rPr").leaf("w:rStyle", "w:val", writer.commentStyle()).close();
                xml.leaf("w:commentReference", "w:id", id + i).close();
            }
        }
    }

    /** A comment on a paragraph without letters. */
    void at(Look mark) {
        before(mark);
        after(mark);
    }
}
