package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Contents;
import app.decant.document.ContentsList;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import java.util.List;

/** Contents lists put in: they name the headings with their pages, and follow them. */
public final class ContentsLists {
    private static final int DEEPEST = 3;
    private static final double STEP = 18;

    private ContentsLists() { }

    /** Whether a list can stand at the caret: between the paragraphs of the body, not in a table. */
    public static boolean canInsert(Selection picked) { return picked.story() instanceof Story.Body && picked.head().path().size() == 2; }

    /** Whether there is a list of headings. */
    public static boolean hasAny(Document document) {
        return document.sections().stream().flatMap(section -> section.blocks().stream()).anyMatch(block -> block instanceof Contents list
                && list.listsHeadings());
    }

    /**
     * Every list of headings as the headings are now, whatever it said before: entries that lead to their heading keep their look, the others are made anew.
     *
     * @return null where all say what the headings say
     */
    public static Change refresh(Document document, Selection picked) {
        Document refreshed = ContentsList.refreshed(document);
        if (refreshed == document) return null;
        Change made = FollowingContents.between(document, refreshed, picked, EditKind.OBJECT);
        Transaction done = made.transaction();
        Selection there = FollowingContents.picked(picked, made);
        return new Change(new Transaction(done.kind(), done.steps(), done.before(), there, done.joins()), made.before(), made.after());
    }

    /** A list of headings of the first three levels before the paragraph at the caret; its entries come as it {@linkplain FollowingContents follows}. */
    public static Change insert(Document document, Selection picked) {
        if (!canInsert(picked)) throw new IllegalArgumentException("No contents list can stand at " + picked.head());
        BlockPath path = picked.head().path();
        Draft draft = new Draft(document, picked);
        StyleSheet styles = document.styles();
        double width = Pictures.room(document, picked.head());
        for (int level = 1; level <= DEEPEST; level++) {
            String name = "toc " + level;
            if (styles.styles().values().stream().anyMatch(style -> style.name().equalsIgnoreCase(name))) continue;
            Look look = Look.of(ParagraphProperty.INDENT_START, (level - 1) * STEP)
                    .with(ParagraphProperty.TABS, new TabStops(List.of(new TabStop(width, TabStop.Kind.END, TabStop.Leader.DOTS))));
            styles = styles.with(new Style("TOC" + level, name, Style.Kind.PARAGRAPH, styles.defaultParagraph(), null, look));
        }
        if (styles != document.styles()) draft.add(new StyleStep(styles, document.numbering()));
        draft.add(new BlockStep(Story.BODY, path.parent(), path.last(), path.last(), List.of(ContentsList.forLevels(1, DEEPEST))));
        return FollowingContents.of(draft.done(EditKind.OBJECT, new Place(path.sibling(path.last() + 1), picked.head().offset())));
    }
}
