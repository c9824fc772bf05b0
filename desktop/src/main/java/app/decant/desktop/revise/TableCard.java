package app.decant.desktop.revise;

import app.decant.desktop.part.EnumWords;
import app.decant.desktop.part.More;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.Property;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.edit.CellSelection;
import app.decant.edit.TableNumbers;
import app.decant.edit.Tables.Area;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import java.util.EnumMap;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The part of the slip that is there while a table is picked: its rows, columns and cells. */
final class TableCard {
    private static final TableTask[] SHOWN = {TableTask.ROW_ABOVE, TableTask.ROW_BELOW, TableTask.COLUMN_BEFORE, TableTask.COLUMN_BEHIND, TableTask.ROWS_OUT,
        TableTask.COLUMNS_OUT, TableTask.MERGE, TableTask.SPLIT, TableTask.NARROWER, TableTask.WIDER, TableTask.SORT_RISING, TableTask.SORT_FALLING,
        TableTask.EVEN, TableTask.TEXT};
    private static final Border LINE = Border.single(0.5, Colour.BLACK);

    private final VBox box;
    private final Label about = new Label();
    private final Label sums = new Label();
    private final CheckBox head = new CheckBox(Words.of("table.head.short"));
    private final Map<TableTask, Button> buttons = new EnumMap<>(TableTask.class);
    private final ComboBox<Lines> lines = new ComboBox<>();
    private final ComboBox<VerticalAlignment> stands = new ComboBox<>();
    private final ComboBox<Running> runs = new ComboBox<>();
    private final ColourRow shade;
    private final More more;
    private boolean telling;

    /** Lines drawn round cells. */
    private enum Lines {
        TABLE(null), ALL(new Borders(LINE, LINE, LINE, LINE, null, null)), BELOW(new Borders(Border.NONE, Border.NONE, LINE, Border.NONE, null, null)),
            NONE(new Borders(Border.NONE, Border.NONE, Border.NONE, Border.NONE, null, null)), OTHER(null);

        private final Borders borders;

        Lines(Borders borders) { this.borders = borders; }

        static Lines of(Borders borders) {
            if (borders == null) return TABLE;
            for (Lines one : values()) if (borders.equals(one.borders)) return one;
            return OTHER;
        }
    }

    TableCard(Window window) {
        GridPane grid = new GridPane();
        grid.setHgap(6);
        grid.setVgap(6);
        for (int i = 0; i < SHOWN.length; i++) {
            TableTask task = SHOWN[i];
            Button button = new Button(Words.of(task.key() + ".short"));
            button.setId(task.key().replace('.', '-'));
            button.setAccessibleText(Words.of("command." + task.key()));
            button.getStyleClass().addAll("look-button", "small-button");
            button.setMaxWidth(Double.MAX_VALUE);
            button.setOnAction(event -> window.commands().named(task.key()).run());
            GridPane.setHgrow(button, Priority.ALWAYS);
            buttons.put(task, button);
            grid.add(button, i % 2, i / 2);
        }
        grid.getColumnConstraints().addAll(half(), half());
        head.setId("table-head");
        head.setOnAction(event -> window.commands().named(TableTask.HEAD.key()).run());
        sums.setId("table-sum");
        sums.managedProperty().bind(sums.visibleProperty());
        lines.setId("table-lines");
        lines.setAccessibleText(Words.of("table.lines"));
        lines.getItems().setAll(Lines.TABLE, Lines.ALL, Lines.BELOW, Lines.NONE);
        lines.setConverter(new EnumWords<>("table.lines."));
        Desk desk = window.desk();
        lines.setOnAction(event -> {
            if (!telling && lines.getValue() != null && lines.getValue() != Lines.OTHER) dress(desk, TableProperty.BORDERS, lines.getValue().borders);
        });
        stands.setId("table-stands");
        stands.setAccessibleText(Words.of("table.stands"));
        stands.getItems().setAll(VerticalAlignment.values());
        stands.setConverter(new EnumWords<>("table.stands."));
        stands.setOnAction(event -> {
            if (!telling && stands.getValue() != null) dress(desk, TableProperty.VERTICAL_ALIGNMENT, stands.getValue());
        });
        runs.setId("table-runs");
        runs.setAccessibleText(Words.of("table.runs"));
        runs.getItems().setAll(Running.values());
        runs.setConverter(new EnumWords<>("table.runs."));
        runs.setOnAction(event -> {
            if (!telling && runs.getValue() != null) dress(desk, TableProperty.RUNNING, runs.getValue());
        });
        shade = new ColourRow("table.shade", colour -> dress(desk, TableProperty.SHADING, colour));
        GridPane looks = new GridPane();
        looks.setHgap(8);
        looks.setVgap(6);
        looks.addRow(0, More.label("table.lines"), lines);
        looks.addRow(1, More.label("table.stands"), stands);
        looks.addRow(2, More.label("table.runs"), runs);
        more = new More("table.more", looks, shade.node());
        more.whenOpened(() -> tell(desk));
        VBox card = new VBox(8, about, sums, grid, head, more);
        card.getStyleClass().add("card");
        Label title = new Label(Words.of("slip.table"));
        title.getStyleClass().add("section");
        about.getStyleClass().add("quiet");
        box = new VBox(10, title, card);
        box.managedProperty().bind(box.visibleProperty());
        box.setVisible(false);
    }

    private static <T> void dress(Desk desk, Property<T> property, T value) {
        TextSelection picked = desk.selection().get();
        if (picked != null && Tables.area(desk.document(), picked) != null) desk.apply(Tables.dress(desk.document(), picked, property, value));
    }

    private static ColumnConstraints half() {
        ColumnConstraints half = new ColumnConstraints();
        half.setPercentWidth(50);
        return half;
    }

    VBox node() { return box; }

    /** Shows what there is to do for what is picked. */
    void tell(Desk desk) {
        Area area = Tables.area(desk.document(), desk.selection().get());
        box.setVisible(area != null);
        if (area == null) return;
        about.setText(Words.of("slip.table.about", area.table().rows().size(), area.table().columns().size()));
        TableNumbers.Sum sum = Tables.asCells(desk.document(), desk.selection().get()) instanceof CellSelection cells
                ? TableNumbers.sum(desk.document(), cells) : null;
        sums.setText(sum == null ? "" : Words.of("slip.table.sum", sum.count(), sum.value().toPlainString()));
        sums.setVisible(sum != null);
        head.setSelected(Tables.isHead(area));
        buttons.forEach((task, button) -> button.setDisable(!task.applies(desk)));
        if (!more.isOpen()) return;
        Look cell = Tables.first(area).look();
        telling = true;
        lines.setValue(Lines.of(cell.get(TableProperty.BORDERS)));
        stands.setValue(cell.get(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.TOP));
        runs.setValue(cell.get(TableProperty.RUNNING, Running.ACROSS));
        telling = false;
        shade.tell(cell.get(TableProperty.SHADING));
    }
}
