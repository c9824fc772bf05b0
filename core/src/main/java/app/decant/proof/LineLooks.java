package app.decant.proof;

import app.decant.proof.Difference.Kind;
import app.decant.recover.PageText;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** How the letters of lines look that read the same on both sides, letter by letter: colour, weight, slant, size and font, each counting a fifth. */
final class LineLooks {
    /** Colours nearer to each other than this in every part nobody tells apart; nor sizes. */
    private static final int NEAR = 24;
    private static final double SAME_SIZE = 0.3;
    private static final int MOST_TOLD = 12;

    private final List<Told> told = new ArrayList<>();
    private final Map<String, String> families = new HashMap<>();
    private double right;
    private int letters;

    /** What differs in a line, and from where to where. */
    record Told(Kind kind, PageText.Line line, double left, double right, Message message) { }

    private enum Aspect {
        COLOUR(Kind.COLOUR), WEIGHT(Kind.LOOK), SLANT(Kind.LOOK), SIZE(Kind.LOOK), FAMILY(Kind.FONT);

        private final Kind kind;

        Aspect(Kind kind) { this.kind = kind; }

        /** What is said of these letters. */
        private Message of(String letters, PageText.Look before, PageText.Look now) {
            return switch (this) {
                case COLOUR -> Message.of("look.colour", letters);
                case WEIGHT -> Message.of("look.weight", letters, now.bold());
                case SLANT -> Message.of("look.slant", letters, now.italic());
                case SIZE -> Message.of("look.size", letters, now.size(), before.size());
                case FAMILY -> Message.of("look.family", letters);
            };
        }
    }

    /** The share of letters that look as they did, from 0 to 1. */
    double share() { return letters == 0 ? 1 : right / letters; }

    List<Told> told() { return told; }

    /** For each font that letters stood in and do no more, the one they stand in. */
    Map<String, String> families() { return families; }

    void compare(PageText.Line line, PageText.Line other) {
        Map<Aspect, Stretch> found = new EnumMap<>(Aspect.class);
        int mine = 0;
        int theirs = 0;
        int usedOfMine = 0;
        int usedOfTheirs = 0;
        int at = 0;
        String text = PageComparison.squeezed(line.text());
        while (mine < line.looks().size() && theirs < other.looks().size()) {
            PageText.Look one = line.looks().get(mine);
            PageText.Look two = other.looks().get(theirs);
            int count = Math.min(one.letters() - usedOfMine, two.letters() - usedOfTheirs);
            Set<Aspect> differing = differing(one, two);
            letters += count;
            right += count * (1 - differing.size() / (double) Aspect.values().length);
            for (Aspect aspect : differing) {
                found.computeIfAbsent(aspect, key -> new Stretch(one, two)).add(one, text, at, count);
                if (aspect == Aspect.FAMILY) families.putIfAbsent(one.family(), two.family());
            }
            at += count;
            usedOfMine += count;
            usedOfTheirs += count;
            if (usedOfMine == one.letters()) {
                mine++;
                usedOfMine = 0;
            }
            if (usedOfTheirs == two.letters()) {
                theirs++;
                usedOfTheirs = 0;
            }
        }
        found.forEach((aspect, stretch) -> {
            // A font that is replaced is told once, for all pages.
            if (aspect == Aspect.FAMILY || told.size() >= MOST_TOLD) return;
            String words = stretch.isWhole(text) ? line.text() : stretch.text.toString();
            told.add(new Told(aspect.kind, line, stretch.left, stretch.right, 
                    aspect.of(PageComparison.shortened(words.trim()), stretch.before, stretch.now)));
        });
    }

    private static Set<Aspect> differing(PageText.Look one, PageText.Look other) {
        Set<Aspect> differing = EnumSet.noneOf(Aspect.class);
        if (!isLike(one.rgb(), other.rgb())) differing.add(Aspect.COLOUR);
        if (one.bold() != other.bold()) differing.add(Aspect.WEIGHT);
        if (one.italic() != other.italic()) differing.add(Aspect.SLANT);
        if (Math.abs(one.size() - other.size()) > SAME_SIZE) differing.add(Aspect.SIZE);
        if (!one.family().equalsIgnoreCase(other.family())) differing.add(Aspect.FAMILY);
        return differing;
    }

    private static boolean isLike(int one, int other) {
        return Math.abs((one >> 16 & 255) - (other >> 16 & 255)) < NEAR && Math.abs((one >> 8 & 255) - (other >> 8 & 255)) < NEAR
                && Math.abs((one & 255) - (other & 255)) < NEAR;
    }

    /** The letters of a line that differ in one aspect. */
    private static final class Stretch {
        private final PageText.Look before;
        private final PageText.Look now;
        private final StringBuilder text = new StringBuilder();
        private double left = Double.MAX_VALUE;
        private double right = -Double.MAX_VALUE;

        Stretch(PageText.Look before, PageText.Look now) {
            this.before = before;
            this.now = now;
        }

        void add(PageText.Look look, String line, int from, int count) {
            text.append(line, Math.min(line.length(), from), Math.min(line.length(), from + count));
            left = Math.min(left, look.left());
            right = Math.max(right, look.right());
        }

        boolean isWhole(String line) { return text.length() == line.length(); }
    }
}
