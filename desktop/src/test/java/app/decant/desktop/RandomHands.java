package app.decant.desktop;

import app.decant.desktop.command.Command;
import app.decant.desktop.sheet.SheetTable;
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
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
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
    private static final List<KeyCode> SHEET_KEYS = List.of(KeyCode.UP, KeyCode.DOWN, KeyCode.LEFT, KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.DOWN, KeyCode.HOME,
            KeyCode.END, KeyCode.PAGE_DOWN, KeyCode.PAGE_UP, KeyCode.TAB, KeyCode.ENTER, KeyCode.DELETE, KeyCode.A, KeyCode.C, KeyCode.X, KeyCode.V);
    private static final List<String> VALUES = List.of("=SUM(A1:C9)", "=A1*2", "=1/0", "=NOSUCH(", "12", "-3,5", "1.5e300", "Ferry", "2026-02-29", "31.12.2026",
            "=B2&\"x\"", "TRUE", "'=7", "\u0639\u0631", "50%", "=VLOOKUP(1,A1:B9,2,0)", "=A1:A3", "12:30", "=IF(A1>1,Sheet9!A1,\"\")", "x\u0007y");
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
                found.add("stopped: " + e + " " + List.of(e.getCause() == null ? e.getStackTrace() : e.getCause().getStackTrace()).subList(0, 3));
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
        boolean sheets = desk.session().isSheets();
        List<String> done = new ArrayList<>();
        for (int i = 0; i < actions; i++) {
            done.add(onWindow(this::act));
            until(() -> desk.isLaidOut() && (!window.sheets().isShown() || window.sheets().table().picked().get() != null));
            if (!errors.isEmpty()) found.add("after " + done.subList(Math.max(0, done.size() - 4), done.size()) + ": " + errors.poll());
        }
        Path folder = Files.createTempDirectory("hands");
        List<Target> targets = new ArrayList<>(Target.values());
        if (sheets) targets.addAll(Target.sheets());
        for (Target target : targets) {
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
        if (window.sheets().isShown()) return inSheets();
        int kind = random.nextInt(100);
        if (kind < 35) return pick();
        if (kind < 50) return press(KEYS.get(random.nextInt(KEYS.size())), random.nextInt(3) == 0, random.nextInt(4) == 0);
        if (kind < 65) return type(WORDS.get(random.nextInt(WORDS.size())));
        return command();
    }

    private String command() {
        List<Command> offered = window.commands().applying().stream().filter(one -> !NOT.contains(one.key()) && !one.key().startsWith("read.as")
                && !one.key().startsWith("aid.")).toList();
        Command command = offered.get(random.nextInt(offered.size()));
        command.run();
        return command.key();
    }

    /** One thing on a sheet: its cells are picked by keys, as those can who have no mouse, its buttons are those of the slip. */
    private String inSheets() {
        SheetTable table = window.sheets().table();
        if (table.getScene() == null) {
            window.go(Station.REVISE);
            return "revise";
        }
        int kind = random.nextInt(100);
        if (kind < 5 && table.workbook() != null) {
            int sheet = random.nextInt(table.workbook().sheets().size());
            table.show(sheet);
            return "sheet " + sheet;
        }
        if (kind < 45) return press(table, SHEET_KEYS.get(random.nextInt(SHEET_KEYS.size())), random.nextInt(3) == 0, random.nextInt(4) == 0);
        if (kind < 65) {
            String value = VALUES.get(random.nextInt(VALUES.size()));
            type(table, value.substring(0, 1));
            TextField pen = (TextField) table.lookup("#sheet-pen");
            if (!pen.isVisible()) return "nowhere to write";
            pen.setText(value);
            return "write " + value + " and " + press(pen, random.nextInt(5) == 0 ? KeyCode.ESCAPE : KeyCode.ENTER, false, false);
        }
        if (kind < 75) return command();
        List<Button> buttons = table.getScene().getRoot().lookupAll("#sheet-slip .button").stream().map(Button.class::cast)
                .filter(one -> !one.isDisabled() && isSeen(one)).toList();
        if (buttons.isEmpty()) return "nothing";
        Button button = buttons.get(random.nextInt(buttons.size()));
        button.fire();
        return "button " + button.getId() + " " + button.getText();
    }

    private static boolean isSeen(Node one) { return one == null || one.isVisible() && isSeen(one.getParent()); }

    private String press(KeyCode code, boolean shift, boolean control) {
        window.table().requestFocus();
        // Control and Enter publish.
        return press(window.table(), code, shift, control && code != KeyCode.ENTER);
    }

    private static String press(Node on, KeyCode code, boolean shift, boolean control) {
        Event.fireEvent(on, new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, shift, control, false, false));
        Event.fireEvent(on, new KeyEvent(KeyEvent.KEY_RELEASED, "", "", code, shift, control, false, false));
        return (control ? "control " : "") + (shift ? "shift " : "") + code.getName();
    }

    private String type(String word) {
        window.table().requestFocus();
        type(window.table(), word);
        return "type " + word;
    }

    private static void type(Node on, String word) {
        for (char c : word.toCharArray())
            Event.fireEvent(on, new KeyEvent(KeyEvent.KEY_TYPED, String.valueOf(c), "", KeyCode.UNDEFINED, false, false, false, false));
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
