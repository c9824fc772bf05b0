package app.decant.format;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Rewriting;
import java.util.ArrayList;
import java.util.List;

/**
 * Spaces that files leave to the program, as web pages do (ISO/IEC 29500-1, 17.3.1.33): between the items of one list there are none (common practice, no
 * source).
 */
public final class AutomaticSpace extends Rewriting {
    private final Cascade cascade;

    private AutomaticSpace(Cascade cascade) { this.cascade = cascade; }

    /** The very document where nothing is left to the program between items. */
    public static Document between(Document document) { return new AutomaticSpace(Cascade.of(document)).document(document); }

    @Override protected List<Block> blocks(List<? extends Block> told) {
        List<Block> blocks = super.blocks(told);
        List<Block> made = null;
        for (int i = 1; i < blocks.size(); i++) {
            if (!(blocks.get(i - 1) instanceof Paragraph) || !(blocks.get(i) instanceof Paragraph second)) continue;
            Paragraph first = (Paragraph) (made == null ? blocks : made).get(i - 1);
            Look before = cascade.paragraph(first);
            Look behind = cascade.paragraph(second);
            ListReference list = before.get(ParagraphProperty.LIST);
            ListReference next = behind.get(ParagraphProperty.LIST);
            if (list == null || next == null || list.list() == null || !list.list().equals(next.list())) continue;
            Paragraph above = without(first, before, ParagraphProperty.SPACE_AFTER);
            Paragraph below = without(second, behind, ParagraphProperty.SPACE_BEFORE);
            if (above == first && below == second) continue;
            if (made == null) made = new ArrayList<>(blocks);
            made.set(i - 1, above);
            made.set(i, below);
        }
        return made == null ? blocks : made;
    }

    private static Paragraph without(Paragraph paragraph, Look whole, Property<Double> space) {
        return whole.get(space, 0.0) == ParagraphProperty.AUTOMATIC_SPACE ? paragraph.withLook(paragraph.look().with(space, 0.0)) : paragraph;
    }
}
