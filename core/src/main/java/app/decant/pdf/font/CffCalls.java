package app.decant.pdf.font;

import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;

/**
 * Which shared pieces of outline the glyphs of a compact font call (Adobe Technical Note 5177, clause 4.4), found by following their programs as far
 * as the calls need.
 */
public final class CffCalls {
    /** Calls within calls; the standard allows ten. */
    private static final int DEEPEST = 12;

    private final byte[][] global;
    final BitSet usedGlobal = new BitSet();
    /** A program reckons with numbers, so that what it calls can't be told without running it. */
    private boolean unknown;
    private boolean composed;

    CffCalls(byte[][] global) { this.global = global; }

    boolean isUnknown() { return unknown; }

    /** Whether a glyph is put together of two others (appendix C, {@code endchar} with four numbers). */
    boolean isComposed() { return composed; }

    /** Follows one glyph. */
    void follow(byte[] program, byte[][] local, BitSet usedLocal) { new Run(local, usedLocal).run(program, 0); }

    static int bias(int count) { return count < 1240 ? 107 : count < 33900 ? 1131 : 32768; }

    private final class Run {
        private final byte[][] local;
        private final BitSet usedLocal;
        private final Deque<Integer> numbers = new ArrayDeque<>();
        private int hints;

        Run(byte[][] local, BitSet usedLocal) {
            this.local = local;
            this.usedLocal = usedLocal;
        }

        /** @return false once the glyph has ended */
        boolean run(byte[] program, int depth) {
            int i = 0;
            while (i < program.length) {
                int b = program[i++] & 0xFF;
                if (b == 28) {
                    numbers.push((int) (short) (at(program, i) << 8 | at(program, i + 1)));
                    i += 2;
                } else if (b >= 32 && b <= 246) {
                    numbers.push(b - 139);
                } else if (b >= 247 && b <= 254) {
                    int low = at(program, i++);
                    numbers.push(b <= 250 ? (b - 247) * 256 + low + 108 : -(b - 251) * 256 - low - 108);
                } else if (b == 255) {
                    numbers.push(at(program, i) << 8 | at(program, i + 1));
                    i += 4;
                } else if (b == 10 || b == 29) {
                    if (!call(b == 10, depth)) return false;
                } else if (b == 11) {
                    return true;
                } else if (b == 14) {
                    composed |= numbers.size() >= 4;
                    return false;
                } else if (b == 12) {
                    int second = at(program, i++);
                    // Flexes draw; all others reckon.
                    if (second < 34 || second > 37) unknown = true;
                    numbers.clear();
                } else {
                    if (b == 1 || b == 3 || b == 18 || b == 23 || b == 19 || b == 20) hints += numbers.size() / 2;
                    if (b == 19 || b == 20) i += (hints + 7) / 8;
                    numbers.clear();
                }
            }
            return true;
        }

        private boolean call(boolean here, int depth) {
            byte[][] pieces = here ? local : global;
            if (numbers.isEmpty() || depth > DEEPEST) {
                unknown = true;
                return true;
            }
            int number = numbers.pop() + bias(pieces.length);
            if (number < 0 || number >= pieces.length) {
                unknown = true;
                return true;
            }
            (here ? usedLocal : usedGlobal).set(number);
            return run(pieces[number], depth + 1);
        }

        private static int at(byte[] program, int i) { return i < program.length ? program[i] & 0xFF : 0; }
    }
}
