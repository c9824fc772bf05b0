package app.decant.proof;

import app.decant.document.Finding.Weight;
import app.decant.proof.Difference.Kind;
import app.decant.recover.PageText;
import app.decant.words.Message;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Compares one page with another. */
final class PageComparison {
    /** Nobody sees a smaller shift of a line. */
    private static final double STILL = 2;
    private static final double FAR = 20;
    private static final int MOST_TOLD = 12;
    /** Where text covers more of an area than this it is text that looks otherwise there, which is told as such. */
    private static final double WRITTEN = 0.2;

    private final PageText original;
    private final PageText result;
    private final List<Difference> differences = new ArrayList<>();
    private final Map<String, int[]> otherEnds = new HashMap<>();
    private final Map<String, String> otherFonts = new HashMap<>();

    private final Painting before;
    private final Painting after;

    /** @param before how the pages look, or null for both; likewise {@code after} */
    PageComparison(PageText original, PageText result, Painting before, Painting after) {
        this.original = original;
        this.result = result;
        this.before = before;
        this.after = after;
    }

    List<Difference> differences() { return differences; }

    /** For each font of the original whose lines end elsewhere: how many do. */
    Map<String, int[]> otherEnds() { return otherEnds; }

    /** For each font of the original that letters stand in no more: the one they stand in now. */
    Map<String, String> otherFonts() { return otherFonts; }

    PageScore compare() {
        WordComparison words = new WordComparison(original, result);
        double text = words.share();
        for (WordComparison.Told one : words.told()) tell(Kind.TEXT, one.weight(), one.line(), one.message());
        Map<String, List<PageText.Line>> theirs = new HashMap<>();
        for (PageText.Line line : result.lines()) theirs.computeIfAbsent(squeezed(line.text()), key -> new ArrayList<>()).add(line);
        int kept = 0;
        LineLooks looks = new LineLooks();
        StructureComparison structure = new StructureComparison(original);
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
            structure.pair(line, other);
        }
        tellEnds(ended);
        if (moved != null && furthest > 6)
            tell(Kind.PLACE, Weight.NOTE, moved, Message.of("proof.moved-by-pt-the-most", shortened(moved.text()), Math.round(furthest)));
        for (LineLooks.Told one : looks.told()) tell(one);
        looks.families().forEach((family, now) -> otherFonts.merge(family, now, (some, more) -> some));
        double whole = structure.share();
        for (StructureComparison.Told one : structure.told().subList(0, Math.min(MOST_TOLD, structure.told().size())))
            tell(Kind.STRUCTURE, Weight.CHANGED, one.line(), one.message());
        int count = original.lines().size();
        double ofKept = kept == 0 ? count == 0 ? 1 : 0 : 1;
        double pictures = pictures();
        double letters = ofKept * looks.share();
        return new PageScore(original.index(), text, whole, matter(), painting(letters), count == 0 ? 1 : (double) kept / count,
                kept == 0 ? ofKept : places / kept, pictures, letters);
    }

    /** What was drawn and is not, or was not and is: where no words or pictures stand that tell it themselves. */
    private double painting(double unpainted) {
        if (before == null || after == null) return unpainted;
        Painting.Likeness likeness = before.likeness(after);
        int told = 0;
        List<Painting.Area> drawn = likeness.areas().stream().filter(area -> written(area, (area.gone() ? original : result).lines()) < WRITTEN).toList();
        for (Painting.Area area : Painting.joined(drawn)) {
            boolean said = differences.stream().anyMatch(one -> one.kind() == Kind.PICTURE && one.x() < area.x() + area.width()
                    && one.x() + one.width() > area.x() && one.y() < area.y() + area.height() && one.y() + one.height() > area.y());
            if (said || told++ >= MOST_TOLD) continue;
            differences.add(new Difference(Kind.DRAWING, area.gone() ? Weight.LOST : Weight.CHANGED, original.index(), area.x(), area.y(), area.width(),
                    area.height(), Message.of(area.gone() ? "proof.drawing-missing" : "proof.drawing-new")));
        }
        return likeness.share();
    }

    /** How much of an area lines of text stand on, from 0. */
    private static double written(Painting.Area area, List<PageText.Line> lines) {
        double covered = 0;
        for (PageText.Line line : lines) {
            double width = Math.min(line.right(), area.x() + area.width()) - Math.max(line.left(), area.x());
            double height = Math.min(line.baseline(), area.y() + area.height()) - Math.max(line.baseline() - line.size(), area.y());
            if (width > 0 && height > 0) covered += width * height;
        }
        return covered / (area.width() * area.height());
    }

    /** Links, fields and the printed number. */
    private double matter() {
        double kept = 0;
        int kinds = 0;
        if (!original.links().isEmpty()) {
            kinds++;
            kept += links();
        }
        if (original.fields() > 0) {
            kinds++;
            kept += Math.min(1, (double) result.fields() / original.fields());
            if (result.fields() < original.fields())
                tellPage(Kind.FIELD, Weight.LOST, Message.of("proof.fields-gone", original.fields() - result.fields(), original.fields()));
        }
        if (original.label() != null && !original.label().isEmpty() && result.label() != null) {
            kinds++;
            boolean same = original.label().equals(result.label());
            kept += same ? 1 : 0;
            if (!same) tellPage(Kind.NUMBER, Weight.CHANGED, Message.of("proof.other-number", original.label(), result.label()));
        }
        return kinds == 0 ? 1 : kept / kinds;
    }

    private void tellPage(Kind kind, Weight weight, Message message) {
        differences.add(new Difference(kind, weight, original.index(), 0, 0, original.width(), 20, message));
    }

    private void tellEnds(List<PageText.Line> ended) {
        List<String> there = WordComparison.words(result);
        List<PageText.Line> other = new ArrayList<>();
        for (PageText.Line line : ended) {
            // Only where its words are still there do they break differently; else they are told as missing.
            if (there.containsAll(List.of(line.text().trim().split("\\s+")))) other.add(line);
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

    private double links() {
        int gone = 0;
        Set<String> there = new HashSet<>();
        for (String link : result.links()) there.add(inAscii(link));
        for (String link : original.links()) {
            if (there.contains(inAscii(link))) continue;
            gone++;
            tellPage(Kind.LINK, Weight.LOST, Message.of("proof.link-gone", shortened(link)));
        }
        return 1 - (double) gone / original.links().size();
    }

    /** An address as files have to write it that take no other letters (RFC 3987, 3.1). */
    private static String inAscii(String address) {
        try {
            return new URI(address).toASCIIString();
        } catch (URISyntaxException e) {
            return address;
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

    static String squeezed(String text) { return WordComparison.plain(text).replaceAll("[\\s\u00A0]+", ""); }
    static String shortened(String text) { return text.length() > 60 ? text.substring(0, 57).trim() + "…" : text; }
}
