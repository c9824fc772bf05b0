package app.decant.desktop.revise;

import app.decant.Decant;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.edit.TextSelection;
import app.decant.edit.WhatChanged.Passage;
import app.decant.edit.WhatChanged.Piece;
import app.decant.edit.WhatChanged;
import app.decant.layout.PagedDocument;
import app.decant.publish.Guard;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import javafx.stage.FileChooser;

/** What was changed since the document came in, or what reads otherwise than in another file: passage by passage, each to be put back; kept as a list. */
public final class ChangesCard {
    /** So many passages are listed; all of them are counted and kept. */
    private static final int LISTED = 60;
    private static final int AROUND = 40;

    private final Desk desk;
    private final Window window;
    private final Label about = new Label();
    private final VBox list = new VBox(10);
    private final Sometimes box;
    private List<Passage> passages = List.of();
    private Document other;
    private String otherName;
    private boolean on;

    ChangesCard(Window window) {
        this.window = window;
        desk = window.desk();
        about.setWrapText(true);
        about.setId("changes-about");
        FlowPane buttons = new FlowPane(6, 6, button("changes.file", this::choose), button("changes.keep", this::keep), button("changes.leave", this::leave));
        VBox card = new VBox(10, about, buttons, list);
        card.getStyleClass().add("card");
        Label title = new Label(Words.of("changes"));
        title.getStyleClass().add("section");
        box = new Sometimes(title, card);
        box.show(false);
        desk.pages().addListener((observed, was, now) -> {
            if (on) look();
        });
        desk.source().addListener((observed, was, now) -> leave());
    }

    private static Button button(String key, Runnable task) {
        Button button = new Button(Words.of(key));
        button.setId(key.replace('.', '-'));
        button.getStyleClass().addAll("look-button", "small-button", "word-button");
        button.setOnAction(event -> task.run());
        return button;
    }

    Node node() { return box; }

    public boolean isOn() { return on; }

    /** Lists what was changed since the document came in. */
    public void begin() {
        other = null;
        on = true;
        box.show(true);
        look();
    }

    public void leave() {
        if (!on) return;
        on = false;
        other = null;
        box.show(false);
        window.table().mark(List.of());
        window.table().requestFocus();
    }

    private void look() {
        Document now = desk.document();
        Document came = desk.source().get().taken().document();
        Document compared = other;
        desk.aside(() -> {
            List<Passage> found = compared == null ? WhatChanged.since(came, now) : WhatChanged.against(compared, now);
            Platform.runLater(() -> {
                if (on && desk.document() == now && other == compared) show(found);
            });
        });
    }

    private void show(List<Passage> found) {
        passages = found;
        about.setText(other == null ? Words.of("changes.about", found.size()) : Words.of("changes.against", found.size(), otherName));
        list.getChildren().clear();
        for (Passage passage : found.subList(0, Math.min(LISTED, found.size()))) list.getChildren().add(row(passage));
        if (found.size() > LISTED) list.getChildren().add(new Label(Words.of("slip.more", found.size() - LISTED)));
        window.table().mark(found.stream().filter(passage -> passage.now() != null).map(passage -> whole(passage)).toList());
    }

    private TextSelection whole(Passage passage) {
        TextSelection caret = TextSelection.caret(passage.place(desk.document()));
        return new TextSelection(caret.head().at(0), caret.head().at(desk.document().paragraph(caret.head()).length()));
    }

    private Node row(Passage passage) {
        PagedDocument pages = desk.pages().get();
        PagedDocument.Caret caret = pages == null || pages.document() != desk.document() ? null : pages.caret(passage.place(desk.document()));
        String kind = Words.of("changes." + passage.kind().name().toLowerCase(Locale.ROOT));
        Label where = new Label(caret == null ? kind : Words.of("changes.where", kind, pages.page(caret.page()).label()));
        where.getStyleClass().add("quiet");
        TextFlow flow = new TextFlow();
        for (Piece piece : passage.pieces()) {
            Text words = new Text(shortened(piece));
            words.getStyleClass().add("change-" + piece.fate().name().toLowerCase(Locale.ROOT));
            flow.getChildren().add(words);
        }
        Button go = button("changes.go", () -> window.table().pick(TextSelection.caret(passage.place(desk.document())), true));
        Button back = button("changes.back", () -> desk.inOrder(() -> {
            if (WhatChanged.stands(desk.document(), passage)) desk.apply(WhatChanged.putBack(desk.document(), desk.selection().get(), passage));
        }));
        go.setId("change-go-" + list.getChildren().size());
        back.setId("change-back-" + list.getChildren().size());
        return new VBox(4, where, flow, new FlowPane(6, 6, go, back));
    }

    /** Of what stayed, only the words beside what changed. */
    private static String shortened(Piece piece) {
        String words = piece.words();
        if (piece.fate() != Piece.Fate.STAYED || words.length() <= 2 * AROUND) return words.length() > 400 ? words.substring(0, 400) + "\u2026" : words;
        return words.substring(0, AROUND) + " \u2026 " + words.substring(words.length() - AROUND);
    }

    /** Compares with another file, which is read aside. */
    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.of("changes.file"));
        File file = chooser.showOpenDialog(window.stage());
        if (file != null) against(file.toPath());
    }

    /** Lists what reads otherwise than in another file. */
    public void against(Path file) {
        on = true;
        box.show(true);
        about.setText(Words.of("job.opening", file.getFileName()));
        desk.aside(() -> {
            try {
                Document read = Decant.open(file, null, Progress.SILENT).document();
                Platform.runLater(() -> {
                    other = read;
                    otherName = file.getFileName().toString();
                    if (on) look();
                });
            } catch (DecantException e) {
                Platform.runLater(() -> {
                    desk.trouble().set(e);
                    look();
                });
            }
        });
    }

    private void keep() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.of("changes.keep"));
        chooser.setInitialFileName(Words.of("changes.name", desk.source().get().title()));
        File file = chooser.showSaveDialog(window.stage());
        if (file != null) keep(file.toPath());
    }

    /** Writes the list as a web page, for somebody else to read. */
    public void keep(Path file) {
        byte[] page = ChangeList.page(desk.source().get().title(), about.getText(), passages).getBytes(StandardCharsets.UTF_8);
        desk.aside(() -> {
            try {
                Guard guard = Guard.NONE.and(desk.source().get().file());
                Path written = SafeFile.write(file, Recipe.WhenPresent.KEEP_BOTH, guard, out -> out.write(page), SafeFile.UNSEEN);
                Platform.runLater(() -> window.notices().say(Words.of("save.done", written.getFileName()), "notice-good"));
            } catch (DecantException e) {
                Platform.runLater(() -> desk.trouble().set(e));
            }
        });
    }
}
