package app.decant.desktop.takein;

import app.decant.Intake;
import app.decant.desktop.part.Words;
import app.decant.desktop.table.PageSheet;
import app.decant.desktop.table.PageView;
import app.decant.document.DecantException;
import app.decant.page.Page;
import app.decant.pdf.keep.GroundPainter;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.application.Platform;
import org.slf4j.LoggerFactory;

/** The pages of a PDF as it came. While it comes in they are looked at by themselves; then they go and grow with the pages beside them. */
public final class OriginalView extends PageView {
    private final ExecutorService opener = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "original");
        thread.setDaemon(true);
        return thread;
    });
    private Map<Integer, List<double[]>> marks = Map.of();
    private List<Integer> turns = List.of();
    private Path file;
    private GroundPainter ground;

    OriginalView(PageView beside) {
        super("original", Words.of("original.name"));
        follow(beside);
    }

    /** Shows a file's pages, as soon as they can be. Null shows none. */
    void showFile(Path wanted, String password) {
        if (wanted != null && wanted.equals(file)) return;
        if (wanted == null && file == null) return;
        // What was found out for a window may come when that is closed.
        if (opener.isShutdown()) return;
        file = wanted;
        marks = Map.of();
        turns = List.of();
        letGo();
        begin();
        if (wanted != null) opener.execute(() -> opened(wanted, password));
    }

    private void letGo(GroundPainter painter) {
        if (opener.isShutdown()) painter.close();
        else opener.execute(painter::close);
    }

    private void opened(Path wanted, String password) {
        try {
            GroundPainter painter = new GroundPainter(Intake.original(wanted, password));
            List<Page> pages = painter.pages(List.of());
            Platform.runLater(() -> {
                if (wanted.equals(file)) {
                    ground = painter;
                    show(pages, painter);
                    turnAsRead();
                } else {
                    letGo(painter);
                }
            });
        } catch (DecantException e) {
            // Why it can't be opened is told by the taking in itself.
            LoggerFactory.getLogger(OriginalView.class).info("{} can't be shown", wanted, e);
        }
    }

    /** Shows pages turned clockwise, by their numbers: those whose text runs up or down, as they were read. */
    void turn(List<Integer> wanted) {
        if (wanted.equals(turns)) return;
        turns = wanted;
        turnAsRead();
    }

    private void turnAsRead() {
        GroundPainter painter = ground;
        List<Integer> wanted = turns;
        if (painter == null || opener.isShutdown() || wanted.stream().allMatch(turn -> turn == 0)) return;
        opener.execute(() -> {
            try {
                List<Page> pages = painter.pages(wanted);
                Platform.runLater(() -> {
                    if (painter == ground && wanted.equals(turns)) show(pages, painter);
                });
            } catch (DecantException e) {
                LoggerFactory.getLogger(OriginalView.class).info("{}", e.getMessage(), e);
            }
        });
    }

    /** Marks places: rectangles in points by page, as it was read. */
    void mark(Map<Integer, List<double[]>> places) {
        marks = places;
        requestLayout();
    }

    @Override protected void dress(PageSheet sheet, Page page) { sheet.frame(marks.getOrDefault(page.index(), List.of()), scale()); }

    /** Lets the file go that was shown; a page of it may still be being painted. */
    private void letGo() {
        GroundPainter painter = ground;
        ground = null;
        show(List.of(), null);
        if (painter != null) letGo(painter);
    }

    @Override public void close() {
        showFile(null, null);
        super.close();
        opener.shutdown();
    }
}
