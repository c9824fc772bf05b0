package app.decant.document;

import com.ibm.icu.text.RuleBasedNumberFormat;
import com.ibm.icu.util.ULocale;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** How a count is written. */
public enum NumberFormat {
    DECIMAL, DECIMAL_ZERO, LOWER_ROMAN, UPPER_ROMAN, LOWER_LETTER, UPPER_LETTER, ORDINAL, CARDINAL_TEXT, ORDINAL_TEXT, SIGNS, BULLET, NONE;

    /** Rules of languages take longer to make than thousands of counts to say. */
    private static final Map<String, RuleBasedNumberFormat> RULES = new ConcurrentHashMap<>();
    /** What typesetters mark notes by, doubled where they begin again (17.18.59, chicago). */
    private static final String[] NOTE_SIGNS = {"*", "\u2020", "\u2021", "\u00A7"};
    private static final int[] VALUES = {1000, 900, 500, 400, 100, 90, 50, 40, 10, 9, 5, 4, 1};
    private static final String[] ROMAN = {"m", "cm", "d", "cd", "c", "xc", "l", "xl", "x", "ix", "v", "iv", "i"};

    /** Whether what is written hangs on a language, since it is made of words. */
    public boolean isSpoken() { return this == ORDINAL || this == CARDINAL_TEXT || this == ORDINAL_TEXT; }

    /** The count as said in a language (a BCP 47 tag): 1st, One, First. Formats without words are the same in all. */
    public String write(int count, String language) {
        if (!isSpoken()) return write(count);
        ULocale locale = ULocale.forLanguageTag(language == null ? "en" : language);
        RuleBasedNumberFormat rules = RULES.computeIfAbsent(locale.toLanguageTag() + (this == ORDINAL), key -> new RuleBasedNumberFormat(locale,
                this == ORDINAL ? RuleBasedNumberFormat.ORDINAL : RuleBasedNumberFormat.SPELLOUT));
        String said;
        // One set of rules serves one caller at a time.
        synchronized (rules) {
            said = this == ORDINAL_TEXT ? ordinal(rules, count) : rules.format(count);
        }
        if (this == ORDINAL) return said;
        return said.isEmpty() ? said : said.substring(0, 1).toUpperCase(locale.toLocale()) + said.substring(1);
    }

    /** Languages name their rules by gender where they have one; the first that orders is the plainest. */
    private static String ordinal(RuleBasedNumberFormat rules, int count) {
        for (String rule : rules.getRuleSetNames()) if (rule.startsWith("%spellout-ordinal")) return rules.format(count, rule);
        return rules.format(count);
    }

    /** The count written in this format; letters go on doubled after z (aa, bb), as is common practice in office programs. */
    public String write(int count) {
        return switch (this) {
            case DECIMAL -> Integer.toString(count);
            case DECIMAL_ZERO -> count < 10 ? "0" + count : Integer.toString(count);
            case LOWER_ROMAN -> roman(count);
            case UPPER_ROMAN -> roman(count).toUpperCase(Locale.ROOT);
            case LOWER_LETTER -> letters(count);
            case UPPER_LETTER -> letters(count).toUpperCase(Locale.ROOT);
            case ORDINAL, CARDINAL_TEXT, ORDINAL_TEXT -> write(count, null);
            case SIGNS -> count < 1 ? Integer.toString(count) : NOTE_SIGNS[(count - 1) % NOTE_SIGNS.length].repeat(Math.min(20,
                    (count - 1) / NOTE_SIGNS.length + 1));
            case BULLET, NONE -> "";
        };
    }

    private static String roman(int count) {
        if (count < 1 || count > 9999) return Integer.toString(count);
        StringBuilder text = new StringBuilder();
        int rest = count;
        for (int i = 0; i < VALUES.length; i++) {
            for (; rest >= VALUES[i]; rest -= VALUES[i]) text.append(ROMAN[i]);
        }
        return text.toString();
    }

    private static String letters(int count) {
        if (count < 1) return Integer.toString(count);
        return String.valueOf((char) ('a' + (count - 1) % 26)).repeat(Math.min(50, (count - 1) / 26 + 1));
    }
}
