package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.demo.HarbourNotice;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.kept.KeptDocument;
import app.decant.layout.Layout;
import app.decant.publish.Order;
import app.decant.publish.Publisher;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What holds for every format, whichever they are: the list is asked, not repeated here. */
class FormatsTest {
    @TempDir Path folder;

    @Test void noTwoFormatsHaveOneEnding() {
        Set<String> seen = new HashSet<>();
        for (Format format : Formats.all()) {
            if (format.ending().isEmpty()) continue;
            assertThat(format.endings()).contains(format.ending());
            for (String ending : format.endings()) {
                assertThat(seen.add(ending)).as(ending).isTrue();
                assertThat(Formats.called(ending.toUpperCase(Locale.ROOT))).isSameAs(format);
            }
        }
    }

    /** A page that asks to log in, saved in place of a PDF, is taken in, and told. */
    @Test void aFileThatIsNotWhatItsNameSaysIsTold() {
        byte[] page = "<!DOCTYPE html><title>Log in</title><p>Please log in.".getBytes(StandardCharsets.UTF_8);
        byte[] text = "The pier is closed.".getBytes(StandardCharsets.UTF_8);
        for (String name : List.of("Fares.pdf", "Fares.docx", "Fares.xls"))
            assertThat(told(text, name)).as(name).anyMatch(said -> said.startsWith("By its name " + name) && said.contains("a plain text file"));
        assertThat(told(page, "Fares.pdf")).anyMatch(said -> said.contains("is a PDF, but in it is a web page"));
        for (String name : List.of("Fares.html", "Fares", "Fares.txt", "Fares.2026")) assertThat(told(page, name)).as(name).noneMatch(FormatsTest::isNamed);
        for (String name : List.of("Fares.txt", "Fares.md", "Fares.log")) assertThat(told(text, name)).as(name).noneMatch(FormatsTest::isNamed);
    }

    private static boolean isNamed(String said) { return said.startsWith("By its name"); }

    private static List<String> told(byte[] file, String name) {
        return Formats.read(file, name, null, Progress.SILENT).findings().stream().map(Finding::what).toList();
    }

    @Test void everyFormatThatIsWrittenIsKnownByItsContentAndReadAgain() throws IOException {
        for (Map.Entry<Format, byte[]> made : made(HarbourNotice.document()).entrySet()) {
            // Markdown alone is told by its name.
            Content content = new Content(made.getValue(), "notice." + made.getKey().ending());
            Format told = Formats.of(content);
            assertThat(told.reads()).as(made.getKey().kind()).isTrue();
            boolean template = made.getKey().group() == Format.Group.TEMPLATE;
            if (!template) assertThat(told).isSameAs(made.getKey());
            assertThat(Formats.of(new Content(made.getValue(), "named wrongly.pdf")).reads()).isTrue();
            Taken taken = Formats.read(made.getValue(), content.name(), null, Progress.SILENT);
            assertThat(taken.format()).isSameAs(told);
            assertThat(taken.document().blocks()).isNotEmpty();
        }
    }

    @Test void everyReaderStopsWhenThatIsWished() throws IOException {
        for (Map.Entry<Format, byte[]> made : made(HarbourNotice.document()).entrySet()) {
            assertThatThrownBy(() -> Formats.read(made.getValue(), "notice." + made.getKey().ending(), null, (done, total, what) -> false))
                    .as(made.getKey().kind()).isInstanceOf(DecantException.class)
                    .satisfies(e -> assertThat(((DecantException) e).kind()).isEqualTo(DecantException.Kind.CANCELLED));
        }
    }

    @Test void whatIsNotReadIsDeclinedByWhatItIs() throws IOException {
        Map<byte[], String> files = new LinkedHashMap<>();
        files.put(new byte[0], "empty file");
        files.put(new byte[] {0, 1, 2, 3, 0, 0}, "file of unknown kind");
        files.put(new byte[] {(byte) 0xDB, (byte) 0xA5, 0x2D, 0, 0x31}, "text document of the time before 1993");
        files.put(Archive.packed("application/vnd.oasis.opendocument.presentation", Map.of()), "OpenDocument slide deck");
        files.put(Archive.packed("application/x-something", Map.of("a", new byte[] {1})), "zip archive");
        files.forEach((file, kind) -> assertThatThrownBy(() -> Formats.read(file, "it", null, Progress.SILENT)).isInstanceOf(DecantException.class)
                .hasMessageContaining("it is").hasMessageContaining(kind));
    }

    @Test void aPageOfTheWebInAnArchiveIsNoPage() throws IOException {
        byte[] archive = Archive.packed("application/x-something", Map.of("index.html", "<html><body>x</body></html>".getBytes(StandardCharsets.UTF_8)));
        assertThat(Formats.of(archive)).isSameAs(OtherFormat.ARCHIVE);
    }

    @Test void everyTargetHasItsFormat() {
        List<Format> written = new ArrayList<>(Formats.all().stream().filter(Format::writes).toList());
        assertThat(Target.values()).extracting(Target::format).containsAll(written).hasSize(written.size() + 1).first().isSameAs(Formats.called("pdf"));
        for (Target target : Target.values()) assertThat(Target.of(target.ending())).isSameAs(target);
    }

    /** A document in every format that is written, as a PDF, and as it is kept. */
    private Map<Format, byte[]> made(Document document) throws IOException {
        Map<Format, byte[]> made = new LinkedHashMap<>();
        for (Format format : Formats.all()) if (format.writes()) made.put(format, format.write(document, Instant.EPOCH).bytes());
        Path pdf = folder.resolve("notice.pdf");
        if (!Files.exists(pdf))
            Publisher.publish(new Order(Layout.of(document, FontCatalogue.shipped()), Recipe.PLAIN), pdf, Instant.EPOCH, Progress.SILENT);
        made.put(Formats.called("pdf"), Files.readAllBytes(pdf));
        ByteArrayOutputStream kept = new ByteArrayOutputStream();
        KeptDocument.write(document, kept);
        made.put(Formats.called(KeptDocument.ENDING), kept.toByteArray());
        return made;
    }
}
