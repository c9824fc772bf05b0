package app.decant.xml;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a file of XML names instead of saying it (Extensible Markup Language 1.0, 4.2): no office file does, but attacks do, with names that stand for other
 * files or for each other a million times. They are left out, with the document type that declares them, and the rest is read.
 */
public final class Entities {
    private static final int LONGEST = 1 << 16;
    private static final Pattern TYPE = Pattern.compile("<!DOCTYPE\\b[^\\[>]*(\\[.*?\\]\\s*)?>", Pattern.DOTALL);
    private static final Pattern DECLARED = Pattern.compile("<!ENTITY\\s+(?:%\\s+)?([^\\s\"'<>&;]+)");
    private static final Pattern ROOT = Pattern.compile("<[\\p{L}_]");

    private Entities() { }

    /** Whether a file declares any. */
    public static boolean areIn(byte[] xml) { return !declared(xml).isEmpty(); }

    /** The file without what it declares; the very bytes where it declares nothing. */
    static byte[] without(byte[] xml) {
        Set<String> names = declared(xml);
        if (names.isEmpty()) return xml;
        // Each byte a sign: names and marks are the same in all encodings that begin as ASCII does.
        String text = TYPE.matcher(new String(xml, StandardCharsets.ISO_8859_1)).replaceFirst("");
        StringBuilder all = new StringBuilder();
        for (String name : names) all.append(all.isEmpty() ? "" : "|").append(Pattern.quote(name));
        return text.replaceAll("[&%](?:" + all + ");", "").getBytes(StandardCharsets.ISO_8859_1);
    }

    private static Set<String> declared(byte[] xml) {
        String head = new String(xml, 0, Math.min(xml.length, LONGEST), StandardCharsets.ISO_8859_1);
        int type = head.indexOf("<!DOCTYPE");
        Matcher root = ROOT.matcher(head);
        if (type < 0 || root.find() && root.start() < type) return Set.of();
        Set<String> names = new LinkedHashSet<>();
        Matcher declared = DECLARED.matcher(head);
        while (declared.find()) names.add(declared.group(1));
        return names;
    }
}
