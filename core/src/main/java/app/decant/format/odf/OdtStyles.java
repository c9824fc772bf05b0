package app.decant.format.odf;

import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import app.decant.xml.XmlWriter;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/** The styles a file names: those of the document under their own names, and one made for each look that something says beside them. */
final class OdtStyles {
    private final Document document;
    private final Map<String, String> names = new HashMap<>();
    /** Styles made for single looks: what they are, and their names. */
    private final Map<Object, String> automatic = new LinkedHashMap<>();
    private final Map<String, Consumer<XmlWriter>> writing = new LinkedHashMap<>();
    private final Map<String, Integer> counts = new HashMap<>();

    private static final Set<NumberFormat> NATIVE = EnumSet.of(NumberFormat.DECIMAL, NumberFormat.LOWER_ROMAN, NumberFormat.UPPER_ROMAN,
            NumberFormat.LOWER_LETTER,
            NumberFormat.UPPER_LETTER);

    private record Key(String family, String parent, Look look, String breaks, String page) { }

    OdtStyles(Document document) {
        this.document = document;
        for (Style style : document.styles().styles().values()) names.put(style.id(), encoded(style.id()));
    }

    /** Names are of letters, digits and a few signs; others are written by their numbers, as files usually do. */
    static String encoded(String id) {
        StringBuilder name = new StringBuilder();
        for (char c : id.toCharArray()) {
            if (Character.isLetterOrDigit(c) && c < 128 || c == '-' || c == '.') name.append(c);
            else name.append('_').append(Integer.toHexString(c)).append('_');
        }
        return name.isEmpty() || !Character.isLetter(name.charAt(0)) ? "s" + name : name.toString();
    }

    String name(String id) {
        return id == null ? document.styles().defaultParagraph() == null ? "Standard" : names.getOrDefault(document.styles().defaultParagraph(), "Standard")
                : names.getOrDefault(id, "Standard");
    }

    private String made(Object key, String prefix, Consumer<XmlWriter> writer) {
        String known = automatic.get(key);
        if (known != null) return known;
        String name = prefix + counts.merge(prefix, 1, Integer::sum);
        automatic.put(key, name);
        writing.put(name, writer);
        return name;
    }

    /** The style of a paragraph. @param page the page it begins anew, behind a number sign the count it begins with, or null */
    String paragraph(String style, Look own, String breaks, String page) {
        Look look = own.without(ParagraphProperty.LIST).without(ParagraphProperty.OUTLINE_LEVEL);
        if (look.isPlain() && breaks == null && page == null) return name(style);
        return made(new Key("paragraph", style, look, breaks, page), "P", xml -> {
            String[] begins = page == null ? new String[] {null} : page.split("#");
            xml.open("style:style", "style:name", automatic.get(new Key("paragraph", style, look, breaks, page)), "style:family", "paragraph",
                    "style:parent-style-name", name(style), "style:master-page-name", begins[0]);
            OdtLooks.paragraph(xml, look, breaks, begins.length > 1 ? begins[1] : null);
            OdtLooks.text(xml, look);
            xml.close();
        });
    }

    /** The style of a run, or null where it says nothing. */
    String text(Look own) {
        Look look = own.without(TextProperty.LINK).without(TextProperty.STYLE);
        String style = own.get(TextProperty.STYLE);
        if (look.isPlain()) return style == null ? null : names.get(style);
        return made(new Key("text", style, look, null, null), "T", xml -> {
            xml.open("style:style", "style:name", automatic.get(new Key("text", style, look, null, null)), "style:family", "text", "style:parent-style-name",
                    style == null ? null : names.get(style));
            OdtLooks.text(xml, look);
            xml.close();
        });
    }

    /** A style of any other kind. @param content writes its properties */
    String other(String family, String prefix, Object key, Consumer<XmlWriter> content) { return other(family, prefix, key, null, content); }

    /** @param page that it begins, or null */
    String other(String family, String prefix, Object key, String page, Consumer<XmlWriter> content) {
        Object whole = List.of(family, key);
        return made(whole, prefix, xml -> {
            xml.open("style:style", "style:name", automatic.get(whole), "style:family", family, "style:master-page-name", page);
            content.accept(xml);
            xml.close();
        });
    }

    void automatic(XmlWriter xml) { writing.values().forEach(writer -> writer.accept(xml)); }

    /** The document's styles, and what lies beneath all. */
    void named(XmlWriter xml) {
        for (String family : new String[] {"paragraph", "table"}) {
            xml.open("style:default-style", "style:family", family);
            if (family.equals("paragraph")) {
                Integer parted = document.styles().defaults().get(ParagraphProperty.PARTED_LINES);
                xml.leaf("style:paragraph-properties", "style:tab-stop-distance", OdtLooks.points(document.tabWidth()), "fo:hyphenation-ladder-count",
                        parted == null ? null : parted == 0 ? "no-limit" : parted.toString());
                OdtLooks.text(xml, document.styles().defaults());
            }
            xml.close();
        }
        if (document.styles().style(document.styles().defaultParagraph()) == null)
            xml.leaf("style:style", "style:name", "Standard", "style:display-name", "Normal", "style:family", "paragraph", "style:class", "text");
        for (Style style : document.styles().styles().values()) {
            boolean paragraph = style.kind() == Style.Kind.PARAGRAPH;
            if (!paragraph && style.kind() != Style.Kind.CHARACTER) continue;
            Integer level = style.look().get(ParagraphProperty.OUTLINE_LEVEL);
            ParagraphProperty.ListReference list = style.look().get(ParagraphProperty.LIST);
            xml.open("style:style", "style:name", names.get(style.id()), "style:display-name", style.name(), "style:family", paragraph ? "paragraph"
                    : "text", "style:parent-style-name", style.parent() == null ? null : names.get(style.parent()),
                    "style:next-style-name", paragraph && style.next() != null ? names.get(style.next()) : null, "style:default-outline-level", paragraph
                            && level != null && level > 0 ? level : null,
                    "style:list-style-name", paragraph && list != null && list.list() != null ? listName(list.list()) : null);
            if (paragraph) OdtLooks.paragraph(xml, style.look(), null, null);
            OdtLooks.text(xml, style.look());
            xml.close();
        }
        for (Numbering.NumberedList list : document.numbering().lists().values()) list(xml, list);
    }

    String listName(String id) { return "L" + encoded(id); }

    private void list(XmlWriter xml, Numbering.NumberedList list) {
        Numbering.Pattern pattern = document.numbering().patterns().get(list.pattern());
        if (pattern == null) return;
        xml.open("text:list-style", "style:name", listName(list.id()));
        for (int i = 0; i < Math.min(10, pattern.levels().size()); i++) {
            Numbering.Level level = list.changed().getOrDefault(i, pattern.levels().get(i));
            int start = list.starts().getOrDefault(i, level.start());
            boolean bullet = level.format() == NumberFormat.BULLET;
            if (bullet && !level.label().isEmpty()) {
                int first = level.label().offsetByCodePoints(0, 1);
                xml.open("text:list-level-style-bullet", "text:level", i + 1, "style:num-suffix", unsaid(level.label().substring(first)),
                        "text:bullet-char", level.label().substring(0, first));
            } else {
                String label = level.label();
                String own = "%" + (i + 1);
                int at = label.indexOf("%");
                int end = label.lastIndexOf(own);
                boolean counted = end >= 0 && level.format() != NumberFormat.NONE && !bullet;
                // How many outer counts come before its own, which the format writes by itself.
                int shown = counted ? (int) label.substring(0, end).chars().filter(c -> c == '%').count() + 1 : 0;
                xml.open("text:list-level-style-number", "text:level", i + 1, "style:num-format", counted ? format(level.format()) : "", "style:num-prefix",
                        counted && at > 0 ? label.substring(0, at) : !counted ? unsaid(label.replaceAll("%[1-9]", "")) : null,
                        "style:num-suffix", counted && end + 2 < label.length() ? label.substring(end + 2) : null, "text:start-value", start,
                                "text:display-levels", shown > 1 ? shown : null);
            }
            double indent = level.look().get(ParagraphProperty.INDENT_START, 0.0);
            double first = level.look().get(ParagraphProperty.FIRST_LINE, 0.0);
            xml.open("style:list-level-properties", "text:list-level-position-and-space-mode", "label-alignment",
                    "fo:text-align", level.standing() == Alignment.CENTRE ? "center" : level.standing() == Alignment.END ? "end" : null);
            String follow = level.suffix() == Numbering.Suffix.TAB ? "listtab" : level.suffix() == Numbering.Suffix.SPACE ? "space" : "nothing";
            xml.leaf("style:list-level-label-alignment", "text:label-followed-by", follow, "fo:margin-left", OdtLooks.points(indent), "fo:text-indent",
                    OdtLooks.points(first), "text:list-tab-stop-position", follow.equals("listtab") ? OdtLooks.points(indent) : null);
            xml.close();
            OdtLooks.text(xml, level.look());
            xml.close();
        }
        xml.close();
    }

    private static String unsaid(String text) { return text.isEmpty() ? null : text; }

    /** A level as this format can say it: it joins the counts of levels by points and knows few ways of counting. */
    static Numbering.Level said(Numbering.Level level, int depth) {
        Numbering.Level plain = level.labelled(false, level.standing());
        String own = "%" + (depth + 1);
        int end = level.label().lastIndexOf(own);
        if (level.format() == NumberFormat.BULLET) return plain;
        if (end < 0 || level.format() == NumberFormat.NONE) return plain.counting(NumberFormat.NONE, level.label().replaceAll("%[1-9]", ""));
        int first = level.label().indexOf('%');
        int shown = (int) level.label().substring(0, end).chars().filter(c -> c == '%').count() + 1;
        StringBuilder label = new StringBuilder(level.label().substring(0, first));
        for (int i = Math.max(0, depth + 1 - shown); i < depth; i++) label.append('%').append(i + 1).append('.');
        NumberFormat format = !NATIVE.contains(level.format()) ? NumberFormat.DECIMAL : level.format();
        return plain.counting(format, label.append(own).append(level.label().substring(end + 2)).toString());
    }

    /** A way of counting by its sign (19.499). @param otherwise where it is none of a count */
    static NumberFormat format(String sign, NumberFormat otherwise) {
        return switch (sign) {
            case "1" -> NumberFormat.DECIMAL;
            case "i" -> NumberFormat.LOWER_ROMAN;
            case "I" -> NumberFormat.UPPER_ROMAN;
            case "a" -> NumberFormat.LOWER_LETTER;
            case "A" -> NumberFormat.UPPER_LETTER;
            default -> otherwise;
        };
    }

    static String format(NumberFormat format) {
        return switch (format) {
            case DECIMAL, DECIMAL_ZERO, ORDINAL, CARDINAL_TEXT, ORDINAL_TEXT, SIGNS -> "1";
            case LOWER_ROMAN -> "i";
            case UPPER_ROMAN -> "I";
            case LOWER_LETTER -> "a";
            case UPPER_LETTER -> "A";
            case BULLET, NONE -> "";
        };
    }
}
