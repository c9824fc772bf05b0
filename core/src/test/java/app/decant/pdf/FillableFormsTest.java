package app.decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.write.PdfWriter;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDComboBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Places of a form that become fields of a PDF (ISO 32000-1, 12.7), as PDFBox reads them and fills them in again. */
class FillableFormsTest {
    private static final Recipe FILLABLE = Recipe.PLAIN.with(PdfStyle.PLAIN.fillable(true)).with(Recipe.WhenPresent.REPLACE);

    @TempDir private Path folder;

    @Test void placesOfAFormBecomeFieldsWhereTheirWordsStood() throws IOException {
        Document form = form("Marit Holm", FormField.TICKED, "Skerrow line", "27 November");
        Receipt receipt = publish(form, FILLABLE);
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("4 fields to be filled in");
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            Map<String, PDField> fields = fields(pdf);
            assertThat(fields.keySet()).containsExactly("Field 4", "Line", "Name", "Name 2");
            assertThat(((PDTextField) fields.get("Name")).getValue()).isEqualTo("Marit Holm");
            assertThat(((PDCheckBox) fields.get("Name 2")).isChecked()).isTrue();
            PDComboBox line = (PDComboBox) fields.get("Line");
            assertThat(line.getValue()).containsExactly("Skerrow line");
            assertThat(line.getOptions()).containsExactly("Ostrey line", "Skerrow line");
            // What is to be filled in is not drawn on the page as well.
            assertThat(pageText(pdf)).contains("Name of the passenger:").doesNotContain("Marit").doesNotContain("Skerrow");
            PDRectangle name = widget(fields.get("Name")).getRectangle();
            PDRectangle box = widget(fields.get("Name 2")).getRectangle();
            assertThat(name.getLowerLeftX()).as("behind the words before it").isGreaterThan(140);
            assertThat(box.getWidth()).isEqualTo(box.getHeight());
            assertThat(name.getLowerLeftY()).isGreaterThan(box.getUpperRightY());
            for (PDField field : fields.values()) {
                assertThat(widget(field).isPrinted()).isTrue();
                assertThat(widget(field).getPage()).isEqualTo(pdf.getPage(0));
                assertThat(widget(field).getNormalAppearanceStream() != null || field instanceof PDCheckBox).isTrue();
            }
        }
    }

    @Test void whoeverHasTheFileFillsItIn() throws IOException {
        Path file = publish(form("", FormField.UNTICKED, "", ""), FILLABLE).file();
        Path filled = folder.resolve("filled.pdf");
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            Map<String, PDField> fields = fields(pdf);
            assertThat(((PDTextField) fields.get("Name")).getValue()).isEmpty();
            assertThat(((PDCheckBox) fields.get("Name 2")).isChecked()).isFalse();
            assertThat(widget(fields.get("Name")).getRectangle().getWidth()).as("wide enough to write into").isGreaterThan(150);
            // Both looks of a box stand in it itself: some readers follow no reference there.
            assertThat(widget(fields.get("Name 2")).getCOSObject().getItem(COSName.AP)).isInstanceOf(COSDictionary.class);
            assertThat(widget(fields.get("Name 2")).getCOSObject().getCOSDictionary(COSName.AP).getItem(COSName.N)).isInstanceOf(COSDictionary.class);
            // Up to what stands next on the line.
            assertThat(widget(fields.get("Field 4")).getRectangle().getWidth()).isLessThan(40);
            fields.get("Name").setValue("Ingrid Vaage");
            ((PDCheckBox) fields.get("Name 2")).check();
            fields.get("Line").setValue("Ostrey line");
            pdf.save(filled.toFile());
        }
        try (PDDocument pdf = Loader.loadPDF(filled.toFile())) {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
            assertThat(form.getField("Name").getValueAsString()).isEqualTo("Ingrid Vaage");
            assertThat(((PDCheckBox) form.getField("Name 2")).isChecked()).isTrue();
            form.flatten();
            assertThat(new PDFTextStripper().getText(pdf)).contains("Ingrid Vaage").contains("Ostrey line");
        }
    }

    @Test void withoutTheWishThePlacesAreText() throws IOException {
        Receipt receipt = publish(form("Marit Holm", FormField.TICKED, "Skerrow line", "27 November"), Recipe.PLAIN);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getAcroForm()).isNull();
            assertThat(pageText(pdf)).contains("Marit Holm").contains("Skerrow line");
        }
    }

    @Test void aDocumentWithoutFormsHasNoFieldsAndIsTheSame() throws IOException {
        Document plain = document(Paragraph.of("Half tide."));
        Receipt receipt = publish(plain, FILLABLE);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getAcroForm()).isNull();
        }
    }

    @Test void fieldsInCellsStayInTheirCells() throws IOException {
        Table.Cell first = new Table.Cell(0, 1, 1, Look.PLAIN, List.of(line("", field(1, FormField.Kind.TEXT, "First", List.of()), "")));
        Table.Cell second = new Table.Cell(1, 1, 1, Look.PLAIN, List.of(line("", field(2, FormField.Kind.TEXT, "Second", List.of()), "")));
        Borders lines = Borders.all(Border.single(0.5, Colour.BLACK));
        Table table = new Table(Look.of(TableProperty.BORDERS, lines), List.of(80.0, 90.0), List.of(new Table.Row(Look.PLAIN, List.of(first, second))));
        Receipt receipt = publish(document(table), FILLABLE);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            PDRectangle one = widget(fields(pdf).get("First")).getRectangle();
            PDRectangle other = widget(fields(pdf).get("Second")).getRectangle();
            assertThat(one.getWidth()).isBetween(60f, 80f);
            assertThat(other.getWidth()).isBetween(70f, 90f);
            assertThat(one.getUpperRightX()).isLessThan(other.getLowerLeftX() + 0.01f);
        }
    }

    @Test void whatGoesOverLinesIsOneFieldOfSeveral() throws IOException {
        String text = "which was never declared at the counter nor on board and is carried by a neighbour ".repeat(4).strip();
        Receipt receipt = publish(document(line("Remarks: ", field(1, FormField.Kind.TEXT, "Remarks", List.of()), text)), FILLABLE);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            PDTextField field = (PDTextField) fields(pdf).get("Remarks");
            assertThat(field.isMultiline()).isTrue();
            assertThat(field.getValue().replace('\n', ' ').replaceAll(" +", " ")).isEqualTo(text);
            assertThat(widget(field).getRectangle().getHeight()).isGreaterThan(30);
        }
    }

    @Test void lettersBeyondTheFontOfFormsAreKeptAndTold() throws IOException {
        Receipt receipt = publish(document(line("Name: ", field(1, FormField.Kind.TEXT, "Name", List.of()), "\u0410\u043D\u043D\u0430")), FILLABLE);
        assertThat(receipt.proven()).isTrue();
        assertThat(receipt.findings()).extracting(Finding::what).anyMatch(what -> what.contains("letters that the font of forms lacks"));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(fields(pdf).get("Name").getValueAsString()).isEqualTo("\u0410\u043D\u043D\u0430");
            assertThat(pdf.getDocumentCatalog().getAcroForm().getNeedAppearances()).isTrue();
        }
    }

    @Test void theCheckFindsFieldsThatHoldSomethingElse() throws IOException {
        Document form = form("Marit Holm", FormField.TICKED, "Skerrow line", "27 November");
        Order order = new Order(Decant.layOut(form), FILLABLE);
        Path file = Decant.publish(order, folder.resolve("checked.pdf"), Progress.SILENT).get(0).file();
        PdfChoices choices = new PdfChoices(List.of(0), FILLABLE.style(), form.facts(), Instant.EPOCH);
        PdfWriter.Written written = PdfWriter.write(order.pages(), choices, OutputStream.nullOutputStream(),
                Progress.SILENT);
        assertThat(failing(file, order, choices, written)).doesNotContain("3 of 4 fields to be filled in hold what they should");
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            fields(pdf).get("Name").setValue("Somebody else");
            pdf.save(file.toFile());
        }
        assertThat(failing(file, order, choices, written)).contains("3 of 4 fields to be filled in hold what they should");
    }

    private static List<String> failing(Path file, Order order, PdfChoices choices, PdfWriter.Written written) throws IOException {
        return PdfCheck.check(file, order.pages(), choices, written).stream().filter(proof -> !proof.holds()).map(PdfCheck.Proof::sentence).toList();
    }

    @Test void aPdfThatStaysItselfKeepsTheFieldsItHas() throws IOException {
        Path made = publish(form("Marit Holm", FormField.TICKED, "Skerrow line", "27 November"), FILLABLE).file();
        Path source = Files.move(made, folder.resolve("source.pdf"));
        Intake intake = new Intake(source, null);
        Receipt receipt = Decant.publish(new Order(intake.pages(FILLABLE, Progress.SILENT), FILLABLE, Recipe.Passwords.NONE, source),
                folder.resolve("again.pdf"), Progress.SILENT).get(0);
        assertThat(receipt.file()).hasSameBinaryContentAs(source);
        assertThat(receipt.findings()).extracting(Finding::what).anyMatch(what -> what.startsWith("A PDF that stays itself keeps the fields it has"));
    }

    @Test void standardsThatForbidSuchFontsAreRefusedInWords() {
        Recipe both = FILLABLE.with(PdfStyle.PLAIN.fillable(true).with(Standard.A_2B));
        assertThatThrownBy(() -> publish(form("a", FormField.TICKED, "b", "c"), both)).hasMessageContaining("PDF/A-2b forbids");
        assertThat(folder).isEmptyDirectory();
    }

    private Receipt publish(Document document, Recipe recipe) {
        return Decant.publish(new Order(Decant.layOut(document), recipe), folder.resolve("form.pdf"), Progress.SILENT).get(0);
    }

    private static Map<String, PDField> fields(PDDocument pdf) {
        Map<String, PDField> fields = new TreeMap<>();
        for (PDField field : pdf.getDocumentCatalog().getAcroForm().getFieldTree()) fields.put(field.getFullyQualifiedName(), field);
        return fields;
    }

    private static PDAnnotationWidget widget(PDField field) { return field.getWidgets().get(0); }

    /** What is drawn on the first page itself. */
    private static String pageText(PDDocument pdf) throws IOException { return new PDFTextStripper().getText(pdf); }

    private static Document form(String name, String ticked, String line, String day) {
        return document(line("Name of the passenger: ", field(1, FormField.Kind.TEXT, "Name", List.of()), name),
                line("Brings a bicycle ", field(2, FormField.Kind.TICK, "Name", List.of()), ticked),
                line("Travels on the ", field(3, FormField.Kind.CHOICE, "Line", List.of("Ostrey line", "Skerrow line")), line),
                line("Day: ", field(4, FormField.Kind.DATE, "", List.of()), day));
    }

    private static FormField field(int number, FormField.Kind kind, String name, List<String> choices) {
        return new FormField(number, kind, true, name, choices, null);
    }

    private static Paragraph line(String before, FormField field, String filled) {
        return Paragraph.of("").withInlines(List.of(new Inline.Text(before, Look.PLAIN), new Inline.Text(filled.isEmpty() ? FormField.EMPTY : filled,
                Look.of(TextProperty.FORM, field)), new Inline.Text(field.kind() == FormField.Kind.DATE ? " at noon" : "", Look.PLAIN)));
    }

    private static Document document(Block... blocks) {
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(new ArrayList<>(List.of(blocks)))));
    }
}
