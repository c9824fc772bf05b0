package app.decant.pdf;

import app.decant.document.Colour;
import java.util.Set;

/**
 * Something laid on pages as they are published: a letterhead, a watermark, a stamp.
 *
 * @param content  what it is
 * @param under    whether it lies under the text
 * @param pages    the places of its pages in the file from 0; empty for all
 * @param angle    turned so many degrees against the clock
 * @param opacity  0 to 1
 * @param share    its width as a share of the page's; 0 for its own size
 */
public record Overlay(Content content, boolean under, Set<Integer> pages, double angle, double opacity, double share) {
    public Overlay { pages = Set.copyOf(pages); }

    public boolean isOn(int page) { return pages.isEmpty() || pages.contains(page); }

    /** What is laid on. */
    public sealed interface Content { }

    /**
     * Words, in the shipped sans serif. {@code place} is where on the page. {@code {page}}, {@code {pages}} and {@code {label}} in them stand for the
     * page's place in the file, how many there are, and the number printed on it.
     */
    public record Words(String text, double size, Colour colour, Place place) implements Content { }

    /** A picture file: PNG or JPEG, in the middle of the page. */
    public record PictureFile(byte[] bytes) implements Content { }

    /** The first page of a PDF, as large as the page. */
    public record PdfFile(byte[] bytes) implements Content { }

    /** Where words stand: in the middle, or in the margin near an edge. */
    public enum Place {
        MIDDLE, TOP, BOTTOM, TOP_LEFT, TOP_RIGHT, BOTTOM_LEFT, BOTTOM_RIGHT;

        public boolean isTop() { return name().startsWith("TOP"); }
        public boolean isLeft() { return name().endsWith("LEFT"); }
        public boolean isRight() { return name().endsWith("RIGHT"); }
    }
}
