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
    static final double ALIKE = 1.6;
    /** What heads a text is so much larger than that, and its lines are no farther apart than this, in ems. */
    private static final double LARGER = 1.2;
    private static final double WIDEST = 2;
    /** Lines of one paragraph are no farther apart, in ems: twice the room that lines have. */
    private static final double SPACED = 2.6;
    /** What is not much narrower than its column, as a share of that. */
    private static final double WIDE = 0.7;
    /** What takes no more than this share of its column is a block apart; a centred line is full from the other one on. */
    private static final double NARROW = 0.6;
    private static final double FULL = 0.97;
    /** An entry of contents takes no more lines, and keeps no more of them free for page numbers, as a share. */
    private static final int MOST_ENTRY_LINES = 4;
    private static final double ENTRY_EDGE = 0.15;
    /** Lines of one paragraph don't begin farther apart than this share of their column. */
    private static final double ELSEWHERE = 0.3;

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

    public List<Para> find(List<TextLine> lines, double left, double right) {
        List<Para> paras = new ArrayList<>();
        for (LineGroup group : groups(lines, left, right)) {
            Para para = null;
            for (int i = 0; i < group.lines.size(); i++) {
                TextLine line = group.lines.get(i);
                if (para == null || starts(group, i, para, left, right)) {
                    para = new Para(left, right);
                    TagTree.Element element = tags.apply(line.first());
                    para.tag(element);
                    paras.add(para);
                } else if (isBrokenByHand(group, i) || isBrokenWithinTag(group, i, left, right)) {
                    para.breakAfter(group.lines.get(i - 1));
                }
                para.lines().add(line);
            }
        }
        for (Para para : paras) align(para);
        settle(paras);
        return paras;
    }

    private List<LineGroup> groups(List<TextLine> lines, double left, double right) {
        List<LineGroup> groups = new ArrayList<>();
        LineGroup group = null;
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
                if (group.lines.size() + i > 1 && LineGroup.isMidSentence(before, line) && Math.abs(line.edgeLeft() - before.edgeLeft()) < ALIKE)
                    most = Math.max(most, 1.4 * Math.max(group.leading, usual));
                // Lines of a heading may stand farther apart than those of the text, for its size.
                boolean large = size > LARGER * usualSize && !otherLook(before, line) && LineGroup.shortfall(before, line, right) < 0;
                if (large && Math.abs(line.edgeLeft() - before.edgeLeft()) < ALIKE) most = Math.max(most, WIDEST * size);
                if (isSpaced(lines, i, right)) most = Math.max(most, step);
                boolean sizes = Math.abs(line.size() - before.size()) > 0.12 * size;
                boolean told = isOfOne(before, line);
                if (step > most && !told || sizes && !told || step < 0) group = null;
            }
            if (group == null) {
                group = new LineGroup();
                groups.add(group);
            }
            group.add(line);
        }
        LineGroup.settle(groups, byHand, left, right);
        return groups;
    }

    /**
     * Whether a line goes on with the one before it though they stand far apart, as in drafts set with room between their lines: that has no room for the
     * next word, and this or the next goes on in mid-sentence at that very distance.
     */
    private static boolean isSpaced(List<TextLine> lines, int at, double right) {
        if (!isFollowing(lines, at, right)) return false;
        if (LineGroup.isMidSentence(lines.get(at - 1), lines.get(at))) return true;
        double step = lines.get(at).baseline() - lines.get(at - 1).baseline();
        for (int other : new int[] {at - 1, at + 1}) {
            boolean follows = other >= 1 && other < lines.size() && isFollowing(lines, other, right);
            if (!follows || !LineGroup.isMidSentence(lines.get(other - 1), lines.get(other))) continue;
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
                && (LineGroup.shortfall(before, line, right) < 0
                || LineGroup.isMidSentence(before, line) && before.width() > WIDE * (right - before.edgeLeft()));
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

    /** Whether a line that goes on with a paragraph begins where somebody began it. */
    private static boolean isBrokenByHand(LineGroup group, int at) {
        TextLine line = group.lines.get(at);
        TextLine before = group.lines.get(at - 1);
        if (group.verse) return true;
        if (LineGroup.isHyphenated(before) || LineGroup.isMidSentence(before, line) || before.isRightToLeft()) return false;
        return group.byHand || group.separate || group.endsInColumn(before, line)
                || LineGroup.shortfall(before, line, group.right) > Math.max(0.6 * line.size(), group.looseness + 0.2 * line.size());
    }

    /**
     * Whether a line of what tags call one paragraph was ended by hand in mid-sentence, as in titles: a centred one whose column had room for the next word, or
     * one of a narrow block that leaves much of that free.
     */
    private boolean isBrokenWithinTag(LineGroup group, int at, double left, double right) {
        TextLine line = group.lines.get(at);
        TextLine before = group.lines.get(at - 1);
        if (!isOfOne(before, line) || LineGroup.isHyphenated(before) || before.isRightToLeft()) return false;
        boolean centred = isCentred(line, left, right) && isCentred(before, left, right) && Math.abs(line.edgeLeft() - before.edgeLeft()) > ALIKE;
        if (centred) return before.width() + line.firstWord() + 0.3 * line.size() < Math.max(group.widest, FULL * (right - left)) - 0.5;
        double width = group.right - group.left;
        return width <= NARROW * (right - left) && LineGroup.shortfall(before, line, group.right) > ELSEWHERE * width;
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

    /** Whether a line goes on with an entry of contents that has not come to its page yet: the leader alone, or words for which there was no room. */
    private static boolean goesOnInEntry(LineGroup group, int at, Para para) {
        TextLine line = group.lines.get(at);
        TextLine before = group.lines.get(at - 1);
        if (ContentsEntry.of(before.text()) != null || para.lines().size() > MOST_ENTRY_LINES) return false;
        if (ContentsEntry.isLeaderAlone(line.text())) return true;
        int end = at;
        while (end < group.lines.size() && end < at + MOST_ENTRY_LINES && !leadsToPage(group.lines.get(end))) end++;
        boolean inEntry = end < group.lines.size() && leadsToPage(group.lines.get(end));
        double room = LineGroup.shortfall(before, line, group.right);
        boolean begins = Math.abs(line.edgeLeft() - para.first().edgeLeft()) < ALIKE && (ListLabel.length(line.text()) > 0 || fillsEntry(before, group));
        return inEntry && !begins && room < ENTRY_EDGE * (group.right - group.left) && line.edgeLeft() > para.first().edgeLeft() - ALIKE
                && Math.abs(line.size() - before.size()) < 0.5;
    }

    private static boolean leadsToPage(TextLine line) { return ContentsEntry.ends(line.text()) || ContentsEntry.isLeaderAlone(line.text()); }

    /** Whether a line ends in a page number where those of its block do, though no leader found room before it. */
    private static boolean fillsEntry(TextLine line, LineGroup group) {
        return line.edgeRight() > group.right - ContentsFinder.FLUSH && ContentsEntry.amongOthers(line.text()) != null
                && group.lines.stream().filter(ParagraphFinder::leadsToPage).count() > 1;
    }

    private boolean starts(LineGroup group, int at, Para para, double left, double right) {
        TextLine line = group.lines.get(at);
        TextLine before = group.lines.get(at - 1);
        TagTree.Element here = tags.apply(line.first());
        TagTree.Element there = tags.apply(before.last());
        if (here != null && there != null) {
            TagTree.Element a = paragraph(here);
            TagTree.Element b = paragraph(there);
            if (a != null && b != null) return a != b;
        }
        if (goesOnInEntry(group, at, para)) return false;
        if (fillsEntry(before, group) && Math.abs(line.edgeLeft() - para.first().edgeLeft()) < ALIKE) return true;
        if (group.byHand || group.verse) return !byHand && otherLook(before, line);
        if (group.separate || ContentsEntry.ends(before.text()) || ContentsEntry.areEntries(before, line)) return true;
        if (LineGroup.isNote(line)) return true;
        if (hangsBelow(before, line, para, group)) return false;
        if (isBegunByTabs(before, line)) return true;
        int label = ListLabel.length(line.text());
        boolean early = LineGroup.shortfall(before, line, group.right) > Math.max(0.4, group.looseness) && !LineGroup.isMidSentence(before, line);
        boolean fresh = (early || group.endsInColumn(before, line)) && !isCentred(before, left, right) && !before.isRightToLeft();
        if (label > 0 && (ListLabel.isBullet(line.text()) || fresh || ListLabel.length(para.first().text()) > 0 || before.text().endsWith(":")))
            return !LineGroup.isHyphenated(before);
        if (otherLook(before, line)) return true;
        if (isBesideItem(line, para, group)) return true;
        boolean centred = isCentred(line, left, right) && isCentred(before, left, right) && Math.abs(line.edgeLeft() - before.edgeLeft()) > ALIKE;
        if (centred) return before.width() + line.firstWord() + 0.3 * line.size() < Math.max(group.widest, 0.85 * (right - left)) - 0.5
                && !LineGroup.isHyphenated(before);
        if (line.isRightToLeft()) return line.edgeLeft() > group.left + ALIKE && before.edgeLeft() - group.left > before.size() + line.firstWord()
                || Math.abs(line.edgeRight() - before.edgeRight()) > ALIKE && line.edgeRight() < before.edgeRight() - ALIKE && para.lines().size() > 1;
        if (isRightAligned(group, right) && before.width() + line.firstWord() + 0.3 * line.size() < group.widest) return true;
        double step = line.edgeLeft() - before.edgeLeft();
        int count = para.lines().size();
        double body = count > 1 ? para.lines().get(1).edgeLeft() : para.first().textAfterLabel();
        boolean hangs = count == 1 && body >= 0 && Math.abs(line.edgeLeft() - body) < 3;
        if (hangs) return false;
        if (Math.abs(step) > ELSEWHERE * (right - left) && !LineGroup.isMidSentence(before, line)) return true;
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
    private static boolean hangsBelow(TextLine before, TextLine line, Para para, LineGroup group) {
        boolean apart = para.lines().size() == 1 ? before.hasTab() : Math.abs(line.edgeLeft() - before.edgeLeft()) < ALIKE && para.first().hasTab();
        return apart && !line.hasTab() && !ListLabel.isBullet(line.text()) && line.edgeLeft() > para.first().edgeLeft() + ALIKE
                && LineGroup.shortfall(before, line, group.right) < 0;
    }

    /** Whether a line begins further out than the sign of an item, where items of the kind hang below their text. */
    private static boolean isBesideItem(TextLine line, Para para, LineGroup group) {
        TextLine first = para.first();
        if (ListLabel.length(first.text()) == 0 || line.edgeLeft() > first.edgeLeft() - ALIKE || line.isRightToLeft()) return false;
        return ListLabel.isBullet(first.text()) || group.hasHanging();
    }

    /** Lines with something set apart in them do not run on from each other, but for text that hangs under what stands before it. */
    private static boolean isBegunByTabs(TextLine before, TextLine line) {
        if (line.hasTab() && ListLabel.length(line.text()) == 0) return true;
        return before.hasTab() && ListLabel.length(before.text()) == 0 && Math.abs(line.edgeLeft() - before.edgeLeft()) < ALIKE
                && !LineGroup.isMidSentence(before, line);
    }

    private static boolean isFull(TextLine line, LineGroup group) { return line.edgeRight() > group.right - 2.5 * line.size(); }

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

    private static boolean isRightAligned(LineGroup group, double right) {
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
