package app.decant.pdf.keep;

import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;

/** What who certified a file lets others do with it (ISO 32000-2, 12.8.2.2). */
final class Certification {
    private static final COSName DOC_MDP = COSName.getPDFName("DocMDP");
    private static final COSName REFERENCE = COSName.getPDFName("Reference");
    private static final COSName TRANSFORM_PARAMETERS = COSName.getPDFName("TransformParams");
    /** Changes that a certifying signature allows: none, filling in and signing, comments too. */
    private static final int FILLING = 2;

    private Certification() { }

    /** Whether its maker said which changes it may see (12.8.2.2): none of those that are made here. */
    static boolean isOf(PDDocument pdf) {
        COSDictionary permissions = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.PERMS);
        return permissions != null && permissions.containsKey(DOC_MDP);
    }

    /** Whether who certified it lets others fill its form in (12.8.2.2.2, table 257); where nobody certified it, the form is there for that. */
    static boolean allowsFilling(PDDocument pdf) {
        if (!isOf(pdf)) return true;
        COSDictionary signature = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.PERMS).getCOSDictionary(DOC_MDP);
        COSArray references = signature == null ? null : signature.getCOSArray(REFERENCE);
        COSDictionary first = references != null && references.size() > 0 && references.getObject(0) instanceof COSDictionary one ? one : null;
        COSDictionary parameters = first == null ? null : first.getCOSDictionary(TRANSFORM_PARAMETERS);
        return parameters == null || parameters.getInt(COSName.P, FILLING) >= FILLING;
    }
}
