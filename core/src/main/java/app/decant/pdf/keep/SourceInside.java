package app.decant.pdf.keep;

import app.decant.page.Original;
import app.decant.pdf.Attachment;
import app.decant.pdf.PdfDoor;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.slf4j.LoggerFactory;

/** The document that a PDF was made from, where it travels inside it and says so (ISO 32000-2, 14.13, relationship {@code Source}). */
public final class SourceInside {
    private static final long MOST_BYTES = 200_000_000;

    private SourceInside() { }

    /**
     * Looks for it, among the files of the document as a whole.
     *
     * @throws app.decant.document.DecantException where the PDF can't be opened
     */
    public static Optional<Attachment> of(Original original) {
        try (PDDocument pdf = PdfDoor.open(original.bytes(), original.name(), original.password())) {
            COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
            COSArray files = catalog.getCOSArray(COSName.getPDFName("AF"));
            for (int i = 0; files != null && i < files.size(); i++) {
                if (!(files.getObject(i) instanceof COSDictionary file) || !isSource(file)) continue;
                Attachment found = read(file);
                if (found != null) return Optional.of(found);
            }
            COSDictionary names = catalog.getCOSDictionary(COSName.NAMES);
            return Optional.ofNullable(names == null ? null : find(names.getCOSDictionary(COSName.EMBEDDED_FILES), 0));
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(SourceInside.class).info("What travels inside {} can't be read", original.name(), e);
            return Optional.empty();
        }
    }

    /** The same in the name tree, where files before PDF 2.0 list what they hold (7.9.6). */
    private static Attachment find(COSDictionary node, int depth) throws IOException {
        if (node == null || depth > 64) return null;
        COSArray names = node.getCOSArray(COSName.NAMES);
        for (int i = 1; names != null && i < names.size(); i += 2) {
            if (names.getObject(i) instanceof COSDictionary file && isSource(file)) {
                Attachment found = read(file);
                if (found != null) return found;
            }
        }
        COSArray kids = node.getCOSArray(COSName.KIDS);
        for (int i = 0; kids != null && i < kids.size(); i++) {
            Attachment found = kids.getObject(i) instanceof COSDictionary kid ? find(kid, depth + 1) : null;
            if (found != null) return found;
        }
        return null;
    }

    private static boolean isSource(COSDictionary file) { return "Source".equals(file.getNameAsString(COSName.getPDFName("AFRelationship"))); }

    private static Attachment read(COSDictionary file) throws IOException {
        String told = file.getString(COSName.UF, file.getString(COSName.F));
        COSDictionary embedded = file.getCOSDictionary(COSName.EF);
        if (told == null || embedded == null || !(embedded.getDictionaryObject(COSName.F) instanceof COSStream stream)) return null;
        // A name is a name here, not a way through folders.
        String name = told.replaceAll(".*[\\\\/]", "").replaceAll("[\\p{Cntrl}:*?\"<>|]", "_").strip();
        if (name.isEmpty() || name.startsWith(".")) return null;
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (InputStream in = stream.createInputStream()) {
            byte[] chunk = new byte[1 << 16];
            for (int count = in.read(chunk); count >= 0; count = in.read(chunk)) {
                bytes.write(chunk, 0, count);
                if (bytes.size() > MOST_BYTES) return null;
            }
        }
        return new Attachment(name, "application/octet-stream", bytes.toByteArray(), file.getString(COSName.DESC, ""));
    }
}
