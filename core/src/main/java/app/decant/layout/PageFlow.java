package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section;
import app.decant.page.Item;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Fills one page from a cursor on: bands of sections one under another, each of one or more columns. */
final class PageFlow {
    private static final int MOST_RESTARTS = 12;
    /** A section that begins on a page under another one needs at least this much room. */
    private static final double LEAST_BAND = 20;

    private final Composer composer;
    private final Flow flow;
    private final PageFrames frames;

    /**
     * A page's text.
     *
     * @param section      whose page it is
     * @param sectionStart whether it is the section's first page
     * @param blank        left empty so that the next section starts on the right side
     */
    record Body(Cursor start, Cursor next, int section, boolean sectionStart, boolean blank, List<Item> items) { }

    PageFlow(Composer composer, Flow flow, PageFrames frames) {
        this.composer = composer;
        this.flow = flow;
        this.frames = frames;
    }

    Body fill(Cursor from, boolean evenPage) { return fill(from, Cursor.at(flow.size()), evenPage, 1); }

    /**
     * The same of text that has to be on few pages.
     *
     * @param to   where it ends
     * @param gaps the share of the space between paragraphs that it is given; where it is less than all, text goes farther down too
     */
    Body fill(Cursor from, Cursor to, boolean evenPage, double gaps) {
        List<Floats.Placed> preset = new ArrayList<>();
        for (int tries = 0; ; tries++) {
            Attempt attempt = new Attempt(preset, tries >= MOST_RESTARTS, to, gaps);
            Body body = attempt.fill(from, evenPage);
            if (body != null) return body;
            preset.add(attempt.restart);
        }
    }

    /** Which section's page begins at a cursor. */
    int sectionAt(Cursor cursor) { return flow.sectionOf(Math.min(cursor.block(), flow.size() - 1)); }

    boolean startsSection(Cursor cursor) { return cursor.offset() == 0 && cursor.cut() == null && cursor.block() == flow.sectionStart(sectionAt(cursor)); }

    private final class Attempt {
        private final List<Floats.Placed> preset;
        /** By identity: the same picture may hang in two places. */
        private final Map<Inline.Floating, Floats.Placed> known = new IdentityHashMap<>();
        private final boolean last;
        private final Cursor to;
        private final double gaps;
        private final List<Item> items = new ArrayList<>();
        private final List<Floats.Placed> floats = new ArrayList<>();
        private Floats.Placed restart;
        private PageGeometry page;
        private double bodyTop;
        private double bodyBottom;

        Attempt(List<Floats.Placed> preset, boolean last, Cursor to, double gaps) {
            this.preset = preset;
            this.last = last;
            this.to = to;
            this.gaps = gaps;
            for (Floats.Placed placed : preset) known.put(placed.source(), placed);
            floats.addAll(preset);
        }

        /** The page, or null where it has to be filled again with one more object in place. */
        Body fill(Cursor from, boolean evenPage) {
            int first = sectionAt(from);
            boolean sectionStart = startsSection(from);
            page = flow.section(first).page();
            bodyTop = frames.bodyTop(first, sectionStart, evenPage);
            bodyBottom = frames.bodyBottom(first, sectionStart, evenPage);
            bodyBottom += (1 - gaps) * Math.max(0, frames.lowest(first, sectionStart, evenPage) - bodyBottom);
            Cursor cursor = from;
            double top = bodyTop;
            int section = first;
            boolean fresh = true;
            while (true) {
                Band band = band(cursor, section, top, fresh);
                if (restart != null && !last) return null;
                restart = null;
                items.addAll(band.items);
                bodyBottom = Math.min(bodyBottom, band.notesTop);
                cursor = band.next;
                fresh &= cursor.samePlace(from);
                if (band.end != ColumnFlow.End.SECTION || section + 1 >= flow.sectionCount() || endsIn(section)) break;
                int following = section + 1;
                Section next = flow.section(following);
                top = band.bottom;
                boolean joins = next.start() == Section.Start.CONTINUOUS && next.page().width() == page.width() && next.page().height() == page.height();
                if (!joins || top > bodyBottom - LEAST_BAND || !cursor.carried().isEmpty()) break;
                section = following;
            }
            if (cursor.samePlace(from) && cursor.block() < flow.size() && from.carried().isEmpty()) cursor = Cursor.at(cursor.block() + 1);
            if (cursor.isBefore(from)) throw new IllegalStateException("A page that begins at " + from + " can't end at " + cursor);
            List<Item> standing = floats.isEmpty() ? PageDressing.standing(items, flow.section(first).dress().standing(), bodyBottom) : items;
            return new Body(from, cursor, first, sectionStart, false, List.copyOf(standing));
        }

        /** Whether the text ends in a section, or with it. */
        private boolean endsIn(int section) { return to.block() < flow.sectionEnd(section) || to.block() == flow.sectionEnd(section) && to.offset() == 0; }

        private Band band(Cursor cursor, int section, double top, boolean fresh) {
            Band full = columns(cursor, section, top, bodyBottom, fresh);
            boolean several = flow.section(section).columns().count() > 1;
            boolean followed = section + 1 < flow.sectionCount() && !endsIn(section) && flow.section(section + 1).start() == Section.Start.CONTINUOUS;
            if (restart != null || !several || !followed || full.end != ColumnFlow.End.SECTION) return full;
            double low = top;
            double high = full.bottom;
            Band best = full;
            for (int i = 0; i < 12 && high - low > 1; i++) {
                double middle = (low + high) / 2;
                Band tried = columns(cursor, section, top, middle, false);
                if (restart != null) return full;
                if (tried.end == ColumnFlow.End.SECTION && tried.next.isClean() && tried.notesTop >= middle) {
                    best = tried;
                    high = middle;
                } else {
                    low = middle;
                }
            }
            return best;
        }

        private Band columns(Cursor cursor, int sectionIndex, double top, double bottom, boolean fresh) {
            Section section = flow.section(sectionIndex);
            List<double[]> columns = section.columns().within(section.page().textWidth());
            List<Item> bandItems = new ArrayList<>();
            List<Floats.Placed> bandFloats = new ArrayList<>(floats);
            Cursor at = cursor;
            double reached = top;
            double notesTop = Double.MAX_VALUE;
            ColumnFlow.End end = ColumnFlow.End.FULL;
            Cursor limit = endsIn(sectionIndex) ? to : Cursor.at(flow.sectionEnd(sectionIndex));
            for (int i = 0; i < columns.size(); i++) {
                boolean soft = !(startsSection(at)) && (i > 0 || fresh) && !(at.offset() == 0 && followsBreak(at));
                ColumnFlow.Area area = new ColumnFlow.Area(section.page().textLeft() + columns.get(i)[0], columns.get(i)[1], top, bottom, soft, fresh
                        && i == 0, page, bodyTop, gaps);
                ColumnFlow.Result result = new ColumnFlow(composer, flow, area, bandFloats, known).fill(at, limit);
                if (result.restart() != null) {
                    if (!last) {
                        restart = result.restart();
                        return new Band(List.of(), at, reached, Double.MAX_VALUE, end);
                    }
                }
                bandItems.addAll(result.items());
                for (Floats.Placed placed : result.floats()) if (placed.pushes() && !known.containsKey(placed.source())) bandFloats.add(placed);
                at = result.next();
                reached = Math.max(reached, result.bottom());
                notesTop = Math.min(notesTop, result.notesTop());
                end = result.end();
                if (section.columns().line() && i > 0) {
                    double x = section.page().textLeft() + (columns.get(i)[0] + columns.get(i - 1)[0] + columns.get(i - 1)[1]) / 2;
                    bandItems.add(0, new Item.Rule(x, top, x, reached, Border.single(0.5, Colour.BLACK)));
                }
                if (end == ColumnFlow.End.SECTION || end == ColumnFlow.End.PAGE_BREAK) break;
            }
            return new Band(bandItems, at, reached, notesTop, end);
        }

        /** Whether the block at the cursor came here because a break was asked for, so that it keeps its space above. */
        private boolean followsBreak(Cursor at) {
            if (flow.block(at.block()) instanceof Paragraph here
                    && composer.styles().cascade().paragraph(here).is(ParagraphProperty.PAGE_BREAK_BEFORE)) return true;
            if (!(flow.block(at.block() - 1) instanceof Paragraph before)) return false;
            String text = before.text();
            return !text.isEmpty() && (text.charAt(text.length() - 1) == Inline.PAGE_BREAK || text.charAt(text.length() - 1) == Inline.COLUMN_BREAK);
        }
    }

    private record Band(List<Item> items, Cursor next, double bottom, double notesTop, ColumnFlow.End end) { }

    /** Headers and footers: which stand on a page, and how much room they leave for the text. */
    static final class PageFrames {
        private static final double GAP = 2;
        private final Composer composer;
        private final Flow flow;
        private final List<Map<FramePlace, List<Block>>> inForce = new ArrayList<>();
        private final Map<String, Double> heights = new HashMap<>();

        PageFrames(Composer composer, Flow flow) {
            this.composer = composer;
            this.flow = flow;
            Map<FramePlace, List<Block>> above = new EnumMap<>(FramePlace.class);
            for (int i = 0; i < flow.sectionCount(); i++) {
                above.putAll(flow.section(i).frames());
                inForce.add(new EnumMap<>(above));
            }
        }

        FramePlace place(boolean header, int section, boolean sectionStart, boolean evenPage) {
            if (sectionStart && flow.section(section).firstPageDiffers()) return header ? FramePlace.FIRST_HEADER : FramePlace.FIRST_FOOTER;
            if (evenPage && flow.document().evenAndOddFrames()) return header ? FramePlace.EVEN_HEADER : FramePlace.EVEN_FOOTER;
            return header ? FramePlace.HEADER : FramePlace.FOOTER;
        }

        double bodyTop(int section, boolean sectionStart, boolean evenPage) {
            PageGeometry page = flow.section(section).page();
            double height = height(section, place(true, section, sectionStart, evenPage));
            return height == 0 ? page.top() : Math.max(page.top(), page.header() + height + GAP);
        }

        double bodyBottom(int section, boolean sectionStart, boolean evenPage) {
            PageGeometry page = flow.section(section).page();
            double height = height(section, place(false, section, sectionStart, evenPage));
            double bottom = page.height() - (height == 0 ? page.bottom() : Math.max(page.bottom(), page.footer() + height + GAP));
            // A page whose margins meet still has room for a line.
            return Math.max(bottom, page.top() + 12);
        }

        /** How far down text may go at most on a page: to its footer, or where it has none to where one would be. */
        double lowest(int section, boolean sectionStart, boolean evenPage) {
            PageGeometry page = flow.section(section).page();
            double height = height(section, place(false, section, sectionStart, evenPage));
            return page.height() - page.footer() - (height == 0 ? 0 : height + GAP);
        }

        /** What is left of every kind of page for its text: tops and bottoms, section by section. */
        double[] rooms() {
            double[] rooms = new double[flow.sectionCount() * 8];
            int at = 0;
            for (int s = 0; s < flow.sectionCount(); s++) {
                for (int kind = 0; kind < 4; kind++) {
                    rooms[at++] = bodyTop(s, (kind & 1) == 1, (kind & 2) == 2);
                    rooms[at++] = bodyBottom(s, (kind & 1) == 1, (kind & 2) == 2);
                }
            }
            return rooms;
        }

        private double height(int section, FramePlace place) {
            return heights.computeIfAbsent(section + place.name(), key -> Strip.height(strips(section, place)));
        }

        private List<Strip> strips(int section, FramePlace place) {
            List<Block> blocks = inForce.get(section).get(place);
            return blocks == null ? List.of() : composer.stack(blocks, Look.PLAIN, flow.section(section).page().textWidth(), false);
        }

        /** A header or footer at its place; what hangs on its paragraphs stands where it says on the page, such as a mark in the middle of it. */
        private List<Item> placed(List<Strip> strips, PageGeometry page, double top) {
            List<Item> hung = new ArrayList<>();
            Paragraph last = null;
            double at = top;
            for (Strip strip : strips) {
                at += strip.before();
                if (strip.owner() != null && strip.owner() != last) {
                    for (Inline inline : strip.owner().inlines())
                        if (inline instanceof Inline.Floating floating && !Floats.isOnLine(floating))
                            hung.addAll(Floats.place(composer, floating, page, page.top(), page.textLeft(), page.textWidth(), at).items());
                }
                last = strip.owner();
                at += strip.height() + strip.after();
            }
            hung.addAll(Composer.placed(strips, page.textLeft(), top));
            return hung;
        }

        /** The header's and footer's items, with the composer's present field values. */
        List<Item> items(Body body, boolean evenPage) {
            if (body.blank()) return List.of();
            PageGeometry page = flow.section(body.section()).page();
            List<Item> items = new ArrayList<>();
            List<Strip> header = strips(body.section(), place(true, body.section(), body.sectionStart(), evenPage));
            items.addAll(placed(header, page, page.header()));
            List<Strip> footer = strips(body.section(), place(false, body.section(), body.sectionStart(), evenPage));
            items.addAll(placed(footer, page, page.height() - page.footer() - Strip.height(footer)));
            items.addAll(PageDressing.frame(flow.section(body.section()), body.sectionStart(), header.isEmpty() ? bodyTop(body.section(), body.sectionStart(),
                    evenPage) : page.header(), footer.isEmpty() ? bodyBottom(body.section(), body.sectionStart(), evenPage)
                    : page.height() - page.footer()));
            return items.stream().map(item -> item instanceof Item.LineItem line ? line.locked() : item).toList();
        }
    }
}
