package app.decant;

import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.LogicalStructure;
import app.decant.page.Passage;
import app.decant.page.Piece;
import app.decant.page.Rewritten;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The structure that was found in the pages of a PDF, and the marks of these pages that belong to it. */
final class FoundStructure {
    private final PagedDocument laid;
    private final Provenance provenance;
    private final TextEdits.Found edits;
    private final GroundLines lines;
    private final Map<Integer, Rewritten> rewritten;
    private final Map<Paragraph, TextEdits.Edit> edited = new IdentityHashMap<>();
    private final Map<Paragraph, Paragraph> came = new IdentityHashMap<>();
    private final Map<Passage, List<LogicalStructure.Share>> shares = new LinkedHashMap<>();
    private final List<LogicalStructure.Place> places = new ArrayList<>();

    private FoundStructure(PagedDocument laid, Provenance provenance, TextEdits.Found edits, Map<Integer, Rewritten> rewritten) {
        this.laid = laid;
        this.provenance = provenance;
        this.edits = edits;
        this.rewritten = rewritten;
        lines = new GroundLines(provenance);
        for (TextEdits.Edit edit : edits.edits()) if (!edit.isGone()) edited.put(edit.nows().get(0), edit);
        edited.forEach((now, edit) -> came.put(now, edit.old()));
        edits.described().forEach((old, now) -> came.put(now, old));
    }

    /** @param laid the document as it was taken in */
    static LogicalStructure of(PagedDocument laid, Provenance provenance) { return of(laid, provenance, TextEdits.Found.NOTHING, Map.of()); }

    /**
     * The structure of a document that was revised.
     *
     * @param laid      as it is now
     * @param edits     what is another since it was taken in
     * @param rewritten the pages that say it
     */
    static LogicalStructure of(PagedDocument laid, Provenance provenance, TextEdits.Found edits, Map<Integer, Rewritten> rewritten) {
        return new FoundStructure(laid, provenance, edits, rewritten).made();
    }

    private LogicalStructure made() {
        List<Provenance.Shown> open = new ArrayList<>(provenance.pictures());
        List<LogicalStructure.InLine> inLines = new ArrayList<>();
        for (Walk.Stop stop : laid.walk().stops()) {
            Paragraph old = came.getOrDefault(stop.paragraph(), stop.paragraph());
            TextPassage passage = new TextPassage(stop.paragraph());
            List<LogicalStructure.Share> own = shares(old, passage);
            if (!own.isEmpty()) shares.put(passage, own);
            TextEdits.Edit edit = edited.get(stop.paragraph());
            if (edit != null) placed(edit, passage);
            inLines(stop.paragraph(), open, inLines);
        }
        Element structure = laid.structure();
        List<Element> figures = new ArrayList<>();
        gather(structure, figures);
        return new LogicalStructure(structure, shares, pictures(figures, open), inLines, places);
    }

    /** Line by line; what stands before a passage's first letter is its label. Lines of pages that were rewritten are told by where they stand. */
    private List<LogicalStructure.Share> shares(Paragraph old, TextPassage passage) {
        List<Provenance.Line> some = provenance.of(old);
        int first = StandingLabels.length(old, provenance);
        List<LogicalStructure.Share> own = new ArrayList<>();
        for (int i = 0; i < some.size(); i++) {
            Provenance.Line line = some.get(i);
            int from = i == 0 ? first : 0;
            Rewritten page = rewritten.get(line.page());
            if (page == null) {
                share(line, 0, from, true, own);
                share(line, from, line.marks().length, false, own);
                continue;
            }
            // Of what was edited only the label stands where it stood.
            for (int at = 0; at < (edited.containsKey(passage.paragraph()) ? from : line.marks().length); at++) {
                if (line.marks()[at] < 0) continue;
                double left = line.lefts()[at];
                double right = line.rights()[at];
                Rewritten.Given given = page.given(left, line.baseline());
                double across = given == null ? 0 : given.across();
                double down = given == null ? page.pushed(left, line.baseline()) : given.down();
                int on = given == null ? line.page() : given.page();
                places.add(new LogicalStructure.Place(passage, on, left + across, right + across, line.baseline() + down, at < from));
            }
        }
        return own;
    }

    /** The letters of a passage that was edited, as its pages were written anew. */
    private void placed(TextEdits.Edit edit, TextPassage passage) {
        Rewritten page = rewritten.get(edit.page());
        int index = edits.byPage().get(edit.page()).indexOf(edit);
        lines.of(edit, rewritten::get, page.reset().get(index)).forEach((on, some) -> {
            for (Item.LineItem line : rewritten.containsKey(on) ? some : List.<Item.LineItem>of()) placed(line, passage, on);
        });
    }

    private void placed(Item.LineItem line, TextPassage passage, int page) {
        for (Piece piece : line.line().pieces()) {
            if (!(piece instanceof Piece.Letters letters)) continue;
            for (int i = 0; i < letters.lefts().length; i++)
                places.add(new LogicalStructure.Place(passage, page, line.x() + letters.lefts()[i], line.x() + letters.rights()[i], line.baseline(), false));
        }
    }

    private static void share(Provenance.Line line, int from, int to, boolean label, List<LogicalStructure.Share> shares) {
        List<Integer> marks = new ArrayList<>();
        // A ligature is one mark for several letters.
        for (int i = from; i < to; i++)
            if (line.marks()[i] >= 0 && (marks.isEmpty() || marks.get(marks.size() - 1) != line.marks()[i])) marks.add(line.marks()[i]);
        if (!marks.isEmpty()) shares.add(new LogicalStructure.Share(line.page(), marks, label));
    }

    private static void gather(Element element, List<Element> figures) {
        if (element.role() == Element.Role.FIGURE) figures.add(element);
        for (Element child : element.children()) gather(child, figures);
    }

    private void inLines(Paragraph paragraph, List<Provenance.Shown> open, List<LogicalStructure.InLine> inLines) {
        for (Inline inline : paragraph.inlines()) {
            if (!(inline instanceof Inline.InlinePicture one)) continue;
            LogicalStructure.Area area = taken(one.picture(), open);
            if (area != null) inLines.add(new LogicalStructure.InLine(new TextPassage(paragraph), one.picture().description(), area));
        }
    }

    private Map<Integer, LogicalStructure.Area> pictures(List<Element> figures, List<Provenance.Shown> open) {
        Map<Integer, LogicalStructure.Area> areas = new HashMap<>();
        for (int i = 0; i < figures.size(); i++) {
            LogicalStructure.Area area = taken(figures.get(i).picture(), open);
            if (area != null) areas.put(i, area);
        }
        return areas;
    }

    /** Each picture takes the first place that shows its image and that no other took; null where there is none. */
    private LogicalStructure.Area taken(Picture picture, List<Provenance.Shown> open) {
        for (Provenance.Shown shown : open) {
            if (!shown.image().equals(picture.image())) continue;
            open.remove(shown);
            Rewritten page = rewritten.get(shown.page());
            double down = page == null ? 0 : page.pushed((shown.left() + shown.right()) / 2, shown.bottom() - 0.5);
            return new LogicalStructure.Area(shown.page(), shown.left(), shown.top() + down, shown.right(), shown.bottom() + down);
        }
        return null;
    }
}
