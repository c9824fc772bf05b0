package app.decant.edit;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Property;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.List;

/**
 * How letters look to somebody who reads them, whatever says so: a style, the passage or the letters themselves.
 *
 * @param style of their paragraph, or null where it has none of its own
 */
public record SeenLook(String style, Look letters) {
    private static final List<Property<?>> SEEN = List.of(TextProperty.FAMILY, TextProperty.SIZE, TextProperty.BOLD, TextProperty.ITALIC,
            TextProperty.UNDERLINE, TextProperty.STRIKE, TextProperty.SCRIPT, TextProperty.COLOUR, TextProperty.HIGHLIGHT);

    /** A stretch of letters that look alike; {@code to} is the offset after its last. */
    record Stretch(int from, int to, SeenLook look) { }

    /** How the letters look that are picked first, or what is typed at a caret. */
    public static SeenLook at(Document document, Selection picked) {
        Selection.Stretch first = picked.stretches(document).isEmpty() ? null : picked.stretches(document).get(0);
        Paragraph paragraph = first == null ? document.paragraph(picked.head()) : first.paragraph();
        int offset = first == null ? picked.head().offset() : first.from();
        return of(Cascade.of(document), paragraph, paragraph.lookBefore(Math.min(paragraph.length(), offset + 1)));
    }

    private static SeenLook of(Cascade cascade, Paragraph paragraph, Look own) {
        Look whole = cascade.text(paragraph, own);
        Look seen = Look.PLAIN;
        for (Property<?> property : SEEN) seen = with(seen, whole, property);
        return new SeenLook(paragraph.style(), seen);
    }

    private static <T> Look with(Look look, Look from, Property<T> property) {
        T value = from.get(property);
        // What is said not to be bold looks as what nothing says to be.
        return value == null || Boolean.FALSE.equals(value) ? look : look.with(property, value);
    }

    /** The stretches of a paragraph, from its beginning to its end. */
    static List<Stretch> stretches(Cascade cascade, Paragraph paragraph) {
        List<Stretch> stretches = new ArrayList<>();
        int at = 0;
        for (Inline inline : paragraph.inlines()) {
            int to = at + inline.length();
            if (to > at) {
                SeenLook look = of(cascade, paragraph, inline.look());
                Stretch before = stretches.isEmpty() ? null : stretches.get(stretches.size() - 1);
                if (before != null && before.look.equals(look)) stretches.set(stretches.size() - 1, new Stretch(before.from, to, look));
                else stretches.add(new Stretch(at, to, look));
            }
            at = to;
        }
        return stretches;
    }
}
