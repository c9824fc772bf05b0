package app.decant.desktop.part;

import app.decant.document.Finding;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** A finding as a line: a sign whose shape and colour say how much it matters, and the sentence. */
public final class FindingRow {
    private FindingRow() { }

    public static HBox of(Finding finding) {
        Label sign = new Label(switch (finding.weight()) {
            case NOTE -> "\u25CB";
            case CHANGED -> "\u25C6";
            case LOST -> "\u2715";
        });
        sign.getStyleClass().add("weight-" + finding.weight().name().toLowerCase(Locale.ROOT));
        sign.setMinWidth(14);
        Label words = new Label(finding.what() + (finding.where().isEmpty() ? "" : " (" + finding.where() + ")"));
        words.setWrapText(true);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(8, sign, words);
        row.setMinHeight(Region.USE_PREF_SIZE);
        return row;
    }
}
