package app.decant.recover;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.font.FontCatalogue;
import app.decant.layout.Item;
import app.decant.layout.Layout;
import app.decant.layout.Page;
import app.decant.layout.Pages;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Lays the recovered document out and brings its page ends where the original's are: takes away breaks that come by themselves, puts in those that
 * don't, and lets a page be a little longer where its last line would not fit.
 */
final class PageFit {
    private static final int ROUNDS = 12;
    private static final String LAYING_OUT = "Fitting pages";
    private static final double MOST_LONGER = 26;

    private final FontCatalogue fonts;
    private final Map<Paragraph, Para> origins = new IdentityHashMap<>();
    private final Progress progress;

    PageFit(FontCatalogue fonts, Map<Paragraph, Para> made, Map<Paragraph, Paragraph> changed, Progress progress) {
        this.fonts = fonts;
        this.progress = progress;
        changed.forEach((before, now) -> {
            Para origin = made.get(before);
            if (origin != null) origins.put(now, origin);
        });
    }

    Document fit(Document document, int wanted, List<Finding> findings) {
        Layout layout = new Layout(fonts);
        Document current = document;
        Document best = document;
        int least = Integer.MAX_VALUE;
        double longer = 0;
        for (int round = 0; round < ROUNDS; round++) {
            progress.step(round, ROUNDS, LAYING_OUT);
            Pages pages = layout.next(current, progress);
            Map<Paragraph, Paragraph> changes = new IdentityHashMap<>();
            int wrong = compare(pages, changes) + Math.abs(pages.count() - wanted);
            if (wrong < least) {
                least = wrong;
                best = current;
            }
            if (wrong == 0 || round == ROUNDS - 1) break;
            boolean late = changes.isEmpty();
            if (late && longer >= MOST_LONGER) break;
            if (late) {
                longer += 6.5;
                current = longer(current, 6.5);
            } else {
                current = changed(current, changes);
            }
        }
        if (least > 0) findings.add(Finding.changed(least == 1 ? "One paragraph stands on another page than before." : least + " paragraphs stand on other pages than before.", ""));
        return best;
    }

    /** How many paragraphs begin on another page than they did; what to change about those that begin too early. */
    private int compare(Pages pages, Map<Paragraph, Paragraph> changes) {
        int wrong = 0;
        Map<Paragraph, List<int[]>> lines = lines(pages);
        boolean shifted = false;
        for (app.decant.document.Walk.Stop stop : pages.walk().stops()) {
            Paragraph paragraph = stop.paragraph();
            Para origin = origins.get(paragraph);
            if (origin == null) continue;
            int page = pages.pageOf(paragraph);
            if (page < 0) continue;
            if (page != origin.page()) {
                wrong++;
                if (!shifted && page < origin.page() && stop.path().size() == 2) {
                    changes.put(paragraph, paragraph.withLook(paragraph.look().with(ParagraphProperty.PAGE_BREAK_BEFORE, true)));
                }
                // Everything after the first that moved has moved with it.
                shifted = true;
                continue;
            }
            Paragraph split = split(paragraph, origin, lines.getOrDefault(paragraph, List.of()));
            if (split != null && !shifted) {
                changes.put(paragraph, split);
                wrong++;
                shifted = true;
            }
        }
        return wrong;
    }

    /** For each paragraph its lines: page and end. */
    private static Map<Paragraph, List<int[]>> lines(Pages pages) {
        Map<Paragraph, List<int[]>> lines = new IdentityHashMap<>();
        for (Page page : pages.pages()) {
            for (Item item : page.text()) {
                if (item instanceof Item.LineItem line && line.editable()) lines.computeIfAbsent(line.paragraph(), key -> new ArrayList<>()).add(new int[] {page.index(), line.line().end()});
            }
        }
        return lines;
    }

    /** The paragraph with a break where the original's page ended, where more of its lines would stay on the page; else null. */
    private static Paragraph split(Paragraph paragraph, Para origin, List<int[]> lines) {
        if (lines.size() != origin.lines().size() || origin.first().page() == origin.last().page()) return null;
        for (int i = 1; i < lines.size(); i++) {
            boolean theirs = origin.lines().get(i).page() > origin.lines().get(i - 1).page();
            boolean ours = lines.get(i)[0] > lines.get(i - 1)[0];
            if (ours && !theirs) return null;
            if (theirs && !ours) {
                int at = lines.get(i - 1)[1];
                List<Inline> inlines = new ArrayList<>(paragraph.slice(0, at));
                inlines.add(new Inline.Text(String.valueOf(Inline.PAGE_BREAK), paragraph.lookBefore(at)));
                inlines.addAll(paragraph.slice(at, paragraph.length()));
                return paragraph.withInlines(inlines);
            }
        }
        return null;
    }

    private Document changed(Document document, Map<Paragraph, Paragraph> changes) {
        changes.forEach((before, now) -> origins.put(now, origins.get(before)));
        List<Section> sections = new ArrayList<>();
        for (Section section : document.sections()) {
            List<Block> blocks = section.blocks();
            boolean any = blocks.stream().anyMatch(block -> block instanceof Paragraph paragraph && changes.containsKey(paragraph));
            sections.add(any ? section.withBlocks(blocks.stream().map(block -> block instanceof Paragraph paragraph && changes.containsKey(paragraph) ? changes.get(paragraph) : block).toList()) : section);
        }
        return document.withSections(sections);
    }

    /** Lets the text of all pages reach a little further down. */
    private static Document longer(Document document, double amount) {
        List<Section> sections = new ArrayList<>();
        for (Section section : document.sections()) {
            Section.PageGeometry page = section.page();
            Section.PageGeometry taller = new Section.PageGeometry(page.width(), page.height(), page.top(), page.right(), Math.max(4, page.bottom() - amount), page.left(), page.header(), page.footer(), page.gutter());
            sections.add(new Section(section.start(), taller, section.columns(), section.numbering(), section.frames(), section.firstPageDiffers(), section.blocks()));
        }
        return document.withSections(sections);
    }
}
