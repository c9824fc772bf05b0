package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Story;
import app.decant.document.Table;
import java.util.TreeMap;

/** Where somebody wants another page to begin. */
public final class PageBreaks {
    private PageBreaks() { }

    /** At the caret, in the place of what is picked; in a cell before its row, since no page begins within one (ISO/IEC 29500-1, 17.3.1.23). */
    public static Change put(Document document, TextSelection picked) {
        BlockPath row = row(document, picked);
        if (row == null) return Typing.type(document, picked, String.valueOf(Inline.PAGE_BREAK), null);
        BlockPath first = row.then(0, 0);
        Draft draft = new Draft(document, picked);
        if (document.find(Story.BODY, first) instanceof Paragraph paragraph && !paragraph.look().is(ParagraphProperty.PAGE_BREAK_BEFORE)) {
            TreeMap<BlockPath, Paragraph> dressed = new TreeMap<>();
            dressed.put(first, paragraph.withLook(paragraph.look().with(ParagraphProperty.PAGE_BREAK_BEFORE, true)));
            draft.add(new DressStep(Story.BODY, dressed));
        }
        return draft.done(EditKind.PARAGRAPH, picked);
    }

    /** The row of a table of the text that the caret stands in; null where it is in none. */
    private static BlockPath row(Document document, TextSelection picked) {
        BlockPath path = picked.head().path();
        boolean inTable = picked.story() instanceof Story.Body && path.size() > 4 && document.find(Story.BODY, path.head(2)) instanceof Table;
        return inTable ? path.head(3) : null;
    }
}
