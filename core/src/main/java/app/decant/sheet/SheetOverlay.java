package app.decant.sheet;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Property;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.layout.CellText;
import app.decant.page.Element.Role;
import app.decant.page.Element;
import app.decant.page.Item;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/** Paints what lies over the cells of a page, as much of it as lies on the page: what goes over its edge is cut off there, and goes on on the next. */
final class SheetOverlay {
    /** Less than that is not seen, in points. */
    private static final double LEAST = 0.5;
    private static final double USUAL_SIZE = 11;

    private final CellText setter;
    private final double scale;
    private final int area;
    private final Rectangle2D page;

    /**
     * @param area the number of the area among those that are put onto pages
     * @param page where its cells are seen
     */
    SheetOverlay(CellText setter, double scale, int area, Rectangle2D page) {
        this.setter = setter;
        this.scale = scale;
        this.area = area;
        this.page = page;
    }

    /** What an object is for those who can't see it: a picture, paragraphs. */
    static List<Element> elements(SheetObject object, int area) {
        List<Element> elements = new ArrayList<>();
        Picture picture = object.picture();
        boolean told = picture != null && (object.shape() == null || picture.description() != null || object.shape().words() == null);
        if (told) elements.add(new Element(Role.FIGURE, 0, null, false, picture, picture.description(), null, 1, 1, List.of()));
        List<Paragraph> words = words(object);
        for (int i = 0; i < words.size(); i++) {
            if (words.get(i).text().isBlank()) continue;
            elements.add(new Element(Role.PARAGRAPH, 0, new ShapePassage(area, object, i, words.get(i).length()), false, null, null, null, 1, 1, List.of()));
        }
        return elements;
    }

    private static List<Paragraph> words(SheetObject object) {
        List<Paragraph> words = new ArrayList<>();
        if (object.shape() == null || object.shape().words() == null) return words;
        for (Block block : object.shape().words().blocks()) if (block instanceof Paragraph paragraph) words.add(paragraph);
        return words;
    }

    /** @param box where the object lies, in points from the page's corner */
    void paint(SheetObject object, Rectangle2D box, List<Item> items) {
        SheetObject.Shape shape = object.shape();
        TextBox words = shape == null ? null : shape.words();
        if (words != null && words.fill() != null) {
            Rectangle2D seen = box.createIntersection(page);
            if (seen.getWidth() > 0 && seen.getHeight() > 0)
                items.add(new Item.Fill(seen.getX(), seen.getY(), seen.getWidth(), seen.getHeight(), words.fill()));
        }
        if (object.picture() != null) picture(object.picture(), shape == null ? box : outline(object.picture(), shape, box), items);
        if (words == null) return;
        if (words.border() != null && words.border().isVisible()) edges(words.border(), box, items);
        words(object, words, box, items);
    }

    private Rectangle2D outline(Picture picture, SheetObject.Shape shape, Rectangle2D box) {
        // A line that runs straight across or down lies in a box without height or width.
        double across = box.getWidth() < LEAST ? scale : box.getWidth() / shape.width();
        double down = box.getHeight() < LEAST ? scale : box.getHeight() / shape.height();
        return new Rectangle2D.Double(box.getX() + shape.x() * across, box.getY() + shape.y() * down, picture.width() * across, picture.height() * down);
    }

    private void picture(Picture picture, Rectangle2D box, List<Item> items) {
        Rectangle2D seen = box.createIntersection(page);
        if (seen.getWidth() < LEAST || seen.getHeight() < LEAST) return;
        Insets crop = picture.crop();
        double across = (1 - crop.left() - crop.right()) / box.getWidth();
        double down = (1 - crop.top() - crop.bottom()) / box.getHeight();
        Insets more = new Insets(crop.top() + down * (seen.getY() - box.getY()), crop.right() + across * (box.getMaxX() - seen.getMaxX()),
                crop.bottom() + down * (box.getMaxY() - seen.getMaxY()), crop.left() + across * (seen.getX() - box.getX()));
        items.add(new Item.PictureItem(new Picture(picture.image(), seen.getWidth(), seen.getHeight(), more, picture.rotation(), picture.description()),
                seen.getX(), seen.getY()));
    }

    private void edges(Border border, Rectangle2D box, List<Item> items) {
        Border line = new Border(border.line(), border.width() * scale, border.colour(), 0);
        double left = Math.max(box.getX(), page.getX());
        double right = Math.min(box.getMaxX(), page.getMaxX());
        double top = Math.max(box.getY(), page.getY());
        double bottom = Math.min(box.getMaxY(), page.getMaxY());
        if (right <= left || bottom <= top) return;
        for (double y : new double[] {box.getY(), box.getMaxY()})
            if (y >= page.getY() && y <= page.getMaxY()) items.add(new Item.Rule(left, y, right, y, line));
        for (double x : new double[] {box.getX(), box.getMaxX()})
            if (x >= page.getX() && x <= page.getMaxX()) items.add(new Item.Rule(x, top, x, bottom, line));
    }

    /** Lines that don't begin on the page are on another. */
    private void words(SheetObject object, TextBox box, Rectangle2D place, List<Item> items) {
        boolean upright = box.running() != Running.ACROSS;
        Insets padding = box.padding();
        double across = place.getWidth() - scale * (padding.left() + padding.right());
        double high = place.getHeight() - scale * (padding.top() + padding.bottom());
        double width = upright ? high : across;
        double height = upright ? across : high;
        List<Paragraph> paragraphs = words(object);
        List<CellText.Lines> set = new ArrayList<>();
        double used = 0;
        for (Paragraph paragraph : paragraphs) {
            set.add(setter.set(scaled(paragraph), Math.max(1, width)));
            used += set.get(set.size() - 1).height();
        }
        double down = switch (box.standing()) {
            case TOP -> 0;
            case CENTRE -> (height - used) / 2;
            case BOTTOM -> height - used;
        };
        double left = place.getX() + scale * padding.left();
        double top = place.getY() + scale * padding.top();
        for (int i = 0; i < set.size(); i++) {
            ShapePassage passage = new ShapePassage(area, object, i, paragraphs.get(i).length());
            for (Item.LineItem line : set.get(i).lines()) {
                double along = line.x();
                double below = line.y() + down;
                double x = switch (box.running()) {
                    case ACROSS -> left + along;
                    case UP -> left + below;
                    case DOWN -> place.getMaxX() - scale * padding.right() - below;
                };
                double y = switch (box.running()) {
                    case ACROSS -> top + below;
                    case UP -> place.getMaxY() - scale * padding.bottom() - along;
                    case DOWN -> top + along;
                };
                double turn = box.running() == Running.ACROSS ? 0 : box.running() == Running.UP ? 270 : 90;
                if (page.contains(x, y)) items.add(new Item.LineItem(passage, line.line(), x, y, false, turn));
            }
            down += set.get(i).height();
        }
    }

    private Paragraph scaled(Paragraph paragraph) {
        List<Inline> inlines = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) inlines.add(inline.with(scaled(inline.look())));
        Look look = paragraph.look();
        for (Property<Double> one : List.of(ParagraphProperty.INDENT_START, ParagraphProperty.INDENT_END, ParagraphProperty.FIRST_LINE,
                ParagraphProperty.SPACE_BEFORE, ParagraphProperty.SPACE_AFTER)) if (look.says(one)) look = look.with(one, look.get(one) * scale);
        return new Paragraph(null, look, scaled(paragraph.mark()), inlines);
    }

    private Look scaled(Look look) { return look.with(TextProperty.SIZE, Math.max(LEAST, look.get(TextProperty.SIZE, USUAL_SIZE) * scale)); }
}
