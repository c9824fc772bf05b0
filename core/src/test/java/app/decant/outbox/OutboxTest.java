package app.decant.outbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.demo.PassengerHandbook;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.pdf.lock.Protection;
import app.decant.publish.Order;
import app.decant.publish.PageRange;
import app.decant.publish.Publisher;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Base64;
import java.util.EnumSet;
import java.util.List;
import java.util.Properties;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Letters looked through by hand as RFC 5322 and RFC 2045 lay them out; sheets read by PDFBox. */
class OutboxTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");

    @TempDir private Path folder;

    private Path handbook(Recipe recipe, Recipe.Passwords passwords) {
        Order order = new Order(Layout.of(PassengerHandbook.document(), FontCatalogue.shipped()), recipe, passwords, null);
        return Publisher.publish(order, folder.resolve("Handbuch für Gäste.pdf"), WHEN, Progress.SILENT).file();
    }

    @Test void putsFilesIntoALetterThatAnyMailProgramOpens() throws IOException {
        Path pdf = handbook(Recipe.PLAIN, Recipe.Passwords.NONE);
        Path letter = new MailOutbox(folder.resolve("outbox"))
                .put(new MailOutbox.Letter(List.of("office@ferries.example", "Anna Example <anna@ferries.example>"), "Das Handbuch für Gäste", "Liebe Gäste",
                List.of(pdf)), WHEN);
        assertThat(letter.getFileName().toString()).isEqualTo("2026-11-01 08.00 Das Handbuch für Gäste.eml");
        String raw = Files.readString(letter, StandardCharsets.US_ASCII);
        String[] halves = raw.split("\r\n\r\n", 2);
        assertThat(halves[0]).contains("To: office@ferries.example").contains("Subject: =?UTF-8?").contains("Date: Sun, 1 Nov 2026")
                .contains("MIME-Version: 1.0").contains("Content-Type: multipart/mixed").contains("X-Unsent: 1");
        assertThat(raw.lines()).allSatisfy(line -> assertThat(line.length()).isLessThanOrEqualTo(998));
        String boundary = halves[0].replaceAll("(?s).*boundary=\"([^\"]+)\".*", "$1");
        String[] parts = raw.split("--" + Pattern.quote(boundary));
        assertThat(parts).hasSize(4);
        assertThat(parts[2]).contains("Content-Transfer-Encoding: base64").contains("application/pdf");
        byte[] sent = Base64.getMimeDecoder().decode(parts[2].split("\r\n\r\n", 2)[1].trim());
        assertThat(sent).isEqualTo(Files.readAllBytes(pdf));
    }

    @Test void refusesWhatIsNoAddress() {
        MailOutbox outbox = new MailOutbox(folder.resolve("outbox"));
        assertThatThrownBy(() -> outbox.put(new MailOutbox.Letter(List.of("nobody"), "x", "", List.of()), WHEN)).isInstanceOf(DecantException.class)
                .hasMessageContaining("nobody");
        assertThatThrownBy(() -> outbox.put(new MailOutbox.Letter(List.of(), "x", "", List.of()), WHEN)).isInstanceOf(DecantException.class)
                .hasMessageContaining("no address");
        assertThatThrownBy(() -> outbox.put(new MailOutbox.Letter(List.of("a@b.example"), "x", "", List.of(folder.resolve("gone.pdf"))), WHEN))
                .isInstanceOf(DecantException.class);
    }

    @Test void printsSheetsInBookletOrder() throws IOException {
        // Eight pages folded once: 8 1, 2 7, 6 3, 4 5 (common practice).
        assertThat(PrintFolder.booklet(List.of(0, 1, 2, 3, 4, 5, 6, 7))).containsExactly(7, 0, 1, 6, 5, 2, 3, 4);
        assertThat(PrintFolder.booklet(List.of(0, 1, 2, 3, 4))).containsExactly(-1, 0, 1, -1, -1, 2, 3, 4);
        Path pdf = handbook(Recipe.PLAIN, Recipe.Passwords.NONE);
        Path sheets = new PrintFolder(folder.resolve("printed")).print(pdf, null, new PrintFolder.Job(new PageRange("1-8"), 2, true,
                PrintFolder.Sheets.BOOKLET));
        try (PDDocument made = Loader.loadPDF(sheets.toFile()); PDDocument source = Loader.loadPDF(pdf.toFile())) {
            assertThat(made.getNumberOfPages()).isEqualTo(8);
            assertThat(made.getPage(0).getMediaBox().getWidth()).isGreaterThan(made.getPage(0).getMediaBox().getHeight());
            assertThat(words(made, 2)).contains(words(source, 2).substring(0, 12)).contains(words(source, 7).substring(0, 12));
        }
        Path four = new PrintFolder(folder.resolve("printed")).print(pdf, null, new PrintFolder.Job(new PageRange("1-6"), 1, true, PrintFolder.Sheets.FOUR));
        try (PDDocument made = Loader.loadPDF(four.toFile())) {
            assertThat(made.getNumberOfPages()).isEqualTo(2);
        }
    }

    @Test void doesNotPrintWhatItsOwnerForbids() {
        Path locked = handbook(Recipe.PLAIN.with(new Recipe.Locking(Protection.Strength.AES_256, EnumSet.of(Protection.Permission.COPY))),
                Recipe.Passwords.NONE);
        assertThatThrownBy(() -> new PrintFolder(folder.resolve("printed")).print(locked, null, PrintFolder.Job.PLAIN)).isInstanceOf(DecantException.class)
                .hasMessageContaining("against printing");
    }

    private static String words(PDDocument pdf, int page) throws IOException {
        PDFTextStripper stripper = new PDFTextStripper();
        stripper.setStartPage(page);
        stripper.setEndPage(page);
        return stripper.getText(pdf).replaceAll("\\s+", " ").trim();
    }

    /** RFC 2231 and RFC 2183: names of attached files beyond ASCII, as another program reads them. */
    @Test void namesOfAnyLettersReachTheReader() throws Exception {
        Path file = Files.writeString(folder.resolve("Fahrpläne für Gäste \u2013 “Sommer” \u8239.pdf"), "x");
        Path letter = new MailOutbox(folder.resolve("out")).put(new MailOutbox.Letter(List.of("office@ferries.example"), "Fahrpläne", "", List.of(file)), WHEN);
        String raw = Files.readString(letter);
        assertThat(raw).contains("filename*").doesNotContain("filename=\"=?");
        try (InputStream in = Files.newInputStream(letter)) {
            jakarta.mail.internet.MimeMessage read = new jakarta.mail.internet.MimeMessage(jakarta.mail.Session.getInstance(new Properties()), in);
            assertThat(((jakarta.mail.internet.MimeMultipart) read.getContent()).getBodyPart(1).getFileName()).isEqualTo(file.getFileName().toString());
        }
    }
}
