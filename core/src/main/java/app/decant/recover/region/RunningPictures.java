package app.decant.recover.region;

import app.decant.document.Image;
import app.decant.pdf.read.Placed;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Pictures that pages have in common, such as a logo at the top of each or a band of colour along its edge: they stand in headers and footers. */
public final class RunningPictures {
    /** What stands this close to each other, in points, stands in one place. */
    private static final double SAME = 1;
    /** On two pages only what stands this near to their edges, as a share of their height, is known to come again. */
    private static final double EDGE = 0.22;
    /** On fewer pages than this what comes again may do so by chance. */
    private static final int FEW = 3;

    /** What a picture is alike in wherever it comes again. */
    private record Kind(Image image, long x, long y, long width, long height) {
        static Kind of(Placed placed) {
            return new Kind(placed.picture().image(), Math.round(placed.x() / SAME), Math.round(placed.y() / SAME), Math.round(placed.picture().width() / SAME),
                    Math.round(placed.picture().height() / SAME));
        }
    }

    private RunningPictures() { }

    /**
     * Takes those that come again out of the pictures of pages.
     *
     * @param pictures of each page; what comes again is taken out of these lists
     * @param height   of the pages
     * @return those of each page
     */
    public static List<List<Placed>> take(List<List<Placed>> pictures, double height) {
        Map<Kind, List<Integer>> pages = new HashMap<>();
        for (int page = 0; page < pictures.size(); page++) {
            for (Placed placed : pictures.get(page)) {
                List<Integer> on = pages.computeIfAbsent(Kind.of(placed), key -> new ArrayList<>());
                if (on.isEmpty() || on.get(on.size() - 1) != page) on.add(page);
            }
        }
        List<List<Placed>> taken = new ArrayList<>();
        for (List<Placed> own : pictures) {
            List<Placed> running = new ArrayList<>();
            for (Placed placed : own) {
                boolean atEdge = placed.bottom() < EDGE * height || placed.top() > (1 - EDGE) * height;
                List<Integer> on = pages.get(Kind.of(placed));
                if (pictures.size() < FEW ? atEdge && on.size() == pictures.size() && on.size() > 1 : runs(on, pictures.size())) running.add(placed);
            }
            own.removeAll(running);
            taken.add(running);
        }
        return taken;
    }

    /** Whether pages that have a picture are all but the first, those of one stretch, or every other: more changes than that no header makes. */
    private static boolean runs(List<Integer> on, int count) {
        if (on.size() < FEW - 1 || on.size() * 5 < count * 2) return false;
        boolean[] has = new boolean[count];
        for (int page : on) has[page] = true;
        int changes = 0;
        int turns = 0;
        for (int page = 2; page < count; page++) {
            if (has[page] != has[page - 1]) changes++;
            if (has[page] == has[page - 2]) turns++;
        }
        return changes <= 1 && on.size() * 5 >= count * 3 || turns == count - 2;
    }
}
