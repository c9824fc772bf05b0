package app.decant.pdf.font;

import app.decant.font.Face;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.font.encoding.GlyphList;
import org.apache.pdfbox.pdmodel.font.encoding.WinAnsiEncoding;

/**
 * One of the fourteen fonts that every reader has (ISO 32000-1, 9.6.2.2) in the place of a face of the same widths: nothing of it is in the file. It
 * knows the characters of Western Europe only.
 */
public final class StandardFace implements PageFont {
    /** Shipped families and the front of the standard names; then the names of regular, bold, italic, both. */
    private static final Map<String, String[]> NAMES = Map.of(
            "Liberation Sans", new String[] {"Helvetica", "Helvetica-Bold", "Helvetica-Oblique", "Helvetica-BoldOblique"},
            "Liberation Serif", new String[] {"Times-Roman", "Times-Bold", "Times-Italic", "Times-BoldItalic"},
            "Liberation Mono", new String[] {"Courier", "Courier-Bold", "Courier-Oblique", "Courier-BoldOblique"});

    private final Face face;
    private final COSDictionary dictionary = new COSDictionary();

    public StandardFace(Face face) {
        this.face = face;
        dictionary.setDirect(false);
        dictionary.setItem(COSName.TYPE, COSName.FONT);
        dictionary.setItem(COSName.SUBTYPE, COSName.TYPE1);
        dictionary.setName(COSName.BASE_FONT, NAMES.get(face.family())[(face.bold() ? 1 : 0) + (face.italic() ? 2 : 0)]);
        dictionary.setItem(COSName.ENCODING, COSName.WIN_ANSI_ENCODING);
        COSArray widths = new COSArray();
        for (int code = 32; code < 256; code++) {
            String name = WinAnsiEncoding.INSTANCE.getName(code);
            String text = GlyphList.getAdobeGlyphList().toUnicode(name);
            widths.add(new COSFloat(text == null ? 0 : (float) width(text.charAt(0))));
        }
        dictionary.setInt(COSName.FIRST_CHAR, 32);
        dictionary.setInt(COSName.LAST_CHAR, 255);
        dictionary.setItem(COSName.WIDTHS, widths);
    }

    /** Whether a face has one that stands for it. */
    static boolean standsFor(Face face) { return NAMES.containsKey(face.family()); }

    /** Whether it knows a character. */
    static boolean knows(char character) { return code(character) > 0; }

    /** The code of a character, or -1. */
    public static int code(char character) {
        if (character == '\u00A0') return ' ';
        String name = GlyphList.getAdobeGlyphList().codePointToName(character);
        Integer code = name.equals(".notdef") ? null : WinAnsiEncoding.INSTANCE.getNameToCodeMap().get(name);
        return code == null ? -1 : code;
    }

    /** The advance of a character in thousandths of the size. */
    public double width(char character) {
        try {
            int glyph = face.tables().getUnicodeCmapLookup().getGlyphId(character);
            return Math.round(face.tables().getAdvanceWidth(glyph) * 1000.0 / face.unitsPerEm());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override public COSDictionary dictionary() { return dictionary; }
}
