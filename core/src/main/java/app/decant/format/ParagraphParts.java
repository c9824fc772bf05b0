package app.decant.format;

import app.decant.document.Cascade;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import java.util.ArrayList;
import java.util.List;

/**
 * A paragraph as formats know it in which a break to another page or column ends one: what is behind the break goes on as if nothing had ended, without a
 * label, a first line or space of its own.
 */
public final class ParagraphParts {
    private ParagraphParts() { }

    /** @param ends the sign of the break that it ends at; 0 for the last part */
    public record Part(Paragraph paragraph, char ends) { }

    /**
     * @param table  what a table gives to the look of its paragraphs
     * @param breaks the signs that part a paragraph
     */
    public static List<Part> of(Paragraph paragraph, Cascade cascade, Look table, String breaks) {
        String text = paragraph.text();
        List<Part> parts = new ArrayList<>();
        int from = 0;
        for (int i = 0; i <= text.length(); i++) {
            boolean cut = i < text.length() && breaks.indexOf(text.charAt(i)) >= 0;
            if (i < text.length() && !cut) continue;
            if (from == 0 && !cut) return List.of(new Part(paragraph, (char) 0));
            List<Inline> inlines = new ArrayList<>(paragraph.slice(from, i));
            // Points before a break stay where it was.
            if (cut) paragraph.slice(i, i + 1).stream().filter(inline -> inline.length() == 0).forEach(inlines::add);
            Look look = from == 0 ? paragraph.look() : goingOn(paragraph.look(), cascade.paragraph(paragraph, table));
            parts.add(new Part(new Paragraph(paragraph.style(), look, paragraph.mark(), inlines), cut ? text.charAt(i) : 0));
            from = i + 1;
        }
        return parts;
    }

    private static Look goingOn(Look own, Look inForce) {
        return own.with(ParagraphProperty.LIST, new ParagraphProperty.ListReference(null, 0))
                .with(ParagraphProperty.INDENT_START, inForce.get(ParagraphProperty.INDENT_START)).with(ParagraphProperty.FIRST_LINE, 0.0)
                .with(ParagraphProperty.SPACE_BEFORE, 0.0).with(ParagraphProperty.PAGE_BREAK_BEFORE, null);
    }
}
