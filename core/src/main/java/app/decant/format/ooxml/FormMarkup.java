package app.decant.format.ooxml;

import app.decant.document.FormField;
import app.decant.document.FormField.Kind;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.List;

/** What markup says of form fields (17.16.17 to 17.16.21) and content controls (17.5.2), and what it says once they are filled in otherwise. */
final class FormMarkup {
    private static final String FOURTEEN = "xmlns:w14=\"http://schemas.microsoft.com/office/word/2010/wordml\"";

    private FormMarkup() { }

    /** @param data of a field that asks for something, or null */
    static FormField field(int number, String instruction, XmlNode data) {
        Kind kind = switch (instruction) {
            case "FORMCHECKBOX" -> Kind.TICK;
            case "FORMDROPDOWN" -> Kind.CHOICE;
            default -> Kind.TEXT;
        };
        XmlNode name = data == null ? null : data.child("w:name");
        List<String> choices = new ArrayList<>();
        if (data != null && data.child("w:ddList") != null)
            for (XmlNode entry : data.child("w:ddList").children("w:listEntry")) choices.add(entry.get("w:val", ""));
        return new FormField(number, kind, false, name == null ? "" : name.get("w:val", ""), choices, data == null ? null : data.markup());
    }

    /** What a field shows that has no result of its own: a box, ticked or not, or what was chosen. */
    static String shown(FormField field, XmlNode data) {
        if (field.kind() == Kind.TICK) {
            XmlNode box = data == null ? null : data.child("w:checkBox");
            Boolean ticked = box == null ? null : Units.flag(box, "w:checked");
            if (ticked == null && box != null) ticked = Units.flag(box, "w:default");
            return Boolean.TRUE.equals(ticked) ? FormField.TICKED : FormField.UNTICKED;
        }
        if (field.kind() != Kind.CHOICE || field.choices().isEmpty()) return FormField.EMPTY;
        XmlNode list = data.child("w:ddList");
        Integer chosen = Units.whole(list.child("w:result") != null ? list.child("w:result") : list.child("w:default"), "w:val");
        return field.choices().get(chosen == null || chosen < 0 || chosen >= field.choices().size() ? 0 : chosen);
    }

    /** A content control; null for one that only groups or gathers what is worked out, such as a list of contents. */
    static FormField control(int number, XmlNode whole) {
        XmlNode properties = whole.child("w:sdtPr");
        if (properties == null || properties.child("w:docPartObj") != null || properties.child("w:docPartList") != null
                || properties.child("w:bibliography") != null || properties.child("w:citation") != null) return null;
        Kind kind = Kind.TEXT;
        List<String> choices = new ArrayList<>();
        for (XmlNode node : properties.children()) {
            switch (node.name()) {
                case "w14:checkbox" -> kind = Kind.TICK;
                case "w:dropDownList", "w:comboBox" -> {
                    kind = Kind.CHOICE;
                    for (XmlNode item : node.children("w:listItem")) choices.add(item.get("w:displayText", item.get("w:value", "")));
                }
                case "w:date" -> kind = Kind.DATE;
                case "w:picture", "w:group", "w:equation", "w15:repeatingSection", "w15:repeatingSectionItem" -> kind = Kind.OTHER;
                default -> { }
            }
        }
        XmlNode name = properties.child("w:alias") != null ? properties.child("w:alias") : properties.child("w:tag");
        return new FormField(number, kind, true, name == null ? "" : name.get("w:val", ""), choices,
                properties.markup() + (whole.child("w:sdtEndPr") == null ? "" : whole.child("w:sdtEndPr").markup()));
    }

    /** What is said of a field or control that now shows this. */
    static String filled(FormField field, String shown) {
        String source = field.source() != null ? field.source() : field.control() ? plainControl(field) : plainField(field);
        if (field.kind() == Kind.TICK && field.control())
            return source.replaceAll("(<w14:checked\\b[^>]*w14:val=\")[^\"]*", "$1" + (FormField.isTicked(shown) ? "1" : "0"));
        if (field.kind() == Kind.TICK) {
            String box = source.replaceAll("<w:checked\\b[^>]*/>", "");
            return box.replace("</w:checkBox>", "<w:checked w:val=\"" + (FormField.isTicked(shown) ? "1" : "0") + "\"/></w:checkBox>");
        }
        int chosen = field.choices().indexOf(shown);
        if (field.kind() != Kind.CHOICE || field.control() || chosen < 0) return source;
        return source.replaceAll("<w:result\\b[^>]*/>", "").replaceFirst("(<w:ddList\\b[^>]*>)", "$1<w:result w:val=\"" + chosen + "\"/>");
    }

    static String instruction(FormField field) {
        return field.kind() == Kind.TICK ? "FORMCHECKBOX" : field.kind() == Kind.CHOICE ? "FORMDROPDOWN" : "FORMTEXT";
    }

    /** Of one that came from another format. */
    private static String plainField(FormField field) {
        StringBuilder data = new StringBuilder("<w:ffData xmlns:w=\"" + DocxWriter.NAMESPACES[1] + "\">");
        data.append("<w:name w:val=\"").append(XmlWriter.escaped(field.name())).append("\"/><w:enabled/><w:calcOnExit w:val=\"0\"/>");
        if (field.kind() == Kind.TICK) data.append("<w:checkBox><w:sizeAuto/><w:default w:val=\"0\"/></w:checkBox>");
        else if (field.kind() == Kind.CHOICE) {
            data.append("<w:ddList>");
            for (String choice : field.choices()) data.append("<w:listEntry w:val=\"").append(XmlWriter.escaped(choice)).append("\"/>");
            data.append("</w:ddList>");
        } else data.append("<w:textInput/>");
        return data.append("</w:ffData>").toString();
    }

    private static String plainControl(FormField field) {
        StringBuilder control = new StringBuilder("<w:sdtPr xmlns:w=\"" + DocxWriter.NAMESPACES[1] + "\" " + FOURTEEN + ">");
        if (!field.name().isEmpty()) control.append("<w:alias w:val=\"").append(XmlWriter.escaped(field.name())).append("\"/>");
        switch (field.kind()) {
            case TICK -> control.append("<w14:checkbox><w14:checked w14:val=\"0\"/></w14:checkbox>");
            case DATE -> control.append("<w:date/>");
            case CHOICE -> {
                control.append("<w:dropDownList>");
                for (String choice : field.choices()) {
                    String said = XmlWriter.escaped(choice);
                    control.append("<w:listItem w:displayText=\"").append(said).append("\" w:value=\"").append(said).append("\"/>");
                }
                control.append("</w:dropDownList>");
            }
            case TEXT, OTHER -> control.append("<w:text/>");
        }
        return control.append("</w:sdtPr>").toString();
    }
}
