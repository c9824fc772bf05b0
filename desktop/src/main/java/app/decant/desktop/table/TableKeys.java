package app.decant.desktop.table;

import app.decant.desktop.command.Command;
import app.decant.desktop.command.CommandList;
import app.decant.desktop.work.Desk;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Walk;
import app.decant.edit.Adoption;
import app.decant.edit.Change;
import app.decant.edit.Deletion;
import app.decant.edit.Lists;
import app.decant.edit.Pasting;
import app.decant.edit.Pictures;
import app.decant.edit.Slice;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.edit.TypingAids;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.page.Line;
import app.decant.picture.PictureFile;
import java.text.Bidi;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** The keyboard on the table: moving, picking, typing, cutting and pasting. */
public final class TableKeys {
    /** What they do depends on where lines and pages end. */
    private static final Set<KeyCode> LOOK_AT_PAGES = EnumSet.of(KeyCode.UP, KeyCode.DOWN, KeyCode.HOME, KeyCode.END, KeyCode.PAGE_UP,
            KeyCode.PAGE_DOWN, KeyCode.CONTEXT_MENU, KeyCode.F10);

    private final Desk desk;
    private final PageTable table;
    private CommandList commands;
    private double wantedX = -1;
    private Slice cutOut = new Slice(List.of());

    CommandList commands() { return commands; }

    /** What the keys of the table stand for besides moving and typing. */
    public void use(CommandList list) { commands = list; }

    TableKeys(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
    }

    void typed(KeyEvent event) {
        String text = event.getCharacter();
        boolean command = event.isShortcutDown() && !event.isAltDown() || event.isMetaDown();
        if (command || text.isEmpty() || text.charAt(0) < ' ' || text.charAt(0) == 127 || desk.document() == null) return;
        event.consume();
        desk.inOrder(() -> type(text));
    }

    /** Takes what an input method has made up. */
    void take(String text) { if (desk.document() != null && desk.selection().get() != null) desk.inOrder(() -> type(text)); }

    /** Types letters; what helps with them comes as a step of its own, so that one undo takes just that back. */
    private void type(String text) {
        edit(Typing.type(desk.document(), desk.selection().get(), text, desk.nextLook().get()));
        Change aid = TypingAids.after(desk.document(), desk.selection().get(), text, desk.aids().wanted());
        if (aid != null) edit(aid);
    }

    private void edit(Change change) {
        wantedX = -1;
        desk.apply(change);
        table.reveal();
    }

    void pressed(KeyEvent event) {
        if (desk.document() == null) return;
        boolean control = event.isShortcutDown();
        boolean shift = event.isShiftDown();
        KeyCode code = event.getCode();
        if (event.isAltDown()) return;
        // What the mouse holds is let go before anything else that Esc ends.
        if (code == KeyCode.ESCAPE && table.letGo()) {
            event.consume();
            return;
        }
        Optional<Command> command = commands.onTable(event);
        if (command.isPresent()) {
            event.consume();
            command.get().run();
            return;
        }
        Runnable task = switch (code) {
            case LEFT -> () -> toward(false, control, shift);
            case RIGHT -> () -> toward(true, control, shift);
            case UP -> () -> updown(-1, shift);
            case DOWN -> () -> updown(1, shift);
            case HOME -> () -> move(control ? first() : lineEdge(false), shift);
            case END -> () -> move(control ? last() : lineEdge(true), shift);
            case PAGE_UP -> () -> page(-1, shift);
            case PAGE_DOWN -> () -> page(1, shift);
            case BACK_SPACE -> () -> erase(false, control);
            case DELETE -> () -> erase(true, control);
            case ENTER -> control ? null : shift ? () -> edit(Typing.breakLine(desk.document(), desk.selection().get())) : this::enter;
            case CONTEXT_MENU -> table::menuAtCaret;
            case F10 -> shift ? table::menuAtCaret : null;
            case TAB -> control ? () -> edit(Typing.type(desk.document(), desk.selection().get(), "\t", null)) : () -> tab(!shift);
            default -> null;
        };
        if (task == null) return;
        event.consume();
        Runnable ready = () -> {
            if (desk.selection().get() != null) task.run();
        };
        if (LOOK_AT_PAGES.contains(code)) desk.whenLaidOut(ready);
        else desk.inOrder(ready);
    }

    /** Items go deeper where the caret stands before them; in a table on to the next cell, and behind the last into a new row; else a tab. */
    private void tab(boolean forward) {
        TextSelection span = desk.selection().get();
        boolean item = Lists.kind(desk.document(), desk.document().paragraph(span.head())) != null;
        if (item && (span.start().offset() == 0 || !span.isEmpty())) {
            edit(Lists.deeper(desk.document(), span, forward ? 1 : -1));
        } else if (Tables.area(desk.document(), span) == null) {
            if (forward) edit(Typing.type(desk.document(), span, "\t", null));
        } else {
            Place next = Tables.next(desk.document(), span, forward);
            if (next != null) move(next, false);
            else if (forward) edit(Tables.addRow(desk.document(), span));
        }
    }

    /** A new paragraph; in an item with nothing in it the list ends instead. A list of contents has the entries that its headings give it: on to the next. */
    private void enter() {
        TextSelection span = desk.selection().get();
        if (desk.document().find(span.head().story(), span.head().path().parent()) instanceof Contents) {
            List<Walk.Stop> stops = walk().stops();
            int next = walk().indexOf(desk.document().paragraph(span.head())) + 1;
            if (next < stops.size()) move(new Place(span.head().story(), stops.get(next).path(), 0), false);
            return;
        }
        Paragraph paragraph = desk.document().paragraph(span.head());
        boolean ends = span.isEmpty() && paragraph.length() == 0 && Lists.kind(desk.document(), paragraph) != null;
        edit(ends ? Lists.out(desk.document(), span) : Typing.breakParagraph(desk.document(), span));
    }

    /** The paragraphs of the text that the caret is in: the body, a header, a note. */
    private Walk walk() {
        Story story = desk.selection().get().story();
        return desk.isLaidOut() ? desk.pages().get().walk(story) : Walk.of(desk.document(), story);
    }

    private Place first() { return new Place(desk.selection().get().story(), walk().stops().get(0).path(), 0); }

    private Place last() {
        Walk.Stop stop = walk().stops().get(walk().stops().size() - 1);
        return new Place(desk.selection().get().story(), stop.path(), stop.paragraph().length());
    }

    private void move(Place to, boolean extend) {
        if (to == null) return;
        wantedX = -1;
        put(to, extend);
    }

    private void put(Place to, boolean extend) {
        TextSelection span = desk.selection().get();
        desk.pick(extend ? new TextSelection(span.anchor(), to) : TextSelection.caret(to));
        table.reveal();
    }

    /** Whether the letter at the caret runs from right to left, so that the keys go where the eye goes (Unicode Standard Annex 9). */
    private boolean isRightToLeft() {
        Place head = desk.selection().get().head();
        Paragraph paragraph = desk.document().paragraph(head);
        boolean whole = Cascade.of(desk.document()).paragraph(paragraph).is(ParagraphProperty.RIGHT_TO_LEFT);
        if (paragraph.length() == 0) return whole;
        Bidi levels = new Bidi(paragraph.text(), whole ? Bidi.DIRECTION_RIGHT_TO_LEFT : Bidi.DIRECTION_LEFT_TO_RIGHT);
        return levels.getLevelAt(Math.min(head.offset(), paragraph.length() - 1)) % 2 == 1;
    }

    /** Where the eye goes: within a line that holds words of both directions by what is seen, else by the text. */
    private void toward(boolean right, boolean word, boolean extend) {
        TextSelection span = desk.selection().get();
        String text = desk.document().paragraph(span.head()).text();
        boolean seen = !word && (extend || span.isEmpty()) && Bidi.requiresBidi(text.toCharArray(), 0, text.length());
        if (seen && !desk.isLaidOut()) {
            desk.whenLaidOut(() -> toward(right, false, extend));
            return;
        }
        PagedDocument.Spot spot = seen ? desk.pages().get().spot(span.head(), table.near()) : null;
        int next = spot == null ? -1 : spot.line().line().beside(span.head().offset(), right, offset -> WordBounds.isStop(text, offset));
        if (next >= 0) move(span.head().at(next), extend);
        else across(isRightToLeft() != right, word, extend);
    }

    private void across(boolean forward, boolean word, boolean extend) {
        TextSelection span = desk.selection().get();
        if (!extend && !span.isEmpty() && !word) {
            move(forward ? span.end() : span.start(), false);
            return;
        }
        move(beside(span.head(), forward, word), extend);
    }

    private Place beside(Place place, boolean forward, boolean word) {
        String text = desk.document().paragraph(place).text();
        int offset = place.offset();
        if (forward && offset >= text.length() || !forward && offset == 0) {
            int index = walk().indexOf(place.path()) + (forward ? 1 : -1);
            if (index < 0 || index >= walk().stops().size()) return place;
            Walk.Stop stop = walk().stops().get(index);
            return new Place(place.story(), stop.path(), forward ? 0 : stop.paragraph().length());
        }
        int to = word ? forward ? WordBounds.next(text, offset) : WordBounds.previous(text, offset) : WordBounds.step(text, offset, forward);
        return place.at(to);
    }

    private void updown(int direction, boolean extend) {
        PagedDocument pages = desk.pages().get();
        Place head = desk.selection().get().head();
        PagedDocument.Spot spot = pages.spot(head, table.near());
        if (spot == null) return;
        PagedDocument.Caret caret = pages.caret(head, table.near());
        double x = wantedX >= 0 ? wantedX : caret.x();
        double y = direction < 0 ? spot.line().y() - 2 : spot.line().y() + spot.line().line().height() + 2;
        Place found = lineBeside(pages, spot, head.story(), x, y, direction);
        if (found == null) return;
        put(found, extend);
        wantedX = x;
    }

    /** The place on the nearest line above or below, over page ends too. */
    private static Place lineBeside(PagedDocument pages, PagedDocument.Spot from, Story story, double x, double y, int direction) {
        Item.LineItem best = null;
        double nearest = Double.MAX_VALUE;
        int page = from.page();
        while (page >= 0 && page < pages.count() && best == null) {
            for (Item item : pages.page(page).items()) {
                if (!(item instanceof Item.LineItem line) || !isOf(story, line, pages)) continue;
                boolean beyond = page != from.page() || (direction < 0 ? line.y() + line.line().height() <= from.line().y() + 1 : line.y() >= from.line().y()
                        + from.line().line().height() - 1);
                if (!beyond) continue;
                double start = page == from.page() ? y : direction < 0 ? pages.page(page).height() : 0;
                double down = direction < 0 ? start - (line.y() + line.line().height()) : line.y() - start;
                double side = x < line.left() ? line.left() - x : Math.max(0, x - line.left() - line.line().width());
                double away = Math.abs(down) * 4 + side * 0.5;
                if (away < nearest) {
                    nearest = away;
                    best = line;
                }
            }
            // A header is the same on every page.
            if (story instanceof Story.Frame) break;
            page += direction;
        }
        if (best == null) return null;
        BlockPath path = pages.walk(story).pathOf(TextPassage.paragraph(best));
        return path == null ? null : new Place(story, path, best.line().offsetAt(x - best.left()));
    }

    private static boolean isOf(Story story, Item.LineItem line, PagedDocument pages) {
        return story instanceof Story.Body ? line.editable() : pages.walk(story).indexOf(TextPassage.paragraph(line)) >= 0;
    }

    private Place lineEdge(boolean end) {
        Place head = desk.selection().get().head();
        PagedDocument.Spot spot = desk.pages().get().spot(head, table.near());
        if (spot == null) return null;
        Line line = spot.line().line();
        boolean runsOn = line.end() < spot.line().passage().length();
        return head.at(end ? runsOn ? Math.max(line.start(), line.end() - 1) : line.end() : line.start());
    }

    private void page(int direction, boolean extend) {
        double[] at = table.caretPoint(desk.selection().get().head());
        table.scroll(direction * table.getHeight() * 0.9);
        if (at == null) return;
        Story story = desk.selection().get().story();
        Place place = story instanceof Story.Body ? table.placeAt(at[0], Math.max(0, Math.min(table.getHeight(), at[1])), story) : null;
        if (place != null) {
            TextSelection span = desk.selection().get();
            desk.pick(extend ? new TextSelection(span.anchor(), place) : TextSelection.caret(place));
        }
    }

    private void erase(boolean forward, boolean word) {
        TextSelection span = desk.selection().get();
        if (span.isEmpty()) {
            Place other = beside(span.head(), forward, word);
            boolean joins = other.path().isSiblingOf(span.head().path());
            if (other.equals(span.head()) || !joins) return;
            span = new TextSelection(span.head(), other);
        }
        edit(Deletion.delete(desk.document(), Tables.asCells(desk.document(), span)));
    }

    /** Picks everything. */
    public void all() { desk.pick(new TextSelection(first(), last())); }

    public void copy() {
        TextSelection span = desk.selection().get();
        if (span.isEmpty()) return;
        cutOut = Slice.of(desk.document(), Tables.asCells(desk.document(), span));
        Clip.put(desk.document(), cutOut);
    }

    public void cut() {
        TextSelection span = desk.selection().get();
        if (span.isEmpty()) return;
        copy();
        edit(Deletion.delete(desk.document(), Tables.asCells(desk.document(), span)));
    }

    /** With the looks it has: what was copied here as it was, what comes from elsewhere dressed for this document. */
    public void paste() {
        String text = Clip.text();
        TextSelection span = desk.selection().get();
        if (!text.isEmpty() && text.equals(cutOut.text())) {
            edit(Pasting.paste(desk.document(), span, cutOut));
            return;
        }
        Clip.Dressed dressed = Clip.dressed();
        if (dressed == null) pastePlain(text);
        else if (dressed.isShort()) paste(dressed.read(), text);
        // Typing goes on while what is long is read; it comes in where the caret is then.
        else desk.aside(() -> {
            Document other = dressed.read();
            Platform.runLater(() -> desk.inOrder(() -> paste(other, text)));
        });
    }

    private void paste(Document other, String text) {
        if (other == null) pastePlain(text);
        else if (desk.document() != null) edit(Adoption.paste(desk.document(), desk.selection().get(), other));
    }

    private void pastePlain(String text) {
        PictureFile picture = text.isEmpty() ? Clip.picture() : null;
        if (picture == null) {
            pasteText();
            return;
        }
        double wide = picture.width(Pictures.room(desk.document(), desk.selection().get().head()));
        edit(Pictures.insert(desk.document(), desk.selection().get(), picture.image(), wide, wide * picture.down() / picture.across()));
    }

    /** As words alone, which look as those at the caret do. */
    public void pasteText() {
        String text = Clip.text();
        if (!text.isEmpty()) edit(Typing.type(desk.document(), desk.selection().get(), text, null));
    }
}
