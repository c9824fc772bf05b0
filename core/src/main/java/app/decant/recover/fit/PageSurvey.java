package app.decant.recover.fit;

import app.decant.document.BlockPath;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.Walk;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Where each page of the original begins in the recovered document, and on which page that stands now. */
public final class PageSurvey {
    /** What has flowed over lacked this much room at least. */
    private static final double LEAST = 1;

    /** Text keeps as far away from a footer, in points, as pages are laid out. */
    private static final double ABOVE_FOOTER = 2;

    private final PagedDocument pages;
    private final Map<Paragraph, Para> origins;
    private final List<Start> starts = new ArrayList<>();
    private final Map<Paragraph, List<Spot>> lines = new IdentityHashMap<>();

    /** A line of a paragraph on its page. */
    private record Spot(int page, Item.LineItem item) { }

    /**
     * The first line of a page of the original.
     *
     * @param page   of the original
     * @param line   0 where a paragraph begins with it
     * @param offset into the paragraph's text
     * @param here   the page on which it stands now
     */
    record Start(int page, Paragraph paragraph, BlockPath path, int line, int offset, int here) {
        boolean isInBody() { return path.size() == 2; }
    }

    PageSurvey(PagedDocument pages, Map<Paragraph, Para> origins) {
        this.pages = pages;
        this.origins = origins;
        for (Page page : pages.pages()) {
            for (Item item : page.text())
                if (item instanceof Item.LineItem line && line.editable())
                    lines.computeIfAbsent(TextPassage.paragraph(line), key -> new ArrayList<>()).add(new Spot(page.index(), line));
        }
        int reached = -1;
        for (Walk.Stop stop : pages.walk().stops()) {
            Para origin = origins.get(stop.paragraph());
            List<Spot> own = lines.get(stop.paragraph());
            if (origin == null || own == null || origin.last().page() <= reached) continue;
            for (int i = 0; i < origin.lines().size(); i++) {
                int page = origin.lines().get(i).page();
                if (page <= reached) continue;
                reached = page;
                int offset = i == 0 ? 0 : offset(stop.paragraph(), origin, i);
                starts.add(new Start(page, stop.paragraph(), stop.path(), i, offset, pageAt(own, offset)));
            }
        }
    }

    List<Start> starts() { return starts; }

    /** The place in a paragraph's text where a line of the original begins. */
    private static int offset(Paragraph paragraph, Para origin, int line) {
        int letters = 0;
        int skip = origin.item() == null ? 0 : origin.item().labelLength();
        for (int i = 0; i < line; i++) {
            String text = origin.lines().get(i).text();
            letters += letters(i == 0 ? text.substring(Math.min(skip, text.length())) : text);
        }
        String text = paragraph.plainText();
        int seen = 0;
        for (int i = 0; i < text.length(); i++) {
            if (!isLetter(text.charAt(i))) continue;
            if (seen++ == letters) return i;
        }
        return text.length();
    }

    private static int letters(String text) { return (int) text.chars().filter(c -> isLetter((char) c)).count(); }

    /** Hyphens come and go with line ends, and marks of notes are no text any more: neither counts. */
    private static boolean isLetter(char c) { return Character.isLetter(c); }

    private static int pageAt(List<Spot> own, int offset) {
        for (Spot spot : own) if (offset < spot.item.line().end()) return spot.page;
        return own.get(own.size() - 1).page;
    }

    /**
     * How much of what stands before a start has flowed over beyond a page, in points: as far as the page was too short for it, where its distance from what
     * stayed is known, else as much as it takes where it is.
     */
    double spill(Start from, Start to, int last) {
        int first = pages.walk().indexOf(from.path);
        int end = to == null ? pages.walk().stops().size() - 1 : pages.walk().indexOf(to.path);
        Map<Integer, double[]> reach = new TreeMap<>();
        Paragraph stayed = null;
        Paragraph spilled = null;
        boolean torn = false;
        for (int i = Math.max(0, first); i <= end; i++) {
            Paragraph paragraph = pages.walk().stops().get(i).paragraph();
            // With a row all of its cells begin the next page, those too that say nothing.
            if (to != null && to.line == 0 && to.path.size() == PageFit.IN_CELL && pages.walk().stops().get(i).path().startsWith(to.path.head(3))) break;
            // What only keeps room, such as before a table that begins a page, is missed nowhere.
            if (paragraph.length() == 0 && !origins.containsKey(paragraph)) continue;
            boolean here = false;
            boolean over = false;
            for (Spot spot : lines.getOrDefault(paragraph, List.of())) {
                boolean before = to == null || i < end || spot.item.line().end() <= to.offset;
                if (!before) continue;
                here |= spot.page <= last;
                over |= spot.page > last;
                if (spot.page <= last) continue;
                double[] extent = reach.computeIfAbsent(spot.page, key -> new double[] {pages.geometry(key).top(), 0});
                extent[1] = Math.max(extent[1], spot.item.y() + spot.item.line().height());
            }
            torn |= here && over || over && i == end && to != null;
            if (over) spilled = paragraph;
            else if (here) stayed = paragraph;
        }
        double spill = 0;
        for (double[] extent : reach.values()) spill += Math.max(0, extent[1] - extent[0]);
        return torn || stayed == null || spilled == null ? spill : Math.min(spill, excess(stayed, spilled, last, spill));
    }

    /**
     * How far a paragraph would reach beyond its page as far below another one as it was; where that is not known, as far as what spilled is higher than the
     * room that is left: a heading went along with what did not fit.
     */
    private double excess(Paragraph stayed, Paragraph spilled, int page, double height) {
        Para above = origins.get(stayed);
        Para below = origins.get(spilled);
        Spot last = lines.get(stayed).get(lines.get(stayed).size() - 1);
        Item.LineItem over = lines.get(spilled).get(lines.get(spilled).size() - 1).item;
        boolean near = above != null && below != null && above.last().page() == below.last().page() && below.last().baseline() > above.last().baseline()
                && last.page == page;
        if (!near) return last.page == page ? Math.max(LEAST, last.item.y() + last.item.line().height() + height - foot(page)) : height;
        double foot = last.item.baseline() + below.last().baseline() - above.last().baseline() + over.y() + over.line().height() - over.baseline();
        return Math.max(LEAST, foot - foot(page));
    }

    /** How far down text may reach on a page: to its margin, or to a footer that stands higher. */
    private double foot(int page) {
        Section.PageGeometry paper = pages.geometry(page);
        return Math.min(paper.height() - paper.bottom(), footer(page));
    }

    private double footer(int page) {
        double half = pages.geometry(page).height() / 2;
        return pages.page(page).frame().stream().filter(Item.LineItem.class::isInstance).map(Item.LineItem.class::cast).mapToDouble(Item.LineItem::y)
                .filter(top -> top > half).min().orElse(Double.MAX_VALUE) - ABOVE_FOOTER;
    }

    /** How much is won where the margin below the text of a page gets so much smaller: a footer may stand in the way. */
    double won(int page, double smaller) {
        Section.PageGeometry paper = pages.geometry(page);
        return Math.max(0, Math.min(smaller, Math.min(paper.bottom() - PageFit.LEAST_MARGIN, footer(page) - (paper.height() - paper.bottom()))));
    }
}
