package app.decant.desktop;

import app.decant.desktop.work.Settings;
import java.util.concurrent.CompletableFuture;
import javafx.application.Application;

/** Starts the window. Apart from {@link DecantApplication}, so that JavaFX may come from the class path. */
public final class Main {
    private Main() { }

    public static void main(String[] arguments) {
        System.setProperty("java.awt.headless", "true");
        // While JavaFX starts, which takes longest, the other core reads what the window needs first.
        DecantApplication.settings = CompletableFuture.supplyAsync(() -> arguments.length > 0 && arguments[0].equals("--screenshots")
                ? Settings.forgetful() : Settings.ofThisUser());
        Application.launch(DecantApplication.class, arguments);
    }
}
