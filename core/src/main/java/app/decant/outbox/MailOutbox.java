package app.decant.outbox;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.publish.Guard;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.words.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.ContentDisposition;
import jakarta.mail.internet.ContentType;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeBodyPart;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import jakarta.mail.internet.ParameterList;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.Date;
import java.util.List;
import java.util.Properties;

/** A folder of letters ready to be sent: {@code .eml} files (RFC 5322, RFC 2045) that open in any mail program as drafts. */
public final class MailOutbox {
    private static final DateTimeFormatter NAME = DateTimeFormatter.ofPattern("yyyy-MM-dd HH.mm").withZone(ZoneOffset.UTC);

    private final Path folder;

    public MailOutbox(Path folder) { this.folder = folder; }

    /**
     * A letter.
     *
     * @param to      addresses
     * @param files   what is put in; read when it is written
     */
    public record Letter(List<String> to, String subject, String text, List<Path> files) {
        public Letter {
            to = List.copyOf(to);
            files = List.copyOf(files);
        }
    }

    /**
     * Looks at addresses before there is anything to send.
     *
     * @throws DecantException where one is none
     */
    public static void refuseWrong(List<String> addresses) {
        try {
            for (String address : addresses) address(address);
        } catch (AddressException e) {
            throw noAddress(e);
        }
    }

    private static DecantException noAddress(AddressException e) {
        return new DecantException(Kind.WRONG_CALL, Message.of("outbox.is-no-mail-address-write-one-such", e.getRef()), e);
    }

    /**
     * Writes a letter into the outbox.
     *
     * @return its file
     * @throws DecantException where an address is none, or a file can't be read
     */
    public Path put(Letter letter, Instant when) {
        if (letter.to().isEmpty()) throw new DecantException(Kind.WRONG_CALL, Message.of("outbox.the-mail-has-no-address-write-one"));
        try {
            MimeMessage message = message(letter, when);
            Path file = folder.resolve(NAME.format(when) + " " + letter.subject().replaceAll("[/\\\\:*?\"<>|\\p{Cntrl}]+", " ").trim() + ".eml");
            return SafeFile.write(file, Recipe.WhenPresent.KEEP_BOTH, Guard.OWN, out -> {
                try {
                    message.writeTo(out);
                } catch (MessagingException e) {
                    throw new IOException(e);
                }
            }, made -> check(made, letter));
        } catch (AddressException e) {
            throw noAddress(e);
        } catch (MessagingException | IOException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("outbox.the-mail-cannot-be-put-together"), e);
        }
    }

    private static MimeMessage message(Letter letter, Instant when) throws MessagingException, IOException {
        MimeMessage message = new MimeMessage(Session.getInstance(new Properties())) {
            // The library would make up a name from this machine's; the same letter is the same file.
            @Override protected void updateMessageID() throws MessagingException {
                setHeader("Message-ID", "<" + when.toEpochMilli() + "." + Integer.toUnsignedString(letter.hashCode(), 36) + "@decant.invalid>");
            }
        };
        for (String address : letter.to()) message.addRecipient(jakarta.mail.Message.RecipientType.TO, address(address));
        message.setSubject(letter.subject(), "UTF-8");
        message.setSentDate(Date.from(when));
        // Mail programs open a letter with this as a draft that can be sent.
        message.setHeader("X-Unsent", "1");
        MimeMultipart parts = new MimeMultipart();
        MimeBodyPart text = new MimeBodyPart();
        text.setText(letter.text(), StandardCharsets.UTF_8.name());
        parts.addBodyPart(text);
        for (Path file : letter.files()) parts.addBodyPart(attached(file));
        message.setContent(parts);
        message.saveChanges();
        return message;
    }

    private static InternetAddress address(String text) throws AddressException {
        InternetAddress address = new InternetAddress(text.trim(), true);
        if (address.getAddress().indexOf('@') < 1) throw new AddressException("No address", text.trim());
        return address;
    }

    private static MimeBodyPart attached(Path file) throws MessagingException, IOException {
        MimeBodyPart part = new MimeBodyPart();
        String name = file.getFileName().toString();
        part.attachFile(file.toFile(), type(file), "base64");
        // Names beyond ASCII by RFC 2231, as RFC 2183 asks; words encoded by RFC 2047 have no place in parameters.
        part.setHeader("Content-Disposition", new ContentDisposition(Part.ATTACHMENT, named("filename", name)).toString());
        ContentType type = new ContentType(type(file));
        type.setParameterList(named("name", name));
        part.setHeader("Content-Type", type.toString());
        return part;
    }

    private static String type(Path file) throws IOException {
        String type = Files.probeContentType(file);
        return type == null ? "application/octet-stream" : type;
    }

    private static ParameterList named(String parameter, String name) {
        ParameterList parameters = new ParameterList();
        parameters.set(parameter, name, StandardCharsets.UTF_8.name());
        return parameters;
    }

    /** Opens the letter again: every file must be in it, whole and under its name. */
    private static void check(Path made, Letter letter) throws IOException {
        try (InputStream in = Files.newInputStream(made)) {
            MimeMessage again = new MimeMessage(Session.getInstance(new Properties()), in);
            MimeMultipart parts = (MimeMultipart) again.getContent();
            boolean whole = parts.getCount() == letter.files().size() + 1;
            for (int i = 0; whole && i < letter.files().size(); i++) {
                Path file = letter.files().get(i);
                try (InputStream held = parts.getBodyPart(i + 1).getInputStream(); InputStream meant = Files.newInputStream(file)) {
                    whole = file.getFileName().toString().equals(parts.getBodyPart(i + 1).getFileName()) && Arrays.equals(held.readAllBytes(),
                            meant.readAllBytes());
                }
            }
            if (!whole) throw new DecantException(Kind.NOT_PROVEN, Message.of("outbox.the-mail-does-not-hold-all"));
        } catch (MessagingException e) {
            throw new IOException(e);
        }
    }
}
