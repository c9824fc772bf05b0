package app.decant.format;

import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** The parts of an Open Packaging container (ISO/IEC 29500-2) and how they point at each other. */
public final class OfficePackage {
    private final Map<String, byte[]> parts;
    /** Names of parts are the same in small letters and in capitals (6.2.2.3). */
    private final Map<String, byte[]> anyCase = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
    private final Map<String, String> types = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
    private final Map<String, String> typesByEnding = new LinkedHashMap<>();
    /** Asked for by every link of a sheet, so each is read once. */
    private final Map<String, Map<String, Relation>> known = new HashMap<>();

    /** How one part points at another: {@code target} is a part's name, or an address where {@code outside}. */
    public record Relation(String id, String role, String target, boolean outside) {
        public boolean is(String name) { return role.endsWith("/" + name); }
    }

    public OfficePackage(byte[] file) { this(Archive.parts(file)); }

    private OfficePackage(Map<String, byte[]> parts) {
        this.parts = parts;
        anyCase.putAll(parts);
        byte[] contentTypes = anyCase.get("[Content_Types].xml");
        if (contentTypes == null) return;
        for (XmlNode node : XmlReader.tree(contentTypes, "[Content_Types].xml").children()) {
            if (node.is("ct:Override")) types.put(Archive.plain(node.get("PartName", "")), node.get("ContentType", ""));
            if (node.is("ct:Default")) typesByEnding.put(node.get("Extension", "").toLowerCase(Locale.ROOT), node.get("ContentType", ""));
        }
    }

    /** The same with other bytes for some parts; those with null are not there. */
    public OfficePackage with(Map<String, byte[]> others) {
        Map<String, byte[]> all = new LinkedHashMap<>(parts);
        others.forEach((name, bytes) -> {
            all.keySet().removeIf(name::equalsIgnoreCase);
            if (bytes != null) all.put(name, bytes);
        });
        return new OfficePackage(all);
    }

    public byte[] part(String name) { return anyCase.get(name); }

    public Set<String> names() { return parts.keySet(); }

    public String type(String name) {
        String type = types.get(name);
        return type != null ? type : typesByEnding.getOrDefault(name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT),
                "application/octet-stream");
    }

    /** The relations of a part by id; of the package itself for an empty name. */
    public Map<String, Relation> relations(String part) { return known.computeIfAbsent(part, this::read); }

    private Map<String, Relation> read(String part) {
        Map<String, Relation> relations = new LinkedHashMap<>();
        int slash = part.lastIndexOf('/');
        String folder = slash < 0 ? "" : part.substring(0, slash + 1);
        byte[] xml = anyCase.get(folder + "_rels/" + part.substring(slash + 1) + ".rels");
        if (xml == null) return relations;
        for (XmlNode node : XmlReader.tree(xml, "relations").children("rel:Relationship")) {
            boolean outside = "External".equals(node.get("TargetMode"));
            String target = node.get("Target", "");
            relations.put(node.get("Id", ""), new Relation(node.get("Id", ""), node.get("Type", ""), outside ? target : resolved(folder, target), outside));
        }
        return relations;
    }

    /** The first part of a role that a part points at, or null. */
    public String target(String part, String role) {
        for (Relation relation : relations(part).values()) if (relation.is(role) && !relation.outside()) return relation.target();
        return null;
    }

    public static String resolved(String folder, String target) {
        if (target.startsWith("/") || target.startsWith("\\")) return Archive.plain(target);
        List<String> steps = new ArrayList<>();
        for (String step : (folder + target.replace('\\', '/')).split("/")) {
            if (step.equals("..")) {
                if (!steps.isEmpty()) steps.remove(steps.size() - 1);
            } else if (!step.isEmpty() && !step.equals(".")) {
                steps.add(step);
            }
        }
        return String.join("/", steps);
    }
}
