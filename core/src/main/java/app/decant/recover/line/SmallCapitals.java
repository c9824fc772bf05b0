package app.decant.recover.line;

import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Tells small capitals from capitals that are merely smaller. Programs without such letters in a font draw them as capitals of about four fifths of the
 * size; a word that begins with a full capital and goes on in smaller ones on the same baseline gives them away, and with it its neighbours on the line.
 */
public final class SmallCapitals {
    private static final double LEAST = 0.68;
    private static final double MOST = 0.88;
    private static final double SAME = 0.03;

    private SmallCapitals() { }

    /** The chunks, small capitals in them as small letters of their full size in a face that says so. */
    public static List<Chunk> told(List<Chunk> chunks) { return chunks.stream().map(SmallCapitals::told).toList(); }

    private static Chunk told(Chunk chunk) {
        List<Glyph> glyphs = chunk.glyphs();
        for (int i = 1; i < glyphs.size(); i++) {
            if (!opens(glyphs.get(i - 1), glyphs.get(i))) continue;
            double small = glyphs.get(i).size();
            FaceUse face = glyphs.get(i).face();
            boolean mixed = glyphs.stream().anyMatch(glyph -> is(glyph, small, face) && glyph.text().codePoints().anyMatch(Character::isLowerCase));
            if (!mixed) return new Chunk(enlarged(glyphs, glyphs.get(i - 1).size(), small, face), chunk.isRightToLeft());
        }
        return chunk;
    }

    /** Whether a full capital goes on in a smaller one. */
    private static boolean opens(Glyph full, Glyph small) {
        double ratio = small.size() / full.size();
        return ratio > LEAST && ratio < MOST && full.face().equals(small.face()) && isCapital(full) && isCapital(small)
                && Math.abs(full.baseline() - small.baseline()) < 0.03 * full.size() && small.x() - full.right() < 0.15 * full.size();
    }

    private static boolean isCapital(Glyph glyph) {
        return !glyph.text().isEmpty() && glyph.text().codePoints().allMatch(Character::isUpperCase);
    }

    private static boolean is(Glyph glyph, double size, FaceUse face) { return Math.abs(glyph.size() - size) < SAME * size && glyph.face().equals(face); }

    private static List<Glyph> enlarged(List<Glyph> glyphs, double full, double small, FaceUse face) {
        boolean[] ours = new boolean[glyphs.size()];
        for (int i = 0; i < ours.length; i++)
            ours[i] = is(glyphs.get(i), small, face) || is(glyphs.get(i), full, face) && isCapital(glyphs.get(i)) && i + 1 < ours.length
                    && is(glyphs.get(i + 1), small, face);
        // Spaces, hyphens and commas between them are of full size; they go with them.
        for (int from = 0; from < ours.length; from++) {
            if (!ours[from]) continue;
            int to = from + 1;
            while (to < ours.length && !ours[to] && is(glyphs.get(to), full, face) && !Character.isLetterOrDigit(glyphs.get(to).text().isEmpty() ? 'x'
                    : glyphs.get(to).text().codePointAt(0))) to++;
            if (to < ours.length && ours[to]) Arrays.fill(ours, from, to, true);
        }
        List<Glyph> result = new ArrayList<>();
        for (int i = 0; i < ours.length; i++) {
            Glyph glyph = glyphs.get(i);
            result.add(ours[i] ? glyph.asSmallCapital(is(glyph, small, face) ? lowered(glyph.text()) : glyph.text(), full) : glyph);
        }
        return result;
    }

    /** Letter by letter, so that a capital without a small letter of its own stays. */
    private static String lowered(String text) {
        StringBuilder lower = new StringBuilder();
        text.codePoints().map(Character::toLowerCase).forEach(lower::appendCodePoint);
        return lower.toString();
    }
}
