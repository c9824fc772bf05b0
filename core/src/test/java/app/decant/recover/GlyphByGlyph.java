package app.decant.recover;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Picture;
import app.decant.layout.PagedDocument;
import app.decant.page.Canvas;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.awt.Color;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;

/**
 * Writes pages through PDFBox as many print drivers do: every glyph a string of its own, no spaces, from top to bottom whatever the reading order, lines as
 * thin areas.
 */
final class GlyphByGlyph {
    private final PDDocument pdf = new PDDocument();
    private final Map<String, PDFont> fonts = new HashMap<>();

    /** One letter and where it goes. */
    private record Letter(String text, PDFont font, double size, double x, double baseline, Colour colour) { }

    static byte[] write(PagedDocument pages) {
        try {
            return new GlyphByGlyph().run(pages);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private byte[] run(PagedDocument pages) throws IOException {
        try (pdf) {
            for (Page page : pages.pages()) page(page);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            pdf.save(out);
            return out.toByteArray();
        }
    }

    private void page(Page page) throws IOException {
        PDPage target = new PDPage(new PDRectangle((float) page.width(), (float) page.height()));
        pdf.addPage(target);
        List<Letter> letters = new ArrayList<>();
        try (PDPageContentStream out = new PDPageContentStream(pdf, target)) {
            page.show(new Canvas() {
                @Override public void glyphs(Piece.Glyphs glyphs, double x, double baseline, Colour colour) { gather(glyphs, x, baseline, colour, letters); }

                @Override public void fill(double x, double y, double width, double height, Colour colour) {
                    area(out, x, page.height() - y - height, width, height, colour);
                }

                @Override public void rule(double x1, double y1, double x2, double y2, Border border) {
                    double w = border.width();
                    area(out, Math.min(x1, x2) - (x1 == x2 ? w / 2 : 0), page.height() - Math.max(y1, y2) - (y1 == y2 ? w / 2 : 0),
                            Math.max(w, Math.abs(x2 - x1)), Math.max(w, Math.abs(y2 - y1)), border.colour().isAutomatic() ? Colour.BLACK : border.colour());
                }

                @Override public void picture(Picture picture, double x, double y) {
                    try {
                        PDImageXObject image = PDImageXObject.createFromByteArray(pdf, picture.image().bytes(), "p");
                        out.drawImage(image, (float) x, (float) (page.height() - y - picture.height()), (float) picture.width(), (float) picture.height());
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                }
            });
            letters.sort(Comparator.comparingDouble((Letter letter) -> Math.round(letter.baseline)).thenComparingDouble(Letter::x));
            for (Letter letter : letters) {
                out.beginText();
                out.setFont(letter.font, (float) letter.size);
                out.setNonStrokingColor(new Color(letter.colour.rgb()));
                out.setTextMatrix(Matrix.getTranslateInstance((float) letter.x, (float) (page.height() - letter.baseline)));
                out.showText(letter.text);
                out.endText();
            }
        }
    }

    private static void area(PDPageContentStream out, double x, double y, double width, double height, Colour colour) {
        try {
            out.setNonStrokingColor(new Color(colour.isAutomatic() ? 0 : colour.rgb()));
            out.addRect((float) x, (float) y, (float) width, (float) height);
            out.fill();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void gather(Piece.Glyphs glyphs, double x, double baseline, Colour colour, List<Letter> letters) {
        PDFont font = fonts.computeIfAbsent(glyphs.style().face().postScriptName(), key -> {
            try {
                return PDType0Font.load(pdf, new ByteArrayInputStream(glyphs.style().face().file()), true);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        for (int i = 0; i < glyphs.glyphs().length; i++) {
            int from = glyphs.clusters()[i];
            String letter = Character.toString(glyphs.text().codePointAt(from));
            if (letter.isBlank()) continue;
            double size = glyphs.style().size();
            letters.add(new Letter(letter, font, size, x + glyphs.glyphX()[i], baseline, colour));
        }
    }
}
