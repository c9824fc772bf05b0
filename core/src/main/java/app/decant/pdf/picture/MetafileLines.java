package app.decant.pdf.picture;

import app.decant.picture.Metafile;
import app.decant.picture.PixelRows;
import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2D;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.slf4j.LoggerFactory;

/**
 * A metafile as a page of lines and areas, sharp at any size and a tenth as large as its pixels. Some ways of painting have no counterpart there (patterns of
 * pixels, inverted ground): what doesn't look like the same metafile in pixels is left to these.
 */
final class MetafileLines {
    private static final double LONGER_SIDE = 600;
    private static final int MOST_BYTES = 4_000_000;
    /** Both are looked at so wide, in squares of so many pixels; a square is unlike from this share of a colour on. */
    private static final double SEEN = 600;
    private static final int SQUARE = 15;
    private static final double UNLIKE = 0.18;
    private static final double MOST_UNLIKE = 0.005;

    private MetafileLines() { }

    /** @return a PDF of one page; null where lines can't say it */
    static byte[] of(byte[] file) {
        try {
            Metafile metafile = Metafile.of(file);
            byte[] lines = lines(metafile);
            return lines.length <= MOST_BYTES && isAlike(lines, metafile) ? lines : null;
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(MetafileLines.class).info("A metafile that can't be played as lines", e);
            return null;
        }
    }

    private static byte[] lines(Metafile metafile) throws IOException {
        double scale = LONGER_SIDE / Math.max(metafile.width(), metafile.height());
        float width = (float) Math.max(1, metafile.width() * scale);
        float height = (float) Math.max(1, metafile.height() * scale);
        try (PDDocument document = new PDDocument(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PDPage page = new PDPage(new PDRectangle(width, height));
            document.addPage(page);
            PdfBoxGraphics2D graphics = new PdfBoxGraphics2D(document, width, height);
            try {
                metafile.play(graphics, width, height);
            } finally {
                graphics.dispose();
            }
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                content.drawForm(graphics.getXFormObject());
            }
            unsmoothed(page.getResources().getCOSObject(), Collections.newSetFromMap(new IdentityHashMap<>()));
            document.save(out);
            return out.toByteArray();
        }
    }

    /** Archives allow no smoothed pictures (ISO 19005-2, 6.2.8), wherever they are: in forms, patterns, masks. */
    private static void unsmoothed(COSBase object, Set<COSBase> seen) {
        COSBase plain = object instanceof COSObject one ? one.getObject() : object;
        if (plain instanceof COSArray array) for (COSBase one : array) unsmoothed(one, seen);
        if (!(plain instanceof COSDictionary dictionary) || !seen.add(plain)) return;
        dictionary.removeItem(COSName.INTERPOLATE);
        for (COSBase one : dictionary.getValues()) unsmoothed(one, seen);
    }

    static boolean isAlike(byte[] lines, Metafile metafile) throws IOException {
        BufferedImage one;
        try (PDDocument document = Loader.loadPDF(lines)) {
            one = new PDFRenderer(document).renderImage(0, (float) (SEEN / LONGER_SIDE), ImageType.RGB);
        }
        BufferedImage other = new BufferedImage(one.getWidth(), one.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D paper = other.createGraphics();
        paper.drawImage(metafile.pixels(one.getWidth(), one.getHeight()), 0, 0, Color.WHITE, null);
        paper.dispose();
        int across = (one.getWidth() + SQUARE - 1) / SQUARE;
        int down = (one.getHeight() + SQUARE - 1) / SQUARE;
        long[] difference = new long[3 * across * down];
        int[] count = new int[across * down];
        PixelRows ones = new PixelRows(one);
        PixelRows others = new PixelRows(other);
        for (int y = 0; y < one.getHeight(); y++) {
            int[] first = ones.row(y);
            int[] second = others.row(y);
            for (int x = 0; x < first.length; x++) {
                int square = y / SQUARE * across + x / SQUARE;
                for (int ink = 0; ink < 3; ink++) difference[3 * square + ink] += (first[x] >> 8 * ink & 255) - (second[x] >> 8 * ink & 255);
                count[square]++;
            }
        }
        int unlike = 0;
        for (int i = 0; i < count.length; i++) {
            long most = Math.max(Math.abs(difference[3 * i]), Math.max(Math.abs(difference[3 * i + 1]), Math.abs(difference[3 * i + 2])));
            if (most > UNLIKE * 255 * count[i]) unlike++;
        }
        return unlike <= MOST_UNLIKE * count.length;
    }
}
