package app.decant.page;

import app.decant.document.Colour;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.font.FontCatalogue;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Something on paper, of whatever kind it was before: its pages, and what is known of them beyond what they show. */
public interface Pages {
    List<Page> pages();

    default int count() { return pages().size(); }

    default Page page(int index) { return pages().get(index); }

    /** The numbers of the pages as they are printed. */
    default List<String> labels() { return pages().stream().map(Page::label).toList(); }

    /** Title, author and what else is said of the whole. */
    Facts facts();

    /** What became of their {@link #origin} for a format that wants to know the width of each column: said of all, as they are set here. */
    default <T> T withStatedColumns(T made) { return made; }

    /** The headings that stand on a page, in their order. */
    List<Heading> headings();

    /** Holes in the numbering of headings. */
    default List<Hole> holes() { return List.of(); }

    /** The fonts that were wished for, and what was found for each. */
    Collection<FontCatalogue.Match> fonts();

    /** What was found when they were laid out. */
    List<Finding> findings();

    /** What they hold, as readers hear it who can't see them. */
    Element structure();

    /** Text of what they were laid out from that stands on none of them, passage by passage. */
    List<String> unplaced();

    /** The same laid out without the fonts of some families: others take their place. */
    Pages without(Set<String> families);

    /** What they were laid out from, as formats store it, where it is of this kind: a text document, a workbook. */
    <T> Optional<T> origin(Class<T> kind);

    /** The PDF whose own pages these are, as long as nothing on them was changed; empty for pages that are made here. */
    default Optional<Original> original() { return Optional.empty(); }

    /** The page of the {@link #original} in whose place a page stands; -1 for one that the original does not have. */
    default int ground(int page) { return page; }

    /**
     * The number by which pages that say something else call one that takes what they have no room for: of a page of the {@link #original} its index there,
     * of one that was put in one beyond those.
     */
    default int number(int page) { return ground(page); }

    /** Whether a page was put in behind one of the {@link #original}, its {@link #ground}, which it looks like. */
    default boolean isAdded(int page) { return isOwn(page) && number(page) != ground(page); }

    /** Whether a page is the original's own, untouched; others in its place are set anew. */
    default boolean isOwn(int page) { return original().isPresent(); }

    /** What a page of the original says that is its own but for some words; null where it is untouched, or set anew. */
    default Rewritten rewritten(int page) { return null; }

    /** What the original's own pages need to keep the standard that is wished; empty where they keep it, or none is. */
    default Optional<Mending> mending() { return Optional.empty(); }

    /** The headings that were found in the text, whatever bookmarks the {@link #original} has. */
    default List<Heading> found() { return headings(); }

    /** What became of the headings of the {@link #original}, where that was revised. */
    default Retold retold() { return Retold.NOTHING; }

    /** Words to be laid on pages, broken where they say so only: lines from a corner at (0, 0). */
    List<Item.LineItem> words(String text, String family, double size, Colour colour);

    /** The index of the page a named place is on, and how far down it stands; null where there is none of the name. */
    default Map.Entry<Integer, Double> bookmark(String name) {
        for (Page page : pages()) {
            Double y = page.bookmarks().get(name);
            if (y != null) return Map.entry(page.index(), y);
        }
        return null;
    }

    /**
     * A heading where it stands.
     *
     * @param level from 1
     * @param title with its number
     * @param text  without
     * @param page  the index of its page
     * @param top   of its first line, in points from the page's top
     */
    record Heading(int level, String title, String text, int page, double top) { }

    /**
     * A number that is missing between two headings, and where it is missed.
     *
     * @param number as one expects it
     * @param before the title of the heading above the hole
     * @param after  the title of the one below
     */
    record Hole(String number, String before, String after, Caret place) { }

    /**
     * Where a caret stands: page index, x, top and height in points.
     *
     * @param turn how far it is turned clockwise around its upper end, in degrees
     */
    record Caret(int page, double x, double top, double height, double turn) { }
}
