package app.decant.pdf.read;

import app.decant.words.Message;
import java.util.List;

/**
 * A page as read: everything on it, upright, nothing interpreted yet.
 *
 * @param own      how many marks the page itself makes; those with higher numbers in the order of painting are its annotations'
 * @param turn     how far it was turned clockwise to be read, beyond what it says itself: 0, 90, 180 or 270
 * @param problems what could not be read, as sentences
 */
public record SourcePage(int index, double width, double height, int own, int turn, List<Glyph> glyphs, List<Ink> ink, List<Placed> pictures,
        List<Message> problems) {
    public SourcePage {
        glyphs = List.copyOf(glyphs);
        ink = List.copyOf(ink);
        pictures = List.copyOf(pictures);
        problems = List.copyOf(problems);
    }

    public SourcePage with(List<Glyph> otherGlyphs, List<Ink> otherInk, List<Placed> otherPictures) {
        return new SourcePage(index, width, height, own, turn, otherGlyphs, otherInk, otherPictures, problems);
    }

    /** How much of the page's text is not painted, 0 to 1. */
    public boolean isScan() {
        double covered = pictures.stream().mapToDouble(placed -> placed.picture().width() * placed.picture().height()).max().orElse(0);
        long seen = glyphs.stream().filter(glyph -> glyph.seen() && !glyph.isSpace()).count();
        return covered > 0.7 * width * height && seen < 30;
    }
}
