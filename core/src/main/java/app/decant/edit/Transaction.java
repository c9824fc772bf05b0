package app.decant.edit;

import app.decant.document.Document;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * What a person did in one go.
 *
 * @param steps  each made for the document that those before it left
 * @param before what was picked
 * @param after  what is picked then
 * @param joins  whether it goes on with what was done before it, so that both are undone in one
 */
public record Transaction(EditKind kind, List<Step> steps, Selection before, Selection after, boolean joins) {
    public Transaction { steps = List.copyOf(steps); }

    /** The document with all steps made, or the refusal of the first that does not fit; the document given is not touched. */
    public Outcome apply(Document document) {
        Outcome outcome = Outcome.of(document);
        for (Step step : steps) {
            outcome = step.apply(outcome.document());
            if (outcome.document() == null) return outcome;
        }
        return outcome;
    }

    /** What takes it back, made from the document it was applied to. */
    public Transaction inverse(Document before) {
        List<Step> back = new ArrayList<>();
        Document document = before;
        for (Step step : steps) {
            back.add(step.inverse(document));
            document = step.apply(document).orThrow();
        }
        Collections.reverse(back);
        return new Transaction(kind, back, after, this.before, false);
    }

    /** Where places go by it. */
    public PositionMap map() { return PositionMap.of(steps.stream().map(Step::map).toList()); }
}
