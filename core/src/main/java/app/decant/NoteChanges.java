package app.decant;

import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.page.Line;
import app.decant.page.Note;
import app.decant.page.Page;
import app.decant.page.Rewritten;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;

/** What was remarked, answered, settled and taken out since a PDF came in, as notes on its pages. */
final class NoteChanges {
    private NoteChanges() { }

    /** @param pages as they are shown, asked for where something new has to be found on them */
    static List<Note> between(Document before, Document now, Supplier<List<Page>> pages) {
        if (before == now) return List.of();
        Map<Integer, Comment> were = new HashMap<>();
        for (Comment comment : Comments.borne(before).keySet()) were.put(comment.number(), comment);
        Map<Integer, Comment> gone = new LinkedHashMap<>(were);
        List<Note> notes = new ArrayList<>();
        List<Comment> fresh = new ArrayList<>();
        for (Comment comment : Comments.borne(now).keySet()) {
            Comment was = were.get(comment.number());
            boolean same = was != null && was.remark().equals(comment.remark());
            if (same) gone.remove(comment.number());
            if (same && !was.equals(comment)) notes.add(new Note(comment, was, 0, 0, List.of()));
            if (!same) fresh.add(comment);
        }
        for (Comment comment : gone.values()) notes.add(new Note(null, comment, 0, 0, List.of()));
        if (!fresh.isEmpty()) notes.addAll(found(Set.copyOf(fresh), pages.get()));
        return notes;
    }

    /** Each stands on the page where its words begin. */
    private static List<Note> found(Set<Comment> fresh, List<Page> pages) {
        Map<Comment, Integer> on = new LinkedHashMap<>();
        Map<Comment, List<Rewritten.Area>> areas = new HashMap<>();
        for (Page page : pages) {
            for (Item item : page.items()) {
                Paragraph paragraph = item instanceof Item.LineItem line ? TextPassage.paragraph(line) : null;
                if (paragraph == null) continue;
                int at = 0;
                for (Inline inline : paragraph.inlines()) {
                    int from = at;
                    at += inline.length();
                    Rewritten.Area area = area((Item.LineItem) item, from, at);
                    if (area == null) continue;
                    for (Comment comment : Comments.of(inline.look())) {
                        if (!fresh.contains(comment) || on.computeIfAbsent(comment, key -> page.index()) != page.index()) continue;
                        areas.computeIfAbsent(comment, key -> new ArrayList<>()).add(area);
                    }
                }
            }
        }
        List<Note> notes = new ArrayList<>();
        on.forEach((comment, page) -> {
            Page.Ground ground = pages.get(page).ground();
            notes.add(new Note(comment, null, page, ground == null ? 0 : ground.turn(), areas.get(comment)));
        });
        return notes;
    }

    /** The part of a line between two letters of its paragraph; null where they are on others. */
    private static Rewritten.Area area(Item.LineItem item, int from, int to) {
        Line line = item.line();
        int first = Math.max(from, line.start());
        int last = Math.min(to, line.end());
        if (first >= last) return null;
        double a = item.left() + line.caretX(first);
        double b = item.left() + line.caretX(last);
        return new Rewritten.Area(Math.min(a, b), item.y(), Math.max(a, b), item.y() + line.height());
    }
}
