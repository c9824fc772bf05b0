package app.decant.pdf.lock;

import java.util.HashSet;
import java.util.Set;

/**
 * How long a password would hold out against guessing, judged by its length, the kinds of signs in it and how much it repeats itself (common practice;
 * no dictionary of words is asked).
 */
public enum PasswordStrength {
    NONE, WEAK, FAIR, STRONG;

    private static final double FAIR_BITS = 50;
    private static final double STRONG_BITS = 70;

    public static PasswordStrength of(String password) {
        if (password == null || password.isEmpty()) return NONE;
        double bits = bits(password);
        return bits < FAIR_BITS ? WEAK : bits < STRONG_BITS ? FAIR : STRONG;
    }

    /** Signs that follow each other, or come again, add little. */
    private static double bits(String password) {
        int[] points = password.codePoints().toArray();
        boolean small = false;
        boolean large = false;
        boolean digit = false;
        boolean sign = false;
        boolean other = false;
        Set<Integer> different = new HashSet<>();
        double counted = 0;
        for (int i = 0; i < points.length; i++) {
            int c = points[i];
            if (c >= 'a' && c <= 'z') small = true;
            else if (c >= 'A' && c <= 'Z') large = true;
            else if (c >= '0' && c <= '9') digit = true;
            else if (c < 128) sign = true;
            else other = true;
            boolean follows = i > 0 && Math.abs(c - points[i - 1]) <= 1;
            counted += follows ? 0.25 : different.add(c) ? 1 : 0.6;
        }
        int alphabet = (small ? 26 : 0) + (large ? 26 : 0) + (digit ? 10 : 0) + (sign ? 33 : 0) + (other ? 100 : 0);
        return counted * Math.log(alphabet) / Math.log(2);
    }
}
