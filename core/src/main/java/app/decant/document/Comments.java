package app.decant.document;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The comments of a document. */
public final class Comments {
    private Comments() { }

    /** How many inlines, and marks of empty paragraphs, bear each comment; in the order in which they begin. */
    public static Map<Comment, Integer> borne(Document document) {
        Map<Comment, Integer> borne = new LinkedHashMap<>();
        for (Story story : Stories.all(document)) {
            for (Walk.Stop stop : Walk.of(document, story).stops()) {
                for (Inline inline : stop.paragraph().inlines()) if (inline.length() > 0) count(borne, inline.look());
                if (stop.paragraph().length() == 0) count(borne, stop.paragraph().mark());
            }
        }
        return borne;
    }

    /** The document with other comments in the places of some; null takes one out. What bears none of them stays the same object. */
    public static Document replaced(Document document, Map<Comment, Comment> others) {
        return new Rewriting() {
            @Override protected Paragraph paragraph(Paragraph paragraph) {
                Paragraph own = super.paragraph(paragraph);
                Look mark = replaced(own.mark(), others);
                return mark == own.mark() ? own : own.withMark(mark);
            }

            @Override protected Inline inline(Inline inline) {
                Inline own = super.inline(inline);
                Look look = replaced(own.look(), others);
                return look == own.look() ? own : own.with(look);
            }
        }.document(document);
    }

    /** The document without any. */
    public static Document without(Document document) {
        Map<Comment, Comment> none = new HashMap<>();
        for (Comment comment : borne(document).keySet()) none.put(comment, null);
        return none.isEmpty() ? document : replaced(document, none);
    }

    /** The look of letters that bear other comments in the places of some. */
    public static Look replaced(Look look, Map<Comment, Comment> others) {
        Comment.Thread thread = look.get(TextProperty.COMMENTS);
        if (thread == null) return look;
        for (Comment comment : thread.comments())
            if (others.containsKey(comment)) thread = thread == null ? null : thread.with(comment, others.get(comment));
        return look.with(TextProperty.COMMENTS, thread);
    }

    private static void count(Map<Comment, Integer> borne, Look look) { for (Comment comment : of(look)) borne.merge(comment, 1, Integer::sum); }

    /** The comments that a look says its letters bear. */
    public static List<Comment> of(Look look) {
        Comment.Thread thread = look.get(TextProperty.COMMENTS);
        return thread == null ? List.of() : thread.comments();
    }
}
