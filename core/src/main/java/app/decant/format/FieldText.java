package app.decant.format;

import app.decant.font.SymbolEncoding;
import java.nio.charset.Charset;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What fields show that keep no result in their file, since programs draw them from their instructions. */
public final class FieldText {
    private static final Pattern SYMBOL = Pattern.compile("(?is)SYMBOL\\s+(\"?)(0x[0-9a-f]+|\\d+|\\S)\\1((?:\\s.*)?)");
    private static final Pattern FAMILY = Pattern.compile("(?is)\\\\f\\s+(?:\"([^\"]*)\"|(\\S+))");
    private static final Pattern BUTTON = Pattern.compile("(?is)(?:MACROBUTTON|GOTOBUTTON)\\s+\\S+\\s+(.*)");

    private FieldText() { }

    /** The words of a button and the sign of a SYMBOL field (ISO/IEC 29500-1, 17.16.5.33, 17.16.5.63); nothing for others. */
    public static String of(String instruction) {
        String told = instruction.strip();
        Matcher button = BUTTON.matcher(told);
        if (button.matches()) return button.group(1).strip();
        Matcher symbol = SYMBOL.matcher(told);
        return symbol.matches() ? sign(symbol.group(2), symbol.group(3)) : "";
    }

    private static String sign(String number, String switches) {
        String told = number.toLowerCase(Locale.ROOT);
        int code = told.startsWith("0x") && told.length() > 2 && told.length() < 8 ? Integer.parseInt(told.substring(2), 16)
                : !told.matches("\\d+") ? number.codePointAt(0) : told.length() < 8 ? Integer.parseInt(told) : -1;
        if (!Character.isValidCodePoint(code) || Character.isISOControl(code)) return "";
        Matcher family = FAMILY.matcher(switches);
        String font = family.find() ? family.group(1) != null ? family.group(1) : family.group(2) : null;
        if (SymbolEncoding.isPictorial(font)) return SymbolEncoding.unicode(font, new String(Character.toChars(code < 0x100 ? code + 0xF000 : code)));
        boolean unicode = Pattern.compile("(?i)\\\\u\\b").matcher(switches).find();
        if (unicode || code > 0xFF) return new String(Character.toChars(code));
        // The code page of western systems, unless the field says that it counts by Unicode.
        return new String(new byte[] {(byte) code}, Charset.forName("windows-1252"));
    }
}
