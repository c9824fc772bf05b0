package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Holds pages to their document: every letter of its text must stand on the paper of some page. Asked by whoever promises that a text is whole, since
 * pages that lost something can't tell it themselves.
 */
final class PlacedText {
    private final Map<Paragraph, BitSet> placed = new IdentityHashMap<>();
    private final Cascade cascade;
    private final List<String> lost = new ArrayList<>();

    private PlacedText(Cascade cascade) { this.cascade = cascade; }

    /** What of a document's body, with its notes and boxes, stands on none of its pages; in reading order, paragraph by paragraph. */
    static List<String> missing(PagedDocument pages) {
        PlacedText text = new PlacedText(Cascade.of(pages.document()));
        for (Page page : pages.pages()) for (Item item : page.text()) text.place(item, page);
        for (Walk.Stop stop : pages.walk().stops()) text.look(stop.paragraph());
        return text.lost;
    }

    /**
     * The same of some stretches of it, each with the pages it has to stand on.
     *
     * @param blocks of each, the first and the last of which are in it from and up to a caret position or row only
     */
    static List<String> missing(Document document, List<StretchLayout.Laid> stretches) {
        PlacedText text = new PlacedText(Cascade.of(document));
        for (StretchLayout.Laid stretch : stretches) {
            text.placed.clear();
            for (Page page : stretch.pages()) for (Item item : page.text()) text.place(item, page);
            List<Block> blocks = stretch.blocks();
            for (int i = 0; i < blocks.size(); i++) {
                int from = i == 0 ? stretch.from() : 0;
                int to = i == blocks.size() - 1 && stretch.to() > 0 ? stretch.to() : Integer.MAX_VALUE;
                if (blocks.get(i) instanceof Paragraph paragraph) text.look(paragraph, from, to);
                else if (blocks.get(i) instanceof Table table) text.lookAt(table.rows().subList(from, Math.min(to, table.rows().size())));
            }
        }
        return text.lost;
    }

    private void place(Item item, Page page) {
        if (!(item instanceof Item.LineItem line)) return;
        boolean onPaper = line.baseline() >= 0 && line.baseline() - line.line().ascent() <= page.height() && line.left() <= page.width() && line.left()
                + line.line().width() >= 0;
        if (!onPaper) return;
        BitSet characters = placed.computeIfAbsent(TextPassage.paragraph(line), paragraph -> new BitSet());
        for (Piece piece : line.line().pieces()) characters.set(piece.start(), piece.end());
    }

    private void look(Paragraph paragraph) { look(paragraph, 0, Integer.MAX_VALUE); }

    private void look(Paragraph paragraph, int from, int to) {
        BitSet characters = placed.getOrDefault(paragraph, new BitSet());
        StringBuilder missing = new StringBuilder();
        int at = 0;
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.Text run) {
                StringBuilder part = new StringBuilder();
                for (int i = 0; i < run.text().length(); i++)
                    if (at + i >= from && at + i < to && isSeen(run.text().charAt(i)) && !characters.get(at + i)) part.append(run.text().charAt(i));
                if (!part.isEmpty() && !cascade.text(paragraph, run.look()).is(TextProperty.HIDDEN)) missing.append(part);
            }
            at += inline.length();
        }
        if (!missing.isEmpty()) lost.add(missing.toString());
        at = 0;
        for (Inline inline : paragraph.inlines()) {
            boolean here = at >= from && at < to;
            at += inline.length();
            if (!here) continue;
            if (inline instanceof Inline.Note note) look(note.blocks());
            else if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) look(box.blocks());
        }
    }

    private void look(List<? extends Block> blocks) {
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) look(paragraph);
            else if (block instanceof Contents contents) look(contents.entries());
            else if (block instanceof Table table) lookAt(table.rows());
        }
    }

    private void lookAt(List<Table.Row> rows) { for (Table.Row row : rows) for (Table.Cell cell : row.cells()) look(cell.blocks()); }

    /** Whether a character shows by itself. */
    private static boolean isSeen(char c) {
        return !Character.isWhitespace(c) && !Character.isSpaceChar(c) && !Character.isISOControl(c) && Character.getType(c) != Character.FORMAT;
    }
}
