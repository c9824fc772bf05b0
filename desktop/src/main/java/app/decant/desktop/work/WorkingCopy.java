package app.decant.desktop.work;

import app.decant.document.Document;
import app.decant.format.OfficeLock;
import app.decant.format.kept.KeptDocument;
import app.decant.publish.Guard;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;

/** The copy that is kept while a document is worked on, so that nothing typed is lost if the machine dies. */
public final class WorkingCopy {
    /** Copies that an earlier version left are found as well. */
    private static final Pattern COPY = Pattern.compile("\\.(" + KeptDocument.ENDING + "|docx)$");

    /** Copies of what is being worked on now, in any window: they are not left behind. */
    private static final Set<Path> IN_USE = ConcurrentHashMap.newKeySet();

    private final Path folder;
    private final Path copy;
    private final Path origin;
    private final Path source;
    private final String password;

    /** A copy left by a session that did not end in order. */
    public record Left(Path copy, String name, Instant when) { }

    /** @param password of the source where it is protected: its copy is locked by it as well; else null */
    public WorkingCopy(Path folder, Path source, String password) {
        this.folder = folder;
        String name = SafeFile.withoutEnding(source.getFileName().toString());
        String number = Long.toHexString(System.currentTimeMillis());
        this.copy = folder.resolve(name + " (" + number + ")." + KeptDocument.ENDING);
        this.origin = folder.resolve(name + " (" + number + ").from");
        this.source = source;
        this.password = password;
    }

    /** Writes the document's present state. */
    public void keep(Document document) {
        IN_USE.add(copy);
        SafeFile.write(origin, Recipe.WhenPresent.REPLACE, Guard.OWN, out -> out.write(source.toString().getBytes(StandardCharsets.UTF_8)), SafeFile.UNSEEN);
        SafeFile.write(copy, Recipe.WhenPresent.REPLACE, Guard.OWN, out -> {
            if (password == null || password.isEmpty()) {
                KeptDocument.write(document, out);
                return;
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            KeptDocument.write(document, bytes);
            out.write(OfficeLock.locked(bytes.toByteArray(), password));
        }, SafeFile.UNSEEN);
    }

    /** Takes the copy away once the work is saved or given up. */
    void discard() {
        IN_USE.remove(copy);
        try {
            Files.deleteIfExists(copy);
            Files.deleteIfExists(origin);
        } catch (IOException e) {
            LoggerFactory.getLogger(WorkingCopy.class).warn("{} can't be removed", copy, e);
        }
    }

    /** The file that a copy was made from, where it still lies as it did then; else null. */
    static Path origin(Path copy) {
        Path from = copy.resolveSibling(copy.getFileName().toString().replaceAll(COPY.pattern(), ".from"));
        try {
            if (from.equals(copy) || !Files.exists(from)) return null;
            Path origin = Path.of(Files.readString(from, StandardCharsets.UTF_8));
            return Files.exists(origin) && Files.getLastModifiedTime(origin).compareTo(Files.getLastModifiedTime(copy)) <= 0 ? origin : null;
        } catch (IOException | InvalidPathException e) {
            LoggerFactory.getLogger(WorkingCopy.class).warn("It can't be told what {} was made from", copy, e);
            return null;
        }
    }

    /** Copies left in the folder by sessions that are over, the newest first. */
    public static List<Left> left(Path folder) { return kept(folder).stream().filter(one -> !IN_USE.contains(one.copy)).toList(); }

    /** All copies in the folder, the newest first. */
    public static List<Left> kept(Path folder) {
        List<Left> left = new ArrayList<>();
        if (!Files.isDirectory(folder)) return left;
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.filter(one -> COPY.matcher(one.toString()).find()).toList()) {
                Path from = file.resolveSibling(file.getFileName().toString().replaceAll(COPY.pattern(), ".from"));
                String name = Files.exists(from) ? Path.of(Files.readString(from, StandardCharsets.UTF_8)).getFileName().toString() : file.getFileName()
                        .toString();
                left.add(new Left(file, name, Files.getLastModifiedTime(file).toInstant()));
            }
        } catch (IOException e) {
            LoggerFactory.getLogger(WorkingCopy.class).warn("Working copies can't be listed", e);
        }
        left.sort(Comparator.comparing(Left::when).reversed());
        return left;
    }
}
