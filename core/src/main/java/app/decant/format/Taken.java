package app.decant.format;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Provenance;
import java.util.ArrayList;
import java.util.List;

/**
 * A document taken in, and what could not be carried over or came in changed.
 *
 * @param format of the file; null until that is said
 * @param provenance where in the file its paragraphs come from, as far as that is known
 */
public record Taken(Document document, Format format, List<Finding> findings, Provenance provenance) {
    public Taken { findings = List.copyOf(findings); }

    public Taken(Document document, List<Finding> findings) { this(document, null, findings, Provenance.NONE); }

    public Taken(Document document, List<Finding> findings, Provenance provenance) { this(document, null, findings, provenance); }

    /** The same from a file of a format. */
    Taken as(Format kind) { return new Taken(document, kind, findings, provenance); }

    /** The same with something to be told first. */
    Taken telling(Finding finding) {
        List<Finding> all = new ArrayList<>(List.of(finding));
        all.addAll(findings);
        return new Taken(document, format, all, provenance);
    }

    Taken with(Document other) { return other == document ? this : new Taken(other, format, findings, provenance); }
}
