package app.decant.layout;

/** The room a line finds. */
@FunctionalInterface
interface LineSpace {
    /** A line as high as {@code height} at {@code y} below the paragraph's top: where it may stand, how wide, and how far it has to move down. */
    Slot at(double y, double height);

    /** @param x from the column's left edge */
    record Slot(double x, double width, double down) { }

    static LineSpace free(double width) {
        Slot slot = new Slot(0, width, 0);
        return (y, height) -> slot;
    }
}
