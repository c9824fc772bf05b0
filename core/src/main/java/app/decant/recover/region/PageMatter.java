package app.decant.recover.region;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.SourcePage;
import app.decant.pdf.read.TagTree;
import app.decant.pdf.read.VectorPicture;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.FigureColumns;
import app.decant.recover.line.LineFinder;
import app.decant.recover.line.SmallCapitals;
import app.decant.recover.table.BarTables;
import app.decant.recover.table.RuleNet;
import app.decant.recover.table.RuledTables;
import app.decant.recover.table.TableGrid;
import app.decant.recover.table.TaggedTables;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/** What stands on one page once letters are lines of text and lines are tables: made from a {@link SourcePage}, thinned out by the later stages. */
public final class PageMatter {
    private final int index;
    private final double width;
    private final double height;
    private final List<Chunk> chunks;
    private final List<TableGrid> tables = new ArrayList<>();
    private final List<Placed> pictures;
    private final List<Ink> ink;
    /** How wide a blank is, at most, in ems. */
    private static final double HANGING = 0.4;
    private final List<Ink.Stroke> underlines = new ArrayList<>();
    private final List<Ink.Stroke> strikes = new ArrayList<>();
    private final List<Ink.Fill> highlights = new ArrayList<>();
    private final List<Framed> framed = new ArrayList<>();
    private int flattened;

    private PageMatter(SourcePage page, List<Chunk> chunks, List<Placed> pictures, List<Ink> ink) {
        this.index = page.index();
        this.width = page.width();
        this.height = page.height();
        this.chunks = chunks;
        this.pictures = pictures;
        this.ink = ink;
    }

    /**
     * What stands on a page.
     *
     * @param tags   the element a glyph belongs to, or null where tags are missing or not to be trusted
     * @param fields that are filled in on the pages of the file
     */
    static PageMatter of(SourcePage page, Function<Glyph, TagTree.Element> tags, FieldPlaces fields) {
        boolean scan = page.isScan();
        List<Glyph> upright = new ArrayList<>();
        List<Glyph> turned = new ArrayList<>();
        for (Glyph glyph : page.glyphs()) {
            if (!glyph.seen() && !scan) continue;
            boolean inside = glyph.right() > -2 && glyph.x() < page.width() + 2 && glyph.baseline() > 0 && glyph.baseline() - glyph.size() < page.height();
            if (inside) (glyph.angle() <= 3 || glyph.angle() >= 357 ? upright : turned).add(glyph);
        }
        List<Ink> ink = new ArrayList<>(page.ink());
        Set<Ink> paper = paper(ink);
        ink.removeIf(one -> paper.contains(one) || isBeyond(one, page));
        fields.take(page, ink, upright);
        RuleNet.join(ink);
        DrawnSigns.take(ink, upright);
        List<Chunk> chunks = new ArrayList<>(FigureColumns.cut(cutAtLines(SmallCapitals.told(LineFinder.chunks(upright)), ink)));
        DrawnBlanks.take(ink, chunks);
        List<Placed> pictures = new ArrayList<>(page.pictures());
        // A scan's picture lies behind its text, which is what stays.
        PageMatter matter = new PageMatter(page, chunks, pictures, ink);
        matter.tables.addAll(new TaggedTables(page.index(), tags).take(ink, chunks, pictures));
        matter.findDecorations();
        matter.tables.addAll(new RuledTables(page.index()).take(ink, chunks, pictures));
        matter.tables.addAll(new BarTables(page.index(), page.width(), page.height()).take(ink, chunks));
        DrawingFinder drawings = new DrawingFinder(chunks, turned, matter.tables,
                new Rectangle2D.Double(0, 0, page.width(), page.height()));
        pictures.addAll(drawings.take(ink));
        matter.flattened = drawings.flattened();
        return matter;
    }

    /** White that covers nothing of another colour which was there before. */
    private static Set<Ink> paper(List<Ink> ink) {
        Set<Ink> paper = Collections.newSetFromMap(new IdentityHashMap<>());
        BoxGrid coloured = new BoxGrid();
        List<Ink> before = new ArrayList<>(ink);
        before.sort(Comparator.comparingInt(Ink::order));
        for (Ink one : before) {
            boolean white = one instanceof Ink.Fill fill && fill.rgb() == 0xFFFFFF;
            if (!white) coloured.add(VectorPicture.bounds(one));
            else if (!coloured.meets(VectorPicture.bounds(one))) paper.add(one);
        }
        return paper;
    }

    private static boolean isBeyond(Ink one, SourcePage page) {
        if (!(one instanceof Ink.Stroke stroke)) return false;
        return stroke.y2() < 0 || stroke.y1() > page.height() || stroke.x2() < 0 || stroke.x1() > page.width();
    }

    /** How many gradients behind text became one colour. */
    int flattened() { return flattened; }

    /** Chunks that run over a line between cells are cut there. */
    private static List<Chunk> cutAtLines(List<Chunk> chunks, List<Ink> ink) {
        List<Ink.Stroke> down = new ArrayList<>();
        for (Ink one : ink) if (one instanceof Ink.Stroke stroke && !stroke.isAcross() && stroke.length() > 6) down.add(stroke);
        if (down.isEmpty()) return chunks;
        List<Chunk> result = new ArrayList<>();
        for (Chunk chunk : chunks) {
            List<Double> cuts = new ArrayList<>();
            for (Ink.Stroke line : down)
                if (line.x1() > chunk.left() + 1 && line.x1() < chunk.right() - 1 && line.y1() < chunk.middleY() && line.y2() > chunk.middleY())
                    cuts.add(line.x1());
            if (cuts.isEmpty()) {
                result.add(chunk);
                continue;
            }
            result.addAll(chunk.cut(glyph -> (int) cuts.stream().filter(cut -> glyph.x() + glyph.width() / 2 > cut).count()));
        }
        return result;
    }

    /** Lines under and through words, and colour behind them, told from rules and areas by where they lie. */
    private void findDecorations() {
        List<Ink> taken = new ArrayList<>();
        for (Ink one : ink) {
            for (Chunk chunk : chunks) {
                if (one instanceof Ink.Stroke stroke && stroke.isAcross()) {
                    double down = (stroke.y1() - chunk.baseline()) / chunk.size();
                    // A blank that hangs out at the end of a line is underlined with its word.
                    double end = chunk.right() + Math.max(2.5, HANGING * chunk.size());
                    boolean within = stroke.x1() > chunk.left() - 2.5 && stroke.x2() < end && stroke.length() > 1.5;
                    if (!within || stroke.width() > 0.2 * chunk.size()) continue;
                    if (down > 0.02 && down < 0.36) underlines.add(stroke);
                    else if (down < -0.12 && down > -0.45) strikes.add(stroke);
                    else continue;
                    taken.add(one);
                    break;
                } else if (one instanceof Ink.Fill fill) {
                    boolean within = fill.x() > chunk.left() - 3 && fill.right() < chunk.right() + 3 && fill.y() < chunk.middleY()
                            && fill.bottom() > chunk.middleY();
                    if (!within || fill.height() > 2 * chunk.size() || fill.height() < 0.6 * chunk.size() || fill.width() < 0.4 * chunk.size()
                            || fill.order() > chunk.order() + chunk.glyphs().size()) continue;
                    highlights.add(fill);
                    taken.add(one);
                    break;
                }
            }
        }
        ink.removeAll(taken);
    }

    public int index() { return index; }
    public double width() { return width; }
    public double height() { return height; }
    public List<Chunk> chunks() { return chunks; }
    public List<TableGrid> tables() { return tables; }
    public List<Placed> pictures() { return pictures; }
    public List<Ink> ink() { return ink; }
    /** Finds boxes of text among other text; done once headers and footers are out. */
    public void takeFramed(Margins margins) { framed.addAll(Framed.take(this, margins)); }

    public boolean isUnderlined(Glyph glyph) { return isCrossed(underlines, glyph, 0.0, 0.36); }
    public boolean isStruck(Glyph glyph) { return isCrossed(strikes, glyph, -0.5, -0.1); }

    private static boolean isCrossed(List<Ink.Stroke> lines, Glyph glyph, double from, double to) {
        for (Ink.Stroke line : lines) if (isUnder(line, glyph, from, to)) return true;
        return false;
    }

    private static boolean isUnder(Ink.Stroke line, Glyph glyph, double from, double to) {
        double middle = glyph.x() + glyph.width() / 2;
        double down = (line.y1() - glyph.baseline()) / glyph.size();
        return middle > line.x1() && middle < line.x2() && down > from && down < to;
    }

    /** The colour behind a glyph, or null. */
    public Integer highlight(Glyph glyph) {
        double x = glyph.x() + glyph.width() / 2;
        double y = glyph.baseline() - glyph.size() * 0.25;
        for (Ink.Fill fill : highlights) if (x > fill.x() && x < fill.right() && y > fill.y() && y < fill.bottom()) return fill.rgb();
        return null;
    }

    /** Everything in the body that has a place, for putting in reading order. */
    public List<Box> boxes() {
        List<Box> boxes = new ArrayList<>(chunks);
        boxes.addAll(tables);
        boxes.addAll(pictures);
        boxes.addAll(framed);
        return boxes;
    }
}
