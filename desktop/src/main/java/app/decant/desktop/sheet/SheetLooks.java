package app.decant.desktop.sheet;

import app.decant.desktop.part.More;
import app.decant.desktop.part.Words;
import app.decant.document.TextProperty;
import app.decant.sheet.Cell;
import app.decant.sheet.CellSides.Side;
import app.decant.sheet.CellSides;
import app.decant.sheet.CellStyle;
import app.decant.sheet.Range;
import app.decant.sheet.SheetAnswers.Dress;
import app.decant.sheet.SheetAnswers;
import app.decant.sheet.SheetSurface;
import java.text.NumberFormat;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** How the cells that are picked look: weight and slant, where they stand, how numbers are shown, what is behind them. */
final class SheetLooks {
    /** The colours behind cells that are offered: paper, and pale ones that print well. */
    private static final List<String> FILLS = List.of("", "F6EAD2", "E4EDE6", "E3ECF3", "F1E4EA", "EFEFEF");
    /** And those of letters. */
    private static final List<String> INKS = List.of("000000", "8C2F39", "1F5A4C", "274C77", "6B6B6B");
    private static final int MOST = 50_000;

    private final SheetTable table;
    private final ToggleButton bold = toggle("B", "sheet-bold", "look-bold", "sheet.bold", Dress.BOLD);
    private final ToggleButton italic = toggle("I", "sheet-italic", "look-italic", "sheet.italic", Dress.ITALIC);
    private final ComboBox<String> format = new ComboBox<>();
    private final ComboBox<String> size = new ComboBox<>();
    private final CheckBox wrap = new CheckBox(Words.of("sheet.wrap"));
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
        wrap.setId("sheet-wrap");
        wrap.setOnAction(event -> dress(Dress.WRAP, Boolean.toString(wrap.isSelected())));
        size.setId("sheet-letters");
        size.setEditable(true);
        size.getItems().setAll("8", "9", "10", "11", "12", "14", "16", "20");
        size.setPrefWidth(84);
        size.setAccessibleText(Words.of("sheet.letters"));
        size.setOnAction(event -> {
            String wanted = size.getEditor().getText();
            if (!telling && wanted != null && !wanted.isBlank()) dress(Dress.SIZE, wanted.strip().replace(',', '.'));
        });
        HBox fills = new HBox(6);
        for (String fill : FILLS) fills.getChildren().add(colour(fill, Dress.FILL));
        HBox letters = new HBox(6);
        for (String ink : INKS) letters.getChildren().add(colour(ink, Dress.COLOUR));
        HBox lines = new HBox(8, lines("sheet.lines.all", "\u25A6", this::all), lines("sheet.lines.around", "\u25A1", this::around),
                lines("sheet.lines.below", "\u2581", this::below), lines("sheet.lines.none", "\u25CC", this::none));
        HBox sizes = new HBox(8, size, wrap);
        sizes.setAlignment(Pos.CENTER_LEFT);
        box = new VBox(8, row, format, new More("sheet.more", sizes, lines, letters, fills));
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

    /** A colour behind cells, or of what they say. */
    private Button colour(String colour, Dress dress) {
        boolean behind = dress == Dress.FILL;
        Region patch = new Region();
        patch.setMinSize(16, 16);
        patch.setMaxSize(16, 16);
        patch.setStyle("-fx-background-color: #" + (colour.isEmpty() ? "FFFFFF" : colour) + "; -fx-border-color: #C9BFB4;"
                + (behind ? "" : " -fx-background-radius: 8; -fx-border-radius: 8;"));
        Button button = new Button();
        button.setGraphic(patch);
        button.setId((behind ? "sheet-fill-" : "sheet-ink-") + (colour.isEmpty() ? "none" : colour));
        button.getStyleClass().add("sheet-fill");
        button.setAccessibleText(colour.isEmpty() ? Words.of("sheet.fill.none") : Words.of(behind ? "sheet.fill" : "sheet.ink", "#" + colour));
        button.setOnAction(event -> dress(dress, colour));
        return button;
    }

    private Button lines(String words, String sign, Function<Range, Map<String, String>> draws) {
        Button button = new Button(sign);
        button.setId(words.replace('.', '-'));
        button.getStyleClass().add("look-button");
        button.setAccessibleText(Words.of(words));
        button.setTooltip(new Tooltip(Words.of(words)));
        button.setOnAction(event -> {
            Range range = dressed();
            if (range == null) return;
            table.fill(draws.apply(range));
            table.requestFocus();
        });
        return button;
    }

    private Map<String, String> all(Range range) { return lines(range, (row, column) -> EnumSet.allOf(Side.class)); }

    private Map<String, String> around(Range range) {
        return lines(range, (row, column) -> {
            EnumSet<Side> sides = EnumSet.noneOf(Side.class);
            if (row == range.top()) sides.add(Side.TOP);
            if (row == range.bottom()) sides.add(Side.BOTTOM);
            if (column == range.left()) sides.add(Side.LEFT);
            if (column == range.right()) sides.add(Side.RIGHT);
            return sides;
        });
    }

    private Map<String, String> below(Range range) {
        return lines(range, (row, column) -> row == range.bottom() ? EnumSet.of(Side.BOTTOM) : EnumSet.noneOf(Side.class));
    }

    private Map<String, String> lines(Range range, BiFunction<Integer, Integer, Set<Side>> more) {
        Map<String, String> answers = new HashMap<>();
        for (int r = range.top(); r <= range.bottom(); r++) {
            for (int c = range.left(); c <= range.right(); c++) {
                Set<Side> sides = more.apply(r, c);
                if (!sides.isEmpty()) answers.put(SheetAnswers.look(table.name(), r, c, Dress.LINES), sides(r, c).with(sides).toString());
            }
        }
        return answers;
    }

    /** No lines in what is picked, nor along it: of two cells that meet either may draw the line between them. */
    private Map<String, String> none(Range range) {
        Map<String, String> answers = new HashMap<>();
        for (int r = range.top(); r <= range.bottom(); r++)
            for (int c = range.left(); c <= range.right(); c++) answers.put(SheetAnswers.look(table.name(), r, c, Dress.LINES), "");
        for (int r = range.top(); r <= range.bottom(); r++) {
            open(answers, r, range.left() - 1, Side.RIGHT);
            open(answers, r, range.right() + 1, Side.LEFT);
        }
        for (int c = range.left(); c <= range.right(); c++) {
            open(answers, range.top() - 1, c, Side.BOTTOM);
            open(answers, range.bottom() + 1, c, Side.TOP);
        }
        return answers;
    }

    private void open(Map<String, String> answers, int row, int column, Side side) {
        if (row < 0 || column < 0) return;
        CellSides now = sides(row, column);
        if (now.sides().contains(side)) answers.put(SheetAnswers.look(table.name(), row, column, Dress.LINES), now.without(side).toString());
    }

    private CellSides sides(int row, int column) {
        Cell cell = table.surface().get().sheet().cell(row, column);
        return CellSides.of(cell == null ? null : table.workbook().style(cell).borders());
    }

    /** Dresses all that is picked. */
    private void dress(Dress dress, String answer) {
        Range range = dressed();
        if (range == null) return;
        Map<String, String> answers = new HashMap<>();
        for (int r = range.top(); r <= range.bottom(); r++)
            for (int c = range.left(); c <= range.right(); c++) answers.put(SheetAnswers.look(table.name(), r, c, dress), answer);
        table.fill(answers);
        table.requestFocus();
    }

    /** All that is picked, as far as the sheet is used; one cell also beyond. Null for nothing, or too much. */
    private Range dressed() {
        SheetPick pick = table.picked().get();
        SheetSurface here = table.surface().get();
        Range used = here.used();
        Range range = pick.isOne() || used == null ? Range.cell(pick.row(), pick.column()) : pick.range().within(used);
        return range == null || (long) range.rows() * range.columns() > MOST ? null : range;
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
        wrap.setSelected(style.wraps());
        String points = NumberFormat.getInstance(Locale.ROOT).format(style.font().get(TextProperty.SIZE, 11.0));
        size.getEditor().setText(points);
        size.setValue(points);
        telling = false;
    }
}
