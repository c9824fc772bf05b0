package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Property;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;

/** Links in the dress of one that is right; how large their letters are, and of which font, is said by the text that they stand in. */
public record LinkEcho(Look dress, TextSelection model, List<TextSelection> others) implements Alike {
    private static final List<Property<?>> DRESS = List.of(TextProperty.STYLE, TextProperty.UNDERLINE, TextProperty.COLOUR, TextProperty.BOLD,
            TextProperty.ITALIC, TextProperty.STRIKE, TextProperty.HIGHLIGHT, TextProperty.SMALL_CAPITALS, TextProperty.CAPITALS);

    /** The other links of the body; null where no link is at a caret. */
    public static LinkEcho of(Document document, TextSelection picked) {
        if (Links.at(document, picked) == null) return null;
        TextSelection model = whole(document, picked);
        List<TextSelection> others = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document).stops()) {
            for (TextSelection link : in(stop)) if (!link.equals(model)) others.add(link);
        }
        return new LinkEcho(document.paragraph(model.start()).lookBefore(model.start().offset() + 1), model, others);
    }

    private static TextSelection whole(Document document, TextSelection picked) {
        TextSelection caret = picked.isEmpty() ? picked : TextSelection.caret(picked.start().at(picked.start().offset() + 1));
        return Links.around(document, caret);
    }

    private static List<TextSelection> in(Walk.Stop stop) {
        List<TextSelection> found = new ArrayList<>();
        Paragraph paragraph = stop.paragraph();
        int from = 0;
        for (int at = 0; at <= paragraph.length(); at++) {
            Link link = from < paragraph.length() ? paragraph.lookBefore(from + 1).get(TextProperty.LINK) : null;
            Link here = at < paragraph.length() ? paragraph.lookBefore(at + 1).get(TextProperty.LINK) : null;
            if (at < paragraph.length() && (link == null ? here == null : link.equals(here))) continue;
            if (link != null && at > from) found.add(new TextSelection(new Place(stop.path(), from), new Place(stop.path(), at)));
            from = at;
        }
        return found;
    }

    @Override public String words(Document document, int other) {
        TextSelection at = others.get(other);
        return document.paragraph(at.start()).text().substring(at.start().offset(), at.end().offset()).replaceAll("\\s+", " ").strip();
    }

    @Override public Change give(Document document, Selection picked, List<Integer> wanted) {
        Draft draft = new Draft(document, picked);
        for (int other : wanted) Dressing.looks(draft.document(), others.get(other), this::dressed).transaction().steps().forEach(draft::add);
        return draft.done(EditKind.LOOK, picked);
    }

    @Override public Change giveTo(Document document, Selection picked) {
        if (!(picked instanceof TextSelection text) || Links.at(document, text) == null) return null;
        TextSelection link = whole(document, text);
        return link.equals(model) ? null : Dressing.looks(document, link, this::dressed);
    }

    private Look dressed(Look look) {
        Look made = look;
        for (Property<?> property : DRESS) made = given(made, property);
        return made;
    }

    private <T> Look given(Look look, Property<T> property) {
        return dress.says(property) ? look.with(property, dress.get(property)) : look.without(property);
    }
}
