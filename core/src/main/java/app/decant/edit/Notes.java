package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import java.util.List;
import java.util.Set;

/** Notes at the foot of the page or at the end, put in where the caret is. A note goes with its mark: who deletes that deletes the note. */
public final class Notes {
    private static final double SMALLER = 0.85;

    private Notes() { }

    /** Notes hang on the text itself: headers, boxes and notes have none. */
    public static boolean canInsert(Selection picked) { return picked.story() instanceof Story.Body; }

    /** A note whose mark stands behind what is picked; the caret goes into it. */
    public static Change insert(Document document, Selection picked, Inline.Note.Kind kind) {
        if (!canInsert(picked)) throw new IllegalArgumentException("Notes hang on the text itself, not on " + picked.story());
        String word = kind == Inline.Note.Kind.FOOTNOTE ? "footnote" : "endnote";
        Style sign = styled(document, Style.Kind.CHARACTER, Set.of(word + " reference", word + " anchor", word + " symbol"));
        Style text = styled(document, Style.Kind.PARAGRAPH, Set.of(word, word + " text"));
        Look mark = sign == null ? Look.of(TextProperty.SCRIPT, TextProperty.Script.SUPER) : Look.of(TextProperty.STYLE, sign.id());
        double size = document.styles().chain(document.styles().defaultParagraph()).over(document.styles().defaults()).get(TextProperty.SIZE);
        Look words = text == null ? Look.of(TextProperty.SIZE, Math.rint(size * SMALLER * 2) / 2) : Look.PLAIN;
        Look head = mark.over(words);
        Paragraph note = new Paragraph(text == null ? null : text.id(), Look.PLAIN, words,
                List.of(new Inline.Field(Inline.Field.Kind.NOTE_MARK, "", "", head), new Inline.Text(" ", words)));
        List<Selection.Stretch> stretches = picked.stretches(document);
        Selection.Stretch last = stretches.get(stretches.size() - 1);
        Place at = new Place(picked.story(), last.path(), last.to());
        Draft draft = new Draft(document, picked);
        Fields.put(draft, at, new Inline.Note(kind, List.of(note), null, mark));
        return draft.done(EditKind.OBJECT, new Place(new Story.Note(at), BlockPath.of(0, 0), note.length()));
    }

    private static Style styled(Document document, Style.Kind kind, Set<String> names) {
        return document.styles().styles().values().stream().filter(style -> style.kind() == kind && names.contains(style.name().strip().toLowerCase()))
                .findFirst().orElse(null);
    }
}
