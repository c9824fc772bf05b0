package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.demo.HarbourNotice;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.format.kept.KeptDocument;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.pdf.Attachment;
import app.decant.pdf.lock.Protection;
import app.decant.publish.PublishQueue.Waiting;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Publications that wait: kept on disk, in an order that can be changed, run later, kept with their reason where they fail. */
class PublishQueueTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final PublishQueue.Publishing PUBLISHING = (document, one, progress) -> Decant.publish(new Order(Decant.layOut(document), one.wishes()
            .get(0).recipe()), one.file(), progress);

    @TempDir private Path folder;

    private PublishQueue queue() { return new PublishQueue(folder.resolve("queue")); }

    @Test void whatIsToTravelInsideWaitsAsItReads() throws IOException {
        Path source = Files.writeString(folder.resolve("notice.txt"), "as it lies there");
        List<PublishQueue.Wish> wishes = List.of(new PublishQueue.Wish(Recipe.PLAIN.attaching(true), folder.resolve("out.pdf")));
        Waiting lying = queue().add(HarbourNotice.document(), "Notice", source, false, null, wishes, Delivery.NONE, WHEN);
        Attachment revised = new Attachment("notice inside.txt", "text/plain", "as it reads now".getBytes(StandardCharsets.UTF_8), "");
        Waiting reading = queue().add(HarbourNotice.document(), "Notice", source, false, revised, wishes, Delivery.NONE, WHEN);
        Files.writeString(source, "changed since");
        assertThat(lying.attachment()).hasFileName("notice.txt").hasContent("as it lies there");
        assertThat(reading.attachment()).hasFileName("notice inside.txt").hasContent("as it reads now");
        assertThat(queue().all()).extracting(Waiting::attachment).containsExactly(lying.attachment(), reading.attachment());
        Waiting without = queue().add(HarbourNotice.document(), "Notice", source, false, null, List.of(new PublishQueue.Wish(Recipe.PLAIN,
                folder.resolve("plain.pdf"))), Delivery.NONE, WHEN);
        assertThat(without.attachment()).isEqualTo(source.toAbsolutePath());
    }

    private Waiting add(String name, Recipe recipe) {
        return queue().add(HarbourNotice.document(), "Notice", null, false, null, List.of(new PublishQueue.Wish(recipe, folder.resolve(name))), Delivery.NONE,
                WHEN);
    }

    @Test void outlivesTheProgramAndRunsInTheOrderWished() throws IOException {
        add("first.pdf", Recipe.PLAIN.of(new PageRange("1")));
        Waiting second = add("second.docx", Recipe.PLAIN.to(Target.DOCX));
        queue().earlier(second);
        assertThat(queue().all()).extracting(one -> one.file().getFileName().toString()).containsExactly("second.docx", "first.pdf");
        for (Waiting one : queue().all()) assertThat(queue().run(one, PUBLISHING, Progress.SILENT)).allMatch(Receipt::proven);
        assertThat(queue().all()).isEmpty();
        try (PDDocument pdf = Loader.loadPDF(folder.resolve("first.pdf").toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
        }
        assertThat(Decant.open(folder.resolve("second.docx")).document().blocks()).isNotEmpty();
    }

    @Test void keepsWhatFailsWithItsReasonUntilItCanBeMade() throws IOException {
        Files.writeString(folder.resolve("taken.pdf"), "older");
        add("taken.pdf", Recipe.PLAIN);
        assertThatThrownBy(() -> queue().run(queue().all().get(0), PUBLISHING, Progress.SILENT)).isInstanceOf(DecantException.class);
        assertThat(queue().all()).singleElement().satisfies(one -> {
            assertThat(one.tries()).isEqualTo(1);
            assertThat(one.trouble()).contains("taken.pdf is already in");
        });
        Files.delete(folder.resolve("taken.pdf"));
        queue().run(queue().all().get(0), PUBLISHING, Progress.SILENT);
        assertThat(queue().all()).isEmpty();
    }

    @Test void takesNoPublicationThatLocksAndForgetsHalfOnes() throws IOException {
        Recipe locked = Recipe.PLAIN.with(new Recipe.Locking(Protection.Strength.AES_256, EnumSet.of(Protection.Permission.PRINT)));
        assertThatThrownBy(() -> add("locked.pdf", locked)).hasMessageContaining("passwords are never kept");
        Files.createDirectories(folder.resolve("queue/00007"));
        Files.writeString(folder.resolve("queue/00007/document.docx"), "cut off by a power cut");
        assertThat(queue().all()).isEmpty();
        queue().remove(add("out.pdf", Recipe.PLAIN));
        assertThat(queue().all()).isEmpty();
    }

    /** Before documents were kept in a form of their own, they waited as .docx. */
    @Test void whatAnEarlierVersionPutThereIsMade() throws IOException {
        Waiting waiting = add("early.pdf", Recipe.PLAIN);
        Files.delete(waiting.place().resolve("document." + KeptDocument.ENDING));
        Files.write(waiting.place().resolve("document.docx"), OoxmlFormat.DOCX.write(HarbourNotice.document(), WHEN).bytes());
        assertThat(queue().run(queue().all().get(0), PUBLISHING, Progress.SILENT)).allMatch(Receipt::proven);
        assertThat(queue().all()).isEmpty();
    }

    @Test void oneDamagedWishHoldsUpNoOther() throws IOException {
        Waiting broken = add("broken.pdf", Recipe.PLAIN);
        add("whole.pdf", Recipe.PLAIN);
        for (String wish : List.of("{", "{}", "[]", "{\"outputs\":[{\"file\":\"x\",\"recipe\":\"no recipe\"}]}",
                "{\"outputs\":[{\"file\":\"\\u0000\",\"recipe\":\"{}\"}]}", "{\"added\":\"never\"}")) {
            Files.writeString(broken.place().resolve("wish.json"), wish);
            assertThat(queue().all()).as(wish).hasSize(2).satisfies(all -> assertThat(all.get(0).isDamaged()).isTrue());
            assertThatThrownBy(() -> queue().run(queue().all().get(0), PUBLISHING, Progress.SILENT)).isInstanceOf(DecantException.class)
                    .hasMessageContaining("damaged");
        }
        assertThat(queue().run(queue().all().get(1), PUBLISHING, Progress.SILENT)).allMatch(Receipt::proven);
        queue().remove(queue().all().get(0));
        assertThat(queue().all()).isEmpty();
    }

    @Test void aProtectedDocumentLeavesNoOpenCopy() {
        assertThatThrownBy(() -> queue().add(HarbourNotice.document(), "Payroll.docx", folder.resolve("Payroll.docx"), true, null,
                List.of(new PublishQueue.Wish(Recipe.PLAIN, folder.resolve("p.pdf"))), Delivery.NONE, WHEN)).hasMessageContaining("is protected");
        assertThat(folder.resolve("queue")).doesNotExist();
    }

    /** What Decant keeps for a user is for that user's eyes. */
    @Test void whatIsKeptIsClosedToOthers() throws IOException {
        Path home = Files.createDirectory(folder.resolve("home"));
        Path old = Files.writeString(home.resolve("settings.json"), "{}");
        Assumptions.assumeTrue(home.getFileSystem().supportedFileAttributeViews().contains("posix"));
        UserFolder.ready(home);
        Path kept = new Recipes(home.resolve("recipes")).all().isEmpty() ? null : SafeFile.write(home.resolve("recipes/mine.json"),
                Recipe.WhenPresent.REPLACE, Guard.OWN, out -> out.write('{'), SafeFile.UNSEEN);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(home))).isEqualTo("rwx------");
        for (Path file : List.of(old, kept))
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file))).isEqualTo("rw-------");
    }
}
