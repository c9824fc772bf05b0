package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.document.Colour;
import app.decant.font.EmbeddingRight;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.StreamOperators;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSBase;

/** The codes by which new words are shown: those of the font that was there, or of a face like it where that lacks a letter. */
final class NewLetters {
    private static final char SOFT = '\u00AD';
    /** So many words are told by name. */
    private static final int NAMED = 3;

    private final PageReader.Addressed read;
    private final ChangedStream stream;
    private final FontCatalogue faces;
    private final List<Finding> findings;
    private final Map<Face, Lacking> lacking = new HashMap<>();
    private final Map<COSBase, LetterCodes> fonts = new IdentityHashMap<>();
    private final Map<StreamOperators.Found, List<byte[]>> written = new IdentityHashMap<>();

    /**
     * What was told at some time.
     *
     * @param lacking by the faces that help out
     */
    record Told(List<Finding> findings, Map<Face, Lacking> lacking) { }

    /** Letters that fonts inside the file do not have, and words that they stand in. */
    private record Lacking(Set<String> letters, Set<String> words) {
        private static Lacking and(Lacking before, String letter, String word) {
            Set<String> letters = new LinkedHashSet<>(before == null ? Set.of() : before.letters);
            Set<String> words = new LinkedHashSet<>(before == null ? Set.of() : before.words);
            letters.add(letter);
            words.add(word);
            return new Lacking(letters, words);
        }
    }

    /** @param findings hears where another face helps out */
    NewLetters(PageReader.Addressed read, ChangedStream stream, FontCatalogue faces, List<Finding> findings) {
        this.read = read;
        this.stream = stream;
        this.faces = faces;
        this.findings = findings;
    }

    /** New words as they are wished. How far each goes on is told beside the size of what it stands for, also where it gets another. */
    List<TextRewriting.Insert> inserts(Correction.Run run, ShownGlyph first, List<ShownGlyph> line) throws PageRewriting.Refused, IOException {
        List<TextRewriting.Insert> inserts = softened(run.text(), run.another() ? dressed(run, first, line) : plain(run, first, line));
        if (run.colour() == null) return inserts;
        refuseOtherColour(first);
        String colour = colour(run.colour());
        return inserts.stream().map(insert -> insert.coloured(colour)).toList();
    }

    /** A hyphen that is only seen where a word is parted takes no room within it, however wide its glyph is (Unicode 15, 6.2). */
    private static List<TextRewriting.Insert> softened(String text, List<TextRewriting.Insert> inserts) {
        if (text.indexOf(SOFT) < 0) return inserts;
        List<TextRewriting.Insert> softened = new ArrayList<>();
        int at = 0;
        for (TextRewriting.Insert one : inserts) {
            softened.add(one);
            if (one.letters() == 1 && text.charAt(at) == SOFT) softened.add(new TextRewriting.Insert(new byte[0], -one.advance(), one.font(), 0));
            at += one.letters();
        }
        return softened;
    }

    /** What is painted by its edges, or in a colour that nothing can go back to, gets no other. */
    private void refuseOtherColour(ShownGlyph first) throws PageRewriting.Refused, IOException {
        if (first.mode() != 0 || stream.of(first).colour(first) == null) throw new PageRewriting.Refused(Message.of("keep.its-colour-is-set-elsewhere"));
    }

    /** The operator that sets a colour to fill with. */
    static String colour(Colour colour) {
        if (colour.isAutomatic() || colour.rgb() == 0) return "0 g";
        return TextRewriting.number(colour.red() / 255.0) + " " + TextRewriting.number(colour.green() / 255.0) + " "
                + TextRewriting.number(colour.blue() / 255.0) + " rg";
    }

    /** In another font, weight or slant: by the file's own font of that kind where the page shows one that has the letters, else by a face like it. */
    private List<TextRewriting.Insert> dressed(Correction.Run run, ShownGlyph first, List<ShownGlyph> line) throws PageRewriting.Refused, IOException {
        String family = run.family() == null ? first.glyph().face().family() : run.family();
        for (ShownGlyph other : read.shown()) {
            FaceUse like = other.glyph().face();
            boolean fits = other.operator() >= 0 && other.path().equals(first.path()) && like.family().equals(family) && like.bold() == run.bold()
                    && like.italic() == run.italic() && !other.font().isVertical();
            if (!fits) continue;
            List<TextRewriting.Insert> inserts = by(other, run, first, line);
            if (inserts != null) return inserts;
            break;
        }
        Face face = faces.match(family, run.bold(), run.italic()).face();
        tell(Message.of("keep.the-file-has-no-font", run.text(), face));
        return by(face, run, first);
    }

    /** Words by the font of another mark; null where it lacks a letter, or has no name. */
    private List<TextRewriting.Insert> by(ShownGlyph other, Correction.Run run, ShownGlyph first, List<ShownGlyph> line)
            throws PageRewriting.Refused, IOException {
        LetterCodes codes = codes(other);
        String text = run.text();
        String font = stream.of(other).named(other, first.size() * run.share());
        List<TextRewriting.Insert> inserts = new ArrayList<>();
        for (int at = 0; font != null && at < text.length(); at += Character.charCount(text.codePointAt(at))) {
            String letter = Character.toString(text.codePointAt(at));
            LetterCodes.Code code = codes.of(letter);
            if (code == null && !letter.isBlank()) return null;
            if (code == null) inserts.add(new TextRewriting.Insert(new byte[0], space(line, first), font, letter.length()));
            else inserts.add(new TextRewriting.Insert(code.bytes(), 1000 * (code.width() + first.spacing() / first.size()), font, letter.length()));
        }
        return font == null ? null : inserts;
    }

    /** The new text in the font of the first mark that goes. */
    private List<TextRewriting.Insert> plain(Correction.Run run, ShownGlyph first, List<ShownGlyph> line)
            throws PageRewriting.Refused, IOException {
        String text = run.text();
        LetterCodes codes = codes(first);
        List<TextRewriting.Insert> inserts = new ArrayList<>();
        for (int at = 0; at < text.length(); at += Character.charCount(text.codePointAt(at))) {
            String letter = Character.toString(text.codePointAt(at));
            LetterCodes.Code code = codes.of(letter);
            if (code == null && letter.isBlank()) {
                inserts.add(new TextRewriting.Insert(new byte[0], space(line, first), null, letter.length()));
                continue;
            }
            if (code == null) return others(run, letter, first);
            double word = letter.equals(" ") ? wordSpacing(line, first) : 0;
            double advance = 1000 * (code.width() + (first.spacing() + word) / first.size());
            inserts.add(new TextRewriting.Insert(code.bytes(), advance, null, letter.length()));
        }
        return inserts;
    }

    /** The new text in a face like the one it stands among, which lacks a letter. */
    private List<TextRewriting.Insert> others(Correction.Run run, String missing, ShownGlyph first) throws PageRewriting.Refused, IOException {
        String text = run.text();
        FaceUse use = first.glyph().face();
        Face face = faces.match(use.family(), use.bold(), use.italic()).face();
        if (!text.codePoints().allMatch(face::has)) face = faces.fallback(face, missing.codePointAt(0));
        if (face == null) throw new PageRewriting.Refused(Message.of("keep.the-font-inside-the-file", missing));
        List<TextRewriting.Insert> inserts = by(face, run, first);
        Lacking before = lacking.get(face);
        if (before != null) findings.remove(told(face, before));
        Lacking now = Lacking.and(before, missing, text.strip());
        lacking.put(face, now);
        findings.add(told(face, now));
        return inserts;
    }

    private List<TextRewriting.Insert> by(Face face, Correction.Run run, ShownGlyph first) throws PageRewriting.Refused, IOException {
        String text = run.text();
        List<TextRewriting.Insert> inserts = EmbeddingRight.forbidsOutlines(face.fsType()) || !text.codePoints().allMatch(face::has)
                || stream.of(first).named(first) == null ? null : stream.of(first).inserts(text, face, first, first.size() * run.share());
        if (inserts == null) throw new PageRewriting.Refused(Message.of("keep.no-font-here-has-all-letters", text));
        return inserts;
    }

    private Finding told(Face face, Lacking what) {
        List<String> named = what.words.stream().limit(NAMED).toList();
        return Finding.changed(Message.of("keep.the-font-inside-the-file-2", String.join("\u201D, \u201C", what.letters), String.join("\u201D, \u201C", named),
                what.words.size(), what.words.size() - named.size(), face)).at(Finding.page(read.page().index()));
    }

    /** What was told until now. */
    Told told() { return new Told(List.copyOf(findings), Map.copyOf(lacking)); }

    /** What was told since is not so. */
    void untell(Told told) {
        findings.clear();
        findings.addAll(told.findings);
        lacking.clear();
        lacking.putAll(told.lacking);
    }

    private void tell(Message what) {
        Finding finding = Finding.changed(what).at(Finding.page(read.page().index()));
        if (!findings.contains(finding)) findings.add(finding);
    }

    /** How wide spaces of the line are, in thousandths of an em. */
    static double space(List<ShownGlyph> line, ShownGlyph first) {
        double sum = 0;
        int count = 0;
        for (int i = 1; i < line.size(); i++) {
            double gap = line.get(i).glyph().x() - line.get(i - 1).glyph().right();
            if (gap > 0.12 * first.glyph().size() && gap < 0.8 * first.glyph().size()) {
                sum += gap;
                count++;
            }
        }
        return count == 0 ? 250 : 1000 * sum / count / first.across();
    }

    /** What a space gets beside the others in its line. */
    static double wordSpacing(List<ShownGlyph> line, ShownGlyph first) {
        return line.stream().filter(glyph -> glyph.glyph().isSpace()).findFirst().map(glyph -> glyph.spacing() - first.spacing()).orElse(0.0);
    }

    LetterCodes codes(ShownGlyph first) throws IOException, PageRewriting.Refused {
        COSBase key = first.font().getCOSObject();
        LetterCodes known = fonts.get(key);
        if (known != null) return known;
        LetterCodes codes = new LetterCodes(first.font());
        Map<StreamOperators.Found, List<byte[]>> written = new IdentityHashMap<>();
        for (ShownGlyph glyph : read.shown()) {
            // The same stream's: what others show by the font may be anywhere.
            if (glyph.operator() < 0 || glyph.font().getCOSObject() != key || !first.path().equals(glyph.path())) continue;
            StreamOperators.Found operator = stream.of(glyph).operator(glyph);
            List<byte[]> some = written.get(operator);
            if (some == null) written.put(operator, some = TextRewriting.codes(operator, glyph.font()));
            if (glyph.code() < some.size()) codes.see(glyph, some.get(glyph.code()));
        }
        fonts.put(key, codes);
        return codes;
    }

    /** The code of a mark as it is written. */
    byte[] bytes(ShownGlyph mark) throws IOException, PageRewriting.Refused {
        StreamOperators.Found operator = stream.of(mark).operator(mark);
        List<byte[]> codes = written.get(operator);
        if (codes == null) written.put(operator, codes = TextRewriting.codes(operator, mark.font()));
        if (mark.code() >= codes.size()) throw new PageRewriting.Refused(Message.of("keep.its-text-is-not-where-it-seems"));
        return codes.get(mark.code());
    }

    /** What is added to a space where a mark is shown, in unscaled units of text space: for words too where it is one byte (9.3.3). */
    double spaceSpacing(ShownGlyph mark) {
        return read.shown().stream().filter(glyph -> glyph.glyph().isSpace() && glyph.operator() == mark.operator() && glyph.path().equals(mark.path())
                && glyph.font().getCOSObject() == mark.font().getCOSObject()).findFirst().map(ShownGlyph::spacing).orElse(mark.spacing());
    }
}
