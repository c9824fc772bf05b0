package app.decant.recover.text;

import app.decant.document.ParagraphProperty.Alignment;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.TextLine;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/** A paragraph on its way from lines to the document: the later stages add what they find out. */
public final class Para {
    private final List<TextLine> lines = new ArrayList<>();
    private final Set<TextLine> broken = Collections.newSetFromMap(new IdentityHashMap<>());
    private final double frameLeft;
    private final double frameRight;
    private Alignment alignment = Alignment.START;
    private TagTree.Element tag;
    private int headingLevel;
    private boolean title;
    private ListItem item;
    private boolean contentsEntry;
    private Footnote footnote;
    private final List<Footnote> notes = new ArrayList<>();
    private Integer shading;
    private Ink.Stroke ruleAbove;
    private Ink.Stroke ruleBelow;
    private Ink.Stroke bar;
    private boolean continues;
    private Glyph typical;
    private int typicalOf;

    /**
     * What makes a paragraph an item of a list.
     *
     * @param labelLength of the label in the first line, in characters
     * @param level       0 for the outermost
     */
    public record ListItem(int list, int level, int labelLength, String label) { }

    /** A note at the foot of a page: its mark, and its paragraphs. */
    public record Footnote(String mark, List<Para> paragraphs) { }

    Para(double frameLeft, double frameRight) {
        this.frameLeft = frameLeft;
        this.frameRight = frameRight;
    }

    public List<TextLine> lines() { return lines; }
    /** Says that a line ends where somebody ended it, not where it was full. */
    void breakAfter(TextLine line) { broken.add(line); }
    public boolean isBrokenAfter(TextLine line) { return broken.contains(line); }
    public TextLine first() { return lines.get(0); }
    public TextLine last() { return lines.get(lines.size() - 1); }
    public int page() { return first().page(); }
    public double frameLeft() { return frameLeft; }
    public double frameRight() { return frameRight; }
    public double left() { return lines.stream().mapToDouble(TextLine::left).min().orElse(frameLeft); }
    public double right() { return lines.stream().mapToDouble(TextLine::right).max().orElse(frameRight); }
    public double edgeRight() { return lines.stream().mapToDouble(TextLine::edgeRight).max().orElse(frameRight); }
    public boolean isInset() { return lines.stream().anyMatch(TextLine::isInset); }
    public Alignment alignment() { return alignment; }
    public void align(Alignment other) { alignment = other; }
    TagTree.Element tag() { return tag; }
    void tag(TagTree.Element other) { tag = other; }
    public int headingLevel() { return headingLevel; }
    void heading(int level) { headingLevel = level; }
    public boolean isTitle() { return title; }
    void title(boolean is) { title = is; }
    public ListItem item() { return item; }
    public void item(ListItem other) { item = other; }
    public boolean isContentsEntry() { return contentsEntry; }
    void contentsEntry(boolean is) { contentsEntry = is; }
    Footnote footnote() { return footnote; }
    void footnote(Footnote other) { footnote = other; }
    /** The notes its marks stand for, in order. */
    public List<Footnote> notes() { return notes; }
    public Integer shading() { return shading; }
    public void shading(Integer rgb) { shading = rgb; }
    public Ink.Stroke ruleAbove() { return ruleAbove; }
    public void ruleAbove(Ink.Stroke rule) { ruleAbove = rule; }
    public Ink.Stroke ruleBelow() { return ruleBelow; }
    public void ruleBelow(Ink.Stroke rule) { ruleBelow = rule; }
    public Ink.Stroke bar() { return bar; }
    public void bar(Ink.Stroke beside) { bar = beside; }
    /** Whether it goes on from one column or page to the next. */
    public boolean continues() { return continues; }
    public void continues(boolean does) { continues = does; }

    /** Its text, lines joined by spaces. */
    public String text() {
        StringBuilder text = new StringBuilder();
        for (TextLine line : lines) {
            if (text.length() > 0) text.append(' ');
            text.append(line.text());
        }
        return text.toString();
    }

    public double size() { return typical().size(); }

    /** The glyph in the look that most of its letters have. */
    public Glyph typical() {
        if (typical != null && typicalOf == lines.size()) return typical;
        Map<Kind, Integer> counts = new LinkedHashMap<>();
        Map<Kind, Glyph> samples = new HashMap<>();
        // Most letters look like the one before: they are counted together.
        Glyph first = null;
        int alike = 0;
        for (TextLine line : lines) {
            for (Glyph glyph : line.glyphs()) {
                if (glyph.isSpace() || glyph.text().isEmpty()) continue;
                if (first != null && first.face() == glyph.face() && first.size() == glyph.size() && first.rgb() == glyph.rgb()) {
                    alike++;
                    continue;
                }
                count(first, alike, counts, samples);
                first = glyph;
                alike = 1;
            }
        }
        count(first, alike, counts, samples);
        typicalOf = lines.size();
        // Of what shows no letter the first glyph tells.
        typical = counts.entrySet().stream().max(Map.Entry.comparingByValue()).map(most -> samples.get(most.getKey())).orElseGet(() -> first().glyphs().get(0));
        return typical;
    }

    private static void count(Glyph first, int alike, Map<Kind, Integer> counts, Map<Kind, Glyph> samples) {
        if (first == null) return;
        Kind kind = new Kind(first.face(), Math.round(first.size() * 4), first.rgb());
        counts.merge(kind, alike, Integer::sum);
        samples.putIfAbsent(kind, first);
    }

    private record Kind(FaceUse face, long size, int rgb) { }

    /** The share of its letters that a test holds for. */
    double share(Predicate<Glyph> test) {
        int all = 0;
        int holds = 0;
        for (TextLine line : lines) {
            for (Glyph glyph : line.glyphs()) {
                if (glyph.text().isBlank() || !Character.isLetterOrDigit(glyph.text().codePointAt(0))) continue;
                all++;
                if (test.test(glyph)) holds++;
            }
        }
        return all == 0 ? 0 : (double) holds / all;
    }

    @Override public String toString() { return (headingLevel > 0 ? "H" + headingLevel + " " : item != null ? "* " : "") + text(); }
}
