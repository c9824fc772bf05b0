package app.decant.desktop.table;

import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.Point2D;
import javafx.scene.control.Label;
import javafx.scene.input.InputMethodEvent;
import javafx.scene.input.InputMethodRequests;
import javafx.scene.input.InputMethodTextRun;
import javafx.scene.layout.Pane;

/** Letters that an input method is still making up: shown where the caret is, under a line, and typed once it has done. */
final class Composition implements InputMethodRequests {
    /** Letters beside the height of their caret. */
    private static final double SIZE = 0.78;

    private final PageTable table;
    private final Consumer<String> typed;
    private final Label letters = new Label();

    /** @param typed takes what was made up */
    Composition(PageTable table, Consumer<String> typed) {
        this.table = table;
        this.typed = typed;
        letters.setId("composition");
        letters.getStyleClass().add("composition");
        letters.setMouseTransparent(true);
    }

    void changed(InputMethodEvent event) {
        String made = event.getCommitted().codePoints().filter(c -> c >= ' ' && c != 127).collect(StringBuilder::new, StringBuilder::appendCodePoint,
                StringBuilder::append).toString();
        letters.setText(event.getComposed().stream().map(InputMethodTextRun::getText).collect(Collectors.joining()));
        if (!made.isEmpty()) typed.accept(made);
        event.consume();
        table.requestLayout();
    }

    /** At the caret, as that is placed on a page. */
    void place(Pane sheet, double x, double y, double height) {
        if (letters.getText().isEmpty()) {
            hide();
            return;
        }
        if (letters.getParent() != sheet) {
            hide();
            sheet.getChildren().add(letters);
        }
        letters.setStyle("-fx-font-size: " + Math.max(6, height * SIZE) + "px;");
        letters.relocate(x, y);
        letters.autosize();
    }

    void hide() { if (letters.getParent() instanceof Pane pane) pane.getChildren().remove(letters); }

    @Override public Point2D getTextLocation(int offset) {
        double[] at = table.caretPoint();
        Point2D on = at == null ? null : table.localToScreen(at[0], at[1]);
        return on == null ? Point2D.ZERO : on;
    }

    @Override public int getLocationOffset(int x, int y) { return 0; }

    @Override public void cancelLatestCommittedText() { letters.setText(""); }

    @Override public String getSelectedText() { return ""; }
}
