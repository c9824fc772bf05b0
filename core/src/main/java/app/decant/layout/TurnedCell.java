package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.page.Item;
import app.decant.page.Line;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/**
 * A cell whose lines run up or down (ISO/IEC 29500-1, 17.4.72): they are as long as the cell is high, and stand beside one another. Where nobody says how
 * high it is, it is as high as its longest line.
 */
final class TurnedCell {
    /** No line is longer where nothing tells, in points. */
    private static final double LONGEST = 300;
    private static final double STEP = 12;

    private final Composer composer;
    private final List<Block> blocks;
    private final Look look;
    private final Running running;

    TurnedCell(Composer composer, List<Block> blocks, Look look, Running running) {
        this.composer = composer;
        this.blocks = blocks;
        this.look = look;
        this.running = running;
    }

    /** The room that it needs in its row, never cut. @param told how high it is to be at least; not above 0 where nobody says so */
    Strip room(double told) {
        List<Strip> strips = composer.stack(blocks, look, told > 0 ? told : LONGEST);
        double along = Math.max(1, told);
        List<Inline.Note> notes = new ArrayList<>();
        for (Strip strip : strips) {
            for (Item item : strip.items()) if (item instanceof Item.LineItem line) along = Math.max(along, told > 0 ? told : line.line().width() + 1);
            notes.addAll(strip.notes());
        }
        // Lines that are set in need more; how far those are that end at an edge or stand in the middle tells nothing.
        while (told <= 0 && along < LONGEST && composer.stack(blocks, look, along).size() > strips.size()) along += STEP;
        return new Strip(0, Math.min(told > 0 ? told : LONGEST, along), 0, List.of(), notes, false, 0, Line.Break.NONE, null);
    }

    /** What stands in it. @param height of the cell in the end */
    List<Item> placed(TableSetter.Cell cell, double height) {
        Insets padding = cell.padding();
        List<Strip> strips = composer.stack(blocks, look, Math.max(4, height - padding.top() - padding.bottom()));
        return placed(strips, new Rectangle2D.Double(cell.x(), 0, cell.width(), height), padding, cell.vertical(), running);
    }

    /** What stands in an area whose lines run up or down. @param standing of lines that leave room beside them */
    static List<Item> placed(List<Strip> strips, Rectangle2D area, Insets padding, VerticalAlignment standing, Running running) {
        double free = Math.max(0, area.getWidth() - padding.left() - padding.right() - Strip.height(strips));
        double down = standing == VerticalAlignment.TOP ? 0 : standing == VerticalAlignment.CENTRE ? free / 2 : free;
        // What was the top of its text is on the left where lines run up, and on the right where they run down.
        AffineTransform place = running == Running.UP ? AffineTransform.getTranslateInstance(area.getX() + padding.left() + down,
                area.getMaxY() - padding.bottom()) : AffineTransform.getTranslateInstance(area.getMaxX() - padding.right() - down, area.getY() + padding.top());
        double turn = running == Running.UP ? -90 : 90;
        place.rotate(Math.toRadians(turn));
        return Composer.placed(strips, 0, 0).stream().map(item -> turned(item, place, turn)).toList();
    }

    private static Item turned(Item item, AffineTransform place, double turn) {
        if (item instanceof Item.LineItem line) {
            Point2D at = place.transform(new Point2D.Double(line.x(), line.y()), null);
            return new Item.LineItem(line.passage(), line.line(), at.getX(), at.getY(), line.editable(), turn);
        }
        if (item instanceof Item.Fill fill) {
            Rectangle2D box = box(fill.x(), fill.y(), fill.width(), fill.height(), place);
            return new Item.Fill(box.getX(), box.getY(), box.getWidth(), box.getHeight(), fill.colour());
        }
        if (item instanceof Item.Rule rule) {
            Point2D from = place.transform(new Point2D.Double(rule.x1(), rule.y1()), null);
            Point2D to = place.transform(new Point2D.Double(rule.x2(), rule.y2()), null);
            return new Item.Rule(from.getX(), from.getY(), to.getX(), to.getY(), rule.border());
        }
        Item.PictureItem one = (Item.PictureItem) item;
        Picture picture = one.picture();
        Rectangle2D box = box(one.x(), one.y(), picture.width(), picture.height(), place);
        // Pictures that float stand upright all the same.
        return new Item.PictureItem(picture, box.getCenterX() - picture.width() / 2, box.getCenterY() - picture.height() / 2);
    }

    private static Rectangle2D box(double x, double y, double width, double height, AffineTransform place) {
        return place.createTransformedShape(new Rectangle2D.Double(x, y, width, height)).getBounds2D();
    }
}
