package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.WordWatch;
import app.decant.document.Place;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.spelling.Spelling.Slip;
import java.util.List;
import java.util.Locale;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** The part of the slip that is there while the caret is in a word that is perhaps misspelled: what it may have been meant as. */
final class WordCard {
    private static final int OFFERED = 4;

    private final Desk desk;
    private final PageTable table;
    private final Label about = new Label();
    private final FlowPane meant = new FlowPane(6, 6);
    private final Button learn = new Button(Words.of("words.learn"));
    private final Sometimes box;
    private Slip shown;

    WordCard(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        about.setWrapText(true);
        about.getStyleClass().add("quiet");
        learn.setId("word-learn");
        learn.getStyleClass().addAll("look-button", "small-button", "word-button");
        learn.setOnAction(event -> desk.words().learn(shown.word()));
        Label title = new Label(Words.of("words.title"));
        title.getStyleClass().add("section");
        VBox card = new VBox(8, about, meant, learn);
        card.getStyleClass().add("card");
        box = new Sometimes(title, card);
        box.show(false);
        desk.words().slips().addListener((observed, before, now) -> tell());
    }

    Node node() { return box; }

    void tell() {
        TextSelection span = desk.selection().get();
        Slip slip = span == null || desk.document() == null ? null : desk.words().at(span.start());
        if (slip == null || slip.equals(shown)) {
            if (slip == null) {
                shown = null;
                box.show(false);
            }
            return;
        }
        shown = slip;
        // Shown once all of it is known: what is about to be clicked must not move away.
        box.show(false);
        desk.words().suggest(slip, OFFERED, words -> {
            if (shown == slip) show(slip, words);
        });
    }

    private void show(Slip slip, List<String> words) {
        about.setText(Words.of("words.about", slip.word(), Locale.forLanguageTag(slip.language().tag()).getDisplayName(Locale.ENGLISH)));
        meant.getChildren().clear();
        for (String word : words) {
            Button button = new Button(word);
            button.setId("word-" + meant.getChildren().size());
            button.getStyleClass().addAll("look-button", "small-button", "word-button");
            button.setAccessibleText(Words.of("words.instead", word));
            button.setOnAction(event -> correct(word));
            meant.getChildren().add(button);
        }
        box.show(true);
    }

    private void correct(String word) {
        TextSelection span = desk.selection().get();
        Place at = span.start();
        if (desk.words().at(at) != shown) return;
        desk.apply(Typing.correct(desk.document(), WordWatch.span(at, shown), word));
        Platform.runLater(table::requestFocus);
    }
}
