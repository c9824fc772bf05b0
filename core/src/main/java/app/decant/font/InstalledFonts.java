package app.decant.font;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.stream.Stream;
import org.apache.fontbox.ttf.FontHeaders;
import org.apache.fontbox.ttf.OTFParser;
import org.apache.fontbox.ttf.TrueTypeCollection;
import org.apache.pdfbox.io.RandomAccessReadBufferedFile;
import org.slf4j.LoggerFactory;

/** The fonts installed on this machine, found by reading the heads of their files. */
final class InstalledFonts {
    /** One installed face. @param number of its font in the file, where that holds several */
    record Entry(String family, boolean bold, boolean italic, Path file, int number) { }

    private InstalledFonts() { }

    /** Looks for them in a thread of its own: one that is told to stop can't read files to their end, and whoever asks next would be told of no fonts. */
    static List<Entry> found() {
        FutureTask<List<Entry>> looking = new FutureTask<>(InstalledFonts::looked);
        Thread aside = new Thread(looking, "installed fonts");
        aside.setDaemon(true);
        aside.start();
        boolean stopped = false;
        try {
            while (true) {
                try {
                    return looking.get();
                } catch (InterruptedException e) {
                    stopped = true;
                } catch (ExecutionException e) {
                    throw new IllegalStateException(e.getCause());
                }
            }
        } finally {
            if (stopped) Thread.currentThread().interrupt();
        }
    }

    private static List<Entry> looked() {
        List<Entry> entries = new ArrayList<>();
        for (Path folder : folders()) {
            if (!Files.isDirectory(folder)) continue;
            try (Stream<Path> files = Files.walk(folder, 6)) {
                files.filter(InstalledFonts::isFont).sorted().limit(5000).forEach(file -> read(file, entries));
            } catch (IOException | UncheckedIOException e) {
                LoggerFactory.getLogger(InstalledFonts.class).warn("The fonts in {} can't be listed", folder, e);
            }
        }
        return entries;
    }

    private static boolean isFont(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        return name.endsWith(".ttf") || name.endsWith(".otf") || isCollection(file);
    }

    private static boolean isCollection(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        return name.endsWith(".ttc") || name.endsWith(".otc");
    }

    private static void read(Path file, List<Entry> entries) {
        if (isCollection(file)) {
            readCollection(file, entries);
            return;
        }
        try (RandomAccessReadBufferedFile in = new RandomAccessReadBufferedFile(file)) {
            add(new OTFParser().parseTableHeaders(in), file, 0, entries);
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(InstalledFonts.class).info("{} is no readable font", file, e);
        }
    }

    private static void readCollection(Path file, List<Entry> entries) {
        int[] number = {0};
        try {
            TrueTypeCollection.processAllFontHeaders(file.toFile(), head -> add(head, file, number[0]++, entries));
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(InstalledFonts.class).info("{} is no readable collection of fonts", file, e);
        }
    }

    private static void add(FontHeaders head, Path file, int number, List<Entry> entries) {
        if (head.getError() == null && head.getFontFamily() != null) entries.add(new Entry(head.getFontFamily(), isBold(head), isItalic(head), file, number));
    }

    static boolean isBold(FontHeaders head) { return style(head).contains("bold"); }

    static boolean isItalic(FontHeaders head) { return style(head).contains("italic") || style(head).contains("oblique"); }

    private static String style(FontHeaders head) { return head.getFontSubFamily() == null ? "" : head.getFontSubFamily().toLowerCase(Locale.ROOT); }

    private static List<Path> folders() {
        String home = System.getProperty("user.home", "");
        List<Path> folders = new ArrayList<>(List.of(Path.of("/usr/share/fonts"), Path.of("/usr/local/share/fonts"), Path.of(home, ".fonts"),
                Path.of(home, ".local/share/fonts"), Path.of(home, "Library/Fonts"), Path.of("/Library/Fonts"), Path.of("/System/Library/Fonts")));
        String windows = System.getenv("WINDIR");
        if (windows != null) folders.add(Path.of(windows, "Fonts"));
        return folders;
    }
}
