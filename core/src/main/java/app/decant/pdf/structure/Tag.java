package app.decant.pdf.structure;

import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSDictionary;

/** One element of the structure a PDF tells of itself (ISO 32000-1, 14.7.2), while it grows. */
public final class Tag {
    public final String role;
    final Tag parent;
    /** Elements, {@link Mark}s on pages and annotations, in reading order. */
    final List<Object> kids = new ArrayList<>();
    /** Text for people who do not see it, or null. */
    String alternative;
    /** Attributes (14.7.6), or null. */
    COSDictionary attributes;
    /** A name no other element has, or null. */
    String id;
    COSDictionary written;

    /** Marked content: the place of its page in the file, and its number there. */
    record Mark(int page, int number) { }

    Tag(String role, Tag parent) {
        this.role = role;
        this.parent = parent;
        if (parent != null) parent.kids.add(this);
    }

    /** Takes out elements that nothing on the chosen pages belongs to; cells stay, since rows must keep their shape. */
    boolean prune() {
        kids.removeIf(kid -> kid instanceof Tag tag && !tag.prune());
        boolean cell = role.equals("TD") || role.equals("TH");
        boolean onlyCells = role.equals("TR") && kids.stream().allMatch(kid -> kid instanceof Tag tag && tag.kids.isEmpty());
        return cell || !kids.isEmpty() && !onlyCells;
    }
}
