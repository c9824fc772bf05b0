package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import java.util.List;

/**
 * How wide what stands in a cell must be and would be, in points (CSS 2.2, 17.5.2.2: minimum and maximum content width).
 *
 * @param least its widest part that no line end divides
 * @param most  its longest line if lines ended only where they are made to
 */
record ContentWidths(double least, double most) {
    static final ContentWidths NONE = new ContentWidths(0, 0);
    /** As wide as paper may be (ISO 32000-2, Annex C). */
    static final double WIDEST = 14_400;
    /** Lines that fit to the last thousandth would be broken. */
    private static final double ROUNDING = 0.05;

    ContentWidths {
        least = Math.min(WIDEST, Math.max(0, least));
        most = Math.min(WIDEST, Math.max(least, most));
    }

    ContentWidths beside(double room) { return new ContentWidths(least + room, most + room); }

    private ContentWidths under(ContentWidths other) { return new ContentWidths(Math.max(least, other.least), Math.max(most, other.most)); }

    /** Of blocks one under another. */
    static ContentWidths of(Composer composer, List<? extends Block> blocks, Look table) {
        ContentWidths widths = NONE;
        for (Block block : Composer.flattened(blocks)) {
            if (block instanceof Paragraph paragraph) widths = widths.under(composer.contentWidths(paragraph, table).beside(ROUNDING));
            else if (block instanceof Table inner) widths = widths.under(FittedColumns.contentWidths(composer, inner));
        }
        return widths;
    }
}
