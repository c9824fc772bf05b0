package app.decant.desktop.takein;

import app.decant.desktop.part.Words;
import app.decant.desktop.table.PagePictures;
import app.decant.desktop.table.PageSheet;
import app.decant.desktop.table.PageTable;
import app.decant.pdf.PdfPages;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.LinkedBlockingDeque;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;
import org.slf4j.LoggerFactory;

/** The pages of a PDF as it came. They move and grow with the editable pages beside them. */
public final class OriginalTable extends Region {
    private static final double GAP = 24;
    private static final double INCH = 96 / 72.0;

    private final PageTable table;
    private final Pane canvas = new Pane();
    private final Map<Integer, Sheet> sheets = new HashMap<>();
    private final Set<Integer> wanted = new HashSet<>();
    private final ThreadPoolExecutor painter = new ThreadPoolExecutor(1, 1, 1, TimeUnit.MINUTES, new LinkedBlockingDeque<>(), task -> {
        Thread thread = new Thread(task, "original");
        thread.setDaemon(true);
        return thread;
    });
    private Map<Integer, List<double[]>> marks = Map.of();
    private PdfPages pdf;
    private Path file;
    private double[][] sizes = new double[0][];
    private List<Integer> turns = List.of();
    private double paintedScale;

    /** One page: its paper, its picture, and what is marked on it. */
    private static final class Sheet extends Pane {
        final Rectangle paper = new Rectangle();
        final ImageView view = new ImageView();
        final Group lit = new Group();

        Sheet() {
            getStyleClass().add("sheet");
            paper.getStyleClass().add("paper");
            getChildren().addAll(paper, view, lit);
        }
    }

    OriginalTable(PageTable table) {
        this.table = table;
        getStyleClass().add("table");
        setId("original");
        setAccessibleText(Words.of("original.name"));
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        getChildren().add(canvas);
        table.scrolling().addListener((observed, before, now) -> requestLayout());
        table.zoomProperty().addListener((observed, before, now) -> requestLayout());
        addEventHandler(ScrollEvent.SCROLL, event -> {
            table.scroll(-event.getDeltaY());
            event.consume();
        });
    }

    /** Shows a file's pages; its first page as soon as it can be painted. Null shows none. */
    void show(Path wantedFile, String password) {
        if (wantedFile != null && wantedFile.equals(file)) return;
        file = wantedFile;
        sizes = new double[0][];
        sheets.clear();
        wanted.clear();
        canvas.getChildren().clear();
        marks = Map.of();
        painter.execute(() -> {
            if (pdf != null) pdf.close();
            pdf = null;
            if (wantedFile == null) return;
            try {
                pdf = PdfPages.open(wantedFile, password);
                double[][] measured = new double[pdf.count()][];
                for (int i = 0; i < measured.length; i++) measured[i] = new double[] {pdf.width(i), pdf.height(i)};
                Platform.runLater(() -> {
                    if (!wantedFile.equals(file)) return;
                    sizes = measured;
                    requestLayout();
                });
            } catch (RuntimeException e) {
                // Why it can't be opened is told by the taking in itself.
                LoggerFactory.getLogger(OriginalTable.class).info("{} can't be shown", wantedFile, e);
            }
        });
    }

    /** Shows pages turned clockwise, by their numbers: those whose text runs up or down, as they were read. */
    void turn(List<Integer> wantedTurns) {
        if (wantedTurns.equals(turns)) return;
        turns = wantedTurns;
        requestLayout();
    }

    private int turn(int page) { return page < turns.size() ? turns.get(page) : 0; }

    private double width(int page) { return sizes[page][turn(page) % 180 == 0 ? 0 : 1]; }

    private double height(int page) { return sizes[page][turn(page) % 180 == 0 ? 1 : 0]; }

    /** Marks places: rectangles in points by page, as it was read. */
    void mark(Map<Integer, List<double[]>> places) {
        marks = places;
        requestLayout();
    }

    private double scale() {
        if (table.hasPages()) return table.scale();
        double widest = 1;
        for (int i = 0; i < sizes.length; i++) widest = Math.max(widest, width(i));
        return Math.min(1.1 * INCH, Math.max(0.3, (getWidth() - 2 * GAP - 12) / widest));
    }

    @Override protected void layoutChildren() {
        canvas.resizeRelocate(0, 0, getWidth(), getHeight());
        if (sizes.length == 0) return;
        double scale = scale();
        if (Math.abs(scale - paintedScale) > 0.001) {
            paintedScale = scale;
            wanted.clear();
        }
        double top = table.hasPages() ? table.viewTop() : 0;
        int at = Math.max(0, Math.min(sizes.length - 1, (int) top));
        double y = -(top - at) * (height(at) * scale + GAP) + (table.hasPages() ? table.aboveFirst() : 0);
        if (!table.hasPages()) y = GAP;
        Set<Integer> seen = new HashSet<>();
        for (int i = at; i < sizes.length && y < getHeight(); i++) {
            double width = width(i) * scale;
            double height = height(i) * scale;
            Sheet sheet = sheets.computeIfAbsent(i, index -> {
                Sheet made = new Sheet();
                canvas.getChildren().add(made);
                return made;
            });
            seen.add(i);
            sheet.setLayoutX(Math.round((getWidth() - width) / 2));
            sheet.setLayoutY(Math.round(y));
            sheet.resize(Math.round(width), Math.round(height));
            sheet.paper.setWidth(Math.round(width));
            sheet.paper.setHeight(Math.round(height));
            long wide = Math.round(sizes[i][0] * scale);
            long high = Math.round(sizes[i][1] * scale);
            sheet.view.setFitWidth(wide);
            sheet.view.setFitHeight(high);
            // It turns round its middle.
            sheet.view.setRotate(turn(i));
            sheet.view.setX((Math.round(width) - wide) / 2.0);
            sheet.view.setY((Math.round(height) - high) / 2.0);
            sheet.lit.getChildren().setAll(marks.getOrDefault(i, List.of()).stream().map(one -> PageSheet.frame(one, scale)).toList());
            paint(i, scale);
            y += height + GAP;
        }
        sheets.entrySet().removeIf(entry -> {
            boolean gone = !seen.contains(entry.getKey());
            if (gone) {
                canvas.getChildren().remove(entry.getValue());
                wanted.remove(entry.getKey());
            }
            return gone;
        });
    }

    private void paint(int index, double scale) {
        if (!wanted.add(index)) return;
        double output = getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getOutputScaleX();
        Path shown = file;
        painter.execute(() -> {
            if (pdf == null || !shown.equals(file)) return;
            try {
                Image image = PagePictures.image(pdf.image(index, scale * output));
                Platform.runLater(() -> {
                    Sheet sheet = sheets.get(index);
                    if (sheet != null && shown.equals(file)) sheet.view.setImage(image);
                });
            } catch (RuntimeException e) {
                LoggerFactory.getLogger(OriginalTable.class).info("Page {} can't be shown", index + 1, e);
            }
        });
    }

    void close() {
        show(null, null);
        painter.shutdown();
    }
}
