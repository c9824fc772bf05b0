package app.decant.recover.region;

import app.decant.document.TableProperty.Insets;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.TextLine;
import app.decant.recover.table.TableGrid;
import java.util.List;

/** A piece of a page's body in reading order. */
public sealed interface Part {
    /**
     * Lines of text, one below the other, in a column.
     *
     * @param left  of the column
     * @param right of the column
     */
    record Lines(List<TextLine> lines, double left, double right) implements Part { }

    /** Text that runs down one column and then the next; each column's left and right edge stand in {@code edges}. */
    record Columns(List<List<Part>> columns, List<double[]> edges) implements Part { }

    /** A table. */
    record Grid(TableGrid table) implements Part { }

    /** A picture that stands alone, with the edges of its column. */
    record Alone(Placed picture, double left, double right) implements Part { }

    /** A picture that text runs beside, over or under. */
    record Beside(Placed picture, boolean behind, Insets room) implements Part { }

    /** A box of text that other text stands beside, and the room kept between them. */
    record Boxed(Framed box, List<Part> parts, Insets room) implements Part { }

    /** A note beside the text. */
    record Side(List<Part> parts, double left, double top, double right, double bottom) implements Part { }

    /** Pictures and labels that keep their places towards each other. */
    record Drawn(Figure figure, List<Boxed> labels) implements Part { }
}
