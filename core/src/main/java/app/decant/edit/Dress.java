package app.decant.edit;

import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty;
import java.util.List;

/** What a paragraph wears whatever it says: its style, its own look and that of its end mark. */
public record Dress(String style, Look look, Look mark) {
    public static Dress of(Paragraph paragraph) { return new Dress(paragraph.style(), paragraph.look(), paragraph.mark()); }

    /** What paragraphs wear that are parted from one: whether its end was put in or taken out is said of the end alone, which stays with the last. */
    static Dress parted(Paragraph paragraph) { return new Dress(paragraph.style(), paragraph.look(), paragraph.mark().without(TextProperty.TRACKED)); }

    /** A paragraph in this dress. */
    public Paragraph on(List<Inline> inlines) { return new Paragraph(style, look, mark, inlines); }
}
