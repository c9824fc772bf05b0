package app.decant.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/** The places of a document's forms. */
public final class Forms {
    /** More are not told in files of the older formats (ISO/IEC 29500-1, 17.16.9). */
    private static final int MOST_CHOICES = 25;

    private Forms() { }

    /** Whether anything is to be filled in. */
    public static boolean hasAny(Document document) {
        for (Story story : Stories.all(document))
            for (Walk.Stop stop : Walk.of(document, story).stops())
                for (Inline inline : stop.paragraph().inlines()) if (inline.look().says(TextProperty.FORM)) return true;
        return false;
    }

    /** Whether there are controls round paragraphs or tables. */
    public static boolean hasControls(Document document) {
        for (Story story : Stories.all(document))
            for (Walk.Stop stop : Walk.of(document, story).stops()) if (stop.paragraph().look().says(ParagraphProperty.CONTROL)) return true;
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

    /**
     * A form field in a paragraph: the inlines that bear it, in one link or none.
     *
     * @param to    behind the last
     * @param shown its words
     */
    public record Span(FormField field, int from, int to, String shown) {
        /** Whether it is told by its data alone: boxes and choices have no text of their own. */
        public boolean isShownByData() { return kind() == FormField.Kind.TICK || kind() == FormField.Kind.CHOICE; }

        /** What it is by what it shows: words that are not among its choices are text. */
        public FormField.Kind kind() {
            boolean free = field.kind() == FormField.Kind.CHOICE && !shown.isBlank() && !field.choices().contains(shown);
            return free ? FormField.Kind.TEXT : field.kind();
        }

        /** What can be chosen; what nobody has chosen yet begins with nothing. */
        public List<String> choices() {
            List<String> choices = new ArrayList<>(field.choices());
            if (kind() == FormField.Kind.CHOICE && !choices.contains(shown)) choices.add(0, shown);
            return choices;
        }
    }

    /** The form fields of a paragraph that is {@link #sound}, in order; not those whose data cannot tell what they show. */
    public static List<Span> spans(Paragraph paragraph) {
        List<Span> spans = new ArrayList<>();
        List<Inline> inlines = paragraph.inlines();
        for (int from = 0; from < inlines.size(); from++) {
            Inline first = inlines.get(from);
            FormField field = first.length() == 0 ? null : first.look().get(TextProperty.FORM);
            if (field == null) continue;
            StringBuilder shown = new StringBuilder();
            int to = from;
            for (int i = from; i < inlines.size(); i++) {
                Look look = inlines.get(i).look();
                boolean on = field.equals(look.get(TextProperty.FORM)) && Objects.equals(look.get(TextProperty.LINK), first.look().get(TextProperty.LINK));
                if (inlines.get(i).length() > 0 && !on) break;
                if (inlines.get(i).length() > 0) to = i + 1;
                if (inlines.get(i) instanceof Inline.Text text) shown.append(text.text());
            }
            Span span = new Span(field, from, to, shown.toString());
            if (!span.isShownByData() || isTold(span, inlines)) spans.add(span);
            from = to - 1;
        }
        return spans;
    }

    /** The field among these that an inline is in, by its place; null where it is in none. */
    public static Span at(List<Span> spans, int inline) {
        for (Span span : spans) if (inline >= span.from && inline < span.to) return span;
        return null;
    }

    private static boolean isTold(Span span, List<Inline> inlines) {
        if (!inlines.subList(span.from, span.to).stream().allMatch(inline -> inline instanceof Inline.Text || inline.length() == 0)) return false;
        if (span.kind() == FormField.Kind.TICK) return span.shown.equals(FormField.TICKED) || span.shown.equals(FormField.UNTICKED);
        return span.choices().size() <= MOST_CHOICES && span.shown.chars().allMatch(sign -> sign >= ' ');
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
