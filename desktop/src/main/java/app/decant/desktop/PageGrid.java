package app.decant.desktop;

import app.decant.document.DecantException;
import app.decant.layout.PagedDocument;
import app.decant.page.Page;
import app.decant.paint.PagePainter;
import app.decant.pdf.PdfPages;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.slf4j.LoggerFactory;

/** The pages as small pictures, the chosen ones lit; a click leaves one out or takes it in. Pictures are painted as they come into view. */
final class PageGrid {
    private static final double WIDTH = 62;
    private final Desk desk;
    private final Consumer<Set<Integer>> picked;
    private final Label title = new Label();
    private final FlowPane flow = new FlowPane(10, 12);
    private final ScrollPane scroll = new ScrollPane(flow);
    private final VBox box = new VBox(12, title, scroll);
    private final List<Thumb> thumbs = new ArrayList<>();
    private final Map<Page, Image> images = new IdentityHashMap<>();
    private final PagePainter.PictureCache pictures = new PagePainter.PictureCache();
    private Set<Integer> chosen = Set.of();
    /** The file whose own pages are shown, since they are what is published; null for pages as they are laid out. */
    private Desk.Source shown;
    private PdfPages own;
    private Desk.Source opened;

    /** One page's button. */
    private record Thumb(Button button, ImageView view, Page page) { }

    PageGrid(Desk desk, Consumer<Set<Integer>> picked) {
        this.desk = desk;
        this.picked = picked;
        title.getStyleClass().add("grid-title");
        title.setWrapText(true);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("station-scroll");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        scroll.vvalueProperty().addListener((observed, before, now) -> paintVisible());
        scroll.heightProperty().addListener((observed, before, now) -> Platform.runLater(this::paintVisible));
    }

    Node node() { return box; }

    /** @param file whose own pages are published, or null where they are set */
    void show(PagedDocument pages, Set<Integer> wanted, Desk.Source file) {
        chosen = wanted;
        if (file != shown) {
            shown = file;
            images.clear();
            for (Thumb thumb : thumbs) thumb.view.setImage(null);
        }
        title.setText(wanted.isEmpty() ? Words.of("grid.whole", pages.count()) : Words.of("grid.some", wanted.size(), pages.count()));
        boolean same = thumbs.size() == pages.count();
        for (int i = 0; same && i < thumbs.size(); i++) same = thumbs.get(i).page == pages.page(i);
        if (!same) build(pages);
        for (int i = 0; i < thumbs.size(); i++) {
            boolean lit = wanted.isEmpty() || wanted.contains(i);
            thumbs.get(i).button.getStyleClass().removeAll("lit", "unlit");
            thumbs.get(i).button.getStyleClass().add(lit ? "lit" : "unlit");
        }
        Platform.runLater(this::paintVisible);
    }

    private void build(PagedDocument pages) {
        thumbs.clear();
        flow.getChildren().clear();
        images.keySet().retainAll(pages.pages());
        for (Page page : pages.pages()) {
            ImageView view = new ImageView();
            double height = WIDTH * page.height() / page.width();
            view.setFitWidth(WIDTH);
            view.setFitHeight(height);
            Button button = new Button();
            button.setGraphic(view);
            button.getStyleClass().add("thumb");
            button.setId("thumb-" + (page.index() + 1));
            button.setAccessibleText(Words.of("grid.page", page.label()));
            button.setMinSize(WIDTH + 6, height + 6);
            button.setOnAction(event -> toggle(page.index(), pages.count()));
            Label label = new Label(page.label());
            label.getStyleClass().add("quiet");
            VBox cell = new VBox(2, button, label);
            cell.setAlignment(Pos.CENTER);
            flow.getChildren().add(cell);
            thumbs.add(new Thumb(button, view, page));
        }
    }

    private void toggle(int index, int count) {
        Set<Integer> next = new TreeSet<>(chosen);
        if (chosen.isEmpty()) return;
        if (!next.remove(index)) next.add(index);
        if (!next.isEmpty() && next.size() <= count) picked.accept(next);
    }

    private void paintVisible() {
        double height = scroll.getViewportBounds().getHeight();
        double top = scroll.getVvalue() * Math.max(0, flow.getHeight() - height);
        for (Thumb thumb : thumbs) {
            Node cell = thumb.button.getParent();
            double y = cell.getLayoutY();
            if (y + 160 < top - 200 || y > top + Math.max(height, 400) + 200 || thumb.view.getImage() != null) continue;
            Image known = images.get(thumb.page);
            if (known != null) {
                thumb.view.setImage(known);
                continue;
            }
            images.put(thumb.page, null);
            double scale = WIDTH * 2 / thumb.page.width();
            Desk.Source file = shown;
            int count = thumbs.size();
            desk.aside(() -> {
                BufferedImage painted = file == null ? null : own(file, thumb.page.index(), count, scale);
                Image image = TilePainter.image(painted == null ? PagePainter.image(thumb.page, scale, pictures) : painted);
                Platform.runLater(() -> {
                    if (file != shown) return;
                    images.put(thumb.page, image);
                    for (Thumb one : thumbs) if (one.page == thumb.page) one.view.setImage(image);
                });
            });
        }
    }

    /** A page of the file itself; null where it can't be painted, or the file has other pages than the text makes. */
    private synchronized BufferedImage own(Desk.Source file, int page, int count, double scale) {
        try {
            if (opened != file) {
                if (own != null) own.close();
                own = null;
                opened = file;
                own = PdfPages.open(file.file(), file.password());
            }
            return own == null || own.count() != count ? null : own.image(page, scale);
        } catch (DecantException e) {
            LoggerFactory.getLogger(PageGrid.class).info("{}", e.getMessage(), e);
            return null;
        }
    }
}
