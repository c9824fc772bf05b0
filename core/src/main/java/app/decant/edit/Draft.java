package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Place;
import java.util.ArrayList;
import java.util.List;

/** A transaction while it is made up: steps go in one after another, each on the document the ones before it left. */
public final class Draft {
    private final Document before;
    private final Selection picked;
    private final List<Step> steps = new ArrayList<>();
    private Document document;

    /** @param picked before the transaction */
    public Draft(Document document, Selection picked) {
        this.before = document;
        this.picked = picked;
        this.document = document;
    }

    /** The document as the steps so far leave it. */
    public Document document() { return document; }

    /**
     * Adds a step.
     *
     * @throws IllegalArgumentException where it does not fit
     */
    public Draft add(Step step) {
        document = step.apply(document).orThrow();
        steps.add(step);
        return this;
    }

    /** Where places of the document before are now. */
    public PositionMap map() { return PositionMap.of(steps.stream().map(Step::map).toList()); }

    /** The transaction, with a caret at a place after it. */
    public Change done(EditKind kind, Place after) { return done(kind, TextSelection.caret(after)); }

    public Change done(EditKind kind, Selection after) {
        return new Change(new Transaction(kind, steps, picked, after, kind == EditKind.TYPING), before, document);
    }

    /** The transaction, what was picked picked on. */
    public Change done(EditKind kind) { return done(kind, picked.map(map(), document)); }
}
