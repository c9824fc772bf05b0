package app.decant.recover;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.text.Bidi;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Makes a document of the words that lie under scanned pages: they are set where they lie, and recovered as those of any page. */
public final class ScanWords {
    private static final List<String> FAMILIES = List.of("Liberation Sans", "DejaVu Sans", "Droid Sans Fallback");
    /** Recognition measures letters line by line; what is this close, as a share, is one size. */
    private static final double ALIKE = 0.14;
    /** In per cent. */
    private static final double NARROWEST = 20;

    private final PDDocument pdf = new PDDocument();
    private final Map<Face, PDFont> fonts = new HashMap<>();

    private ScanWords() { }

    /** A scanned page: how large it is, in points, and its words from its top left corner. */
    public record Sheet(double width, double height, List<Picture.Word> words) { }

    public static Document document(List<Sheet> sheets, FontCatalogue catalogue, Progress progress) {
        ScanWords words = new ScanWords();
        try (words.pdf) {
            for (Sheet sheet : sheets) words.add(sheet);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            words.pdf.save(bytes);
            return Recovery.of(bytes.toByteArray(), "", null, catalogue, progress).document();
        } catch (IOException e) {
            throw new DecantException(Kind.UNFORESEEN, Message.of("recover.words-under-scans"), e);
        }
    }

    private void add(Sheet sheet) throws IOException {
        PDPage page = new PDPage(new PDRectangle((float) sheet.width, (float) sheet.height));
        pdf.addPage(page);
        double usual = usual(sheet.words);
        try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
            for (Picture.Word word : sheet.words) {
                if (word.text().isBlank()) continue;
                Face face = face(word.text());
                if (face != null) {
                    set(word, word.text(), font(face), size(word, usual), sheet, out);
                    continue;
                }
                // One letter as wide as the word, which says the whole word (ISO 32000-1, 14.9.4).
                COSDictionary says = new COSDictionary();
                says.setString(COSName.ACTUAL_TEXT, word.text());
                out.beginMarkedContent(COSName.getPDFName("Span"), PDPropertyList.create(says));
                set(word, "n", font(first()), size(word, usual), sheet, out);
                out.endMarkedContent();
            }
        }
    }

    /** The middle size of the words, weighed by their letters. */
    private static double usual(List<Picture.Word> words) {
        List<Double> sizes = new ArrayList<>();
        for (Picture.Word word : words) for (int i = 0; i < word.text().length(); i++) sizes.add(word.size());
        sizes.sort(null);
        return sizes.isEmpty() ? 10 : sizes.get(sizes.size() / 2);
    }

    private static double size(Picture.Word word, double usual) {
        double size = Math.abs(word.size() - usual) < ALIKE * usual ? usual : word.size();
        return Math.max(1, Math.round(size * 2) / 2.0);
    }

    private static void set(Picture.Word word, String text, PDFont font, double size, Sheet sheet, PDPageContentStream out) throws IOException {
        double natural = font.getStringWidth(text) / 1000 * size;
        out.beginText();
        out.setFont(font, (float) size);
        out.setHorizontalScaling((float) Math.max(NARROWEST, 100 * word.width() / natural));
        out.newLineAtOffset((float) word.x(), (float) (sheet.height - word.baseline()));
        out.showText(text);
        out.endText();
    }

    private static Face first() { return FontCatalogue.shipped().match(FAMILIES.get(0), false, false).face(); }

    /** The first face that has all letters; null where none has, and for words that are not written from left to right. */
    private static Face face(String text) {
        if (Bidi.requiresBidi(text.toCharArray(), 0, text.length())) return null;
        for (String family : FAMILIES) {
            Face face = FontCatalogue.shipped().match(family, false, false).face();
            if (text.codePoints().allMatch(face::has)) return face;
        }
        return null;
    }

    private PDFont font(Face face) throws IOException {
        PDFont known = fonts.get(face);
        if (known == null) fonts.put(face, known = PDType0Font.load(pdf, new ByteArrayInputStream(face.file()), true));
        return known;
    }
}
