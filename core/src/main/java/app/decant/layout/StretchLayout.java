package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.FontFile;
import app.decant.document.Progress;
import app.decant.document.Section.PageGeometry;
import app.decant.font.BroughtFonts;
import app.decant.font.FontCatalogue;
import app.decant.page.Page;
import app.decant.page.PageNumbers;
import app.decant.words.Message;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Lays out stretches of a document on pages of their own, where the rest of it stands on pages that are there already. What is counted is counted through the
 * whole document; each stretch begins a page and is cut off where the next page begins, within a paragraph or a table too. One thread at a time.
 */
public final class StretchLayout {
    /** The least share of the space between paragraphs that is given to text so that it finds room on as many pages as it had. */
    private static final double CLOSEST = 0.4;
    private static final double STEP = 0.1;

    private final FontCatalogue fonts;
    private final Set<String> without;
    private Composer composer;
    private FlowFacts facts;
    private List<FontFile> brought = List.of();

    /**
     * A place in the text.
     *
     * @param block  a paragraph, an entry of a list of contents, a table: this very object; null for the end of the text
     * @param offset a caret position in a paragraph, a row of a table
     */
    public record Spot(Block block, int offset) { }

    /**
     * A stretch of text.
     *
     * @param to     where it ends
     * @param number of the page that it begins: whether that is a left or a right one
     * @param labels what its pages are counted as where they say it; more pages than those follow from the last
     */
    public record Stretch(Spot from, Spot to, int number, List<String> labels) {
        public Stretch { labels = List.copyOf(labels); }
    }

    /**
     * A stretch on its pages, which do not know yet behind which others they come.
     *
     * @param blocks   that it is of; the first {@code from} a caret position or row, the last up to one, where {@code to} is none
     * @param sections the indexes of those in which its pages begin
     */
    public record Laid(List<Block> blocks, int from, int to, List<Page> pages, List<Integer> sections) { }

    /** Stretches of a document, laid out. */
    public final class Made {
        private final List<Laid> stretches;
        private final PagedDocument now;
        private final LayoutFindings told;
        private final FieldValues fields;

        private Made(List<Laid> stretches, PagedDocument now, LayoutFindings told, FieldValues fields) {
            this.stretches = List.copyOf(stretches);
            this.now = now;
            this.told = told;
            this.fields = fields;
        }

        public List<Laid> stretches() { return stretches; }

        /** Text of theirs that stands on none of their pages, passage by passage. */
        public List<String> unplaced() { return PlacedText.missing(now.document(), stretches); }

        /**
         * The document on pages, these among others.
         *
         * @param others all pages in order
         * @param of     the index of each page's section
         */
        public PagedDocument among(List<Page> others, int[] of) { return now.on(others, of, told, fields); }
    }

    /** @param without families whose fonts are left out, whoever brings them */
    public StretchLayout(FontCatalogue fonts, Set<String> without) {
        this.fonts = fonts.without(without);
        this.without = Set.copyOf(without);
    }

    /**
     * Lays out stretches of a document.
     *
     * @param now    the document as it is laid out as a whole, on whatever pages
     * @param total  how many pages are said to be: those that are put in between others are counted as these, those at the end are more
     * @param places what is printed of pages on which some bookmarks stand; of others what was printed before
     * @throws IllegalArgumentException where a stretch begins or ends at no block of the body
     */
    public Made next(PagedDocument now, List<Stretch> stretches, int total, Map<String, String> places, Progress progress) {
        Document document = now.document();
        style(document);
        Flow flow = new Flow(document);
        Traits traits = composer.traits();
        facts = new FlowFacts(flow, traits, facts);
        flow.endWith(facts.endnotes());
        FieldValues fields = new FieldValues("1", total, total, "", places, facts.bookmarkTexts(), document.facts(), LocalDate.now());
        composer.surround(now.counted(), facts.noteMarks(), fields);
        composer.begin(flow, table -> null);
        Map<Block, Integer> blocksAt = new IdentityHashMap<>();
        for (int block = 0; block < flow.size(); block++) blocksAt.put(flow.block(block), block);
        List<List<PageFlow.Body>> bodies = new ArrayList<>();
        List<List<String>> numbers = new ArrayList<>();
        for (Stretch stretch : stretches) {
            numbers.add(new ArrayList<>());
            bodies.add(fitted(flow, stretch, cursor(stretch.from, blocksAt, flow), cursor(stretch.to, blocksAt, flow), numbers.get(numbers.size() - 1),
                    progress));
        }
        int count = total;
        for (int i = 0; i < stretches.size(); i++)
            if (stretches.get(i).to.block == null) count += Math.max(0, bodies.get(i).size() - stretches.get(i).labels.size());
        FieldValues counted = new FieldValues("1", count, count, "", places, fields.texts(), document.facts(), fields.today());
        List<Laid> laid = new ArrayList<>();
        for (int i = 0; i < stretches.size(); i++) {
            Stretch stretch = stretches.get(i);
            Cursor to = cursor(stretch.to, blocksAt, flow);
            List<Block> blocks = flow.blocks().subList(cursor(stretch.from, blocksAt, flow).block(), to.offset() > 0 ? to.block() + 1 : to.block());
            laid.add(new Laid(blocks, stretch.from.offset, to.offset(), dressed(flow, bodies.get(i), stretch.number, numbers.get(i), counted),
                    bodies.get(i).stream().map(PageFlow.Body::section).toList()));
        }
        return new Made(laid, now, new LayoutFindings(composer.styles().wishes(), composer.styles().missing()), counted);
    }

    private void style(Document document) {
        List<FontFile> files = document.fonts().stream().filter(font -> without.stream().noneMatch(font.family()::equalsIgnoreCase)).toList();
        boolean same = composer != null && composer.tabWidth() == document.tabWidth() && brought.equals(files);
        if (same && composer.styles().cascade().fits(document)) return;
        brought = files;
        facts = null;
        composer = new Composer(new StyleBook(Cascade.of(document), BroughtFonts.in(fonts, brought), document.facts().language()), document.tabWidth());
    }

    private static Cursor cursor(Spot spot, Map<Block, Integer> places, Flow flow) {
        if (spot.block == null) return Cursor.at(flow.size());
        Integer block = places.get(spot.block);
        if (block == null) throw new IllegalArgumentException("A stretch begins and ends at blocks of the body");
        return new Cursor(block, spot.offset, null, List.of());
    }

    /** On as many pages as a stretch had, if its paragraphs only have to stand closer for that. */
    private List<PageFlow.Body> fitted(Flow flow, Stretch stretch, Cursor from, Cursor to, List<String> labels, Progress progress) {
        List<PageFlow.Body> open = fill(flow, stretch, from, to, 1, labels, progress);
        if (open.size() <= stretch.labels.size()) return open;
        for (double gaps = 1 - STEP; gaps > CLOSEST - STEP / 2; gaps -= STEP) {
            List<String> own = new ArrayList<>();
            List<PageFlow.Body> closer = fill(flow, stretch, from, to, gaps, own, progress);
            if (closer.size() > stretch.labels.size()) continue;
            labels.clear();
            labels.addAll(own);
            return closer;
        }
        return open;
    }

    /** @param labels that the pages get */
    private List<PageFlow.Body> fill(Flow flow, Stretch stretch, Cursor from, Cursor to, double gaps, List<String> labels, Progress progress) {
        PageFlow pages = new PageFlow(composer, flow, new PageFlow.PageFrames(composer, flow));
        List<PageFlow.Body> bodies = new ArrayList<>();
        Cursor cursor = from;
        FieldValues fields = composer.fields();
        while (isBefore(cursor, to) || !cursor.carried().isEmpty()) {
            progress.step(0, 0, Message.of("step.laying-out"));
            labels.add(bodies.size() < stretch.labels.size() ? stretch.labels.get(bodies.size())
                    : PageNumbers.behind(labels.isEmpty() ? "1" : labels.get(labels.size() - 1), stretch.to.block == null));
            composer.use(fields.on(labels.get(labels.size() - 1), fields.sectionPages()));
            PageFlow.Body body = pages.fill(cursor, to, (stretch.number + bodies.size()) % 2 == 0, gaps);
            bodies.add(body);
            cursor = body.next();
        }
        composer.use(fields);
        return bodies;
    }

    private static boolean isBefore(Cursor cursor, Cursor to) {
        return cursor.block() < to.block() || cursor.block() == to.block() && cursor.offset() < to.offset();
    }

    /** With headers and footers. */
    private List<Page> dressed(Flow flow, List<PageFlow.Body> bodies, int number, List<String> labels, FieldValues fields) {
        PageFlow.PageFrames frames = new PageFlow.PageFrames(composer, flow);
        List<Page> pages = new ArrayList<>();
        for (int i = 0; i < bodies.size(); i++) {
            PageFlow.Body body = bodies.get(i);
            composer.use(fields.on(labels.get(i), fields.sectionPages()));
            PageGeometry paper = flow.section(body.section()).page();
            pages.add(new Page(i, labels.get(i), paper.width(), paper.height(), body.items(), frames.items(body, (number + i) % 2 == 0)));
        }
        composer.use(fields);
        return pages;
    }
}
