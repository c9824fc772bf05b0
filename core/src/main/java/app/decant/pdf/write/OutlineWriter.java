package app.decant.pdf.write;

import app.decant.page.Pages;
import app.decant.pdf.PageLabel;
import app.decant.pdf.PdfChoices;
import java.awt.Color;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;

/** Writes heading bookmarks (ISO 32000-1, 12.3.3) and page labels (12.4.2). */
public final class OutlineWriter {
    /** The level of places: below any heading. */
    private static final int BELOW_HEADINGS = 10;

    private final PDDocument pdf;
    private final Pages pages;
    private final PdfChoices choices;

    public OutlineWriter(PDDocument pdf, Pages pages, PdfChoices choices) {
        this.pdf = pdf;
        this.pages = pages;
        this.choices = choices;
    }

    /** Something that becomes a bookmark, and where it stands: its page's place in the file, and how far down. */
    private record Mark(String title, int level, int page, double top) { }

    /** Each bookmark lands at the top of its heading's first line, or at its place. Gives where they land. */
    public List<PdfWriter.Landing> bookmarks() { return bookmarks(pages.headings()); }

    /** The same of these headings. */
    public List<PdfWriter.Landing> bookmarks(List<Pages.Heading> headings) {
        PdfChoices.Bookmarks wish = choices.style().bookmarks();
        List<PdfWriter.Landing> landings = new ArrayList<>();
        List<Mark> marks = marks(wish, headings);
        if (marks.isEmpty()) return landings;
        PDDocumentOutline root = new PDDocumentOutline();
        Deque<PDOutlineNode> parents = new ArrayDeque<>(List.of(root));
        Deque<Integer> levels = new ArrayDeque<>(List.of(0));
        List<PDOutlineItem> open = new ArrayList<>();
        List<PDPage> written = new ArrayList<>();
        pdf.getPages().forEach(written::add);
        for (Mark mark : marks) {
            while (levels.peek() >= mark.level) {
                levels.pop();
                parents.pop();
            }
            PDOutlineItem item = new PDOutlineItem();
            item.setTitle(mark.title);
            item.setDestination(new PDPageXYZDestination(PdfWriter.destination(written.get(mark.page), mark.top)));
            if (mark.level <= wish.bold()) item.setBold(true);
            if (mark.level <= wish.colours().size()) item.setTextColor(new Color(wish.colours().get(mark.level - 1).rgb()));
            parents.peek().addLast(item);
            if (mark.level <= wish.open()) open.add(item);
            parents.push(item);
            levels.push(mark.level);
            landings.add(new PdfWriter.Landing(mark.title, mark.page, mark.top));
        }
        for (int i = open.size() - 1; i >= 0; i--) if (open.get(i).hasChildren()) open.get(i).openNode();
        root.openNode();
        pdf.getDocumentCatalog().setDocumentOutline(root);
        return landings;
    }

    /** Headings in their order, places the document names put among them. */
    private List<Mark> marks(PdfChoices.Bookmarks wish, List<Pages.Heading> headings) {
        List<Mark> marks = new ArrayList<>();
        for (Pages.Heading heading : headings) {
            if (!wish.includes(heading.level())) continue;
            int page = choices.pages().indexOf(heading.page());
            if (page < 0) continue;
            String own = wish.titles().getOrDefault(heading.title(), wish.titles().get(heading.text()));
            marks.add(new Mark(own == null ? heading.title() : own, heading.level(), page, heading.top()));
        }
        if (!wish.places()) return marks;
        List<Mark> places = new ArrayList<>();
        for (int page = 0; page < choices.pages().size(); page++) {
            int at = page;
            // Names that begin with a line are a program's own, such as those of contents lists (common practice).
            pages.page(choices.pages().get(page)).bookmarks().forEach((name, top) -> {
                if (!name.startsWith("_")) places.add(new Mark(wish.titles().getOrDefault(name, name.replace('_', ' ')), 0, at, top));
            });
        }
        for (Mark place : places) {
            int after = 0;
            int level = 0;
            for (int i = 0; i < marks.size(); i++) {
                Mark mark = marks.get(i);
                if (mark.page > place.page || mark.page == place.page && mark.top > place.top + 1) break;
                after = i + 1;
                if (mark.level < 10) level = mark.level;
            }
            marks.add(after, new Mark(place.title, BELOW_HEADINGS + level, place.page, place.top));
        }
        return marks;
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
