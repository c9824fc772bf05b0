package app.decant.recover.region;

import app.decant.pdf.read.Ink;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Blanks to be filled in, and leaders: lines drawn in a line of text, beside its words and under none of them. They become part of that line.
 */
final class DrawnBlanks {
    private static final double LEAST = 12;
    private static final double THICKEST = 2;
    /** No blank is further from its words, in ems. */
    private static final double AWAY = 2.5;

    private DrawnBlanks() { }

    /** Takes blanks out of a page's ink and puts them among its lines of text. */
    static void take(List<Ink> ink, List<Chunk> chunks) {
        List<Ink.Stroke> across = new ArrayList<>();
        List<Ink.Stroke> down = new ArrayList<>();
        for (Ink one : ink) if (one instanceof Ink.Stroke stroke) (stroke.isAcross() ? across : down).add(stroke);
        across.sort(Comparator.comparingDouble(Ink.Stroke::y1).thenComparingDouble(Ink.Stroke::x1));
        List<Chunk> texts = List.copyOf(chunks);
        List<Chunk> blanks = new ArrayList<>();
        for (Ink.Stroke stroke : across) {
            if (stroke.length() < LEAST || stroke.width() > THICKEST || down.stream().anyMatch(other -> touches(stroke, other))) continue;
            Chunk beside = beside(stroke, texts, blanks);
            if (beside == null) continue;
            blanks.add(Chunk.blank(beside, stroke.x1(), stroke.x2()));
            ink.remove(stroke);
        }
        chunks.addAll(blanks);
    }

    /** The words a line stands in one line with; null where there are none, or where it runs under words. */
    private static Chunk beside(Ink.Stroke stroke, List<Chunk> texts, List<Chunk> blanks) {
        Chunk nearest = null;
        double least = Double.MAX_VALUE;
        for (Chunk chunk : texts) {
            double under = (stroke.y1() - chunk.baseline()) / chunk.size();
            if (under < -1.1 || under > 1.2) continue;
            boolean over = chunk.right() > stroke.x1() + 1.5 && chunk.left() < stroke.x2() - 1.5;
            if (over && under > -0.9 && under < 0.6) return null;
            if (over || under < -0.1 || under > 0.45) continue;
            double away = chunk.left() >= stroke.x2() - 1.5 ? chunk.left() - stroke.x2() : stroke.x1() - chunk.right();
            if (away / chunk.size() > AWAY && !followsBlank(stroke, chunk, blanks)) continue;
            if (away < least) nearest = chunk;
            least = Math.min(least, away);
        }
        return nearest;
    }

    /** Whether another blank of the same words stands between. */
    private static boolean followsBlank(Ink.Stroke stroke, Chunk chunk, List<Chunk> blanks) {
        return blanks.stream().anyMatch(blank -> blank.baseline() == chunk.baseline() && stroke.x1() - blank.right() < AWAY * chunk.size()
                && stroke.x1() >= blank.right());
    }

    private static boolean touches(Ink.Stroke across, Ink.Stroke down) {
        boolean atEnd = Math.abs(down.x1() - across.x1()) < 3 || Math.abs(down.x1() - across.x2()) < 3;
        boolean within = down.x1() > across.x1() && down.x1() < across.x2();
        return (atEnd || within) && down.y1() < across.y1() + 3 && down.y2() > across.y1() - 3;
    }
}
