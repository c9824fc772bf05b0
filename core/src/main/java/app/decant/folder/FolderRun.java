package app.decant.folder;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.folder.FolderJournal.Entry;
import app.decant.folder.FolderJournal.State;
import app.decant.page.Pages;
import app.decant.publish.Guard;
import app.decant.publish.LeftOver;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.RecipeFile;
import app.decant.publish.SafeFile;
import app.decant.publish.TimeLimit;
import app.decant.words.Message;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;

/** Does what a plan says: a worker a core, each file by itself, everything that ends written down at once. */
public final class FolderRun {
    private static final Message BY_HAND = Message.of("folder.by-hand");

    private final FolderPlan plan;
    private final Work work;
    private final Listener listener;
    private final Map<String, Recipe> recipes;
    private final Map<String, String> recipeMarks;
    private final Set<Path> leftOut = ConcurrentHashMap.newKeySet();
    private volatile boolean stopped;
    private volatile boolean paused;
    private volatile Guard guard = Guard.NONE;

    /** Makes one result of one file: opens it, lays it out and shows its pages, publishes it, and where wished scores it. */
    @FunctionalInterface
    public interface Work {
        /** @param guard what the result must leave alone; it lets no file take its name that was given up meanwhile */
        Made make(Path source, Recipe recipe, Path target, Guard guard, boolean score, Consumer<Pages> seen, Progress progress);

        /** Whether a result of an earlier run is still what is wished where a recipe does not say all of it, such as its passwords. */
        default boolean stands(Path result, Recipe recipe) { return true; }
    }

    /** What was made. @param faith 0 to 100, or -1 */
    public record Made(Receipt receipt, List<Finding> findings, double faith) { }

    /** Hears what happens; called from several threads. */
    public interface Listener {
        /** A file has come so far: pages read, laid out or written. Called often, from many threads. */
        default void step(FolderScan.Item item, int done, int total) { }
        Listener NONE = new Listener() { };

        default void begun(FolderScan.Item item) { }

        /** The pages of a file that is being made. */
        default void laidOut(FolderScan.Item item, Pages pages) { }
        default void ended(Entry entry, int done, int total) { }
    }

    public FolderRun(FolderPlan plan, Work work, Listener listener) {
        this.plan = plan;
        this.work = work;
        this.listener = listener;
        recipes = plan.outputs().stream().collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        recipeMarks = plan.outputs().stream().collect(Collectors.toMap(Map.Entry::getKey,
                one -> Integer.toHexString(RecipeFile.write(one.getValue().with(Recipe.WhenPresent.REFUSE)).hashCode())));
    }

    /** Lets files that are being made end, and begins no others. */
    public void stop() { stopped = true; }
    public void pause(boolean wanted) { paused = wanted; }

    /** Leaves out a file that is waiting or being made; the next run does it. */
    public void leaveOut(Path source) { leftOut.add(source); }

    /**
     * Runs.
     *
     * @param journal kept by the run
     * @return how every file ended, in the order of the scan
     */
    public List<Entry> run(FolderScan scan, FolderJournal journal) {
        removeParts();
        guard = scan.guard();
        int workers = Math.max(1, Runtime.getRuntime().availableProcessors());
        ExecutorService threads = Executors.newFixedThreadPool(workers, work -> thread(work, "folder run"));
        Semaphore room = new Semaphore(workers * 2);
        AtomicInteger done = new AtomicInteger();
        List<Future<Entry>> running = new ArrayList<>();
        try {
            for (FolderScan.Item item : scan.items()) {
                room.acquire();
                if (stopped) {
                    room.release();
                    break;
                }
                running.add(threads.submit(() -> {
                    try {
                        Entry entry = one(item, journal);
                        if (entry != null) listener.ended(entry, done.incrementAndGet(), scan.items().size());
                        return entry;
                    } finally {
                        room.release();
                    }
                }));
            }
            List<Entry> entries = new ArrayList<>();
            for (Future<Entry> one : running) {
                Entry entry = one.get();
                if (entry != null) entries.add(entry);
            }
            return entries;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new DecantException(Kind.CANCELLED, Message.of("folder.stopped-what-is-done-is-done"), e);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof DecantException told) throw told;
            throw new IllegalStateException(e.getCause());
        } finally {
            stopped = true;
            threads.shutdownNow();
        }
    }

    private static Thread thread(Runnable work, String name) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        return thread;
    }

    /** What an earlier run that broke off was writing; what other programs write at the moment is theirs. */
    private void removeParts() {
        for (FolderPlan.Source source : plan.sources()) {
            if (!Files.isDirectory(source.target())) continue;
            try (Stream<Path> files = Files.walk(source.target())) {
                for (Path part : files.filter(file -> file.getFileName().toString().endsWith(".part")).toList()) LeftOver.clearPart(part);
            } catch (IOException | UncheckedIOException e) {
                LoggerFactory.getLogger(FolderRun.class).warn("What an earlier run left over in {} can't be removed", source.target(), e);
            }
        }
    }

    private Entry one(FolderScan.Item item, FolderJournal journal) {
        while (paused && !stopped) {
            try {
                Thread.sleep(50);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return null;
            }
        }
        if (stopped) return null;
        Entry before = journal.entry(item.source(), item.output());
        String mark = recipeMarks.get(item.output());
        if (!plan.again() && before != null && before.isOf(item, mark) && work.stands(before.target(), recipes.get(item.output()))) return before;
        long start = System.nanoTime();
        if (leftOut.contains(item.source())) return skipped(item, journal, start, BY_HAND);
        Path target = target(item, journal, before);
        if (target == null) return skipped(item, journal, start, Message.of("folder.there-already"));
        try {
            journal.begin(item, target);
        } catch (DecantException e) {
            // No room for a line of the journal: then there is none for the file either. Others may be smaller, or room may come.
            return entry(item, target, State.FAILED, start, null, List.of(e.getMessage()));
        }
        listener.begun(item);
        Entry ended = made(item, target, start);
        journal.end(ended);
        return ended;
    }

    private Entry skipped(FolderScan.Item item, FolderJournal journal, long start, Message why) {
        Entry skipped = entry(item, item.target(), State.SKIPPED, start, null, List.of(why.toString()));
        journal.end(skipped);
        return skipped;
    }

    /** The name its result gets, or null where it is left out. A name that a run which broke off had chosen is chosen again. */
    private Path target(FolderScan.Item item, FolderJournal journal, Entry before) {
        Path begun = journal.brokenOff(item);
        if (begun != null) return begun;
        if (!Files.exists(item.target())) return item.target();
        return switch (plan.present()) {
            case REPLACE -> item.target();
            case SKIP -> null;
            case NEWER -> isNewer(item) ? item.target() : null;
            // What this plan made itself before, and is to make anew, is no other file.
            case KEEP_BOTH -> before != null && before.isResultOf(item) ? before.target() : SafeFile.nextFree(item.target());
        };
    }

    private static boolean isNewer(FolderScan.Item item) {
        try {
            return item.changed() > Files.getLastModifiedTime(item.target()).toMillis();
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderRun.class).info("{} vanished", item.target(), e);
            return true;
        }
    }

    private Entry made(FolderScan.Item item, Path target, long start) {
        Recipe recipe = recipes.get(item.output()).with(item.each() && !plan.replaces() ? Recipe.WhenPresent.KEEP_BOTH : Recipe.WhenPresent.REPLACE);
        Progress progress = (done, total, what) -> {
            if (total > 1) listener.step(item, done, total);
            return !leftOut.contains(item.source());
        };
        try {
            Made made = TimeLimit.run(plan.limit(), progress, (gate, told) -> work.make(item.source(), recipe, target, guard.through(gate),
                    plan.wantsLook() > 0, pages -> listener.laidOut(item, pages), told));
            if (plan.keepTimes()) Files.setLastModifiedTime(made.receipt.file(), Files.getLastModifiedTime(item.source()));
            List<String> words = made.findings.stream().filter(finding -> finding.weight() != Finding.Weight.NOTE).map(Finding::what).distinct().limit(20)
                    .toList();
            boolean look = plan.wantsLook() > 0 && made.faith >= 0 && made.faith < plan.wantsLook();
            return entry(item, target, look ? State.WANTS_LOOK : State.DONE, start, made, words);
        } catch (DecantException e) {
            if (e.kind() == Kind.CANCELLED && leftOut.contains(item.source()))
                return entry(item, target, State.SKIPPED, start, null, List.of(BY_HAND.toString()));
            if (e.kind() == Kind.UNFORESEEN) LoggerFactory.getLogger(FolderRun.class).error("Unforeseen, at {}", item.source(), e);
            return entry(item, target, State.FAILED, start, null, List.of(e.getMessage()));
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderRun.class).info("The times of {} can't be set", target, e);
            return entry(item, target, State.DONE, start, null, List.of(Message.of("folder.no-time").toString()));
        }
    }

    private Entry entry(FolderScan.Item item, Path target, State state, long start, Made made, List<String> words) {
        double seconds = Math.round((System.nanoTime() - start) / 1e7) / 100.0;
        return new Entry(item.source(), made == null ? target : made.receipt.file(), state, item.bytes(), item.changed(), item.output(),
                recipeMarks.get(item.output()), made == null ? 0 : made.receipt.bytes(), made == null ? 0 : made.receipt.pages(), seconds, made == null ? -1
                : made.faith, words);
    }

    /** How a run went, in one sentence. */
    public static String summary(List<Entry> entries) {
        Map<State, Long> counts = entries.stream().collect(Collectors.groupingBy(Entry::state, Collectors.counting()));
        List<Message> words = new ArrayList<>();
        for (State state : State.values()) {
            long count = counts.getOrDefault(state, 0L);
            if (count > 0) words.add(Message.of("folder.state." + state.name().toLowerCase(Locale.ROOT), count));
        }
        return (words.isEmpty() ? Message.of("folder.nothing-done") : Message.of("folder.sum", Message.list(words))).toString();
    }
}
