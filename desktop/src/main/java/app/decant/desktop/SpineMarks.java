package app.decant.desktop;

import app.decant.document.Finding;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import app.decant.proof.Difference;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;

/** The small marks of the spine: pictures, tables, what came in otherwise, what is lit on the pages. */
final class SpineMarks {
    private final GraphicsContext g;
    private final DoubleUnaryOperator down;
    private final double width;

    /** @param down how far down a part of the pages is drawn: 2.5 for the middle of the third */
    SpineMarks(GraphicsContext g, DoubleUnaryOperator down, double width) {
        this.g = g;
        this.down = down;
        this.width = width;
    }

    /** Where passages begin, in pages from the first; those that stand on none are left out. */
    static List<Double> places(PagedDocument pages, List<TextSelection> lit) {
        List<Double> places = new ArrayList<>();
        for (TextSelection one : lit) {
            PagedDocument.Spot spot = pages.walk(one.story()).indexOf(one.start().path()) < 0 ? null : pages.spot(one.start());
            if (spot != null) places.add(spot.page() + spot.line().baseline() / pages.page(spot.page()).height());
        }
        return places;
    }

    /** What is found or alike: short strokes at the edge, one where several fall together. */
    void lit(List<Double> places, Color plum) {
        g.setFill(plum);
        long last = -1;
        for (double place : places) {
            long at = Math.round(down.applyAsDouble(place));
            if (at == last) continue;
            g.fillRoundRect(width - 9, at - 1.5, 9, 3, 2, 2);
            last = at;
        }
    }

    /** What came in otherwise than it was: small diamonds. */
    void differences(PagedDocument pages, List<Difference> differences, Color amber) {
        g.setFill(amber);
        for (Difference one : differences) {
            if (one.weight() == Finding.Weight.NOTE || one.page() >= pages.count()) continue;
            double y = down.applyAsDouble(one.page() + one.y() / pages.page(one.page()).height());
            g.fillPolygon(new double[] {width - 9, width - 4, width - 9, width - 14}, new double[] {y - 5, y, y + 5, y}, 4);
        }
    }

    /** Pictures are small frames, tables frames with a bar. */
    void objects(PagedDocument pages, Color quiet) {
        if (pages.count() > 400) return;
        g.setStroke(quiet);
        g.setFill(quiet);
        g.setLineWidth(1);
        for (Page page : pages.pages()) {
            double lastTable = -100;
            for (Item item : page.text()) {
                boolean picture = item instanceof Item.PictureItem || item instanceof Item.LineItem line && line.line().pieces().stream()
                        .anyMatch(piece -> piece instanceof Piece.PictureBox);
                double top = item instanceof Item.PictureItem one ? one.y() : item instanceof Item.LineItem one ? one.y() : -1;
                if (picture) {
                    double y = Math.round(down.applyAsDouble(page.index() + top / page.height())) + 0.5;
                    g.strokeRect(width - 20.5, y, 9, 7);
                }
                if (item instanceof Item.Rule rule && rule.x1() == rule.x2() && rule.y1() - lastTable > 60) {
                    double y = Math.round(down.applyAsDouble(page.index() + rule.y1() / page.height())) + 0.5;
                    g.strokeRect(width - 20.5, y, 9, 7);
                    g.strokeLine(width - 20.5, y + 2.5, width - 11.5, y + 2.5);
                    g.strokeLine(width - 16, y + 2.5, width - 16, y + 7);
                    lastTable = rule.y1();
                } else if (item instanceof Item.Rule rule && rule.x1() == rule.x2()) {
                    lastTable = Math.max(lastTable, rule.y1());
                }
            }
        }
    }
}
