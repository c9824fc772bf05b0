package app.decant.desktop.part;

import app.decant.document.Colour;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.geometry.Bounds;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;

/** The small card that opens at a phrase. A choice closes it; Esc leaves everything as it was. */
public final class PhraseCard {
    private final Pane veil = new Pane();
    private final VBox box = new VBox(4);
    private Node focus;
    private Node opener;
    private StackPane root;

    PhraseCard() {
        box.getStyleClass().add("phrase-card");
        veil.getChildren().add(box);
        veil.setOnMousePressed(event -> {
            if (event.getTarget() == veil) hide();
        });
        veil.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() != KeyCode.ESCAPE) return;
            hide();
            event.consume();
        });
    }

    public void title(String words) {
        Label label = new Label(words);
        label.getStyleClass().add("section");
        box.getChildren().add(label);
    }

    /** One thing to choose: its words, what it means or costs, whether it is chosen now. */
    public Label choice(String words, String about, boolean chosen, Runnable task) {
        Label name = new Label((chosen ? "\u25CF  " : "\u25CB  ") + words);
        Label quiet = new Label(about);
        quiet.getStyleClass().add("quiet");
        BorderPane row = new BorderPane();
        row.setLeft(name);
        row.setRight(quiet);
        BorderPane.setMargin(quiet, new Insets(0, 0, 0, 24));
        Button button = new Button();
        button.setGraphic(row);
        button.setAccessibleText(words);
        button.setId("choice-" + box.getChildren().size());
        button.getStyleClass().add("choice");
        if (chosen) button.getStyleClass().add("chosen");
        button.setMaxWidth(Double.MAX_VALUE);
        row.prefWidthProperty().bind(box.widthProperty().subtract(48));
        button.setOnAction(event -> {
            hide();
            task.run();
        });
        if (chosen || focus == null) focus = button;
        box.getChildren().add(button);
        return quiet;
    }

    /** Several things of which one holds; the card stays open. */
    public <T> void oneOf(String id, List<T> things, T chosen, Function<T, String> words, Function<T, String> about, Consumer<T> told) {
        ToggleGroup group = new ToggleGroup();
        for (T thing : things) {
            RadioButton button = new RadioButton(words.apply(thing));
            button.setToggleGroup(group);
            button.setSelected(thing.equals(chosen));
            button.setId(id + "-" + things.indexOf(thing));
            button.setOnAction(event -> told.accept(thing));
            // Something must have the keys, or Esc would go past the card.
            if (focus == null && button.isSelected()) focus = button;
            box.getChildren().add(row(button, about.apply(thing)));
        }
    }

    /** Colours of several things side by side, black where none is chosen. */
    public void colours(String id, List<String> names, List<Colour> chosen, Consumer<List<Colour>> told) {
        HBox row = new HBox(10);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPadding(new Insets(3, 8, 3, 8));
        List<ColorPicker> pickers = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            int rgb = i < chosen.size() ? chosen.get(i).rgb() : 0;
            ColorPicker picker = new ColorPicker(Color.rgb(rgb >> 16 & 255, rgb >> 8 & 255, rgb & 255));
            picker.setId(id + "-" + i);
            picker.getStyleClass().add("button");
            picker.setStyle("-fx-color-label-visible: false;");
            picker.setAccessibleText(names.get(i));
            pickers.add(picker);
            row.getChildren().addAll(new Label(names.get(i)), picker);
            picker.setOnAction(event -> told.accept(pickers.stream().map(one -> colour(one.getValue())).toList()));
        }
        box.getChildren().add(row);
    }

    private static Colour colour(Color colour) {
        return new Colour((int) Math.round(colour.getRed() * 255) << 16 | (int) Math.round(colour.getGreen() * 255) << 8
                | (int) Math.round(colour.getBlue() * 255));
    }

    private static BorderPane row(Node left, String about) {
        Label quiet = new Label(about);
        quiet.getStyleClass().add("quiet");
        BorderPane row = new BorderPane();
        row.setLeft(left);
        row.setRight(quiet);
        BorderPane.setAlignment(left, Pos.CENTER_LEFT);
        BorderPane.setAlignment(quiet, Pos.CENTER_RIGHT);
        BorderPane.setMargin(quiet, new Insets(0, 0, 0, 24));
        row.setPadding(new Insets(3, 8, 3, 8));
        return row;
    }

    /** Something that is so or not; the card stays open. */
    public void toggle(String words, String about, boolean on, Consumer<Boolean> told) {
        CheckBox tick = new CheckBox(words);
        tick.setSelected(on);
        tick.setId("tick-" + box.getChildren().size());
        tick.selectedProperty().addListener((observed, before, now) -> told.accept(now));
        if (focus == null) focus = tick;
        box.getChildren().add(row(tick, about));
    }

    /** A field whose letters are not shown. */
    public TextField secret(String id, String text, String prompt) {
        PasswordField field = new PasswordField();
        field.setText(text);
        field.setId("card-" + id);
        field.setPromptText(prompt);
        return added(field);
    }

    /** A sentence under a field that changes with what is written in it. */
    public void told(TextField field, UnaryOperator<String> sentence) {
        Label label = new Label(sentence.apply(field.getText()));
        label.getStyleClass().add("quiet");
        field.textProperty().addListener((observed, before, now) -> label.setText(sentence.apply(now)));
        box.getChildren().add(label);
    }

    /** A choice that may not be possible: it closes the card where {@code take} gives null, else says the sentence it gives. */
    public void attempt(String words, boolean chosen, Supplier<String> take) {
        Button button = new Button();
        button.setGraphic(new Label((chosen ? "\u25CF  " : "\u25CB  ") + words));
        button.setAccessibleText(words);
        button.setId("choice-" + box.getChildren().size());
        button.getStyleClass().add("choice");
        if (chosen) button.getStyleClass().add("chosen");
        button.setMaxWidth(Double.MAX_VALUE);
        button.setAlignment(Pos.CENTER_LEFT);
        box.getChildren().add(button);
        Label wrong = wrong();
        button.setOnAction(event -> finish(take.get(), wrong));
    }

    /** A button that closes the card where {@code take} gives null, else says the sentence it gives. */
    public void done(String words, Supplier<String> take) {
        Label wrong = wrong();
        Button button = new Button(words);
        button.setId("card-done");
        button.getStyleClass().add("main-button");
        button.setOnAction(event -> finish(take.get(), wrong));
        VBox.setMargin(button, new Insets(6, 0, 0, 0));
        box.getChildren().add(button);
    }

    private Label wrong() {
        Label wrong = new Label();
        wrong.getStyleClass().add("wrong");
        wrong.setWrapText(true);
        wrong.setMaxWidth(340);
        wrong.setManaged(false);
        box.getChildren().add(wrong);
        return wrong;
    }

    private void finish(String complaint, Label wrong) {
        if (complaint == null) {
            hide();
            return;
        }
        wrong.setText(complaint);
        wrong.setManaged(true);
        box.autosize();
    }

    public TextField field(String id, String text, String prompt) {
        TextField field = new TextField(text);
        field.setId("card-" + id);
        field.setPromptText(prompt);
        field.setPrefColumnCount(24);
        return added(field);
    }

    /** A short field with its name beside it, empty for 0. */
    public TextField number(String id, int value, String name) {
        TextField field = new TextField(value == 0 ? "" : String.valueOf(value));
        field.setId("card-" + id);
        field.setPrefColumnCount(5);
        field.setAccessibleText(name);
        BorderPane row = row(new Label(name), "");
        row.setRight(field);
        BorderPane.setMargin(field, new Insets(0, 0, 0, 16));
        if (focus == null) focus = field;
        box.getChildren().add(row);
        return field;
    }

    /** A field with its name above, for what is usually filled in already. */
    public TextField named(String id, String text, String name) {
        note(name);
        TextField field = field(id, text, "");
        field.setAccessibleText(name);
        return field;
    }

    /** The first field is where one begins to type. */
    private TextField added(TextField field) {
        if (!(focus instanceof TextField)) focus = field;
        box.getChildren().add(field);
        return field;
    }

    /** Takes a field's text on Enter; {@code take} gives a sentence where it can't be taken, else null. */
    public void accept(TextField field, UnaryOperator<String> take) {
        Label wrong = wrong();
        field.setOnAction(event -> finish(take.apply(field.getText()), wrong));
    }

    public void note(String words) {
        Label label = new Label(words);
        label.getStyleClass().add("quiet");
        label.setWrapText(true);
        label.setMaxWidth(360);
        box.getChildren().add(label);
    }

    /** Opens under the phrase, or above it where there is no room below. */
    void show(Node at) {
        opener = at;
        root = (StackPane) at.getScene().getRoot();
        root.getChildren().add(veil);
        box.applyCss();
        box.autosize();
        Bounds bounds = at.localToScene(at.getBoundsInLocal());
        double width = Math.max(300, box.prefWidth(-1));
        double height = box.prefHeight(width);
        double x = Math.max(8, Math.min(bounds.getMinX() - 12, root.getWidth() - width - 8));
        double below = bounds.getMaxY() + 6;
        double above = bounds.getMinY() - height - 6;
        double lowest = Math.max(8, root.getHeight() - height - 8);
        box.resizeRelocate(x, below <= lowest ? below : above >= 8 ? above : lowest, width, height);
        if (focus != null) focus.requestFocus();
    }

    private void hide() {
        root.getChildren().remove(veil);
        if (opener.getScene() != null) opener.requestFocus();
    }
}
