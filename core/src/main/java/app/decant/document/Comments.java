package app.decant.document;

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

    private static void count(Map<Comment, Integer> borne, Look look) { for (Comment comment : of(look)) borne.merge(comment, 1, Integer::sum); }

    /** The comments that a look says its letters bear. */
    public static List<Comment> of(Look look) {
        Comment.Thread thread = look.get(TextProperty.COMMENTS);
        return thread == null ? List.of() : thread.comments();
    }
}
