package app.decant.recover;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.pdf.read.Ink;
import app.decant.picture.PictureDecoder;
import app.decant.recover.scan.ScannedSheet;
import app.decant.words.Message;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
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
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.slf4j.LoggerFactory;

/**
 * Makes a document of scanned pages: their words, set straight, as large, as bold and in the colours they are seen in, with the rules, areas and pictures that
 * stand among them, recovered as any page is.
 */
public final class ScanWords {
    private static final List<String> FAMILIES = List.of("Liberation Sans", "DejaVu Sans", "Droid Sans Fallback");
    /** In per cent. */
    private static final double NARROWEST = 20;
    /** Finer scans are looked at in so many pixels an inch. */
    private static final double RESOLUTION = 200;
    private static final float QUALITY = 0.85f;
    private static final Message LOOKING = Message.of("step.looking-at-scans");

    private final PDDocument pdf = new PDDocument();
    private final Map<Face, PDFont> fonts = new HashMap<>();

    private ScanWords() { }

    /** A scanned page: how large it is, in points, its picture with the words under it, and where that stands on it. */
    public record Sheet(double width, double height, Picture scan, double x, double y) { }

    /**
     * What became of scanned pages.
     *
     * @param inPictures how many words stand within pictures on them, and are seen there only
     */
    public record Text(Document document, int inPictures) { }

    public static Text text(List<Sheet> sheets, FontCatalogue catalogue, Progress progress) {
        ScanWords words = new ScanWords();
        try (words.pdf) {
            List<ScannedSheet> seen = new ArrayList<>();
            // Some at a time on all cores, so that it can be stopped, and few large pictures are held.
            int some = Runtime.getRuntime().availableProcessors();
            for (int from = 0; from < sheets.size(); from += some) {
                progress.step(from, sheets.size(), LOOKING);
                seen.addAll(sheets.subList(from, Math.min(sheets.size(), from + some)).parallelStream().map(sheet -> seen(sheet.scan)).toList());
            }
            seen = ScannedSheet.alike(seen);
            for (int i = 0; i < sheets.size(); i++) words.add(sheets.get(i), seen.get(i));
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            words.pdf.save(bytes);
            return new Text(Recovery.of(bytes.toByteArray(), "", null, catalogue, progress).document(), seen.stream().mapToInt(ScannedSheet::within).sum());
        } catch (IOException e) {
            throw new DecantException(Kind.UNFORESEEN, Message.of("recover.words-under-scans"), e);
        }
    }

    private void add(Sheet sheet, ScannedSheet seen) throws IOException {
        PDPage page = new PDPage(new PDRectangle((float) sheet.width, (float) sheet.height));
        pdf.addPage(page);
        double top = sheet.height - sheet.y;
        try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
            for (Ink.Fill area : seen.areas()) {
                out.setNonStrokingColor(new Color(area.rgb()));
                out.addRect((float) (sheet.x + area.x()), (float) (top - area.bottom()), (float) area.width(), (float) area.height());
                out.fill();
            }
            for (ScannedSheet.Part part : seen.pictures()) out.drawImage(JPEGFactory.createFromImage(pdf, part.pixels(), QUALITY), (float) (sheet.x + part.x()),
                    (float) (top - part.y() - part.height()), (float) part.width(), (float) part.height());
            for (Ink.Stroke rule : seen.rules()) {
                out.setStrokingColor(new Color(rule.rgb()));
                out.setLineWidth((float) rule.width());
                out.moveTo((float) (sheet.x + rule.x1()), (float) (top - rule.y1()));
                out.lineTo((float) (sheet.x + rule.x2()), (float) (top - rule.y2()));
                out.stroke();
            }
            for (ScannedSheet.Word word : seen.words()) set(word, sheet.x, top, out);
        }
    }

    /** What is seen on the picture; where it can't be decoded, its words are all that is known. */
    private static ScannedSheet seen(Picture scan) {
        try {
            BufferedImage pixels = PictureDecoder.decode(scan.image(), RESOLUTION, scan.width());
            return ScannedSheet.of(sized(pixels, scan.width() / 72 * RESOLUTION), scan.width(), scan.height(), scan.words());
        } catch (IOException e) {
            LoggerFactory.getLogger(ScanWords.class).info("The picture of a scanned page can't be looked at", e);
            return ScannedSheet.ofWords(scan.width(), scan.height(), scan.words());
        }
    }

    private static BufferedImage sized(BufferedImage pixels, double most) {
        BufferedImage finer = pixels;
        // By halves, so that each pixel is the mean of those it stands for.
        while (finer.getWidth() > 2 * most) finer = drawn(finer, finer.getWidth() / 2, Math.max(1, finer.getHeight() / 2));
        double scale = Math.min(1, most / finer.getWidth());
        return drawn(finer, (int) Math.max(1, Math.round(finer.getWidth() * scale)), (int) Math.max(1, Math.round(finer.getHeight() * scale)));
    }

    private static BufferedImage drawn(BufferedImage pixels, int width, int height) {
        BufferedImage smaller = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = smaller.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, width, height);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(pixels, 0, 0, width, height, null);
        graphics.dispose();
        return smaller;
    }

    private void set(ScannedSheet.Word word, double left, double top, PDPageContentStream out) throws IOException {
        if (word.text().isBlank()) return;
        Face face = face(word.text(), word.bold());
        out.setNonStrokingColor(new Color(word.rgb()));
        if (face != null) {
            set(word, word.text(), font(face), left, top, out);
            return;
        }
        // One letter as wide as the word, which says the whole word (ISO 32000-1, 14.9.4).
        COSDictionary says = new COSDictionary();
        says.setString(COSName.ACTUAL_TEXT, word.text());
        out.beginMarkedContent(COSName.getPDFName("Span"), PDPropertyList.create(says));
        set(word, "n", font(FontCatalogue.shipped().match(FAMILIES.get(0), word.bold(), false).face()), left, top, out);
        out.endMarkedContent();
    }

    private static void set(ScannedSheet.Word word, String text, PDFont font, double left, double top, PDPageContentStream out) throws IOException {
        double natural = font.getStringWidth(text) / 1000 * word.size();
        out.beginText();
        out.setFont(font, (float) word.size());
        out.setHorizontalScaling((float) Math.max(NARROWEST, 100 * word.width() / natural));
        out.newLineAtOffset((float) (left + word.x()), (float) (top - word.baseline()));
        out.showText(text);
        out.endText();
    }

    /** The first face that has all letters; null where none has, and for words that are not written from left to right. */
    private static Face face(String text, boolean bold) {
        if (Bidi.requiresBidi(text.toCharArray(), 0, text.length())) return null;
        for (String family : FAMILIES) {
            Face face = FontCatalogue.shipped().match(family, bold, false).face();
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
