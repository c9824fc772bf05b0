package app.decant.desktop.revise;

import app.decant.desktop.part.EnumWords;
import app.decant.desktop.part.LengthField;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.Border;
import app.decant.document.TextBox;
import app.decant.edit.Placing;
import app.decant.edit.TextBoxes;
import java.util.Arrays;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The part of the slip that is there while somebody writes in a box: how wide it is, how it stands to the text, its frame. */
final class BoxCard {
    private final Desk desk;
    private final LengthField width;
    private final ComboBox<Placing> standing = new ComboBox<>();
    private final CheckBox frame = new CheckBox(Words.of("box.frame"));
    private final VBox box;
    private boolean telling;

    BoxCard(Window window) {
        desk = window.desk();
        width = new LengthField("box-width", Words.of("picture.width"), LengthField.Unit.MILLIMETRES, 20,
                points -> desk.apply(TextBoxes.widen(desk.document(), desk.selection().get(), points)));
        standing.setId("box-standing");
        standing.setAccessibleText(Words.of("box.standing"));
        standing.getItems().setAll(Arrays.stream(Placing.values()).filter(one -> one != Placing.IN_LINE).toList());
        standing.setConverter(new EnumWords<>("placing."));
        standing.setMaxWidth(Double.MAX_VALUE);
        standing.setOnAction(event -> {
            if (!telling && standing.getValue() != null) desk.apply(TextBoxes.place(desk.document(), desk.selection().get(), standing.getValue()));
        });
        frame.setId("box-frame");
        frame.setOnAction(event -> desk.apply(TextBoxes.frame(desk.document(), desk.selection().get(), frame.isSelected())));
        Button out = new Button(Words.of("box.out"));
        out.setId("box-out");
        out.setOnAction(event -> window.commands().named("box.out").run());
        HBox size = new HBox(8, new Label(Words.of("picture.width")), width, new Label("mm"));
        size.setAlignment(Pos.CENTER_LEFT);
        VBox card = new VBox(10, size, standing, PicturePlace.laid(window, "box"), frame, out);
        card.getStyleClass().add("card");
        Label title = new Label(Words.of("box"));
        title.getStyleClass().add("section");
        box = new VBox(10, title, card);
        box.managedProperty().bind(box.visibleProperty());
        box.setVisible(false);
    }

    Node node() { return box; }

    /** Shows it while the caret is in a box. */
    void tell() {
        TextBox here = desk.document() == null || desk.selection().get() == null ? null : TextBoxes.at(desk.document(), desk.selection().get());
        box.setVisible(here != null);
        if (here == null) return;
        telling = true;
        width.show(here.width());
        standing.setValue(TextBoxes.placing(desk.document(), desk.selection().get()));
        frame.setSelected(here.border() != null && here.border().line() != Border.Line.NONE);
        telling = false;
    }
}
