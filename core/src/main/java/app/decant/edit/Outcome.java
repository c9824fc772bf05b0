package app.decant.edit;

import app.decant.document.Document;

/**
 * What comes of a step: a document, or why there is none.
 *
 * @param document null where the step was refused
 * @param refusal  null where it was not
 */
public record Outcome(Document document, Refusal refusal) {
    /** Why a step can't be applied to a document. */
    public enum Refusal { NOT_THERE, NO_PARAGRAPH, OUT_OF_RANGE, OTHER_TEXT, WOULD_BE_EMPTY }

    static Outcome of(Document document) { return new Outcome(document, null); }

    static Outcome refused(Refusal refusal) { return new Outcome(null, refusal); }

    /**
     * The document.
     *
     * @throws IllegalArgumentException where there is none
     */
    public Document orThrow() {
        if (document == null) throw new IllegalArgumentException("The step does not fit the document: " + refusal);
        return document;
    }
}
