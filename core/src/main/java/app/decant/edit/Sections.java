package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Section;
import java.util.Map;
import java.util.function.UnaryOperator;

/** The pages that text stands on: their size, margins and columns, changed for one part of a document or for all; parts begun. */
public final class Sections {
    private Sections() { }

    /** The index of the section that something picked stands in. */
    public static int at(Selection picked) { return picked.head().inBody().path().step(0); }

    /**
     * Other pages for the section of what is picked, or for all sections.
     *
     * @param change what becomes of a section's pages; its text and frames are not looked at
     */
    public static Change pages(Document document, Selection picked, boolean everywhere, UnaryOperator<Section> change) {
        Draft draft = new Draft(document, picked);
        int here = at(picked);
        for (int s = 0; s < document.sections().size(); s++) {
            if (s != here && !everywhere) continue;
            Section present = document.sections().get(s);
            SectionStep step = new SectionStep(s, change.apply(present));
            if (!step.pages().equals(present.withBlocks(step.pages().blocks()).withFrames(Map.of()))) draft.add(step);
        }
        return draft.done(EditKind.SECTION, picked);
    }

    /** Whether a section can begin at the caret: before a block of the body that is not the first of its section. */
    public static boolean canBegin(Selection picked) {
        BlockPath path = picked.head().path();
        return picked.head().equals(picked.head().inBody()) && path.size() >= 2 && path.step(1) > 0;
    }

    /** A section begun before the block at the caret; its pages are as before, its headers and footers go on. */
    public static Change begin(Document document, Selection picked, Section.Start start) {
        if (!canBegin(picked)) throw new IllegalArgumentException("No section can begin at " + picked.head());
        BlockPath path = picked.head().path();
        Section whole = document.sections().get(path.step(0));
        Section tail = new Section(start, whole.page(), whole.columns(), new Section.PageNumbering(whole.numbering().format(), null), Map.of(), false,
                whole.blocks(), whole.kept(), whole.dress());
        Draft draft = new Draft(document, picked).add(new SectionSplitStep(path.step(0), path.step(1), whole, tail));
        BlockPath moved = path.with(0, path.step(0) + 1).with(1, 0);
        return draft.done(EditKind.SECTION, new Place(moved, picked.head().offset()));
    }
}
