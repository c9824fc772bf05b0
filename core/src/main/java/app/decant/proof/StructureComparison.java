package app.decant.proof;

import app.decant.recover.PageText;
import app.decant.recover.PageText.Begin.Kind;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Whether passages are what they were. Where both sides say what begins with a line, that is compared; where the first is a PDF, what anybody sees on its page
 * is: a sentence goes on in the line below, more room than usual parts paragraphs, signs at one edge make a list, columns of short words a table.
 */
final class StructureComparison {
    /** Lines begin at one edge, and are of one size, where they are as near as this. */
    private static final double EDGE = 2;
    private static final double SIZE = 0.3;
    /** The line below stands no further off than this, in sizes; a gap that parts paragraphs is this much wider than the usual. */
    private static final double BELOW = 1.75;
    private static final double PARTS = 1.5;
    /** A line that reaches as far as this share of the longest of its column is full. */
    private static final double FULL = 0.85;
    /** So many rows of so many parts each that stand at the same edges are a table. */
    private static final int ROWS = 3;
    private static final int PARTS_OF_ROW = 3;

    /** What shows more lines is no page of text. */
    private static final int MOST_LINES = 3000;

    private final PageText original;
    private final Map<PageText.Line, PageText.Line> pairs = new IdentityHashMap<>();
    private final List<Told> told = new ArrayList<>();
    private double right;
    private int judged;

    /** What is not as it was, and the line of the original where that begins. */
    record Told(PageText.Line line, Message message) { }

    StructureComparison(PageText original) { this.original = original; }

    /** A line of the original and the one that shows it now. */
    void pair(PageText.Line line, PageText.Line now) { pairs.put(line, now); }

    List<Told> told() { return told; }

    /** The share of what could be judged that is right, from 0 to 1. */
    double share() {
        if (original.lines().size() > MOST_LINES) return 1;
        boolean known = pairs.values().stream().anyMatch(line -> line.begin().isKnown());
        if (!known) return 1;
        if (original.lines().stream().anyMatch(line -> line.begin().isKnown())) compareKnown();
        else {
            items();
            flow();
            columns();
        }
        return judged == 0 ? 1 : right / judged;
    }

    private void compareKnown() {
        pairs.forEach((line, now) -> {
            PageText.Begin before = line.begin();
            PageText.Begin after = now.begin();
            if (!before.isKnown() || !after.isKnown() || isSame(before.kind(), after.kind()) && before.kind() == Kind.GOES_ON) return;
            boolean kind = isSame(before.kind(), after.kind());
            judge(line, kind ? before.level() == after.level() ? 1 : 0.5 : 0, kind ? Message.of("proof.other-level", shortened(line), before.level(), after
                    .level()) : Message.of("proof.other-kind", shortened(line), before.kind(), after.kind()));
        });
    }

    private static boolean isSame(Kind one, Kind other) { return one == other || goesOn(one) && goesOn(other); }

    private static boolean goesOn(Kind kind) { return kind == Kind.GOES_ON || kind == Kind.TABBED; }

    /** Signs at one edge: two or more make a list, which headings that are numbered are as well. */
    private void items() {
        for (PageText.Line line : original.lines()) {
            PageText.Line now = pairs.get(line);
            if (now == null || line.begin().kind() != Kind.LABELLED || !now.begin().isKnown()) continue;
            long alike = original.lines().stream().filter(one -> one.begin().kind() == Kind.LABELLED && Math.abs(one.left() - line.left()) < EDGE).count();
            if (alike < 2) continue;
            boolean item = switch (now.begin().kind()) {
                case ITEM, HEADING, CELL -> true;
                case GOES_ON, TABBED -> !isLeftmost(line);
                case PARAGRAPH, LABELLED, UNKNOWN -> false;
            };
            judge(line, item ? 1 : 0, Message.of("proof.no-item", shortened(line)));
        }
    }

    /** How many stretches of text stand on the baseline of one. */
    private long parts(PageText.Line line) { return original.lines().stream().filter(one -> Math.abs(one.baseline() - line.baseline()) < 1).count(); }

    private boolean isLeftmost(PageText.Line line) {
        return original.lines().stream().noneMatch(one -> Math.abs(one.baseline() - line.baseline()) < 1 && one.left() < line.left() - 1);
    }

    /** Lines one below the other at one edge. */
    private void flow() {
        Map<PageText.Line, PageText.Line> above = above();
        double[] leadings = above.entrySet().stream().mapToDouble(one -> leading(one.getValue(), one.getKey())).sorted().toArray();
        double usual = leadings.length == 0 ? 0 : leadings[leadings.length / 2];
        for (PageText.Line line : original.lines()) {
            PageText.Line before = above.get(line);
            PageText.Line now = pairs.get(line);
            if (before == null || now == null || pairs.get(before) == null || !now.begin().isKnown() || line.begin().kind() == Kind.LABELLED) continue;
            String text = line.text().trim();
            String ahead = before.text().trim();
            if (text.isEmpty() || ahead.isEmpty()) continue;
            Kind kind = now.begin().kind();
            if (kind == Kind.CELL) continue;
            boolean goesOn = Character.isLowerCase(text.charAt(0)) && !isEnd(ahead.charAt(ahead.length() - 1)) && isFull(before)
                    && leading(before, line) < usual * 1.2;
            boolean parts = Character.isUpperCase(text.charAt(0)) && isEnd(ahead.charAt(ahead.length() - 1)) && leading(before, line) > usual * PARTS
                    && !isPictured(before, line);
            if (goesOn) judge(line, kind == Kind.GOES_ON ? 1 : 0, Message.of("proof.paragraph-cut", shortened(line)));
            else if (parts) judge(line, kind == Kind.GOES_ON ? 0 : 1, Message.of("proof.paragraph-joined", shortened(line)));
        }
    }

    /** For each line the next one above that begins at its edge in its size, where nothing else stands between. */
    private Map<PageText.Line, PageText.Line> above() {
        Map<PageText.Line, PageText.Line> above = new IdentityHashMap<>();
        List<PageText.Line> lines = new ArrayList<>(original.lines());
        lines.sort(Comparator.comparingDouble(PageText.Line::baseline));
        for (int i = 0; i < lines.size(); i++) {
            PageText.Line line = lines.get(i);
            for (int k = i - 1; k >= 0 && line.baseline() - lines.get(k).baseline() < line.size() * BELOW * 2; k--) {
                PageText.Line other = lines.get(k);
                boolean over = other.left() < line.right() && line.left() < other.right() && line.baseline() - other.baseline() > 1;
                if (!over) continue;
                boolean like = Math.abs(other.left() - line.left()) < EDGE && Math.abs(other.size() - line.size()) < SIZE;
                if (like) above.put(line, other);
                break;
            }
        }
        return above;
    }

    /** Whether a picture stands between two lines. */
    private boolean isPictured(PageText.Line above, PageText.Line line) {
        return original.pictures().stream().anyMatch(one -> one.y() < line.baseline() && one.y() + one.height() > above.baseline() && one.x() < line.right()
                && one.x() + one.width() > line.left());
    }

    private static double leading(PageText.Line above, PageText.Line line) { return (line.baseline() - above.baseline()) / Math.max(1, line.size()); }

    private boolean isFull(PageText.Line line) {
        double longest = 0;
        for (PageText.Line one : original.lines())
            if (Math.abs(one.left() - line.left()) < EDGE && Math.abs(one.size() - line.size()) < SIZE) longest = Math.max(longest, one.right() - one.left());
        return line.right() - line.left() > FULL * longest;
    }

    private static boolean isEnd(char last) { return ".!?:;…\u201D\u00BB\")".indexOf(last) >= 0; }

    /** What stands in columns in several rows is a table, not words behind tabs. */
    private void columns() {
        Map<Long, List<PageText.Line>> edges = new HashMap<>();
        for (PageText.Line line : original.lines()) {
            PageText.Line now = pairs.get(line);
            boolean parted = now != null && (now.begin().kind() == Kind.TABBED || now.begin().kind() == Kind.CELL);
            if (!parted || isLeftmost(line) || parts(line) < PARTS_OF_ROW) continue;
            edges.computeIfAbsent(Math.round(line.left() / EDGE), key -> new ArrayList<>()).add(line);
        }
        for (List<PageText.Line> column : edges.values()) {
            if (column.size() < ROWS) continue;
            for (PageText.Line line : column)
                judge(line, pairs.get(line).begin().kind() == Kind.CELL ? 1 : 0, line == column.get(0) ? Message.of("proof.tabs", shortened(line)) : null);
        }
    }

    private void judge(PageText.Line line, double share, Message message) {
        judged++;
        right += share;
        if (share < 1 && message != null) told.add(new Told(line, message));
    }

    private static String shortened(PageText.Line line) { return PageComparison.shortened(line.text().trim()); }
}
