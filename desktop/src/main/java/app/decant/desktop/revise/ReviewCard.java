package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.Comment;
import app.decant.document.Document;
import app.decant.document.TrackedChange;
import app.decant.edit.Reviewing.Changed;
import app.decant.edit.Reviewing.Passage;
import app.decant.edit.Reviewing.Remarked;
import app.decant.edit.Reviewing;
import app.decant.edit.TextSelection;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.List;
import java.util.Locale;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/** What others changed and remarked: what stands at the caret, to be accepted, rejected or answered; and all of it as a list when that is asked for. */
public final class ReviewCard {
    /** So many are shown at the caret, and in the list; all are counted. */
    private static final int AT_CARET = 3;
    private static final int LISTED = 60;
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT).withLocale(Locale.UK)
            .withZone(ZoneId.systemDefault());

    private final Desk desk;
    private final Window window;
    private final VBox here = new VBox(12);
    private final TextField remark = new TextField();
    private final Sometimes atCaret;
    private final Label about = new Label();
    private final VBox list = new VBox(10);
    private final Sometimes all;
    private final List<Button> changesAtOnce;
    private final ToggleButton hint = new ToggleButton();
    private List<Passage> passages = List.of();
    private List<Passage> shown = List.of();
    private TextSelection asked;
    private final PauseTransition rest = new PauseTransition(Duration.millis(250));
    private boolean on;

    ReviewCard(Window window) {
        this.window = window;
        desk = window.desk();
        remark.setId("remark-new");
        remark.setPromptText(Words.of("review.remark"));
        remark.setAccessibleText(Words.of("review.remark"));
        remark.setOnAction(event -> remark());
        here.getStyleClass().add("card");
        atCaret = new Sometimes(section("review.here"), here);
        about.setWrapText(true);
        about.setId("review-about");
        changesAtOnce = List.of(button("review.accept.all", "review-accept-all", () -> settleAll(true)),
                button("review.reject.all", "review-reject-all", () -> settleAll(false)));
        for (Button one : changesAtOnce) one.managedProperty().bind(one.visibleProperty());
        FlowPane atOnce = new FlowPane(6, 6, changesAtOnce.get(0), changesAtOnce.get(1), button("review.leave", "review-leave", this::leave));
        VBox card = new VBox(10, about, atOnce, list);
        card.getStyleClass().add("card");
        all = new Sometimes(section("review"), card);
        all.show(false);
        atCaret.show(false);
        hint.setId("review-hint");
        hint.getStyleClass().add("more-button");
        hint.setWrapText(true);
        hint.setOnAction(event -> {
            hint.setSelected(false);
            begin();
        });
        hint.managedProperty().bind(hint.visibleProperty());
        hint.setVisible(false);
        rest.setOnFinished(event -> look());
        desk.pages().addListener((observed, was, now) -> {
            // Where there was nothing there will hardly be, and whoever types should not wait for it.
            if (passages.isEmpty() && !on && was != null) rest.playFromStart();
            else look();
        });
        desk.source().addListener((observed, was, now) -> {
            leave();
            passages = List.of();
            tellAbout();
        });
    }

    private static Label section(String key) {
        Label title = new Label(Words.of(key));
        title.getStyleClass().add("section");
        return title;
    }

    private static Button button(String key, String id, Runnable task) {
        Button button = new Button(Words.of(key));
        button.setId(id);
        button.getStyleClass().addAll("look-button", "small-button", "word-button");
        button.setOnAction(event -> task.run());
        return button;
    }

    Node atCaret() { return atCaret; }

    /** Says that something waits, where the list is not open. */
    Node hint() { return hint; }
    Node list() { return all; }
    public boolean isOn() { return on; }

    /** Whether anything waits to be settled. */
    public boolean hasPassages() { return !passages.isEmpty(); }

    /** Whether the caret, or what is picked, reaches a change. */
    public boolean hasChangeHere() {
        TextSelection picked = desk.selection().get();
        return picked != null && Reviewing.at(passages, picked).stream().anyMatch(Changed.class::isInstance);
    }

    /** Lists all of them. */
    public void begin() {
        on = true;
        all.show(true);
        look();
    }

    public void leave() {
        if (!on) return;
        on = false;
        all.show(false);
        tellAbout();
        window.table().requestFocus();
    }

    /** Asks what is to be remarked on what is picked. */
    public void ask() {
        asked = desk.selection().get();
        remark.clear();
        tell();
        remark.requestFocus();
    }

    private void remark() {
        TextSelection picked = asked;
        asked = null;
        if (picked != null && !remark.getText().isBlank() && picked.fits(desk.document()))
            desk.apply(Reviewing.remark(desk.document(), picked, said(remark.getText())));
        window.table().requestFocus();
        tell();
    }

    private static Comment.Remark said(String text) { return new Comment.Remark(System.getProperty("user.name", ""), Instant.now(), text); }

    /** Accepts or rejects what stands here, or in what is picked. */
    public void settle(boolean accepted) {
        desk.inOrder(() -> desk.apply(Reviewing.settle(desk.document(), desk.selection().get(), accepted)));
    }

    private void settle(Passage passage, boolean accepted) {
        desk.inOrder(() -> {
            if (passages.contains(passage)) desk.apply(Reviewing.settle(desk.document(), passage.where(), accepted));
        });
    }

    private void settleAll(boolean accepted) {
        desk.inOrder(() -> desk.apply(Reviewing.settleAll(desk.document(), desk.selection().get(), accepted)));
    }

    /** Goes to the next passage after the caret, round to the first. */
    public void next() {
        TextSelection picked = desk.selection().get();
        int at = -1;
        for (int i = 0; i < passages.size(); i++) if (passages.get(i).where().equals(picked)) at = i;
        int next = at + 1;
        if (at < 0) while (next < passages.size() && isBefore(passages.get(next).where(), picked)) next++;
        window.table().pick(passages.get(next % passages.size()).where(), true);
    }

    private static boolean isBefore(TextSelection where, TextSelection picked) {
        return !where.story().equals(picked.story()) || where.start().compareTo(picked.start()) < 0;
    }

    private void look() {
        Document now = desk.document();
        if (now == null) return;
        desk.aside(() -> {
            // Of what was typed meanwhile only the newest is looked through.
            if (desk.document() != now) return;
            List<Passage> found = Reviewing.passages(now);
            Platform.runLater(() -> {
                if (desk.document() != now) return;
                boolean same = found.equals(passages);
                passages = found;
                window.table().review(found);
                if (on && !same || on && list.getChildren().isEmpty()) show();
                tellAbout();
                tell();
            });
        });
    }

    private void tellAbout() {
        int changes = (int) passages.stream().filter(Changed.class::isInstance).count();
        int comments = passages.size() - changes;
        about.setText(Words.of("review.about", changes, comments));
        for (Button one : changesAtOnce) one.setVisible(changes > 0);
        hint.setText(Words.of("review.hint", changes, comments, changes > 0 && comments > 0 ? Words.of("review.hint.and") : ""));
        hint.setVisible(!on && !passages.isEmpty());
    }

    private void show() {
        list.getChildren().clear();
        for (Passage passage : passages.subList(0, Math.min(LISTED, passages.size()))) {
            VBox row = row(passage, "list-" + list.getChildren().size());
            Button go = button("changes.go", "review-go-" + list.getChildren().size(), () -> window.table().pick(passage.where(), true));
            ((FlowPane) row.getChildren().get(row.getChildren().size() - 1)).getChildren().add(0, go);
            list.getChildren().add(row);
        }
        if (passages.size() > LISTED) list.getChildren().add(new Label(Words.of("slip.more", passages.size() - LISTED)));
    }

    void tell() {
        TextSelection picked = desk.selection().get();
        if (asked != null && !asked.equals(picked)) asked = null;
        List<Passage> at = picked == null ? List.of() : Reviewing.at(passages, picked);
        if (at.size() > AT_CARET) at = at.subList(0, AT_CARET);
        atCaret.show(!at.isEmpty() || asked != null);
        boolean asks = here.getChildren().contains(remark);
        if (at.equals(shown) && asks == (asked != null)) return;
        shown = at;
        here.getChildren().clear();
        if (asked != null) here.getChildren().add(remark);
        for (Passage passage : at) here.getChildren().add(row(passage, "here-" + here.getChildren().size()));
    }

    private VBox row(Passage passage, String id) {
        if (passage instanceof Remarked remarked) return row(remarked, id);
        Changed changed = (Changed) passage;
        TrackedChange.Mark mark = changed.change().mark();
        Label who = quiet(Words.of(changed.change().isDeletion() ? "review.took" : "review.put", name(mark.author()), when(mark.when())));
        Label words = new Label(changed.words().isEmpty() ? Words.of("review.end") : shortened(changed.words()));
        words.getStyleClass().add(changed.change().isDeletion() ? "change-gone" : "change-came");
        words.setWrapText(true);
        return new VBox(4, who, words, new FlowPane(6, 6, button("review.accept", "review-accept-" + id, () -> settle(passage, true)),
                button("review.reject", "review-reject-" + id, () -> settle(passage, false))));
    }

    private VBox row(Remarked remarked, String id) {
        Comment comment = remarked.comment();
        VBox row = new VBox(4);
        said(row, comment.remark());
        for (Comment.Remark answer : comment.answers()) said(row, answer);
        TextField answer = new TextField();
        answer.setId("review-answer-" + id);
        answer.setPromptText(Words.of("review.answer"));
        answer.setAccessibleText(Words.of("review.answer"));
        answer.setOnAction(event -> {
            if (!answer.getText().isBlank()) replace(remarked, comment.answered(said(answer.getText())));
        });
        row.getChildren().addAll(answer, new FlowPane(6, 6,
                button(comment.done() ? "review.open" : "review.done", "review-done-" + id, () -> replace(remarked, comment.withDone(!comment.done()))),
                button("review.out", "review-out-" + id, () -> replace(remarked, null))));
        return row;
    }

    private static void said(VBox row, Comment.Remark remark) {
        Label text = new Label(remark.text());
        text.setWrapText(true);
        row.getChildren().addAll(quiet(Words.of("review.said", name(remark.author()), when(remark.when()))), text);
    }

    private void replace(Remarked remarked, Comment other) {
        desk.inOrder(() -> {
            if (passages.contains(remarked)) desk.apply(Reviewing.replace(desk.document(), desk.selection().get(), remarked, other));
        });
        window.table().requestFocus();
    }

    private static Label quiet(String words) {
        Label label = new Label(words);
        label.getStyleClass().add("quiet");
        label.setWrapText(true);
        return label;
    }

    private static String name(String author) { return author.isBlank() ? Words.of("review.somebody") : author; }
    private static String when(Instant when) { return when == null ? Words.of("review.undated") : WHEN.format(when); }
    private static String shortened(String words) { return words.length() > 200 ? words.substring(0, 199).strip() + "\u2026" : words; }
}
