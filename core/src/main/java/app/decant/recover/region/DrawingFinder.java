package app.decant.recover.region;

import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.VectorPicture;
import app.decant.recover.line.Chunk;
import app.decant.recover.table.TableGrid;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Gathers lines, areas and shapes that make a drawing, and makes each a picture that stays sharp at any size. Short labels inside a drawing become
 * part of it, their words its description; running text over a drawing stays text.
 */
public final class DrawingFinder {
    private static final double NEAR = 5;
    /** The shadow of a frame is no wider, in points. */
    private static final double SHADOW = 8;
    private static final int MOST_ELEMENTS = 6000;

    private final List<Chunk> chunks;
    private final List<Glyph> turned;
    private final List<TableGrid> tables;
    private final Rectangle2D page;
    private int flattened;

    DrawingFinder(List<Chunk> chunks, List<Glyph> turned, List<TableGrid> tables, Rectangle2D page) {
        this.page = page;
        this.chunks = chunks;
        this.turned = turned;
        this.tables = tables;
    }

    private static final class Cluster {
        final List<Ink> ink = new ArrayList<>();
        Rectangle2D box;

        boolean takes(Rectangle2D other) {
            return other.getMinX() < box.getMaxX() + NEAR && other.getMaxX() > box.getMinX() - NEAR && other.getMinY() < box.getMaxY() + NEAR
                    && other.getMaxY() > box.getMinY() - NEAR;
        }

        /** What is painted in pieces is one area, on the page as well. */
        void joinPieces(List<Ink> page) {
            PiecedArea.among(ink).forEach((area, pieces) -> {
                for (List<Ink> some : List.of(ink, page)) {
                    int at = some.indexOf(pieces.get(0));
                    some.removeAll(pieces);
                    // One of them may be as large as all.
                    some.add(at, area);
                }
            });
        }

        /** Whether all of it runs along its edges or fills it, such as lines, a shade and a shadow: what stands within is no label. */
        boolean isFrame() {
            return ink.stream().allMatch(one -> {
                if (one instanceof Ink.Shape || one instanceof Ink.Wash) return false;
                Rectangle2D each = VectorPicture.bounds(one);
                double[] off = {each.getMinX() - box.getMinX(), box.getMaxX() - each.getMaxX(), each.getMinY() - box.getMinY(), box.getMaxY() - each.getMaxY()};
                boolean across = each.getWidth() >= each.getHeight();
                double beside = across ? Math.min(off[2], off[3]) : Math.min(off[0], off[1]);
                boolean fills = Arrays.stream(off).allMatch(edge -> edge < SHADOW);
                return fills || Math.min(each.getWidth(), each.getHeight()) < SHADOW && beside < SHADOW;
            });
        }
    }

    /** How many gradients became one colour since cells of tables stand on them. */
    int flattened() { return flattened; }

    List<Placed> take(List<Ink> ink) {
        List<Placed> drawings = new ArrayList<>();
        boolean anyTurned = !turned.isEmpty();
        if (ink.isEmpty() && !anyTurned || ink.size() > MOST_ELEMENTS) return drawings;
        ink.replaceAll(one -> {
            if (!(one instanceof Ink.Wash wash) || !isInTable(VectorPicture.bounds(wash))) return one;
            flattened++;
            return wash.plain();
        });
        List<Cluster> clusters = clusters(ink);
        for (Cluster cluster : clusters) {
            List<Chunk> inside = chunks.stream().filter(chunk -> cluster.box.contains(chunk.middleX(), chunk.middleY())).toList();
            if (!inside.isEmpty()) cluster.joinPieces(ink);
            if (!isDrawing(cluster)) continue;
            boolean labels = !cluster.isFrame() && inside.stream().allMatch(chunk -> chunk.text().split(" ").length <= 5)
                    && inside.size() <= 6 * Math.max(2, cluster.ink.size()) && cluster.ink.size() > 2;
            List<Glyph> letters = new ArrayList<>();
            if (labels) {
                // Labels just outside, such as those of an axis, belong to it as well.
                for (Chunk chunk : inside) letters.addAll(chunk.glyphs());
                chunks.removeAll(inside);
            }
            List<Glyph> beside = turned.stream().filter(glyph -> glyph.x() > cluster.box.getMinX() - 24 && glyph.x() < cluster.box.getMaxX() + 24
                    && glyph.baseline() > cluster.box.getMinY() - 12 && glyph.baseline() < cluster.box.getMaxY() + 12).toList();
            letters.addAll(beside);
            turned.removeAll(beside);
            drawings.add(VectorPicture.of(cluster.ink, letters, page));
            ink.removeAll(cluster.ink);
        }
        if (!turned.isEmpty()) drawings.addAll(turnedTexts());
        return drawings;
    }

    private boolean isInTable(Rectangle2D box) {
        return tables.stream().anyMatch(table -> box.getCenterX() > table.left() - 2 && box.getCenterX() < table.right() + 2
                && box.getCenterY() > table.top() - 2 && box.getCenterY() < table.bottom() + 2);
    }

    /** Text that runs up or down the page, each stretch a picture of itself. */
    private List<Placed> turnedTexts() {
        List<Placed> pictures = new ArrayList<>();
        List<Glyph> stretch = new ArrayList<>();
        for (Glyph glyph : turned) {
            Glyph last = stretch.isEmpty() ? null : stretch.get(stretch.size() - 1);
            if (last != null && (last.angle() != glyph.angle() || Math.hypot(last.x() - glyph.x(), last.baseline() - glyph.baseline()) > 3 * glyph.size()
                    + last.width())) {
                if (stretch.stream().anyMatch(one -> !one.isSpace())) pictures.add(VectorPicture.of(List.of(), stretch, page));
                stretch = new ArrayList<>();
            }
            stretch.add(glyph);
        }
        if (stretch.stream().anyMatch(one -> !one.isSpace())) pictures.add(VectorPicture.of(List.of(), stretch, page));
        return pictures;
    }

    private List<Cluster> clusters(List<Ink> ink) {
        List<Cluster> clusters = new ArrayList<>();
        for (Ink one : ink) {
            Rectangle2D box = VectorPicture.bounds(one);
            if (isInTable(box)) continue;
            Cluster home = null;
            List<Cluster> joined = new ArrayList<>();
            for (Cluster cluster : clusters) {
                if (!cluster.takes(box)) continue;
                if (home == null) home = cluster;
                else joined.add(cluster);
            }
            if (home == null) {
                home = new Cluster();
                home.box = (Rectangle2D) box.clone();
                clusters.add(home);
            }
            home.ink.add(one);
            home.box.add(box);
            for (Cluster other : joined) {
                home.ink.addAll(other.ink);
                home.box.add(other.box);
                clusters.remove(other);
            }
        }
        return clusters;
    }

    /** Lines alone are rules, an area behind text is shading; curves, slants, or several areas with nothing written on them are a drawing. */
    private boolean isDrawing(Cluster cluster) {
        if (cluster.box.getWidth() < 4 && cluster.box.getHeight() < 4) return false;
        long shapes = cluster.ink.stream().filter(one -> one instanceof Ink.Shape || one instanceof Ink.Wash).count();
        if (shapes > 0) return true;
        List<Ink.Fill> fills = cluster.ink.stream().filter(one -> one instanceof Ink.Fill).map(one -> (Ink.Fill) one).toList();
        long free = fills.stream().filter(fill -> chunks.stream().noneMatch(chunk -> chunk.middleX() > fill.x() && chunk.middleX() < fill.right()
                && chunk.middleY() > fill.y() && chunk.middleY() < fill.bottom())).count();
        return free >= 1 && free >= fills.size() * 0.6 && cluster.box.getHeight() > 8 && cluster.box.getWidth() > 8;
    }
}
