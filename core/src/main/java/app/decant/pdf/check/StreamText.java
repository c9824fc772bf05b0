package app.decant.pdf.check;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import org.apache.fontbox.cmap.CMap;
import org.apache.fontbox.cmap.CMapParser;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontFactory;

/**
 * Reads what pages say in the order in which their content streams say it, as any reader that copies text does (ISO 32000-1, 9.10): codes through the
 * fonts' own maps to Unicode, replacement text where it is given. Nothing is sorted, nothing is placed, and forms are not entered.
 *
 * <p>The streams are fetched from the document by one thread, and read by as many as there are.
 */
final class StreamText {
    private static final int SHOW = ContentScan.operator("Tj");
    private static final int SHOW_ADJUSTED = ContentScan.operator("TJ");
    private static final int SHOW_LINE = ContentScan.operator("'");
    private static final int SHOW_LINE_AND_SPACE = ContentScan.operator("\"");
    private static final int FONT = ContentScan.operator("Tf");
    private static final int SAVE = ContentScan.operator("q");
    private static final int RESTORE = ContentScan.operator("Q");
    private static final int BEGIN = ContentScan.operator("BMC");
    private static final int BEGIN_WITH_PROPERTIES = ContentScan.operator("BDC");
    private static final int END = ContentScan.operator("EMC");

    private final Map<COSDictionary, Letters> letters = new IdentityHashMap<>();

    /** All that a page says. */
    String of(PDPage page) throws IOException { return fetched(page).read(); }

    /** What is needed to read a page, taken out of its document: after this the document is not asked any more, but for fonts out of the ordinary. */
    Fetched fetched(PDPage page) throws IOException {
        List<Part> parts = new ArrayList<>();
        for (Iterator<PDStream> streams = page.getContentStreams(); streams.hasNext();) parts.add(Part.of(streams.next().getCOSObject()));
        COSDictionary resources = page.getResources() == null ? new COSDictionary() : page.getResources().getCOSObject();
        Map<String, Letters> named = new HashMap<>();
        COSDictionary fonts = resources.getCOSDictionary(COSName.FONT);
        if (fonts != null) for (COSName name : fonts.keySet()) {
            COSDictionary font = fonts.getCOSDictionary(name);
            if (font != null && !letters.containsKey(font)) letters.put(font, Letters.of(font, this));
            if (font != null) named.put(name.getName(), letters.get(font));
        }
        Map<String, String> replacing = new HashMap<>();
        COSDictionary properties = resources.getCOSDictionary(COSName.PROPERTIES);
        if (properties != null) for (COSName name : properties.keySet()) {
            COSDictionary told = properties.getCOSDictionary(name);
            if (told != null && told.getString(COSName.ACTUAL_TEXT) != null) replacing.put(name.getName(), told.getString(COSName.ACTUAL_TEXT));
        }
        return new Fetched(parts, named, replacing);
    }

    /** One of the streams of a page: unpacked, or packed in the way that nearly all are (ISO 32000-1, 7.4.4). */
    private record Part(byte[] bytes, boolean packed) {
        static Part of(COSStream stream) throws IOException {
            boolean plain = COSName.FLATE_DECODE.equals(stream.getFilters()) && stream.getDictionaryObject(COSName.DECODE_PARMS) == null;
            try (InputStream in = plain ? stream.createRawInputStream() : stream.createInputStream()) {
                return new Part(in.readAllBytes(), plain);
            }
        }

        byte[] unpacked() throws IOException {
            if (!packed) return bytes;
            Inflater inflater = new Inflater();
            try {
                inflater.setInput(bytes);
                byte[] unpacked = new byte[Math.max(1 << 12, 6 * bytes.length)];
                int length = 0;
                while (!inflater.finished()) {
                    if (length == unpacked.length) unpacked = Arrays.copyOf(unpacked, 2 * length);
                    int more = inflater.inflate(unpacked, length, unpacked.length - length);
                    if (more == 0 && !inflater.finished()) throw new IOException("A content stream breaks off");
                    length += more;
                }
                return Arrays.copyOf(unpacked, length);
            } catch (DataFormatException e) {
                throw new IOException("A content stream can't be unpacked", e);
            } finally {
                inflater.end();
            }
        }
    }

    /** A page that can be read by itself. */
    static final class Fetched {
        private final List<Part> parts;
        private final Map<String, Letters> fonts;
        private final Map<String, String> replacing;
        private final StringBuilder text = new StringBuilder();
        /** The fonts of the graphics states that are kept; the innermost first, an empty place for none. */
        private final Deque<Letters[]> states = new ArrayDeque<>();
        private Letters font;
        private int depth;
        /** How deep the marked content began that has a text of its own; 0 outside of any. */
        private int replacedAt;

        private Fetched(List<Part> parts, Map<String, Letters> fonts, Map<String, String> replacing) {
            this.parts = parts;
            this.fonts = fonts;
            this.replacing = replacing;
        }

        /** All that it says; to be asked once. */
        String read() throws IOException {
            ContentScan scan = new ContentScan(joined());
            for (int operator = scan.next(); operator != ContentScan.END; operator = scan.next()) perform(operator, scan);
            return text.toString();
        }

        private byte[] joined() throws IOException {
            if (parts.size() == 1) return parts.get(0).unpacked();
            ByteArrayOutputStream all = new ByteArrayOutputStream();
            for (Part part : parts) {
                all.write(part.unpacked());
                // Streams end between words (ISO 32000-1, 7.8.2).
                all.write('\n');
            }
            return all.toByteArray();
        }

        private void perform(int operator, ContentScan scan) throws IOException {
            if (operator == SHOW || operator == SHOW_ADJUSTED || operator == SHOW_LINE || operator == SHOW_LINE_AND_SPACE) {
                if (replacedAt > 0 || scan.length() == 0) return;
                if (font == null) throw new IOException("Text is shown without a font");
                font.say(scan, text);
            } else if (operator == FONT) {
                font = fonts.get(scan.firstName());
            } else if (operator == SAVE) {
                states.push(new Letters[] {font});
            } else if (operator == RESTORE) {
                font = states.isEmpty() ? font : states.pop()[0];
            } else if (operator == BEGIN) {
                depth++;
            } else if (operator == BEGIN_WITH_PROPERTIES) {
                begin(scan);
            } else if (operator == END) {
                if (depth == replacedAt) replacedAt = 0;
                depth--;
            }
        }

        /** Marked content with its properties, which stand here or among the page's resources. */
        private void begin(ContentScan scan) throws IOException {
            depth++;
            if (replacedAt > 0) return;
            byte[] dictionary = scan.replacing();
            COSBase told = dictionary == null ? null : (COSBase) new PDFStreamParser(dictionary).parseNextToken();
            String replacement = told instanceof COSDictionary own ? own.getString(COSName.ACTUAL_TEXT) : replacing.get(scan.lastName());
            if (replacement == null) return;
            replacedAt = depth;
            text.append(replacement);
        }
    }

    /** What the codes of a font say, each asked for once. */
    private static final class Letters {
        private final COSDictionary dictionary;
        /** What holds the fonts of one document apart from its other readers: what a font lacks it reads from the file. */
        private final Object lock;
        /** How many bytes every code has; 0 where the font alone can tell. */
        private final int width;
        /** The font's map to Unicode where that alone says everything; else null. */
        private final CMap map;
        private final String[] known;
        private PDFont font;

        private Letters(COSDictionary dictionary, Object lock, int width, CMap map) {
            this.dictionary = dictionary;
            this.lock = lock;
            this.width = width;
            this.map = map;
            known = new String[width == 1 ? 0x100 : width == 2 ? 0x10000 : 0];
        }

        static Letters of(COSDictionary font, Object lock) throws IOException {
            COSName kind = font.getCOSName(COSName.SUBTYPE);
            COSName encoding = font.getCOSName(COSName.ENCODING);
            if (!COSName.TYPE0.equals(kind)) return new Letters(font, lock, 1, null);
            if (encoding == null || !encoding.getName().startsWith("Identity-")) return new Letters(font, lock, 0, null);
            COSStream map = font.getDictionaryObject(COSName.TO_UNICODE) instanceof COSStream stream ? stream : null;
            if (map == null) return new Letters(font, lock, 2, null);
            try (InputStream in = map.createInputStream()) {
                return new Letters(font, lock, 2, new CMapParser().parse(new RandomAccessReadBuffer(in.readAllBytes())));
            }
        }

        void say(ContentScan scan, StringBuilder text) throws IOException {
            int length = scan.length();
            if (width == 0 || length % width != 0) {
                ByteArrayInputStream in = new ByteArrayInputStream(scan.codes());
                while (in.available() > 0) text.append(next(in));
                return;
            }
            for (int i = 0; i < length; i += width) {
                String letter = letter(width == 1 ? scan.code(i) : scan.code(i) << 8 | scan.code(i + 1));
                if (letter.length() == 1) text.append(letter.charAt(0));
                else text.append(letter);
            }
        }

        private String letter(int code) throws IOException {
            // Two threads may both ask; they hear the same.
            if (known[code] == null) known[code] = asked(code);
            return known[code];
        }

        private String asked(int code) throws IOException {
            String letter = map == null ? null : map.toUnicode(code, width);
            return letter == null ? whole(code) : letter;
        }

        private String next(ByteArrayInputStream in) throws IOException {
            synchronized (lock) {
                return whole(font().readCode(in));
            }
        }

        private String whole(int code) throws IOException {
            synchronized (lock) {
                String letter = font().toUnicode(code);
                return letter == null ? "\uFFFD" : letter;
            }
        }

        private PDFont font() throws IOException {
            if (font == null) font = PDFontFactory.createFont(dictionary);
            return font;
        }
    }
}
