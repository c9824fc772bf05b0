package app.decant.pdf.write;

import app.decant.document.Colour;
import app.decant.document.Finding;
import app.decant.document.FormField;
import app.decant.page.TextStyle;
import app.decant.pdf.form.TickDrawing;
import app.decant.pdf.page.PageContent;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.pdmodel.interactive.form.PDVariableText;
import org.slf4j.LoggerFactory;

/** Makes the places of a form that somebody fills in fields of a PDF (ISO 32000-1, 12.7), each where its words stood, with what is filled in. */
final class FormWriter {
    private static final String FONT = "Helv";
    private static final double PADDING = 1.5;
    /** So wide is a place that one can write into it, where there is room. */
    private static final double ROOM = 160;
    private static final float[] FRAME = {0.55f, 0.55f, 0.55f};
    private static final COSName ON = COSName.getPDFName("On");

    private final PDDocument pdf;
    private final PDAcroForm form;
    private final Set<String> names = new HashSet<>();
    private final List<Finding> findings = new ArrayList<>();
    private final Map<String, String> values = new LinkedHashMap<>();

    /** A place on a page, of all letters that are filled in there. */
    private static final class Place {
        final int page;
        final TextStyle style;
        double left;
        double top;
        double right;
        double bottom;
        int lines = 1;
        double lastTop;
        double room;
        final StringBuilder text = new StringBuilder();

        Place(int page, PageContent.FieldArea area) {
            this.page = page;
            style = area.style();
            left = area.x();
            top = area.y();
            right = area.x() + area.width();
            bottom = area.y() + area.height();
            lastTop = area.y();
            room = area.room();
            text.append(area.text());
        }

        void add(PageContent.FieldArea area) {
            if (area.y() > lastTop + area.height() / 2) {
                lines++;
                lastTop = area.y();
                text.append('\n');
            }
            left = Math.min(left, area.x());
            top = Math.min(top, area.y());
            right = Math.max(right, area.x() + area.width());
            bottom = Math.max(bottom, area.y() + area.height());
            text.append(area.text());
        }
    }

    private FormWriter(PDDocument pdf) {
        this.pdf = pdf;
        form = new PDAcroForm(pdf);
        PDResources resources = new PDResources();
        resources.put(COSName.getPDFName(FONT), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
        form.setDefaultResources(resources);
        form.setDefaultAppearance("/" + FONT + " 0 Tf 0 g");
    }

    /**
     * Puts the fields in.
     *
     * @param areas page by page, in the order of {@code pages}
     * @return what each holds, by its name
     */
    static Map<String, String> write(PDDocument pdf, List<PDPage> pages, List<List<PageContent.FieldArea>> areas, List<Finding> findings) throws IOException {
        Map<FormField, Place> places = new LinkedHashMap<>();
        for (int page = 0; page < areas.size(); page++) {
            for (PageContent.FieldArea area : areas.get(page)) {
                Place place = places.get(area.form());
                if (place == null) places.put(area.form(), new Place(page, area));
                else if (place.page == page) place.add(area);
                // What goes on on the next page is all said in the place where it begins.
                else place.text.append(area.text());
            }
        }
        if (places.isEmpty()) return Map.of();
        FormWriter writer = new FormWriter(pdf);
        pdf.getDocumentCatalog().setAcroForm(writer.form);
        for (Map.Entry<FormField, Place> one : places.entrySet()) writer.field(one.getKey(), one.getValue(), pages.get(one.getValue().page));
        findings.addAll(writer.findings);
        return writer.values;
    }

    private void field(FormField told, Place place, PDPage page) throws IOException {
        String name = name(told);
        String text = place.text.toString().replace(FormField.EMPTY, "").replace('\u2002', ' ').strip();
        PDField field = switch (told.kind()) {
            case TICK -> new PDCheckBox(form);
            case CHOICE -> new PDComboBox(form);
            case TEXT, DATE, OTHER -> new PDTextField(form);
        };
        field.setPartialName(name);
        field.setAlternateFieldName(told.name().isEmpty() ? name : told.name());
        form.getFields().add(field);
        PDAnnotationWidget widget = field.getWidgets().get(0);
        widget.setRectangle(rectangle(told, place, page));
        widget.setPage(page);
        widget.setPrinted(true);
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS) == null ? new COSArray() : page.getCOSObject().getCOSArray(COSName.ANNOTS);
        annotations.add(widget.getCOSObject());
        page.getCOSObject().setItem(COSName.ANNOTS, annotations);
        if (field instanceof PDCheckBox box) {
            tick(box, widget, FormField.isTicked(text));
            values.put(name, box.isChecked() ? "On" : "Off");
            return;
        }
        frame(widget);
        PDVariableText variable = (PDVariableText) field;
        variable.setDefaultAppearance("/" + FONT + " " + size(place) + " Tf " + colour(place.style.colour()) + " rg");
        if (variable instanceof PDTextField line && place.lines > 1) line.setMultiline(true);
        if (variable instanceof PDComboBox choice) {
            choice.setOptions(told.choices());
            choice.setEdit(!told.choices().contains(text) && !text.isEmpty());
        }
        fill(variable, text, told);
        values.put(name, text);
    }

    /** What is filled in, drawn; where its letters have no place in the font of the form, whoever shows it draws it. */
    private void fill(PDVariableText field, String text, FormField told) throws IOException {
        try {
            if (field instanceof PDComboBox choice) choice.setValue(text);
            else ((PDTextField) field).setValue(text);
        } catch (IllegalArgumentException e) {
            LoggerFactory.getLogger(FormWriter.class).info("{} has letters beyond the font of forms", told.name(), e);
            field.getCOSObject().setString(COSName.V, text);
            form.setNeedAppearances(true);
            findings.add(Finding.changed(Message.of("write.field-beyond-font", field.getPartialName())));
        }
    }

    private String name(FormField told) {
        String plain = told.name().replace('.', ' ').strip();
        if (plain.isEmpty()) plain = Message.of("write.field-name", names.size() + 1).toString();
        String name = plain;
        for (int i = 2; !names.add(name); i++) name = plain + " " + i;
        return name;
    }

    private static PDRectangle rectangle(FormField told, Place place, PDPage page) {
        float height = page.getMediaBox().getHeight();
        boolean tick = told.kind() == FormField.Kind.TICK;
        double wide = tick ? Math.min(place.right - place.left, place.bottom - place.top) : Math.max(place.right - place.left, Math.min(ROOM, place.room
                - 2 * PADDING));
        double high = tick ? wide : place.bottom - place.top;
        double x = tick ? place.left : place.left - PADDING;
        double y = tick ? (place.top + place.bottom - high) / 2 : place.top - PADDING / 2;
        return new PDRectangle((float) x, (float) (height - y - high - (tick ? 0 : PADDING)), (float) (wide + (tick ? 0 : 2 * PADDING)),
                (float) (high + (tick ? 0 : PADDING)));
    }

    private static String size(Place place) { return String.format(Locale.ROOT, "%.1f", place.style.size()); }

    private static String colour(Colour colour) {
        Colour seen = colour == null || colour.isAutomatic() ? Colour.BLACK : colour;
        return String.format(Locale.ROOT, "%.3f %.3f %.3f", seen.red() / 255.0, seen.green() / 255.0, seen.blue() / 255.0);
    }

    /** A fine frame, so that one sees where something is to be written. */
    private static void frame(PDAnnotationWidget widget) {
        COSDictionary looks = new COSDictionary();
        looks.setItem(COSName.BC, floats(FRAME));
        widget.getCOSObject().setItem(COSName.MK, looks);
        COSDictionary style = new COSDictionary();
        style.setItem(COSName.W, new COSFloat(0.5f));
        style.setItem(COSName.S, COSName.S);
        widget.getCOSObject().setItem(COSName.BS, style);
    }

    private static COSArray floats(float[] values) {
        COSArray array = new COSArray();
        for (float value : values) array.add(new COSFloat(value));
        return array;
    }

    /** A box that is empty or crossed (12.7.4.2.3). */
    private void tick(PDCheckBox box, PDAnnotationWidget widget, boolean ticked) throws IOException {
        TickDrawing.give(pdf, widget, ON);
        COSName state = ticked ? ON : COSName.Off;
        widget.getCOSObject().setItem(COSName.AS, state);
        box.getCOSObject().setItem(COSName.V, state);
    }
}
