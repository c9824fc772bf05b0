package app.decant.recover.made;

import app.decant.document.Block;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The document while it grows: its sections, the one that is open, and what floats until there is a paragraph to hang it on. */
final class DocumentDraft {
    private final Map<Paragraph, Para> origins;
    private final List<Section> sections = new ArrayList<>();
    private final List<Inline> floating = new ArrayList<>();
    private SectionDraft section;
    private double reached;

    /** A section while it grows. */
    static final class SectionDraft {
        Section.Start start;
        Section.PageGeometry geometry;
        Section.Columns columns;
        Section.PageNumbering numbering = Section.PageNumbering.CONTINUED;
        Map<Section.FramePlace, List<Block>> frames = new HashMap<>();
        boolean firstDiffers;
        List<double[]> edges;
        final List<Block> blocks = new ArrayList<>();
    }

    /** @param origins what each paragraph was made of, kept up as paragraphs are */
    DocumentDraft(Map<Paragraph, Para> origins) { this.origins = origins; }

    /** The open section; null before the first. */
    SectionDraft section() { return section; }
    List<Block> blocks() { return section.blocks; }
    /** The last block; null where there is none. */
    Block last() { return section.blocks.isEmpty() ? null : section.blocks.get(section.blocks.size() - 1); }
    boolean hasFloating() { return !floating.isEmpty(); }

    void floats(Inline inline) { floating.add(inline); }

    /** Says how far down its page the text came. */
    void reached(double y) { reached = y; }

    /** Begins the open section as another kind, since nothing stands in it yet. */
    void giveUp() { section = null; }

    List<Section> sections() {
        endSection();
        // An empty head may end one that began before; where there is none at all, nothing is said of any.
        boolean none = sections.stream().allMatch(one -> one.frames().values().stream().allMatch(List::isEmpty));
        return none ? sections.stream().map(one -> one.withFrames(Map.of())).toList() : sections;
    }

    /** A heading that ends a page stays there, though its text comes on the next. */
    void releaseHeading() {
        int index = section.blocks.size() - 1;
        if (index < 0 || !(section.blocks.get(index) instanceof Paragraph paragraph)) return;
        Para origin = origins.get(paragraph);
        if (origin != null && origin.headingLevel() > 0)
            replaceLast(paragraph, paragraph.withLook(paragraph.look().with(ParagraphProperty.KEEP_WITH_NEXT, false)));
    }

    /** Adds to the last paragraph, or to one of its own. */
    void appendToLast(Inline inline) {
        int index = section.blocks.size() - 1;
        if (index >= 0 && section.blocks.get(index) instanceof Paragraph paragraph) {
            replaceLast(paragraph, inlinesWith(paragraph, inline));
        } else {
            section.blocks.add(new Paragraph("Normal", Look.PLAIN, Look.of(TextProperty.SIZE, 1.0), List.of(inline)));
        }
    }

    private static Paragraph inlinesWith(Paragraph paragraph, Inline inline) {
        List<Inline> inlines = new ArrayList<>(paragraph.inlines());
        inlines.add(inline instanceof Inline.Text text ? text.with(paragraph.mark()) : inline);
        return paragraph.withInlines(inlines);
    }

    /** Puts another paragraph in the place of the last block. */
    void replaceLast(Paragraph before, Paragraph now) {
        section.blocks.set(section.blocks.size() - 1, now);
        Para origin = origins.get(before);
        if (origin != null) origins.put(now, origin);
    }

    /** Adds a paragraph, with what floats before it. */
    void addParagraph(Paragraph made, boolean startsPage) {
        Paragraph paragraph = made;
        Para origin = origins.get(made);
        if (!floating.isEmpty()) {
            List<Inline> inlines = new ArrayList<>(floating);
            inlines.addAll(paragraph.inlines());
            floating.clear();
            paragraph = paragraph.withInlines(inlines);
        }
        if (startsPage && needsBreak(paragraph, origin)) paragraph = paragraph.withLook(paragraph.look().with(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        if (origin != null) origins.put(paragraph, origin);
        section.blocks.add(paragraph);
    }

    /** Whether the page before had room for the paragraph's first line, so that it would not come here by itself. */
    private boolean needsBreak(Paragraph paragraph, Para origin) {
        if (origin == null || paragraph.look().get(ParagraphProperty.SPACE_BEFORE, 0.0) > 1.5) return true;
        double room = section.geometry.height() - section.geometry.bottom() - reached;
        double need = origin.size() * 1.25 * (origin.headingLevel() > 0 ? 2.3 : 1);
        return room > need;
    }

    /** What floats at the end of a page hangs on its last paragraph. */
    void attachToLast() {
        int index = section.blocks.size() - 1;
        if (index < 0 || !(section.blocks.get(index) instanceof Paragraph))
            section.blocks.add(new Paragraph("Normal", Look.PLAIN, Look.of(TextProperty.SIZE, 1.0), List.of()));
        for (Inline inline : floating) appendToLast(inline);
        floating.clear();
    }

    /** Ends the section and begins another. */
    void begin(Section.Start start, Section.PageGeometry geometry, Section.Columns columns, List<double[]> edges) {
        endSection();
        section = new SectionDraft();
        section.start = start;
        section.geometry = geometry;
        section.columns = columns;
        section.edges = edges;
    }

    private void endSection() {
        if (section == null || section.blocks.isEmpty()) return;
        sections.add(new Section(section.start, section.geometry, section.columns, section.numbering, section.frames, section.firstDiffers, section.blocks));
    }
}
