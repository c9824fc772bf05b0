package app.decant.recover.made;

import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.List;

/**
 * Makes the lines of a paragraph end where they ended: finds the width at which words break so, and where no width does that, spaces the letters of
 * single lines a little closer or wider.
 */
public final class LineFit {
    /** No line is spaced by more than this share of its size: it would show. */
    private static final double MOST = 0.045;
    private static final double SLACK = 0.06;

    private final Faces faces;

    LineFit(Faces faces) { this.faces = faces; }

    /**
     * Fits lines.
     *
     * @param lines of a paragraph; the looks of their runs are changed where that is needed
     * @param first the width there is for the first line
     * @param rest  the width there is for the others
     * @param fixed whether the width must stay, since lines reach to its end
     * @return how much narrower (or, negative, wider) the paragraph has to be
     */
    double fit(List<RunMaker.LineRuns> lines, double first, double rest, boolean fixed) { return fit(lines, first, rest, fixed, 0); }

    /** @param shared the width that other paragraphs of the column have, taken where it does; 0 for none */
    double fit(List<RunMaker.LineRuns> lines, double first, double rest, boolean fixed, double shared) {
        if (lines.stream().anyMatch(line -> line.text().indexOf('\t') >= 0)) return 0;
        double low = 0;
        double high = Double.MAX_VALUE;
        double offset = first - rest;
        double[] widths = new double[lines.size()];
        double[] wanted = new double[lines.size()];
        for (int i = 0; i < lines.size(); i++) {
            RunMaker.LineRuns line = lines.get(i);
            double shift = i == 0 ? offset : 0;
            widths[i] = width(line) - shift;
            low = Math.max(low, widths[i]);
            if (i + 1 < lines.size() && line.joint.equals(RunMaker.BREAK)) {
                wanted[i] = Double.MAX_VALUE;
            } else if (i + 1 < lines.size()) {
                wanted[i] = widths[i] + (line.joint.equals(" ") ? space(line) : 0) + firstWord(lines.get(i + 1));
                high = Math.min(high, wanted[i]);
            }
        }
        if (low <= rest - 0.01 && high > rest + 0.01) return 0;
        if (!fixed && low + 2 * SLACK < high) {
            if (shared > low + SLACK && shared < high - SLACK) return rest - shared;
            double target = Math.max(low + SLACK, Math.min(rest, high - SLACK));
            return rest - target;
        }
        for (int i = 0; i < lines.size(); i++) {
            if (widths[i] > rest - 0.01) space(lines.get(i), rest - SLACK - widths[i]);
            else if (i + 1 < lines.size() && wanted[i] <= rest + 0.01) loosen(lines, i, widths[i], rest, wanted[i]);
        }
        return 0;
    }

    /** Keeps the next line's first word from coming up: by spacing letters, or, where that would show, by tying it to the word after it. */
    private void loosen(List<RunMaker.LineRuns> lines, int at, double width, double rest, double wanted) {
        RunMaker.LineRuns line = lines.get(at);
        double need = rest + 2 * SLACK - wanted;
        if (need <= most(line)) {
            space(line, need);
            return;
        }
        RunMaker.LineRuns next = lines.get(at + 1);
        for (int ties = 0; ties < 3; ties++) {
            if (!tie(next)) break;
            need = rest + 2 * SLACK - width - (line.joint.equals(" ") ? space(line) : 0) - firstWord(next);
            if (need <= 0) return;
        }
        space(line, need);
    }

    /** How much wider a line may become. */
    private static double most(RunMaker.LineRuns line) {
        double most = 0;
        for (Inline inline : line.inlines) if (inline instanceof Inline.Text run) most += run.text().length() * run.look().get(TextProperty.SIZE, 10.0) * MOST;
        return most;
    }

    /** Ties the first two words that are not tied yet; false where there are none. */
    private static boolean tie(RunMaker.LineRuns line) {
        for (int i = 0; i < line.inlines.size(); i++) {
            if (!(line.inlines.get(i) instanceof Inline.Text run)) return false;
            int space = run.text().indexOf(' ');
            if (space < 0) continue;
            // A tie must not reach the line's own end.
            if (i == line.inlines.size() - 1 && run.text().indexOf(' ', space + 1) < 0) return false;
            line.inlines.set(i, new Inline.Text(run.text().substring(0, space) + '\u00A0' + run.text().substring(space + 1), run.look()));
            return true;
        }
        return false;
    }

    private double width(RunMaker.LineRuns line) {
        double width = 0;
        for (Inline inline : line.inlines) {
            if (inline instanceof Inline.Text run) width += faces.width(run.text(), run.look());
            else if (inline instanceof Inline.Note note) width += faces.width("8", note.look());
            else if (inline instanceof Inline.InlinePicture picture) width += picture.picture().width();
        }
        if (line.joint.equals("\u00AD") && !line.inlines.isEmpty()) width += faces.width("-", line.inlines.get(line.inlines.size() - 1).look());
        return width;
    }

    private double space(RunMaker.LineRuns line) { return line.inlines.isEmpty() ? 0 : faces.width(" ", line.inlines.get(line.inlines.size() - 1).look()); }

    /** The width up to the first place where the next line could break. */
    private double firstWord(RunMaker.LineRuns line) {
        double width = 0;
        for (Inline inline : line.inlines) {
            if (!(inline instanceof Inline.Text run)) return width;
            int end = breakIn(run.text());
            width += faces.width(end < 0 ? run.text() : run.text().substring(0, end), run.look());
            if (end >= 0) return width;
        }
        return width;
    }

    private static int breakIn(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (text.charAt(i) == ' ') return i;
            if (text.charAt(i) == '-' && i > 0 && i + 1 < text.length() && Character.isLetter(text.charAt(i + 1))) return i + 1;
        }
        return -1;
    }

    /** Spaces the letters of a line so that it is wider by an amount, as far as that does not show. */
    private void space(RunMaker.LineRuns line, double amount) {
        String text = line.text();
        int count = text.codePointCount(0, text.length());
        if (count == 0) return;
        double each = amount / count;
        List<Inline> spaced = new ArrayList<>();
        for (Inline inline : line.inlines) {
            if (inline instanceof Inline.Text run) {
                double most = run.look().get(TextProperty.SIZE, 10.0) * MOST;
                double value = Math.max(-most, Math.min(most, each));
                // Rounded away from nothing, so that the sum is never short.
                value = value < 0 ? Math.floor(value * 100) / 100 : Math.ceil(value * 100) / 100;
                Look look = run.look().with(TextProperty.LETTER_SPACING, value);
                spaced.add(new Inline.Text(run.text(), look));
            } else {
                spaced.add(inline);
            }
        }
        line.inlines.clear();
        line.inlines.addAll(spaced);
    }
}
