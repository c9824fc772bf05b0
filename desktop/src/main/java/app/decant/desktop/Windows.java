package app.decant.desktop;

import app.decant.desktop.work.Settings;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.application.HostServices;
import javafx.stage.Stage;

/** The windows that are open, one for each document; they share what is remembered. */
final class Windows {
    /** How far a window stands from the one it was opened from. */
    private static final double AWAY = 28;

    private final Settings settings;
    private final List<MainWindow> open = new ArrayList<>();
    private HostServices outside;

    Windows(Settings settings) { this.settings = settings; }

    Settings settings() { return settings; }
    HostServices outside() { return outside; }
    void outside(HostServices services) { outside = services; }
    List<MainWindow> open() { return List.copyOf(open); }

    void opened(MainWindow window) { open.add(window); }
    void closed(MainWindow window) { open.remove(window); }

    /** Another window, beside one that is there. */
    MainWindow another(MainWindow from) {
        MainWindow window = new MainWindow(new Stage(), this);
        window.show();
        window.stage().setX(from.stage().getX() + AWAY);
        window.stage().setY(from.stage().getY() + AWAY);
        return window;
    }

    /** Whether another window has the same file open. */
    boolean hasElsewhere(MainWindow here, Path file) {
        return open.stream().anyMatch(one -> one != here && one.desk().source().get() != null
                && one.desk().source().get().file().toAbsolutePath().normalize().equals(file.toAbsolutePath().normalize()));
    }
}
