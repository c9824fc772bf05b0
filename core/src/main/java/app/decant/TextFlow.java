package app.decant;

import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.pdf.keep.Onward;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * How the text of a document that came from a PDF goes on from page to page, where that can be told: in one column, from paragraph to paragraph, on pages of
 * one size. What one page has no room for stands at the head of the next.
 */
final class TextFlow {
    /** Columns begin as far to the left as each other within this, in points; those of facing pages may not. */
    private static final double SAME = 3;
    /** A single line of a paragraph of as many lines is left alone nowhere; common practice. */
    private static final int TOGETHER = 2;
    /** What pages share is looked for on so many before and after one: left and right pages may differ. */
    private static final int AROUND = 2;
    /** From baseline to baseline where nothing tells, in ems. */
    private static final double LEADING = 1.2;

    private final Provenance provenance;
    private final Cascade cascade;
    /** For each page its lines in the order of the text; pages without are not here. */
    private final TreeMap<Integer, List<At>> pages = new TreeMap<>();
    private final Map<Integer, Optional<Onward>> known = new HashMap<>();
    private final Map<Integer, Optional<Onward>> added = new HashMap<>();
    private final List<Walk.Stop> stops;
    private final Set<String> opening;

    /**
     * A line of the text.
     *
     * @param stop  the paragraph it is of
     * @param line  which of its lines it is
     */
    private record At(int stop, int line) { }

    TextFlow(Cascade cascade, Walk walk, Provenance provenance) {
        this.cascade = cascade;
        this.provenance = provenance;
        stops = walk.stops();
        for (int stop = 0; stop < stops.size(); stop++) {
            List<Provenance.Line> lines = lines(stop);
            for (int i = 0; i < lines.size(); i++) pages.computeIfAbsent(lines.get(i).page(), page -> new ArrayList<>()).add(new At(stop, i));
        }
        opening = opening();
    }

    /** Where the text of a page goes on: on the next, else on one that is put in; null where that can't be told. */
    Onward after(int page) {
        Optional<Onward> next = known.computeIfAbsent(page, key -> Optional.ofNullable(found(key)));
        return next.orElseGet(() -> added(page));
    }

    /** A page that is put in behind one of the file, for what that has no room for; null where the text there is not such that it can go on. */
    Onward added(int page) { return added.computeIfAbsent(page, key -> Optional.ofNullable(behind(key))).orElse(null); }

    private List<Provenance.Line> lines(int stop) { return provenance.of(stops.get(stop).paragraph()); }

    private Provenance.Line line(At at) { return lines(at.stop).get(at.line); }

    private boolean isOfText(At at) { return LinesBelow.isOfText(stops.get(at.stop).path()); }

    private int level(At at) { return cascade.outlineLevel(stops.get(at.stop).paragraph()); }

    /** Styles of headings that always begin a page. */
    private Set<String> opening() {
        Map<String, Boolean> always = new HashMap<>();
        Map<String, Integer> count = new HashMap<>();
        pages.forEach((page, own) -> {
            for (int i = 0; i < own.size(); i++) {
                At at = own.get(i);
                if (at.line > 0 || level(at) == 0) continue;
                String style = stops.get(at.stop).paragraph().style();
                always.merge(style, i == 0, Boolean::logicalAnd);
                count.merge(style, 1, Integer::sum);
            }
        });
        Set<String> opening = new HashSet<>();
        always.forEach((style, begins) -> {
            if (begins && count.get(style) > 1) opening.add(style);
        });
        return opening;
    }

    private Onward found(int page) {
        List<At> own = pages.get(page);
        List<At> next = pages.get(page + 1);
        if (own == null || next == null || !provenance.sheets().get(page).equals(provenance.sheets().get(page + 1))) return null;
        At last = own.get(own.size() - 1);
        At first = next.get(0);
        BlockPath from = stops.get(last.stop).path();
        BlockPath to = stops.get(first.stop).path();
        boolean goesOn = from.size() <= LinesBelow.IN_CELL && to.size() <= LinesBelow.IN_CELL && from.step(0) == to.step(0) && isOneColumn(own)
                && isOneColumn(next);
        if (!goesOn || isOfText(first) && first.line == 0 && opening.contains(stops.get(first.stop).paragraph().style())) return null;
        boolean table = !isOfText(first) && !isOfText(last) && from.startsWith(to.head(2));
        boolean text = own.stream().anyMatch(this::isOfText) && next.stream().anyMatch(this::isOfText);
        double across = text ? left(next) - left(own) : 0;
        if (Math.abs(across) < SAME) across = 0;
        else if (Math.abs(right(next) - right(own) - across) > SAME) return null;
        double gap = table ? pitch(to) : gap(last, first);
        if (!(gap > 0)) return null;
        List<List<Integer>> lines = new ArrayList<>();
        for (At at : next) {
            List<Integer> marks = StandingPassages.marks(line(at));
            if (!marks.isEmpty()) lines.add(marks);
            else if (lines.isEmpty()) return null;
        }
        return new Onward(page + 1, lines, across, gap, provenance.foot(page + 1), openers(own, first), within(own),
                isOfText(first) ? null : new Onward.Row(row(next, to), table), null);
    }

    /** What the row of a table says that a line is of. */
    private Set<Integer> row(List<At> page, BlockPath path) {
        Set<Integer> marks = new HashSet<>();
        for (At at : page) if (stops.get(at.stop).path().startsWith(path.head(3))) marks.addAll(StandingPassages.marks(line(at)));
        return marks;
    }

    /** From the last baseline of a row of a table to the first of the next, as most of its rows stand; 0 where none tell it. */
    private double pitch(BlockPath table) {
        List<Double> pitches = new ArrayList<>();
        pages.forEach((page, own) -> {
            for (int i = 1; i < own.size(); i++) {
                BlockPath one = stops.get(own.get(i - 1).stop).path();
                BlockPath next = stops.get(own.get(i).stop).path();
                boolean rows = next.startsWith(table.head(2)) && one.startsWith(table.head(2)) && next.step(2) > one.step(2);
                double lowest = 0;
                for (int back = i - 1; rows && back >= 0 && stops.get(own.get(back).stop).path().startsWith(one.head(3)); back--)
                    lowest = Math.max(lowest, line(own.get(back)).baseline());
                if (rows && line(own.get(i)).baseline() > lowest) pitches.add(line(own.get(i)).baseline() - lowest);
            }
        });
        pitches.sort(Double::compare);
        return pitches.isEmpty() ? 0 : pitches.get(pitches.size() / 2);
    }

    /** The lines within rows of tables: with which no row begins. */
    private Set<Integer> within(List<At> own) {
        Set<Integer> within = new HashSet<>();
        for (At at : own) {
            List<Integer> marks = StandingPassages.marks(line(at));
            if (!isOfText(at) && !begins(own, at) && !marks.isEmpty()) within.add(marks.get(0));
        }
        return within;
    }

    /** Whether a line of a table is one of the first of its row, as high as any other. */
    private boolean begins(List<At> own, At at) {
        BlockPath row = stops.get(at.stop).path().head(3);
        return own.stream().filter(other -> stops.get(other.stop).path().startsWith(row)).allMatch(other -> line(other).baseline() > line(at).baseline() - 0.3);
    }

    private Onward behind(int page) {
        List<At> own = pages.get(page);
        if (own == null || !isOneColumn(own)) return null;
        Provenance.Sheet sheet = provenance.sheets().get(page);
        List<Integer> alike = new ArrayList<>();
        double first = line(own.get(0)).baseline();
        for (int other = 0; other < provenance.sheets().size(); other++) {
            if (other == page || !provenance.sheets().get(other).equals(sheet)) continue;
            if (Math.abs(other - page) <= AROUND) alike.add(other);
            if (pages.containsKey(other)) first = Math.min(first, line(pages.get(other).get(0)).baseline());
        }
        double from = Double.MAX_VALUE;
        double to = 0;
        for (At at : own) {
            from = Math.min(from, line(at).baseline() - line(at).size());
            to = Math.max(to, line(at).baseline() + 0.5 * line(at).size());
        }
        Set<Integer> heads = new HashSet<>();
        for (Provenance.Head head : provenance.heads())
            if (head.line().page() == page) heads.addAll(StandingPassages.marks(head.line()));
        // Pages that the file does not have are numbered after those that it has, each by the one that it stands behind.
        return new Onward(provenance.sheets().size() + page, List.of(), 0, 0, provenance.foot(page), openers(own, null), within(own), null,
                new Onward.Added(page, first, from, to, heads, alike));
    }

    /** Whether lines stand one below another, but for what stands beside each other in tables. */
    private boolean isOneColumn(List<At> own) {
        double lowest = 0;
        for (At at : own) {
            double baseline = line(at).baseline();
            if (isOfText(at) && baseline < lowest - 0.5) return false;
            lowest = Math.max(lowest, baseline);
        }
        return true;
    }

    /** The left and the right edge of the text on pages such as one; null where it stands in several columns. */
    double[] edges(int page) {
        if (!pages.containsKey(page) || !isOneColumn(pages.get(page))) return null;
        double[] edges = {Double.MAX_VALUE, 0};
        pages.forEach((other, own) -> {
            if (!provenance.sheets().get(other).equals(provenance.sheets().get(page)) || own.stream().noneMatch(this::isOfText) || !isOneColumn(own)) return;
            edges[0] = Math.min(edges[0], left(own));
            edges[1] = Math.max(edges[1], right(own));
        });
        return edges[1] > edges[0] ? edges : null;
    }

    private double left(List<At> own) { return own.stream().filter(this::isOfText).mapToDouble(at -> StandingPassages.left(line(at))).min().orElse(0); }

    private double right(List<At> own) { return own.stream().filter(this::isOfText).mapToDouble(at -> StandingPassages.right(line(at))).max().orElse(0); }

    /** From the last baseline of a page to the first of the next, if they stood below one another. */
    private double gap(At last, At first) {
        double size = Math.max(line(last).size(), line(first).size());
        for (int stop = 0; stop < stops.size(); stop++) {
            List<Provenance.Line> own = lines(stop);
            if (own.isEmpty() || !isLike(stop, first.stop)) continue;
            if (last.stop == first.stop) {
                for (int i = 1; i < own.size(); i++) if (isBelow(own.get(i - 1), own.get(i))) return own.get(i).baseline() - own.get(i - 1).baseline();
            } else if (stop > 0 && !lines(stop - 1).isEmpty() && isLike(stop - 1, last.stop)) {
                Provenance.Line before = lines(stop - 1).get(lines(stop - 1).size() - 1);
                if (isBelow(before, own.get(0))) return own.get(0).baseline() - before.baseline();
            }
        }
        if (last.stop == first.stop) return LEADING * size;
        Look before = cascade.paragraph(stops.get(last.stop).paragraph());
        Look after = cascade.paragraph(stops.get(first.stop).paragraph());
        return LEADING * size + before.get(ParagraphProperty.SPACE_AFTER, 0.0) + after.get(ParagraphProperty.SPACE_BEFORE, 0.0);
    }

    private boolean isLike(int stop, int other) {
        Paragraph one = stops.get(stop).paragraph();
        Paragraph two = stops.get(other).paragraph();
        return one == two || one.style().equals(two.style()) && LinesBelow.isOfText(stops.get(stop).path()) && !lines(stop).isEmpty()
                && Math.abs(lines(stop).get(0).size() - lines(other).get(0).size()) < 0.1;
    }

    private static boolean isBelow(Provenance.Line one, Provenance.Line next) {
        return one.page() == next.page() && next.baseline() > one.baseline() + 0.5 * one.size() && next.baseline() < one.baseline() + 6 * one.size();
    }

    /** Whether a row of a table is not the first of it, nor the first below its heads. */
    private boolean isBelowHead(At at) { return stops.get(at.stop).path().step(2) > 1; }

    /** The lines with which a page may begin that goes on from this one. */
    private Set<Integer> openers(List<At> own, At next) {
        Set<Integer> openers = new HashSet<>();
        for (int i = 1; i < own.size(); i++) {
            At at = own.get(i);
            int count = lines(at.stop).size();
            boolean whole = at.line == 0 || at.line >= TOGETHER && count - at.line >= TOGETHER;
            // What goes on on the next page anyway has lines enough there.
            boolean goesOn = next != null && next.stop == at.stop && at.line >= TOGETHER;
            boolean heading = level(own.get(i - 1)) > 0;
            List<Integer> marks = StandingPassages.marks(line(at));
            boolean begins = isOfText(at) ? whole || goesOn : isBelowHead(at) && begins(own, at);
            if (!heading && begins && !marks.isEmpty()) openers.add(marks.get(0));
        }
        return openers;
    }
}
