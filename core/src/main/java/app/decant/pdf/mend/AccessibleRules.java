package app.decant.pdf.mend;

import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;

/** What a file says of itself so that people who can't see it find their way (ISO 14289-1, 7.1, 7.2 and 7.18). */
public final class AccessibleRules {
    private static final COSName TABS = COSName.getPDFName("Tabs");

    private AccessibleRules() { }

    /** @param language of its text, or null where nobody told */
    public static void keep(PDDocument pdf, String language) {
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        COSDictionary preferences = catalog.getCOSDictionary(COSName.VIEWER_PREFERENCES);
        if (preferences == null) catalog.setItem(COSName.VIEWER_PREFERENCES, preferences = new COSDictionary());
        preferences.setBoolean(COSName.getPDFName("DisplayDocTitle"), true);
        if (language != null || pdf.getDocumentCatalog().getLanguage() == null) pdf.getDocumentCatalog().setLanguage(language == null ? "en" : language);
        PDAcroForm form = pdf.getDocumentCatalog().getAcroForm(null);
        // A field is spoken by its name for people; where it has none, by the one it has for programs.
        if (form != null) for (PDField field : form.getFieldTree()) {
            String name = field.getPartialName() == null || field.getPartialName().isBlank() ? "Field" : field.getPartialName();
            if (field.getAlternateFieldName() == null || field.getAlternateFieldName().isBlank()) field.setAlternateFieldName(name);
        }
        for (PDPage page : pdf.getPages()) {
            COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
            if (annotations != null && annotations.size() > 0) page.getCOSObject().setName(TABS, "S");
        }
    }
}
