package app.decant.desktop;

import java.util.Objects;
import java.util.function.UnaryOperator;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;

/** The small card that opens at a phrase. A choice closes it; Esc leaves everything as it was. */
final class PhraseCard {
    private final Popup popup = new Popup();
    private final VBox box = new VBox(4);
    private Node focus;

    PhraseCard() {
        box.getStyleClass().addAll("window", "phrase-card");
        box.getStylesheets().add(Objects.requireNonNull(MainWindow.class.getResource("decant.css")).toExternalForm());
        popup.setAutoHide(true);
        popup.setHideOnEscape(true);
        popup.getContent().add(box);
    }

    void title(String words) {
        Label label = new Label(words);
        label.getStyleClass().add("section");
        box.getChildren().add(label);
    }

    /** One thing to choose: its words, what it means or costs, whether it is chosen now. */
    void choice(String words, String about, boolean chosen, Runnable task) {
        Label name = new Label((chosen ? "\u25CF  " : "\u25CB  ") + words);
        Label quiet = new Label(about);
        quiet.getStyleClass().add("quiet");
        BorderPane row = new BorderPane();
        row.setLeft(name);
        row.setRight(quiet);
        BorderPane.setMargin(quiet, new javafx.geometry.Insets(0, 0, 0, 24));
        Button button = new Button();
        button.setGraphic(row);
        button.setAccessibleText(words);
        button.setId("choice-" + box.getChildren().size());
        button.getStyleClass().add("choice");
        if (chosen) button.getStyleClass().add("chosen");
        button.setMaxWidth(Double.MAX_VALUE);
        row.prefWidthProperty().bind(box.widthProperty().subtract(48));
        button.setOnAction(event -> {
            popup.hide();
            task.run();
        });
        if (chosen || focus == null) focus = button;
        box.getChildren().add(button);
    }

    TextField field(String id, String text, String prompt) {
        TextField field = new TextField(text);
        field.setId("card-" + id);
        field.setPromptText(prompt);
        field.setPrefColumnCount(24);
        if (focus == null || !text.isEmpty()) focus = field;
        box.getChildren().add(field);
        return field;
    }

    /** Takes a field's text on Enter; {@code take} gives a sentence where it can't be taken, else null. */
    void accept(TextField field, UnaryOperator<String> take) {
        Label wrong = new Label();
        wrong.getStyleClass().add("wrong");
        wrong.setWrapText(true);
        wrong.setMaxWidth(340);
        wrong.setManaged(false);
        box.getChildren().add(wrong);
        field.setOnAction(event -> {
            String complaint = take.apply(field.getText());
            if (complaint == null) {
                popup.hide();
                return;
            }
            wrong.setText(complaint);
            wrong.setManaged(true);
        });
    }

    void note(String words) {
        Label label = new Label(words);
        label.getStyleClass().add("quiet");
        label.setWrapText(true);
        label.setMaxWidth(360);
        box.getChildren().add(label);
    }

    void show(Node at) {
        if (at.getScene().getRoot().getStyleClass().contains("dark")) box.getStyleClass().add("dark");
        Bounds bounds = at.localToScreen(at.getBoundsInLocal());
        popup.show(at, bounds.getMinX() - 12, bounds.getMaxY() + 4);
        if (focus != null) focus.requestFocus();
    }
}
