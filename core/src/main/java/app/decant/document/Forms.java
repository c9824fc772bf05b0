package app.decant.document;

import java.util.ArrayList;
import java.util.List;
/** The places of a document's forms. */
public final class Forms {
    private Forms() { }

    /** Whether anything is to be filled in. */
    public static boolean hasAny(Document document) {
        for (Story story : Stories.all(document))
            for (Walk.Stop stop : Walk.of(document, story).stops())
                for (Inline inline : stop.paragraph().inlines()) if (inline.look().says(TextProperty.FORM)) return true;
        return false;
    }

    /**
     * A paragraph in which what is no form any more is text: a box that shows words, a list that shows none of its entries, as they are when somebody wrote
     * into them. The same where all is as it should be.
     */
    public static Paragraph sound(Paragraph paragraph) {
        List<Inline> inlines = new ArrayList<>(paragraph.inlines());
        boolean all = true;
        for (int from = 0; from < inlines.size(); ) {
            FormField field = inlines.get(from).look().get(TextProperty.FORM);
            int to = from + 1;
            while (to < inlines.size() && (inlines.get(to).length() == 0 || field != null && field.equals(inlines.get(to).look().get(TextProperty.FORM)))) to++;
            if (field != null && !field.control() && !holds(field, inlines.subList(from, to))) {
                all = false;
                for (int i = from; i < to; i++) inlines.set(i, inlines.get(i).with(inlines.get(i).look().without(TextProperty.FORM)));
            }
            from = to;
        }
        return all ? paragraph : paragraph.withInlines(inlines);
    }

    private static boolean holds(FormField field, List<Inline> inlines) {
        StringBuilder shown = new StringBuilder();
        for (Inline inline : inlines) {
            if (inline instanceof Inline.Text text) shown.append(text.text());
            else if (inline.length() > 0) return field.kind() == FormField.Kind.TEXT || field.kind() == FormField.Kind.OTHER;
        }
        String text = shown.toString();
        return switch (field.kind()) {
            case TICK -> text.equals(FormField.UNTICKED) || text.length() == 1 && FormField.isTicked(text);
            case CHOICE -> field.choices().contains(text) || text.equals(FormField.EMPTY);
            case TEXT, DATE, OTHER -> true;
        };
    }
}
