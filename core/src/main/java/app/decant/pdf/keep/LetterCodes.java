package app.decant.pdf.keep;

import app.decant.pdf.read.ShownGlyph;
import java.awt.geom.GeneralPath;
import java.io.IOException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import org.apache.fontbox.cmap.CMap;
import org.apache.fontbox.cmap.CMapParser;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.pdmodel.font.PDVectorFont;
import org.slf4j.LoggerFactory;

/**
 * The character codes by which a font of a page shows letters. A code that the page itself shows is sure; another is taken only where the font tells that
 * it stands for the letter, has an outline for it that is not empty, and a width (a subset keeps names and maps of what it left out).
 */
final class LetterCodes {
    /** A code as it is written, and its advance in ems. */
    record Code(byte[] bytes, double width) { }

    private final PDFont font;
    private final Map<String, Code> known = new HashMap<>();
    private CMap toUnicode;

    LetterCodes(PDFont font) { this.font = font; }

    /** What the page shows. */
    void see(ShownGlyph shown, byte[] bytes) {
        if (shown.glyph().text().codePointCount(0, shown.glyph().text().length()) == 1)
            known.putIfAbsent(shown.glyph().text(), new Code(bytes, shown.width()));
    }

    /** The code for a letter, or null where the font has none. */
    Code of(String letter) {
        Code code = known.get(letter);
        if (code == null && !(font instanceof PDType3Font)) {
            try {
                code = font instanceof PDSimpleFont simple ? simple(simple, letter) : composite(letter);
            } catch (IOException | RuntimeException e) {
                LoggerFactory.getLogger(LetterCodes.class).info("{} can't be asked for “{}”", font.getName(), letter, e);
            }
            if (code != null) known.put(letter, code);
        }
        return code;
    }

    private Code simple(PDSimpleFont simple, String letter) throws IOException {
        for (int code = 0; code < 256; code++) {
            if (!letter.equals(simple.toUnicode(code))) continue;
            boolean drawn = letter.isBlank() || !simple.isEmbedded() || simple instanceof PDVectorFont vector && hasOutline(vector, code);
            double width = simple.getWidth(code) / 1000;
            if (drawn && width > 0) return new Code(new byte[] {(byte) code}, width);
        }
        return null;
    }

    private Code composite(String letter) throws IOException {
        if (!(font instanceof PDType0Font composite)) return null;
        if (toUnicode == null) {
            if (!(font.getCOSObject().getDictionaryObject(COSName.TO_UNICODE) instanceof COSStream stream)) return null;
            try (var in = stream.createInputStream()) {
                toUnicode = new CMapParser().parse(new RandomAccessReadBuffer(in.readAllBytes()));
            }
        }
        byte[] bytes = toUnicode.getCodesFromUnicode(letter);
        if (bytes == null) return null;
        int code = 0;
        for (byte one : bytes) code = code << 8 | one & 255;
        double width = composite.getWidth(code) / 1000;
        boolean drawn = letter.isBlank() || hasOutline(composite, code) && composite.codeToGID(code) != 0;
        return drawn && width > 0 && letter.equals(composite.toUnicode(code)) ? new Code(Arrays.copyOf(bytes, bytes.length), width) : null;
    }

    private static boolean hasOutline(PDVectorFont vector, int code) throws IOException {
        if (!vector.hasGlyph(code)) return false;
        GeneralPath path = vector.getPath(code);
        return path != null && !path.getBounds2D().isEmpty();
    }
}
