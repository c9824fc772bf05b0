package app.decant.layout;

import java.util.Arrays;
import java.util.List;

/**
 * How far a document has got onto pages.
 *
 * @param block   the index in the flow
 * @param offset  a caret position in a paragraph, a row in a table
 * @param cut     for a row cut in two, how many strips of each cell are done; for a paragraph whose floating objects have their place, none; else null
 * @param carried strips of notes that found no room where their mark stands
 */
record Cursor(int block, int offset, int[] cut, List<Strip> carried) {
    private static final int[] PLACED = {};
    static final Cursor START = new Cursor(0, 0, null, List.of());

    static Cursor at(int block) { return new Cursor(block, 0, null, List.of()); }

    /** The same place where so many blocks came before it. */
    Cursor shifted(int by) { return new Cursor(block + by, offset, cut, carried); }

    /** A place in a flow whose blocks stand so many further on, told by its value. */
    Spot spot(int by) { return new Spot(block + by, offset, cut == null ? null : Arrays.stream(cut).boxed().toList()); }

    /** Where something begins, whatever notes are carried there. */
    record Spot(int block, int offset, List<Integer> cut) { }

    Cursor carrying(List<Strip> strips) { return new Cursor(block, offset, cut, strips); }

    /** The same paragraph once what floats at it has its place on the page before. */
    Cursor placed() { return new Cursor(block, offset, PLACED, carried); }

    boolean isPlaced() { return cut != null && cut.length == 0; }

    boolean isClean() { return cut == null && carried.isEmpty(); }

    boolean isBefore(Cursor other) { return block < other.block || block == other.block && offset < other.offset; }

    boolean samePlace(Cursor other) { return block == other.block && offset == other.offset && Arrays.equals(cut, other.cut); }
}
