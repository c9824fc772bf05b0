package app.decant.format.binary;

import app.decant.document.Look;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.format.PartedWords;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToIntFunction;

/** The styles of a file (MS-DOC 2.9.271, STSH). Fifteen places are fixed: normal, nine headings, letters, tables; the document's own styles follow. */
final class StyleTable {
    private static final int NONE = 0xFFF;
    private static final int OWN = 0xFFE;
    private static final int FIXED = 15;
    /** Numbers that all programs know styles by (2.9.272, sti). */
    private static final Map<String, Integer> KNOWN = known();

    private final StyleSheet sheet;
    private final Map<String, Integer> numbers = new HashMap<>();
    private final List<Style> styles = new ArrayList<>();

    StyleTable(StyleSheet sheet) {
        this.sheet = sheet;
        for (int i = 0; i < FIXED; i++) styles.add(null);
        Style normal = sheet.style(sheet.defaultParagraph());
        if (normal == null) normal = new Style("Normal", "Normal", Style.Kind.PARAGRAPH, null, null, Look.PLAIN);
        place(0, normal);
        for (Style style : sheet.styles().values()) {
            if (style.kind() != Style.Kind.PARAGRAPH && style.kind() != Style.Kind.CHARACTER || numbers.containsKey(style.id())) continue;
            String name = style.name().toLowerCase(Locale.ROOT);
            int fixed = style.kind() == Style.Kind.PARAGRAPH && name.matches("heading [1-9]") ? name.charAt(8) - '0' : style.kind() == Style.Kind.CHARACTER
                    && name.equals("default paragraph font") ? 10 : -1;
            if (fixed > 0 && styles.get(fixed) == null) {
                place(fixed, style);
            } else {
                styles.add(null);
                place(styles.size() - 1, style);
            }
        }
        if (styles.get(10) == null) styles.set(10, new Style("\0letters", "Default Paragraph Font", Style.Kind.CHARACTER, null, null, Look.PLAIN));
    }

    private static Map<String, Integer> known() {
        Map<String, Integer> known = new HashMap<>(Map.of("normal", 0, "header", 31, "footer", 32, "footnote text", 29, "footnote reference", 38,
                "endnote reference", 42, "endnote text", 43, "title", 62));
        known.putAll(Map.of("default paragraph font", 65, "hyperlink", 85, "caption", 34, "subtitle", 74));
        for (int i = 1; i <= 9; i++) {
            known.put("heading " + i, i);
            known.put("toc " + i, 18 + i);
        }
        return known;
    }

    private void place(int number, Style style) {
        styles.set(number, style);
        numbers.put(style.id(), number);
    }

    /** The number of a style, or -1 where it is not there; no style is the normal one. */
    int number(String id) { return id == null ? 0 : numbers.getOrDefault(id, -1); }

    /** @param parts whether the file parts words of itself */
    byte[] toBytes(LookProperties looks, ToIntFunction<String> lists, int font, boolean parts) {
        Bytes table = new Bytes().two(18).two(styles.size()).two(10).two(1).two(0x5B).two(FIXED).two(0).two(font).two(font).two(font);
        for (int i = 0; i < styles.size(); i++) {
            byte[] style = styles.get(i) == null ? new byte[0] : style(i, styles.get(i), looks, lists, parts);
            table.two(style.length).all(style);
        }
        return table.toBytes();
    }

    private byte[] style(int number, Style style, LookProperties looks, ToIntFunction<String> lists, boolean parts) {
        boolean paragraph = style.kind() == Style.Kind.PARAGRAPH;
        int base = style.parent() == null ? NONE : numbers.getOrDefault(style.parent(), NONE);
        if (base == number) base = NONE;
        // What lies beneath all styles has no place of its own here; styles that stand on nothing say it.
        Look look = base == NONE && paragraph ? style.look().over(PartedWords.beneath(sheet, parts)) : style.look();
        Bytes body = new Bytes();
        String name = style.name().length() > 250 ? style.name().substring(0, 250) : style.name();
        body.two(name.length()).text(name).two(0);
        if (paragraph) {
            byte[] own = new Bytes().two(number).all(looks.paragraph(look, lists).toBytes()).toBytes();
            body.two(own.length).all(own).upTo(2);
        }
        byte[] letters = looks.text(look).toBytes();
        body.two(letters.length).all(letters).upTo(2);
        int next = style.next() == null ? number : numbers.getOrDefault(style.next(), number);
        int size = 10 + body.size();
        return new Bytes().two(KNOWN.getOrDefault(style.name().toLowerCase(Locale.ROOT), OWN)).two((paragraph ? 1 : 2) | base << 4)
                .two((paragraph ? 2 : 1) | next << 4).two(size).two(0).all(body).toBytes();
    }
}
