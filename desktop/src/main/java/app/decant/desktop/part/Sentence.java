package app.decant.desktop.part;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
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
public final class Sentence {
    private final FlowPane flow = new FlowPane();
    private final Map<String, Button> phrases = new LinkedHashMap<>();
    private final Map<String, Consumer<PhraseCard>> cards = new HashMap<>();
    private final List<Part> shown = new ArrayList<>();
    private final List<Part> parts = new ArrayList<>();

    /** Words, or with an id the words of a phrase. */
    private record Part(String id, String words) {
        /** Whether the same words are said, whatever the phrases among them. */
        boolean isLike(Part other) { return id == null ? equals(other) : id.equals(other.id); }
    }

    public Sentence() {
        flow.getStyleClass().add("sentence");
        flow.setRowValignment(VPos.BASELINE);
        flow.setVgap(7);
    }

    public Node node() { return flow; }

    /** Begins to say another sentence; it is shown once it is at its end. */
    public Sentence begin() {
        parts.clear();
        return this;
    }

    public Sentence say(String words) {
        for (String part : words.split("(?<= )")) parts.add(new Part(null, part));
        return this;
    }

    public Sentence phrase(String id, String words, Consumer<PhraseCard> card) {
        parts.add(new Part(id, words));
        cards.put(id, card);
        return this;
    }

    /** Shows what was said. Phrases stay where only their words are others, so that whoever is at one of them still is. */
    public void end() {
        if (isLike()) {
            for (Part part : parts) if (part.id != null) phrases.get(part.id).setText(part.words);
        } else {
            flow.getChildren().clear();
            phrases.clear();
            for (Part part : parts) show(part);
        }
        shown.clear();
        shown.addAll(parts);
    }

    private boolean isLike() {
        if (parts.size() != shown.size()) return false;
        for (int i = 0; i < parts.size(); i++) if (!parts.get(i).isLike(shown.get(i))) return false;
        return true;
    }

    private void show(Part part) {
        if (part.id != null) {
            Button phrase = new Button(part.words);
            phrase.setId("phrase-" + part.id);
            phrase.getStyleClass().add("phrase");
            phrase.setMinWidth(Region.USE_PREF_SIZE);
            phrase.setOnAction(event -> open(part.id, cards.get(part.id)));
            phrases.put(part.id, phrase);
            flow.getChildren().add(phrase);
            return;
        }
        Label label = new Label(part.words);
        label.getStyleClass().add("sentence-word");
        int last = flow.getChildren().size() - 1;
        // A stop or comma stays with the phrase before it.
        if ((part.words.startsWith(",") || part.words.startsWith(".")) && last >= 0 && flow.getChildren().get(last) instanceof Button phrase) {
            flow.getChildren().remove(last);
            label.setMinWidth(Region.USE_PREF_SIZE);
            HBox together = new HBox(phrase, label);
            together.setAlignment(Pos.BASELINE_LEFT);
            flow.getChildren().add(together);
        } else {
            flow.getChildren().add(label);
        }
    }

    private void open(String id, Consumer<PhraseCard> fill) {
        PhraseCard card = new PhraseCard();
        fill.accept(card);
        card.show(phrases.get(id));
    }

    /** The sentence as it reads. */
    public String text() {
        StringBuilder text = new StringBuilder();
        for (Node node : flow.getChildren()) {
            if (node instanceof HBox together) together.getChildren().forEach(one -> text.append(((Labeled) one).getText()));
            else text.append(((Labeled) node).getText());
        }
        return text.toString();
    }
}
