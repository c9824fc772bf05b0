package app.decant;

import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Provenance;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * Paragraphs that are put in beside one that is set otherwise, such as text below a heading: where their lines stand, as the page shows it of others of their
 * kind, and whose letters they get.
 */
final class FreshParagraphs {
    /** From baseline to baseline where nothing tells it, in ems; of that so much is above the baseline; common practice. */
    private static final double LEADING = 1.2;
    private static final double ABOVE = 0.75;
    /** Lines that begin this near to each other, in points, begin at one edge. */
    private static final double NEAR = 3;
    /** A column is at least as wide, in ems. */
    private static final double NARROWEST = 4;
    /** So many paragraphs before and behind are asked how others stand. */
    private static final int AROUND = 300;
    private static final List<Property<?>> LETTERS = List.of(TextProperty.FAMILY, TextProperty.SIZE, TextProperty.BOLD, TextProperty.ITALIC,
            TextProperty.COLOUR, TextProperty.UNDERLINE, TextProperty.STRIKE, TextProperty.DOUBLE_STRIKE, TextProperty.HIGHLIGHT, TextProperty.SMALL_CAPITALS,
            TextProperty.CAPITALS, TextProperty.HIDDEN, TextProperty.SCRIPT, TextProperty.LETTER_SPACING, TextProperty.RAISE, TextProperty.LINK,
            TextProperty.TRACKED, TextProperty.FORM);
    /** Letters that are stretched or narrowed by less may be so only to fill the lines of others, whose place the page's own take again. */
    private static final double NARROWED = 0.8;
    private static final double STRETCHED = 1.25;
    /** Values that are as good as none. */
    private static final Set<Object> NOTHING = Set.of(false, 0.0, 1.0, Underline.NONE, Colour.AUTOMATIC);
    private static final char TIE = '\u00A0';

    private final StyleChange styles;
    private final Walk walk;
    private final Provenance provenance;
    private final StandingLabels labels;
    private final TextFlow flow;

    /**
     * What is put in, with the paragraph beside which it is.
     *
     * @param stop   that paragraph as it came
     * @param change of its text: letters for the ends of paragraphs, and what these say
     * @param frames of the paragraphs, by their places among all
     * @param gap    from the last baseline of what is put in before it to its own first; 0 where nothing is
     * @param after  how much lower what follows stands, besides
     * @param nows   all as they are, from above
     */
    record Beside(int stop, WordChange change, Map<Integer, Correction.Frame> frames, double gap, double after, List<Paragraph> nows) { }

    FreshParagraphs(StyleChange styles, Walk walk, Provenance provenance, StandingLabels labels, TextFlow flow) {
        this.styles = styles;
        this.walk = walk;
        this.provenance = provenance;
        this.labels = labels;
        this.flow = flow;
    }

    private Paragraph paragraph(int stop) { return walk.stops().get(stop).paragraph(); }

    private List<Provenance.Line> lines(int stop) { return provenance.of(paragraph(stop)); }

    /** Behind a paragraph; null where it can't be told how. */
    Beside behind(int stop, Paragraph is, List<Paragraph> fresh) {
        if (!isText(stop)) return null;
        WordChange own = WordChange.between(styles, paragraph(stop), end(is, is.inlines().size()));
        List<Correction.Run> runs = own == null ? null : runs(stop, fresh);
        if (runs == null) return null;
        List<Correction.Run> all = new ArrayList<>(own.runs());
        all.addAll(runs);
        int last = fresh.size() - 1;
        double after = isBelow(stop, stop + 1) ? gap(stop, kind(fresh.get(last)), kind(stop + 1)) - gap(stop) : 0;
        Map<Integer, Correction.Frame> frames = frames(stop, kind(stop), fresh, 1);
        List<Paragraph> nows = new ArrayList<>(fresh);
        nows.add(0, is);
        return frames == null ? null : new Beside(stop, new WordChange(own.from(), own.to(), own.until(), all), frames, 0, after, nows);
    }

    /** Before a paragraph; null where it can't be told how. */
    Beside before(int stop, Paragraph is, List<Paragraph> fresh) {
        // What stands before a label or a tab would part them from what they belong to.
        boolean parted = !isText(stop) || labels.label(paragraph(stop)) != null || is.text().indexOf(Inline.TAB) >= 0;
        if (parted || styles.is().paragraph(is).is(ParagraphProperty.PAGE_BREAK_BEFORE)) return null;
        WordChange own = WordChange.between(styles, paragraph(stop), end(is, 0));
        List<Correction.Run> runs = own == null || own.from() > 0 ? null : runs(stop, fresh);
        if (runs == null) return null;
        List<Correction.Run> all = new ArrayList<>(runs);
        all.addAll(own.runs());
        Kind before = isBelow(stop - 1, stop) ? kind(stop - 1) : null;
        Map<Integer, Correction.Frame> frames = frames(stop, before, fresh, 0);
        List<Paragraph> nows = new ArrayList<>(fresh);
        nows.add(is);
        double gap = gap(stop, kind(fresh.get(fresh.size() - 1)), kind(stop));
        return frames == null ? null : new Beside(stop, new WordChange(0, own.to(), own.until(), all), frames, gap, 0, nows);
    }

    /** A paragraph of the text whose letters are known. */
    private boolean isText(int stop) {
        return stop >= 0 && stop < walk.stops().size() && LinesBelow.isOfText(walk.stops().get(stop).path()) && !lines(stop).isEmpty()
                && provenance.places(paragraph(stop)) != null;
    }

    /** With the end of another paragraph among its inlines. */
    private static Paragraph end(Paragraph is, int at) {
        if (is.inlines().isEmpty()) return is;
        List<Inline> inlines = new ArrayList<>(is.inlines());
        inlines.add(at, new Inline.Text(String.valueOf(Correction.PARAGRAPH), inlines.get(Math.max(0, at - 1)).look()));
        return is.withInlines(inlines);
    }

    /** What paragraphs say, each in letters of its own. */
    List<Correction.Run> runs(int stop, List<Paragraph> fresh) {
        List<Correction.Run> runs = new ArrayList<>();
        for (Paragraph one : fresh) {
            Look look = styles.is().paragraph(one);
            boolean plain = look.get(ParagraphProperty.LIST) == null && !look.is(ParagraphProperty.PAGE_BREAK_BEFORE)
                    && !look.is(ParagraphProperty.RIGHT_TO_LEFT) && look.get(ParagraphProperty.BORDERS) == null && look.get(ParagraphProperty.SHADING) == null;
            if (!plain) return null;
            if (one != fresh.get(0)) runs.add(Correction.Run.plain(String.valueOf(Correction.PARAGRAPH)));
            for (Inline inline : one.inlines()) {
                if (inline.length() == 0) continue;
                if (!(inline instanceof Inline.Text text) || text.text().chars().anyMatch(c -> c < ' ')) return null;
                Correction.Run run = run(stop, styles.is().text(one, text.look()), text.text().replace(TIE, ' '));
                if (run == null) return null;
                runs.add(run);
            }
        }
        return runs;
    }

    /** Words in the letters that the page shows in their look, or in those of what they stand beside, made to be like them; null where neither can be. */
    private Correction.Run run(int stop, Look look, String words) {
        List<Correction.Drawn> drawn = WordChange.drawn(Look.PLAIN, look);
        double wide = look.get(TextProperty.WIDTH_SCALE, 1.0);
        boolean own = look.get(TextProperty.LINK) != null || look.get(TextProperty.FORM) != null || wide < NARROWED || wide > STRETCHED;
        if (drawn == null || own) return null;
        int page = lines(stop).get(0).page();
        Model best = null;
        for (int i = 0; i < walk.stops().size(); i++) {
            if (lines(i).isEmpty() || lines(i).get(0).page() != page && lines(i).get(lines(i).size() - 1).page() != page) continue;
            Model model = model(i, page, look);
            if (model != null && (best == null || Math.abs(model.share - 1) < Math.abs(best.share - 1))) best = model;
        }
        if (best != null) return Correction.Run.as(best.mark, words, best.share, drawn);
        Paragraph beside = paragraph(stop);
        Look stands = beside.inlines().stream().filter(Inline.Text.class::isInstance).findFirst().map(Inline::look).orElse(beside.mark());
        return WordChange.run(letters(styles.was().text(beside, stands)), letters(look), words);
    }

    /** @param share the size that is wished beside that of the mark */
    private record Model(int mark, double share) { }

    /** The first letter of a paragraph on a page that looks so but for its size; null where none does. */
    private Model model(int stop, int page, Look look) {
        Paragraph one = paragraph(stop);
        int[][] places = provenance.places(one);
        int at = 0;
        for (Inline inline : one.inlines()) {
            int from = at;
            at += inline.length();
            if (places == null || !(inline instanceof Inline.Text text)) continue;
            Look own = styles.was().text(one, text.look());
            if (!bare(own).equals(bare(look))) continue;
            for (int i = from; i < at; i++) {
                boolean shown = places[i] != null && Character.isLetterOrDigit(one.text().charAt(i)) && lines(stop).get(places[i][0]).page() == page;
                int mark = shown ? lines(stop).get(places[i][0]).marks()[places[i][1]] : -1;
                if (mark >= 0) return new Model(mark, size(look) / size(own));
            }
        }
        return null;
    }

    private static Look bare(Look look) {
        return letters(look).without(TextProperty.SIZE).without(TextProperty.UNDERLINE).without(TextProperty.STRIKE).without(TextProperty.HIGHLIGHT);
    }

    /** What a look says of letters: that in force tells of paragraphs as well. */
    private static Look letters(Look look) {
        Look letters = Look.PLAIN;
        for (Property<?> property : LETTERS) letters = with(letters, property, look.get(property));
        return letters;
    }

    private static <T> Look with(Look letters, Property<T> property, Object value) {
        return value == null || NOTHING.contains(value) ? letters : letters.with(property, property.type().cast(value));
    }

    private static double size(Look look) { return look.get(TextProperty.SIZE, 10.0); }

    /** Where paragraphs stand, each below the one before; null where they have no room. */
    private Map<Integer, Correction.Frame> frames(int stop, Kind before, List<Paragraph> fresh, int first) {
        double[] column = column(stop);
        Map<Integer, Correction.Frame> frames = new HashMap<>();
        Kind last = before;
        for (int i = 0; i < fresh.size(); i++) {
            Paragraph one = fresh.get(i);
            Look look = styles.is().paragraph(one);
            Kind kind = kind(one);
            double left = column[0] + look.get(ParagraphProperty.INDENT_START, 0.0);
            double opens = left + look.get(ParagraphProperty.FIRST_LINE, 0.0);
            double right = column[1] - look.get(ParagraphProperty.INDENT_END, 0.0);
            if (right - Math.max(left, opens) < NARROWEST * kind.size || Math.min(left, opens) < 0) return null;
            // The first of all stands as much lower than what began there as the room above it is larger.
            double gap = last == null ? 0 : gap(stop, last, kind);
            if (first + i == 0 && last != null) gap -= gap(stop - 1);
            frames.put(first + i, new Correction.Frame(left, opens, right, leading(stop, kind), gap, WordChange.setting(styles.is(), one)));
            last = kind;
        }
        return frames;
    }

    /** The left and the right edge of the column in which a paragraph stands: those of its pages' text, else of what stands above and below it there. */
    private double[] column(int stop) {
        int page = lines(stop).get(0).page();
        double[] edges = flow.edges(page);
        if (edges != null) {
            // Where no line is long the margin at the right is as wide as that at the left.
            double width = provenance.sheets().get(page).width();
            return edges[1] - edges[0] > width / 2 ? edges : new double[] {edges[0], Math.max(edges[1], width - edges[0])};
        }
        double left = Double.MAX_VALUE;
        double right = 0;
        for (Provenance.Line line : lines(stop)) {
            left = Math.min(left, StandingPassages.left(line));
            right = Math.max(right, StandingPassages.right(line));
        }
        double begins = left;
        for (int i = 0; i < walk.stops().size(); i++)
            for (Provenance.Line line : LinesBelow.isOfText(walk.stops().get(i).path()) ? lines(i) : List.<Provenance.Line>of())
                if (line.page() == page && Math.abs(StandingPassages.left(line) - begins) < NEAR) right = Math.max(right, StandingPassages.right(line));
        return new double[] {left, right};
    }

    /**
     * What tells paragraphs of one kind.
     *
     * @param look its style, with what it says itself
     */
    private record Kind(Paragraph paragraph, Look look, double size) {
        boolean isLike(Kind other) { return paragraph == other.paragraph || isOf(other) && paragraph.look().equals(other.paragraph.look()); }

        boolean isOf(Kind other) { return Objects.equals(paragraph.style(), other.paragraph.style()) && Math.abs(size - other.size) < 0.1; }
    }

    private Kind kind(Paragraph fresh) { return kind(fresh, styles.is()); }

    private Kind kind(int stop) { return kind(paragraph(stop), styles.was()); }

    private static Kind kind(Paragraph one, Cascade cascade) {
        Look text = one.inlines().stream().filter(inline -> inline.length() > 0).findFirst().map(Inline::look).orElse(one.mark());
        return new Kind(one, cascade.paragraph(one), size(cascade.text(one, text)));
    }

    /** Whether a paragraph of the text stands right below another, on the page on which that ends. */
    boolean isBelow(int upper, int lower) {
        if (!isText(upper) || !isText(lower)) return false;
        Provenance.Line last = lines(upper).get(lines(upper).size() - 1);
        Provenance.Line first = lines(lower).get(0);
        return last.page() == first.page() && first.baseline() > last.baseline() + 0.5 * first.size();
    }

    /** From the last baseline of a paragraph to the first of that below it. */
    private double gap(int upper) { return lines(upper + 1).get(0).baseline() - lines(upper).get(lines(upper).size() - 1).baseline(); }

    /** How far from each other two kinds stand: as pages around a paragraph show it, else as they are set. */
    private double gap(int stop, Kind upper, Kind lower) {
        double gap = 0;
        double half = 0;
        for (int i : around(stop)) {
            if (!isBelow(i, i + 1)) continue;
            Kind one = kind(i);
            Kind other = kind(i + 1);
            if (one.isLike(upper) && other.isLike(lower)) return gap(i);
            if (gap == 0 && one.isOf(upper) && other.isOf(lower)) gap = gap(i);
            // Below the same kind another stands that is smaller or larger, with more room before it or less.
            if (half == 0 && one.isLike(upper)) half = gap(i) + ABOVE * (leading(stop, lower) - leading(stop, other)) + before(lower) - before(other);
        }
        if (gap > 0 || half > 0) return gap > 0 ? gap : half;
        return (1 - ABOVE) * leading(stop, upper) + ABOVE * leading(stop, lower) + upper.look.get(ParagraphProperty.SPACE_AFTER, 0.0)
                + before(lower);
    }

    private static double before(Kind kind) { return kind.look.get(ParagraphProperty.SPACE_BEFORE, 0.0); }

    /** The paragraphs around one, the nearest first. */
    private List<Integer> around(int stop) {
        List<Integer> around = new ArrayList<>();
        for (int away = 0; away <= AROUND; away++) {
            if (stop - away >= 0) around.add(stop - away);
            if (away > 0 && stop + away < walk.stops().size()) around.add(stop + away);
        }
        return around;
    }

    private double leading(int stop, Kind kind) {
        for (int i : around(stop)) {
            double leading = isText(i) && kind(i).isOf(kind) ? StandingPassages.leading(lines(i)) : 0;
            if (leading > 0) return leading;
        }
        LineSpacing spacing = kind.look.get(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE);
        return switch (spacing.rule()) {
            case MULTIPLE -> LEADING * kind.size * spacing.value();
            case AT_LEAST -> Math.max(LEADING * kind.size, spacing.value());
            case EXACTLY -> spacing.value();
        };
    }
}
