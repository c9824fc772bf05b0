package app.decant.desktop.revise;

import javafx.scene.Node;
import javafx.scene.layout.VBox;

/** A part of the slip that is there at times. While it is not, nothing of it is in the window: what is there is styled and laid out at every key. */
final class Sometimes extends VBox {
    private final Node[] parts;

    Sometimes(Node... parts) {
        super(10);
        this.parts = parts;
        show(false);
    }

    void show(boolean wanted) {
        if (isShown() == wanted && isVisible() == wanted) return;
        if (wanted) getChildren().setAll(parts);
        else getChildren().clear();
        setVisible(wanted);
        setManaged(wanted);
    }

    boolean isShown() { return !getChildren().isEmpty(); }
}
