package app.decant.format;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;

/** Text documents of OpenDocument written by hand, as other programs write much that this one does not. */
public final class OpenText {
    private static final String SPACES = " xmlns:office='urn:oasis:names:tc:opendocument:xmlns:office:1.0' "
            + "xmlns:text='urn:oasis:names:tc:opendocument:xmlns:text:1.0' xmlns:style='urn:oasis:names:tc:opendocument:xmlns:style:1.0' "
            + "xmlns:draw='urn:oasis:names:tc:opendocument:xmlns:drawing:1.0' xmlns:svg='urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0' "
            + "xmlns:table='urn:oasis:names:tc:opendocument:xmlns:table:1.0' xmlns:xlink='http://www.w3.org/1999/xlink' "
            + "xmlns:fo='urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0' xmlns:form='urn:oasis:names:tc:opendocument:xmlns:form:1.0' "
            + "office:version='1.2'";

    private OpenText() { }

    /** The part that holds what a document is about. */
    public static String content(String automatic, String body) {
        return "<office:document-content" + SPACES + "><office:automatic-styles>" + automatic + "</office:automatic-styles><office:body>" + body
                + "</office:body></office:document-content>";
    }

    /**
     * A file.
     *
     * @param automatic its styles for single looks
     * @param body      the markup of its text
     */
    public static byte[] file(String automatic, String body) { return file(automatic, body, Map.of()); }

    /** The same. @param more parts beside its own */
    public static byte[] file(String automatic, String body, Map<String, String> more) {
        Map<String, String> parts = new LinkedHashMap<>(more);
        parts.put("styles.xml", "<office:document-styles" + SPACES + "/>");
        parts.put("content.xml", content(automatic, "<office:text>" + body + "</office:text>"));
        Map<String, byte[]> bytes = new LinkedHashMap<>();
        parts.forEach((name, xml) -> bytes.put(name, xml.getBytes(StandardCharsets.UTF_8)));
        return Archive.packed("application/vnd.oasis.opendocument.text", bytes);
    }
}
