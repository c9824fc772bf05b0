package app.decant.pdf.keep;

import app.decant.pdf.keep.MovedDrawings.Drawing;
import app.decant.pdf.read.ShownGlyph;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/** A line, a drawing or a field below the passage, or what hangs together of them: it goes as one. */
final class LoweredUnit {
    /** How far letters reach above and below their baseline, in ems. */
    static final double ABOVE = 0.75;
    static final double BELOW = 0.22;

    final List<ShownGlyph> marks = new ArrayList<>();
    final List<Drawing> drawings = new ArrayList<>();
    final List<CarriedBoxes.Box> boxes = new ArrayList<>();
    double top = Double.MAX_VALUE;
    double bottom;
    /** The first and the last baseline; of a drawing where those of lines would be that reach as far. */
    double begins = Double.MAX_VALUE;
    double ends;
    double size;

    void take(List<ShownGlyph> line) {
        marks.addAll(line);
        double baseline = line.get(0).glyph().baseline();
        double large = line.stream().mapToDouble(mark -> mark.glyph().size()).max().orElse(0);
        reach(baseline - ABOVE * large, baseline + BELOW * large, baseline, baseline);
        size = Math.max(size, large);
    }

    void take(Drawing drawing, double leading) {
        drawings.add(drawing);
        Rectangle2D box = drawing.box();
        double begin = Math.min(box.getMinY() + ABOVE * leading, box.getMaxY());
        reach(box.getMinY(), box.getMaxY(), begin, Math.max(begin, box.getMaxY() - BELOW * leading));
    }

    void take(CarriedBoxes.Box box, double leading) {
        boxes.add(box);
        Rectangle2D area = box.area();
        double begin = Math.min(box.top() + ABOVE * leading, area.getMaxY());
        reach(box.top(), area.getMaxY(), begin, Math.max(begin, area.getMaxY() - BELOW * leading));
    }

    void take(LoweredUnit other) {
        marks.addAll(other.marks);
        boxes.addAll(other.boxes);
        drawings.addAll(other.drawings);
        reach(other.top, other.bottom, other.begins, other.ends);
        size = Math.max(size, other.size);
    }

    private void reach(double newTop, double newBottom, double begin, double end) {
        top = Math.min(top, newTop);
        bottom = Math.max(bottom, newBottom);
        begins = Math.min(begins, begin);
        ends = Math.max(ends, end);
    }

    /** Whether it is a line and nothing else. */
    boolean isLine() { return drawings.isEmpty() && boxes.isEmpty(); }

    /** Whether another stands beside it, or within it. */
    boolean hangsTogether(LoweredUnit other) {
        return isLine() && other.isLine() ? Math.abs(other.begins - begins) < 0.3 : other.top < bottom - 0.5;
    }
}
