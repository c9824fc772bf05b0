package app.decant.desktop;

import app.decant.document.DecantException;
import app.decant.publish.Recipe;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Sentences above the ledger: what is at work, what went wrong, what is asked, each with what can be done. */
final class Notices {
    private final Desk desk;
    private final MainWindow window;
    private final VBox box = new VBox();

    Notices(MainWindow window, Desk desk) {
        this.window = window;
        this.desk = desk;
        box.getStyleClass().add("notices");
        box.setPickOnBounds(false);
        box.setAlignment(Pos.BOTTOM_CENTER);
    }

    Node node() { return box; }

    void clear() { box.getChildren().clear(); }

    /** Shows what is at work and what went wrong now. */
    void update() {
        clear();
        Job job = desk.job().get();
        if (job != null) {
            Label what = new Label();
            what.textProperty().bind(job.what());
            ProgressBar bar = new ProgressBar();
            bar.progressProperty().bind(job.share());
            bar.setPrefWidth(180);
            Button stop = new Button(Words.of("job.stop"));
            stop.setOnAction(event -> job.stop());
            show(new HBox(12, what, bar, stop), "notice-work");
        }
        DecantException trouble = desk.trouble().get();
        if (trouble == null) return;
        if (trouble.kind() == DecantException.Kind.NEEDS_PASSWORD && desk.wanted() != null) {
            askPassword(trouble);
        } else if (trouble.kind() == DecantException.Kind.TARGET_EXISTS || trouble.kind() == DecantException.Kind.TARGET_LOCKED) {
            say(trouble.getMessage(), "notice-bad", action("present.both", () -> window.publishStation().publish(Recipe.WhenPresent.KEEP_BOTH)),
                    action("present.replace", () -> window.publishStation().publish(Recipe.WhenPresent.REPLACE)), action("notice.leave", () -> desk.trouble().set(null)));
        } else {
            say(trouble.getMessage(), "notice-bad", action("notice.well", () -> desk.trouble().set(null)));
        }
    }

    private void askPassword(DecantException trouble) {
        PasswordField field = new PasswordField();
        field.setPromptText(Words.of("password"));
        field.setId("password");
        Button give = new Button(Words.of("password.give"));
        give.setOnAction(event -> desk.open(desk.wanted(), field.getText()));
        field.setOnAction(event -> give.fire());
        Button leave = new Button(Words.of("notice.leave"));
        leave.setOnAction(event -> desk.trouble().set(null));
        Label words = new Label(trouble.getMessage());
        words.setWrapText(true);
        show(new HBox(12, words, field, give, leave), "notice-asks");
        field.requestFocus();
    }

    /** A button of a notice: its words, and what it does. */
    record Action(String key, Runnable task) { }

    static Action action(String key, Runnable task) { return new Action(key, task); }

    /** Shows a sentence above the ledger, with what can be done. */
    void say(String sentence, String style, Action... actions) {
        Label words = new Label(sentence);
        words.setWrapText(true);
        words.setMaxWidth(620);
        HBox row = new HBox(12, words);
        for (Action action : actions) {
            Button button = new Button(Words.of(action.key()));
            button.setOnAction(event -> {
                box.getChildren().remove(row);
                action.task().run();
            });
            button.setMinWidth(Region.USE_PREF_SIZE);
            row.getChildren().add(button);
        }
        show(row, style);
    }

    private void show(HBox row, String style) {
        row.getStyleClass().addAll("notice", style);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setMaxWidth(Region.USE_PREF_SIZE);
        box.getChildren().add(row);
    }
}
