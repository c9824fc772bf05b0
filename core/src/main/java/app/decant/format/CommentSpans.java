package app.decant.format;

import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Look;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Where the comments of a document begin and end while it is written: each has one range, from the first letter that bears it to the last. */
public final class CommentSpans {
    private final Map<Comment, Integer> left;
    private final Set<Comment> open = new HashSet<>();

    public CommentSpans(Document document) { left = Comments.borne(document); }

    /** What begins before an inline of this look. */
    public List<Comment> beginning(Look look) {
        List<Comment> beginning = new ArrayList<>();
        for (Comment comment : Comments.of(look)) if (left.containsKey(comment) && open.add(comment)) beginning.add(comment);
        return beginning;
    }

    /** What ends behind it. To be asked once for each inline. */
    public List<Comment> ending(Look look) {
        List<Comment> ending = new ArrayList<>();
        for (Comment comment : Comments.of(look)) {
            Integer more = left.computeIfPresent(comment, (key, count) -> count - 1);
            if (more == null || more > 0) continue;
            left.remove(comment);
            if (open.remove(comment)) ending.add(comment);
        }
        return ending;
    }
}
