package app.decant.edit;

import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.TextProperty;
import java.util.List;
import java.util.Map;

/** Places of a form that are filled in. */
public final class FormFilling {
    private FormFilling() { }

    /**
     * A place of a form in a paragraph.
     *
     * @param where all letters that it shows
     * @param shown what they are
     */
    public record Filled(FormField field, TextSelection where, String shown) { }

    /** The place that a caret stands in or at, the one behind it before the one in front; null for none. */
    public static Filled at(Document document, TextSelection picked) {
        Paragraph paragraph = document.paragraph(picked.start());
        int offset = picked.start().offset();
        FormField field = offset < paragraph.length() ? paragraph.lookBefore(offset + 1).get(TextProperty.FORM) : null;
        if (field == null && offset > 0) field = paragraph.lookBefore(offset).get(TextProperty.FORM);
        if (field == null) return null;
        int from = offset;
        int to = offset;
        while (from > 0 && field.equals(paragraph.lookBefore(from).get(TextProperty.FORM))) from--;
        while (to < paragraph.length() && field.equals(paragraph.lookBefore(to + 1).get(TextProperty.FORM))) to++;
        Place start = picked.start().at(from);
        return new Filled(field, new TextSelection(start, start.at(to)), paragraph.text().substring(from, to));
    }

    /** The place filled in otherwise; never empty, so that it can be filled in again. */
    public static Change fill(Document document, TextSelection picked, Filled place, String text) {
        Paragraph paragraph = document.paragraph(place.where.start());
        int from = place.where.start().offset();
        Look look = paragraph.lookBefore(from + 1);
        String shown = text.isEmpty() ? FormField.EMPTY : text;
        Draft draft = new Draft(document, picked);
        draft.add(new TextStep(picked.story(), place.where.start().path(), Cut.after(paragraph, from), Cut.before(place.where.end().offset()),
                List.of(new Inline.Text(shown, look))));
        return draft.done(EditKind.REPLACING, place.where.start().at(from + shown.length()));
    }

    /** A field of the PDF that the document came from filled in; null takes back what was filled in. */
    public static Change answer(Document document, TextSelection picked, String field, String answer) {
        Draft draft = new Draft(document, picked);
        draft.add(new AnswerStep(field, answer));
        return draft.done(EditKind.REPLACING, picked.head());
    }

    /** Several fields or cells filled in at once, by their names; null takes back what was filled in. */
    public static Change answer(Document document, TextSelection picked, Map<String, String> answers) {
        Draft draft = new Draft(document, picked);
        answers.forEach((name, answer) -> draft.add(new AnswerStep(name, answer)));
        return draft.done(EditKind.REPLACING, picked.head());
    }

    /** A box ticked, or no longer. */
    public static Change tick(Document document, TextSelection picked, Filled place) {
        return fill(document, picked, place, FormField.isTicked(place.shown) ? FormField.UNTICKED : FormField.TICKED);
    }
}
