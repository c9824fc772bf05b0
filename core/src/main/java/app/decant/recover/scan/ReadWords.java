package app.decant.recover.scan;

import app.decant.document.Picture;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Words as they were recognised, put right: numbers and bullets before lines, leaders and what they lead to are told as columns of their own, apart from their
 * lines, and bullets as whatever small sign comes to mind.
 */
public final class ReadWords {
    private static final double ONE_LINE = 0.3;
    /** How far from its line something may stand, as a share of its size. */
    private static final double NEAR = 4;
    /** Stars, rings and the like are wider than a bullet: shares of the size. */
    private static final double BULLET = 0.34;
    private static final String TAKEN_FOR_BULLETS = "*+°¢«»®©¥·-~:<>";

    private ReadWords() { }

    /** Words of one line that follow each other. */
    private static final class Stretch {
        private final List<Picture.Word> words = new ArrayList<>();

        Picture.Word first() { return words.get(0); }
        Picture.Word last() { return words.get(words.size() - 1); }
        double right() { return last().x() + last().width(); }
        int letters() { return words.stream().mapToInt(word -> word.text().startsWith("..") ? 0 : word.text().length()).sum(); }

        boolean goesOnWith(Picture.Word word) {
            return isOneLine(last(), word) && word.x() >= last().x() && word.x() - right() < 1.5 * last().size();
        }
    }

    private static boolean isOneLine(Picture.Word one, Picture.Word other) {
        return Math.abs(one.baseline() - other.baseline()) < ONE_LINE * Math.max(one.size(), other.size());
    }

    public static List<Picture.Word> inOrder(List<Picture.Word> words) {
        List<Stretch> stretches = new ArrayList<>();
        for (Picture.Word word : words) {
            if (stretches.isEmpty() || !stretches.get(stretches.size() - 1).goesOnWith(word)) stretches.add(new Stretch());
            stretches.get(stretches.size() - 1).words.add(word);
        }
        Map<Stretch, Stretch> after = new HashMap<>();
        Map<Stretch, Stretch> before = new HashMap<>();
        for (Stretch left : stretches) {
            Stretch next = stretches.stream().filter(one -> one != left && isOneLine(left.last(), one.first()) && one.first().x() >= left.right() - 1)
                    .min(Comparator.comparingDouble(one -> one.first().x())).orElse(null);
            if (next == null || next.first().x() - left.right() > NEAR * left.last().size() || before.containsKey(next)) continue;
            boolean small = Math.min(left.letters(), next.letters()) <= 4;
            if (small) {
                after.put(left, next);
                before.put(next, left);
            }
        }
        return listed(stretches, after, before);
    }

    /** Lines come where their longest stretch did. */
    private static List<Picture.Word> listed(List<Stretch> stretches, Map<Stretch, Stretch> after, Map<Stretch, Stretch> before) {
        List<Picture.Word> result = new ArrayList<>();
        for (Stretch stretch : stretches) {
            List<Stretch> line = new ArrayList<>(List.of(stretch));
            for (Stretch left = before.get(stretch); left != null; left = before.get(left)) line.add(0, left);
            for (Stretch right = after.get(stretch); right != null; right = after.get(right)) line.add(right);
            Stretch longest = line.get(0);
            for (Stretch one : line) if (one.letters() > longest.letters()) longest = one;
            if (longest != stretch) continue;
            boolean more = line.stream().mapToInt(Stretch::letters).sum() > 1;
            double baseline = longest.last().baseline();
            for (Stretch one : line) {
                for (Picture.Word word : one.words) {
                    Picture.Word told = more && word == line.get(0).first() ? bullet(word) : word;
                    result.add(one == longest ? told : new Picture.Word(told.text(), told.x(), baseline, told.width(), told.size()));
                }
            }
        }
        return result;
    }

    private static Picture.Word bullet(Picture.Word word) {
        boolean taken = word.text().length() == 1 && TAKEN_FOR_BULLETS.contains(word.text()) && word.width() < BULLET * word.size();
        return taken ? new Picture.Word("•", word.x(), word.baseline(), word.width(), word.size()) : word;
    }
}
