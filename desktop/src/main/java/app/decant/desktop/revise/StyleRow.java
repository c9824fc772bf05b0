package app.decant.desktop.revise;

import app.decant.desktop.part.More;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.edit.Styles;
import app.decant.edit.UsedStyles;
import java.util.Comparator;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListCell;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Font;
import javafx.scene.text.FontPosture;
import javafx.scene.text.FontWeight;
import javafx.util.StringConverter;

/** The style of the paragraph, chosen from all shown as they look; one click further what is done to styles themselves. */
public final class StyleRow {
    /** Large styles are shown no larger than this, so that the list stays a list. */
    private static final double LARGEST = 19;
    private static final double SMALLEST = 11;

    private final Desk desk;
    private final Window window;
    private final ComboBox<Style> styles = choice("styles");
    private final ComboBox<Style> other = choice("style-other");
    private final TextField name = new TextField();
    private final Button follow = button("style.follow");
    private final VBox row;
    private StyleSheet shown;
    private boolean telling;

    StyleRow(Window window) {
        this.window = window;
        desk = window.desk();
        styles.setAccessibleText(Words.of("slip.style"));
        styles.setOnAction(event -> {
            if (!telling && styles.getValue() != null) PickedLook.style(desk, styles.getValue().id());
        });
        other.setPromptText(Words.of("style.other"));
        other.setAccessibleText(Words.of("style.other"));
        other.setOnAction(event -> {
            if (!telling && other.getValue() != null) desk.inOrder(this::replace);
        });
        follow.setOnAction(event -> window.commands().named("style.follow").run());
        Button tidy = button("style.tidy");
        tidy.setOnAction(event -> window.commands().named("style.tidy").run());
        name.setId("style-name");
        name.setPromptText(Words.of("style.name"));
        name.setAccessibleText(Words.of("style.name"));
        name.setOnAction(event -> make());
        Button make = button("style.make");
        make.setMinWidth(64);
        make.setMaxWidth(64);
        make.setOnAction(event -> make());
        HBox.setHgrow(name, Priority.ALWAYS);
        More more = new More("style.more", follow, new HBox(6, name, make), other, tidy);
        row = new VBox(6, styles, more);
    }

    Node node() { return row; }

    private static Button button(String key) {
        Button button = new Button(Words.of(key));
        button.setId(key.replace('.', '-'));
        button.setAccessibleText(Words.of("command." + key));
        button.getStyleClass().addAll("look-button", "small-button");
        button.setMaxWidth(Double.MAX_VALUE);
        return button;
    }

    private ComboBox<Style> choice(String id) {
        ComboBox<Style> choice = new ComboBox<>();
        choice.setId(id);
        choice.setMaxWidth(Double.MAX_VALUE);
        choice.setConverter(new StringConverter<>() {
            @Override public String toString(Style style) { return style == null ? "" : StyleNames.plain(style); }
            @Override public Style fromString(String text) { return null; }
        });
        choice.setCellFactory(list -> new Shown());
        return choice;
    }

    /** A style's name, looking as its text does. */
    private final class Shown extends ListCell<Style> {
        @Override protected void updateItem(Style style, boolean empty) {
            super.updateItem(style, empty);
            setText(empty || style == null ? null : StyleNames.plain(style));
            Document document = desk.document();
            if (empty || style == null || document == null) return;
            Look look = Cascade.of(document).text(Paragraph.styled(style.id(), ""), Look.PLAIN);
            double size = Math.max(SMALLEST, Math.min(LARGEST, look.get(TextProperty.SIZE, 10.0)));
            setFont(Font.font(look.get(TextProperty.FAMILY, ""), look.is(TextProperty.BOLD) ? FontWeight.BOLD : FontWeight.NORMAL,
                    look.is(TextProperty.ITALIC) ? FontPosture.ITALIC : FontPosture.REGULAR, size));
        }
    }

    /** All of the style of the passage at the caret follow its look. */
    public void follow() { desk.apply(Styles.follow(desk.document(), desk.selection().get())); }

    /** Goes to where a new style is named. */
    public void name() { name.requestFocus(); }

    private void make() {
        if (name.getText().isBlank() || desk.document() == null) return;
        String words = name.getText();
        name.clear();
        desk.inOrder(() -> desk.apply(Styles.make(desk.document(), desk.selection().get(), words)));
        window.table().requestFocus();
    }

    private void replace() {
        Style from = Styles.at(desk.document(), desk.selection().get());
        Style to = other.getValue();
        telling = true;
        other.setValue(null);
        telling = false;
        if (from == null || to == null || from.id().equals(to.id()) || desk.document().styles().style(to.id()) == null) return;
        int wearers = Styles.wearers(desk.document()).getOrDefault(from.id(), 0);
        desk.apply(Styles.replace(desk.document(), desk.selection().get(), from.id(), to.id()));
        window.notices().say(Words.of("style.replaced", wearers, StyleNames.plain(from), StyleNames.plain(to)), "notice-work");
    }

    /** Styles that nothing wears go, and passages say no more what their style says anyway. */
    public void tidy() {
        UsedStyles.Tidied tidied = UsedStyles.tidy(desk.document(), desk.selection().get());
        desk.apply(tidied.change());
        window.notices().say(Words.of("style.tidied", tidied.styles(), tidied.looks()), "notice-work");
    }

    void tell(Style style) {
        telling = true;
        if (shown != desk.document().styles()) {
            shown = desk.document().styles();
            List<Style> all = shown.styles().values().stream().filter(one -> one.kind() == Style.Kind.PARAGRAPH)
                    .sorted(Comparator.comparing(StyleNames::plain)).toList();
            styles.getItems().setAll(all);
            other.getItems().setAll(all);
        }
        styles.setValue(style);
        follow.setDisable(style == null);
        telling = false;
    }
}
