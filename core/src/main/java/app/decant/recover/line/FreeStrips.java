package app.decant.recover.line;

import java.util.ArrayList;
import java.util.List;

/** Upright strips of a page that nothing stands in, each from its left to its right edge. */
public final class FreeStrips {
    private FreeStrips() { }

    /** Free strips without a stretch; what is left narrower than {@code least} is no strip. */
    public static List<double[]> without(List<double[]> free, double from, double to, double least) {
        List<double[]> rest = new ArrayList<>();
        for (double[] strip : free) {
            if (to <= strip[0] || from >= strip[1]) {
                rest.add(strip);
                continue;
            }
            if (from - strip[0] > 0 && from - strip[0] >= least) rest.add(new double[] {strip[0], from});
            if (strip[1] - to > 0 && strip[1] - to >= least) rest.add(new double[] {to, strip[1]});
        }
        return rest;
    }
}
