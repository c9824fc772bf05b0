package app.decant.desktop.table;

import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.document.DecantException;
import app.decant.edit.FormFilling;
import app.decant.layout.PagedDocument;
import app.decant.page.Page;
import app.decant.pdf.form.FileField;
import app.decant.pdf.form.FileField.Choice;
import app.decant.pdf.form.FileField.Kind;
import app.decant.pdf.form.FileField.Place;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.Side;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * Fills in the fields of a PDF's own form where they stand: a click ticks a box, opens a list, or puts a line over the field to write on. Tab goes from
 * field to field, Enter is done, Esc leaves it as it was.
 */
final class FieldPen {
    private static final double LEAST_HEIGHT = 20;

    private final Desk desk;
    private final PageTable table;
    private TextInputControl pen;
    private At open;

    /** A place of a field on a page that is shown, turned as that is. */
    record At(FileField field, Place place, int page) { }

    FieldPen(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
    }

    /** The places of fields on a page that is shown; none where the page was set anew. */
    List<At> on(Page page) {
        if (page.ground() == null || desk.session().form().fields().isEmpty()) return List.of();
        List<At> all = new ArrayList<>();
        for (FileField field : desk.session().form().fields()) {
            for (Place place : field.places()) {
                if (!field.fixed() && place.page() == page.ground().page())
                    all.add(new At(field, place.turned(page.ground().turn(), page.width(), page.height()), page.index()));
            }
        }
        return all;
    }

    /** Whether there is anything to fill in on the pages as they are shown. */
    boolean applies() {
        return desk.pages().get() != null && desk.session().form().fields().stream().anyMatch(field -> !field.fixed())
                && desk.pages().get().pages().stream().anyMatch(page -> page.ground() != null);
    }

    /** The field under a point of a page, in points; null for none. */
    At at(Page page, double x, double y) { return on(page).stream().filter(one -> one.place.holds(x, y)).findFirst().orElse(null); }

    /** Fills in, or lets somebody fill in, the field there. */
    void take(At at) {
        leave(true);
        if (at.field.kind() == Kind.TICK || at.field.kind() == Kind.CIRCLES) {
            tick(at);
            table.requestFocus();
        } else if (at.field.kind() == Kind.LIST && !at.field.open()) choose(at);
        else write(at);
    }

    /** The first field at or below what is in view. */
    void first() {
        List<At> all = all();
        int page = table.pageInView().get();
        if (!all.isEmpty()) go(all.stream().filter(one -> one.page >= page).findFirst().orElse(all.get(0)));
    }

    private List<At> all() {
        List<At> all = new ArrayList<>();
        PagedDocument pages = desk.pages().get();
        if (pages != null) for (Page page : pages.pages()) all.addAll(on(page));
        return all;
    }

    private void go(At at) {
        table.show(at.page, at.place.top());
        if (at.field.kind() == Kind.TEXT || at.field.open()) take(at);
        else hold(at);
    }

    private String said(FileField field) { return desk.document().answers().getOrDefault(field.name(), field.value()); }

    private void say(FileField field, String wish) {
        try {
            String said = field.said(wish);
            if (said.equals(said(field))) return;
            desk.inOrder(() -> desk.apply(FormFilling.answer(desk.document(), desk.selection().get(), field.name(),
                    said.equals(field.value()) ? null : said)));
        } catch (DecantException e) {
            desk.trouble().set(e);
        }
    }

    private void tick(At at) {
        boolean set = FileField.isSet(at.place, said(at.field));
        // A circle stays filled until another is; a box goes back.
        if (at.field.kind() == Kind.TICK) say(at.field, set ? "no" : at.place.state() == null ? "yes" : at.place.state());
        else if (!set && at.place.state() != null) say(at.field, at.place.state());
    }

    private void choose(At at) {
        ContextMenu menu = new ContextMenu();
        menu.setId("field-choices");
        menu.getStyleClass().add("pointer-menu");
        Set<String> taken = new LinkedHashSet<>(Arrays.asList(said(at.field).split("\n")));
        taken.remove("");
        for (Choice choice : at.field.choices()) {
            MenuItem item = at.field.several() ? new CheckMenuItem(choice.words()) : new MenuItem(choice.words());
            item.setMnemonicParsing(false);
            if (item instanceof CheckMenuItem check) check.setSelected(taken.contains(choice.value()));
            item.setOnAction(event -> {
                if (!at.field.several()) {
                    say(at.field, choice.value());
                    return;
                }
                if (!taken.remove(choice.value())) taken.add(choice.value());
                say(at.field, String.join("\n", at.field.choices().stream().map(Choice::value).filter(taken::contains).toList()));
            });
            menu.getItems().add(item);
        }
        double[] frame = table.frameOf(at.page, at.place);
        menu.show(table, Side.TOP, frame[0], frame[1] + frame[3]);
    }

    private void write(At at) {
        open = at;
        pen = at.field.lines() ? new TextArea(said(at.field)) : new TextField(at.field.words(said(at.field)));
        if (pen instanceof TextArea area) area.setWrapText(true);
        start();
    }

    /** A box, circle or list under the keys: the space bar sets it. */
    private void hold(At at) {
        open = at;
        TextField holder = new TextField(at.field.kind() != Kind.LIST ? "" : at.field.words(said(at.field)));
        holder.setEditable(false);
        pen = holder;
        start();
        if (at.field.kind() != Kind.LIST) pen.getStyleClass().add("field-held");
        holder.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() != KeyCode.SPACE) return;
            event.consume();
            if (at.field.kind() == Kind.LIST) choose(at);
            else tick(at);
        });
    }

    private void start() {
        pen.setId("field-pen");
        // It stands where its field is, however the pages are laid out on the table.
        pen.setManaged(false);
        pen.getStyleClass().add("field-pen");
        pen.setAccessibleText(Words.of("field.name", open.field.label()));
        pen.setPromptText(open.field.label().equals(open.field.name()) ? "" : open.field.label());
        pen.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        TextInputControl mine = pen;
        pen.focusedProperty().addListener((observed, before, now) -> {
            if (!now && pen == mine) leave(true);
        });
        table.over(pen, true);
        place();
        pen.requestFocus();
        pen.selectAll();
    }

    private void pressed(KeyEvent event) {
        boolean done = event.getCode() == KeyCode.ENTER && (!open.field.lines() || event.isShortcutDown());
        if (event.getCode() == KeyCode.TAB) {
            event.consume();
            next(event.isShiftDown() ? -1 : 1);
        } else if (event.getCode() == KeyCode.ESCAPE || done) {
            event.consume();
            leave(done);
            table.requestFocus();
        }
    }

    private void next(int step) {
        List<At> all = all();
        At here = open;
        int index = -1;
        for (int i = 0; i < all.size(); i++) if (all.get(i).equals(here)) index = i;
        leave(true);
        if (index >= 0 && !all.isEmpty()) go(all.get(Math.floorMod(index + step, all.size())));
    }

    /** Takes the line away, with what was written or without. */
    void leave(boolean keeps) {
        if (pen == null) return;
        TextInputControl mine = pen;
        At at = open;
        pen = null;
        open = null;
        table.over(mine, false);
        if (keeps && mine.isEditable()) say(at.field, mine.getText());
    }

    /** Keeps the line where its field is. */
    void place() {
        if (pen == null) return;
        double[] frame = table.frameOf(open.page, open.place);
        double height = Math.max(LEAST_HEIGHT, frame[3]);
        double size = Math.max(9, Math.min(12 * table.scale(), frame[3] * 0.66));
        pen.setStyle("-fx-font-size: " + size + "px; -fx-padding: 0 3 0 3;");
        double y = pen.isEditable() ? frame[1] + (frame[3] - height) / 2 : frame[1];
        pen.resizeRelocate(Math.round(frame[0]), Math.round(y), pen.isEditable() ? Math.max(40, frame[2]) : frame[2], pen.isEditable() ? height : frame[3]);
    }
}
