package app.decant;

import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Rewritten;
import app.decant.pdf.form.FileField;
import app.decant.pdf.form.FileForm;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.function.Predicate;
import java.util.function.Supplier;

/**
 * The pages of a file with the text that stands on them, to be looked at and written on. A page that is what it was is the very page that was given before,
 * so that nobody paints it again; and what has to be done for a letter does not grow with the number of pages.
 */
final class GroundPages {
    private final GroundLines lines;
    private final List<Provenance.Sheet> sheets;
    private final Predicate<Paragraph> touched;
    private final Supplier<FileForm> form;
    /** The text as it came, by the pages of the file. */
    private final Map<Integer, List<Item>> came;
    private Map<Integer, Standing> standing = Map.of();
    /** Lines that went up, down or over to another page, by what they were. */
    private final Map<Item.LineItem, Item.LineItem> elsewhere = new IdentityHashMap<>();

    /** A page that was given, and what it was made from. */
    private record Standing(Page page, List<Item> text, List<Item> frame, Page laid, List<Item> unknown) {
        boolean isOf(int index, Pages pages, List<Item> other, List<Item> otherFrame, Map<String, String> answers) {
            return page.index() == index && page.label().equals(pages.page(index).label()) && page.ground().rewritten() == pages.rewritten(index)
                    && page.ground().answers().equals(answers)
                    && isSame(text, other) && isSame(frame, otherFrame);
        }

        private static boolean isSame(List<Item> one, List<Item> other) {
            if (one == other) return true;
            if (one.size() != other.size()) return false;
            for (int i = 0; i < one.size(); i++) if (one.get(i) != other.get(i)) return false;
            return true;
        }
    }

    /**
     * @param walk    over the text as it came
     * @param touched whether a paragraph is not as it came
     * @param form    of the file, asked for when something is filled in
     */
    GroundPages(Walk walk, GroundLines lines, List<Provenance.Sheet> sheets, Predicate<Paragraph> touched, Supplier<FileForm> form) {
        this.lines = lines;
        this.sheets = sheets;
        this.touched = touched;
        this.form = form;
        came = text(walk);
    }

    private Map<Integer, List<Item>> text(Walk walk) {
        Map<Integer, List<Item>> text = new HashMap<>();
        for (Walk.Stop stop : walk.stops())
            lines.of(stop.paragraph()).forEach((page, some) -> text.computeIfAbsent(page, key -> new ArrayList<>()).addAll(some));
        return text;
    }

    /**
     * The pages as they are now.
     *
     * @param now   the text as it is laid out
     * @param pages what would be published of it
     * @param reset the lines that stand in place of those of paragraphs as they came; null where other paragraphs came or went
     * @param heads the lines of headers and footers on a page of the file
     */
    List<Page> of(PagedDocument now, Pages pages, Map<Paragraph, Map<Integer, List<Item.LineItem>>> reset, IntFunction<List<Item>> heads) {
        Map<Integer, List<Item>> text = reset == null ? text(now.walk()) : reset.isEmpty() ? came : with(reset, pages);
        Map<Integer, Standing> made = new HashMap<>();
        List<Page> all = new ArrayList<>();
        for (int i = 0; i < pages.count(); i++) {
            if (!pages.isOwn(i)) {
                all.add(now.page(i));
                continue;
            }
            int ground = pages.ground(i);
            List<Item> items = text.getOrDefault(pages.number(i), List.of());
            List<Item> frame = pages.isAdded(i) ? List.of() : heads.apply(ground);
            Page laid = now.count() == pages.count() ? now.page(i) : null;
            int number = pages.number(i);
            Standing known = standing.get(number);
            List<Item> unknown = laid == null ? List.of() : known != null && known.laid == laid ? known.unknown : unknown(laid);
            if (known == null || !known.isOf(i, pages, items, frame, onThis(ground, pages)) || !unknown.equals(known.unknown))
                known = new Standing(page(i, ground, pages, items, unknown, frame), items, frame, laid, unknown);
            else if (known.laid != laid) known = new Standing(known.page, known.text, known.frame, laid, unknown);
            made.put(number, known);
            all.add(known.page);
        }
        standing = made;
        return all;
    }

    /** What is filled into fields that stand on a page: only that page is painted again. */
    private Map<String, String> onThis(int ground, Pages pages) {
        Map<String, String> answers = pages.original().orElseThrow().answers();
        if (answers.isEmpty()) return Map.of();
        Map<String, String> some = new HashMap<>();
        for (FileField field : form.get().fields()) {
            boolean here = answers.containsKey(field.name()) && field.places().stream().anyMatch(place -> place.page() == ground);
            if (here) some.put(field.name(), answers.get(field.name()));
        }
        return some;
    }

    private Page page(int index, int ground, Pages pages, List<Item> items, List<Item> unknown, List<Item> frame) {
        List<Item> text = new ArrayList<>(items);
        text.addAll(unknown);
        Provenance.Sheet sheet = sheets.get(ground);
        Page.Ground own = new Page.Ground(ground, sheet.turn(), pages.rewritten(index), onThis(ground, pages));
        return new Page(index, pages.page(index).label(), sheet.width(), sheet.height(), text, frame, own);
    }

    private Map<Integer, List<Item>> with(Map<Paragraph, Map<Integer, List<Item.LineItem>>> reset, Pages pages) {
        Set<Integer> reached = new HashSet<>();
        reset.forEach((paragraph, some) -> {
            reached.addAll(lines.of(paragraph).keySet());
            reached.addAll(some.keySet());
        });
        Map<Integer, List<Item>> text = new HashMap<>(came);
        Map<Integer, Rewritten> rewritten = new HashMap<>();
        Map<Integer, Rewritten> giving = new HashMap<>();
        Map<Integer, Integer> before = new HashMap<>();
        for (int i = 0; i < pages.count(); i++) {
            Rewritten page = pages.rewritten(i);
            if (page == null) continue;
            int number = pages.number(i);
            rewritten.put(number, page);
            for (Rewritten.Given given : page.given()) {
                giving.put(given.page(), page);
                before.put(given.page(), number);
            }
        }
        // Lines that a page gives to the next, or takes, are of paragraphs that nobody changed.
        reached.addAll(rewritten.keySet());
        for (int page : reached) {
            List<Item> items = new ArrayList<>();
            Map<Paragraph, Boolean> put = new IdentityHashMap<>();
            for (Item item : giving.containsKey(page) ? came.getOrDefault(before.get(page), List.of()) : List.<Item>of()) {
                Item.LineItem line = (Item.LineItem) item;
                Rewritten.Given given = giving.get(page).given(line.left(), line.baseline());
                Paragraph paragraph = TextPassage.paragraph(line);
                if (given != null && !reset.containsKey(paragraph)) items.add(moved(line, given.across(), given.down()));
                else if (reset.containsKey(paragraph) && put.put(paragraph, true) == null) items.addAll(reset.get(paragraph).getOrDefault(page, List.of()));
            }
            for (Item item : came.getOrDefault(page, List.of())) {
                Item.LineItem line = (Item.LineItem) item;
                Paragraph paragraph = TextPassage.paragraph(line);
                double down = rewritten.containsKey(page) ? rewritten.get(page).pushed(line.left(), line.baseline()) : 0;
                if (rewritten.containsKey(page) && rewritten.get(page).given(line.left(), line.baseline()) != null && !reset.containsKey(paragraph)) continue;
                if (!reset.containsKey(paragraph)) items.add(down == 0 ? line : moved(line, 0, down));
                else if (put.put(paragraph, true) == null) items.addAll(reset.get(paragraph).getOrDefault(page, List.of()));
            }
            // What stood nowhere, such as an empty cell, and is somewhere now.
            reset.forEach((paragraph, some) -> {
                if (lines.of(paragraph).isEmpty() && !put.containsKey(paragraph)) items.addAll(some.getOrDefault(page, List.of()));
            });
            text.put(page, items);
        }
        return text;
    }

    /** A line elsewhere; the very one that was given before, where it has not gone on. */
    private Item.LineItem moved(Item.LineItem line, double across, double down) {
        Item.LineItem before = elsewhere.get(line);
        if (before != null && before.x() == line.x() + across && before.y() == line.y() + down) return before;
        Item.LineItem now = line.moved(across, down);
        elsewhere.put(line, now);
        return now;
    }

    /** What is not known to stand anywhere on the file's page stands about where it is laid out: pictures, paragraphs without a letter. */
    private List<Item> unknown(Page laid) {
        return laid.text().stream().filter(item -> item instanceof Item.PictureItem
                || item instanceof Item.LineItem line && line.editable() && lines.of(TextPassage.paragraph(line)).isEmpty() && !isTyped(line)).toList();
    }

    /** Whether a line is of a paragraph that somebody changed: those stand where they were put. */
    private boolean isTyped(Item.LineItem line) { return touched.test(TextPassage.paragraph(line)); }
}
