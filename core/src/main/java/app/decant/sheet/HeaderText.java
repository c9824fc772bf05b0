package app.decant.sheet;

import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The header or footer of a sheet's pages: what its codes say, at the left, in the middle and at the right (ISO/IEC 29500-1, 18.3.1.46). */
final class HeaderText {
    private static final Pattern FONT = Pattern.compile("\"([^\",]*)(?:,([^\"]*))?\"");
    private static final Pattern MORE = Pattern.compile("[+-]\\d{1,4}");
    private static final Pattern SIZE = Pattern.compile("\\d{1,3}");
    private static final Pattern COLOUR = Pattern.compile("([0-9A-Fa-f]{6})|\\d\\d[+-]\\d{3}");

    private final List<List<Inline>> parts = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
    private final Values values;
    private final StringBuilder text = new StringBuilder();
    private int part = 1;
    private Look look;

    /** What codes stand for on a page. */
    record Values(String page, int pages, String sheet, String file, LocalDateTime now, Locale locale) { }

    private HeaderText(Values values, Look plain) {
        this.values = values;
        look = plain;
    }

    /** The runs of the three parts, from left to right. */
    static List<List<Inline>> of(String codes, Values values, Look plain) {
        HeaderText header = new HeaderText(values, plain);
        header.read(codes, plain);
        return header.parts;
    }

    private void read(String codes, Look plain) {
        for (int i = 0; i < codes.length(); i++) {
            char c = codes.charAt(i);
            if (c != '&' || i + 1 >= codes.length()) {
                if (c == '\n') text.append(Inline.LINE_BREAK);
                else if (c != '\r') text.append(c);
                continue;
            }
            i++;
            i += code(codes, i, plain);
        }
        flush();
    }

    /** Follows the code at an index; returns how many letters it has beyond its first. */
    private int code(String codes, int at, Look plain) {
        char code = Character.toUpperCase(codes.charAt(at));
        switch (code) {
            case 'L', 'C', 'R' -> {
                flush();
                part = "LCR".indexOf(code);
                look = plain;
            }
            case 'P' -> { return page(codes, at + 1); }
            case 'N' -> text.append(values.pages);
            case 'A' -> text.append(values.sheet);
            case 'F' -> text.append(values.file);
            case 'D' -> text.append(values.now.format(DateTimeFormatter.ofLocalizedDate(FormatStyle.SHORT).withLocale(values.locale)));
            case 'T' -> text.append(values.now.format(DateTimeFormatter.ofLocalizedTime(FormatStyle.SHORT).withLocale(values.locale)));
            case '&' -> text.append('&');
            case 'B' -> dress(look.with(TextProperty.BOLD, !look.is(TextProperty.BOLD)));
            case 'I' -> dress(look.with(TextProperty.ITALIC, !look.is(TextProperty.ITALIC)));
            case 'U' -> dress(look.with(TextProperty.UNDERLINE, look.says(TextProperty.UNDERLINE) ? null : Underline.SINGLE));
            case 'E' -> dress(look.with(TextProperty.UNDERLINE, look.says(TextProperty.UNDERLINE) ? null : Underline.DOUBLE));
            case 'S' -> dress(look.with(TextProperty.STRIKE, !look.is(TextProperty.STRIKE)));
            case 'X' -> dress(look.with(TextProperty.SCRIPT, look.says(TextProperty.SCRIPT) ? null : Script.SUPER));
            case 'Y' -> dress(look.with(TextProperty.SCRIPT, look.says(TextProperty.SCRIPT) ? null : Script.SUB));
            case '"' -> { return font(codes, at); }
            case 'K' -> { return colour(codes, at + 1); }
            default -> { return Character.isDigit(code) ? size(codes, at) : 0; }
        }
        return 0;
    }

    /** The page's number, and what is added to it or taken away: common practice, no source. */
    private int page(String codes, int at) {
        Matcher more = MORE.matcher(codes).region(at, codes.length());
        boolean counts = more.lookingAt() && values.page.matches("\\d{1,8}");
        text.append(counts ? Integer.toString(Integer.parseInt(values.page) + Integer.parseInt(more.group())) : values.page);
        return counts ? more.end() - at : 0;
    }

    private int font(String codes, int at) {
        Matcher font = FONT.matcher(codes).region(at, codes.length());
        if (!font.lookingAt()) return 0;
        String style = font.group(2) == null ? "" : font.group(2).toLowerCase(Locale.ROOT);
        Look dressed = look.with(TextProperty.BOLD, style.contains("bold")).with(TextProperty.ITALIC, style.contains("italic"));
        dress(font.group(1).equals("-") || font.group(1).isBlank() ? dressed : dressed.with(TextProperty.FAMILY, font.group(1)));
        return font.end() - at - 1;
    }

    private int colour(String codes, int at) {
        Matcher colour = COLOUR.matcher(codes).region(at, codes.length());
        if (!colour.lookingAt()) return 0;
        if (colour.group(1) != null) dress(look.with(TextProperty.COLOUR, Colour.hex(colour.group(1))));
        return colour.end() - at;
    }

    private int size(String codes, int at) {
        Matcher size = SIZE.matcher(codes).region(at, codes.length());
        if (!size.lookingAt()) return 0;
        dress(look.with(TextProperty.SIZE, Math.max(1.0, Double.parseDouble(size.group()))));
        return size.end() - at - 1;
    }

    private void dress(Look other) {
        flush();
        look = other;
    }

    private void flush() {
        if (!text.isEmpty()) parts.get(part).add(new Inline.Text(text.toString(), look));
        text.setLength(0);
    }
}
