package app.decant.layout;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Look;
import app.decant.document.PageDress;
import app.decant.document.Paragraph;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section;
import app.decant.layout.PageFlow.Body;
import app.decant.page.Item;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/** Draws what pages have beyond their text: a frame round them, numbers beside their lines; and lets text stand where it should on a page it does not fill. */
final class PageDressing {
    private final Composer composer;
    private final Flow flow;
    private final Set<Paragraph> paragraphs = Collections.newSetFromMap(new IdentityHashMap<>());

    PageDressing(Composer composer, Flow flow) {
        this.composer = composer;
        this.flow = flow;
        for (int i = 0; i < flow.bodySize(); i++) if (flow.block(i) instanceof Paragraph paragraph) paragraphs.add(paragraph);
    }

    /** Whether any section has more than text. */
    static boolean isPlain(Flow flow) {
        for (int i = 0; i < flow.sectionCount(); i++) if (!flow.section(i).dress().equals(PageDress.PLAIN)) return false;
        return true;
    }

    /** The text of a page where it stands: between its top and its bottom, where nothing floats on it and no note keeps it down. */
    static List<Item> standing(List<Item> items, PageDress.Standing standing, double bottom) {
        double lowest = items.stream().mapToDouble(PageDressing::bottom).max().orElse(bottom);
        double free = bottom - lowest;
        if (standing == PageDress.Standing.TOP || free <= 0) return items;
        double down = standing == PageDress.Standing.MIDDLE ? free / 2 : free;
        return items.stream().map(item -> item.moved(0, down)).toList();
    }

    private static double bottom(Item item) {
        if (item instanceof Item.LineItem line) return line.y() + line.line().height();
        if (item instanceof Item.Fill fill) return fill.y() + fill.height();
        if (item instanceof Item.Rule rule) return Math.max(rule.y1(), rule.y2());
        return item instanceof Item.PictureItem picture ? picture.y() + picture.picture().height() : 0;
    }

    /**
     * The frame of a page.
     *
     * @param top    of the header, or of the text where there is none, in points from the page's top; likewise {@code bottom}
     */
    static List<Item> frame(Section section, boolean first, double top, double bottom) {
        PageDress dress = section.dress();
        if (!dress.isFramed() || !dress.framed().is(first)) return List.of();
        PageGeometry page = section.page();
        Borders lines = dress.frame();
        double left = dress.fromText() ? page.textLeft() - away(lines.left()) : away(lines.left());
        double right = dress.fromText() ? page.textLeft() + page.textWidth() + away(lines.right()) : page.width() - away(lines.right());
        double upper = dress.fromText() ? top - away(lines.top()) : away(lines.top());
        double lower = dress.fromText() ? bottom + away(lines.bottom()) : page.height() - away(lines.bottom());
        List<Item> items = new ArrayList<>();
        Frames.rule(items, left, upper, right, upper, lines.top());
        Frames.rule(items, left, lower, right, lower, lines.bottom());
        Frames.rule(items, left, upper, left, lower, lines.left());
        Frames.rule(items, right, upper, right, lower, lines.right());
        return items;
    }

    private static double away(Border border) { return border == null ? 0 : border.space() + border.width() / 2; }

    /** How many lines of a page are counted: those of paragraphs of the text itself, not of tables, notes or boxes. */
    int lines(Body body) { return counted(body).size(); }

    private List<Item.LineItem> counted(Body body) {
        List<Item.LineItem> lines = new ArrayList<>();
        for (Item item : body.items())
            if (item instanceof Item.LineItem line && line.editable() && paragraphs.contains(TextPassage.paragraph(line))) lines.add(line);
        return lines;
    }

    /** How many lines are counted above a page, if so many are at the end of the one before. */
    int before(List<Body> bodies, int index, int lines) {
        PageDress.LineNumbers told = flow.section(bodies.get(index).section()).dress().numbers();
        if (told == null || index == 0) return 0;
        boolean other = bodies.get(index).section() != bodies.get(index - 1).section();
        return told.again() == PageDress.LineNumbers.Again.PAGE || told.again() == PageDress.LineNumbers.Again.SECTION && other ? 0 : lines;
    }

    /** @param before how many lines were counted above the page */
    List<Item> numbers(Body body, int before) {
        Section section = flow.section(body.section());
        PageDress.LineNumbers told = section.dress().numbers();
        if (told == null) return List.of();
        List<Item> items = new ArrayList<>();
        int count = told.start() + before;
        for (Item.LineItem line : counted(body)) {
            int number = count++;
            if (number % told.every() != 0) continue;
            Item.LineItem sign = (Item.LineItem) Composer.placed(composer.stack(List.of(Paragraph.of(Integer.toString(number))), Look.PLAIN,
                    section.page().textWidth()), 0, 0).get(0);
            double right = Math.min(line.left(), section.page().textLeft()) - told.distance();
            items.add(sign.moved(right - sign.line().caretX(sign.line().end()) - sign.left(), line.baseline() - sign.baseline()).locked());
        }
        return items;
    }
}
