package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.work.Desk;
import app.decant.document.Story;
import app.decant.edit.Search;
import app.decant.edit.TextSelection;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;

/** Finds words: every place lights up, Enter goes from one to the next. */
public final class FindBar {
    private final Desk desk;
    private final PageTable table;
    private final TextField field = new TextField();
    private final CheckBox exact = new CheckBox(Words.of("find.case"));
    private final Label count = new Label();
    private final HBox bar;
    private List<TextSelection> found = List.of();
    private int at = -1;

    public FindBar(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        field.setPromptText(Words.of("find.words"));
        field.setId("find");
        field.setPrefWidth(260);
        count.getStyleClass().add("quiet");
        Button before = button("find.before", () -> step(-1));
        Button next = button("find.next", () -> step(1));
        Button shut = button("find.shut", this::hide);
        bar = new HBox(10, field, before, next, exact, count, shut);
        bar.setAlignment(Pos.CENTER_LEFT);
        bar.getStyleClass().add("find-bar");
        field.textProperty().addListener((observed, was, now) -> search());
        exact.selectedProperty().addListener((observed, was, now) -> search());
        field.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) step(event.isShiftDown() ? -1 : 1);
            if (event.getCode() == KeyCode.ESCAPE) hide();
        });
        desk.pages().addListener((observed, was, now) -> {
            if (bar.isVisible()) search();
        });
        hide();
    }

    private static Button button(String key, Runnable task) {
        Button button = new Button(Words.of(key));
        button.setOnAction(event -> task.run());
        return button;
    }

    public Node node() { return bar; }

    public void show() {
        if (desk.document() == null) return;
        bar.setVisible(true);
        bar.setManaged(true);
        field.requestFocus();
        field.selectAll();
        search();
    }

    public void hide() {
        if (!bar.isVisible()) return;
        bar.setVisible(false);
        bar.setManaged(false);
        found = List.of();
        table.mark(found);
        table.requestFocus();
    }

    private void search() {
        if (desk.document() == null) return;
        // Only the body can be typed in as yet.
        found = Search.all(desk.document(), field.getText(), exact.isSelected()).stream().filter(one -> one.story() instanceof Story.Body).toList();
        at = -1;
        table.mark(found);
        tell();
    }

    private void tell() {
        count.setText(field.getText().isEmpty() ? "" : found.isEmpty() ? Words.of("find.none") : at < 0 ? Words.of("find.found", found.size())
                : Words.of("find.at", at + 1, found.size()));
    }

    private void step(int by) {
        if (found.isEmpty()) return;
        if (at < 0 && desk.selection().get() != null) {
            at = by > 0 ? -1 : 0;
            for (int i = 0; i < found.size() && by > 0; i++) {
                if (found.get(i).start().compareTo(desk.selection().get().start()) < 0) at = i;
            }
        }
        at = Math.floorMod(at + by, found.size());
        table.pick(found.get(at), true);
        tell();
    }
}
