package app.decant.desktop.sheet;

import app.decant.sheet.Range;
import app.decant.sheet.SheetAnswers;
import app.decant.sheet.SheetSurface;
import java.util.HashMap;
import java.util.Map;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyEvent;

/** The keys on a sheet: go, pick, write, empty, copy and paste as text with tabs, undo. */
final class SheetKeys {
    private static final int PAGE = 20;
    private static final int MOST_PASTED = 100_000;

    private final SheetTable table;

    SheetKeys(SheetTable table) { this.table = table; }

    void install() {
        table.setOnKeyPressed(event -> {
            if (table.surface().get() == null || table.picked().get() == null || table.isWriting()) return;
            if (event.isShortcutDown() ? shortcut(event) : plain(event)) event.consume();
        });
        table.setOnKeyTyped(event -> {
            String typed = event.getCharacter();
            boolean letter = !typed.isEmpty() && typed.charAt(0) >= ' ' && typed.charAt(0) != 127 && !event.isShortcutDown() && !event.isAltDown();
            if (!letter || table.isWriting() || table.picked().get() == null) return;
            table.write(typed);
            event.consume();
        });
    }

    private boolean plain(KeyEvent event) {
        boolean more = event.isShiftDown();
        if (event.isAltDown()) return false;
        switch (event.getCode()) {
            case UP -> table.go(-1, 0, more);
            case DOWN -> table.go(1, 0, more);
            case LEFT -> table.go(0, -1, more);
            case RIGHT -> table.go(0, 1, more);
            case PAGE_UP -> table.go(-PAGE, 0, more);
            case PAGE_DOWN -> table.go(PAGE, 0, more);
            case HOME -> table.to(more ? table.picked().get().toRow() : table.picked().get().row(), 0, more);
            case TAB -> table.go(0, more ? -1 : 1, false);
            case ENTER -> table.go(more ? -1 : 1, 0, false);
            case F2 -> table.write(null);
            // Tab goes from cell to cell; this leads out of them.
            case F6 -> table.leave();
            case DELETE, BACK_SPACE -> empty();
            default -> {
                return false;
            }
        }
        return true;
    }

    private boolean shortcut(KeyEvent event) {
        boolean more = event.isShiftDown();
        switch (event.getCode()) {
            case UP -> jump(-1, 0, more);
            case DOWN -> jump(1, 0, more);
            case LEFT -> jump(0, -1, more);
            case RIGHT -> jump(0, 1, more);
            case HOME -> table.to(0, 0, more);
            case END -> end(more);
            case A -> all();
            case C -> copy();
            case X -> {
                copy();
                empty();
            }
            case V -> paste();
            case Z -> {
                if (more) table.desk().redo();
                else table.desk().undo();
            }
            case Y -> table.desk().redo();
            case PAGE_DOWN -> beside(1);
            case PAGE_UP -> beside(-1);
            default -> {
                return false;
            }
        }
        return true;
    }

    /** The next sheet that is not hidden. */
    private void beside(int step) {
        int at = table.picked().get().sheet() + step;
        while (at >= 0 && at < table.workbook().sheets().size() && table.workbook().sheets().get(at).hidden()) at += step;
        if (at >= 0 && at < table.workbook().sheets().size()) table.show(at);
    }

    private Range used() { return table.surface().get().used(); }

    private void end(boolean more) {
        Range used = used();
        if (used != null) table.to(used.bottom(), used.right(), more);
    }

    private void all() {
        Range used = used();
        if (used != null) table.pick(new SheetPick(table.picked().get().sheet(), 0, 0, used.bottom(), used.right()), false);
    }

    /** To the last filled cell before an empty one, or the next filled one after that. */
    private void jump(int rows, int columns, boolean more) {
        SheetSurface here = table.surface().get();
        SheetPick pick = table.picked().get();
        int row = more ? pick.toRow() : pick.row();
        int column = more ? pick.toColumn() : pick.column();
        Range used = used();
        int lastRow = used == null ? 0 : used.bottom();
        int lastColumn = used == null ? 0 : used.right();
        boolean within = isFilled(here, row, column) && isFilled(here, row + rows, column + columns);
        do {
            row += rows;
            column += columns;
        } while (row >= 0 && column >= 0 && row <= lastRow && column <= lastColumn && (within ? isFilled(here, row + rows, column + columns)
                : !isFilled(here, row, column)));
        table.to(Math.min(row, Math.max(lastRow, pick.row())), Math.min(column, Math.max(lastColumn, pick.column())), more);
    }

    private static boolean isFilled(SheetSurface here, int row, int column) {
        return row >= 0 && column >= 0 && here.sheet().cell(row, column) != null && !here.sheet().cell(row, column).isEmpty();
    }

    /** What is picked, as far as anything is there. */
    private Range picked() {
        Range range = table.picked().get().range();
        Range used = used();
        return used == null ? Range.cell(range.top(), range.left()) : range.within(used) == null ? Range.cell(range.top(), range.left()) : range.within(used);
    }

    private void empty() {
        Map<String, String> answers = new HashMap<>();
        Range range = picked();
        SheetSurface here = table.surface().get();
        for (int r = range.top(); r <= range.bottom(); r++)
            for (int c = range.left(); c <= range.right(); c++) if (isFilled(here, r, c)) answers.put(SheetAnswers.cell(table.name(), r, c), "");
        table.fill(answers);
    }

    private void copy() {
        Range range = picked();
        SheetSurface here = table.surface().get();
        StringBuilder text = new StringBuilder();
        for (int r = range.top(); r <= range.bottom(); r++) {
            for (int c = range.left(); c <= range.right(); c++) {
                if (c > range.left()) text.append('\t');
                String shown = here.shown(r, c);
                text.append(shown.indexOf('\n') < 0 && shown.indexOf('\t') < 0 ? shown : '"' + shown.replace("\"", "\"\"") + '"');
            }
            if (r < range.bottom()) text.append('\n');
        }
        ClipboardContent content = new ClipboardContent();
        content.putString(text.toString());
        Clipboard.getSystemClipboard().setContent(content);
    }

    /** Rows and columns of text, from the cell that is picked on. */
    private void paste() {
        String text = Clipboard.getSystemClipboard().getString();
        if (text == null || text.isEmpty()) return;
        Map<String, String> answers = new HashMap<>();
        Range range = table.picked().get().range();
        String[] lines = text.replace("\r\n", "\n").replaceAll("\n$", "").split("\n", -1);
        int most = 0;
        for (int r = 0; r < lines.length && range.top() + r < Range.MOST_ROWS; r++) {
            String[] cells = lines[r].split("\t", -1);
            most = Math.max(most, cells.length);
            for (int c = 0; c < cells.length && range.left() + c < Range.MOST_COLUMNS && answers.size() < MOST_PASTED; c++)
                answers.put(SheetAnswers.cell(table.name(), range.top() + r, range.left() + c), cells[c]);
        }
        table.fill(answers);
        int bottom = Math.min(table.surface().get().rows(), range.top() + lines.length) - 1;
        int right = Math.min(table.surface().get().columns(), range.left() + most) - 1;
        table.pick(new SheetPick(table.picked().get().sheet(), range.top(), range.left(), bottom, right), true);
    }
}
