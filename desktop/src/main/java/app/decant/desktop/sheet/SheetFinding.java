package app.decant.desktop.sheet;

import app.decant.desktop.part.Words;
import app.decant.sheet.Cell;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetAnswers;
import app.decant.sheet.SheetSurface;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;

/** Looks for words in what cells show and what they come of, on from the cell that is picked and over all sheets; puts others in their place on one. */
final class SheetFinding {
    private final SheetTable table;
    private final TextField sought = new TextField();
    private final TextField other = new TextField();
    private final Button all = new Button(Words.of("sheet.replace.all"));
    private final Label told = new Label();
    private final VBox box;

    SheetFinding(SheetTable table) {
        this.table = table;
        sought.setId("sheet-find");
        sought.setPromptText(Words.of("sheet.find.prompt"));
        sought.setAccessibleText(Words.of("sheet.find.prompt"));
        other.setId("sheet-replace");
        other.setPromptText(Words.of("sheet.replace.prompt"));
        other.setAccessibleText(Words.of("sheet.replace.prompt"));
        told.setId("sheet-found");
        told.getStyleClass().add("quiet");
        told.setWrapText(true);
        all.setId("sheet-replace-all");
        all.managedProperty().bind(all.visibleProperty());
        other.managedProperty().bind(other.visibleProperty());
        other.setVisible(false);
        all.visibleProperty().bind(other.visibleProperty());
        sought.setOnAction(event -> next());
        // A field of text takes this key for itself.
        sought.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (!event.isShortcutDown() || event.getCode() != KeyCode.H) return;
            begin(true);
            event.consume();
        });
        other.setOnAction(event -> replace());
        all.setOnAction(event -> replace());
        box = new VBox(8, sought, other, all, told);
    }

    Node node() { return box; }

    void begin(boolean replacing) {
        other.setVisible(replacing);
        sought.requestFocus();
        sought.selectAll();
    }

    private boolean holds(Sheet sheet, Row row, Cell cell, String wanted) {
        if (cell.isEmpty() && cell.formula() == null) return false;
        SheetSurface here = table.surface().get();
        boolean formula = cell.formula() != null && ("=" + cell.formula()).toLowerCase(Locale.ROOT).contains(wanted);
        return formula || here.shown(sheet, row.index(), cell.column()).toLowerCase(Locale.ROOT).contains(wanted);
    }

    /** The next cell after the one that is picked, from sheet to sheet and round. */
    private void next() {
        String wanted = sought.getText().toLowerCase(Locale.ROOT);
        if (wanted.isEmpty() || table.surface().get() == null) return;
        SheetPick from = table.picked().get();
        int count = table.workbook().sheets().size();
        for (int step = 0; step <= count; step++) {
            int index = (from.sheet() + step) % count;
            Sheet sheet = table.workbook().sheets().get(index);
            if (sheet.hidden() && index != from.sheet()) continue;
            for (Row row : sheet.rows()) {
                for (Cell cell : row.cells()) {
                    boolean after = row.index() > from.row() || row.index() == from.row() && cell.column() > from.column();
                    if (step == 0 && !after || step == count && after || !holds(sheet, row, cell, wanted)) continue;
                    told.setText("");
                    SheetPick found = SheetPick.cell(index, row.index(), cell.column());
                    if (index != from.sheet()) table.show(index, () -> show(found));
                    else show(found);
                    return;
                }
            }
        }
        told.setText(Words.of("sheet.find.none", sought.getText()));
    }

    private void show(SheetPick found) {
        table.pick(found, true);
        sought.requestFocus();
    }

    /** All in what was typed into the cells of the sheet that is shown; what comes of formulas is none of that. */
    private void replace() {
        if (sought.getText().isEmpty() || table.surface().get() == null) return;
        Pattern wanted = Pattern.compile(Pattern.quote(sought.getText()), Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
        String by = Matcher.quoteReplacement(other.getText());
        Map<String, String> answers = new HashMap<>();
        SheetSurface here = table.surface().get();
        for (Row row : here.sheet().rows()) {
            for (Cell cell : row.cells()) {
                String typed = here.typed(row.index(), cell.column());
                String now = wanted.matcher(typed).replaceAll(by);
                if (!now.equals(typed)) answers.put(SheetAnswers.cell(table.name(), row.index(), cell.column()), now);
            }
        }
        told.setText(table.fill(answers) ? Words.of("sheet.replaced", answers.size()) : "");
    }
}
