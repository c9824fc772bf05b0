package app.decant.pdf.mend;

import app.decant.document.Finding;
import app.decant.font.FontCatalogue;
import app.decant.page.Mending;
import app.decant.pdf.Standard;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * Repairs what a standard forbids in a file whose pages are kept, where that changes nothing of how they look: fonts that are missing, colours that mean
 * nothing, actions, notes without a look. What can't be repaired stays, and is found when the file is held to the standard.
 */
public final class StandardMending {
    private static final COSName ASSOCIATED = COSName.getPDFName("AF");

    private StandardMending() { }

    /**
     * Repairs a file.
     *
     * @return what was changed or lost for it
     * @throws IOException where the file can't be changed
     */
    public static List<Finding> mend(PDDocument pdf, Standard standard, Mending wished) throws IOException {
        List<Finding> findings = new ArrayList<>();
        if (standard.isArchive()) {
            findings.addAll(ActionRules.keep(pdf));
            findings.addAll(AnnotationRules.keep(pdf, standard.part() == 3));
            StreamRules.keep(pdf);
            catalogue(pdf);
            findings.addAll(metadata(pdf));
            layers(pdf);
            if (standard.isOpaque()) groups(pdf);
            findings.addAll(files(pdf, standard));
            ColourRules.keep(pdf, wished.inks());
        } else if (standard.isAccessible()) {
            FileObjects.each(pdf, dictionary -> {
                if (dictionary.getCOSDictionary(COSName.EF) != null) told(dictionary);
            });
        }
        findings.addAll(MissingFonts.embed(pdf, FontCatalogue.ofThisMachine()));
        FontRules.keep(pdf, standard.part());
        return findings;
    }

    private static void catalogue(PDDocument pdf) {
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        for (String entry : List.of("Requirements", "NeedsRendering", "Perms")) catalog.removeItem(COSName.getPDFName(entry));
        pdf.getPages().forEach(page -> page.getCOSObject().removeItem(COSName.getPDFName("PresSteps")));
    }

    /** Where nothing shines through, painting things together shows what painting them one by one does (ISO 19005-1, 6.4). */
    private static void groups(PDDocument pdf) {
        FileObjects.each(pdf, dictionary -> {
            COSDictionary group = dictionary.getCOSDictionary(COSName.GROUP);
            if (group != null && COSName.TRANSPARENCY.equals(group.getCOSName(COSName.S))) dictionary.removeItem(COSName.GROUP);
        });
    }

    /** Parts that say something about themselves would have to explain every word of it (ISO 19005-2, 6.6.2.3). */
    private static List<Finding> metadata(PDDocument pdf) {
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        int[] count = {0};
        FileObjects.each(pdf, dictionary -> {
            if (dictionary == catalog || !(dictionary.getDictionaryObject(COSName.METADATA) instanceof COSStream)) return;
            dictionary.removeItem(COSName.METADATA);
            count[0]++;
        });
        return count[0] == 0 ? List.of() : List.of(Finding.changed(Message.of("mend.metadata-of-parts", count[0])));
    }

    /** Layers have names, an order that names all of them, and nothing that switches them by itself (ISO 19005-2, 6.9). */
    private static void layers(PDDocument pdf) {
        COSDictionary layers = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.OCPROPERTIES);
        if (layers == null) return;
        List<COSDictionary> states = new ArrayList<>();
        if (layers.getCOSDictionary(COSName.D) != null) states.add(layers.getCOSDictionary(COSName.D));
        COSArray others = layers.getCOSArray(COSName.getPDFName("Configs"));
        for (int i = 0; others != null && i < others.size(); i++) if (others.getObject(i) instanceof COSDictionary state) states.add(state);
        Set<String> names = new HashSet<>();
        for (COSDictionary state : states) {
            state.removeItem(COSName.AS);
            String name = state.getString(COSName.NAME);
            String own = name == null || name.isEmpty() ? "Layers" : name;
            for (int i = 2; !names.add(own); i++) own = (name == null || name.isEmpty() ? "Layers" : name) + " " + i;
            if (!own.equals(name)) state.setString(COSName.NAME, own);
            COSArray order = state.getCOSArray(COSName.ORDER);
            COSArray all = layers.getCOSArray(COSName.OCGS);
            for (int i = 0; order != null && all != null && i < all.size(); i++) if (!holds(order, all.getObject(i), 0)) order.add(all.get(i));
        }
    }

    private static boolean holds(COSArray order, COSBase layer, int depth) {
        for (int i = 0; i < order.size(); i++) {
            COSBase one = order.getObject(i);
            if (one == layer || one instanceof COSArray inner && depth < 32 && holds(inner, layer, depth + 1)) return true;
        }
        return false;
    }

    /** Files inside: the third part takes any and wants to know what they are, the others take none of those that people attach. */
    private static List<Finding> files(PDDocument pdf, Standard standard) {
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        if (standard.allowsAttachments()) {
            COSArray associated = catalog.getCOSArray(ASSOCIATED) == null ? new COSArray() : catalog.getCOSArray(ASSOCIATED);
            Set<COSBase> known = Collections.newSetFromMap(new IdentityHashMap<>());
            associated.forEach(file -> known.add(file instanceof COSObject object ? object.getObject() : file));
            FileObjects.each(pdf, dictionary -> {
                if (dictionary.getCOSDictionary(COSName.EF) == null) return;
                told(dictionary);
                if (known.add(dictionary)) associated.add(dictionary);
            });
            if (associated.size() > 0) catalog.setItem(ASSOCIATED, associated);
            return List.of();
        }
        COSDictionary names = catalog.getCOSDictionary(COSName.NAMES);
        catalog.removeItem(ASSOCIATED);
        catalog.removeItem(COSName.getPDFName("Collection"));
        if (names == null || !names.containsKey(COSName.EMBEDDED_FILES)) return List.of();
        names.removeItem(COSName.EMBEDDED_FILES);
        return List.of(Finding.lost(Message.of("mend.attached-files", standard.words())));
    }

    /** Both of its names, how it relates to the document, and its kind (ISO 19005-3, 6.8). */
    private static void told(COSDictionary file) {
        COSBase name = file.getDictionaryObject(COSName.UF) instanceof COSString full ? full : file.getDictionaryObject(COSName.F);
        for (COSName entry : new COSName[] {COSName.F, COSName.UF}) if (!(file.getDictionaryObject(entry) instanceof COSString) && name != null)
            file.setItem(entry, name);
        COSName relation = COSName.getPDFName("AFRelationship");
        if (!file.containsKey(relation)) file.setName(relation, "Unspecified");
        COSDictionary streams = file.getCOSDictionary(COSName.EF);
        for (COSName entry : streams.keySet())
            if (streams.getDictionaryObject(entry) instanceof COSDictionary stream && !stream.containsKey(COSName.SUBTYPE))
                stream.setName(COSName.SUBTYPE, "application/octet-stream");
    }
}
