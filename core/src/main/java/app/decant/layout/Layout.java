package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Cascade;
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
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Lays out a document, and lays it out again after an edit by doing only what changed: paragraphs that are the same objects are not set
 * again, pages before the edit stay, and filling pages ends as soon as a page begins where one began before. One thread at a time.
 */
public final class Layout {
    private static final int MOST_PASSES = 4;

    private final FontCatalogue fonts;
    private final LocalDate today;
    private Composer composer;
    private List<FontFile> brought = List.of();
    private Run last;

    /** What one layout leaves for the next. */
    private record Run(Document document, Flow flow, List<PageFlow.Body> bodies, ListLabels labels, Map<Inline.Note, String> notes, FieldValues fields,
            PagedDocument pages) { }

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
    public PagedDocument next(Document document, Progress progress) {
        boolean sameStyles = composer != null && composer.styles().cascade().fits(document) && composer.tabWidth() == document.tabWidth()
                && brought.equals(document.fonts());
        if (!sameStyles) {
            brought = document.fonts();
            composer = new Composer(new StyleBook(Cascade.of(document), BroughtFonts.in(fonts, brought)), document.tabWidth());
            last = null;
        }
        Cascade cascade = composer.styles().cascade();
        Flow flow = new Flow(document);
        ListLabels labels = ListLabels.of(document, cascade);
        Walk walk = Walk.of(document);
        Map<Inline.Note, String> notes = noteMarks(flow);
        boolean incremental = last != null && sameFrames(last.document, document) && last.notes.size() == notes.size();
        FieldValues fields = last != null ? new FieldValues("1", last.fields.pages(), last.fields.sectionPages(), "", last.fields.bookmarks(),
                bookmarkTexts(walk), document.facts(), today)
                : new FieldValues("1", 0, 0, "", Map.of(), bookmarkTexts(walk), document.facts(), today);
        boolean followsTexts = incremental && !last.fields.texts().equals(fields.texts()) && hasReferences(flow);
        composer.surround(labels, notes, fields);
        int[] changed = incremental && !followsTexts ? changedRange(flow, labels) : new int[] {0, 0};
        List<PageFlow.Body> bodies = fill(flow, incremental && !followsTexts ? last.bodies : List.of(), changed, incremental && !followsTexts ? last.flow
                : null, progress);
        List<String> pageLabels = labels(flow, bodies);
        for (int pass = 1; pass < MOST_PASSES; pass++) {
            FieldValues values = new FieldValues("1", bodies.size(), bodies.size(), "", bookmarkPages(bodies, pageLabels), fields.texts(), document.facts(),
                    today);
            boolean settled = values.pages() == fields.pages() && values.bookmarks().equals(fields.bookmarks());
            fields = values;
            composer.use(fields);
            int[] touched = settled ? null : pageFieldRange(flow);
            if (touched == null) break;
            bodies = fill(flow, bodies, touched, flow, progress);
            pageLabels = labels(flow, bodies);
        }
        PagedDocument pages = new PagedDocument(document, assembled(flow, bodies, pageLabels, fields), walk, Outline.of(walk, cascade, labels),
                composer.styles().wishes(), composer.styles().missing(), fields, fonts, bodies.stream().mapToInt(PageFlow.Body::section).toArray());
        last = new Run(document, flow, bodies, labels, notes, fields, pages);
        forget(walk);
        return pages;
    }

    /** The first block that is new, and how many at the end are the same as before. */
    private int[] changedRange(Flow flow, ListLabels labels) {
        Flow before = last.flow;
        int first = 0;
        int most = Math.min(flow.size(), before.size());
        while (first < most && flow.block(first) == before.block(first) && sameLabel(flow.block(first), labels)) first++;
        int same = 0;
        while (same < most - first && flow.block(flow.size() - 1 - same) == before.block(before.size() - 1 - same)
                && sameLabel(flow.block(flow.size() - 1 - same), labels)) same++;
        return new int[] {first, same};
    }

    private boolean sameLabel(Block block, ListLabels labels) {
        if (block instanceof Paragraph paragraph) return java.util.Objects.equals(labels.label(paragraph), last.labels.label(paragraph));
        if (block instanceof Table table) {
            for (Table.Row row : table.rows())
                for (Table.Cell cell : row.cells()) for (Block inner : cell.blocks()) if (!sameLabel(inner, labels)) return false;
        }
        return true;
    }

    /** Fills pages; {@code old} pages before the first changed block are kept, and those after the last once a new page begins where an old one began. */
    private List<PageFlow.Body> fill(Flow flow, List<PageFlow.Body> old, int[] changed, Flow oldFlow, Progress progress) {
        PageFlow.PageFrames frames = new PageFlow.PageFrames(composer, flow);
        PageFlow pages = new PageFlow(composer, flow, frames);
        List<PageFlow.Body> bodies = new ArrayList<>();
        Cursor cursor = Cursor.START;
        int shift = oldFlow == null ? 0 : flow.size() - oldFlow.size();
        int firstSame = oldFlow == null ? Integer.MAX_VALUE : flow.size() - changed[1];
        if (oldFlow != null) {
            int keep = 0;
            while (keep < old.size() && old.get(keep).next().block() < changed[0]) keep++;
            keep = Math.max(0, keep - 1);
            bodies.addAll(old.subList(0, keep));
            if (keep > 0) cursor = bodies.get(keep - 1).next();
        }
        Map<Long, Integer> starts = new HashMap<>();
        for (int i = 0; i < old.size(); i++)
            if (old.get(i).start().isClean() && !old.get(i).blank()) starts.put(key(old.get(i).start().block() + shift, old.get(i).start().offset()), i);
        int number = 0;
        for (PageFlow.Body body : bodies) number = number(flow, body, number);
        while (cursor.block() < flow.size() || !cursor.carried().isEmpty() || bodies.isEmpty()) {
            progress.step(bodies.size(), 0, "Laying out");
            Integer match = cursor.isClean() && cursor.block() >= firstSame && cursor.block() < flow.size()
                    ? starts.get(key(cursor.block(), cursor.offset())) : null;
            if (match != null && (parityFree(flow) || (match & 1) == (bodies.size() & 1))) {
                for (PageFlow.Body body : old.subList(match, old.size())) bodies.add(shift == 0 ? body : shifted(body, shift));
                return bodies;
            }
            int section = pages.sectionAt(cursor);
            Section.Start start = flow.section(section).start();
            boolean sectionStart = pages.startsSection(cursor);
            int next = nextNumber(flow.section(section), sectionStart, number);
            if (sectionStart && !bodies.isEmpty() && (start == Section.Start.ODD_PAGE && next % 2 == 0 || start == Section.Start.EVEN_PAGE && next % 2 == 1)) {
                bodies.add(new PageFlow.Body(cursor, cursor, section, false, true, List.of()));
                number = next;
                next = number + 1;
            }
            composer.use(composer.fields().on(flow.section(section).numbering().format().write(next), composer.fields().pages()));
            PageFlow.Body body = pages.fill(cursor, next % 2 == 0);
            bodies.add(body);
            number = next;
            cursor = body.next();
        }
        return bodies;
    }

    private static long key(int block, int offset) { return (long) block << 32 | offset; }

    private static PageFlow.Body shifted(PageFlow.Body body, int by) {
        Cursor start = new Cursor(body.start().block() + by, body.start().offset(), body.start().cut(), body.start().carried());
        Cursor next = new Cursor(body.next().block() + by, body.next().offset(), body.next().cut(), body.next().carried());
        return new PageFlow.Body(start, next, body.section(), body.sectionStart(), body.blank(), body.items());
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

    private List<Page> assembled(Flow flow, List<PageFlow.Body> bodies, List<String> labels, FieldValues fields) {
        PageFlow.PageFrames frames = new PageFlow.PageFrames(composer, flow);
        Map<PageFlow.Body, Page> known = new IdentityHashMap<>();
        if (last != null && last.pages != null && last.fields.pages() == fields.pages() && sameFrames(last.document, flow.document()) && last.document.facts()
                .equals(flow.document().facts())) {
            for (int i = 0; i < last.bodies.size(); i++) known.put(last.bodies.get(i), last.pages.page(i));
        }
        int[] perSection = new int[flow.sectionCount()];
        for (PageFlow.Body body : bodies) perSection[body.section()]++;
        List<Page> pages = new ArrayList<>(bodies.size());
        int number = 0;
        for (int i = 0; i < bodies.size(); i++) {
            PageFlow.Body body = bodies.get(i);
            number = number(flow, body, number);
            Page before = known.get(body);
            if (before != null && before.index() == i && before.label().equals(labels.get(i))) {
                pages.add(before);
                continue;
            }
            composer.use(fields.on(labels.get(i), perSection[body.section()]));
            List<Item> frame = frames.items(body, number % 2 == 0);
            pages.add(new Page(i, labels.get(i), flow.section(body.section()).page().width(), flow.section(body.section()).page().height(),
                    body.items(), frame));
        }
        composer.use(fields);
        return pages;
    }

    private static boolean sameFrames(Document one, Document other) {
        if (one.sections().size() != other.sections().size() || one.evenAndOddFrames() != other.evenAndOddFrames()) return false;
        for (int i = 0; i < one.sections().size(); i++) {
            Section a = one.sections().get(i);
            Section b = other.sections().get(i);
            if (a == b) continue;
            if (a.firstPageDiffers() != b.firstPageDiffers() || a.start() != b.start() || !a.page().equals(b.page()) || !a.columns().equals(b.columns())
                    || !a.numbering().equals(b.numbering())) return false;
            if (a.frames() != b.frames() && !sameBlocks(a, b)) return false;
        }
        return true;
    }

    private static boolean sameBlocks(Section a, Section b) {
        if (!a.frames().keySet().equals(b.frames().keySet())) return false;
        for (Section.FramePlace place : a.frames().keySet()) {
            List<Block> one = a.frames().get(place);
            List<Block> other = b.frames().get(place);
            if (one.size() != other.size()) return false;
            for (int i = 0; i < one.size(); i++) if (one.get(i) != other.get(i)) return false;
        }
        return true;
    }

    private static Map<Inline.Note, String> noteMarks(Flow flow) {
        Map<Inline.Note, String> marks = new IdentityHashMap<>();
        int[] counts = new int[2];
        for (int b = 0; b < flow.size(); b++) noteMarks(flow.block(b), marks, counts);
        return marks;
    }

    private static void noteMarks(Block block, Map<Inline.Note, String> marks, int[] counts) {
        if (block instanceof Paragraph paragraph) {
            for (Inline inline : paragraph.inlines()) {
                if (!(inline instanceof Inline.Note note) || note.mark() != null) continue;
                boolean foot = note.kind() == Inline.Note.Kind.FOOTNOTE;
                int count = ++counts[foot ? 0 : 1];
                String mark = foot ? Integer.toString(count) : app.decant.document.NumberFormat.LOWER_ROMAN.write(count);
                marks.put(note, mark);
            }
        } else if (block instanceof Table table) {
            for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) for (Block inner : cell.blocks()) noteMarks(inner, marks, counts);
        }
    }

    private static Map<String, String> bookmarkPages(List<PageFlow.Body> bodies, List<String> labels) {
        Map<String, String> pages = new HashMap<>();
        for (int i = 0; i < bodies.size(); i++) {
            for (Item item : bodies.get(i).items()) {
                if (!(item instanceof Item.LineItem line)) continue;
                int at = 0;
                for (Inline inline : TextPassage.paragraph(line).inlines()) {
                    if (inline instanceof Inline.BookmarkPoint point && point.start() && at >= line.line().start() && at <= line.line().end())
                        pages.putIfAbsent(point.name(), labels.get(i));
                    at += inline.length();
                }
            }
        }
        return pages;
    }

    private static Map<String, String> bookmarkTexts(Walk walk) {
        Map<String, String> texts = new HashMap<>();
        for (Walk.Stop stop : walk.stops()) {
            List<Inline> inlines = stop.paragraph().inlines();
            for (int i = 0; i < inlines.size(); i++) {
                if (!(inlines.get(i) instanceof Inline.BookmarkPoint point) || !point.start()) continue;
                StringBuilder text = new StringBuilder();
                for (int j = i + 1; j < inlines.size(); j++) {
                    Inline inline = inlines.get(j);
                    if (inline instanceof Inline.BookmarkPoint end && !end.start() && end.name().equals(point.name())) break;
                    if (inline instanceof Inline.Text run) text.append(run.text());
                }
                texts.putIfAbsent(point.name(), text.toString());
            }
        }
        return texts;
    }

    /** The first block whose text depends on where others stand, and how many blocks follow the last such one; null where there is none. */
    private static int[] pageFieldRange(Flow flow) {
        Set<Inline.Field.Kind> kinds = Set.of(Inline.Field.Kind.PAGE_REFERENCE, Inline.Field.Kind.PAGES, Inline.Field.Kind.SECTION_PAGES);
        int first = -1;
        int last = -1;
        for (int b = 0; b < flow.size(); b++) {
            if (!hasField(flow.block(b), kinds)) continue;
            if (first < 0) first = b;
            last = b;
        }
        return first < 0 ? null : new int[] {first, flow.size() - 1 - last};
    }

    private static boolean hasReferences(Flow flow) {
        for (int b = 0; b < flow.size(); b++) if (hasField(flow.block(b), Set.of(Inline.Field.Kind.REFERENCE))) return true;
        return false;
    }

    private static boolean hasField(Block block, Set<Inline.Field.Kind> kinds) {
        if (block instanceof Paragraph paragraph)
            return paragraph.inlines().stream().anyMatch(inline -> inline instanceof Inline.Field field && kinds.contains(field.kind()));
        if (!(block instanceof Table table)) return false;
        for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) for (Block inner : cell.blocks()) if (hasField(inner, kinds)) return true;
        return false;
    }

    /** Lets go of paragraphs of older states once they outnumber those in use. */
    private void forget(Walk walk) {
        if (composer.rememberedCount() < 2 * walk.stops().size() + 2000) return;
        Set<Paragraph> wanted = Collections.newSetFromMap(new IdentityHashMap<>());
        for (Walk.Stop stop : walk.stops()) wanted.add(stop.paragraph());
        composer.keepOnly(wanted);
    }
}
