package app.decant.recover;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.recover.region.FieldPlaces;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** The letters of a recovered document, page by page, each where its page shows it. */
final class PageLetters {
    private final Map<Integer, List<Letter>> letters = new HashMap<>();
    private final Map<Paragraph, BlockPath> paths = new IdentityHashMap<>();

    /** A letter where a page shows it, in points from the left top corner. */
    record Letter(Paragraph paragraph, int offset, double left, double right, double baseline, double size) {
        double middle() { return baseline - 0.3 * size; }

        boolean isIn(Rectangle2D area) { return area.contains((left + right) / 2, middle()); }

        double away(Rectangle2D area) {
            double across = Math.max(0, Math.max(left - area.getMaxX(), area.getMinX() - right));
            // What stands on its line is meant before what stands above or below it.
            return across + 4 * Math.max(0, Math.max(middle() - size / 2 - area.getMaxY(), area.getMinY() - middle() - size / 2));
        }
    }

    PageLetters(Document document, Provenance provenance) {
        for (Walk.Stop stop : Walk.of(document).stops()) {
            paths.put(stop.paragraph(), stop.path());
            List<Provenance.Line> lines = provenance.of(stop.paragraph());
            int[][] places = lines.isEmpty() ? null : provenance.places(stop.paragraph());
            for (int i = 0; places != null && i < places.length; i++)
                if (places[i] != null) add(stop.paragraph(), i, lines.get(places[i][0]), places[i][1]);
            blanks(stop.paragraph(), lines);
        }
    }

    /** The blanks of empty fields, which are no letters of the text: the first in the lines is the first in the text. */
    private void blanks(Paragraph paragraph, List<Provenance.Line> lines) {
        String text = paragraph.text();
        int from = text.indexOf(FieldPlaces.BLANK);
        for (Provenance.Line line : lines) {
            for (int at = line.letters().indexOf(FieldPlaces.BLANK); at >= 0 && from >= 0; at = line.letters().indexOf(FieldPlaces.BLANK,
                    at + FieldPlaces.BLANK.length())) {
                for (int i = 0; i < FieldPlaces.BLANK.length(); i++) add(paragraph, from + i, line, at + i);
                from = text.indexOf(FieldPlaces.BLANK, from + FieldPlaces.BLANK.length());
            }
        }
    }

    private void add(Paragraph paragraph, int offset, Provenance.Line line, int at) {
        letters.computeIfAbsent(line.page(), page -> new ArrayList<>()).add(new Letter(paragraph, offset, line.lefts()[at], line.rights()[at], line.baseline(),
                line.size()));
    }

    /** The letters of a page, by its index. */
    List<Letter> on(int page) { return letters.getOrDefault(page, List.of()); }

    /** Where a paragraph stands. */
    BlockPath path(Paragraph paragraph) { return paths.get(paragraph); }
}
