package app.decant.format;

import app.decant.document.Document;
import app.decant.document.Finding;
import java.util.List;

/** A document taken in, and what could not be carried over or came in changed. */
public record Taken(Document document, FileKind kind, List<Finding> findings) {
    public Taken { findings = List.copyOf(findings); }
}
