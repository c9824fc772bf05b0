package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Session;
import app.decant.edit.Typing;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** The part of the slip that is there while the caret is in a cell of a workbook: which cell it is, and what it comes of. */
final class SheetCellCard {
    private final Desk desk;
    private final Label place = new Label();
    private final Label formula = new Label();
    private final Button change = new Button(Words.of("sheet.cell.change"));
    private final VBox box;
    private Session.SheetCell here;

    SheetCellCard(Window window) {
        desk = window.desk();
        place.setId("sheet-cell");
        formula.setId("sheet-formula");
        formula.setWrapText(true);
        change.setId("sheet-cell-change");
        change.setOnAction(event -> {
            desk.apply(Typing.type(desk.document(), here.text(), "=" + here.formula(), null));
            window.table().requestFocus();
        });
        Label note = new Label(Words.of("sheet.cell.note"));
        note.setWrapText(true);
        note.getStyleClass().add("quiet");
        VBox card = new VBox(10, place, formula, change, note);
        card.getStyleClass().add("card");
        Label title = new Label(Words.of("sheet.cell"));
        title.getStyleClass().add("section");
        box = new VBox(10, title, card);
        box.managedProperty().bind(box.visibleProperty());
        formula.managedProperty().bind(formula.visibleProperty());
        change.managedProperty().bind(change.visibleProperty());
        box.setVisible(false);
    }

    Node node() { return box; }

    /** Shows it while the caret is in a cell. */
    void tell() {
        here = desk.document() == null || desk.selection().get() == null ? null : desk.session().sheetCell();
        box.setVisible(here != null);
        if (here == null) return;
        place.setText(Words.of("sheet.cell.place", here.name(), here.sheet()));
        formula.setText(here.formula() == null ? "" : Words.of("sheet.cell.formula", here.formula()));
        formula.setVisible(here.formula() != null);
        change.setVisible(here.formula() != null && !here.isWritten());
    }
}
