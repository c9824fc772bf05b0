package app.decant.pdf.structure;

import app.decant.document.Link;
import app.decant.document.Picture;
import app.decant.page.Item;
import app.decant.page.Piece;
import java.util.List;
import org.apache.pdfbox.cos.COSStream;

/** Tells for everything that is painted on one page which element of the structure it belongs to; null for what is no content. */
public final class PageTags {
    private final Structure structure;
    private final int page;
    private final COSStream form;
    private final List<Tag> owners;
    private Tag paragraph;
    private Tag label;
    private Tag linkTag;
    private Link link;

    /**
     * @param form   whose own content is marked, or null for that of the page
     * @param owners filled with the element of each marked content, in order
     */
    PageTags(Structure structure, int page, COSStream form, List<Tag> owners) {
        this.structure = structure;
        this.page = page;
        this.form = form;
        this.owners = owners;
    }

    /** From now on nothing is content: headers, footers, what is laid under or over. */
    public void artifacts() {
        paragraph = null;
        label = null;
    }

    /** From now on what is painted belongs to this item. */
    public void item(Item item) {
        artifacts();
        if (!(item instanceof Item.LineItem line)) return;
        boolean repeated = !line.editable() && structure.isBody(line.passage());
        Tag own = repeated ? null : structure.of(line.passage());
        if (own != paragraph) link = null;
        paragraph = own;
        label = repeated ? null : structure.labelOf(line.passage());
    }

    /** The element of a run of glyphs. */
    public Tag glyphs(Piece.Glyphs piece) {
        if (paragraph == null) return null;
        if (isLeader(piece)) return null;
        if (label != null && piece.start() == piece.end() && piece.start() == 0) return label;
        Link own = piece.style().link();
        if (own == null) {
            link = null;
            return paragraph;
        }
        boolean goesOn = own.equals(link) && linkTag != null && linkTag.parent == paragraph;
        if (!goesOn) linkTag = new Tag("Link", paragraph);
        link = own;
        return linkTag;
    }

    /** Rows of dots between an entry and its page number are no text. */
    private static boolean isLeader(Piece.Glyphs piece) {
        String text = piece.text();
        return text.length() > 2 && piece.end() - piece.start() < text.length() && ".-_\u00B7".indexOf(text.charAt(0)) >= 0 && text.chars()
                .allMatch(c -> c == text.charAt(0));
    }

    /** The element of a picture. */
    public Tag picture(Picture picture) {
        Tag known = structure.figure(picture);
        if (known != null) return known;
        return paragraph == null ? null : structure.figure(picture, paragraph);
    }

    /** The element of a link whose area is told now. */
    public Tag link(Link target) {
        if (paragraph == null) return null;
        if (linkTag == null || linkTag.parent != paragraph || !target.equals(link)) linkTag = new Tag("Link", paragraph);
        link = target;
        return linkTag;
    }

    /** A new marked content of an element; its number. */
    public int mark(Tag tag) {
        int number = owners.size();
        owners.add(tag);
        tag.kids.add(new Tag.Mark(page, number, form));
        return number;
    }

    /** The same, read before all of its element that has a higher rank. */
    public int mark(Tag tag, int rank) {
        int number = mark(tag);
        structure.rank(tag.kids.get(tag.kids.size() - 1), rank);
        return number;
    }

    /** The tags of a form that the page calls, whose content is marked by itself (14.7.5.2.3). */
    public PageTags of(COSStream called) { return structure.form(called, page); }
}
