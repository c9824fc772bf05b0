package app.decant.document;

/**
 * A picture as it is placed.
 *
 * @param image       what it shows
 * @param width       as placed, in points
 * @param height      as placed, in points
 * @param crop        what is cut off on each side, as shares of the whole (0 to 1)
 * @param rotation    clockwise, in degrees
 * @param description the text read to people who do not see it; null where none was written
 */
public record Picture(Image image, double width, double height, TableProperty.Insets crop, double rotation, String description)
        implements Inline.Floating.Content {
    /** A picture uncropped and upright. */
    public Picture(Image image, double width, double height, String description) {
        this(image, width, height, TableProperty.Insets.NONE, 0, description);
    }

    /** The same picture in another size. */
    public Picture sized(double newWidth, double newHeight) {
        return new Picture(image, newWidth, newHeight, crop, rotation, description);
    }
}
