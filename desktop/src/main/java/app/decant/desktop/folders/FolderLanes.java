package app.decant.desktop.folders;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.ReceiptView;
import app.decant.folder.FolderJournal.Entry;
import app.decant.folder.FolderJournal.State;
import app.decant.folder.FolderScan;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.collections.transformation.FilteredList;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Where the files of a run are: waiting, being made, done, wanting a look, failed. Lists show only what is in view, so they stay quick with any number. */
public final class FolderLanes {
    /** The lanes from left to right. */
    public enum Lane { WAITING, WORKING, DONE, LOOK, FAILED }

    private static final Map<Lane, String> SIGNS = Map.of(Lane.WAITING, "\u25CB", Lane.WORKING, "\u25D0", Lane.DONE, "\u25CF", Lane.LOOK, "\u25C6",
            Lane.FAILED, "\u2715");

    private final HBox box = new HBox();
    private final Map<Lane, ObservableList<Card>> lists = new EnumMap<>(Lane.class);
    private final Map<Lane, Label> counts = new EnumMap<>(Lane.class);
    private final List<FilteredList<Card>> filters = new ArrayList<>();
    private final Acts acts;

    /** A file in a lane. @param entry how it ended, or null */
    public record Card(String name, String about, Path source, Entry entry) { }

    /** What can be done with a file. */
    interface Acts {
        /** Opens what came of it. */
        void open(Entry entry);
        /** Takes the original in here. */
        void original(Path source);
        /** Tries again what failed. */
        void again();
        /** Leaves out a file that is waiting or being made. */
        void leaveOut(Path source);
    }

    FolderLanes(Acts acts) {
        this.acts = acts;
        box.getStyleClass().add("lanes");
        for (Lane lane : Lane.values()) box.getChildren().add(lane(lane));
    }

    Node node() { return box; }
    public int count(Lane lane) { return lists.get(lane).size(); }
    public List<Card> cards(Lane lane) { return List.copyOf(lists.get(lane)); }

    private Node lane(Lane lane) {
        String key = lane.name().toLowerCase(Locale.ROOT);
        Label name = new Label(SIGNS.get(lane) + "  " + Words.of("lane." + key));
        name.getStyleClass().addAll("lane-name", "lane-" + key);
        Label count = new Label("0");
        count.getStyleClass().addAll("lane-count", "lane-" + key);
        counts.put(lane, count);
        Region between = new Region();
        HBox.setHgrow(between, Priority.ALWAYS);
        HBox head = new HBox(name, between, count);
        head.setAlignment(Pos.CENTER_LEFT);
        head.getStyleClass().add("lane-head");
        ObservableList<Card> cards = FXCollections.observableArrayList();
        lists.put(lane, cards);
        FilteredList<Card> shown = new FilteredList<>(cards);
        filters.add(shown);
        ListView<Card> list = new ListView<>(shown);
        list.setId("lane-" + key);
        list.setAccessibleText(Words.of("lane." + key));
        list.setFixedCellSize(48);
        list.setCellFactory(view -> new CardCell());
        list.setOnMouseClicked(event -> {
            if (event.getButton() == MouseButton.PRIMARY && event.getClickCount() == 2) open(list.getSelectionModel().getSelectedItem());
        });
        list.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) open(list.getSelectionModel().getSelectedItem());
        });
        MenuItem result = new MenuItem(Words.of("lane.result"));
        result.setOnAction(event -> open(list.getSelectionModel().getSelectedItem()));
        MenuItem original = new MenuItem(Words.of("lane.original"));
        original.setOnAction(event -> {
            if (list.getSelectionModel().getSelectedItem() != null) acts.original(list.getSelectionModel().getSelectedItem().source);
        });
        MenuItem again = new MenuItem(Words.of("folders.again"));
        again.setOnAction(event -> acts.again());
        MenuItem leave = new MenuItem(Words.of("lane.leave"));
        leave.setOnAction(event -> {
            if (list.getSelectionModel().getSelectedItem() != null) acts.leaveOut(list.getSelectionModel().getSelectedItem().source);
        });
        if (lane == Lane.WAITING || lane == Lane.WORKING) list.setOnKeyReleased(event -> {
            if (event.getCode() == KeyCode.DELETE) leave.fire();
        });
        list.setContextMenu(lane == Lane.FAILED ? new ContextMenu(original, again) : lane == Lane.DONE || lane == Lane.LOOK
                ? new ContextMenu(result, original) : new ContextMenu(original, leave));
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox column = new VBox(head, list);
        column.getStyleClass().add("lane");
        column.setPrefWidth(100);
        HBox.setHgrow(column, Priority.ALWAYS);
        return column;
    }

    /** Shows only files whose name or folder has these letters; empty for all. Counts stay those of all. */
    void filter(String letters) {
        String wanted = letters.strip().toLowerCase(Locale.ROOT);
        for (FilteredList<Card> one : filters)
            one.setPredicate(wanted.isEmpty() ? null : card -> card.source.toString().toLowerCase(Locale.ROOT).contains(wanted));
    }

    private void open(Card card) { if (card != null && card.entry != null) acts.open(card.entry); }

    private static final class CardCell extends ListCell<Card> {
        private final Label name = new Label();
        private final Label about = new Label();
        private final VBox both = new VBox(name, about);

        CardCell() {
            about.getStyleClass().add("quiet");
            // Long names end in dots rather than widen the lane.
            both.setPrefWidth(0);
        }

        @Override protected void updateItem(Card card, boolean empty) {
            super.updateItem(card, empty);
            setText(null);
            setGraphic(empty || card == null ? null : both);
            if (empty || card == null) {
                setTooltip(null);
                return;
            }
            name.setText(card.name);
            about.setText(card.about);
            setTooltip(card.entry == null || card.entry.words().isEmpty() ? null : new Tooltip(String.join("\n", card.entry.words())));
        }
    }

    /** Begins anew with all files waiting. */
    void fill(List<FolderScan.Item> items) {
        for (Lane lane : Lane.values()) lists.get(lane).clear();
        lists.get(Lane.WAITING).setAll(items.stream().map(item -> new Card(item.source().getFileName().toString(), parent(item.source()), item.source(),
                null)).toList());
        count();
    }

    private static String parent(Path file) {
        Path parent = file.getParent();
        return parent == null || parent.getFileName() == null ? "" : parent.getParent() == null || parent.getParent().getFileName() == null
                ? parent.getFileName().toString() : parent.getParent().getFileName() + " / " + parent.getFileName();
    }

    /** Moves files on; many at a time, so that a quick run does not slow the window. */
    void move(List<FolderScan.Item> begun, List<Entry> ended) {
        Set<Path> gone = new HashSet<>();
        for (FolderScan.Item item : begun) gone.add(item.source());
        for (Entry entry : ended) gone.add(entry.source());
        lists.get(Lane.WAITING).removeIf(card -> gone.contains(card.source));
        Set<Path> over = new HashSet<>();
        for (Entry entry : ended) over.add(entry.source());
        for (FolderScan.Item item : begun)
            if (!over.contains(item.source()))
                lists.get(Lane.WORKING).add(new Card(item.source().getFileName().toString(), parent(item.source()), item.source(), null));
        lists.get(Lane.WORKING).removeIf(card -> over.contains(card.source));
        for (Entry entry : ended) lists.get(lane(entry)).add(0, card(entry));
        count();
    }

    /** Tells how far files are that are being made. */
    void step(Map<Path, String> steps) {
        if (!steps.isEmpty()) lists.get(Lane.WORKING).replaceAll(card -> steps.containsKey(card.source) ? new Card(card.name, steps.get(card.source),
                card.source, null) : card);
    }

    private static Lane lane(Entry entry) { return entry.state() == State.FAILED ? Lane.FAILED : entry.state() == State.WANTS_LOOK ? Lane.LOOK : Lane.DONE; }

    private static Card card(Entry entry) {
        boolean made = entry.state() == State.DONE || entry.state() == State.WANTS_LOOK;
        String faith = entry.faith() < 0 ? "" : Words.of("lane.faith", Math.round(entry.faith()));
        String pages = entry.pages() > 0 ? Words.of("pages", entry.pages()) : ReceiptView.bytes(entry.resultBytes());
        String name = (made ? entry.target() : entry.source()).getFileName().toString();
        // The name stands above already.
        String about = !made ? entry.words().isEmpty() ? "" : entry.words().get(0).replaceFirst("^" + Pattern.quote(name) + " ", "")
                : faith.isEmpty() ? pages : entry.state() == State.WANTS_LOOK && !entry.words().isEmpty() ? faith + " \u00B7 " + entry.words().get(0) : pages
                + " \u00B7 " + faith;
        return new Card(name, about, entry.source(), entry);
    }

    private void count() { counts.forEach((lane, label) -> label.setText(String.format(Locale.ENGLISH, "%,d", lists.get(lane).size()))); }
}
