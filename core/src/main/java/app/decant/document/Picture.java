package app.decant.document;

import java.util.List;

/**
 * A picture as it is placed.
 *
 * @param image       what it shows
 * @param width       as placed, in points
 * @param height      as placed, in points
 * @param crop        what is cut off on each side, as shares of the whole (0 to 1)
 * @param rotation    clockwise, in degrees
 * @param description the text read to people who do not see it; null where none was written, empty where it is there for looks only
 * @param words       what can be read in it, laid under it so that it is found and copied but not painted: of scans that were read
 */
public record Picture(Image image, double width, double height, TableProperty.Insets crop, double rotation, String description, List<Word> words)
        implements Inline.Floating.Content {
    public Picture { words = List.copyOf(words); }

    /** One word under a picture, in points from its upper left corner. */
    public record Word(String text, double x, double baseline, double width, double size) { }

    /** Whether it is there for looks only, so that those who do not see it miss nothing. */
    public boolean isOrnament() { return description != null && description.isBlank(); }

    /** A picture under which nothing lies. */
    public Picture(Image image, double width, double height, TableProperty.Insets crop, double rotation, String description) {
        this(image, width, height, crop, rotation, description, List.of());
    }

    /** A picture uncropped and upright. */
    public Picture(Image image, double width, double height, String description) {
        this(image, width, height, TableProperty.Insets.NONE, 0, description);
    }

    /** The same picture over these words. */
    public Picture over(List<Word> others) { return new Picture(image, width, height, crop, rotation, description, others); }

    /** The same picture with other words for people who do not see it, or null. */
    public Picture described(String other) { return new Picture(image, width, height, crop, rotation, other, words); }

    /** The same picture in another size. */
    public Picture sized(double newWidth, double newHeight) {
        double across = newWidth / width;
        double down = newHeight / height;
        return new Picture(image, newWidth, newHeight, crop, rotation, description, words.stream()
                .map(word -> new Word(word.text, word.x * across, word.baseline * down, word.width * across, word.size * down)).toList());
    }
}
