package app.decant.document;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The headings of a document in order, and the holes in their numbering. */
public record Outline(List<Heading> headings, List<Gap> gaps) {
    private static final Pattern NUMBER = Pattern.compile("^\\s*(\\d+(?:\\.\\d+)*)\\.?\\s");

    /**
     * One heading.
     *
     * @param label its list number, or empty
     * @param text  without the label
     */
    public record Heading(int level, String label, String text, BlockPath path, Paragraph paragraph) {
        public String title() { return label.isEmpty() ? text : label + " " + text; }
    }

    /**
     * A number missing between two headings.
     *
     * @param number    that one would expect
     * @param after     the index of the heading before the hole
     * @param candidate the way to the passage that is likely the missing heading, or null
     */
    public record Gap(String number, int after, BlockPath candidate) { }

    public Outline {
        headings = List.copyOf(headings);
        gaps = List.copyOf(gaps);
    }

    /**
     * A heading that stands more than one level below the one before it.
     *
     * @param levels that are left out between them
     */
    public record Skip(Heading heading, int levels) { }

    /** All of these, in their order. */
    public List<Skip> skips() {
        List<Skip> skips = new ArrayList<>();
        for (int i = 1; i < headings.size(); i++) {
            int levels = headings.get(i).level() - headings.get(i - 1).level() - 1;
            if (levels > 0) skips.add(new Skip(headings.get(i), levels));
        }
        return skips;
    }

    public static Outline of(Document document, Cascade cascade, ListLabels labels) { return of(document, cascade, labels, block -> true, null); }

    /**
     * The same after an edit.
     *
     * @param headed whether a block is a heading or holds one; where that is known the others need not be looked at
     * @param before what it was, or null: headings that stay are not read again
     */
    public static Outline of(Document document, Cascade cascade, ListLabels labels, Predicate<Block> headed, Outline before) {
        Map<Paragraph, Heading> known = new IdentityHashMap<>();
        if (before != null) for (Heading heading : before.headings) known.put(heading.paragraph, heading);
        List<Heading> headings = new ArrayList<>();
        for (int s = 0; s < document.sections().size(); s++) {
            List<Block> blocks = document.sections().get(s).blocks();
            for (int b = 0; b < blocks.size(); b++) {
                if (!headed.test(blocks.get(b))) continue;
                List<Walk.Stop> stops = blocks.get(b) instanceof Paragraph paragraph ? List.of(new Walk.Stop(BlockPath.of(s, b), paragraph))
                        : Walk.of(blocks.subList(b, b + 1), BlockPath.of(s), b).stops();
                for (Walk.Stop stop : stops) heading(stop, cascade, labels, known.get(stop.paragraph())).ifPresent(headings::add);
            }
        }
        boolean same = before != null && before.gaps.isEmpty() && headings.size() == before.headings.size();
        for (int i = 0; same && i < headings.size(); i++) same = headings.get(i) == before.headings.get(i);
        return same ? before : new Outline(headings, gaps(headings, document));
    }

    private static Optional<Heading> heading(Walk.Stop stop, Cascade cascade, ListLabels labels, Heading known) {
        int level = cascade.outlineLevel(stop.paragraph());
        if (level < 1 || level > 9) return Optional.empty();
        String counted = labels.label(stop.paragraph());
        String label = counted == null ? "" : counted.trim();
        if (known != null && known.level == level && known.label.equals(label) && known.path.equals(stop.path())) return Optional.of(known);
        String text = stop.paragraph().plainText().replaceAll("\\s+", " ").trim();
        return text.isEmpty() ? Optional.empty() : Optional.of(new Heading(level, label, text, stop.path(), stop.paragraph()));
    }

    private static List<Gap> gaps(List<Heading> headings, Document document) {
        List<Gap> gaps = new ArrayList<>();
        Walk walk = null;
        int[][] numbers = headings.stream().map(heading -> number(heading.title() + " ")).toArray(int[][]::new);
        for (int i = 1; i < numbers.length; i++) {
            int[] number = numbers[i];
            if (number == null) continue;
            int before = i - 1;
            while (before >= 0 && (numbers[before] == null || numbers[before].length > number.length)) before--;
            if (before < 0 || numbers[before].length != number.length) continue;
            int last = number.length - 1;
            boolean sameStem = Arrays.equals(numbers[before], 0, last, number, 0, last);
            for (int missing = numbers[before][last] + 1; sameStem && missing < number[last] && missing <= numbers[before][last] + 5; missing++) {
                int[] expected = number.clone();
                expected[last] = missing;
                String written = Arrays.stream(expected).mapToObj(Integer::toString).reduce((a, b) -> a + "." + b).orElseThrow();
                if (walk == null) walk = Walk.of(document);
                gaps.add(new Gap(written, i - 1, candidate(written, headings.get(before).path(), headings.get(i).path(), walk)));
            }
        }
        return gaps;
    }

    private static BlockPath candidate(String number, BlockPath from, BlockPath to, Walk walk) {
        for (Walk.Stop stop : walk.between(from, to)) {
            String text = stop.paragraph().plainText().trim();
            if (text.length() < 160 && (text.startsWith(number + " ") || text.startsWith(number + "\t") || text.startsWith(number + ". "))) return stop.path();
        }
        return null;
    }

    private static int[] number(String title) {
        Matcher matcher = NUMBER.matcher(title);
        if (!matcher.find()) return null;
        String[] parts = matcher.group(1).split("\\.");
        int[] result = new int[parts.length];
        for (int i = 0; i < parts.length; i++) {
            if (parts[i].length() > 4) return null;
            result[i] = Integer.parseInt(parts[i]);
        }
        return result;
    }
}
