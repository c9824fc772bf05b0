package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.document.Colour;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.paint.Color;

/** A colour behind something, or none. */
final class ColourRow {
    private final ColorPicker picker = new ColorPicker(Color.web("#F6E2BC"));
    private final Button none = new Button(Words.of("colour.none"));
    private final HBox row;

    /** @param heard told the colour, or null for none */
    ColourRow(String key, Consumer<Colour> heard) {
        picker.setId(key.replace('.', '-'));
        picker.setAccessibleText(Words.of(key));
        picker.getStyleClass().add("button");
        picker.setPrefWidth(64);
        picker.setOnAction(event -> heard.accept(colour(picker.getValue())));
        none.setId(key.replace('.', '-') + "-none");
        none.getStyleClass().addAll("look-button", "small-button", "word-button");
        none.setOnAction(event -> heard.accept(null));
        row = new HBox(8, new Label(Words.of(key)), picker, none);
        row.setAlignment(Pos.CENTER_LEFT);
    }

    Node node() { return row; }

    /** @param colour that is there, or null */
    void tell(Colour colour) {
        none.setDisable(colour == null || colour.isAutomatic());
        if (colour != null && !colour.isAutomatic()) picker.setValue(Color.rgb(colour.red(), colour.green(), colour.blue()));
    }

    private static int part(double share) { return (int) Math.round(share * 255); }

    static Colour colour(Color picked) {
        return new Colour(part(picked.getRed()) << 16 | part(picked.getGreen()) << 8 | part(picked.getBlue()));
    }
}
