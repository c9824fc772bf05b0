package app.decant.recover.text;

import app.decant.recover.line.ContentsEntry;
import java.util.ArrayList;
import java.util.List;

/** Finds contents lists: three or more entries in a row that lead to a page number at the right edge. */
public final class ContentsFinder {
    private static final int LEAST = 3;
    /** Entries have no more lines than this, those without a leader fewer. */
    private static final int MOST_LINES = 6;
    private static final int FEW_LINES = 3;
    /** So many entries that fill their lines may follow each other. */
    private static final int MOST_BETWEEN = 3;
    /** A page number that has no room stands out by about its own width. */
    static final double FLUSH = 12;

    private ContentsFinder() { }

    public static void find(List<Para> paras) {
        List<Para> run = new ArrayList<>();
        for (int i = 0; i < paras.size(); i++) {
            Para para = paras.get(i);
            if (isEntry(para) || !run.isEmpty() && isBetween(paras, i, run.get(run.size() - 1))) {
                run.add(para);
                continue;
            }
            mark(run);
            run.clear();
        }
        mark(run);
    }

    private static boolean isEntry(Para para) {
        String text = para.text();
        return para.lines().size() <= (ContentsEntry.hasLeader(text) ? MOST_LINES : FEW_LINES) && ContentsEntry.of(text) != null;
    }

    /** Whether a passage without a leader stands between entries, ends where they end, and leads to a page between theirs. */
    private static boolean isBetween(List<Para> paras, int at, Para before) {
        Para para = paras.get(at);
        if (para.lines().size() > MOST_LINES || Math.abs(para.last().right() - before.last().right()) > FLUSH) return false;
        int next = at;
        while (next < paras.size() && next < at + MOST_BETWEEN && !isEntry(paras.get(next))) next++;
        return next < paras.size() && isEntry(paras.get(next)) && isAscending(before, para) && isAscending(para, paras.get(next));
    }

    private static boolean isAscending(Para before, Para next) {
        ContentsEntry one = ContentsEntry.amongOthers(before.text());
        ContentsEntry other = ContentsEntry.amongOthers(next.text());
        return one != null && other != null && one.page().matches("\\d+") && other.page().matches("\\d+")
                && Integer.parseInt(one.page()) <= Integer.parseInt(other.page());
    }

    private static void mark(List<Para> run) {
        if (run.size() < LEAST) return;
        // Entries of the first level often have no leader where the others do.
        boolean leaders = run.stream().filter(para -> ContentsEntry.of(para.text()) != null).allMatch(para -> ContentsEntry.hasLeader(para.text()));
        int before = 0;
        for (Para para : run) {
            String page = ContentsEntry.amongOthers(para.text()).page();
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
