package app.decant.format;

import app.decant.document.DecantException;
import app.decant.format.kept.KeptDocument;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/** What a file is, told by its content and never by its name alone. */
public enum FileKind {
    KEPT("document kept by Decant"),
    DOCX("Office Open XML text document"), DOCX_MACROS("Office Open XML text document with macros"), DOCX_TEMPLATE("Office Open XML template"),
            XLSX("Office Open XML workbook"),
    PPTX("Office Open XML slide deck"), ODT("OpenDocument text document"), ODS("OpenDocument workbook"), ODP("OpenDocument slide deck"), EPUB("EPUB book"),
    DOC("binary text document of 1997-2003"), XLS("binary workbook of 1997-2003"), PPT("binary slide deck of 1997-2003"),
            BINARY_OFFICE("binary office file of 1997-2003"), ENCRYPTED_OFFICE("password-protected office file"), RTF("rich text file"), PDF("PDF"),
            HTML("web page"),
    TEXT("plain text file"), MARKDOWN("Markdown file"), PNG("PNG picture"), JPEG("JPEG picture"), TIFF("TIFF picture"), GIF("GIF picture"),
            BMP("BMP picture"), ARCHIVE("zip archive"), EMPTY("empty file"), UNKNOWN("file of unknown kind");

    private static final int MOST_ENTRIES = 5000;
    private final String words;

    FileKind(String words) { this.words = words; }

    /** How it is called in a sentence, without an article. */
    public String words() { return words; }

    /** The words with their article. */
    public String phrase() { return ("AEIO".indexOf(words.charAt(0)) >= 0 || words.charAt(0) == 'e' ? "an " : "a ") + words; }

    /** Whether it is a picture, whose pages are taken in as a scanner's are. */
    public boolean isPicture() { return this == PNG || this == JPEG || this == TIFF || this == GIF || this == BMP; }

    /** The kind of a whole file. Damaged archives are told as far as their beginning can be read. */
    public static FileKind of(byte[] file) {
        if (file.length == 0) return EMPTY;
        if (starts(file, 0x50, 0x4B, 0x03, 0x04) || starts(file, 0x50, 0x4B, 0x05, 0x06)) return archive(file);
        if (starts(file, 0xD0, 0xCF, 0x11, 0xE0, 0xA1, 0xB1, 0x1A, 0xE1)) return container(file);
        if (starts(file, '{', '\\', 'r', 't')) return RTF;
        if (starts(file, 0x89, 'P', 'N', 'G')) return PNG;
        if (starts(file, 0xFF, 0xD8, 0xFF)) return JPEG;
        if (starts(file, 'I', 'I', 42, 0) || starts(file, 'M', 'M', 0, 42)) return TIFF;
        if (starts(file, 'G', 'I', 'F', '8')) return GIF;
        if (starts(file, 'B', 'M') && file.length > 26 && file[6] == 0 && file[7] == 0) return BMP;
        String head = new String(file, 0, Math.min(file.length, 1024), StandardCharsets.ISO_8859_1);
        if (head.contains("%PDF-")) return PDF;
        boolean wide = starts(file, 0xFF, 0xFE) || starts(file, 0xFE, 0xFF);
        String lower = (wide ? new String(file, 0, Math.min(file.length & ~1, 2048), StandardCharsets.UTF_16) : head).toLowerCase(Locale.ROOT);
        if (lower.contains("<!doctype html") || lower.contains("<html")) return HTML;
        return isText(file) ? TEXT : UNKNOWN;
    }

    private static FileKind container(byte[] file) {
        // Streams of the outermost folder tell; others may be objects embedded in it.
        Set<String> names = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);
        try (POIFSFileSystem container = new POIFSFileSystem(new ByteArrayInputStream(file))) {
            names.addAll(container.getRoot().getEntryNames());
        } catch (IOException | RuntimeException e) {
            org.slf4j.LoggerFactory.getLogger(FileKind.class).debug("A container is damaged", e);
            for (String name : new String[] {"EncryptedPackage", "WordDocument", "PowerPoint Document", "Workbook", "Book"})
                if (contains(file, name)) names.add(name);
        }
        if (names.contains("EncryptedPackage")) return ENCRYPTED_OFFICE;
        if (names.contains("WordDocument")) return DOC;
        if (names.contains("PowerPoint Document")) return PPT;
        return names.contains("Workbook") || names.contains("Book") ? XLS : BINARY_OFFICE;
    }

    private static FileKind archive(byte[] file) {
        if (!hasDirectory(file)) throw brokenOff(null);
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            boolean first = true;
            int entries = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null && entries++ < MOST_ENTRIES; entry = zip.getNextEntry()) {
                String name = entry.getName();
                if (first && name.equals("mimetype")) return byMediaType(new String(zip.readNBytes(200), StandardCharsets.US_ASCII).trim());
                first = false;
                if (name.equals("[Content_Types].xml")) {
                    FileKind kind = byContentTypes(new String(zip.readNBytes(1 << 20), StandardCharsets.UTF_8));
                    if (kind != ARCHIVE) return kind;
                }
                if (name.startsWith("word/")) return DOCX;
                if (name.startsWith("xl/")) return XLSX;
                if (name.startsWith("ppt/")) return PPTX;
            }
        } catch (IOException | IllegalArgumentException e) {
            throw brokenOff(e);
        }
        return ARCHIVE;
    }

    private static DecantException brokenOff(Exception cause) {
        return new DecantException(DecantException.Kind.UNREADABLE,
                "The file is damaged: it is an archive that breaks off. Ask for it again, or open an older copy.", cause);
    }

    /** Whether the record that ends an archive is there, which may be followed by a comment. */
    private static boolean hasDirectory(byte[] file) {
        for (int at = file.length - 22; at >= Math.max(0, file.length - 66_000); at--) {
            if (file[at] == 0x50 && file[at + 1] == 0x4B && file[at + 2] == 5 && file[at + 3] == 6) return true;
        }
        return false;
    }

    private static FileKind byMediaType(String type) {
        if (type.equals(KeptDocument.MEDIA_TYPE)) return KEPT;
        if (type.startsWith("application/vnd.oasis.opendocument.text")) return ODT;
        if (type.startsWith("application/vnd.oasis.opendocument.spreadsheet")) return ODS;
        if (type.startsWith("application/vnd.oasis.opendocument.presentation")) return ODP;
        return type.equals("application/epub+zip") ? EPUB : ARCHIVE;
    }

    private static FileKind byContentTypes(String types) {
        if (types.contains("wordprocessingml.template")) return DOCX_TEMPLATE;
        if (types.contains("ms-word.document.macroEnabled") || types.contains("ms-word.template.macroEnabled")) return DOCX_MACROS;
        if (types.contains("wordprocessingml.document.main")) return DOCX;
        if (types.contains("spreadsheetml")) return XLSX;
        if (types.contains("presentationml")) return PPTX;
        return ARCHIVE;
    }

    private static boolean starts(byte[] file, int... signature) {
        if (file.length < signature.length) return false;
        for (int i = 0; i < signature.length; i++) if ((file[i] & 0xFF) != signature[i]) return false;
        return true;
    }

    /** Looks for a directory name of an OLE2 container, which is written in UTF-16LE. */
    private static boolean contains(byte[] file, String name) {
        byte[] wanted = name.getBytes(StandardCharsets.UTF_16LE);
        outer:
        for (int at = 0; at <= file.length - wanted.length; at++) {
            for (int i = 0; i < wanted.length; i++) if (file[at + i] != wanted[i]) continue outer;
            return true;
        }
        return false;
    }

    /** Text has no zero bytes (unless it is UTF-16, which says so at its start) and few control characters. */
    private static boolean isText(byte[] file) {
        if (starts(file, 0xFF, 0xFE) || starts(file, 0xFE, 0xFF)) return true;
        int length = Math.min(file.length, 8192);
        int odd = 0;
        for (int i = 0; i < length; i++) {
            int b = file[i] & 0xFF;
            if (b == 0) return false;
            if (b < 32 && b != '\n' && b != '\r' && b != '\t' && b != '\f') odd++;
        }
        return odd * 50 < length;
    }
}
