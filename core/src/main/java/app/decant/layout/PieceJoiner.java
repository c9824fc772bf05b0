package app.decant.layout;

import app.decant.font.Shaped;
import app.decant.page.Piece;
import app.decant.page.TextStyle;
import java.util.ArrayList;
import java.util.List;

/** Makes glyph pieces of segments, joining neighbours of one style that run rightward. */
final class PieceJoiner {
    private final List<Piece> pieces;
    private final List<Segment> waiting = new ArrayList<>();
    private final List<double[]> places = new ArrayList<>();

    PieceJoiner(List<Piece> pieces) { this.pieces = pieces; }

    /** @param extra width added to a space in justified lines */
    void add(Segment segment, double x, double extra) {
        if (!waiting.isEmpty() && !joins(waiting.get(waiting.size() - 1), segment)) flush();
        waiting.add(segment);
        places.add(new double[] {x, extra});
    }

    void flush() {
        if (waiting.isEmpty()) return;
        if (waiting.size() == 1) pieces.add(glyphs(waiting.get(0), places.get(0)[0], places.get(0)[1]));
        else pieces.add(joined());
        waiting.clear();
        places.clear();
    }

    private static boolean joins(Segment last, Segment next) {
        return last.style() == next.style() && last.end() == next.start() && (last.level() & 1) == 0 && (next.level() & 1) == 0
                && last.kind() != Segment.Kind.OBJECT && next.kind() != Segment.Kind.OBJECT;
    }

    static Piece.Glyphs glyphs(Segment segment, double x, double extra) {
        int count = segment.shaped().glyphs().length;
        float[] glyphX = new float[count + 1];
        float[] glyphY = segment.shaped().y() == null ? null : new float[count];
        place(segment, x, extra, glyphX, glyphY, 0);
        return new Piece.Glyphs(segment.style(), segment.text(), segment.start(), segment.end(), segment.shaped().glyphs(), glyphX, glyphY,
                segment.shaped().clusters(), (segment.level() & 1) == 1);
    }

    static Piece.Glyphs moved(Piece.Glyphs piece, double x) {
        float[] glyphX = piece.glyphX().clone();
        float by = (float) x - glyphX[0];
        for (int i = 0; i < glyphX.length; i++) glyphX[i] += by;
        return new Piece.Glyphs(piece.style(), piece.text(), piece.start(), piece.end(), piece.glyphs(), glyphX, piece.glyphY(), piece.clusters(),
                piece.rightToLeft());
    }

    private Piece.Glyphs joined() {
        int count = 0;
        boolean raised = false;
        for (Segment segment : waiting) {
            count += segment.shaped().glyphs().length;
            raised |= segment.shaped().y() != null;
        }
        int[] glyphs = new int[count];
        int[] clusters = new int[count];
        float[] glyphX = new float[count + 1];
        float[] glyphY = raised ? new float[count] : null;
        StringBuilder text = new StringBuilder();
        int at = 0;
        for (int i = 0; i < waiting.size(); i++) {
            Segment segment = waiting.get(i);
            Shaped shaped = segment.shaped();
            place(segment, places.get(i)[0], places.get(i)[1], glyphX, glyphY, at);
            for (int g = 0; g < shaped.glyphs().length; g++) {
                glyphs[at] = shaped.glyphs()[g];
                clusters[at++] = text.length() + shaped.clusters()[g];
            }
            text.append(segment.text());
        }
        Segment first = waiting.get(0);
        return new Piece.Glyphs(first.style(), text.toString(), first.start(), waiting.get(waiting.size() - 1).end(), glyphs, glyphX, glyphY, clusters, false);
    }

    private static void place(Segment segment, double x, double extra, float[] glyphX, float[] glyphY, int at) {
        Shaped shaped = segment.shaped();
        TextStyle style = segment.style();
        double scale = style.size() * style.widthScale();
        double spacing = style.letterSpacing();
        int count = shaped.glyphs().length;
        double perGlyph = extra > 0 && count > 0 ? extra / count : 0;
        for (int g = 0; g < count; g++) {
            double spaced = spacing == 0 ? 0 : spacing * (shaped.rightToLeft() ? g : shaped.clusters()[g]);
            glyphX[at + g] = (float) (x + shaped.x()[g] * scale + spaced + perGlyph * g);
            if (glyphY != null && shaped.y() != null) glyphY[at + g] = (float) (shaped.y()[g] * style.size());
        }
        glyphX[at + count] = (float) (x + shaped.width() * scale + spacing * segment.text().length() + extra);
    }
}
