package app.decant.pdf.keep;

import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.StreamOperators;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.font.PDFont;

/**
 * One operator that shows text (ISO 32000-2, 9.4.3), written with other codes. The pen is led so that every code that stays stands where it stood, or as far
 * beside that as is wished, and so that after the operator it is where it was: nothing that follows moves.
 */
final class TextRewriting {
    /** A number smaller than this moves nothing that can be seen. */
    private static final double NOTHING = 5e-6;

    private final StreamOperators.Found operator;
    private final PDFont font;
    private final double across;
    private final double rise;
    /** The glyphs that the operator shows, by their codes; codes that the page does not show are not among them. */
    private final Map<Integer, ShownGlyph> shown = new TreeMap<>();
    private final Map<Integer, Double> shifts = new TreeMap<>();
    private final Map<Integer, Double> lifts = new TreeMap<>();
    private final List<Integer> gone = new ArrayList<>();
    private final Map<Integer, List<Insert>> inserts = new TreeMap<>();
    private String own;
    private String ownColour;

    /**
     * A code that is put in, or with no bytes a gap.
     *
     * @param advance in thousandths of an em, spacing included
     * @param font    by which it is shown where that is not the operator's own, as operands of {@code Tf}; else null
     * @param letters how many characters of the text it stands for
     * @param rise    how far above the line it is shown (9.3.7), in unscaled units of text space
     * @param colour  the operators that set what it is painted in, where that is not what is in force; else null
     */
    record Insert(byte[] bytes, double advance, String font, int letters, double rise, String colour) {
        Insert(byte[] bytes, double advance, String font, int letters) { this(bytes, advance, font, letters, 0, null); }

        Insert coloured(String operators) { return new Insert(bytes, advance, font, letters, rise, operators); }
    }

    TextRewriting(StreamOperators.Found operator, ShownGlyph any) {
        this.operator = operator;
        font = any.font();
        across = any.across();
        rise = any.rise();
    }

    void shows(ShownGlyph glyph) { shown.put(glyph.code(), glyph); }

    /** A code goes. */
    void remove(int code) { gone.add(code); }

    boolean takesOut() { return !gone.isEmpty(); }

    /** Codes are put in before another, which goes or stays. */
    void insert(int code, List<Insert> some) { inserts.put(code, some); }

    /** The operator's own font, as operands of {@code Tf}: what follows is shown by it. */
    void goesBackTo(String font) { own = font; }

    /** The colour in force, as the operators that set it: what follows is painted in it. */
    void goesBackToColour(String operators) { ownColour = operators; }

    /** A code stands so many points further to the right. */
    void shift(int code, double points) { if (Math.abs(points) > 1e-4) shifts.put(code, points); }

    /** A code stands higher, by so many unscaled units of text space, and so does what is put in before it. */
    void lift(int code, double units) { lifts.merge(code, units, Double::sum); }

    /** The codes the operator shows, as they are written. */
    static List<byte[]> codes(StreamOperators.Found operator, PDFont font) throws IOException {
        List<byte[]> codes = new ArrayList<>();
        for (COSBase one : elements(operator)) if (one instanceof COSString string) codes.addAll(codes(string.getBytes(), font));
        return codes;
    }

    private static List<byte[]> codes(byte[] string, PDFont font) throws IOException {
        List<byte[]> codes = new ArrayList<>();
        ByteArrayInputStream in = new ByteArrayInputStream(string);
        while (in.available() > 0) {
            int before = in.available();
            font.readCode(in);
            int from = string.length - before;
            byte[] code = new byte[before - in.available()];
            System.arraycopy(string, from, code, 0, code.length);
            codes.add(code);
        }
        return codes;
    }

    private static List<COSBase> elements(StreamOperators.Found operator) throws IOException {
        if (operator.operands().isEmpty()) throw new IOException("An operator without its text");
        COSBase last = operator.operands().get(operator.operands().size() - 1);
        List<COSBase> elements = new ArrayList<>();
        if (last instanceof COSArray array) for (int i = 0; i < array.size(); i++) elements.add(array.getObject(i));
        else elements.add(last);
        return elements;
    }

    /** The operator as it is to be. */
    byte[] bytes() throws IOException {
        Writer out = new Writer(rise);
        out.raw(before());
        out.raw("[");
        int code = 0;
        double off = 0;
        for (COSBase element : elements(operator)) {
            if (element instanceof COSNumber number) {
                out.number(number.floatValue());
                continue;
            }
            if (!(element instanceof COSString string)) continue;
            for (byte[] bytes : codes(string.getBytes(), font)) {
                double wished = shifts.getOrDefault(code, 0.0) * 1000 / across;
                List<Insert> inserted = inserts.getOrDefault(code, List.of());
                boolean stays = !gone.contains(code);
                if (stays || !inserted.isEmpty()) {
                    out.move(wished - off);
                    off = wished;
                }
                String by = null;
                String in = null;
                double lift = rise + lifts.getOrDefault(code, 0.0);
                for (Insert one : inserted) {
                    out.rise(lift + one.rise);
                    if (!Objects.equals(by, one.font)) out.font(one.font == null ? own : one.font);
                    by = one.font;
                    if (!Objects.equals(in, one.colour)) out.between(one.colour == null ? ownColour : one.colour);
                    in = one.colour;
                    if (one.bytes.length == 0) out.move(one.advance);
                    else out.code(one.bytes);
                    off += one.advance;
                }
                if (by != null) out.font(own);
                if (in != null) out.between(ownColour);
                if (!stays) {
                    off -= shown.get(code).advance();
                } else {
                    if (!inserted.isEmpty()) {
                        out.move(wished - off);
                        off = wished;
                    }
                    out.rise(lift);
                    out.code(bytes);
                }
                code++;
            }
        }
        out.move(-off);
        out.rise(rise);
        out.raw("] TJ");
        return out.made();
    }

    /** What the operator does besides showing: a new line, spacing that is set for good (table 107). */
    private String before() {
        return switch (operator.name()) {
            case "'" -> "\nT* ";
            case "\"" -> "\n" + plain(operator.operands().get(0)) + " Tw " + plain(operator.operands().get(1)) + " Tc T* ";
            default -> "\n";
        };
    }

    private static String plain(COSBase number) { return number instanceof COSNumber value ? Writer.text(value.floatValue()) : "0"; }

    /** A number as it is written. */
    static String number(double value) { return Writer.text(value); }

    /** Writes an array of text: codes of one stretch in one string, numbers between. */
    private static final class Writer {
        private static final HexFormat HEXADECIMAL = HexFormat.of().withUpperCase();
        private static final int PLACES = 5;
        /** Numbers as large are written by what knows all digits. */
        private static final double LARGE = 1e9;

        private final ByteArrayOutputStream out = new ByteArrayOutputStream();
        private final StringBuilder string = new StringBuilder();
        private double risen;

        Writer(double rise) { risen = rise; }

        void raw(String text) {
            end();
            out.writeBytes(text.getBytes(StandardCharsets.ISO_8859_1));
        }

        /** As high above the line from here on. */
        void rise(double units) {
            if (Math.abs(units - risen) < NOTHING) return;
            raw("] TJ " + text(units) + " Ts [");
            risen = units;
        }

        /** Another font from here on. */
        void font(String operands) { between(operands + " Tf"); }

        /** Operators between two arrays: what they set holds from here on. */
        void between(String operators) { raw("] TJ " + operators + " ["); }

        void code(byte[] bytes) { string.append(HEXADECIMAL.formatHex(bytes)); }

        /** To the right, in thousandths of an em: numbers go the other way (9.4.3). */
        void move(double right) { if (Math.abs(right) > NOTHING) number(-right); }

        void number(double value) {
            end();
            raw(" " + text(value) + " ");
        }

        /** Rounded to five places, which no reader can tell from the exact value. */
        static String text(double value) {
            if (!(Math.abs(value) < LARGE)) return BigDecimal.valueOf(value).setScale(PLACES, RoundingMode.HALF_UP).stripTrailingZeros().toPlainString();
            long rounded = Math.round(Math.abs(value) * 1e5);
            StringBuilder text = new StringBuilder(value < 0 && rounded > 0 ? "-" : "").append(rounded / 100_000);
            long fraction = rounded % 100_000;
            if (fraction == 0) return text.toString();
            text.append('.');
            for (long unit = 10_000; fraction > 0; unit /= 10) {
                text.append((char) ('0' + fraction / unit));
                fraction %= unit;
            }
            return text.toString();
        }

        private void end() {
            if (string.isEmpty()) return;
            out.writeBytes(("<" + string + ">").getBytes(StandardCharsets.US_ASCII));
            string.setLength(0);
        }

        byte[] made() {
            end();
            return out.toByteArray();
        }
    }
}
