package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.work.Desk;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.edit.Echo;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Echo: the passages like the one that is picked, lit on the table and listed with ticks; those that are ticked get its look in one step. */
public final class EchoCard {
    private static final int EXCERPT = 22;

    private final Desk desk;
    private final PageTable table;
    private final VBox box;
    private final Label about = new Label();
    private final VBox list = new VBox(4);
    private final Button give = new Button();
    private final Map<BlockPath, CheckBox> ticks = new LinkedHashMap<>();
    private final Map<BlockPath, String> texts = new HashMap<>();
    private Echo echo;

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
        Button leave = new Button(Words.of("echo.leave"));
        leave.setId("echo-leave");
        leave.setOnAction(event -> leave());
        VBox card = new VBox(10, about, scroll, new HBox(8, give, leave));
        card.getStyleClass().add("card");
        box = new VBox(10, title, card);
        box.managedProperty().bind(box.visibleProperty());
        box.setVisible(false);
        desk.pages().addListener((observed, was, now) -> {
            if (echo != null) light();
        });
        desk.source().addListener((observed, was, now) -> leave());
    }

    Node node() { return box; }

    public boolean isOn() { return echo != null; }

    /** Lights what is like the passage at the caret. */
    void begin() {
        Document document = desk.document();
        echo = Echo.of(document, desk.selection().get().head().path());
        ticks.clear();
        texts.clear();
        texts.put(echo.model(), document.paragraph(echo.model()).text());
        for (BlockPath path : echo.others()) texts.put(path, document.paragraph(path).text());
        list.getChildren().clear();
        for (BlockPath path : echo.others()) {
            String text = document.paragraph(path).plainText().replaceAll("\\s+", " ").strip();
            CheckBox tick = new CheckBox(text.length() > EXCERPT ? text.substring(0, EXCERPT).strip() + "\u2026" : text);
            tick.setSelected(true);
            tick.selectedProperty().addListener((observed, was, now) -> light());
            tick.focusedProperty().addListener((observed, was, now) -> {
                if (now) show(path);
            });
            ticks.put(path, tick);
            list.getChildren().add(tick);
        }
        box.setVisible(true);
        light();
    }

    public void leave() {
        if (echo == null) return;
        echo = null;
        box.setVisible(false);
        table.mark(List.of());
        table.requestFocus();
    }

    private List<BlockPath> ticked() { return ticks.entrySet().stream().filter(entry -> entry.getValue().isSelected()).map(Map.Entry::getKey).toList(); }

    private void light() {
        Document document = desk.document();
        // Where passages came, went or were written in, the ways may lead to others by now.
        boolean stands = texts.entrySet().stream().allMatch(entry -> document.find(Story.BODY, entry.getKey()) instanceof Paragraph paragraph
                && paragraph.text().equals(entry.getValue()));
        if (!stands) {
            leave();
            return;
        }
        List<BlockPath> wanted = ticked();
        List<TextSelection> lit = new ArrayList<>();
        for (BlockPath path : wanted)
            lit.add(new TextSelection(new Place(path, 0), new Place(path, document.paragraph(path).length())));
        table.mark(lit);
        about.setText(echo.others().isEmpty() ? Words.of("echo.none") : Words.of("echo.about", echo.others().size()));
        give.setText(Words.of("echo.give", wanted.size()));
        give.setDisable(wanted.isEmpty());
    }

    /** Brings a passage into view; what is picked stays picked. */
    private void show(BlockPath path) {
        PagedDocument pages = desk.pages().get();
        PagedDocument.Caret place = pages == null || pages.document() != desk.document() ? null : pages.caret(new Place(path, 0));
        if (place != null) table.scrollTo(place.page() + Math.max(0, place.top() - 120) / pages.page(place.page()).height());
    }

    private void give() {
        desk.apply(echo.apply(desk.document(), desk.selection().get(), ticked()));
        leave();
    }
}
