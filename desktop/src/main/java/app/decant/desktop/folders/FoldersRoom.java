package app.decant.desktop.folders;

import app.decant.Decant;
import app.decant.desktop.folders.FolderLanes.Lane;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Notices;
import app.decant.desktop.station.ReceiptView;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Job;
import app.decant.document.Progress;
import app.decant.folder.FolderJournal.Entry;
import app.decant.folder.FolderJournal;
import app.decant.folder.FolderLog;
import app.decant.folder.FolderPlan;
import app.decant.folder.FolderRun;
import app.decant.folder.FolderScan;
import app.decant.page.Pages;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/** The room for whole folders: a sentence that says what is to be done, what it comes to, and where each file is. */
public final class FoldersRoom {
    private final Window window;
    private final VBox box = new VBox();
    private final FolderSentence sentence;
    private final Label summary = new Label();
    private final Label left = new Label();
    private final Button start = new Button();
    private final Button stop = new Button(Words.of("folders.stop"));
    private final HBox bar = new HBox();
    private final Map<Lane, Region> parts = new EnumMap<>(Lane.class);
    private final TextField filter = new TextField();
    private final FolderBench bench;
    private final FolderLanes lanes;
    private final ExecutorService thread = Executors.newSingleThreadExecutor(work -> {
        Thread made = new Thread(work, "folders");
        made.setDaemon(true);
        return made;
    });
    private final ConcurrentLinkedQueue<FolderScan.Item> begun = new ConcurrentLinkedQueue<>();
    private final Map<Path, String> steps = new ConcurrentHashMap<>();
    private final ConcurrentLinkedQueue<Entry> ended = new ConcurrentLinkedQueue<>();
    private final Timeline beat = new Timeline(new KeyFrame(Duration.millis(120), event -> drain()));
    private FolderPlan looked;
    private FolderScan scan;
    private FolderRun run;
    private boolean paused;
    private long startedAt;
    private int total;
    private int over;
    private WatchWindow watch;

    public FoldersRoom(Window window) {
        this.window = window;
        lanes = new FolderLanes(new FolderLanes.Acts() {
            @Override public void open(Entry entry) { FoldersRoom.this.open(entry); }
            @Override public void original(Path source) { window.open(source); }
            @Override public void leaveOut(Path source) { FoldersRoom.this.leaveOut(source); }
            @Override public void again() { FoldersRoom.this.again(); }
        });
        bench = new FolderBench(window.desk());
        sentence = new FolderSentence(window, this::look);
        summary.getStyleClass().add("quiet");
        summary.setId("folder-summary");
        left.getStyleClass().add("quiet");
        left.setWrapText(true);
        start.setId("folder-start");
        start.getStyleClass().add("main-button");
        start.setMinWidth(Region.USE_PREF_SIZE);
        start.setOnAction(event -> startOrPause());
        stop.setId("folder-stop");
        stop.setMinWidth(Region.USE_PREF_SIZE);
        stop.setOnAction(event -> {
            if (run != null) run.stop();
        });
        HBox buttons = new HBox(8, stop, start);
        buttons.setAlignment(Pos.CENTER_RIGHT);
        VBox side = new VBox(8, buttons, left);
        side.setAlignment(Pos.TOP_RIGHT);
        side.setMinWidth(190);
        HBox.setHgrow(sentence.node(), Priority.ALWAYS);
        HBox upper = new HBox(24, sentence.node(), side);
        filter.setId("folder-filter");
        filter.setPromptText(Words.of("folders.filter"));
        filter.setAccessibleText(Words.of("folders.filter"));
        filter.setPrefWidth(190);
        filter.textProperty().addListener((observed, before, now) -> lanes.filter(now));
        Region between = new Region();
        HBox.setHgrow(between, Priority.ALWAYS);
        summary.setWrapText(true);
        HBox lower = new HBox(24, summary, between, filter);
        lower.setAlignment(Pos.CENTER_LEFT);
        VBox head = new VBox(14, upper, lower);
        head.getStyleClass().add("folders-head");
        bar.getStyleClass().add("folders-bar");
        for (Lane lane : List.of(Lane.DONE, Lane.LOOK, Lane.FAILED)) {
            Region part = new Region();
            part.getStyleClass().add("part-" + lane.name().toLowerCase(Locale.ROOT));
            part.setMinWidth(0);
            parts.put(lane, part);
            bar.getChildren().add(part);
        }
        bar.widthProperty().addListener((observed, before, now) -> measure());
        HBox.setHgrow(lanes.node(), Priority.ALWAYS);
        HBox body = new HBox(14, lanes.node(), bench.node());
        body.getStyleClass().add("folders-body");
        VBox.setVgrow(body, Priority.ALWAYS);
        box.getChildren().addAll(head, bar, body);
        beat.setCycleCount(Animation.INDEFINITE);
        look();
    }

    public Node node() { return box; }
    public FolderLanes lanes() { return lanes; }
    public FolderSentence sentence() { return sentence; }
    public boolean isRunning() { return run != null; }

    /** Looks through the folders, so that it can be seen beforehand what a run comes to. */
    private void look() {
        if (run != null) return;
        scan = null;
        buttons();
        FolderPlan plan = sentence.plan();
        looked = plan;
        if (plan == null) {
            summary.setText(Words.of("folders.say"));
            lanes.fill(List.of());
            return;
        }
        Path journals = sentence.journals();
        summary.setText(Words.of("folders.looking"));
        new Job("").start(thread, progress -> {
            FolderScan made = FolderScan.of(plan, Progress.SILENT);
            return Map.entry(made, made.expected(FolderJournal.known(journals), Runtime.getRuntime().availableProcessors()));
        }, both -> {
            FolderScan found = both.getKey();
            FolderScan.Expectation expected = both.getValue();
            if (run != null || looked != plan) return;
            scan = found;
            lanes.fill(found.items());
            long free = FolderScan.free(journals);
            summary.setText(found.summary() + (found.items().isEmpty() ? "" : " " + expected.sentence())
                    + (free < 0 ? "" : " " + Words.of("folders.free", ReceiptView.bytes(free))));
            buttons();
        }, problem -> window.desk().trouble().set(problem));
    }

    private void buttons() {
        start.setText(Words.of(run == null ? sentence.isWatching() ? "folders.begin.watch" : "folders.start" : paused ? "folders.go" : "folders.pause"));
        start.setDisable(run == null && (scan == null || scan.items().isEmpty() && !sentence.isWatching()));
        sentence.node().setDisable(run != null);
        stop.setVisible(run != null);
        stop.setManaged(run != null);
    }

    private void startOrPause() {
        if (run != null) {
            paused = !paused;
            run.pause(paused);
            buttons();
            return;
        }
        if (scan == null) return;
        if (sentence.isWatching()) watch();
        else begin(scan);
    }

    /** Watches in a window of its own; one at a time, since two would make the same files. */
    private void watch() {
        if (watch != null && !watch.isOver()) watch.stage().toFront();
        else watch = new WatchWindow(window, looked, sentence.journals(), sentence.doneInto());
    }

    private void begin(FolderScan all) {
        FolderPlan plan = looked;
        paused = false;
        total = all.items().size();
        over = 0;
        startedAt = System.nanoTime();
        window.notices().clear();
        lanes.fill(all.items());
        measure();
        FolderRun begins = Decant.folderRun(plan, new FolderRun.Listener() {
            @Override public void begun(FolderScan.Item item) { begun.add(item); }
            @Override public void step(FolderScan.Item item, int done, int of) { steps.put(item.source(), Words.of("lane.step", done, of)); }
            @Override public void laidOut(FolderScan.Item item, Pages pages) { bench.show(pages.pages().get(0), item.source().getFileName().toString()); }
            @Override public void ended(Entry entry, int done, int of) { ended.add(entry); }
        });
        run = begins;
        buttons();
        beat.play();
        Path target = sentence.journals();
        Path file = target.resolve(Words.of("folders.log.name") + "." + sentence.log());
        new Job("").start(thread, progress -> {
            try (FolderJournal journal = FolderJournal.open(target)) {
                List<Entry> entries = begins.run(all, journal);
                if (!entries.isEmpty()) FolderLog.write(entries, all, Instant.now(), file);
                return entries;
            }
        }, entries -> {
            finish();
            if (entries.isEmpty()) return;
            List<Notices.Action> actions = new ArrayList<>(List.of(Notices.action("folders.log.open", () -> window.openOutside(file)),
                    Notices.action("receipt.folder", () -> window.openOutside(target))));
            boolean failed = lanes.count(Lane.FAILED) > 0;
            if (failed) actions.add(Notices.action("folders.again", this::again));
            actions.add(Notices.action("notice.well", () -> { }));
            window.notices().say(FolderRun.summary(entries), failed ? "notice-asks" : "notice-good", actions.toArray(Notices.Action[]::new));
        }, problem -> {
            finish();
            window.desk().trouble().set(problem);
        });
    }

    private void finish() {
        drain();
        beat.stop();
        run = null;
        bench.clear();
        left.setText("");
        buttons();
    }

    /** What has happened since the last beat, all at once. */
    private void drain() {
        List<FolderScan.Item> starts = new ArrayList<>();
        for (FolderScan.Item item = begun.poll(); item != null; item = begun.poll()) starts.add(item);
        List<Entry> ends = new ArrayList<>();
        for (Entry entry = ended.poll(); entry != null; entry = ended.poll()) ends.add(entry);
        Map<Path, String> now = Map.copyOf(steps);
        now.keySet().forEach(steps::remove);
        lanes.step(now);
        if (starts.isEmpty() && ends.isEmpty()) return;
        lanes.move(starts, ends);
        over += ends.size();
        measure();
        double seconds = (System.nanoTime() - startedAt) / 1e9;
        long remaining = over == 0 ? -1 : Math.round(seconds / over * (total - over));
        left.setText(Words.of("folders.so.far", over, total) + (remaining < 0 || over == total ? "" : "\n"
                + (remaining < 90 ? Words.of("folders.seconds", (int) Math.max(1, remaining)) : Words.of("folders.minutes",
                (int) Math.round(remaining / 60.0)))));
    }

    private void measure() { parts.forEach((lane, part) -> part.setPrefWidth(total == 0 ? 0 : bar.getWidth() * lanes.count(lane) / total)); }

    /** A result is opened by its own program; what wants a look comes in here, where its findings are; what failed is opened here, where it can be seen why. */
    private void open(Entry entry) {
        switch (entry.state()) {
            case DONE, SKIPPED -> window.openOutside(entry.target());
            case WANTS_LOOK -> {
                window.open(entry.source());
                window.checkWhenIn();
            }
            case FAILED -> window.open(entry.source());
        }
    }

    private void leaveOut(Path source) {
        if (run != null) run.leaveOut(source);
        else if (scan != null) {
            scan = scan.only(item -> !item.source().equals(source));
            lanes.fill(scan.items());
            buttons();
        }
    }

    /** Tries again what failed. */
    void again() {
        if (run != null || scan == null) return;
        Set<Path> failed = lanes.cards(Lane.FAILED).stream().map(FolderLanes.Card::source).collect(Collectors.toSet());
        begin(scan.only(item -> failed.contains(item.source())));
    }

    public void close() {
        if (run != null) run.stop();
        beat.stop();
        thread.shutdownNow();
    }
}
