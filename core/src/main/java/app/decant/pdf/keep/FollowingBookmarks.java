package app.decant.pdf.keep;

import app.decant.page.Pages;
import app.decant.page.Retold;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.function.IntUnaryOperator;
import java.util.regex.Pattern;

/**
 * The bookmarks of a file (ISO 32000-2, 12.3.3) as they follow its headings: renamed with them, higher or lower, elsewhere, put in and taken out. Those of
 * nothing that is a heading stay behind what they stood behind.
 */
final class FollowingBookmarks {
    /** Places that are as near are the same, in points. */
    private static final double NEAR = 2;

    private static final Pattern NUMBER = Pattern.compile("^\\s*(?:\\d+|[A-Z])(?:\\.\\d+)*\\.?\\s+(?=\\S)");

    private final List<Came> came;
    private final Retold told;
    /** For each heading as it came its bookmark, -1 for none. */
    private final int[] own;
    private final List<Run> runs = new ArrayList<>();
    /** By headings as they are. */
    private final Map<Integer, Run> byHeading = new HashMap<>();
    private final Map<Integer, Integer> depths = new HashMap<>();

    /**
     * A bookmark as it came.
     *
     * @param depth from 1
     * @param page  the index of the file's page that it leads to, -1 where it leads to none
     * @param top   in points from the page's top; 0 where it tells none
     */
    record Came(int depth, String title, int page, double top) { }

    /**
     * A bookmark as it is to be.
     *
     * @param came  the index of what it was, -1 for one that is put in
     * @param place the heading that it leads to; null where it leads where it led
     */
    record Is(int came, int depth, String title, Pages.Heading place) { }

    /** The bookmark of a heading and those behind it that are of none; the first run may have no such heading. */
    private static final class Run {
        private final List<Is> bookmarks = new ArrayList<>();
        private int order = -1;
    }

    private FollowingBookmarks(List<Came> came, Retold told) {
        this.came = came;
        this.told = told;
        own = matched();
    }

    /**
     * What becomes of bookmarks.
     *
     * @param came   in their order
     * @param ground the page of the file in whose place a page stands, -1 for none
     * @param wished levels of headings that are to have bookmarks
     */
    static List<Is> of(List<Came> came, Retold told, IntUnaryOperator ground, IntPredicate wished) {
        return new FollowingBookmarks(came, told).made(ground, wished);
    }

    /** Bookmarks that say what a heading says and lead to its page, in their order. */
    private int[] matched() {
        int[] matched = new int[told.was().size()];
        Arrays.fill(matched, -1);
        Map<String, List<Integer>> titles = new HashMap<>();
        for (int i = 0; i < came.size(); i++) titles.computeIfAbsent(letters(came.get(i).title), key -> new ArrayList<>()).add(i);
        for (int i = 0; i < matched.length; i++) {
            Pages.Heading heading = told.was().get(i);
            for (String title : List.of(heading.title(), heading.text(), unnumbered(heading.text()))) {
                List<Integer> some = matched[i] < 0 ? titles.getOrDefault(letters(title), List.of()) : List.of();
                int found = some.stream().filter(at -> came.get(at).page == heading.page()).findFirst().orElse(-1);
                // Some lead to the foot of the page before, or nowhere that can be told.
                if (found < 0 && some.size() == 1 && (came.get(some.get(0)).page < 0 || Math.abs(came.get(some.get(0)).page - heading.page()) == 1))
                    found = some.get(0);
                if (found < 0) continue;
                matched[i] = found;
                some.remove((Integer) found);
            }
        }
        return matched;
    }

    private static String letters(String title) {
        StringBuilder letters = new StringBuilder();
        title.codePoints().filter(Character::isLetterOrDigit).forEach(letters::appendCodePoint);
        return letters.isEmpty() ? title.strip() : letters.toString().toLowerCase(Locale.ROOT);
    }

    /** Without a number that is part of the text. */
    private static String unnumbered(String text) { return NUMBER.matcher(text).replaceFirst(""); }

    private List<Is> made(IntUnaryOperator ground, IntPredicate wished) {
        Map<Integer, Integer> headings = new HashMap<>();
        for (int i = 0; i < own.length; i++) if (own[i] >= 0) headings.put(own[i], i);
        Map<Integer, Integer> places = new HashMap<>();
        for (int i = 0; i < told.now().size(); i++) if (told.now().get(i).was() >= 0) places.put(told.now().get(i).was(), i);
        Run run = new Run();
        runs.add(run);
        int lower = 0;
        int depth = 0;
        for (int i = 0; i < came.size(); i++) {
            Integer heading = headings.get(i);
            Came one = came.get(i);
            if (heading == null) {
                if (one.depth <= depth) lower = 0;
                run.bookmarks.add(new Is(i, Math.max(1, one.depth + lower), one.title, null));
                continue;
            }
            Integer at = places.get(heading);
            lower = 0;
            depth = one.depth;
            // A heading that is none any more has no bookmark; what stood below it stays.
            if (at == null) continue;
            Retold.Now now = told.now().get(at);
            lower = now.heading().level() - told.was().get(heading).level();
            run = new Run();
            run.order = at;
            run.bookmarks.add(new Is(i, Math.max(1, one.depth + lower), title(one.title, told.was().get(heading), now.heading()),
                    now.moved() ? now.heading() : null));
            runs.add(run);
            byHeading.put(at, run);
            depths.put(at, run.bookmarks.get(0).depth);
        }
        if (isShuffled()) runs.sort(Comparator.comparingInt(one -> one.order));
        for (int i = 0; i < told.now().size(); i++) if (told.now().get(i).was() < 0) put(i, ground, wished);
        return nested(runs.stream().flatMap(one -> one.bookmarks.stream()).toList());
    }

    /** Each as deep as it can be below those before it: where one above is gone, what was below it moves up. */
    private static List<Is> nested(List<Is> all) {
        List<Is> nested = new ArrayList<>();
        Deque<Integer> above = new ArrayDeque<>();
        for (Is one : all) {
            while (!above.isEmpty() && above.peek() >= one.depth) above.pop();
            above.push(one.depth);
            nested.add(new Is(one.came, above.size(), one.title, one.place));
        }
        return nested;
    }

    /** Whether headings are in another order than they were. */
    private boolean isShuffled() {
        int before = -1;
        for (Retold.Now one : told.now()) {
            if (one.was() < 0) continue;
            if (one.was() < before) return true;
            before = one.was();
        }
        return false;
    }

    /** As it is called now, with its number where the bookmark had it. */
    private static String title(String title, Pages.Heading was, Pages.Heading now) {
        if (was.title().equals(now.title())) return title;
        if (letters(title).equals(letters(was.title()))) return now.title();
        return letters(title).equals(letters(was.text())) ? now.text() : unnumbered(now.text());
    }

    /** A heading that was none: behind the one before it, as deep as others of its level. */
    private void put(int at, IntUnaryOperator ground, IntPredicate wished) {
        Pages.Heading heading = told.now().get(at).heading();
        if (!wished.test(heading.level()) || !isBookmarked(heading.level())) return;
        Run run = runs.get(0);
        for (int before = at - 1; before >= 0 && run == runs.get(0); before--) run = byHeading.getOrDefault(before, run);
        int page = ground.applyAsInt(heading.page());
        int behind = Math.min(run.bookmarks.size(), run.order < 0 ? 0 : 1);
        for (; behind < run.bookmarks.size(); behind++) {
            Is next = run.bookmarks.get(behind);
            if (next.came >= 0 && page >= 0 && !isBefore(came.get(next.came), page, heading.top())) break;
        }
        depths.put(at, depth(at));
        run.bookmarks.add(behind, new Is(-1, depths.get(at), heading.title(), heading));
    }

    private static boolean isBefore(Came bookmark, int page, double top) {
        return bookmark.page >= 0 && (bookmark.page < page || bookmark.page == page && bookmark.top < top - NEAR);
    }

    /** Where the file has headings of a level without bookmarks, others of the level get none. */
    private boolean isBookmarked(int level) {
        boolean any = false;
        for (int i = 0; i < own.length; i++) {
            if (told.was().get(i).level() != level) continue;
            if (own[i] >= 0) return true;
            any = true;
        }
        return !any;
    }

    private int depth(int at) {
        int level = level(at);
        for (int before = at - 1; before >= 0; before--)
            if (depths.containsKey(before) && level(before) <= level) return depths.get(before) + (level(before) < level ? 1 : 0);
        for (int after = at + 1; after < told.now().size(); after++)
            if (depths.containsKey(after) && level(after) >= level) return Math.max(1, depths.get(after) - (level(after) - level));
        return 1;
    }

    private int level(int at) { return told.now().get(at).heading().level(); }
}
