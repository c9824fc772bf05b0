package app.decant.sheet;

import app.decant.page.Passage;
import java.util.Map;

/** A paragraph of the words of a shape that lies over cells: the same one's, however often its page is painted. */
final class ShapePassage implements Passage {
    private final int area;
    private final SheetObject object;
    private final int paragraph;
    private final int length;

    /** @param area the number of the area among those that are put onto pages */
    ShapePassage(int area, SheetObject object, int paragraph, int length) {
        this.area = area;
        this.object = object;
        this.paragraph = paragraph;
        this.length = length;
    }

    @Override public int length() { return length; }
    @Override public Map<String, Integer> marks() { return Map.of(); }

    @Override public boolean equals(Object other) {
        return other instanceof ShapePassage passage && passage.area == area && passage.object == object && passage.paragraph == paragraph;
    }

    @Override public int hashCode() { return (area * 31 + System.identityHashCode(object)) * 31 + paragraph; }
}
