package app.decant.pdf.form;

import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.font.EmbeddingRight;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDChoice;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.pdmodel.interactive.form.PDVariableText;
import org.slf4j.LoggerFactory;

/** Fills the fields of an opened PDF in, and draws what they say (ISO 32000-2, 12.7.4.3). Nothing runs: what scripts would reckon stays as it was. */
public final class Filling {
    /** How high capitals of most faces are, as a share of what reaches highest. */
    private static final double CAPITALS = 0.76;
    private static final String PLAIN_FONT = "DecantPlain";
    private static final COSName CALCULATED = COSName.getPDFName("CO");
    private static final COSName RICH = COSName.getPDFName("RV");
    private static final COSName INDICES = COSName.I;

    private final PDDocument pdf;
    private final PDAcroForm form;
    private final Map<Face, PDType0Font> fonts = new HashMap<>();
    private final List<Finding> findings = new ArrayList<>();
    private final Set<Integer> letters = new TreeSet<>();
    private boolean copied;

    private Filling(PDDocument pdf, Map<String, String> answers) {
        this.pdf = pdf;
        letters.add((int) ' ');
        for (String said : answers.values()) said.codePoints().filter(letter -> !Character.isISOControl(letter)).forEach(letters::add);
        form = pdf.getDocumentCatalog().getAcroForm(null);
    }

    /**
     * Fills in what is told; other fields are not touched.
     *
     * @param answers by the full names of fields, as {@link FileField#said} gives them
     * @return what is to be told of it
     * @throws DecantException where a field is not there, or the file's owner lets nobody fill it in
     */
    public static List<Finding> fill(PDDocument pdf, Map<String, String> answers) throws IOException {
        if (answers.isEmpty()) return List.of();
        if (!FileForm.mayFill(pdf)) throw new DecantException(DecantException.Kind.NOT_PERMITTED, Message.of("form.not-permitted"));
        Map<String, List<PDField>> fields = FileForm.fields(pdf);
        Filling filling = new Filling(pdf, answers);
        if (filling.form != null && filling.form.getNeedAppearances()) filling.drawOthers(fields, answers.keySet());
        for (Map.Entry<String, String> answer : new TreeMap<>(answers).entrySet()) {
            List<PDField> alike = fields.get(answer.getKey());
            if (alike == null) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("form.no-field", answer.getKey()));
            for (PDField field : alike) filling.fill(field, answer.getValue());
        }
        filling.afterwards();
        return filling.findings;
    }

    /** Where fields are left to be drawn by whoever shows them, they are drawn here as they would be: else what is filled in would be drawn anew there. */
    private void drawOthers(Map<String, List<PDField>> fields, Set<String> filled) {
        form.setNeedAppearances(false);
        for (Map.Entry<String, List<PDField>> one : fields.entrySet()) {
            if (filled.contains(one.getKey())) continue;
            for (PDField field : one.getValue()) {
                if (!(field instanceof PDVariableText text)) continue;
                try {
                    for (PDAnnotationWidget widget : field.getWidgets()) ownDrawing(widget);
                    form.refreshAppearances(List.of(text));
                } catch (IOException | RuntimeException e) {
                    LoggerFactory.getLogger(Filling.class).info("{} is left to whoever shows it", one.getKey(), e);
                    form.setNeedAppearances(true);
                }
            }
        }
    }

    private void fill(PDField field, String said) throws IOException {
        if (field instanceof PDButton) {
            if (field instanceof PDCheckBox) drawMissing(field, said);
            set(field, said);
            return;
        }
        if (!(field instanceof PDVariableText variable)) throw new DecantException(DecantException.Kind.WRONG_CALL,
                Message.of("form.no-field", field.getFullyQualifiedName()));
        field.getCOSObject().removeItem(RICH);
        for (PDAnnotationWidget widget : field.getWidgets()) ownDrawing(widget);
        complete(variable);
        try {
            write(variable, said);
        } catch (IllegalArgumentException | IOException e) {
            LoggerFactory.getLogger(Filling.class).info("{} is drawn by a face of ours", field.getFullyQualifiedName(), e);
            byAnother(variable, said);
        }
    }

    /** Boxes that no file draws are drawn; only where none of the field's places is. */
    private void drawMissing(PDField field, String said) throws IOException {
        if (said.equals(FileField.OFF)) return;
        for (PDAnnotationWidget widget : field.getWidgets()) if (FileForm.state(widget) != null) return;
        for (PDAnnotationWidget widget : field.getWidgets()) if (widget.getRectangle() != null) TickDrawing.give(pdf, widget, COSName.getPDFName(said));
    }

    /** Ticks by hand: what the library offers refuses states that places do not share. */
    private static void set(PDField field, String said) {
        boolean any = false;
        for (PDAnnotationWidget widget : field.getWidgets()) {
            COSDictionary appearance = widget.getCOSObject().getCOSDictionary(COSName.AP);
            COSDictionary normal = appearance == null ? null : appearance.getCOSDictionary(COSName.N);
            COSName state = COSName.getPDFName(said);
            boolean set = normal != null && normal.containsKey(state);
            any |= set;
            widget.getCOSObject().setItem(COSName.AS, set ? state : COSName.Off);
        }
        field.getCOSObject().setItem(COSName.V, any ? COSName.getPDFName(said) : COSName.Off);
    }

    /** What a field shows may be drawn by what others share: a stream of its own, and resources that can be added to. */
    private void ownDrawing(PDAnnotationWidget widget) throws IOException {
        COSDictionary shared = widget.getCOSObject().getCOSDictionary(COSName.AP);
        if (shared == null || !(shared.getDictionaryObject(COSName.N) instanceof COSStream drawn)) return;
        COSStream own = pdf.getDocument().createCOSStream();
        own.addAll(drawn);
        try (InputStream in = drawn.createRawInputStream(); OutputStream out = own.createRawOutputStream()) {
            in.transferTo(out);
        }
        if (drawn.getCOSDictionary(COSName.RESOURCES) != null) own.setItem(COSName.RESOURCES, copied(drawn.getCOSDictionary(COSName.RESOURCES)));
        COSDictionary appearance = new COSDictionary(shared);
        appearance.setItem(COSName.N, own);
        widget.getCOSObject().setItem(COSName.AP, appearance);
    }

    private static COSDictionary copied(COSDictionary resources) {
        COSDictionary own = new COSDictionary(resources);
        COSDictionary fonts = resources.getCOSDictionary(COSName.FONT);
        own.setItem(COSName.FONT, fonts == null ? new COSDictionary() : new COSDictionary(fonts));
        return own;
    }

    /** A field that names no font, or one that is not there, gets one: readers do the same. */
    private void complete(PDVariableText field) {
        if (field.getDefaultAppearance() == null || field.getDefaultAppearance().isBlank() || !hasFont(field.getDefaultAppearance())) {
            ownResources().put(COSName.getPDFName(PLAIN_FONT), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            field.setDefaultAppearance("/" + PLAIN_FONT + " 0 Tf 0 g");
        }
    }

    /** What the form offers its fields, to be added to: some files give the same to their pages, which are to stay what they are. */
    private PDResources ownResources() {
        if (!copied) {
            form.setDefaultResources(new PDResources(form.getDefaultResources() == null ? copied(new COSDictionary())
                    : copied(form.getDefaultResources().getCOSObject())));
            copied = true;
        }
        return form.getDefaultResources();
    }

    private boolean hasFont(String appearance) {
        if (form.getDefaultResources() == null) return false;
        String[] words = appearance.trim().split("\\s+");
        for (int i = 2; i < words.length; i++) {
            if (!words[i].equals("Tf") || !words[i - 2].startsWith("/")) continue;
            try {
                return form.getDefaultResources().getFont(COSName.getPDFName(words[i - 2].substring(1))) != null;
            } catch (IOException e) {
                LoggerFactory.getLogger(Filling.class).info("The font of a field can't be read", e);
                return false;
            }
        }
        return false;
    }

    private void write(PDVariableText field, String said) throws IOException {
        if (field instanceof PDTextField text) {
            text.setValue(said);
            return;
        }
        PDChoice list = (PDChoice) field;
        list.getCOSObject().removeItem(INDICES);
        if (list.isMultiSelect()) list.setValue(said.isEmpty() ? List.of() : Arrays.asList(said.split("\n")));
        else list.setValue(said);
    }

    /** Letters that the form's own font lacks: drawn by a face that has them; the field keeps what it says of fonts. */
    private void byAnother(PDVariableText field, String said) throws IOException {
        Face face = face(said);
        String own = field.getDefaultAppearance();
        if (face != null) {
            COSName name = ownResources().add(font(face));
            field.setDefaultAppearance(own.replaceFirst("/\\S+(\\s+[-+.\\d]+\\s+Tf)", "/" + name.getName() + "$1"));
            try {
                write(field, said);
                return;
            } catch (IllegalArgumentException | IOException e) {
                LoggerFactory.getLogger(Filling.class).info("{} can't be drawn", field.getFullyQualifiedName(), e);
            } finally {
                field.setDefaultAppearance(own);
            }
        }
        field.getCOSObject().setString(COSName.V, said);
        for (PDAnnotationWidget widget : field.getWidgets()) widget.getCOSObject().removeItem(COSName.AP);
        form.setNeedAppearances(true);
        findings.add(Finding.changed(Message.of("write.field-beyond-font", field.getFullyQualifiedName())));
    }

    /** A face with all letters that may go into files; null where there is none. */
    private static Face face(String said) {
        FontCatalogue catalogue = FontCatalogue.ofThisMachine();
        Face plain = catalogue.match("Liberation Sans", false, false).face();
        Face face = plain;
        for (int letter : said.codePoints().toArray()) if (letter != '\n' && !face.has(letter)) face = catalogue.fallback(plain, letter);
        for (int letter : said.codePoints().toArray()) if (letter != '\n' && !face.has(letter)) return null;
        return face.hasCffOutlines() || EmbeddingRight.forbidsOutlines(face.fsType()) ? null : face;
    }

    private PDType0Font font(Face face) throws IOException {
        PDType0Font known = fonts.get(face);
        if (known != null) return known;
        // Whole as the library sees it: it looks fonts up again by their names, and what it would leave out later it can't write by then.
        PDType0Font font = PDType0Font.load(pdf, new ByteArrayInputStream(face.only(letters)), false);
        // By its height words are centred; files of some letters do not tell it.
        if (font.getFontDescriptor().getCapHeight() == 0) font.getFontDescriptor().setCapHeight((float) (CAPITALS * face.ascent() * 1000));
        fonts.put(face, font);
        return font;
    }

    private void afterwards() {
        COSDictionary own = form == null ? null : form.getCOSObject();
        if (own == null) return;
        if (own.containsKey(COSName.XFA)) {
            own.removeItem(COSName.XFA);
            findings.add(Finding.changed(Message.of("form.xfa-left")));
        }
        if (own.getCOSArray(CALCULATED) != null && own.getCOSArray(CALCULATED).size() > 0)
            findings.add(Finding.changed(Message.of("form.reckoned", own.getCOSArray(CALCULATED).size())));
    }

    /**
     * Which of the fields do not say what was filled in, or nothing that is drawn.
     *
     * @return their names
     */
    public static List<String> missing(PDDocument pdf, Map<String, String> answers) throws IOException {
        Map<String, List<PDField>> fields = FileForm.fields(pdf);
        List<String> missing = new ArrayList<>();
        for (Map.Entry<String, String> answer : answers.entrySet())
            if (!said(fields.get(answer.getKey())).equals(List.of(answer.getValue()))) missing.add(answer.getKey());
        return missing;
    }

    /** Fields beside those filled in that say something else than before. */
    public static List<String> others(PDDocument before, PDDocument after, Map<String, String> answers) throws IOException {
        Map<String, List<PDField>> was = FileForm.fields(before);
        Map<String, List<PDField>> is = FileForm.fields(after);
        List<String> others = new ArrayList<>();
        for (Map.Entry<String, List<PDField>> one : was.entrySet())
            if (!answers.containsKey(one.getKey()) && is.containsKey(one.getKey()) && !said(one.getValue()).equals(said(is.get(one.getKey()))))
                others.add(one.getKey());
        return others;
    }

    /** All that fields of one name say: one thing, where the file is right. */
    private static List<String> said(List<PDField> alike) throws IOException {
        Set<String> said = new LinkedHashSet<>();
        if (alike != null) for (PDField field : alike) said.add(FileForm.value(field));
        return List.copyOf(said);
    }
}
