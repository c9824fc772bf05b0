package app.decant.format.rtf;

import app.decant.document.Border;
import app.decant.document.Borders;
import java.util.HashMap;
import java.util.Map;

/** The borders of a paragraph, a cell or a page while their words come in: a word names a side, those behind it say how it is drawn. */
final class RtfBorders {
    private final Map<String, Line> sides = new HashMap<>();
    private Line current;

    private static final class Line {
        Border.Line kind = Border.Line.SINGLE;
        int width = 15;
        int space;
        int colour;

        Border border(RtfTables tables) { return kind == Border.Line.NONE ? Border.NONE : new Border(kind, width / 20.0, tables.colour(colour), space / 20.0); }
    }

    RtfBorders copy() {
        RtfBorders copy = new RtfBorders();
        copy.sides.putAll(sides);
        return copy;
    }

    boolean any() { return !sides.isEmpty(); }

    boolean word(String word, int value) {
        switch (word) {
            case "brdrt", "clbrdrt", "pgbrdrt" -> begin("top");
            case "brdrl", "clbrdrl", "pgbrdrl" -> begin("left");
            case "brdrb", "clbrdrb", "pgbrdrb" -> begin("bottom");
            case "brdrr", "clbrdrr", "pgbrdrr" -> begin("right");
            case "brdrbtw" -> begin("between");
            case "box" -> {
                begin("top");
                for (String side : new String[] {"left", "bottom", "right"}) sides.put(side, current);
            }
            default -> {
                return current != null && drawn(word, value);
            }
        }
        return true;
    }

    private void begin(String side) {
        current = new Line();
        sides.put(side, current);
    }

    private boolean drawn(String word, int value) {
        switch (word) {
            case "brdrs", "brdrhair", "brdrsh" -> current.kind = Border.Line.SINGLE;
            case "brdrth" -> current.kind = Border.Line.THICK;
            case "brdrdb", "brdrtriple", "brdrtnthsg", "brdrthtnsg" -> current.kind = Border.Line.DOUBLE;
            case "brdrdot" -> current.kind = Border.Line.DOTTED;
            case "brdrdash", "brdrdashsm", "brdrdashd", "brdrdashdd" -> current.kind = Border.Line.DASHED;
            case "brdrnone", "brdrnil", "brdrtbl" -> current.kind = Border.Line.NONE;
            case "brdrw" -> current.width = value;
            case "brsp" -> current.space = value;
            case "brdrcf" -> current.colour = value;
            default -> {
                return false;
            }
        }
        return true;
    }

    private Border side(String name, RtfTables tables) { return sides.containsKey(name) ? sides.get(name).border(tables) : null; }

    Borders borders(RtfTables tables) {
        return new Borders(side("top", tables), side("right", tables), side("bottom", tables), side("left", tables), side("between", tables), null);
    }
}
