package app.decant.desktop;

import app.decant.demo.DemoArchive;
import app.decant.demo.DemoFiles;
import app.decant.desktop.work.Job;
import app.decant.desktop.work.Settings;
import app.decant.pdf.PdfPages;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;

/** The application: reads the call, shows the window. */
public final class DecantApplication extends Application {
    /** What is remembered, read while JavaFX starts. */
    static CompletableFuture<Settings> settings;
    private MainWindow window;

    @Override public void start(Stage stage) {
        List<String> arguments = new ArrayList<>(getParameters().getRaw());
        Path shots = null;
        if (arguments.size() > 1 && arguments.get(0).equals("--screenshots")) shots = Path.of(arguments.get(1));
        boolean demo = shots != null || arguments.remove("--demo");
        window = new MainWindow(stage, settings.join());
        window.outside(getHostServices());
        if (arguments.remove("--warm")) {
            window.warm();
            Platform.exit();
            return;
        }
        window.show();
        try {
            if (demo) {
                Path folder = demoFolder(shots != null);
                List<Path> files = DemoFiles.into(folder);
                Path results = folder.resolve("Archive as PDF");
                new Job("").start(window.desk()::aside, progress -> DemoArchive.into(folder), from -> window.folders().sentence().suggest(from, results),
                        problem -> window.desk().trouble().set(problem));
                window.desk().open(files.get(0), null);
                if (shots != null) Screenshots.take(window, shots);
            } else if (!arguments.isEmpty()) {
                window.desk().open(Path.of(arguments.get(0)), null);
            } else {
                window.desk().aside(PdfPages::prepare);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Path demoFolder(boolean fresh) throws IOException {
        if (fresh) return Files.createTempDirectory("decant-demo");
        return Path.of(System.getProperty("user.home"), "Ostrey Sound Ferries");
    }

    @Override public void stop() {
        window.close();
        Platform.exit();
    }
}
