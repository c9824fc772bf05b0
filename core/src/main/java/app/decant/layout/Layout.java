package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.FontFile;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.Walk;
import app.decant.font.BroughtFonts;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.words.Message;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Lays out a document, and lays it out again after an edit by doing only what changed: paragraphs that are the same objects are not set again, nor are
 * rows of tables; a page is filled again only where something on it or next to it differs. One thread at a time.
 */
public final class Layout {
    private static final int MOST_PASSES = 4;

    private final FontCatalogue fonts;
    private final LocalDate today;
    private Composer composer;
    private List<FontFile> brought = List.of();
    private Run last;
    private int inUse;

    /**
     * What one layout leaves for the next.
     *
     * @param rooms what headers and footers left of each kind of page
     */
    private record Run(Document document, Flow flow, List<PageFlow.Body> bodies, ListLabels labels, Map<Inline.Note, String> notes, FieldValues fields,
            double[] rooms, FlowFacts facts, PagedDocument pages) { }

    public Layout(FontCatalogue fonts) { this(fonts, LocalDate.now()); }

    /** @param today what date fields without a stored result show */
    public Layout(FontCatalogue fonts, LocalDate today) {
        this.fonts = fonts;
        this.today = today;
    }

    /** The pages of a document, laid out once. */
    public static PagedDocument of(Document document, FontCatalogue fonts) { return new Layout(fonts).next(document, Progress.SILENT); }

    public PagedDocument next(Document document) { return next(document, Progress.SILENT); }

    /**
     * The pages of a document; fast where it is an edit of the one before.
     *
     * @throws app.decant.document.DecantException ({@code CANCELLED}) when {@code progress} says so
     */
    public PagedDocument next(Document document, Progress progress) { return next(document, progress, -1, page -> { }); }

    /**
     * The same, and where much has to be set anew, first one page as it will look if nothing before it moves: whoever looks at it need not wait for the rest.
     *
     * @param looked the index of the page that is looked at; -1 for none
     * @param seen   told at most once
     */
    public PagedDocument next(Document document, Progress progress, int looked, Consumer<Page> seen) {
        Restyling restyling = styled(document);
        Cascade cascade = composer.styles().cascade();
        Flow flow = new Flow(document);
        Traits traits = composer.traits();
        FlowFacts facts = new FlowFacts(flow, traits, last == null || restyling != null ? null : last.facts);
        flow.endWith(facts.endnotes());
        boolean listed = last == null || !facts.stays(Traits.LIST) || last.document.sections().size() != document.sections().size()
                || !sameFrames(last.document, document);
        ListLabels labels = !listed ? last.labels : ListLabels.of(document, cascade, block -> traits.has(block, Traits.LIST));
        Map<Inline.Note, String> notes = facts.noteMarks();
        FieldValues fields = new FieldValues("1", last == null ? 0 : last.fields.pages(), last == null ? 0 : last.fields.sectionPages(), "",
                last == null ? Map.of() : last.fields.bookmarks(), facts.bookmarkTexts(), document.facts(), today);
        composer.surround(labels, notes, fields);
        double[] rooms = new PageFlow.PageFrames(composer, flow).rooms();
        Changes changes = last == null || !samePages(last.document, document) || !Arrays.equals(rooms, last.rooms) ? null
                : Changes.of(flow, last.flow, traits, labels, last.labels, stale(last, flow, notes, fields, restyling));
        composer.begin(flow, changes == null ? table -> null : changes::kin);
        if (restyling != null) glimpse(flow, looked).ifPresent(seen);
        if (last == null || restyling != null) new SettingAhead(composer, flow, restyling).run(progress);
        boolean numbered = facts.anyInFlow(Traits.PAGE);
        List<PageFlow.Body> bodies = fill(flow, changes == null ? List.of() : last.bodies, changes, numbered, progress);
        List<String> pageLabels = labels(flow, bodies);
        boolean findsPlaces = facts.any(Traits.PLACE_PAGE);
        for (int pass = 1; pass < MOST_PASSES; pass++) {
            FieldValues values = new FieldValues("1", bodies.size(), bodies.size(), "", findsPlaces ? facts.bookmarkPages(bodies, pageLabels) : Map.of(),
                    fields.texts(), document.facts(), today);
            boolean settled = values.pages() == fields.pages() && values.bookmarks().equals(fields.bookmarks());
            fields = values;
            composer.use(fields);
            if (settled || !facts.anyInFlow(Traits.PAGE_REFERENCE)) break;
            Changes touched = Changes.of(flow, flow, traits, labels, labels, new Changes.Stale(Traits.PAGE_REFERENCE, block -> true));
            bodies = fill(flow, bodies, touched, numbered, progress);
            pageLabels = labels(flow, bodies);
        }
        Outline outline = outline(document, labels, facts);
        List<Page> made = assembled(flow, bodies, pageLabels, fields, restyling == null);
        PagedDocument pages = new PagedDocument(document, last == null ? null : last.pages, made, outline, labels,
                new LayoutFindings(composer.styles().wishes(), composer.styles().missing()), fields, fonts,
                bodies.stream().mapToInt(PageFlow.Body::section).toArray());
        last = new Run(document, flow, bodies, labels, notes, fields, rooms, facts, pages);
        forget(document);
        return pages;
    }

    /** The headings; those that were there before where no edit came near them and no number was missing among them. */
    private Outline outline(Document document, ListLabels labels, FlowFacts facts) {
        Outline before = last == null ? null : last.pages.outline();
        boolean same = before != null && before.gaps().isEmpty() && labels == last.labels && facts.staysInPlace(Traits.HEADING)
                && sameStarts(document, last.document);
        Traits traits = composer.traits();
        return same ? before : Outline.of(document, composer.styles().cascade(), labels, block -> traits.has(block, Traits.HEADING), before);
    }

    /** Whether their sections hold as many blocks each. */
    private static boolean sameStarts(Document one, Document other) {
        if (one.sections().size() != other.sections().size()) return false;
        for (int i = 0; i < one.sections().size(); i++) if (one.sections().get(i).blocks().size() != other.sections().get(i).blocks().size()) return false;
        return true;
    }

    /** A page filled from where it began before, other looks notwithstanding; empty where the text before it is another, or its notes come from there. */
    private Optional<Page> glimpse(Flow flow, int looked) {
        if (last == null || looked < 0 || looked >= last.bodies.size() || flow.size() != last.flow.size()) return Optional.empty();
        PageFlow.Body before = last.bodies.get(looked);
        int block = before.start().block();
        if (before.blank() || !before.start().carried().isEmpty() || flow.block(block) != last.flow.block(block)) return Optional.empty();
        Page old = last.pages.page(looked);
        boolean even = looked % 2 == 1;
        PageFlow.PageFrames frames = new PageFlow.PageFrames(composer, flow);
        FieldValues fields = composer.fields();
        composer.use(last.fields.on(old.label(), last.fields.sectionPages()));
        PageFlow.Body body = new PageFlow(composer, flow, frames).fill(before.start(), even);
        Page page = new Page(looked, old.label(), old.width(), old.height(), body.items(), frames.items(body, even));
        composer.use(fields);
        return Optional.of(page);
    }

    /** Makes the composer that of a document's styles; gives what looks otherwise by them, or null where all stays or nothing is known. */
    private Restyling styled(Document document) {
        boolean sameFonts = composer != null && composer.tabWidth() == document.tabWidth() && brought.equals(document.fonts());
        if (sameFonts && composer.styles().cascade().fits(document)) return null;
        Cascade cascade = Cascade.of(document);
        Restyling restyling = sameFonts && last != null ? new Restyling(composer, cascade) : null;
        brought = document.fonts();
        composer = new Composer(new StyleBook(cascade, BroughtFonts.in(fonts, brought), document.facts().language()), document.tabWidth(), restyling);
        if (restyling == null) last = null;
        return restyling;
    }

    /** Tells of blocks that are the same objects whether they have to be set anew all the same; null where none has. */
    private Changes.Stale stale(Run before, Flow flow, Map<Inline.Note, String> notes, FieldValues fields, Restyling restyling) {
        Traits traits = composer.traits();
        int fieldTraits = (before.fields.texts().equals(fields.texts()) ? 0 : Traits.REFERENCE) | (before.document.facts().equals(fields.facts()) ? 0
                : Traits.FIELD);
        boolean noted = !notes.isEmpty() || !before.notes.isEmpty();
        if (fieldTraits == 0 && !noted && restyling == null) return null;
        Set<Block> counted = counted(flow, before.notes, notes);
        int mayBe = restyling != null || !counted.isEmpty() ? Changes.Stale.ANY : fieldTraits | (noted ? Traits.NOTE : 0);
        return new Changes.Stale(mayBe, block -> fieldTraits != 0 && traits.has(block, fieldTraits)
                || noted && traits.has(block, Traits.NOTE) && !sameMarks(block, before.notes, notes) || counted.contains(block)
                || restyling != null && restyling.differs(block));
    }

    /** Blocks of endnotes whose mark is another than before. */
    private static Set<Block> counted(Flow flow, Map<Inline.Note, String> before, Map<Inline.Note, String> now) {
        Set<Block> counted = Collections.newSetFromMap(new IdentityHashMap<>());
        for (int b = flow.bodySize(); b < flow.size(); b++)
            if (!Objects.equals(before.get(flow.endnote(b)), now.get(flow.endnote(b)))) counted.add(flow.block(b));
        return counted;
    }

    private static boolean sameMarks(Block block, Map<Inline.Note, String> before, Map<Inline.Note, String> now) {
        List<Paragraph> paragraphs = block instanceof Paragraph one ? List.of(one) : block instanceof Contents contents ? contents.entries() : List.of();
        for (Paragraph paragraph : paragraphs)
            for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.Note note && !Objects.equals(before.get(note), now.get(note))) return false;
        if (!(block instanceof Table table)) return true;
        for (Table.Row row : table.rows())
            for (Table.Cell cell : row.cells()) for (Block inner : cell.blocks()) if (!sameMarks(inner, before, now)) return false;
        return true;
    }

    /**
     * Fills pages; one that began at the same place before and holds nothing that differs is taken over.
     *
     * @param changes  from the flow of the old pages; null where there are none
     * @param numbered whether text tells the number of its page
     */
    private List<PageFlow.Body> fill(Flow flow, List<PageFlow.Body> old, Changes changes, boolean numbered, Progress progress) {
        PageFlow.PageFrames frames = new PageFlow.PageFrames(composer, flow);
        PageFlow pages = new PageFlow(composer, flow, frames);
        Map<Cursor.Spot, Integer> starts = new HashMap<>();
        for (int i = 0; i < old.size(); i++)
            if (old.get(i).start().carried().isEmpty() && !old.get(i).blank()) starts.put(old.get(i).start().spot(0), i);
        boolean parityFree = parityFree(flow);
        List<PageFlow.Body> bodies = new ArrayList<>();
        Cursor cursor = Cursor.START;
        int number = 0;
        while (cursor.block() < flow.size() || !cursor.carried().isEmpty() || bodies.isEmpty()) {
            progress.step(bodies.size(), 0, Message.of("step.laying-out"));
            int section = pages.sectionAt(cursor);
            Section.Start start = flow.section(section).start();
            boolean sectionStart = pages.startsSection(cursor);
            int next = nextNumber(flow.section(section), sectionStart, number);
            if (sectionStart && !bodies.isEmpty() && (start == Section.Start.ODD_PAGE && next % 2 == 0 || start == Section.Start.EVEN_PAGE && next % 2 == 1)) {
                bodies.add(new PageFlow.Body(cursor, cursor, section, false, true, List.of()));
                number = next;
                next = number + 1;
            }
            PageFlow.Body body = taken(cursor, flow, old, starts, changes, index -> numbered ? index == bodies.size() : parityFree || (index & 1) == (bodies
                    .size() & 1));
            if (body == null) {
                composer.use(composer.fields().on(flow.section(section).numbering().format().write(next), composer.fields().pages()));
                body = pages.fill(cursor, next % 2 == 0);
            }
            bodies.add(body);
            number = next;
            cursor = body.next();
        }
        return bodies;
    }

    /** The old page that begins at a cursor, where it may stay as it is; else null. */
    private static PageFlow.Body taken(Cursor cursor, Flow flow, List<PageFlow.Body> old, Map<Cursor.Spot, Integer> starts, Changes changes,
            Predicate<Integer> may) {
        if (changes == null || !cursor.carried().isEmpty() || cursor.block() >= flow.size()) return null;
        Integer index = starts.get(cursor.spot(changes.before(cursor.block()) - cursor.block()));
        if (index == null || !may.test(index)) return null;
        PageFlow.Body body = old.get(index);
        int by = changes.shift(body.next().block());
        Cursor next = by == 0 ? body.next() : body.next().shifted(by);
        if (next.block() < cursor.block() || !changes.isSame(cursor, next)) return null;
        if (by == 0 && body.start().block() == cursor.block()) return body;
        return new PageFlow.Body(cursor, next, body.section(), body.sectionStart(), body.blank(), body.items());
    }

    /** Whether pages look the same on left and right sides. */
    private static boolean parityFree(Flow flow) {
        if (flow.document().evenAndOddFrames()) return false;
        for (int i = 0; i < flow.sectionCount(); i++) {
            Section.Start start = flow.section(i).start();
            if (start == Section.Start.EVEN_PAGE || start == Section.Start.ODD_PAGE) return false;
        }
        return true;
    }

    private static int nextNumber(Section section, boolean sectionStart, int number) {
        return sectionStart && section.numbering().start() != null ? section.numbering().start() : number + 1;
    }

    private static int number(Flow flow, PageFlow.Body body, int before) {
        return nextNumber(flow.section(body.section()), body.sectionStart() && !body.blank(), before);
    }

    private static List<String> labels(Flow flow, List<PageFlow.Body> bodies) {
        List<String> labels = new ArrayList<>();
        int number = 0;
        for (PageFlow.Body body : bodies) {
            number = number(flow, body, number);
            labels.add(flow.section(body.section()).numbering().format().write(number));
        }
        return labels;
    }

    /** The pages with their headers and footers; one whose text, place and number stay is the same page. */
    private List<Page> assembled(Flow flow, List<PageFlow.Body> bodies, List<String> labels, FieldValues fields, boolean sameStyles) {
        PageFlow.PageFrames frames = new PageFlow.PageFrames(composer, flow);
        PageDressing dressing = PageDressing.isPlain(flow) ? null : new PageDressing(composer, flow);
        Map<List<Item>, Page> known = new IdentityHashMap<>();
        if (last != null && sameStyles && dressing == null && last.fields.pages() == fields.pages() && last.fields.bookmarks().equals(fields.bookmarks())
                && samePages(last.document, flow.document()) && sameFrames(last.document, flow.document())
                && last.document.facts().equals(flow.document().facts())) {
            for (Page page : last.pages.pages()) known.put(page.text(), page);
        }
        int[] perSection = new int[flow.sectionCount()];
        for (PageFlow.Body body : bodies) perSection[body.section()]++;
        List<Page> pages = new ArrayList<>(bodies.size());
        int number = 0;
        int lines = 0;
        for (int i = 0; i < bodies.size(); i++) {
            PageFlow.Body body = bodies.get(i);
            number = number(flow, body, number);
            Page before = known.get(body.items());
            if (before != null && before.index() == i && before.label().equals(labels.get(i))) {
                pages.add(before);
                continue;
            }
            composer.use(fields.on(labels.get(i), perSection[body.section()]));
            Section.PageGeometry paper = flow.section(body.section()).page();
            List<Item> round = frames.items(body, number % 2 == 0);
            if (dressing != null) {
                lines = dressing.before(bodies, i, lines);
                round = Stream.concat(round.stream(), dressing.numbers(body, lines).stream()).toList();
                lines += dressing.lines(body);
            }
            pages.add(new Page(i, labels.get(i), paper.width(), paper.height(), body.items(), round));
        }
        composer.use(fields);
        return pages;
    }

    /** Whether pages of two documents are alike in size, columns and numbers. */
    private static boolean samePages(Document one, Document other) {
        if (one.sections().size() != other.sections().size() || one.evenAndOddFrames() != other.evenAndOddFrames()) return false;
        for (int i = 0; i < one.sections().size(); i++) {
            Section a = one.sections().get(i);
            Section b = other.sections().get(i);
            if (a.firstPageDiffers() != b.firstPageDiffers() || a.start() != b.start() || !a.page().equals(b.page()) || !a.columns().equals(b.columns())
                    || !a.numbering().equals(b.numbering()) || !a.dress().equals(b.dress())) return false;
        }
        return true;
    }

    /** Whether their headers and footers are the same objects. */
    private static boolean sameFrames(Document one, Document other) {
        for (int i = 0; i < one.sections().size(); i++) {
            Map<Section.FramePlace, List<Block>> a = one.sections().get(i).frames();
            Map<Section.FramePlace, List<Block>> b = other.sections().get(i).frames();
            if (a == b) continue;
            if (!a.keySet().equals(b.keySet())) return false;
            for (Section.FramePlace place : a.keySet()) if (!sameBlocks(a.get(place), b.get(place))) return false;
        }
        return true;
    }

    private static boolean sameBlocks(List<Block> one, List<Block> other) {
        if (one.size() != other.size()) return false;
        for (int i = 0; i < one.size(); i++) if (one.get(i) != other.get(i)) return false;
        return true;
    }

    /** Lets go of paragraphs of older states once they outnumber those in use. */
    private void forget(Document document) {
        composer.traits().forget(inUse);
        if (composer.rememberedCount() < 2 * inUse + 2000) return;
        Set<Paragraph> wanted = Collections.newSetFromMap(new IdentityHashMap<>());
        for (Walk.Stop stop : Walk.of(document).stops()) wanted.add(stop.paragraph());
        composer.keepOnly(wanted);
        inUse = wanted.size();
    }
}
