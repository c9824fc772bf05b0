package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.work.Desk;
import app.decant.document.Document;
import app.decant.edit.Alike;
import app.decant.edit.Change;
import app.decant.edit.LinkEcho;
import app.decant.edit.PassageEcho;
import app.decant.edit.PictureEcho;
import app.decant.edit.Pictures;
import app.decant.edit.TableEcho;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.slf4j.LoggerFactory;

/**
 * Echo: what is like that which is picked, lit on the table and listed with ticks; those that are ticked become like it in one step. Held on, whatever is
 * clicked does.
 */
public final class EchoCard {
    private static final int EXCERPT = 22;

    private final Desk desk;
    private final PageTable table;
    private final VBox box;
    private final Label about = new Label();
    private final VBox list = new VBox(4);
    private final Button give = new Button();
    private final ToggleButton hold = new ToggleButton(Words.of("echo.hold"));
    private final List<CheckBox> ticks = new ArrayList<>();
    private final List<String> texts = new ArrayList<>();
    private Alike alike;

    EchoCard(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        Label title = new Label(Words.of("echo"));
        title.getStyleClass().add("section");
        about.setWrapText(true);
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        scroll.setMaxHeight(230);
        scroll.getStyleClass().add("card-scroll");
        give.setId("echo-give");
        give.getStyleClass().addAll("main-button", "small-main-button");
        give.setOnAction(event -> give());
        hold.setId("echo-hold");
        hold.getStyleClass().addAll("look-button", "word-button");
        hold.selectedProperty().addListener((observed, was, now) -> hold(now));
        Button leave = new Button(Words.of("echo.leave"));
        leave.setId("echo-leave");
        leave.setOnAction(event -> leave());
        VBox card = new VBox(10, about, scroll, give, new HBox(8, hold, leave));
        card.getStyleClass().add("card");
        box = new VBox(10, title, card);
        box.managedProperty().bind(box.visibleProperty());
        box.setVisible(false);
        desk.pages().addListener((observed, was, now) -> {
            if (alike != null) light();
        });
        desk.source().addListener((observed, was, now) -> leave());
        // Carets that are moved by keys give nothing: whoever has no mouse has the ticks.
        table.addEventHandler(MouseEvent.MOUSE_CLICKED, event -> {
            if (hold.isSelected() && event.getButton() == MouseButton.PRIMARY) desk.whenLaidOut(this::giveHeld);
        });
    }

    Node node() { return box; }

    public boolean isOn() { return alike != null; }

    /** Lights what is like the passage at the caret, or like the picture that is picked. */
    void begin() {
        TextSelection picked = desk.selection().get();
        begin(Pictures.picked(desk.document(), picked) != null ? PictureEcho.of(desk.document(), picked)
                : PassageEcho.of(desk.document(), picked.head().path()));
    }

    /** Lights the other tables. */
    void beginTables() {
        TableEcho tables = TableEcho.of(desk.document(), desk.selection().get());
        if (tables != null) begin(tables);
    }

    /** Lights the other links. */
    void beginLinks() {
        LinkEcho links = LinkEcho.of(desk.document(), desk.selection().get());
        if (links != null) begin(links);
    }

    private void begin(Alike found) {
        alike = found;
        Document document = desk.document();
        ticks.clear();
        texts.clear();
        list.getChildren().clear();
        for (int i = 0; i < alike.others().size(); i++) {
            String text = alike.words(document, i);
            texts.add(text);
            String shown = text.isEmpty() ? Words.of("echo.nameless", i + 1) : text;
            CheckBox tick = new CheckBox(shown.length() > EXCERPT ? shown.substring(0, EXCERPT).strip() + "\u2026" : shown);
            TextSelection place = alike.others().get(i);
            tick.setSelected(true);
            tick.selectedProperty().addListener((observed, was, now) -> light());
            tick.focusedProperty().addListener((observed, was, now) -> {
                if (now) show(place);
            });
            ticks.add(tick);
            list.getChildren().add(tick);
        }
        hold.setSelected(false);
        box.setVisible(true);
        light();
    }

    public void leave() {
        if (alike == null) return;
        alike = null;
        hold.setSelected(false);
        box.setVisible(false);
        table.mark(List.of());
        table.requestFocus();
    }

    /** While it is held, whatever is clicked becomes like it; the list is not needed for that. */
    private void hold(boolean on) {
        for (Node node : List.of(list, give)) node.setDisable(on);
        if (!on) {
            if (alike != null) light();
            return;
        }
        table.mark(List.of());
        about.setText(Words.of("echo.held"));
        table.requestFocus();
    }

    private void giveHeld() {
        TextSelection picked = desk.selection().get();
        if (alike == null || !hold.isSelected() || picked == null) return;
        Change change = alike.giveTo(desk.document(), picked);
        if (change != null && !change.isNothing()) desk.apply(change);
    }

    private List<Integer> ticked() { return IntStream.range(0, ticks.size()).filter(i -> ticks.get(i).isSelected()).boxed().toList(); }

    /** Where passages came, went or were written in, the ways may lead to others by now. */
    private boolean stands() {
        try {
            for (int i = 0; i < texts.size(); i++) if (!alike.words(desk.document(), i).equals(texts.get(i))) return false;
            return true;
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(EchoCard.class).debug("What was alike is elsewhere", e);
            return false;
        }
    }

    private void light() {
        if (hold.isSelected()) return;
        if (!stands()) {
            leave();
            return;
        }
        List<Integer> wanted = ticked();
        table.mark(wanted.stream().map(alike.others()::get).toList());
        about.setText(alike.others().isEmpty() ? Words.of("echo.none") : Words.of("echo.about", alike.others().size()));
        give.setText(Words.of("echo.give", wanted.size()));
        give.setDisable(wanted.isEmpty());
    }

    /** Brings one of them into view; what is picked stays picked. */
    private void show(TextSelection one) {
        PagedDocument pages = desk.pages().get();
        PagedDocument.Caret place = pages == null || pages.document() != desk.document() ? null : pages.caret(one.start());
        if (place != null) table.scrollTo(place.page() + Math.max(0, place.top() - 120) / pages.page(place.page()).height());
    }

    private void give() {
        desk.apply(alike.give(desk.document(), desk.selection().get(), ticked()));
        leave();
    }
}
