package app.decant.layout;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import java.util.ArrayList;
import java.util.Collection;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** A document laid out: its pages, and the way between places in the text and places on paper. */
public final class Pages {
    private final Document document;
    private final List<Page> pages;
    private final Walk walk;
    private final Outline outline;
    private final Map<String, FontCatalogue.Match> fonts;
    private final Set<Integer> missing;
    private final FieldValues fields;
    private Map<Paragraph, Integer> firstPage;

    Pages(Document document, List<Page> pages, Walk walk, Outline outline, Map<String, FontCatalogue.Match> fonts, Set<Integer> missing, FieldValues fields) {
        this.document = document;
        this.pages = List.copyOf(pages);
        this.walk = walk;
        this.outline = outline;
        this.fonts = Map.copyOf(fonts);
        this.missing = new TreeSet<>(missing);
        this.fields = fields;
    }

    public Document document() { return document; }
    public List<Page> pages() { return pages; }
    public int count() { return pages.size(); }
    public Page page(int index) { return pages.get(index); }
    public Outline outline() { return outline; }
    public Walk walk() { return walk; }
    /** The fonts that were wished for, and what was found for each. */
    public Collection<FontCatalogue.Match> fonts() {
        return fonts.values().stream().sorted(java.util.Comparator.comparing(FontCatalogue.Match::family)).toList();
    }

    /**
     * A line on its page.
     *
     * @param page index
     */
    public record Spot(int page, Item.LineItem line) { }

    /** Where a caret stands: page index, x, top and height in points. */
    public record Caret(int page, double x, double top, double height) { }

    /** The index of the page where a paragraph (this very object) begins, or -1. */
    public synchronized int pageOf(Paragraph paragraph) {
        if (firstPage == null) {
            firstPage = new IdentityHashMap<>();
            for (Page page : pages) {
                for (Item item : page.text()) if (item instanceof Item.LineItem line && line.editable()) firstPage.putIfAbsent(line.paragraph(), page.index());
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
                if (!(item instanceof Item.LineItem line) || line.paragraph() != paragraph || !line.editable()) continue;
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
        app.decant.document.BlockPath path = walk.pathOf(best.paragraph());
        return path == null ? null : new Place(path, best.line().offsetAt(x - best.left()));
    }

    /** The index of the page a bookmark is on and how far down, or null. */
    public Map.Entry<Integer, Double> bookmark(String name) {
        for (Page page : pages) {
            Double y = page.bookmarks().get(name);
            if (y != null) return Map.entry(page.index(), y);
        }
        return null;
    }

    /** The document with what its fields read as now, for formats that store it. */
    public Document withFieldResults() {
        Document result = document;
        for (Walk.Stop stop : walk.stops()) {
            Paragraph paragraph = stop.paragraph();
            if (paragraph.inlines().stream().noneMatch(inline -> inline instanceof Inline.Field)) continue;
            int page = pageOf(paragraph);
            FieldValues here = page < 0 ? fields : fields.on(pages.get(page).label(), fields.sectionPages());
            List<Inline> inlines = new ArrayList<>();
            for (Inline inline : paragraph.inlines()) {
                inlines.add(inline instanceof Inline.Field field ? new Inline.Field(field.kind(), field.instruction(), here.of(field), field.look()) : inline);
            }
            if (!inlines.equals(paragraph.inlines()))
                result = result.replacing(stop.path().parent(), stop.path().last(), stop.path().last() + 1, List.of(paragraph.withInlines(inlines)));
        }
        return result;
    }

    /** Fonts that are not here, all in one sentence. */
    private static void tellStandIns(List<FontCatalogue.Match> matches, boolean equalWidths, List<Finding> findings) {
        if (matches.isEmpty()) return;
        String end = equalWidths ? " the same widths, so lines end where they did." : "";
        String sentence;
        if (matches.size() == 1) {
            FontCatalogue.Match match = matches.get(0);
            sentence = match.family() + " is not here; " + match.face().family() + " stands in for it. " + (equalWidths ? "It has" + end
                    : "Its widths differ, so lines may end elsewhere.");
        } else {
            String names = matches.stream().map(match -> match.family() + " (" + match.face().family() + ")").collect(Collectors.joining(", "));
            sentence = matches.size() + " fonts are not here, and others stand in for them: " + names + ". " + (equalWidths ? "They have" + end
                    : "Their widths differ, so lines may end elsewhere.");
        }
        findings.add(equalWidths ? Finding.note(sentence, "") : Finding.changed(sentence, ""));
    }

    /** What the layout has to tell: fonts that are not here and what stands in for them. */
    public List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        tellStandIns(fonts().stream().filter(match -> !match.here() && match.equalWidths()).toList(), true, findings);
        tellStandIns(fonts().stream().filter(match -> !match.here() && !match.equalWidths()).toList(), false, findings);
        if (!missing.isEmpty()) {
            String some = missing.stream().limit(6).map(Character::toString).collect(Collectors.joining(" "));
            findings.add(Finding.lost("No font here has " + some + (missing.size() > 6 ? " and " + (missing.size() - 6) + " other characters" : "")
                    + "; an empty box stands for " + (missing.size() == 1 ? "it." : "each."), ""));
        }
        boolean endnotes = walk.stops().stream().anyMatch(stop -> stop.paragraph().inlines().stream().anyMatch(inline -> inline instanceof Inline.Note note
                && note.kind() == Inline.Note.Kind.ENDNOTE));
        if (endnotes) findings.add(Finding.changed("Endnotes stand at the foot of their page for now.", ""));
        return findings;
    }
}
