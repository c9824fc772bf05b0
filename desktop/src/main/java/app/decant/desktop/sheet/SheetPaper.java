package app.decant.desktop.sheet;

import app.decant.desktop.part.Words;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.SheetSurface;
import javafx.geometry.VPos;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;

/** Draws what is seen of a sheet: its cells, letters and numbers beside them, where pages begin, what is picked; rows and columns that stay where they are. */
final class SheetPaper {
    static final double ABOVE = 24;
    private static final double LEAST_BESIDE = 36;
    private static final double DIGIT = 8;
    private static final double LABEL = 18;

    private final SheetTable table;
    private final SheetTiles tiles;
    private boolean guideRows;
    private int guideAt = -1;
    private final Font plain = Font.font("Source Sans 3", 12);

    SheetPaper(SheetTable table, SheetTiles tiles) {
        this.table = table;
        this.tiles = tiles;
    }

    private SheetSurface surface() { return table.surface().get(); }

    /** Shows where the edge of a page would be that is dragged; none where {@code at} is below 0. */
    void guide(boolean rows, int at) {
        guideRows = rows;
        guideAt = at;
        table.paintSoon();
    }

    /** How wide the numbers of rows are, in pixels. */
    double beside() { return surface() == null ? LEAST_BESIDE : Math.max(LEAST_BESIDE, 14 + DIGIT * Integer.toString(surface().rows()).length()); }

    double frozenWidth() { return surface() == null ? 0 : surface().left(table.view().frozenColumns()) * table.scale(); }
    double frozenHeight() { return surface() == null ? 0 : surface().top(table.view().frozenRows()) * table.scale(); }

    /** Where a column begins, in pixels. */
    double x(int column) {
        boolean stays = column < table.view().frozenColumns();
        return beside() + (surface().left(column) - (stays ? 0 : table.scrollX())) * table.scale();
    }

    double y(int row) {
        boolean stays = row < table.view().frozenRows();
        return ABOVE + (surface().top(row) - (stays ? 0 : table.scrollY())) * table.scale();
    }

    /** The column at a place, in pixels. */
    int columnAt(double x) {
        double at = (x - beside()) / table.scale();
        return surface().columnAt(at < surface().left(table.view().frozenColumns()) ? at : at + table.scrollX());
    }

    int rowAt(double y) {
        double at = (y - ABOVE) / table.scale();
        return surface().rowAt(at < surface().top(table.view().frozenRows()) ? at : at + table.scrollY());
    }

    /** Left, top, width and height of cells, in pixels. */
    double[] box(Range cells) {
        double scale = table.scale();
        SheetSurface here = surface();
        return new double[] {x(cells.left()), y(cells.top()), (here.left(cells.right() + 1) - here.left(cells.left())) * scale,
                (here.top(cells.bottom() + 1) - here.top(cells.top())) * scale};
    }

    private Color colour(String light, String dark) {
        boolean isDark = table.getScene() != null && table.getScene().getRoot().getStyleClass().contains("dark");
        return Color.web(isDark ? dark : light);
    }

    void paint() {
        Canvas canvas = table.canvas();
        GraphicsContext g = canvas.getGraphicsContext2D();
        double width = canvas.getWidth();
        double height = canvas.getHeight();
        g.setFill(colour("#ECE7DF", "#17141A"));
        g.fillRect(0, 0, width, height);
        if (width < 1 || height < 1) return;
        double left = beside() + frozenWidth();
        double top = ABOVE + frozenHeight();
        int columns = table.view().frozenColumns();
        int rows = table.view().frozenRows();
        quarter(g, rows, columns, left, top, width, height);
        if (columns > 0) quarter(g, rows, 0, beside(), top, left, height);
        if (rows > 0) quarter(g, 0, columns, left, ABOVE, width, top);
        if (rows > 0 && columns > 0) quarter(g, 0, 0, beside(), ABOVE, left, top);
        g.setStroke(colour("#9C8FA0", "#6B6270"));
        g.setLineWidth(1);
        if (columns > 0) g.strokeLine(left - 0.5, ABOVE, left - 0.5, height);
        if (rows > 0) g.strokeLine(beside(), top - 0.5, width, top - 0.5);
        letters(g, width, height);
    }

    /** A part of what is seen between its edges: the cells, the edges of pages, what is picked. */
    private void quarter(GraphicsContext g, int fromRow, int fromColumn, double left, double top, double right, double bottom) {
        if (right <= left || bottom <= top) return;
        g.save();
        g.beginPath();
        g.rect(left, top, right - left, bottom - top);
        g.clip();
        SheetSurface here = surface();
        int column = Math.max(fromColumn, columnAt(left + 0.5));
        int row = Math.max(fromRow, rowAt(top + 0.5));
        int lastColumn = columnAt(right);
        int lastRow = rowAt(bottom);
        double scale = table.scale();
        for (int r = row / SheetTiles.ROWS; r <= lastRow / SheetTiles.ROWS; r++) {
            for (int c = column / SheetTiles.COLUMNS; c <= lastColumn / SheetTiles.COLUMNS; c++) {
                // A block may begin among what stays: its cells stand where those of this part do.
                double x = x(Math.max(fromColumn, c * SheetTiles.COLUMNS)) - (here.left(Math.max(fromColumn, c * SheetTiles.COLUMNS))
                        - here.left(c * SheetTiles.COLUMNS)) * scale;
                double y = y(Math.max(fromRow, r * SheetTiles.ROWS)) - (here.top(Math.max(fromRow, r * SheetTiles.ROWS)) - here.top(r * SheetTiles.ROWS))
                        * scale;
                double wide = (here.left((c + 1) * SheetTiles.COLUMNS) - here.left(c * SheetTiles.COLUMNS)) * scale;
                double high = (here.top((r + 1) * SheetTiles.ROWS) - here.top(r * SheetTiles.ROWS)) * scale;
                Image image = wide < 1 || high < 1 ? null : tiles.get(r, c);
                g.setFill(Color.WHITE);
                g.fillRect(x, y, wide, high);
                if (image != null) g.drawImage(image, x, y, wide, high);
            }
        }
        edges(g, left, top, right, bottom);
        picked(g);
        if (guideAt >= 0) {
            g.setStroke(Color.web("#9A5F10"));
            g.setLineWidth(3);
            if (guideRows) g.strokeLine(left, y(guideAt), right, y(guideAt));
            else g.strokeLine(x(guideAt), top, x(guideAt), bottom);
        }
        g.restore();
    }

    /** Where pages begin: a broken line where they do by themselves, one drawn through where somebody said so. */
    private void edges(GraphicsContext g, double left, double top, double right, double bottom) {
        PageSetup setup = surface().sheet().setup();
        g.setLineWidth(1.5);
        for (SheetSurface.Edges edges : surface().edges()) {
            double[] area = box(edges.area());
            double l = Math.max(left, area[0]);
            double t = Math.max(top, area[1]);
            double r = Math.min(right, area[0] + area[2]);
            double b = Math.min(bottom, area[1] + area[3]);
            for (int i = 0; i < edges.columns().length; i++) {
                int column = edges.columns()[i];
                boolean outer = i == 0 || i == edges.columns().length - 1;
                line(g, outer, setup.columnBreaks().contains(column));
                double x = i == edges.columns().length - 1 ? area[0] + area[2] : x(column);
                if (b > t && (column > 0 || !outer)) g.strokeLine(x, t, x, b);
                if (!outer && b > t) tag(g, i + 1, x, t);
            }
            for (int i = 0; i < edges.rows().length; i++) {
                int row = edges.rows()[i];
                boolean outer = i == 0 || i == edges.rows().length - 1;
                line(g, outer, setup.rowBreaks().contains(row));
                double y = i == edges.rows().length - 1 ? area[1] + area[3] : y(row);
                if (r > l && (row > 0 || !outer)) g.strokeLine(l, y, r, y);
            }
        }
        g.setLineDashes();
    }

    /** Which page begins at an edge. */
    private void tag(GraphicsContext g, int page, double x, double y) {
        String words = Words.of("sheet.page.begins", page);
        g.setFont(plain);
        g.setTextAlign(TextAlignment.LEFT);
        g.setTextBaseline(VPos.TOP);
        g.setFill(Color.web("#F6EAD2"));
        g.fillRoundRect(x + 3, y + 3, 7.0 * words.length() + 8, 18, 6, 6);
        g.setFill(Color.web("#7A4A08"));
        g.fillText(words, x + 8, y + 5);
    }

    private void line(GraphicsContext g, boolean outer, boolean set) {
        g.setStroke(set ? Color.web("#9A5F10") : outer ? Color.web("#6B244788") : Color.web("#6B2447"));
        if (set) g.setLineDashes();
        else g.setLineDashes(outer ? 2 : 6, outer ? 3 : 4);
    }

    private void picked(GraphicsContext g) {
        SheetPick pick = table.picked().get();
        if (pick == null) return;
        double[] box = box(pick.range());
        double[] cell = box(surface().whole(pick.row(), pick.column()));
        if (!pick.isOne()) {
            g.setFill(Color.web("#6B24471C"));
            g.fillRect(box[0], box[1], box[2], box[3]);
            g.setStroke(Color.web("#6B2447AA"));
            g.setLineWidth(1);
            g.strokeRect(box[0] + 0.5, box[1] + 0.5, box[2] - 1, box[3] - 1);
        }
        g.setStroke(Color.web(table.isFocused() || table.isWriting() ? "#6B2447" : "#8A7C86"));
        g.setLineWidth(2);
        g.strokeRect(cell[0], cell[1], cell[2], cell[3]);
    }

    private void letters(GraphicsContext g, double width, double height) {
        SheetPick pick = table.picked().get();
        Range range = pick == null ? null : pick.range();
        g.setFill(colour("#F8F5F0", "#1F1B22"));
        g.fillRect(0, 0, width, ABOVE);
        g.fillRect(0, 0, beside(), height);
        g.setFont(plain);
        g.setTextAlign(TextAlignment.CENTER);
        g.setTextBaseline(VPos.CENTER);
        int frozen = table.view().frozenColumns();
        for (int c = 0; c < surface().columns(); c++) {
            if (c == frozen) c = Math.max(frozen, columnAt(beside() + frozenWidth() + 0.5));
            double x = x(c);
            if (x > width) break;
            double wide = (surface().left(c + 1) - surface().left(c)) * table.scale();
            head(g, x, 0, wide, ABOVE, Range.letters(c), range != null && c >= range.left() && c <= range.right(), c < frozen ? beside() : beside()
                    + frozenWidth(), 0);
        }
        frozen = table.view().frozenRows();
        for (int r = 0; r < surface().rows(); r++) {
            if (r == frozen) r = Math.max(frozen, rowAt(ABOVE + frozenHeight() + 0.5));
            double y = y(r);
            if (y > height) break;
            double high = (surface().top(r + 1) - surface().top(r)) * table.scale();
            head(g, 0, y, beside(), high, Integer.toString(r + 1), range != null && r >= range.top() && r <= range.bottom(), 0, r < frozen ? ABOVE
                    : ABOVE + frozenHeight());
        }
        g.setFill(colour("#F8F5F0", "#1F1B22"));
        g.fillRect(0, 0, beside(), ABOVE);
        g.setStroke(colour("#D8D0C6", "#3F3944"));
        g.setLineWidth(1);
        g.strokeLine(0, ABOVE - 0.5, width, ABOVE - 0.5);
        g.strokeLine(beside() - 0.5, 0, beside() - 0.5, height);
    }

    private void head(GraphicsContext g, double x, double y, double wide, double high, String text, boolean picked, double fromX, double fromY) {
        if (wide <= 0 || high <= 0) return;
        g.save();
        g.beginPath();
        g.rect(Math.max(x, fromX), Math.max(y, fromY), x + wide - Math.max(x, fromX), y + high - Math.max(y, fromY));
        g.clip();
        if (picked) {
            g.setFill(colour("#F1E4EA", "#3C2A35"));
            g.fillRect(x, y, wide, high);
        }
        g.setFill(picked ? colour("#6B2447", "#D08FB0") : colour("#6F6875", "#A79FAC"));
        if (high > LABEL / 2 && wide > DIGIT) g.fillText(text, x + wide / 2, y + high / 2);
        g.setStroke(colour("#D8D0C6", "#3F3944"));
        g.setLineWidth(1);
        g.strokeLine(x + wide - 0.5, y, x + wide - 0.5, y + high);
        g.strokeLine(x, y + high - 0.5, x + wide, y + high - 0.5);
        g.restore();
    }
}
