package app.decant.recover;

import app.decant.document.Finding;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.slf4j.LoggerFactory;

/**
 * Tells what a PDF has that does not come into an editable document: fields, comments, signatures, attached files, layers, printed page numbers, and what
 * would run when it is opened (ISO 32000-2, 7.7.2 and 12). It looks at the file's objects only; nothing is run.
 */
final class LeftBehind {
    private static final int DEEPEST = 64;
    private static final int MOST = 100_000;
    private static final Set<String> COMMENTS = Set.of("Text", "FreeText", "Line", "Square", "Circle", "Polygon", "PolyLine", "Highlight", "Underline",
            "Squiggly", "StrikeOut", "Stamp", "Caret", "Ink", "Redact");

    private final COSDictionary catalog;
    private final PDDocument pdf;
    private int notes;
    private int fields;
    private final Map<String, Integer> counts = new TreeMap<>();
    private final Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());

    private LeftBehind(PDDocument pdf) {
        this.pdf = pdf;
        catalog = pdf.getDocumentCatalog().getCOSObject();
    }

    /**
     * @param notes  that came in as comments
     * @param fields that came in as controls
     */
    static List<Finding> of(PDDocument pdf, int notes, int fields) {
        LeftBehind behind = new LeftBehind(pdf);
        behind.notes = notes;
        behind.fields = fields;
        return behind.findings();
    }

    private List<Finding> findings() {
        COSDictionary form = catalog.getCOSDictionary(COSName.ACRO_FORM);
        if (form != null) fields(form.getCOSArray(COSName.FIELDS), null, 0);
        if (form != null && form.containsKey(COSName.XFA)) count("XFA");
        for (PDPage page : pdf.getPages()) annotations(page.getCOSObject().getCOSArray(COSName.ANNOTS), page.getCOSObject());
        counts.merge("comment", -notes, Integer::sum);
        counts.merge("field", -fields, Integer::sum);
        COSDictionary names = catalog.getCOSDictionary(COSName.NAMES);
        if (names != null) {
            leaves(names.getCOSDictionary(COSName.EMBEDDED_FILES), "file", 0);
            leaves(names.getCOSDictionary(COSName.getPDFName("JavaScript")), "script", 0);
        }
        action(catalog.getDictionaryObject(COSName.OPEN_ACTION), 0);
        additional(catalog);
        COSDictionary layers = catalog.getCOSDictionary(COSName.OCPROPERTIES);
        if (layers != null && layers.getCOSArray(COSName.OCGS) != null) counts.put("layer", layers.getCOSArray(COSName.OCGS).size());
        if (catalog.containsKey(COSName.getPDFName("Collection"))) count("portfolio");
        if (catalog.getCOSArray(COSName.getPDFName("Threads")) != null) count("thread");
        return told();
    }

    private List<Finding> told() {
        List<Finding> told = new ArrayList<>();
        say(told, "signature", "recover.it-has-signatures-they-hold");
        say(told, "field", "recover.its-fields-to-fill");
        say(told, "XFA", "recover.it-is-a-form-made-for-one");
        say(told, "comment", "recover.comments-on-its-pages-cannot-be-edited");
        say(told, "file", "recover.files-are-attached-to-it-a-pdf");
        say(told, "layer", "recover.it-has-layers-what-shows-of-them");
        say(told, "media", "recover.films-sounds-or-models-on-its-pages");
        say(told, "script", "recover.scripts-in-it-do-not-come");
        say(told, "launch", "recover.actions-that-would-start-programs-do");
        say(told, "send", "recover.actions-that-would-send-something-do");
        say(told, "portfolio", "recover.it-is-a-collection-of-files");
        say(told, "thread", "recover.it-has-articles-by-which-readers");
        if (hasPageLabels())
            told.add(Finding.changed(Message.of("recover.its-pages-have-printed-numbers-of-their")));
        return told;
    }

    private void say(List<Finding> told, String what, String key) {
        int count = counts.getOrDefault(what, 0);
        if (count > 0) told.add(Finding.lost(Message.of(key, count)));
    }

    private void count(String what) { counts.merge(what, 1, Integer::sum); }

    private boolean isNew(COSBase object) { return object != null && seen.size() < MOST && seen.add(object); }

    /** Fields that have no fields below them (12.7.4); a widget below a field is no field by itself. */
    private void fields(COSArray fields, COSName type, int depth) {
        if (fields == null || depth > DEEPEST) return;
        for (int i = 0; i < fields.size(); i++) {
            if (!(fields.getObject(i) instanceof COSDictionary field) || !isNew(field)) continue;
            COSName own = field.getCOSName(COSName.FT) == null ? type : field.getCOSName(COSName.FT);
            COSArray kids = field.getCOSArray(COSName.KIDS);
            boolean inner = false;
            for (int k = 0; kids != null && k < kids.size() && !inner; k++)
                inner = kids.getObject(k) instanceof COSDictionary kid && kid.containsKey(COSName.T);
            additional(field);
            if (inner) fields(kids, own, depth + 1);
            else if (!COSName.SIG.equals(own)) count("field");
            else if (field.getCOSDictionary(COSName.V) != null) count("signature");
        }
    }

    private void annotations(COSArray annotations, COSDictionary page) {
        additional(page);
        for (int i = 0; annotations != null && i < annotations.size(); i++) {
            if (!(annotations.getObject(i) instanceof COSDictionary annotation)) continue;
            String kind = String.valueOf(annotation.getNameAsString(COSName.SUBTYPE));
            // Answers are told with what they answer.
            if (COMMENTS.contains(kind) && !annotation.containsKey(COSName.getPDFName("IRT"))) count("comment");
            else if (kind.equals("FileAttachment")) count("file");
            else if (Set.of("Movie", "Sound", "Screen", "3D", "RichMedia").contains(kind)) count("media");
            action(annotation.getDictionaryObject(COSName.A), 0);
            additional(annotation);
        }
    }

    /** Actions that events start (12.6.3). */
    private void additional(COSDictionary owner) {
        COSDictionary events = owner.getCOSDictionary(COSName.AA);
        if (events != null) for (COSName event : events.keySet()) action(events.getDictionaryObject(event), 0);
    }

    private void action(COSBase told, int depth) {
        if (!(told instanceof COSDictionary action) || depth > DEEPEST || !isNew(action)) return;
        switch (String.valueOf(action.getNameAsString(COSName.S))) {
            case "JavaScript" -> count("script");
            case "Launch" -> count("launch");
            case "SubmitForm", "ImportData" -> count("send");
            default -> { }
        }
        COSBase next = action.getDictionaryObject(COSName.NEXT);
        if (next instanceof COSArray several) for (int i = 0; i < several.size(); i++) action(several.getObject(i), depth + 1);
        else action(next, depth + 1);
    }

    /** The values of a name tree (7.9.6). */
    private void leaves(COSDictionary node, String what, int depth) {
        if (depth > DEEPEST || !isNew(node)) return;
        COSArray names = node.getCOSArray(COSName.NAMES);
        if (names != null) counts.merge(what, names.size() / 2, Integer::sum);
        COSArray kids = node.getCOSArray(COSName.KIDS);
        for (int i = 0; kids != null && i < kids.size(); i++) if (kids.getObject(i) instanceof COSDictionary kid) leaves(kid, what, depth + 1);
    }

    private boolean hasPageLabels() {
        try {
            if (pdf.getDocumentCatalog().getPageLabels() == null) return false;
            String[] labels = pdf.getDocumentCatalog().getPageLabels().getLabelsByPageIndices();
            for (int i = 0; i < labels.length; i++) if (!String.valueOf(i + 1).equals(labels[i])) return true;
            return false;
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(LeftBehind.class).info("The numbers of pages can't be read", e);
            return true;
        }
    }
}
