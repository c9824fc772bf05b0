package app.decant.layout;

import app.decant.document.BlockPath;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Story;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Line;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** A document laid out: its pages, and the way between places in the text and places on paper. */
public final class PagedDocument implements Pages {
    private final Document document;
    private final List<Page> pages;
    private Walk walk;
    private final Outline outline;
    private final Map<String, FontCatalogue.Match> fonts;
    private final Set<Integer> missing;
    private final FieldValues fields;
    private final FontCatalogue catalogue;
    private final int[] sections;
    private Map<Paragraph, Integer> firstPage;

    /**
     * @param catalogue that it was laid out with
     * @param sections  the index of each page's section
     */
    PagedDocument(Document document, List<Page> pages, Outline outline, Map<String, FontCatalogue.Match> fonts, Set<Integer> missing,
            FieldValues fields, FontCatalogue catalogue, int[] sections) {
        this.document = document;
        this.pages = List.copyOf(pages);
        this.outline = outline;
        this.fonts = Map.copyOf(fonts);
        this.missing = new TreeSet<>(missing);
        this.fields = fields;
        this.catalogue = catalogue;
        this.sections = sections;
    }

    public Document document() { return document; }
    public Outline outline() { return outline; }

    /** Its paragraphs in order; made when it is first asked for, since typing asks for none. */
    public synchronized Walk walk() {
        if (walk == null) walk = Walk.of(document);
        return walk;
    }

    /** The size and margins of a page, as its section has them. */
    public PageGeometry geometry(int page) { return document.sections().get(sections[Math.min(page, sections.length - 1)]).page(); }
    @Override public List<Page> pages() { return pages; }
    @Override public Facts facts() { return document.facts(); }

    @Override public Collection<FontCatalogue.Match> fonts() {
        return fonts.values().stream().sorted(Comparator.comparing(FontCatalogue.Match::family)).toList();
    }

    @Override public List<Heading> headings() {
        List<Heading> headings = new ArrayList<>();
        for (Outline.Heading heading : outline.headings()) {
            Spot spot = spot(new Place(heading.path(), 0));
            if (spot != null) headings.add(new Heading(heading.level(), heading.title(), heading.text(), spot.page(), spot.line().y()));
        }
        return headings;
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

    /** The same text on other pages, such as those of the file it came from. */
    public PagedDocument on(List<Page> others) { return new PagedDocument(document, others, outline, fonts, missing, fields, catalogue, sections); }

    /**
     * A line on its page.
     *
     * @param page index
     */
    public record Spot(int page, Item.LineItem line) { }

    /** The index of the page where a paragraph (this very object) begins, or -1. */
    public synchronized int pageOf(Paragraph paragraph) {
        if (firstPage == null) {
            firstPage = new IdentityHashMap<>();
            for (Page page : pages) {
                for (Item.LineItem line : page.lines()) firstPage.putIfAbsent(TextPassage.paragraph(line), page.index());
            }
        }
        return firstPage.getOrDefault(paragraph, -1);
    }

    /** The line that a place is on, or null where it is on no page. */
    public Spot spot(Place place) {
        Paragraph paragraph = document.paragraph(place.path());
        int first = pageOf(paragraph);
        if (first < 0) return null;
        Spot last = null;
        for (int p = first; p < pages.size(); p++) {
            boolean any = false;
            for (Item item : pages.get(p).text()) {
                if (!(item instanceof Item.LineItem line) || TextPassage.paragraph(line) != paragraph || !line.editable()) continue;
                any = true;
                if (place.offset() >= line.line().start() && place.offset() < line.line().end()) return new Spot(p, line);
                if (place.offset() >= line.line().start()) last = new Spot(p, line);
            }
            if (!any && p > first) break;
        }
        return last;
    }

    public Caret caret(Place place) {
        Spot spot = spot(place);
        if (spot == null) return null;
        Line line = spot.line().line();
        double top = spot.line().baseline() - line.ascent();
        return new Caret(spot.page(), spot.line().left() + line.caretX(place.offset()), top, line.ascent() + line.descent());
    }

    /** The place nearest to a point on a page, or null where the page has no text. */
    public Place placeAt(int pageIndex, double x, double y) {
        Item.LineItem best = null;
        double distance = Double.MAX_VALUE;
        for (Item.LineItem line : pages.get(pageIndex).lines()) {
            double top = line.y();
            double bottom = line.y() + line.line().height();
            double down = y < top ? top - y : y > bottom ? y - bottom : 0;
            double left = line.left();
            double right = left + Math.max(line.line().width(), 1);
            double across = x < left ? left - x : x > right ? x - right : 0;
            double away = down * 3 + across;
            if (down == 0 && across == 0) away = -1;
            if (away < distance) {
                distance = away;
                best = line;
            }
        }
        if (best == null) return null;
        BlockPath path = walk().pathOf(TextPassage.paragraph(best));
        return path == null ? null : new Place(path, best.line().offsetAt(x - best.left()));
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
    private static void tellStandIns(List<FontCatalogue.Match> matches, boolean equalWidths, List<Finding> findings) {
        if (matches.isEmpty()) return;
        Message sentence;
        if (matches.size() == 1) {
            FontCatalogue.Match match = matches.get(0);
            sentence = Message.of("layout.stand-in", match.family(), match.face().family(), equalWidths);
        } else {
            String names = matches.stream().map(match -> match.family() + " (" + match.face().family() + ")").collect(Collectors.joining(", "));
            sentence = Message.of("layout.stand-ins", matches.size(), names, equalWidths);
        }
        findings.add(equalWidths ? Finding.note(sentence) : Finding.changed(sentence));
    }

    /** Fonts that are not here and what stands in for them, characters that no font has. */
    @Override public List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        tellStandIns(fonts().stream().filter(match -> !match.here() && match.equalWidths()).toList(), true, findings);
        tellStandIns(fonts().stream().filter(match -> !match.here() && !match.equalWidths()).toList(), false, findings);
        if (!missing.isEmpty()) {
            String some = missing.stream().limit(6).map(Character::toString).collect(Collectors.joining(" "));
            findings.add(Finding.lost(Message.of("layout.no-font-here-has-an-empty-box", some, missing.size() > 6, (missing.size() - 6), missing.size())));
        }
        boolean endnotes = walk().stops().stream().anyMatch(stop -> stop.paragraph().inlines().stream().anyMatch(inline -> inline instanceof Inline.Note note
                && note.kind() == Inline.Note.Kind.ENDNOTE));
        if (endnotes) findings.add(Finding.changed(Message.of("layout.endnotes-stand-at-the-foot-of-their")));
        return findings;
    }
}
