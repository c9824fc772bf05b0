package app.decant.desktop.work;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.publish.Guard;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.spelling.Spelling.Slip;
import app.decant.spelling.Spelling;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.util.Duration;
import org.slf4j.LoggerFactory;

/** Looks words up while somebody writes, on a thread of its own; words of the user's own are kept in a plain file, one a line. */
public final class WordWatch {
    private static final Duration REST = Duration.millis(250);
    private static final String OFF = "wordsUnwatched";

    private final Desk desk;
    private final Settings settings;
    private final ExecutorService thread = Executors.newSingleThreadExecutor(task -> {
        Thread made = new Thread(task, "words");
        made.setDaemon(true);
        return made;
    });
    private final ReadOnlyObjectWrapper<Map<Paragraph, List<Slip>>> slips = new ReadOnlyObjectWrapper<>(Map.of());
    private final PauseTransition rest = new PauseTransition(REST);
    private final Set<String> own = new TreeSet<>();
    private Spelling spelling;

    WordWatch(Desk desk, Settings settings) {
        this.desk = desk;
        this.settings = settings;
        rest.setOnFinished(event -> look());
        desk.pages().addListener((observed, before, now) -> {
            if (isOn()) rest.playFromStart();
        });
        desk.source().addListener((observed, before, now) -> {
            spelling = null;
            slips.set(Map.of());
        });
    }

    /** The words that are perhaps misspelled, by the paragraphs they are in. */
    public ReadOnlyObjectProperty<Map<Paragraph, List<Slip>>> slips() { return slips.getReadOnlyProperty(); }

    public boolean isOn() { return !settings.flag(OFF); }

    public void turn(boolean on) {
        settings.set(OFF, !on);
        settings.save();
        if (on) look();
        else slips.set(Map.of());
    }

    private void look() {
        Document document = desk.document();
        if (document == null || thread.isShutdown()) return;
        if (spelling == null) {
            if (own.isEmpty()) own.addAll(read());
            spelling = new Spelling(own);
        }
        Spelling asked = spelling;
        thread.execute(() -> {
            Map<Paragraph, List<Slip>> found = asked.check(document, () -> desk.document() != document || thread.isShutdown());
            Platform.runLater(() -> {
                if (desk.document() == document && spelling == asked && isOn()) slips.set(found);
            });
        });
    }

    /** The word at a place that is perhaps misspelled, or null. */
    public Slip at(Place place) {
        if (!(desk.document().find(place.story(), place.path()) instanceof Paragraph paragraph)) return null;
        for (Slip slip : slips.get().getOrDefault(paragraph, List.of())) if (slip.from() <= place.offset() && place.offset() <= slip.to()) return slip;
        return null;
    }

    /** Such a word as what would be picked. */
    public static TextSelection span(Place place, Slip slip) { return new TextSelection(place.at(slip.from()), place.at(slip.to())); }

    /** The first such word behind a place, in the text, then in what stands beside it, and then from the beginning; null where there is none. */
    public TextSelection next(Place place) {
        Document document = desk.document();
        TextSelection first = null;
        boolean passed = false;
        for (Story story : Stories.all(document)) {
            for (Walk.Stop stop : Walk.of(document, story).stops()) {
                for (Slip slip : slips.get().getOrDefault(stop.paragraph(), List.of())) {
                    TextSelection span = span(new Place(story, stop.path(), 0), slip);
                    if (first == null) first = span;
                    boolean here = story.equals(place.story());
                    if (passed || here && span.start().compareTo(place) >= 0) return span;
                }
            }
            passed |= story.equals(place.story());
        }
        return first;
    }

    /** Hears, on the JavaFX thread, what a word may have been meant as. */
    public void suggest(Slip slip, int most, Consumer<List<String>> heard) {
        if (thread.isShutdown()) return;
        thread.execute(() -> {
            List<String> suggestions = Spelling.suggestions(slip, most);
            Platform.runLater(() -> heard.accept(suggestions));
        });
    }

    /** Takes a word for right, now and later. */
    public void learn(String word) {
        own.addAll(read());
        own.add(word);
        keep();
        Spelling asked = spelling;
        if (asked == null || thread.isShutdown()) return;
        thread.execute(() -> asked.learn(word));
        look();
    }

    private static Path file() { return Decant.home().resolve("words.txt"); }

    private Set<String> read() {
        Set<String> words = new TreeSet<>();
        if (settings.isForgetful() || !Files.exists(file())) return words;
        try {
            for (String line : Files.readAllLines(file(), StandardCharsets.UTF_8)) if (!line.isBlank()) words.add(line.strip());
        } catch (IOException e) {
            LoggerFactory.getLogger(WordWatch.class).warn("Words of one's own can't be read", e);
        }
        return words;
    }

    private void keep() {
        if (settings.isForgetful()) return;
        try {
            byte[] bytes = String.join("\n", own).concat("\n").getBytes(StandardCharsets.UTF_8);
            SafeFile.write(file(), Recipe.WhenPresent.REPLACE, Guard.OWN, out -> out.write(bytes), SafeFile.UNSEEN);
        } catch (DecantException e) {
            desk.trouble().set(e);
        }
    }

    /** A dictionary that is being read is read to its end: whoever reads it can't be interrupted, and what was asked stops by itself. */
    void close() { thread.shutdown(); }
}
