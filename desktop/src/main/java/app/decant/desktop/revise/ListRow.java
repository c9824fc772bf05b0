package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.Paragraph;
import app.decant.edit.Lists;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** What makes the picked paragraphs a list, and sets its items deeper or less deep. */
final class ListRow {
    private final ToggleButton bullets = new ToggleButton("\u2022 \u2014");
    private final ToggleButton numbers = new ToggleButton("1. \u2014");
    private final Button shallower = new Button("\u2190");
    private final Button deeper = new Button("\u2192");
    private final HBox row = new HBox(6, bullets, numbers, shallower, deeper);

    ListRow(Window window) {
        wire(window, bullets, "list.bullets");
        wire(window, numbers, "list.numbers");
        wire(window, shallower, "list.shallower");
        wire(window, deeper, "list.deeper");
    }

    private static void wire(Window window, ButtonBase button, String key) {
        button.getStyleClass().addAll("look-button", "small-button");
        button.setId(key.replace('.', '-'));
        button.setAccessibleText(Words.of("command." + key));
        button.setTooltip(new Tooltip(Words.of("command." + key)));
        button.setMaxWidth(Double.MAX_VALUE);
        button.setOnAction(event -> window.commands().named(key).run());
        HBox.setHgrow(button, Priority.ALWAYS);
    }

    HBox node() { return row; }

    void tell(Desk desk, Paragraph paragraph) {
        Lists.Kind kind = Lists.kind(desk.document(), paragraph);
        bullets.setSelected(kind == Lists.Kind.BULLETS);
        numbers.setSelected(kind == Lists.Kind.NUMBERS);
        shallower.setDisable(kind == null);
        deeper.setDisable(kind == null);
    }
}
