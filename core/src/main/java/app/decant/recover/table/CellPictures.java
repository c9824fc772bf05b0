package app.decant.recover.table;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Which cells of tables that tags tell hold pictures: no rule parts the two, and one runs behind the picture, away from the cell's words. */
final class CellPictures {
    /** A picture stands no further from its words than this, nor the rule behind it from the picture; in points. */
    private static final double APART = 24;
    private static final double BEHIND = 12;
    /** More on a page are the pieces of something else. */
    private static final int MOST = 200;

    private CellPictures() { }

    /** What stands in each cell: its words, and the pictures above and below them. */
    static Map<TagTree.Element, List<Box>> with(Map<TagTree.Element, List<Chunk>> cells, List<Placed> pictures, List<Ink> ink) {
        Map<TagTree.Element, List<Box>> all = new HashMap<>();
        cells.forEach((cell, words) -> all.put(cell, new ArrayList<>(words)));
        if (pictures.size() > MOST) return all;
        for (Placed picture : pictures) {
            TagTree.Element nearest = null;
            double least = APART;
            for (Map.Entry<TagTree.Element, List<Chunk>> cell : cells.entrySet()) {
                double away = away(picture, cell.getValue(), ink);
                if (away >= least) continue;
                least = away;
                nearest = cell.getKey();
            }
            if (nearest != null) all.get(nearest).add(picture);
        }
        return all;
    }

    /** How far a picture is from the words of a cell that may hold it; infinite where that can't be. */
    private static double away(Placed picture, List<Chunk> words, List<Ink> ink) {
        double left = words.stream().mapToDouble(Chunk::left).min().orElse(0);
        double right = words.stream().mapToDouble(Chunk::right).max().orElse(0);
        double top = words.stream().mapToDouble(Chunk::top).min().orElse(0);
        double bottom = words.stream().mapToDouble(Chunk::bottom).max().orElse(0);
        if (right < picture.left() || left > picture.right()) return Double.POSITIVE_INFINITY;
        double x = (Math.max(left, picture.left()) + Math.min(right, picture.right())) / 2;
        if (picture.bottom() <= top + 2) {
            boolean held = !isRuled(ink, x, picture.bottom(), top) && isRuled(ink, x, picture.top() - BEHIND, picture.top() + 1);
            return held ? top - picture.bottom() : Double.POSITIVE_INFINITY;
        }
        if (picture.top() >= bottom - 2) {
            boolean held = !isRuled(ink, x, bottom, picture.top()) && isRuled(ink, x, picture.bottom() - 1, picture.bottom() + BEHIND);
            return held ? picture.top() - bottom : Double.POSITIVE_INFINITY;
        }
        return Double.POSITIVE_INFINITY;
    }

    /** Whether a line runs across a place between two heights. */
    private static boolean isRuled(List<Ink> ink, double x, double from, double to) {
        return ink.stream().anyMatch(one -> one instanceof Ink.Stroke stroke && stroke.isAcross() && stroke.x1() < x && stroke.x2() > x && stroke.y1() > from
                && stroke.y1() < to);
    }
}
