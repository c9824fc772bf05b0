package app.decant.proof;

import app.decant.document.Finding.Weight;
import app.decant.recover.PageText;
import app.decant.words.Message;
import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import com.github.difflib.patch.Chunk;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Whether a page says the same words in the same order; what is missing, new, other, or stands elsewhere on the page. */
final class WordComparison {
    private static final int MOST_TOLD = 12;

    private final PageText original;
    private final PageText result;
    private final List<Told> told = new ArrayList<>();

    /** What differs, and the line of the original where it does. */
    record Told(Weight weight, PageText.Line line, Message message) { }

    WordComparison(PageText original, PageText result) {
        this.original = original;
        this.result = result;
    }

    /** In the order of the page; known once the {@link #share} is. */
    List<Told> told() { return told; }

    /**
     * The share of letters that are there in the same order, from 0 to 1. A picture of a page has no words that could be edited; where they were read from it,
     * that is all one can ask for.
     */
    double share() {
        List<String> mine = words(original);
        List<String> theirs = words(result);
        if (original.scan() && mine.isEmpty()) return theirs.isEmpty() ? 0 : 1;
        int all = letters(mine) + letters(theirs);
        if (all == 0) return 1;
        List<AbstractDelta<String>> deltas = new ArrayList<>();
        // A word cut by a line end elsewhere is the same word.
        for (AbstractDelta<String> delta : DiffUtils.diff(mine, theirs).getDeltas())
            if (!said(delta.getSource()).replace("-", "").equals(said(delta.getTarget()).replace("-", ""))) deltas.add(delta);
        Set<AbstractDelta<String>> moved = moved(deltas);
        int lost = 0;
        for (AbstractDelta<String> delta : deltas) {
            String source = said(delta.getSource());
            String target = said(delta.getTarget());
            boolean came = source.isEmpty();
            // What stands elsewhere is told once, where it stood; what is drawn as a sign there is no word that came.
            if (came && (moved.contains(delta) || isSign(target))) continue;
            lost += moved.contains(delta) ? source.length() : source.length() + target.length();
            if (told.size() < MOST_TOLD) tell(delta, moved.contains(delta));
        }
        return (double) (all - Math.min(all, lost)) / all;
    }

    /** What is gone from one place and came in another, both ends of it. */
    private static Set<AbstractDelta<String>> moved(List<AbstractDelta<String>> deltas) {
        Map<String, Deque<AbstractDelta<String>>> came = new HashMap<>();
        for (AbstractDelta<String> delta : deltas)
            if (delta.getSource().size() == 0) came.computeIfAbsent(said(delta.getTarget()), key -> new ArrayDeque<>()).add(delta);
        Set<AbstractDelta<String>> moved = Collections.newSetFromMap(new IdentityHashMap<>());
        for (AbstractDelta<String> delta : deltas) {
            AbstractDelta<String> there = delta.getTarget().size() > 0 ? null : came.getOrDefault(said(delta.getSource()), new ArrayDeque<>()).poll();
            if (there == null) continue;
            moved.add(delta);
            moved.add(there);
        }
        return moved;
    }

    private void tell(AbstractDelta<String> delta, boolean moved) {
        String before = PageComparison.shortened(String.join(" ", delta.getSource().getLines()));
        String after = PageComparison.shortened(String.join(" ", delta.getTarget().getLines()));
        PageText.Line at = lineOf(delta.getSource().getPosition());
        if (moved) told.add(new Told(Weight.CHANGED, at, Message.of("proof.stands-elsewhere", before)));
        else if (before.isEmpty()) told.add(new Told(Weight.CHANGED, at, Message.of("proof.was-not-there", after)));
        else if (after.isEmpty()) told.add(new Told(Weight.LOST, at, Message.of("proof.is-missing", before)));
        else told.add(new Told(Weight.CHANGED, at, Message.of("proof.reads", before, after)));
    }

    private PageText.Line lineOf(int word) {
        int at = 0;
        for (PageText.Line line : original.lines()) {
            at += line.text().trim().split("\\s+").length;
            if (word < at) return line;
        }
        return original.lines().isEmpty() ? new PageText.Line("", 0, original.width(), 20, 12, List.of(), PageText.Begin.UNKNOWN)
                : original.lines().get(original.lines().size() - 1);
    }

    private static String said(Chunk<String> chunk) { return String.join("", chunk.getLines()); }

    /** A bullet or another sign, which some files draw and others write. */
    private static boolean isSign(String word) { return word.codePoints().noneMatch(Character::isLetterOrDigit) && word.length() <= 2; }

    static List<String> words(PageText page) {
        List<String> words = new ArrayList<>();
        for (PageText.Line line : page.lines()) for (String word : plain(line.text()).trim().split("\\s+")) if (!word.isEmpty()) words.add(word);
        return words;
    }

    /** Rows of dots are leaders, however many there are. */
    static String plain(String text) { return text.replaceAll("[.·…_]{3,}", " ").replace("\u00AD", ""); }

    private static int letters(List<String> words) { return words.stream().mapToInt(String::length).sum(); }
}
