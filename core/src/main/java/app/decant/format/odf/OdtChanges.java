package app.decant.format.odf;

import app.decant.document.Block;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.xml.XmlWriter;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;

/**
 * Tracked changes as OpenDocument has them (ISO/IEC 26300-1, 5.5): what was put in stands in the text between two marks; what was taken out stands
 * apart, in a list of regions before the text, and a mark where it was. A paragraph whose end was taken out is one with the next.
 */
final class OdtChanges {
    /** No bookmark begins like this: points of this name stand for what was taken out. */
    private static final String TAKEN_OUT = "\u0001";

    private final XmlWriter regions = new XmlWriter();
    private final XmlWriter xml;
    private final BiConsumer<XmlWriter, Paragraph> paragraphs;
    private final Map<Paragraph, Paragraph> originals = new IdentityHashMap<>();
    private int count;
    private TrackedChange open;
    private String openId;

    /**
     * @param xml        that the text goes to
     * @param paragraphs writes a paragraph of what was taken out
     */
    OdtChanges(XmlWriter xml, BiConsumer<XmlWriter, Paragraph> paragraphs) {
        this.xml = xml;
        this.paragraphs = paragraphs;
        regions.open("text:tracked-changes");
    }

    static String time(Instant when) { return when.truncatedTo(ChronoUnit.SECONDS).toString().replace("Z", ""); }

    /** What stands before the text; null where nothing was changed. */
    XmlWriter regions() { return count == 0 ? null : regions.close(); }

    /** Blocks of which what was taken out is in regions, points in its places. */
    List<Block> without(List<? extends Block> blocks) {
        List<Block> result = new ArrayList<>();
        for (int i = 0; i < blocks.size(); i++) {
            if (!(blocks.get(i) instanceof Paragraph paragraph)) {
                result.add(blocks.get(i));
                continue;
            }
            List<Inline> inlines = new ArrayList<>();
            Taken taken = new Taken(inlines);
            taken.inlines(paragraph);
            while (goes(paragraph.mark()) && i + 1 < blocks.size() && blocks.get(i + 1) instanceof Paragraph next) {
                taken.end(paragraph);
                paragraph = next;
                i++;
                taken.inlines(paragraph);
            }
            taken.close();
            Paragraph made = inlines.equals(paragraph.inlines()) ? paragraph : paragraph.withInlines(inlines);
            if (made != paragraph) originals.put(made, paragraph);
            result.add(made);
        }
        return result;
    }

    /** The paragraph of the document that one of {@link #without} was made of. */
    Paragraph original(Paragraph made) { return originals.getOrDefault(made, made); }

    private static boolean goes(Look look) {
        TrackedChange change = look.get(TextProperty.TRACKED);
        return change != null && change.isDeletion();
    }

    /** Gathers what was taken out by one person at one place. */
    private final class Taken {
        private final List<Inline> kept;
        private final List<Paragraph> gone = new ArrayList<>();
        private final List<Inline> line = new ArrayList<>();
        private Paragraph like;
        private TrackedChange change;

        Taken(List<Inline> kept) { this.kept = kept; }

        void inlines(Paragraph paragraph) {
            if (change != null) like = paragraph;
            for (Inline inline : paragraph.inlines()) {
                TrackedChange own = inline.look().get(TextProperty.TRACKED);
                if (own == null || !own.isDeletion()) {
                    if (inline.length() > 0) close();
                    kept.add(inline);
                    continue;
                }
                // What was put in and taken out again is there neither way.
                if (own.insertion() != null) continue;
                begin(own, paragraph);
                line.add(inline.with(inline.look().without(TextProperty.TRACKED)));
            }
        }

        /** The end of a paragraph was taken out, too. */
        void end(Paragraph paragraph) {
            TrackedChange own = paragraph.mark().get(TextProperty.TRACKED);
            begin(new TrackedChange(null, own.deletion()), paragraph);
            gone.add(like.withInlines(line));
            line.clear();
        }

        private void begin(TrackedChange own, Paragraph paragraph) {
            if (change != null && !change.equals(own)) close();
            if (change != null) return;
            change = own;
            like = paragraph;
        }

        void close() {
            if (change == null) return;
            gone.add(like.withInlines(line));
            String id = region("text:deletion", change.deletion(), gone);
            kept.add(new Inline.BookmarkPoint(TAKEN_OUT + id, true));
            gone.clear();
            line.clear();
            change = null;
        }
    }

    private String region(String element, TrackedChange.Mark mark, List<Paragraph> gone) {
        String id = "ct" + ++count;
        regions.open("text:changed-region", "xml:id", id, "text:id", id).open(element).open("office:change-info");
        regions.open("dc:creator").text(mark.author()).close();
        // A time has to be told (14.4 of the schema); the oldest stands for none.
        regions.open("dc:date").text(mark.when() == null ? "1970-01-01T00:00:00" : time(mark.when())).close().close();
        for (Paragraph paragraph : gone) paragraphs.accept(regions, paragraph);
        regions.close().close();
        return id;
    }

    /** Writes the mark of what was taken out, where the point is one for that. */
    boolean isWritten(Inline.BookmarkPoint point) {
        if (!point.name().startsWith(TAKEN_OUT)) return false;
        xml.leaf("text:change", "text:change-id", point.name().substring(TAKEN_OUT.length()));
        return true;
    }

    /** Opens and closes marks round what was put in, before something of this look. */
    void before(Look look) {
        TrackedChange change = look.get(TextProperty.TRACKED);
        if (change != null && change.isDeletion()) change = null;
        if (change != null && change.equals(open)) return;
        close();
        if (change == null) return;
        openId = region("text:insertion", change.insertion(), List.of());
        xml.leaf("text:change-start", "text:change-id", openId);
        open = change;
    }

    void close() {
        if (open == null) return;
        xml.leaf("text:change-end", "text:change-id", openId);
        open = null;
    }
}
