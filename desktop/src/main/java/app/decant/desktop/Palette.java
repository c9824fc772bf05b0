package app.decant.desktop;

import app.decant.desktop.command.Command;
import app.decant.desktop.part.SlipFields;
import app.decant.desktop.part.Words;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** "What do you need?": everything that can be done, and every field of the slip, found by words. */
final class Palette {
    /** Where the slip, not a command, has what is asked for. */
    private static final String FIELD = "field";

    private final MainWindow window;
    private final StackPane veil = new StackPane();
    private final TextField field = new TextField();
    private final ListView<Command> list = new ListView<>();
    private List<SlipFields.Field> fields = List.of();

    Palette(MainWindow window) {
        this.window = window;
        field.setPromptText(Words.of("need"));
        field.setId("need-field");
        list.setId("need-list");
        list.setCellFactory(view -> new ListCell<>() {
            @Override protected void updateItem(Command command, boolean empty) {
                super.updateItem(command, empty);
                if (empty || command == null) {
                    setGraphic(null);
                    return;
                }
                BorderPane row = new BorderPane();
                row.setLeft(new Label(command.words()));
                Label key = new Label(command.key().equals(FIELD) ? Words.of("need.in.slip") : command.keyWords());
                key.getStyleClass().add("quiet");
                row.setRight(key);
                setGraphic(row);
            }
        });
        Label none = new Label(Words.of("need.none"));
        none.getStyleClass().add("quiet");
        list.setPlaceholder(none);
        list.setPrefHeight(330);
        VBox box = new VBox(8, field, list);
        box.getStyleClass().add("need-box");
        box.setMaxSize(520, 400);
        veil.getStyleClass().add("veil");
        veil.setAlignment(Pos.TOP_CENTER);
        veil.getChildren().add(box);
        veil.setOnMousePressed(event -> {
            if (event.getTarget() == veil) hide();
        });
        field.textProperty().addListener((observed, before, now) -> filter());
        field.setOnKeyPressed(event -> {
            int at = list.getSelectionModel().getSelectedIndex();
            if (event.getCode() == KeyCode.DOWN) list.getSelectionModel().select(Math.min(list.getItems().size() - 1, at + 1));
            else if (event.getCode() == KeyCode.UP) list.getSelectionModel().select(Math.max(0, at - 1));
            else if (event.getCode() == KeyCode.ENTER) run();
            else if (event.getCode() == KeyCode.ESCAPE) hide();
            else return;
            list.scrollTo(Math.max(0, list.getSelectionModel().getSelectedIndex() - 4));
            event.consume();
        });
        list.setOnMouseClicked(event -> run());
    }

    void show() {
        fields = window.slipInView() == null ? List.of() : SlipFields.in(window.slipInView());
        field.clear();
        filter();
        window.overlay(veil);
        field.requestFocus();
    }

    void hide() {
        window.removeOverlay(veil);
        window.table().requestFocus();
    }

    private void filter() {
        String wanted = field.getText().toLowerCase(Locale.ROOT).trim();
        List<Command> commands = window.commands().applying().stream().filter(command -> !command.key().equals("need"))
                .filter(command -> fits(command.words(), wanted)).toList();
        list.getItems().setAll(commands);
        // What the slip holds is asked for by name; all of it at once would hide the rest.
        for (SlipFields.Field one : wanted.isEmpty() ? List.<SlipFields.Field>of() : fields) {
            boolean known = commands.stream().anyMatch(command -> command.words().toLowerCase(Locale.ROOT).startsWith(one.words().toLowerCase(Locale.ROOT)));
            if (known || !fits(one.words(), wanted)) continue;
            list.getItems().add(new Command(FIELD, one.words(), Command.Reach.WINDOW, List.of(), () -> true, one.task()));
        }
        list.getSelectionModel().select(0);
    }

    private static boolean fits(String words, String wanted) {
        String all = words.toLowerCase(Locale.ROOT);
        for (String part : wanted.split("\\s+")) if (!all.contains(part)) return false;
        return true;
    }

    private void run() {
        Command command = list.getSelectionModel().getSelectedItem();
        hide();
        if (command != null) command.run();
    }
}
