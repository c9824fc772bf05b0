package app.decant.recover.text;

import app.decant.pdf.read.Glyph;
import app.decant.recover.line.ListLabel;
import app.decant.recover.line.TextLine;
import java.util.ArrayList;
import java.util.List;

/** Lines at usual distance of each other, and what is common to them: whether somebody ended them by hand, and how loosely a program broke them. */
final class LineGroup {
    private static final double ALIKE = ParagraphFinder.ALIKE;
    /** Longer than this is no address. */
    private static final int MOST_BY_HAND = 8;
    /** No line that is left short is shorter by this share of its column. */
    private static final double SHORT = 0.25;
    /** A verse is shorter than the longest by this share of that. */
    private static final double EARLY = 0.15;
    /** Lines that end this close to each other, in points, end at one edge. */
    private static final double FLUSH = 0.6;
    /** The first line of a paragraph is not moved in or out by more than so many ems. */
    private static final double INDENT = 4;
    /** So much of a column is free behind a line only where somebody ended it. */
    private static final double MUCH = 0.3;
    private static final String CLOSING = ".!?:\u2026\u00BB\u201D\"";
    private static final String OPENING = "\u00AB\u201C\u201E\"([";

    final List<TextLine> lines = new ArrayList<>();
    double left = Double.MAX_VALUE;
    double right = -Double.MAX_VALUE;
    double widest;
    /** The least distance of baselines; 0 for a single line. */
    double leading;
    /** Whether every line is a paragraph. */
    boolean separate;
    /** Whether every line was ended by hand, as in an address. */
    boolean byHand;
    /** Whether its lines are verses: ended by hand in mid-sentence, too. */
    boolean verse;
    /** How far lines of the column reach that begin where these do: its own right edge where several of its lines end there. */
    double reach;
    /** How far short of the edge, the next word counted, lines end in the middle of sentences: how loosely this text was broken. */
    double looseness;

    void add(TextLine line) {
        if (!lines.isEmpty()) {
            double step = line.baseline() - lines.get(lines.size() - 1).baseline();
            leading = leading == 0 ? step : Math.min(leading, step);
        }
        lines.add(line);
        left = Math.min(left, line.edgeLeft());
        right = Math.max(right, line.edgeRight());
        widest = Math.max(widest, line.width());
    }

    /**
     * Finds out what is common to the lines of each group of a column, all of whose lines are there.
     *
     * @param byHand whether all lines are known to be ended by hand
     */
    static void settle(List<LineGroup> groups, boolean byHand, double columnLeft, double columnRight) {
        for (LineGroup one : groups) {
            one.looseness = one.ownLooseness();
            one.verse = one.isVerse(columnRight);
            one.reach = one.reach(groups);
        }
        double common = commonLooseness(groups, columnRight - columnLeft);
        for (LineGroup one : groups) {
            one.looseness = Math.max(one.looseness, common);
            one.separate = !byHand && one.areSeparate(columnLeft, columnRight);
            one.byHand = byHand || !one.separate && one.areEndedByHand(columnLeft, columnRight);
        }
    }

    private double reach(List<LineGroup> groups) {
        if (lines.stream().filter(line -> Math.abs(line.edgeRight() - right) < FLUSH).count() > 1) return right;
        return groups.stream().filter(other -> Math.abs(other.left - left) < ALIKE).mapToDouble(other -> other.right).max().orElse(right);
    }

    /**
     * Whether a sentence ends with a line and the next begins one, where the column had room for its first word: other lines of the paragraph may be as
     * short as that by chance. What leaves much of the column free needs no full stop.
     */
    boolean endsInColumn(TextLine line, TextLine next) {
        double free = shortfall(line, next, reach);
        if (free < Math.max(0.4, looseness) || line.isRightToLeft() || isHyphenated(line) || Math.abs(next.edgeLeft() - line.edgeLeft()) > INDENT * line.size())
            return false;
        int begins = next.text().codePointAt(0);
        if (Character.isLowerCase(begins) || !Character.isLetterOrDigit(begins) && OPENING.indexOf(begins) < 0) return false;
        return CLOSING.indexOf(line.text().charAt(line.text().length() - 1)) >= 0 || free > MUCH * (reach - left);
    }

    /** Short lines that each end early, as in an address: every line is a paragraph. */
    private boolean areSeparate(double columnLeft, double columnRight) {
        int count = lines.size();
        double width = columnRight - columnLeft;
        if (count > 1 && right - columnLeft <= 0.7 * width && lines.stream().allMatch(LineGroup::isTypewritten)) return true;
        if (count < 2 || right - columnLeft > 0.78 * width || hasHanging()) return false;
        int early = 0;
        for (int i = 0; i + 1 < count; i++) if (endsEarly(lines.get(i), lines.get(i + 1), right)) early++;
        return looseness <= 0.4 && early * 2 >= count - 1 && early > 0;
    }

    /** Whether lines hang below the text of list items: those tell of themselves where they begin. */
    boolean hasHanging() {
        for (int i = 0; i + 1 < lines.size(); i++) {
            double body = ListLabel.length(lines.get(i).text()) > 0 ? lines.get(i).textAfterLabel() : -1;
            TextLine next = lines.get(i + 1);
            if (body > lines.get(i).edgeLeft() + ALIKE && ListLabel.length(next.text()) == 0 && Math.abs(next.edgeLeft() - body) < ALIKE) return true;
        }
        return false;
    }

    /** A few lines far narrower than their column, none of which goes on with the sentence of the one before: an address, a title, a name and an office. */
    private boolean areEndedByHand(double columnLeft, double columnRight) {
        int count = lines.size();
        double share = (right - left) / (columnRight - columnLeft);
        if (count < 2 || count > MOST_BY_HAND || share > 0.6 || looseness > 0.4) return false;
        boolean early = false;
        for (int i = 0; i + 1 < count; i++) {
            TextLine line = lines.get(i);
            TextLine next = lines.get(i + 1);
            boolean begins = Character.isUpperCase(next.text().codePointAt(0)) || Character.isDigit(next.text().codePointAt(0));
            if (!begins || isNote(next) || isHyphenated(line) || line.isRightToLeft() || ListLabel.length(next.text()) > 0) return false;
            early |= endsEarly(line, next, right);
        }
        return early || share < 0.45;
    }

    /** Programs that weigh all lines of a paragraph against each other leave lines short that had room for a word; lines in mid-sentence tell how short. */
    private double ownLooseness() {
        double most = 0;
        for (int i = 0; i + 1 < lines.size(); i++) {
            TextLine line = lines.get(i);
            TextLine next = lines.get(i + 1);
            if (isMidSentence(line, next) && line.edgeRight() > left + 0.6 * (right - left)) most = Math.max(most, shortfall(line, next, right));
        }
        return most;
    }

    /** How short lines are left in the whole text: a program that weighs lines does so everywhere, so several passages show it. */
    private static double commonLooseness(List<LineGroup> groups, double width) {
        double[] shown = groups.stream().mapToDouble(group -> group.looseness).filter(looseness -> looseness < SHORT * width).sorted().toArray();
        return shown.length < 2 ? 0 : Math.max(0, shown[shown.length - 2]);
    }

    /** A block far from the edge of its column, in which more than one line leaves far more room than any program would in mid-sentence. */
    private boolean isVerse(double columnRight) {
        double width = right - left;
        if (lines.size() < 3 || columnRight - right < SHORT * (columnRight - left) || hasHanging()) return false;
        int early = 0;
        for (int i = 0; i + 1 < lines.size(); i++) {
            TextLine line = lines.get(i);
            TextLine next = lines.get(i + 1);
            if (isHyphenated(line) || line.isRightToLeft() || line.hasTab() || ListLabel.length(next.text()) > 0
                    || Math.abs(next.edgeLeft() - line.edgeLeft()) > ALIKE) return false;
            if (shortfall(line, next, right) > EARLY * width) early++;
        }
        return early * 3 >= lines.size() - 1 && looseness > 0;
    }

    private static boolean endsEarly(TextLine line, TextLine next, double edge) { return shortfall(line, next, edge) > 0.4; }

    /** The room that is left at the end of a line once the next word is put there. */
    static double shortfall(TextLine line, TextLine next, double edge) {
        double space = Math.max(0.2 * line.size(), Math.min(0.3 * line.size(), line.first().space()));
        return edge - line.edgeRight() - space - next.firstWord();
    }

    /** Whether a line surely goes on with the sentence of the one before. */
    static boolean isMidSentence(TextLine line, TextLine next) {
        return !next.text().isEmpty() && !isTypewritten(line) && Character.isLowerCase(next.text().codePointAt(0))
                && ".!?:;".indexOf(line.text().charAt(line.text().length() - 1)) < 0 && ListLabel.length(next.text()) == 0;
    }

    /** Text in letters of one width is broken by hand or by count: its lines mean what they look like. */
    private static boolean isTypewritten(TextLine line) {
        for (Glyph glyph : line.glyphs()) if (!glyph.text().isBlank() && !glyph.face().fixed()) return false;
        return true;
    }

    static boolean isNote(TextLine line) { return NoteFinder.isRaised(line.first(), line) && NoteFinder.mark(line) != null; }

    static boolean isHyphenated(TextLine line) { return line.text().endsWith("-") || line.text().endsWith("\u00AD"); }
}
