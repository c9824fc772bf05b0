package app.decant.recover.region;

import app.decant.pdf.read.Ink;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** An area that is painted in pieces of one colour side by side, as listings are shaded line by line: it is one area to those who look at it. */
final class PiecedArea {
    /** So much of the frame around them the pieces fill, and may overlap each other by. */
    private static final double WHOLE = 0.97;
    private static final double OVERLAPPING = 1.03;

    private PiecedArea() { }

    /** Areas with the pieces that they are painted in, two at least. */
    static Map<Ink.Fill, List<Ink.Fill>> among(List<Ink> ink) {
        Map<Integer, List<Ink.Fill>> colours = new LinkedHashMap<>();
        for (Ink one : ink) if (one instanceof Ink.Fill fill) colours.computeIfAbsent(fill.rgb(), key -> new ArrayList<>()).add(fill);
        Map<Ink.Fill, List<Ink.Fill>> areas = new LinkedHashMap<>();
        for (List<Ink.Fill> pieces : colours.values()) {
            Ink.Fill area = pieces.size() > 1 ? whole(pieces) : null;
            if (area != null) areas.put(area, pieces);
        }
        return areas;
    }

    /** The area that pieces make; null where they leave any of it open. */
    private static Ink.Fill whole(List<Ink.Fill> pieces) {
        double left = pieces.stream().mapToDouble(Ink.Fill::x).min().orElseThrow();
        double top = pieces.stream().mapToDouble(Ink.Fill::y).min().orElseThrow();
        double width = pieces.stream().mapToDouble(Ink.Fill::right).max().orElseThrow() - left;
        double height = pieces.stream().mapToDouble(Ink.Fill::bottom).max().orElseThrow() - top;
        double covered = pieces.stream().mapToDouble(piece -> piece.width() * piece.height()).sum() / (width * height);
        if (!(covered > WHOLE && covered < OVERLAPPING)) return null;
        Ink.Fill first = pieces.get(0);
        return new Ink.Fill(left, top, width, height, first.rgb(), first.order());
    }
}
