package app.decant.recover.scan;

import app.decant.pdf.read.Ink;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The rules of a scanned page: rows of ink that go on much longer than any letter's, put together where they touch. Scans break thin
 * lines and tilt them by a pixel; both are mended.
 */
final class RuleFinder {
    /** In points. */
    private static final double SHORTEST = 18;
    private static final double THICKEST = 4;
    private static final double BROKEN = 0.36;
    private static final double SAME_LINE = 4;

    private final double scale;
    private final List<Bar> rules = new ArrayList<>();

    /** Rows of ink that touch: their frame in pixels, the pixel after the last included, how much ink there is in them, and its last row's run. */
    private static final class Bar {
        private int left;
        private int top;
        private int right;
        private int bottom;
        private int ink;
        private int lastFrom;
        private int lastTo;

        Bar(Bitmap.Run run) {
            left = run.from();
            right = run.to();
            top = run.row();
            add(run);
        }

        void add(Bitmap.Run run) {
            left = Math.min(left, run.from());
            right = Math.max(right, run.to());
            bottom = run.row() + 1;
            ink += run.length();
            lastFrom = run.from();
            lastTo = run.to();
        }

        void add(Bar other) {
            left = Math.min(left, other.left);
            right = Math.max(right, other.right);
            top = Math.min(top, other.top);
            bottom = Math.max(bottom, other.bottom);
            ink += other.ink;
        }

        int length() { return right - left; }
        int height() { return bottom - top; }
        /** How thick it is in the mean: a line that is tilted by a pixel is not thicker for it. */
        double thickness() { return (double) ink / length(); }
    }

    /** @param scale points a pixel */
    private RuleFinder(double scale) { this.scale = scale; }

    /** @param colours of what is drawn there */
    static List<Ink.Stroke> find(Bitmap page, double scale, Colours colours) {
        RuleFinder across = new RuleFinder(scale).find(page);
        RuleFinder down = new RuleFinder(scale).find(page.turned());
        List<Ink.Stroke> found = new ArrayList<>();
        for (Bar bar : across.rules) {
            double middle = (bar.top + bar.bottom) / 2.0 * scale;
            found.add(new Ink.Stroke(bar.left * scale, middle, bar.right * scale, middle, width(bar, scale),
                    colours.of(bar.left, bar.top, bar.right, bar.bottom), false, 0));
        }
        for (Bar bar : down.rules) {
            double middle = (bar.top + bar.bottom) / 2.0 * scale;
            found.add(new Ink.Stroke(middle, bar.left * scale, middle, bar.right * scale, width(bar, scale),
                    colours.of(bar.top, bar.left, bar.bottom, bar.right), false, 0));
        }
        return found;
    }

    /** Scanned lines are as wide as somebody would have drawn them: by quarters of a point. */
    private static double width(Bar bar, double scale) { return Math.max(0.25, Math.round(bar.thickness() * scale * 4) / 4.0); }

    private RuleFinder find(Bitmap page) {
        List<Bar> open = new ArrayList<>();
        List<Bar> all = new ArrayList<>();
        for (int y = 0; y < page.height(); y++) {
            List<Bar> still = new ArrayList<>();
            for (Bitmap.Run run : runs(page, y)) {
                Bar into = null;
                for (Bar bar : open) {
                    if (bar.bottom < y || run.from() > bar.lastTo + gap() || run.to() < bar.lastFrom - gap()) continue;
                    if (into == null) into = bar;
                    else if (into != bar) {
                        into.add(bar);
                        all.remove(bar);
                        bar.bottom = -1;
                    }
                }
                if (into == null) all.add(into = new Bar(run));
                else into.add(run);
                if (!still.contains(into)) still.add(into);
            }
            open = still;
        }
        for (Bar bar : all) if (bar.thickness() * scale <= THICKEST && bar.height() * scale <= 2 * THICKEST) rules.add(bar);
        join();
        rules.removeIf(bar -> bar.length() * scale < SHORTEST);
        return this;
    }

    private int gap() { return Math.max(1, (int) Math.round(BROKEN / scale)); }

    /** Stretches of ink in a row that are longer than letters are, small breaks in them mended. */
    private List<Bitmap.Run> runs(Bitmap page, int y) {
        List<Bitmap.Run> runs = new ArrayList<>();
        int shortest = (int) (SHORTEST / 2 / scale);
        int from = -1;
        int last = -1;
        for (int x = 0; x <= page.width(); x++) {
            boolean ink = x < page.width() && page.is(x, y);
            if (ink) {
                if (from < 0) from = x;
                last = x;
            } else if (from >= 0 && (x == page.width() || x - last > gap())) {
                if (last + 1 - from >= shortest) runs.add(new Bitmap.Run(y, from, last + 1));
                from = -1;
            }
        }
        return runs;
    }

    /** Pieces of one line become one. */
    private void join() {
        rules.sort(Comparator.comparingInt((Bar bar) -> bar.top).thenComparingInt(bar -> bar.left));
        for (int i = 0; i < rules.size(); i++) {
            Bar one = rules.get(i);
            int k = i + 1;
            while (k < rules.size() && rules.get(k).top <= one.bottom + 2 * gap()) {
                Bar other = rules.get(k);
                int apart = Math.max(one.left, other.left) - Math.min(one.right, other.right);
                // Beside each other, or a line that was seen as two since a row between them is pale.
                boolean touch = other.top <= one.bottom + 1;
                if (apart < -gap() && !touch || apart * scale > SAME_LINE) {
                    k++;
                    continue;
                }
                one.add(other);
                rules.remove(k);
                k = i + 1;
            }
        }
    }
}
