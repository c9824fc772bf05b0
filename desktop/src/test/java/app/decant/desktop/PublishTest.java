package app.decant.desktop;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.edit.Typing;
import app.decant.publish.Target;
import app.decant.sheet.CellValue;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice;
import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.desktop.part.Words;
import app.decant.document.Progress;
import app.decant.edit.Search;
import app.decant.edit.TextSelection;
import app.decant.pdf.Standard;
import app.decant.page.Page;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.check.StandardCheck;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** Publications driven through the sentence, phrase by phrase, and the files they make opened again. */
class PublishTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;
    private Path handbook;

    @BeforeEach void arrive(FxRobot robot) throws TimeoutException, IOException {
        window = SHARED.window();
        handbook = SHARED.files().get(0);
        SHARED.open(handbook);
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT4).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
    }

    private Receipt published(FxRobot robot) throws TimeoutException {
        Receipt before = window.desk().publishing().receipt().get();
        robot.press(KeyCode.CONTROL).type(KeyCode.ENTER).release(KeyCode.CONTROL);
        until(() -> window.desk().publishing().receipt().get() != before && window.desk().job().get() == null);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.desk().trouble().get()).isNull();
        return window.desk().publishing().receipt().get();
    }

    private void choose(FxRobot robot, String phrase, String words) throws TimeoutException {
        card(robot, phrase);
        until(() -> choice(robot, words).isPresent());
        robot.clickOn(choice(robot, words).orElseThrow());
        WaitForAsyncUtils.waitForFxEvents();
    }

    /** Opens the card of a phrase of the sentence, once that says what it is going to say. */
    private FxRobot card(FxRobot robot, String phrase) throws TimeoutException {
        Waiting.settle(window);
        robot.clickOn("#phrase-" + phrase);
        until(() -> robot.lookup(".phrase-card").tryQuery().filter(Node::isVisible).isPresent());
        return robot;
    }

    /** What a card offers, once it is there. */
    private static Optional<Label> choice(FxRobot robot, String words) {
        return robot.lookup(".phrase-card .label").<Label>queryAll().stream().filter(one -> one.getText().endsWith(words)).findFirst();
    }

    private String sentence() { return window.publishStation().sentence().text(); }

    @Test void aPdfStaysItselfButForTheWordThatWasCorrected(FxRobot robot) throws Exception {
        Path source = SHARED.own().resolve("From the printer.pdf");
        Decant.publish(Decant.open(handbook).document(), Recipe.PLAIN, source);
        WaitForAsyncUtils.asyncFx(() -> window.desk().open(source, null));
        until(() -> window.desk().source().get().file().equals(source) && window.desk().job().get() == null);
        assertThat(window.desk().pages().get().pages()).as("the file's own").allMatch(page -> page.ground() != null);
        robot.clickOn("#as-text");
        assertThat(window.desk().pages().get().pages()).as("its text").allMatch(page -> page.ground() == null);
        robot.clickOn("#as-text");
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT4).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(sentence()).contains("untouched pages as they are");
        choose(robot, "remake", Words.of("remake.anew.card"));
        assertThat(sentence()).contains("untouched pages set anew");
        choose(robot, "remake", Words.of("remake.kept.card"));
        assertThat(published(robot).file()).hasSameBinaryContentAs(source);

        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT2).release(KeyCode.CONTROL);
        TextSelection word = Search.all(window.desk().document(), "luggage", true).get(0);
        WaitForAsyncUtils.asyncFx(() -> window.desk().pick(word));
        WaitForAsyncUtils.waitForFxEvents();
        robot.write("baggage");
        until(() -> window.desk().isLaidOut() && window.desk().document().blocks().toString().contains("baggage"));
        assertThat(window.desk().pages().get().pages()).filteredOn(page -> page.ground() == null || page.ground().rewritten() != null).singleElement()
                .as("the word stands in its own page").extracting(Page::ground).isNotNull();
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT4).release(KeyCode.CONTROL);
        choose(robot, "present", Words.of("present.replace"));
        Receipt receipt = published(robot);
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence)
                .contains("One page was changed in one place, and looks the same everywhere else", "12 pages are the original's own, byte for byte");
        try (PDDocument before = Loader.loadPDF(source.toFile()); PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(new PDFTextStripper().getText(after)).isEqualTo(new PDFTextStripper().getText(before).replaceFirst("luggage", "baggage"));
        }
    }

    @Test void theDocumentInsideAPdfGoesWithWhatWasChanged(FxRobot robot) throws Exception {
        TextSelection word = Search.all(window.desk().document(), "luggage", true).get(0);
        WaitForAsyncUtils.asyncFx(() -> window.desk().pick(word));
        WaitForAsyncUtils.waitForFxEvents();
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT2).release(KeyCode.CONTROL).write("baggage");
        until(() -> window.desk().isLaidOut() && window.desk().document().blocks().toString().contains("baggage"));
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT4).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        choose(robot, "inside", Words.of("inside.source.card"));
        assertThat(sentence()).contains("with its document inside");
        Receipt receipt = published(robot);
        assertThat(Decant.open(handbook).document().blocks().toString()).doesNotContain("baggage");
        WaitForAsyncUtils.asyncFx(() -> {
            window.desk().discard();
            window.desk().open(receipt.file(), null);
        });
        until(() -> notices(robot).anyMatch(words -> words.contains("travels inside it. Both read the same.")));
        Button take = robot.lookup(".button").<Button>queryAll().stream().filter(one -> one.getText().equals(Words.of("inside.take")))
                .findFirst().orElseThrow();
        robot.clickOn(take);
        until(() -> window.desk().source().get().name().equals("Passenger handbook.docx") && window.desk().job().get() == null);
        assertThat(window.desk().document().blocks().toString()).contains("baggage");
        assertThat(window.desk().document().styles()).isEqualTo(Decant.open(handbook).document().styles());
    }

    @Test void aFormIsMadeOneToBeFilledIn(FxRobot robot) throws Exception {
        FormField name = new FormField(1, FormField.Kind.TEXT, true, "Name", List.of(), null);
        Paragraph line = Paragraph.of("").withInlines(List.of(new Inline.Text("Name: ", Look.PLAIN), new Inline.Text("Marit Holm", Look.of(TextProperty.FORM,
                name))));
        Path form = SHARED.own().resolve("Luggage form.docx");
        Decant.publish(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(line)))), Recipe.PLAIN.to(Target.DOCX), form);
        assertThat(sentence()).as("the handbook has none").doesNotContain(Words.of("say.form"));
        WaitForAsyncUtils.asyncFx(() -> window.desk().open(form, null));
        until(() -> window.desk().source().get().file().equals(form) && window.desk().job().get() == null);
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT4).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        choose(robot, "form", Words.of("form.fillable.card"));
        assertThat(sentence()).contains("its form to be filled in");
        try (PDDocument pdf = Loader.loadPDF(published(robot).file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getAcroForm().getFields()).extracting(PDField::getValueAsString).containsExactly("Marit Holm");
        }
    }

    private static Stream<String> notices(FxRobot robot) {
        return robot.lookup(".notice .label").<Label>queryAll().stream().map(Label::getText);
    }

    @Test void locksWithAPasswordThatIsTakenAtTheCard(FxRobot robot) throws Exception {
        card(robot, "lock");
        robot.clickOn("#card-owner-password").write("secret");
        robot.clickOn("#card-open-password").write("secret");
        robot.clickOn("#card-done");
        assertThat(robot.lookup(".phrase-card .wrong").<Label>queryAll()).anySatisfy(label -> assertThat(label.getText()).contains("Choose two"));
        robot.clickOn("#card-open-password").eraseText(6).write("quayside7");
        robot.clickOn(robot.lookup(".phrase-card .check-box").<CheckBox>queryAll().stream().filter(tick -> tick.getText().startsWith("copy")).findFirst()
                .orElseThrow());
        robot.clickOn("#card-done");
        assertThat(sentence()).contains("locked with a password to open");
        Receipt receipt = published(robot);
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("Does not open without its password");
        assertThatThrownBy(() -> Loader.loadPDF(receipt.file().toFile())).isInstanceOf(InvalidPasswordException.class);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile(), "quayside7")) {
            assertThat(pdf.getCurrentAccessPermission().canPrint()).isTrue();
            assertThat(pdf.getCurrentAccessPermission().canExtractContent()).isFalse();
        }
        try (Stream<Path> kept = Files.walk(SHARED.home())) {
            for (Path file : kept.filter(Files::isRegularFile).toList())
                assertThat(Files.readString(file, StandardCharsets.ISO_8859_1)).doesNotContain("quayside7").doesNotContain("secret");
        }
    }

    @Test void findsTheFinerChoicesOnTheCards(FxRobot robot) throws Exception {
        card(robot, "lock");
        robot.clickOn("#card-open-password").write("quayside7");
        robot.clickOn("RC4, 40 bits").clickOn("leave title and facts readable, for searching").clickOn("#card-done");
        assertThat(robot.lookup(".phrase-card .wrong").<Label>queryAll()).anySatisfy(label -> assertThat(label.getText()).contains("Choose AES"));
        robot.clickOn("AES, 128 bits").clickOn("#card-done");
        card(robot, "fonts");
        until(() -> robot.lookup(".phrase-card .quiet").<Label>queryAll().stream().filter(label -> label.getText().contains(", about ")).count() == 3);
        robot.type(KeyCode.ESCAPE);
        card(robot, "facts").clickOn("#card-facts-own").write("File number = HO 12/6").clickOn("none").clickOn("#card-done");
        card(robot, "pictures").clickOn("#card-quality").write("101").clickOn("#card-done");
        assertThat(robot.lookup(".phrase-card .wrong").<Label>queryAll()).anySatisfy(label -> assertThat(label.getText()).contains("1 to 100"));
        robot.clickOn("#card-quality").eraseText(3).write("60").clickOn("#card-ppi").write("72").clickOn("#card-done");
        assertThat(sentence()).contains("pictures at 72 ppi, quality 60");
        Receipt receipt = published(robot);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile(), "quayside7")) {
            assertThat(pdf.getEncryption().getVersion()).isEqualTo(4);
            assertThat(pdf.getEncryption().isEncryptMetaData()).isFalse();
            assertThat(pdf.getDocumentInformation().getCustomMetadataValue("File number")).isEqualTo("HO 12/6");
            assertThat(pdf.getDocumentInformation().getCreationDate()).isNull();
        }
    }

    @Test void aWideSheetIsMadeOnePageWideAndAWorkbookStaysOne(FxRobot robot) throws Exception {
        Path fares = handbook.resolveSibling("Winter fares.xlsx");
        WaitForAsyncUtils.asyncFx(() -> window.desk().open(fares, null));
        until(() -> window.desk().source().get() != null && window.desk().source().get().file().equals(fares) && window.desk().job().get() == null);
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT4).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        until(() -> robot.lookup(label -> label instanceof Label one && one.getText().contains("3 pages side by side")).tryQuery().isPresent());
        choose(robot, "sheets", Words.of("sheets.one.wide"));
        until(() -> window.publishStation().recipe().sheets().fit().equals(SheetChoice.Fit.ONE_WIDE));
        Receipt receipt = published(robot);
        assertThat(receipt.pages()).isEqualTo(3);
        assertThat(receipt.proven()).isTrue();
        choose(robot, "what", Words.of("target.ods"));
        receipt = published(robot);
        assertThat(receipt.file()).hasExtension("ods");
        assertThat(Decant.workbook(receipt.file(), null, Progress.SILENT).workbook().sheet("Fares").cell(3, 2).formula()).isEqualTo("B4*1.25");
        card(robot, "lock").clickOn("#card-open-password").write("quayside7").clickOn("#card-done");
        assertThat(sentence()).contains("locked with a password to open");
        WaitForAsyncUtils.asyncFx(() -> window.publishStation().set(window.publishStation().recipe().with(Recipe.WhenPresent.REPLACE)));
        WaitForAsyncUtils.waitForFxEvents();
        Path locked = published(robot).file();
        assertThat(Decant.workbook(locked, "quayside7", Progress.SILENT).workbook().sheet("Fares").cell(3, 2).formula()).isEqualTo("B4*1.25");
        assertThatThrownBy(() -> Decant.workbook(locked, null, Progress.SILENT)).isInstanceOf(DecantException.class);
        // Who revises the tables publishes those.
        WaitForAsyncUtils.asyncFx(() -> window.desk().apply(Typing.type(window.desk().document(), window.desk().selection().get(), "Draft ", null)));
        until(() -> window.desk().isLaidOut());
        choose(robot, "what", Words.of("target.pdf"));
        WaitForAsyncUtils.asyncFx(() -> window.publishStation().set(window.publishStation().recipe().with(Recipe.WhenPresent.REPLACE)));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(published(robot).pages()).isEqualTo(window.desk().pages().get().count());
    }

    @Test void aCellIsCorrectedWhereItStandsAndTheSheetIsPublishedWithItsSums(FxRobot robot) throws Exception {
        Path fares = handbook.resolveSibling("Winter fares.xlsx");
        WaitForAsyncUtils.asyncFx(() -> window.desk().open(fares, null));
        until(() -> window.desk().source().get() != null && window.desk().source().get().file().equals(fares) && window.desk().job().get() == null);
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT2).release(KeyCode.CONTROL);
        WaitForAsyncUtils.asyncFx(() -> window.commands().named("sheet.tables").run());
        WaitForAsyncUtils.waitForFxEvents();
        TextSelection fare = Search.all(window.desk().document(), "4.80", true).get(0);
        WaitForAsyncUtils.asyncFx(() -> window.desk().pick(fare));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(robot.lookup("#sheet-cell").<Label>query().getText()).isEqualTo("B4 of “Fares”");
        assertThat(robot.lookup("#sheet-formula").<Label>query().isVisible()).isFalse();
        robot.write("5.20");
        until(() -> window.desk().isLaidOut() && window.desk().document().blocks().toString().contains("5.20"));
        TextSelection reckoned = Search.all(window.desk().document(), "10.75", true).get(0);
        WaitForAsyncUtils.asyncFx(() -> window.desk().pick(reckoned));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(robot.lookup("#sheet-formula").<Label>query().getText()).isEqualTo("comes of =B5*1.25");
        WaitForAsyncUtils.asyncFx(() -> robot.lookup("#sheet-cell-change").<Button>query().fire());
        until(() -> window.desk().isLaidOut() && window.desk().document().blocks().toString().contains("=B5*1.25"));
        robot.write("+1");
        until(() -> window.desk().isLaidOut() && window.desk().document().blocks().toString().contains("=B5*1.25+1"));
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT4).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        until(() -> robot.lookup(label -> label instanceof Label one && one.getText().contains("3 formulas come to something else")).tryQuery().isPresent());
        Receipt receipt = published(robot);
        assertThat(receipt.findings()).extracting(Finding::what).contains("2 cells were corrected; 3 formulas come to something else.");
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(5);
            assertThat(new PDFTextStripper().getText(pdf)).contains("Adult, single 5.20 6.50 2.60", "Adult, return 8.60 11.75 4.30");
        }
        choose(robot, "what", Words.of("target.xlsx"));
        receipt = published(robot);
        Sheet sheet = Decant.workbook(receipt.file(), null, Progress.SILENT).workbook().sheet("Fares");
        assertThat(sheet.cell(3, 1).value()).isEqualTo(new CellValue.Number(5.2));
        assertThat(sheet.cell(3, 2).formula()).isEqualTo("B4*1.25");
        // The original is what it was.
        assertThat(Decant.workbook(fares, null, Progress.SILENT).workbook().sheet("Fares").cell(3, 1).value()).isEqualTo(new CellValue.Number(4.8));
    }

    @Test void writesPlainTextAsWishedAndTellsWhatItWillNotCarry(FxRobot robot) throws Exception {
        choose(robot, "what", Words.of("target.txt"));
        until(() -> robot.lookup(".publish-left .label").<Label>queryAll().stream().anyMatch(label -> label.getText().contains("Plain text holds no looks")));
        card(robot, "text").type(KeyCode.ESCAPE);
        assertThat(robot.lookup(".phrase-card").tryQuery()).as("Esc closes a card that has no field first").isEmpty();
        card(robot, "text").clickOn("Western letters").clickOn("as on Windows").clickOn("#card-width").write("60").clickOn("#card-done");
        assertThat(sentence()).contains("written in Western letters, lines of 60 characters");
        Receipt receipt = published(robot);
        String text = Files.readString(receipt.file(), Charset.forName("windows-1252"));
        assertThat(text).contains("\r\n").contains("\u2013").contains("\u2022");
        assertThat(text.lines().filter(line -> !line.contains("\t"))).allSatisfy(line -> assertThat(line.length()).isLessThanOrEqualTo(60));
    }

    @Test void locksAnOfficeFileAndPutsItsFontsIn(FxRobot robot) throws Exception {
        choose(robot, "what", Words.of("target.docx"));
        choose(robot, "office-fonts", Words.of("office.used_characters.card"));
        card(robot, "lock").clickOn("#card-open-password").write("quayside7").clickOn("#card-done");
        assertThat(sentence()).contains("inside, used characters only").contains("locked with a password to open");
        Receipt receipt = published(robot);
        assertThatThrownBy(() -> Decant.open(receipt.file())).hasMessageContaining("protected by a password");
        assertThat(Decant.open(receipt.file(), "quayside7", Progress.SILENT).document().fonts()).isNotEmpty()
                .allSatisfy(font -> assertThat(font.subset()).isTrue());
    }

    @Test void makesAnArchiveCopyAndKeepsTheChoicesAsARecipe(FxRobot robot) throws Exception {
        choose(robot, "standard", "PDF/A-2a");
        choose(robot, "pictures", "at 130 ppi, quality 72");
        assertThat(sentence()).contains("for keeping for good (PDF/A-2a)").contains("pictures at 130 ppi, quality 72").contains("by choices of your own");
        card(robot, "recipe");
        robot.clickOn("#card-keep").write("For the archive").type(KeyCode.ENTER);
        assertThat(sentence()).contains("by the recipe “For the archive”");
        until(() -> robot.lookup("#estimate").<Label>query().getText().startsWith("about"));
        Receipt receipt = published(robot);
        assertThat(StandardCheck.broken(receipt.file(), Standard.A_2A)).isEmpty();
        choose(robot, "recipe", "As it is");
        assertThat(sentence()).contains("for everyday use").contains("exactly as they are");
        choose(robot, "recipe", "For the archive");
        assertThat(sentence()).contains("PDF/A-2a");
    }

    @Test void putsAWatermarkUnderItAndTheResultIntoAMail(FxRobot robot) throws Exception {
        card(robot, "laid");
        robot.clickOn("#card-watermark").write("DRAFT").type(KeyCode.ENTER);
        assertThat(sentence()).contains("with “DRAFT” under the pages");
        card(robot, "after");
        robot.clickOn("#card-mail").write("nobody").type(KeyCode.ENTER);
        assertThat(robot.lookup(".phrase-card .wrong").<Label>queryAll()).anySatisfy(label -> assertThat(label.getText()).contains("mail address"));
        robot.clickOn("#card-mail").eraseText(6).write("office@ferries.example").type(KeyCode.ENTER);
        assertThat(sentence()).contains("put it into a mail to office@ferries.example");
        published(robot);
        Path outbox = SHARED.home().resolve("outbox");
        until(() -> Files.isDirectory(outbox) && letters(outbox).size() == 1);
        assertThat(Files.readString(letters(outbox).get(0), StandardCharsets.US_ASCII)).contains("To: office@ferries.example")
                .contains("application/pdf");
    }

    @Test void putsEveryFileIntoTheMailWhereEachPageIsOne(FxRobot robot) throws Exception {
        card(robot, "pages");
        robot.write("1-2").type(KeyCode.ENTER);
        assertThat(sentence()).contains("pages 1\u20132");
        card(robot, "pages");
        robot.clickOn("#card-split").write("{name} {nn}").type(KeyCode.ENTER);
        card(robot, "after");
        robot.clickOn("#card-mail").write("office@ferries.example").type(KeyCode.ENTER);
        Receipt first = published(robot);
        assertThat(first.file()).hasFileName("Passenger handbook 01.pdf");
        Path outbox = SHARED.home().resolve("outbox");
        until(() -> Files.isDirectory(outbox) && letters(outbox).size() == 1);
        assertThat(Files.readString(letters(outbox).get(0), StandardCharsets.US_ASCII)).contains("Passenger handbook 01.pdf")
                .contains("Passenger handbook 02.pdf");
    }

    @Test void waitsInTheQueueWithAllThatIsMadeInOneGo(FxRobot robot) throws Exception {
        card(robot, "laid");
        robot.clickOn("#card-stamp").write("Page {page} of {pages}");
        robot.clickOn(robot.lookup(".phrase-card .label").<Label>queryAll().stream().filter(label -> label.getText().endsWith("at the foot, on the right"))
                .findFirst().orElseThrow());
        assertThat(sentence()).contains("with “Page {page} of {pages}” in the margin");
        card(robot, "also");
        robot.clickOn(robot.lookup(".phrase-card .check-box").<CheckBox>queryAll().stream().filter(tick -> tick.getText().equals("A .docx")).findFirst()
                .orElseThrow());
        robot.clickOn("#card-done");
        choose(robot, "after", "put it into the queue");
        assertThat(sentence()).contains("besides a .docx").endsWith("then put it into the queue.");
        robot.press(KeyCode.CONTROL).type(KeyCode.ENTER).release(KeyCode.CONTROL);
        until(() -> robot.lookup("#queue-run").tryQuery().filter(Node::isVisible).isPresent());
        Path outgoing = handbook.resolveSibling("Outgoing");
        assertThat(outgoing).doesNotExist();
        robot.clickOn("#queue-run");
        until(() -> window.desk().job().get() == null && Files.isRegularFile(outgoing.resolve("Passenger handbook.docx")));
        try (PDDocument pdf = Loader.loadPDF(outgoing.resolve("Passenger handbook.pdf").toFile())) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("Page 13 of 13");
        }
        until(() -> !robot.lookup("#queue").query().isVisible());
    }

    private static List<Path> letters(Path outbox) throws IOException {
        try (Stream<Path> files = Files.list(outbox)) {
            return files.filter(file -> file.toString().endsWith(".eml")).toList();
        }
    }
}
