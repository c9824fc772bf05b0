package app.decant.proof;

import app.decant.document.Finding.Weight;
import app.decant.proof.Difference.Kind;
import app.decant.recover.PageText;
import app.decant.words.Message;
import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import com.github.difflib.patch.Chunk;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Compares one page with another. */
final class PageComparison {
    /** Nobody sees a smaller shift of a line. */
    private static final double STILL = 2;
    private static final double FAR = 20;
    private static final int MOST_TOLD = 12;

    private final PageText original;
    private final PageText result;
    private final List<Difference> differences = new ArrayList<>();
    private final Map<String, int[]> otherEnds = new HashMap<>();
    private final Map<String, String> otherFonts = new HashMap<>();

    PageComparison(PageText original, PageText result) {
        this.original = original;
        this.result = result;
    }

    List<Difference> differences() { return differences; }

    /** For each font of the original whose lines end elsewhere: how many do. */
    Map<String, int[]> otherEnds() { return otherEnds; }

    /** For each font of the original that letters stand in no more: the one they stand in now. */
    Map<String, String> otherFonts() { return otherFonts; }

    PageScore compare() {
        double text = text();
        Map<String, List<PageText.Line>> theirs = new HashMap<>();
        for (PageText.Line line : result.lines()) theirs.computeIfAbsent(squeezed(line.text()), key -> new ArrayList<>()).add(line);
        int kept = 0;
        LineLooks looks = new LineLooks();
        double places = 0;
        double furthest = 0;
        PageText.Line moved = null;
        List<PageText.Line> ended = new ArrayList<>();
        for (PageText.Line line : original.lines()) {
            List<PageText.Line> same = theirs.get(squeezed(line.text()));
            if (same == null || same.isEmpty()) {
                ended.add(line);
                continue;
            }
            PageText.Line other = nearest(same, line);
            same.remove(other);
            kept++;
            double away = Math.hypot(line.left() - other.left(), line.baseline() - other.baseline());
            places += away <= STILL ? 1 : Math.max(0, 1 - (away - STILL) / (FAR - STILL));
            if (away > furthest) {
                furthest = away;
                moved = line;
            }
            looks.compare(line, other);
        }
        tellEnds(ended);
        if (moved != null && furthest > 6)
            tell(Kind.PLACE, Weight.NOTE, moved, Message.of("proof.moved-by-pt-the-most", shortened(moved.text()), Math.round(furthest)));
        for (LineLooks.Told one : looks.told()) tell(one);
        looks.families().forEach((family, now) -> otherFonts.merge(family, now, (some, more) -> some));
        int count = original.lines().size();
        double pictures = pictures();
        links();
        return new PageScore(original.index(), text, count == 0 ? 1 : (double) kept / count, kept == 0 ? count == 0 ? 1 : 0 : places / kept, pictures,
                kept == 0 ? count == 0 ? 1 : 0 : looks.share());
    }

    private double text() {
        List<String> before = words(original);
        List<String> after = words(result);
        int all = letters(before) + letters(after);
        if (all == 0) return 1;
        int lost = 0;
        int told = 0;
        for (AbstractDelta<String> delta : DiffUtils.diff(before, after).getDeltas()) {
            String source = String.join("", delta.getSource().getLines());
            String target = String.join("", delta.getTarget().getLines());
            // A word cut by a line end elsewhere is the same word.
            if (source.replace("-", "").equals(target.replace("-", ""))) continue;
            lost += source.length() + target.length();
            if (told++ < MOST_TOLD) tellText(delta.getSource(), delta.getTarget());
        }
        return (double) (all - Math.min(all, lost)) / all;
    }

    private void tellText(Chunk<String> source, Chunk<String> target) {
        String before = shortened(String.join(" ", source.getLines()));
        String after = shortened(String.join(" ", target.getLines()));
        PageText.Line at = lineOf(source.getPosition());
        if (before.isEmpty()) tell(Kind.TEXT, Weight.CHANGED, at, Message.of("proof.was-not-there", after));
        else if (after.isEmpty()) tell(Kind.TEXT, Weight.LOST, at, Message.of("proof.is-missing", before));
        else tell(Kind.TEXT, Weight.CHANGED, at, Message.of("proof.reads", before, after));
    }

    private PageText.Line lineOf(int word) {
        int at = 0;
        for (PageText.Line line : original.lines()) {
            at += line.text().trim().split("\\s+").length;
            if (word < at) return line;
        }
        return original.lines().isEmpty() ? new PageText.Line("", 0, original.width(), 20, 12, List.of()) : original.lines().get(original.lines().size() - 1);
    }

    private void tellEnds(List<PageText.Line> ended) {
        List<String> words = words(result);
        List<PageText.Line> other = new ArrayList<>();
        for (PageText.Line line : ended) {
            // Only where its words are still there do they break differently; else they are told as missing.
            if (words.containsAll(List.of(line.text().trim().split("\\s+")))) other.add(line);
        }
        if (other.isEmpty()) return;
        for (PageText.Line line : other) otherEnds.computeIfAbsent(line.family(), key -> new int[1])[0]++;
        tell(Kind.LINE_END, Weight.NOTE, other.get(0), Message.of("proof.lines-end-elsewhere", other.size()));
    }

    private double pictures() {
        if (original.pictures().isEmpty() && result.pictures().isEmpty()) return 1;
        List<PageText.Shown> left = new ArrayList<>(result.pictures());
        double right = 0;
        for (PageText.Shown picture : original.pictures()) {
            PageText.Shown best = null;
            double nearest = Double.MAX_VALUE;
            for (PageText.Shown other : left) {
                double away = Math.abs(other.width() - picture.width()) + Math.abs(other.height() - picture.height())
                        + 0.2 * Math.hypot(other.x() - picture.x(), other.y() - picture.y());
                if (away < nearest) {
                    nearest = away;
                    best = other;
                }
            }
            if (best == null) {
                differences.add(new Difference(Kind.PICTURE, Weight.LOST, original.index(), picture.x(), picture.y(), picture.width(), picture.height(),
                        Message.of("proof.picture-missing")));
                continue;
            }
            left.remove(best);
            double shift = Math.hypot(best.x() - picture.x(), best.y() - picture.y());
            double growth = Math.max(Math.abs(best.width() - picture.width()), Math.abs(best.height() - picture.height()));
            if (shift > 4) differences.add(new Difference(Kind.PICTURE, Weight.CHANGED, original.index(), picture.x(), picture.y(), picture.width(),
                    picture.height(), Message.of("proof.picture-moved", Math.round(shift))));
            if (growth > 3) differences.add(new Difference(Kind.PICTURE, Weight.CHANGED, original.index(), picture.x(), picture.y(), picture.width(),
                    picture.height(), Message.of("proof.picture-size")));
            right += (shift <= 4 ? 1 : Math.max(0, 1 - shift / 100)) * (growth <= 3 ? 1 : 0.5);
        }
        for (PageText.Shown more : left)
            differences.add(new Difference(Kind.PICTURE, Weight.CHANGED, original.index(), more.x(), more.y(), more.width(), more.height(),
                    Message.of("proof.picture-new")));
        return right / Math.max(original.pictures().size(), result.pictures().size());
    }

    private void links() {
        for (String link : original.links()) {
            if (!result.links().contains(link))
                differences.add(new Difference(Kind.LINK, Weight.LOST, original.index(), 0, 0, original.width(), 20, 
                        Message.of("proof.link-gone", shortened(link))));
        }
    }

    private void tell(Kind kind, Weight weight, PageText.Line line, Message sentence) {
        differences.add(new Difference(kind, weight, original.index(), line.left(), line.baseline() - line.size(), Math.max(2, line.right() - line.left()),
                line.size() * 1.25, sentence));
    }

    private void tell(LineLooks.Told told) {
        PageText.Line line = told.line();
        differences.add(new Difference(told.kind(), Weight.CHANGED, original.index(), told.left(), line.baseline() - line.size(),
                Math.max(2, told.right() - told.left()), line.size() * 1.25, told.message()));
    }

    private static PageText.Line nearest(List<PageText.Line> same, PageText.Line line) {
        PageText.Line best = same.get(0);
        for (PageText.Line one : same)
            if (Math.hypot(one.left() - line.left(), one.baseline() - line.baseline()) < Math.hypot(best.left() - line.left(), best.baseline()
                    - line.baseline())) best = one;
        return best;
    }

    private static List<String> words(PageText page) {
        List<String> words = new ArrayList<>();
        for (PageText.Line line : page.lines()) for (String word : plain(line.text()).trim().split("\\s+")) if (!word.isEmpty()) words.add(word);
        return words;
    }

    /** Rows of dots are leaders, however many there are. */
    private static String plain(String text) { return text.replaceAll("[.·…_]{3,}", " ").replace("\u00AD", ""); }

    private static int letters(List<String> words) { return words.stream().mapToInt(String::length).sum(); }
    static String squeezed(String text) { return plain(text).replaceAll("[\\s\u00A0]+", ""); }
    static String shortened(String text) { return text.length() > 60 ? text.substring(0, 57).trim() + "…" : text; }
}
