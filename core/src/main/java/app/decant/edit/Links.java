package app.decant.edit;

import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Property;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import java.util.List;

/** Links: where words lead, made, changed, taken out; and the places of a document that they can lead to. */
public final class Links {
    /** Common practice for links of a document that has no style for them. */
    private static final Colour BLUE = new Colour(0x1F5C9E);

    private Links() { }

    /** Where the words at the caret, or the first of those that are picked, lead; null where nowhere. */
    public static Link at(Document document, TextSelection picked) {
        Paragraph paragraph = document.paragraph(picked.start());
        int offset = picked.start().offset();
        Link after = offset < paragraph.length() ? paragraph.lookBefore(offset + 1).get(TextProperty.LINK) : null;
        if (after != null || !picked.isEmpty()) return after;
        return offset > 0 ? paragraph.lookBefore(offset).get(TextProperty.LINK) : null;
    }

    /** All words around a caret that lead where those at it do; what is picked stays as it is. */
    public static TextSelection around(Document document, TextSelection picked) {
        Link link = at(document, picked);
        if (!picked.isEmpty() || link == null) return picked;
        Paragraph paragraph = document.paragraph(picked.start());
        int from = picked.start().offset();
        int to = from;
        while (from > 0 && link.equals(paragraph.lookBefore(from).get(TextProperty.LINK))) from--;
        while (to < paragraph.length() && link.equals(paragraph.lookBefore(to + 1).get(TextProperty.LINK))) to++;
        return new TextSelection(picked.start().at(from), picked.start().at(to));
    }

    /** What is picked, or the link around the caret, leading somewhere; nowhere any more where that is null. A caret beside links changes nothing. */
    public static Change put(Document document, TextSelection picked, Link link) {
        TextSelection words = trimmed(document, around(document, picked));
        Look dress = dress(document);
        return Dressing.looks(document, words, look -> {
            Look bare = look.without(TextProperty.LINK);
            if (link != null) return look.says(TextProperty.LINK) ? look.with(TextProperty.LINK, link) : dress.over(look).with(TextProperty.LINK, link);
            for (Property<?> property : dress.properties()) if (dress.get(property).equals(look.get(property))) bare = bare.without(property);
            return bare;
        });
    }

    /** Without blanks at its end, which come along where a word is picked by a double click. */
    private static TextSelection trimmed(Document document, TextSelection picked) {
        if (picked.isEmpty() || !picked.start().path().equals(picked.end().path())) return picked;
        String text = document.paragraph(picked.start()).text();
        int end = picked.end().offset();
        while (end > picked.start().offset() + 1 && text.charAt(end - 1) == ' ') end--;
        return new TextSelection(picked.start(), picked.end().at(end));
    }

    /** How links look in this document. */
    static Look dress(Document document) {
        for (Style style : document.styles().styles().values()) {
            boolean its = style.kind() == Style.Kind.CHARACTER && List.of("hyperlink", "internet link").contains(style.name().strip().toLowerCase());
            if (its) return Look.of(TextProperty.STYLE, style.id());
        }
        return Look.of(TextProperty.UNDERLINE, TextProperty.Underline.SINGLE).with(TextProperty.COLOUR, BLUE);
    }

    /** The place that a bookmark names, or null where the document has none of the name. */
    public static Place target(Document document, String bookmark) {
        for (Story story : Stories.all(document)) {
            for (Walk.Stop stop : Walk.of(document, story).stops()) {
                int at = 0;
                for (Inline inline : stop.paragraph().inlines()) {
                    boolean its = inline instanceof Inline.BookmarkPoint point && point.start() && point.name().equals(bookmark);
                    if (its) return new Place(story, stop.path(), at);
                    at += inline.length();
                }
            }
        }
        return null;
    }

    /** What is picked leading to another paragraph, which is given a name for that where it has none. */
    public static Change lead(Document document, TextSelection picked, Place to) {
        Paragraph paragraph = document.paragraph(to);
        String name = null;
        for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.BookmarkPoint point && point.start()) name = point.name();
        if (name != null) return put(document, picked, new Link.Inside(name));
        int number = 1;
        while (target(document, "place" + number) != null) number++;
        name = "place" + number;
        Draft draft = new Draft(document, picked);
        Fields.put(draft, to.at(0), new Inline.BookmarkPoint(name, true));
        Fields.put(draft, to.at(0), new Inline.BookmarkPoint(name, false));
        Change dressed = put(draft.document(), picked, new Link.Inside(name));
        dressed.transaction().steps().forEach(draft::add);
        return draft.done(EditKind.LOOK, picked);
    }
}
