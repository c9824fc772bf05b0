package app.decant.format.binary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A list of property modifiers taken apart (MS-DOC 2.2.5.1): the code tells how long its operand is. A list that lies about a length ends there. */
final class Modifiers {
    private Modifiers() { }

    /** One modifier. */
    record Modifier(int code, byte[] operand) {
        int one() { return operand.length > 0 ? operand[0] & 0xFF : 0; }
        int two() { return operand.length > 1 ? operand[0] & 0xFF | (operand[1] & 0xFF) << 8 : one(); }
        int signed() { return (short) two(); }
        int four() { return operand.length > 3 ? two() | (operand[2] & 0xFF) << 16 | (operand[3] & 0xFF) << 24 : two(); }
        boolean on() { return one() == 1 || one() == 0x81; }
        double points() { return signed() / 20.0; }
    }

    static List<Modifier> in(byte[] list, int from) {
        List<Modifier> modifiers = new ArrayList<>();
        if (list == null) return modifiers;
        int at = from;
        while (at + 2 <= list.length) {
            int code = list[at] & 0xFF | (list[at + 1] & 0xFF) << 8;
            at += 2;
            int length;
            switch (code >> 13) {
                case 0, 1 -> length = 1;
                case 2, 4, 5 -> length = 2;
                case 3 -> length = 4;
                case 7 -> length = 3;
                default -> {
                    if (at >= list.length) return modifiers;
                    length = list[at++] & 0xFF;
                    if (code == 0xD608 || code == 0xD606) {
                        if (at >= list.length) return modifiers;
                        length = (length | (list[at++] & 0xFF) << 8) - 1;
                    } else if (code == 0xC615 && length == 255) {
                        if (at >= list.length) return modifiers;
                        length = changedStops(list, at);
                    }
                }
            }
            if (length < 0 || at + length > list.length) return modifiers;
            modifiers.add(new Modifier(code, Arrays.copyOfRange(list, at, at + length)));
            at += length;
        }
        return modifiers;
    }

    /** How long a change of stops is that tells its length by how many it takes out and puts in (sprmPChgTabs, 2.6.2). */
    static int changedStops(byte[] list, int at) {
        int deleted = at < list.length ? list[at] & 0xFF : 0;
        int added = at + 1 + 4 * deleted < list.length ? list[at + 1 + 4 * deleted] & 0xFF : 0;
        return 2 + 4 * deleted + 3 * added;
    }

    static int two(byte[] bytes, int at) { return at + 1 < bytes.length ? bytes[at] & 0xFF | (bytes[at + 1] & 0xFF) << 8 : 0; }
    static int four(byte[] bytes, int at) { return two(bytes, at) | two(bytes, at + 2) << 16; }
}
