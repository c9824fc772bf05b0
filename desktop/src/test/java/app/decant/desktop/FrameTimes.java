package app.decant.desktop;

import app.decant.demo.PassengerHandbook;
import app.decant.desktop.station.Station;
import app.decant.desktop.work.Settings;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.format.Formats;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Queue;
import java.util.function.IntConsumer;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;

/**
 * How long frames take in the window while somebody scrolls, types and selects in a document of 300 pages with pictures and tables; run by
 * {@code bench/frames}, no test. Time passes from one pulse of JavaFX to the next; what is painted late makes the next pulse late.
 */
public final class FrameTimes extends Application {
    private static final int HANDBOOKS = 24;
    private static final int OPENED = 5;

    private MainWindow window;
    private final Queue<Phase> phases = new ArrayDeque<>();

    /** @param step what is done in each frame, told its number */
    private record Phase(String name, int frames, Runnable begin, IntConsumer step) { }

    /** Apart, so that JavaFX may come from the class path. */
    public static final class Run {
        private Run() { }

        public static void main(String[] arguments) {
            System.setProperty("java.awt.headless", "true");
            Application.launch(FrameTimes.class, arguments);
        }
    }

    @Override public void start(Stage stage) throws Exception {
        Path file = Files.createTempDirectory("frames").resolve("Long.docx");
        Files.write(file, Formats.called("docx").write(document(), Instant.EPOCH).bytes());
        window = new MainWindow(stage, Settings.forgetful());
        window.show();
        open(file, OPENED);
    }

    /** Opens a file some times, the program getting warm, and goes on with the last. */
    private void open(Path file, int times) {
        long begin = System.nanoTime();
        if (times == OPENED) window.desk().ahead().addListener((observed, before, now) -> {
            if (now != null) System.out.printf(Locale.ROOT, "first pages there after %.0f ms%n", (System.nanoTime() - begin) / 1e6);
        });
        window.desk().whenOpened(() -> {
            System.out.printf(Locale.ROOT, "opened, all pages laid out after %.0f ms%n", (System.nanoTime() - begin) / 1e6);
            if (times > 1) Platform.runLater(() -> open(file, times - 1));
            else Platform.runLater(this::measure);
        });
        window.desk().open(file, null);
    }

    private void measure() {
        plan();
        new Waiting(100).start();
    }

    private static Document document() {
        Document handbook = PassengerHandbook.document();
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < HANDBOOKS; i++) sections.addAll(handbook.sections());
        return handbook.withSections(sections);
    }

    private void plan() {
        phases.add(new Phase("settling", 120, () -> window.go(Station.REVISE), frame -> { }));
        phases.add(new Phase("scrolling", 900, () -> window.table().scrollTo(100), frame -> window.table().scrollTo(100 + frame * 0.07)));
        phases.add(new Phase("turning pages", 200, () -> window.table().scrollTo(20), frame -> window.table().scrollTo(20 + frame)));
        phases.add(new Phase("going there", 60, () -> {
            List<Walk.Stop> stops = Walk.of(window.desk().document()).stops();
            Walk.Stop middle = stops.stream().skip(stops.size() / 2).filter(stop -> stop.paragraph().length() > 200).findFirst().orElseThrow();
            window.table().pick(TextSelection.caret(new Place(middle.path(), 90)), true);
            window.table().requestFocus();
        }, frame -> { }));
        phases.add(new Phase("typing", 900, () -> { }, frame -> {
            String letter = frame % 30 == 0 ? " " : "e";
            if (frame % 5 == 0)
                Event.fireEvent(window.table(), new KeyEvent(KeyEvent.KEY_TYPED, letter, "", KeyCode.UNDEFINED, false, false, false, false));
        }));
        phases.add(new Phase("selecting", 600, () -> { }, frame -> {
            if (frame % 3 == 0) Event.fireEvent(window.table(), new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.DOWN, true, false, false, false));
        }));
    }

    /** Until all is laid out and nothing is done any more. */
    private final class Waiting extends AnimationTimer {
        private int quiet;

        Waiting(int frames) { quiet = frames; }

        @Override public void handle(long now) {
            if (!window.desk().isLaidOut() || window.desk().pages().get() == null || quiet-- > 0) return;
            stop();
            next();
        }
    }

    private void next() {
        Phase phase = phases.poll();
        if (phase == null) {
            System.out.println("pages " + window.desk().pages().get().count());
            window.close();
            Platform.exit();
            return;
        }
        phase.begin.run();
        new Measuring(phase).start();
    }

    private final class Measuring extends AnimationTimer {
        private final Phase phase;
        private final List<Double> times = new ArrayList<>();
        private long last;
        private int frame;

        Measuring(Phase phase) { this.phase = phase; }

        @Override public void handle(long now) {
            if (last > 0) times.add((now - last) / 1e6);
            last = now;
            if (frame < phase.frames) {
                phase.step.accept(frame++);
                return;
            }
            stop();
            Collections.sort(times);
            double mean = times.stream().mapToDouble(Double::doubleValue).average().orElse(0);
            System.out.printf(Locale.ROOT, "%-14s frames %4d  mean %5.1f  p50 %5.1f  p99 %5.1f  most %5.1f ms%n", phase.name, times.size(), mean,
                    times.get(times.size() / 2), times.get(times.size() * 99 / 100), times.get(times.size() - 1));
            new Waiting(30).start();
        }
    }
}
