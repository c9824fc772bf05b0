package app.decant.pdf.form;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDListBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;

/** A request for lost property as a PDF with a form, made by PDFBox alone: every kind of field, on two pages, the second of which lies on its side. */
public final class FormFile {
    private final PDDocument pdf = new PDDocument();
    private final PDAcroForm form = new PDAcroForm(pdf);

    private FormFile() throws IOException {
        for (int i = 0; i < 2; i++) {
            PDPage page = new PDPage(PDRectangle.A4);
            pdf.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(pdf, page)) {
                content.beginText();
                content.setFont(new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN), 14);
                content.newLineAtOffset(72, 780);
                content.showText(i == 0 ? "Request for lost property" : "What the harbour office fills in");
                content.endText();
            }
        }
        pdf.getPage(1).setRotation(90);
        PDResources resources = new PDResources();
        resources.put(COSName.HELV, new PDType1Font(Standard14Fonts.FontName.HELVETICA));
        form.setDefaultResources(resources);
        form.setDefaultAppearance("/Helv 0 Tf 0 g");
        pdf.getDocumentCatalog().setAcroForm(form);
        fields();
    }

    private void fields() throws IOException {
        add(text("owner", "Name of the owner"), 0, 72, 700, 200, 20);
        PDTextField code = text("code", null);
        code.setMaxLen(4);
        add(code, 0, 72, 660, 60, 20);
        PDTextField story = text("story", null);
        story.setMultiline(true);
        add(story, 0, 72, 560, 300, 80);
        PDTextField number = text("number", null);
        number.setReadOnly(true);
        add(number, 0, 400, 780, 100, 20);
        PDCheckBox wet = new PDCheckBox(form);
        wet.setPartialName("wet");
        add(wet, 0, 72, 520, 14, 14);
        states(wet.getWidgets().get(0), "Yes");
        circles();
        PDComboBox line = new PDComboBox(form);
        line.setPartialName("line");
        line.setOptions(List.of("ost", "ske"), List.of("Ostrey line", "Skerrow line"));
        add(line, 0, 72, 440, 150, 20);
        PDListBox found = new PDListBox(form);
        found.setPartialName("found");
        found.setMultiSelect(true);
        found.setOptions(List.of("hat", "bag", "coat"));
        add(found, 0, 72, 340, 150, 60);
        add(text("office", null), 1, 100, 200, 150, 20);
    }

    private PDTextField text(String name, String label) {
        PDTextField field = new PDTextField(form);
        field.setPartialName(name);
        if (label != null) field.setAlternateFieldName(label);
        return field;
    }

    private void add(PDField field, int page, float x, float y, float width, float height) throws IOException {
        place(field.getWidgets().get(0), page, x, y, width, height);
        form.getFields().add(field);
    }

    private void place(PDAnnotationWidget widget, int page, float x, float y, float width, float height) throws IOException {
        widget.setRectangle(new PDRectangle(x, y, width, height));
        widget.setPage(pdf.getPage(page));
        widget.setPrinted(true);
        pdf.getPage(page).getAnnotations().add(widget);
        COSArray annotations = pdf.getPage(page).getCOSObject().getCOSArray(COSName.ANNOTS);
        if (annotations == null) pdf.getPage(page).getCOSObject().setItem(COSName.ANNOTS, annotations = new COSArray());
        if (annotations.indexOf(widget.getCOSObject()) < 0) annotations.add(widget.getCOSObject());
    }

    private void states(PDAnnotationWidget widget, String name) {
        COSDictionary normal = new COSDictionary();
        normal.setItem(name, drawing());
        normal.setItem(COSName.Off, drawing());
        COSDictionary appearance = new COSDictionary();
        appearance.setItem(COSName.N, normal);
        widget.getCOSObject().setItem(COSName.AP, appearance);
        widget.getCOSObject().setItem(COSName.AS, COSName.Off);
    }

    private COSStream drawing() {
        COSStream stream = pdf.getDocument().createCOSStream();
        stream.setItem(COSName.SUBTYPE, COSName.FORM);
        stream.setItem(COSName.BBOX, new PDRectangle(14, 14).getCOSArray());
        return stream;
    }

    private void circles() throws IOException {
        PDRadioButton where = new PDRadioButton(form);
        where.setPartialName("where");
        List<PDAnnotationWidget> widgets = new ArrayList<>();
        for (String state : List.of("quay", "deck")) {
            PDAnnotationWidget widget = new PDAnnotationWidget();
            place(widget, 0, widgets.isEmpty() ? 72 : 172, 480, 14, 14);
            states(widget, state);
            widgets.add(widget);
        }
        where.setWidgets(widgets);
        form.getFields().add(where);
    }

    /** What else is done to the file before it is written. */
    public interface Spoiling { void on(PDDocument pdf) throws IOException; }

    public static byte[] plain() throws IOException { return with(pdf -> { }); }

    public static byte[] with(Spoiling spoiling) throws IOException {
        FormFile file = new FormFile();
        try (PDDocument pdf = file.pdf) {
            spoiling.on(pdf);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            pdf.save(bytes);
            return bytes.toByteArray();
        }
    }

    /** Opens without a password; its owner lets others fill it in, or not, and nothing else. */
    public static byte[] locked(boolean mayBeFilled) throws IOException {
        return with(pdf -> {
            AccessPermission permission = new AccessPermission(0);
            permission.setCanFillInForm(mayBeFilled);
            StandardProtectionPolicy policy = new StandardProtectionPolicy("owner", "", permission);
            policy.setEncryptionKeyLength(256);
            pdf.protect(policy);
        });
    }

    /** Signed by a digest in place of what a certificate would make of it. @param changes that a certifying signature allows (12.8.2.2), or 0 */
    public static byte[] signed(int changes) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (PDDocument pdf = Loader.loadPDF(plain())) {
            PDSignature signature = new PDSignature();
            signature.setFilter(PDSignature.FILTER_ADOBE_PPKLITE);
            signature.setSubFilter(PDSignature.SUBFILTER_ADBE_PKCS7_DETACHED);
            if (changes > 0) certify(pdf, signature, changes);
            pdf.addSignature(signature, content -> {
                try {
                    return MessageDigest.getInstance("SHA-256").digest(content.readAllBytes());
                } catch (NoSuchAlgorithmException e) {
                    throw new IllegalStateException(e);
                }
            });
            pdf.saveIncremental(bytes);
        }
        return bytes.toByteArray();
    }

    private static void certify(PDDocument pdf, PDSignature signature, int changes) {
        COSDictionary parameters = new COSDictionary();
        parameters.setInt(COSName.P, changes);
        COSDictionary reference = new COSDictionary();
        reference.setItem(COSName.getPDFName("TransformMethod"), COSName.getPDFName("DocMDP"));
        reference.setItem(COSName.getPDFName("TransformParams"), parameters);
        COSArray references = new COSArray();
        references.add(reference);
        signature.getCOSObject().setItem(COSName.getPDFName("Reference"), references);
        COSDictionary permissions = new COSDictionary();
        permissions.setItem(COSName.getPDFName("DocMDP"), signature);
        permissions.setNeedToBeUpdated(true);
        pdf.getDocumentCatalog().getCOSObject().setItem(COSName.PERMS, permissions);
        pdf.getDocumentCatalog().getCOSObject().setNeedToBeUpdated(true);
    }
}
