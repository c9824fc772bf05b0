package app.decant.format;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Text documents of OpenDocument written by hand, as other programs write much that this one does not. */
public final class OpenText {
    private static final String SPACES = " xmlns:office='urn:oasis:names:tc:opendocument:xmlns:office:1.0' "
            + "xmlns:text='urn:oasis:names:tc:opendocument:xmlns:text:1.0' xmlns:style='urn:oasis:names:tc:opendocument:xmlns:style:1.0' "
            + "xmlns:draw='urn:oasis:names:tc:opendocument:xmlns:drawing:1.0' xmlns:svg='urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0' "
            + "xmlns:fo='urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0' xmlns:form='urn:oasis:names:tc:opendocument:xmlns:form:1.0' "
            + "office:version='1.2'";

    private OpenText() { }

    /**
     * A file.
     *
     * @param automatic its styles for single looks
     * @param body      the markup of its text
     */
    public static byte[] file(String automatic, String body) {
        Map<String, String> parts = new LinkedHashMap<>();
        parts.put("mimetype", "application/vnd.oasis.opendocument.text");
        parts.put("styles.xml", "<office:document-styles" + SPACES + "/>");
        parts.put("content.xml", "<office:document-content" + SPACES + "><office:automatic-styles>" + automatic
                + "</office:automatic-styles><office:body><office:text>" + body + "</office:text></office:body></office:document-content>");
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, String> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue().getBytes(StandardCharsets.UTF_8));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }
}
