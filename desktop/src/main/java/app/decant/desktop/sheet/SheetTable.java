package app.decant.desktop.sheet;

import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Session;
import app.decant.edit.FormFilling;
import app.decant.font.FontCatalogue;
import app.decant.sheet.Range;
import app.decant.sheet.SheetAnswers;
import app.decant.sheet.SheetSurface;
import app.decant.sheet.SheetView;
import app.decant.sheet.Workbook;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.geometry.Orientation;
import javafx.geometry.Point2D;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import org.slf4j.LoggerFactory;

/** A sheet of a workbook, to be scrolled, picked and written on; what is typed is a step of the desk like any other. */
public final class SheetTable extends Region {
    private static final double BAR = 12;
    private static final double POINT = 96 / 72.0;
    private static final double STEP = 48;

    private final Desk desk;
    private final Canvas canvas = new Canvas();
    private final ScrollBar across = new ScrollBar();
    private final ScrollBar down = new ScrollBar();
    private final TextField pen = new TextField();
    private final SheetTiles tiles = new SheetTiles(this::paintSoon);
    private final SheetPaper paper = new SheetPaper(this, tiles);
    private final SheetMouse mouse = new SheetMouse(this);
    private final SheetKeys keys = new SheetKeys(this);
    private final ReadOnlyObjectWrapper<SheetSurface> surface = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<SheetPick> picked = new ReadOnlyObjectWrapper<>();
    private final SheetKey key = new SheetKey(this);
    private final ExecutorService reckoning = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "sheet");
        thread.setDaemon(true);
        return thread;
    });
    private Workbook workbook;
    private Session shownOf;
    private boolean paintWanted;
    private double zoom = 1;
    private Runnable leaving = () -> { };

    public SheetTable(Desk desk) {
        this.desk = desk;
        setId("sheet-table");
        getStyleClass().add("sheet-table");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TABLE_VIEW);
        down.setOrientation(Orientation.VERTICAL);
        down.setFocusTraversable(false);
        across.setFocusTraversable(false);
        pen.setId("sheet-pen");
        pen.setVisible(false);
        pen.setAccessibleText(Words.of("sheet.pen"));
        getChildren().addAll(canvas, across, down, pen);
        across.valueProperty().addListener((observed, before, now) -> moved());
        down.valueProperty().addListener((observed, before, now) -> moved());
        widthProperty().addListener((observed, before, now) -> range());
        heightProperty().addListener((observed, before, now) -> range());
        focusedProperty().addListener((observed, before, now) -> paintSoon());
        setOnScroll(this::scrolled);
        desk.pages().addListener((observed, before, now) -> look());
        desk.source().addListener((observed, before, now) -> look());
        picked.addListener((observed, before, now) -> paintSoon());
        // Before the field itself would give the focus away.
        pen.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ESCAPE) putAway();
            else if (event.getCode() == KeyCode.TAB) write(0, event.isShiftDown() ? -1 : 1);
            else if (event.getCode() == KeyCode.ENTER) write(event.isShiftDown() ? -1 : 1, 0);
            else return;
            event.consume();
        });
        pen.focusedProperty().addListener((observed, before, now) -> {
            if (!now && pen.isVisible()) write(0, 0);
        });
        mouse.install();
        keys.install();
    }

    Desk desk() { return desk; }
    SheetKey key() { return key; }
    void leave() { leaving.run(); }

    /** Where the keys go that leave the cells. */
    void whenLeft(Runnable task) { leaving = task; }

    Canvas canvas() { return canvas; }
    SheetPaper paper() { return paper; }
    public Workbook workbook() { return workbook; }
    public ReadOnlyObjectProperty<SheetSurface> surface() { return surface.getReadOnlyProperty(); }
    public ReadOnlyObjectProperty<SheetPick> picked() { return picked.getReadOnlyProperty(); }
    double scrollX() { return across.getValue(); }
    double scrollY() { return down.getValue(); }
    /** Pixels a point. */
    double scale() { return POINT * zoom; }

    /** Whether what is open can be shown as sheets. */
    public boolean applies() { return desk.session() != null && desk.source().get() != null && desk.session().isSheets(); }

    public boolean isLarge() { return desk.session() != null && desk.session().isLarge(); }

    /** Looks at the workbook as it is now, aside: what depends on a cell may be much. */
    private void look() {
        if (!applies()) return;
        Session session = desk.session();
        int sheet = session == shownOf && picked.get() != null ? picked.get().sheet() : -1;
        aside(() -> {
            Workbook now = session.workbook();
            int index = sheet >= 0 ? sheet : first(now);
            SheetSurface made = new SheetSurface(now, index, FontCatalogue.ofThisMachine());
            Platform.runLater(() -> {
                if (desk.session() != session || picked.get() != null && session == shownOf && picked.get().sheet() != index) return;
                take(now, made, index, session);
            });
        });
    }

    private static int first(Workbook workbook) {
        for (int i = 0; i < workbook.sheets().size(); i++) if (!workbook.sheets().get(i).hidden()) return i;
        return 0;
    }

    private void take(Workbook now, SheetSurface made, int index, Session session) {
        boolean another = shownOf != session || surface.get() == null || !surface.get().sheet().name().equals(made.sheet().name());
        workbook = now;
        shownOf = session;
        if (another) {
            across.setValue(0);
            down.setValue(0);
        }
        tiles.show(made, deviceScale(), another);
        surface.set(made);
        if (another) pick(SheetPick.cell(index, Math.min(view().frozenRows(), made.rows() - 1), Math.min(view().frozenColumns(), made.columns() - 1)), false);
        range();
    }

    SheetView view() { return surface.get().sheet().matter().view(); }

    private double deviceScale() { return scale() * (getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getOutputScaleX()); }

    /** Shows another sheet. */
    public void show(int index) { show(index, () -> { }); }

    /** Shows another sheet, which may take a while where it is long; then something is done on it. */
    void show(int index, Runnable then) {
        if (workbook == null || index < 0 || index >= workbook.sheets().size()) return;
        putAway();
        Session session = desk.session();
        Workbook now = workbook;
        aside(() -> {
            SheetSurface made = new SheetSurface(now, index, FontCatalogue.ofThisMachine());
            Platform.runLater(() -> {
                if (desk.session() != session || workbook != now) return;
                take(now, made, index, session);
                requestFocus();
                then.run();
            });
        });
    }

    /** Off the JavaFX thread, one after another. */
    void aside(Runnable task) {
        if (reckoning.isShutdown()) return;
        reckoning.execute(() -> {
            try {
                task.run();
            } catch (RuntimeException | OutOfMemoryError e) {
                LoggerFactory.getLogger(SheetTable.class).error("A sheet can't be shown", e);
            }
        });
    }

    /** Larger or smaller. */
    public void zoomBy(double factor) {
        zoom = Math.max(0.4, Math.min(3, zoom * factor));
        if (surface.get() == null) return;
        tiles.show(surface.get(), deviceScale(), false);
        range();
    }

    private void scrolled(ScrollEvent event) {
        if (event.isControlDown()) {
            zoomBy(event.getDeltaY() > 0 ? 1.1 : 1 / 1.1);
        } else {
            boolean sideways = event.isShiftDown() && event.getDeltaX() == 0;
            down.setValue(clamp(down, down.getValue() - (sideways ? 0 : event.getDeltaY()) / scale()));
            across.setValue(clamp(across, across.getValue() - (sideways ? event.getDeltaY() : event.getDeltaX()) / scale()));
        }
        event.consume();
    }

    private static double clamp(ScrollBar bar, double value) { return Math.max(bar.getMin(), Math.min(bar.getMax(), value)); }

    private void moved() {
        if (pen.isVisible()) placePen();
        paintSoon();
    }

    /** How far it can be scrolled. */
    private void range() {
        SheetSurface here = surface.get();
        if (here != null) {
            range(across, here.width() - here.left(view().frozenColumns()), (canvasWidth() - paper.beside() - paper.frozenWidth()) / scale());
            range(down, here.height() - here.top(view().frozenRows()), (canvasHeight() - SheetPaper.ABOVE - paper.frozenHeight()) / scale());
        }
        requestLayout();
        paintSoon();
    }

    private static void range(ScrollBar bar, double length, double seen) {
        double most = Math.max(0, length - seen);
        bar.setMax(most);
        bar.setVisibleAmount(most == 0 ? 1 : most * Math.min(1, seen / length));
        bar.setUnitIncrement(STEP / POINT);
        bar.setBlockIncrement(Math.max(1, seen * 0.9));
        if (bar.getValue() > most) bar.setValue(most);
        bar.setVisible(most > 0);
    }

    double canvasWidth() { return Math.max(0, getWidth() - BAR); }
    double canvasHeight() { return Math.max(0, getHeight() - BAR); }

    @Override protected void layoutChildren() {
        canvas.setWidth(canvasWidth());
        canvas.setHeight(canvasHeight());
        across.resizeRelocate(paper.beside(), canvasHeight(), Math.max(0, canvasWidth() - paper.beside()), BAR);
        down.resizeRelocate(canvasWidth(), SheetPaper.ABOVE, BAR, Math.max(0, canvasHeight() - SheetPaper.ABOVE));
        if (pen.isVisible()) placePen();
        paintSoon();
    }

    @Override protected double computePrefWidth(double height) { return 400; }
    @Override protected double computePrefHeight(double width) { return 300; }

    void paintSoon() {
        if (paintWanted) return;
        paintWanted = true;
        Platform.runLater(() -> {
            paintWanted = false;
            if (surface.get() != null) paper.paint();
        });
    }

    /** Picks, and scrolls until the corner that moved is seen. */
    public void pick(SheetPick wanted, boolean seen) {
        if (pen.isVisible()) write(0, 0);
        picked.set(wanted);
        SheetSurface here = surface.get();
        String said = here.shown(wanted.row(), wanted.column());
        setAccessibleText(Words.of("sheet.cell.said", here.sheet().name(), Range.name(wanted.row(), wanted.column()), said));
        if (!seen) return;
        see(across, here.left(wanted.toColumn()), here.left(wanted.toColumn() + 1), here.left(view().frozenColumns()), (canvasWidth() - paper.beside()
                - paper.frozenWidth()) / scale());
        see(down, here.top(wanted.toRow()), here.top(wanted.toRow() + 1), here.top(view().frozenRows()), (canvasHeight() - SheetPaper.ABOVE
                - paper.frozenHeight()) / scale());
    }

    private static void see(ScrollBar bar, double from, double to, double frozen, double seen) {
        if (from < frozen) return;
        if (from - frozen < bar.getValue()) bar.setValue(clamp(bar, from - frozen));
        else if (to - frozen > bar.getValue() + seen) bar.setValue(clamp(bar, Math.min(from - frozen, to - frozen - seen)));
    }

    /** Goes on from the cell that is picked, over what is merged and hidden. */
    void go(int rows, int columns, boolean extends_) {
        SheetPick from = picked.get();
        if (from == null) return;
        int row = extends_ ? from.toRow() : from.row();
        int column = extends_ ? from.toColumn() : from.column();
        SheetSurface here = surface.get();
        Range whole = here.whole(row, column);
        int toRow = rows > 0 && !extends_ ? whole.bottom() + rows : row + rows;
        int toColumn = columns > 0 && !extends_ ? whole.right() + columns : column + columns;
        while (rows != 0 && toRow >= 0 && toRow < here.rows() && here.top(toRow + 1) == here.top(toRow)) toRow += Integer.signum(rows);
        int step = Integer.signum(columns);
        while (step != 0 && toColumn >= 0 && toColumn < here.columns() && here.left(toColumn + 1) == here.left(toColumn)) toColumn += step;
        to(toRow, toColumn, extends_);
    }

    void to(int row, int column, boolean extends_) {
        SheetSurface here = surface.get();
        int toRow = Math.max(0, Math.min(here.rows() - 1, row));
        int toColumn = Math.max(0, Math.min(here.columns() - 1, column));
        Range whole = here.whole(toRow, toColumn);
        pick(extends_ ? picked.get().to(toRow, toColumn) : SheetPick.cell(picked.get().sheet(), whole.top(), whole.left()), true);
    }

    /** Begins to write into the cell that is picked: over what is there, or on. */
    void write(String begun) {
        SheetPick at = picked.get();
        if (key.refuses(at.row(), at.column())) return;
        pick(SheetPick.cell(at.sheet(), at.row(), at.column()), true);
        pen.setText(begun == null ? surface.get().typed(at.row(), at.column()) : begun);
        pen.setVisible(true);
        placePen();
        pen.requestFocus();
        pen.positionCaret(pen.getText().length());
    }

    boolean isWriting() { return pen.isVisible(); }

    private void placePen() {
        SheetPick at = picked.get();
        Range whole = surface.get().whole(at.row(), at.column());
        double[] box = paper.box(whole);
        pen.resizeRelocate(box[0] - 1, box[1] - 1, Math.max(box[2] + 2, Math.min(canvasWidth() - box[0], 90)), Math.max(box[3] + 2, 26));
        pen.toFront();
    }

    private void putAway() {
        pen.setVisible(false);
        requestFocus();
    }

    /** Writes what stands at the pen into its cell, and goes on. */
    private void write(int rows, int columns) {
        SheetPick at = picked.get();
        String text = pen.getText();
        boolean focused = pen.isFocused();
        pen.setVisible(false);
        write(at, text);
        if (rows != 0 || columns != 0) go(rows, columns, false);
        if (focused) requestFocus();
    }

    /** Writes into a cell, unless that is what is in it. */
    void write(SheetPick at, String text) {
        if (at == null || text.equals(surface.get().typed(at.row(), at.column()))) return;
        fill(Map.of(SheetAnswers.cell(name(), at.row(), at.column()), text));
    }

    /** Where the middle of a cell is drawn on the screen, for clicks made by programs. */
    public Point2D middle(int row, int column) {
        double[] box = paper.box(Range.cell(row, column));
        return localToScreen(box[0] + box[2] / 2, box[1] + box[3] / 2);
    }

    /** Where the upper left corner of a cell is drawn on the screen. */
    public Point2D corner(int row, int column) { return localToScreen(paper.x(column), paper.y(row)); }

    /** What the line at the bottom says of the sheet: what it is called, and how much is on it. */
    public String[] about() {
        SheetSurface here = surface.get();
        if (here == null) return new String[] {"", ""};
        Range used = here.used();
        String size = used == null ? Words.of("sheet.empty") : Words.of("sheet.size", used.bottom() + 1, used.right() + 1);
        return new String[] {here.sheet().name(), " \u00B7 " + size + (here.edges().isEmpty() ? "" : " \u00B7 " + SheetStrip.pages(here))};
    }

    String name() { return surface.get().sheet().name(); }

    /** One step for all; false where the lock of the sheet does not allow it. */
    boolean fill(Map<String, String> answers) {
        if (answers.isEmpty()) return true;
        if (key.refuses(answers)) return false;
        desk.apply(FormFilling.answer(desk.document(), desk.selection().get(), answers));
        return true;
    }

    public void close() {
        tiles.close();
        reckoning.shutdownNow();
    }
}
