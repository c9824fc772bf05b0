package app.decant.desktop.takein;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.format.sheet.SeparatedValues;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.util.StringConverter;

/** How values between separators were read, each choice of it to be changed: the file is read once more then. */
final class SeparatedRow {
    private static final List<Character> SEPARATORS = List.of(',', ';', '\t', '|', ' ');
    private static final List<Charset> LETTERS = List.of("UTF-8", "windows-1252", "ISO-8859-15", "windows-1250", "windows-1251", "UTF-16").stream()
            .map(Charset::forName).toList();

    private SeparatedRow() { }

    static Node of(Window window, SeparatedValues read) {
        Node parted = choice("parted", SEPARATORS, read.separator(), one -> Words.of("take.parted." + name(one)), one -> window.readAs(read.parted(one)));
        Node decimals = choice("decimals", List.of(false, true), read.comma(), one -> Words.of(one ? "take.parted.comma" : "take.decimals.point"),
                one -> window.readAs(read.decimals(one)));
        Node letters = choice("letters", LETTERS, read.letters(), Charset::displayName, one -> window.readAs(read.written(one)));
        FlowPane row = new FlowPane(16, 6, parted, decimals, letters);
        row.setId("separated");
        return row;
    }

    private static String name(char separator) {
        return switch (separator) {
            case ',' -> "comma";
            case ';' -> "semicolon";
            case '\t' -> "tab";
            case '|' -> "bar";
            default -> "blank";
        };
    }

    private static <T> Node choice(String key, List<T> offered, T chosen, Function<T, String> words, Consumer<T> choose) {
        ComboBox<T> box = new ComboBox<>();
        box.setId(key);
        List<T> all = new ArrayList<>(offered);
        if (!all.contains(chosen)) all.add(chosen);
        box.getItems().setAll(all);
        box.setConverter(new StringConverter<>() {
            @Override public String toString(T one) { return one == null ? "" : words.apply(one); }
            @Override public T fromString(String text) { throw new UnsupportedOperationException("Nothing is typed here"); }
        });
        box.setValue(chosen);
        box.setOnAction(event -> {
            T now = box.getValue();
            if (now == null || now.equals(chosen)) return;
            choose.accept(now);
            // What is shown is how it was read: somebody may be asked first, and stay. Later, or the box would not notice when the same is chosen again.
            Platform.runLater(() -> box.setValue(chosen));
        });
        Label label = new Label(Words.of("take." + key));
        label.setLabelFor(box);
        HBox pair = new HBox(6, label, box);
        pair.setAlignment(Pos.CENTER_LEFT);
        return pair;
    }
}
