package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.work.Desk;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.edit.Change;
import app.decant.edit.Search;
import app.decant.edit.SeenLook;
import app.decant.edit.TextSelection;
import app.decant.edit.Wanted;
import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Finds words: every place lights up and the first is shown while they are typed, Enter goes from one to the next. Others can be put in their place. */
public final class FindBar {
    private final Desk desk;
    private final PageTable table;
    private final TextField field = field("find", "find.words");
    private final TextField instead = field("instead", "find.instead");
    private final CheckBox exact = new CheckBox(Words.of("find.case"));
    private final CheckBox whole = new CheckBox(Words.of("find.whole"));
    private final CheckBox accents = new CheckBox(Words.of("find.accents"));
    private final CheckBox pattern = new CheckBox(Words.of("find.pattern"));
    private final CheckBox alike = new CheckBox(Words.of("find.look"));
    private final CheckBox part = new CheckBox(Words.of("find.part"));
    private final CheckBox listed = new CheckBox(Words.of("find.list"));
    private final FoundList list;
    private SeenLook look;
    /** The part that is looked through, of a document as it was then; null for all. */
    private TextSelection within;
    /** What was picked when the bar came. */
    private TextSelection offered;
    private Document withinOf;
    private final Label count = new Label();
    private final Button one = button("find.replace", this::replace);
    private final Button all = button("find.replace.all", this::replaceAll);
    private final VBox bar;
    private final HBox replacing;
    /** All places, and those of them that can be shown: in the text itself. */
    private List<TextSelection> everywhere = List.of();
    private List<TextSelection> found = List.of();
    private int at = -1;
    private String trouble = "";

    public FindBar(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        count.getStyleClass().add("quiet");
        count.setWrapText(true);
        count.setMaxWidth(340);
        exact.setId("find-case");
        whole.setId("find-whole");
        accents.setId("find-accents");
        accents.disableProperty().bind(pattern.selectedProperty());
        pattern.setId("find-pattern");
        alike.setId("find-look");
        part.setId("find-part");
        listed.setId("find-list");
        list = new FoundList(desk, this::pick);
        one.setId("replace");
        all.setId("replace-all");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox finding = new HBox(10, field, button("find.before", () -> step(-1)), button("find.next", () -> step(1)), gap,
                button("find.shut", this::hide));
        replacing = new HBox(10, instead, one, all);
        FlowPane choices = new FlowPane(18, 6, exact, whole, accents, pattern, alike, part, listed, count);
        HBox.setHgrow(field, Priority.SOMETIMES);
        for (CheckBox choice : List.of(exact, whole, accents, pattern, alike, part, listed)) choice.setMinWidth(Region.USE_PREF_SIZE);
        for (HBox row : List.of(finding, replacing)) row.setAlignment(Pos.CENTER_LEFT);
        bar = new VBox(8, finding, replacing, choices, list.node());
        bar.getStyleClass().add("find-bar");
        field.textProperty().addListener((observed, was, now) -> search(true));
        for (CheckBox choice : List.of(exact, whole, accents, pattern)) choice.selectedProperty().addListener((observed, was, now) -> search(true));
        alike.selectedProperty().addListener((observed, was, now) -> {
            // What is picked now, before the first place is.
            look = now && desk.document() != null && desk.selection().get() != null ? SeenLook.at(desk.document(), desk.selection().get()) : null;
            search(true);
        });
        part.selectedProperty().addListener((observed, was, now) -> {
            within = now ? offered : null;
            search(now);
        });
        listed.selectedProperty().addListener((observed, was, now) -> tell());
        for (TextField text : List.of(field, instead)) text.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER && text == instead) replace();
            else if (event.getCode() == KeyCode.ENTER) step(event.isShiftDown() ? -1 : 1);
        });
        bar.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) hide();
        });
        desk.pages().addListener((observed, was, now) -> {
            if (bar.isVisible()) search(false);
        });
        hide();
    }

    private static TextField field(String id, String key) {
        TextField field = new TextField();
        field.setId(id);
        field.setPromptText(Words.of(key));
        field.setAccessibleText(Words.of(key));
        field.setPrefWidth(240);
        return field;
    }

    private static Button button(String key, Runnable task) {
        Button button = new Button(Words.of(key));
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(event -> task.run());
        return button;
    }

    public Node node() { return bar; }

    /** @param withReplacing whether other words are to be put in as well */
    public void show(boolean withReplacing) {
        if (desk.document() == null) return;
        bar.setVisible(true);
        bar.setManaged(true);
        replacing.setVisible(withReplacing);
        replacing.setManaged(withReplacing);
        TextSelection picked = desk.selection().get();
        if (picked != null && !picked.isEmpty() && picked.start().path().equals(picked.end().path())) {
            String words = desk.document().paragraph(picked.start()).text().substring(picked.start().offset(), picked.end().offset());
            if (words.length() < 80) field.setText(words);
        }
        offered = picked == null || picked.isEmpty() ? null : picked;
        withinOf = desk.document();
        part.setDisable(offered == null);
        field.requestFocus();
        field.selectAll();
        search(false);
    }

    public void hide() {
        if (!bar.isVisible()) return;
        bar.setVisible(false);
        bar.setManaged(false);
        everywhere = List.of();
        found = List.of();
        alike.setSelected(false);
        part.setSelected(false);
        list.show(found, -1, false);
        table.mark(found);
        table.requestFocus();
    }

    private Wanted wanted() { return new Wanted(field.getText(), exact.isSelected(), whole.isSelected(), pattern.isSelected(), look, accents.isSelected()); }

    private void pick(TextSelection place) {
        at = found.indexOf(place);
        table.pick(place, true);
        tell();
    }

    /** @param show whether the first place at the caret or behind it comes into view */
    private void search(boolean show) {
        if (desk.document() == null) return;
        trouble = "";
        // What somebody wrote meanwhile has moved the part.
        if (desk.document() != withinOf) {
            offered = null;
            part.setDisable(true);
            part.setSelected(false);
        }
        try {
            everywhere = Search.all(desk.document(), wanted()).stream().filter(place -> Search.isWithin(place, within)).toList();
        } catch (DecantException e) {
            everywhere = List.of();
            trouble = e.getMessage();
        }
        found = everywhere.stream().filter(this::isShown).toList();
        at = found.indexOf(desk.selection().get());
        table.mark(found);
        if (show && !found.isEmpty()) {
            at = Math.max(0, firstFrom(desk.selection().get()));
            table.pick(found.get(at), true);
        }
        tell();
    }

    /** The first place that does not begin before what is picked, or -1. */
    private int firstFrom(TextSelection picked) {
        for (int i = 0; picked != null && i < found.size(); i++) {
            Place start = found.get(i).start();
            boolean same = start.story().equals(picked.story());
            if (same ? start.compareTo(picked.start()) >= 0 : start.inBody().compareTo(picked.start().inBody()) > 0) return i;
        }
        return -1;
    }

    /** Whether a place is on a page; headers and notes that are a PDF's own can't be picked. */
    private boolean isShown(TextSelection place) {
        return place.story() instanceof Story.Body || desk.pages().get() != null && desk.pages().get().document() == desk.document()
                && desk.pages().get().spot(place.start()) != null;
    }

    private void tell() {
        int elsewhere = everywhere.size() - found.size();
        String text = !trouble.isEmpty() ? trouble : wanted().isNothing() ? "" : everywhere.isEmpty() ? Words.of("find.none") : at < 0
                ? Words.of("find.found", found.size()) : Words.of("find.at", at + 1, found.size());
        count.setText(elsewhere > 0 ? Words.of("find.elsewhere", text, elsewhere) : text);
        one.setDisable(found.isEmpty());
        all.setDisable(everywhere.isEmpty());
        list.show(found, at, listed.isSelected());
    }

    private void step(int by) {
        if (found.isEmpty()) return;
        int from = at >= 0 && found.get(at).equals(desk.selection().get()) ? at + by : by > 0 ? Math.max(0, firstFrom(desk.selection().get()))
                : firstFrom(desk.selection().get()) - 1;
        at = Math.floorMod(from, found.size());
        table.pick(found.get(at), true);
        tell();
    }

    /** Replaces the place that is picked and goes to the next; where none is, only goes there. */
    private void replace() {
        TextSelection picked = desk.selection().get();
        if (!found.contains(picked)) {
            step(1);
            return;
        }
        make(() -> Search.replace(desk.document(), picked, wanted(), instead.getText()));
        step(1);
    }

    private void replaceAll() {
        int places = everywhere.size();
        boolean made = make(() -> Search.replaceAll(desk.document(), desk.selection().get(), wanted(), instead.getText(), within));
        if (made) count.setText(Words.of("find.replaced", places));
    }

    private boolean make(Supplier<Change> replacement) {
        try {
            Change change = replacement.get();
            desk.apply(change);
            // Contents that follow may have made it another.
            withinOf = desk.document();
            if (within != null) within = within.map(change.transaction().map(), desk.document());
            search(false);
            return true;
        } catch (DecantException e) {
            trouble = e.getMessage();
            tell();
            return false;
        }
    }
}
