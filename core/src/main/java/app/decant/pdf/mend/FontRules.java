package app.decant.pdf.mend;

import app.decant.pdf.font.UnicodeMap;
import java.io.IOException;
import java.io.OutputStream;
import java.util.SortedMap;
import java.util.TreeMap;
import org.apache.fontbox.ttf.CmapTable;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDTrueTypeFont;
import org.slf4j.LoggerFactory;

/** What the dictionaries of fonts that travel inside may say (ISO 19005-2, 6.2.11), where it does not change what they show. */
final class FontRules {
    /** Flags of ISO 32000-2, table 121. */
    private static final int SYMBOLIC = 4;
    private static final int NOT_SYMBOLIC = 32;

    private FontRules() { }

    /** @param part of ISO 19005: the first wants lists of characters, later ones take none that are not whole */
    static void keep(PDDocument pdf, int part) {
        FileObjects.each(pdf, dictionary -> {
            COSName kind = dictionary.getCOSName(COSName.SUBTYPE);
            if (COSName.CID_FONT_TYPE2.equals(kind) && !dictionary.containsKey(COSName.CID_TO_GID_MAP) && hasProgram(dictionary))
                dictionary.setItem(COSName.CID_TO_GID_MAP, COSName.IDENTITY);
            if (COSName.TRUE_TYPE.equals(kind)) encoding(dictionary);
            boolean descriptor = dictionary.containsKey(COSName.FONT_NAME) && dictionary.containsKey(COSName.FLAGS);
            if (descriptor && part != 1) {
                dictionary.removeItem(COSName.CID_SET);
                dictionary.removeItem(COSName.CHAR_SET);
            }
        });
    }

    private static boolean hasProgram(COSDictionary font) {
        COSDictionary descriptor = font.getCOSDictionary(COSName.FONT_DESC);
        return descriptor != null && (descriptor.containsKey(COSName.FONT_FILE) || descriptor.containsKey(COSName.FONT_FILE2)
                || descriptor.containsKey(COSName.FONT_FILE3));
    }

    /** A symbolic font shows what its own map says and names no encoding (9.6.5.4); one with letters and an encoding for them is none. */
    private static void encoding(COSDictionary dictionary) {
        COSDictionary descriptor = dictionary.getCOSDictionary(COSName.FONT_DESC);
        COSBase encoding = dictionary.getDictionaryObject(COSName.ENCODING);
        if (descriptor == null || encoding == null || (descriptor.getInt(COSName.FLAGS) & SYMBOLIC) == 0 || !hasProgram(dictionary)) return;
        try {
            PDTrueTypeFont font = new PDTrueTypeFont(dictionary);
            CmapTable maps = font.getTrueTypeFont().getCmap();
            boolean letters = maps != null && maps.getSubtable(CmapTable.PLATFORM_WINDOWS, CmapTable.ENCODING_WIN_UNICODE_BMP) != null;
            boolean named = encoding.equals(COSName.WIN_ANSI_ENCODING) || encoding.equals(COSName.MAC_ROMAN_ENCODING);
            if (letters && named) {
                descriptor.setInt(COSName.FLAGS, descriptor.getInt(COSName.FLAGS) & ~SYMBOLIC | NOT_SYMBOLIC);
                return;
            }
            if (!dictionary.containsKey(COSName.TO_UNICODE)) dictionary.setItem(COSName.TO_UNICODE, texts(font));
            dictionary.removeItem(COSName.ENCODING);
        } catch (IOException | RuntimeException e) {
            // It stays as it is; whether the standard is kept is looked at afterwards.
            LoggerFactory.getLogger(FontRules.class).info("The font {} can't be read", dictionary.getNameAsString(COSName.BASE_FONT), e);
        }
    }

    /** Copying text goes on giving what the encoding told. */
    private static COSStream texts(PDTrueTypeFont font) throws IOException {
        SortedMap<Integer, String> texts = new TreeMap<>();
        for (int code = 0; code < 256; code++) {
            String text = font.toUnicode(code);
            if (text != null && !text.isEmpty() && text.charAt(0) >= ' ') texts.put(code, text);
        }
        COSStream stream = new COSStream();
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(UnicodeMap.of(texts, 1));
        }
        return stream;
    }
}
