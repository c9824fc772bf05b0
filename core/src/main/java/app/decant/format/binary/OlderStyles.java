package app.decant.format.binary;

import app.decant.format.binary.Modifiers.Modifier;
import app.decant.format.binary.StoredText.StoredStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The styles of a file of 1993 to 1995, stored as those of 1997 ([MS-DOC], 2.9.135 and 2.9.260) but for names of eight bits. Programs in other languages named
 * the built-in ones in theirs: they get the names by their numbers that later ones store.
 */
final class OlderStyles {
    private static final int FONT = 93;
    private static final int NONE = 0xFFF;
    private static final int DEEPEST = 20;
    private static final int OUTLINE_LEVEL = 0x2640;

    /** As stored, with modifiers of its own generation. */
    private record Told(StoredStyle style, List<Modifier> letters, List<Modifier> paragraphs) { }

    private final List<Told> styles = new ArrayList<>();

    OlderStyles(byte[] table, OlderFonts fonts) {
        int head = Modifiers.two(table, 0);
        int count = Modifiers.two(table, 2);
        int base = Modifiers.two(table, 4);
        int at = 2 + head;
        for (int i = 0; i < count && at + 2 <= table.length; i++) {
            int length = Modifiers.two(table, at);
            int end = at + 2 + length;
            styles.add(length < base + 2 || base < 8 || end > table.length ? null : style(Arrays.copyOfRange(table, at + 2, end), base, fonts));
            at = end;
        }
    }

    private static Told style(byte[] told, int base, OlderFonts fonts) {
        int name = told[base] & 0xFF;
        String stored = new String(told, base + 1, Math.min(name, told.length - base - 1), fonts.usual());
        int number = Modifiers.two(told, 0) & 0xFFF;
        boolean paragraph = (Modifiers.two(told, 2) & 0xF) == 1;
        List<Modifier> paragraphs = List.of();
        int at = base + 2 + name;
        at += at & 1;
        if (paragraph) {
            byte[] stretch = measured(told, at);
            paragraphs = OlderModifiers.in(stretch, 2);
            at += 2 + stretch.length;
            at += at & 1;
        }
        List<Modifier> letters = OlderModifiers.in(measured(told, at), 0);
        List<Modifier> newer = new ArrayList<>(OlderModifiers.newer(paragraphs));
        if (paragraph && number >= 1 && number <= 9) newer.add(new Modifier(OUTLINE_LEVEL, new byte[] {(byte) (number - 1)}));
        return new Told(new StoredStyle(name(number, stored), paragraph, Modifiers.two(told, 2) >> 4, Modifiers.two(told, 4) >> 4,
                OlderModifiers.newer(letters), newer), letters, paragraphs);
    }

    private static byte[] measured(byte[] told, int at) {
        if (at + 2 > told.length) return new byte[0];
        return Arrays.copyOfRange(told, at + 2, Math.min(told.length, at + 2 + Modifiers.two(told, at)));
    }

    private static String name(int number, String stored) {
        if (number >= 1 && number <= 9) return "heading " + number;
        if (number >= 19 && number <= 27) return "toc " + (number - 18);
        return switch (number) {
            case 0 -> "Normal";
            case 29 -> "footnote text";
            case 31 -> "header";
            case 32 -> "footer";
            case 34 -> "caption";
            case 62 -> "Title";
            case 65 -> "Default Paragraph Font";
            case 74 -> "Subtitle";
            default -> stored;
        };
    }

    List<StoredStyle> all() {
        List<StoredStyle> all = new ArrayList<>();
        for (Told one : styles) all.add(one == null ? null : one.style);
        return all;
    }

    private Told get(int number) { return number < 0 || number >= styles.size() ? null : styles.get(number); }

    /** The number of the font that a style sets letters in, or -1. */
    int font(int style) {
        Modifier told = said(style, FONT, true);
        return told == null ? -1 : told.two();
    }

    /** What a style, or those it is made from, says by a modifier of its own generation; null for nothing. */
    Modifier said(int style, int code, boolean ofLetters) {
        int number = style;
        for (int depth = 0; depth < DEEPEST; depth++) {
            Told told = get(number);
            if (told == null) return null;
            Modifier last = last(ofLetters ? told.letters : told.paragraphs, code);
            if (last != null) return last;
            number = told.style.parent() == NONE ? -1 : told.style.parent();
        }
        return null;
    }

    /** The last of a code, which is the one that counts, or null. */
    static Modifier last(List<Modifier> modifiers, int code) {
        Modifier last = null;
        for (Modifier one : modifiers) if (one.code() == code) last = one;
        return last;
    }
}
