package app.decant.format.binary;

import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.TextProperty;
import app.decant.format.NumberCodes;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Numbered paragraphs of 1993 to 1995. There are no lists: each paragraph says how its number is made, and a number follows that of the paragraph before it.
 * Headings are numbered by what their section says. From memory, checked against files.
 */
final class OlderLists {
    private static final int NONE = 0;
    private static final int HEADINGS = 9;
    private static final int BULLET = 11;
    private static final int ENTRY = 16;
    private static final int WORDS = 20;
    private static final int LIST = 0x460B;
    private static final int LEVEL = 0x260A;

    /** How one level is numbered. @param before and {@code after} the number; @param font and {@code size} of it, in half points, or 0 */
    private record Made(int format, String before, String after, int start, boolean withOuter, int font, int size) { }

    private final OlderFonts fonts;
    private final OlderStyles styles;
    private final List<Stretch> sections;
    private final Map<Integer, List<Made>> lists = new LinkedHashMap<>();

    /** @param sections with modifiers of their own generation */
    OlderLists(OlderFonts fonts, OlderStyles styles, List<Stretch> sections) {
        this.fonts = fonts;
        this.styles = styles;
        this.sections = sections;
    }

    /** The paragraphs with modifiers of 1997, those that have numbers in lists. */
    List<Stretch> listed(List<Stretch> paragraphs) {
        List<Stretch> listed = new ArrayList<>();
        Map<Integer, Integer> ofSections = new LinkedHashMap<>();
        byte[] before = null;
        int list = 0;
        for (Stretch one : paragraphs) {
            List<Modifier> newer = new ArrayList<>(OlderModifiers.newer(one.modifiers()));
            Modifier kind = said(one, OlderModifiers.NUMBERED);
            Modifier how = said(one, OlderModifiers.NUMBER);
            int numbered = kind == null ? NONE : kind.one();
            if (numbered >= 1 && numbered <= HEADINGS) {
                int section = section(one.from());
                Integer number = section < 0 ? null : ofSections.computeIfAbsent(section, this::outline);
                if (number != null) list(newer, number, numbered - 1);
                before = null;
            } else if (numbered == NONE || how == null || how.operand().length < WORDS) before = null;
            else {
                if (!Arrays.equals(before, how.operand())) {
                    list = lists.size() + 1;
                    lists.put(list, List.of(made(how.operand(), 0, how.operand(), WORDS, numbered == BULLET)));
                }
                before = how.operand();
                list(newer, list, 0);
            }
            listed.add(new Stretch(one.from(), one.to(), one.style(), newer));
        }
        return listed;
    }

    private static void list(List<Modifier> modifiers, int list, int level) {
        modifiers.add(new Modifier(LIST, new byte[] {(byte) list, (byte) (list >> 8)}));
        modifiers.add(new Modifier(LEVEL, new byte[] {(byte) level}));
    }

    private Modifier said(Stretch paragraph, int code) {
        Modifier own = OlderStyles.last(paragraph.modifiers(), code);
        return own == null ? styles.said(paragraph.style(), code, false) : own;
    }

    private int section(int at) {
        for (int i = 0; i < sections.size(); i++) if (at < sections.get(i).to()) return i;
        return sections.size() - 1;
    }

    /** Nine levels, of sixteen bytes each, and from the fourth byte after them the words round their numbers, one level's after another's. */
    private Integer outline(int section) {
        Modifier told = OlderStyles.last(sections.get(section).modifiers(), OlderModifiers.OUTLINE);
        if (told == null || told.operand().length < HEADINGS * ENTRY + 4) return null;
        List<Made> levels = new ArrayList<>();
        int words = HEADINGS * ENTRY + 4;
        for (int i = 0; i < HEADINGS; i++) {
            levels.add(made(told.operand(), ENTRY * i, told.operand(), words, false));
            words += (told.operand()[ENTRY * i + 1] & 0xFF) + (told.operand()[ENTRY * i + 2] & 0xFF);
        }
        lists.put(lists.size() + 1, levels);
        return lists.size();
    }

    /** The way of counting, how many words stand before and after; switches, of which the third says that outer numbers stand in front; font, size, start. */
    private Made made(byte[] told, int at, byte[] words, int from, boolean bullet) {
        int font = Modifiers.two(told, at + 6);
        int before = told[at + 1] & 0xFF;
        int after = told[at + 2] & 0xFF;
        int format = bullet ? NumberCodes.code(NumberFormat.BULLET) : told[at] & 0xFF;
        return new Made(format, words(words, from, before, font), words(words, from + before, after, font), Modifiers.two(told, at + 10),
                (told[at + 3] & 4) != 0, bullet ? font : -1, Modifiers.two(told, at + 8));
    }

    private String words(byte[] told, int from, int length, int font) {
        int end = Math.min(told.length, from + length);
        if (end <= from) return "";
        if (!fonts.isPictorial(font)) return new String(told, from, end - from, fonts.letters(font));
        StringBuilder signs = new StringBuilder();
        for (int at = from; at < end; at++) signs.append((char) (0xF000 + (told[at] & 0xFF)));
        return signs.toString();
    }

    Numbering numbering() {
        Map<String, Numbering.Pattern> patterns = new LinkedHashMap<>();
        Map<String, Numbering.NumberedList> all = new LinkedHashMap<>();
        lists.forEach((number, levels) -> {
            String id = String.valueOf(number);
            List<Numbering.Level> made = new ArrayList<>();
            for (int i = 0; i < levels.size(); i++) made.add(level(levels, i));
            patterns.put(id, new Numbering.Pattern(id, made));
            all.put(id, new Numbering.NumberedList(id, id, Map.of(), Map.of()));
        });
        return new Numbering(patterns, all);
    }

    private Numbering.Level level(List<Made> levels, int at) {
        Made one = levels.get(at);
        NumberFormat format = NumberCodes.format(one.format);
        StringBuilder label = new StringBuilder();
        int first = at;
        while (first > 0 && levels.get(first).withOuter) first--;
        for (int i = first; i <= at && format != NumberFormat.BULLET; i++)
            label.append(levels.get(i).before).append('%').append(i + 1).append(levels.get(i).after);
        if (format == NumberFormat.BULLET) label.append(one.before).append(one.after);
        Look look = Look.PLAIN;
        if (one.font >= 0 && fonts.family(one.font) != null) look = look.with(TextProperty.FAMILY, fonts.family(one.font));
        if (one.size > 0) look = look.with(TextProperty.SIZE, one.size / 2.0);
        return new Numbering.Level(format, one.start, label.toString(), Numbering.Suffix.TAB, null, null, look, false, NumberCodes.standing(0));
    }
}
