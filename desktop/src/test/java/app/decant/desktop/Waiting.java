package app.decant.desktop;

import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.testfx.util.WaitForAsyncUtils;

/** How tests of the window wait for what they asked for. */
final class Waiting {
    private Waiting() { }

    /** Until something holds on the JavaFX thread. */
    static void until(Callable<Boolean> condition) throws TimeoutException {
        WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(condition).get());
    }

    /** Until everything asked for is laid out and shown. */
    static void settle(MainWindow window) throws TimeoutException {
        WaitForAsyncUtils.waitForFxEvents();
        until(() -> window.desk().isLaidOut() && window.desk().job().get() == null);
        WaitForAsyncUtils.waitForFxEvents();
    }
}
