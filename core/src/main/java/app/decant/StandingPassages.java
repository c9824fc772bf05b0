package app.decant;

import app.decant.document.Cascade;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.pdf.keep.Correction;
import app.decant.pdf.keep.Onward;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Where the paragraphs of a document that came from a PDF stand on its pages: the passage in which words are to be put, and what stands below it. */
final class StandingPassages {
    /** Two paragraphs of a column begin this near to each other, in points. */
    private static final double NEAR = 3;

    private final Cascade cascade;
    private final Walk walk;
    private final Provenance provenance;
    private final StandingLabels labels;
    private final TextFlow flow;
    private final LinesBelow below;

    /** @param page the index of the page that is changed */
    record Found(int page, Correction correction) { }

    StandingPassages(Cascade cascade, Walk walk, Provenance provenance, StandingLabels labels, TextFlow flow) {
        this.flow = flow;
        this.labels = labels;
        this.cascade = cascade;
        this.walk = walk;
        this.provenance = provenance;
        below = new LinesBelow(walk, provenance, flow);
    }

    private Paragraph paragraph(int stop) { return walk.stops().get(stop).paragraph(); }

    /** The page on which a paragraph begins. */
    int page(int stop) { return provenance.of(paragraph(stop)).get(0).page(); }

    /** A paragraph taken out; null where that can't be had in place. */
    Correction removal(int stop) {
        Paragraph gone = paragraph(stop);
        List<Provenance.Line> lines = provenance.of(gone);
        if (!LinesBelow.isOfText(walk.stops().get(stop).path()) || lines.isEmpty() || holdsObject(gone)) return null;
        int page = lines.get(0).page();
        List<List<Integer>> marks = lines.stream().map(StandingPassages::marks).toList();
        if (lines.stream().anyMatch(line -> line.page() != page) || marks.stream().anyMatch(List::isEmpty)) return null;
        Correction.Passage passage = new Correction.Passage(marks, Set.of(), false, below.following(stop, lines.size(), page), provenance.foot(page), null);
        int last = marks.size() - 1;
        return new Correction(passage, 0, 0, last, marks.get(last).size(), List.of(), WordChange.setting(cascade, gone),
                WordChange.isDrawn(cascade, gone, 0));
    }

    /** Whether there is more in a paragraph than words, with the numbers of pages among them. */
    private static boolean holdsObject(Paragraph paragraph) {
        return paragraph.inlines().stream().anyMatch(inline -> inline.length() > 0 && !(inline instanceof Inline.Text)
                && !(inline instanceof Inline.Field field && field.kind() == Inline.Field.Kind.PAGE_REFERENCE));
    }

    /**
     * A paragraph whose lines are to stand otherwise; null where that can't be had in place: where it goes on elsewhere, or is no plain text.
     *
     * @param was its look in force as it came, {@code is} as it is
     */
    Found realigned(int stop, Look was, Look is, Correction.Setting set) {
        Paragraph one = paragraph(stop);
        List<Provenance.Line> lines = provenance.of(one);
        boolean plain = provenance.places(one) != null && !lines.isEmpty() && one.text().chars().noneMatch(c -> c == Inline.OBJECT || c == Inline.TAB
                || c == Inline.LINE_BREAK || c == Inline.PAGE_BREAK || c == Inline.COLUMN_BREAK);
        if (!plain || walk.stops().get(stop).path().size() != 2 || !labels.marks(one).isEmpty()) return null;
        int page = lines.get(0).page();
        double[] column = flow.edges(page);
        Correction.Edges edges = column == null ? null : Realignment.edges(was, is, lines, column);
        List<List<Integer>> marks = lines.stream().map(StandingPassages::marks).toList();
        if (edges == null || lines.stream().anyMatch(line -> line.page() != page) || marks.stream().anyMatch(List::isEmpty)) return null;
        Stretch own = new Stretch(stop, lines, provenance.places(one), lines.size(), 0);
        List<List<Integer>> following = below.following(stop, lines.size(), page);
        Correction.Passage passage = new Correction.Passage(marks, own.hyphens(page), false, following, provenance.foot(page), null, Set.of(),
                flow.after(page), null);
        return new Found(page, Correction.between(edges, passage, set, WordChange.isDrawn(cascade, one, 0)));
    }

    /** Words for an empty cell; null where they can't be put into it. */
    Found filled(EmptyCells.Found empty, List<Correction.Run> runs, Correction.Setting set) {
        Correction.Passage passage = inRow(empty.beside());
        return passage == null ? null : new Found(page(empty.beside()), Correction.into(empty.cell(), passage, runs, set));
    }

    /** Rows that are put in; null where they can't be. */
    Found below(AddedRows.Found rows) {
        Correction.Passage passage = inRow(rows.beside());
        return passage == null ? null : new Found(page(rows.beside()), Correction.below(passage, rows.rows()));
    }

    /**
     * Rows taken out, all that stand between two paragraphs; null where that can't be had in place.
     *
     * @param height of them all, in points; 0 where that is not known
     */
    Found without(int from, int to, double height) {
        List<List<Integer>> marks = new ArrayList<>();
        int page = -1;
        for (int i = from; i < to; i++) {
            if (paragraph(i).text().indexOf(Inline.OBJECT) >= 0) return null;
            for (Provenance.Line line : provenance.of(paragraph(i))) {
                marks.add(marks(line));
                page = line.page();
            }
        }
        Correction.Row rows = page < 0 || marks.stream().anyMatch(List::isEmpty) ? null : below.rows(from, to, page, height);
        if (rows == null) return null;
        Correction.Passage passage = new Correction.Passage(marks, Set.of(), false, List.of(), provenance.foot(page), null, Set.of(), null, null, rows);
        return new Found(page, Correction.without(passage));
    }

    /** A paragraph with the row of the table that it is in; null where that is not known. */
    private Correction.Passage inRow(int stop) {
        List<Provenance.Line> lines = provenance.of(paragraph(stop));
        int page = lines.get(0).page();
        Correction.Row row = below.row(stop, page);
        List<List<Integer>> marks = lines.stream().map(StandingPassages::marks).toList();
        if (row == null || marks.stream().anyMatch(List::isEmpty)) return null;
        return new Correction.Passage(marks, Set.of(), false, List.of(), provenance.foot(page), null, Set.of(), null, null, row);
    }

    /**
     * The marks of a stretch of paragraphs, all of it on one page; null where it is not known where they stand.
     *
     * @param from   the first of the paragraphs
     * @param to     after the last of them
     * @param change of their text, with a letter for each end between them
     * @param fresh  the labels of their paragraphs as they are to be
     */
    Found of(int from, int to, WordChange change, List<Correction.Label> fresh) { return of(from, to, change, fresh, null); }

    /** The same of one beside which others are put in that are set otherwise. */
    Found of(FreshParagraphs.Beside beside) { return of(beside.stop(), beside.stop() + 1, beside.change(), List.of(), beside); }

    private Found of(int from, int to, WordChange change, List<Correction.Label> fresh, FreshParagraphs.Beside beside) {
        List<Provenance.Line> lines = new ArrayList<>();
        List<int[]> all = new ArrayList<>();
        Set<Integer> starts = new TreeSet<>();
        StringBuilder text = new StringBuilder();
        int last = 0;
        for (int i = from; i < to; i++) {
            Paragraph one = paragraph(i);
            int[][] places = provenance.places(one);
            if (places == null || provenance.of(one).isEmpty()) return null;
            if (i > from) {
                text.append(Correction.PARAGRAPH);
                all.add(null);
                starts.add(lines.size());
            }
            last = lines.size();
            for (int[] place : places) all.add(place == null ? null : new int[] {place[0] + last, place[1]});
            text.append(one.text());
            lines.addAll(provenance.of(one));
        }
        return placed(from, to, change, fresh, beside, lines, all.toArray(new int[0][]), text.toString(), starts, last);
    }

    private Found placed(int from, int to, WordChange change, List<Correction.Label> fresh, FreshParagraphs.Beside beside, List<Provenance.Line> lines,
            int[][] places, String text, Set<Integer> starts, int lastFrom) {
        int[] begin = null;
        int[] end = null;
        for (int i = change.from(); i < change.to(); i++) {
            if (places[i] == null) continue;
            if (begin == null) begin = places[i];
            end = places[i];
        }
        if (begin == null || lines.get(begin[0]).page() != lines.get(end[0]).page()) return null;
        int page = lines.get(begin[0]).page();
        int[] stretch = stretch(text, places, begin[0], lines.size());
        boolean several = to - from > 1 || change.runs().stream().anyMatch(run -> run.text().indexOf(Correction.PARAGRAPH) >= 0);
        // Where paragraphs come or go, all of them have to be here, below one another.
        if (end[0] >= stretch[1] || several && (stretch[1] <= lastFrom || lines.stream().anyMatch(line -> line.page() != page))) return null;
        List<List<Integer>> passage = new ArrayList<>();
        int before = 0;
        boolean goesOn = false;
        for (int i = stretch[0]; i < stretch[1]; i++) {
            if (lines.get(i).page() == page) passage.add(marks(lines.get(i)));
            else if (i < begin[0]) before++;
            else goesOn = true;
        }
        int skipped = stretch[0] + before;
        int first = begin[0] - skipped;
        int last = end[0] - skipped;
        int begins = passage.get(first).indexOf(lines.get(begin[0]).marks()[begin[1]]);
        int ends = passage.get(last).indexOf(lines.get(end[0]).marks()[end[1]]);
        if (begins < 0 || ends < 0 || first == last && ends < begins) return null;
        Stretch own = new Stretch(to - 1, lines, places, stretch[1], lastFrom);
        List<List<Integer>> following = goesOn ? List.of() : below.following(to - 1, stretch[1] - lastFrom, page);
        Correction.Parting parting = several ? parting(from, to, starts.stream().map(line -> line - skipped).toList(), fresh, beside) : null;
        Set<Integer> labelled = new HashSet<>();
        for (int i = from; i < to; i++) if (page(i) == page) labelled.addAll(labels.marks(paragraph(i)));
        Correction.Rest rest = goesOn && !several ? rest(own, page) : null;
        Correction.Passage stands = new Correction.Passage(passage, own.hyphens(page), goesOn, following, provenance.foot(page), parting,
                labelled, onward(from, to, page), rest, goesOn ? null : below.row(to - 1, page));
        Correction.Setting setting = WordChange.setting(cascade, paragraph(from));
        // What stands before the change stays where it is; on lines that fill their column, or stand in its middle, all of the line moves.
        int moves = change.from();
        for (int i = 0; setting != Correction.Setting.AT_LEFT && i < moves; i++) if (places[i] != null && places[i][0] == begin[0]) moves = i;
        boolean drawn = false;
        for (int i = from; i < to; i++) {
            drawn |= WordChange.isDrawn(cascade, paragraph(i), moves);
            moves = Math.max(0, moves - paragraph(i).length() - 1);
        }
        return new Found(page, new Correction(stands, first, begins, last, ends + 1, change.runs(), setting, drawn));
    }

    /**
     * Lines of a paragraph that stand without a break that somebody put between them.
     *
     * @param places of its letters on them
     * @param end    after the last of them
     * @param from   the first line of the last paragraph
     */
    private record Stretch(int stop, List<Provenance.Line> lines, int[][] places, int end, int from) {
        /** Marks at the ends of lines on a page that stand for no letter of the text. */
        Set<Integer> hyphens(int page) {
            Set<Integer> hyphens = new HashSet<>();
            for (Provenance.Line line : lines) {
                String letters = line.letters().stripTrailing();
                int last = letters.length() - 1;
                if (line.page() == page && last >= 0 && (letters.charAt(last) == '-' || letters.charAt(last) == '\u2010')) hyphens.add(line.marks()[last]);
            }
            for (int[] place : places) if (place != null && lines.get(place[0]).page() == page) hyphens.remove(lines.get(place[0]).marks()[place[1]]);
            return hyphens;
        }
    }

    /** The lines with which a paragraph goes on at the head of the next page; null where they are elsewhere, or it stands in a table. */
    private Correction.Rest rest(Stretch own, int before) {
        int page = before + 1;
        List<Provenance.Line> lines = own.lines.subList(0, own.end).stream().filter(line -> line.page() == page).toList();
        if (lines.isEmpty() || !LinesBelow.isOfText(walk.stops().get(own.stop).path()) || lines.stream().anyMatch(line -> marks(line).isEmpty())) return null;
        boolean goesOn = own.lines.subList(0, own.end).stream().anyMatch(line -> line.page() > page);
        List<List<Integer>> following = goesOn ? List.of() : below.following(own.stop, own.end - own.from, page);
        return new Correction.Rest(page, new Correction.Passage(lines.stream().map(StandingPassages::marks).toList(), own.hyphens(page), goesOn, following,
                provenance.foot(page), null, Set.of(), flow.after(page), goesOn ? rest(own, page) : null));
    }

    /** Where the page goes on; what stands in tables goes nowhere. */
    private Onward onward(int from, int to, int page) {
        return walk.stops().subList(from, to).stream().allMatch(stop -> LinesBelow.isOfText(stop.path())) ? flow.after(page) : null;
    }

    /** How paragraphs of this kind are parted, as this page or others show it; where none does, as they are laid out. */
    private Correction.Parting parting(int from, int to, List<Integer> starts, List<Correction.Label> fresh, FreshParagraphs.Beside beside) {
        Paragraph like = paragraph(from);
        double leading = 0;
        double gap = beside == null ? 0 : beside.gap();
        for (int i = from; i < to && gap == 0; i++) gap = gap(i);
        if (gap == 0) gap = gap(from - 1);
        for (int i = from; i < to && leading == 0; i++) leading = leading(provenance.of(paragraph(i)));
        for (int i = 0; i < walk.stops().size() && (leading == 0 || gap == 0); i++) {
            Paragraph one = paragraph(i);
            if (!one.style().equals(like.style()) || provenance.of(one).isEmpty() || Math.abs(size(one) - size(like)) > 0.1) continue;
            if (leading == 0) leading = leading(provenance.of(one));
            if (gap == 0) gap = gap(i);
        }
        double room = cascade.paragraph(like).get(ParagraphProperty.SPACE_AFTER, 0.0) + cascade.paragraph(like).get(ParagraphProperty.SPACE_BEFORE, 0.0);
        if (leading == 0) leading = 1.2 * size(like);
        return new Correction.Parting(Set.copyOf(starts), leading, gap == 0 ? leading + room : gap, fresh, beside == null ? Map.of() : beside.frames(),
                beside == null ? 0 : beside.after(), List.of());
    }

    private double size(Paragraph paragraph) { return provenance.of(paragraph).get(0).size(); }

    /** From baseline to baseline within a paragraph, in points; 0 where it has but one line. */
    static double leading(List<Provenance.Line> lines) {
        for (int i = 1; i < lines.size(); i++) {
            double down = lines.get(i).baseline() - lines.get(i - 1).baseline();
            if (lines.get(i).page() == lines.get(i - 1).page() && down > 0.5 * lines.get(i).size()) return down;
        }
        return 0;
    }

    /** From the last baseline of a paragraph to the first of the next, where that is of its kind and stands below it; else 0. */
    private double gap(int stop) {
        if (stop < 0 || stop + 1 >= walk.stops().size()) return 0;
        Paragraph one = paragraph(stop);
        Paragraph next = paragraph(stop + 1);
        List<Provenance.Line> lines = provenance.of(one);
        if (lines.isEmpty() || provenance.of(next).isEmpty() || !one.style().equals(next.style())) return 0;
        Provenance.Line last = lines.get(lines.size() - 1);
        Provenance.Line first = provenance.of(next).get(0);
        boolean below = last.page() == first.page() && first.baseline() > last.baseline() && Math.abs(left(first) - left(lines.get(0))) < NEAR;
        return below ? first.baseline() - last.baseline() : 0;
    }

    static List<Integer> marks(Provenance.Line line) {
        List<Integer> marks = new ArrayList<>();
        for (int mark : line.marks()) if (mark >= 0 && (marks.isEmpty() || marks.get(marks.size() - 1) != mark)) marks.add(mark);
        return marks;
    }

    static double left(Provenance.Line line) {
        double left = Double.MAX_VALUE;
        for (float one : line.lefts()) left = Math.min(left, one);
        return left;
    }

    static double right(Provenance.Line line) {
        double right = 0;
        for (float one : line.rights()) right = Math.max(right, one);
        return right;
    }

    /** The lines among which one stands without a break that somebody put there: from the first of them, to after the last. */
    private static int[] stretch(String text, int[][] places, int line, int count) {
        int from = 0;
        int to = count;
        int before = -1;
        for (int i = 0; i < text.length(); i++) {
            if (places[i] != null) before = places[i][0];
            else if (text.charAt(i) == Inline.LINE_BREAK && before >= 0 && before < line) from = before + 1;
            else if (text.charAt(i) == Inline.LINE_BREAK && before >= line) to = Math.min(to, before + 1);
        }
        return new int[] {from, to};
    }
}
