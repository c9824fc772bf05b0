package app.decant.edit;

import app.decant.document.Document;

/** One small change to a document, as a value. It fits the document it was made for, and any other in which the same things stand at the same places. */
public sealed interface Step permits TextStep, SplitStep, JoinStep, BlockStep, DressStep, TableStep, StyleStep, SectionStep, SectionSplitStep,
        SectionJoinStep, FrameStep, FactsStep, FontStep, AnswerStep {
    /** The document with this change; the one given is not touched. */
    Outcome apply(Document document);

    /** What takes it back, made from the document it was applied to. */
    Step inverse(Document before);

    /** Where places go by it. */
    PositionMap map();
}
