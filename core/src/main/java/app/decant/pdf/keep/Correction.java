package app.decant.pdf.keep;

import app.decant.document.Colour;
import app.decant.pdf.read.ShownGlyph;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A passage of a page that is to say something else in one place. Lines are lists of marks, by their numbers in the page's order of painting, in reading
 * order.
 *
 * @param passage  where it stands
 * @param first    the index of the line on which something goes
 * @param from     the index on it of the first mark that goes
 * @param last     the index of the last line on which something goes
 * @param to       the index on that after the last mark that goes
 * @param runs     what takes their place; none where the passage goes as a whole
 * @param set      how the passage is set
 * @param drawnBy  whether its text tells that lines or areas are drawn with it
 * @param edges    between which all of its lines are set anew; null where they stand between those that they have
 * @param cell     an empty cell of the row that the passage stands in, into which all is put; else null
 * @param rows     that are put in below the row that the passage stands in; mostly none
 */
public record Correction(Passage passage, int first, int from, int last, int to, List<Run> runs, Setting set, boolean drawnBy, Edges edges, Cell cell,
        List<AddedRow> rows) {
    public Correction {
        runs = List.copyOf(runs);
        rows = List.copyOf(rows);
        boolean whole = first == 0 && from == 0 && last == 0 && to == 0;
        if (first > last || from < 0 || first == last && to <= from && !whole) throw new IllegalArgumentException("Something has to go");
        if (from >= passage.lines.get(first).size() || to > passage.lines.get(last).size() || to < 1 && !whole)
            throw new IllegalArgumentException("It has to be there");
    }

    public Correction(Passage passage, int first, int from, int last, int to, List<Run> runs, Setting set, boolean drawnBy) {
        this(passage, first, from, last, to, runs, set, drawnBy, null, null, List.of());
    }

    /** A passage of which nothing goes, all lines of which stand otherwise. */
    public static Correction between(Edges edges, Passage passage, Setting set, boolean drawnBy) {
        return new Correction(passage, 0, 0, 0, 0, List.of(), set, drawnBy, edges, null, List.of());
    }

    /** The same between these edges, but that its words are those of another correction of the passage. */
    public Correction saying(Correction words) {
        return new Correction(passage, words.first, words.from, words.last, words.to, words.runs, set, drawnBy || words.drawnBy, edges, null, List.of());
    }

    /** Words for an empty cell beside a passage. */
    public static Correction into(Cell cell, Passage passage, List<Run> runs, Setting set) {
        return new Correction(passage, 0, 0, 0, 0, runs, set, false, null, cell, List.of());
    }

    /** Rows below that in which a passage stands. */
    public static Correction below(Passage passage, List<AddedRow> rows) {
        return new Correction(passage, 0, 0, 0, 0, List.of(), Setting.AT_LEFT, false, null, null, rows);
    }

    /** Rows that go, and all that they say with them. */
    public static Correction without(Passage rows) {
        int last = rows.lines.size() - 1;
        return new Correction(rows, 0, 0, last, rows.lines.get(last).size(), List.of(), Setting.AT_LEFT, false);
    }

    /**
     * A row that is put into a table.
     *
     * @param cells  words for each of its cells, told as for an empty one, where they would stand if all rows put in had one line
     * @param height of a row with one line, in points
     * @param head   whether the row above is a head of the table: this one is like those below then
     */
    public record AddedRow(List<Correction> cells, double height, boolean head) {
        public AddedRow { cells = List.copyOf(cells); }
    }

    /**
     * A cell of a table that says nothing yet.
     *
     * @param left     between which and {@code right} its lines stand, in points, as are all of these
     * @param baseline of the first of them
     * @param size     of its letters
     * @param away     how many cells further on in its row than the passage, below 0 before it
     */
    public record Cell(double left, double right, double baseline, double size, int away) {
        /** The same so much further down. */
        Cell lower(double by) { return new Cell(left, right, baseline + by, size, away); }
    }

    /**
     * Where lines of a passage are to stand.
     *
     * @param left   where lines begin but for the first, in points, as are all of these
     * @param opens  where the first begins
     * @param right  where they end that fill them
     * @param before how much lower the first stands than it did
     * @param after  how much lower what follows stands, besides
     * @param apart  how often as far the lines stand from one another
     */
    public record Edges(double left, double opens, double right, double before, double after, double apart) { }

    /** A passage of which nothing goes: words are put before it. */
    static Correction before(Passage passage, List<Run> runs, Setting set) { return new Correction(passage, 0, 0, 0, 0, runs, set, false); }

    /** Stands among new words for the end of a paragraph: what follows begins another. */
    public static final char PARAGRAPH = '\u2029';

    /**
     * What is drawn with words: a line under or through them in their own colour, or an area behind them.
     *
     * @param lit the colour of that area; null for lines
     */
    public record Drawn(Place place, Colour lit) {
        public static final Drawn UNDER = new Drawn(Place.UNDER, null);
        public static final Drawn THROUGH = new Drawn(Place.THROUGH, null);

        /** Where it stands to the words. */
        public enum Place { UNDER, THROUGH, BEHIND }

        public Drawn {
            if ((place == Place.BEHIND) == (lit == null)) throw new IllegalArgumentException("An area has a colour, lines have that of their words");
        }

        public static Drawn behind(Colour lit) { return new Drawn(Place.BEHIND, lit); }
    }

    /** How a line stands between the edges of its paragraph; one of several lines that fills them both is justified. */
    public enum Setting { AT_LEFT, AT_RIGHT, CENTRED, JUSTIFIED }

    /**
     * Lines that are set as one, as far as they are on the page.
     *
     * @param hyphens   marks at ends of lines that only part a word there
     * @param goesOn    whether it goes on on another page
     * @param following the lines that stand below it in its column, in order; null where that is not known
     * @param foot      the lowest baseline of text on such pages, in points; 0 where that is not known
     * @param parting   how its paragraphs are parted; null where it is one, and stays one
     * @param labelled  the marks among those of its lines that are labels of list items, which stand by themselves
     * @param onward    where the text of its page goes on; null where that is not known, or can take nothing
     * @param rest      where the passage itself goes on; null where it does not, or that can take nothing
     * @param row       of the table it stands in, which grows with it; null where it stands in none, or that is not known
     */
    public record Passage(List<List<Integer>> lines, Set<Integer> hyphens, boolean goesOn, List<List<Integer>> following, double foot, Parting parting,
            Set<Integer> labelled, Onward onward, Rest rest, Row row) {
        public Passage {
            labelled = Set.copyOf(labelled);
            lines = lines.stream().map(List::copyOf).toList();
            hyphens = Set.copyOf(hyphens);
            following = following == null ? null : following.stream().map(List::copyOf).toList();
        }

        /** A passage without labels. */
        public Passage(List<List<Integer>> lines, Set<Integer> hyphens, boolean goesOn, List<List<Integer>> following, double foot, Parting parting) {
            this(lines, hyphens, goesOn, following, foot, parting, Set.of(), null, null);
        }

        /** A passage outside of tables. */
        public Passage(List<List<Integer>> lines, Set<Integer> hyphens, boolean goesOn, List<List<Integer>> following, double foot, Parting parting,
                Set<Integer> labelled, Onward onward, Rest rest) {
            this(lines, hyphens, goesOn, following, foot, parting, labelled, onward, rest, null);
        }

        /** All marks of its lines. */
        Set<Integer> marks() {
            Set<Integer> marks = new HashSet<>();
            for (List<Integer> line : lines) marks.addAll(line);
            return marks;
        }
    }

    /**
     * The lines with which a passage goes on in another column, or at the head of the next page.
     *
     * @param page the index of the page that they are on
     */
    public record Rest(int page, Passage passage) { }

    /**
     * A row of a table, or several one below another.
     *
     * @param marks what all of its cells say
     * @param below the lines that stand below it: the rest of the table, and what follows that, from above
     * @param height of the row, in points, as others of the table tell it; 0 where that is not known
     * @param onward where what stands below it goes that the page has no room for; null where that is not known, or can take nothing
     */
    public record Row(Set<Integer> marks, List<List<Integer>> below, double height, Onward onward) {
        public Row {
            marks = Set.copyOf(marks);
            below = below.stream().map(List::copyOf).toList();
        }

        private static Row to(Row row, Onward elsewhere) {
            return row == null || row.onward == null ? row : new Row(row.marks, row.below, row.height, elsewhere);
        }
    }

    /**
     * How the paragraphs of a passage stand one below another.
     *
     * @param starts  the lines with which paragraphs begin, but for the first
     * @param leading from baseline to baseline within one, in points
     * @param gap     from the last baseline of one to the first of the next
     * @param labels  of all paragraphs as they are to be; empty where they are in no list
     * @param frames  of those that are put in and set otherwise than the others, by their places among all as they are to be
     * @param after   how much lower what follows stands, besides
     * @param levels  of the headings that they are, 0 for none, of all of them as they are to be; empty where none is put in
     */
    public record Parting(Set<Integer> starts, double leading, double gap, List<Label> labels, Map<Integer, Frame> frames, double after,
            List<Integer> levels) {
        public Parting {
            levels = List.copyOf(levels);
            starts = Set.copyOf(starts);
            labels = List.copyOf(labels);
            frames = Map.copyOf(frames);
        }

        /** Paragraphs that are all set as one. */
        public Parting(Set<Integer> starts, double leading, double gap, List<Label> labels) { this(starts, leading, gap, labels, Map.of(), 0, List.of()); }

        /** The level of the heading that one of them is, 0 for none. */
        int level(int paragraph) { return paragraph < levels.size() ? levels.get(paragraph) : 0; }
    }

    /**
     * Where the lines of a paragraph stand that is put in, in points.
     *
     * @param left    where they begin but for the first
     * @param opens   where the first begins
     * @param right   where they end that fill them
     * @param leading from baseline to baseline
     * @param gap     from the last baseline before it to its first; of the first paragraph of a passage, how much lower than that began
     */
    public record Frame(double left, double opens, double right, double leading, double gap, Setting set) { }

    /**
     * The label of a list item.
     *
     * @param text    what it says; null where it is the same as that which it is like
     * @param like    the marks of a label that is there, in whose look it is set
     * @param atRight whether labels of the list end below one another, rather than begin there
     */
    public record Label(String text, List<Integer> like, boolean atRight) {
        public Label { like = List.copyOf(like); }
    }

    /**
     * Words that are put in.
     *
     * @param another whether they are set in another font, weight or slant than what goes
     * @param bold    where that is so; likewise {@code italic}
     * @param colour  they are painted in, where it is another than that of what goes; else null
     * @param share   their size beside that of what goes, or of the mark that they are like
     * @param drawn   the lines and the area that they get
     * @param undrawn where lines and areas go that were drawn with what they stand for
     * @param family  of their font, where it is another than that of what goes; else null
     * @param like    the mark of the page in whose font and colour they are set instead of that of what goes; -1 for none
     */
    public record Run(String text, boolean another, boolean bold, boolean italic, Colour colour, double share, List<Drawn> drawn,
            Set<Drawn.Place> undrawn, String family, int like) {
        public Run {
            drawn = List.copyOf(drawn);
            undrawn = Set.copyOf(undrawn);
            if (!(share > 0)) throw new IllegalArgumentException("Letters have a size");
        }

        /** Words in the font of what goes, or of its kind. */
        public Run(String text, boolean another, boolean bold, boolean italic, Colour colour, double share, List<Drawn> drawn, Set<Drawn.Place> undrawn) {
            this(text, another, bold, italic, colour, share, drawn, undrawn, null, -1);
        }

        /** Words that look as what goes. */
        public static Run plain(String text) { return new Run(text, false, false, false, null, 1, List.of(), Set.of()); }

        /** Words that look as a mark of the page, in a size of their own beside its. */
        public static Run as(int like, String text, double share, List<Drawn> drawn) {
            return new Run(text, false, false, false, null, share, drawn, Set.of(), null, like);
        }

        Run part(String some) { return new Run(some, another, bold, italic, colour, share, drawn, undrawn, family, like); }
    }

    /** The same on a page that can give nothing over. */
    public Correction alone() { return goesNowhere() && passage.rest == null ? this : with(null, null); }

    private boolean goesNowhere() { return passage.onward == null && (passage.row == null || passage.row.onward == null); }

    /** The same on a page whose text goes on elsewhere; what goes nowhere goes nowhere there either. */
    public Correction goingTo(Onward elsewhere) { return goesNowhere() ? this : with(elsewhere, passage.rest); }

    /** The same whose paragraphs are headings of these levels, 0 for none. */
    public Correction levelled(List<Integer> levels) {
        Parting parting = passage.parting;
        if (parting == null || levels.stream().allMatch(level -> level == 0)) return this;
        return with(passage.onward, passage.rest, new Parting(parting.starts, parting.leading, parting.gap, parting.labels, parting.frames, parting.after,
                levels));
    }

    private Correction with(Onward onward, Rest rest) { return with(onward, rest, passage.parting); }

    private Correction with(Onward onward, Rest rest, Parting parting) {
        return new Correction(new Passage(passage.lines, passage.hyphens, passage.goesOn, passage.following, passage.foot, parting, passage.labelled,
                passage.onward == null ? null : onward, rest, Row.to(passage.row, onward)), first, from, last, to, runs, set, drawnBy, edges, cell, rows);
    }

    /**
     * The same within its own column, where the passage has lines in others.
     *
     * @param page  the index of its page
     * @param opens for each line of the passage, whether it is the first of another column
     */
    Correction inColumn(int page, boolean[] opens) {
        int begin = first;
        while (begin > 0 && !opens[begin]) begin--;
        int end = last + 1;
        while (end < opens.length && !opens[end]) end++;
        boolean one = begin == 0 && end == opens.length;
        for (int i = first + 1; i <= last; i++) one |= opens[i];
        if (one || passage.parting != null) return this;
        Passage own;
        if (end < opens.length) {
            Passage after = new Passage(passage.lines.subList(end, opens.length), passage.hyphens, passage.goesOn, passage.following, passage.foot, null,
                    passage.labelled, passage.onward, passage.rest);
            own = new Passage(passage.lines.subList(begin, end), passage.hyphens, true, List.of(), passage.foot, null, passage.labelled, null,
                    new Rest(page, after));
        } else {
            own = new Passage(passage.lines.subList(begin, end), passage.hyphens, passage.goesOn, passage.following, passage.foot, null, passage.labelled,
                    passage.onward, passage.rest, passage.row);
        }
        return new Correction(own, first - begin, from, last - begin, to, runs, set, drawnBy);
    }

    /** All words that are put in. */
    String text() { return runs.stream().map(Run::text).collect(Collectors.joining()); }

    /** What each letter of these is painted in: sRGB, {@code 0xRRGGBB}, where no colour is told the one before. */
    List<Integer> rgb(int before) {
        List<Integer> rgb = new ArrayList<>();
        for (Run run : runs) {
            int painted = run.colour == null ? before : run.colour.isAutomatic() ? 0 : run.colour.rgb();
            for (int i = 0; i < run.text.length(); i++) rgb.add(painted);
        }
        return rgb;
    }

    /** What is drawn with one of these letters. */
    List<Drawn> drawn(int letter) {
        int at = letter;
        for (Run run : runs) {
            if (at < run.text.length()) return run.drawn;
            at -= run.text.length();
        }
        throw new IndexOutOfBoundsException(letter);
    }

    /** Whether all that goes is on one line. */
    boolean isOnOneLine() { return first == last; }

    /** The marks that go. */
    Set<Integer> going() {
        Set<Integer> going = new HashSet<>();
        for (int i = first; i <= last; i++) {
            List<Integer> line = passage.lines.get(i);
            going.addAll(line.subList(i == first ? from : 0, i == last ? to : line.size()));
        }
        return going;
    }

    /** Whether its passage goes as a whole, with the room it took. */
    boolean isRemoval() {
        List<List<Integer>> lines = passage.lines;
        return runs.isEmpty() && !passage.goesOn && first == 0 && from == 0 && last == lines.size() - 1 && to == lines.get(last).size();
    }

    /** Whether what goes are rows of a table, with all that they say. */
    boolean isOfRows() { return isRemoval() && passage.row != null; }

    /** Whether a mark of its passage is none of a label. */
    boolean isText(ShownGlyph mark) { return !passage.labelled.contains(mark.glyph().order()); }

    List<Integer> line() { return passage.lines.get(first); }

    /** How its line is set: the last of a justified passage fills its column no more. */
    Setting lineSetting() { return set == Setting.JUSTIFIED && last == passage.lines.size() - 1 && !passage.goesOn ? Setting.AT_LEFT : set; }
}
