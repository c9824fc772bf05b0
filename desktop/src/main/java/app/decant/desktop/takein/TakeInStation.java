package app.decant.desktop.takein;

import app.decant.Decant;
import app.decant.desktop.part.FindingRow;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Session;
import app.decant.desktop.work.WorkingCopy;
import app.decant.document.Finding;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;

/** Taking in: a place to drop a document, what was open lately, what was left; and, with a document, what came of it. */
public final class TakeInStation {
    private final Window window;
    private final VBox column = new VBox(18);
    private final ScrollPane scroll = new ScrollPane(new StackPane(column));

    public TakeInStation(Window window) {
        this.window = window;
        column.getStyleClass().add("take-in");
        column.setMaxWidth(620);
        scroll.setFitToWidth(true);
        scroll.setFitToHeight(true);
        scroll.getStyleClass().add("station-scroll");
        window.desk().source().addListener((observed, before, now) -> build());
        window.desk().pages().addListener((observed, before, now) -> {
            if (before == null) build();
        });
        build();
    }

    public Node node() { return scroll; }

    private void build() {
        column.getChildren().clear();
        column.getChildren().add(dropPlace());
        if (window.desk().source().get() != null) cameIn();
        List<Path> recent = window.settings().recent();
        if (!recent.isEmpty()) {
            VBox list = new VBox(2, section("take.recent"));
            for (Path file : recent) list.getChildren().add(link(file.getFileName().toString(), String.valueOf(file.getParent()), () -> window.open(file)));
            column.getChildren().add(list);
        }
        if (window.settings().isForgetful() || window.desk().source().get() != null) return;
        List<WorkingCopy.Left> left = WorkingCopy.left(Decant.home().resolve("working"));
        if (left.isEmpty()) return;
        VBox list = new VBox(2, section("take.left"));
        DateTimeFormatter when = DateTimeFormatter.ofPattern("d MMMM, HH:mm").withZone(ZoneId.systemDefault());
        for (WorkingCopy.Left one : left)
            list.getChildren().add(link(one.name(), Words.of("take.left.from", when.format(one.when())), () -> window.open(one.copy())));
        column.getChildren().add(list);
    }

    private Node dropPlace() {
        Label title = new Label(Words.of("take.drop"));
        title.getStyleClass().add("big");
        Label quiet = new Label(Words.of("take.safe"));
        quiet.getStyleClass().add("quiet");
        quiet.setWrapText(true);
        quiet.setTextAlignment(TextAlignment.CENTER);
        Button choose = new Button(Words.of("take.choose"));
        choose.setId("choose");
        choose.getStyleClass().add("main-button");
        choose.setOnAction(event -> window.chooseFile());
        VBox box = new VBox(12, title, choose, quiet);
        box.setAlignment(Pos.CENTER);
        box.getStyleClass().add("drop-place");
        return box;
    }

    private void cameIn() {
        Session.Source source = window.desk().source().get();
        VBox box = new VBox(6, section("take.came"));
        box.getStyleClass().add("card");
        int pages = window.desk().pages().get() == null ? 0 : window.desk().pages().get().count();
        Label what = new Label(Words.of("take.what", source.name(), source.taken().format().kind(), Words.of("pages", pages)));
        what.setWrapText(true);
        box.getChildren().add(what);
        for (Finding finding : window.desk().findings()) box.getChildren().add(FindingRow.of(finding));
        if (window.desk().findings().isEmpty()) box.getChildren().add(new Label(Words.of("take.all")));
        Hyperlink on = new Hyperlink(Words.of("take.revise"));
        on.setOnAction(event -> window.go(Station.REVISE));
        box.getChildren().add(on);
        column.getChildren().add(box);
    }

    private static Label section(String key) {
        Label label = new Label(Words.of(key));
        label.getStyleClass().add("section");
        return label;
    }

    private static Node link(String words, String about, Runnable task) {
        Hyperlink link = new Hyperlink(words);
        link.setOnAction(event -> task.run());
        Label quiet = new Label(about);
        quiet.getStyleClass().add("quiet");
        HBox row = new HBox(10, link, quiet);
        row.setAlignment(Pos.BASELINE_LEFT);
        return row;
    }
}
