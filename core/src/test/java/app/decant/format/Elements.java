package app.decant.format;

import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** How often each element, with each of its attributes, stands below each other one in the stories of a .docx. */
final class Elements {
    private static final Pattern STORIES = Pattern.compile("word/(document|header\\d*|footer\\d*|footnotes|endnotes)\\.xml");

    private Elements() { }

    /** The file with the markup of one part changed. */
    static byte[] with(byte[] file, String name, UnaryOperator<String> change) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> part : Archive.parts(file).entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                boolean own = part.getKey().equals(name);
                zip.write(own ? change.apply(new String(part.getValue(), StandardCharsets.UTF_8)).getBytes(StandardCharsets.UTF_8) : part.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    static XmlNode part(byte[] file, String name) { return XmlReader.tree(Archive.parts(file).get(name), name); }

    static Map<String, Integer> of(byte[] file) {
        Map<String, Integer> counts = new HashMap<>();
        Archive.parts(file).forEach((name, bytes) -> {
            if (!STORIES.matcher(name).matches()) return;
            String kind = name.replaceAll("^word/|\\d*\\.xml$", "");
            // Separators of notes say nothing of the text, and a part of notes without notes is none.
            XmlNode root = XmlReader.tree(bytes, name);
            for (XmlNode child : root.children()) if (child.get("w:type") == null) count(kind, root.name(), child, counts);
        });
        return counts;
    }

    private static void count(String kind, String parent, XmlNode node, Map<String, Integer> counts) {
        String path = kind + " " + parent + "/" + node.name();
        counts.merge(path, 1, Integer::sum);
        for (String attribute : node.attributes()) counts.merge(path + "@" + attribute, 1, Integer::sum);
        XmlNode last = null;
        for (XmlNode child : node.children()) {
            if (child.is("w:proofErr")) continue;
            // Runs that look the same may be joined: what they say of their look counts once.
            boolean joined = child.is("w:r") && last != null && last.is("w:r") && same(child.child("w:rPr"), last.child("w:rPr"));
            if (joined) for (XmlNode inner : child.children()) {
                if (!inner.is("w:rPr")) count(kind, "w:r", inner, counts);
            } else count(kind, node.name(), child, counts);
            last = child;
        }
    }

    private static boolean same(XmlNode one, XmlNode other) { return one == null ? other == null : one.equals(other); }

    /** What one file has more of than another, other than what {@code allowed} names. */
    static List<String> lost(Map<String, Integer> before, Map<String, Integer> after, Pattern allowed) {
        List<String> lost = new ArrayList<>();
        new TreeMap<>(before).forEach((path, count) -> {
            int missing = count - after.getOrDefault(path, 0);
            if (missing > 0 && !allowed.matcher(path).find()) lost.add(missing + " " + path);
        });
        return lost;
    }
}
