package app.decant.recover.region;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Ink;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.List;

/**
 * Text in a box of its own that other text stands beside.
 *
 * @param fill its colour, or null
 * @param edge one of the lines round it, or null
 */
public record Framed(List<Chunk> chunks, double left, double top, double right, double bottom, Integer fill, Ink.Stroke edge, int order) implements Box {
    /** Takes boxes out of a page: an area or a pair of lines with text between, and other text at the same height. */
    static List<Framed> take(PageMatter page, Margins margins) {
        List<Framed> found = new ArrayList<>();
        for (double[] frame : frames(page.ink())) {
            double width = frame[2] - frame[0];
            if (width < 40 || frame[3] - frame[1] < 18 || width > 0.75 * (margins.right() - margins.left())) continue;
            List<Chunk> inside = page.chunks().stream().filter(chunk -> chunk.left() > frame[0] - 2 && chunk.right() < frame[2] + 2
                    && chunk.middleY() > frame[1] && chunk.middleY() < frame[3]).toList();
            boolean beside = page.chunks().stream().anyMatch(chunk -> !inside.contains(chunk) && chunk.middleY() > frame[1] && chunk.middleY() < frame[3]
                    && (chunk.left() > frame[2] || chunk.right() < frame[0]));
            if (inside.isEmpty() || !beside) continue;
            Integer fill = null;
            Ink.Stroke edge = null;
            List<Ink> own = new ArrayList<>();
            for (Ink ink : page.ink()) {
                if (ink instanceof Ink.Fill area && area.x() > frame[0] - 3 && area.right() < frame[2] + 3 && area.y() > frame[1] - 3
                        && area.bottom() < frame[3] + 3) {
                    fill = area.rgb();
                    own.add(ink);
                } else if (ink instanceof Ink.Stroke stroke && stroke.x1() > frame[0] - 3 && stroke.x2() < frame[2] + 3 && stroke.y1() > frame[1] - 3
                        && stroke.y2() < frame[3] + 3) {
                    edge = stroke;
                    own.add(ink);
                }
            }
            page.ink().removeAll(own);
            page.chunks().removeAll(inside);
            found.add(new Framed(inside, frame[0], frame[1], frame[2], frame[3], fill, edge, inside.get(0).order()));
        }
        return found;
    }

    /** Areas, and the space between two lines of one length. */
    private static List<double[]> frames(List<Ink> ink) {
        List<double[]> frames = new ArrayList<>();
        List<Ink.Stroke> across = new ArrayList<>();
        for (Ink one : ink) {
            if (one instanceof Ink.Fill fill) frames.add(new double[] {fill.x(), fill.y(), fill.right(), fill.bottom()});
            if (one instanceof Ink.Stroke stroke && stroke.isAcross() && stroke.length() > 40) across.add(stroke);
        }
        for (int i = 0; i < across.size() && across.size() < 400; i++) {
            for (int k = 0; k < across.size(); k++) {
                Ink.Stroke top = across.get(i);
                Ink.Stroke bottom = across.get(k);
                if (bottom.y1() > top.y1() + 18 && bottom.y1() < top.y1() + 500 && Math.abs(top.x1() - bottom.x1()) < 2
                        && Math.abs(top.x2() - bottom.x2()) < 2) frames.add(new double[] {top.x1(), top.y1(), top.x2(), bottom.y1()});
            }
        }
        return frames;
    }
}
