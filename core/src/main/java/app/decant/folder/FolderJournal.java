package app.decant.folder;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;

/**
 * What a run has begun and ended, line by line in a file beside the results. A beginning is on disk before the work goes on, so that after a crash
 * the next run knows what is done and what was being done; a last line that breaks off counts as never written.
 */
public final class FolderJournal implements AutoCloseable {
    private static final ObjectMapper MAPPER = new ObjectMapper();
    /**
     * Journals that this program holds. They are never opened a second time here: where locks belong to processes (POSIX), closing any other
     * channel of the same file would give the lock away.
     */
    private static final Set<Path> HELD = ConcurrentHashMap.newKeySet();
    private static final String PREFIX = ".decant-journal";
    private static final String ENDING = ".jsonl";

    private final Path file;
    private final FileChannel channel;
    private final FileLock lock;
    private final Map<String, Entry> entries = new LinkedHashMap<>();
    private final Map<String, Begun> begun = new LinkedHashMap<>();

    /** The name that the result of a file was to have, and since when. */
    private record Begun(Path target, long when) {
        /** Begun once more: what stands there since the first time is of this run of beginnings, however many of them broke off. */
        private Begun again(Begun later) { return later.target.equals(target) ? this : later; }
    }

    /** How a file ended. */
    public enum State { DONE, WANTS_LOOK, SKIPPED, FAILED }

    /**
     * The end of one file.
     *
     * @param recipe what it was made by, so that another recipe counts as new work
     * @param faith  0 to 100, or -1 where it was not asked for
     * @param words  why it failed or was skipped, or what wants a look; empty where all is well
     */
    public record Entry(Path source, Path target, State state, long bytes, long changed, String output, String recipe, long resultBytes, int pages,
            double seconds, double faith, List<String> words) {
        public Entry { words = List.copyOf(words); }

        String key() { return FolderJournal.key(source, output); }

        /** Whether it stands for the same work on the same file, and its result is still there. */
        boolean isOf(FolderScan.Item item, String otherRecipe) {
            return bytes == item.bytes() && changed == item.changed() && recipe.equals(otherRecipe) && isResultOf(item);
        }

        /** Whether a result of the file, by whatever recipe, is there as it was made: under a name the plan itself gives, and of the same size. */
        boolean isResultOf(FolderScan.Item item) {
            if (state != State.DONE && state != State.WANTS_LOOK || !item.mayBecome(target)) return false;
            try {
                return Files.isRegularFile(target, LinkOption.NOFOLLOW_LINKS) && Files.size(target) == resultBytes;
            } catch (IOException e) {
                LoggerFactory.getLogger(FolderJournal.class).info("{} vanished", target, e);
                return false;
            }
        }
    }

    static String key(Path source, String output) { return source + "\u0000" + output; }

    private FolderJournal(Path file, FileChannel channel, FileLock lock) {
        this.file = file;
        this.channel = channel;
        this.lock = lock;
    }

    /** Opens the journal of a run that does everything. */
    public static FolderJournal open(Path folder) { return open(folder, 1, 1); }

    /**
     * Opens the journal of a part in a folder, with what earlier runs and other parts wrote there. Parts of one split may be at work at the same
     * time, each with a journal of its own; a run that does everything takes in what they did.
     *
     * @throws DecantException where a run is at work there that does the same files, or the journal can't be written
     */
    public static FolderJournal open(Path folder, int part, int parts) {
        Path file = folder.toAbsolutePath().normalize().resolve(parts == 1 ? PREFIX + ENDING : PREFIX + "-" + part + "-of-" + parts + ENDING);
        if (!HELD.add(file)) throw busy(folder);
        FolderJournal journal = null;
        try {
            Files.createDirectories(folder);
            FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE,
                    LinkOption.NOFOLLOW_LINKS);
            refuseShared(file, channel);
            journal = new FolderJournal(file, channel, channel.tryLock());
            if (journal.lock == null) throw busy(folder);
            for (Path one : journals(file.getParent())) {
                if (one.equals(file)) journal.readOwn();
                else journal.readOther(one, parts);
            }
            return journal;
        } catch (IOException | DecantException e) {
            if (journal == null) HELD.remove(file);
            else journal.close();
            if (e instanceof DecantException told) throw told;
            throw new DecantException(Kind.TARGET_LOCKED, Message.of("folder.no-journal-can-be-kept-in-look", folder), e);
        }
    }

    /** A second name would let a journal cut and extend a file that is something else. */
    private static void refuseShared(Path file, FileChannel channel) throws IOException {
        if (!file.getFileSystem().supportedFileAttributeViews().contains("unix")
                || ((Number) Files.getAttribute(file, "unix:nlink", LinkOption.NOFOLLOW_LINKS)).intValue() == 1) return;
        channel.close();
        throw new IOException(file + " has a second name");
    }

    /** What runs into a folder have ended with so far; writes nothing, and a folder that is not there has none. */
    public static List<Entry> known(Path folder) {
        if (!Files.isDirectory(folder)) return List.of();
        FolderJournal journal = new FolderJournal(null, null, null);
        try {
            for (Path one : journals(folder.toAbsolutePath().normalize())) if (!HELD.contains(one)) {
                try (FileChannel opened = FileChannel.open(one, StandardOpenOption.READ, LinkOption.NOFOLLOW_LINKS)) {
                    journal.lines(all(opened));
                }
            }
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderJournal.class).info("The journals in {} can't be read", folder, e);
        }
        return journal.entries();
    }

    private static DecantException busy(Path folder) {
        return new DecantException(Kind.TARGET_LOCKED, Message.of("folder.another-run-is-at-work-in-wait", folder));
    }

    /** All journals of a folder, the one last written last. */
    private static List<Path> journals(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.getFileName().toString().startsWith(PREFIX) && file.getFileName().toString().endsWith(ENDING)
                    && Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)).sorted(Comparator.comparingLong(file -> file.toFile().lastModified())).toList();
        }
    }

    private void readOther(Path other, int parts) throws IOException {
        boolean free = false;
        if (!HELD.contains(other)) {
            try (FileChannel opened = FileChannel.open(other, StandardOpenOption.READ, StandardOpenOption.WRITE, LinkOption.NOFOLLOW_LINKS); FileLock taken =
                    opened.tryLock()) {
                free = taken != null;
                if (free) lines(all(opened));
            }
        }
        // Another part of the same split does other files; anything else that is at work might do the same ones.
        if (!free && !other.getFileName().toString().endsWith("-of-" + parts + ENDING)) throw busy(other.getParent());
    }

    private static byte[] all(FileChannel channel) throws IOException {
        ByteBuffer bytes = ByteBuffer.allocate(Math.toIntExact(channel.size()));
        while (bytes.hasRemaining() && channel.read(bytes, bytes.position()) >= 0) continue;
        return bytes.array();
    }

    private void readOwn() throws IOException {
        int end = lines(all(channel));
        channel.truncate(end);
        channel.position(end);
    }

    /** @return where the last whole line ends */
    private int lines(byte[] bytes) {
        int end = 0;
        for (int i = 0, from = 0; i < bytes.length; i++) {
            if (bytes[i] != '\n') continue;
            take(new String(bytes, from, i - from, StandardCharsets.UTF_8));
            from = i + 1;
            end = from;
        }
        return end;
    }

    private void take(String line) {
        try {
            JsonNode node = MAPPER.readTree(line);
            Path source = Path.of(node.path("source").asText());
            String key = key(source, node.path("output").asText());
            if (node.path("begins").asBoolean()) {
                begun.merge(key, new Begun(Path.of(node.path("target").asText()), node.path("when").asLong(Long.MAX_VALUE)), Begun::again);
                return;
            }
            begun.remove(key);
            List<String> words = new ArrayList<>();
            node.path("words").forEach(one -> words.add(one.asText()));
            entries.put(key, new Entry(source, Path.of(node.path("target").asText()), State.valueOf(node.path("state").asText().toUpperCase(Locale.ROOT)),
                    node.path("bytes").asLong(), node.path("changed").asLong(), node.path("output").asText(),
                    node.path("recipe").asText(), node.path("resultBytes").asLong(), node.path("pages").asInt(), node.path("seconds").asDouble(),
                            node.path("faith").asDouble(-1), words));
        } catch (JsonProcessingException | IllegalArgumentException e) {
            LoggerFactory.getLogger(FolderJournal.class).warn("A line of the journal is passed over: {}", line, e);
        }
    }

    /** What earlier runs ended with, by file. */
    synchronized Entry entry(Path source, String output) { return entries.get(key(source, output)); }

    /**
     * Where the result of a file was to be that was being made when an earlier run broke off, or null. A name that the plan would not give itself is
     * not believed, nor one that a file had before the run began.
     */
    synchronized Path brokenOff(FolderScan.Item item) {
        Begun before = begun.get(key(item.source(), item.output()));
        if (before == null || !item.mayBecome(before.target)) return null;
        if (!Files.exists(before.target, LinkOption.NOFOLLOW_LINKS)) return before.target;
        try {
            long changed = Files.getLastModifiedTime(before.target, LinkOption.NOFOLLOW_LINKS).toMillis();
            // Disks may count time in steps of two seconds; results may have been given the times of their originals.
            return changed >= before.when - 2000 || changed == item.changed() ? before.target : null;
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderJournal.class).info("{} can't be looked at", before.target, e);
            return null;
        }
    }

    /** All that ended, the last of each file. */
    public synchronized List<Entry> entries() { return List.copyOf(entries.values()); }

    /** Says that a file is begun; its result will have just this name. */
    void begin(FolderScan.Item item, Path target) {
        String key = key(item.source(), item.output());
        Begun now;
        synchronized (this) {
            now = begun.merge(key, new Begun(target, System.currentTimeMillis()), Begun::again);
        }
        write(MAPPER.createObjectNode().put("begins", true).put("source", item.source().toString()).put("output", item.output())
                .put("target", target.toString()).put("when", now.when), true);
    }

    void end(Entry entry) {
        ObjectNode node = MAPPER.createObjectNode().put("source", entry.source.toString()).put("output", entry.output).put("target", entry.target.toString())
                .put("state", entry.state.name().toLowerCase(Locale.ROOT)).put("bytes", entry.bytes)
                .put("changed", entry.changed).put("recipe", entry.recipe).put("resultBytes", entry.resultBytes).put("pages", entry.pages)
                        .put("seconds", entry.seconds).put("faith", entry.faith);
        entry.words.forEach(node.putArray("words")::add);
        try {
            write(node, false);
        } catch (DecantException e) {
            // What is made stays; the next run makes it once more under the name it had begun.
            LoggerFactory.getLogger(FolderJournal.class).warn("The end of {} is not in the journal: {}", entry.source, e.getMessage(), e);
        }
        synchronized (this) {
            begun.remove(entry.key());
            entries.put(entry.key(), entry);
        }
    }

    /**
     * An end that is lost with the power is made up for by the next run, which makes the file again under the name it had begun; so only beginnings wait for
     * the disk.
     */
    private void write(ObjectNode node, boolean wait) {
        try {
            ByteBuffer line = ByteBuffer.wrap((node + "\n").getBytes(StandardCharsets.UTF_8));
            synchronized (this) {
                long start = channel.position();
                try {
                    while (line.hasRemaining()) channel.write(line);
                } catch (IOException e) {
                    // Half a line would spoil the next one.
                    channel.truncate(start);
                    throw e;
                }
            }
            // Outside the lock, so that workers wait for the disk side by side.
            if (wait) channel.force(false);
        } catch (IOException e) {
            throw new DecantException(Kind.TARGET_LOCKED, Message.of("folder.the-journal-of-the-run"), e);
        }
    }

    @Override public void close() {
        try (channel) {
            channel.force(false);
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderJournal.class).warn("The journal can't be closed", e);
        } finally {
            HELD.remove(file);
        }
    }
}
