package app.decant.recover;

import app.decant.document.Document;
import app.decant.document.Finding;
import java.util.List;

/**
 * What came of a PDF.
 *
 * @param findings what could not be carried over, or came in changed, with its page
 * @param pages    how many pages the PDF has
 */
public record Recovered(Document document, List<Finding> findings, int pages) {
    public Recovered { findings = List.copyOf(findings); }
}
