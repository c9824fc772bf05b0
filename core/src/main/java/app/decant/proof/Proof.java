package app.decant.proof;

import app.decant.document.Finding.Weight;
import app.decant.document.Progress;
import app.decant.page.Pages;
import app.decant.proof.Difference.Kind;
import app.decant.recover.PageText;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;

/** Says how faithful a result is to its original. */
public final class Proof {
    private static final Message COMPARING = Message.of("step.comparing");

    /** Of a file with more pages than this only every second is painted, or every third; the others are told by their words and letters. */
    private static final int MOST_PAINTED = 500;

    private Proof() { }

    /** Compares what pages say, and how their letters look, without painting them. */
    public static Comparison compare(List<PageText> original, List<PageText> result, Progress progress) {
        return compare(Side.of(original), Side.of(result), progress);
    }

    /** Compares pages with pages, each with the one that shows most of the same; pages only one side has count as unlike everything. */
    public static Comparison compare(Side before, Side after, Progress progress) {
        List<PageText> original = before.text();
        List<PageText> result = after.text();
        List<PageScore> scores = new ArrayList<>();
        List<Difference> differences = new ArrayList<>();
        Map<String, Integer> otherEnds = new TreeMap<>();
        Map<String, String> otherFonts = new TreeMap<>();
        if (original.size() != result.size()) {
            differences.add(new Difference(Kind.PAGES, Weight.CHANGED, Math.min(original.size(), result.size()) - 1, 0, 0, 100, 20,
                    Message.of("proof.pages-instead", result.size(), original.size())));
        }
        int[] match = PageAlignment.of(original, result);
        Set<Integer> used = new HashSet<>();
        int shift = 0;
        for (int i = 0; i < original.size(); i++) {
            progress.step(i, original.size(), COMPARING);
            if (match[i] >= 0) {
                used.add(match[i]);
                if (match[i] - i != shift)
                    differences.add(new Difference(Kind.PAGES, Weight.CHANGED, i, 0, 0, 100, 20,
                            Message.of("proof.page-now", match[i] + 1)));
                shift = match[i] - i;
            }
            if (match[i] < 0) scores.add(alone(original.get(i), original.get(i).blank(), differences));
            else {
                PageText now = result.get(match[i]);
                PageText then = original.get(i);
                // Each side is one thread's at a time, and painting is most of the work.
                boolean seen = i % (1 + original.size() / MOST_PAINTED) == 0;
                CompletableFuture<Optional<Painting>> painted = CompletableFuture.supplyAsync(() -> seen ? before.painting(then) : Optional.empty());
                Optional<Painting> other = seen ? after.painting(now) : Optional.empty();
                PageComparison comparison = new PageComparison(then, now, painted.join().orElse(null), other.orElse(null));
                scores.add(comparison.compare());
                differences.addAll(comparison.differences());
                comparison.otherFonts().forEach(otherFonts::putIfAbsent);
                comparison.otherEnds().forEach((family, count) -> otherEnds.merge(family, count[0], Integer::sum));
            }
        }
        for (int j = 0; j < result.size(); j++) if (!used.contains(j)) scores.add(alone(result.get(j).blank(), result.get(j), differences));
        tellFonts(original, result, otherEnds, otherFonts, differences);
        RepeatedDifferences.tellOnce(differences);
        differences.sort(Comparator.comparingInt(Difference::page));
        return new Comparison(scores, differences);
    }

    /** Compares what was taken in with its original; holes in the numbering of headings are told as well. */
    public static Comparison compare(Side original, Pages result, Progress progress) {
        Comparison plain = compare(original, Side.of(result), progress);
        List<Difference> differences = new ArrayList<>(plain.differences());
        for (Pages.Hole hole : result.holes()) {
            Pages.Caret place = hole.place();
            differences.add(new Difference(Kind.HEADING, Weight.CHANGED, place.page(), place.x(), place.top(), 120, place.height(), 
                    Message.of("proof.heading-missing", hole.number(), hole.before(), hole.after())));
        }
        differences.sort(Comparator.comparingInt(Difference::page));
        return new Comparison(plain.pages(), differences);
    }

    /** A page that only one side has is like nothing, whatever it shows. */
    private static PageScore alone(PageText before, PageText after, List<Difference> differences) {
        PageComparison comparison = new PageComparison(before, after, null, null);
        comparison.compare();
        differences.addAll(comparison.differences());
        return new PageScore(before.index(), 0, 0, 0, 0, 0, 0, 0, 0);
    }

    /** Fonts that are replaced, each told once, where it is first used; whether lines end elsewhere for it. */
    private static void tellFonts(List<PageText> original, List<PageText> result, Map<String, Integer> otherEnds, Map<String, String> otherFonts,
            List<Difference> differences) {
        Map<String, String> replaced = new TreeMap<>(otherFonts);
        for (String family : otherEnds.keySet()) replaced.computeIfAbsent(family, key -> replacement(original, result, key));
        replaced.forEach((family, now) -> {
            if (now.isEmpty() || now.equalsIgnoreCase(family)) return;
            int count = otherEnds.getOrDefault(family, 0);
            PageText page = original.stream().filter(one -> one.lines().stream().anyMatch(line -> uses(line, family))).findFirst().orElseThrow();
            PageText.Line line = page.lines().stream().filter(one -> uses(one, family)).findFirst().orElseThrow();
            differences.add(new Difference(Kind.FONT, Weight.CHANGED, page.index(), line.left(), line.baseline() - line.size(), line.right() - line.left(),
                    line.size() * 1.25, Message.of("proof.font-replaced", family, now, count)));
        });
    }

    private static boolean uses(PageText.Line line, String family) { return line.looks().stream().anyMatch(look -> look.family().equals(family)); }

    /** The family that lines of a family are set in now; the same where that can't be told. */
    private static String replacement(List<PageText> original, List<PageText> result, String family) {
        for (int i = 0; i < Math.min(original.size(), result.size()); i++) {
            for (PageText.Line line : original.get(i).lines()) {
                if (!line.family().equals(family)) continue;
                for (PageText.Line other : result.get(i).lines()) if (other.text().equals(line.text())) return other.family();
            }
        }
        return family;
    }
}
