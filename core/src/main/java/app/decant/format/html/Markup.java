package app.decant.format.html;

import app.decant.xml.XmlWriter;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Set;

/** Markup that is both good HTML and good XML: every element is closed, empty ones that HTML closes by itself in short. */
final class Markup {
    private static final Set<String> VOID = Set.of("br", "img", "hr", "col", "meta", "link");

    private final StringBuilder out = new StringBuilder();
    private final Deque<String> open = new ArrayDeque<>();

    /** @param attributes names and values by turns; null values are left out */
    Markup open(String name, String... attributes) {
        out.append('<').append(name);
        for (int i = 0; i < attributes.length; i += 2)
            if (attributes[i + 1] != null) out.append(' ').append(attributes[i]).append("=\"").append(escaped(attributes[i + 1])).append('"');
        if (VOID.contains(name)) {
            out.append("/>");
        } else {
            out.append('>');
            open.push(name);
        }
        return this;
    }

    Markup close() {
        out.append("</").append(open.pop()).append('>');
        return this;
    }

    Markup text(String text) {
        out.append(escaped(text));
        return this;
    }

    Markup line() {
        out.append('\n');
        return this;
    }

    Markup raw(String markup) {
        out.append(markup);
        return this;
    }

    static String escaped(String text) { return XmlWriter.escaped(text); }

    @Override public String toString() { return out.toString(); }
}
