package app.decant.pdf.font;

import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.Locale;

/** The two building blocks of a compact font: tables of entries, and dictionaries of numbers (Adobe Technical Note 5176, clauses 4 and 5). */
public final class CffWriting {
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();

    public byte[] bytes() { return out.toByteArray(); }
    public int length() { return out.size(); }

    public CffWriting raw(byte[] bytes) {
        out.writeBytes(bytes);
        return this;
    }

    public CffWriting card8(int value) {
        out.write(value);
        return this;
    }

    public CffWriting card16(int value) { return card8(value >> 8).card8(value); }

    /** An INDEX (clause 5). */
    public CffWriting index(List<byte[]> entries) {
        card16(entries.size());
        if (entries.isEmpty()) return this;
        long end = 1 + entries.stream().mapToLong(entry -> entry.length).sum();
        int width = end < 1 << 8 ? 1 : end < 1 << 16 ? 2 : end < 1 << 24 ? 3 : 4;
        card8(width);
        long at = 1;
        offset(at, width);
        for (byte[] entry : entries) offset(at += entry.length, width);
        entries.forEach(out::writeBytes);
        return this;
    }

    private void offset(long value, int width) { for (int i = width - 1; i >= 0; i--) card8((int) (value >> 8 * i)); }

    /** An operator after its operands; those of two bytes are written as 12 and {@code 0x0C00 | second}. */
    public CffWriting operator(int operator, Number... operands) {
        for (Number operand : operands) number(operand);
        return operator > 0xFF ? card8(operator >> 8).card8(operator) : card8(operator);
    }

    /** An operator whose operands are places in the file, always five bytes long so that they can be filled in later. */
    public CffWriting places(int operator, int... operands) {
        for (int operand : operands) card8(29).card16(operand >> 16).card16(operand);
        return operator(operator);
    }

    /** The steps from each number to the next. */
    CffWriting delta(int operator, List<? extends Number> values) {
        Number[] steps = new Number[values.size()];
        double before = 0;
        for (int i = 0; i < steps.length; i++) {
            steps[i] = values.get(i).doubleValue() - before;
            before = values.get(i).doubleValue();
        }
        return operator(operator, steps);
    }

    private void number(Number value) {
        double exact = value.doubleValue();
        int whole = (int) exact;
        if (exact != whole) real(exact);
        else if (whole >= -107 && whole <= 107) card8(whole + 139);
        else if (whole >= 108 && whole <= 1131) card8(247 + (whole - 108 >> 8)).card8(whole - 108);
        else if (whole >= -1131 && whole <= -108) card8(251 + (-whole - 108 >> 8)).card8(-whole - 108);
        else if (whole >= Short.MIN_VALUE && whole <= Short.MAX_VALUE) card8(28).card16(whole);
        else card8(29).card16(whole >> 16).card16(whole);
    }

    /** Digits in half bytes (table 5). */
    private void real(double value) {
        String text = String.format(Locale.ROOT, "%.14f", value).replaceAll("0+$", "");
        StringBuilder halves = new StringBuilder();
        for (char c : text.toCharArray()) halves.append(c == '.' ? 'a' : c == '-' ? 'e' : c);
        halves.append(halves.length() % 2 == 0 ? "ff" : "f");
        card8(30);
        for (int i = 0; i < halves.length(); i += 2) card8(Integer.parseInt(halves.substring(i, i + 2), 16));
    }
}
