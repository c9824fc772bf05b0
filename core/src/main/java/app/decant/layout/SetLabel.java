package app.decant.layout;

import app.decant.page.Piece;
import app.decant.page.TextStyle;
import com.ibm.icu.text.Bidi;
import com.ibm.icu.text.BidiRun;
import java.util.ArrayList;
import java.util.List;

/**
 * The label of a list item as it stands in a line: its signs in the direction of the paragraph, its numbers from left to right (Unicode Standard Annex 9).
 *
 * @param pieces from left to right, the first at 0
 * @param width  of all, in points
 */
record SetLabel(List<Piece.Glyphs> pieces, double width) {
    static SetLabel of(String label, TextStyle style, boolean rightToLeft) {
        Bidi bidi = new Bidi();
        bidi.setPara(label, rightToLeft ? Bidi.RTL : Bidi.LTR, null);
        List<Piece.Glyphs> pieces = new ArrayList<>();
        double x = 0;
        for (int i = 0; i < bidi.countRuns(); i++) {
            BidiRun run = bidi.getVisualRun(i);
            String text = label.substring(run.getStart(), run.getLimit());
            boolean leftward = (run.getEmbeddingLevel() & 1) == 1;
            Segment segment = new Segment(0, 0, Segment.Kind.OBJECT, style, text, run.getEmbeddingLevel(), style.face().shape(text, leftward, false, false),
                    null, null);
            pieces.add(PieceJoiner.glyphs(segment, x, 0));
            x += segment.shaped().width() * style.size();
        }
        return new SetLabel(pieces, x);
    }

    /** All of it so much further right. */
    List<Piece.Glyphs> at(double x) { return pieces.stream().map(piece -> PieceJoiner.moved(piece, piece.x() + x)).toList(); }
}
