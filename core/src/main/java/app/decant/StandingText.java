package app.decant;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Provenance;
import app.decant.document.Walk;

/**
 * The text of a document as it came from a PDF, and where all of it stands on the pages: what every later state is compared with. Made once, since looking
 * through a long document at every letter takes longer than a letter may.
 *
 * @param walk     over its paragraphs
 * @param cascade  of its styles
 * @param flow     how it goes on from page to page
 * @param heads    its headers and footers
 * @param labels   of its list items
 * @param passages what moves with its paragraphs
 */
record StandingText(Document document, Walk walk, Provenance provenance, Cascade cascade, TextFlow flow, StandingHeads heads, StandingLabels labels,
        StandingPassages passages) {
    static StandingText of(Document document, Provenance provenance) {
        Walk walk = Walk.of(document);
        Cascade cascade = Cascade.of(document);
        TextFlow flow = new TextFlow(cascade, walk, provenance);
        StandingLabels labels = new StandingLabels(document, walk, provenance, cascade);
        return new StandingText(document, walk, provenance, cascade, flow, StandingHeads.of(document, walk, provenance), labels,
                new StandingPassages(cascade, walk, provenance, labels, flow));
    }
}
