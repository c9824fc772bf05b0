package app.decant.pdf.structure;

import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSStream;

/** One element of the structure a PDF tells of itself (ISO 32000-1, 14.7.2), while it grows. */
public final class Tag {
    private String role;
    final Tag parent;
    /** Elements, {@link Mark}s on pages and annotations, in reading order. */
    final List<Object> kids = new ArrayList<>();
    /** Text for people who do not see it, or null. */
    String alternative;
    /** Attributes (14.7.6), or null. */
    COSDictionary attributes;
    /** A name no other element has, or null. */
    String id;
    /** Whether it is a row in whose cells nobody wrote anything. */
    boolean blank;
    COSDictionary written;

    /** Marked content: the place of its page in the file, its number there, and the form it stands in; null for the page's own content. */
    record Mark(int page, int number, COSStream form) { }

    /** Says what it shows to people who do not see it. */
    public void describe(String words) { alternative = words; }

    /** Makes another kind of element of it. */
    public void become(String other) { role = other; }

    public boolean isWithin(Tag other) { return parent == other; }

    public boolean isDescribed() { return alternative != null; }

    /** Whether anything on pages belongs to it. */
    public boolean isShown() { return kids.stream().anyMatch(kid -> !(kid instanceof Tag tag) || tag.isShown()); }

    Tag(String role, Tag parent) {
        this.role = role;
        this.parent = parent;
        if (parent != null) parent.kids.add(this);
    }

    /** The name of its structure type. */
    public String role() { return role; }

    /** Levels of headings are told without holes (ISO 14289-1, 7.4.2). @param before the level of the heading before it, 0 for none */
    int level(int before) {
        int level = before;
        if (role.matches("H[1-6]")) {
            level = Math.min(role.charAt(1) - '0', before + 1);
            role = "H" + level;
        }
        for (Object kid : kids) if (kid instanceof Tag tag) level = tag.level(level);
        return level;
    }

    /**
     * Takes out elements that nothing on the chosen pages belongs to; cells stay, since rows must keep their shape, and so do rows that hold nothing anywhere
     * between others that are shown.
     */
    boolean prune() {
        List<Object> left = new ArrayList<>();
        List<Object> blanks = new ArrayList<>();
        for (Object kid : kids) {
            boolean shown = !(kid instanceof Tag tag) || tag.prune();
            if (shown) {
                if (!left.isEmpty()) left.addAll(blanks);
                blanks.clear();
                left.add(kid);
            } else if (((Tag) kid).blank) {
                blanks.add(kid);
            }
        }
        kids.clear();
        kids.addAll(left);
        boolean cell = role.equals("TD") || role.equals("TH");
        boolean onlyCells = role.equals("TR") && kids.stream().allMatch(kid -> kid instanceof Tag tag && tag.kids.isEmpty());
        return cell || !kids.isEmpty() && !onlyCells;
    }
}
