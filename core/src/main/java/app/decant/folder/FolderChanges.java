package app.decant.folder;

import java.io.IOException;
import java.nio.file.ClosedWatchServiceException;
import java.nio.file.FileSystems;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardWatchEventKinds;
import java.nio.file.WatchEvent;
import java.nio.file.WatchKey;
import java.nio.file.WatchService;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.slf4j.LoggerFactory;

/**
 * Hears from the file system that something happened in folders. Not every file system tells (those of other machines often do not), so whoever waits looks
 * for himself from time to time.
 */
final class FolderChanges implements AutoCloseable {
    private final List<FolderPlan.Source> sources;
    private WatchService service;

    FolderChanges(List<FolderPlan.Source> sources) {
        this.sources = sources;
        try {
            service = FileSystems.getDefault().newWatchService();
            for (FolderPlan.Source source : sources) listen(source.folder(), source.below());
        } catch (IOException | UnsupportedOperationException e) {
            // Such as where more folders are listened to than the machine allows.
            LoggerFactory.getLogger(FolderChanges.class).info("Folders are looked at from time to time, since they can't be listened to", e);
            close();
        }
    }

    private void listen(Path folder, boolean below) throws IOException {
        if (!Files.isDirectory(folder)) return;
        if (!below) {
            register(folder);
            return;
        }
        Files.walkFileTree(folder, new SimpleFileVisitor<>() {
            @Override public FileVisitResult preVisitDirectory(Path one, BasicFileAttributes attributes) throws IOException {
                register(one);
                return FileVisitResult.CONTINUE;
            }

            @Override public FileVisitResult visitFileFailed(Path one, IOException cause) { return FileVisitResult.CONTINUE; }
        });
    }

    private void register(Path folder) throws IOException {
        folder.register(service, StandardWatchEventKinds.ENTRY_CREATE, StandardWatchEventKinds.ENTRY_MODIFY, StandardWatchEventKinds.ENTRY_DELETE);
    }

    /**
     * Waits until something happens.
     *
     * @param milliseconds it waits at most
     * @return whether something did
     */
    boolean happened(long milliseconds) throws InterruptedException {
        if (service == null) {
            Thread.sleep(milliseconds);
            return false;
        }
        try {
            WatchKey key = service.poll(milliseconds, TimeUnit.MILLISECONDS);
            boolean any = key != null;
            for (; key != null; key = service.poll()) {
                for (WatchEvent<?> event : key.pollEvents()) follow(key, event);
                key.reset();
            }
            return any;
        } catch (ClosedWatchServiceException e) {
            LoggerFactory.getLogger(FolderChanges.class).info("Nothing is listened to any more", e);
            service = null;
            return false;
        }
    }

    /** A folder that came is listened to as well. */
    private void follow(WatchKey key, WatchEvent<?> event) {
        if (event.kind() != StandardWatchEventKinds.ENTRY_CREATE) return;
        if (!(key.watchable() instanceof Path folder) || !(event.context() instanceof Path name)) return;
        Path came = folder.resolve(name);
        if (sources.stream().noneMatch(source -> source.below() && came.startsWith(source.folder()))) return;
        try {
            listen(came, true);
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderChanges.class).info("{} is looked at from time to time, since it can't be listened to", came, e);
        }
    }

    @Override public void close() {
        try {
            if (service != null) service.close();
        } catch (IOException e) {
            LoggerFactory.getLogger(FolderChanges.class).info("Listening did not end in order", e);
        }
        service = null;
    }
}
