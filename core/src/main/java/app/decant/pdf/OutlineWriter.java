package app.decant.pdf;

import app.decant.document.Outline;
import app.decant.document.Place;
import app.decant.layout.Pages;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;

/** Writes heading bookmarks (ISO 32000-1, 12.3.3) and page labels (12.4.2). */
final class OutlineWriter {
    private final PDDocument pdf;
    private final Pages pages;
    private final PdfChoices choices;

    OutlineWriter(PDDocument pdf, Pages pages, PdfChoices choices) {
        this.pdf = pdf;
        this.pages = pages;
        this.choices = choices;
    }

    /** Each bookmark lands at the top of its heading's first line. Gives where they land. */
    List<PdfWriter.Landing> bookmarks() {
        PdfChoices.Bookmarks wish = choices.style().bookmarks();
        List<PdfWriter.Landing> landings = new ArrayList<>();
        if (!wish.any()) return landings;
        PDDocumentOutline root = new PDDocumentOutline();
        Deque<PDOutlineNode> parents = new ArrayDeque<>(List.of(root));
        Deque<Integer> levels = new ArrayDeque<>(List.of(0));
        List<PDOutlineItem> open = new ArrayList<>();
        for (Outline.Heading heading : pages.outline().headings()) {
            if (!wish.includes(heading.level())) continue;
            Pages.Spot spot = pages.spot(new Place(heading.path(), 0));
            int place = spot == null ? -1 : choices.pages().indexOf(spot.page());
            if (place < 0) continue;
            while (levels.peek() >= heading.level()) {
                levels.pop();
                parents.pop();
            }
            PDOutlineItem item = new PDOutlineItem();
            item.setTitle(heading.title());
            item.setDestination(new PDPageXYZDestination(PdfWriter.destination(pdf.getPage(place), spot.line().y())));
            parents.peek().addLast(item);
            if (heading.level() <= wish.open()) open.add(item);
            parents.push(item);
            levels.push(heading.level());
            landings.add(new PdfWriter.Landing(heading.title(), place, spot.line().y()));
        }
        if (landings.isEmpty()) return landings;
        for (int i = open.size() - 1; i >= 0; i--) if (open.get(i).hasChildren()) open.get(i).openNode();
        root.openNode();
        pdf.getDocumentCatalog().setDocumentOutline(root);
        return landings;
    }

    /** Page labels, where the printed numbers are not simply 1, 2, 3. */
    void labels() {
        COSArray numbers = new COSArray();
        PageLabel before = null;
        boolean plain = true;
        int index = 0;
        for (int page : choices.pages()) {
            PageLabel label = PageLabel.of(pages.page(page).label());
            if (before == null || !label.follows(before)) {
                numbers.add(COSInteger.get(index));
                numbers.add(label.dictionary());
            }
            plain &= pages.page(page).label().equals(Integer.toString(index + 1));
            before = label;
            index++;
        }
        if (plain) return;
        COSDictionary tree = new COSDictionary();
        tree.setItem(COSName.NUMS, numbers);
        pdf.getDocumentCatalog().getCOSObject().setItem(COSName.PAGE_LABELS, tree);
    }
}
