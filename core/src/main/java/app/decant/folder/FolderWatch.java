package app.decant.folder;

import app.decant.document.Progress;
import app.decant.publish.SafeFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.slf4j.LoggerFactory;

/**
 * Watches the folders of a plan: what comes into them and has settled is made. Results are no sources, wherever they are. The file system tells when to look;
 * where it does not, they are looked at from time to time.
 */
public final class FolderWatch {
    /** What came is looked at again after so many milliseconds: what grows has not settled. */
    private static final long LOOK_AGAIN = 1000;
    /** Where nothing is told by the file system, folders are looked at after so many times that. */
    private static final int QUIET = 20;

    private final FolderPlan plan;
    private final String doneInto;
    private final Starter starter;

    /** Begins a run of a plan. */
    @FunctionalInterface
    public interface Starter { FolderRun start(FolderPlan plan, FolderRun.Listener listener); }

    /** @param doneInto the name of a folder that done sources are moved into, or null to leave them */
    public FolderWatch(FolderPlan plan, String doneInto, Starter starter) {
        this.plan = plan;
        this.doneInto = doneInto;
        this.starter = starter;
    }

    /** Watches until {@code goOn} says no more. */
    public void run(Path journals, Consumer<FolderJournal.Entry> told, BooleanSupplier goOn) {
        Map<Path, long[]> seen = new HashMap<>();
        try (FolderChanges changes = new FolderChanges(plan.sources())) {
            while (goOn.getAsBoolean()) {
                boolean growing = look(journals, told, seen);
                changes.happened(LOOK_AGAIN);
                for (int i = 0; !growing && i < QUIET; i++) if (changes.happened(LOOK_AGAIN) || !goOn.getAsBoolean()) break;
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Makes what has settled; gives whether something came that may still grow. */
    private boolean look(Path journals, Consumer<FolderJournal.Entry> told, Map<Path, long[]> seen) {
        boolean growing = false;
        FolderScan scan = FolderScan.of(plan, Progress.SILENT);
        List<FolderScan.Item> settled = new ArrayList<>();
        try (FolderJournal journal = FolderJournal.open(journals, plan.part(), plan.parts())) {
            for (FolderScan.Item item : scan.items()) {
                long[] before = seen.put(item.source(), new long[] {item.bytes(), item.changed()});
                boolean still = before != null && before[0] == item.bytes() && before[1] == item.changed();
                FolderJournal.Entry ended = journal.entry(item.source(), item.output());
                boolean known = ended != null && ended.bytes() == item.bytes() && ended.changed() == item.changed();
                boolean done = doneInto != null && item.source().getParent().getFileName().toString().equals(doneInto);
                if (still && !known && !done) settled.add(item);
                growing |= !still && !known && !done;
            }
            if (settled.isEmpty()) return growing;
            FolderScan all = new FolderScan(settled, List.of(), scan.guard());
            for (FolderJournal.Entry entry : starter.start(plan, FolderRun.Listener.NONE).run(all, journal)) {
                if (doneInto != null && entry.state() != FolderJournal.State.FAILED) move(entry.source());
                told.accept(entry);
            }
        }
        return growing;
    }

    private void move(Path source) {
        // With several outputs the source may have gone with the first.
        if (!Files.exists(source)) return;
        try {
            Path folder = Files.createDirectories(source.resolveSibling(doneInto));
            Path target = folder.resolve(source.getFileName());
            Files.move(source, Files.exists(target) ? SafeFile.nextFree(target) : target);
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderWatch.class).warn("{} can't be moved", source, e);
        }
    }
}
