package app.decant.folder;

import app.decant.document.Progress;
import app.decant.publish.Guard;
import app.decant.publish.Laid;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystems;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.PathMatcher;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.slf4j.LoggerFactory;

/**
 * What a plan comes to: which files are to be done, where their results go, what is left out and why. Nothing is opened or written.
 *
 * @param items   in the order of their paths
 * @param leftOut files and folders that are not done, each with the reason
 * @param guard   what results must leave alone: all sources, those of other parts too, and what lies outside the targets
 */
public record FolderScan(List<Item> items, List<LeftOut> leftOut, Guard guard) {
    private static final double USUAL_SECONDS = 0.12;
    private static final double USUAL_BYTES_A_SECOND = 1e6;
    private static final long USUAL_RESULT = 20_000;

    public FolderScan {
        items = List.copyOf(items);
        leftOut = List.copyOf(leftOut);
    }

    /**
     * One file to be made into one result.
     *
     * @param output the name of its recipe
     * @param each   whether each of its pages becomes a file, named by the recipe's pattern
     */
    public record Item(Path source, Path target, FolderPlan.Kind kind, long bytes, long changed, String output, boolean each) {
        /** Whether its result may have this name: the one foreseen, or where that was taken, the same with a number. */
        boolean mayBecome(Path file) {
            if (!target.getParent().equals(file.getParent())) return false;
            if (each) return true;
            String name = target.getFileName().toString();
            String front = SafeFile.withoutEnding(name);
            return file.equals(target) || file.getFileName().toString().matches(Pattern.quote(front) + " [1-9][0-9]{0,8}"
                    + Pattern.quote(name.substring(front.length())));
        }
    }

    /** The same with some of its items only. */
    public FolderScan only(Predicate<Item> wanted) { return new FolderScan(items.stream().filter(wanted).toList(), leftOut, guard); }

    /** What is not done. */
    public record LeftOut(Path file, Message why) {
        /** In words. */
        public String reason() { return why.toString(); }
    }

    /** Looks through the folders of a plan. */
    public static FolderScan of(FolderPlan plan, Progress progress) {
        List<Item> items = new ArrayList<>();
        List<LeftOut> leftOut = new ArrayList<>();
        Map<String, Path> targets = new HashMap<>();
        Map<FolderPlan.Source, List<Path>> found = new LinkedHashMap<>();
        for (FolderPlan.Source source : plan.sources()) {
            if (!Files.isDirectory(source.folder())) {
                leftOut.add(new LeftOut(source.folder(), Message.of("folder.the-folder-is-not-there-look-whether")));
                continue;
            }
            List<Path> files = new ArrayList<>();
            walk(plan, source, files, leftOut, progress);
            files.removeIf(file -> !isWanted(source, file));
            files.sort(null);
            found.put(source, files);
        }
        Guard guard = guard(plan, found.values().stream().flatMap(List::stream).toList());
        found.forEach((source, files) -> {
            for (Path file : files) add(plan, source, file, items, leftOut, targets, guard);
        });
        if (plan.parts() > 1) {
            List<Item> mine = new ArrayList<>();
            // By the path and not the place in the list, so that parts agree whatever order each machine finds files in.
            for (Item item : items) if (Math.floorMod(item.source.toString().hashCode(), plan.parts()) == plan.part() - 1) mine.add(item);
            return new FolderScan(mine, leftOut, guard);
        }
        return new FolderScan(items, leftOut, guard);
    }

    private static Guard guard(FolderPlan plan, List<Path> sources) {
        List<Path> laid = plan.outputs().stream().flatMap(output -> output.getValue().laid().stream()).filter(Laid::file).map(one -> Path.of(one.what()))
                .toList();
        return Guard.NONE.and(sources).and(laid).within(plan.sources().stream().map(FolderPlan.Source::target).toList());
    }

    private static boolean isWanted(FolderPlan.Source source, Path file) {
        FolderPlan.Kind kind = FolderPlan.Kind.of(file.getFileName().toString());
        if (kind == null || !source.kinds().contains(kind)) return false;
        return source.patterns().isEmpty() || source.patterns().stream().anyMatch(pattern -> matcher(pattern).matches(file.getFileName()));
    }

    private static void walk(FolderPlan plan, FolderPlan.Source source, List<Path> files, List<LeftOut> leftOut, Progress progress) {
        List<Path> targets = plan.sources().stream().map(FolderPlan.Source::target).toList();
        try {
            // Links are not followed, so there are no loops.
            Files.walkFileTree(source.folder(), new SimpleFileVisitor<>() {
                @Override public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
                    if (folder.equals(source.folder())) return FileVisitResult.CONTINUE;
                    if (isHidden(folder)) return FileVisitResult.SKIP_SUBTREE;
                    if (targets.contains(folder)) {
                        leftOut.add(new LeftOut(folder, Message.of("folder.results-go-here")));
                        return FileVisitResult.SKIP_SUBTREE;
                    }
                    return source.below() ? FileVisitResult.CONTINUE : FileVisitResult.SKIP_SUBTREE;
                }

                @Override public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                    if (files.size() % 500 == 0) progress.step(files.size(), 0, Message.of("step.looking-through-folders"));
                    if (attributes.isSymbolicLink()) leftOut.add(new LeftOut(file, Message.of("folder.it-is-a-link-to-another-place")));
                    else if (attributes.isRegularFile() && !isHidden(file) && !isTemporary(file)) files.add(file);
                    return FileVisitResult.CONTINUE;
                }

                @Override public FileVisitResult visitFileFailed(Path file, IOException e) {
                    leftOut.add(new LeftOut(file, Message.of("folder.it-cannot-be-looked", e instanceof AccessDeniedException)));
                    return FileVisitResult.CONTINUE;
                }

                @Override public FileVisitResult postVisitDirectory(Path folder, IOException e) {
                    if (e != null) leftOut.add(new LeftOut(folder, Message.of("folder.the-folder-vanished-while-it-was-looked")));
                    return FileVisitResult.CONTINUE;
                }
            });
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderScan.class).info("{} can't be looked through", source.folder(), e);
            leftOut.add(new LeftOut(source.folder(), Message.of("folder.the-folder-cannot-be-looked-through-look")));
        }
    }

    private static boolean isHidden(Path path) { return path.getFileName().toString().startsWith("."); }

    /** Files that programs leave beside open documents (common practice). */
    private static boolean isTemporary(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        return name.startsWith("~") || name.endsWith(".tmp") || name.endsWith(".part") || name.endsWith("~") || name.endsWith(".lock");
    }

    private static void add(FolderPlan plan, FolderPlan.Source source, Path file, List<Item> items, List<LeftOut> leftOut, Map<String, Path> targets,
            Guard guard) {
        String name = file.getFileName().toString();
        FolderPlan.Kind kind = FolderPlan.Kind.of(name);
        try {
            BasicFileAttributes attributes = Files.readAttributes(file, BasicFileAttributes.class);
            for (Map.Entry<String, Recipe> output : plan.outputs()) {
                String ending = output.getValue().target().ending();
                Path folder = source.target().resolve(source.folder().relativize(file.getParent()).toString());
                Path target = folder.resolve(SafeFile.withoutEnding(name) + "." + ending);
                if (target.equals(file)) {
                    leftOut.add(new LeftOut(file, Message.of("folder.the-result-would-take-its-own-place")));
                    continue;
                }
                // Two originals of one name get results of two; letters of either case count as one, as some disks have it. No result takes an original's name.
                if (taken(targets, target, guard))
                    target = folder.resolve(SafeFile.withoutEnding(name) + " (" + name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT) + ")."
                            + ending);
                for (int n = 2; taken(targets, target, guard); n++) target = folder.resolve(SafeFile.withoutEnding(name) + " (" + n + ")." + ending);
                targets.put(target.toString().toLowerCase(Locale.ROOT), file);
                items.add(new Item(file, target, kind, attributes.size(), attributes.lastModifiedTime().toMillis(), output.getKey(), output.getValue()
                        .split() != null));
            }
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderScan.class).info("{} vanished", file, e);
            leftOut.add(new LeftOut(file, Message.of("folder.it-vanished-while-folders-were-looked-through")));
        }
    }

    private static boolean taken(Map<String, Path> targets, Path target, Guard guard) {
        return targets.containsKey(target.toString().toLowerCase(Locale.ROOT)) || guard.isOriginal(target);
    }

    private static PathMatcher matcher(String pattern) { return FileSystems.getDefault().getPathMatcher("glob:" + pattern); }

    public long bytes() { return items.stream().mapToLong(Item::bytes).sum(); }

    /** How many files of each kind. */
    public Map<FolderPlan.Kind, Integer> counts() {
        Map<FolderPlan.Kind, Integer> counts = new EnumMap<>(FolderPlan.Kind.class);
        for (Item item : items) counts.merge(item.kind, 1, Integer::sum);
        return counts;
    }

    /** What a run would do, in one sentence. */
    public String summary() {
        if (items.isEmpty()) return Message.of("folder.nothing-to-do", leftOut.size()).toString();
        List<Message> kinds = counts().entrySet().stream().map(entry -> entry.getKey().count(entry.getValue())).toList();
        return Message.of("folder.to-do", Message.list(kinds), size(bytes()), leftOut.size()).toString();
    }

    /**
     * About what a run takes.
     *
     * @param seconds with a worker a core
     * @param bytes   what the results need on disk
     */
    public record Expectation(double seconds, long bytes) {
        public String sentence() {
            Message time = seconds < 90 ? Message.of("time.seconds", Math.max(1, Math.round(seconds))) : seconds < 5400
                    ? Message.of("time.minutes", Math.round(seconds / 60)) : Message.of("time.hours", Math.round(seconds / 3600));
            return Message.of("folder.expected", time, size(bytes)).toString();
        }
    }

    /** What is left of it after what is known to be done, from how long such files took before; without any, from what is usual (docs/scale.md). */
    public Expectation expected(List<FolderJournal.Entry> known, int workers) {
        double took = 0;
        long read = 0;
        long made = 0;
        int count = 0;
        Set<String> over = new HashSet<>();
        for (FolderJournal.Entry entry : known) {
            if (entry.state() != FolderJournal.State.DONE && entry.state() != FolderJournal.State.WANTS_LOOK) continue;
            over.add(entry.key());
            took += entry.seconds();
            read += entry.bytes();
            made += entry.resultBytes();
            count++;
        }
        double seconds = 0;
        double bytes = 0;
        for (Item item : items) {
            if (over.contains(FolderJournal.key(item.source, item.output))) continue;
            // Half of the time of a file goes with its size, half is the same for each.
            seconds += count == 0 ? USUAL_SECONDS + item.bytes / USUAL_BYTES_A_SECOND : 0.5 * took / count + 0.5 * took * item.bytes / Math.max(1, read);
            bytes += count == 0 ? USUAL_RESULT + item.bytes : 0.5 * made / count + 0.5 * made * item.bytes / Math.max(1, read);
        }
        return new Expectation(seconds / Math.max(1, Math.min(workers, items.size())), Math.round(bytes));
    }

    /** Bytes free on the disk of a folder that need not be there yet, or -1 where that can't be told. */
    public static long free(Path folder) {
        Path there = folder.toAbsolutePath();
        while (there != null && !Files.exists(there)) there = there.getParent();
        try {
            return there == null ? -1 : Files.getFileStore(there).getUsableSpace();
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderScan.class).info("The room on the disk of {} can't be told", folder, e);
            return -1;
        }
    }

    static String size(long bytes) { return bytes < 1_000_000 ? Math.max(1, bytes / 1000) + " kB" : String.format(Locale.ROOT, "%.1f MB", bytes / 1e6); }
}
