package app.decant.desktop;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** A sentence whose phrases are settings: a click opens a card at the phrase. Words flow and wrap; every phrase can be reached by Tab. */
final class Sentence {
    private final FlowPane flow = new FlowPane();
    private final Map<String, Button> phrases = new LinkedHashMap<>();

    Sentence() {
        flow.getStyleClass().add("sentence");
        flow.setRowValignment(VPos.BASELINE);
        flow.setVgap(7);
    }

    Node node() { return flow; }

    void clear() {
        flow.getChildren().clear();
        phrases.clear();
    }

    Sentence say(String words) {
        String[] parts = words.split("(?<= )");
        for (String part : parts) {
            Label label = new Label(part);
            label.getStyleClass().add("sentence-word");
            int last = flow.getChildren().size() - 1;
            // A stop or comma stays with the phrase before it.
            if ((part.startsWith(",") || part.startsWith(".")) && last >= 0 && flow.getChildren().get(last) instanceof Button phrase) {
                flow.getChildren().remove(last);
                label.setMinWidth(Region.USE_PREF_SIZE);
                HBox together = new HBox(phrase, label);
                together.setAlignment(Pos.BASELINE_LEFT);
                flow.getChildren().add(together);
            } else {
                flow.getChildren().add(label);
            }
        }
        return this;
    }

    Sentence phrase(String id, String words, Consumer<PhraseCard> card) {
        Button phrase = new Button(words);
        phrase.setId("phrase-" + id);
        phrase.getStyleClass().add("phrase");
        phrase.setMinWidth(Region.USE_PREF_SIZE);
        phrase.setOnAction(event -> open(id, card));
        phrases.put(id, phrase);
        flow.getChildren().add(phrase);
        return this;
    }

    private void open(String id, Consumer<PhraseCard> fill) {
        PhraseCard card = new PhraseCard();
        fill.accept(card);
        card.show(phrases.get(id));
    }

    /** The sentence as it reads. */
    String text() {
        StringBuilder text = new StringBuilder();
        for (Node node : flow.getChildren()) {
            if (node instanceof HBox together) together.getChildren().forEach(one -> text.append(((Labeled) one).getText()));
            else text.append(((Labeled) node).getText());
        }
        return text.toString();
    }
}
