package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.Block;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.lock.Protection.Permission;
import app.decant.pdf.lock.Protection.Strength;
import app.decant.publish.Recipe.Passwords;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;
import org.assertj.core.data.Offset;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What publishing tells ahead: how large a file will be, what a kept PDF loses, whether one made before is locked as wished. */
class KeptPublishingTest {
    private static final Recipe.Locking LOCK = new Recipe.Locking(Strength.AES_256, EnumSet.allOf(Permission.class));

    @TempDir private Path folder;

    private static Document document(int paragraphs) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < paragraphs; i++)
            blocks.add(Paragraph.of("Passage " + i + ": the ferry leaves the quay at half tide, " + Integer.toString(i * 7919, 36) + " passengers or none."));
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(blocks)));
    }

    @Test void theSizeIsToldBeforeAsItIsAfter() {
        Order order = new Order(Decant.layOut(document(60)), Recipe.PLAIN);
        long real = Decant.publish(order, folder.resolve("short.pdf"), Progress.SILENT).get(0).bytes();
        assertThat(Publisher.estimate(order, Progress.SILENT)).isCloseTo(real, Offset.offset(300L));
    }

    @Test void ofLongOnesAboutAndWithoutMakingThemWhole() {
        Order order = new Order(Decant.layOut(document(9600)), Recipe.PLAIN);
        assertThat(order.pages().count()).isGreaterThan(150);
        AtomicInteger steps = new AtomicInteger();
        long told = Publisher.estimate(order, (done, total, what) -> {
            steps.incrementAndGet();
            return true;
        });
        Receipt receipt = Decant.publish(order, folder.resolve("long.pdf"), Progress.SILENT).get(0);
        assertThat(told).isCloseTo(receipt.bytes(), Percentage.withPercentage(15));
        // With some of its pages only: twice the half of them at most.
        assertThat(told).isNotEqualTo(receipt.bytes());
    }

    @Test void whatCannotBeFollowedHasNoSizeAndWhoStopsItStopsIt() {
        Document document = document(3);
        Order beyond = new Order(Decant.layOut(document), Recipe.PLAIN.of(new PageRange("7-9")));
        assertThat(Publisher.estimate(beyond, Progress.SILENT)).isEqualTo(-1);
        assertThatThrownBy(() -> Publisher.estimate(new Order(Decant.layOut(document), Recipe.PLAIN), (done, total, what) -> false))
                .isInstanceOfSatisfying(DecantException.class, told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.CANCELLED));
    }

    private Path source() throws IOException {
        Path file = folder.resolve("source.pdf");
        try (PDDocument pdf = new PDDocument()) {
            for (int i = 0; i < 3; i++) pdf.addPage(new PDPage());
            pdf.getDocumentCatalog().setOpenAction(new PDActionJavaScript("app.alert('x')"));
            pdf.save(file.toFile());
        }
        return file;
    }

    @Test void ofAKeptPdfLossesAreToldBeforeAndThenAgain() throws IOException {
        Path source = source();
        byte[] before = Files.readAllBytes(source);
        Intake intake = new Intake(source, null);
        Recipe some = Recipe.PLAIN.of(new PageRange("2"));
        Order order = new Order(intake.pages(some, Progress.SILENT), some, Passwords.NONE, source);
        List<Finding> told = Publisher.losses(order);
        assertThat(told).extracting(Finding::what).anyMatch(what -> what.contains("script"));
        Receipt receipt = Decant.publish(order, folder.resolve("second.pdf"), Progress.SILENT).get(0);
        assertThat(receipt.findings()).containsAll(told);
        assertThat(receipt.pages()).isEqualTo(1);
        assertThat(Publisher.estimate(order, Progress.SILENT)).isCloseTo(receipt.bytes(), Offset.offset(60L));
        assertThat(Files.readAllBytes(source)).isEqualTo(before);
    }

    @Test void pagesAreKeptWhereNothingElseIsWished() {
        assertThat(Recipe.PLAIN.keepsPages()).isTrue();
        assertThat(Recipe.PLAIN.remaking(true).keepsPages()).isFalse();
        assertThat(Recipe.PLAIN.with(Recipe.Links.FOUND).keepsPages()).isFalse();
        assertThat(Recipe.PLAIN.as(Target.DOCX).keepsPages()).isFalse();
    }

    @Test void aFileMadeBeforeIsLookedAtWhetherItIsLockedAsWished() throws IOException {
        Passwords passwords = new Passwords("open sesame", "owner of all");
        Recipe recipe = Recipe.PLAIN.with(LOCK);
        Path pdf = Decant.publish(new Order(Decant.layOut(document(2)), recipe, passwords, null), folder.resolve("locked.pdf"), Progress.SILENT).get(0).file();
        assertThat(Publisher.isLocked(pdf, recipe, passwords)).isTrue();
        assertThat(Publisher.isLocked(pdf, recipe, new Passwords("another", "owner of all"))).isFalse();
        assertThat(Publisher.isLocked(pdf, Recipe.PLAIN, Passwords.NONE)).as("no lock is wished").isTrue();
        Path open = Decant.publish(document(2), Recipe.PLAIN, folder.resolve("open.pdf")).file();
        assertThat(Publisher.isLocked(open, recipe, passwords)).isFalse();
        Passwords word = new Passwords("open sesame", "");
        Recipe office = recipe.as(Target.DOCX);
        Path docx = Decant.publish(new Order(Decant.layOut(document(2)), office, word, null), folder.resolve("locked.docx"), Progress.SILENT).get(0).file();
        assertThat(Publisher.isLocked(docx, office, word)).isTrue();
        assertThat(Publisher.isLocked(docx, office, new Passwords("another", ""))).isFalse();
        Path plain = Decant.publish(document(2), Recipe.PLAIN.as(Target.DOCX), folder.resolve("open.docx")).file();
        assertThat(Publisher.isLocked(plain, office, word)).isFalse();
        assertThat(Publisher.isLocked(folder.resolve("nothing.pdf"), recipe, passwords)).isFalse();
    }

    @Test void oneFileAPageAllOrNone() throws IOException {
        Recipe each = Recipe.PLAIN.split("{name} {n}").of(new PageRange("1-3"));
        Path taken = Files.writeString(folder.resolve("notice 2.pdf"), "mine");
        Order order = new Order(Decant.layOut(document(200)), each);
        assertThatThrownBy(() -> Publisher.publishEach(order, folder.resolve("notice.pdf"), Instant.EPOCH, Progress.SILENT))
                .isInstanceOfSatisfying(DecantException.class, told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.TARGET_EXISTS));
        assertThat(folder.resolve("notice 1.pdf")).doesNotExist();
        assertThat(taken).hasContent("mine");
        Files.delete(taken);
        List<String> said = new ArrayList<>();
        List<Receipt> receipts = Publisher.publishEach(order, folder.resolve("notice.pdf"), Instant.EPOCH, (done, total, what) -> said.add(done + "/" + total));
        assertThat(said).containsExactly("0/3", "1/3", "2/3");
        assertThat(receipts).extracting(receipt -> receipt.file().getFileName().toString()).containsExactly("notice 1.pdf", "notice 2.pdf", "notice 3.pdf");
        assertThat(receipts.get(0).findings()).extracting(Finding::what).anyMatch(what -> what.contains("2 more files"));
        assertThat(receipts.get(1).findings()).isEmpty();
        Recipe alone = each.of(new PageRange("2"));
        List<Receipt> one = Publisher.publishEach(new Order(order.pages(), alone), folder.resolve("alone.pdf"), Instant.EPOCH, Progress.SILENT);
        assertThat(one).hasSize(1);
        assertThat(one.get(0).findings()).as("nothing of others").isEmpty();
        Recipe same = Recipe.PLAIN.split("{name}").of(new PageRange("1-2"));
        assertThatThrownBy(() -> Publisher.publishEach(new Order(order.pages(), same), folder.resolve("same.pdf"), Instant.EPOCH, Progress.SILENT))
                .isInstanceOf(DecantException.class).hasMessageContaining("{name}");
    }

    @Test void factsOfAKeptFileStayAreAddedToOrAreAllThatIsSaid() throws IOException {
        Path source = folder.resolve("facts.pdf");
        try (PDDocument pdf = new PDDocument()) {
            pdf.addPage(new PDPage());
            pdf.getDocumentInformation().setTitle("Old");
            pdf.getDocumentInformation().setCustomMetadataValue("File number", "HO 12/6");
            pdf.save(source.toFile());
        }
        assertThat(facts(source, FactsRule.KEEP)).containsExactly("Old", "HO 12/6");
        assertThat(facts(source, new FactsRule(false, "New", null, null, null, null))).containsExactly("New", "HO 12/6");
        assertThat(facts(source, FactsRule.STRIP)).containsExactly(null, null);
    }

    private List<String> facts(Path source, FactsRule rule) throws IOException {
        Recipe recipe = Recipe.PLAIN.with(rule).with(Recipe.WhenPresent.REPLACE).with(PdfStyle.PLAIN);
        Order order = new Order(new Intake(source, null).pages(recipe, Progress.SILENT), recipe, Passwords.NONE, source);
        Path made = Decant.publish(order, folder.resolve("made.pdf"), Progress.SILENT).get(0).file();
        try (PDDocument pdf = Loader.loadPDF(made.toFile())) {
            List<String> told = new ArrayList<>();
            told.add(pdf.getDocumentInformation().getTitle());
            told.add(pdf.getDocumentInformation().getCustomMetadataValue("File number"));
            return told;
        }
    }
}
