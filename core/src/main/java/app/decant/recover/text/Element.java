package app.decant.recover.text;

import app.decant.document.TableProperty.Insets;
import app.decant.pdf.read.Placed;
import app.decant.recover.region.Figure;
import app.decant.recover.region.Framed;
import app.decant.recover.table.TableGrid;
import java.util.ArrayList;
import java.util.List;

/** A piece of the body once lines have become paragraphs. */
public sealed interface Element {
    /** A paragraph. */
    record Text(Para para) implements Element { }

    /** A table. */
    record Grid(TableGrid table) implements Element { }

    /** A picture by itself. */
    record Alone(Placed picture, double left, double right) implements Element { }

    /** A picture beside, over or under text, and the room kept between them. */
    record Beside(Placed picture, boolean behind, Insets room) implements Element { }

    /** A box of text that other text stands beside, and the room kept between them. */
    record Boxed(Framed box, List<Element> elements, Insets room) implements Element { }

    /** Pictures and labels that keep their places towards each other. */
    record Drawn(Figure figure, List<Boxed> labels) implements Element { }

    /** A note beside the text. */
    record Side(List<Element> elements, double left, double top, double right, double bottom) implements Element { }

    /** Columns, each with its left and right edge. */
    record Columns(List<List<Element>> columns, List<double[]> edges) implements Element { }

    /** All paragraphs among some elements, in reading order; those of side notes only where they are wanted. */
    static void paragraphs(List<Element> elements, boolean sides, List<Para> found) {
        for (Element element : elements) {
            if (element instanceof Text text) found.add(text.para);
            else if (element instanceof Columns columns) columns.columns.forEach(column -> paragraphs(column, sides, found));
            else if (element instanceof Side side && sides) paragraphs(side.elements, true, found);
        }
    }

    /** The tables among some elements, wherever they stand. */
    static void tables(List<Element> elements, List<TableGrid> found) {
        for (Element element : elements) {
            if (element instanceof Grid grid) found.add(grid.table);
            else if (element instanceof Columns columns) columns.columns.forEach(column -> tables(column, found));
            else if (element instanceof Side side) tables(side.elements, found);
            else if (element instanceof Boxed boxed) tables(boxed.elements, found);
        }
    }

    /** The paragraphs of what stands apart from the text, such as boxes and notes beside it, each by itself. */
    static void apart(List<Element> elements, List<List<Para>> found) {
        for (Element element : elements) {
            if (element instanceof Columns columns) columns.columns.forEach(column -> apart(column, found));
            List<Element> inner = element instanceof Side side ? side.elements : element instanceof Boxed boxed ? boxed.elements : List.of();
            List<Para> own = new ArrayList<>();
            paragraphs(inner, false, own);
            if (!own.isEmpty()) found.add(own);
        }
    }
}
