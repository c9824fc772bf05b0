package app.decant;

import app.decant.document.Document;
import app.decant.document.FormField;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.FormFilling;
import app.decant.edit.TextSelection;
import app.decant.pdf.form.FileField;
import app.decant.pdf.form.FileForm;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** What was filled into the fields of a PDF, written into the controls that stand for them: pages that are set anew, and other formats, have no others. */
final class AnsweredControls {
    private AnsweredControls() { }

    /**
     * A document that says what was answered.
     *
     * @param left how many answers have no control to stand in
     */
    record Answered(Document document, int left) { }

    /** @param form of the file it came from */
    static Answered in(Document document, FileForm form) {
        Map<String, String> answers = document.answers();
        Set<String> done = new HashSet<>();
        Document filled = document;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            if (stop.paragraph().inlines().stream().noneMatch(inline -> inline.look().get(TextProperty.FORM) != null)) continue;
            for (int at = 0; at < filled.paragraph(new Place(stop.path(), 0)).length(); at++) {
                Paragraph now = filled.paragraph(new Place(stop.path(), 0));
                FormField field = now.lookBefore(at + 1).get(TextProperty.FORM);
                boolean begins = field != null && (at == 0 || !field.equals(now.lookBefore(at).get(TextProperty.FORM)));
                String said = begins ? answers.get(field.name()) : null;
                if (said == null) continue;
                TextSelection here = TextSelection.caret(new Place(stop.path(), at));
                filled = FormFilling.fill(filled, here, FormFilling.at(filled, here), shown(field, said, form.field(field.name()))).after();
                done.add(field.name());
            }
        }
        return new Answered(filled, (int) answers.keySet().stream().filter(name -> !done.contains(name)).count());
    }

    private static String shown(FormField field, String said, FileField file) {
        if (field.kind() == FormField.Kind.TICK) return said.isEmpty() || said.equals(FileField.OFF) ? FormField.UNTICKED : FormField.TICKED;
        return file == null ? said : file.words(said);
    }
}
