package app.decant.recover.text;

import app.decant.document.ParagraphProperty.Alignment;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.ContentsEntry;
import app.decant.recover.line.ListLabel;
import app.decant.recover.line.TextLine;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Function;

/**
 * Joins lines into paragraphs. The strongest sign is a line that ends although the next word would have fitted; then distance, indents, looks and
 * list labels. Where good tags tell which paragraph a line belongs to, they decide.
 */
public final class ParagraphFinder {
    private static final double ALIKE = 1.6;
    /** Longer than this is no address. */
    private static final int MOST_BY_HAND = 8;
    /** What heads a text is so much larger than that, and its lines are no farther apart than this, in ems. */
    private static final double LARGER = 1.2;
    private static final double WIDEST = 2;
    /** Lines of one paragraph are no farther apart, in ems: twice the room that lines have. */
    private static final double SPACED = 2.6;
    /** No line that is left short is shorter by this share of its column. */
    private static final double SHORT = 0.25;
    /** A verse is shorter than the longest by this share of that. */
    private static final double EARLY = 0.15;
    /** What is not much narrower than its column, as a share of that. */
    private static final double WIDE = 0.7;

    private final Function<Glyph, TagTree.Element> tags;

    /** Whether all lines are known to be ended by hand. */
    private final boolean byHand;

    /** @param tags the element a glyph belongs to, or null where tags are missing or not to be trusted */
    public ParagraphFinder(Function<Glyph, TagTree.Element> tags) { this(tags, false); }

    private ParagraphFinder(Function<Glyph, TagTree.Element> tags, boolean byHand) {
        this.tags = tags;
        this.byHand = byHand;
    }

    /** For blocks of lines each of which was ended by hand. */
    public static ParagraphFinder ofBlocks(Function<Glyph, TagTree.Element> tags) { return new ParagraphFinder(tags, true); }

    /** Lines at usual distance of each other, and what is common to them. */
    private static final class Group {
        final List<TextLine> lines = new ArrayList<>();
        double left = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        double widest;
        double leading;
        boolean separate;
        /** Whether every line was ended by hand, as in an address. */
        boolean byHand;
        /** Whether its lines are verses: ended by hand in mid-sentence, too. */
        boolean verse;
        /** How far short of the edge, the next word counted, lines end in the middle of sentences: how loosely this text was broken. */
        double looseness;
    }

    public List<Para> find(List<TextLine> lines, double left, double right) {
        List<Para> paras = new ArrayList<>();
        for (Group group : groups(lines, left, right)) {
            Para para = null;
            for (int i = 0; i < group.lines.size(); i++) {
                TextLine line = group.lines.get(i);
                if (para == null || starts(group, i, para, left, right)) {
                    para = new Para(left, right);
                    TagTree.Element element = tags.apply(line.first());
                    para.tag(element);
                    paras.add(para);
                } else if (isBrokenByHand(group, i)) {
                    para.breakAfter(group.lines.get(i - 1));
                }
                para.lines().add(line);
            }
        }
        for (Para para : paras) align(para);
        settle(paras);
        return paras;
    }

    private List<Group> groups(List<TextLine> lines, double left, double right) {
        List<Group> groups = new ArrayList<>();
        Group group = null;
        double usual = usualLeading(lines);
        double usualSize = usualSize(lines);
        for (int i = 0; i < lines.size(); i++) {
            TextLine line = lines.get(i);
            if (group != null) {
                TextLine before = group.lines.get(group.lines.size() - 1);
                double step = line.baseline() - before.baseline();
                double size = Math.max(line.size(), before.size());
                double most = Math.max(usual > 0 && usual < 2.1 * size ? usual * 1.22 : 0, group.lines.size() > 1 ? group.leading * 1.2 : size * 1.45);
                if (group.lines.size() > 1 && step > group.leading * 1.2 + 0.5) most = Math.min(most, group.leading * 1.2 + 0.5);
                // A raised mark can push the next line of its sentence down.
                if (group.lines.size() + i > 1 && isMidSentence(before, line) && Math.abs(line.edgeLeft() - before.edgeLeft()) < ALIKE)
                    most = Math.max(most, 1.4 * Math.max(group.leading, usual));
                // Lines of a heading may stand farther apart than those of the text, for its size.
                boolean large = size > LARGER * usualSize && !otherLook(before, line) && shortfall(before, line, right) < 0;
                if (large && Math.abs(line.edgeLeft() - before.edgeLeft()) < ALIKE) most = Math.max(most, WIDEST * size);
                if (isSpaced(lines, i, right)) most = Math.max(most, step);
                boolean sizes = Math.abs(line.size() - before.size()) > 0.12 * size;
                boolean told = isOfOne(before, line);
                if (step > most && !told || sizes && !told || step < 0) group = null;
            }
            if (group == null) {
                group = new Group();
                groups.add(group);
            } else {
                double step = line.baseline() - group.lines.get(group.lines.size() - 1).baseline();
                group.leading = group.leading == 0 ? step : Math.min(group.leading, step);
            }
            group.lines.add(line);
            group.left = Math.min(group.left, line.edgeLeft());
            group.right = Math.max(group.right, line.edgeRight());
            group.widest = Math.max(group.widest, line.width());
        }
        for (Group one : groups) {
            one.looseness = looseness(one);
            one.verse = isVerse(one, right);
        }
        double common = commonLooseness(groups, right - left);
        for (Group one : groups) {
            one.looseness = Math.max(one.looseness, common);
            one.separate = !byHand && areSeparate(one, left, right);
            one.byHand = byHand || !one.separate && areEndedByHand(one, left, right);
        }
        return groups;
    }

    /**
     * Whether a line goes on with the one before it though they stand far apart, as in drafts set with room between their lines: that has no room for the
     * next word, and this or the next goes on in mid-sentence at that very distance.
     */
    private static boolean isSpaced(List<TextLine> lines, int at, double right) {
        if (!isFollowing(lines, at, right)) return false;
        if (isMidSentence(lines.get(at - 1), lines.get(at))) return true;
        double step = lines.get(at).baseline() - lines.get(at - 1).baseline();
        for (int other : new int[] {at - 1, at + 1}) {
            if (other < 1 || other >= lines.size() || !isFollowing(lines, other, right) || !isMidSentence(lines.get(other - 1), lines.get(other))) continue;
            if (Math.abs(lines.get(other).baseline() - lines.get(other - 1).baseline() - step) < 0.5) return true;
        }
        return false;
    }

    /** Whether a line of the same kind stands below one that had no room for its first word, or goes on with its sentence, not too far away. */
    private static boolean isFollowing(List<TextLine> lines, int at, double right) {
        TextLine before = lines.get(at - 1);
        TextLine line = lines.get(at);
        double step = line.baseline() - before.baseline();
        return step > 0 && step < SPACED * line.size() && Math.abs(line.size() - before.size()) < 0.5 && !otherLook(before, line)
                && Math.abs(line.edgeLeft() - before.edgeLeft()) < ALIKE
                && (shortfall(before, line, right) < 0 || isMidSentence(before, line) && before.width() > WIDE * (right - before.edgeLeft()));
    }

    /** What tags call the paragraph of something: a label is of its item, a reference of its paragraph; not all items have a body of their own. */
    private static TagTree.Element paragraph(TagTree.Element element) {
        TagTree.Element block = element.block();
        while (block != null && block.role().equals("Lbl") && block.parent() != null) block = block.parent().block();
        return block != null && block.role().equals("LBody") && block.parent() != null ? block.parent() : block;
    }

    /** Whether good tags tell that both are of one paragraph. */
    private boolean isOfOne(TextLine before, TextLine line) {
        TagTree.Element here = tags.apply(line.first());
        TagTree.Element there = tags.apply(before.last());
        return here != null && there != null && here.block() != null && here.block() == there.block() && here.block().role().matches("P|H[1-6]?");
    }

    /** The size that most lines have. */
    private static double usualSize(List<TextLine> lines) {
        List<Double> sizes = new ArrayList<>(lines.stream().map(TextLine::size).toList());
        Collections.sort(sizes);
        return sizes.isEmpty() ? 0 : sizes.get(sizes.size() / 2);
    }

    /** Short lines that each end early, as in an address: every line is a paragraph. */
    private static boolean areSeparate(Group group, double left, double right) {
        int count = group.lines.size();
        if (count > 1 && group.right - left <= 0.7 * (right - left) && group.lines.stream().allMatch(ParagraphFinder::isTypewritten)) return true;
        if (count < 2 || group.right - left > 0.78 * (right - left) || hasHanging(group)) return false;
        int early = 0;
        for (int i = 0; i + 1 < count; i++) if (endsEarly(group.lines.get(i), group.lines.get(i + 1), group.right)) early++;
        return group.looseness <= 0.4 && early * 2 >= count - 1 && early > 0;
    }

    /** Whether lines hang below the text of list items: those tell of themselves where they begin. */
    private static boolean hasHanging(Group group) {
        for (int i = 0; i + 1 < group.lines.size(); i++) {
            double body = ListLabel.length(group.lines.get(i).text()) > 0 ? group.lines.get(i).textAfterLabel() : -1;
            TextLine next = group.lines.get(i + 1);
            if (body > group.lines.get(i).edgeLeft() + ALIKE && ListLabel.length(next.text()) == 0 && Math.abs(next.edgeLeft() - body) < ALIKE) return true;
        }
        return false;
    }

    /** A few lines far narrower than their column, none of which goes on with the sentence of the one before: an address, a title, a name and an office. */
    private static boolean areEndedByHand(Group group, double left, double right) {
        int count = group.lines.size();
        double share = (group.right - group.left) / (right - left);
        if (count < 2 || count > MOST_BY_HAND || share > 0.6 || group.looseness > 0.4) return false;
        boolean early = false;
        for (int i = 0; i + 1 < count; i++) {
            TextLine line = group.lines.get(i);
            TextLine next = group.lines.get(i + 1);
            boolean begins = Character.isUpperCase(next.text().codePointAt(0)) || Character.isDigit(next.text().codePointAt(0));
            if (!begins || isNote(next) || isHyphenated(line) || line.isRightToLeft() || ListLabel.length(next.text()) > 0) return false;
            early |= endsEarly(line, next, group.right);
        }
        return early || share < 0.45;
    }

    private static boolean isNote(TextLine line) { return NoteFinder.isRaised(line.first(), line) && NoteFinder.mark(line) != null; }

    /** Whether a line that goes on with a paragraph begins where somebody began it. */
    private static boolean isBrokenByHand(Group group, int at) {
        TextLine line = group.lines.get(at);
        TextLine before = group.lines.get(at - 1);
        if (group.verse) return true;
        if (isHyphenated(before) || isMidSentence(before, line) || before.isRightToLeft()) return false;
        return group.byHand || group.separate || shortfall(before, line, group.right) > Math.max(0.6 * line.size(), group.looseness + 0.2 * line.size());
    }

    private static boolean endsEarly(TextLine line, TextLine next, double edge) { return shortfall(line, next, edge) > 0.4; }

    /** The room that is left at the end of a line once the next word is put there. */
    private static double shortfall(TextLine line, TextLine next, double edge) {
        double space = Math.max(0.2 * line.size(), Math.min(0.3 * line.size(), line.first().space()));
        return edge - line.edgeRight() - space - next.firstWord();
    }

    /** Whether a line surely goes on with the sentence of the one before. */
    private static boolean isMidSentence(TextLine line, TextLine next) {
        return !next.text().isEmpty() && !isTypewritten(line) && Character.isLowerCase(next.text().codePointAt(0))
                && ".!?:;".indexOf(line.text().charAt(line.text().length() - 1)) < 0 && ListLabel.length(next.text()) == 0;
    }

    /** Text in letters of one width is broken by hand or by count: its lines mean what they look like. */
    private static boolean isTypewritten(TextLine line) {
        for (Glyph glyph : line.glyphs()) if (!glyph.text().isBlank() && !glyph.face().fixed()) return false;
        return true;
    }

    /** Programs that weigh all lines of a paragraph against each other leave lines short that had room for a word; lines in mid-sentence tell how short. */
    private static double looseness(Group group) {
        double most = 0;
        for (int i = 0; i + 1 < group.lines.size(); i++) {
            TextLine line = group.lines.get(i);
            TextLine next = group.lines.get(i + 1);
            if (isMidSentence(line, next) && line.edgeRight() > group.left + 0.6 * (group.right - group.left))
                most = Math.max(most, shortfall(line, next, group.right));
        }
        return most;
    }

    /** A block far from the edge of its column, in which more than one line leaves far more room than any program would in mid-sentence. */
    private static boolean isVerse(Group group, double right) {
        double width = group.right - group.left;
        if (group.lines.size() < 3 || right - group.right < SHORT * (right - group.left) || hasHanging(group)) return false;
        int early = 0;
        for (int i = 0; i + 1 < group.lines.size(); i++) {
            TextLine line = group.lines.get(i);
            TextLine next = group.lines.get(i + 1);
            if (isHyphenated(line) || line.isRightToLeft() || line.hasTab() || ListLabel.length(next.text()) > 0
                    || Math.abs(next.edgeLeft() - line.edgeLeft()) > ALIKE) return false;
            if (shortfall(line, next, group.right) > EARLY * width) early++;
        }
        return early * 3 >= group.lines.size() - 1 && group.looseness > 0;
    }

    /** How short lines are left in the whole text: a program that weighs lines does so everywhere, so several passages show it. */
    private static double commonLooseness(List<Group> groups, double width) {
        double[] shown = groups.stream().mapToDouble(group -> group.looseness).filter(looseness -> looseness < SHORT * width).sorted().toArray();
        return shown.length < 2 ? 0 : Math.max(0, shown[shown.length - 2]);
    }

    /** The middle distance of baselines where lines of one size follow each other. */
    private static double usualLeading(List<TextLine> lines) {
        List<Double> steps = new ArrayList<>();
        for (int i = 1; i < lines.size(); i++) {
            TextLine line = lines.get(i);
            double step = line.baseline() - lines.get(i - 1).baseline();
            if (Math.abs(line.size() - lines.get(i - 1).size()) < 0.5 && step > 0.8 * line.size() && step < 2.2 * line.size()) steps.add(step);
        }
        if (steps.size() < 3) return 0;
        Collections.sort(steps);
        return steps.get(steps.size() / 3);
    }

    private boolean starts(Group group, int at, Para para, double left, double right) {
        TextLine line = group.lines.get(at);
        TextLine before = group.lines.get(at - 1);
        TagTree.Element here = tags.apply(line.first());
        TagTree.Element there = tags.apply(before.last());
        if (here != null && there != null) {
            TagTree.Element a = paragraph(here);
            TagTree.Element b = paragraph(there);
            if (a != null && b != null) return a != b;
        }
        if (group.byHand || group.verse) return !byHand && otherLook(before, line);
        if (group.separate || ContentsEntry.ends(before.text()) || ContentsEntry.areEntries(before, line)) return true;
        if (isNote(line)) return true;
        if (hangsBelow(before, line, para, group)) return false;
        if (isBegunByTabs(before, line)) return true;
        int label = ListLabel.length(line.text());
        boolean fresh = shortfall(before, line, group.right) > Math.max(0.4, group.looseness) && !isMidSentence(before, line)
                && !isCentred(before, left, right) && !before.isRightToLeft();
        if (label > 0 && (ListLabel.isBullet(line.text()) || fresh || ListLabel.length(para.first().text()) > 0 || before.text().endsWith(":")))
            return !isHyphenated(before);
        if (otherLook(before, line)) return true;
        if (isBesideItem(line, para, group)) return true;
        boolean centred = isCentred(line, left, right) && isCentred(before, left, right) && Math.abs(line.edgeLeft() - before.edgeLeft()) > ALIKE;
        if (centred) return before.width() + line.firstWord() + 0.3 * line.size() < Math.max(group.widest, 0.85 * (right - left)) - 0.5
                && !isHyphenated(before);
        if (line.isRightToLeft()) return line.edgeLeft() > group.left + ALIKE && before.edgeLeft() - group.left > before.size() + line.firstWord()
                || Math.abs(line.edgeRight() - before.edgeRight()) > ALIKE && line.edgeRight() < before.edgeRight() - ALIKE && para.lines().size() > 1;
        if (isRightAligned(group, right) && before.width() + line.firstWord() + 0.3 * line.size() < group.widest) return true;
        double step = line.edgeLeft() - before.edgeLeft();
        int count = para.lines().size();
        double body = count > 1 ? para.lines().get(1).edgeLeft() : para.first().textAfterLabel();
        boolean hangs = count == 1 && body >= 0 && Math.abs(line.edgeLeft() - body) < 3;
        if (hangs) return false;
        boolean onBody = count > 1 && Math.abs(line.edgeLeft() - body) <= ALIKE;
        if (fresh) return true;
        if (onBody) return false;
        if (Math.abs(step) <= ALIKE && count == 1) return false;
        if (isRightAligned(group, right)) return false;
        if (count == 1) {
            if (step < 0) return false;
            // Further in than the line before: a hanging paragraph goes on, or an indented one begins.
            boolean nextBack = at + 1 < group.lines.size() && group.lines.get(at + 1).edgeLeft() < line.edgeLeft() - ALIKE;
            return nextBack || at + 1 == group.lines.size() || ListLabel.length(para.first().text()) == 0 && !isFull(before, group);
        }
        return true;
    }

    /**
     * Whether a line hangs below one that has something set apart, such as a number or a date, and had no room for its first word: further in than where such
     * lines begin, though not below the text of that. What looks like a letter's label there is none, since nothing is set apart after it.
     */
    private static boolean hangsBelow(TextLine before, TextLine line, Para para, Group group) {
        boolean apart = para.lines().size() == 1 ? before.hasTab() : Math.abs(line.edgeLeft() - before.edgeLeft()) < ALIKE && para.first().hasTab();
        return apart && !line.hasTab() && !ListLabel.isBullet(line.text()) && line.edgeLeft() > para.first().edgeLeft() + ALIKE
                && shortfall(before, line, group.right) < 0;
    }

    /** Whether a line begins further out than the sign of an item, where items of the kind hang below their text. */
    private static boolean isBesideItem(TextLine line, Para para, Group group) {
        TextLine first = para.first();
        if (ListLabel.length(first.text()) == 0 || line.edgeLeft() > first.edgeLeft() - ALIKE || line.isRightToLeft()) return false;
        return ListLabel.isBullet(first.text()) || hasHanging(group);
    }

    /** Lines with something set apart in them do not run on from each other, but for text that hangs under what stands before it. */
    private static boolean isBegunByTabs(TextLine before, TextLine line) {
        if (line.hasTab() && ListLabel.length(line.text()) == 0) return true;
        return before.hasTab() && ListLabel.length(before.text()) == 0 && Math.abs(line.edgeLeft() - before.edgeLeft()) < ALIKE && !isMidSentence(before, line);
    }

    private static boolean isFull(TextLine line, Group group) { return line.edgeRight() > group.right - 2.5 * line.size(); }

    private static boolean isHyphenated(TextLine line) { return line.text().endsWith("-") || line.text().endsWith("\u00AD"); }

    /** A line all in another weight, slant or colour than the one before. */
    private static boolean otherLook(TextLine before, TextLine line) {
        Boolean one = uniformBold(before);
        Boolean other = uniformBold(line);
        if (one != null && other != null && !one.equals(other)) return true;
        Integer colour = uniformColour(before);
        Integer otherColour = uniformColour(line);
        return colour != null && otherColour != null && !colour.equals(otherColour);
    }

    private static Boolean uniformBold(TextLine line) {
        Boolean bold = null;
        for (Glyph glyph : line.glyphs()) {
            if (glyph.text().isBlank()) continue;
            if (bold != null && bold != glyph.face().bold()) return null;
            bold = glyph.face().bold();
        }
        return bold;
    }

    private static Integer uniformColour(TextLine line) {
        Integer colour = null;
        for (Glyph glyph : line.glyphs()) {
            if (glyph.text().isBlank() || glyph.link() != null) continue;
            if (colour != null && colour != glyph.rgb()) return null;
            colour = glyph.rgb();
        }
        return colour;
    }

    private static boolean isCentred(TextLine line, double left, double right) {
        double before = line.edgeLeft() - left;
        double after = right - line.edgeRight();
        return Math.abs(before - after) < 2.5 && before > line.size() * 0.8;
    }

    private static boolean isRightAligned(Group group, double right) {
        if (group.lines.size() < 2 || group.right < right - 2.5) return false;
        double spread = group.lines.stream().mapToDouble(TextLine::edgeLeft).max().orElse(0) - group.left;
        return spread > 6 && group.lines.stream().allMatch(line -> Math.abs(line.edgeRight() - group.right) < 1.5);
    }

    private static void align(Para para) {
        List<TextLine> lines = para.lines();
        double left = para.frameLeft();
        double right = para.frameRight();
        boolean rightToLeft = para.first().isRightToLeft();
        if (lines.stream().allMatch(line -> isCentred(line, left, right)) && !(lines.size() > 1 && sameLeft(lines))) {
            para.align(Alignment.CENTRE);
        } else if (rightToLeft) {
            para.align(lines.size() > 2 && lines.subList(0, lines.size() - 1).stream().allMatch(line -> Math.abs(line.left() - para.left()) < 1)
                    ? Alignment.JUSTIFY : Alignment.START);
        } else if (para.first().hasTab()) {
            para.align(Alignment.START);
        } else if (lines.stream().allMatch(line -> Math.abs(line.edgeRight() - right) < 2) && lines.stream()
                .allMatch(line -> line.edgeLeft() - left > Math.max(2 * line.size(), 0.2 * (right - left))) && !(lines.size() > 2 && sameLeft(lines))) {
            para.align(Alignment.END);
        } else if (lines.size() > 2 && lines.subList(0, lines.size() - 1).stream().allMatch(line -> Math.abs(line.edgeRight() - para.edgeRight()) < 0.9)) {
            para.align(Alignment.JUSTIFY);
        }
    }

    private static boolean sameLeft(List<TextLine> lines) {
        double first = lines.get(0).edgeLeft();
        return lines.stream().allMatch(line -> Math.abs(line.edgeLeft() - first) < 1);
    }

    /** Paragraphs of two lines say little of themselves; they follow the longer ones beside them. */
    private static void settle(List<Para> paras) {
        long justified = paras.stream().filter(para -> para.alignment() == Alignment.JUSTIFY).count();
        long ragged = paras.stream().filter(para -> para.lines().size() > 2 && para.alignment() == Alignment.START).count();
        for (Para para : paras) {
            boolean full = para.lines().size() == 2 && Math.abs(para.first().edgeRight() - para.frameRight()) < 1;
            if (full && para.alignment() == Alignment.START && !para.first().hasTab() && justified > ragged) para.align(Alignment.JUSTIFY);
        }
    }
}
