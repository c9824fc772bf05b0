package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Table;
import app.decant.document.TextBox;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * What blocks hold that concerns more than themselves, so that what has none of it need not be looked through at every letter. Remembered, since there
 * may be thousands.
 */
final class Traits {
    /** Counted in a list. */
    static final int LIST = 1;
    /** A heading. */
    static final int HEADING = 2;
    /** A named place. */
    static final int POINT = 4;
    /** A note hangs on it. */
    static final int NOTE = 8;
    /** Repeats the text of a named place. */
    static final int REFERENCE = 16;
    /** Tells where others stand, or how many pages there are. */
    static final int PAGE_REFERENCE = 32;
    /** Tells the page it stands on. */
    static final int PAGE = 64;
    /** Tells the page of a named place. */
    static final int PLACE_PAGE = 256;
    /** Any field, or a box or note that may hold one: set anew where what fields read as is other. */
    static final int FIELD = 128;

    private final Cascade cascade;
    private final Map<Table.Row, Integer> rows = new IdentityHashMap<>();
    private final Map<Table, Integer> tables = new IdentityHashMap<>();
    private final Map<Paragraph, Integer> paragraphs = new IdentityHashMap<>();

    Traits(Cascade cascade) { this.cascade = cascade; }

    boolean has(Block block, int traits) { return (of(block) & traits) != 0; }

    boolean has(Table.Row row, int traits) { return (of(row) & traits) != 0; }

    /** All traits of a block. */
    int of(Block block) {
        if (block instanceof Paragraph paragraph) return of(paragraph);
        int traits = 0;
        if (block instanceof Contents contents) for (Paragraph entry : contents.entries()) traits |= of(entry);
        if (block instanceof Table table) traits = of(table);
        return traits;
    }

    private int of(Table table) {
        Integer known = tables.get(table);
        if (known != null) return known;
        int traits = 0;
        for (Table.Row row : table.rows()) traits |= of(row);
        tables.put(table, traits);
        return traits;
    }

    private int of(Table.Row row) {
        Integer known = rows.get(row);
        if (known != null) return known;
        int traits = 0;
        for (Table.Cell cell : row.cells()) traits |= of(cell.blocks());
        rows.put(row, traits);
        return traits;
    }

    private int of(List<? extends Block> blocks) {
        int traits = 0;
        for (Block block : blocks) traits |= of(block);
        return traits;
    }

    private int of(Paragraph paragraph) {
        Integer known = paragraphs.get(paragraph);
        if (known != null) return known;
        int traits = own(paragraph);
        paragraphs.put(paragraph, traits);
        return traits;
    }

    private int own(Paragraph paragraph) {
        int traits = 0;
        if (cascade.paragraph(paragraph).says(ParagraphProperty.LIST)) traits |= LIST;
        if (cascade.outlineLevel(paragraph) > 0) traits |= HEADING;
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.BookmarkPoint) traits |= POINT;
            else if (inline instanceof Inline.Field field) traits |= of(field);
            else if (inline instanceof Inline.Note note) traits |= NOTE | FIELD | of(note.blocks());
            else if (inline instanceof Inline.Floating floating) traits |= FIELD | (floating.content() instanceof TextBox box ? of(box.blocks()) : 0);
        }
        return traits;
    }

    private static int of(Inline.Field field) {
        return FIELD | switch (field.kind()) {
            case PAGE -> PAGE;
            case PAGES, SECTION_PAGES -> PAGE_REFERENCE;
            case PAGE_REFERENCE -> PAGE_REFERENCE | PLACE_PAGE;
            case REFERENCE -> REFERENCE;
            default -> 0;
        };
    }

    /** Lets go of what older states had once it outnumbers what is in use. */
    void forget(int inUse) {
        if (tables.size() > inUse + 200) tables.clear();
        if (paragraphs.size() > 2 * inUse + 2000) paragraphs.clear();
        if (rows.size() > 2 * inUse + 2000) rows.clear();
    }
}
