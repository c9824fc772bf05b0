package app.decant.pdf.keep;

import app.decant.document.Colour;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.font.FontCatalogue;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Mending;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Retold;
import app.decant.page.Rewritten;
import app.decant.pdf.Standard;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Pages of a PDF, some of which are set anew: the others are its own, or were put in behind these. */
public final class RevisedPages implements KeptPages {
    private final Pages laid;
    private final Original original;
    private final Places places;
    private final Anew anew;
    private final Mending mending;
    private final Retold retold;

    /**
     * Where pages stand.
     *
     * @param grounds   for each the page of the original in whose place it stands, or behind which it was put in; -1 for none
     * @param own       the indexes of those that are the original's own, or were put in behind one of these
     * @param numbers   by which those that were put in are called, by their indexes
     * @param rewritten those of the own that say something else in some places, by their indexes
     */
    public record Places(List<Integer> grounds, Set<Integer> own, Map<Integer, Integer> numbers, Map<Integer, Rewritten> rewritten) {
        public Places {
            grounds = List.copyOf(grounds);
            own = Set.copyOf(own);
            numbers = Map.copyOf(numbers);
            rewritten = Map.copyOf(rewritten);
            for (int page : own) if (grounds.get(page) < 0) throw new IllegalArgumentException("A page of its own stands on a page");
        }
    }

    /** What is known of the pages that are set anew. */
    public interface Anew {
        /** Text that should stand on one of them and stands on none, passage by passage. */
        List<String> unplaced();

        /** All pages where those are laid out without the fonts of some families. */
        RevisedPages without(Set<String> families);
    }

    /** @param laid all pages: those that are set anew with what they show, the others with what is known to stand on them */
    public RevisedPages(Pages laid, Original original, Places places, Anew anew) { this(laid, original, places, anew, null, Retold.NOTHING); }

    private RevisedPages(Pages laid, Original original, Places places, Anew anew, Mending mending, Retold retold) {
        if (places.grounds.size() != laid.count()) throw new IllegalArgumentException("Every page stands on a page or on none");
        this.laid = laid;
        this.original = original;
        this.places = places;
        this.anew = anew;
        this.mending = mending;
        this.retold = retold;
    }

    /** The same of a file whose form is filled in, or whose pages have notes. */
    public RevisedPages of(Original addedTo) { return new RevisedPages(laid, addedTo, places, anew, mending, retold); }

    /** The same with the text where it stands on all of them. */
    public RevisedPages showing(Pages text) { return new RevisedPages(text, original, places, anew, mending, retold); }

    /** The same whose headings became others. */
    public RevisedPages retold(Retold other) { return new RevisedPages(laid, original, places, anew, mending, other); }

    /** All pages with what is known to stand on them. */
    public Pages shown() { return laid; }

    @Override public RevisedPages mended(Mending wished) { return new RevisedPages(laid, original, places, anew, wished, retold); }

    @Override public Pages without(Set<String> families) {
        RevisedPages others = anew.without(families);
        return new RevisedPages(others.laid, original, others.places, others.anew, mending, retold);
    }

    @Override public Retold retold() { return retold; }
    @Override public Optional<Original> original() { return Optional.of(original); }
    @Override public int ground(int page) { return places.grounds.get(page); }
    @Override public int number(int page) { return places.numbers.getOrDefault(page, ground(page)); }
    @Override public boolean isOwn(int page) { return places.own.contains(page); }
    @Override public Rewritten rewritten(int page) { return places.rewritten.get(page); }
    @Override public List<Page> pages() { return laid.pages(); }
    @Override public Facts facts() { return laid.facts(); }
    @Override public List<Heading> headings() { return laid.headings(); }
    @Override public List<Hole> holes() { return laid.holes(); }
    @Override public Collection<FontCatalogue.Match> fonts() { return laid.fonts(); }
    @Override public List<Finding> findings() { return laid.findings(); }
    @Override public Element structure() { return laid.structure(); }
    @Override public List<String> unplaced() { return anew.unplaced(); }
    @Override public Optional<Mending> mending() { return Optional.ofNullable(mending); }
    /** They are no longer what the file says that they are. */
    @Override public boolean claims(Standard standard) { return false; }
    /** Those that were set anew are not. */
    @Override public boolean isTagged() { return false; }
    @Override public <T> Optional<T> origin(Class<T> kind) { return laid.origin(kind); }
    @Override public Map.Entry<Integer, Double> bookmark(String name) { return laid.bookmark(name); }
    @Override public List<Item.LineItem> words(String text, String family, double size, Colour colour) { return laid.words(text, family, size, colour); }
}
