package app.decant.publish;

import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.format.FileKind;
import app.decant.format.ooxml.DocxReader;
import app.decant.format.ooxml.DocxWriter;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * Publications that wait on disk until they are run: each a folder with the document as it was when it was put there, and what is to become of it.
 * They outlive the program, can be put in another order, and stay, with the reason, where they fail.
 */
public final class PublishQueue {
    private static final String DOCUMENT = "document.docx";
    private static final String WISH = "wish.json";
    private static final ObjectMapper MAPPER = new ObjectMapper();

    private final Path folder;

    /** @param folder where the queue is kept; need not be there yet */
    public PublishQueue(Path folder) { this.folder = folder; }

    /**
     * One publication that waits.
     *
     * @param place   its folder; earlier names run first
     * @param title   the document's name
     * @param file    where the result is to be
     * @param tries   how often it was run in vain
     * @param trouble why it failed last, or null
     */
    public record Waiting(Path place, String title, Path file, Recipe recipe, Instant added, int tries, String trouble) { }

    /** Makes the result of a document that waited. */
    @FunctionalInterface
    public interface Publishing { List<Receipt> publish(Document document, Recipe recipe, Path file, Progress progress); }

    /**
     * Puts a publication at the end.
     *
     * @throws DecantException where it locks the file: passwords are never kept, so it could not be run later
     */
    public Waiting add(Document document, String title, Recipe recipe, Path file, Instant when) {
        if (recipe.locking().isOn()) throw new DecantException(Kind.WRONG_CALL, "A locked PDF can't wait in the queue, since passwords are never kept. Publish it now, or leave it open.");
        Path place = folder.resolve(next());
        byte[] bytes = DocxWriter.write(document, when);
        SafeFile.write(place.resolve(DOCUMENT), Recipe.WhenPresent.REPLACE, out -> out.write(bytes), made -> { });
        Waiting waiting = new Waiting(place, title, file.toAbsolutePath(), recipe, when, 0, null);
        keep(waiting);
        return waiting;
    }

    private String next() {
        int last = all().stream().mapToInt(one -> Integer.parseInt(one.place.getFileName().toString())).max().orElse(0);
        return String.format(java.util.Locale.ROOT, "%05d", last + 1);
    }

    /** The wish is written last, so that a publication is in the queue whole or not at all. */
    private static void keep(Waiting waiting) {
        ObjectNode wish = MAPPER.createObjectNode().put("title", waiting.title).put("file", waiting.file.toString()).put("added", waiting.added.toString()).put("tries", waiting.tries).put("trouble", waiting.trouble).put("recipe", RecipeFile.write(waiting.recipe));
        SafeFile.write(waiting.place.resolve(WISH), Recipe.WhenPresent.REPLACE, out -> out.write(wish.toString().getBytes(StandardCharsets.UTF_8)), made -> { });
    }

    /** All that waits, in the order it is run. */
    public List<Waiting> all() {
        List<Waiting> waiting = new ArrayList<>();
        if (!Files.isDirectory(folder)) return waiting;
        try (Stream<Path> places = Files.list(folder)) {
            for (Path place : places.filter(one -> one.getFileName().toString().matches("\\d{5}") && Files.isRegularFile(one.resolve(WISH))).sorted(Comparator.comparing(Path::getFileName)).toList()) waiting.add(read(place));
        } catch (IOException e) {
            throw new DecantException(Kind.UNREADABLE, "The queue in " + folder + " can't be read. Look whether you may open that folder.", e);
        }
        return waiting;
    }

    private static Waiting read(Path place) throws IOException {
        JsonNode wish = MAPPER.readTree(Files.readString(place.resolve(WISH)));
        String trouble = wish.path("trouble").isTextual() ? wish.get("trouble").asText() : null;
        return new Waiting(place, wish.path("title").asText(), Path.of(wish.path("file").asText()), RecipeFile.read(wish.path("recipe").asText(), "A recipe in the queue"), Instant.parse(wish.path("added").asText()), wish.path("tries").asInt(), trouble);
    }

    /** Lets a publication change places with the one before it. */
    public void earlier(Waiting waiting) {
        List<Waiting> all = all();
        int at = Collections.binarySearch(all.stream().map(one -> one.place.getFileName().toString()).toList(), waiting.place.getFileName().toString());
        if (at <= 0) return;
        Path before = all.get(at - 1).place;
        Path between = folder.resolve("moving");
        try {
            Files.move(before, between);
            Files.move(waiting.place, before);
            Files.move(between, waiting.place);
        } catch (IOException e) {
            throw new DecantException(Kind.TARGET_LOCKED, "The queue can't be put in another order; another program holds it.", e);
        }
    }

    /** Takes a publication out. */
    public void remove(Waiting waiting) {
        try (Stream<Path> files = Files.list(waiting.place)) {
            // The wish goes first, so that what is left after a power cut is nothing that waits.
            Files.deleteIfExists(waiting.place.resolve(WISH));
            for (Path file : files.toList()) Files.deleteIfExists(file);
            Files.delete(waiting.place);
        } catch (IOException e) {
            throw new DecantException(Kind.TARGET_LOCKED, waiting.title + " can't be taken out of the queue; another program holds it.", e);
        }
    }

    /**
     * Runs one: where it succeeds it leaves the queue, else it stays with the reason.
     *
     * @throws DecantException where it failed
     */
    public List<Receipt> run(Waiting waiting, Publishing publishing, Progress progress) {
        try {
            Document document = DocxReader.read(Files.readAllBytes(waiting.place.resolve(DOCUMENT)), FileKind.DOCX, progress).document();
            List<Receipt> receipts = publishing.publish(document, waiting.recipe, waiting.file, progress);
            remove(waiting);
            return receipts;
        } catch (DecantException e) {
            if (e.kind() != Kind.CANCELLED) keep(new Waiting(waiting.place, waiting.title, waiting.file, waiting.recipe, waiting.added, waiting.tries + 1, e.getMessage()));
            throw e;
        } catch (IOException e) {
            throw new DecantException(Kind.UNREADABLE, waiting.title + " in the queue can't be read. Take it out and put it there again.", e);
        }
    }
}
