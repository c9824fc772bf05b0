package app.decant.desktop.takein;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Session;
import app.decant.document.Provenance;
import app.decant.proof.Comparison;
import app.decant.proof.Difference;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;

/** A PDF as it came and, beside it, as it will be published or as text, moved together; below them how well each page reads as text. */
public final class SideBySide {
    private final Window window;
    private final OriginalView original;
    private final FaithBar bar;
    private final Label came = new Label();
    private final Label editable = new Label();
    private final Hyperlink other = new Hyperlink();
    private final HBox head = new HBox(10);
    private final VBox right = new VBox();
    private final Label working = new Label();
    private final VBox whole;

    public SideBySide(Window window) {
        this.window = window;
        original = new OriginalView(window.table());
        bar = new FaithBar(page -> window.table().scrollTo(page));
        for (Label label : List.of(came, editable)) label.getStyleClass().add("beside-title");
        Region between = new Region();
        HBox.setHgrow(between, Priority.ALWAYS);
        other.setId("as-text");
        other.getStyleClass().add("beside-other");
        other.setMinWidth(Region.USE_PREF_SIZE);
        other.setOnAction(event -> {
            Session session = window.desk().session();
            session.showAsText(!session.isAsText());
            update();
        });
        head.getChildren().addAll(editable, between, other);
        head.setAlignment(Pos.BASELINE_LEFT);
        working.getStyleClass().add("quiet");
        working.setWrapText(true);
        working.setTextAlignment(TextAlignment.CENTER);
        VBox left = new VBox(came, grow(original));
        HBox.setHgrow(left, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        for (VBox side : List.of(left, right)) {
            side.setPrefWidth(100);
            side.setMinWidth(0);
        }
        HBox pages = new HBox(left, right);
        VBox.setVgrow(pages, Priority.ALWAYS);
        whole = new VBox(pages, bar.node());
        whole.getStyleClass().add("side-by-side");
        VBox.setMargin(bar.node(), new Insets(8, 16, 14, 16));
        Desk desk = window.desk();
        desk.coming().addListener((observed, before, now) -> update());
        desk.source().addListener((observed, before, now) -> update());
        desk.faith().addListener((observed, before, now) -> update());
        desk.pages().addListener((observed, before, now) -> update());
        window.table().pageInView().addListener((observed, before, now) -> update());
    }

    /** The view, with the editable pages brought in. */
    public Node node() {
        update();
        return whole;
    }

    private static <T extends Node> T grow(T node) {
        VBox.setVgrow(node, Priority.ALWAYS);
        return node;
    }

    private void update() {
        Desk desk = window.desk();
        Desk.Coming coming = desk.coming().get();
        Session.Source source = desk.source().get();
        if (coming != null) original.showFile(coming.file(), coming.password());
        else original.showFile(source != null && source.isPdf() ? source.file() : null, source == null ? null : source.password());
        boolean ready = coming == null && source != null;
        original.keepUp(ready);
        int page = window.table().pageInView().get() + 1;
        String name = coming != null ? coming.file().getFileName().toString() : source == null ? "" : source.name();
        List<Integer> turns = ready ? source.taken().provenance().sheets().stream().map(Provenance.Sheet::turn).toList() : List.of();
        original.turn(turns);
        boolean turned = page <= turns.size() && turns.get(page - 1) != 0;
        came.setText(Words.of(turned ? "beside.came.turned" : "beside.came", name, ready ? page : 1));
        boolean text = ready && desk.session().isAsText();
        editable.setText(!ready ? Words.of("beside.coming") : Words.of(text ? "beside.text" : turned ? "beside.published.turned" : "beside.published", page));
        other.setText(Words.of(text ? "beside.show.published" : "beside.show.text"));
        other.setVisible(ready);
        if (ready) {
            if (!right.getChildren().contains(window.table()) && window.station() == Station.TAKE_IN)
                right.getChildren().setAll(head, grow(window.table()));
        } else {
            working.setText(Words.of("beside.patience"));
            VBox middle = grow(new VBox(working));
            middle.setAlignment(Pos.CENTER);
            middle.setPadding(new Insets(24));
            right.getChildren().setAll(head, middle);
        }
        Comparison faith = desk.faith().get();
        bar.show(ready ? faith : null, page - 1);
        Map<Integer, List<double[]>> marks = new HashMap<>();
        if (ready && faith != null)
            for (Difference one : faith.differences())
                marks.computeIfAbsent(one.page(), key -> new ArrayList<>()).add(new double[] {one.x(), one.y(), one.width(), one.height()});
        original.mark(marks);
    }

    public void close() { original.close(); }
}
