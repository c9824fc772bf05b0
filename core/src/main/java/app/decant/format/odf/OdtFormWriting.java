package app.decant.format.odf;

import app.decant.document.FormField;
import app.decant.document.Forms;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.xml.XmlWriter;

/**
 * Writes what is filled in: texts as fields of the text (ISO/IEC 26300-1, 7.4.12), boxes and choices as controls of a form (13.5.9 and 13.5.7), which stand
 * in the line.
 */
final class OdtFormWriting {
    private static final String BOX = "10pt";
    private static final String LINE = "14pt";
    /** Of a choice, for its arrow and for each letter, in points. */
    private static final double ARROW = 20;
    private static final double LETTER = 5.5;

    private final XmlWriter controls = new XmlWriter();
    private int count;

    /** Whether a field is written as one: headers have no form of their own, and fields hold nothing but letters. */
    boolean takes(Forms.Span form, Paragraph paragraph, boolean header) {
        boolean letters = paragraph.inlines().subList(form.from(), form.to()).stream()
                .allMatch(inline -> inline instanceof Inline.Text || inline.length() == 0);
        return letters && form.shown().indexOf(Inline.TAB) < 0 && form.shown().indexOf(Inline.LINE_BREAK) < 0
                && !(header && form.isShownByData());
    }

    void write(Forms.Span form, XmlWriter xml) {
        FormField field = form.field();
        String name = field.name().isEmpty() ? null : field.name();
        switch (form.kind()) {
            case TICK -> {
                String id = id();
                controls.leaf("form:checkbox", "form:name", name == null ? id : name, "xml:id", id, "form:id", id, "form:current-state",
                        FormField.isTicked(form.shown()) ? "checked" : "unchecked");
                drawn(xml, id, BOX, BOX);
            }
            case CHOICE -> {
                String id = id();
                controls.open("form:listbox", "form:name", name == null ? id : name, "xml:id", id, "form:id", id, "form:dropdown", "true");
                for (String choice : form.choices())
                    controls.leaf("form:option", "form:label", choice, "form:current-selected", choice.equals(form.shown()) ? "true" : "false");
                controls.close();
                int longest = form.choices().stream().mapToInt(String::length).max().orElse(1);
                drawn(xml, id, OdtLooks.points(ARROW + LETTER * longest), LINE);
            }
            default -> xml.open("text:text-input", "text:description", name == null ? "" : name).text(form.shown()).close();
        }
    }

    private String id() { return "control" + ++count; }

    private static void drawn(XmlWriter xml, String id, String width, String height) {
        xml.leaf("draw:control", "text:anchor-type", "as-char", "svg:width", width, "svg:height", height, "draw:control", id);
    }

    /** The form that the controls are in; nothing where there are none. */
    String markup() {
        if (count == 0) return "";
        XmlWriter form = new XmlWriter();
        form.open("office:forms", "form:automatic-focus", "false", "form:apply-design-mode", "false").open("form:form", "form:name", "Form")
                .raw(OdtWriter.markup(controls)).close().close();
        return OdtWriter.markup(form);
    }
}
