package app.decant.format.formula;

import app.decant.document.Picture;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.util.ArrayList;
import java.util.List;

/**
 * A set part of a formula: outlines and words about a baseline at nought, in points, downwards positive.
 *
 * @param ascent  how far it reaches above the baseline
 * @param descent how far below, positive
 */
record FormulaBox(double width, double ascent, double descent, List<Path2D> outlines, List<Picture.Word> words) {
    static final FormulaBox EMPTY = new FormulaBox(0, 0, 0, List.of(), List.of());

    double height() { return ascent + descent; }

    /** The same set elsewhere, as part of a larger one. */
    private void into(double x, double y, List<Path2D> paths, List<Picture.Word> read) {
        AffineTransform move = AffineTransform.getTranslateInstance(x, y);
        for (Path2D outline : outlines) paths.add(new Path2D.Double(outline, move));
        for (Picture.Word word : words) read.add(new Picture.Word(word.text(), word.x() + x, word.baseline() + y, word.width(), word.size()));
    }

    /** Puts boxes together to one. */
    static final class Making {
        private final List<Path2D> outlines = new ArrayList<>();
        private final List<Picture.Word> words = new ArrayList<>();
        private double ascent = Double.NEGATIVE_INFINITY;
        private double descent = Double.NEGATIVE_INFINITY;
        private double width;

        /** Puts a box with its left end and baseline at a place. */
        Making put(FormulaBox box, double x, double y) {
            box.into(x, y, outlines, words);
            width = Math.max(width, x + box.width);
            ascent = Math.max(ascent, box.ascent - y);
            descent = Math.max(descent, box.descent + y);
            return this;
        }

        /** A filled bar; it counts to the height. */
        Making bar(double x, double y, double across, double down) {
            Path2D bar = new Path2D.Double();
            bar.moveTo(x, y);
            bar.lineTo(x + across, y);
            bar.lineTo(x + across, y + down);
            bar.lineTo(x, y + down);
            bar.closePath();
            return path(bar);
        }

        Making path(Path2D path) {
            outlines.add(path);
            width = Math.max(width, path.getBounds2D().getMaxX());
            ascent = Math.max(ascent, -path.getBounds2D().getY());
            descent = Math.max(descent, path.getBounds2D().getMaxY());
            return this;
        }

        Making wide(double least) {
            width = Math.max(width, least);
            return this;
        }

        /** How high it is besides what stands in it. */
        Making high(double up, double down) {
            ascent = Math.max(ascent, up);
            descent = Math.max(descent, down);
            return this;
        }

        FormulaBox box() {
            boolean none = Double.isInfinite(ascent);
            return new FormulaBox(width, none ? 0 : ascent, none ? 0 : descent, List.copyOf(outlines), List.copyOf(words));
        }
    }
}
