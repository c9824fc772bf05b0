package app.decant.desktop.station;

import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Job;
import app.decant.document.DecantException;
import app.decant.publish.Recipe;
import java.util.function.Consumer;
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
public final class Notices {
    private final Desk desk;
    private final Window window;
    private final VBox box = new VBox();
    /** What is at work and what went wrong; and apart from it what was said, so that a question stays until it is answered. */
    private final VBox state = new VBox();
    private final VBox said = new VBox();

    public Notices(Window window, Desk desk) {
        this.window = window;
        this.desk = desk;
        box.getStyleClass().add("notices");
        box.setPickOnBounds(false);
        box.setAlignment(Pos.BOTTOM_CENTER);
        for (VBox part : new VBox[] {said, state}) {
            part.getStyleClass().add("notices-part");
            part.setPickOnBounds(false);
            part.setAlignment(Pos.BOTTOM_CENTER);
            box.getChildren().add(part);
        }
    }

    public Node node() { return box; }

    /** Takes away what was said and asks nothing. */
    public void clear() { said.getChildren().removeIf(row -> !row.getStyleClass().contains("notice-asks")); }

    /** Shows what is at work and what went wrong now. */
    public void update() {
        state.getChildren().clear();
        Job job = desk.job().get();
        if (job != null) {
            Label what = new Label();
            what.textProperty().bind(job.what());
            ProgressBar bar = new ProgressBar();
            bar.progressProperty().bind(job.share());
            bar.setPrefWidth(180);
            Button stop = new Button(Words.of("job.stop"));
            stop.setOnAction(event -> job.stop());
            show(state, new HBox(12, what, bar, stop), "notice-work");
        }
        DecantException trouble = desk.trouble().get();
        if (trouble == null) return;
        if (trouble.kind() == DecantException.Kind.NEEDS_PASSWORD && desk.wanted() != null) {
            askPassword(trouble);
        } else if (desk.publishing().remedy() != null
                && (trouble.kind() == DecantException.Kind.TARGET_EXISTS || trouble.kind() == DecantException.Kind.TARGET_LOCKED)) {
            // What failed is tried again, be it the sentence's file or a copy that was saved.
            Consumer<Recipe.WhenPresent> again = desk.publishing().remedy();
            say(state, trouble.getMessage(), "notice-bad", action("present.both", () -> retry(again, Recipe.WhenPresent.KEEP_BOTH)),
                    action("present.replace", () -> retry(again, Recipe.WhenPresent.REPLACE)), action("notice.leave", () -> desk.trouble().set(null)));
        } else {
            say(state, trouble.getMessage(), "notice-bad", action("notice.well", () -> desk.trouble().set(null)));
        }
    }

    private void retry(Consumer<Recipe.WhenPresent> again, Recipe.WhenPresent present) {
        desk.trouble().set(null);
        again.accept(present);
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
        show(state, new HBox(12, words, field, give, leave), "notice-asks");
        field.requestFocus();
    }

    /** A button of a notice: its words, and what it does. */
    public record Action(String key, Runnable task) { }

    public static Action action(String key, Runnable task) { return new Action(key, task); }

    /** Shows a sentence above the ledger, with what can be done. */
    public void say(String sentence, String style, Action... actions) {
        // The same question is asked once.
        said.getChildren().removeIf(row -> sentence.equals(row.getUserData()));
        say(said, sentence, style, actions);
    }

    private static void say(VBox into, String sentence, String style, Action... actions) {
        Label words = new Label(sentence);
        words.setWrapText(true);
        words.setMaxWidth(620);
        HBox row = new HBox(12, words);
        for (Action action : actions) {
            Button button = new Button(Words.of(action.key()));
            button.setOnAction(event -> {
                into.getChildren().remove(row);
                action.task().run();
            });
            button.setMinWidth(Region.USE_PREF_SIZE);
            row.getChildren().add(button);
        }
        row.setUserData(sentence);
        show(into, row, style);
    }

    private static void show(VBox into, HBox row, String style) {
        row.getStyleClass().addAll("notice", style);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setMaxWidth(Region.USE_PREF_SIZE);
        into.getChildren().add(row);
    }
}
