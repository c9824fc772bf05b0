package app.decant.desktop.check;

import app.decant.desktop.part.FindingRow;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.document.Finding;
import app.decant.document.Outline;
import app.decant.document.Place;
import app.decant.edit.TextSelection;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;

/** Checking: everything that wants a look, each one click from its place. */
public final class CheckStation {
    private final Window window;
    private final VBox list = new VBox(12);
    private final ScrollPane scroll = new ScrollPane(list);
    private final List<TextSelection> places = new ArrayList<>();
    private int at = -1;

    public CheckStation(Window window) {
        this.window = window;
        list.getStyleClass().add("slip");
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("slip-scroll");
        scroll.setPrefWidth(286);
        scroll.setMinWidth(286);
        window.desk().pages().addListener((observed, before, now) -> build());
        build();
    }

    public Node node() { return scroll; }

    private void build() {
        list.getChildren().clear();
        places.clear();
        if (window.desk().pages().get() == null) return;
        List<Finding> findings = window.desk().findings();
        Outline outline = window.desk().pages().get().outline();
        int look = window.desk().looks();
        Label section = new Label(Words.of("slip.look"));
        section.getStyleClass().add("section");
        Label title = new Label(look == 0 ? Words.of("check.clean") : Words.of("check.places", look));
        title.getStyleClass().add("slip-title");
        title.setWrapText(true);
        list.getChildren().addAll(section, title);
        for (Outline.Gap gap : outline.gaps()) {
            Outline.Heading before = outline.headings().get(gap.after());
            VBox box = new VBox(2, FindingRow.of(Finding.changed(Message.said(Words.of("check.gap", gap.number(), before.title())))));
            TextSelection place = TextSelection.caret(new Place(gap.candidate() == null ? before.path() : gap.candidate(), 0));
            places.add(place);
            Hyperlink show = new Hyperlink(Words.of("check.show"));
            show.setOnAction(event -> window.table().pick(place, true));
            box.getChildren().add(show);
            list.getChildren().add(box);
        }
        for (Finding finding : findings) list.getChildren().add(FindingRow.of(finding));
    }

    /** To the next place that wants a look. */
    public void next() {
        if (places.isEmpty()) return;
        at = Math.floorMod(at + 1, places.size());
        window.table().pick(places.get(at), true);
    }
}
