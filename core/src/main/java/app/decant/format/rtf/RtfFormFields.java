package app.decant.format.rtf;

import app.decant.document.FormField;
import app.decant.document.Forms;

/** Writes form fields (RTF 1.9.1, "Form Fields"): a field round what is filled in, and its data. */
final class RtfFormFields {
    private RtfFormFields() { }

    /** What stands before the result of a field, which two brackets end. */
    static String opening(Forms.Span span) {
        FormField field = span.field();
        String instruction = span.kind() == FormField.Kind.TICK ? "FORMCHECKBOX" : span.kind() == FormField.Kind.CHOICE ? "FORMDROPDOWN" : "FORMTEXT";
        StringBuilder data = new StringBuilder("{\\*\\formfield{");
        switch (span.kind()) {
            case TICK -> data.append("\\fftype1\\ffres").append(FormField.isTicked(span.shown()) ? 1 : 0).append("\\ffdefres0");
            case CHOICE -> data.append("\\fftype2\\ffres").append(span.choices().indexOf(span.shown())).append("\\ffhaslistbox\\ffdefres0");
            default -> data.append("\\fftype0");
        }
        data.append("{\\*\\ffname ").append(RtfText.escaped(field.name())).append('}');
        if (span.kind() == FormField.Kind.CHOICE) for (String choice : span.choices()) data.append("{\\*\\ffl ").append(RtfText.escaped(choice)).append('}');
        return "{\\field{\\*\\fldinst " + instruction + " " + data + "}}}{\\fldrslt ";
    }
}
