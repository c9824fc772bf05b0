package app.decant.desktop;

import app.decant.desktop.work.Settings;
import javafx.geometry.Rectangle2D;
import javafx.stage.Screen;
import javafx.stage.Stage;

/** Where a window stands, and how large it is: remembered from one time to the next. */
final class WindowPlace {
    private WindowPlace() { }

    /** Where it was before, or in the middle; always whole on the screen that is there now, its title bar too. */
    static void take(Stage stage, Settings settings) {
        Rectangle2D screen = Screen.getPrimary().getVisualBounds();
        double x = settings.number("x", -1);
        double y = settings.number("y", -1);
        for (Screen one : Screen.getScreens()) if (one.getVisualBounds().contains(x + 40, y + 10)) screen = one.getVisualBounds();
        double leastWidth = Math.min(900, screen.getWidth());
        double leastHeight = Math.min(600, screen.getHeight());
        double width = Math.max(leastWidth, Math.min(screen.getWidth(), settings.number("width", 1280)));
        double height = Math.max(leastHeight, Math.min(screen.getHeight(), settings.number("height", 800)));
        boolean known = x >= 0 && screen.contains(x + 40, y + 10);
        stage.setX(known ? Math.min(x, screen.getMaxX() - width) : screen.getMinX() + (screen.getWidth() - width) / 2);
        stage.setY(known ? Math.min(y, screen.getMaxY() - height) : screen.getMinY() + (screen.getHeight() - height) / 2);
        stage.setWidth(width);
        stage.setHeight(height);
        stage.setOnShown(event -> {
            // Said any earlier, some window managers take the least size for the wished one.
            stage.setMinWidth(leastWidth);
            stage.setMinHeight(leastHeight);
            stage.setWidth(width);
            stage.setHeight(height);
        });
    }

    static void remember(Stage stage, Settings settings) {
        if (stage.isMaximized() || stage.getScene() == null) return;
        settings.set("width", stage.getWidth());
        settings.set("height", stage.getHeight());
        settings.set("x", stage.getX());
        settings.set("y", stage.getY());
    }
}
