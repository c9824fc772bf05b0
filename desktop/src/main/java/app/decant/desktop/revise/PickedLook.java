package app.decant.desktop.revise;

import app.decant.desktop.work.Desk;
import app.decant.document.Cascade;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Property;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.edit.Dressing;
import app.decant.edit.EditKind;
import app.decant.edit.Pictures;
import app.decant.edit.TableText;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import java.util.List;

/** Changes the look of what is picked; with a bare caret, of what is typed next. */
public final class PickedLook {
    private PickedLook() { }

    /** The look in force at the picked passage's start. */
    static Look present(Desk desk) {
        TextSelection span = desk.selection().get();
        Paragraph paragraph = desk.document().paragraph(span.start());
        Look own = span.isEmpty() ? typed(desk) : paragraph.lookBefore(span.start().offset() + 1);
        return Cascade.of(desk.document()).text(paragraph, own);
    }

    /** The look that text typed at the caret takes: the one picked for it, else that of the text before. */
    private static Look typed(Desk desk) {
        if (desk.nextLook().get() != null) return desk.nextLook().get();
        TextSelection span = desk.selection().get();
        return desk.document().paragraph(span.start()).lookBefore(span.start().offset());
    }

    public static void toggle(Desk desk, Property<Boolean> property) { set(desk, property, !present(desk).is(property)); }

    public static void underline(Desk desk) {
        Underline now = present(desk).get(TextProperty.UNDERLINE, Underline.NONE);
        set(desk, TextProperty.UNDERLINE, now == Underline.NONE ? Underline.SINGLE : Underline.NONE);
    }

    /** Raised or lowered, and where it is already, on the line again. */
    public static void script(Desk desk, Script wanted) {
        set(desk, TextProperty.SCRIPT, present(desk).get(TextProperty.SCRIPT, Script.BASELINE) == wanted ? Script.BASELINE : wanted);
    }

    static <T> void set(Desk desk, Property<T> property, T value) {
        TextSelection span = desk.selection().get();
        // A picture has no letters: nothing would be seen of it, and it would count as changed.
        if (span == null || Pictures.picked(desk.document(), span) != null) return;
        if (span.isEmpty()) {
            desk.dressNext(typed(desk).with(property, value));
            return;
        }
        desk.apply(Dressing.looks(desk.document(), Tables.asCells(desk.document(), span), look -> look.with(property, value)));
    }

    /** Gives the picked paragraphs a style, and takes what they said themselves about what the style says. */
    static void style(Desk desk, String id) {
        TextSelection span = desk.selection().get();
        if (span == null) return;
        desk.apply(Dressing.paragraphs(desk.document(), Tables.asCells(desk.document(), span), paragraph -> restyled(paragraph, id), EditKind.STYLE));
    }

    private static Paragraph restyled(Paragraph paragraph, String id) {
        List<Inline> inlines = paragraph.inlines().stream().map(inline -> inline instanceof Inline.Text ? inline.with(plainer(inline.look()))
                : inline).toList();
        return new Paragraph(id, Look.PLAIN, Look.PLAIN, inlines);
    }

    /** Without family, size and colour, which the style now gives; emphasis and links stay. */
    private static Look plainer(Look look) { return look.without(TextProperty.FAMILY).without(TextProperty.SIZE).without(TextProperty.COLOUR); }

    /** An empty table of three columns, as wide as the text is where it comes. */
    public static void insertTable(Desk desk) {
        TextSelection span = desk.selection().get();
        double width = Pictures.room(desk.document(), span.head());
        desk.apply(Tables.insert(desk.document(), TextSelection.caret(span.head()), 3, 3, width));
    }

    /** The lines that are picked become a table as wide as the text. */
    public static void makeTable(Desk desk) {
        TextSelection span = desk.selection().get();
        desk.apply(TableText.make(desk.document(), span, Pictures.room(desk.document(), span.start())));
    }

    static <T> void paragraphs(Desk desk, Property<T> property, T value) {
        TextSelection span = desk.selection().get();
        if (span == null) return;
        desk.apply(Dressing.paragraphs(desk.document(), Tables.asCells(desk.document(), span),
                paragraph -> paragraph.withLook(paragraph.look().with(property, value)), EditKind.PARAGRAPH));
    }

}
