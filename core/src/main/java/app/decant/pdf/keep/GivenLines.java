package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.apache.pdfbox.cos.COSObjectKey;

/**
 * Lines that a page has no room for, on their way to the next: letter by letter, as they looked.
 *
 * @param from the index of the page they come from
 * @param to   where they go
 * @param lines from above
 */
public record GivenLines(int from, Onward to, List<Line> lines) implements Arrival {
    /** Letters reach so far above their baseline, in ems. */
    private static final double ABOVE = 0.75;

    public GivenLines {
        lines = lines.stream().sorted(Comparator.comparingDouble(Line::baseline)).toList();
        if (lines.isEmpty()) throw new IllegalArgumentException("Something is given over");
    }

    @Override public int page() { return to.page(); }

    /**
     * A line.
     *
     * @param baseline where it would stand on the page that it comes from, in points from its top
     * @param stood    where it stood there; NaN for one that was set anew
     * @param size     of its largest letters
     * @param rules    what is drawn with its words
     * @param pictures what is shown with them, or instead
     */
    public record Line(double baseline, double stood, double size, List<Letter> letters, List<Rule> rules, List<Shown> pictures) {
        public Line {
            letters = List.copyOf(letters);
            rules = List.copyOf(rules);
            pictures = List.copyOf(pictures);
        }

        Line(double baseline, double stood, double size, List<Letter> letters) { this(baseline, stood, size, letters, List.of(), List.of()); }

        Line(double baseline, double stood, double size, List<Letter> letters, List<Rule> rules) {
            this(baseline, stood, size, letters, rules, List.of());
        }

        /** A picture by itself, as a line of which it is the only letter. */
        static Line of(Shown picture) {
            Rectangle2D box = picture.box();
            return new Line(box.getMaxY(), box.getMaxY(), box.getHeight() / ABOVE, List.of(), List.of(), List.of(picture));
        }

        boolean isFresh() { return Double.isNaN(stood); }

        /** How much lower it would stand than it stood. */
        double lowered() { return isFresh() ? 0 : baseline - stood; }

        /** The same with more drawn behind its words. */
        Line with(List<Rule> more) {
            List<Rule> all = new ArrayList<>(more);
            all.addAll(rules);
            return new Line(baseline, stood, size, letters, all, pictures);
        }

        /** The same with more shown. */
        Line showing(List<Shown> more) {
            List<Shown> all = new ArrayList<>(pictures);
            all.addAll(more);
            return new Line(baseline, stood, size, letters, rules, all);
        }

        /** The same so much further down. */
        Line lower(double by) {
            return moved(0, by);
        }

        private Line moved(double across, double by) {
            return new Line(baseline + by, stood, size, letters.stream().map(letter -> letter.at(letter.x + across, letter.baseline + by)).toList(),
                    rules.stream().map(rule -> rule.moved(across, by)).toList(), pictures.stream().map(one -> one.moved(across, by)).toList());
        }
    }

    /**
     * A picture.
     *
     * @param picture  its object in the file, which any page can have
     * @param place    where it puts the unit square (ISO 32000-2, 8.9.3), in points from the top left corner of the page
     * @param contents the number of the marked content it was of, as for a letter
     */
    public record Shown(COSObjectKey picture, AffineTransform place, int contents) {
        public Shown { place = new AffineTransform(place); }

        @Override public AffineTransform place() { return new AffineTransform(place); }

        Shown moved(double across, double down) {
            AffineTransform moved = AffineTransform.getTranslateInstance(across, down);
            moved.concatenate(place);
            return new Shown(picture, moved, contents);
        }

        Rectangle2D box() { return place.createTransformedShape(new Rectangle2D.Double(0, 0, 1, 1)).getBounds2D(); }
    }

    /**
     * A letter.
     *
     * @param code     by which its font shows it, as hexadecimal digits
     * @param font     by which it is shown
     * @param em       its advance in the font's measure, 1 for an em
     * @param x        where it begins, in points, as are {@code width} and {@code baseline}
     * @param height   of its em
     * @param across   the width of its em
     * @param slant    how far the top of its em leans to the right
     * @param contents the number of the marked content it was of; -1 for none, -2 for what is no content of the document
     * @param beside   where it is of a paragraph that was put in beside that; else null
     */
    public record Letter(String text, String code, FontName font, double em, double x, double width, double baseline, double size, double height,
            double across, double slant, int rgb, int contents, Rewritten.Beside beside) {
        static final int NONE = -1;
        static final int ARTIFACT = -2;

        /** Whether it is shown in one go with another before it. */
        boolean looksAs(Letter other) {
            return font.equals(other.font) && height == other.height && across == other.across && slant == other.slant && rgb == other.rgb
                    && contents == other.contents && Objects.equals(beside, other.beside) && Math.abs(baseline - other.baseline) < 1e-3;
        }

        double right() { return x + width; }

        Letter of(int other, Rewritten.Beside paragraph) {
            return new Letter(text, code, font, em, x, width, baseline, size, height, across, slant, rgb, other, paragraph);
        }

        Letter by(FontName other) {
            return new Letter(text, code, other, em, x, width, baseline, size, height, across, slant, rgb, contents, beside);
        }

        Letter at(double newX, double newBaseline) {
            return new Letter(text, code, font, em, newX, width, newBaseline, size, height, across, slant, rgb, contents, beside);
        }
    }

    /**
     * A line under or through words, or the area behind them, in points.
     *
     * @param behind whether it is that
     */
    public record Rule(double x, double y, double width, double height, int rgb, boolean behind) {
        Rule moved(double across, double down) { return new Rule(x + across, y + down, width, height, rgb, behind); }

        Rectangle2D box() { return new Rectangle2D.Double(x, y, width, height); }
    }

    /** How a font is told. */
    public sealed interface FontName permits FontAddress, FontResource { }

    /** The object of a font (ISO 32000-2, 7.3.10), which any page can have. */
    public record FontAddress(long number, int generation) implements FontName { }

    /** A font of the stream that letters are written into, by its name as that writes it. */
    public record FontResource(String name) implements FontName { }

    /** The same lines where they come to stand: the first on a baseline, the others below it as they were. */
    List<Line> standing(double first) {
        List<Line> standing = new ArrayList<>();
        for (Line line : lines) {
            double down = first - lines.get(0).baseline;
            standing.add(line.moved(to.across(), down));
        }
        return standing;
    }

    /** The same with more drawn behind the first. */
    GivenLines with(List<Rule> more) {
        List<Line> all = new ArrayList<>(lines);
        all.set(0, all.get(0).with(more));
        return new GivenLines(from, to, all);
    }

    /** Together with others from the same page. */
    GivenLines and(List<Line> others) {
        List<Line> all = new ArrayList<>(lines);
        all.addAll(others);
        return new GivenLines(from, to, all);
    }
}
