package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.pdf.keep.CorrectedFile.Made;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationFreeText;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceCharacteristicsDictionary;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Fields of a form (ISO 32000-2, 12.7) and notes written on a page (12.5.6.6) go down with the lines they stand among where text above gets longer, and can be
 * filled in as before. Painted, read and filled in by PDFBox.
 */
class FieldsInPlaceTest {
    private static final String WORDS = "BT /F1 11 Tf 72 720 Td 14 TL (Ask at the pier for the winter timetable of all the ships, or ask the) Tj T* (captain of"
            + " yours.) Tj ET\nBT /F1 11 Tf 72 675 Td (Name of the guest) Tj ET\nBT /F1 11 Tf 72 580 Td (Cabin) Tj ET\n";
    private static final String LONGER = "Whenever you come, and wherever you are going to, ask";
    private static final int FRAME = 0x0000FF;

    @TempDir private Path root;
    private Path source;

    @BeforeEach void form() throws IOException {
        source = root.resolve("form.pdf");
        try (PDDocument pdf = Loader.loadPDF(new CorrectedFile(root).file(WORDS).toFile())) {
            PDAcroForm form = new PDAcroForm(pdf);
            pdf.getDocumentCatalog().setAcroForm(form);
            PDResources fonts = new PDResources();
            fonts.put(COSName.HELV, new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            form.setDefaultResources(fonts);
            form.setDefaultAppearance("/Helv 11 Tf 0 g");
            PDPage page = pdf.getPage(0);
            field(form, page, "guest", "Ann Sample", new PDRectangle(180, 671, 200, 16));
            // Beside its label, but far from the column of the text above.
            field(form, page, "cabin", "14", new PDRectangle(480, 576, 60, 16));
            // Nothing but a frame, below all words.
            field(form, page, "signed", "", new PDRectangle(72, 530, 200, 30));
            PDAnnotationFreeText paid = new PDAnnotationFreeText();
            paid.setRectangle(new PDRectangle(300, 530, 150, 24));
            paid.setContents("Paid at the pier");
            paid.setDefaultAppearance("/Helv 11 Tf 0 g");
            paid.setColor(new PDColor(new float[] {1, 1, 0}, PDDeviceRGB.INSTANCE));
            paid.setPage(page);
            paid.constructAppearances(pdf);
            page.getAnnotations().add(paid);
            pdf.save(source.toFile());
        }
    }

    private static void field(PDAcroForm form, PDPage page, String name, String value, PDRectangle area) throws IOException {
        PDTextField field = new PDTextField(form);
        field.setPartialName(name);
        PDAnnotationWidget widget = field.getWidgets().get(0);
        widget.setRectangle(area);
        widget.setPage(page);
        widget.setPrinted(true);
        PDAppearanceCharacteristicsDictionary frame = new PDAppearanceCharacteristicsDictionary(new COSDictionary());
        frame.setBorderColour(new PDColor(new float[] {0, 0, 1}, PDDeviceRGB.INSTANCE));
        widget.setAppearanceCharacteristics(frame);
        page.getAnnotations().add(widget);
        form.getFields().add(field);
        field.setValue(value);
    }

    private static Map<String, PDRectangle> areas(PDDocument pdf) throws IOException {
        Map<String, PDRectangle> areas = new HashMap<>();
        for (PDField field : pdf.getDocumentCatalog().getAcroForm().getFields())
            areas.put(field.getPartialName(), field.getWidgets().get(0).getRectangle());
        for (PDAnnotation one : pdf.getPage(0).getAnnotations()) if (one.getContents() != null) areas.put(one.getContents(), one.getRectangle());
        return areas;
    }

    private static double place(Path file, String words) throws IOException { return DressedWordsTest.letters(file, words).get(0).getYDirAdj(); }

    @Test void fieldsGoDownWithTheLinesTheyStandAmong() throws IOException {
        Made made = new CorrectedFile(root).correct(source, "Ask", LONGER);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(made.receipt().proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        Path file = made.receipt().file();
        float down = (float) (place(file, "Cabin") - place(source, "Cabin"));
        assertThat(down).as("one line").isCloseTo(14, within(0.1f));
        try (PDDocument before = Loader.loadPDF(source.toFile()); PDDocument after = Loader.loadPDF(file.toFile())) {
            Map<String, PDRectangle> was = areas(before);
            Map<String, PDRectangle> is = areas(after);
            assertThat(is.keySet()).containsExactlyInAnyOrder("guest", "cabin", "signed", "Paid at the pier").isEqualTo(was.keySet());
            for (String one : was.keySet()) {
                assertThat(is.get(one).getLowerLeftY()).as(one).isCloseTo(was.get(one).getLowerLeftY() - down, within(0.05f));
                assertThat(is.get(one).getHeight()).isCloseTo(was.get(one).getHeight(), within(0.01f));
                assertThat(is.get(one).getLowerLeftX()).isEqualTo(was.get(one).getLowerLeftX());
            }
            // What PDFBox paints below the longer paragraph is what it painted there, one line lower.
            BufferedImage old = new PDFRenderer(before).renderImage(0);
            BufferedImage now = new PDFRenderer(after).renderImage(0);
            int height = old.getHeight();
            int frames = 0;
            for (int y = height - 695; y < height - 60; y++) for (int x = 0; x < old.getWidth(); x++) {
                assertThat(now.getRGB(x, y + 14)).as("at %d, %d", x, y).isEqualTo(old.getRGB(x, y));
                if ((old.getRGB(x, y) & 0xFFFFFF) == FRAME) frames++;
            }
            assertThat(frames).as("the test's own frames are there").isGreaterThan(200);
        }
        double filled = filled(file);
        assertThat(filled).as("on the line of its label").isCloseTo(place(file, "Name of the guest"), within(3.0));
        assertThat(filled).isCloseTo(filled(source) + down, within(0.05));
    }

    /** Fills a field in, and tells how low what it says stands. */
    private double filled(Path file) throws IOException {
        Path filled = root.resolve("filled.pdf");
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
            form.getField("guest").setValue("Bob Sample");
            form.flatten(List.of(form.getField("guest")), false);
            pdf.save(filled.toFile());
        }
        return place(filled, "Bob Sample");
    }
}
