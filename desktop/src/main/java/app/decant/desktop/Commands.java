package app.decant.desktop;

import app.decant.desktop.MainWindow.Station;
import java.nio.charset.Charset;
import java.util.ArrayList;
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

/** "What do you need?": everything that can be done, found by words. */
final class Commands {
    private final MainWindow window;
    private final StackPane veil = new StackPane();
    private final TextField field = new TextField();
    private final ListView<Command> list = new ListView<>();
    private final List<Command> all = new ArrayList<>();

    /** One thing that can be done. */
    private record Command(String words, String key, Runnable task) { }

    Commands(MainWindow window) {
        this.window = window;
        fill();
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
                row.setLeft(new Label(command.words));
                Label key = new Label(command.key);
                key.getStyleClass().add("quiet");
                row.setRight(key);
                setGraphic(row);
            }
        });
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

    private void fill() {
        add("command.open", "Ctrl O", window::chooseFile);
        add("command.save", "Ctrl S", window::save);
        add("command.publish", "Ctrl Enter", window::publishNow);
        add("command.find", "Ctrl F", () -> {
            window.go(Station.REVISE);
            window.find().show();
        });
        add("command.undo", "Ctrl Z", () -> window.desk().undo());
        add("command.redo", "Ctrl Shift Z", () -> window.desk().redo());
        add("command.take.in", "Ctrl 1", () -> window.go(Station.TAKE_IN));
        add("command.revise", "Ctrl 2", () -> window.go(Station.REVISE));
        add("command.check", "Ctrl 3", () -> window.go(Station.CHECK));
        add("command.sentence", "Ctrl 4", () -> window.go(Station.PUBLISH));
        add("command.folders", "Ctrl 5", window::goToFolders);
        add("command.next.heading", "Alt \u2193", () -> window.heading(1));
        add("command.previous.heading", "Alt \u2191", () -> window.heading(-1));
        add("command.larger", "Ctrl +", () -> window.table().zoomBy(1.1));
        add("command.smaller", "Ctrl -", () -> window.table().zoomBy(1 / 1.1));
        add("command.dark", "", () -> window.dark(!window.isDark()));
        for (String letters : ContentCards.LETTERS) {
            all.add(new Command(Words.of("command.read.as", Words.of("letters." + letters)), letters, () -> window.readAs(Charset.forName(letters))));
        }
    }

    private void add(String key, String shortcut, Runnable task) { all.add(new Command(Words.of(key), shortcut, task)); }

    void show() {
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
        list.getItems().setAll(all.stream().filter(command -> {
            String words = command.words.toLowerCase(Locale.ROOT);
            for (String part : wanted.split("\\s+")) if (!words.contains(part)) return false;
            return true;
        }).toList());
        list.getSelectionModel().select(0);
    }

    private void run() {
        Command command = list.getSelectionModel().getSelectedItem();
        hide();
        if (command != null) command.task.run();
    }
}
