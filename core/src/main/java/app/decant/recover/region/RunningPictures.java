package app.decant.recover.region;

import app.decant.document.Image;
import app.decant.pdf.read.Placed;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

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
     * Takes those that come again out of the pictures of pages; pages of other sizes have headers of their own.
     *
     * @param pictures of each page; what comes again is taken out of these lists
     * @return those of each page
     */
    public static List<List<Placed>> take(List<PageMatter> pages, List<List<Placed>> pictures) {
        Map<List<Long>, List<Integer>> bySize = new HashMap<>();
        for (PageMatter page : pages)
            bySize.computeIfAbsent(List.of(Math.round(page.width()), Math.round(page.height())), key -> new ArrayList<>()).add(page.index());
        List<List<Placed>> taken = new ArrayList<>();
        for (int page = 0; page < pages.size(); page++) taken.add(new ArrayList<>());
        for (List<Integer> alike : bySize.values()) take(alike, pages.get(alike.get(0)).height(), pictures, taken);
        return taken;
    }

    private static void take(List<Integer> alike, double height, List<List<Placed>> pictures, List<List<Placed>> taken) {
        Map<Kind, List<Integer>> places = new HashMap<>();
        for (int i = 0; i < alike.size(); i++) {
            for (Placed placed : pictures.get(alike.get(i))) {
                List<Integer> on = places.computeIfAbsent(Kind.of(placed), key -> new ArrayList<>());
                if (on.isEmpty() || on.get(on.size() - 1) != i) on.add(i);
            }
        }
        for (int page : alike) {
            for (Placed placed : List.copyOf(pictures.get(page))) {
                boolean atEdge = placed.bottom() < EDGE * height || placed.top() > (1 - EDGE) * height;
                List<Integer> on = places.get(Kind.of(placed));
                boolean runs = alike.size() < FEW ? atEdge && on.size() == alike.size() && on.size() > 1 : runs(on, alike.size());
                if (!runs) continue;
                taken.get(page).add(placed);
                pictures.get(page).remove(placed);
            }
        }
    }

    /** Whether it is on several pages one after another and on no others, or on every other. */
    private static boolean runs(List<Integer> on, int count) {
        int pages = on.size();
        int reach = on.get(pages - 1) - on.get(0) + 1;
        if (reach == pages) return pages >= FEW || pages > 1 && pages * 5 >= count * 3;
        return pages > 1 && pages * 2 >= count - 1 && IntStream.range(1, pages).allMatch(i -> on.get(i) - on.get(i - 1) == 2);
    }
}
