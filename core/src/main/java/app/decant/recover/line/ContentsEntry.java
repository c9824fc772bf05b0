package app.decant.recover.line;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line of a list of contents, taken apart.
 *
 * @param page the page number as it is written
 */
public record ContentsEntry(String title, String page) {
    private static final Pattern ENTRY = Pattern.compile("^(.*?[^\\s.·…_])\\s*(?:(?:[.·…_]\\s?){3,}|\\t)\\s*(\\d{1,4}|[ivxlcdm]{1,7})$");
    private static final Pattern FULL = Pattern.compile("^(.*?[^\\s\\d.·…_])[\\s.·…_]*(\\d{1,4})$");
    private static final Pattern ALONE = Pattern.compile("(?:[.·…_]\\s?){6,}(\\d{1,4}|[ivxlcdm]{1,7})");
    private static final Pattern LEADER = Pattern.compile("(?:[.·…_]\\s?){4,}");

    /** The parts of an entry's text, or null where it is none. */
    public static ContentsEntry of(String text) {
        String plain = text.trim();
        char last = plain.isEmpty() ? ' ' : plain.charAt(plain.length() - 1);
        if (!Character.isDigit(last) && "ivxlcdm".indexOf(last) < 0) return null;
        Matcher matcher = ENTRY.matcher(plain);
        return matcher.matches() ? new ContentsEntry(matcher.group(1).trim(), matcher.group(2)) : null;
    }

    /** The same among other entries, where a title that fills its line leaves no room for a leader. */
    public static ContentsEntry amongOthers(String text) {
        ContentsEntry entry = of(text);
        Matcher full = entry == null ? FULL.matcher(text.trim()) : null;
        return entry != null || !full.matches() ? entry : new ContentsEntry(full.group(1).trim(), full.group(2));
    }

    /** Whether a line ends as entries with leaders do. */
    public static boolean ends(String line) { return hasLeader(line) && of(line) != null; }

    /** Whether two lines are entries whose leaders are drawn, not written: both end with a page number after a wide gap. */
    public static boolean areEntries(TextLine line, TextLine next) {
        return line.hasTab() && next.hasTab() && of(line.text()) != null && of(next.text()) != null && Math.abs(line.right() - next.right()) < 2;
    }

    /** Whether a line holds but the leader of the entry before it, which filled its line, and the page it leads to. */
    public static boolean isLeaderAlone(String line) { return ALONE.matcher(line.strip()).matches(); }

    /** Whether the text has a row of dots or the like in it. */
    public static boolean hasLeader(String text) { return LEADER.matcher(text).find(); }
}
