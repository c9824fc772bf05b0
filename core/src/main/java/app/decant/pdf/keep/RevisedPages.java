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

/** Pages that were laid out, many of which are those of the PDF that they were taken from: only the others are set anew. */
public final class RevisedPages implements KeptPages {
    private final Pages laid;
    private final Original original;
    private final List<Integer> grounds;
    private final Set<Integer> own;
    private final Map<Integer, Rewritten> rewritten;
    private final Mending mending;
    private final Retold retold;

    /**
     * @param laid    all pages as they are laid out now
     * @param grounds for each the page of the original in whose place it stands, -1 for none
     * @param own     the indexes of those that are the original's own
     * @param rewritten those of them that say something else in some places, by their indexes
     */
    public RevisedPages(Pages laid, Original original, List<Integer> grounds, Set<Integer> own, Map<Integer, Rewritten> rewritten) {
        this(laid, original, grounds, own, rewritten, null, Retold.NOTHING);
    }

    private RevisedPages(Pages laid, Original original, List<Integer> grounds, Set<Integer> own, Map<Integer, Rewritten> rewritten, Mending mending,
            Retold retold) {
        if (grounds.size() != laid.count()) throw new IllegalArgumentException("Every page stands on a page or on none");
        if (own.stream().anyMatch(page -> grounds.get(page) < 0)) throw new IllegalArgumentException("A page of its own stands on a page");
        this.laid = laid;
        this.original = original;
        this.grounds = List.copyOf(grounds);
        this.own = Set.copyOf(own);
        this.rewritten = Map.copyOf(rewritten);
        this.mending = mending;
        this.retold = retold;
    }

    /** The same of a file whose form is filled in, or whose pages have notes. */
    public RevisedPages of(Original addedTo) { return new RevisedPages(laid, addedTo, grounds, own, rewritten, mending, retold); }

    /** The same whose headings became others. */
    public RevisedPages retold(Retold other) { return new RevisedPages(laid, original, grounds, own, rewritten, mending, other); }

    @Override public Retold retold() { return retold; }
    @Override public Optional<Original> original() { return Optional.of(original); }
    @Override public int ground(int page) { return grounds.get(page); }
    @Override public boolean isOwn(int page) { return own.contains(page); }
    @Override public Rewritten rewritten(int page) { return rewritten.get(page); }
    @Override public List<Page> pages() { return laid.pages(); }
    @Override public Facts facts() { return laid.facts(); }
    @Override public List<Heading> headings() { return laid.headings(); }
    @Override public List<Hole> holes() { return laid.holes(); }
    @Override public Collection<FontCatalogue.Match> fonts() { return laid.fonts(); }
    @Override public List<Finding> findings() { return laid.findings(); }
    @Override public Element structure() { return laid.structure(); }
    @Override public List<String> unplaced() { return laid.unplaced(); }
    @Override public Pages without(Set<String> families) {
        return new RevisedPages(laid.without(families), original, grounds, own, rewritten, mending, retold);
    }

    @Override public RevisedPages mended(Mending wished) { return new RevisedPages(laid, original, grounds, own, rewritten, wished, retold); }
    @Override public Optional<Mending> mending() { return Optional.ofNullable(mending); }
    /** They are no longer what the file says that they are. */
    @Override public boolean claims(Standard standard) { return false; }
    /** Those that were set anew are not. */
    @Override public boolean isTagged() { return false; }
    @Override public <T> Optional<T> origin(Class<T> kind) { return laid.origin(kind); }
    @Override public Map.Entry<Integer, Double> bookmark(String name) { return laid.bookmark(name); }
    @Override public List<Item.LineItem> words(String text, String family, double size, Colour colour) { return laid.words(text, family, size, colour); }
}
