package app.decant.format.ooxml;

import app.decant.document.TrackedChange;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import org.slf4j.LoggerFactory;

/** What elements say of tracked insertions and deletions (ISO/IEC 29500-1, 17.13.5). Text that was moved is taken out there and put in here. */
final class TrackedMarkup {
    private TrackedMarkup() { }

    static boolean isDeletion(XmlNode node) { return node.is("w:del") || node.is("w:moveFrom"); }
    static boolean isInsertion(XmlNode node) { return node.is("w:ins") || node.is("w:moveTo"); }

    /** What such an element says of what stands in it. */
    static TrackedChange change(XmlNode node) {
        String author = node.get("w:author", "");
        Instant when = time(node.get("w:date"));
        return isDeletion(node) ? TrackedChange.deleted(author, when) : TrackedChange.inserted(author, when);
    }

    /** What the elements within the properties of a paragraph's mark or of a row say of it; null for nothing. */
    static TrackedChange within(XmlNode properties) {
        if (properties == null) return null;
        TrackedChange change = null;
        for (XmlNode child : properties.children()) if (isDeletion(child) || isInsertion(child)) change = change(child).within(change);
        return change;
    }

    static Instant time(String text) {
        if (text == null || text.isBlank()) return null;
        try {
            return OffsetDateTime.parse(text.matches(".*(Z|[+-]\\d\\d:\\d\\d)") ? text : text + "Z").toInstant();
        } catch (DateTimeException e) {
            LoggerFactory.getLogger(TrackedMarkup.class).debug("No readable date: {}", text, e);
            return null;
        }
    }

    static String time(Instant when) { return when == null ? null : when.truncatedTo(ChronoUnit.SECONDS).toString(); }

    /** Opens the elements that stand around what was changed; gives how many were opened. */
    static int open(XmlWriter xml, TrackedChange change, DocxWriter writer) {
        if (change == null) return 0;
        int opened = 0;
        if (change.insertion() != null) opened += open(xml, "w:ins", change.insertion(), writer);
        if (change.deletion() != null) opened += open(xml, "w:del", change.deletion(), writer);
        return opened;
    }

    /** The same as empty elements, within properties. */
    static void leaves(XmlWriter xml, TrackedChange change, DocxWriter writer) {
        if (change == null) return;
        if (change.insertion() != null) open(xml, "w:ins", change.insertion(), writer);
        if (change.insertion() != null) xml.close();
        if (change.deletion() != null) open(xml, "w:del", change.deletion(), writer);
        if (change.deletion() != null) xml.close();
    }

    private static int open(XmlWriter xml, String name, TrackedChange.Mark mark, DocxWriter writer) {
        xml.open(name, "w:id", writer.nextId(), "w:author", mark.author(), "w:date", time(mark.when()));
        return 1;
    }
}
