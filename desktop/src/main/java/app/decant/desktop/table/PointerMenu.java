package app.decant.desktop.table;

import app.decant.desktop.command.Command;
import app.decant.desktop.command.CommandList;
import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.WordWatch;
import app.decant.document.Place;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.spelling.Spelling.Slip;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.input.ContextMenuEvent;

/** The menu at the pointer, or at the caret for the key that asks for it: only what applies, in the words of "What do you need?". */
final class PointerMenu {
    private static final int MOST = 9;
    private static final int WORDS = 3;
    /** What is offered, what is about the thing at the pointer first. */
    private static final List<String> OFFERED = List.of("picture.replace", "picture.turn", "float.over", "float.under", "form.tick",
            "review.accept", "review.reject", "table.merge", "table.split", "table.row.below", "table.column.behind",
            "table.rows.out", "table.columns.out", "heading.raise", "heading.lower", "section.up", "section.down", "cut", "copy", "paste", "paste.text",
            "echo", "echo.tables", "echo.links", "remark", "find", "undo");

    private final Desk desk;
    private final PageTable table;
    private final ContextMenu menu = new ContextMenu();

    PointerMenu(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        menu.setId("pointer-menu");
        menu.getStyleClass().add("pointer-menu");
    }

    void atPointer(ContextMenuEvent event, CommandList commands) {
        // The keys that ask for it are the table's own.
        if (event.isKeyboardTrigger() || desk.document() == null || desk.selection().get() == null) return;
        event.consume();
        desk.whenLaidOut(() -> {
            Place place = table.placeAt(event.getX(), event.getY());
            // What is picked stays so where the pointer is on it.
            if (place != null && !isIn(place, desk.selection().get())) desk.pick(TextSelection.caret(place));
            show(commands, event.getScreenX(), event.getScreenY(), false);
        });
    }

    void atCaret(CommandList commands) {
        double[] at = table.caretPoint(desk.selection().get().head());
        if (at == null) return;
        Point2D point = table.localToScreen(at[0], at[1]);
        show(commands, point.getX(), point.getY() + 12, true);
    }

    private static boolean isIn(Place place, TextSelection picked) {
        return picked.start().compareTo(place) <= 0 && place.compareTo(picked.end()) <= 0;
    }

    private void show(CommandList commands, double x, double y, boolean byKey) {
        Place place = desk.selection().get().start();
        Slip slip = desk.words().at(place);
        if (slip == null) show(commands, x, y, byKey, List.of());
        else desk.words().suggest(slip, WORDS, words -> {
            if (slip.equals(desk.words().at(place))) show(commands, x, y, byKey, instead(place, slip, words));
        });
    }

    /** What a word may have been meant as, and that it is right as it is. */
    private List<MenuItem> instead(Place place, Slip slip, List<String> words) {
        List<MenuItem> items = new ArrayList<>();
        for (String word : words) {
            MenuItem item = new MenuItem(Words.of("words.instead", word));
            item.setId("menu-word-" + items.size());
            item.setOnAction(event -> desk.inOrder(() -> {
                if (slip.equals(desk.words().at(place))) desk.apply(Typing.correct(desk.document(), WordWatch.span(place, slip), word));
            }));
            items.add(item);
        }
        MenuItem right = new MenuItem(Words.of("words.learn"));
        right.setId("menu-word-learn");
        right.setOnAction(event -> desk.words().learn(slip.word()));
        items.add(right);
        return items;
    }

    private void show(CommandList commands, double x, double y, boolean byKey, List<MenuItem> first) {
        menu.getItems().setAll(first);
        List<Command> applying = commands.applying();
        for (String key : OFFERED) {
            applying.stream().filter(command -> command.key().equals(key)).findFirst().ifPresent(command -> {
                if (menu.getItems().size() < MOST) menu.getItems().add(item(command));
            });
        }
        menu.show(table, x, y);
        if (byKey) pickFirst();
    }

    /** Keys go on from the first thing offered; left alone, the window picks it or nothing, as its time allows. */
    private void pickFirst() {
        menu.getItems().stream().filter(item -> !item.isDisable()).findFirst().map(MenuItem::getStyleableNode).ifPresent(Node::requestFocus);
    }

    private static MenuItem item(Command command) {
        MenuItem item = new MenuItem(command.words());
        item.setId("menu-" + command.key());
        // Only shown: the menu belongs to no control, so that its keys are those of the table.
        if (!command.keys().isEmpty()) item.setAccelerator(command.keys().get(0));
        item.setOnAction(event -> command.run());
        return item;
    }
}
