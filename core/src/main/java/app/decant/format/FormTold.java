package app.decant.format;

import app.decant.document.FormField;
import java.util.List;

/**
 * What the data of a form field say of it.
 *
 * @param shown what a field shows that has no result of its own
 */
public record FormTold(FormField.Kind kind, String name, List<String> choices, String shown) {
    /** Stands for a result that is the same as the default (ISO/IEC 29500-1, 17.16; [MS-DOC], 2.9.78; RTF 1.9.1, "Form Fields"). */
    public static final int AS_DEFAULT = 25;

    public FormTold { choices = List.copyOf(choices); }

    /**
     * As the number of a kind tells it, the same in binary and rich text files: text, a box, a list.
     *
     * @param result of a box or a list, or {@link #AS_DEFAULT}
     */
    public static FormTold of(int type, String name, List<String> choices, int result, int otherwise) {
        int value = result == AS_DEFAULT ? otherwise : result;
        if (type == 1) return new FormTold(FormField.Kind.TICK, name, List.of(), value == 1 ? FormField.TICKED : FormField.UNTICKED);
        if (type != 2) return new FormTold(FormField.Kind.TEXT, name, List.of(), FormField.EMPTY);
        boolean known = value >= 0 && value < choices.size();
        return new FormTold(FormField.Kind.CHOICE, name, choices, known ? choices.get(value) : choices.isEmpty() ? FormField.EMPTY : choices.get(0));
    }

    /** As an instruction without data tells it; null for one that asks for nothing to be filled in. */
    static FormTold of(String instruction) {
        return switch (instruction) {
            case "FORMTEXT" -> of(0, "", List.of(), 0, 0);
            case "FORMCHECKBOX" -> of(1, "", List.of(), 0, 0);
            case "FORMDROPDOWN" -> of(2, "", List.of(), 0, 0);
            default -> null;
        };
    }

    /** The field with a number of its own. */
    public FormField field(int number) { return new FormField(number, kind, false, name, choices, null); }
}
