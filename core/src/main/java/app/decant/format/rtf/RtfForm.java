package app.decant.format.rtf;

import app.decant.format.FormTold;
import java.util.ArrayList;
import java.util.List;

/** A form field's data as words tell them (RTF 1.9.1, "Form Fields"). */
final class RtfForm {
    private int type;
    private int result = FormTold.AS_DEFAULT;
    private int otherwise;
    String name = "";
    final List<String> choices = new ArrayList<>();

    void word(String word, int value) {
        switch (word) {
            case "fftype" -> type = value;
            case "ffres" -> result = value;
            case "ffdefres" -> otherwise = value;
            default -> { }
        }
    }

    FormTold told() { return FormTold.of(type, name, choices, result, otherwise); }
}
