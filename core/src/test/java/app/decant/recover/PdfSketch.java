package app.decant.recover;

import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.Map;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;

/** Small PDFs drawn by hand through PDFBox, for tests of one thing each. Coordinates from the top left corner of an A4 page. */
final class PdfSketch implements AutoCloseable {
    final PDDocument pdf = new PDDocument();
    private final Map<String, PDFont> fonts = new HashMap<>();
    PDPage page;
    PDPageContentStream out;

    PdfSketch() { page(); }

    PdfSketch page() {
        try {
            if (out != null) out.close();
            page = new PDPage(new PDRectangle(595, 842));
            pdf.addPage(page);
            out = new PDPageContentStream(pdf, page);
            return this;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private PDFont font(String name) {
        return fonts.computeIfAbsent(name, key -> {
            try (InputStream in = FontCatalogue.class.getResourceAsStream(key + ".ttf")) {
                return PDType0Font.load(pdf, new ByteArrayInputStream(in.readAllBytes()), true);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    PdfSketch text(double x, double y, String text) { return text(x, y, 11, "LiberationSerif-Regular", text); }

    PdfSketch text(double x, double y, double size, String font, String text) {
        try {
            out.beginText();
            out.setFont(font(font), (float) size);
            out.newLineAtOffset((float) x, (float) (842 - y));
            out.showText(text);
            out.endText();
            return this;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Words in the middle of the page. */
    PdfSketch centred(double y, double size, String font, String text) {
        try {
            return text((595 - font(font).getStringWidth(text) / 1000 * size) / 2, y, size, font, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Lines of body text, one below the other. */
    PdfSketch lines(double x, double y, String... lines) {
        for (int i = 0; i < lines.length; i++) text(x, y + 14 * i, lines[i]);
        return this;
    }

    PdfSketch line(double x1, double y1, double x2, double y2) {
        try {
            out.moveTo((float) x1, (float) (842 - y1));
            out.lineTo((float) x2, (float) (842 - y2));
            out.stroke();
            return this;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    PdfSketch area(double x, double y, double width, double height, int rgb) {
        try {
            out.setNonStrokingColor(new Color(rgb));
            out.addRect((float) x, (float) (842 - y - height), (float) width, (float) height);
            out.fill();
            out.setNonStrokingColor(Color.BLACK);
            return this;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    PdfSketch picture(double x, double y, double width, double height, BufferedImage image) {
        try {
            out.drawImage(LosslessFactory.createFromImage(pdf, image), (float) x, (float) (842 - y - height), (float) width, (float) height);
            return this;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    byte[] bytes() {
        try {
            out.close();
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            pdf.save(bytes, CompressParameters.NO_COMPRESSION);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    Recovered recovered() { return recovered(bytes()); }

    static Recovered recovered(byte[] pdf) { return Recovery.of(pdf, "sketch.pdf", null, FontCatalogue.shipped(), Progress.SILENT); }

    Document document() { return recovered().document(); }

    @Override public void close() {
        try {
            pdf.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
