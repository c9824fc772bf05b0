package app.decant.recover.region;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Several pictures and short labels that together make one: a diagram, a plan. It keeps its room and everything in it its place. */
public record Figure(List<Placed> pictures, List<Framed> labels, double left, double top, double right, double bottom, int order) implements Box {
    /** Parts of a figure are no further from each other than this, in points. */
    private static final double NEAR = 34;
    private static final double WIDE = 90;
    private static final int LEAST = 2;
    private static final int MOST = 400;
    private static final int LABEL_WORDS = 6;
    /** So far above and below pictures, in points, it is seen whether text stands in columns there: with so many lines in each. */
    private static final double AROUND = 60;
    private static final int LINES = 3;

    /** Gathers figures among what is on a page; their parts are replaced by them. */
    static List<Box> gather(List<? extends Box> boxes) {
        List<Placed> pictures = new ArrayList<>();
        for (Box box : boxes) if (box instanceof Placed placed) pictures.add(placed);
        if (pictures.size() < LEAST || pictures.size() > MOST) return new ArrayList<>(boxes);
        List<Box> rest = new ArrayList<>(boxes);
        List<Placed> open = new ArrayList<>(pictures);
        while (!open.isEmpty()) {
            List<Placed> group = grown(open);
            Figure figure = figure(group, rest);
            if (figure == null) continue;
            rest.removeAll(figure.pictures);
            for (Framed label : figure.labels) rest.removeAll(label.chunks());
            rest.add(figure);
        }
        return rest;
    }

    /** Takes one picture and all that are near, directly or over others, out of a list. */
    private static List<Placed> grown(List<Placed> open) {
        List<Placed> group = new ArrayList<>(List.of(open.remove(open.size() - 1)));
        for (int i = 0; i < group.size(); i++) {
            Placed one = group.get(i);
            List<Placed> near = open.stream().filter(other -> isNear(one, other)).toList();
            group.addAll(near);
            open.removeAll(near);
        }
        return group;
    }

    private static boolean isNear(Placed one, Placed other) {
        double across = one.isBeside(other) ? WIDE : NEAR;
        return other.left() < one.right() + across && other.right() > one.left() - across && other.top() < one.bottom() + NEAR && other.bottom() > one.top()
                - NEAR;
    }

    private static Figure figure(List<Placed> group, List<Box> boxes) {
        if (group.size() < LEAST) return null;
        double left = group.stream().mapToDouble(Box::left).min().orElse(0);
        double right = group.stream().mapToDouble(Box::right).max().orElse(0);
        double top = group.stream().mapToDouble(Box::top).min().orElse(0);
        double bottom = group.stream().mapToDouble(Box::bottom).max().orElse(0);
        // Pictures one below the other need no help; those beside each other do.
        int beside = 0;
        for (Placed one : group) if (group.stream().anyMatch(other -> other != one && one.isBeside(other))) beside++;
        if (beside < LEAST || bottom - top < 20 || areInColumns(group, boxes, top, bottom)) return null;
        List<Chunk> inside = new ArrayList<>();
        for (Box box : boxes) {
            boolean within = box.middleX() > left - 4 && box.middleX() < right + 4 && box.middleY() > top - 4 && box.middleY() < bottom + 4;
            if (!within || box instanceof Placed) continue;
            // Running text or tables among the pictures: this is a page with pictures, not a figure.
            if (!(box instanceof Chunk chunk) || chunk.text().trim().split("\\s+").length > LABEL_WORDS || chunk.width() > 0.6 * (right - left)) return null;
            inside.add(chunk);
        }
        if (inside.size() > 6 * group.size() || inside.stream().anyMatch(chunk -> goesOnOutside(chunk, inside, boxes))) return null;
        int order = group.stream().mapToInt(Box::order).min().orElse(0);
        return new Figure(List.copyOf(group), labels(inside), left, Math.min(top, inside.stream().mapToDouble(Box::top).min().orElse(top)), right,
                Math.max(bottom, inside.stream().mapToDouble(Box::bottom).max().orElse(bottom)), order);
    }

    /** Whether pictures that stand beside each other do so since text does, above and below them: each is a picture of its column. */
    private static boolean areInColumns(List<Placed> group, List<Box> boxes, double top, double bottom) {
        List<Box> near = boxes.stream().filter(box -> box instanceof Chunk && box.middleY() > top - AROUND && box.middleY() < bottom + AROUND).toList();
        for (Placed one : group) {
            double next = group.stream().filter(other -> other.left() > one.right()).mapToDouble(Box::left).min().orElse(Double.NaN);
            if (Double.isNaN(next)) continue;
            // Text of a column may be wider than its picture.
            double from = Math.max(one.right(), near.stream().filter(box -> box.left() < one.right() && box.right() < next).mapToDouble(Box::right).max()
                    .orElse(0));
            double middle = (from + next) / 2;
            boolean crossed = near.stream().anyMatch(box -> box.left() < middle && box.right() > middle);
            long before = near.stream().filter(box -> box.right() <= middle).count();
            if (!crossed && before >= LINES && near.size() - before >= LINES) return true;
        }
        return false;
    }

    /** Whether a line among pictures is one of a text that goes on above or below them. */
    private static boolean goesOnOutside(Chunk chunk, List<Chunk> inside, List<Box> boxes) {
        return boxes.stream().anyMatch(box -> box instanceof Chunk other && !inside.contains(other) && Math.abs(other.left() - chunk.left()) < 1
                && Math.abs(other.size() - chunk.size()) < 0.3 && Math.abs(other.baseline() - chunk.baseline()) < 1.6 * chunk.size()
                && other.text().trim().contains(" "));
    }

    /** Lines close below each other are one label. */
    private static List<Framed> labels(List<Chunk> chunks) {
        List<List<Chunk>> groups = new ArrayList<>();
        for (Chunk chunk : chunks.stream().sorted(Comparator.comparingDouble(Chunk::baseline).thenComparingDouble(Chunk::left)).toList()) {
            List<Chunk> home = null;
            for (List<Chunk> group : groups) {
                Chunk last = group.get(group.size() - 1);
                double step = chunk.baseline() - last.baseline();
                if (step > 0.5 * chunk.size() && step < 1.6 * chunk.size() && chunk.left() < last.right() && chunk.right() > last.left()
                        && Math.abs(chunk.size() - last.size()) < 0.3) home = group;
            }
            if (home == null) groups.add(home = new ArrayList<>());
            home.add(chunk);
        }
        List<Framed> labels = new ArrayList<>();
        for (List<Chunk> group : groups) {
            double left = group.stream().mapToDouble(Box::left).min().orElse(0) - 1;
            double right = group.stream().mapToDouble(Box::right).max().orElse(0) + 3;
            labels.add(new Framed(group, left, group.get(0).top() - 0.2 * group.get(0).size(), right, group.get(group.size() - 1).bottom() + 4, null, null,
                    group.get(0).order()));
        }
        return labels;
    }
}
