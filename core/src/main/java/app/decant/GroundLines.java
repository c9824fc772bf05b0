package app.decant;

import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.page.Line;
import app.decant.page.Piece;
import app.decant.page.Rewritten;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntFunction;

/** Where the text of a document stands on the pages of the file that it was taken from: lines for carets and for what is picked, none of them painted. */
final class GroundLines {
    /** Above and below a baseline, in ems: as far as a caret reaches. */
    private static final double ASCENT = 0.85;
    private static final double DESCENT = 0.25;
    /** What a space takes that nothing shows, in ems. */
    private static final double SPACE = 0.25;
    /** The page of what stands on none of these. */
    private static final int NOWHERE = -1;

    private final Provenance provenance;
    private final Map<Paragraph, Map<Integer, List<Item.LineItem>>> known = new IdentityHashMap<>();

    GroundLines(Provenance provenance) { this.provenance = provenance; }

    /** The lines of a paragraph that is as it came, by the indexes of their pages; none where it is not known where it stands. */
    Map<Integer, List<Item.LineItem>> of(Paragraph paragraph) {
        return known.computeIfAbsent(paragraph, key -> {
            Stand stand = stand(key);
            return stand == null ? Map.of() : lines(key, stand, true);
        });
    }

    /** The lines of a paragraph that stands where another stood, letter for letter. */
    Map<Integer, List<Item.LineItem>> as(Paragraph old, Paragraph now) {
        Stand stand = stand(old);
        return stand == null ? Map.of() : lines(now, stand, true);
    }

    /**
     * The lines of what says something else in one place, as its page was written anew.
     *
     * @param pages those that were written anew; null for the others
     */
    Map<Integer, List<Item.LineItem>> of(TextEdits.Edit edit, IntFunction<Rewritten> pages, Rewritten.Reset reset) {
        if (edit.correction().cell() != null) return filled(edit, reset);
        if (edit.isOfRows()) return inRows(edit, reset);
        List<Provenance.Line> came = new ArrayList<>();
        List<int[]> places = new ArrayList<>();
        for (Paragraph old : edit.olds()) {
            int[][] own = provenance.places(old);
            if (own == null || provenance.of(old).isEmpty()) return Map.of();
            if (old != edit.old()) places.add(null);
            for (int[] place : own) places.add(place == null ? null : new int[] {place[0] + came.size(), place[1]});
            came.addAll(provenance.of(old));
        }
        Stand old = new Stand(places.size(), came);
        old.put(places.toArray(new int[0][]), came);
        old.fill(WordChange.joined(edit.olds()).text());
        String text = WordChange.joined(edit.nows()).text();
        if (text.isEmpty()) return empty(edit.nows().get(0), old, edit.from(), true);
        Stand stand = anew(edit, text, pages, reset, old, came, places.toArray(new int[0][]));
        Map<Integer, List<Item.LineItem>> lines = new TreeMap<>();
        int from = 0;
        for (Paragraph now : edit.nows()) {
            int to = from + now.length();
            // An empty one stands where the end of the paragraph before it leads.
            Map<Integer, List<Item.LineItem>> own = now.length() > 0 ? lines(now, stand.part(from, to), true)
                    : empty(now, stand, from > 0 ? from - 1 : to, true);
            own.forEach((at, some) -> lines.computeIfAbsent(at, key -> new ArrayList<>()).addAll(some));
            from = to + 1;
        }
        return lines;
    }

    /**
     * The lines of what says something else, as far as they stand where they stood: on pages that nothing of it reached.
     *
     * @param from the first letter that is another
     * @param to   the letter after the last, as it came
     */
    Map<Integer, List<Item.LineItem>> staying(Paragraph came, Paragraph now, int from, int to) {
        Stand old = stand(came);
        if (old == null || now.length() == 0) return Map.of();
        Stand stand = new Stand(now.length(), provenance.of(came));
        int added = now.length() - came.length() + to - from;
        for (int i = 0; i < now.length(); i++) {
            int was = i < from ? i : i - added + to - from;
            boolean fresh = i >= from && i < from + added;
            if (fresh) stand.put(i, stand.line(NOWHERE, 0, 1), 0, 0);
            else stand.put(i, old.line[was], old.left[was], old.right[was]);
        }
        Map<Integer, List<Item.LineItem>> lines = lines(now, stand, true);
        lines.remove(NOWHERE);
        return lines;
    }

    /** The lines of what was put into an empty cell. */
    private static Map<Integer, List<Item.LineItem>> filled(TextEdits.Edit edit, Rewritten.Reset reset) {
        return filled(edit.nows().get(0), edit.page(), edit.correction().cell().size(), reset.letters());
    }

    private static Map<Integer, List<Item.LineItem>> filled(Paragraph now, int page, double size, List<Rewritten.Spot> spots) {
        Stand stand = new Stand(now.length(), List.of());
        for (int i = 0; i < now.length(); i++) {
            Rewritten.Spot spot = spots.get(i);
            if (spot != null) stand.put(i, stand.line(page, spot.baseline(), size), spot.left(), spot.right());
        }
        stand.fill(now.text());
        return lines(now, stand, true);
    }

    /** The lines of what was put into rows that are new, and where to write in their cells that say nothing yet. */
    private static Map<Integer, List<Item.LineItem>> inRows(TextEdits.Edit edit, Rewritten.Reset reset) {
        List<Item.LineItem> lines = new ArrayList<>();
        List<Correction> cells = edit.correction().rows().stream().flatMap(row -> row.cells().stream()).toList();
        int from = 0;
        for (int i = 0; i < cells.size(); i++) {
            Paragraph now = edit.nows().get(i);
            int to = from + now.length();
            double size = cells.get(i).cell().size();
            Rewritten.Spot end = reset.letters().get(to);
            Stand place = new Stand(1, List.of());
            place.put(0, place.line(edit.page(), end.baseline(), size), end.left(), end.right());
            lines.addAll((now.length() == 0 ? empty(now, place, 0, true) : filled(now, edit.page(), size, reset.letters().subList(from, to)))
                    .getOrDefault(edit.page(), List.of()));
            from = to + 1;
        }
        return Map.of(edit.page(), lines);
    }

    /**
     * The lines of a header or footer on one page.
     *
     * @param now  its paragraph, letter for letter as it came
     */
    static List<Item.LineItem> of(StandingHeads.One head, Paragraph now) { return lines(now, stand(head), false).getOrDefault(head.page(), List.of()); }

    /** The lines of a header or footer that says something else in one place, as one page was written anew. */
    static List<Item.LineItem> of(StandingHeads.One head, TextEdits.Edit edit, IntFunction<Rewritten> pages, Rewritten.Reset reset) {
        Stand old = stand(head);
        Paragraph now = edit.nows().get(0);
        Map<Integer, List<Item.LineItem>> lines = now.length() == 0 ? empty(now, old, edit.from(), false)
                : lines(now, anew(edit, now.text(), pages, reset, old, List.of(head.line()), places(head)), false);
        return lines.getOrDefault(head.page(), List.of());
    }

    private static int[][] places(StandingHeads.One head) {
        int[][] places = new int[head.letters().length][];
        for (int i = 0; i < places.length; i++) if (head.letters()[i] >= 0) places[i] = new int[] {0, head.letters()[i]};
        return places;
    }

    private static Stand stand(StandingHeads.One head) {
        Stand stand = new Stand(head.letters().length, List.of(head.line()));
        stand.put(places(head), List.of(head.line()));
        // A number of the page has one letter in the text, and as many as it needs on the page.
        for (int i = 0; i < head.letters().length; i++) {
            if (head.paragraph().text().charAt(i) != Inline.OBJECT) continue;
            int next = head.line().letters().length();
            for (int j = i + 1; j < head.letters().length && next == head.line().letters().length(); j++) if (head.letters()[j] >= 0) next = head.letters()[j];
            stand.right[i] = head.line().rights()[next - 1];
        }
        stand.fill(head.paragraph().text());
        return stand;
    }

    /** Where the letters of an edited paragraph stand: those that stay where they stood or went to, the others where they were put. */
    private static Stand anew(TextEdits.Edit edit, String text, IntFunction<Rewritten> pages, Rewritten.Reset reset, Stand old, List<Provenance.Line> came,
            int[][] places) {
        Stand stand = new Stand(text.length(), came);
        int added = reset.letters().size();
        double size = came.get(old.line[edit.from()]).size();
        for (int i = 0; i < text.length(); i++) {
            boolean fresh = i >= edit.from() && i < edit.from() + added;
            int was = i < edit.from() ? i : i - added + edit.to() - edit.from();
            if (!fresh && places[was] == null) continue;
            Rewritten.Spot spot = fresh ? reset.letters().get(i - edit.from()) : null;
            int on = fresh ? edit.page() : came.get(places[was][0]).page();
            Rewritten page = pages.apply(on);
            if (!fresh) {
                Provenance.Line line = came.get(places[was][0]);
                Rewritten.Reset own = on == edit.page() ? reset : page == null ? null : page.arrived();
                if (own != null) spot = own.marks().get(line.marks()[places[was][1]]);
                Rewritten.Given given = page != null && spot == null ? page.given(old.left[was], line.baseline()) : null;
                if (given != null) {
                    stand.put(i, given, old.left[was], old.right[was], line.baseline(), size);
                    continue;
                }
                double down = page != null && spot == null ? page.pushed(old.left[was], line.baseline()) : 0;
                if (spot == null) stand.put(i, down == 0 ? old.line[was] : stand.line(on, line.baseline() + down, size), old.left[was], old.right[was]);
            }
            if (spot != null && spot.over()) stand.put(i, page.given(spot), spot.left(), spot.right(), spot.baseline(), size);
            else if (spot != null) stand.put(i, stand.line(spot.isElsewhere() ? spot.page() : on, spot.baseline(), size), spot.left(), spot.right());
        }
        stand.fill(text);
        return stand;
    }

    /** A paragraph without words has a place to write on all the same: where a letter stands or stood. */
    private static Map<Integer, List<Item.LineItem>> empty(Paragraph paragraph, Stand stand, int at, boolean body) {
        On on = stand.lines.get(stand.line[at]);
        double ascent = ASCENT * on.size;
        Line line = new Line(0, 0, 0, 0, 0, ascent + DESCENT * on.size, ascent, ascent, DESCENT * on.size, List.of(), Line.Break.NONE);
        return Map.of(on.page, List.of(new Item.LineItem(new TextPassage(paragraph), line, stand.left[at], on.baseline - ascent, body)));
    }

    /** A line as far as letters stand on it. */
    private record On(int page, double baseline, double size) { }

    /** For each letter of a paragraph the line it is on, and where it begins and ends. */
    private static final class Stand {
        final List<On> lines = new ArrayList<>();
        final int[] line;
        final float[] left;
        final float[] right;

        Stand(int length, List<Provenance.Line> came) {
            for (Provenance.Line one : came) lines.add(new On(one.page(), one.baseline(), one.size()));
            line = new int[length];
            left = new float[length];
            right = new float[length];
            Arrays.fill(line, -1);
        }

        private Stand(List<On> lines, int[] line, float[] left, float[] right) {
            this.lines.addAll(lines);
            this.line = line;
            this.left = left;
            this.right = right;
        }

        /** Some of the letters, by themselves. */
        Stand part(int from, int to) {
            return new Stand(lines, Arrays.copyOfRange(line, from, to), Arrays.copyOfRange(left, from, to), Arrays.copyOfRange(right, from, to));
        }

        /** The line of a page with a baseline, another if there is none yet. */
        int line(int page, double baseline, double size) {
            for (int i = 0; i < lines.size(); i++)
                if (lines.get(i).page == page && Math.abs(lines.get(i).baseline - baseline) < 0.3 * size) return i;
            lines.add(new On(page, baseline, size));
            return lines.size() - 1;
        }

        /** A letter that went over to another page. */
        void put(int at, Rewritten.Given given, float from, float to, double baseline, double size) {
            float across = (float) given.across();
            put(at, line(given.page(), baseline + given.down(), size), from + across, to + across);
        }

        void put(int at, int on, float from, float to) {
            line[at] = on;
            left[at] = from;
            right[at] = to;
        }

        void put(int[][] places, List<Provenance.Line> came) {
            for (int i = 0; i < places.length; i++) {
                if (places[i] == null) continue;
                Provenance.Line one = came.get(places[i][0]);
                put(i, places[i][0], one.lefts()[places[i][1]], one.rights()[places[i][1]]);
            }
        }

        /** Gives what nothing shows its place between what is shown: spaces, breaks, objects. */
        void fill(String text) {
            for (int i = 0; i < line.length; i++) {
                if (line[i] >= 0) continue;
                int next = i;
                while (next < line.length && line[next] < 0) next++;
                boolean begins = i == 0 || text.charAt(i - 1) == Inline.LINE_BREAK && next < line.length;
                if (begins) {
                    float at = next < line.length ? left[next] : 0;
                    put(i, next < line.length ? line[next] : 0, at, at);
                    continue;
                }
                int on = line[i - 1];
                float from = right[i - 1];
                boolean within = next < line.length && line[next] == on;
                double share = within ? (left[next] - from) / (double) (next - i) : SPACE * lines.get(on).size;
                put(i, on, from, (float) (from + share));
            }
        }
    }

    private Stand stand(Paragraph paragraph) {
        List<Provenance.Line> lines = provenance.of(paragraph);
        String text = paragraph.text();
        if (lines.isEmpty() || text.isEmpty() || lines.stream().allMatch(line -> line.letters().isEmpty())) return null;
        Stand stand = new Stand(text.length(), lines);
        int[][] places = provenance.places(paragraph);
        if (places == null) places = about(text.length(), lines);
        stand.put(places, lines);
        stand.fill(text);
        return stand;
    }

    /** Where the letters stand about, of text that does not tell quite what its lines do. */
    private static int[][] about(int length, List<Provenance.Line> lines) {
        int all = lines.stream().mapToInt(line -> line.letters().length()).sum();
        int[][] places = new int[length][];
        for (int i = 0; i < length; i++) {
            int at = (int) ((long) i * all / length);
            int line = 0;
            while (at >= lines.get(line).letters().length()) at -= lines.get(line++).letters().length();
            places[i] = new int[] {line, at};
        }
        return places;
    }

    private static Map<Integer, List<Item.LineItem>> lines(Paragraph paragraph, Stand stand, boolean body) {
        Map<Integer, List<Item.LineItem>> pages = new TreeMap<>();
        TextPassage passage = new TextPassage(paragraph);
        String text = paragraph.text();
        int from = 0;
        for (int i = 1; i <= text.length(); i++) {
            if (i < text.length() && stand.line[i] == stand.line[from]) continue;
            On on = stand.lines.get(stand.line[from]);
            pages.computeIfAbsent(on.page, page -> new ArrayList<>()).add(line(passage, text, stand, from, i, on, body));
            from = i;
        }
        return pages;
    }

    private static Item.LineItem line(TextPassage passage, String text, Stand stand, int from, int to, On on,
            boolean body) {
        float[] lefts = Arrays.copyOfRange(stand.left, from, to);
        float[] rights = Arrays.copyOfRange(stand.right, from, to);
        boolean backwards = to - from > 1 && lefts[0] > lefts[to - from - 1];
        float least = Float.MAX_VALUE;
        float most = -Float.MAX_VALUE;
        for (int i = 0; i < lefts.length; i++) {
            least = Math.min(least, lefts[i]);
            most = Math.max(most, rights[i]);
        }
        for (int i = 0; i < lefts.length; i++) {
            lefts[i] -= least;
            rights[i] -= least;
        }
        Line.Break after = text.charAt(to - 1) == Inline.LINE_BREAK ? Line.Break.LINE : Line.Break.NONE;
        double ascent = ASCENT * on.size;
        double descent = DESCENT * on.size;
        Piece letters = new Piece.Letters(from, lefts, rights, backwards);
        Line line = new Line(from, to, 0, 0, most - least, ascent + descent, ascent, ascent, descent, List.of(letters), after);
        return new Item.LineItem(passage, line, least, on.baseline - ascent, body);
    }
}
