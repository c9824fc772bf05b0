package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.document.Document;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.OverrunStyle;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The places that were found, one a row with the words round it and its page; only rows in view are made. */
final class FoundList {
    /** So many letters are shown before and after what was found. */
    private static final int ROUND = 40;
    private static final double ROW = 26;
    private static final int MOST_ROWS = 6;

    private final Desk desk;
    private final ListView<TextSelection> list = new ListView<>();
    private boolean telling;

    /** @param pick told which place was chosen */
    FoundList(Desk desk, Consumer<TextSelection> pick) {
        this.desk = desk;
        list.setId("found-list");
        list.setAccessibleText(Words.of("find.list"));
        list.setFixedCellSize(ROW);
        list.setCellFactory(view -> new Row());
        list.managedProperty().bind(list.visibleProperty());
        list.setVisible(false);
        list.getSelectionModel().selectedItemProperty().addListener((observed, was, now) -> {
            if (!telling && now != null) pick.accept(now);
        });
    }

    Node node() { return list; }

    /** @param at which of them is picked, or -1 */
    void show(List<TextSelection> found, int at, boolean wanted) {
        telling = true;
        try {
            list.setVisible(wanted && !found.isEmpty());
            if (!list.isVisible()) {
                list.getItems().clear();
                return;
            }
            if (!list.getItems().equals(found)) list.getItems().setAll(found);
            list.refresh();
            double height = Math.min(MOST_ROWS, found.size()) * ROW + 4;
            list.setMinHeight(height);
            list.setPrefHeight(height);
            list.setMaxHeight(height);
            if (at < 0) {
                list.getSelectionModel().clearSelection();
            } else if (list.getSelectionModel().getSelectedIndex() != at) {
                list.getSelectionModel().select(at);
                list.scrollTo(Math.max(0, at - 2));
            }
        } finally {
            telling = false;
        }
    }

    private final class Row extends ListCell<TextSelection> {
        private final Label before = new Label();
        private final Label here = new Label();
        private final Label after = new Label();
        private final Label page = new Label();
        private final HBox row;

        Row() {
            before.getStyleClass().add("quiet");
            after.getStyleClass().add("quiet");
            page.getStyleClass().add("quiet");
            here.getStyleClass().add("found-words");
            before.setTextOverrun(OverrunStyle.LEADING_ELLIPSIS);
            before.setAlignment(Pos.CENTER_RIGHT);
            before.setPrefWidth(240);
            before.setMinWidth(60);
            here.setMinWidth(Region.USE_PREF_SIZE);
            after.setMinWidth(0);
            Region gap = new Region();
            HBox.setHgrow(gap, Priority.ALWAYS);
            page.setMinWidth(Region.USE_PREF_SIZE);
            row = new HBox(before, here, after, gap, page);
            row.setAlignment(Pos.CENTER_LEFT);
            setPrefWidth(0);
        }

        @Override protected void updateItem(TextSelection place, boolean empty) {
            super.updateItem(place, empty);
            Document document = desk.document();
            String text = place == null || document == null || document.find(place.story(), place.start().path()) == null ? null
                    : document.paragraph(place.start()).text();
            if (empty || text == null || place.end().offset() > text.length()) {
                setGraphic(null);
                return;
            }
            int from = place.start().offset();
            int to = place.end().offset();
            before.setText(plain(text.substring(Math.max(0, from - ROUND), from)));
            here.setText(plain(text.substring(from, Math.min(to, from + ROUND))));
            after.setText(plain(text.substring(to, Math.min(text.length(), to + ROUND))));
            PagedDocument pages = desk.pages().get();
            PagedDocument.Caret at = pages == null || pages.document() != document ? null : pages.caret(place.start());
            page.setText(at == null ? "" : Words.of("find.page", pages.page(at.page()).label()));
            setAccessibleText(before.getText() + here.getText() + after.getText() + " " + page.getText());
            setGraphic(row);
        }

        private static String plain(String text) { return text.replaceAll("[\\s\\p{Cntrl}\uFFFC]+", " "); }
    }
}
