package app.decant.desktop.folders;

import app.decant.desktop.table.PagePictures;
import app.decant.desktop.work.Desk;
import app.decant.page.Page;
import app.decant.paint.PagePainter;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.VBox;

/** A picture of what is being made just now: the first page of a file, changed no oftener than eyes can follow. */
public final class FolderBench {
    private static final double WIDTH = 92;
    private static final long SHOWN = 700_000_000L;
    private final Desk desk;
    private final ImageView view = new ImageView();
    private final Label name = new Label();
    private final VBox box = new VBox(8, view, name);
    private volatile long last;

    FolderBench(Desk desk) {
        this.desk = desk;
        view.setFitWidth(WIDTH);
        view.setPreserveRatio(true);
        view.getStyleClass().add("bench-page");
        name.getStyleClass().add("quiet");
        name.setWrapText(true);
        name.setMaxWidth(WIDTH);
        box.setAlignment(Pos.TOP_CENTER);
        box.setMinWidth(WIDTH);
        clear();
    }

    Node node() { return box; }

    /** Shows a page of a file; called from any thread. */
    void show(Page page, String file) {
        long now = System.nanoTime();
        if (now - last < SHOWN) return;
        last = now;
        desk.aside(() -> {
            Image image = PagePictures.image(PagePainter.image(page, WIDTH * 2 / page.width(), new PagePainter.PictureCache()));
            Platform.runLater(() -> {
                view.setImage(image);
                name.setText(file);
                box.setVisible(true);
                box.setManaged(true);
            });
        });
    }

    void clear() {
        view.setImage(null);
        box.setVisible(false);
        box.setManaged(false);
    }
}
