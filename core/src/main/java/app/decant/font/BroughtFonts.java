package app.decant.font;

import app.decant.document.DecantException;
import app.decant.document.FontFile;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.WeakHashMap;
import org.apache.fontbox.ttf.FontHeaders;
import org.apache.fontbox.ttf.OTFParser;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.slf4j.LoggerFactory;

/** The fonts that documents bring along, read once however often a document is laid out. */
public final class BroughtFonts {
    private static final Map<FontFile, Face> READ = Collections.synchronizedMap(new WeakHashMap<>());

    private BroughtFonts() { }

    /**
     * Reads a font found in a file.
     *
     * @throws DecantException ({@code UNREADABLE}) where it is damaged
     */
    public static Face face(FontFile font) {
        Face known = READ.get(font);
        if (known != null) return known;
        Face face = Face.read(font.family(), font.bold(), font.italic(), font.bytes());
        READ.put(font, face);
        return face;
    }

    /**
     * A file that somebody adds, as the font of the family and style that it names itself.
     *
     * @param name of the file, for what is said of it
     * @throws DecantException ({@code UNREADABLE}) where it is no TrueType or OpenType font, or a collection of several
     */
    public static FontFile file(byte[] bytes, String name) {
        try (RandomAccessReadBuffer in = new RandomAccessReadBuffer(bytes)) {
            FontHeaders head = new OTFParser().parseTableHeaders(in);
            if (head.getError() == null && head.getFontFamily() != null) {
                FontFile file = new FontFile(head.getFontFamily(), InstalledFonts.isBold(head), InstalledFonts.isItalic(head), false, bytes);
                face(file);
                return file;
            }
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(BroughtFonts.class).info("{} is no readable font", name, e);
        }
        throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("font.is-no-font-that-can-be-read", name));
    }

    /**
     * A catalogue with a document's fonts before all others. Fonts that hold some characters only stand behind whole ones of their family; those that
     * can't be read are left out.
     */
    public static FontCatalogue in(FontCatalogue catalogue, List<FontFile> fonts) {
        List<Face> faces = new ArrayList<>();
        for (FontFile font : fonts) {
            if (font.subset() && catalogue.match(font.family(), font.bold(), font.italic()).here()) continue;
            try {
                faces.add(face(font));
            } catch (DecantException e) {
                LoggerFactory.getLogger(BroughtFonts.class).warn("{}", e.getMessage(), e);
            }
        }
        return faces.isEmpty() ? catalogue : catalogue.with(faces);
    }
}
