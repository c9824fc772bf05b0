package app.decant.pdf.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.FormData;
import app.decant.Intake;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.page.Original;
import app.decant.pdf.check.PdfCheck;
import app.decant.publish.Order;
import app.decant.publish.PageRange;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.text.PDFTextStripper;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Forms of PDFs that nobody here made (ISO 32000-2, 12.7), filled in while all else stays, byte by byte; read again by PDFBox. */
class FillingTest {
    private static final Recipe PLAIN = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
    private static final Recipe BEHIND = PLAIN.with(PLAIN.style().incremental(true));

    @TempDir private Path folder;

    @Test void fieldsAreToldAsTheyStandFromTheTop() throws IOException {
        FileForm form = FileForm.of(new Original("request.pdf", FormFile.plain(), null));
        assertThat(form.fields()).extracting(FileField::name)
                .containsExactly("number", "owner", "code", "story", "wet", "where", "line", "found", "office");
        FileField owner = form.field("owner");
        assertThat(owner.label()).isEqualTo("Name of the owner");
        assertThat(owner.kind()).isEqualTo(FileField.Kind.TEXT);
        // A4 is 842 points high.
        assertThat(owner.places()).hasSize(1);
        assertThat(owner.places().get(0).top()).isCloseTo(PDRectangle.A4.getHeight() - 720, within(0.01));
        assertThat(owner.places().get(0).holds(200, 130)).isTrue();
        assertThat(form.field("story").lines()).isTrue();
        assertThat(form.field("code").most()).isEqualTo(4);
        assertThat(form.field("number").fixed()).isTrue();
        assertThat(form.field("wet").places().get(0).state()).isEqualTo("Yes");
        assertThat(form.field("where").choices()).extracting(FileField.Choice::value).containsExactly("quay", "deck");
        assertThat(form.field("line").choices()).extracting(FileField.Choice::words).containsExactly("Ostrey line", "Skerrow line");
        assertThat(form.field("found").several()).isTrue();
        // The second page is turned: what stands low on the left of its paper is read high on the left.
        FileField.Place turned = form.field("office").places().get(0);
        assertThat(turned.page()).isEqualTo(1);
        assertThat(turned.left()).isCloseTo(200, within(0.1));
        assertThat(turned.top()).isCloseTo(100, within(0.1));
        assertThat(turned.width()).isCloseTo(20, within(0.1));
        assertThat(turned.height()).isCloseTo(150, within(0.1));
    }

    private static Offset<Double> within(double points) { return Offset.offset(points); }

    @Test void turningPlacesFourTimesBringsThemBack() {
        FileField.Place place = new FileField.Place(0, 10, 20, 30, 5, null);
        FileField.Place once = place.turned(90, 400, 300);
        assertThat(once).isEqualTo(new FileField.Place(0, 400 - 20 - 5, 10, 5, 30, null));
        assertThat(once.turned(90, 300, 400).turned(180, 300, 400)).isEqualTo(place);
        assertThat(once.turned(270, 300, 400)).isEqualTo(place);
    }

    @Test void whatIsFilledInStandsBehindTheOriginal() throws IOException {
        byte[] original = FormFile.plain();
        Path source = file(original);
        Map<String, String> wishes = Map.of("owner", "Marit Holm", "wet", "yes", "where", "deck", "line", "Skerrow line", "found", "coat\nhat", "story",
                "Left on the bench\nby the stern.", "office", "27");
        Receipt receipt = fill(source, wishes, BEHIND);
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("It begins with every byte of the original",
                "7 fields say what was filled in, all others what they said", "All 2 pages are the original's own, byte for byte");
        byte[] made = Files.readAllBytes(receipt.file());
        assertThat(Arrays.mismatch(made, original)).isEqualTo(original.length);
        assertThat(made.length - original.length).isLessThan(30_000);
        try (PDDocument pdf = Loader.loadPDF(made)) {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
            assertThat(form.getField("owner").getValueAsString()).isEqualTo("Marit Holm");
            assertThat(((PDCheckBox) form.getField("wet")).isChecked()).isTrue();
            assertThat(form.getField("where").getValueAsString()).isEqualTo("deck");
            assertThat(form.getField("line").getValueAsString()).isEqualTo("[ske]");
            assertThat(form.getField("found").getValueAsString()).contains("coat").contains("hat");
            assertThat(form.getField("number").getValueAsString()).isEmpty();
            assertThat(states(form.getField("where"))).containsExactly("Off", "deck");
            // What is drawn is what is said.
            form.flatten();
            assertThat(new PDFTextStripper().getText(pdf)).contains("Marit Holm").contains("Skerrow line").contains("by the stern");
        }
    }

    private static List<String> states(PDField field) {
        return field.getWidgets().stream().map(widget -> widget.getCOSObject().getNameAsString(COSName.AS)).toList();
    }

    @Test void namesAreTheFieldsOrWhatPeopleReadOfThem() throws IOException {
        Receipt receipt = fill(file(FormFile.plain()), Map.of("name of the OWNER", "Ingrid Vaage"), BEHIND);
        assertThat(value(receipt, "owner")).isEqualTo("Ingrid Vaage");
    }

    @Test void whatAFieldDoesNotTakeIsRefusedInWords() throws IOException {
        FileForm form = FileForm.of(new Original("request.pdf", FormFile.plain(), null));
        refused(form, "nothing", "x", "There is no field nothing.");
        refused(form, "code", "12345", "code takes 4 letters, not 5.");
        refused(form, "number", "7", "number cannot be filled in");
        refused(form, "line", "Holm line", "line does not offer Holm line. It offers: Ostrey line, Skerrow line.");
        refused(form, "where", "mast", "where does not offer mast");
        refused(form, "wet", "perhaps", "wet is a box to tick: say yes or no, not perhaps.");
        assertThat(FormData.answers(form, Map.of("owner", "two\nlines"))).containsEntry("owner", "two lines");
        assertThat(FormData.answers(form, Map.of("wet", "NO"))).containsEntry("wet", FileField.OFF);
        assertThat(FormData.answers(form, Map.of("where", ""))).containsEntry("where", FileField.OFF);
        assertThat(FormData.answers(form, Map.of("story", "a\r\nb"))).containsEntry("story", "a\nb");
    }

    private static void refused(FileForm form, String name, String wish, String sentence) {
        assertThatThrownBy(() -> FormData.answers(form, Map.of(name, wish))).isInstanceOf(DecantException.class).hasMessageContaining(sentence);
    }

    @Test void lettersThatTheFormsFontLacksAreDrawnByAnother() throws IOException {
        Receipt receipt = fill(file(FormFile.plain()), Map.of("owner", "Łucja Żółw", "story", "Ελλάδα"), BEHIND);
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
            assertThat(form.getNeedAppearances()).isFalse();
            assertThat(form.getField("owner").getCOSObject().getString(COSName.DA, "/Helv 0 Tf 0 g")).as("the field keeps its own font").contains("/Helv");
            form.flatten();
            assertThat(new PDFTextStripper().getText(pdf)).contains("Łucja Żółw").contains("Ελλάδα");
        }
    }

    @Test void lettersNoFaceHasAreLeftToTheReaderAndTold() throws IOException {
        Receipt receipt = fill(file(FormFile.plain()), Map.of("owner", "\uD80C\uDC00\uDB80\uDC00"), BEHIND);
        assertThat(receipt.findings()).extracting(Finding::what).anyMatch(told -> told.contains("owner"));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getAcroForm().getNeedAppearances()).isTrue();
        }
    }

    @Test void whatPagesShareWithTheFormStaysTheirOwn() throws IOException {
        byte[] shared = FormFile.with(pdf -> {
            PDResources page = pdf.getPage(0).getResources();
            page.put(COSName.HELV, pdf.getDocumentCatalog().getAcroForm().getDefaultResources().getFont(COSName.HELV));
            pdf.getDocumentCatalog().getAcroForm().setDefaultResources(page);
        });
        Receipt receipt = fill(file(shared), Map.of("owner", "Łucja"), BEHIND);
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        try (PDDocument before = Loader.loadPDF(shared); PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(after.getPage(0).getResources().getFontNames()).hasSameElementsAs(before.getPage(0).getResources().getFontNames());
        }
    }

    @Test void fieldsThatShareOneDrawingAreDrawnApart() throws IOException {
        byte[] shared = FormFile.with(pdf -> {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
            form.getField("owner").setValue("both");
            COSDictionary drawn = widget(form.getField("owner")).getCOSObject().getCOSDictionary(COSName.AP);
            form.getField("code").getCOSObject().setString(COSName.V, "both");
            widget(form.getField("code")).getCOSObject().setItem(COSName.AP, drawn);
        });
        Receipt receipt = fill(file(shared), Map.of("owner", "Marit"), BEHIND);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(drawn(pdf, "code")).contains("both");
            assertThat(drawn(pdf, "owner")).contains("Marit").doesNotContain("both");
        }
    }

    private static String drawn(PDDocument pdf, String name) throws IOException {
        COSStream stream = widget(pdf.getDocumentCatalog().getAcroForm().getField(name)).getCOSObject().getCOSDictionary(COSName.AP)
                .getCOSStream(COSName.N);
        return stream.toTextString();
    }

    private static PDAnnotationWidget widget(PDField field) { return field.getWidgets().get(0); }

    @Test void fieldsWithoutFontOrDrawingGetSome() throws IOException {
        byte[] bare = FormFile.with(pdf -> {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
            form.getCOSObject().removeItem(COSName.DA);
            form.getCOSObject().removeItem(COSName.DR);
            widget(form.getField("wet")).getCOSObject().removeItem(COSName.AP);
        });
        Receipt receipt = fill(file(bare), Map.of("owner", "Marit Holm", "wet", "yes"), BEHIND);
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(states(pdf.getDocumentCatalog().getAcroForm().getField("wet"))).containsExactly("Yes");
            COSDictionary looks = widget(pdf.getDocumentCatalog().getAcroForm().getField("wet")).getCOSObject().getCOSDictionary(COSName.AP)
                    .getCOSDictionary(COSName.N);
            assertThat(looks.keySet()).containsExactlyInAnyOrder(COSName.getPDFName("Yes"), COSName.Off);
            assertThat(drawn(pdf, "owner")).contains("Marit Holm");
        }
    }

    @Test void wherePeoplesReadersWereToDrawItIsDrawn() throws IOException {
        byte[] undrawn = FormFile.with(pdf -> {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
            form.setNeedAppearances(true);
            form.getField("code").getCOSObject().setString(COSName.V, "17");
        });
        Receipt receipt = fill(file(undrawn), Map.of("owner", "Marit Holm"), BEHIND);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getAcroForm().getNeedAppearances()).isFalse();
            assertThat(drawn(pdf, "code")).contains("17");
            assertThat(drawn(pdf, "owner")).contains("Marit Holm");
        }
    }

    @Test void fieldsOfOneNameAreOneField() throws IOException {
        byte[] twice = FormFile.with(pdf -> {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
            PDTextField again = new PDTextField(form);
            again.setPartialName("office");
            again.setDefaultAppearance("/Helv 10 Tf 0 g");
            List<PDField> fields = new ArrayList<>(form.getFields());
            fields.add(again);
            form.setFields(fields);
        });
        Receipt receipt = fill(file(twice), Map.of("office", "27"), BEHIND);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            List<String> said = new ArrayList<>();
            for (PDField field : pdf.getDocumentCatalog().getAcroForm().getFields()) if (field.getPartialName().equals("office"))
                said.add(field.getValueAsString());
            assertThat(said).containsExactly("27", "27");
        }
    }

    @Test void aSecondDescriptionOfTheFormGoesAndReckoningIsTold() throws IOException {
        byte[] both = FormFile.with(pdf -> {
            COSDictionary form = pdf.getDocumentCatalog().getAcroForm().getCOSObject();
            form.setItem(COSName.XFA, pdf.getDocument().createCOSStream());
            form.setItem(COSName.getPDFName("CO"), form.getCOSArray(COSName.FIELDS));
        });
        Receipt receipt = fill(file(both), Map.of("owner", "Marit"), BEHIND);
        assertThat(receipt.findings()).extracting(Finding::what).anyMatch(told -> told.startsWith("The form had a second description"))
                .anyMatch(told -> told.contains("reckoned by scripts"));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getAcroForm().hasXFA()).isFalse();
        }
    }

    @Test void whoMayOnlyFillInFillsInAndTheLockStays() throws IOException {
        byte[] locked = FormFile.locked(true);
        Receipt receipt = fill(file(locked), Map.of("owner", "Marit Holm"), BEHIND);
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.isEncrypted()).isTrue();
            assertThat(pdf.getCurrentAccessPermission().canModify()).isFalse();
            assertThat(pdf.getDocumentCatalog().getAcroForm().getField("owner").getValueAsString()).isEqualTo("Marit Holm");
        }
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile(), "owner")) {
            assertThat(pdf.getCurrentAccessPermission().isOwnerPermission()).isTrue();
        }
        // Nothing but that: a copy without the lock is more than its owner allows.
        assertThatThrownBy(() -> fill(file(locked), Map.of("owner", "Marit"), PLAIN)).isInstanceOf(DecantException.class);
        assertThatThrownBy(() -> fill(file(locked), Map.of("owner", "Marit"), BEHIND.of(new PageRange("1")))).isInstanceOf(DecantException.class);
    }

    @Test void whatItsOwnerForbidsIsRefused() throws IOException {
        Path source = file(FormFile.locked(false));
        assertThatThrownBy(() -> fill(source, Map.of("owner", "Marit"), BEHIND)).isInstanceOfSatisfying(DecantException.class,
                told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.NOT_PERMITTED));
    }

    @Test void aSignatureGoesOnCoveringWhatItCovered() throws IOException {
        for (int changes : new int[] {0, 2, 3}) {
            byte[] signed = FormFile.signed(changes);
            Receipt receipt = fill(file(signed), Map.of("owner", "Marit"), PLAIN);
            assertThat(Arrays.mismatch(Files.readAllBytes(receipt.file()), signed)).isEqualTo(signed.length);
            assertThat(receipt.findings()).extracting(Finding::what).anyMatch(told -> told.contains("goes on covering what it covered, and allows it"));
        }
        Receipt receipt = fill(file(FormFile.signed(1)), Map.of("owner", "Marit"), PLAIN);
        assertThat(receipt.findings()).extracting(Finding::what).noneMatch(told -> told.contains("and allows it"));
        assertThat(receipt.findings()).extracting(Finding::weight).contains(Finding.Weight.CHANGED);
    }

    @Test void filledInAndHeldToOtherChoicesAtOnce() throws IOException {
        Receipt receipt = fill(file(FormFile.plain()), Map.of("owner", "Marit Holm", "wet", "yes"), PLAIN.of(new PageRange("1")));
        assertThat(receipt.pages()).isEqualTo(1);
        assertThat(value(receipt, "owner")).isEqualTo("Marit Holm");
        Receipt packed = fill(file(FormFile.plain()), Map.of("owner", "Marit Holm"), PLAIN.with(PLAIN.style().linearized(true)));
        assertThat(packed.proofs()).allMatch(PdfCheck.Proof::holds);
        assertThat(value(packed, "owner")).isEqualTo("Marit Holm");
    }

    @Test void whatStaysBehindTheBytesCannotBePackedAnew() throws IOException {
        Path source = file(FormFile.plain());
        assertThatThrownBy(() -> fill(source, Map.of("owner", "Marit"), BEHIND.with(BEHIND.style().compressed(false))))
                .isInstanceOf(DecantException.class).hasMessageContaining("original's own bytes");
        assertThatThrownBy(() -> fill(source, Map.of("owner", "Marit"), BEHIND.of(new PageRange("2")))).isInstanceOf(DecantException.class)
                .hasMessageContaining("original's own bytes");
    }

    @Test void formsAreFilledFromTables() throws IOException {
        Path table = folder.resolve("owners.csv");
        Files.writeString(table, "owner;wet;found\nMarit Holm;yes;hat\nIngrid Vaage;no;\n");
        assertThat(FormData.read(table)).containsExactly(Map.of("owner", "Marit Holm", "wet", "yes", "found", "hat"),
                Map.of("owner", "Ingrid Vaage", "wet", "no"));
        Path json = folder.resolve("owner.json");
        Files.writeString(json, "{\"owner\": \"Marit\", \"wet\": true, \"found\": [\"hat\", \"bag\"], \"code\": null}");
        assertThat(FormData.read(json)).containsExactly(Map.of("owner", "Marit", "wet", "true", "found", "hat\nbag", "code", ""));
        for (String wrong : Set.of("{", "[1, 2]", "[]", "\"owner\"")) {
            Files.writeString(json, wrong);
            assertThatThrownBy(() -> FormData.read(json)).as(wrong).isInstanceOf(DecantException.class).hasMessageContaining("nothing to fill forms in with");
        }
    }

    @Test void formsThatContradictThemselvesAreTakenForWhatTheyHold() throws IOException {
        byte[] odd = FormFile.with(pdf -> {
            PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
            // A field that is its own kid, one of no kind, one without a place.
            COSDictionary loop = new COSDictionary();
            loop.setItem(COSName.T, COSName.A);
            loop.setItem(COSName.KIDS, form.getCOSObject().getCOSArray(COSName.FIELDS));
            form.getCOSObject().getCOSArray(COSName.FIELDS).add(loop);
            form.getField("code").getCOSObject().removeItem(COSName.FT);
            form.getField("story").getCOSObject().removeItem(COSName.RECT);
        });
        FileForm form = FileForm.of(new Original("odd.pdf", odd, null));
        assertThat(form.fields()).extracting(FileField::name).contains("owner", "wet").doesNotContain("story");
        assertThat(FileForm.of(new Original("none.pdf", FormFile.with(pdf -> pdf.getDocumentCatalog().setAcroForm(null)), null)).fields()).isEmpty();
    }

    private Path file(byte[] bytes) throws IOException {
        Path file = Files.createTempFile(folder, "request", ".pdf");
        return Files.write(file, bytes);
    }

    private Receipt fill(Path source, Map<String, String> wishes, Recipe recipe) {
        Map<String, String> answers = FormData.answers(Decant.form(source, null), wishes);
        Intake intake = Intake.filled(source, null, answers);
        return Decant.publish(new Order(intake.pages(recipe, Progress.SILENT), recipe, Recipe.Passwords.NONE, source), folder.resolve("filled.pdf"),
                Progress.SILENT).get(0);
    }

    private static String value(Receipt receipt, String name) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            return pdf.getDocumentCatalog().getAcroForm().getField(name).getValueAsString();
        }
    }
}
