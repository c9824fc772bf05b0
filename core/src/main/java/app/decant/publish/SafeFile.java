package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.Random;
import java.util.Set;
import org.slf4j.LoggerFactory;

/**
 * Writes a file whole or not at all: beside its place first, flushed to the disk, looked over, then moved over the old one. Whatever goes
 * wrong, an older file of the name stays as it was; and a file that something is made from is never replaced, by whatever name it is reached.
 */
public final class SafeFile {
    /** Not the JDK's temporary files: those are closed to everybody else, and what is published is to be read. */
    private static final Random RANDOM = new SecureRandom();

    private SafeFile() { }

    /** Writes the bytes of a file. */
    @FunctionalInterface
    public interface Writing { void write(OutputStream out) throws IOException; }

    /** Looks the finished file over before it takes its name; throws where it must not. */
    @FunctionalInterface
    public interface Look { void at(Path file) throws IOException; }

    /** Takes every file as it is. */
    public static final Look UNSEEN = made -> { };

    /**
     * Writes to {@code wished}, or as {@code present} says where that name is taken.
     *
     * @param guard what must be left alone
     * @return where the file is now
     * @throws DecantException with what to do next; nothing was changed then
     */
    public static Path write(Path wished, Recipe.WhenPresent present, Guard guard, Writing writing, Look look) {
        Path target = place(wished, present, guard);
        Path beside = null;
        try {
            LeftOver.clear(target.getParent());
            Files.createDirectories(target.getParent());
            beside = LeftOver.name(target.getParent(), RANDOM.nextLong());
            try (FileChannel channel = part(beside, guard.isOwn()); OutputStream out = new BufferedOutputStream(Channels.newOutputStream(channel), 1 << 16)) {
                writing.write(out);
                out.flush();
                channel.force(true);
            }
            look.at(beside);
            Path made = beside;
            guard.gate().pass(() -> {
                // Once more: links and names may have changed while the file was made.
                guard.refuse(target);
                move(made, target, present);
            });
            return target;
        } catch (IOException | UncheckedIOException e) {
            throw told(e instanceof UncheckedIOException wrapped ? wrapped.getCause() : (IOException) e, target);
        } finally {
            remove(beside);
        }
    }

    /** A new file, never one that is there or that a link leads to. */
    private static FileChannel part(Path beside, boolean own) throws IOException {
        boolean closed = own && beside.getFileSystem().supportedFileAttributeViews().contains("posix");
        FileAttribute<?>[] rights = closed ? new FileAttribute<?>[] {PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------"))}
                : new FileAttribute<?>[0];
        return FileChannel.open(beside, Set.of(StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE, LinkOption.NOFOLLOW_LINKS), rights);
    }

    /**
     * Where a file would go.
     *
     * @throws DecantException where its name is taken, and neither replacing nor another name is wished; or where it must not be written at all
     */
    static Path place(Path wished, Recipe.WhenPresent present, Guard guard) {
        Path place = wished.toAbsolutePath().normalize();
        if (Files.isDirectory(place)) throw new DecantException(Kind.WRONG_CALL, Message.of("publish.is-a-folder-give-the-file", place.getFileName()));
        Path target = isTaken(place) && present == Recipe.WhenPresent.KEEP_BOTH ? nextFree(place) : place;
        try {
            guard.refuse(target);
        } catch (IOException e) {
            throw told(e, target);
        }
        if (!isTaken(target) || present == Recipe.WhenPresent.REPLACE) return target;
        throw new DecantException(Kind.TARGET_EXISTS,
                Message.of("publish.is-already-in-replace-it-or-save", target.getFileName(), target.getParent().getFileName(), nextFree(target).getFileName()));
    }

    /** Whether something has this name, be it a link that leads nowhere. */
    private static boolean isTaken(Path file) { return Files.exists(file, LinkOption.NOFOLLOW_LINKS); }

    /** A file's name without its ending; one that begins with its only stop has none. */
    public static String withoutEnding(String name) {
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    /** The same name with the next free number. */
    public static Path nextFree(Path wished) {
        String name = wished.getFileName().toString();
        String front = withoutEnding(name);
        String ending = name.substring(front.length());
        for (int number = 2; ; number++) {
            Path free = wished.resolveSibling(front + " " + number + ending);
            if (!isTaken(free)) return free;
        }
    }

    private static void move(Path from, Path to, Recipe.WhenPresent present) throws IOException {
        if (present != Recipe.WhenPresent.REPLACE) {
            Files.move(from, to);
            return;
        }
        if (Files.exists(to) && !Files.isWritable(to)) throw new AccessDeniedException(to.toString());
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    private static void remove(Path beside) {
        if (beside == null) return;
        try {
            Files.deleteIfExists(beside);
        } catch (IOException e) {
            LoggerFactory.getLogger(SafeFile.class).warn("{} is left over", beside, e);
        }
    }

    private static DecantException told(IOException e, Path target) {
        String name = target.getFileName().toString();
        String folder = String.valueOf(target.getParent());
        String cause = String.valueOf(e.getMessage());
        if (cause.contains("No space left") || cause.contains("not enough space") || cause.contains("quota")) {
            return new DecantException(Kind.TARGET_LOCKED, Message.of("publish.there-is-no-room-left", folder, name), e);
        }
        if (e instanceof AccessDeniedException || cause.contains("Read-only") || cause.contains("Permission denied")) {
            return new DecantException(Kind.TARGET_LOCKED, Message.of("publish.cannot-be-written-in-it-is-locked", name, folder), e);
        }
        if (target.getParent() != null && Files.exists(target.getParent()) && !Files.isDirectory(target.getParent())) {
            return new DecantException(Kind.TARGET_LOCKED, Message.of("publish.is-a-file-not-a-folder-choose", folder, name), e);
        }
        if (e instanceof NoSuchFileException)
            return new DecantException(Kind.TARGET_LOCKED, Message.of("publish.the-folder-is-not-there-any-more", folder), e);
        if (e instanceof FileSystemException) {
            return new DecantException(Kind.TARGET_LOCKED, Message.of("publish.cannot-be-written-in-it-may", name, folder, nextFree(target).getFileName()), e);
        }
        return new DecantException(Kind.TARGET_LOCKED, Message.of("publish.cannot-be-written-in-choose-another-folder", name, folder), e);
    }
}
