package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.page.Pages;
import app.decant.page.Retold;
import app.decant.pdf.PdfChoices.Bookmarks;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.read.PageReader;
import app.decant.words.Message;
import java.awt.Color;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.IntUnaryOperator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.slf4j.LoggerFactory;

/**
 * The bookmarks a file has (ISO 32000-2, 12.3.3): told, made to follow headings that are others now, thinned out, and dressed as a recipe wishes. Where those
 * lead that stay is not touched.
 */
public final class KeptBookmarks {
    private static final int MOST = 100_000;
    private static final int DEEPEST = 30;

    private final Bookmarks wish;
    private final Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());

    KeptBookmarks(Bookmarks wish) { this.wish = wish; }

    /** The bookmarks as headings, those that lead to a page. */
    static List<Pages.Heading> headings(PDDocument pdf) {
        try {
            return came(pdf, page -> page, new ArrayList<>()).stream().filter(one -> one.page() >= 0 && !one.title().isEmpty())
                    .map(one -> new Pages.Heading(one.depth(), one.title(), one.title(), one.page(), one.top())).toList();
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(KeptBookmarks.class).info("Bookmarks can't be read", e);
            return List.of();
        }
    }

    private static PDPage page(PDDocument pdf, PDOutlineItem item) {
        try {
            return item.findDestinationPage(pdf);
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(KeptBookmarks.class).debug("A bookmark leads nowhere", e);
            return null;
        }
    }

    private static double top(PDOutlineItem item, PDPage page) {
        try {
            return item.getDestination() instanceof PDPageXYZDestination place && place.getTop() >= 0 && page.getRotation() == 0
                    ? Math.max(0, page.getCropBox().getUpperRightY() - place.getTop()) : 0;
        } catch (IOException e) {
            LoggerFactory.getLogger(KeptBookmarks.class).debug("A bookmark leads to no place of its page", e);
            return 0;
        }
    }

    /**
     * What the bookmarks of a file are called once they have followed its headings, in their order, with how deep they are.
     *
     * @param pdf as it came
     */
    public static List<String> expected(PDDocument pdf, Pages pages, PdfChoices choices) {
        List<FollowingBookmarks.Came> came = came(pdf, page -> page, new ArrayList<>());
        return following(came, pages, choices).stream().map(is -> is.depth() + " " + is.title()).toList();
    }

    /** What they are called, in their order, with how deep they are. */
    public static List<String> told(PDDocument pdf) {
        return came(pdf, page -> page, new ArrayList<>()).stream().map(one -> one.depth() + " " + one.title()).toList();
    }

    /** Makes them follow headings that are others than they were. */
    static List<Finding> follow(PDDocument pdf, Pages pages, PdfChoices choices) {
        PDDocumentOutline outline = pdf.getDocumentCatalog().getDocumentOutline();
        if (outline == null || !outline.hasChildren()) return List.of();
        List<PDOutlineItem> items = new ArrayList<>();
        List<FollowingBookmarks.Came> came = came(pdf, page -> pages.ground(choices.pages().get(page)), items);
        List<FollowingBookmarks.Is> following = following(came, pages, choices);
        List<Kept> kept = new ArrayList<>();
        List<Kept> open = new ArrayList<>();
        int renamed = 0;
        int moved = 0;
        for (FollowingBookmarks.Is is : following) {
            PDOutlineItem item = is.came() < 0 ? like(following, is, items) : items.get(is.came());
            boolean other = is.came() < 0 || !is.title().equals(came.get(is.came()).title());
            if (other) item.setTitle(is.title());
            if (other && is.came() >= 0) renamed++;
            if (is.came() >= 0 && (is.place() != null || is.depth() != came.get(is.came()).depth())) moved++;
            if (is.place() != null) lead(item, pdf.getPage(choices.pages().indexOf(is.place().page())), is.place().top());
            Kept one = new Kept(item, is.depth(), new ArrayList<>(), item.isNodeOpen());
            while (!open.isEmpty() && open.get(open.size() - 1).level >= is.depth()) open.remove(open.size() - 1);
            (open.isEmpty() ? kept : open.get(open.size() - 1).below).add(one);
            open.add(one);
        }
        relink(outline, kept, one -> { });
        int added = (int) following.stream().filter(is -> is.came() < 0).count();
        return told(renamed, moved, added, items.size() - (following.size() - added));
    }

    private static List<Finding> told(int renamed, int moved, int added, int removed) {
        List<Message> done = new ArrayList<>();
        if (renamed > 0) done.add(Message.of("keep.bookmarks-renamed", renamed));
        if (moved > 0) done.add(Message.of("keep.bookmarks-moved", moved));
        if (added > 0) done.add(Message.of("keep.bookmarks-added", added));
        if (removed > 0) done.add(Message.of("keep.bookmarks-removed", removed));
        return done.isEmpty() ? List.of() : List.of(Finding.changed(Message.of("keep.bookmarks-follow", Message.list(done))));
    }

    private static List<FollowingBookmarks.Is> following(List<FollowingBookmarks.Came> came, Pages pages, PdfChoices choices) {
        Retold told = pages.retold();
        List<Retold.Now> there = told.now().stream().map(one -> choices.pages().contains(one.heading().page()) ? one
                : new Retold.Now(one.was(), one.heading(), false)).filter(one -> one.was() >= 0 || choices.pages().contains(one.heading().page())).toList();
        return FollowingBookmarks.of(came, new Retold(told.was(), there, told.roles()), pages::ground, choices.style().bookmarks()::includes);
    }

    /** All of them in their order, as deep as they are, with the pages that they lead to. */
    private static List<FollowingBookmarks.Came> came(PDDocument pdf, IntUnaryOperator page, List<PDOutlineItem> items) {
        List<FollowingBookmarks.Came> came = new ArrayList<>();
        PDDocumentOutline outline = pdf.getDocumentCatalog().getDocumentOutline();
        if (outline == null) return came;
        Map<COSDictionary, Integer> numbers = new IdentityHashMap<>();
        int index = 0;
        for (PDPage one : pdf.getPages()) numbers.putIfAbsent(one.getCOSObject(), index++);
        came(pdf, outline, 1, numbers, page, came, items, Collections.newSetFromMap(new IdentityHashMap<>()));
        return came;
    }

    private static void came(PDDocument pdf, PDOutlineNode node, int depth, Map<COSDictionary, Integer> numbers, IntUnaryOperator page,
            List<FollowingBookmarks.Came> came, List<PDOutlineItem> items, Set<COSBase> seen) {
        for (PDOutlineItem item : node.children()) {
            if (!seen.add(item.getCOSObject()) || seen.size() > MOST || depth > DEEPEST) return;
            PDPage to = page(pdf, item);
            Integer number = to == null ? null : numbers.get(to.getCOSObject());
            String title = item.getTitle() == null ? "" : item.getTitle();
            came.add(new FollowingBookmarks.Came(depth, title, number == null ? -1 : page.applyAsInt(number), number == null ? 0 : top(item, to)));
            items.add(item);
            came(pdf, item, depth + 1, numbers, page, came, items, seen);
        }
    }

    /** A new one that looks as the one before it that is as deep. */
    private static PDOutlineItem like(List<FollowingBookmarks.Is> all, FollowingBookmarks.Is is, List<PDOutlineItem> items) {
        PDOutlineItem item = new PDOutlineItem();
        FollowingBookmarks.Is like = null;
        for (FollowingBookmarks.Is one : all) {
            if (one == is && like != null) break;
            if (one.came() >= 0 && one.depth() == is.depth()) like = one;
        }
        for (COSName look : like == null ? List.<COSName>of() : List.of(COSName.C, COSName.F)) {
            COSBase own = items.get(like.came()).getCOSObject().getItem(look);
            if (own != null) item.getCOSObject().setItem(look, own);
        }
        return item;
    }

    /** Leads to a place of a page, told in points from its top as it is seen. */
    private static void lead(PDOutlineItem item, PDPage page, double top) {
        Point2D place = new Point2D.Double(0, Math.max(0, top));
        try {
            PageReader.toPage(page, 0).inverseTransform(place, place);
        } catch (NoninvertibleTransformException e) {
            LoggerFactory.getLogger(KeptBookmarks.class).info("A page without extent", e);
        }
        boolean upright = page.getRotation() % 180 == 0;
        PDPageXYZDestination there = new PDPageXYZDestination();
        there.setPage(page);
        if (upright) there.setTop((int) Math.ceil(place.getY()));
        else there.setLeft((int) Math.round(place.getX()));
        item.getCOSObject().removeItem(COSName.A);
        item.setDestination(there);
    }

    /** Makes them what is wished: other levels go, with what was below them; the others are opened, closed, dressed and called as it says. */
    void follow(PDDocument pdf) {
        PDDocumentOutline outline = pdf.getDocumentCatalog().getDocumentOutline();
        if (outline == null) return;
        if (!wish.any()) {
            pdf.getDocumentCatalog().getCOSObject().removeItem(COSName.OUTLINES);
            if ("UseOutlines".equals(pdf.getDocumentCatalog().getCOSObject().getNameAsString(COSName.PAGE_MODE)))
                pdf.getDocumentCatalog().getCOSObject().removeItem(COSName.PAGE_MODE);
            return;
        }
        List<Kept> kept = new ArrayList<>();
        gather(outline, 1, kept);
        relink(outline, kept, this::dress);
    }

    /** A bookmark that stays, those that stay below it, and whether these show at first. */
    private record Kept(PDOutlineItem item, int level, List<Kept> below, boolean open) { }

    /** Those of wished levels; where a level above is left out, the ones below move up to its place. */
    private void gather(PDOutlineNode node, int level, List<Kept> kept) {
        if (level > DEEPEST) return;
        for (PDOutlineItem item : node.children()) {
            if (!seen.add(item.getCOSObject()) || seen.size() > MOST) return;
            List<Kept> below = new ArrayList<>();
            gather(item, level + 1, below);
            if (wish.includes(level)) kept.add(new Kept(item, level, below, level <= wish.open()));
            else kept.addAll(below);
        }
    }

    private static void relink(PDOutlineNode node, List<Kept> kept, Consumer<Kept> dress) {
        COSDictionary parent = node.getCOSObject();
        for (COSName name : new COSName[] {COSName.FIRST, COSName.LAST, COSName.COUNT}) parent.removeItem(name);
        for (Kept one : kept) for (COSName name : new COSName[] {COSName.PREV, COSName.NEXT, COSName.PARENT}) one.item.getCOSObject().removeItem(name);
        for (Kept one : kept) {
            relink(one.item, one.below, dress);
            dress.accept(one);
            node.addLast(one.item);
        }
        for (Kept one : kept) if (one.open && one.item.hasChildren()) one.item.openNode();
        if (node instanceof PDDocumentOutline) node.openNode();
    }

    private void dress(Kept one) {
        String other = wish.titles().get(one.item.getTitle());
        if (other != null) one.item.setTitle(other);
        if (wish.bold() > 0) one.item.setBold(one.level <= wish.bold());
        if (one.level <= wish.colours().size()) one.item.setTextColor(new Color(wish.colours().get(one.level - 1).rgb()));
    }
}
