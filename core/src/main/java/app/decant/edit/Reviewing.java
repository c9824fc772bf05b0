package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Property;
import app.decant.document.Rewriting;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.document.TrackedChanges;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What people changed and remarked, passage by passage: found, accepted or rejected, answered, taken out. */
public final class Reviewing {
    /** No name begins like this: what it stands on is settled within one step. */
    private static final String MEANT = "\u0001";

    private Reviewing() { }

    /** Something that waits to be settled. */
    public sealed interface Passage permits Changed, Remarked {
        /** Where it stands. */
        TextSelection where();

        /** The words it stands on; empty where it is about ends of paragraphs only. */
        String words();
    }

    /** Text, ends of paragraphs or a row that somebody put in or took out. */
    public record Changed(TextSelection where, TrackedChange change, String words) implements Passage { }

    /** A passage with a comment. */
    public record Remarked(TextSelection where, Comment comment, String words) implements Passage { }

    /** All of them, story by story, in the order of the text. */
    public static List<Passage> passages(Document document) {
        List<Passage> all = new ArrayList<>();
        for (Story story : Stories.all(document)) {
            List<Walk.Stop> stops = Walk.of(document, story).stops();
            List<Passage> own = new ArrayList<>(changes(document, story, stops));
            own.addAll(remarks(story, stops, all));
            own.sort((one, other) -> one.where().start().compareTo(other.where().start()));
            all.addAll(own);
        }
        return all;
    }

    /** Those that reach to a caret, or share something with what is picked. */
    public static List<Passage> at(List<Passage> passages, TextSelection picked) {
        return passages.stream().filter(passage -> {
            TextSelection where = passage.where();
            if (!where.story().equals(picked.story())) return false;
            int before = where.start().compareTo(picked.end());
            int behind = picked.start().compareTo(where.end());
            return picked.isEmpty() || where.isEmpty() ? before <= 0 && behind <= 0 : before < 0 && behind < 0;
        }).toList();
    }

    private static List<Changed> changes(Document document, Story story, List<Walk.Stop> stops) {
        List<Changed> changes = new ArrayList<>();
        Map<BlockPath, TrackedChange> rows = rows(document, story);
        Open open = new Open();
        for (int i = 0; i < stops.size(); i++) {
            Walk.Stop stop = stops.get(i);
            TrackedChange row = row(rows, stop.path());
            if (row == null && !says(stop.paragraph(), TextProperty.TRACKED)) {
                open.end(changes);
                continue;
            }
            Place at = new Place(story, stop.path(), 0);
            boolean goesOn = i > 0 && stops.get(i - 1).path().parent().equals(stop.path().parent());
            if (!goesOn && row == null) open.end(changes);
            for (Inline inline : stop.paragraph().inlines()) {
                if (inline.length() == 0) continue;
                TrackedChange change = row != null ? row : inline.look().get(TextProperty.TRACKED);
                open.meet(change, at, changes);
                at = at.at(at.offset() + inline.length());
                if (change != null) open.take(inline instanceof Inline.Text text ? text.text() : String.valueOf(Inline.OBJECT), at);
            }
            TrackedChange end = row != null ? row : stop.paragraph().mark().get(TextProperty.TRACKED);
            boolean last = i + 1 == stops.size() || !stops.get(i + 1).path().parent().equals(stop.path().parent());
            open.meet(last && row == null ? null : end, at, changes);
            if (end != null && row != null) open.take(" ", at);
            else if (end != null && !last) open.take("", new Place(story, stops.get(i + 1).path(), 0));
        }
        open.end(changes);
        return changes;
    }

    private static boolean says(Paragraph paragraph, Property<?> property) {
        for (Inline inline : paragraph.inlines()) if (inline.look().says(property)) return true;
        return paragraph.mark().says(property);
    }

    /** The rows that came or went, by the ways to them. */
    private static Map<BlockPath, TrackedChange> rows(Document document, Story story) {
        Map<BlockPath, TrackedChange> rows = new HashMap<>();
        int roots = story instanceof Story.Body ? document.sections().size() : 1;
        for (int root = 0; root < roots; root++) rows(document.children(story, BlockPath.of(root)), BlockPath.of(root), rows);
        return rows;
    }

    private static void rows(List<? extends Block> blocks, BlockPath container, Map<BlockPath, TrackedChange> rows) {
        for (int b = 0; b < blocks.size(); b++) {
            if (!(blocks.get(b) instanceof Table table)) continue;
            BlockPath path = container.then(b);
            for (int r = 0; r < table.rows().size(); r++) {
                TrackedChange change = table.rows().get(r).look().get(TableProperty.TRACKED);
                if (change != null) rows.put(path.then(r), change);
                List<Table.Cell> cells = table.rows().get(r).cells();
                for (int c = 0; c < cells.size(); c++) rows(cells.get(c).blocks(), path.then(r, c), rows);
            }
        }
    }

    private static TrackedChange row(Map<BlockPath, TrackedChange> rows, BlockPath path) {
        if (rows.isEmpty()) return null;
        for (int size = path.size() - 2; size > 2; size -= 3) if (rows.containsKey(path.head(size))) return rows.get(path.head(size));
        return null;
    }

    /** A passage that goes on as long as the same was done by the same person. */
    private static final class Open {
        private TrackedChange change;
        private Place from;
        private Place to;
        private final StringBuilder words = new StringBuilder();

        void meet(TrackedChange other, Place at, List<Changed> changes) {
            if (change != null && change.equals(other)) return;
            end(changes);
            change = other;
            from = at;
            to = at;
        }

        void take(String more, Place until) {
            words.append(more);
            to = until;
        }

        void end(List<Changed> changes) {
            if (change != null) changes.add(new Changed(new TextSelection(from, to), change, words.toString().strip()));
            change = null;
            words.setLength(0);
        }
    }

    /** @param before passages of other stories; a comment is listed once */
    private static List<Remarked> remarks(Story story, List<Walk.Stop> stops, List<Passage> before) {
        Map<Comment, Remarked> remarks = new LinkedHashMap<>();
        for (Walk.Stop stop : stops) {
            if (!says(stop.paragraph(), TextProperty.COMMENTS)) continue;
            Place at = new Place(story, stop.path(), 0);
            for (Inline inline : stop.paragraph().inlines()) {
                Place next = at.at(at.offset() + inline.length());
                if (inline.length() > 0) bear(remarks, inline.look(), at, next, inline instanceof Inline.Text text ? text.text() : "");
                at = next;
            }
            if (stop.paragraph().length() == 0) bear(remarks, stop.paragraph().mark(), at, at, "");
        }
        for (Passage one : before) if (one instanceof Remarked remarked) remarks.remove(remarked.comment);
        return List.copyOf(remarks.values());
    }

    private static void bear(Map<Comment, Remarked> remarks, Look look, Place from, Place to, String words) {
        for (Comment comment : Comments.of(look)) {
            Remarked so = remarks.get(comment);
            boolean next = so != null && !so.where.end().path().equals(from.path());
            remarks.put(comment, new Remarked(new TextSelection(so == null ? from : so.where.start(), to), comment,
                    so == null ? words : so.words + (next ? " " : "") + words));
        }
    }

    /** All changes within what is picked accepted, or rejected; a caret means the passages it stands in. */
    public static Change settle(Document document, TextSelection picked, boolean accepted) {
        TextSelection range = picked;
        if (picked.isEmpty()) {
            for (Passage passage : at(passages(document), picked)) if (passage instanceof Changed) range = both(range, passage.where());
        }
        Draft draft = new Draft(document, picked);
        if (range.isEmpty()) return draft.done(EditKind.REPLACING, picked);
        int first = range.start().path().step(0);
        for (int root = range.end().path().step(0); root >= first; root--) settle(draft, range, root, accepted);
        return draft.done(EditKind.REPLACING, Selection.near(draft.document(), range.start()));
    }

    private static TextSelection both(TextSelection one, TextSelection other) {
        return new TextSelection(one.start().compareTo(other.start()) < 0 ? one.start() : other.start(),
                one.end().compareTo(other.end()) > 0 ? one.end() : other.end());
    }

    private static void settle(Draft draft, TextSelection range, int root, boolean accepted) {
        BlockPath container = BlockPath.of(root);
        List<? extends Block> all = draft.document().children(range.story(), container);
        int from = range.start().path().step(0) == root ? range.start().path().step(1) : 0;
        int to = range.end().path().step(0) == root ? range.end().path().step(1) + 1 : all.size();
        List<? extends Block> old = all.subList(from, to);
        Map<Paragraph, Paragraph> meant = new IdentityHashMap<>();
        for (Walk.Stop stop : Walk.of(old, container, from).stops()) {
            boolean reached = stop.path().compareTo(range.start().path()) >= 0 && stop.path().compareTo(range.end().path()) <= 0;
            if (reached) meant.put(stop.paragraph(), meant(stop, range));
        }
        List<Block> marked = new Marking(meant).of(old);
        replace(draft, range.story(), container, from, old, TrackedChanges.settled(marked, accepted, Reviewing::isMeant));
    }

    private static boolean isMeant(TrackedChange change) { return change.mark().author().startsWith(MEANT); }

    private static TrackedChange meant(TrackedChange change) {
        TrackedChange.Mark came = change.insertion();
        TrackedChange.Mark went = change.deletion();
        return new TrackedChange(came == null ? null : new TrackedChange.Mark(MEANT + came.author(), came.when()),
                went == null ? null : new TrackedChange.Mark(MEANT + went.author(), went.when()));
    }

    private static Look meant(Look look) {
        TrackedChange change = look.get(TextProperty.TRACKED);
        return change == null ? look : look.with(TextProperty.TRACKED, meant(change));
    }

    /** A paragraph with what is meant of it named. */
    private static Paragraph meant(Walk.Stop stop, TextSelection range) {
        Paragraph paragraph = stop.paragraph();
        int start = stop.path().compareTo(range.start().path());
        int end = stop.path().compareTo(range.end().path());
        int from = start == 0 ? range.start().offset() : 0;
        int to = end == 0 ? range.end().offset() : paragraph.length();
        List<Inline> inlines = new ArrayList<>(paragraph.slice(0, from));
        for (Inline inline : paragraph.slice(from, to)) inlines.add(inline.with(meant(inline.look())));
        inlines.addAll(paragraph.slice(to, paragraph.length()));
        Paragraph made = inlines.equals(paragraph.inlines()) ? paragraph : paragraph.withInlines(inlines);
        Look mark = end < 0 ? meant(made.mark()) : made.mark();
        return mark == made.mark() ? made : made.withMark(mark);
    }

    /** Names what is meant in blocks, rows that are reached included. */
    private static final class Marking extends Rewriting {
        private final Map<Paragraph, Paragraph> meant;

        Marking(Map<Paragraph, Paragraph> meant) { this.meant = meant; }

        List<Block> of(List<? extends Block> blocks) { return blocks(blocks); }

        @Override protected Paragraph paragraph(Paragraph paragraph) { return meant.getOrDefault(paragraph, paragraph); }

        @Override protected Table.Row row(Table.Row row) {
            TrackedChange change = row.look().get(TableProperty.TRACKED);
            boolean reached = change != null && row.cells().stream().flatMap(cell -> Walk.of(cell.blocks(), BlockPath.of(0), 0).stops().stream())
                    .anyMatch(stop -> meant.containsKey(stop.paragraph()));
            Table.Row own = super.row(row);
            return reached ? new Table.Row(own.look().with(TableProperty.TRACKED, meant(change)), own.cells()) : own;
        }
    }

    /** Replaces only what differs, so that pages before and behind are known again. */
    private static void replace(Draft draft, Story story, BlockPath container, int first, List<? extends Block> old, List<Block> now) {
        int head = 0;
        while (head < old.size() && head < now.size() && old.get(head) == now.get(head)) head++;
        int tail = 0;
        while (tail < Math.min(old.size(), now.size()) - head && old.get(old.size() - 1 - tail) == now.get(now.size() - 1 - tail)) tail++;
        if (head == old.size() && head == now.size()) return;
        draft.add(new BlockStep(story, container, first + head, first + old.size() - tail, now.subList(head, now.size() - tail)));
    }

    /** All changes of the document accepted, or rejected. */
    public static Change settleAll(Document document, TextSelection picked, boolean accepted) {
        Document settled = TrackedChanges.settled(document, accepted);
        Draft draft = new Draft(document, picked);
        for (int s = document.sections().size() - 1; s >= 0; s--) {
            Section old = document.sections().get(s);
            Section now = settled.sections().get(s);
            replace(draft, Story.BODY, BlockPath.of(s), 0, old.blocks(), now.blocks());
            for (Section.FramePlace place : old.frames().keySet())
                replace(draft, new Story.Frame(s, place), BlockPath.of(0), 0, old.frames().get(place), now.frames().get(place));
        }
        return draft.done(EditKind.REPLACING, Selection.near(draft.document(), picked.head()));
    }

    /** A remark put on what is picked. */
    public static Change remark(Document document, TextSelection picked, Comment.Remark remark) {
        int number = 1 + Comments.borne(document).keySet().stream().mapToInt(Comment::number).max().orElse(0);
        Comment comment = Comment.of(number, remark);
        return Dressing.looks(document, picked, look -> look.with(TextProperty.COMMENTS, Comment.Thread.and(look.get(TextProperty.COMMENTS), comment)));
    }

    /** Another comment in the place of one: answered, done, or taken out where it is null. */
    public static Change replace(Document document, TextSelection picked, Remarked passage, Comment other) {
        Map<Comment, Comment> others = new HashMap<>();
        others.put(passage.comment, other);
        Change change = Dressing.looks(document, passage.where, look -> Comments.replaced(look, others));
        Draft draft = new Draft(document, picked);
        change.transaction().steps().forEach(draft::add);
        return draft.done(EditKind.LOOK, picked);
    }
}
