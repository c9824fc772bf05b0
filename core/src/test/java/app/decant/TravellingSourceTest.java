package app.decant;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Dressing;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Formats;
import app.decant.format.Taken;
import app.decant.pdf.Attachment;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.lock.Protection;
import app.decant.proof.Difference;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The document inside a PDF that it was made from (ISO 32000-2, 14.13): it goes with the changes, comes out whole, and what differs is told. */
class TravellingSourceTest {
    private static final Recipe ATTACHING = Recipe.PLAIN.attaching(true).with(Recipe.WhenPresent.REPLACE);

    @TempDir private Path folder;
    private Path handbook;
    private Taken came;

    @BeforeEach void writeAHandbook() {
        handbook = folder.resolve("handbook.docx");
        Decant.publish(PassengerHandbook.document(), Recipe.PLAIN.to(Target.DOCX), handbook);
        came = Decant.open(handbook);
    }

    @Test void whatWasChangedIsInTheDocumentInside() throws IOException {
        Document now = typed(came.document(), "neighbour", "good neighbour");
        byte[] original = Files.readAllBytes(handbook);
        Path pdf = published(handbook, came, now).file();
        Attachment inside = Decant.sourceInside(pdf, null).orElseThrow();
        assertThat(inside.name()).isEqualTo("handbook.docx");
        Document out = Formats.read(inside.bytes(), inside.name(), null, Progress.SILENT).document();
        // All of it comes out again, not only its words.
        assertThat(words(out)).isEqualTo(words(now));
        assertThat(out.styles()).isEqualTo(came.document().styles());
        assertThat(Decant.differencesInside(pdf, null, inside, Progress.SILENT)).isEmpty();
        assertThat(Files.readAllBytes(handbook)).isEqualTo(original);
    }

    @Test void aDocumentThatNobodyChangedTravelsAsItLies() throws IOException {
        Path pdf = published(handbook, came, came.document()).file();
        assertThat(Decant.sourceInside(pdf, null).orElseThrow().bytes()).isEqualTo(Files.readAllBytes(handbook));
    }

    @Test void whatIsCorrectedInThePdfIsCorrectedInTheDocumentInside() throws IOException {
        Path pdf = published(handbook, came, came.document()).file();
        Taken taken = Decant.open(pdf);
        Document now = typed(taken.document(), "neighbour", "bourneigh");
        Receipt receipt = published(pdf, taken, now);
        assertThat(receipt.findings()).extracting(Finding::what).noneMatch(what -> what.contains("travels inside"));
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("1 attached file");
        Attachment inside = Decant.sourceInside(receipt.file(), null).orElseThrow();
        Document out = Formats.read(inside.bytes(), inside.name(), null, Progress.SILENT).document();
        assertThat(words(out)).isEqualTo(words(typed(came.document(), "neighbour", "bourneigh")));
        assertThat(Decant.differencesInside(receipt.file(), null, inside, Progress.SILENT)).isEmpty();
        try (PDDocument file = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(file.getDocumentCatalog().getNames().getEmbeddedFiles().getNames()).hasSize(1);
        }
    }

    @Test void changesThatHaveNoPlaceInsideAreCounted() {
        Path pdf = published(handbook, came, came.document()).file();
        Taken taken = Decant.open(pdf);
        TextSelection word = find(taken.document(), "neighbour");
        Document larger = Dressing.looks(taken.document(), word, look -> look.with(TextProperty.SIZE, 15.0)).after();
        TravellingSource travelling = TravellingSource.of(pdf, null, taken, larger);
        assertThat(travelling.findings()).extracting(Finding::what).singleElement().asString().startsWith("One change is not in handbook.docx");
        assertThat(travelling.attachment().bytes()).isEqualTo(Decant.sourceInside(pdf, null).orElseThrow().bytes());
    }

    @Test void whatReadsOtherwiseInsideIsTold() throws IOException {
        Path pdf = published(handbook, came, came.document()).file();
        Path other = folder.resolve("other.docx");
        Decant.publish(typed(came.document(), "neighbour", "stranger"), Recipe.PLAIN.to(Target.DOCX), other);
        Path mixed = folder.resolve("mixed.pdf");
        try (PDDocument file = Loader.loadPDF(pdf.toFile())) {
            PDComplexFileSpecification inside = file.getDocumentCatalog().getNames().getEmbeddedFiles().getNames().get("handbook.docx");
            COSStream stream = (COSStream) inside.getCOSObject().getCOSDictionary(COSName.EF).getDictionaryObject(COSName.F);
            try (OutputStream out = stream.createOutputStream()) {
                out.write(Files.readAllBytes(other));
            }
            file.save(mixed.toFile());
        }
        Attachment inside = Decant.sourceInside(mixed, null).orElseThrow();
        List<Difference> differences = Decant.differencesInside(mixed, null, inside, Progress.SILENT);
        assertThat(differences).extracting(Difference::sentence).containsExactly("\u201Cstranger.\u201D reads \u201Cneighbour.\u201D.");
    }

    @Test void aLockedDocumentTravelsLockedByTheSame() throws IOException {
        Path locked = folder.resolve("locked.docx");
        Recipe locking = Recipe.PLAIN.to(Target.DOCX).with(new Recipe.Locking(Protection.Strength.AES_256, EnumSet.allOf(Protection.Permission.class)));
        Recipe.Passwords key = new Recipe.Passwords("harbour light 7", "");
        Decant.publish(new Order(Decant.layOut(came.document()), locking, key, null), locked, Progress.SILENT);
        Taken taken = Decant.open(locked, "harbour light 7", Progress.SILENT);
        TravellingSource travelling = TravellingSource.of(locked, "harbour light 7", taken, typed(taken.document(), "neighbour", "stranger"));
        assertThat(Formats.opens(travelling.attachment().bytes(), "locked.docx", null)).isFalse();
        Document out = Formats.read(travelling.attachment().bytes(), "locked.docx", "harbour light 7", Progress.SILENT).document();
        assertThat(words(out)).contains("stranger");
    }

    @Test void aDocumentInsideThatIsBrokenStaysAndIsTold() throws IOException {
        Path pdf = folder.resolve("broken inside.pdf");
        Attachment broken = new Attachment("handbook.docx", "application/octet-stream", new byte[] {'P', 'K', 3, 4, 0}, "");
        Decant.publish(new Order(Decant.layOut(came.document()), ATTACHING, Recipe.Passwords.NONE, handbook).with(broken), pdf, Progress.SILENT);
        Taken taken = Decant.open(pdf);
        TravellingSource travelling = TravellingSource.of(pdf, null, taken, typed(taken.document(), "neighbour", "stranger"));
        assertThat(travelling.attachment().bytes()).isEqualTo(broken.bytes());
        assertThat(travelling.findings()).extracting(Finding::what).singleElement().asString().contains("what was changed here is not in it");
    }

    private Receipt published(Path file, Taken taken, Document now) {
        TravellingSource travelling = TravellingSource.of(file, null, taken, now);
        Intake intake = Intake.revised(file, null, taken, Decant.layOut(now), file.toString().endsWith(".pdf") ? Intake.fingerprint(file) : null);
        Order order = new Order(intake.pages(ATTACHING, Progress.SILENT), ATTACHING, Recipe.Passwords.NONE, file).with(travelling.attachment());
        return Decant.publish(order, folder.resolve(file.toString().endsWith(".pdf") ? "again.pdf" : "made.pdf"), Progress.SILENT).get(0)
                .with(travelling.findings());
    }

    private static Document typed(Document document, String at, String text) {
        return Typing.type(document, find(document, at), text, Look.PLAIN).after();
    }

    private static TextSelection find(Document document, String at) {
        for (Walk.Stop stop : Walk.of(document).stops()) {
            int found = stop.paragraph().plainText().indexOf(at);
            if (found >= 0) return new TextSelection(new Place(stop.path(), found), new Place(stop.path(), found + at.length()));
        }
        throw new AssertionError("\u201C" + at + "\u201D is not there");
    }

    /** The words of a document, paragraph by paragraph. */
    private static String words(Document document) {
        StringBuilder text = new StringBuilder();
        for (Walk.Stop stop : Walk.of(document).stops()) text.append(stop.paragraph().plainText()).append('\n');
        return text.toString();
    }
}
