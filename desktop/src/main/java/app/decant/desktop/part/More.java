package app.decant.desktop.part;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What is seldom wanted, one click further: a line that opens it. */
public final class More extends VBox {
    private final ToggleButton open = new ToggleButton();
    private final VBox box;

    /** @param key of the words on the line; its button is called after it */
    public More(String key, Node... hidden) {
        super(8);
        open.setText(Words.of(key));
        open.setId(key.replace('.', '-'));
        open.getStyleClass().add("more-button");
        box = new VBox(8, hidden);
        getChildren().add(open);
        // Not there at all while it is shut: whatever is in the window is styled and laid out at every key.
        open.selectedProperty().addListener((observed, was, now) -> {
            if (now) getChildren().add(box);
            else getChildren().remove(box);
        });
    }

    /** What it holds, also while it is shut. */
    List<Node> inside() { return box.getChildren(); }

    /** Whether what is in it is to be seen; what is not need not be told. */
    public boolean isOpen() { return open.isSelected(); }

    public void open() { open.setSelected(true); }

    /** The words on its line. */
    String words() { return open.getText(); }

    /** Opens it for whoever works by keys, who goes on from there. */
    void goIn() {
        open();
        open.requestFocus();
    }

    /** Runs a task each time it is opened. */
    public void whenOpened(Runnable task) {
        open.selectedProperty().addListener((observed, was, now) -> {
            if (now) task.run();
        });
    }

    /** Words before a field, never cut short. */
    public static Label label(String key) {
        Label label = new Label(Words.of(key));
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }
}
