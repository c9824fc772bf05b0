package app.decant.desktop.takein;

import app.decant.desktop.part.Words;
import app.decant.proof.Comparison;
import app.decant.proof.PageScore;
import java.util.Locale;
import java.util.function.IntConsumer;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;

/**
 * How well each page comes as text, as a row of bars, each of two halves: how it looks, and its words and structure. The lower and warmer a half, the more a
 * page wants a look. A click leads to the page.
 */
public final class FaithBar {
    private static final double HEIGHT = 58;
    private final Label title = new Label(Words.of("faith.pages"));
    private final Label score = new Label();
    private final Canvas canvas = new Canvas();
    private final Pane hold = new Pane(canvas);
    private final Tooltip hint = new Tooltip(Words.of("faith.pages"));
    private final VBox box;
    private Comparison comparison;
    private int here;

    FaithBar(IntConsumer go) {
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        title.getStyleClass().add("quiet");
        score.getStyleClass().add("faith-score");
        score.setId("faith-score");
        box = new VBox(4, new HBox(8, title, gap, score), hold);
        box.getStyleClass().addAll("card", "faith");
        hold.setMinHeight(HEIGHT);
        hold.setPrefHeight(HEIGHT);
        hold.widthProperty().addListener((observed, before, now) -> paint());
        canvas.setOnMousePressed(event -> {
            if (pageAt(event) >= 0) go.accept(pageAt(event));
        });
        canvas.setOnMouseMoved(this::tell);
        Tooltip.install(canvas, hint);
        canvas.setAccessibleText(Words.of("faith.pages"));
    }

    Node node() { return box; }

    void show(Comparison wanted, int page) {
        comparison = wanted;
        here = page;
        score.setText(wanted == null ? Words.of("faith.comparing") : number(wanted.looks()).equals(number(wanted.words()))
                ? Words.of("faith.score", number(wanted.score())) : Words.of("faith.both", number(wanted.looks()), number(wanted.words())));
        boolean known = wanted != null && page >= 0 && page < wanted.pages().size();
        canvas.setAccessibleHelp(known ? told(page) : null);
        paint();
    }

    /** Never rounded up: what is not whole is no hundred. */
    private static String number(double value) { return String.format(Locale.ROOT, "%.1f", Math.floor(value * 10) / 10); }

    private void tell(MouseEvent event) {
        int page = pageAt(event);
        if (page >= 0) hint.setText(told(page));
    }

    private String told(int page) {
        PageScore one = comparison.pages().get(page);
        return Words.of("faith.one", page + 1, number(one.looks()), number(one.words()));
    }

    private int pageAt(MouseEvent event) {
        if (comparison == null || comparison.pages().isEmpty()) return -1;
        return (int) Math.max(0, Math.min(comparison.pages().size() - 1, event.getX() / canvas.getWidth() * comparison.pages().size()));
    }

    private void paint() {
        canvas.setWidth(hold.getWidth());
        canvas.setHeight(HEIGHT);
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, canvas.getWidth(), HEIGHT);
        if (comparison == null || comparison.pages().isEmpty()) return;
        int count = comparison.pages().size();
        double step = canvas.getWidth() / count;
        double gap = step > 12 ? 6 : step > 4 ? 1 : 0;
        int every = Math.max(1, (int) Math.ceil(22 / step));
        g.setFont(Font.font("Source Sans 3", 10.5));
        g.setTextAlign(TextAlignment.CENTER);
        g.setTextBaseline(VPos.BOTTOM);
        for (int i = 0; i < count; i++) {
            PageScore page = comparison.pages().get(i);
            double width = Math.max(1, step - gap);
            half(g, page.looks(), i == here, i * step + gap / 2, width / 2);
            half(g, page.words(), i == here, i * step + gap / 2 + width / 2, width / 2);
            if (i % every == 0 || i == here) {
                g.setFill(Color.web(i == here ? "#26222B" : "#8A8290"));
                g.fillText(String.valueOf(i + 1), i * step + step / 2, HEIGHT);
            }
        }
    }

    private static void half(GraphicsContext g, double value, boolean here, double x, double width) {
        double share = Math.max(0.08, (value - 60) / 40);
        double height = Math.max(4, share * (HEIGHT - 16));
        Color colour = Color.web(value >= 97 ? "#3F6B4A" : value >= 85 ? "#B8741A" : "#A63D2F");
        g.setFill(here ? colour : colour.deriveColor(0, 0.8, 1.15, 0.55));
        g.fillRoundRect(x, HEIGHT - 14 - height, width, height, 3, 3);
    }
}
