package app.decant.pdf.write;

import java.io.ByteArrayOutputStream;
import java.util.List;

/** Numbers of any width packed one after another, as hint tables hold them (ISO 32000-1, F.4). */
public final class HintBits {
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private int held;
    private int count;

    void put(long value, int bits) {
        for (int bit = bits - 1; bit >= 0; bit--) {
            held = held << 1 | (int) (value >> bit & 1);
            if (++count == 8) {
                out.write(held);
                held = 0;
                count = 0;
            }
        }
    }

    /** One column of a table, which starts and ends at whole bytes. */
    void column(List<? extends Number> values, int bits) {
        for (Number value : values) put(value.longValue(), bits);
        while (count > 0) put(0, 1);
    }

    int length() { return out.size(); }
    byte[] bytes() { return out.toByteArray(); }

    /** How many bits a number needs. */
    static int width(long most) { return 64 - Long.numberOfLeadingZeros(most); }
}
