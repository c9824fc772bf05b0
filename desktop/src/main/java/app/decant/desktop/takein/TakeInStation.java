package app.decant.desktop.takein;

import app.decant.Decant;
import app.decant.desktop.part.FindingRow;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Session;
import app.decant.desktop.work.WorkingCopy;
import app.decant.document.Finding;
import app.decant.format.sheet.SeparatedValues;
import app.decant.layout.PagedDocument;
import app.decant.page.Page;
import app.decant.pdf.keep.GroundPainter;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.TilePane;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;

/** Taking in: a place to drop a document, what was open lately, what was left; and, with a document, what came of it. */
public final class TakeInStation {
    /** The side of the square in which a first page is shown, and the width of a file's tile. */
    private static final double THUMB = 64;
    private static final double TILE = 284;
    private static final double FRAME = THUMB + 8;

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
        window.desk().source().addListener((observed, before, now) -> {
            keepPicture(now);
            build();
        });
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
        left();
        List<Path> recent = window.settings().recent();
        if (!recent.isEmpty()) {
            TilePane tiles = new TilePane(12, 10);
            tiles.setPrefColumns(2);
            tiles.setTileAlignment(Pos.TOP_LEFT);
            for (Path file : recent) tiles.getChildren().add(recent(file));
            column.getChildren().add(new VBox(8, section("take.recent"), tiles));
        }
    }

    /** Work that was cut short comes before all else. */
    private void left() {
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
        Hyperlink begin = new Hyperlink(Words.of("take.begin"));
        begin.setId("begin");
        begin.setOnAction(event -> window.commands().named("begin").run());
        VBox box = new VBox(12, title, choose, begin, quiet);
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
        SeparatedValues separated = window.desk().session().separated();
        if (separated != null) box.getChildren().add(SeparatedRow.of(window, separated));
        // How values are parted is said by the choices above.
        for (Finding finding : window.desk().findings())
            if (separated == null || !finding.message().key().equals("sheet.separated")) box.getChildren().add(FindingRow.of(finding));
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

    /** A recent file: its first page, its name and where it is. */
    private Node recent(Path file) {
        ImageView view = new ImageView(FirstPages.picture(file));
        view.setPreserveRatio(true);
        view.setFitWidth(THUMB);
        view.setFitHeight(THUMB);
        StackPane paper = new StackPane(view);
        paper.getStyleClass().add("recent-paper");
        paper.setMinSize(FRAME, FRAME);
        paper.setMaxSize(FRAME, FRAME);
        Hyperlink name = new Hyperlink(file.getFileName().toString());
        name.setWrapText(true);
        name.setOnAction(event -> window.open(file));
        paper.setOnMouseClicked(event -> window.open(file));
        Label folder = new Label(String.valueOf(file.getParent()));
        folder.getStyleClass().add("quiet");
        folder.setTextOverrun(OverrunStyle.LEADING_ELLIPSIS);
        folder.setMaxWidth(TILE - FRAME - 12);
        VBox words = new VBox(0, name, folder);
        words.setAlignment(Pos.CENTER_LEFT);
        HBox row = new HBox(10, paper, words);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPrefWidth(TILE);
        row.setMaxWidth(TILE);
        return row;
    }

    /** What is locked by a password leaves no picture behind. */
    private void keepPicture(Session.Source source) {
        PagedDocument pages = window.desk().pages().get();
        boolean kept = source != null && pages != null && source.password() == null && !window.settings().isForgetful();
        if (!kept) return;
        Page first = pages.page(0);
        GroundPainter ground = window.desk().session().ground();
        List<Path> recent = window.settings().recent();
        window.desk().aside(() -> FirstPages.keep(source.file(), first, ground, recent));
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
