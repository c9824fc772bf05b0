package app.decant.recover.made;

import app.decant.document.Inline;
import app.decant.document.NumberFormat;
import app.decant.pdf.read.Placed;
import app.decant.recover.region.FrameLine;
import app.decant.recover.region.FramePart;
import app.decant.recover.region.RunningHeads;
import app.decant.recover.text.ListFinder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Which stretches of pages share headers and footers, and how their pages are numbered. */
public final class FramePlan {
    /**
     * A stretch of pages.
     *
     * @param normal page whose frames stand on its pages; {@code even} likewise where even pages differ; -1 for none
     * @param firstDiffers whether its first page has frames of its own
     */
    record Stretch(int from, int normal, int even, boolean firstDiffers, NumberFormat format, Integer start) { }

    private final RunningHeads heads;
    private final int pages;
    private boolean evenAndOdd;

    FramePlan(RunningHeads heads, int pages) {
        this.heads = heads;
        this.pages = pages;
    }

    boolean evenAndOdd() { return evenAndOdd; }

    private String signature(int page) {
        StringBuilder text = new StringBuilder();
        for (FramePart part : heads.header(page)) text.append(part.signature()).append('|');
        text.append("//");
        for (FramePart part : heads.footer(page)) text.append(part.signature()).append('|');
        for (boolean top : new boolean[] {true, false}) {
            for (Placed one : heads.pictures(page, top))
                text.append("|picture@").append(Math.round(one.x())).append(',').append(Math.round(one.y())).append(one.picture().image().hashCode());
        }
        return text.append(format(page)).toString();
    }

    /** How a page's number is written, as far as it is printed. */
    private NumberFormat format(int page) {
        String number = number(page);
        if (number == null || Character.isDigit(number.charAt(0))) return NumberFormat.DECIMAL;
        return Character.isUpperCase(number.charAt(0)) ? NumberFormat.UPPER_ROMAN : NumberFormat.LOWER_ROMAN;
    }

    private String number(int page) {
        for (List<FramePart> parts : List.of(heads.header(page), heads.footer(page))) {
            for (FrameLine line : parts.stream().flatMap(part -> part.lines().stream()).toList()) {
                for (FrameLine.Part part : line.fields())
                    if (part.kind() == Inline.Field.Kind.PAGE) return line.line().text().substring(part.from(), part.to());
            }
        }
        return null;
    }

    /** @param closed pages that a section cannot begin at, since a paragraph runs on to them */
    List<Stretch> stretches(Set<Integer> closed) {
        String[] signatures = new String[pages];
        for (int i = 0; i < pages; i++) signatures[i] = signature(i);
        List<Stretch> result = new ArrayList<>();
        int[] modes = parityModes(signatures);
        if (modes != null) {
            evenAndOdd = true;
            boolean first = !signatures[0].equals(signatures[parity(0) == 1 ? modes[1] : modes[0]]);
            result.add(new Stretch(0, modes[1], modes[0], first, format(modes[1]), start(0, -1)));
            return result;
        }
        int at = 0;
        Integer counted = null;
        while (at < pages) {
            int normal = at;
            boolean first = at == 0 && pages > 2 && !signatures[0].equals(signatures[1]) && signatures[1].equals(signatures[2]) && format(0) == format(1)
                    || at == 0 && pages == 2 && !signatures[0].equals(signatures[1]);
            if (first) normal = 1;
            int end = normal + 1;
            while (end < pages && (signatures[end].equals(signatures[normal]) || closed.contains(end))) end++;
            Integer start = start(at, counted == null ? 0 : counted);
            result.add(new Stretch(at, normal, -1, first, format(normal), start));
            counted = (start != null ? start : counted == null ? 1 : counted) + end - at;
            at = end;
        }
        return result;
    }

    /** The number the first page of a stretch has, where that is not the one that follows anyway. */
    private Integer start(int from, int expected) {
        for (int page = from; page < Math.min(pages, from + 3); page++) {
            String number = number(page);
            if (number == null) continue;
            int value = Character.isDigit(number.charAt(0)) ? Integer.parseInt(number.length() > 6 ? "0" : number)
                    : Math.max(1, ListFinder.value(number, format(page)));
            int start = value - (page - from);
            int usual = expected <= 0 ? 1 : expected;
            return start < 0 || start == usual ? null : Integer.valueOf(start);
        }
        return null;
    }

    private int parity(int page) { return Math.floorMod(page + (heads.offset() == null ? 1 : heads.offset()), 2); }

    /** The usual even and odd page where those differ from each other all through; null where they don't. */
    private int[] parityModes(String[] signatures) {
        if (pages < 5) return null;
        int[] modes = new int[2];
        for (int parity = 0; parity < 2; parity++) {
            Map<String, Integer> counts = new HashMap<>();
            Map<String, Integer> samples = new HashMap<>();
            int all = 0;
            for (int i = 1; i < pages; i++) {
                if (parity(i) != parity) continue;
                all++;
                counts.merge(signatures[i], 1, Integer::sum);
                samples.putIfAbsent(signatures[i], i);
            }
            Map.Entry<String, Integer> most = counts.entrySet().stream().max(Map.Entry.comparingByValue()).orElse(null);
            if (most == null || most.getValue() < 2 || most.getValue() * 5 < all * 4) return null;
            modes[parity] = samples.get(most.getKey());
        }
        return signatures[modes[0]].equals(signatures[modes[1]]) ? null : modes;
    }
}
