package app.decant.desktop;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.desktop.work.Session;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;

/** The line at the top: the document's name, the four stations joined by a line that fills as the document moves along, and "what do you need". */
final class LineBar {
    private static final double STEP = 150;
    private final MainWindow window;
    private final BorderPane bar = new BorderPane();
    private final Label name = new Label();
    private final Label about = new Label();
    private final Map<Station, Circle> dots = new EnumMap<>(Station.class);
    private final Map<Station, Label> words = new EnumMap<>(Station.class);
    private final Line done = new Line(0, 0, 0, 0);
    private final Label count = new Label();
    private final Button folders = new Button(Words.of("room.folders"));
    private boolean inRoom;
    private Station furthest = Station.TAKE_IN;

    LineBar(MainWindow window) {
        this.window = window;
        bar.getStyleClass().add("line-bar");
        name.getStyleClass().add("file-name");
        about.setId("line-about");
        about.getStyleClass().add("quiet");
        VBox file = new VBox(1, name, about);
        file.setAlignment(Pos.CENTER_LEFT);
        file.setMinWidth(110);
        bar.setLeft(file);
        bar.setCenter(stations());
        Button need = new Button(Words.of("need"));
        need.setId("need");
        need.getStyleClass().add("need");
        Label key = new Label("Ctrl K");
        key.getStyleClass().add("quiet");
        need.setGraphic(key);
        need.setContentDisplay(ContentDisplay.RIGHT);
        need.setOnAction(event -> window.palette().show());
        folders.setId("folders");
        folders.getStyleClass().add("room");
        folders.setMinWidth(Region.USE_PREF_SIZE);
        folders.setOnAction(event -> window.goToFolders());
        HBox right = new HBox(18, folders, need);
        right.setAlignment(Pos.CENTER_RIGHT);
        need.setMinWidth(Region.USE_PREF_SIZE);
        // The stations stand in the middle; what is beside them gives way, words before signs.
        bar.widthProperty().addListener((observed, before, now) -> {
            double side = Math.max(110, Math.min(300, (now.doubleValue() - STEP * 3 - 130) / 2));
            file.setPrefWidth(side);
            right.setPrefWidth(side);
            right.setSpacing(side < 240 ? 8 : 18);
            need.setText(Words.of(side < 290 ? "need.short" : "need"));
            need.setPrefWidth(side < 290 ? Region.USE_COMPUTED_SIZE : 222);
            key.setVisible(side >= 190);
            key.setManaged(key.isVisible());
        });
        bar.setRight(right);
        window.desk().source().addListener((observed, before, now) -> tell());
        window.desk().pages().addListener((observed, before, now) -> tell());
        window.desk().changed().addListener((observed, before, now) -> tell());
        tell();
    }

    Node node() { return bar; }

    private Node stations() {
        Pane pane = new Pane();
        pane.setPrefSize(STEP * 3 + 100, 54);
        pane.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        double y = 19;
        double left = 50;
        Line track = new Line(left, y, left + 3 * STEP, y);
        track.getStyleClass().add("track");
        done.setStartX(left);
        done.setStartY(y);
        done.setEndY(y);
        done.getStyleClass().add("track-done");
        pane.getChildren().addAll(track, done);
        for (Station station : Station.values()) {
            Circle dot = new Circle(left + station.ordinal() * STEP, y, 6);
            dots.put(station, dot);
            Label label = new Label(Words.of("station." + station.name().toLowerCase(Locale.ROOT)));
            label.getStyleClass().add("station-name");
            words.put(station, label);
            StackPane hold = new StackPane(label);
            hold.setPrefWidth(STEP);
            hold.setLayoutX(left + station.ordinal() * STEP - STEP / 2);
            hold.setLayoutY(y + 9);
            Button hit = new Button();
            hit.getStyleClass().add("station-hit");
            hit.setId("station-" + station.name().toLowerCase(Locale.ROOT));
            hit.setAccessibleText(label.getText());
            hit.setPrefSize(90, 50);
            hit.setLayoutX(left + station.ordinal() * STEP - 45);
            hit.setOnAction(event -> window.go(station));
            pane.getChildren().addAll(dot, hold, hit);
        }
        count.getStyleClass().add("count");
        count.setMouseTransparent(true);
        count.setLayoutX(left + Station.CHECK.ordinal() * STEP + 9);
        count.setLayoutY(y - 16);
        pane.getChildren().add(count);
        StackPane centre = new StackPane(pane);
        return centre;
    }

    /** Shows where the document is; null for the room for folders, where there is none. */
    void at(Station station) {
        inRoom = station == null;
        folders.getStyleClass().remove("at");
        if (inRoom) folders.getStyleClass().add("at");
        tell();
        if (station == null) {
            for (Station one : Station.values()) {
                dots.get(one).getStyleClass().setAll("dot", one.ordinal() <= furthest.ordinal() && window.desk().source().get() != null ? "dot-done"
                        : "dot-open");
                dots.get(one).setRadius(5.5);
                words.get(one).getStyleClass().setAll("station-name", "elsewhere");
            }
            return;
        }
        if (window.desk().source().get() == null) furthest = Station.TAKE_IN;
        else if (station.ordinal() > furthest.ordinal()) furthest = station;
        done.setEndX(50 + furthest.ordinal() * STEP);
        for (Station one : Station.values()) {
            Circle dot = dots.get(one);
            dot.getStyleClass().setAll("dot", one == station ? "dot-here" : one.ordinal() <= furthest.ordinal() && window.desk().source().get() != null
                    ? "dot-done" : "dot-open");
            dot.setRadius(one == station ? 7.5 : 5.5);
            words.get(one).getStyleClass().setAll("station-name", one == station ? "here" : "elsewhere");
        }
    }

    private void tell() {
        Session.Source source = window.desk().source().get();
        if (inRoom) {
            name.setText(Words.of("folders.name"));
            about.setText(Words.of("folders.about"));
            return;
        }
        name.setText(source == null ? "Decant" : source.title() + (window.desk().changed().get() ? " \u2022" : ""));
        int pages = window.desk().pages().get() == null ? 0 : window.desk().pages().get().count();
        // The pages of a workbook are those that are chosen when it is published.
        boolean sheets = source != null && window.desk().session() != null && window.desk().session().isSheets();
        String size = sheets ? Words.of("sheets", window.desk().session().workbook().sheets().size()) : Words.of("pages", pages);
        about.setText(source == null ? Words.of("no.document") : source.name() + " \u00B7 " + size + " \u00B7 "
                + Words.of(window.desk().changed().get() ? "working.copy" : "as.taken.in"));
        int look = window.desk().looks();
        count.setText(Integer.toString(look));
        count.setVisible(look > 0);
    }
}
