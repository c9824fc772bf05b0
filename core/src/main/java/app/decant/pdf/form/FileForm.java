package app.decant.pdf.form;

import app.decant.document.DecantException;
import app.decant.page.Original;
import app.decant.pdf.PageList;
import app.decant.pdf.PdfDoor;
import app.decant.pdf.form.FileField.Choice;
import app.decant.pdf.form.FileField.Kind;
import app.decant.pdf.form.FileField.Place;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDChoice;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.slf4j.LoggerFactory;

/** The fields of a PDF that somebody can fill in, in the order in which they stand: page by page, from the top. */
public record FileForm(List<FileField> fields) {
    public static final FileForm NONE = new FileForm(List.of());
    /** Files that say more than this of themselves are no forms. */
    private static final int MOST = 20_000;

    public FileForm { fields = List.copyOf(fields); }

    /**
     * Looks what can be filled in.
     *
     * @throws DecantException where the file can't be opened
     */
    public static FileForm of(Original original) {
        try (PDDocument pdf = PdfDoor.open(original.bytes(), original.name(), original.password())) {
            return of(pdf);
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("pdf.is-damaged-no-pages-can-be-found", original.name()), e);
        }
    }

    /** The same of an opened file. A field that contradicts itself is left out, and the others told. */
    public static FileForm of(PDDocument pdf) {
        Map<COSDictionary, Integer> pages = widgets(pdf);
        List<PDPage> all = PageList.of(pdf);
        List<FileField> found = new ArrayList<>();
        for (List<PDField> alike : fields(pdf).values()) {
            try {
                FileField one = null;
                for (PDField field : alike) one = together(one, read(all, (PDTerminalField) field, pages));
                if (one != null) found.add(one);
            } catch (IOException | RuntimeException e) {
                LoggerFactory.getLogger(FileForm.class).info("A field can't be read", e);
            }
        }
        found.sort(Comparator.comparingInt((FileField field) -> field.places().get(0).page()).thenComparingDouble(field ->
                Math.round(field.places().get(0).top() / 6)).thenComparingDouble(field -> field.places().get(0).left()));
        return new FileForm(found);
    }

    /** The field of a name; null where there is none. */
    public FileField field(String name) { return fields.stream().filter(field -> field.name().equals(name)).findFirst().orElse(null); }

    /** Whether whoever opened the file may fill its form in (7.6.4.2, table 22). */
    public static boolean mayFill(PDDocument pdf) {
        AccessPermission permission = pdf.getCurrentAccessPermission();
        return permission.isOwnerPermission() || permission.canFillInForm() || permission.canModify() || permission.canModifyAnnotations();
    }

    /** Fields of one name are one field, written twice (12.7.4.2). */
    private static FileField together(FileField one, FileField other) {
        if (one == null || other == null || one.kind() != other.kind()) return one == null ? other : one;
        List<Place> places = new ArrayList<>(one.places());
        places.addAll(other.places());
        return new FileField(one.name(), one.label(), one.kind(), places, one.choices(), one.value(), one.lines(), one.open(), one.several(), one.fixed(),
                one.most());
    }

    /** All fields that hold something, by their full names. */
    static Map<String, List<PDField>> fields(PDDocument pdf) {
        Map<String, List<PDField>> fields = new LinkedHashMap<>();
        try {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm(null);
            if (form == null) return fields;
            for (PDField field : form.getFieldTree()) {
                if (fields.size() >= MOST) break;
                if (field instanceof PDTerminalField && field.getFullyQualifiedName() != null) 
                    fields.computeIfAbsent(field.getFullyQualifiedName(), name -> new ArrayList<>()).add(field);
            }
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(FileForm.class).info("The form breaks off", e);
        }
        return fields;
    }

    /** The pages on which widgets stand; what a widget says of that itself is often wrong. */
    private static Map<COSDictionary, Integer> widgets(PDDocument pdf) {
        Map<COSDictionary, Integer> pages = new IdentityHashMap<>();
        int index = 0;
        for (PDPage page : pdf.getPages()) {
            COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
            for (int i = 0; annotations != null && i < annotations.size(); i++) {
                COSBase one = annotations.getObject(i);
                if (one instanceof COSDictionary widget) pages.putIfAbsent(widget, index);
            }
            index++;
        }
        return pages;
    }

    private static FileField read(List<PDPage> all, PDTerminalField field, Map<COSDictionary, Integer> pages) throws IOException {
        Kind kind = field instanceof PDTextField ? Kind.TEXT : field instanceof PDCheckBox ? Kind.TICK : field instanceof PDRadioButton ? Kind.CIRCLES
                : field instanceof PDChoice ? Kind.LIST : null;
        if (kind == null) return null;
        List<Place> places = new ArrayList<>();
        List<Choice> choices = new ArrayList<>();
        List<String> exports = field instanceof PDRadioButton circles ? circles.getExportValues() : List.of();
        List<PDAnnotationWidget> widgets = field.getWidgets();
        for (int i = 0; i < widgets.size(); i++) {
            PDAnnotationWidget widget = widgets.get(i);
            Integer page = pages.get(widget.getCOSObject());
            String state = kind == Kind.TICK || kind == Kind.CIRCLES ? state(widget) : null;
            if (kind == Kind.CIRCLES && state != null && choices.stream().noneMatch(choice -> choice.value().equals(state)))
                choices.add(new Choice(state, i < exports.size() ? exports.get(i) : state));
            if (page != null && widget.getRectangle() != null && !widget.isHidden() && !widget.isNoView())
                places.add(place(all.get(page), page, widget.getRectangle(), state));
        }
        if (places.isEmpty()) return null;
        if (field instanceof PDChoice list) choices.addAll(choices(list));
        String label = field.getAlternateFieldName() == null || field.getAlternateFieldName().isBlank() ? field.getFullyQualifiedName()
                : field.getAlternateFieldName().strip();
        PDTextField text = field instanceof PDTextField some ? some : null;
        return new FileField(field.getFullyQualifiedName(), label, kind, places, choices, value(field), text != null && text.isMultiline(),
                field instanceof PDComboBox box && box.isEdit(), field instanceof PDChoice list && list.isMultiSelect(), field.isReadOnly(),
                text == null ? 0 : Math.max(0, text.getMaxLen()));
    }

    /** What the field says now. */
    static String value(PDField field) throws IOException {
        if (field instanceof PDTextField text) return text.getValue() == null ? "" : text.getValue().replace("\r\n", "\n").replace('\r', '\n');
        if (field instanceof PDChoice list) return String.join("\n", list.getValue());
        // What is drawn counts: some files say a value of a box that no place of it shows.
        for (PDAnnotationWidget widget : field.getWidgets()) {
            COSName shown = widget.getCOSObject().getCOSName(COSName.AS);
            if (shown != null && !shown.getName().equals(FileField.OFF)) return shown.getName();
        }
        return FileField.OFF;
    }

    private static List<Choice> choices(PDChoice list) {
        List<String> values = list.getOptionsExportValues();
        List<String> words = list.getOptionsDisplayValues();
        Map<String, Choice> choices = new HashMap<>();
        List<Choice> inOrder = new ArrayList<>();
        for (int i = 0; i < values.size(); i++) {
            Choice choice = new Choice(values.get(i), i < words.size() ? words.get(i) : values.get(i));
            if (choices.putIfAbsent(choice.value(), choice) == null) inOrder.add(choice);
        }
        return inOrder;
    }

    /** What a box or circle says when it is set: the name of its other appearance. */
    static String state(PDAnnotationWidget widget) {
        COSDictionary appearance = widget.getCOSObject().getCOSDictionary(COSName.AP);
        COSDictionary normal = appearance == null ? null : appearance.getCOSDictionary(COSName.N);
        if (normal == null) return null;
        return normal.keySet().stream().map(COSName::getName).filter(name -> !name.equals(FileField.OFF)).sorted().findFirst().orElse(null);
    }

    private static Place place(PDPage page, int index, PDRectangle box, String state) {
        PDRectangle crop = page.getCropBox();
        double unit = page.getUserUnit() > 0 ? page.getUserUnit() : 1;
        double left = (Math.min(box.getLowerLeftX(), box.getUpperRightX()) - crop.getLowerLeftX()) * unit;
        double top = (crop.getUpperRightY() - Math.max(box.getLowerLeftY(), box.getUpperRightY())) * unit;
        Place upright = new Place(index, left, top, Math.abs(box.getWidth()) * unit, Math.abs(box.getHeight()) * unit, state);
        return upright.turned(page.getRotation(), page.getRotation() % 180 == 0 ? crop.getWidth() * unit : crop.getHeight() * unit,
                page.getRotation() % 180 == 0 ? crop.getHeight() * unit : crop.getWidth() * unit);
    }
}
