package app.decant;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.edit.FormFilling;
import app.decant.edit.TextSelection;
import app.decant.format.Taken;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipFile;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A form that was filled in on the pages of its PDF, published in a format that has no such pages: read back from its XML, by nothing of ours. */
class AnsweredControlsTest {
    @TempDir Path folder;

    @Test void answersStandInContentControls() throws IOException {
        Path file = form();
        Taken taken = Decant.open(file);
        Document filled = FormFilling.answer(taken.document(), TextSelection.caret(new Place(BlockPath.of(0, 0), 0)),
                Map.of("boat", "Skerrow Lass", "car", "Yes", "pier", "2", "day", "1")).after();
        Intake intake = Intake.revised(file, null, taken, Decant.layOut(filled), Intake.fingerprint(file));
        Recipe recipe = Recipe.PLAIN.as(Target.DOCX);
        Receipt receipt = Decant.publish(new Order(intake.pages(recipe, Progress.SILENT), recipe, Recipe.Passwords.NONE, file), folder.resolve("form.docx"),
                Progress.SILENT).get(0);
        String xml;
        try (ZipFile zip = new ZipFile(receipt.file().toFile())) {
            xml = new String(zip.getInputStream(zip.getEntry("word/document.xml")).readAllBytes());
        }
        // ISO/IEC 29500-1, 17.5.2: what a control is, then what it holds.
        assertThat(control(xml, "boat")).contains("<w:text").contains(">Skerrow Lass<");
        assertThat(control(xml, "car")).contains("checkbox").contains(">\u2612<");
        assertThat(control(xml, "pier")).contains(">Long pier<").contains("w:displayText=\"Short pier\"");
        assertThat(intake.findings()).extracting(Finding::what).contains(
                "What was filled into a field of the PDF is in its own pages only. Publish it as a PDF, and take that in, to have it in other formats.");
    }

    private static String control(String xml, String name) {
        for (String control : xml.split("<w:sdt>")) if (control.contains("\"" + name + "\"")) return control.substring(0, control.indexOf("</w:sdt>"));
        throw new AssertionError("No control is called " + name + " in " + xml);
    }

    private Path form() throws IOException {
        Path file = folder.resolve("form.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            pdf.addPage(page);
            PDAcroForm form = new PDAcroForm(pdf);
            form.setDefaultResources(new PDResources());
            form.getDefaultResources().put(COSName.getPDFName("Helv"), new PDType1Font(FontName.HELVETICA));
            form.setDefaultAppearance("/Helv 11 Tf 0 g");
            pdf.getDocumentCatalog().setAcroForm(form);
            PDComboBox pier = new PDComboBox(form);
            pier.setOptions(List.of("1", "2"), List.of("Short pier", "Long pier"));
            List<PDTerminalField> fields = List.of(new PDTextField(form), new PDCheckBox(form), pier, new PDRadioButton(form));
            List<String> names = List.of("boat", "car", "pier", "day");
            try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                for (int i = 0; i < fields.size(); i++) {
                    out.beginText();
                    out.setFont(new PDType1Font(FontName.HELVETICA), 11);
                    out.newLineAtOffset(72, 700 - 40 * i);
                    out.showText("The " + names.get(i) + " of your crossing:");
                    out.endText();
                    PDTerminalField field = fields.get(i);
                    field.setPartialName(names.get(i));
                    field.getWidgets().get(0).setRectangle(new PDRectangle(240, 697 - 40 * i, i % 2 == 0 ? 140 : 12, 14));
                    field.getWidgets().get(0).setPage(page);
                    page.getAnnotations().add(field.getWidgets().get(0));
                    form.getFields().add(field);
                }
            }
            pdf.save(file.toFile());
        }
        return file;
    }
}
