package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Section;
import app.decant.edit.Outcome.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Other pages for a section: their size and margins, columns, numbers, how it begins. Its text, headers and footers stay.
 *
 * @param pages a section of which only that counts
 */
public record SectionStep(int index, Section pages) implements Step {
    public SectionStep { pages = pages.withBlocks(List.of()).withFrames(Map.of()); }

    @Override public Outcome apply(Document document) {
        if (index < 0 || index >= document.sections().size()) return Outcome.refused(Refusal.NOT_THERE);
        List<Section> sections = new ArrayList<>(document.sections());
        Section present = sections.get(index);
        sections.set(index, pages.withBlocks(present.blocks()).withFrames(present.frames()));
        return Outcome.of(document.withSections(sections));
    }

    @Override public SectionStep inverse(Document before) { return new SectionStep(index, before.sections().get(index)); }

    @Override public PositionMap map() { return PositionMap.SAME; }
}
