package app.decant.recover;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.font.FontCatalogue;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;

/**
 * Pages as a copier sends them: painted, put down a little askew on paper that is not white, with some noise, as JPEG; and if it reads, its words under
 * them as text that is not painted (ISO 32000-1, 9.3.6).
 */
final class CopierWriter {
    private static final int RESOLUTION = 200;
    private static final Color PAPER = new Color(247, 245, 238);
    private static final double MOST_ASKEW = 1.2;

    private CopierWriter() { }

    private record Word(String text, double x, double baseline, double width, double size) { }

    /** Of words from right to left copiers know nothing, nor of pages on their side. */
    static boolean takes(Specimen specimen) { return !specimen.has(Specimen.RightToLeft.class) && !specimen.turned(); }

    static byte[] write(Specimen specimen, boolean words) {
        byte[] source = OwnWriter.write(specimen, false);
        Random random = new Random(specimen.name().hashCode());
        try (PDDocument painted = Loader.loadPDF(source); PDDocument scan = new PDDocument()) {
            PDFRenderer renderer = new PDFRenderer(painted);
            for (int i = 0; i < painted.getNumberOfPages(); i++) {
                double askew = Math.toRadians((random.nextDouble() * 2 - 1) * MOST_ASKEW);
                page(scan, askew(renderer.renderImageWithDPI(i, RESOLUTION), askew, random), words ? words(painted, i) : List.of(), askew);
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            scan.save(bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static BufferedImage askew(BufferedImage page, double angle, Random random) {
        BufferedImage put = new BufferedImage(page.getWidth(), page.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = put.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, put.getWidth(), put.getHeight());
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(page, AffineTransform.getRotateInstance(angle, page.getWidth() / 2.0, page.getHeight() / 2.0), null);
        graphics.dispose();
        for (int y = 0; y < put.getHeight(); y++) {
            for (int x = 0; x < put.getWidth(); x++) {
                int rgb = put.getRGB(x, y);
                int noise = (int) (random.nextGaussian() * 4);
                put.setRGB(x, y, light(rgb >> 16, PAPER.getRed(), noise) << 16 | light(rgb >> 8, PAPER.getGreen(), noise) << 8 | light(rgb, PAPER.getBlue(),
                        noise));
            }
        }
        return put;
    }

    private static int light(int own, int paper, int noise) { return Math.max(0, Math.min(255, (own & 0xFF) * paper / 255 + noise)); }

    private static List<Word> words(PDDocument pdf, int page) throws IOException {
        List<Word> words = new ArrayList<>();
        PDFTextStripper stripper = new PDFTextStripper() {
            @Override protected void writeString(String text, List<TextPosition> positions) {
                List<TextPosition> word = new ArrayList<>();
                for (TextPosition letter : positions) {
                    if (!letter.getUnicode().isBlank()) {
                        word.add(letter);
                    } else {
                        end(word);
                    }
                }
                end(word);
            }

            private void end(List<TextPosition> word) {
                if (word.isEmpty()) return;
                TextPosition first = word.get(0);
                TextPosition last = word.get(word.size() - 1);
                StringBuilder text = new StringBuilder();
                for (TextPosition letter : word) text.append(letter.getUnicode());
                words.add(new Word(text.toString(), first.getX(), first.getY(), last.getX() + last.getWidth() - first.getX(), first.getFontSizeInPt()));
                word.clear();
            }
        };
        stripper.setStartPage(page + 1);
        stripper.setEndPage(page + 1);
        stripper.writeText(pdf, new StringWriter());
        return words;
    }

    private static void page(PDDocument scan, BufferedImage pixels, List<Word> words, double askew) throws IOException {
        PDRectangle size = new PDRectangle(pixels.getWidth() * 72f / RESOLUTION, pixels.getHeight() * 72f / RESOLUTION);
        PDPage page = new PDPage(size);
        scan.addPage(page);
        AffineTransform turn = AffineTransform.getRotateInstance(askew, size.getWidth() / 2, size.getHeight() / 2);
        PDFont font = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
        try (PDPageContentStream out = new PDPageContentStream(scan, page)) {
            out.drawImage(JPEGFactory.createFromImage(scan, pixels, 0.8f), 0, 0, size.getWidth(), size.getHeight());
            for (Word word : words) {
                String text = word.text.replaceAll("[^ -~\u2022\u2013\u2014\u2018-\u201D\u00A0-\u00FF]", "*");
                Point2D place = turn.transform(new Point2D.Double(word.x, word.baseline), null);
                out.beginText();
                out.setRenderingMode(RenderingMode.NEITHER);
                out.setFont(font, (float) word.size);
                out.setHorizontalScaling((float) (100 * word.width / (font.getStringWidth(text) / 1000 * word.size)));
                out.newLineAtOffset((float) place.getX(), (float) (size.getHeight() - place.getY()));
                out.showText(text);
                out.endText();
            }
        }
    }

    /** The text that scanned pages become in formats which have no place under a picture. */
    static Document text(Document scans) {
        List<ScanWords.Sheet> sheets = new ArrayList<>();
        for (Section section : scans.sections()) {
            for (Block block : section.blocks()) {
                for (Inline inline : ((Paragraph) block).inlines()) {
                    if (inline instanceof Inline.Floating one && one.content() instanceof Picture picture && !picture.words().isEmpty())
                        sheets.add(new ScanWords.Sheet(section.page().width(), section.page().height(), picture, one.anchor().horizontal().offset(),
                                one.anchor().vertical().offset()));
                    if (inline instanceof Inline.InlinePicture one && !one.picture().words().isEmpty())
                        sheets.add(new ScanWords.Sheet(section.page().width(), section.page().height(), one.picture(), section.page().left(),
                                section.page().top()));
                }
            }
        }
        return ScanWords.text(sheets, FontCatalogue.ofThisMachine(), Progress.SILENT).document();
    }
}
