package app.decant.pdf.keep;

import app.decant.page.Pages;
import app.decant.pdf.PdfChoices.Bookmarks;
import java.awt.Color;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
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

/** The bookmarks a file has (ISO 32000-2, 12.3.3): told, thinned out, and dressed as a recipe wishes. Where they lead is not touched. */
final class KeptBookmarks {
    private static final int MOST = 100_000;
    private static final int DEEPEST = 30;

    private final Bookmarks wish;
    private final Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());

    KeptBookmarks(Bookmarks wish) { this.wish = wish; }

    /** The bookmarks as headings, those that lead to a page. */
    static List<Pages.Heading> headings(PDDocument pdf) {
        List<Pages.Heading> found = new ArrayList<>();
        try {
            PDDocumentOutline outline = pdf.getDocumentCatalog().getDocumentOutline();
            Map<COSDictionary, Integer> numbers = new IdentityHashMap<>();
            if (outline != null) {
                int index = 0;
                for (PDPage page : pdf.getPages()) numbers.putIfAbsent(page.getCOSObject(), index++);
                gather(pdf, outline, 1, numbers, found, Collections.newSetFromMap(new IdentityHashMap<>()));
            }
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(KeptBookmarks.class).info("Bookmarks break off", e);
        }
        return found;
    }

    private static void gather(PDDocument pdf, PDOutlineNode node, int level, Map<COSDictionary, Integer> numbers, List<Pages.Heading> found,
            Set<COSBase> seen) throws IOException {
        for (PDOutlineItem item : node.children()) {
            if (!seen.add(item.getCOSObject()) || seen.size() > MOST || level > DEEPEST) return;
            PDPage page = page(pdf, item);
            Integer number = page == null ? null : numbers.get(page.getCOSObject());
            if (number != null && item.getTitle() != null) found.add(new Pages.Heading(level, item.getTitle(), item.getTitle(), number, top(item, page)));
            gather(pdf, item, level + 1, numbers, found, seen);
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

    private static double top(PDOutlineItem item, PDPage page) throws IOException {
        return item.getDestination() instanceof PDPageXYZDestination place && place.getTop() >= 0 && page.getRotation() == 0
                ? Math.max(0, page.getCropBox().getUpperRightY() - place.getTop()) : 0;
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
        relink(outline, kept);
    }

    /** A bookmark that stays, and those that stay below it. */
    private record Kept(PDOutlineItem item, int level, List<Kept> below) { }

    /** Those of wished levels; where a level above is left out, the ones below move up to its place. */
    private void gather(PDOutlineNode node, int level, List<Kept> kept) {
        if (level > DEEPEST) return;
        for (PDOutlineItem item : node.children()) {
            if (!seen.add(item.getCOSObject()) || seen.size() > MOST) return;
            List<Kept> below = new ArrayList<>();
            gather(item, level + 1, below);
            if (wish.includes(level)) kept.add(new Kept(item, level, below));
            else kept.addAll(below);
        }
    }

    private void relink(PDOutlineNode node, List<Kept> kept) {
        COSDictionary parent = node.getCOSObject();
        for (COSName name : new COSName[] {COSName.FIRST, COSName.LAST, COSName.COUNT}) parent.removeItem(name);
        for (Kept one : kept) for (COSName name : new COSName[] {COSName.PREV, COSName.NEXT, COSName.PARENT}) one.item.getCOSObject().removeItem(name);
        for (Kept one : kept) {
            relink(one.item, one.below);
            dress(one);
            node.addLast(one.item);
        }
        for (Kept one : kept) if (one.level <= wish.open() && one.item.hasChildren()) one.item.openNode();
        if (node instanceof PDDocumentOutline) node.openNode();
    }

    private void dress(Kept one) {
        String other = wish.titles().get(one.item.getTitle());
        if (other != null) one.item.setTitle(other);
        if (wish.bold() > 0) one.item.setBold(one.level <= wish.bold());
        if (one.level <= wish.colours().size()) one.item.setTextColor(new Color(wish.colours().get(one.level - 1).rgb()));
    }
}
