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
        int[] range = range(document, picked, down);
        Draft draft = new Draft(document, picked);
        if (range == null) return draft.done(EditKind.HEADING, picked);
        return moved(draft, picked.head().path().parent(), range[0], range[1], range[2], picked.head().offset());
    }

    /** Whether a section may stand before a heading: one of its level or above, which is not its own or the one that it stands before now. */
    public static boolean canPlace(Document document, BlockPath heading, BlockPath before) {
        if (heading.size() != 2 || before != null && before.size() != 2) return false;
        List<? extends Block> blocks = document.children(Story.BODY, heading.parent());
        Cascade cascade = Cascade.of(document);
        int level = level(cascade, blocks.get(heading.last()));
        if (level == 0) return false;
        int end = end(cascade, blocks, heading.last(), level);
        if (before == null || before.isSiblingOf(heading)) {
            int to = before == null ? blocks.size() : before.last();
            return (to < heading.last() || to > end) && (before == null || isAtMost(level, cascade, blocks.get(to)));
        }
        // What is left where it came from must not be nothing.
        return end - heading.last() < blocks.size() && isAtMost(level, cascade, document.block(before));
    }

    private static boolean isAtMost(int level, Cascade cascade, Block block) { return level(cascade, block) > 0 && level(cascade, block) <= level; }

    /**
     * A section moved to stand before another heading.
     *
     * @param before null for the end of what it stands in
     * @throws IllegalArgumentException where it {@linkplain #canPlace can't}
     */
    public static Change place(Document document, Selection picked, BlockPath heading, BlockPath before) {
        if (!canPlace(document, heading, before)) throw new IllegalArgumentException("The section at " + heading + " can't stand before " + before);
        BlockPath container = heading.parent();
        List<? extends Block> blocks = document.children(Story.BODY, container);
        Cascade cascade = Cascade.of(document);
        int from = heading.last();
        int end = end(cascade, blocks, from, level(cascade, blocks.get(from)));
        Draft draft = new Draft(document, picked);
        if (before == null || before.isSiblingOf(heading)) return moved(draft, container, from, end, before == null ? blocks.size() : before.last(), 0);
        List<Block> section = List.copyOf(blocks.subList(from, end));
        draft.add(new BlockStep(Story.BODY, container, from, end, List.of()));
        draft.add(new BlockStep(Story.BODY, before.parent(), before.last(), before.last(), section));
        return draft.done(EditKind.HEADING, new Place(before, 0));
    }

    /** Blocks from one to another moved to stand before a third, which is none of them; a caret in the first goes with them. */
    private static Change moved(Draft draft, BlockPath container, int from, int end, int before, int offset) {
        boolean down = before > from;
        // What they pass goes over them, so that what points into the section itself stays.
        int first = down ? end : before;
        int last = down ? before : from;
        List<Block> passed = List.copyOf(draft.document().children(Story.BODY, container).subList(first, last));
        Paragraph heading = (Paragraph) draft.document().children(Story.BODY, container).get(from);
        draft.add(new BlockStep(Story.BODY, container, first, last, List.of()));
        int back = down ? from : before + end - from;
        draft.add(new BlockStep(Story.BODY, container, back, back, passed));
        return draft.done(EditKind.HEADING, new Place(container.then(down ? from + passed.size() : before), Math.min(offset, heading.length())));
    }

    /** Whether the caret is in a heading of the text. */
    public static boolean isHeading(Document document, Selection picked) {
        BlockPath path = picked.head().path();
        return picked.story() instanceof Story.Body && path.size() == 2 && level(Cascade.of(document), document.block(path)) > 0;
    }

    /** The whole section that a heading begins, as what would be picked. */
    public static TextSelection section(Document document, BlockPath heading) {
        List<? extends Block> blocks = document.children(Story.BODY, heading.parent());
        Cascade cascade = Cascade.of(document);
        int end = end(cascade, blocks, heading.last(), Math.max(1, level(cascade, blocks.get(heading.last()))));
        List<Selection.Stretch> text = Selection.whole(document, Story.BODY, heading.parent(), heading.last(), end);
        Selection.Stretch last = text.get(text.size() - 1);
        return new TextSelection(new Place(heading, 0), new Place(last.path(), last.to()));
    }

    /** Other words for a heading; what of them stays the same keeps its look, and notes and marks stay where they are. */
    public static Change rename(Document document, Selection picked, BlockPath heading, String words) {
        Paragraph paragraph = document.paragraph(heading);
        String old = paragraph.text();
        int same = 0;
        while (same < Math.min(old.length(), words.length()) && old.charAt(same) == words.charAt(same)) same++;
        int tail = 0;
        while (tail < Math.min(old.length(), words.length()) - same && old.charAt(old.length() - 1 - tail) == words.charAt(words.length() - 1 - tail)) tail++;
        TextSelection other = new TextSelection(new Place(heading, same), new Place(heading, old.length() - tail));
        String put = words.substring(same, words.length() - tail);
        if (other.isEmpty() && put.isEmpty()) return new Draft(document, picked).done(EditKind.HEADING, picked);
        return other.isEmpty() || put.isEmpty() ? Typing.type(document, other, put, null) : Typing.correct(document, other, put);
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
