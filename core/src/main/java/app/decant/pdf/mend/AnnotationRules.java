package app.decant.pdf.mend;

import app.decant.document.Finding;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.slf4j.LoggerFactory;

/** What notes and fields on pages may be (ISO 19005-2, 6.3 and 6.4): seen and printed, each with its look beside it. */
final class AnnotationRules {
    private static final int INVISIBLE = 1;
    private static final int HIDDEN = 2;
    private static final int PRINT = 4;
    private static final int NO_VIEW = 32;
    private static final int TOGGLE_NO_VIEW = 256;
    /** Those of ISO 32000-1, table 169, that archives may hold. */
    private static final Set<String> KNOWN = Set.of("Text", "Link", "FreeText", "Line", "Square", "Circle", "Polygon", "PolyLine", "Highlight", "Underline",
            "Squiggly", "StrikeOut", "Stamp", "Caret", "Ink", "Popup", "FileAttachment", "Widget", "PrinterMark", "TrapNet", "Watermark", "Redact");
    private static final Set<String> WITHOUT_LOOK = Set.of("Popup", "Link");

    private final PDDocument pdf;
    private final boolean files;
    private int gone;
    private int attached;
    private int printed;

    private AnnotationRules(PDDocument pdf, boolean files) {
        this.pdf = pdf;
        this.files = files;
    }

    /** @param files whether the standard takes files that hang on pages */
    static List<Finding> keep(PDDocument pdf, boolean files) throws IOException {
        AnnotationRules rules = new AnnotationRules(pdf, files);
        List<Finding> findings = new ArrayList<>();
        rules.form(findings);
        int number = 0;
        for (PDPage page : pdf.getPages()) rules.page(page, number++);
        if (rules.gone > 0) findings.add(Finding.lost(Message.of("mend.annotations", rules.gone)));
        if (rules.printed > 0) findings.add(Finding.changed(Message.of("mend.notes-printed", rules.printed)));
        if (rules.attached > 0) findings.add(Finding.lost(Message.of("mend.files-on-pages", rules.attached)));
        return findings;
    }

    private void form(List<Finding> findings) throws IOException {
        PDAcroForm form = pdf.getDocumentCatalog().getAcroForm(null);
        if (form == null) return;
        if (form.getNeedAppearances()) {
            int without = 0;
            for (PDField field : form.getFieldTree()) if (!(field instanceof PDButton) && field instanceof PDTerminalField && !give(form, field)) without++;
            if (without > 0) findings.add(Finding.lost(Message.of("mend.fields-without-a-look", without)));
            form.getCOSObject().removeItem(COSName.NEED_APPEARANCES);
        }
        if (form.getCOSObject().containsKey(COSName.XFA)) {
            form.getCOSObject().removeItem(COSName.XFA);
            findings.add(Finding.lost(Message.of("mend.form-beside")));
        }
    }

    private static boolean hasLook(PDField field) {
        return field.getWidgets().stream().allMatch(widget -> widget.getCOSObject().getCOSDictionary(COSName.AP) != null
                && widget.getCOSObject().getCOSDictionary(COSName.AP).getDictionaryObject(COSName.N) != null);
    }

    /** Gives a field the look of its value; whether that could be. */
    private static boolean give(PDAcroForm form, PDField field) {
        try {
            form.refreshAppearances(List.of(field));
            return true;
        } catch (IOException | RuntimeException e) {
            // Its font may lack a letter of it.
            LoggerFactory.getLogger(AnnotationRules.class).info("The field {} gets no look", field.getFullyQualifiedName(), e);
            return field.getValueAsString().isBlank() || hasLook(field);
        }
    }

    private void page(PDPage page, int number) {
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        for (int i = annotations == null ? -1 : annotations.size() - 1; i >= 0; i--) {
            if (!(annotations.getObject(i) instanceof COSDictionary annotation)) continue;
            String kind = String.valueOf(annotation.getNameAsString(COSName.SUBTYPE));
            boolean forbidden = kind.equals("FileAttachment") && !files;
            if (forbidden) attached++;
            else if (!KNOWN.contains(kind)) gone++;
            if (forbidden || !KNOWN.contains(kind)) {
                if (!isSeen(annotation)) {
                    annotations.remove(i);
                    continue;
                }
                // What is seen of it stays, as something stamped on the page.
                for (String entry : List.of("FS", "Movie", "Sound", "A", "AA", "MK", "3DD", "RichMediaContent", "RichMediaSettings"))
                    annotation.removeItem(COSName.getPDFName(entry));
                annotation.setName(COSName.SUBTYPE, kind = "Stamp");
            }
            if (!WITHOUT_LOOK.contains(kind)) look(annotation, kind, number);
            flags(annotation, kind);
        }
    }

    private static boolean isSeen(COSDictionary annotation) {
        return annotation.getCOSDictionary(COSName.AP) != null && annotation.getCOSDictionary(COSName.AP).getDictionaryObject(COSName.N) != null;
    }

    /** What was not seen goes on not being seen: it has a look that shows nothing. */
    private void flags(COSDictionary annotation, String kind) {
        if (kind.equals("Popup")) return;
        int flags = annotation.getInt(COSName.F, 0);
        boolean hidden = (flags & (HIDDEN | NO_VIEW)) != 0;
        if (hidden && !WITHOUT_LOOK.contains(kind)) show(annotation, isButton(annotation, kind), nothing(annotation));
        if (!hidden && !WITHOUT_LOOK.contains(kind) && (flags & PRINT) == 0) printed++;
        annotation.setInt(COSName.F, flags & ~(INVISIBLE | HIDDEN | NO_VIEW | TOGGLE_NO_VIEW) | PRINT);
    }

    private void look(COSDictionary annotation, String kind, int number) {
        if (annotation.getCOSDictionary(COSName.AP) == null || annotation.getCOSDictionary(COSName.AP).getDictionaryObject(COSName.N) == null) {
            try {
                if (!kind.equals("Widget")) PDAnnotation.createAnnotation(annotation).constructAppearances(pdf);
            } catch (IOException | RuntimeException e) {
                LoggerFactory.getLogger(AnnotationRules.class).info("A note on page {} gets no look", number + 1, e);
            }
        }
        COSDictionary looks = looks(annotation);
        looks.removeItem(COSName.R);
        looks.removeItem(COSName.D);
        COSBase normal = looks.getDictionaryObject(COSName.N);
        boolean button = isButton(annotation, kind);
        boolean states = normal instanceof COSDictionary some && !(some instanceof COSStream) && some.size() > 0;
        if (states && button) return;
        COSBase state = states && annotation.getCOSName(COSName.AS) != null ? ((COSDictionary) normal).getDictionaryObject(annotation.getCOSName(COSName.AS))
                : normal;
        if (state != normal || button || !(normal instanceof COSStream)) show(annotation, button, state instanceof COSStream one ? one : nothing(annotation));
    }

    private static boolean isButton(COSDictionary annotation, String kind) { return kind.equals("Widget") && "Btn".equals(inherited(annotation, COSName.FT)); }

    /** Gives the only look: a button has one for each of its states, even if that is but one (6.3.3). */
    private static void show(COSDictionary annotation, boolean button, COSStream look) {
        COSDictionary states = new COSDictionary();
        states.setItem(COSName.OFF, look);
        looks(annotation).setItem(COSName.N, button ? states : look);
        if (button) annotation.setItem(COSName.AS, COSName.OFF);
        else annotation.removeItem(COSName.AS);
    }

    private static COSDictionary looks(COSDictionary annotation) {
        COSDictionary looks = annotation.getCOSDictionary(COSName.AP);
        if (looks == null) annotation.setItem(COSName.AP, looks = new COSDictionary());
        return looks;
    }

    /** What a note, a field or a link says to those who can't see it: its own words, else what it is called or where it leads. */
    static String words(COSDictionary annotation, String kind) {
        String own = annotation.getString(COSName.CONTENTS);
        if (own != null && !own.isBlank()) return own;
        for (COSName entry : List.of(COSName.TU, COSName.T)) {
            String name = inherited(annotation, entry);
            if (name != null && !name.isBlank()) return name;
        }
        COSDictionary action = annotation.getCOSDictionary(COSName.A);
        String address = action == null ? null : action.getString(COSName.URI);
        return address == null || address.isBlank() ? kind : address;
    }

    static String inherited(COSDictionary field, COSName entry) {
        COSDictionary at = field;
        for (int depth = 0; at != null && depth < 32; depth++) {
            if (at.getDictionaryObject(entry) instanceof COSString text) return text.getString();
            if (at.containsKey(entry)) return at.getNameAsString(entry);
            at = at.getCOSDictionary(COSName.PARENT);
        }
        return null;
    }

    private COSStream nothing(COSDictionary annotation) {
        COSStream empty = pdf.getDocument().createCOSStream();
        empty.setItem(COSName.TYPE, COSName.XOBJECT);
        empty.setItem(COSName.SUBTYPE, COSName.FORM);
        COSArray box = annotation.getCOSArray(COSName.RECT);
        PDRectangle place = box == null || box.size() < 4 ? new PDRectangle() : new PDRectangle(box);
        empty.setItem(COSName.BBOX, new PDRectangle(place.getWidth(), place.getHeight()).getCOSArray());
        empty.setItem(COSName.RESOURCES, new COSDictionary());
        try (var out = empty.createOutputStream()) {
            out.write(new byte[0]);
        } catch (IOException e) {
            throw new IllegalStateException("Nothing can be written", e);
        }
        return empty;
    }
}
