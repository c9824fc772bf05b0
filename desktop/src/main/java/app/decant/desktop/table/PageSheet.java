package app.decant.desktop.table;

import app.decant.page.Page;
import app.decant.pdf.keep.GroundPainter;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.Group;
import javafx.scene.effect.BlendMode;
import javafx.scene.image.ImageView;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;

/** One page on the table: white paper, the painted tiles, and what is picked above them. */
public final class PageSheet extends Pane {
    /** How long half a wave is, in pixels. */
    private static final double WAVE = 2.6;

    private final TilePainter painter;
    private final Rectangle paper = new Rectangle();
    private final Group tiles = new Group();
    private final Group lit = new Group();
    private final Group frames = new Group();
    private final Map<Integer, ImageView> shown = new HashMap<>();
    private volatile Page page;
    private volatile double scale;
    private double output;
    private GroundPainter ground;

    PageSheet(TilePainter painter) {
        this.painter = painter;
        getStyleClass().add("sheet");
        paper.getStyleClass().add("paper");
        lit.setMouseTransparent(true);
        // Painted over the text, so that what is picked tints it.
        lit.setBlendMode(BlendMode.MULTIPLY);
        frames.setMouseTransparent(true);
        getChildren().addAll(paper, tiles, lit, frames);
    }

    /**
     * Shows a page; only tiles between {@code top} and {@code bottom} (pixels down the page) are painted.
     *
     * @param painter of a page that is a file's own
     */
    void show(Page wanted, GroundPainter painter, double newScale, double newOutput, double top, double bottom) {
        ground = painter;
        boolean rescaled = scale != newScale || output != newOutput;
        boolean changed = page != wanted;
        page = wanted;
        scale = newScale;
        output = newOutput;
        double width = Math.round(page.width() * scale);
        double height = Math.round(page.height() * scale);
        paper.setWidth(width);
        paper.setHeight(height);
        setPrefSize(width, height);
        resize(width, height);
        if (rescaled) {
            tiles.getChildren().clear();
            shown.clear();
        }
        int count = (int) Math.ceil(height * output / TilePainter.TILE);
        for (int i = 0; i < count; i++) {
            double from = i * TilePainter.TILE / output;
            double to = from + TilePainter.TILE / output;
            if (to < top - 200 || from > bottom + 200) continue;
            if (!changed && !rescaled && shown.containsKey(i)) continue;
            request(i);
        }
        if (changed && !rescaled) shown.keySet().removeIf(index -> {
            double from = index * TilePainter.TILE / output;
            boolean outside = from + TilePainter.TILE / output < top - 200 || from > bottom + 200;
            if (outside) tiles.getChildren().remove(shown.get(index));
            return outside;
        });
    }

    private void request(int index) {
        ImageView view = shown.computeIfAbsent(index, key -> {
            ImageView made = new ImageView();
            made.setLayoutY(key * TilePainter.TILE / output);
            tiles.getChildren().add(made);
            return made;
        });
        Page wanted = page;
        double wantedScale = scale;
        painter.paint(wanted, ground, scale * output, index, () -> page == wanted && scale == wantedScale, image -> {
            if (page != wanted || scale != wantedScale) return;
            view.setImage(image);
            view.setFitWidth(image.getWidth() / output);
            view.setFitHeight(image.getHeight() / output);
        });
    }

    /** Lights up what is picked, what is marked and what was touched, and frames a picture that is picked; rectangles in points. */
    void select(List<double[]> picked, List<double[]> marked, List<double[]> touched, List<double[]> framed, double pointScale) {
        lit.getChildren().clear();
        for (double[] one : touched) lit.getChildren().add(rectangle(one, pointScale, "touched"));
        for (double[] one : marked) lit.getChildren().add(rectangle(one, pointScale, "marked"));
        for (double[] one : picked) lit.getChildren().add(rectangle(one, pointScale, "picked"));
        frames.getChildren().clear();
        for (double[] one : framed) {
            Rectangle frame = rectangle(one, pointScale, "framed");
            frame.setFill(null);
            frame.setStroke(Color.web("#6B2447"));
            frame.setStrokeWidth(1.2);
            frames.getChildren().add(frame);
            for (double[] at : PictureGrip.rounds()) {
                Circle round = new Circle(frame.getX() + at[0] * frame.getWidth(), frame.getY() + at[1] * frame.getHeight(), 4, Color.WHITE);
                round.setStroke(Color.web("#6B2447"));
                round.setStrokeWidth(1.4);
                frames.getChildren().add(round);
            }
        }
        // Made while pages are laid out, they would be painted black until something else is drawn.
        lit.applyCss();
    }

    /** Tints what hangs on words, such as a comment, under all else that is lit. */
    void tint(List<double[]> places, String style, double pointScale) {
        for (double[] one : places) lit.getChildren().add(0, rectangle(one, pointScale, style));
        lit.applyCss();
    }

    /** A fine wave under each word that is perhaps misspelled: left, height down the page and width, in points. */
    void underline(List<double[]> words, double pointScale) {
        for (double[] one : words) {
            Polyline wave = new Polyline();
            double x = one[0] * pointScale;
            double y = Math.round(one[1] * pointScale) + 1;
            int halves = Math.max(2, (int) Math.round(one[2] * pointScale / WAVE));
            for (int i = 0; i <= halves; i++) wave.getPoints().addAll(x + i * one[2] * pointScale / halves, i % 2 == 0 ? y + 1 : y - 1);
            wave.getStyleClass().add("doubtful");
            frames.getChildren().add(wave);
        }
        frames.applyCss();
    }

    private static Rectangle rectangle(double[] one, double pointScale, String style) {
        Rectangle rectangle = new Rectangle(one[0] * pointScale, one[1] * pointScale, Math.max(1, one[2] * pointScale), one[3] * pointScale);
        rectangle.getStyleClass().add(style);
        return rectangle;
    }

    /** Dashed frames round places that want a look; in points. */
    public void frame(List<double[]> places, double pointScale) {
        frames.getChildren().clear();
        for (double[] one : places) {
            Rectangle frame = new Rectangle((one[0] - 3) * pointScale, (one[1] - 2) * pointScale, Math.max(4, (one[2] + 6) * pointScale),
                    (one[3] + 4) * pointScale);
            frame.setFill(null);
            frame.setStroke(Color.web("#B8741A"));
            frame.getStrokeDashArray().setAll(4.0, 3.0);
            frame.setArcWidth(6);
            frame.setArcHeight(6);
            frames.getChildren().add(frame);
        }
    }
}
