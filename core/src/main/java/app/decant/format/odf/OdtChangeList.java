package app.decant.format.odf;

import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.xml.XmlNode;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.LoggerFactory;

/** The changes that a text lists before it begins (ISO/IEC 26300-1, 5.5), and which of them the reader is within. */
final class OdtChangeList {
    static final OdtChangeList NONE = new OdtChangeList(null);

    private final Map<String, Region> regions = new HashMap<>();
    private final List<Region> within = new ArrayList<>();
    private boolean looks;

    /** What was changed, and its paragraphs where it was taken out. */
    record Region(TrackedChange change, List<XmlNode> content) {
        /** A whole paragraph that was taken out. */
        Paragraph on(Paragraph paragraph) {
            List<Inline> inlines = paragraph.inlines().stream().map(inline -> inline.with(inline.look().with(TextProperty.TRACKED, change))).toList();
            return paragraph.withMark(paragraph.mark().with(TextProperty.TRACKED, change)).withInlines(inlines);
        }
    }

    /** @param text the text's element, or null for none */
    OdtChangeList(XmlNode text) {
        XmlNode list = text == null ? null : text.child("text:tracked-changes");
        if (list == null) return;
        for (XmlNode node : list.children("text:changed-region")) {
            XmlNode insertion = node.child("text:insertion");
            XmlNode deletion = node.child("text:deletion");
            looks |= node.child("text:format-change") != null;
            XmlNode own = deletion != null ? deletion : insertion;
            if (own == null) continue;
            XmlNode said = own.child("office:change-info");
            TrackedChange.Mark mark = new TrackedChange.Mark(said == null ? "" : text(said, "dc:creator"), said == null ? null : time(said));
            List<XmlNode> content = new ArrayList<>();
            if (deletion != null) paragraphs(deletion, content);
            Region region = new Region(deletion != null ? new TrackedChange(null, mark) : new TrackedChange(mark, null), content);
            regions.put(node.get("xml:id", node.get("text:id", "")), region);
            if (node.get("text:id") != null) regions.put(node.get("text:id"), region);
        }
    }

    private static void paragraphs(XmlNode node, List<XmlNode> content) {
        for (XmlNode child : node.children()) {
            if (child.is("text:p") || child.is("text:h")) content.add(child);
            else if (!child.is("office:change-info")) paragraphs(child, content);
        }
    }

    static String text(XmlNode node, String name) { return node.child(name) == null ? "" : node.child(name).text(); }

    /** The time told in {@code dc:date}; one without a zone is read as universal time, as it is written here. */
    static Instant time(XmlNode node) {
        String text = text(node, "dc:date").strip();
        if (text.isEmpty() || text.startsWith("1970-01-01T00:00:00")) return null;
        try {
            return text.matches(".*(Z|[+-]\\d\\d:\\d\\d)") ? OffsetDateTime.parse(text).toInstant() : LocalDateTime.parse(text).toInstant(ZoneOffset.UTC);
        } catch (DateTimeException e) {
            LoggerFactory.getLogger(OdtChangeList.class).debug("No readable date: {}", text, e);
            return null;
        }
    }

    /** Whether looks were changed while changes were tracked. */
    boolean hasLooks() { return looks; }

    Region region(XmlNode node) { return regions.get(node.get("text:change-id", "")); }

    /** Begins or ends what was put in. */
    void mark(XmlNode node) {
        Region region = region(node);
        if (region == null || region.change().isDeletion()) return;
        if (node.is("text:change-start")) within.add(region);
        else within.remove(region);
    }

    /** What was put in where the reader is, or null. */
    TrackedChange open() { return within.isEmpty() ? null : within.get(within.size() - 1).change(); }
}
