package app.decant.desktop.sheet;

import app.decant.desktop.part.Words;
import app.decant.document.TextProperty;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.Range;
import app.decant.sheet.SheetAnswers.Dress;
import app.decant.sheet.SheetAnswers;
import app.decant.sheet.SheetSurface;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** How the cells that are picked look: weight and slant, where they stand, how numbers are shown, what is behind them. */
final class SheetLooks {
    /** The colours behind cells that are offered: paper, and pale ones that print well. */
    private static final List<String> FILLS = List.of("", "F6EAD2", "E4EDE6", "E3ECF3", "F1E4EA", "EFEFEF");
    private static final int MOST = 50_000;

    private final SheetTable table;
    private final ToggleButton bold = toggle("B", "sheet-bold", "look-bold", "sheet.bold", Dress.BOLD);
    private final ToggleButton italic = toggle("I", "sheet-italic", "look-italic", "sheet.italic", Dress.ITALIC);
    private final ComboBox<String> format = new ComboBox<>();
    private final VBox box;
    private boolean telling;

    SheetLooks(SheetTable table) {
        this.table = table;
        HBox row = new HBox(8, bold, italic, across("sheet.left", "\u21E4", CellStyle.Across.LEFT), across("sheet.middle", "\u2194", CellStyle.Across.CENTRE),
                across("sheet.right", "\u21E5", CellStyle.Across.RIGHT));
        format.setId("sheet-format");
        format.setEditable(true);
        format.getItems().setAll(CellStyle.GENERAL, "0", "0.00", "#,##0", "#,##0.00", "0%", "0.0%", "yyyy-mm-dd", "d mmm yyyy", "hh:mm", "[h]:mm", "@");
        format.setMaxWidth(Double.MAX_VALUE);
        format.setAccessibleText(Words.of("sheet.format"));
        format.setOnAction(event -> {
            String wanted = format.getEditor().getText();
            if (!telling && wanted != null && !wanted.isBlank()) dress(Dress.FORMAT, wanted);
        });
        HBox fills = new HBox(6);
        for (String fill : FILLS) fills.getChildren().add(fill(fill));
        box = new VBox(8, row, format, fills);
    }

    Node node() { return box; }

    private ToggleButton toggle(String sign, String id, String look, String words, Dress dress) {
        ToggleButton button = new ToggleButton(sign);
        button.setId(id);
        button.getStyleClass().addAll("look-button", look);
        button.setAccessibleText(Words.of(words));
        button.setOnAction(event -> dress(dress, Boolean.toString(button.isSelected())));
        return button;
    }

    private Button across(String words, String sign, CellStyle.Across across) {
        Button button = new Button(sign);
        button.setId(words.replace('.', '-'));
        button.getStyleClass().add("look-button");
        button.setAccessibleText(Words.of(words));
        button.setOnAction(event -> dress(Dress.ACROSS, across.name()));
        return button;
    }

    private Button fill(String fill) {
        Region patch = new Region();
        patch.setMinSize(16, 16);
        patch.setStyle("-fx-background-color: #" + (fill.isEmpty() ? "FFFFFF" : fill) + "; -fx-border-color: #C9BFB4;");
        Button button = new Button();
        button.setGraphic(patch);
        button.setId(fill.isEmpty() ? "sheet-fill-none" : "sheet-fill-" + fill);
        button.getStyleClass().add("sheet-fill");
        button.setAccessibleText(fill.isEmpty() ? Words.of("sheet.fill.none") : Words.of("sheet.fill", "#" + fill));
        button.setOnAction(event -> dress(Dress.FILL, fill));
        return button;
    }

    /** Dresses all that is picked, as far as the sheet is used; one cell also beyond. */
    private void dress(Dress dress, String answer) {
        SheetPick pick = table.picked().get();
        SheetSurface here = table.surface().get();
        Range used = here.used();
        Range range = pick.isOne() || used == null ? Range.cell(pick.row(), pick.column()) : pick.range().within(used);
        if (range == null || (long) range.rows() * range.columns() > MOST) return;
        Map<String, String> answers = new HashMap<>();
        for (int r = range.top(); r <= range.bottom(); r++)
            for (int c = range.left(); c <= range.right(); c++) answers.put(SheetAnswers.look(table.name(), r, c, dress), answer);
        table.fill(answers);
        table.requestFocus();
    }

    /** Shows how the first cell of what is picked looks. */
    void tell(SheetPick pick, SheetSurface here) {
        Cell cell = here.sheet().cell(pick.row(), pick.column());
        CellStyle style = cell == null ? CellStyle.PLAIN : table.workbook().style(cell);
        telling = true;
        bold.setSelected(style.font().is(TextProperty.BOLD));
        italic.setSelected(style.font().is(TextProperty.ITALIC));
        format.getEditor().setText(style.format());
        format.setValue(style.format());
        telling = false;
    }
}
