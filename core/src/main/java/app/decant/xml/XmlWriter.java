package app.decant.xml;

import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;

/** Writes XML as a stream of elements. */
public final class XmlWriter {
    private final StringBuilder text = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n");
    private final Deque<String> open = new ArrayDeque<>();
    private boolean inTag;

    /** Opens an element; attributes alternate names and values, and those with a null value are left out. */
    public XmlWriter open(String name, Object... attributes) {
        closeTag();
        text.append('<').append(name);
        for (int i = 0; i < attributes.length; i += 2) {
            if (attributes[i + 1] != null) text.append(' ').append(attributes[i]).append("=\"").append(escaped(attributes[i + 1].toString())).append('"');
        }
        open.push(name);
        inTag = true;
        return this;
    }

    public XmlWriter close() {
        String name = open.pop();
        if (inTag) text.append("/>");
        else text.append("</").append(name).append('>');
        inTag = false;
        return this;
    }

    /** An element without content. */
    public XmlWriter leaf(String name, Object... attributes) { return open(name, attributes).close(); }

    /** An element with what {@code content} writes into it; no element where that is nothing. */
    public XmlWriter some(String name, Runnable content) {
        closeTag();
        int before = text.length();
        open(name);
        int opened = text.length();
        content.run();
        if (text.length() > opened) return close();
        open.pop();
        inTag = false;
        text.setLength(before);
        return this;
    }

    public XmlWriter text(String content) {
        closeTag();
        text.append(escaped(content));
        return this;
    }

    /** Markup put in as it is. */
    public XmlWriter raw(String markup) {
        closeTag();
        text.append(markup);
        return this;
    }

    private void closeTag() {
        if (inTag) text.append('>');
        inTag = false;
    }

    public byte[] bytes() {
        if (!open.isEmpty()) throw new IllegalStateException("Still open: " + open);
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** What was written, without the line that says that it is XML: to stand in other markup. */
    public String markup() {
        if (!open.isEmpty()) throw new IllegalStateException("Still open: " + open);
        return text.substring(text.indexOf("\n") + 1);
    }

    /** Text as it stands in markup and in attributes; characters XML cannot hold are left out. */
    public static String escaped(String content) {
        StringBuilder result = null;
        for (int i = 0; i < content.length(); i++) {
            char c = content.charAt(i);
            String instead = switch (c) {
                case '&' -> "&amp;";
                case '<' -> "&lt;";
                case '>' -> "&gt;";
                case '"' -> "&quot;";
                case '\t', '\n', '\r' -> null;
                default -> c < ' ' || c == '\uFFFE' || c == '\uFFFF' || loneSurrogate(content, i) ? "" : null;
            };
            if (instead != null && result == null) result = new StringBuilder(content.length() + 16).append(content, 0, i);
            if (result != null) {
                if (instead != null) result.append(instead);
                else result.append(c);
            }
        }
        return result == null ? content : result.toString();
    }

    private static boolean loneSurrogate(String content, int at) {
        char c = content.charAt(at);
        if (Character.isHighSurrogate(c)) return at + 1 >= content.length() || !Character.isLowSurrogate(content.charAt(at + 1));
        return Character.isLowSurrogate(c) && (at == 0 || !Character.isHighSurrogate(content.charAt(at - 1)));
    }
}
