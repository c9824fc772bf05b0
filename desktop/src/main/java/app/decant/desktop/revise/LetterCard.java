package app.decant.desktop.revise;

import app.decant.desktop.part.EnumWords;
import app.decant.desktop.part.LengthField;
import app.decant.desktop.part.LengthField.Unit;
import app.decant.desktop.part.More;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Underline;
import app.decant.spelling.Language;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.util.StringConverter;

/** How letters look beyond what is done daily: lines under them, marked, wide, raised, in which language they are. */
final class LetterCard {
    /** No language: such words are not looked up (BCP 47, zxx: no linguistic content). */
    private static final String NO_LANGUAGE = "zxx";

    private final ComboBox<Underline> underline = new ComboBox<>();
    private final ComboBox<String> language = new ComboBox<>();
    private final ColourRow mark;
    private final LengthField spacing;
    private final More more;
    private Look shown = Look.PLAIN;
    private boolean telling;

    LetterCard(Window window) {
        Desk desk = window.desk();
        underline.setId("letters-underline");
        underline.setAccessibleText(Words.of("letters.underline"));
        underline.getItems().setAll(Underline.values());
        underline.setConverter(new EnumWords<>("letters.underline."));
        underline.setOnAction(event -> {
            if (!telling && underline.getValue() != null) PickedLook.set(desk, TextProperty.UNDERLINE, underline.getValue());
        });
        language.setId("letters-language");
        language.setAccessibleText(Words.of("letters.language"));
        for (Language one : Language.values()) language.getItems().add(one.tag());
        language.getItems().add(NO_LANGUAGE);
        language.setConverter(new StringConverter<>() {
            @Override public String toString(String tag) {
                if (tag == null) return "";
                return tag.equals(NO_LANGUAGE) ? Words.of("letters.language.none") : Locale.forLanguageTag(tag).getDisplayName(Locale.ENGLISH);
            }
            @Override public String fromString(String text) { return null; }
        });
        language.setOnAction(event -> {
            if (!telling && language.getValue() != null) PickedLook.set(desk, TextProperty.LANGUAGE, language.getValue());
        });
        language.setMaxWidth(140);
        mark = new ColourRow("letters.mark", colour -> PickedLook.set(desk, TextProperty.HIGHLIGHT, colour));
        spacing = new LengthField("letters-spacing", Words.of("letters.spacing"), Unit.POINTS, -20,
                points -> PickedLook.set(desk, TextProperty.LETTER_SPACING, points));
        GridPane grid = new GridPane();
        grid.setHgap(8);
        grid.setVgap(6);
        HBox apart = new HBox(6, spacing, new Label("pt"));
        apart.setAlignment(Pos.CENTER_LEFT);
        grid.addRow(0, More.label("letters.underline"), underline);
        grid.addRow(1, More.label("letters.spacing"), apart);
        grid.addRow(2, More.label("letters.language"), language);
        HBox kinds = new HBox(6);
        for (String key : new String[] {"superscript", "subscript", "small.capitals"}) {
            Button button = new Button(Words.of("letters." + key));
            button.setId("letters-" + key.replace('.', '-'));
            button.setAccessibleText(Words.of("command." + key));
            button.getStyleClass().addAll("look-button", "small-button");
            button.setMaxWidth(Double.MAX_VALUE);
            button.setOnAction(event -> window.commands().named(key).run());
            HBox.setHgrow(button, Priority.ALWAYS);
            kinds.getChildren().add(button);
        }
        more = new More("letters.more", kinds, grid, mark.node());
        more.whenOpened(this::tell);
    }

    Node node() { return more; }

    /** @param look of the letters at the caret, all that lies below it included */
    void tell(Look look) {
        shown = look;
        if (more.isOpen()) tell();
    }

    private void tell() {
        Look look = shown;
        telling = true;
        underline.setValue(look.get(TextProperty.UNDERLINE, Underline.NONE));
        spacing.show(look.get(TextProperty.LETTER_SPACING, 0.0));
        mark.tell(look.get(TextProperty.HIGHLIGHT));
        String tag = look.get(TextProperty.LANGUAGE);
        if (tag != null && !language.getItems().contains(tag)) language.getItems().add(tag);
        language.setValue(tag);
        telling = false;
    }
}
