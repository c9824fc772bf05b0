package app.decant.format.odf;

import app.decant.document.Look;
import app.decant.document.NoteCount;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.PageDress;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The styles of a file as they are read: named ones, those made for single looks, lists, pages. */
final class OdtSheet {
    private final Map<String, XmlNode> named = new LinkedHashMap<>();
    private final Map<String, XmlNode> automatic = new HashMap<>();
    private final Map<String, XmlNode> lists = new LinkedHashMap<>();
    private final Map<String, XmlNode> masters = new LinkedHashMap<>();
    private final Map<String, XmlNode> layouts = new HashMap<>();
    private final Map<String, Numbering.Pattern> patterns = new LinkedHashMap<>();
    private final Map<String, Numbering.NumberedList> instances = new LinkedHashMap<>();
    private final OdtLookReading looks;
    private XmlNode defaults;
    private XmlNode usualDrawing;
    private PageDress.LineNumbers lineNumbers;
    private final Map<String, XmlNode> notes = new HashMap<>();
    private XmlNode outline;

    private final Map<String, Look> owns = new HashMap<>();
    private StyleSheet sheet;

    OdtSheet(XmlNode styles, XmlNode content) {
        Map<String, String> fonts = new HashMap<>();
        for (XmlNode part : parts(styles, content)) {
            XmlNode faces = part.child("office:font-face-decls");
            if (faces != null) for (XmlNode face : faces.children("style:font-face")) fonts.put(face.get("style:name", ""),
                    face.get("svg:font-family", face.get("style:name", "")));
        }
        looks = new OdtLookReading(fonts);
        for (XmlNode part : parts(styles, content)) {
            XmlNode office = part.child("office:styles");
            if (office != null) {
                for (XmlNode node : office.children()) {
                    if (node.is("style:style")) named.put(node.get("style:family", "") + "/" + node.get("style:name", ""), node);
                    if (node.is("style:default-style") && "paragraph".equals(node.get("style:family"))) defaults = node;
                    if (node.is("style:default-style") && "graphic".equals(node.get("style:family"))) usualDrawing = node;
                    if (node.is("text:list-style")) lists.put(node.get("style:name", ""), node);
                    if (node.is("text:outline-style")) outline = node;
                    if (node.is("text:notes-configuration")) notes.put(node.get("text:note-class", ""), node);
                    if (node.is("text:linenumbering-configuration")) lineNumbers = lineNumbers(node);
                }
            }
            XmlNode own = part.child("office:automatic-styles");
            if (own != null) {
                for (XmlNode node : own.children()) {
                    // Automatic names of the two parts have nothing to do with each other.
                    if (node.is("style:style"))
                        automatic.put((part == content ? "c/" : "s/") + node.get("style:family", "") + "/" + node.get("style:name", ""), node);
                    if (node.is("text:list-style")) lists.put(node.get("style:name", ""), node);
                    if (node.is("style:page-layout")) layouts.put(node.get("style:name", ""), node);
                }
            }
            XmlNode pages = part.child("office:master-styles");
            if (pages != null) for (XmlNode node : pages.children("style:master-page")) masters.put(node.get("style:name", ""), node);
        }
    }

    private static List<XmlNode> parts(XmlNode styles, XmlNode content) {
        List<XmlNode> parts = new ArrayList<>();
        if (styles != null) parts.add(styles);
        parts.add(content);
        return parts;
    }

    /** Numbers beside the lines of the whole text (16.29.9); null for none. */
    PageDress.LineNumbers lineNumbers() { return lineNumbers; }

    /** How notes of a class are counted (16.29.3). */
    NoteCount notes(String kind, NoteCount usual) {
        XmlNode node = notes.get(kind);
        if (node == null) return usual;
        NumberFormat format = OdtStyles.format(node.get("style:num-format", "1"), NumberFormat.DECIMAL);
        String start = node.get("text:start-value", "0");
        return new NoteCount(format, start.matches("\\d{1,6}") ? Integer.parseInt(start) + 1 : 1, node.get("text:start-numbering-at", "").equals("chapter"));
    }

    private static PageDress.LineNumbers lineNumbers(XmlNode node) {
        String every = node.get("text:increment", "1");
        if (!"true".equals(node.get("text:number-lines", "true")) || !every.matches("[1-9]\\d{0,2}")) return null;
        return new PageDress.LineNumbers(Integer.parseInt(every), 1, Math.max(0, Math.min(144, OdtLookReading.length(node.get("text:offset"), 18))),
                "true".equals(node.get("text:restart-on-page")) ? PageDress.LineNumbers.Again.PAGE : PageDress.LineNumbers.Again.NEVER);
    }

    OdtLookReading looks() { return looks; }
    Numbering numbering() { return new Numbering(patterns, instances); }
    XmlNode master(String name) { return masters.get(name); }
    XmlNode firstMaster() { return masters.containsKey("Standard") ? masters.get("Standard") : masters.isEmpty() ? null : masters.values().iterator().next(); }
    XmlNode layout(XmlNode master) { return master == null ? null : layouts.get(master.get("style:page-layout-name", "")); }

    /** The automatic style of a name, or null. @param inContent whether it is used in the content rather than in a header */
    XmlNode automatic(String family, String name, boolean inContent) {
        return name == null ? null : automatic.get((inContent ? "c/" : "s/") + family + "/" + name);
    }

    /** The named style that something stands on, or null. */
    String named(String family, String name, boolean inContent) {
        Set<String> seen = new HashSet<>();
        String at = name;
        while (at != null && seen.add(at)) {
            if (named.containsKey(family + "/" + at)) return at;
            XmlNode own = automatic(family, at, inContent);
            at = own == null ? null : own.get("style:parent-style-name");
        }
        return null;
    }

    /** A property of the style of something drawn, as its own style says, else those it stands on, else that of all; null where none does. */
    String graphic(String name, String property, boolean inContent) {
        Set<String> seen = new HashSet<>();
        for (String at = name; at != null && seen.add(at); ) {
            XmlNode style = automatic("graphic", at, inContent);
            if (style == null) style = named.get("graphic/" + at);
            if (style == null) break;
            XmlNode own = style.child("style:graphic-properties");
            if (own != null && own.get(property) != null) return own.get(property);
            at = style.get("style:parent-style-name");
        }
        XmlNode all = usualDrawing == null ? null : usualDrawing.child("style:graphic-properties");
        return all == null ? null : all.get(property);
    }

    /** What automatic styles say, one upon the other. */
    Look own(String family, String name, boolean inContent) {
        return name == null ? Look.PLAIN : owns.computeIfAbsent(family + "/" + inContent + "/" + name, key -> workedOut(family, name, inContent));
    }

    private Look workedOut(String family, String name, boolean inContent) {
        Look look = Look.PLAIN;
        Set<String> seen = new HashSet<>();
        for (XmlNode node = automatic(family, name, inContent); node != null && seen.add(node.get("style:name", "")); node =
                automatic(family, node.get("style:parent-style-name"), inContent)) look = look.over(said(node));
        return look;
    }

    private Look said(XmlNode style) {
        Look look = looks.text(style.child("style:text-properties")).over(looks.paragraph(style.child("style:paragraph-properties")));
        boolean paragraph = style.get("style:family", "").equals("paragraph");
        String parted = paragraph && style.child("style:text-properties") != null ? style.child("style:text-properties").get("fo:hyphenate") : null;
        if (parted != null) look = look.with(ParagraphProperty.HYPHENATION, parted.equals("true"));
        Double share = paragraph ? OdtLookReading.sizeShare(style) : null;
        return share == null ? look : look.with(TextProperty.SIZE, Math.round(share * size(style.get("style:parent-style-name"), 0) * 20) / 20.0);
    }

    /** The size of the letters of a named paragraph style. */
    private double size(String name, int depth) {
        XmlNode style = name == null || depth > 50 ? null : named.get("paragraph/" + name);
        if (style == null) return defaults == null ? 12 : looks.text(defaults.child("style:text-properties")).get(TextProperty.SIZE, 12.0);
        Double share = OdtLookReading.sizeShare(style);
        if (share != null) return share * size(style.get("style:parent-style-name"), depth + 1);
        Double own = looks.text(style.child("style:text-properties")).get(TextProperty.SIZE);
        return own != null ? own : size(style.get("style:parent-style-name"), depth + 1);
    }

    StyleSheet styles() {
        if (sheet == null) sheet = workedOut();
        return sheet;
    }

    private StyleSheet workedOut() {
        Map<String, Style> styles = new LinkedHashMap<>();
        for (XmlNode node : named.values()) {
            String family = node.get("style:family", "");
            boolean paragraph = family.equals("paragraph");
            if (!paragraph && !family.equals("text")) continue;
            String id = id(family, node.get("style:name", ""));
            Look look = said(node);
            String level = node.get("style:default-outline-level", "");
            if (paragraph && level.matches("[1-9]")) look = look.with(ParagraphProperty.OUTLINE_LEVEL, Integer.parseInt(level));
            String parent = node.get("style:parent-style-name");
            String next = node.get("style:next-style-name");
            String shown = node.get("style:display-name", node.get("style:name", ""));
            String name = shown.matches("Heading [1-9]") ? "heading " + shown.charAt(8) : shown;
            styles.put(id, new Style(id, name, paragraph ? Style.Kind.PARAGRAPH : Style.Kind.CHARACTER, parent == null ? null : id(family, parent),
                    next == null || next.equals(node.get("style:name")) ? null : id(family, next), paragraph ? look
                    : looks.text(node.child("style:text-properties"))));
        }
        Look beneath = defaults == null ? Look.PLAIN : said(defaults);
        if (!beneath.says(TextProperty.SIZE)) beneath = beneath.with(TextProperty.SIZE, 12.0);
        if (!beneath.says(TextProperty.FAMILY)) beneath = beneath.with(TextProperty.FAMILY, "Liberation Serif");
        String normal = styles.values().stream().filter(style -> style.name().equalsIgnoreCase("Normal") || style.id().equals("Standard")).map(Style::id)
                .findFirst().orElse(null);
        return new StyleSheet(beneath, normal, null, styles);
    }

    double tabWidth() {
        return defaults == null || defaults.child("style:paragraph-properties") == null ? 36
                : Math.max(1, OdtLookReading.length(defaults.child("style:paragraph-properties").get("style:tab-stop-distance"), 36));
    }

    /** Paragraph and character styles may have one name; here they may not. */
    String id(String family, String name) {
        if (name == null) return null;
        boolean twice = family.equals("text") && named.containsKey("paragraph/" + name);
        return twice ? name + "-text" : name;
    }

    /** A list that goes on with another, but at this level begins with a number of its own (19.868). */
    String startingAt(String list, int level, int start) {
        String pattern = instances.get(list).pattern();
        String id = pattern + "#" + (instances.size() + 1);
        instances.put(id, new Numbering.NumberedList(id, pattern, Map.of(level, start), Map.of()));
        return id;
    }

    /** A list of a style. @param again the list that it goes on with, or null for a new one */
    String list(String style, String again) {
        if (again != null) return again;
        XmlNode told = lists.get(style);
        if (told == null) return null;
        patterns.computeIfAbsent(style, name -> new Numbering.Pattern(name, levels(told)));
        String id = style + "#" + (instances.size() + 1);
        // A new list of a style counts from the start again.
        Map<Integer, Integer> starts = new HashMap<>();
        for (int i = 0; i < patterns.get(style).levels().size(); i++) starts.put(i, patterns.get(style).levels().get(i).start());
        boolean first = instances.values().stream().noneMatch(list -> list.pattern().equals(style));
        instances.put(id, new Numbering.NumberedList(id, style, first ? Map.of() : starts, Map.of()));
        return id;
    }

    /** The numbers of headings, or null where they have none. */
    String outlineList(int level) {
        if (outline == null) return null;
        List<Numbering.Level> levels = levels(outline);
        if (level > levels.size() || levels.get(level - 1).format() == NumberFormat.NONE) return null;
        patterns.putIfAbsent("outline", new Numbering.Pattern("outline", levels));
        instances.putIfAbsent("outline", new Numbering.NumberedList("outline", "outline", Map.of(), Map.of()));
        return "outline";
    }

    private List<Numbering.Level> levels(XmlNode style) {
        Numbering.Level[] levels = new Numbering.Level[10];
        for (XmlNode node : style.children()) {
            String number = node.get("text:level", "");
            if (!number.matches("[1-9]|10")) continue;
            int index = Integer.parseInt(number) - 1;
            boolean bullet = node.is("text:list-level-style-bullet");
            NumberFormat format = bullet ? NumberFormat.BULLET : OdtStyles.format(node.get("style:num-format", ""), NumberFormat.NONE);
            StringBuilder label = new StringBuilder();
            label.append(node.get("style:num-prefix", ""));
            if (bullet) {
                label.append(node.get("text:bullet-char", "\u2022"));
            } else if (format != NumberFormat.NONE) {
                int shown = node.get("text:display-levels", "1").matches("[1-9]") ? Integer.parseInt(node.get("text:display-levels", "1")) : 1;
                for (int i = Math.max(0, index + 1 - shown); i <= index; i++) label.append('%').append(i + 1).append(i < index ? "." : "");
            }
            label.append(node.get("style:num-suffix", ""));
            int start = node.get("text:start-value", "1").matches("\\d{1,6}") ? Integer.parseInt(node.get("text:start-value", "1")) : 1;
            XmlNode properties = node.child("style:list-level-properties");
            XmlNode alignment = properties == null ? null : properties.child("style:list-level-label-alignment");
            Numbering.Suffix suffix = Numbering.Suffix.TAB;
            Look look = looks.text(node.child("style:text-properties"));
            if (alignment != null) {
                String follow = alignment.get("text:label-followed-by", "listtab");
                suffix = follow.equals("space") ? Numbering.Suffix.SPACE : follow.equals("nothing") ? Numbering.Suffix.NOTHING : Numbering.Suffix.TAB;
                look = indents(look, OdtLookReading.length(alignment.get("fo:margin-left"), 0), OdtLookReading.length(alignment.get("fo:text-indent"), 0));
            } else if (properties != null) {
                double before = OdtLookReading.length(properties.get("text:space-before"), 0);
                double label2 = OdtLookReading.length(properties.get("text:min-label-width"), 0);
                look = indents(look, before + label2, -label2);
            }
            levels[index] = new Numbering.Level(format, start, label.toString(), suffix, null, null, look).labelled(false, standing(properties));
        }
        List<Numbering.Level> all = new ArrayList<>();
        for (Numbering.Level level : levels)
            all.add(level == null ? new Numbering.Level(NumberFormat.NONE, 1, "", Numbering.Suffix.NOTHING, null, null, Look.PLAIN) : level);
        return all.subList(0, 9);
    }

    /** 20.223 of OpenDocument 1.2: how the label stands at its place. */
    private static Alignment standing(XmlNode properties) {
        return switch (properties == null ? "start" : properties.get("fo:text-align", "start")) {
            case "center" -> Alignment.CENTRE;
            case "end", "right" -> Alignment.END;
            default -> Alignment.START;
        };
    }

    private static Look indents(Look look, double start, double first) {
        return start == 0 && first == 0 ? look : look.with(ParagraphProperty.INDENT_START, start).with(ParagraphProperty.FIRST_LINE, first);
    }
}
