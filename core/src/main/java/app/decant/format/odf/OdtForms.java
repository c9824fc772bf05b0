package app.decant.format.odf;

import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.format.FormTold;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Reads what is filled in: fields of the text, and controls of forms where they are drawn (ISO/IEC 26300-1, 7.4.12, 10.3.13 and 13.5). */
final class OdtForms {
    static final OdtForms NONE = new OdtForms(null);

    private final Map<String, XmlNode> controls = new HashMap<>();
    private int count;

    /** @param text what may begin with forms, or null */
    OdtForms(XmlNode text) {
        XmlNode forms = text == null ? null : text.child("office:forms");
        if (forms != null) gather(forms);
    }

    private void gather(XmlNode within) {
        for (XmlNode child : within.children()) {
            String id = child.get("form:id", child.get("xml:id"));
            if (id != null) controls.putIfAbsent(id, child);
            if (child.is("form:form")) gather(child);
        }
    }

    /** What a control shows, with its label; nothing for one that holds nothing to be filled in. */
    List<Inline> drawn(XmlNode drawn, Look look) {
        XmlNode control = controls.get(drawn.get("draw:control", ""));
        List<Inline> made = new ArrayList<>();
        if (control == null) return made;
        String label = control.get("form:label", "");
        FormTold told = told(control);
        if (told != null) made.add(field(told, told.shown(), look));
        boolean labelled = control.is("form:checkbox") || control.is("form:radio") || control.is("form:fixed-text");
        if (labelled && !label.isBlank()) made.add(new Inline.Text(told == null ? label : " " + label, look));
        return made;
    }

    /** A field in which somebody writes, or one of which somebody picks, as some programs have it beyond the standard. */
    Inline written(XmlNode node, Look look) {
        if (node.is("text:text-input")) {
            FormTold told = new FormTold(FormField.Kind.TEXT, node.get("text:description", ""), List.of(), FormField.EMPTY);
            return field(told, node.text().isEmpty() ? told.shown() : node.text(), look);
        }
        List<String> choices = new ArrayList<>();
        String picked = "";
        for (XmlNode one : node.children("text:label")) {
            choices.add(one.get("text:value", ""));
            if (one.get("text:current-selected", "").equals("true")) picked = one.get("text:value", "");
        }
        String shown = picked.isEmpty() ? node.text() : picked;
        return field(new FormTold(FormField.Kind.CHOICE, node.get("text:name", ""), choices, ""), shown.isEmpty() ? FormField.EMPTY : shown, look);
    }

    private Inline field(FormTold told, String shown, Look look) {
        String line = shown.replace("\r", "").replace('\n', Inline.LINE_BREAK);
        return new Inline.Text(line.isEmpty() ? FormField.EMPTY : line, look.with(TextProperty.FORM, told.field(++count)));
    }

    private static FormTold told(XmlNode control) {
        String name = control.get("form:name", "");
        return switch (control.name()) {
            case "form:text", "form:textarea", "form:formatted-text", "form:number", "form:date", "form:time" ->
                    new FormTold(FormField.Kind.TEXT, name, List.of(), control.get("form:current-value", control.get("form:value", "")));
            case "form:checkbox" -> ticked(name, control.get("form:current-state", control.get("form:state", "")).equals("checked"));
            case "form:radio" -> ticked(name, control.get("form:current-selected", control.get("form:selected", "")).equals("true"));
            case "form:combobox" -> chosen(name, control.children("form:item"), control.get("form:current-value", control.get("form:value", "")));
            case "form:listbox" -> chosen(name, control.children("form:option"), null);
            default -> null;
        };
    }

    private static FormTold ticked(String name, boolean ticked) {
        return new FormTold(FormField.Kind.TICK, name, List.of(), ticked ? FormField.TICKED : FormField.UNTICKED);
    }

    /** @param value what is written there; null where it is told by its entries */
    private static FormTold chosen(String name, List<XmlNode> entries, String value) {
        List<String> choices = new ArrayList<>();
        String picked = value;
        for (XmlNode entry : entries) {
            String label = entry.get("form:label", "");
            if (!label.isEmpty()) choices.add(label);
            if (value == null && entry.get("form:current-selected", entry.get("form:selected", "")).equals("true")) picked = label;
        }
        boolean listed = picked == null || picked.isEmpty() || choices.contains(picked);
        return new FormTold(listed ? FormField.Kind.CHOICE : FormField.Kind.TEXT, name, listed ? choices : List.of(), picked == null ? "" : picked);
    }
}
