package app.decant.recover.line;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What stands before the items of lists: bullets, numbers, letters. */
public final class ListLabel {
    /** Signs that stand before items: dots, squares, diamonds and the suits of cards, arrows, ticks, stars. Boxes that are ticked and buttons are none. */
    private static final String SIGNS = "•‣⁃◦▪▫●○■□◆◇◈◊◘◙▲△▴▵▶▷▸▹►▻▼▽★☆☛☞♠♣♥♦♢∙·⦁✓✔✗✘✚✛✜✤✥✦✧✩✪✱✲✳✴✵✶✹✽❍❏❐❑❒❖"
            + "→⇒➔\u2798-\u27AF\u27B1-\u27BE";
    private static final Pattern BULLET = Pattern.compile("^([" + SIGNS + "*\u2013\u2014\u2212-]|[\uE000-\uF8FF]|o(?=\\s))(?=\\s)\\s*");
    private static final Pattern LONE_BULLET = Pattern.compile("^([" + SIGNS + "]|[\uE000-\uF8FF])\\s*(?=\\S)");
    private static final Pattern NUMBER = Pattern.compile("^(\\(?)((?:\\d{1,3}\\.)*\\d{1,3}|[a-z]|[A-Z]|[ivxlc]{1,6}|[IVXLC]{1,6})([.):]|\\.\\))\\s+(?=\\S)"
            + "|^(\\[)(\\d{1,3})(\\])\\s+(?=\\S)");

    /** A clause's number, which nothing closes: only that others of its kind go on with it tells it from a figure. */
    private static final Pattern CLAUSE = Pattern.compile("^((?:\\d{1,3}\\.)+)(\\d{1,3})(?:\\t\\s*(?=\\S)|\\s+(?=\\p{L}))");

    private ListLabel() { }

    /** The length of the label with the space after it; 0 where the text starts with none. */
    public static int length(String text) {
        if (!mayBegin(text)) return 0;
        for (Pattern pattern : new Pattern[] {BULLET, LONE_BULLET, NUMBER, CLAUSE}) {
            Matcher matcher = pattern.matcher(text);
            if (matcher.find() && matcher.end() > 0) return matcher.end();
        }
        return 0;
    }

    /** Whether the first characters could be a label at all; most lines are told from lists by this alone. */
    private static boolean mayBegin(String text) {
        if (text.isEmpty()) return false;
        char first = text.charAt(0);
        if (first == 'o' || !Character.isLetterOrDigit(first)) return true;
        for (int i = 1; i < Math.min(text.length(), 16); i++) {
            char c = text.charAt(i);
            if (c == '.' || c == ')' || c == ':') return true;
            if (c == ' ') return false;
        }
        return false;
    }

    public static boolean isBullet(String text) { return BULLET.matcher(text).find() || LONE_BULLET.matcher(text).find(); }

    /** Whether the text is a label and nothing else. */
    public static boolean isAlone(String text) { return text.length() <= 6 && !text.isBlank()
            && Math.max(length(text.trim() + " x"), length(text.trim() + "\tx")) >= text.trim().length() + 1; }

    /** The number's parts of a label: what opens it, the count, what closes it; null for bullets and none. A clause is opened by the numbers it belongs to. */
    public static String[] number(String text) {
        Matcher matcher = NUMBER.matcher(text);
        if (matcher.find()) {
            int first = matcher.group(1) == null ? 4 : 1;
            return new String[] {matcher.group(first), matcher.group(first + 1), matcher.group(first + 2)};
        }
        Matcher clause = CLAUSE.matcher(text);
        return clause.find() ? new String[] {clause.group(1), clause.group(2), ""} : null;
    }
}
