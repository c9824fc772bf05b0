package app.decant.proof;

import app.decant.recover.PageText;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Tells which page of a result shows what a page of the original shows, so that one page too many does not make all after it strangers. */
final class PageAlignment {
    /** Pages are looked for this far from where they should be. */
    private static final int BAND = 40;
    /** What staying in step is worth: pages that share nothing are still compared where nothing fits better. */
    private static final double IN_STEP = 0.02;

    private PageAlignment() { }

    /** For each page of the original the index of its page in the result, or -1; in order. */
    static int[] of(List<PageText> original, List<PageText> result) {
        int n = original.size();
        int m = result.size();
        int band = BAND + Math.abs(n - m);
        List<Set<String>> before = words(original);
        List<Set<String>> after = words(result);
        double[][] best = new double[n + 1][];
        for (int i = n; i >= 0; i--) {
            best[i] = new double[m + 1];
            if (i == n) continue;
            for (int j = m - 1; j >= 0; j--) {
                double alone = Math.max(best[i + 1][j], best[i][j + 1]);
                best[i][j] = Math.abs(i - j) > band ? alone : Math.max(alone, best[i + 1][j + 1] + likeness(before.get(i), after.get(j)) + IN_STEP);
            }
        }
        int[] match = new int[n];
        Arrays.fill(match, -1);
        int i = 0;
        int j = 0;
        while (i < n && j < m) {
            boolean together = Math.abs(i - j) <= band && best[i][j] == best[i + 1][j + 1] + likeness(before.get(i), after.get(j)) + IN_STEP;
            if (together) match[i++] = j++;
            else if (best[i][j] == best[i + 1][j]) i++;
            else j++;
        }
        return match;
    }

    private static List<Set<String>> words(List<PageText> pages) {
        List<Set<String>> all = new ArrayList<>();
        for (PageText page : pages) {
            Set<String> words = new HashSet<>();
            for (PageText.Line line : page.lines()) words.addAll(List.of(line.text().trim().split("\\s+")));
            all.add(words);
        }
        return all;
    }

    private static double likeness(Set<String> one, Set<String> other) {
        if (one.isEmpty() && other.isEmpty()) return 1;
        Set<String> few = one.size() < other.size() ? one : other;
        Set<String> many = few == one ? other : one;
        int shared = 0;
        for (String word : few) if (many.contains(word)) shared++;
        return (double) shared / (one.size() + other.size() - shared);
    }
}
