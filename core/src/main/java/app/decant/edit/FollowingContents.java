package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.ContentsList;
import app.decant.document.Document;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/** Contents lists follow the headings in the very transaction that changes these. */
public final class FollowingContents {
    private FollowingContents() { }

    /** A change with the entries of contents lists changed along where headings were touched; the same where none were. */
    public static Change of(Change change) { return of(change, null); }

    /** The same. @param came the headings before the change, where they are known; else null */
    public static Change of(Change change, Outline came) {
        if (!touchesHeadings(change)) return change;
        Document before = change.after();
        Document after = ContentsList.following(change.before(), came, before);
        if (after == before) return change;
        Transaction done = change.transaction();
        Change more = between(before, after, change.picked(), done.kind());
        List<Step> steps = new ArrayList<>(done.steps());
        steps.addAll(more.transaction().steps());
        return new Change(new Transaction(done.kind(), steps, done.before(), picked(change.picked(), more), done.joins()), change.before(), more.after());
    }

    /** Contents lists brought up to date, and headings given what these lead to, as a change of its own. */
    static Change between(Document before, Document after, Selection picked, EditKind kind) {
        Draft draft = new Draft(before, picked);
        SortedMap<BlockPath, Paragraph> marked = new TreeMap<>();
        for (int s = 0; s < before.sections().size(); s++) {
            List<Block> blocks = before.sections().get(s).blocks();
            List<Block> others = after.sections().get(s).blocks();
            for (int b = 0; b < blocks.size(); b++) {
                if (blocks.get(b) == others.get(b)) continue;
                BlockPath container = BlockPath.of(s);
                if (others.get(b) instanceof Contents) draft.add(new BlockStep(Story.BODY, container, b, b + 1, List.of(others.get(b))));
                else if (others.get(b) instanceof Paragraph heading) marked.put(container.then(b), heading);
                else if (others.get(b) instanceof Table)
                    for (Walk.Stop stop : Walk.of(others.subList(b, b + 1), container, b).stops())
                        if (stop.paragraph() != before.find(Story.BODY, stop.path())) marked.put(stop.path(), stop.paragraph());
            }
        }
        if (!marked.isEmpty()) draft.add(new DressStep(Story.BODY, marked));
        return draft.done(kind);
    }

    /** Who is in a list stays at its entry: nothing that is typed then lands in what stands behind the list. */
    static Selection picked(Selection before, Change made) {
        BlockPath path = before.head().path();
        boolean within = before.head().story() instanceof Story.Body && path.size() > 2;
        if (!within || !(made.after().find(Story.BODY, path.parent()) instanceof Contents list) || list.entries().isEmpty()) return made.picked();
        int entry = Math.min(path.last(), list.entries().size() - 1);
        return TextSelection.caret(new Place(path.sibling(entry), Math.min(before.head().offset(), list.entries().get(entry).length())));
    }

    /** Text alone concerns contents only where it is that of a heading. */
    private static boolean touchesHeadings(Change change) {
        Cascade cascade = Cascade.of(change.after());
        for (Step step : change.transaction().steps()) {
            if (!(step instanceof TextStep text)) return true;
            if (!(text.story() instanceof Story.Body)) continue;
            for (TextStep.Part part : text.parts())
                if (change.after().find(text.story(), part.path()) instanceof Paragraph one && cascade.outlineLevel(one) > 0) return true;
        }
        return false;
    }
}
