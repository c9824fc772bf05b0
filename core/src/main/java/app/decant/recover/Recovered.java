package app.decant.recover;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Provenance;
import java.util.List;

/**
 * What came of a PDF.
 *
 * @param findings what could not be carried over, or came in changed, with its page
 * @param pages    how many pages the PDF has
 * @param provenance where in it the paragraphs come from
 */
public record Recovered(Document document, List<Finding> findings, int pages, Provenance provenance) {
    public Recovered { findings = List.copyOf(findings); }
}
