package app.decant.format.formula;

import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.format.Archive;
import app.decant.format.Formats;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;

/** Documents put together from markup with formulas in it. */
final class OfficeMathFile {
    private static final String NAMES = " xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\""
            + " xmlns:m=\"http://schemas.openxmlformats.org/officeDocument/2006/math\"";

    private OfficeMathFile() { }

    static Document read(String body) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        put(parts, "[Content_Types].xml", "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Override "
                + "PartName=\"/word/document.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml\"/></Types>");
        put(parts, "_rels/.rels", "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r\" "
                + "Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument\" Target=\"word/document.xml\"/></Relationships>");
        put(parts, "word/document.xml", "<w:document" + NAMES + "><w:body>" + body + "</w:body></w:document>");
        return Formats.read(Archive.packed(null, parts), "sum.docx", null, Progress.SILENT).document();
    }

    private static void put(Map<String, byte[]> parts, String name, String xml) { parts.put(name, xml.getBytes(StandardCharsets.UTF_8)); }

    static XmlNode markup(String element) {
        return XmlReader.tree(("<all" + NAMES + ">" + element + "</all>").getBytes(StandardCharsets.UTF_8), "formula").children().get(0);
    }
}
