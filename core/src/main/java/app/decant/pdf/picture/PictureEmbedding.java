package app.decant.pdf.picture;

import app.decant.document.Image;
import app.decant.pdf.Pictures;
import app.decant.pdf.Standard;
import app.decant.picture.Metafile;
import app.decant.picture.PictureDecoder;
import app.decant.picture.PictureScaling;
import app.decant.picture.PixelRows;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.awt.image.IndexColorModel;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.HashSet;
import java.util.Iterator;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceCMYK;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.CCITTFactory;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/**
 * Puts pictures into a PDF: exactly as they are (JPEG files untouched, all others without loss), or smaller as {@link Pictures} says. Photographs
 * become JPEG by the tables of ITU-T T.81, Annex K, scaled; pictures of one bit CCITT Group 4; drawings of few colours stay without loss, since
 * JPEG would smear them. Nothing ever grows.
 */
public final class PictureEmbedding {
    /** No picture on an office page has more; a file that claims more is not decoded. */
    private static final long MOST_PIXELS = 200_000_000;
    /** With no more colours than this a picture is line art. */
    private static final int LINE_ART = 96;
    /** A picture must be so much finer than wished before it is made coarser. */
    private static final double FINER = 1.15;

    /** Forms within forms are looked at so far down. */
    private static final int DEEPEST = 24;

    /** Pixels an inch of drawings that are kept as the steps that drew them. */
    private static final double DRAWN = 300;

    private final PDDocument pdf;
    private final Pictures choice;
    private final Standard standard;

    public PictureEmbedding(PDDocument pdf, Pictures choice, Standard standard) {
        this.pdf = pdf;
        this.choice = choice;
        this.standard = standard;
    }

    /** @param width the largest width it is shown at, in points */
    public PDXObject embed(Image image, double width) throws IOException {
        byte[] lines = PictureDecoder.isDrawing(image) ? image.bytes() : Metafile.is(image.bytes()) ? MetafileLines.of(image.bytes()) : null;
        if (lines != null) {
            PDFormXObject drawing = form(pdf, lines);
            // What shines through has to be painted on paper first (ISO 19005-1, 6.4).
            boolean shines = standard.isOpaque() && drawing.getResources() != null && shines(drawing.getResources().getCOSObject(), 0);
            return shines ? LosslessFactory.createFromImage(pdf, opaque(PictureDecoder.decode(image, DRAWN, width))) : drawing;
        }
        checkSize(image.bytes());
        PDImageXObject exact = exact(image, width);
        if (choice.isExact()) return exact;
        PDImageXObject smaller = smaller(PictureDecoder.decode(image, DRAWN, width), width);
        return smaller != null && length(smaller) < length(exact) ? smaller : exact;
    }

    /** Whether anything that resources name lets shine through what is under it. */
    private static boolean shines(COSDictionary resources, int depth) {
        if (depth > DEEPEST) return true;
        COSDictionary states = resources.getCOSDictionary(COSName.EXT_G_STATE);
        if (states != null) for (COSName name : states.keySet()) {
            COSDictionary state = states.getCOSDictionary(name);
            if (state == null) continue;
            COSName blend = state.getCOSName(COSName.BM);
            if (state.getFloat(COSName.CA, 1) < 1 || state.getFloat(COSName.CA_NS, 1) < 1 || state.getDictionaryObject(COSName.SMASK) instanceof COSDictionary
                    || blend != null && !blend.equals(COSName.NORMAL)) return true;
        }
        COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
        if (objects != null) for (COSName name : objects.keySet()) {
            if (!(objects.getDictionaryObject(name) instanceof COSStream object)) continue;
            COSDictionary own = object.getCOSDictionary(COSName.RESOURCES);
            if (object.containsKey(COSName.SMASK) || object.containsKey(COSName.GROUP) || own != null && shines(own, depth + 1)) return true;
        }
        return false;
    }

    private PDImageXObject exact(Image image, double width) throws IOException {
        byte[] bytes = image.bytes();
        boolean jpeg = starts(bytes, 0xFF, 0xD8);
        if (jpeg || starts(bytes, 0x89, 'P', 'N', 'G')) {
            PDImageXObject made = PDImageXObject.createFromByteArray(pdf, bytes, "picture");
            boolean shines = standard.isOpaque() && made.getCOSObject().containsKey(COSName.SMASK);
            boolean inks = standard.isArchive() && made.getColorSpace() instanceof PDDeviceCMYK;
            if (!shines && !inks) return made;
        }
        BufferedImage pixels = PictureDecoder.decode(image, DRAWN, width);
        return LosslessFactory.createFromImage(pdf, standard.isOpaque() ? opaque(pixels) : pixels);
    }

    /**
     * Pixels packed as the choice says.
     *
     * @param width the largest width they are shown at, in points
     * @return null where the choice leaves such a picture as it is
     */
    public PDImageXObject smaller(BufferedImage picture, double width) throws IOException {
        BufferedImage pixels = picture;
        double resolution = pixels.getWidth() / Math.max(1, width) * 72;
        boolean lineArt = isLineArt(pixels);
        boolean oneBit = pixels.getColorModel().getPixelSize() == 1 && isBlackAndWhite(pixels);
        int wished = wished(pixels, lineArt, oneBit);
        boolean coarser = wished > 0 && resolution > wished * FINER;
        if (coarser) pixels = scaled(pixels, wished / resolution);
        if (standard.isOpaque()) pixels = opaque(pixels);
        if (oneBit) return CCITTFactory.createFromImage(pdf, coarser ? inked(pixels) : pixels);
        if (lineArt || choice.quality() == 0) return coarser ? LosslessFactory.createFromImage(pdf, pixels) : null;
        return JPEGFactory.createFromImage(pdf, isGrey(pixels) ? grey(pixels) : pixels, choice.quality() / 100f);
    }

    /** How fine a picture of its kind is to be; 0 for as it is. */
    private int wished(BufferedImage pixels, boolean lineArt, boolean oneBit) {
        if (oneBit) return choice.lineArt();
        if (lineArt) return choice.lineArt() > 0 ? choice.lineArt() : choice.resolution();
        return choice.grey() > 0 && isGrey(pixels) ? choice.grey() : choice.resolution();
    }

    /** Grey that scaling made becomes black or white again, whichever is nearer. */
    private static BufferedImage inked(BufferedImage pixels) {
        BufferedImage result = new BufferedImage(pixels.getWidth(), pixels.getHeight(), BufferedImage.TYPE_BYTE_BINARY);
        PixelRows rows = new PixelRows(pixels);
        for (int y = 0; y < rows.height(); y++) {
            int[] row = rows.row(y);
            for (int x = 0; x < row.length; x++) result.getRaster().setSample(x, y, 0, (row[x] & 0xFF) < 128 ? 0 : 1);
        }
        return result;
    }

    private static long length(PDImageXObject image) throws IOException {
        long length = image.getCOSObject().getLength();
        PDImageXObject mask = image.getSoftMask();
        return mask == null ? length : length + mask.getCOSObject().getLength();
    }

    private static BufferedImage scaled(BufferedImage pixels, double scale) {
        int width = (int) Math.max(1, Math.round(pixels.getWidth() * scale));
        int height = (int) Math.max(1, Math.round(pixels.getHeight() * scale));
        return PictureScaling.to(pixels, width, height);
    }

    /** On white, where nothing may shine through. */
    private static BufferedImage opaque(BufferedImage pixels) {
        if (!pixels.getColorModel().hasAlpha()) return pixels;
        BufferedImage result = new BufferedImage(pixels.getWidth(), pixels.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = result.createGraphics();
        graphics.drawImage(pixels, 0, 0, Color.WHITE, null);
        graphics.dispose();
        return result;
    }

    private static boolean isLineArt(BufferedImage pixels) {
        if (pixels.getColorModel() instanceof IndexColorModel index && index.getMapSize() <= LINE_ART) return true;
        Set<Integer> colours = new HashSet<>();
        int step = Math.max(1, pixels.getWidth() * pixels.getHeight() / 40_000);
        for (int i = 0; i < pixels.getWidth() * pixels.getHeight(); i += step) {
            colours.add(pixels.getRGB(i % pixels.getWidth(), i / pixels.getWidth()));
            if (colours.size() > LINE_ART) return false;
        }
        return true;
    }

    private static boolean isBlackAndWhite(BufferedImage pixels) {
        if (!(pixels.getColorModel() instanceof IndexColorModel index)) return true;
        for (int i = 0; i < index.getMapSize(); i++) if ((index.getRGB(i) & 0xFFFFFF) != 0 && (index.getRGB(i) & 0xFFFFFF) != 0xFFFFFF) return false;
        return true;
    }

    /** Looks at every pixel: a small red stamp on a grey scan must stay red. */
    private static boolean isGrey(BufferedImage pixels) {
        if (pixels.getColorModel().hasAlpha()) return false;
        PixelRows rows = new PixelRows(pixels);
        for (int y = 0; y < rows.height(); y++) for (int rgb : rows.row(y))
            if (Math.abs((rgb >> 16 & 255) - (rgb >> 8 & 255)) > 2 || Math.abs((rgb >> 8 & 255) - (rgb & 255)) > 2) return false;
        return true;
    }

    private static BufferedImage grey(BufferedImage pixels) {
        if (pixels.getType() == BufferedImage.TYPE_BYTE_GRAY) return pixels;
        BufferedImage result = new BufferedImage(pixels.getWidth(), pixels.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
        byte[] levels = ((DataBufferByte) result.getRaster().getDataBuffer()).getData();
        PixelRows rows = new PixelRows(pixels);
        int at = 0;
        for (int y = 0; y < rows.height(); y++) for (int rgb : rows.row(y)) levels[at++] = (byte) (rgb >> 8);
        return result;
    }

    /** A drawing as a form that fills the unit square, as pictures do (ISO 32000-1, 8.10). */
    public static PDFormXObject form(PDDocument pdf, byte[] bytes) throws IOException {
        try (PDDocument drawing = Loader.loadPDF(bytes)) {
            PDFormXObject form = new LayerUtility(pdf).importPageAsForm(drawing, 0);
            form.setMatrix(AffineTransform.getScaleInstance(1 / form.getBBox().getWidth(), 1 / form.getBBox().getHeight()));
            return form;
        }
    }

    private static boolean starts(byte[] bytes, int... signature) {
        if (bytes.length < signature.length) return false;
        for (int i = 0; i < signature.length; i++) if ((bytes[i] & 0xFF) != signature[i]) return false;
        return true;
    }

    private static void checkSize(byte[] bytes) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) return;
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                if (pixels > MOST_PIXELS) throw new IOException("A picture of " + pixels + " pixels");
            } finally {
                reader.dispose();
            }
        }
    }
}
