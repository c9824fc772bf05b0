package app.decant.recover.fit;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.recover.made.StyleMaker;
import app.decant.recover.text.Para;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/**
 * Lays the recovered document out and brings its page ends where the original's are: a page that begins too early gets a break, one that flows over
 * becomes a little longer, or what stands on it a little closer. All pages are judged by how far they are from the page before, so that one that is
 * out of step does not spoil the judgement of those after it.
 */
public final class PageFit {
    private static final int ROUNDS = 6;
    private static final Message LAYING_OUT = Message.of("step.fitting");
    private static final double MOST_LONGER = 26;
    private static final double MOST_CLOSER = 130;
    /** Text never comes nearer to the edge of the paper, unless it did, in points. */
    static final double LEAST_MARGIN = 4;
    /** A table's cell is so many steps from its document: section, table, row, cell, and the paragraph in it. */
    static final int IN_CELL = 5;

    private final FontCatalogue fonts;
    private final Map<Paragraph, Para> origins = new IdentityHashMap<>();
    private final Progress progress;
    private double longer;

    public PageFit(FontCatalogue fonts, Map<Paragraph, Para> made, Map<Paragraph, Paragraph> changed, Progress progress) {
        this.fonts = fonts;
        this.progress = progress;
        changed.forEach((before, now) -> {
            Para origin = made.get(before);
            if (origin != null) origins.put(now, origin);
        });
    }

    public Document fit(Document document, int wanted, List<Finding> findings) {
        Layout layout = new Layout(fonts);
        Document current = document;
        Document best = document;
        List<Integer> least = null;
        for (int round = 0; round < ROUNDS; round++) {
            progress.step(round, ROUNDS, LAYING_OUT);
            PagedDocument pages = layout.next(current, progress);
            PageSurvey survey = new PageSurvey(pages, origins);
            List<Integer> wrong = wrong(survey, pages.count(), wanted);
            if (least == null || wrong.size() < least.size()) {
                least = wrong;
                best = current;
            }
            if (wrong.isEmpty() || round == ROUNDS - 1) break;
            Document next = adjusted(current, pages, survey, wanted);
            if (next == current) break;
            current = next;
        }
        tell(least, findings);
        return best;
    }

    /** What each paragraph was made of, also those that were changed to fit. */
    public Map<Paragraph, Para> origins() { return Collections.unmodifiableMap(origins); }

    /** The pages of the original whose ends are elsewhere now. */
    private static List<Integer> wrong(PageSurvey survey, int count, int wanted) {
        List<PageSurvey.Start> starts = survey.starts();
        List<Integer> wrong = new ArrayList<>();
        for (int i = 0; i < starts.size(); i++) {
            PageSurvey.Start next = i + 1 < starts.size() ? starts.get(i + 1) : null;
            int expected = (next == null ? wanted : next.page()) - starts.get(i).page();
            int got = (next == null ? count : next.here()) - starts.get(i).here();
            if (got != expected || spilled(survey, i, expected) > 0) wrong.add(starts.get(i).page());
        }
        return wrong;
    }

    /** How much of a page stands on the next one though that begins where it should: a heading that went along with its text. */
    private static double spilled(PageSurvey survey, int index, int expected) {
        if (index + 1 >= survey.starts().size()) return 0;
        PageSurvey.Start start = survey.starts().get(index);
        return survey.spill(start, survey.starts().get(index + 1), start.here() + expected - 1);
    }

    private static void tell(List<Integer> wrong, List<Finding> findings) {
        if (wrong.size() > 12) {
            findings.add(Finding.changed(Message.of("fit.pages-end-elsewhere-than-in-the-original", wrong.size())).at(Finding.page(wrong.get(0))));
            return;
        }
        for (int page : wrong) findings.add(Finding.changed(Message.of("fit.page-ends-elsewhere-than-in-the-original", (page + 1))).at(Finding.page(page)));
    }

    private Document adjusted(Document document, PagedDocument pages, PageSurvey survey, int wanted) {
        List<PageSurvey.Start> starts = survey.starts();
        Map<Paragraph, Paragraph> breaks = new IdentityHashMap<>();
        Map<Integer, Double> spills = new TreeMap<>();
        Map<Integer, Integer> lasts = new HashMap<>();
        double most = 0;
        for (int i = 0; i < starts.size(); i++) {
            PageSurvey.Start start = starts.get(i);
            PageSurvey.Start next = i + 1 < starts.size() ? starts.get(i + 1) : null;
            int expected = (next == null ? wanted : next.page()) - start.page();
            int got = (next == null ? pages.count() : next.here()) - start.here();
            if (got > expected || got == expected && spilled(survey, i, expected) > 0) {
                int last = start.here() + expected - 1;
                double spill = Math.max(2, survey.spill(start, next, last));
                spills.put(i, spill);
                lasts.put(i, last);
                if (spill <= MOST_LONGER && survey.won(last, spill) > 0.5) most = Math.max(most, spill);
            } else if (got < expected && next != null) {
                Paragraph opens = opening(document, next);
                Paragraph broken = broken(next, opens);
                if (broken != null) breaks.putIfAbsent(opens, broken);
            }
        }
        double more = Math.min(most + 1, MOST_LONGER - longer);
        Document result = breaks.isEmpty() ? document : changed(document, breaks);
        if (more > 0.5 && most > 0) {
            longer += more;
            result = longer(result, more);
            spills.replaceAll((index, spill) -> spill - survey.won(lasts.get(index), more));
        }
        // A page with much too much on it has another fault; making it closer would only spoil it.
        spills.values().removeIf(spill -> spill <= 0 || spill > MOST_CLOSER);
        return shorter(result, starts, spills);
    }

    /** With what a page begins: a row of a table with its first cell, whichever of them says something. */
    private static Paragraph opening(Document document, PageSurvey.Start start) {
        boolean row = start.line() == 0 && start.path().size() == IN_CELL
                && document.sections().get(start.path().step(0)).blocks().get(start.path().step(1)) instanceof Table;
        if (!row) return start.paragraph();
        Table table = (Table) document.sections().get(start.path().step(0)).blocks().get(start.path().step(1));
        Table.Cell first = table.rows().get(start.path().step(2)).cells().get(0);
        return !first.blocks().isEmpty() && first.blocks().get(0) instanceof Paragraph paragraph ? paragraph : start.paragraph();
    }

    /** The paragraph with a break before the place where a page has to begin; null where none can be put. */
    private Paragraph broken(PageSurvey.Start start, Paragraph paragraph) {
        int at = start.offset();
        if (start.line() == 0) {
            return paragraph.look().get(ParagraphProperty.PAGE_BREAK_BEFORE, false) ? null : paragraph.withLook(paragraph.look()
                    .with(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        }
        boolean there = at > 0 && paragraph.plainText().charAt(at - 1) == Inline.PAGE_BREAK;
        if (!start.isInBody() || at <= 0 || at >= paragraph.length() || there) return null;
        List<Inline> inlines = new ArrayList<>(paragraph.slice(0, at));
        inlines.add(new Inline.Text(String.valueOf(Inline.PAGE_BREAK), paragraph.lookBefore(at)));
        inlines.addAll(paragraph.slice(at, paragraph.length()));
        return paragraph.withInlines(inlines);
    }

    private Document shorter(Document document, List<PageSurvey.Start> starts, Map<Integer, Double> spills) {
        Cascade cascade = Cascade.of(document);
        PageRoom room = new PageRoom(cascade, this::follows);
        List<Section> sections = new ArrayList<>(document.sections());
        Set<Block> done = Collections.newSetFromMap(new IdentityHashMap<>());
        spills.forEach((index, spill) -> {
            PageSurvey.Start from = starts.get(index);
            PageSurvey.Start to = index + 1 < starts.size() ? starts.get(index + 1) : null;
            for (int s = from.path().step(0); s < sections.size() && (to == null || s <= to.path().step(0)); s++) {
                List<Block> blocks = new ArrayList<>(sections.get(s).blocks());
                int first = s == from.path().step(0) ? from.path().step(1) : 0;
                int last = to != null && s == to.path().step(0) ? to.path().step(1) : blocks.size();
                // A long table or contents list holds several pages: it is made closer as a whole, once.
                boolean within = first == last && !(blocks.get(first) instanceof Paragraph) && done.add(blocks.get(first));
                if (within) last = first + 1;
                if (first >= last) continue;
                List<Block> own = room.shorter(blocks.subList(first, last), spill + 0.8);
                if (within) done.addAll(own);
                for (int i = 0; i < own.size(); i++) blocks.set(first + i, own.get(i));
                sections.set(s, sections.get(s).withBlocks(blocks));
            }
        });
        return spills.isEmpty() ? document : document.withSections(sections);
    }

    private Paragraph follows(Paragraph before, Paragraph now) {
        Para origin = origins.get(before);
        if (origin != null) origins.put(now, origin);
        return now;
    }

    private Document changed(Document document, Map<Paragraph, Paragraph> changes) {
        UnaryOperator<Paragraph> change = paragraph -> changes.containsKey(paragraph) ? follows(paragraph, changes.get(paragraph)) : paragraph;
        List<Section> sections = new ArrayList<>();
        for (Section section : document.sections()) {
            List<Block> blocks = new ArrayList<>();
            boolean any = false;
            for (Block block : section.blocks()) {
                Block now = block instanceof Paragraph paragraph ? change.apply(paragraph) : holds(block, changes) ? StyleMaker.map(List.of(block), change)
                        .get(0) : block;
                any |= now != block;
                blocks.add(now);
            }
            sections.add(any ? section.withBlocks(blocks) : section);
        }
        return document.withSections(sections);
    }

    private static boolean holds(Block block, Map<Paragraph, Paragraph> changes) {
        if (block instanceof Paragraph paragraph) return changes.containsKey(paragraph);
        if (block instanceof Contents contents) return contents.entries().stream().anyMatch(changes::containsKey);
        return block instanceof Table table && table.rows().stream().anyMatch(row -> row.cells().stream().anyMatch(cell -> cell.blocks().stream()
                .anyMatch(inner -> holds(inner, changes))));
    }

    /** Lets the text of all pages reach a little further down. */
    private static Document longer(Document document, double amount) {
        List<Section> sections = new ArrayList<>();
        for (Section section : document.sections()) {
            Section.PageGeometry page = section.page();
            Section.PageGeometry taller = new Section.PageGeometry(page.width(), page.height(), page.top(), page.right(),
                    Math.min(page.bottom(), Math.max(LEAST_MARGIN, page.bottom() - amount)), page.left(), page.header(), page.footer(), page.gutter());
            sections.add(new Section(section.start(), taller, section.columns(), section.numbering(), section.frames(), section.firstPageDiffers(),
                    section.blocks()));
        }
        return document.withSections(sections);
    }
}
