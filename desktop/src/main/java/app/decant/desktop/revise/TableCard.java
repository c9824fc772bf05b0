package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.edit.CellSelection;
import app.decant.edit.TableNumbers;
import app.decant.edit.Tables;
import app.decant.edit.Tables.Area;
import java.util.EnumMap;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The part of the slip that is there while a table is picked: its rows, columns and cells. */
final class TableCard {
    private static final TableTask[] SHOWN = {TableTask.ROW_ABOVE, TableTask.ROW_BELOW, TableTask.COLUMN_BEFORE, TableTask.COLUMN_BEHIND, TableTask.ROWS_OUT,
        TableTask.COLUMNS_OUT, TableTask.MERGE, TableTask.SPLIT, TableTask.NARROWER, TableTask.WIDER, TableTask.SORT_RISING, TableTask.SORT_FALLING,
        TableTask.EVEN};

    private final VBox box;
    private final Label about = new Label();
    private final Label sums = new Label();
    private final CheckBox head = new CheckBox(Words.of("table.head.short"));
    private final Map<TableTask, Button> buttons = new EnumMap<>(TableTask.class);

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
        VBox card = new VBox(8, about, sums, grid, head);
        card.getStyleClass().add("card");
        Label title = new Label(Words.of("slip.table"));
        title.getStyleClass().add("section");
        about.getStyleClass().add("quiet");
        box = new VBox(10, title, card);
        box.managedProperty().bind(box.visibleProperty());
        box.setVisible(false);
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
    }
}
