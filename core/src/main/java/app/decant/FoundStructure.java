package app.decant;

import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Element;
import app.decant.page.LogicalStructure;
import app.decant.page.Passage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** The structure that was found in the pages of a PDF, and the marks of these pages that belong to it. */
final class FoundStructure {
    private FoundStructure() { }

    /**
     * @param laid the document as it is
     * @param came tells what a paragraph was when it was taken in
     */
    static LogicalStructure of(PagedDocument laid, Provenance provenance, UnaryOperator<Paragraph> came) {
        Map<Passage, List<LogicalStructure.Share>> shares = new LinkedHashMap<>();
        for (Walk.Stop stop : laid.walk().stops()) {
            List<LogicalStructure.Share> own = shares(came.apply(stop.paragraph()), provenance);
            if (!own.isEmpty()) shares.put(new TextPassage(stop.paragraph()), own);
        }
        Element structure = laid.structure();
        List<Element> figures = new ArrayList<>();
        gather(structure, figures);
        List<Provenance.Shown> open = new ArrayList<>(provenance.pictures());
        List<LogicalStructure.InLine> inLines = new ArrayList<>();
        for (Walk.Stop stop : laid.walk().stops()) inLines(stop.paragraph(), open, inLines);
        return new LogicalStructure(structure, shares, pictures(figures, open), inLines);
    }

    /** Line by line; what stands before a passage's first letter is its label. */
    private static List<LogicalStructure.Share> shares(Paragraph paragraph, Provenance provenance) {
        List<Provenance.Line> lines = provenance.of(paragraph);
        int first = labelled(paragraph, provenance);
        List<LogicalStructure.Share> shares = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            Provenance.Line line = lines.get(i);
            int from = i == 0 ? first : 0;
            share(line, 0, from, true, shares);
            share(line, from, line.marks().length, false, shares);
        }
        return shares;
    }

    private static void share(Provenance.Line line, int from, int to, boolean label, List<LogicalStructure.Share> shares) {
        List<Integer> marks = new ArrayList<>();
        // A ligature is one mark for several letters.
        for (int i = from; i < to; i++)
            if (line.marks()[i] >= 0 && (marks.isEmpty() || marks.get(marks.size() - 1) != line.marks()[i])) marks.add(line.marks()[i]);
        if (!marks.isEmpty()) shares.add(new LogicalStructure.Share(line.page(), marks, label));
    }

    /** How many letters of the first line are a label. */
    private static int labelled(Paragraph paragraph, Provenance provenance) {
        int[][] places = provenance.places(paragraph);
        if (places != null) for (int[] place : places) if (place != null) return place[0] == 0 ? place[1] : 0;
        return 0;
    }

    private static void gather(Element element, List<Element> figures) {
        if (element.role() == Element.Role.FIGURE) figures.add(element);
        for (Element child : element.children()) gather(child, figures);
    }

    private static void inLines(Paragraph paragraph, List<Provenance.Shown> open, List<LogicalStructure.InLine> inLines) {
        for (Inline inline : paragraph.inlines()) {
            if (!(inline instanceof Inline.InlinePicture one)) continue;
            LogicalStructure.Area area = taken(one.picture(), open);
            if (area != null) inLines.add(new LogicalStructure.InLine(new TextPassage(paragraph), one.picture().description(), area));
        }
    }

    private static Map<Integer, LogicalStructure.Area> pictures(List<Element> figures, List<Provenance.Shown> open) {
        Map<Integer, LogicalStructure.Area> areas = new HashMap<>();
        for (int i = 0; i < figures.size(); i++) {
            LogicalStructure.Area area = taken(figures.get(i).picture(), open);
            if (area != null) areas.put(i, area);
        }
        return areas;
    }

    /** Each picture takes the first place that shows its image and that no other took; null where there is none. */
    private static LogicalStructure.Area taken(Picture picture, List<Provenance.Shown> open) {
        for (Provenance.Shown shown : open) {
            if (!shown.image().equals(picture.image())) continue;
            open.remove(shown);
            return new LogicalStructure.Area(shown.page(), shown.left(), shown.top(), shown.right(), shown.bottom());
        }
        return null;
    }
}
