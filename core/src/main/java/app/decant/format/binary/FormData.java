package app.decant.format.binary;

import app.decant.document.FormField;
import app.decant.document.Forms;

/** Writes what is said of a form field in the data stream ([MS-DOC], 2.9.78 and 2.9.158). */
final class FormData {
    private static final int HEAD = 0x44;
    private static final int LISTED = 0x8000;
    private static final int USUAL_BOX = 20;
    private static final int LONGEST_NAME = 20;

    private FormData() { }

    static byte[] of(Forms.Span form) {
        FormField field = form.field();
        boolean choice = form.kind() == FormField.Kind.CHOICE;
        int type = form.kind() == FormField.Kind.TICK ? 1 : choice ? 2 : 0;
        int result = type == 1 ? FormField.isTicked(form.shown()) ? 1 : 0 : choice ? form.choices().indexOf(form.shown()) : 0;
        Bytes data = new Bytes().four(0xFFFFFFFFL).two(type | (result & 0x1F) << 2 | (choice ? LISTED : 0)).two(0).two(type == 1 ? USUAL_BOX : 0);
        text(data, field.name().substring(0, Math.min(LONGEST_NAME, field.name().length())));
        if (type == 0) text(data, "");
        else data.two(0);
        for (int i = 0; i < 5; i++) text(data, "");
        if (choice) {
            data.two(0xFFFF).two(form.choices().size()).two(0);
            for (String one : form.choices()) data.two(one.length()).text(one);
        }
        return new Bytes().four((long) HEAD + data.size()).two(HEAD).zeros(HEAD - 6).all(data).toBytes();
    }

    private static void text(Bytes data, String text) { data.two(text.length()).text(text).two(0); }
}
