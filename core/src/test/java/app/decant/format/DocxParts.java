package app.decant.format;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;

/** A .docx put together from markup. */
final class DocxParts {
    static final String W = "http://schemas.openxmlformats.org/wordprocessingml/2006/main";
    private static final String ROLES = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private final Map<String, String> parts = new LinkedHashMap<>();
    private final StringBuilder relations = new StringBuilder();

    DocxParts with(String role, String name, String xml) {
        parts.put("word/" + name, xml);
        relations.append("<Relationship Id=\"r").append(parts.size()).append("\" Type=\"").append(ROLES).append('/').append(role).append("\" Target=\"")
                .append(name).append("\"/>");
        return this;
    }

    DocxParts link(String id, String address) {
        relations.append("<Relationship Id=\"").append(id).append("\" Type=\"").append(ROLES).append("/hyperlink\" Target=\"").append(address)
                .append("\" TargetMode=\"External\"/>");
        return this;
    }

    /** The file with this body. */
    byte[] bytes(String body) { return bytes(body, W); }

    /** The same under another namespace. */
    byte[] bytes(String body, String namespace) {
        parts.put("[Content_Types].xml", "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Override "
                + "PartName=\"/word/document.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml\"/></Types>");
        parts.put("_rels/.rels", "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r\" Type=\""
                + ROLES + "/officeDocument\" Target=\"word/document.xml\"/></Relationships>");
        parts.put("word/_rels/document.xml.rels", "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">" + relations
                + "</Relationships>");
        parts.put("word/document.xml", "<w:document xmlns:w=\"" + namespace + "\" xmlns:r=\"" + ROLES
                + "\" xmlns:wp=\"http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing\" "
                + "xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\""
                + " xmlns:mc=\"http://schemas.openxmlformats.org/markup-compatibility/2006\" "
                        + "xmlns:wps=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\" "
                        + "xmlns:m=\"http://schemas.openxmlformats.org/officeDocument/2006/math\"><w:body>" + body + "</w:body></w:document>");
        Map<String, byte[]> bytes = new LinkedHashMap<>();
        parts.forEach((name, xml) -> bytes.put(name, xml.getBytes(StandardCharsets.UTF_8)));
        return Archive.packed(null, bytes);
    }
}
