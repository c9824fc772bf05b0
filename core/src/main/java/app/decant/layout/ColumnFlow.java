package app.decant.layout;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Table;
import app.decant.page.Item;
import app.decant.page.Line;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** Fills one column from a cursor on. Made for one column and thrown away. */
final class ColumnFlow {
    private static final double NOTE_GAP = 8;
    private static final double NOTE_RULE = 144;
    private static final double TOLERANCE = 0.05;
    /** Kept free at the edge of the paper by what is too wide for its page. */
    private static final double EDGE = 14;

    private final Composer composer;
    private final Flow flow;
    private final Area area;
    private final List<Unit> units = new ArrayList<>();
    private final List<Floats.Placed> floats;
    private final List<Floats.Placed> apart = new ArrayList<>();
    private final Map<Inline.Floating, Floats.Placed> preset;
    private List<Strip> notes;
    private Cursor end;
    private double y;
    private double notesTop;

    /**
     * The room of a column and what is known of its page. {@code soft} where text ran on into it, {@code fresh} where nothing stands on its page yet;
     * {@code gaps} is the share of the space between paragraphs that is given.
     */
    record Area(double left, double width, double top, double bottom, boolean soft, boolean fresh, PageGeometry page, double bodyTop, double gaps) { }

    /** One strip in its place. */
    private record Unit(Cursor start, double top, Strip strip, List<Floats.Placed> floats, double yAfter, boolean glued) { }

    /** Why a column ended. */
    enum End { FULL, COLUMN_BREAK, PAGE_BREAK, SECTION }

    /**
     * A filled column.
     *
     * @param notesTop where its notes begin; beyond any page where it has none
     * @param restart a floating object that needs room where text already stood: fill the page again with it in place; else null
     */
    record Result(List<Item> items, List<Floats.Placed> floats, Cursor next, double bottom, double notesTop, End end, Floats.Placed restart) { }

    ColumnFlow(Composer composer, Flow flow, Area area, List<Floats.Placed> floats, Map<Inline.Floating, Floats.Placed> preset) {
        this.composer = composer;
        this.flow = flow;
        this.area = area;
        this.floats = new ArrayList<>(floats);
        this.preset = preset;
        this.notesTop = Double.MAX_VALUE;
    }

    /** @param to where the text ends, be it within a block */
    Result fill(Cursor from, Cursor to) {
        notes = from.carried();
        end = to;
        y = area.top();
        int endBlock = to.offset() > 0 ? to.block() + 1 : to.block();
        for (int b = from.block(); b < endBlock; b++) {
            Cursor start = b == from.block() ? from.carrying(List.of()) : Cursor.at(b);
            Block block = flow.block(b);
            Standing standing = start.offset() > 0 || start.cut() != null ? null : composer.standing(flow, b, endBlock);
            if (standing != null) {
                Result full = standing(standing, start);
                if (full != null) return full;
                if (isPlaced(standing)) {
                    b += standing.blocks().size() - 1;
                    continue;
                }
            }
            FieldValues outer = composer.fields();
            Inline.Note endnote = flow.endnote(b);
            if (endnote != null) composer.use(outer.in(composer.noteMark(endnote)));
            boolean first = b == flow.bodySize() && endnote != null && start.offset() == 0 && start.cut() == null;
            Result result = first ? add(endnoteRule(), start, List.of(), false) : null;
            if (result == null) result = block instanceof Paragraph paragraph ? paragraph(paragraph, start) : block instanceof Table table ? table(table, start)
                    : block instanceof OpaqueBlock opaque && opaque.opaque().likeness() != null ? add(Composer.likeness(opaque), start, List.of(), false)
                            : null;
            composer.use(outer);
            if (result != null) return result;
        }
        return finish(units.size(), to, End.SECTION);
    }

    /** Where a block ends: its last caret position or row, or the one before which the text ends. */
    private int end(Cursor block, int whole) { return block.block() == end.block() ? Math.min(end.offset(), whole) : whole; }

    /** Puts in its place what stands apart from the text. What is higher than a page is set as text after all. */
    private Result standing(Standing standing, Cursor start) {
        Inline.Floating floating = standing.floating();
        Floats.Placed placed = preset.containsKey(floating) ? preset.get(floating)
                : Floats.place(composer, floating, area.page(), area.bodyTop(), area.left(), area.width(), y, false);
        if (placed.height() > area.bottom() - area.bodyTop() + TOLERANCE) return null;
        boolean empty = units.isEmpty() && area.fresh();
        Anchor.Vertical down = floating.anchor().vertical();
        boolean hangs = down.from() == Anchor.Vertical.From.PARAGRAPH || down.from() == Anchor.Vertical.From.LINE;
        if (hangs && !empty && y + down.offset() + placed.height() > area.bottom() + TOLERANCE) return overflow(start, false);
        if (placed.pushes() && !preset.containsKey(floating)) {
            if (placed.reaches(area.bodyTop(), y - 1) && !empty) return new Result(List.of(), List.of(), start, y, Double.MAX_VALUE, End.FULL, placed);
            floats.add(placed);
        }
        apart.add(placed);
        units.add(new Unit(start, y, new Strip(0, 0, 0, List.of(), List.of(), false, 0, Line.Break.NONE, null), List.of(placed), y, false));
        return null;
    }

    private boolean isPlaced(Standing standing) { return apart.stream().anyMatch(placed -> placed.source() == standing.floating()); }

    /** Tables do not run round what stands apart: they begin below it. */
    private double belowApart(double left, double width, double top) {
        double below = top;
        for (Floats.Placed placed : apart) {
            boolean beside = placed.x() >= left + width - 1 || placed.x() + placed.width() <= left + 1;
            if (placed.pushes() && !beside && placed.meets(below, below + 1))
                below = Math.max(below, placed.y() + placed.height() + placed.source().anchor().distance().bottom());
        }
        return below;
    }

    private Result paragraph(Paragraph paragraph, Cursor start) {
        Look look = composer.styles().cascade().paragraph(paragraph);
        if (look.is(ParagraphProperty.PAGE_BREAK_BEFORE) && start.offset() == 0 && !(units.isEmpty() && area.fresh()))
            return finish(units.size(), start, End.PAGE_BREAK);
        SetParagraph natural = composer.set(paragraph, Look.PLAIN, area.width());
        double before = start.offset() > 0 || units.isEmpty() && area.soft() ? 0
                : area.gaps() * look.get(ParagraphProperty.SPACE_BEFORE, 0.0);
        List<Floats.Placed> own = new ArrayList<>();
        if (start.offset() == 0 && !start.isPlaced()) {
            for (Inline inline : paragraph.inlines()) {
                if (!(inline instanceof Inline.Floating floating) || Floats.isOnLine(floating)) continue;
                // Where text above gave way to it, it stands for good, even if its own paragraph went on.
                Floats.Placed placed = preset.containsKey(floating) ? preset.get(floating)
                        : Floats.place(composer, floating, area.page(), area.bodyTop(), area.left(), area.width(), y + before);
                own.add(placed);
                if (!placed.pushes() || preset.containsKey(floating)) continue;
                if (placed.reaches(area.bodyTop(), y - 1) && !(units.isEmpty() && area.fresh()))
                    return new Result(List.of(), List.of(), start, y, Double.MAX_VALUE, End.FULL, placed);
                floats.add(placed);
            }
        }
        SetParagraph set = around(paragraph, natural, start.offset(), end(start, paragraph.length()), before);
        if (units.isEmpty() && area.fresh() && set.lines().get(0).gap() > 0 && y + before + set.lines().get(0).gap() + set.lines().get(0)
                .height() > area.bottom() + TOLERANCE) {
            if (!own.isEmpty()) {
                // What floats here leaves no room on a whole page: it has the page to itself, and its text follows on the next.
                units.add(new Unit(start, y, new Strip(0, 0, 0, List.of(), List.of(), false, 0, Line.Break.NONE, paragraph), own, y, false));
                return finish(units.size(), start.placed(), End.FULL);
            }
            set = free(paragraph, natural, start.offset(), end(start, paragraph.length()));
        }
        Cursor behind = start.block() == end.block() ? end : Cursor.at(start.block() + 1);
        List<Strip> strips = composer.strips(paragraph, set, flow.block(start.block() - 1), flow.block(start.block() + 1), Look.PLAIN, area.width());
        boolean note = flow.endnote(start.block()) != null;
        boolean ruled = note && start.block() == flow.bodySize();
        for (int i = 0; i < strips.size(); i++) {
            Strip strip = area.gaps() == 1 ? strips.get(i) : strips.get(i).closer(area.gaps());
            if (note) strip = strip.locked();
            Cursor here = i == 0 ? start : new Cursor(start.block(), strip.offset(), null, List.of());
            boolean last = i == strips.size() - 1;
            Cursor following = last ? behind : new Cursor(start.block(), strips.get(i + 1).offset(), null, List.of());
            Result result = add(strip, here, i == 0 ? own : List.of(), strip.glued() || ruled && strip.offset() == 0, following);
            if (result != null) return result;
            if (strip.line() == Line.Break.PAGE) return finish(units.size(), following, End.PAGE_BREAK);
            if (strip.line() == Line.Break.COLUMN) return finish(units.size(), following, End.COLUMN_BREAK);
        }
        return null;
    }

    /** The lines from an offset up to another, broken round whatever floats beside them. */
    private SetParagraph around(Paragraph paragraph, SetParagraph natural, int offset, int to, double before) {
        double top = y + before;
        List<Floats.Placed> noticed = Floats.noticed(floats, paragraph);
        if (!noticed.isEmpty()) {
            double bottom = top + natural.height();
            boolean met = noticed.stream().anyMatch(placed -> placed.meets(top, bottom));
            if (met) return composer.set(paragraph, Look.PLAIN, offset, to, Floats.beside(noticed, area.left(), area.width(), top));
        }
        return free(paragraph, natural, offset, to);
    }

    /** The lines from an offset up to another where nothing stands beside them. */
    private SetParagraph free(Paragraph paragraph, SetParagraph natural, int offset, int to) {
        if (to < paragraph.length()) return composer.set(paragraph, Look.PLAIN, offset, to, LineSpace.free(area.width()));
        int first = offset == 0 ? 0 : natural.lineAt(offset);
        if (first < 0) return composer.set(paragraph, Look.PLAIN, offset, LineSpace.free(area.width()));
        return natural.part(first, area.bottom() - area.top());
    }

    private Result table(Table table, Cursor start) {
        TableSetter setter = composer.table(table, area.width(), area.page().width() - area.left() - EDGE);
        int heads = setter.headerRows();
        y = belowApart(area.left(), area.width(), y);
        boolean first = area.fresh() && units.isEmpty();
        boolean keptToPrevious = flow.block(start.block() - 1) instanceof Paragraph above && composer.styles().cascade().paragraph(above)
                .is(ParagraphProperty.KEEP_WITH_NEXT);
        if (start.offset() >= heads && start.offset() > 0) {
            for (int r = 0; r < heads; r++) {
                Result result = add(setter.strip(r, false), start, List.of(), false);
                if (result != null) return result;
            }
        }
        int repeated = units.size();
        int rows = end(start, setter.rows().size());
        for (int r = start.offset(); r < rows; r++) {
            boolean continued = r == start.offset() && start.cut() != null;
            boolean resumed = r == start.offset() && start.offset() > 0;
            if (setter.rows().get(r).breaks() && !resumed && !(units.isEmpty() && area.fresh()))
                return finish(units.size(), new Cursor(start.block(), r, null, List.of()), End.PAGE_BREAK);
            int cells = setter.rows().get(r).cells().size();
            int[] done = continued ? start.cut() : new int[cells];
            int[] all = new int[cells];
            for (int c = 0; c < cells; c++) all[c] = setter.rows().get(r).cells().get(c).strips().size();
            Strip strip = continued ? setter.part(r, done, all, setter.partHeight(r, done, all)) : setter.strip(r, true);
            Cursor here = continued ? start : new Cursor(start.block(), r, null, List.of());
            boolean glued = strip.glued() || r > 0 && r < heads || r == heads && heads > 0 || r == 0 && keptToPrevious || r == start.offset() && heads > 0
                    && r >= heads && r > 0;
            double room = area.bottom() - notesHeight(notes) - y;
            if (strip.height() > room + TOLERANCE && (!units.isEmpty() || area.fresh())) {
                boolean alone = first && units.size() == repeated;
                int[] fit = setter.fitting(r, done, room, alone);
                if (fit == null && alone && repeated > 0) {
                    // Below its repeated head it finds no room on any page.
                    units.clear();
                    repeated = 0;
                    y = area.top();
                    fit = setter.fitting(r, done, area.bottom() - notesHeight(notes) - y, true);
                }
                if (fit != null && !Arrays.equals(fit, all)) {
                    Result result = add(setter.part(r, done, fit, Math.min(area.bottom() - notesHeight(notes) - y, setter.partHeight(r, done, fit))), here,
                            List.of(), glued);
                    return result != null ? result : finish(units.size(), new Cursor(start.block(), r, fit, List.of()), End.FULL);
                }
            }
            Cursor following = r + 1 < setter.rows().size() ? new Cursor(start.block(), r + 1, null, List.of()) : Cursor.at(start.block() + 1);
            Result result = add(strip, here, List.of(), glued, following);
            if (result != null) return result;
        }
        return null;
    }

    private Result add(Strip strip, Cursor start, List<Floats.Placed> own, boolean glued) { return add(strip, start, own, glued, null); }

    /** Adds a strip, or ends the column before it; {@code following} is where the next column starts when notes fill this one up. */
    private Result add(Strip strip, Cursor start, List<Floats.Placed> own, boolean glued, Cursor following) {
        double before = units.isEmpty() && area.soft() ? 0 : strip.before();
        double top = y + before;
        double bottom = top + strip.height();
        boolean forced = units.isEmpty() && area.fresh();
        if (bottom > area.bottom() - notesHeight(notes) + TOLERANCE && !forced) return overflow(start, glued);
        List<Strip> more = new ArrayList<>(notes);
        boolean full = false;
        for (Inline.Note note : footnotes(strip)) {
            List<Strip> noteStrips = noteStrips(note);
            List<Strip> firstLine = new ArrayList<>(more);
            firstLine.add(noteStrips.get(0));
            if (bottom + notesHeight(firstLine) > area.bottom() + TOLERANCE && !forced) return overflow(start, glued);
            more.addAll(noteStrips);
            full |= bottom + notesHeight(more) > area.bottom() + TOLERANCE;
        }
        notes = more;
        y = bottom + strip.after();
        units.add(new Unit(start, top, strip, own, y, glued));
        return full && following != null ? finish(units.size(), following, End.FULL) : null;
    }

    /** The column is full before the strip that starts at {@code failing}: it ends at the last place where it may. */
    private Result overflow(Cursor failing, boolean glued) {
        int at = units.size();
        boolean held = glued;
        while (at > 0 && held) held = units.get(--at).glued();
        boolean nothingFits = at == 0;
        if (nothingFits && area.fresh()) at = units.size();
        Cursor next = at == units.size() ? failing : units.get(at).start();
        return finish(at, next, End.FULL);
    }

    private Result finish(int count, Cursor next, End end) {
        List<Item> items = new ArrayList<>();
        List<Item> front = new ArrayList<>();
        List<Floats.Placed> placed = new ArrayList<>();
        List<Strip> noteStrips = new ArrayList<>(count == units.size() ? notes : carriedAndOf(count));
        for (int i = 0; i < count; i++) {
            Unit unit = units.get(i);
            placed.addAll(unit.floats());
        }
        placed.stream().sorted(Comparator.comparingInt(one -> one.source().anchor().level()))
                .forEach(one -> (one.source().anchor().behind() ? items : front).addAll(one.items()));
        for (int i = 0; i < count; i++) {
            Unit unit = units.get(i);
            for (Item item : unit.strip().items()) items.add(item.moved(area.left(), unit.top()));
        }
        items.addAll(front);
        double bottom = count == 0 ? area.top() : units.get(count - 1).yAfter();
        // What follows in another section begins below what stands apart.
        if (end == End.SECTION) bottom = Math.max(bottom, placed.stream().filter(apart::contains).filter(Floats.Placed::pushes)
                .mapToDouble(one -> one.y() + one.height()).filter(low -> low < area.bottom()).max().orElse(bottom));
        List<Strip> carried = placeNotes(noteStrips, items, count == 0 ? area.top() : units.get(count - 1).top() + units.get(count - 1).strip().height());
        return new Result(items, placed, next.carrying(carried), bottom, notesTop, end, null);
    }

    /** The notes of the units that stay, when some were taken back. */
    private List<Strip> carriedAndOf(int count) {
        int taken = 0;
        for (int i = count; i < units.size(); i++) for (Inline.Note note : footnotes(units.get(i).strip())) taken += noteStrips(note).size();
        return notes.subList(0, notes.size() - taken);
    }

    /** Notes stand at the column's foot; what finds no room is carried on. */
    private List<Strip> placeNotes(List<Strip> strips, List<Item> items, double textBottom) {
        if (strips.isEmpty()) return List.of();
        int fit = strips.size();
        while (fit > 1 && textBottom + notesHeight(strips.subList(0, fit)) > area.bottom() + TOLERANCE) fit--;
        List<Strip> here = strips.subList(0, fit);
        double top = Math.max(textBottom, area.bottom() - notesHeight(here));
        notesTop = top;
        items.add(new Item.Rule(area.left(), top + NOTE_GAP / 2, area.left() + Math.min(NOTE_RULE, area.width() / 3), top + NOTE_GAP / 2,
                Border.single(0.5, Colour.BLACK)));
        items.addAll(Composer.placed(here, area.left(), top + NOTE_GAP));
        return List.copyOf(strips.subList(fit, strips.size()));
    }

    /** Notes whose marks stand in a strip and that stand at the foot of its column. */
    private static List<Inline.Note> footnotes(Strip strip) {
        return strip.notes().stream().filter(note -> note.kind() == Inline.Note.Kind.FOOTNOTE).toList();
    }

    /** What parts the text from the endnotes behind it. */
    private Strip endnoteRule() {
        Item rule = new Item.Rule(0, NOTE_GAP / 2, Math.min(NOTE_RULE, area.width() / 3), NOTE_GAP / 2, Border.single(0.5, Colour.BLACK));
        return new Strip(NOTE_GAP, NOTE_GAP, 0, List.of(rule), List.of(), false, 0, Line.Break.NONE, null);
    }

    private List<Strip> noteStrips(Inline.Note note) {
        FieldValues outer = composer.fields();
        composer.use(outer.in(composer.noteMark(note)));
        List<Strip> strips = composer.stack(note.blocks(), Look.PLAIN, area.width());
        composer.use(outer);
        if (strips.isEmpty()) strips = List.of(new Strip(0, 1, 0, List.of(), List.of(), false, 0, Line.Break.NONE, null));
        return strips.stream().map(Strip::locked).toList();
    }

    private static double notesHeight(List<Strip> strips) { return strips.isEmpty() ? 0 : NOTE_GAP + Strip.height(strips); }
}
