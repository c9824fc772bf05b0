package app.decant.recover.scan;

import app.decant.document.Picture;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Rows of dots that lead from a contents entry to its page. Programs that recognise words make letters of them, so they are read here, and taken out. */
final class Leaders {
    private static final int FEWEST = 8;
    /** A dot is at most this large, and stands this far from the next, in points. */
    private static final double DOT = 2.4;
    private static final double APART = 9;
    /** What a dot of text is wide, as a share of its size. */
    private static final double SHARE = 0.25;

    private final List<Picture.Word> words = new ArrayList<>();
    private final List<Bitmap.Spot> dots = new ArrayList<>();

    /** @param scale points a pixel */
    Leaders(Bitmap ink, double scale) {
        List<Bitmap.Spot> small = new ArrayList<>();
        int most = (int) Math.ceil(DOT / scale);
        for (Bitmap.Spot spot : ink.spots(most)) if (spot.width() <= 2 * spot.height() && spot.height() <= 2 * spot.width()) small.add(spot);
        small.sort(Comparator.comparingInt(Bitmap.Spot::left));
        boolean[] taken = new boolean[small.size()];
        for (int i = 0; i < small.size(); i++) {
            if (taken[i]) continue;
            List<Integer> row = row(small, taken, i, APART / scale);
            if (row.size() < FEWEST) continue;
            for (int one : row) taken[one] = true;
            List<Bitmap.Spot> some = row.stream().map(small::get).toList();
            dots.addAll(some);
            words.add(word(some, scale));
        }
    }

    /** Dots on one line, as far from each other as the first two are. */
    private static List<Integer> row(List<Bitmap.Spot> spots, boolean[] taken, int first, double most) {
        List<Integer> row = new ArrayList<>(List.of(first));
        double pitch = 0;
        for (int i = first + 1; i < spots.size(); i++) {
            Bitmap.Spot last = spots.get(row.get(row.size() - 1));
            Bitmap.Spot spot = spots.get(i);
            double apart = (spot.left() + spot.right() - last.left() - last.right()) / 2.0;
            if (apart > (pitch == 0 ? most : 1.4 * pitch)) break;
            if (taken[i] || Math.abs(spot.bottom() - last.bottom()) > 2 || apart < 2 || pitch != 0 && apart < 0.6 * pitch) continue;
            if (pitch == 0) pitch = apart;
            row.add(i);
        }
        return row;
    }

    private static Picture.Word word(List<Bitmap.Spot> row, double scale) {
        Bitmap.Spot first = row.get(0);
        Bitmap.Spot last = row.get(row.size() - 1);
        double width = (last.right() - first.left()) * scale;
        double pitch = width / row.size();
        return new Picture.Word(".".repeat(row.size()), first.left() * scale, first.bottom() * scale, width, Math.max(6, Math.min(14, pitch / SHARE)));
    }

    /** In points. */
    List<Picture.Word> words() { return words; }
    /** In pixels. */
    List<Bitmap.Spot> dots() { return dots; }
}
