package app.decant.desktop.folders;

import app.decant.Decant;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.document.DecantException;
import app.decant.folder.FolderJournal.Entry;
import app.decant.folder.FolderJournal.State;
import app.decant.folder.FolderPlan;
import app.decant.folder.FolderWatch;
import java.nio.file.Path;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import javafx.application.Platform;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;

/** The small window of a watched folder: what came in and what became of it. Closing it ends the watch. */
public final class WatchWindow {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");
    /** More is in the journal; here stands what happened last. */
    private static final int SHOWN = 200;

    private final Window window;
    private final FolderPlan plan;
    private final Stage stage = new Stage();
    private final Label words = new Label();
    private final ObservableList<Line> lines = FXCollections.observableArrayList();
    private volatile boolean over;
    private int made;
    private int failed;

    /** One file and when it was done. */
    private record Line(Entry entry, String when) { }

    WatchWindow(Window window, FolderPlan plan, Path journals, String doneInto) {
        this.window = window;
        this.plan = plan;
        Label name = new Label(plan.sources().size() == 1 ? String.valueOf(plan.sources().get(0).folder().getFileName()) : Words.of("folders.more",
                plan.sources().get(0).folder().getFileName(), plan.sources().size() - 1));
        name.getStyleClass().add("watch-name");
        words.getStyleClass().add("quiet");
        words.setId("watch-words");
        ListView<Line> list = new ListView<>(lines);
        list.setId("watch-list");
        list.setFixedCellSize(44);
        Label empty = new Label(Words.of("watch.empty"));
        empty.getStyleClass().add("quiet");
        empty.setWrapText(true);
        empty.setPadding(new Insets(12));
        list.setPlaceholder(empty);
        list.setCellFactory(view -> new LineCell());
        list.setOnMouseClicked(event -> {
            Line line = list.getSelectionModel().getSelectedItem();
            if (event.getClickCount() == 2 && line != null) open(line.entry);
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        Button target = new Button(Words.of("watch.results"));
        target.setOnAction(event -> window.openOutside(journals));
        Button stop = new Button(Words.of("watch.stop"));
        stop.setId("watch-stop");
        stop.setOnAction(event -> stage.close());
        Region between = new Region();
        HBox.setHgrow(between, Priority.ALWAYS);
        HBox foot = new HBox(8, target, between, stop);
        foot.setAlignment(Pos.CENTER_RIGHT);
        VBox box = new VBox(8, name, words, list, foot);
        box.getStyleClass().addAll("window", "watch");
        Scene scene = new Scene(box, 360, 340);
        box.getStylesheets().addAll(window.stage().getScene().getRoot().getStylesheets());
        if (window.isDark()) box.getStyleClass().add("dark");
        stage.setScene(scene);
        stage.setTitle(Words.of("watch.title"));
        stage.setOnHidden(event -> over = true);
        count();
        Thread thread = new Thread(() -> watch(journals, doneInto), "watch");
        thread.setDaemon(true);
        thread.start();
        stage.show();
    }

    Stage stage() { return stage; }
    boolean isOver() { return over; }

    private void watch(Path journals, String doneInto) {
        try {
            new FolderWatch(plan, doneInto, Decant::folderRun).run(journals, entry -> Platform.runLater(() -> told(entry)), () -> !over);
        } catch (DecantException e) {
            Platform.runLater(() -> {
                stage.close();
                window.desk().trouble().set(e);
            });
        }
    }

    private void told(Entry entry) {
        lines.add(0, new Line(entry, CLOCK.format(LocalTime.now())));
        if (lines.size() > SHOWN) lines.remove(SHOWN, lines.size());
        if (entry.state() == State.FAILED) failed++;
        else made++;
        count();
    }

    private void count() {
        words.setText(failed == 0 ? Words.of("watch.so.far", made) : Words.of("watch.so.far", made) + " \u00B7 " + Words.of("watch.failed", failed));
    }

    private void open(Entry entry) {
        if (entry.state() == State.FAILED) window.open(entry.source());
        else window.openOutside(entry.target());
    }

    private static final class LineCell extends ListCell<Line> {
        @Override protected void updateItem(Line line, boolean empty) {
            super.updateItem(line, empty);
            setText(null);
            setGraphic(null);
            setTooltip(null);
            if (empty || line == null) return;
            boolean bad = line.entry.state() == State.FAILED;
            Label name = new Label((bad ? "\u2715  " : line.entry.state() == State.WANTS_LOOK ? "\u25C6  " : "\u25CF  ")
                    + (bad ? line.entry.source() : line.entry.target()).getFileName());
            name.getStyleClass().add("lane-" + (bad ? "failed" : "done"));
            Label about = new Label(line.when + (line.entry.words().isEmpty() ? "" : " \u00B7 " + line.entry.words().get(0)));
            about.getStyleClass().add("quiet");
            VBox both = new VBox(name, about);
            both.setPrefWidth(0);
            setGraphic(both);
            if (!line.entry.words().isEmpty()) setTooltip(new Tooltip(String.join("\n", line.entry.words())));
        }
    }
}
