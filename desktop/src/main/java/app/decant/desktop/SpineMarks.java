package app.decant.desktop;

import app.decant.document.Finding;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import app.decant.page.Item;
import app.decant.page.Line;
import app.decant.page.Page;
import app.decant.page.Piece;
import app.decant.proof.Difference;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
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

    /** What stands on pages besides lines of text, looked for once a page: pages that nobody changes stay the same. */
    static final class Objects {
        private Map<Page, List<Mark>> known = new IdentityHashMap<>();

        /** A picture or a table. @param top how far down its page it begins, of its height */
        private record Mark(double top, boolean table) { }

        private List<List<Mark>> on(PagedDocument pages) {
            Map<Page, List<Mark>> now = new IdentityHashMap<>();
            List<List<Mark>> all = new ArrayList<>();
            for (Page page : pages.pages()) {
                List<Mark> marks = known.get(page);
                if (marks == null) marks = found(page);
                now.put(page, marks);
                all.add(marks);
            }
            known = now;
            return all;
        }

        private static List<Mark> found(Page page) {
            List<Mark> marks = new ArrayList<>();
            double lastTable = -100;
            for (Item item : page.text()) {
                if (item instanceof Item.PictureItem one) marks.add(new Mark(one.y() / page.height(), false));
                else if (item instanceof Item.LineItem one && hasPicture(one.line())) marks.add(new Mark(one.y() / page.height(), false));
                if (!(item instanceof Item.Rule rule) || rule.x1() != rule.x2()) continue;
                if (rule.y1() - lastTable > 60) marks.add(new Mark(rule.y1() / page.height(), true));
                lastTable = Math.max(lastTable, rule.y1());
            }
            return marks;
        }

        private static boolean hasPicture(Line line) {
            for (Piece piece : line.pieces()) if (piece instanceof Piece.PictureBox) return true;
            return false;
        }
    }

    /** Pictures are small frames, tables frames with a bar. */
    void objects(PagedDocument pages, Objects objects, Color quiet) {
        if (pages.count() > 400) return;
        g.setStroke(quiet);
        g.setFill(quiet);
        g.setLineWidth(1);
        List<List<Objects.Mark>> all = objects.on(pages);
        for (int i = 0; i < all.size(); i++) {
            long last = -1;
            for (Objects.Mark mark : all.get(i)) {
                long at = Math.round(down.applyAsDouble(i + mark.top));
                if (at == last && !mark.table) continue;
                last = at;
                double y = at + 0.5;
                g.strokeRect(width - 20.5, y, 9, 7);
                if (!mark.table) continue;
                g.strokeLine(width - 20.5, y + 2.5, width - 11.5, y + 2.5);
                g.strokeLine(width - 16, y + 2.5, width - 16, y + 7);
            }
        }
    }
}
