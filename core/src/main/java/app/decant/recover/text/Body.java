package app.decant.recover.text;

import app.decant.document.ParagraphProperty;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.ListLabel;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.Part;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;

/** The body of a document page by page: its elements in reading order, paragraphs joined over column and page ends. */
public final class Body {
    private static final Pattern CLOSED = Pattern.compile("(?s).*[.!?:;…\u06D4][\"'”’)\\]]*$");

    private final List<List<Element>> pages;

    /** @param pages the elements of each page */
    public Body(List<List<Element>> pages) { this.pages = new ArrayList<>(pages); }

    /** A paragraph and the column it ends or starts in; or a picture, beyond which only what is in mid-sentence goes on. */
    private record Stand(Para para, String column, boolean picture) { }

    public List<List<Element>> pages() { return pages; }

    /** The parts of a page with their lines joined into paragraphs. */
    public static List<Element> elements(List<Part> parts, Function<Glyph, TagTree.Element> tags) { return elements(parts, new ParagraphFinder(tags)); }

    private static List<Element> elements(List<Part> parts, ParagraphFinder finder) {
        List<Element> elements = new ArrayList<>();
        for (Part part : parts) {
            if (part instanceof Part.Lines lines) {
                for (Para para : finder.find(lines.lines(), lines.left(), lines.right())) elements.add(new Element.Text(para));
            } else if (part instanceof Part.Columns columns) {
                elements.add(new Element.Columns(columns.columns().stream().map(column -> elements(column, finder)).toList(), columns.edges()));
            } else if (part instanceof Part.Grid grid) {
                elements.add(new Element.Grid(grid.table()));
            } else if (part instanceof Part.Alone alone) {
                elements.add(new Element.Alone(alone.picture(), alone.left(), alone.right()));
            } else if (part instanceof Part.Beside beside) {
                elements.add(new Element.Beside(beside.picture(), beside.behind(), beside.room()));
            } else if (part instanceof Part.Boxed boxed) {
                elements.add(boxed(boxed, finder));
            } else if (part instanceof Part.Drawn drawn) {
                elements.add(new Element.Drawn(drawn.figure(), drawn.labels().stream().map(label -> boxed(label, finder)).toList()));
            } else if (part instanceof Part.Side side) {
                elements.add(new Element.Side(elements(side.parts(), finder), side.left(), side.top(), side.right(), side.bottom()));
            }
        }
        return elements;
    }

    private static Element.Boxed boxed(Part.Boxed part, ParagraphFinder finder) {
        return new Element.Boxed(part.box(), elements(part.parts(), finder), part.room());
    }

    public List<Para> paragraphs(int page) {
        List<Para> found = new ArrayList<>();
        Element.paragraphs(pages.get(page), false, found);
        return found;
    }

    public List<Para> paragraphs() {
        List<Para> found = new ArrayList<>();
        for (List<Element> page : pages) Element.paragraphs(page, false, found);
        return found;
    }

    /** Takes paragraphs out, wherever they stand. */
    public void remove(Set<Para> gone) {
        if (gone.isEmpty()) return;
        for (int i = 0; i < pages.size(); i++) pages.set(i, without(pages.get(i), gone));
    }

    private static List<Element> without(List<Element> elements, Set<Para> gone) {
        List<Element> rest = new ArrayList<>();
        for (Element element : elements) {
            if (element instanceof Element.Text text && gone.contains(text.para())) continue;
            if (element instanceof Element.Columns columns) {
                List<List<Element>> left = columns.columns().stream().map(column -> without(column, gone)).toList();
                rest.add(new Element.Columns(left, columns.edges()));
            } else {
                rest.add(element);
            }
        }
        return rest;
    }

    /** Joins paragraphs that go on in the next column or on the next page. */
    public void join() {
        List<Stand> stands = new ArrayList<>();
        for (int i = 0; i < pages.size(); i++) stands(pages.get(i), String.valueOf(i), stands);
        Set<Para> gone = Collections.newSetFromMap(new IdentityHashMap<>());
        Map<Para, Para> joined = new IdentityHashMap<>();
        int last = -1;
        for (int i = 0; i < stands.size(); i++) {
            if (stands.get(i).picture) continue;
            Stand before = last < 0 ? null : stands.get(last);
            boolean pictures = i > last + 1;
            last = i;
            Stand here = stands.get(i);
            if (before == null || before.para == null || here.para == null || !follows(before.column, here.column)) continue;
            Para whole = joined.getOrDefault(before.para, before.para);
            if (!goesOn(whole, here.para) || pictures && !isMidSentence(whole, here.para)) continue;
            whole.lines().addAll(here.para.lines());
            whole.notes().addAll(here.para.notes());
            whole.continues(true);
            joined.put(here.para, whole);
            gone.add(here.para);
        }
        remove(gone);
    }

    /** Paragraphs with the column each stands in; a null paragraph for anything that keeps its neighbours apart. */
    private static void stands(List<Element> elements, String column, List<Stand> stands) {
        for (int i = 0; i < elements.size(); i++) {
            Element element = elements.get(i);
            if (element instanceof Element.Text text) {
                stands.add(new Stand(text.para(), column, false));
            } else if (element instanceof Element.Columns columns) {
                for (int c = 0; c < columns.columns().size(); c++) stands(columns.columns().get(c), column + "/" + i + "." + c, stands);
            } else if (element instanceof Element.Grid) {
                stands.add(new Stand(null, column, false));
            } else if (element instanceof Element.Alone) {
                stands.add(new Stand(null, column, true));
            }
        }
    }

    /** Text runs on from one column to the next beside it, and from page to page; not from columns into what stands above or below them. */
    private static boolean follows(String column, String next) {
        if (column.equals(next)) return false;
        if (!column.split("/")[0].equals(next.split("/")[0])) return true;
        int dot = column.lastIndexOf('.');
        return dot > 0 && next.equals(column.substring(0, dot + 1) + (Integer.parseInt(column.substring(dot + 1)) + 1));
    }

    /** Whether a paragraph goes on beyond a picture: in the middle of a sentence, or as tags say. */
    private static boolean isMidSentence(Para para, Para next) {
        if (para.tag() != null && next.tag() != null && para.tag().block() != null && para.tag().block() == next.tag().block()) return true;
        String following = next.text().trim();
        return !following.isEmpty() && Character.isLowerCase(following.codePointAt(0)) && !CLOSED.matcher(para.text().trim()).matches();
    }

    private static boolean goesOn(Para para, Para next) {
        if (Math.abs(para.size() - next.size()) > 0.05 * para.size() || para.isContentsEntry() || next.isContentsEntry()) return false;
        if (!para.typical().face().family().equals(next.typical().face().family())
                || para.alignment() == ParagraphProperty.Alignment.CENTRE) return false;
        if (para.typical().face().bold() != next.typical().face().bold()) return false;
        if (para.tag() != null && next.tag() != null && para.tag().block() != null && next.tag().block() != null)
            return para.tag().block() == next.tag().block();
        String text = para.text().trim();
        String following = next.text().trim();
        if (text.isEmpty() || following.isEmpty() || ListLabel.length(following) > 0) return false;
        TextLine last = para.last();
        if (last.hasTab() || next.first().hasTab()) return false;
        boolean broken = text.endsWith("-") || text.endsWith("\u00AD");
        boolean lower = Character.isLowerCase(following.codePointAt(0));
        boolean closed = CLOSED.matcher(text).matches();
        double edge = para.lines().size() > 1 ? Math.max(para.edgeRight(), para.frameRight() - 3 * para.size()) : para.frameRight();
        boolean full = last.isRightToLeft() ? last.left() < para.frameLeft() + 6 * para.size() : last.edgeRight() + next.first().firstWord()
                + 0.25 * para.size() > edge - 1;
        boolean indented = next.lines().size() > 1 && next.first().edgeLeft() > next.lines().get(1).edgeLeft() + 2;
        if (indented) return false;
        if (lower && !closed && last.edgeRight() > para.frameLeft() + 0.5 * (para.frameRight() - para.frameLeft())) return true;
        // Justified lines reach the edge but for the last of a paragraph.
        if (para.alignment() == ParagraphProperty.Alignment.JUSTIFY && !last.isRightToLeft() && closed && !lower
                && para.edgeRight() - last.edgeRight() > 1) return false;
        // Most pages end within a paragraph, and few last lines are full: a full line goes on even where a sentence ends.
        return full && (broken || lower || para.lines().size() > 1 || next.lines().size() > 1);
    }
}
