package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.document.Style;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What the styles that most documents bring along are called here: by what they are for. Styles of somebody's own keep their names. */
public final class StyleNames {
    private static final Map<Pattern, String> STANDARD = new LinkedHashMap<>();

    static {
        name("normal|standard|default( paragraph style)?|body( text)?|text ?body|textkörper|paragraph", "text");
        name("(?:heading|überschrift|titre) ?(\\d)", "heading");
        name("(?:toc|contents|verzeichnis) ?(\\d)", "contents");
        name("list( paragraph| bullet| number| continue| contents)?( ?\\d)?", "list");
        name("footnote( text)?|endnote( text)?", "note");
        name("header( left| right)?", "head");
        name("footer( left| right)?", "foot");
        name("caption|illustration|figure", "caption");
        name("(intense )?quote|quotations?|block text", "quote");
        name("title", "title");
        name("subtitle", "subtitle");
        name("plain text|preformatted text|html preformatted|code", "typewritten");
        name("table contents", "cell");
    }

    private StyleNames() { }

    private static void name(String pattern, String key) { STANDARD.put(Pattern.compile(pattern, Pattern.CASE_INSENSITIVE), "style." + key); }

    /** A style's name as people read it. */
    public static String plain(Style style) {
        String name = style.name().isBlank() ? style.id() : style.name().strip();
        for (Map.Entry<Pattern, String> one : STANDARD.entrySet()) {
            Matcher matcher = one.getKey().matcher(name);
            if (matcher.matches()) return matcher.groupCount() > 0 && (one.getValue().endsWith("heading") || one.getValue().endsWith("contents"))
                    ? Words.of(one.getValue(), matcher.group(1)) : Words.of(one.getValue());
        }
        return name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
    }
}
