package app.decant.desktop.publish;

import app.decant.desktop.part.Words;
import app.decant.desktop.table.PagePictures;
import app.decant.desktop.work.Desk;
import app.decant.layout.PagedDocument;
import app.decant.page.Page;
import app.decant.pdf.keep.GroundPainter;
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

/** The pages as small pictures, the chosen ones lit; a click leaves one out or takes it in. Pictures are painted as they come into view. */
public final class PageGrid {
    private static final double WIDTH = 62;
    /** Of very many pages these are shown; nobody looks through more, and thousands would keep the window waiting. */
    private static final int MOST = 400;
    private final Desk desk;
    private final Consumer<Set<Integer>> picked;
    private final Label title = new Label();
    private final FlowPane flow = new FlowPane(10, 12);
    private final ScrollPane scroll = new ScrollPane(flow);
    private final VBox box = new VBox(12, title, scroll);
    private final List<Thumb> thumbs = new ArrayList<>();
    private final Map<Page, Image> images = new IdentityHashMap<>();
    private final PagePictures pictures = new PagePictures();
    private Set<Integer> chosen = Set.of();
    private int counted;

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

    /** Shows what is published, the chosen pages lit; all of them where none are named. */
    void show(PagedDocument pages, Set<Integer> wanted) {
        chosen = wanted;
        title.setText(wanted.isEmpty() ? Words.of("grid.whole", pages.count()) : Words.of("grid.some", wanted.size(), pages.count()));
        boolean same = thumbs.size() == Math.min(MOST, pages.count()) && counted == pages.count();
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
        counted = pages.count();
        List<Page> seen = List.copyOf(pages.pages().subList(0, Math.min(MOST, counted)));
        images.keySet().retainAll(seen);
        for (Page page : seen) {
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
        if (counted <= MOST) return;
        Label more = new Label(Words.of("grid.more", counted - MOST));
        more.setWrapText(true);
        more.setPrefWidth(3 * WIDTH);
        more.getStyleClass().add("quiet");
        flow.getChildren().add(more);
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
            GroundPainter ground = desk.session().ground();
            desk.aside(() -> {
                Image image = pictures.whole(thumb.page, ground, scale);
                Platform.runLater(() -> {
                    images.put(thumb.page, image);
                    for (Thumb one : thumbs) if (one.page == thumb.page) one.view.setImage(image);
                });
            });
        }
    }
}
