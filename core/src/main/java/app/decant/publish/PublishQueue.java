package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.format.Formats;
import app.decant.format.kept.KeptDocument;
import app.decant.pdf.Attachment;
import app.decant.words.Message;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;

/**
 * Publications that wait on disk until they are run: each a folder with the document as it was when it was put there, and what is to become of it.
 * They outlive the program, can be put in another order, and stay, with the reason, where they fail. One that is damaged holds up no other.
 */
public final class PublishQueue {
    private static final String DOCUMENT = "document." + KeptDocument.ENDING;
    private static final String EARLIER_DOCUMENT = "document.docx";
    private static final String ATTACHED = "attached";
    private static final String WISH = "wish.json";
    private static final String MOVING = "moving";
    private static final ObjectMapper MAPPER = new ObjectMapper();

    private final Path folder;

    /** @param folder where the queue is kept; need not be there yet */
    public PublishQueue(Path folder) { this.folder = folder; }

    /** One of the files that a publication makes. */
    public record Wish(Recipe recipe, Path file) {
        public Wish { file = file.toAbsolutePath(); }
    }

    /**
     * One publication that waits.
     *
     * @param place    its folder; earlier names run first
     * @param title    the document's name
     * @param source   the file the document was taken from, or null
     * @param wishes   what is to be made; empty where what was kept of it can't be read any more
     * @param delivery what becomes of the files
     * @param tries    how often it was run in vain
     * @param trouble  why it failed last, or null
     */
    public record Waiting(Path place, String title, Path source, List<Wish> wishes, Delivery delivery, Instant added, int tries, String trouble) {
        public Waiting { wishes = List.copyOf(wishes); }

        public boolean isDamaged() { return wishes.isEmpty(); }

        /** Where the first result is to be; its own place where that can't be told. */
        public Path file() { return isDamaged() ? place : wishes.get(0).file(); }

        /** The source as it was when this was put into the queue, where it is to travel inside; else the source itself. */
        public Path attachment() {
            if (!Files.isDirectory(place.resolve(ATTACHED))) return source;
            try (Stream<Path> kept = Files.list(place.resolve(ATTACHED))) {
                return kept.filter(Files::isRegularFile).findFirst().orElse(source);
            } catch (IOException e) {
                throw new DecantException(Kind.UNREADABLE, Message.of("publish.which-is-to-travel-inside", source.getFileName()), e);
            }
        }
    }

    /** Makes the results of a document that waited. */
    @FunctionalInterface
    public interface Publishing { List<Receipt> publish(Document document, Waiting waiting, Progress progress); }

    /**
     * Puts a publication at the end.
     *
     * @param source      the file the document was taken from, or null
     * @param isProtected whether that file asks for a password
     * @param inside      what travels inside as the source, where a wish asks for it; null for the source as it lies there
     * @throws DecantException where it locks a file or comes from a locked one: passwords are never kept, and its text would lie open on the disk
     */
    public Waiting add(Document document, String title, Path source, boolean isProtected, Attachment inside, List<Wish> wishes,
            Delivery delivery, Instant when) {
        if (isProtected) throw new DecantException(Kind.WRONG_CALL, Message.of("publish.is-protected-and-a-copy-that-waits", title));
        if (wishes.stream().anyMatch(wish -> wish.recipe().locking().isOn())) {
            throw new DecantException(Kind.WRONG_CALL, Message.of("publish.a-locked-file-cannot-wait"));
        }
        Path place = folder.resolve(next());
        SafeFile.write(place.resolve(DOCUMENT), Recipe.WhenPresent.REPLACE, Guard.OWN, out -> KeptDocument.write(document, out), SafeFile.UNSEEN);
        if (source != null && wishes.stream().anyMatch(wish -> wish.recipe().attachSource())) {
            try {
                own(place.resolve(ATTACHED).resolve(inside == null ? source.getFileName().toString() : inside.name()), inside == null
                        ? Files.readAllBytes(source) : inside.bytes());
            } catch (IOException e) {
                throw new DecantException(Kind.UNREADABLE, Message.of("publish.which-is-to-travel-inside", source.getFileName()), e);
            }
        }
        Waiting waiting = new Waiting(place, title, source == null ? null : source.toAbsolutePath(), wishes, delivery, when, 0, null);
        keep(waiting);
        return waiting;
    }

    private static void own(Path file, byte[] bytes) { SafeFile.write(file, Recipe.WhenPresent.REPLACE, Guard.OWN, out -> out.write(bytes), SafeFile.UNSEEN); }

    private String next() {
        int last = places().stream().mapToInt(place -> Integer.parseInt(place.getFileName().toString())).max().orElse(0);
        return String.format(Locale.ROOT, "%05d", last + 1);
    }

    /** The wish is written last, so that a publication is in the queue whole or not at all. */
    private static void keep(Waiting waiting) {
        ObjectNode wish = MAPPER.createObjectNode().put("title", waiting.title).put("added", waiting.added.toString()).put("tries", waiting.tries)
                .put("trouble", waiting.trouble);
        if (waiting.source != null) wish.put("source", waiting.source.toString());
        ArrayNode outputs = wish.putArray("outputs");
        for (Wish one : waiting.wishes) outputs.addObject().put("file", one.file.toString()).put("recipe", RecipeFile.write(one.recipe));
        ArrayNode mail = wish.put("mailOnly", waiting.delivery.mailOnly()).putArray("mailTo");
        waiting.delivery.mailTo().forEach(mail::add);
        if (waiting.delivery.receipt() != null) wish.put("receipt", waiting.delivery.receipt().toAbsolutePath().toString());
        own(waiting.place.resolve(WISH), wish.toString().getBytes(StandardCharsets.UTF_8));
    }

    /** All that waits, in the order it is run. */
    public List<Waiting> all() { return places().stream().map(PublishQueue::read).toList(); }

    private List<Path> places() {
        if (!Files.isDirectory(folder)) return List.of();
        try {
            List<Path> places = listed();
            if (!Files.isRegularFile(folder.resolve(MOVING).resolve(WISH))) return places;
            // The power went while two changed places; what has no number gets the next one.
            Files.move(folder.resolve(MOVING), folder.resolve(String.format(Locale.ROOT, "%05d", places.isEmpty() ? 1
                    : Integer.parseInt(places.get(places.size() - 1).getFileName().toString()) + 1)));
            return listed();
        } catch (IOException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("publish.the-queue-in-cannot-be-read-look", folder), e);
        }
    }

    private List<Path> listed() throws IOException {
        try (Stream<Path> places = Files.list(folder)) {
            return places.filter(one -> one.getFileName().toString().matches("\\d{5}") && Files.isRegularFile(one.resolve(WISH)))
                    .sorted(Comparator.comparing(Path::getFileName)).toList();
        }
    }

    private static Waiting read(Path place) {
        try {
            JsonNode wish = MAPPER.readTree(Files.readString(place.resolve(WISH)));
            List<Wish> wishes = new ArrayList<>();
            for (JsonNode output : wish.path("outputs"))
                wishes.add(new Wish(RecipeFile.read(output.path("recipe").asText(), "A recipe in the queue"), Path.of(output.path("file").asText())));
            if (wishes.isEmpty()) throw new IllegalArgumentException("No outputs");
            List<String> mailTo = new ArrayList<>();
            wish.path("mailTo").forEach(address -> mailTo.add(address.asText()));
            Delivery delivery = new Delivery(mailTo, wish.path("mailOnly").asBoolean(), wish.hasNonNull("receipt") ? Path.of(wish.get("receipt").asText())
                    : null);
            Path source = wish.hasNonNull("source") ? Path.of(wish.get("source").asText()) : null;
            return new Waiting(place, wish.path("title").asText(), source, wishes, delivery, Instant.parse(wish.path("added").asText()), wish.path("tries")
                    .asInt(), wish.hasNonNull("trouble") ? wish.get("trouble").asText() : null);
        } catch (IOException | DateTimeException | IllegalArgumentException | DecantException e) {
            LoggerFactory.getLogger(PublishQueue.class).warn("{} can't be read", place, e);
            String trouble = "What was kept of this publication is damaged. Take it out, and put it there again.";
            return new Waiting(place, "Number " + place.getFileName(), null, List.of(), Delivery.NONE, Instant.EPOCH, 0, trouble);
        }
    }

    /** Lets a publication change places with the one before it. */
    public void earlier(Waiting waiting) {
        List<Path> all = places();
        int at = all.indexOf(waiting.place);
        if (at <= 0) return;
        Path before = all.get(at - 1);
        Path between = folder.resolve(MOVING);
        try {
            Files.move(before, between);
            Files.move(waiting.place, before);
            Files.move(between, waiting.place);
        } catch (IOException e) {
            throw new DecantException(Kind.TARGET_LOCKED, Message.of("publish.the-queue-cannot-be-put-in-another"), e);
        }
    }

    /** Takes a publication out. */
    public void remove(Waiting waiting) {
        try (Stream<Path> files = Files.walk(waiting.place)) {
            // The wish goes first, so that what is left after a power cut is nothing that waits.
            Files.deleteIfExists(waiting.place.resolve(WISH));
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) Files.deleteIfExists(file);
        } catch (IOException e) {
            throw new DecantException(Kind.TARGET_LOCKED, Message.of("publish.cannot-be-taken-out-of-the-queue", waiting.title), e);
        }
    }

    /**
     * Runs one: where it succeeds it leaves the queue, else it stays with the reason.
     *
     * @throws DecantException where it failed
     */
    public List<Receipt> run(Waiting waiting, Publishing publishing, Progress progress) {
        if (waiting.isDamaged()) throw new DecantException(Kind.UNREADABLE, Message.of("publish.queued-trouble", waiting.title, waiting.trouble));
        try {
            Path kept = waiting.place.resolve(DOCUMENT);
            // What an earlier version put here is still made.
            Path file = Files.exists(kept) ? kept : waiting.place.resolve(EARLIER_DOCUMENT);
            Document document = Formats.read(Files.readAllBytes(file), waiting.title, null, progress).document();
            List<Receipt> receipts = publishing.publish(document, waiting, progress);
            remove(waiting);
            return receipts;
        } catch (DecantException e) {
            if (e.kind() != Kind.CANCELLED)
                keep(new Waiting(waiting.place, waiting.title, waiting.source, waiting.wishes, waiting.delivery, waiting.added, waiting.tries + 1,
                        e.getMessage()));
            throw e;
        } catch (IOException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("publish.in-the-queue-cannot-be-read-take", waiting.title), e);
        }
    }
}
