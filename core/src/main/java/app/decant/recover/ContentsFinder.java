package app.decant.recover;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds contents lists: three or more entries in a row that lead to a page number at the right edge. */
final class ContentsFinder {
    private static final Pattern ENTRY = Pattern.compile("^(.*?[^\\s.·…_])\\s*(?:(?:[.·…_]\\s?){3,}|\\t)\\s*(\\d{1,4}|[ivxlcdm]{1,7})$");
    private static final Pattern LEADER = Pattern.compile("(?:[.·…_]\\s?){4,}");
    private static final int LEAST = 3;

    private ContentsFinder() { }

    /** An entry taken apart. */
    record Entry(String title, String page) { }

    /** The parts of an entry's text, or null where it is none. */
    static Entry entry(String text) {
        String plain = text.trim();
        char last = plain.isEmpty() ? ' ' : plain.charAt(plain.length() - 1);
        if (!Character.isDigit(last) && "ivxlcdm".indexOf(last) < 0) return null;
        Matcher matcher = ENTRY.matcher(plain);
        return matcher.matches() ? new Entry(matcher.group(1).trim(), matcher.group(2)) : null;
    }

    /** Whether a line ends as entries with leaders do. */
    static boolean endsEntry(String line) { return hasLeader(line) && entry(line) != null; }

    /** Whether two lines are entries whose leaders are drawn, not written: both end with a page number after a wide gap. */
    static boolean areEntries(TextLine line, TextLine next) {
        return line.hasTab() && next.hasTab() && entry(line.text()) != null && entry(next.text()) != null && Math.abs(line.right() - next.right()) < 2;
    }

    /** Whether the text has a row of dots or the like in it. */
    private static boolean hasLeader(String text) { return LEADER.matcher(text).find(); }

    static void find(List<Para> paras) {
        List<Para> run = new ArrayList<>();
        for (Para para : paras) {
            String text = para.text();
            Entry entry = para.lines().size() > 3 ? null : entry(text);
            if (entry != null) {
                run.add(para);
                continue;
            }
            mark(run);
            run.clear();
        }
        mark(run);
    }

    private static void mark(List<Para> run) {
        if (run.size() < LEAST) return;
        // Entries of the first level often have no leader where the others do.
        boolean leaders = run.stream().allMatch(para -> hasLeader(para.text()));
        int before = 0;
        for (Para para : run) {
            String page = entry(para.text()).page();
            if (!Character.isDigit(page.charAt(0))) continue;
            // Figures that go up and down are amounts, not pages.
            if (Integer.parseInt(page) < before && !leaders) return;
            before = Integer.parseInt(page);
        }
        double right = run.stream().mapToDouble(Para::right).max().orElse(0);
        if (run.stream().anyMatch(para -> para.last().right() < right - 6)) return;
        run.forEach(para -> para.contentsEntry(true));
    }
}
