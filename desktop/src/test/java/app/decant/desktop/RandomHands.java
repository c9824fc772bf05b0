package app.decant.desktop;

import app.decant.desktop.command.Command;
import app.decant.desktop.station.Station;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Settings;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.AppenderBase;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import org.slf4j.LoggerFactory;

/**
 * Hands that type, pick and ask for whatever the window offers, at random but the same for a seed, in files that are given; run by {@code bench/hands}, no
 * test. Told is what should never be: errors, pages that do not come, undo that does not lead back, a format that refuses what lies on the desk.
 */
public final class RandomHands extends Application {
    /** What leads out of the document, or waits for somebody to choose a file. */
    private static final Set<String> NOT = Set.of("open", "begin", "begin.from", "begin.scan", "window.new", "save", "publish", "folders", "need", "take.in",
            "check", "sentence", "revise", "picture.in", "picture.replace", "link.follow", "dark", "sheet.tables", "sheet.sheets", "spine.fold");
    private static final List<KeyCode> KEYS = List.of(KeyCode.ENTER, KeyCode.BACK_SPACE, KeyCode.DELETE, KeyCode.TAB, KeyCode.LEFT, KeyCode.RIGHT, KeyCode.UP,
            KeyCode.DOWN, KeyCode.HOME, KeyCode.END, KeyCode.PAGE_DOWN, KeyCode.PAGE_UP);
    private static final List<String> WORDS = List.of("oar ", "1. ", "- x ", "Ferry", "\"q\" ", "\u0639", "\u65E5\u672C", "\u00E9\u2014", "www.x.example ");
    private static final int MOST_PAGES = 40;
    private static final int PATIENCE = 60;

    private final Queue<String> errors = new ConcurrentLinkedQueue<>();
    private MainWindow window;
    private Random random;

    /** Apart, so that JavaFX may come from the class path. */
    public static final class Run {
        private Run() { }

        /** @param arguments how many things are done in each file, a seed, the files */
        public static void main(String[] arguments) {
            System.setProperty("java.awt.headless", "true");
            Application.launch(RandomHands.class, arguments);
        }
    }

    @Override public void start(Stage stage) {
        AppenderBase<ILoggingEvent> heard = new AppenderBase<>() {
            @Override protected void append(ILoggingEvent event) {
                if (event.getLevel().isGreaterOrEqual(Level.ERROR)) errors.add(event.getFormattedMessage() + ": "
                        + (event.getThrowableProxy() == null ? "" : event.getThrowableProxy().getMessage()));
            }
        };
        heard.start();
        ((Logger) LoggerFactory.getLogger("ROOT")).addAppender(heard);
        Thread.setDefaultUncaughtExceptionHandler((thread, e) -> errors.add(thread.getName() + ": " + e + " " + List.of(e.getStackTrace()).subList(0,
                Math.min(3, e.getStackTrace().length))));
        window = new MainWindow(stage, Settings.forgetful());
        window.show();
        Thread hands = new Thread(this::work, "hands");
        hands.setDaemon(true);
        hands.start();
    }

    private void work() {
        List<String> arguments = getParameters().getRaw();
        int told = 0;
        for (String name : arguments.subList(2, arguments.size())) {
            Path file = Path.of(name);
            random = new Random(file.getFileName().toString().hashCode() + Long.parseLong(arguments.get(1)));
            List<String> found = new ArrayList<>();
            try {
                if (opened(file)) in(Integer.parseInt(arguments.get(0)), found);
            } catch (Exception e) {
                found.add("stopped: " + e);
            }
            found.addAll(errors);
            errors.clear();
            told += found.size();
            System.out.println(file.getFileName() + (found.isEmpty() ? ": nothing to tell" : ""));
            found.forEach(one -> System.out.println("  " + one));
        }
        System.out.println(told + " things to tell");
        System.exit(told == 0 ? 0 : 1);
    }

    /** Whether a file is on the desk and not too long. */
    private boolean opened(Path file) throws Exception {
        Desk desk = window.desk();
        onWindow(() -> {
            desk.discard();
            desk.trouble().set(null);
            desk.open(file, null);
            return true;
        });
        until(() -> desk.trouble().get() != null || desk.source().get() != null && desk.source().get().file().equals(file) && desk.isLaidOut());
        return onWindow(() -> {
            window.go(Station.REVISE);
            return desk.trouble().get() == null && desk.pages().get().count() <= MOST_PAGES;
        });
    }

    private void in(int actions, List<String> found) throws Exception {
        Desk desk = window.desk();
        Document before = desk.document();
        List<String> done = new ArrayList<>();
        for (int i = 0; i < actions; i++) {
            done.add(onWindow(this::act));
            until(desk::isLaidOut);
            if (!errors.isEmpty()) found.add("after " + done.subList(Math.max(0, done.size() - 4), done.size()) + ": " + errors.poll());
        }
        Path folder = Files.createTempDirectory("hands");
        for (Target target : Target.values()) {
            Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).as(target);
            onWindow(() -> {
                desk.trouble().set(null);
                desk.publishing().publish(List.of(Map.entry("", recipe)), Recipe.Passwords.NONE, folder.resolve("made." + target.ending()), made -> { });
                return true;
            });
            until(() -> desk.job().get() == null);
            if (desk.trouble().get() != null) found.add("as " + target + ": " + desk.trouble().get().getMessage());
        }
        while (onWindow(desk::canUndo)) onWindow(() -> {
            desk.undo();
            return true;
        });
        if (!desk.document().equals(before)) found.add("undo does not lead back");
    }

    /** Does one thing, and says which. */
    private String act() {
        int kind = random.nextInt(100);
        if (kind < 35) return pick();
        if (kind < 50) return press(KEYS.get(random.nextInt(KEYS.size())), random.nextInt(3) == 0, random.nextInt(4) == 0);
        if (kind < 65) return type(WORDS.get(random.nextInt(WORDS.size())));
        List<Command> offered = window.commands().applying().stream().filter(one -> !NOT.contains(one.key()) && !one.key().startsWith("read.as")
                && !one.key().startsWith("aid.")).toList();
        Command command = offered.get(random.nextInt(offered.size()));
        command.run();
        return command.key();
    }

    private String press(KeyCode code, boolean shift, boolean control) {
        window.table().requestFocus();
        // Control and Enter publish.
        boolean with = control && code != KeyCode.ENTER;
        Event.fireEvent(window.table(), new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, shift, with, false, false));
        Event.fireEvent(window.table(), new KeyEvent(KeyEvent.KEY_RELEASED, "", "", code, shift, with, false, false));
        return code.getName();
    }

    private String type(String word) {
        window.table().requestFocus();
        for (char c : word.toCharArray())
            Event.fireEvent(window.table(), new KeyEvent(KeyEvent.KEY_TYPED, String.valueOf(c), "", KeyCode.UNDEFINED, false, false, false, false));
        return "type " + word;
    }

    private String pick() {
        Document document = window.desk().document();
        List<Story> stories = Stories.all(document);
        Story story = random.nextInt(4) > 0 ? Story.BODY : stories.get(random.nextInt(stories.size()));
        List<Walk.Stop> stops = Walk.of(document, story).stops();
        if (stops.isEmpty()) return "nothing";
        int at = random.nextInt(stops.size());
        Place from = place(story, stops.get(at));
        Place to = random.nextBoolean() ? from : place(story, stops.get(Math.min(stops.size() - 1, at + random.nextInt(3))));
        window.table().pick(new TextSelection(from, to), true);
        return "pick " + from + " to " + to;
    }

    /** Never between the two halves of one character. */
    private Place place(Story story, Walk.Stop stop) {
        String text = stop.paragraph().text();
        int offset = random.nextInt(text.length() + 1);
        boolean within = offset > 0 && offset < text.length() && Character.isLowSurrogate(text.charAt(offset));
        return new Place(story, stop.path(), within ? offset + 1 : offset);
    }

    private static <T> T onWindow(Callable<T> task) throws Exception {
        FutureTask<T> made = new FutureTask<>(task);
        Platform.runLater(made);
        return made.get(PATIENCE, TimeUnit.SECONDS);
    }

    private static void until(Callable<Boolean> condition) throws Exception {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE);
        while (!onWindow(condition)) {
            if (System.nanoTime() > end) throw new TimeoutException("Waited " + PATIENCE + " s");
            Thread.sleep(10);
        }
    }
}
