package app.decant.desktop.table;

import app.decant.page.Page;
import app.decant.pdf.keep.GroundPainter;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.Group;
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
    /** How dark the shadow of the paper is, from it outwards. A blurred one takes most of a frame where nothing but the processor paints. */
    private static final double[] SHADOW = {0.10, 0.055, 0.02};

    private final TilePainter painter;
    private final Rectangle paper = new Rectangle();
    private final Group shadow = new Group();
    private final Group tiles = new Group();
    private final Group lit = new Group();
    private final Group frames = new Group();
    private final Map<Integer, ImageView> shown = new HashMap<>();
    private volatile Page page;
    private volatile double scale;
    private double output;
    private GroundPainter ground;
    private List<Light> lights = List.of();
    private double litScale;

    PageSheet(TilePainter painter) {
        this.painter = painter;
        getStyleClass().add("sheet");
        paper.getStyleClass().add("paper");
        lit.setMouseTransparent(true);
        shadow.setMouseTransparent(true);
        frames.setMouseTransparent(true);
        getChildren().addAll(shadow, paper, tiles, lit, frames);
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
        if (paper.getWidth() != width || paper.getHeight() != height) shade(width, height);
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

    /** Draws the shadow as strips of whole pixels round the paper, a little below it. */
    private void shade(double width, double height) {
        shadow.getChildren().clear();
        for (int i = 0; i < SHADOW.length; i++) {
            strip(-i - 1, 1 - i, 1, height + 2 * i, SHADOW[i]);
            strip(width + i, 1 - i, 1, height + 2 * i, SHADOW[i]);
            strip(-i - 1, height + 1 + i, width + 2 * i + 2, 1, SHADOW[i]);
            if (i > 0) strip(-i - 1, -i, width + 2 * i + 2, 1, SHADOW[i]);
        }
    }

    private void strip(double x, double y, double width, double height, double strength) {
        Rectangle strip = new Rectangle(x, y, width, height);
        strip.setFill(Color.rgb(60, 40, 50, strength));
        shadow.getChildren().add(strip);
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

    /**
     * Something lit on the page; lengths in points.
     *
     * @param height nothing where it is a line
     */
    record Light(Kind kind, double x, double y, double width, double height) {
        /** What it says, from the lowest layer up; what the style sheet calls it. */
        enum Kind { FILLABLE, REMARKED, TOUCHED, MARKED, PICKED, FRAMED, DOUBTFUL }
    }

    /** Lights up places, in the order of their kinds; nothing is made anew where they are as they were. */
    void light(List<Light> wanted, double pointScale) {
        if (pointScale == litScale && wanted.equals(lights)) return;
        lights = wanted;
        litScale = pointScale;
        lit.getChildren().clear();
        frames.getChildren().clear();
        for (Light one : wanted.stream().sorted(Comparator.comparing(Light::kind)).toList()) {
            switch (one.kind) {
                case FRAMED -> frame(one, pointScale);
                case DOUBTFUL -> wave(one, pointScale);
                default -> lit.getChildren().add(rectangle(one, pointScale));
            }
        }
        // Made while pages are laid out, they would be painted black until something else is drawn.
        lit.applyCss();
        frames.applyCss();
    }

    /** Round a picture that is picked, with what it is drawn larger by. */
    private void frame(Light one, double pointScale) {
        Rectangle frame = rectangle(one, pointScale);
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

    /** Under a word that is perhaps misspelled. */
    private void wave(Light word, double pointScale) {
        Polyline wave = new Polyline();
        double x = word.x * pointScale;
        double y = Math.round(word.y * pointScale) + 1;
        int halves = Math.max(2, (int) Math.round(word.width * pointScale / WAVE));
        for (int i = 0; i <= halves; i++) wave.getPoints().addAll(x + i * word.width * pointScale / halves, i % 2 == 0 ? y + 1 : y - 1);
        wave.getStyleClass().add("doubtful");
        frames.getChildren().add(wave);
    }

    private static Rectangle rectangle(Light one, double pointScale) {
        Rectangle rectangle = new Rectangle(one.x * pointScale, one.y * pointScale, Math.max(1, one.width * pointScale), one.height * pointScale);
        rectangle.getStyleClass().add(one.kind.name().toLowerCase(Locale.ROOT));
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
