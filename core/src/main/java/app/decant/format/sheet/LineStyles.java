package app.decant.format.sheet;

import app.decant.document.Border;
import app.decant.document.Colour;

/** Lines of cells by their names (ISO/IEC 29500-1, 18.18.3), with widths of common practice. */
final class LineStyles {
    private LineStyles() { }

    /** The name of a line; null for none. */
    static String name(Border border) {
        if (border == null || !border.isVisible()) return null;
        return switch (border.line()) {
            case DOUBLE -> "double";
            case DOTTED -> border.width() < 0.4 ? "hair" : "dotted";
            case DASHED -> border.width() > 1 ? "mediumDashed" : "dashed";
            default -> border.width() >= 2 ? "thick" : border.width() > 1 ? "medium" : "thin";
        };
    }

    /** The line of a name; null for none. */
    static Border border(String name, Colour colour) {
        return switch (name) {
            case "none" -> null;
            case "hair" -> new Border(Border.Line.DOTTED, 0.25, colour, 0);
            case "dotted" -> new Border(Border.Line.DOTTED, 0.5, colour, 0);
            case "dashed", "dashDot", "dashDotDot" -> new Border(Border.Line.DASHED, 0.5, colour, 0);
            case "mediumDashed", "mediumDashDot", "mediumDashDotDot", "slantDashDot" -> new Border(Border.Line.DASHED, 1.5, colour, 0);
            case "medium" -> new Border(Border.Line.SINGLE, 1.5, colour, 0);
            case "thick" -> new Border(Border.Line.SINGLE, 2.25, colour, 0);
            case "double" -> new Border(Border.Line.DOUBLE, 1.5, colour, 0);
            default -> new Border(Border.Line.SINGLE, 0.5, colour, 0);
        };
    }
}
