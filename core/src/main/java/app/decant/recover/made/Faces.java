package app.decant.recover.made;

import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/** The faces that stand for those of the PDF: the same family, one of equal widths, or the nearest one with its letters made as wide as they were. */
public final class Faces {
    private static final List<String> SERIF = List.of("Liberation Serif", "Caladea");
    private static final List<String> SANS = List.of("Liberation Sans", "Carlito", "DejaVu Sans");
    /** As the layout draws them. */
    private static final double SMALL_CAPITAL_SIZE = 0.8;
    private static final int ENOUGH = 4000;

    private final FontCatalogue catalogue;
    private final Map<FaceUse, List<Glyph>> samples = new LinkedHashMap<>();
    private final Map<FaceUse, Choice> choices = new LinkedHashMap<>();

    /**
     * What stands for a face.
     *
     * @param family to be named in the document
     * @param scale  the width of its letters against how they are drawn
     * @param standIn whether another family takes the place of the one named in the PDF, with other widths
     */
    public record Choice(String family, double scale, boolean standIn) { }

    public Faces(FontCatalogue catalogue) { this.catalogue = catalogue; }

    FontCatalogue catalogue() { return catalogue; }
    public Map<FaceUse, Choice> choices() { return choices; }

    /** Shows letters of the PDF, by which faces are compared. */
    public void see(Glyph glyph) {
        if (glyph.isSpace() || glyph.text().isEmpty() || glyph.angle() != 0 || glyph.face().smallCapitals()) return;
        List<Glyph> some = samples.computeIfAbsent(glyph.face(), key -> new ArrayList<>());
        if (some.size() < ENOUGH) some.add(glyph);
    }

    Choice of(FaceUse use) {
        FaceUse face = use.plain();
        Choice choice = choices.get(face);
        if (choice == null) choices.put(face, choice = choose(face));
        return choice;
    }

    private Choice choose(FaceUse use) {
        FontCatalogue.Match match = catalogue.match(use.family(), use.bold(), use.italic());
        List<Glyph> some = samples.getOrDefault(use, List.of());
        if (match.here() || match.equalWidths()) {
            // A file may name a face and draw letters of other widths, such as a condensed one.
            double scale = scale(match.face(), some);
            return new Choice(use.family(), Math.abs(scale - 1) > 0.03 && some.size() > 20 ? round(scale) : 1, false);
        }
        // All weights of a family get the same stand-in: the one that fits what most of its letters are in.
        FaceUse main = samples.keySet().stream().filter(other -> other.family().equals(use.family()))
                .max(Comparator.comparingInt(other -> samples.get(other).size())).orElse(use);
        String best = main.equals(use) ? nearest(use, some) : of(main).family();
        double scale = scale(catalogue.match(best, use.bold(), use.italic()).face(), some);
        return new Choice(best, Math.abs(scale - 1) > 0.004 ? round(scale) : 1, true);
    }

    private String nearest(FaceUse use, List<Glyph> some) {
        String best = null;
        double least = Double.MAX_VALUE;
        for (String family : use.fixed() ? List.of("Liberation Mono") : use.serif() ? SERIF : isSansByName(use) ? SANS
                : Stream.concat(SERIF.stream(), SANS.stream()).toList()) {
            Face face = catalogue.match(family, use.bold(), use.italic()).face();
            double error = error(face, some, scale(face, some));
            if (error < least) {
                least = error;
                best = family;
            }
        }
        return best;
    }

    private static boolean isSansByName(FaceUse use) {
        return use.family().toLowerCase(Locale.ROOT).matches(".*(sans|gothic|grotesk|helvet|arial|ui|display).*");
    }

    private static double round(double scale) { return Math.max(0.7, Math.min(1.4, Math.round(scale * 1000) / 1000.0)); }

    private double scale(Face face, List<Glyph> some) {
        double theirs = 0;
        double ours = 0;
        for (Glyph glyph : some) {
            double width = word(face, glyph.text()) * glyph.size();
            if (width <= 0 || glyph.width() <= 0) continue;
            theirs += glyph.width();
            ours += width;
        }
        return ours == 0 ? 1 : theirs / ours;
    }

    private double error(Face face, List<Glyph> some, double scale) {
        double error = 0;
        for (Glyph glyph : some) error += Math.abs(glyph.width() / glyph.size() - word(face, glyph.text()) * scale);
        return error / Math.max(1, some.size()) + Math.abs(scale - 1) * 0.2;
    }

    /** The width of text in a look, in points. */
    double width(String text, Look look) {
        double size = look.get(TextProperty.SIZE, 10.0);
        if (look.get(TextProperty.SCRIPT, TextProperty.Script.BASELINE) != TextProperty.Script.BASELINE) size *= 0.65;
        Face face = catalogue.match(look.get(TextProperty.FAMILY), look.is(TextProperty.BOLD), look.is(TextProperty.ITALIC)).face();
        boolean small = look.is(TextProperty.SMALL_CAPITALS);
        double width = 0;
        int from = 0;
        // Word by word, as the layout shapes it and remembers it.
        for (int i = 0; i <= text.length(); i++) {
            if (i < text.length() && text.charAt(i) != ' ') continue;
            if (i > from) width += (small ? smallCapitals(face, text.substring(from, i)) : word(face, text.substring(from, i))) * size;
            if (i < text.length()) width += face.shape(" ", false, false, false).width() * size;
            from = i + 1;
        }
        int count = text.codePointCount(0, text.length());
        return width * look.get(TextProperty.WIDTH_SCALE, 1.0) + count * look.get(TextProperty.LETTER_SPACING, 0.0);
    }

    private double smallCapitals(Face face, String word) {
        double width = 0;
        for (int i = 0; i < word.length(); i++) {
            char capital = Character.toUpperCase(word.charAt(i));
            width += word(face, String.valueOf(capital)) * (Character.isLowerCase(word.charAt(i)) ? SMALL_CAPITAL_SIZE : 1);
        }
        return width;
    }

    /** The width of a word in a face, in ems; where the face lacks a letter, of that in the one that will stand in. */
    private double word(Face face, String word) {
        if (word.codePoints().allMatch(face::has)) return face.shape(word, false, false, false).width();
        return word.codePoints().mapToDouble(point -> catalogue.fallback(face, point).shape(Character.toString(point), false, false, false).width()).sum();
    }

    /** Whether the face of a look has all characters of a text itself. */
    boolean covers(String text, Look look) {
        Face face = catalogue.match(look.get(TextProperty.FAMILY), look.is(TextProperty.BOLD), look.is(TextProperty.ITALIC)).face();
        return text.codePoints().allMatch(point -> face.has(point) || Character.isWhitespace(point) || point == 0xAD);
    }

    /** The height of lines set solid in a look, in points: above the baseline, below it, and the gap between lines. */
    double[] heights(Look look) {
        double size = look.get(TextProperty.SIZE, 10.0);
        Face face = catalogue.match(look.get(TextProperty.FAMILY), look.is(TextProperty.BOLD), look.is(TextProperty.ITALIC)).face();
        return new double[] {face.ascent() * size, face.descent() * size, face.lineGap() * size};
    }
}
