package app.decant.publish;

import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.slf4j.LoggerFactory;

/**
 * Parts of files that a program was writing when it was killed. A part's name tells the machine, the process and when that began, so that the parts of
 * a program that still runs are left to it.
 */
public final class LeftOver {
    private static final Pattern NAME = Pattern.compile("\\.decant-(?:([0-9a-z]+)-([0-9a-z]+)-([0-9a-z]+)-)?[0-9a-z]+\\.part");
    private static final Duration LONG_AGO = Duration.ofDays(1);
    private static final String OWNER = machine() + "-" + Long.toString(ProcessHandle.current().pid(), 36) + "-" + began(ProcessHandle.current());
    /** Folders that were looked through by this process: what is left over there comes from before. */
    private static final Set<Path> CLEARED = ConcurrentHashMap.newKeySet();

    private LeftOver() { }

    static Path name(Path folder, long number) { return folder.resolve(".decant-" + OWNER + "-" + Long.toUnsignedString(number, 36) + ".part"); }

    private static String machine() {
        String name = System.getenv("COMPUTERNAME") == null ? System.getenv("HOSTNAME") : System.getenv("COMPUTERNAME");
        return Integer.toUnsignedString((name + machineId()).hashCode(), 36);
    }

    /** What Linux calls this machine, as the environment need not say it. */
    private static String machineId() {
        try {
            return Files.readString(Path.of("/proc/sys/kernel/hostname"));
        } catch (IOException e) {
            return System.getProperty("os.name");
        }
    }

    private static String began(ProcessHandle process) { return Long.toString(process.info().startInstant().orElse(Instant.EPOCH).toEpochMilli(), 36); }

    /** Clears a folder of what is left over, once; a folder that is not there has nothing. */
    static void clear(Path folder) {
        if (!CLEARED.add(folder)) return;
        try (DirectoryStream<Path> parts = Files.newDirectoryStream(folder, ".decant-*.part")) {
            for (Path part : parts) clearPart(part);
        } catch (NoSuchFileException e) {
            LoggerFactory.getLogger(LeftOver.class).debug("{} is not there yet", folder);
        } catch (IOException e) {
            LoggerFactory.getLogger(LeftOver.class).info("{} can't be looked through for what was left over", folder, e);
        }
    }

    /** Removes a file where it is a part that nobody writes any more. */
    public static void clearPart(Path part) throws IOException {
        Matcher name = NAME.matcher(part.getFileName().toString());
        if (name.matches() && isAbandoned(part, name)) Files.deleteIfExists(part);
    }

    private static boolean isAbandoned(Path part, Matcher name) throws IOException {
        if (name.group(1) == null || !name.group(1).equals(OWNER.substring(0, OWNER.indexOf('-')))) {
            // Another machine's: nobody writes one file for so long.
            return Files.getLastModifiedTime(part).toInstant().isBefore(Instant.now().minus(LONG_AGO));
        }
        return ProcessHandle.of(Long.parseLong(name.group(2), 36)).filter(process -> began(process).equals(name.group(3))).isEmpty();
    }
}
