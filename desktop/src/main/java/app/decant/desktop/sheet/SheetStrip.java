package app.decant.desktop.sheet;

import app.decant.desktop.part.Words;
import app.decant.font.FontCatalogue;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetSurface;
import app.decant.sheet.Workbook;
import java.util.ArrayList;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;

/** The sheets of a workbook at the left: each with the pages it falls onto; the one that is shown is lit. */
public final class SheetStrip {
    private static final double WIDTH = 236;

    private final SheetTable table;
    private final VBox rows = new VBox(4);
    private final ScrollPane node = new ScrollPane(rows);
    private Workbook told;
    private int lit = -1;

    private final List<Row> shown = new ArrayList<>();

    /** A sheet in the strip, and where its pages are told. */
    private record Row(List<Object> sheet, Button button, Label pages) { }

    public SheetStrip(SheetTable table) {
        this.table = table;
        rows.setId("sheet-strip");
        rows.getStyleClass().add("sheet-strip");
        rows.setAccessibleRole(AccessibleRole.LIST_VIEW);
        rows.setAccessibleText(Words.of("sheet.strip"));
        node.getStyleClass().add("slip-scroll");
        node.setPrefWidth(WIDTH);
        node.setMinWidth(WIDTH);
        node.setFitToWidth(true);
        table.surface().addListener((observed, before, now) -> tell());
        table.picked().addListener((observed, before, now) -> {
            if (now != null && now.sheet() != lit) tell();
        });
    }

    public Node node() { return node; }

    private void tell() {
        Workbook workbook = table.workbook();
        if (workbook == null || table.picked().get() == null && lit < 0) Platform.runLater(this::fill);
        else fill();
    }

    private void fill() {
        Workbook workbook = table.workbook();
        if (workbook == null || table.picked().get() == null) return;
        int here = table.picked().get().sheet();
        if (workbook == told && here == lit) return;
        told = workbook;
        lit = here;
        // Rows stay what they are where they can: one that is being pressed must not be another when it is let go.
        if (!shown.stream().map(Row::sheet).toList().equals(workbook.sheets().stream().map(SheetStrip::title).toList())) {
            shown.clear();
            for (int i = 0; i < workbook.sheets().size(); i++) shown.add(row(workbook.sheets().get(i), i));
            rows.getChildren().setAll(shown.stream().map(Row::button).toList());
        }
        for (int i = 0; i < shown.size(); i++) {
            shown.get(i).button.getStyleClass().remove("here");
            if (i == here) shown.get(i).button.getStyleClass().add("here");
            if (!workbook.sheets().get(i).hidden()) tell(workbook, i, shown.get(i).pages);
        }
    }

    /** What a row is known by: the name of its sheet, and whether that is hidden. */
    private static List<Object> title(Sheet sheet) { return List.of(sheet.name(), sheet.hidden()); }

    private Row row(Sheet sheet, int index) {
        Label name = new Label(sheet.name());
        name.getStyleClass().add(sheet.hidden() ? "quiet" : "strong");
        Label pages = new Label(sheet.hidden() ? Words.of("sheet.hidden") : " ");
        pages.getStyleClass().add("quiet");
        Button row = new Button();
        row.setGraphic(new VBox(2, name, pages));
        row.setMaxWidth(Double.MAX_VALUE);
        row.getStyleClass().add("sheet-row");
        row.setAccessibleText(sheet.name());
        row.setOnAction(event -> table.show(index));
        return new Row(title(sheet), row, pages);
    }

    /** Tells on how many pages a sheet falls, once that is known: of long ones it takes a while. */
    private void tell(Workbook workbook, int index, Label pages) {
        SheetSurface shown = table.surface().get();
        if (index == lit && shown != null && shown.sheet() == workbook.sheets().get(index)) {
            pages.setText(pages(shown));
            return;
        }
        table.aside(() -> {
            if (table.workbook() != workbook) return;
            String words = pages(new SheetSurface(workbook, index, FontCatalogue.ofThisMachine()));
            Platform.runLater(() -> pages.setText(words));
        });
    }

    /** On how many pages a sheet falls, in words. */
    static String pages(SheetSurface surface) {
        List<SheetSurface.Edges> edges = surface.edges();
        int count = edges.stream().mapToInt(SheetSurface.Edges::pages).sum();
        if (count == 0) return Words.of("sheet.empty");
        if (edges.size() > 1) return Words.of("sheet.areas", edges.size(), count);
        if (count == 1) return Words.of("sheet.page");
        return Words.of("sheet.pages", edges.get(0).columns().length - 1, edges.get(0).rows().length - 1);
    }
}
