package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section.FramePlace;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Style;
import java.util.List;

/** Headers and footers: gone to, begun where there is none, taken out. */
public final class Frames {
    private Frames() { }

    /**
     * The header or footer that stands on the pages of a section: its own, or that of a section before; an empty one is begun where there is none. The caret
     * goes to its end.
     */
    public static Change open(Document document, Selection picked, int section, FramePlace place) {
        Story.Frame frame = new Story.Frame(section, place);
        for (int s = section; s > 0 && !Stories.has(document, frame); s--) frame = new Story.Frame(s - 1, place);
        Draft draft = new Draft(document, picked);
        if (!Stories.has(document, frame)) {
            // The first section's goes for all behind it that have none of their own.
            String name = place.isHeader() ? "header" : "footer";
            String style = document.styles().styles().values().stream()
                    .filter(one -> one.kind() == Style.Kind.PARAGRAPH && one.name().strip().equalsIgnoreCase(name)).map(Style::id).findFirst().orElse(null);
            draft.add(new FrameStep(frame, List.of(new Paragraph(style, Look.PLAIN, Look.PLAIN, List.of()))));
        }
        TextSelection last = Selection.near(draft.document(), new Place(frame, BlockPath.of(0, Integer.MAX_VALUE), 0));
        return draft.done(EditKind.FRAME, last);
    }

    /** Without the header or footer that the caret is in, on all pages that have it; the caret goes back to the text. */
    public static Change remove(Document document, Selection picked) {
        if (!(picked.story() instanceof Story.Frame frame)) throw new IllegalArgumentException("No header or footer is picked");
        Draft draft = new Draft(document, picked).add(new FrameStep(frame, null));
        return draft.done(EditKind.FRAME, Selection.near(draft.document(), picked.head().inBody()));
    }
}
