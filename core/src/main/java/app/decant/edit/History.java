package app.decant.edit;

import app.decant.document.Document;
import java.util.ArrayList;
import java.util.List;

/**
 * Undo without limit. Documents share what they have in common, so a long list of them is small, and what comes back is the very document that was there:
 * what was not touched is known by identity after an undo too.
 */
public final class History {
    private final List<Entry> entries = new ArrayList<>();
    private Document begun;
    private int at;
    private boolean closed;

    /** What was done in one go, or in several that belong together. */
    private record Entry(EditKind kind, Selection before, Selection picked, Document after) { }

    /** A document to go back or on to, and what is picked in it. */
    public record Turn(Document document, Selection picked) { }

    /** Begins with a document of which nothing can be undone. */
    public void begin(Document document) {
        entries.clear();
        begun = document;
        at = 0;
        closed = true;
    }

    /**
     * Adds what was done; what was undone before it can't be redone any more.
     *
     * @param inOneBreath whether it came right after the one before, so that a transaction that joins is one with it
     */
    public void add(Change change, boolean inOneBreath) {
        while (entries.size() > at) entries.remove(entries.size() - 1);
        Transaction done = change.transaction();
        Entry last = at > 0 ? entries.get(at - 1) : null;
        boolean joins = !closed && inOneBreath && done.joins() && last != null && last.kind == done.kind();
        if (joins) {
            entries.set(at - 1, new Entry(last.kind, last.before, done.after(), change.after()));
        } else {
            entries.add(new Entry(done.kind(), done.before(), done.after(), change.after()));
            at++;
        }
        closed = false;
    }

    public boolean canUndo() { return at > 0; }
    public boolean canRedo() { return at < entries.size(); }

    /** What would be undone, or null. */
    public EditKind undoes() { return at > 0 ? entries.get(at - 1).kind : null; }

    /** What would be redone, or null. */
    public EditKind redoes() { return at < entries.size() ? entries.get(at).kind : null; }

    /** Back to before the last transaction, with what was picked when it was made. */
    public Turn undo() {
        closed = true;
        Selection picked = entries.get(--at).before;
        return new Turn(at == 0 ? begun : entries.get(at - 1).after, picked);
    }

    /** On to after the next one, with what was picked then. */
    public Turn redo() {
        closed = true;
        Entry next = entries.get(at++);
        return new Turn(next.after, next.picked);
    }
}
