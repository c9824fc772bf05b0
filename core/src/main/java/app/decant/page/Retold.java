package app.decant.page;

import java.util.List;
import java.util.Set;

/**
 * What became of the headings of a file that was revised: its bookmarks follow (ISO 32000-2, 12.3.3), and so does what its paragraphs are to those who can't
 * see them (14.8.4.3).
 *
 * @param was   the headings as they came, in their order; the pages are the file's
 * @param now   as they are, in theirs
 * @param roles paragraphs that are headings now and were none, or the other way round, or of another level
 */
public record Retold(List<Pages.Heading> was, List<Now> now, List<Role> roles) {
    /** Where nothing is known of headings, or all of them are what they were. */
    public static final Retold NOTHING = new Retold(List.of(), List.of(), List.of());

    public Retold {
        was = List.copyOf(was);
        now = List.copyOf(now);
        roles = List.copyOf(roles);
        for (Now one : now) if (one.was < -1 || one.was >= was.size()) throw new IllegalArgumentException("A heading was one of them, or none");
    }

    /**
     * A heading as it is.
     *
     * @param was     the index of what it was; -1 for one that was none
     * @param heading where it is among the pages that are published
     * @param moved   whether it is elsewhere than the file has it, beyond what its pages themselves tell
     */
    public record Now(int was, Pages.Heading heading, boolean moved) { }

    /**
     * A paragraph that is something else.
     *
     * @param page  the index of a page of the file that shows it
     * @param marks those that show it there, by their numbers in the page's order of painting
     * @param level of the heading that it is; 0 where it is none
     */
    public record Role(int page, Set<Integer> marks, int level) {
        public Role { marks = Set.copyOf(marks); }
    }

    /** Whether all headings are what and where they were. */
    public boolean isNothing() {
        if (!roles.isEmpty() || was.size() != now.size()) return false;
        for (int i = 0; i < now.size(); i++) {
            Now one = now.get(i);
            boolean same = one.was == i && !one.moved && one.heading.level() == was.get(i).level() && one.heading.title().equals(was.get(i).title());
            if (!same) return false;
        }
        return true;
    }
}
