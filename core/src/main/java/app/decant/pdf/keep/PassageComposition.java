package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Frame;
import app.decant.pdf.keep.Correction.Setting;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.keep.SetLabels.SetLabel;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Composes the words of a passage into lines between the edges of its column, or of the paragraphs that are put into it. */
final class PassageComposition {
    /** Of the height of a line this is above its baseline, and this below; common practice. */
    private static final double ABOVE = 0.75;
    private static final double BELOW = 0.25;
    /** By which share of its line's room a word may be longer before it is parted: in a narrow cell it stood as close to the sides. */
    private static final double NARROW = 0.04;
    /** Lines stand equally far from each other that differ by no more than this, in points. */
    private static final double EVEN = 0.3;
    /** Signs after which a word may be parted; common practice. */
    private static final String PARTING = "-/?&=_.,;:\u2010\u2013";

    private final ChangedPage at;
    private final Correction correction;
    private final Correction.Parting parting;
    private final List<StandingLine> lines;
    private final PassageColumn column;
    private final ShownGlyph like;
    /** Whether lines stand equally far from each other whatever the size of their letters. */
    private final boolean even;
    private final List<ComposedLine> composed = new ArrayList<>();
    private int rest = -1;

    /**
     * Begins one.
     *
     * @param lines the lines of the passage as they are, from that on where something is another
     * @param like  the letter of them in whose ems words are told
     */
    PassageComposition(ChangedPage at, Correction correction, List<StandingLine> lines, PassageColumn column, ShownGlyph like) {
        this.at = at;
        this.correction = correction;
        this.lines = lines;
        this.column = column;
        parting = correction.passage().parting();
        this.like = like;
        even = IntStream.range(1, lines.size()).allMatch(i -> Math.abs(lines.get(i).baseline() - lines.get(i - 1).baseline() - column.leading()) < EVEN);
    }

    /** @param through whether it does not end where a line begins as one did before */
    List<ComposedLine> of(List<SetWord> all, boolean through) throws Refused, IOException {
        List<SetWord> words = new ArrayList<>(all);
        composed.clear();
        int last = correction.last() - correction.first();
        boolean sides = correction.set() != Setting.AT_LEFT && correction.set() != Setting.JUSTIFIED;
        int paragraph = parting == null ? 0 : (int) parting.starts().stream().filter(start -> start <= correction.first()).count();
        int begin = 0;
        while (begin < words.size()) {
            if (parting == null && !through && words.get(begin).begins() > last) break;
            int line = composed.size();
            boolean opens = words.get(begin).isOpening();
            if (opens) paragraph++;
            Frame frame = parting == null ? null : parting.frames().get(paragraph);
            double right = frame == null ? column.right() : frame.right();
            double left = frame != null ? line == 0 || opens ? frame.opens() : frame.left() : left(line, opens, sides);
            double space = frame == null ? ComposedLine.space(like) : space(words.get(begin));
            if (left + words.get(begin).width(like) > right + Math.max(0.5, NARROW * (right - left))) part(words, begin, right - left);
            double width = words.get(begin).width(like);
            int end = begin + 1;
            while (end < words.size() && !words.get(end).isOpening() && left + width + space + words.get(end).width(like) <= right + 0.05)
                width += space + words.get(end++).width(like);
            double baseline = frame != null ? baseline(frame, opens) : baseline(words.subList(begin, end), opens);
            boolean ends = end == words.size() ? !correction.passage().goesOn() : words.get(end).isOpening();
            SetLabel label = opens && frame == null && parting != null ? label(paragraph) : null;
            composed.add(new ComposedLine(List.copyOf(words.subList(begin, end)), left, width, baseline, ends, label, frame));
            begin = end;
        }
        rest = begin < words.size() ? words.get(begin).begins() : -1;
        return composed.stream().map(this::placed).toList();
    }

    /** The line, as the page is, that goes on as it was after those that were composed; -1 where none does. */
    int rest() { return rest; }

    /** A word that is longer than its line goes on on the next: after a sign that parts it, else wherever the line ends. */
    private void part(List<SetWord> words, int index, double room) throws NoRoom {
        SetWord word = words.get(index);
        List<SetWord.Letter> letters = word.letters();
        int fits = 0;
        int parts = 0;
        double width = 0;
        for (int i = 0; i < letters.size() && width <= room + 0.05; i++) {
            width = new SetWord(letters.subList(0, i + 1), -1, -1).width(like);
            if (width > room + 0.05) continue;
            fits = i + 1;
            if (!letters.get(i).text().isEmpty() && PARTING.contains(letters.get(i).text())) parts = fits;
        }
        if (fits == 0 || fits == letters.size()) throw new NoRoom(Message.of("keep.a-word-is-longer-than-its-line"));
        int at = parts > fits / 2 ? parts : fits;
        words.set(index, new SetWord(letters.subList(0, at), word.begins(), word.opens()));
        words.add(index + 1, new SetWord(letters.subList(at, letters.size()), -1, -1));
    }

    private double left(int line, boolean opens, boolean sides) {
        if (sides) return Math.min(column.left(), column.indent());
        if (line == 0) return column.left();
        if (opens) return column.opens();
        return line < lines.size() && parting == null && correction.edges() == null ? lines.get(line).left() : column.indent();
    }

    /** What parts the words of a paragraph that is set in letters of its own. */
    private double space(SetWord word) {
        if (word.letters().isEmpty()) return ComposedLine.space(like);
        SetWord.Letter first = word.letters().get(0);
        return ComposedLine.space(first.like()) * first.share() * like.glyph().size() / first.like().glyph().size();
    }

    private SetLabel label(int paragraph) throws Refused, IOException {
        if (parting.labels().isEmpty()) return null;
        if (paragraph >= parting.labels().size()) throw new Refused(Message.of("keep.its-text-is-not-where-it-seems"));
        return new SetLabels(at.stream, at.letters, at.byOrder).of(parting.labels().get(paragraph), like, column.opens(), column.begins());
    }

    private double baseline(Frame frame, boolean opens) {
        if (composed.isEmpty()) return lines.get(0).baseline() + frame.gap();
        return composed.get(composed.size() - 1).baseline() + (opens ? frame.gap() : frame.leading());
    }

    /** Where the next line stands; larger letters in it need more room above it, those of the line before below that. */
    private double baseline(List<SetWord> words, boolean opens) {
        int line = composed.size();
        boolean own = parting != null && line > 0;
        double baseline = standing(opens) + ABOVE * column.leading() * (share(words) - (own ? 1 : stood(line)));
        if (!own) return baseline + deeper(composed, line);
        ComposedLine before = composed.get(line - 1);
        return before.frame() != null ? baseline : baseline + BELOW * column.leading() * (share(before.words()) - 1);
    }

    /** The size of the largest letters beside that of the passage's, as far as it tells how high a line is. */
    private double share(List<SetWord> words) {
        return words.stream().flatMap(word -> word.letters().stream()).filter(letter -> letter.raised() == 0)
                .mapToDouble(letter -> even && letter.shown() != null ? 1 : letter.share()).max().orElse(1);
    }

    /** The same of a line as it stood. */
    private double stood(int line) { return even || line >= lines.size() ? 1 : lines.get(line).share(like); }

    /** Where the next line stands: as the page has it, below the last as far as lines are; where paragraphs come or go, each below the one before. */
    private double standing(boolean opens) {
        int line = composed.size();
        Correction.Edges edges = correction.edges();
        if (edges != null) return lines.get(0).baseline() + edges.before() + line * column.leading();
        if (parting != null && line > 0) return composed.get(line - 1).baseline() + (opens ? parting.gap() : parting.leading());
        return line < lines.size() ? lines.get(line).baseline() : lines.get(lines.size() - 1).baseline() + (line - lines.size() + 1) * column.leading();
    }

    /**
     * How much lower what follows the lines stands for them.
     *
     * @param consumed how many lines of the passage they stand for
     */
    double lowered(List<ComposedLine> set, int consumed) {
        Correction.Edges edges = correction.edges();
        if (parting == null && edges == null || set.isEmpty()) return (Math.max(1, set.size()) - consumed) * column.leading() + deeper(set, consumed);
        ComposedLine last = set.get(set.size() - 1);
        double besides = edges != null ? edges.after() : parting.after();
        if (last.frame() == null) besides += BELOW * column.leading() * (share(last.words()) - stood(lines.size() - 1));
        return besides + last.baseline() - lines.get(lines.size() - 1).baseline();
    }

    /**
     * How much deeper what follows lines stands for what in them is larger than it was: a share of their height above the letters, one below.
     *
     * @param instead how many lines of the passage they stand for
     */
    private double deeper(List<ComposedLine> set, int instead) {
        double deeper = 0;
        for (ComposedLine line : set) deeper += share(line.words()) - 1;
        for (int i = 0; i < instead; i++) deeper -= stood(i) - 1;
        return (ABOVE + BELOW) * column.leading() * deeper;
    }

    /** A line between the edges of its column, or of its paragraph. */
    private ComposedLine placed(ComposedLine line) {
        Correction.Edges edges = correction.edges();
        Frame frame = line.frame();
        double middle = (lines.get(0).left() + lines.get(0).right()) / 2;
        double right = lines.stream().mapToDouble(StandingLine::right).max().orElseThrow();
        if (edges != null || frame != null) {
            right = frame != null ? frame.right() : edges.right();
            middle = ((frame != null ? frame.left() : edges.left()) + right) / 2;
        }
        Setting set = frame != null ? frame.set() : correction.set();
        boolean fills = set == Setting.JUSTIFIED && !line.ends() && line.words().size() > 1;
        double left = switch (set) {
            case AT_RIGHT -> right - line.width();
            case CENTRED -> middle - line.width() / 2;
            default -> line.left();
        };
        double filled = (frame != null ? frame.right() : column.right()) - left;
        return new ComposedLine(line.words(), left, fills ? filled : line.width(), line.baseline(), line.ends(), line.label(), frame);
    }
}
