package app.decant.desktop;

import app.decant.demo.DemoFiles;
import app.decant.desktop.station.Station;
import app.decant.desktop.work.Settings;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.slf4j.LoggerFactory;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/**
 * The one window that all tests of a class drive. It is started once, as a user's is in the morning; each test has files of its own and finds no unsaved work,
 * no key held down and nothing kept by the test before it. What a window remembers from one document to the next is still there, as it is for users.
 */
final class SharedWindow implements BeforeEachCallback, AfterEachCallback, AfterAllCallback, ParameterResolver {
    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;
    private final FxRobot robot = new FxRobot();
    private Path folder;
    private Path own;
    private MainWindow window;
    private int tests;

    MainWindow window() { return window; }
    Path home() { return folder.resolve("home"); }
    /** A folder that this test has for itself. */
    Path own() { return own; }
    /** The demo's files, this test's own copies, the handbook first. */
    List<Path> files() throws IOException {
        Path ours = Files.createDirectories(own.resolve("files"));
        for (Path one : DemoFiles.into(folder.resolve("made"))) {
            Path copy = ours.resolve(one.getFileName());
            if (!Files.exists(copy)) Files.copy(one, copy);
        }
        return DemoFiles.into(ours);
    }

    /** Takes a file in, and waits until it is on the desk. */
    void open(Path file) throws TimeoutException {
        WaitForAsyncUtils.asyncFx(() -> window.desk().open(file, null));
        Waiting.until(() -> window.desk().source().get() != null && window.desk().source().get().file().equals(file));
        Waiting.settle(window);
    }

    /** Takes a file in, and goes to where it is worked on. */
    void open(Path file, Station station) throws TimeoutException {
        open(file);
        WaitForAsyncUtils.waitForAsyncFx(30_000, () -> window.go(station));
        Waiting.settle(window);
    }

    @Override public void beforeEach(ExtensionContext context) throws Exception {
        if (window == null) start();
        own = Files.createDirectories(folder.resolve("test " + ++tests));
    }

    private void start() throws IOException, TimeoutException {
        folder = Files.createTempDirectory("window");
        System.setProperty("decant.home", home().toString());
        FxToolkit.registerPrimaryStage();
        Platform.setImplicitExit(false);
        WaitForAsyncUtils.waitForAsyncFx(30_000, () -> {
            window = new MainWindow(new Stage(), Settings.ofThisUser());
            window.show();
        });
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Override public void afterEach(ExtensionContext context) throws Exception {
        robot.release(new KeyCode[0]);
        robot.release(new MouseButton[0]);
        WaitForAsyncUtils.waitForAsyncFx(30_000, () -> {
            if (window.desk().job().get() != null) window.desk().job().get().stop();
        });
        Waiting.until(() -> window.desk().job().get() == null);
        WaitForAsyncUtils.waitForAsyncFx(30_000, () -> {
            window.desk().discard();
            window.desk().trouble().set(null);
            window.palette().hide();
            window.notices().clear();
            window.dark(false);
            window.stage().setWidth(WIDTH);
            window.stage().setHeight(HEIGHT);
            window.go(Station.TAKE_IN);
            // Keys go to it again where a test had another window; off screen nobody else sees to that.
            window.stage().toFront();
            window.stage().requestFocus();
        });
        WaitForAsyncUtils.waitForFxEvents();
        empty(home());
    }

    /** Nothing is left for the next test but the settings, which the window has in mind anyway. */
    private static void empty(Path home) throws IOException {
        try (Stream<Path> all = Files.walk(home)) {
            for (Path one : all.sorted(Comparator.reverseOrder()).toList())
                if (Files.isRegularFile(one) && !one.endsWith("settings.json")) Files.deleteIfExists(one);
        } catch (NoSuchFileException e) {
            throw new IllegalStateException("The home of the window is gone", e);
        }
    }

    @Override public void afterAll(ExtensionContext context) throws Exception {
        if (window == null) return;
        WaitForAsyncUtils.waitForAsyncFx(30_000, () -> {
            window.close();
            window.stage().hide();
        });
        window = null;
        WaitForAsyncUtils.waitFor(30, TimeUnit.SECONDS, () -> Stage.getWindows().isEmpty());
        // What the window still does aside may write a picture while its home goes.
        WaitForAsyncUtils.waitFor(30, TimeUnit.SECONDS, this::isGone);
    }

    private boolean isGone() {
        if (!Files.exists(folder)) return true;
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path one : all.sorted(Comparator.reverseOrder()).toList()) Files.deleteIfExists(one);
            return true;
        } catch (IOException | UncheckedIOException e) {
            LoggerFactory.getLogger(SharedWindow.class).info("The home of the window is still written to", e);
            return false;
        }
    }

    @Override public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == FxRobot.class;
    }

    @Override public Object resolveParameter(ParameterContext parameter, ExtensionContext context) { return robot; }
}
