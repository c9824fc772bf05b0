package app.decant.desktop;

import app.decant.desktop.sheet.SheetSlip;
import app.decant.desktop.sheet.SheetStrip;
import app.decant.desktop.sheet.SheetTable;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Settings;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.scene.Node;

/** Where workbooks are revised: on their sheets, unless somebody wants them as tables of a document. */
final class SheetRoom {
    private static final String TABLES = "sheetsAsTables";

    private final Desk desk;
    private final Settings settings;
    private final SheetTable table;
    private final SheetStrip strip;
    private final SheetSlip slip;
    private final ReadOnlyBooleanWrapper shown = new ReadOnlyBooleanWrapper();

    SheetRoom(Desk desk, Settings settings) {
        this.desk = desk;
        this.settings = settings;
        table = new SheetTable(desk);
        strip = new SheetStrip(table);
        slip = new SheetSlip(table);
        desk.source().addListener((observed, before, now) -> look());
        desk.pages().addListener((observed, before, now) -> look());
    }

    private void look() { shown.set(isShown()); }

    /** Whether the sheets are what is revised now. */
    boolean isShown() { return table.applies() && (!hasTables() || !settings.flag(TABLES)); }

    ReadOnlyBooleanProperty shown() { return shown.getReadOnlyProperty(); }

    /** Whether it can be shown both ways: of a very large one there are only its sheets, and what was done on these is not in the tables. */
    boolean hasTables() { return table.applies() && !table.isLarge() && desk.document().answers().isEmpty(); }

    /** Sheets, or tables of a document. */
    void asTables(boolean wanted) {
        settings.set(TABLES, wanted);
        settings.save();
        look();
    }

    SheetTable table() { return table; }
    Node strip() { return strip.node(); }
    Node slip() { return slip.node(); }
    void find(boolean replacing) { slip.find(replacing); }
    boolean offers(String act) { return isShown() && slip.offers(act); }
    void act(String act) { slip.act(act); }
    void close() { table.close(); }
}
