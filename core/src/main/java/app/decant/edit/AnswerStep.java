package app.decant.edit;

import app.decant.document.Document;

/**
 * Something else filled into a field of the PDF, or a cell of the workbook, that a document came from.
 *
 * @param field  its full name
 * @param answer what it says; null for what its file says
 */
public record AnswerStep(String field, String answer) implements Step {
    @Override public Outcome apply(Document document) { return Outcome.of(document.answering(field, answer)); }

    @Override public AnswerStep inverse(Document before) { return new AnswerStep(field, before.answers().get(field)); }

    @Override public PositionMap map() { return PositionMap.SAME; }
}
