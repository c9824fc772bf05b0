package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TextBox;
import java.util.List;
import java.util.function.UnaryOperator;

/** Boxes of text beside, under or over the text: put in, made wider, placed, framed, taken out. */
public final class TextBoxes {
    private static final double WIDTH = 170;
    private static final double HEIGHT = 40;
    private static final double WITHIN = 6;
    private static final Border FRAME = Border.single(0.75, new Colour(0x8A8A8A));

    private TextBoxes() { }

    /** Boxes hang on the text itself, and there on no cell. */
    public static boolean canInsert(Selection picked) { return picked.story() instanceof Story.Body && picked.head().path().size() == 2; }

    /** A box with a fine frame at the right of the paragraph that is picked; the caret goes into it. */
    public static Change insert(Document document, Selection picked) {
        if (!canInsert(picked)) throw new IllegalArgumentException("Boxes hang on the text itself, not on " + picked.story());
        Place at = picked.head().at(0);
        TextBox box = new TextBox(List.of(Paragraph.of("")), WIDTH, HEIGHT, true, new Insets(WITHIN, WITHIN, WITHIN, WITHIN), FRAME, null);
        Draft draft = new Draft(document, picked);
        Fields.put(draft, at, new Inline.Floating(Placing.TEXT_AT_LEFT.anchor(null), box, Look.PLAIN));
        return draft.done(EditKind.OBJECT, new Place(new Story.Box(at), BlockPath.of(0, 0), 0));
    }

    /** The box that the caret is in; null where it is in none. */
    public static TextBox at(Document document, Selection picked) {
        Inline.Floating floating = floating(document, picked);
        return floating == null ? null : (TextBox) floating.content();
    }

    /** How the box that the caret is in stands to the text; null where it is in none. */
    public static Placing placing(Document document, Selection picked) {
        Inline.Floating floating = floating(document, picked);
        return floating == null ? null : Placing.of(floating);
    }

    static Inline.Floating floating(Document document, Selection picked) {
        if (!(picked.story() instanceof Story.Box box)) return null;
        return new ObjectSelection(box.anchor()).object(document) instanceof Inline.Floating found && found.content() instanceof TextBox ? found : null;
    }

    /** In another width, in points. */
    public static Change widen(Document document, Selection picked, double width) {
        return changed(document, picked, floating -> {
            TextBox box = (TextBox) floating.content();
            TextBox made = box.wide(width);
            return new Inline.Floating(floating.anchor(), made, floating.look());
        });
    }

    /** Standing otherwise to the text. */
    public static Change place(Document document, Selection picked, Placing wished) {
        if (wished == Placing.IN_LINE) throw new IllegalArgumentException("A box stands in no line");
        return changed(document, picked, floating -> new Inline.Floating(wished.anchor(floating.anchor()), floating.content(), floating.look()));
    }

    /** With a frame or without. */
    public static Change frame(Document document, Selection picked, boolean framed) {
        return changed(document, picked, floating -> {
            TextBox box = (TextBox) floating.content();
            TextBox made = box.bordered(framed ? FRAME : null);
            return new Inline.Floating(floating.anchor(), made, floating.look());
        });
    }

    /** Without the box that the caret is in, and all that stands in it; the caret goes back to the text. */
    public static Change remove(Document document, Selection picked) {
        if (floating(document, picked) == null) throw new IllegalArgumentException("No box is picked");
        return put(document, picked, List.of(), ((Story.Box) picked.story()).anchor());
    }

    static Change changed(Document document, Selection picked, UnaryOperator<Inline.Floating> change) {
        Inline.Floating present = floating(document, picked);
        if (present == null) throw new IllegalArgumentException("No box is picked");
        Inline.Floating made = change.apply(present);
        if (made.equals(present)) return new Draft(document, picked).done(EditKind.OBJECT, picked);
        return put(document, picked, List.of(made), picked.head());
    }

    private static Change put(Document document, Selection picked, List<Inline> inlines, Place caret) {
        Place at = ((Story.Box) picked.story()).anchor();
        Draft draft = new Draft(document, picked);
        draft.add(new TextStep(at.story(), at.path(), Cut.after(document.paragraph(at), at.offset()), Cut.before(at.offset() + 1), inlines));
        return draft.done(EditKind.OBJECT, TextSelection.caret(caret));
    }
}
