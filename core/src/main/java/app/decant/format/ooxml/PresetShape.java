package app.decant.format.ooxml;

import app.decant.format.DrawnShape.Part;
import java.util.List;
import java.util.Map;

/** Shapes that the standard names (ISO/IEC 29500-1, 20.1.10.56), for formats that call them otherwise. */
public final class PresetShape {
    private PresetShape() { }

    /**
     * Its outlines, as they are when nobody adjusts them; nothing for a name that is none.
     *
     * @param width in points, as is {@code height}
     */
    public static List<Part> of(String name, double width, double height) { return ShapeGeometry.preset(name, Map.of(), width, height); }
}
