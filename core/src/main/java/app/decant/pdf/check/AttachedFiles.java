package app.decant.pdf.check;

import app.decant.pdf.Attachment;
import app.decant.pdf.check.PdfCheck.Proof;
import app.decant.words.Message;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;

/** What travels inside a PDF (ISO 32000-2, 7.11.4): what was there still is, and what was to be put in is there, byte for byte, once. */
final class AttachedFiles {
    private static final int DEEPEST = 64;

    private AttachedFiles() { }

    /**
     * Looks at them.
     *
     * @param before the file that was there; null for one that is made here
     * @param added  what was to be put in; a source takes the place of the source of its name
     */
    static List<Proof> check(PDDocument before, PDDocument after, List<Attachment> added) throws IOException {
        List<COSDictionary> were = before == null ? List.of() : of(before);
        List<COSDictionary> are = of(after);
        int replaced = 0;
        for (COSDictionary file : were) if (isSource(file) && added.stream().anyMatch(one -> one.name().equals(name(file)))) replaced++;
        int expected = were.size() - replaced + added.size();
        if (expected == 0 && are.isEmpty()) return List.of();
        List<Proof> proofs = new ArrayList<>();
        boolean all = are.size() == expected;
        proofs.add(new Proof(all ? Message.of(before == null ? "check.files-attached" : "check.attached-files-as-there", expected)
                : Message.of("check.of-attached-files", are.size(), expected), all));
        for (Attachment one : added) {
            int equal = 0;
            for (COSDictionary file : are) if (one.name().equals(name(file)) && Arrays.equals(bytes(file), one.bytes())) equal++;
            if (equal != 1) proofs.add(new Proof(Message.of("check.attached-is-another", one.name()), false));
        }
        return proofs;
    }

    /** The descriptions of all files of a document as a whole. */
    static List<COSDictionary> of(PDDocument pdf) {
        COSDictionary names = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.NAMES);
        List<COSDictionary> files = new ArrayList<>();
        if (names != null) gather(names.getCOSDictionary(COSName.EMBEDDED_FILES), files, 0);
        return files;
    }

    private static void gather(COSDictionary node, List<COSDictionary> files, int depth) {
        if (node == null || depth > DEEPEST) return;
        COSArray names = node.getCOSArray(COSName.NAMES);
        for (int i = 1; names != null && i < names.size(); i += 2) files.add(names.getObject(i) instanceof COSDictionary file ? file : new COSDictionary());
        COSArray kids = node.getCOSArray(COSName.KIDS);
        for (int i = 0; kids != null && i < kids.size(); i++) if (kids.getObject(i) instanceof COSDictionary kid) gather(kid, files, depth + 1);
    }

    private static boolean isSource(COSDictionary file) { return "Source".equals(file.getNameAsString(COSName.getPDFName("AFRelationship"))); }

    private static String name(COSDictionary file) { return file.getString(COSName.UF, file.getString(COSName.F)); }

    private static byte[] bytes(COSDictionary file) throws IOException {
        COSDictionary embedded = file.getCOSDictionary(COSName.EF);
        if (embedded == null || !(embedded.getDictionaryObject(COSName.F) instanceof COSStream stream)) return new byte[0];
        try (InputStream in = stream.createInputStream()) {
            return in.readAllBytes();
        }
    }
}
