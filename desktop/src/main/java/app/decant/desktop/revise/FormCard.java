package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.FormField;
import app.decant.edit.FormFilling;
import app.decant.edit.TextSelection;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** The place of a form at the caret: a box is ticked, a choice made here; text is written where it stands. */
public final class FormCard {
    private final Desk desk;
    private final Window window;
    private final Label about = new Label();
    private final CheckBox tick = new CheckBox(Words.of("form.ticked"));
    private final ComboBox<String> choices = new ComboBox<>();
    private final Sometimes box;
    private boolean telling;

    FormCard(Window window) {
        this.window = window;
        desk = window.desk();
        about.setWrapText(true);
        about.getStyleClass().add("quiet");
        tick.setId("form-tick");
        tick.setOnAction(event -> tick());
        choices.setId("form-choices");
        choices.setAccessibleText(Words.of("form"));
        choices.setMaxWidth(Double.MAX_VALUE);
        choices.setOnAction(event -> {
            if (!telling && choices.getValue() != null) fill(choices.getValue());
        });
        for (Node node : new Node[] {tick, choices}) node.managedProperty().bind(node.visibleProperty());
        Label title = new Label(Words.of("form"));
        title.getStyleClass().add("section");
        VBox card = new VBox(8, about, tick, choices);
        card.getStyleClass().add("card");
        box = new Sometimes(title, card);
        box.show(false);
    }

    Node node() { return box; }

    /** Whether the caret is at a box to be ticked. */
    public boolean isTick() {
        FormFilling.Filled place = place();
        return place != null && place.field().kind() == FormField.Kind.TICK;
    }

    private FormFilling.Filled place() {
        TextSelection picked = desk.selection().get();
        return picked == null ? null : FormFilling.at(desk.document(), picked);
    }

    /** Ticks the box at the caret, or takes its tick away. */
    public void tick() {
        if (!telling) desk.inOrder(() -> {
            if (isTick()) desk.apply(FormFilling.tick(desk.document(), desk.selection().get(), place()));
        });
        window.table().requestFocus();
    }

    private void fill(String text) {
        desk.inOrder(() -> {
            FormFilling.Filled place = place();
            if (place != null) desk.apply(FormFilling.fill(desk.document(), desk.selection().get(), place, text));
        });
        window.table().requestFocus();
    }

    void tell() {
        FormFilling.Filled place = place();
        box.show(place != null);
        if (place == null) return;
        telling = true;
        FormField.Kind kind = place.field().kind();
        String name = place.field().name();
        about.setText(name.isBlank() ? Words.of("form." + (kind == FormField.Kind.TICK ? "tick" : "place")) : Words.of("form.named", name));
        tick.setVisible(kind == FormField.Kind.TICK);
        tick.setSelected(FormField.isTicked(place.shown()));
        choices.setVisible(!place.field().choices().isEmpty());
        choices.getItems().setAll(place.field().choices());
        choices.setValue(place.shown());
        telling = false;
    }
}
