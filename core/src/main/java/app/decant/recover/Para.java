package app.decant.recover;

import app.decant.document.ParagraphProperty.Alignment;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/** A paragraph on its way from lines to the document: the later stages add what they find out. */
final class Para {
    private final List<TextLine> lines = new ArrayList<>();
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
    record ListItem(int list, int level, int labelLength, String label) { }

    /** A note at the foot of a page: its mark, and its paragraphs. */
    record Footnote(String mark, List<Para> paragraphs) { }

    Para(double frameLeft, double frameRight) {
        this.frameLeft = frameLeft;
        this.frameRight = frameRight;
    }

    List<TextLine> lines() { return lines; }
    TextLine first() { return lines.get(0); }
    TextLine last() { return lines.get(lines.size() - 1); }
    int page() { return first().page(); }
    double frameLeft() { return frameLeft; }
    double frameRight() { return frameRight; }
    double left() { return lines.stream().mapToDouble(TextLine::left).min().orElse(frameLeft); }
    double right() { return lines.stream().mapToDouble(TextLine::right).max().orElse(frameRight); }
    double edgeRight() { return lines.stream().mapToDouble(TextLine::edgeRight).max().orElse(frameRight); }
    boolean isInset() { return lines.stream().anyMatch(TextLine::isInset); }
    Alignment alignment() { return alignment; }
    void align(Alignment other) { alignment = other; }
    TagTree.Element tag() { return tag; }
    void tag(TagTree.Element other) { tag = other; }
    int headingLevel() { return headingLevel; }
    void heading(int level) { headingLevel = level; }
    boolean isTitle() { return title; }
    void title(boolean is) { title = is; }
    ListItem item() { return item; }
    void item(ListItem other) { item = other; }
    boolean isContentsEntry() { return contentsEntry; }
    void contentsEntry(boolean is) { contentsEntry = is; }
    Footnote footnote() { return footnote; }
    void footnote(Footnote other) { footnote = other; }
    /** The notes its marks stand for, in order. */
    List<Footnote> notes() { return notes; }
    Integer shading() { return shading; }
    void shading(Integer rgb) { shading = rgb; }
    Ink.Stroke ruleAbove() { return ruleAbove; }
    void ruleAbove(Ink.Stroke rule) { ruleAbove = rule; }
    Ink.Stroke ruleBelow() { return ruleBelow; }
    void ruleBelow(Ink.Stroke rule) { ruleBelow = rule; }
    Ink.Stroke bar() { return bar; }
    void bar(Ink.Stroke beside) { bar = beside; }
    /** Whether it goes on from one column or page to the next. */
    boolean continues() { return continues; }
    void continues(boolean does) { continues = does; }

    /** Its text, lines joined by spaces. */
    String text() {
        StringBuilder text = new StringBuilder();
        for (TextLine line : lines) {
            if (text.length() > 0) text.append(' ');
            text.append(line.text());
        }
        return text.toString();
    }

    double size() { return typical().size(); }

    /** The glyph in the look that most of its letters have. */
    Glyph typical() {
        if (typical != null && typicalOf == lines.size()) return typical;
        Map<Kind, Integer> counts = new LinkedHashMap<>();
        Map<Kind, Glyph> samples = new HashMap<>();
        Glyph before = null;
        Kind kind = null;
        for (TextLine line : lines) {
            for (Glyph glyph : line.glyphs()) {
                if (glyph.text().isBlank()) continue;
                if (before == null || before.face() != glyph.face() || before.size() != glyph.size() || before.rgb() != glyph.rgb())
                    kind = new Kind(glyph.face(), Math.round(glyph.size() * 4), glyph.rgb());
                before = glyph;
                counts.merge(kind, 1, Integer::sum);
                samples.putIfAbsent(kind, glyph);
            }
        }
        typicalOf = lines.size();
        typical = samples.get(counts.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow().getKey());
        return typical;
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
