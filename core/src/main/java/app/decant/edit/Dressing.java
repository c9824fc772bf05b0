package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Style;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/** Changes how things look: passages, paragraphs, styles. */
public final class Dressing {
    private Dressing() { }

    /** What is picked dressed by a function of each run's own look; a caret dresses nothing. */
    public static Change looks(Document document, Selection picked, UnaryOperator<Look> change) {
        SortedMap<BlockPath, Paragraph> dressed = new TreeMap<>();
        for (Selection.Stretch stretch : picked.stretches(document)) {
            Paragraph paragraph = stretch.paragraph();
            List<Inline> inlines = new ArrayList<>(paragraph.slice(0, stretch.from()));
            for (Inline inline : paragraph.slice(stretch.from(), stretch.to())) inlines.add(inline.with(change.apply(inline.look())));
            inlines.addAll(paragraph.slice(stretch.to(), paragraph.length()));
            Paragraph made = paragraph.length() == 0 ? paragraph : paragraph.withInlines(inlines);
            if (stretch.isToEnd()) made = made.withMark(change.apply(paragraph.mark()));
            if (!made.equals(paragraph)) dressed.put(stretch.path(), made);
        }
        return made(document, picked, dressed, EditKind.LOOK);
    }

    /** Every paragraph that is touched by what is picked, dressed by a function that leaves its text alone. */
    public static Change paragraphs(Document document, Selection picked, UnaryOperator<Paragraph> change, EditKind kind) {
        SortedMap<BlockPath, Paragraph> dressed = new TreeMap<>();
        for (Selection.Stretch stretch : picked.stretches(document)) {
            Paragraph made = change.apply(stretch.paragraph());
            if (!made.equals(stretch.paragraph())) dressed.put(stretch.path(), made);
        }
        return made(document, picked, dressed, kind);
    }

    private static Change made(Document document, Selection picked, SortedMap<BlockPath, Paragraph> dressed, EditKind kind) {
        Draft draft = new Draft(document, picked);
        if (!dressed.isEmpty()) draft.add(new DressStep(picked.story(), dressed));
        return draft.done(kind, picked);
    }

    /** A style's own look changed, and with it every passage of that style. */
    public static Change style(Document document, Selection picked, Style style) {
        return new Draft(document, picked).add(new StyleStep(document.styles().with(style), document.numbering())).done(EditKind.STYLE, picked);
    }
}
