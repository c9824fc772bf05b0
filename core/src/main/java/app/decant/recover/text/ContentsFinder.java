package app.decant.recover.text;

import app.decant.recover.line.ContentsEntry;
import java.util.ArrayList;
import java.util.List;

/** Finds contents lists: three or more entries in a row that lead to a page number at the right edge. */
public final class ContentsFinder {
    private static final int LEAST = 3;

    private ContentsFinder() { }

    public static void find(List<Para> paras) {
        List<Para> run = new ArrayList<>();
        for (Para para : paras) {
            String text = para.text();
            ContentsEntry entry = para.lines().size() > 3 ? null : ContentsEntry.of(text);
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
        boolean leaders = run.stream().allMatch(para -> ContentsEntry.hasLeader(para.text()));
        int before = 0;
        for (Para para : run) {
            String page = ContentsEntry.of(para.text()).page();
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
