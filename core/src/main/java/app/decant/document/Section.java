package app.decant.document;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * A stretch of the document with pages of its own kind.
 *
 * @param start     how it begins
 * @param page      the size and margins of its pages
 * @param columns   how text runs in them
 * @param numbering of its pages
 * @param frames    headers and footers by place; a place not named takes the previous section's
 * @param kept      what its format says of it beyond that, in markup that is given back when the same format is written
 * @param dress     what its pages have beyond text
 * @param firstPageDiffers whether the {@code FIRST_*} frames stand on its first page
 */
public record Section(Start start, PageGeometry page, Columns columns, PageNumbering numbering, Map<FramePlace, List<Block>> frames,
                      boolean firstPageDiffers, List<Block> blocks, List<String> kept, PageDress dress) {
    public static final Section PLAIN = new Section(Start.NEXT_PAGE, PageGeometry.A4, Columns.ONE, PageNumbering.CONTINUED, Map.of(), false, List.of());

    public Section {
        frames = Collections.unmodifiableMap(new TreeMap<>(frames));
        blocks = List.copyOf(blocks);
        kept = kept == null ? List.of() : List.copyOf(kept);
        dress = dress == null ? PageDress.PLAIN : dress;
    }

    /** A section of which its format says nothing more. */
    public Section(Start start, PageGeometry page, Columns columns, PageNumbering numbering, Map<FramePlace, List<Block>> frames, boolean firstPageDiffers,
            List<Block> blocks) {
        this(start, page, columns, numbering, frames, firstPageDiffers, blocks, List.of(), PageDress.PLAIN);
    }

    /** How a section begins: at once, in the next column, on a new page, on a new even or odd page. */
    public enum Start { CONTINUOUS, NEXT_COLUMN, NEXT_PAGE, EVEN_PAGE, ODD_PAGE }

    /** The places of headers and footers. */
    public enum FramePlace {
        FIRST_HEADER, HEADER, EVEN_HEADER, FIRST_FOOTER, FOOTER, EVEN_FOOTER;

        public boolean isHeader() { return ordinal() < 3; }
    }

    /**
     * The size of a page and what is kept free at its edges, in points. Header and footer are the distances of those from the page's edge; they
     * push the text area when they need more room than the margin has.
     */
    public record PageGeometry(double width, double height, double top, double right, double bottom, double left, double header, double footer, double gutter) {
        /** ISO 216 A4 upright with margins of 2.5 cm. */
        public static final PageGeometry A4 = new PageGeometry(595.3, 841.9, 70.85, 70.85, 70.85, 70.85, 35.4, 35.4, 0);

        public double textLeft() { return left + gutter; }
        public double textWidth() { return width - left - right - gutter; }
        public boolean isLandscape() { return width > height; }

        /** The same paper the other way round. */
        public PageGeometry turned() { return new PageGeometry(height, width, top, right, bottom, left, header, footer, gutter); }
    }

    /**
     * The columns of a section.
     *
     * @param widths of each column and the gap after it, alternating ({@code w, g, w}); empty for {@code count} equal ones
     */
    public record Columns(int count, double gap, boolean line, List<Double> widths) {
        public static final Columns ONE = new Columns(1, 0, false, List.of());

        public Columns { widths = List.copyOf(widths); }

        /** The start and width of each column within a text area of the given width. */
        public List<double[]> within(double textWidth) {
            List<double[]> result = new ArrayList<>();
            if (widths.size() >= count * 2 - 1 && count > 1) {
                double x = 0;
                for (int i = 0; i < count; i++) {
                    result.add(new double[] {x, widths.get(2 * i)});
                    x += widths.get(2 * i) + (i + 1 < count ? widths.get(2 * i + 1) : 0);
                }
            } else {
                double width = (textWidth - gap * (count - 1)) / count;
                for (int i = 0; i < count; i++) result.add(new double[] {i * (width + gap), width});
            }
            return result;
        }
    }

    /** How pages are numbered: the format, and the number the section starts at (null carries on). */
    public record PageNumbering(NumberFormat format, Integer start) {
        public static final PageNumbering CONTINUED = new PageNumbering(NumberFormat.DECIMAL, null);
    }

    /** The same on other paper. */
    public Section on(PageGeometry other) { return new Section(start, other, columns, numbering, frames, firstPageDiffers, blocks, kept, dress); }

    /** The same in other columns. */
    public Section in(Columns others) { return new Section(start, page, others, numbering, frames, firstPageDiffers, blocks, kept, dress); }

    public Section withFrames(Map<FramePlace, List<Block>> others) {
        return new Section(start, page, columns, numbering, others, firstPageDiffers, blocks, kept, dress);
    }

    public Section withBlocks(List<Block> others) {
        return new Section(start, page, columns, numbering, frames, firstPageDiffers, others, kept, dress);
    }

    /** The same with something else round its text. */
    public Section dressed(PageDress other) { return new Section(start, page, columns, numbering, frames, firstPageDiffers, blocks, kept, other); }

    /** The same with what its format says beyond that. */
    public Section keeping(List<String> others) { return new Section(start, page, columns, numbering, frames, firstPageDiffers, blocks, others, dress); }
}
