package app.decant.format;

import app.decant.document.Comment;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Which comments reach over what is being read; one without a range of its own hangs on the letter before its mark, or else on the one behind. */
public final class CommentRanges {
    private final Set<Comment> open = new LinkedHashSet<>();
    private final Set<Comment> waiting = new LinkedHashSet<>();
    private final Set<Comment> borne = new HashSet<>();

    public void begin(Comment comment) { if (comment != null) open.add(comment); }

    public void end(Comment comment) { open.remove(comment); }

    /** The look with what is remarked here; whatever waited for a letter has it now. */
    public Look on(Look look) {
        if (open.isEmpty() && waiting.isEmpty()) return look;
        List<Comment> all = new ArrayList<>(open);
        for (Comment comment : waiting) if (!all.contains(comment)) all.add(comment);
        waiting.clear();
        borne.addAll(all);
        return look.with(TextProperty.COMMENTS, new Comment.Thread(all));
    }

    /** Meets the mark of a comment, after what was read so far. */
    public void mark(Comment comment, List<Inline> before) {
        if (comment == null || borne.contains(comment)) return;
        int last = before.size() - 1;
        while (last >= 0 && before.get(last).length() == 0) last--;
        if (last < 0) {
            waiting.add(comment);
            return;
        }
        borne.add(comment);
        Inline inline = before.get(last);
        Look look = inline.look().with(TextProperty.COMMENTS, Comment.Thread.and(inline.look().get(TextProperty.COMMENTS), comment));
        if (!(inline instanceof Inline.Text text) || text.length() == 1) {
            before.set(last, inline.with(look));
            return;
        }
        int cut = text.text().offsetByCodePoints(text.length(), -1);
        before.set(last, new Inline.Text(text.text().substring(0, cut), text.look()));
        before.add(last + 1, new Inline.Text(text.text().substring(cut), look));
    }

    /** A paragraph that has no letters bears what is remarked on it by its mark. */
    public Paragraph ended(Paragraph paragraph) { return paragraph.length() == 0 ? paragraph.withMark(on(paragraph.mark())) : paragraph; }
}
