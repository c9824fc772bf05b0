package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Facts;

/** Another title, author and what else is said of a document. */
public record FactsStep(Facts facts) implements Step {
    @Override public Outcome apply(Document document) { return Outcome.of(document.withFacts(facts)); }

    @Override public FactsStep inverse(Document before) { return new FactsStep(before.facts()); }

    @Override public PositionMap map() { return PositionMap.SAME; }
}
