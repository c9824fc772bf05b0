package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import app.decant.document.TextBox;
import java.util.List;

/** Other styles for a document that is laid out: tells what looks otherwise by them, so that only that is set anew. */
final class Restyling {
    private final Composer old;
    private final Cascade before;
    private final Cascade now;

    Restyling(Composer old, Cascade now) {
        this.old = old;
        this.before = old.styles().cascade();
        this.now = now;
    }

    /** A paragraph as it was set where it would be set the same now, else null; its fonts are told to the new styles. */
    Composer.Remembered kept(Paragraph paragraph, Look table, String label, StyleBook styles) {
        Composer.Remembered known = old.remembered().get(paragraph);
        if (known == null || !known.table().equals(table) || differs(paragraph, table) || label != null && labelDiffers(paragraph, table)) return null;
        for (Inline inline : paragraph.inlines()) if (inline.length() > 0) styles.text(paragraph, inline.look(), table);
        styles.text(paragraph, paragraph.mark(), table);
        return known;
    }

    private boolean labelDiffers(Paragraph paragraph, Look table) {
        return !before.label(paragraph, table).equals(now.label(paragraph, table))
                || !same(before.paragraph(paragraph, table), now.paragraph(paragraph, table)) || before.numbering() != now.numbering();
    }

    private static boolean same(Look one, Look other) { return one.equals(other); }

    /** Whether a block of the flow looks otherwise now, or something in it or on it. */
    boolean differs(Block block) {
        if (block instanceof Paragraph paragraph) return differs(paragraph, Look.PLAIN) || labelDiffers(paragraph, Look.PLAIN) || differsOn(paragraph);
        if (block instanceof Contents contents) return contents.entries().stream().anyMatch(this::differs);
        return block instanceof Table table && differs(table);
    }

    private boolean differs(Table table) {
        if (!same(before.table(table), now.table(table))) return true;
        for (int r = 0; r < table.rows().size(); r++) {
            for (Table.Cell cell : table.rows().get(r).cells()) {
                Look look = now.cell(table, r, cell);
                if (!same(before.cell(table, r, cell), look) || within(cell.blocks(), TableSetter.textOnly(look))) return true;
            }
        }
        return false;
    }

    private boolean within(List<Block> blocks, Look table) {
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph && (differs(paragraph, table) || labelDiffers(paragraph, table) || differsOn(paragraph))) return true;
            if (block instanceof Table inner && differs(inner)) return true;
        }
        return false;
    }

    private boolean differs(Paragraph paragraph, Look table) {
        if (!same(before.paragraph(paragraph, table), now.paragraph(paragraph, table))) return true;
        for (Inline inline : paragraph.inlines())
            if (inline.length() > 0 && !same(before.text(paragraph, inline.look(), table), now.text(paragraph, inline.look(), table))) return true;
        return !same(before.text(paragraph, paragraph.mark(), table), now.text(paragraph, paragraph.mark(), table));
    }

    /** Notes and boxes that hang on it. */
    private boolean differsOn(Paragraph paragraph) {
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.Note note && within(note.blocks(), Look.PLAIN)) return true;
            if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box && within(box.blocks(), Look.PLAIN)) return true;
        }
        return false;
    }
}
