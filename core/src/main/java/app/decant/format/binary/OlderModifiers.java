package app.decant.format.binary;

import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Property modifiers of the generation of 1993 to 1995, which have codes of one byte and tell in a table how long they are, as those of 1997 that say the
 * same ([MS-DOC], 2.6). The table of the older ones was published by the maker of the format and is given from memory; it was checked against files.
 */
final class OlderModifiers {
    /** What kind of numbered paragraph one is, how its number is made, and which stories a section has: of this generation only. */
    static final int NUMBERED = 13;
    static final int NUMBER = 12;
    static final int OUTLINE = 133;
    static final int STORIES = 153;
    private static final int MEASURED = 1 << 6;
    private static final int MEASURED_LONG = 1 << 7;
    private static final int STOPS = 23;
    private static final int CELLS = 190;
    private static final int OLDEST_CELLS = 188;
    private static final int ROW_BORDERS = 187;
    private static final int CELL_BORDERS = 193;
    private static final int CELL_SHADE = 200;
    private static final int FIRST_BORDER = 38;
    private static final int LAST_BORDER = 43;
    private static final int SYMBOL = 74;
    private static final int SIZE_AND_PLACE = 95;
    private static final int BORDER = 2;
    private static final int CELL = 10;
    private static final int NEW_CELL = 20;

    /** Lengths of operands that are not one byte. */
    private static final Map<Integer, Integer> LENGTHS = new HashMap<>();
    /** Codes of 1997 for those whose operand is the same. */
    private static final Map<Integer, Integer> CODES = new HashMap<>();

    static {
        lengths(0, 83);
        lengths(2, 2, 16, 17, 18, 19, 21, 22, 26, 27, 28, 30, 31, 32, 33, 34, 35, 36, 38, 39, 40, 41, 42, 43, 45, 46, 47, 48, 49, 69, 72, 80, 93, 96, 97, 99,
                101, 105, 106, 107, 109, 110, 121, 122, 123, 124, 140, 141, 144, 145, 148, 149, 154, 155, 156, 157, 160, 161, 164, 165, 166, 167, 168, 169,
                170, 171, 182, 183, 184, 189, 195, 197, 198);
        lengths(3, 73, 95, 136, 137);
        lengths(4, 20, 70, 192, 194, 196, 200);
        lengths(5, 193, 199);
        lengths(12, 187);
        lengths(MEASURED, 3, 12, 15, 23, 68, 74, 81, 82, 103, 108, 120, 133, 191);
        lengths(MEASURED_LONG, 188, 190);
        codes(0x4600, 2);
        codes(0x2403, 5, 0x2405, 7, 0x2406, 8, 0x2407, 9, 0xC60D, 15, 0x840E, 16, 0x840F, 17, 0x8411, 19, 0x6412, 20, 0xA413, 21, 0xA414, 22, 0xC615, 23,
                0x2416, 24, 0x2417, 25, 0x8418, 26, 0x8419, 27, 0x841A, 28, 0x261B, 29, 0x2423, 37, 0x242A, 44, 0x442B, 45, 0x442C, 46, 0x442D, 47, 0x842E, 48,
                0x842F, 49, 0x2431, 51);
        codes(0x0800, 65, 0x0801, 66, 0x0802, 67, 0x6A03, 68, 0x4804, 69, 0x6805, 70, 0x0806, 71, 0x4A30, 80, 0x0835, 85, 0x0836, 86, 0x0837, 87, 0x0838, 88,
                0x0839, 89, 0x083A, 90, 0x083B, 91, 0x083C, 92, 0x4A4F, 93, 0x2A3E, 94, 0x8840, 96, 0x486D, 97, 0x2A42, 98, 0x4A43, 99, 0x4845, 101,
                0x2A48, 104, 0x484B, 107, 0x0855, 117);
        codes(0xF203, 136, 0xF204, 137, 0x3005, 138, 0x3009, 142, 0x300A, 143, 0x500B, 144, 0x900C, 145, 0x300E, 147, 0x3011, 150, 0x3013, 152, 0x5015, 154,
                0x9016, 155, 0xB017, 156, 0xB018, 157, 0x3019, 158, 0x301A, 159, 0x501B, 160, 0x501C, 161, 0xB01F, 164, 0xB020, 165, 0xB021, 166, 0xB022, 167,
                0x9023, 168, 0x9024, 169, 0xB025, 170);
        codes(0x5400, 182, 0x9601, 183, 0x9602, 184, 0x3403, 185, 0x3404, 186, 0x9407, 189, 0xD609, 191);
    }

    private OlderModifiers() { }

    private static void lengths(int length, int... codes) { for (int code : codes) LENGTHS.put(code, length); }
    private static void codes(int... pairs) { for (int i = 0; i < pairs.length; i += 2) CODES.put(pairs[i + 1], pairs[i]); }

    /** The modifiers of a list as they stand there. A list that lies about a length ends there. */
    static List<Modifier> in(byte[] list, int from) {
        List<Modifier> modifiers = new ArrayList<>();
        int at = from;
        while (at < list.length) {
            int code = list[at++] & 0xFF;
            int length = LENGTHS.getOrDefault(code, 1);
            if (length == MEASURED_LONG) {
                length = Modifiers.two(list, at) - 1;
                at += 2;
            } else if (length == MEASURED) {
                length = at < list.length ? list[at] & 0xFF : 0;
                at++;
                if (code == STOPS && length == 255) length = Modifiers.changedStops(list, at);
            }
            if (length < 0 || at + length > list.length) return modifiers;
            modifiers.add(new Modifier(code, Arrays.copyOfRange(list, at, at + length)));
            at += length;
        }
        return modifiers;
    }

    /** The same as modifiers of 1997; what has no counterpart is left out. */
    static List<Modifier> newer(List<Modifier> older) {
        List<Modifier> newer = new ArrayList<>();
        byte[] cells = null;
        byte[] shades = null;
        for (Modifier one : older) {
            byte[] operand = one.operand();
            switch (one.code()) {
                case CELLS, OLDEST_CELLS -> cells = cells(operand);
                case ROW_BORDERS -> newer.add(new Modifier(0xD605, borders(operand, 0, 6)));
                case CELL_BORDERS -> bordered(cells, operand);
                case CELL_SHADE -> shades = shaded(shades, operand);
                case SYMBOL -> newer.add(new Modifier(0x6A09, Arrays.copyOf(operand, 4)));
                case SIZE_AND_PLACE -> {
                    if (operand[0] != 0) newer.add(new Modifier(0x4A43, new byte[] {operand[0], 0}));
                    // 128 says that the place stays as it is.
                    if (operand[2] != (byte) 128) newer.add(new Modifier(0x4845, new byte[] {operand[2], (byte) (operand[2] < 0 ? -1 : 0)}));
                }
                default -> {
                    Integer code = CODES.get(one.code());
                    if (code != null) newer.add(new Modifier(code, operand));
                    else if (one.code() >= FIRST_BORDER && one.code() <= LAST_BORDER)
                        newer.add(new Modifier(0x6424 + one.code() - FIRST_BORDER, borders(operand, 0, 1)));
                }
            }
        }
        if (cells != null) newer.add(new Modifier(0xD608, cells));
        if (shades != null) newer.add(new Modifier(0xD609, shades));
        return newer;
    }

    /**
     * Borders, of two bytes each, as those of 1997 ([MS-DOC], 2.9.17): three bits of width in steps of three quarters of a point, of which 6 is dotted and
     * 7 dashed, two of its kind, one of its shadow, five of its colour, five of its distance in points.
     */
    private static byte[] borders(byte[] older, int at, int count) {
        byte[] newer = new byte[4 * count];
        for (int i = 0; i < count; i++) {
            int told = Modifiers.two(older, at + BORDER * i);
            int width = told & 7;
            int kind = told >> 3 & 3;
            if (width == 0 || kind == 0) continue;
            newer[4 * i] = (byte) (6 * (width > 5 ? 1 : width));
            newer[4 * i + 1] = (byte) (width > 5 ? width : kind);
            newer[4 * i + 2] = (byte) (told >> 6 & 31);
            newer[4 * i + 3] = (byte) (told >> 11 & 31);
        }
        return newer;
    }

    /** What is said of a row's cells, with ten bytes for each, as of 1997 with twenty (2.9.316). */
    private static byte[] cells(byte[] older) {
        int count = older.length == 0 ? 0 : older[0] & 0xFF;
        int edges = 1 + 2 * (count + 1);
        byte[] newer = new byte[edges + NEW_CELL * count];
        System.arraycopy(older, 0, newer, 0, Math.min(edges, older.length));
        for (int i = 0; i < count; i++) {
            int from = edges + CELL * i;
            if (from + CELL > older.length) break;
            int to = edges + NEW_CELL * i;
            newer[to] = (byte) (older[from] & 3);
            System.arraycopy(borders(older, from + 2, 4), 0, newer, to + 4, 16);
        }
        return newer;
    }

    /** Some sides of some cells get another border: first cell, the one after the last, which sides, the border. */
    private static void bordered(byte[] cells, byte[] told) {
        if (cells == null || cells.length == 0) return;
        int count = cells[0] & 0xFF;
        byte[] border = borders(told, 3, 1);
        for (int cell = told[0] & 0xFF; cell < Math.min(count, told[1] & 0xFF); cell++)
            for (int side = 0; side < 4; side++)
                if ((told[2] >> side & 1) != 0) System.arraycopy(border, 0, cells, 1 + 2 * (count + 1) + NEW_CELL * cell + 4 + 4 * side, 4);
    }

    private static byte[] shaded(byte[] before, byte[] told) {
        byte[] shades = Arrays.copyOf(before == null ? new byte[0] : before, Math.max(before == null ? 0 : before.length, 2 * (told[1] & 0xFF)));
        for (int cell = told[0] & 0xFF; cell < (told[1] & 0xFF); cell++) System.arraycopy(told, 2, shades, 2 * cell, 2);
        return shades;
    }
}
