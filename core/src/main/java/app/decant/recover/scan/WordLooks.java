package app.decant.recover.scan;

import app.decant.document.Picture;
import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;

/**
 * What words of scanned pages look like: one size for lines that differ only as measuring does, bold where strokes are clearly thicker than those of most
 * words, and their colour.
 */
final class WordLooks {
    /** Sizes are measured line by line; so far, as a share, those of one size lie apart, and from their middle. */
    private static final double SPREAD = 0.14;
    private static final double ALIKE = 0.08;
    private static final double BOLDER = 1.29;
    /** Letters that a word has at least to be told by itself. */
    private static final int SURE = 3;
    private static final int UNLIKE_GROUND = 48;
    /** The share of a word's differing pixels that is its inner ink. */
    private static final double INNER = 0.3;

    private final BufferedImage page;
    private final int paper;
    private final double scale;

    private WordLooks(BufferedImage page, int paper, double scale) {
        this.page = page;
        this.paper = paper;
        this.scale = scale;
    }

    static List<ScannedSheet.Word> of(List<Picture.Word> words, BufferedImage page, int paper, double scale) {
        WordLooks looks = new WordLooks(page, paper, scale);
        List<Ink> inks = words.stream().map(looks::ink).toList();
        double usual = middle(words.stream().map(Picture.Word::text).toList(), inks.stream().map(Ink::weight).toList());
        boolean[] bold = usual == 0 ? new boolean[words.size()] : bold(words, inks.stream().map(ink -> ink.weight / usual).toList());
        List<ScannedSheet.Word> result = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            Picture.Word word = words.get(i);
            result.add(new ScannedSheet.Word(word.text(), word.x(), word.baseline(), word.width(), word.size(), bold[i], inks.get(i).rgb));
        }
        return result;
    }

    /** Whole lines first; of others, words long enough to be sure of, and what stands between such. */
    private static boolean[] bold(List<Picture.Word> words, List<Double> weights) {
        boolean[] bold = new boolean[words.size()];
        for (int from = 0; from < words.size(); ) {
            int to = from + 1;
            while (to < words.size() && isNext(words.get(to - 1), words.get(to))) to++;
            double sum = 0;
            int letters = 0;
            for (int i = from; i < to; i++) {
                sum += weights.get(i) * words.get(i).text().length();
                letters += words.get(i).text().length();
            }
            for (int i = from; i < to; i++) bold[i] = sum > BOLDER * letters || weights.get(i) > BOLDER && letters(words.get(i)) >= SURE;
            for (int i = from; i < to; i++) {
                boolean after = i == from || bold[i - 1];
                boolean before = i == to - 1 || bold[i + 1];
                if (letters(words.get(i)) < SURE) bold[i] |= after && before && to - from > 1;
            }
            from = to;
        }
        return bold;
    }

    private static long letters(Picture.Word word) { return word.text().codePoints().filter(Character::isLetterOrDigit).count(); }

    /** Whether a word goes on in the line of another. */
    private static boolean isNext(Picture.Word word, Picture.Word next) {
        return Math.abs(next.baseline() - word.baseline()) < 0.4 * word.size() && next.x() > word.x() && next.x() - word.x() - word.width() < 1.5 * word.size();
    }

    /**
     * The sizes of words that were measured line by line, by half points: those within what measuring makes different have the size that most of their letters
     * have. The most common first, so that it is not parted.
     */
    static List<Double> sizes(List<String> words, List<Double> measured) {
        List<Integer> left = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) left.add(i);
        left.sort(Comparator.comparingDouble(measured::get));
        Double[] sizes = new Double[words.size()];
        while (!left.isEmpty()) {
            double about = mode(left, words, measured);
            List<Integer> alike = left.stream().filter(i -> Math.abs(measured.get(i) - about) <= ALIKE * about).toList();
            double size = middle(alike.stream().map(words::get).toList(), alike.stream().map(measured::get).toList());
            for (int i : alike) sizes[i] = Math.max(1, Math.round(size * 2) / 2.0);
            left.removeAll(new HashSet<>(alike));
        }
        return List.of(sizes);
    }

    /** The middle of the stretch of sizes, as wide as measuring makes it, in which there are most letters. */
    private static double mode(List<Integer> sorted, List<String> words, List<Double> measured) {
        double best = measured.get(sorted.get(0));
        int most = 0;
        int letters = 0;
        int from = 0;
        for (int to = 0; to < sorted.size(); to++) {
            letters += words.get(sorted.get(to)).length();
            while (measured.get(sorted.get(to)) > measured.get(sorted.get(from)) * (1 + SPREAD)) letters -= words.get(sorted.get(from++)).length();
            if (letters <= most) continue;
            most = letters;
            best = (measured.get(sorted.get(from)) + measured.get(sorted.get(to))) / 2;
        }
        return best;
    }

    /** The middle of values, each weighed by its word's letters. */
    private static double middle(List<String> words, List<Double> values) {
        List<Double> all = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) for (int k = 0; k < words.get(i).length(); k++) if (values.get(i) > 0) all.add(values.get(i));
        all.sort(null);
        return all.isEmpty() ? 0 : all.get(all.size() / 2);
    }

    /** How thick a word's strokes are, as a share of its size, and its colour. */
    private record Ink(double weight, int rgb) { }

    private Ink ink(Picture.Word word) {
        int left = Math.max(0, (int) (word.x() / scale));
        int right = Math.min(page.getWidth(), (int) Math.ceil((word.x() + word.width()) / scale));
        int top = Math.max(0, (int) ((word.baseline() - word.size() * 0.72) / scale));
        int bottom = Math.min(page.getHeight(), (int) Math.ceil(word.baseline() / scale));
        if (right - left < 3 || bottom - top < 3) return new Ink(0, 0);
        Rectangle frame = new Rectangle(left, top, right - left, bottom - top).intersection(new Rectangle(1, 1, page.getWidth() - 2, page.getHeight() - 2));
        if (frame.isEmpty()) return new Ink(0, 0);
        int ground = Colours.beside(page, frame, paper);
        List<int[]> far = new ArrayList<>();
        int runs = 0;
        for (int y = top; y < bottom; y++) {
            boolean before = false;
            for (int x = left; x < right; x++) {
                int rgb = page.getRGB(x, y);
                int unlike = Colours.unlike(rgb, ground);
                if (unlike > UNLIKE_GROUND) {
                    far.add(new int[] {unlike, rgb});
                    if (!before) runs++;
                }
                before = unlike > UNLIKE_GROUND;
            }
        }
        if (runs == 0) return new Ink(0, 0);
        int most = far.stream().mapToInt(one -> one[0]).max().orElse(1);
        double ink = far.stream().mapToDouble(one -> Math.min(1, one[0] / (0.9 * most))).sum();
        far.sort(Comparator.comparingInt((int[] one) -> -one[0]));
        List<int[]> inner = far.subList(0, Math.max(1, (int) (far.size() * INNER)));
        return new Ink(ink * scale / runs / word.size(), Colours.mean(inner.stream().mapToInt(one -> one[1])));
    }
}
