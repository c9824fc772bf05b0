package app.decant.desktop;

import javafx.application.Application;

/** Starts the window. Apart from {@link DecantApplication}, so that JavaFX may come from the class path. */
public final class Main {
    private Main() { }

    public static void main(String[] arguments) {
        System.setProperty("java.awt.headless", "true");
        Application.launch(DecantApplication.class, arguments);
    }
}
