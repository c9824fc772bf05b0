package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What is seldom wanted, one click further: a line that opens it. */
final class More extends VBox {
    private final ToggleButton open = new ToggleButton();

    /** @param key of the words on the line; its button is called after it */
    More(String key, Node... hidden) {
        super(8);
        open.setText(Words.of(key));
        open.setId(key.replace('.', '-'));
        open.getStyleClass().add("more-button");
        VBox box = new VBox(8, hidden);
        box.visibleProperty().bind(open.selectedProperty());
        box.managedProperty().bind(open.selectedProperty());
        getChildren().addAll(open, box);
    }

    /** Words before a field, never cut short. */
    static Label label(String key) {
        Label label = new Label(Words.of(key));
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }
}
