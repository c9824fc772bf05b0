package app.decant.desktop.part;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;

/** The fields and buttons of a slip as things that can be asked for by their words, also those that are one click further. */
public final class SlipFields {
    private final Map<String, Runnable> found = new LinkedHashMap<>();

    private SlipFields() { }

    /**
     * One of them.
     *
     * @param words as people read them, or hear them
     * @param task  goes to a field, and does what a button does
     */
    public record Field(String words, Runnable task) { }

    /** All that are in a slip now, in their order; of those with the same words the first. */
    public static List<Field> in(Node slip) {
        SlipFields fields = new SlipFields();
        fields.add(slip, List.of());
        List<Field> all = new ArrayList<>();
        fields.found.forEach((words, task) -> all.add(new Field(words, task)));
        return all;
    }

    /** @param shut what has to be opened to see it, from outside */
    private void add(Node node, List<More> shut) {
        if (!node.isVisible() || node.isDisabled()) return;
        if (node instanceof More more) {
            found.putIfAbsent(more.words(), () -> {
                shut.forEach(More::open);
                more.goIn();
            });
            List<More> within = new ArrayList<>(shut);
            within.add(more);
            for (Node inner : more.inside()) add(inner, within);
        } else if (node instanceof ScrollPane pane) {
            if (pane.getContent() != null) add(pane.getContent(), shut);
        } else if (node instanceof ButtonBase || node instanceof ComboBoxBase || node instanceof TextInputControl) {
            name((Control) node, shut);
        } else if (node instanceof Parent parent) {
            for (Node inner : parent.getChildrenUnmodifiable()) add(inner, shut);
        }
    }

    private void name(Control control, List<More> shut) {
        String words = control.getAccessibleText() != null ? control.getAccessibleText() : control instanceof Labeled labeled ? labeled.getText() : null;
        if (words == null || words.isBlank()) return;
        found.putIfAbsent(words, () -> {
            shut.forEach(More::open);
            if (control instanceof ButtonBase button) button.fire();
            else control.requestFocus();
        });
    }
}
