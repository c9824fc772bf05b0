package app.decant;

import app.decant.document.DecantException;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty;
import app.decant.pdf.form.FileField;
import app.decant.pdf.form.FileForm;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.slf4j.LoggerFactory;

/** What was written into the controls that stand for the fields of a PDF's form: those are filled in, and their page stays as it is. */
final class FieldAnswers {
    private final Supplier<FileForm> form;

    /** @param form of the file, asked for when it is needed */
    FieldAnswers(Supplier<FileForm> form) { this.form = form; }

    /** A stretch of a paragraph within a control, or between two; {@code field} is null there. */
    private record Stretch(FormField field, List<Inline> inlines) {
        String text() {
            StringBuilder text = new StringBuilder();
            for (Inline inline : inlines) if (inline instanceof Inline.Text run) text.append(run.text());
            return text.toString();
        }
    }

    /** The answers by the names of their fields; null where anything else is another, or a field does not take what was written. */
    Map<String, String> between(Paragraph old, Paragraph now) {
        List<Stretch> was = stretches(old);
        List<Stretch> is = stretches(now);
        if (was.size() != is.size() || !old.style().equals(now.style()) || !old.look().equals(now.look())) return null;
        Map<String, String> answers = new HashMap<>();
        for (int i = 0; i < was.size(); i++) {
            FormField field = was.get(i).field;
            if (was.get(i).equals(is.get(i))) continue;
            boolean written = field != null && field.equals(is.get(i).field) && !was.get(i).text().equals(is.get(i).text());
            String answer = written ? answer(field, is.get(i).text()) : null;
            if (answer == null) return null;
            answers.put(field.name(), answer);
        }
        return answers.isEmpty() ? null : answers;
    }

    private String answer(FormField control, String shown) {
        FileField field = form.get().field(control.name());
        if (field == null) return null;
        boolean tick = control.kind() == FormField.Kind.TICK;
        try {
            return field.said(tick ? FormField.isTicked(shown) ? "yes" : "no" : shown.equals(FormField.EMPTY) ? "" : shown);
        } catch (DecantException e) {
            // Its page is set anew then, and told.
            LoggerFactory.getLogger(FieldAnswers.class).info("{}", e.getMessage());
            return null;
        }
    }

    private static List<Stretch> stretches(Paragraph paragraph) {
        List<Stretch> stretches = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) {
            FormField field = inline.look().get(TextProperty.FORM);
            Stretch last = stretches.isEmpty() ? null : stretches.get(stretches.size() - 1);
            boolean goesOn = last != null && (field == null ? last.field == null : field.equals(last.field));
            if (!goesOn) stretches.add(new Stretch(field, new ArrayList<>(List.of(inline))));
            else last.inlines.add(inline);
        }
        return stretches;
    }
}
