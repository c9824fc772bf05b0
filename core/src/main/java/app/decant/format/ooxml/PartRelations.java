package app.decant.format.ooxml;

import app.decant.xml.XmlWriter;
import java.util.LinkedHashMap;
import java.util.Map;

/** The relations of a part that is being written. */
final class PartRelations {
    static final String ROLES = "http://schemas.openxmlformats.org/officeDocument/2006/relationships/";
    private final Map<String, String[]> byId = new LinkedHashMap<>();
    private final Map<String, String> known = new LinkedHashMap<>();

    /** The id of a relation to a part; {@code target} is relative to the part's folder, or from the root with a slash. */
    String inside(String role, String target) { return add(role.contains("/") ? role : ROLES + role, target, false); }

    String outside(String role, String target) { return add(role.contains("/") ? role : ROLES + role, target, true); }

    private String add(String role, String target, boolean outside) {
        return known.computeIfAbsent(role + ' ' + target, key -> {
            String id = "rId" + (byId.size() + 1);
            byId.put(id, new String[] {role, target, outside ? "External" : null});
            return id;
        });
    }

    boolean isEmpty() { return byId.isEmpty(); }

    byte[] bytes() {
        XmlWriter xml = new XmlWriter();
        xml.open("Relationships", "xmlns", "http://schemas.openxmlformats.org/package/2006/relationships");
        byId.forEach((id, relation) -> xml.leaf("Relationship", "Id", id, "Type", relation[0], "Target", relation[1], "TargetMode", relation[2]));
        xml.close();
        return xml.bytes();
    }
}
