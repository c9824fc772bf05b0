package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;

/** The folder in which Decant keeps things for a user: recipes, settings, what waits, working copies. Nobody else may look into it. */
public final class UserFolder {
    private static final Set<PosixFilePermission> CLOSED = PosixFilePermissions.fromString("rwx------");
    private static final Set<PosixFilePermission> CLOSED_FILE = PosixFilePermissions.fromString("rw-------");
    private static final Set<Path> READY = ConcurrentHashMap.newKeySet();

    private UserFolder() { }

    /**
     * Makes a folder where it is not there, and closes it and all in it to others.
     *
     * @throws DecantException where it can't be made
     */
    public static Path ready(Path folder) {
        if (READY.contains(folder) && Files.isDirectory(folder)) return folder;
        try {
            Files.createDirectories(folder);
            if (folder.getFileSystem().supportedFileAttributeViews().contains("posix")) close(folder);
            READY.add(folder);
            return folder;
        } catch (IOException e) {
            throw new DecantException(Kind.TARGET_LOCKED, Message.of("publish.decant-keeps-recipes-and-settings", folder), e);
        }
    }

    /** Earlier versions left it open; what others' rights were is taken from all that lies there. */
    private static void close(Path folder) throws IOException {
        Files.setPosixFilePermissions(folder, CLOSED);
        try (Stream<Path> all = Files.walk(folder, 3)) {
            for (Path one : all.filter(one -> !Files.isSymbolicLink(one)).toList()) {
                boolean isFolder = Files.isDirectory(one, LinkOption.NOFOLLOW_LINKS);
                try {
                    if (!Files.getPosixFilePermissions(one, LinkOption.NOFOLLOW_LINKS).stream().allMatch(CLOSED::contains))
                        Files.setPosixFilePermissions(one, isFolder ? CLOSED : CLOSED_FILE);
                } catch (IOException e) {
                    // It vanished, or is another's; the folder above it is closed all the same.
                    LoggerFactory.getLogger(UserFolder.class).info("{} can't be closed to others", one, e);
                }
            }
        }
    }
}
