package app.decant.format;

import app.decant.document.Finding;
import java.util.List;

/** A document as a file of some format, and what that format could not carry. */
public record Written(byte[] bytes, List<Finding> findings) {
    public Written { findings = List.copyOf(findings); }
}
