package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Style;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/** Headings raised and lowered, and sections moved past their neighbours: a heading with all that stands below it. */
public final class Headings {
    private Headings() { }

    /** Whether something that is picked is a heading for which there is a style so many levels deeper. */
    public static boolean canShift(Document document, Selection picked, int by) { return !shift(document, picked, by).isNothing(); }

    /** The headings that are picked given the style of a level deeper, or less deep; those for which there is none stay. */
    public static Change shift(Document document, Selection picked, int by) {
        Cascade cascade = Cascade.of(document);
        SortedMap<BlockPath, Paragraph> dressed = new TreeMap<>();
        for (Selection.Stretch stretch : picked.stretches(document)) {
            int level = cascade.outlineLevel(stretch.paragraph());
            String style = level == 0 ? null : style(document, cascade, level + by);
            if (style == null) continue;
            Paragraph paragraph = stretch.paragraph();
            dressed.put(stretch.path(), new Paragraph(style, paragraph.look(), paragraph.mark(), paragraph.inlines()));
        }
        Draft draft = new Draft(document, picked);
        if (!dressed.isEmpty()) draft.add(new DressStep(picked.story(), dressed));
        return draft.done(EditKind.HEADING, picked);
    }

    /** The style that headings of a level have: one that is used, else the first that makes such. */
    private static String style(Document document, Cascade cascade, int level) {
        if (level < 1 || level > 9) return null;
        String found = null;
        for (Style style : document.styles().styles().values()) {
            if (style.kind() != Style.Kind.PARAGRAPH || cascade.outlineLevel(Paragraph.styled(style.id(), "")) != level) continue;
            boolean used = document.sections().stream().flatMap(section -> section.blocks().stream())
                    .anyMatch(block -> block instanceof Paragraph paragraph && style.id().equals(paragraph.style()));
            if (used) return style.id();
            if (found == null) found = style.id();
        }
        return found;
    }

    /** Whether the section at the caret has a neighbour of its level to change places with. */
    public static boolean canMove(Document document, Selection picked, boolean down) { return range(document, picked, down) != null; }

    /** The section at the caret moved past the one of its level before or behind it; nothing happens where there is none. */
    public static Change move(Document document, Selection picked, boolean down) {
        Draft draft = new Draft(document, picked);
        int[] range = range(document, picked, down);
        if (range == null) return draft.done(EditKind.HEADING, picked);
        BlockPath container = picked.head().path().parent();
        int to = down ? range[2] - (range[1] - range[0]) : range[2];
        List<Block> section = List.copyOf(document.children(Story.BODY, container).subList(range[0], range[1]));
        // Its neighbour goes over it, so that what points into the section itself stays.
        int from = down ? range[1] : range[2];
        int end = down ? range[2] : range[0];
        List<Block> neighbour = List.copyOf(document.children(Story.BODY, container).subList(from, end));
        draft.add(new BlockStep(Story.BODY, container, from, end, List.of()));
        int back = down ? range[0] : range[2] + section.size();
        draft.add(new BlockStep(Story.BODY, container, back, back, neighbour));
        return draft.done(EditKind.HEADING, new Place(container.then(to), Math.min(picked.head().offset(), ((Paragraph) section.get(0)).length())));
    }

    /** Where the section begins and ends among its siblings, and where its neighbour begins (before it) or ends (behind it); null where it can't move. */
    private static int[] range(Document document, Selection picked, boolean down) {
        BlockPath path = picked.head().path();
        if (!(picked.story() instanceof Story.Body) || path.size() != 2) return null;
        List<? extends Block> blocks = document.children(Story.BODY, path.parent());
        Cascade cascade = Cascade.of(document);
        int from = path.last();
        int level = level(cascade, blocks.get(from));
        if (level == 0) return null;
        int end = end(cascade, blocks, from, level);
        if (down) return end < blocks.size() && level(cascade, blocks.get(end)) == level ? new int[] {from, end, end(cascade, blocks, end, level)} : null;
        for (int i = from - 1; i >= 0; i--) {
            int other = level(cascade, blocks.get(i));
            if (other == level) return new int[] {from, end, i};
            if (other > 0 && other < level) return null;
        }
        return null;
    }

    private static int end(Cascade cascade, List<? extends Block> blocks, int from, int level) {
        int end = from + 1;
        while (end < blocks.size() && (level(cascade, blocks.get(end)) == 0 || level(cascade, blocks.get(end)) > level)) end++;
        return end;
    }

    private static int level(Cascade cascade, Block block) {
        return block instanceof Paragraph paragraph && !paragraph.plainText().isBlank() ? cascade.outlineLevel(paragraph) : 0;
    }
}
