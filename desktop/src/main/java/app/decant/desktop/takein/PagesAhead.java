package app.decant.desktop.takein;

import app.decant.desktop.part.Words;
import app.decant.desktop.table.PageView;
import app.decant.desktop.work.Desk;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The first pages of a long document, to be looked at while the rest of it is read. */
public final class PagesAhead extends PageView {
    private final VBox whole;

    public PagesAhead(Desk desk) {
        super("ahead", Words.of("ahead.name"));
        Label title = new Label(Words.of("ahead"));
        title.getStyleClass().add("beside-title");
        VBox.setVgrow(this, Priority.ALWAYS);
        whole = new VBox(title, this);
        desk.ahead().addListener((observed, before, now) -> {
            begin();
            show(now == null ? List.of() : now.pages(), null);
        });
    }

    /** The pages with what is said of them. */
    public Node node() { return whole; }
}
