package app.decant.desktop.table;

import java.util.List;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import javafx.scene.transform.Rotate;
import javafx.util.Duration;

/** The caret: a thin bar that blinks while the table has the keyboard. */
public final class Caret {
    private final Rectangle bar = new Rectangle(1.6, 16);
    private final Timeline blink = new Timeline(new KeyFrame(Duration.millis(530), event -> bar.setOpacity(bar.getOpacity() > 0 ? 0 : 1)));

    Caret() {
        bar.getStyleClass().add("caret");
        bar.setId("caret");
        bar.setMouseTransparent(true);
        blink.setCycleCount(Timeline.INDEFINITE);
    }

    void shown(boolean wanted) {
        if (wanted) blink.playFromStart();
        else blink.stop();
    }

    /** @param turn how far it is turned clockwise around its upper end, in degrees */
    void place(Pane sheet, double x, double y, double height, double turn) {
        if (bar.getParent() != sheet) {
            hide();
            sheet.getChildren().add(bar);
        }
        bar.setX(x - 0.8);
        bar.setY(y);
        bar.setHeight(height);
        bar.getTransforms().setAll(turn == 0 ? List.of() : List.of(new Rotate(turn, x, y)));
        bar.setOpacity(1);
        blink.playFromStart();
    }

    void hide() { if (bar.getParent() instanceof Pane pane) pane.getChildren().remove(bar); }
}
