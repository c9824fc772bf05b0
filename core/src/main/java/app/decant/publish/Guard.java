package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What a writing must leave alone: the files it is made from, and where it is bound to folders, all that lies outside of them. Files are known by what
 * they are and not by how they are called, so that links, letter case and second names of a folder change nothing.
 */
public final class Guard {
    /** Leaves nothing alone; for what is made from no file. */
    public static final Guard NONE = new Guard(List.of(), List.of(), Gate.OPEN, false);

    /** For what Decant keeps for a user: nobody else may read it. */
    public static final Guard OWN = new Guard(List.of(), List.of(), Gate.OPEN, true);

    private final List<Set<Object>> originals;
    private final List<Path> folders;
    private final Gate gate;
    private final boolean isOwn;

    /** Stands before the last moment of a writing, in which a file takes its name. */
    @FunctionalInterface
    public interface Gate {
        Gate OPEN = Move::run;

        /** Runs the move, or throws where the file is not wanted any more. */
        void pass(Move move) throws IOException;

        /** Gives a file its name. */
        @FunctionalInterface
        interface Move { void run() throws IOException; }
    }

    private Guard(List<Set<Object>> originals, List<Path> folders, Gate gate, boolean isOwn) {
        this.originals = List.copyOf(originals);
        this.folders = List.copyOf(folders);
        this.gate = gate;
        this.isOwn = isOwn;
    }

    /** Leaves these files alone as well; one that is not there needs no guarding. */
    public Guard and(Collection<Path> files) {
        Set<Object> known = new HashSet<>();
        for (Path file : files) known.addAll(identities(file));
        if (known.isEmpty()) return this;
        List<Set<Object>> all = new ArrayList<>(originals);
        all.add(known);
        return new Guard(all, folders, gate, isOwn);
    }

    /** Leaves this file alone as well; null adds none. */
    public Guard and(Path file) { return file == null ? this : and(List.of(file)); }

    /** Writes into these folders and what is below them only, wherever links lead. */
    public Guard within(Collection<Path> others) { return new Guard(originals, List.copyOf(others), gate, isOwn); }

    /** Asks before a file takes its name. */
    public Guard through(Gate other) { return new Guard(originals, folders, other, isOwn); }

    Gate gate() { return gate; }
    boolean isOwn() { return isOwn; }

    /** Whether a file is one of those to be left alone, under whatever name. */
    public boolean isOriginal(Path file) {
        if (originals.isEmpty()) return false;
        for (Object identity : identities(file)) for (Set<Object> some : originals) if (some.contains(identity)) return true;
        return false;
    }

    /** What a file is, and where it really lies: by one of the two it is known again after a program saved it anew. Empty where it is not there. */
    private static List<Object> identities(Path file) {
        try {
            Path real = file.toRealPath();
            Object key = Files.readAttributes(real, BasicFileAttributes.class).fileKey();
            return key == null ? List.of(real) : List.of(real, key);
        } catch (NoSuchFileException e) {
            return List.of();
        } catch (IOException e) {
            // It is there but does not let itself be looked at; its name is all there is to go by.
            return List.of(file.toAbsolutePath().normalize());
        }
    }

    /**
     * Refuses a place that is not to be written to.
     *
     * @throws DecantException where it is an original, or outside of the folders
     * @throws IOException     where it can't be looked at
     */
    void refuse(Path target) throws IOException {
        if (isOriginal(target)) {
            throw new DecantException(Kind.WRONG_CALL, Message.of("publish.the-result-would-take-the-place", target.getFileName()));
        }
        if (folders.isEmpty()) return;
        Path there = target.getParent();
        while (!Files.exists(there, LinkOption.NOFOLLOW_LINKS)) there = there.getParent();
        Path real = there.toRealPath();
        for (Path folder : folders) if (!Files.exists(folder) || real.startsWith(folder.toRealPath())) return;
        throw new DecantException(Kind.TARGET_LOCKED, Message.of("publish.is-a-link-that-leads", there.getFileName()));
    }
}
