package app.decant.layout;

import app.decant.document.BlockPath;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Story;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Line;
import app.decant.page.Page;
import app.decant.page.Pages;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Collection;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/** A document laid out: its pages, and the way between places in the text and places on paper. */
public final class PagedDocument implements Pages {
    /** How far beside a header or note, in points, a click still means it, where no text of the body is as high. */
    private static final double ASIDE = 400;
    private final Document document;
    private final List<Page> pages;
    private final StoryIndex stories;
    private final Outline outline;
    private final ListLabels labels;
    private final LayoutFindings told;
    private final FieldValues fields;
    private final FontCatalogue catalogue;
    private Document stated;
    private final int[] sections;
    private Map<Paragraph, Integer> firstPage;

    /**
     * @param before    the document as it was before an edit; or null
     * @param catalogue that it was laid out with
     * @param sections  the index of each page's section
     */
    PagedDocument(Document document, PagedDocument before, List<Page> pages, Outline outline, ListLabels labels, LayoutFindings told, FieldValues fields,
            FontCatalogue catalogue, int[] sections) {
        this(document, new StoryIndex(document, before == null ? null : before.stories), pages, outline, labels, told, fields, catalogue, sections);
    }

    private PagedDocument(Document document, StoryIndex stories, List<Page> pages, Outline outline, ListLabels labels, LayoutFindings told,
            FieldValues fields, FontCatalogue catalogue, int[] sections) {
        this.document = document;
        this.stories = stories;
        this.pages = List.copyOf(pages);
        this.outline = outline;
        this.labels = labels;
        this.told = told;
        this.fields = fields;
        this.catalogue = catalogue;
        this.sections = sections;
    }

    public Document document() { return document; }
    public Outline outline() { return outline; }

    /** What its paragraphs in lists are counted as. */
    ListLabels counted() { return labels; }

    /** The paragraphs of its body in order; made when it is first asked for, since typing asks for none. */
    public Walk walk() { return walk(Story.BODY); }

    /** The same of another story; empty where there is no such story. */
    public Walk walk(Story story) { return stories.walk(story); }

    /** The document with the width of each column said; made when it is first asked for. */
    synchronized Document stated() {
        if (stated == null) stated = StatedColumns.of(document, catalogue);
        return stated;
    }

    @SuppressWarnings("unchecked")
    @Override public <T> T withStatedColumns(T made) { return made instanceof Document its ? (T) StatedColumns.of(its, catalogue) : made; }

    /** The size and margins of a page, as its section has them. */
    public PageGeometry geometry(int page) { return document.sections().get(sections[Math.min(page, sections.length - 1)]).page(); }
    @Override public List<Page> pages() { return pages; }
    @Override public Facts facts() { return document.facts(); }

    @Override public Collection<FontCatalogue.Match> fonts() { return told.fonts(); }

    @Override public List<Heading> headings() {
        return outline.headings().stream().map(this::heading).filter(Objects::nonNull).toList();
    }

    /** A heading where it stands; null where it is on no page. */
    public Heading heading(Outline.Heading heading) {
        Spot spot = spot(new Place(heading.path(), 0));
        return spot == null ? null : new Heading(heading.level(), heading.title(), heading.text(), spot.page(), spot.line().y());
    }

    @Override public List<Hole> holes() {
        List<Hole> holes = new ArrayList<>();
        for (Outline.Gap gap : outline.gaps()) {
            Outline.Heading before = outline.headings().get(gap.after());
            Outline.Heading after = outline.headings().get(gap.after() + 1);
            Caret caret = caret(new Place(gap.candidate() == null ? before.path() : gap.candidate(), 0));
            if (caret != null) holes.add(new Hole(gap.number(), before.title(), after.title(), caret));
        }
        return holes;
    }

    @Override public Element structure() { return StructureTree.of(document); }

    @Override public List<String> unplaced() { return PlacedText.missing(this); }

    @Override public PagedDocument without(Set<String> families) {
        Document other = document.withFonts(document.fonts().stream().filter(font -> families.stream().noneMatch(font.family()::equalsIgnoreCase)).toList());
        return Layout.of(other, catalogue.without(families));
    }

    @Override public <T> Optional<T> origin(Class<T> kind) { return kind == Document.class ? Optional.of(kind.cast(withFieldResults())) : Optional.empty(); }

    @Override public List<Item.LineItem> words(String text, String family, double size, Colour colour) { return WordLines.of(text, family, size, colour); }

    /** The same text on pages some of which were made by a layout of some of it. */
    PagedDocument on(List<Page> others, int[] of, LayoutFindings findings, FieldValues values) {
        return new PagedDocument(document, stories, others, outline, labels, findings, values, catalogue, of);
    }

    /** The same text on other pages, such as those of the file it came from. */
    public PagedDocument on(List<Page> others) { return new PagedDocument(document, stories, others, outline, labels, told, fields, catalogue, sections); }

    /**
     * A line on its page.
     *
     * @param page index
     */
    public record Spot(int page, Item.LineItem line) { }

    /** The index of the page where a paragraph (this very object) begins, or -1; of what repeats, the first page it stands on. */
    public synchronized int pageOf(Paragraph paragraph) {
        if (firstPage == null) {
            firstPage = new IdentityHashMap<>();
            for (Page page : pages) {
                for (Item item : page.items())
                    if (item instanceof Item.LineItem line) firstPage.putIfAbsent(TextPassage.paragraph(line), page.index());
            }
        }
        return firstPage.getOrDefault(paragraph, -1);
    }

    /** The line that a place is on, or null where it is on no page. */
    public Spot spot(Place place) { return spot(place, 0); }

    /**
     * The line that a place is on, or null where it is on no page.
     *
     * @param near the index of the page that is looked at first: headers and footers stand on many
     */
    public Spot spot(Place place, int near) {
        Paragraph paragraph = stories.paragraph(place);
        Spot nearby = paragraph == null || near >= pages.size() ? null : spot(place, paragraph, near);
        // Whoever types asks for a place of the page in view at every key: the pages of all paragraphs are looked up only for others.
        if (nearby != null && (place.offset() < nearby.line().line().end() || nearby.line().line().end() == paragraph.length())) return nearby;
        int first = paragraph == null ? -1 : pageOf(paragraph);
        if (first < 0) return null;
        boolean repeats = place.story() instanceof Story.Frame;
        if (repeats && near > first && nearby != null) return nearby;
        Spot last = null;
        for (int p = first; p < pages.size(); p++) {
            Spot here = spot(place, paragraph, p);
            if (here == null && p > first) break;
            if (here != null) last = here;
            if (repeats || here != null && place.offset() < here.line().line().end()) break;
        }
        return last;
    }

    /** The line of a page that a place of a paragraph is on, or the last that begins before it; null where it is on another page. */
    private Spot spot(Place place, Paragraph paragraph, int page) {
        boolean body = place.story() instanceof Story.Body;
        Spot last = null;
        for (Item item : pages.get(page).items()) {
            boolean its = item instanceof Item.LineItem line && TextPassage.paragraph(line) == paragraph && (line.editable() || !body);
            if (!its) continue;
            Item.LineItem line = (Item.LineItem) item;
            if (place.offset() >= line.line().start() && place.offset() < line.line().end()) return new Spot(page, line);
            if (place.offset() >= line.line().start()) last = new Spot(page, line);
        }
        return last;
    }

    public Caret caret(Place place) { return caret(place, 0); }

    /**
     * Where the caret of a place stands, or null.
     *
     * @param near the index of the page that is looked at first
     */
    public Caret caret(Place place, int near) {
        Spot spot = spot(place, near);
        if (spot == null) return null;
        Line line = spot.line().line();
        Point2D top = spot.line().seen(spot.line().left() + line.caretX(place.offset()), spot.line().baseline() - line.ascent());
        return new Caret(spot.page(), top.getX(), top.getY(), line.ascent() + line.descent(), spot.line().turn());
    }

    /** The story that a line on a page is part of, or null. */
    public Story story(int page, Item.LineItem line) { return stories.of(TextPassage.paragraph(line), sections[Math.min(page, sections.length - 1)]); }

    /** The header or footer that stands on a page; where there is none, the one that would. */
    public Story.Frame frame(int page, boolean header) {
        for (Item item : pages.get(page).items()) {
            boolean locked = item instanceof Item.LineItem line && !line.editable();
            if (locked && story(page, (Item.LineItem) item) instanceof Story.Frame frame && frame.place().isHeader() == header) return frame;
        }
        int section = sections[Math.min(page, sections.length - 1)];
        boolean first = page == 0 || sections[Math.min(page - 1, sections.length - 1)] != section;
        if (first && document.sections().get(section).firstPageDiffers()) {
            return new Story.Frame(section, header ? FramePlace.FIRST_HEADER : FramePlace.FIRST_FOOTER);
        }
        boolean even = document.evenAndOddFrames() && page % 2 == 1;
        FramePlace place = even ? header ? FramePlace.EVEN_HEADER : FramePlace.EVEN_FOOTER : header ? FramePlace.HEADER : FramePlace.FOOTER;
        return new Story.Frame(section, place);
    }

    /** The place at a point on a page: in the header, note or box that is there, else in the body nearest to it; null where the page has no text. */
    public Place placeAt(int pageIndex, double x, double y) {
        Near body = new Near(x, y);
        Near other = new Near(x, y);
        for (Item item : pages.get(pageIndex).items())
            if (item instanceof Item.LineItem line) (line.editable() ? body : other).look(line);
        boolean aside = other.line != null && other.down == 0 && (other.across == 0 || body.down > 0 && other.across < ASIDE);
        Place there = aside ? place(pageIndex, other) : null;
        return there != null || body.line == null ? there : place(pageIndex, body);
    }

    /** The place of one story nearest to a point on a page, or null where nothing of it is on that page. */
    public Place placeAt(int pageIndex, double x, double y, Story story) {
        Near near = new Near(x, y);
        for (Item item : pages.get(pageIndex).items())
            if (item instanceof Item.LineItem line && walk(story).indexOf(TextPassage.paragraph(line)) >= 0
                    && (line.editable() || !(story instanceof Story.Body))) near.look(line);
        return near.line == null ? null : place(near.line, story, near.straight);
    }

    private Place place(int pageIndex, Near near) {
        Story story = story(pageIndex, near.line);
        return story == null ? null : place(near.line, story, near.straight);
    }

    private Place place(Item.LineItem line, Story story, double x) {
        BlockPath path = walk(story).pathOf(TextPassage.paragraph(line));
        return path == null ? null : new Place(story, path, line.line().offsetAt(x - line.left()));
    }

    /** The line nearest to a point, and how far away it is in each direction, in points. */
    private static final class Near {
        private final double x;
        private final double y;
        private Item.LineItem line;
        private double down;
        private double across;
        private double away = Double.MAX_VALUE;
        /** How far from the left it is, told as if the line were not turned. */
        private double straight;

        Near(double x, double y) {
            this.x = x;
            this.y = y;
        }

        void look(Item.LineItem one) {
            Point2D at = one.turn() == 0 ? new Point2D.Double(x, y) : one.straight(x, y);
            double top = one.y();
            double bottom = top + one.line().height();
            double left = one.left();
            double right = left + Math.max(one.line().width(), 1);
            double oneDown = at.getY() < top ? top - at.getY() : at.getY() > bottom ? at.getY() - bottom : 0;
            double oneAcross = at.getX() < left ? left - at.getX() : at.getX() > right ? at.getX() - right : 0;
            // What is hit outright wins, and of several the one that lies on top.
            double oneAway = oneDown == 0 && oneAcross == 0 ? -1 : oneDown * 3 + oneAcross;
            if (oneAway > away || oneAway == away && oneAway >= 0) return;
            line = one;
            straight = at.getX();
            down = oneDown;
            across = oneAcross;
            away = oneAway;
        }
    }

    /** The document with what its fields read as now, for formats that store it. */
    public Document withFieldResults() {
        SortedMap<BlockPath, Paragraph> shown = new TreeMap<>();
        for (Walk.Stop stop : walk().stops()) {
            Paragraph paragraph = stop.paragraph();
            if (paragraph.inlines().stream().noneMatch(inline -> inline instanceof Inline.Field)) continue;
            int page = pageOf(paragraph);
            FieldValues here = page < 0 ? fields : fields.on(pages.get(page).label(), fields.sectionPages());
            List<Inline> inlines = new ArrayList<>();
            for (Inline inline : paragraph.inlines()) {
                inlines.add(inline instanceof Inline.Field field ? new Inline.Field(field.kind(), field.instruction(), here.of(field), field.look()) : inline);
            }
            if (!inlines.equals(paragraph.inlines())) shown.put(stop.path(), paragraph.withInlines(inlines));
        }
        return document.replacing(Story.BODY, shown);
    }

    /** Fonts that are not here, all in one sentence. */

    @Override public List<Finding> findings() { return told.findings(); }
}
