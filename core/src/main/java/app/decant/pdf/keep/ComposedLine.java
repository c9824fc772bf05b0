package app.decant.pdf.keep;

import app.decant.pdf.keep.SetLabels.SetLabel;
import app.decant.pdf.read.ShownGlyph;
import java.util.ArrayList;
import java.util.List;

/**
 * A line of a passage as it is to be.
 *
 * @param width to which its words are spread, in points, as are {@code left} and {@code baseline}
 * @param ends  whether a paragraph ends with it
 * @param label of the paragraph that begins with it, and where it stands; null where it has none, or that stays as it is
 * @param frame between whose edges it stands, where its paragraph is put in among others that are set otherwise; else null
 */
record ComposedLine(List<SetWord> words, double left, double width, double baseline, boolean ends, SetLabel label, Correction.Frame frame) {
    /** Whether nobody sees it: that of a paragraph that says nothing. */
    boolean isBlank() { return label == null && words.stream().allMatch(word -> word.letters().isEmpty()); }

    /** The size of its largest letters beside that of the passage's. */
    double share() { return SetWord.share(words); }

    /** The right edge of its paragraph, where that is put in among others; else 0. */
    double edge() { return frame == null ? 0 : frame.right(); }

    /** How wide its words are with plain spaces between, where the spacing of a mark holds. */
    double natural(ShownGlyph like) { return words.stream().mapToDouble(word -> word.width(like)).sum() + (words.size() - 1) * space(like); }

    /** What parts words of letters as one mark. */
    static double space(ShownGlyph like) { return like.glyph().space() > 0 ? like.glyph().space() : 0.25 * like.glyph().size(); }

    /** A letter and where it stands. */
    record Placed(SetWord.Letter letter, double x, double width) { }

    /** Where its letters stand, where the spacing of a mark holds. */
    List<Placed> places(ShownGlyph like) {
        List<Placed> places = new ArrayList<>();
        double natural = words.stream().mapToDouble(word -> word.width(like)).sum();
        double space = words.size() < 2 ? 0 : (width - natural) / (words.size() - 1);
        double x = left;
        for (SetWord word : words) {
            for (SetWord.Letter letter : word.letters()) {
                x += letter.before();
                double wide = PenPath.width(letter, like);
                places.add(new Placed(letter, x, wide));
                x += wide;
            }
            x += space - like.spacing() / like.size() * like.across();
        }
        return places;
    }
}
