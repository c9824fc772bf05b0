package app.decant.edit;

import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import java.util.List;

/** What the program works out where it stands: the number of the page, how many there are, the date, the title. */
public final class Fields {
    /** Those one can put in. */
    public static final List<Inline.Field.Kind> OFFERED = List.of(Inline.Field.Kind.PAGE, Inline.Field.Kind.PAGES, Inline.Field.Kind.DATE,
            Inline.Field.Kind.TITLE, Inline.Field.Kind.FILE_NAME);

    private Fields() { }

    /** A field in the place of what is picked, looking like the text before it. */
    public static Change insert(Document document, Selection picked, Inline.Field.Kind kind) {
        Draft draft = new Draft(document, picked);
        Place at = Deletion.into(draft, picked);
        put(draft, at, new Inline.Field(kind, "", "", draft.document().paragraph(at).lookBefore(at.offset())));
        return draft.done(EditKind.OBJECT, at.at(at.offset() + 1));
    }

    static void put(Draft draft, Place at, Inline inline) {
        Paragraph paragraph = draft.document().paragraph(at);
        Cut cut = Cut.in(paragraph, at.offset());
        draft.add(new TextStep(at.story(), at.path(), cut, cut, List.of(inline)));
    }
}
