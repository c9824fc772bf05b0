package app.decant.pdf.mend;

import app.decant.document.Finding;
import app.decant.words.Message;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Actions that an archive file may not have (ISO 19005-1, 6.6; ISO 19005-2, 6.5): taken out, since nothing on a page changes for it. */
final class ActionRules {
    private static final Set<String> FORBIDDEN = Set.of("Launch", "Sound", "Movie", "ResetForm", "ImportData", "JavaScript", "Hide", "SetOCGState",
            "Rendition", "Trans", "GoTo3DView");
    private static final Set<String> NAMED = Set.of("NextPage", "PrevPage", "FirstPage", "LastPage");
    private static final List<COSName> PLACES = List.of(COSName.A, COSName.OPEN_ACTION, COSName.getPDFName("Next"), COSName.getPDFName("PA"));
    private static final COSName OPENS_ITSELF = COSName.AA;

    private int count;

    private ActionRules() { }

    static List<Finding> keep(PDDocument pdf) {
        ActionRules rules = new ActionRules();
        FileObjects.each(pdf, rules::look);
        COSDictionary names = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.NAMES);
        if (names != null) {
            rules.take(names, COSName.JAVA_SCRIPT);
            rules.take(names, COSName.getPDFName("AlternatePresentations"));
        }
        return rules.count == 0 ? List.of() : List.of(Finding.lost(Message.of("mend.actions", rules.count)));
    }

    private void look(COSDictionary dictionary) {
        // Triggers belong to pages, fields and the whole; elsewhere the name means other things.
        boolean triggers = COSName.PAGE.equals(dictionary.getCOSName(COSName.TYPE)) || COSName.CATALOG.equals(dictionary.getCOSName(COSName.TYPE))
                || COSName.WIDGET.equals(dictionary.getCOSName(COSName.SUBTYPE)) || dictionary.containsKey(COSName.FT);
        if (triggers) take(dictionary, OPENS_ITSELF);
        if (COSName.WIDGET.equals(dictionary.getCOSName(COSName.SUBTYPE)) && dictionary.getDictionaryObject(COSName.A) instanceof COSDictionary)
            take(dictionary, COSName.A);
        for (COSName place : PLACES) {
            COSBase value = dictionary.getDictionaryObject(place);
            if (value instanceof COSDictionary action && isForbidden(action)) take(dictionary, place);
            if (!(value instanceof COSArray several)) continue;
            for (int i = several.size() - 1; i >= 0; i--) {
                if (!(several.getObject(i) instanceof COSDictionary action) || !isForbidden(action)) continue;
                several.remove(i);
                count++;
            }
        }
    }

    private static boolean isForbidden(COSDictionary action) {
        if (!(action.getDictionaryObject(COSName.S) instanceof COSName kind)) return false;
        return FORBIDDEN.contains(kind.getName())
                || kind.getName().equals("Named") && !NAMED.contains(String.valueOf(action.getNameAsString(COSName.N)));
    }

    private void take(COSDictionary dictionary, COSName entry) {
        if (!dictionary.containsKey(entry)) return;
        dictionary.removeItem(entry);
        count++;
    }
}
