package app.decant.desktop;

import app.decant.Decant;
import app.decant.desktop.FolderLanes.Lane;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.folder.FolderJournal;
import app.decant.folder.FolderJournal.Entry;
import app.decant.folder.FolderJournal.State;
import app.decant.folder.FolderLog;
import app.decant.folder.FolderPlan;
import app.decant.folder.FolderPlan.Kind;
import app.decant.folder.FolderPlan.WhenThere;
import app.decant.folder.FolderRun;
import app.decant.folder.FolderScan;
import app.decant.publish.Recipe;
import app.decant.publish.Recipes;
import app.decant.publish.Target;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
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
import javafx.stage.DirectoryChooser;

/** The room for whole folders: a sentence that says what is to be done, what it comes to, and where each file is. */
final class FoldersRoom {
    private final MainWindow window;
    private final VBox box = new VBox();
    private final Sentence sentence = new Sentence();
    private final Label summary = new Label();
    private final Label left = new Label();
    private final Button start = new Button();
    private final Button stop = new Button(Words.of("folders.stop"));
    private final HBox bar = new HBox();
    private final Map<Lane, Region> parts = new EnumMap<>(Lane.class);
    private final FolderLanes lanes;
    private final ExecutorService thread = Executors.newSingleThreadExecutor(work -> {
        Thread made = new Thread(work, "folders");
        made.setDaemon(true);
        return made;
    });
    private final ConcurrentLinkedQueue<FolderScan.Item> begun = new ConcurrentLinkedQueue<>();
    private final ConcurrentLinkedQueue<Entry> ended = new ConcurrentLinkedQueue<>();
    private final Timeline beat = new Timeline(new KeyFrame(javafx.util.Duration.millis(120), event -> drain()));
    private Set<Kind> kinds = EnumSet.of(Kind.TEXT, Kind.PDF);
    private Path from;
    private Path into;
    private boolean below = true;
    private String makes = Target.PDF.ending();
    private WhenThere there = WhenThere.KEEP_BOTH;
    private double faith;
    private String log = "html";
    private FolderScan scan;
    private FolderRun run;
    private boolean paused;
    private long startedAt;
    private int total;
    private int over;

    FoldersRoom(MainWindow window) {
        this.window = window;
        lanes = new FolderLanes(new FolderLanes.Acts() {
            @Override public void open(Entry entry) { FoldersRoom.this.open(entry); }
            @Override public void original(Path source) { window.open(source); }
            @Override public void again() { FoldersRoom.this.again(); }
        });
        from = kept("folderFrom");
        into = kept("folderInto");
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
        VBox head = new VBox(14, upper, summary);
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
        VBox.setVgrow(lanes.node(), Priority.ALWAYS);
        VBox body = new VBox(lanes.node());
        body.getStyleClass().add("folders-body");
        VBox.setVgrow(body, Priority.ALWAYS);
        box.getChildren().addAll(head, bar, body);
        beat.setCycleCount(Animation.INDEFINITE);
        build();
    }

    Node node() { return box; }
    FolderLanes lanes() { return lanes; }
    Sentence sentence() { return sentence; }
    boolean isRunning() { return run != null; }

    private Path kept(String key) {
        String told = window.settings().text(key, "");
        return told.isEmpty() || !Files.isDirectory(Path.of(told)) ? null : Path.of(told);
    }

    /** Sets where files come from and go to. */
    void folders(Path source, Path target) {
        from = source;
        into = target;
        if (source != null) window.settings().set("folderFrom", source.toString());
        if (target != null) window.settings().set("folderInto", target.toString());
        window.settings().save();
        build();
    }

    /** Sets where files come from. */
    void from(Path source) { folders(source, into); }

    /** Folders to begin with where none were ever chosen. */
    void suggest(Path source, Path target) {
        if (from != null || into != null) return;
        from = source;
        into = target;
        build();
    }

    private void build() {
        sentence.clear();
        sentence.say(Words.of("folders.take") + " ").phrase("folder-kinds", kinds.stream().map(Kind::words).collect(Collectors.joining(Words.of("folders.and"))), this::kindsCard);
        sentence.say(" " + Words.of("folders.from") + " ").phrase("folder-from", from == null ? Words.of("folders.choose") : name(from), card -> folderCard(card, true));
        sentence.say(", ").phrase("folder-below", Words.of(below ? "folders.below" : "folders.flat"), this::belowCard);
        sentence.say(", " + Words.of("folders.make") + " ").phrase("folder-makes", makesWords(), this::makesCard);
        sentence.say(" " + Words.of("folders.in") + " ").phrase("folder-into", into == null ? Words.of("folders.choose") : name(into), card -> folderCard(card, false));
        sentence.say(". " + Words.of("folders.there") + " ").phrase("folder-there", Words.of("folders.there." + there.name().toLowerCase(Locale.ROOT)), this::thereCard);
        sentence.say(". ").phrase("folder-faith", faith == 0 ? Words.of("folders.faith.none") : Words.of("folders.faith.below", Math.round(faith)), this::faithCard);
        sentence.say(". " + Words.of("folders.log") + " ").phrase("folder-log", Words.of("folders.log." + log), this::logCard);
        sentence.say(".");
        buttons();
        look();
    }

    private static String name(Path folder) { return folder.getFileName() == null ? folder.toString() : folder.getFileName().toString(); }

    private String makesWords() { return Target.of(makes) != null ? Words.of("folders.makes", Target.of(makes).words()) : Words.of("also.recipe", makes); }

    private void kindsCard(PhraseCard card) {
        card.title(Words.of("folders.kinds"));
        Set<Kind> ticked = EnumSet.copyOf(kinds);
        for (Kind kind : Kind.values()) {
            card.toggle(kind.words(), "", ticked.contains(kind), on -> {
                if (on) ticked.add(kind);
                else ticked.remove(kind);
            });
        }
        card.done(Words.of("card.take"), () -> {
            if (ticked.isEmpty()) return Words.of("folders.kinds.none");
            kinds = ticked;
            build();
            return null;
        });
    }

    private void folderCard(PhraseCard card, boolean source) {
        card.title(Words.of(source ? "folders.source" : "folders.target"));
        Path now = source ? from : into;
        TextField field = card.field(source ? "folder-from" : "folder-into", now == null ? "" : now.toString(), Words.of("folders.path"));
        card.accept(field, text -> {
            Path folder = Path.of(text.trim()).toAbsolutePath().normalize();
            if (text.isBlank() || source && !Files.isDirectory(folder)) return Words.of("folders.path.wrong");
            folders(source ? folder : from, source ? into : folder);
            return null;
        });
        card.choice(Words.of("folder.other"), "", false, () -> {
            DirectoryChooser chooser = new DirectoryChooser();
            if (now != null && Files.isDirectory(now)) chooser.setInitialDirectory(now.toFile());
            File picked = chooser.showDialog(window.stage());
            if (picked != null) folders(source ? picked.toPath() : from, source ? into : picked.toPath());
        });
    }

    private void belowCard(PhraseCard card) {
        card.title(Words.of("folders.depth"));
        for (boolean one : new boolean[] {true, false}) {
            card.choice(Words.of(one ? "folders.below" : "folders.flat"), "", below == one, () -> {
                below = one;
                build();
            });
        }
    }

    private void makesCard(PhraseCard card) {
        card.title(Words.of("card.what"));
        for (Target target : Target.values()) {
            if (target == Target.DOTX || target == Target.DOT || target == Target.OTT) continue;
            card.choice(Words.of("target." + target.ending()), Words.of("target." + target.ending() + ".about"), makes.equals(target.ending()), () -> {
                makes = target.ending();
                build();
            });
        }
        TextField field = card.field("folder-recipe", Target.of(makes) == null ? makes : "", Words.of("folders.recipe"));
        card.accept(field, text -> {
            try {
                recipes().find(text.trim());
                makes = text.trim();
                build();
                return null;
            } catch (DecantException e) {
                return e.getMessage();
            }
        });
    }

    private static Recipes recipes() { return new Recipes(Decant.home().resolve("recipes")); }

    private void thereCard(PhraseCard card) {
        card.title(Words.of("card.present"));
        for (WhenThere one : WhenThere.values()) {
            card.choice(Words.of("folders.there." + one.name().toLowerCase(Locale.ROOT)), "", there == one, () -> {
                there = one;
                build();
            });
        }
    }

    private void faithCard(PhraseCard card) {
        card.title(Words.of("folders.faith"));
        for (double one : new double[] {0, 80, 90, 95}) {
            card.choice(one == 0 ? Words.of("folders.faith.none") : Words.of("folders.faith.below", Math.round(one)), one == 0 ? Words.of("folders.faith.quick") : "", faith == one, () -> apartBelow(one));
        }
    }

    /** Sets apart what scores below this; 0 compares nothing. */
    void apartBelow(double score) {
        faith = score;
        build();
    }

    private void logCard(PhraseCard card) {
        card.title(Words.of("folders.log.title"));
        for (String one : List.of("html", "odt", "csv", "json")) {
            card.choice(Words.of("folders.log." + one), "", log.equals(one), () -> {
                log = one;
                build();
            });
        }
    }

    private FolderPlan plan() {
        Recipe recipe = Target.of(makes) != null ? Recipe.PLAIN.to(Target.of(makes)) : recipes().find(makes);
        return new FolderPlan(List.of(new FolderPlan.Source(from, into, below, kinds, List.of())), List.of(Map.entry("", recipe)), there, false, false, Duration.ofMinutes(10), faith, 1, 1);
    }

    /** Looks through the folders, so that it can be seen beforehand what a run comes to. */
    private void look() {
        if (run != null) return;
        scan = null;
        if (from == null || into == null) {
            summary.setText(Words.of("folders.say"));
            lanes.fill(List.of());
            return;
        }
        FolderPlan plan = plan();
        summary.setText(Words.of("folders.looking"));
        new Job("").start(thread, progress -> {
            FolderScan made = FolderScan.of(plan, Progress.SILENT);
            return Map.entry(made, made.expected(FolderJournal.known(plan.sources().get(0).target()), Runtime.getRuntime().availableProcessors()));
        }, both -> {
            FolderScan found = both.getKey();
            FolderScan.Expectation expected = both.getValue();
            if (run != null || !plan.sources().get(0).folder().equals(from.toAbsolutePath().normalize())) return;
            scan = found;
            lanes.fill(found.items());
            long free = free();
            summary.setText(found.summary() + (found.items().isEmpty() ? "" : " " + expected.sentence()) + (free < 0 ? "" : " " + Words.of("folders.free", ReceiptView.bytes(free))));
            buttons();
        }, problem -> window.desk().trouble().set(problem));
    }

    private long free() {
        Path here = into;
        while (here != null && !Files.exists(here)) here = here.getParent();
        return here == null ? -1 : here.toFile().getUsableSpace();
    }

    private void buttons() {
        start.setText(Words.of(run == null ? "folders.start" : paused ? "folders.go" : "folders.pause"));
        start.setDisable(run == null && (scan == null || scan.items().isEmpty()));
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
        begin(scan);
    }

    private void begin(FolderScan all) {
        FolderPlan plan = plan();
        paused = false;
        total = all.items().size();
        over = 0;
        startedAt = System.nanoTime();
        window.clearNotices();
        lanes.fill(all.items());
        measure();
        FolderRun begins = Decant.folderRun(plan, new FolderRun.Listener() {
            @Override public void begun(FolderScan.Item item) { begun.add(item); }
            @Override public void ended(Entry entry, int done, int of) { ended.add(entry); }
        });
        run = begins;
        buttons();
        beat.play();
        Path target = plan.sources().get(0).target();
        Path file = target.resolve(Words.of("folders.log.name") + "." + log);
        new Job("").start(thread, progress -> {
            try (FolderJournal journal = FolderJournal.open(target)) {
                List<Entry> entries = begins.run(all, journal);
                if (!entries.isEmpty()) FolderLog.write(entries, all.leftOut(), Instant.now(), file);
                return entries;
            }
        }, entries -> {
            finish();
            if (entries.isEmpty()) return;
            List<MainWindow.Action> actions = new ArrayList<>(List.of(MainWindow.action("folders.log.open", () -> window.openOutside(file)), MainWindow.action("receipt.folder", () -> window.openOutside(target))));
            boolean failed = lanes.count(Lane.FAILED) > 0;
            if (failed) actions.add(MainWindow.action("folders.again", this::again));
            actions.add(MainWindow.action("notice.well", () -> { }));
            window.notice(FolderRun.summary(entries), failed ? "notice-asks" : "notice-good", actions.toArray(MainWindow.Action[]::new));
        }, problem -> {
            finish();
            window.desk().trouble().set(problem);
        });
    }

    private void finish() {
        drain();
        beat.stop();
        run = null;
        left.setText("");
        buttons();
    }

    /** What has happened since the last beat, all at once. */
    private void drain() {
        List<FolderScan.Item> starts = new ArrayList<>();
        for (FolderScan.Item item = begun.poll(); item != null; item = begun.poll()) starts.add(item);
        List<Entry> ends = new ArrayList<>();
        for (Entry entry = ended.poll(); entry != null; entry = ended.poll()) ends.add(entry);
        if (starts.isEmpty() && ends.isEmpty()) return;
        lanes.move(starts, ends);
        over += ends.size();
        measure();
        double seconds = (System.nanoTime() - startedAt) / 1e9;
        long remaining = over == 0 ? -1 : Math.round(seconds / over * (total - over));
        left.setText(Words.of("folders.so.far", over, total) + (remaining < 0 || over == total ? "" : "\n" + (remaining < 90 ? Words.of("folders.seconds", Math.max(1, remaining)) : Words.of("folders.minutes", Math.round(remaining / 60.0)))));
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

    /** Tries again what failed. */
    void again() {
        if (run != null || scan == null) return;
        Set<Path> failed = lanes.cards(Lane.FAILED).stream().map(FolderLanes.Card::source).collect(Collectors.toSet());
        begin(new FolderScan(scan.items().stream().filter(item -> failed.contains(item.source())).toList(), List.of()));
    }

    void close() {
        if (run != null) run.stop();
        beat.stop();
        thread.shutdownNow();
    }
}
