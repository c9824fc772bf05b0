package app.decant.format;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.slf4j.LoggerFactory;

/** A file's bytes, and what formats ask of them to tell what it is; looked up once, when it is first asked for. */
public final class Content {
    private static final int MOST_ENTRIES = 5000;
    private static final int HEAD = 1024;
    private static final Pattern MEDIA_TYPE = Pattern.compile("[a-z]+/[a-z0-9.+-]+");
    private static final Pattern ENTRY = Pattern.compile("<[\\w:]*file-entry\\b[^>]*>");
    private static final Pattern WHOLE = Pattern.compile("full-path\\s*=\\s*[\"']/[\"']");
    private static final Pattern TYPE_TOLD = Pattern.compile("media-type\\s*=\\s*[\"']([^\"']*)[\"']");

    private final byte[] bytes;
    private final String name;
    private Listing listing;
    private Set<String> streams;
    private String head;

    /** What the beginning of an archive tells: the media type it names itself, its table of content types, the folder of its first document part. */
    private record Listing(String mediaType, String contentTypes, String folder) { }

    /** @param name what people call the file, for sentences; empty where that is not known */
    public Content(byte[] bytes, String name) {
        this.bytes = bytes;
        this.name = name;
    }

    /** The whole file. Not a copy: do not change it. */
    public byte[] bytes() { return bytes; }

    public String name() { return name; }

    /** The ending of its name in small letters, without its stop; empty where there is none. */
    public String ending() { return name.contains(".") ? name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT) : ""; }

    public boolean isEmpty() { return bytes.length == 0; }

    /** Whether it begins with a signature. */
    public boolean startsWith(int... signature) {
        if (bytes.length < signature.length) return false;
        for (int i = 0; i < signature.length; i++) if ((bytes[i] & 0xFF) != signature[i]) return false;
        return true;
    }

    /** Its first kilobyte, a letter for each byte. */
    public String head() {
        if (head == null) head = new String(bytes, 0, Math.min(bytes.length, HEAD), StandardCharsets.ISO_8859_1);
        return head;
    }

    /** Its beginning as text in small letters, whatever the letters are written in. */
    public String beginning() {
        boolean wide = startsWith(0xFF, 0xFE) || startsWith(0xFE, 0xFF);
        return (wide ? new String(bytes, 0, Math.min(bytes.length & ~1, 2 * HEAD), StandardCharsets.UTF_16) : head()).toLowerCase(Locale.ROOT);
    }

    public boolean isArchive() { return startsWith(0x50, 0x4B, 0x03, 0x04) || startsWith(0x50, 0x4B, 0x05, 0x06); }

    /**
     * Whether it is an archive that names a media type beginning like this one: in a part of its own, which should stand first (ISO/IEC 26300-3, 3.3;
     * OCF 3.3, 4.3) and is found elsewhere in archives packed again, or where that is missing in its manifest (26300-3, 3.4).
     */
    public boolean isOfMediaType(String begins) { return isArchive() && listing().mediaType.startsWith(begins); }

    /** Whether it is an archive whose content types (ISO/IEC 29500-2, 10.1.2) tell of this one. */
    public boolean hasContentType(String part) { return isArchive() && listing().contentTypes.contains(part); }

    /** Whether it is an archive that tells no content types, and whose first document part lies in this folder. */
    public boolean hasFolder(String folder) { return isArchive() && listing().folder.equals(folder); }

    /** Whether it is a compound file ([MS-CFB], 2.2). */
    public boolean isCompound() { return startsWith(0xD0, 0xCF, 0x11, 0xE0, 0xA1, 0xB1, 0x1A, 0xE1); }

    /** Whether it is a compound file in whose outermost folder there is a stream of this name; others may be objects embedded in it. */
    public boolean hasStream(String stream) { return isCompound() && streams().contains(stream); }

    private Set<String> streams() {
        if (streams != null) return streams;
        Set<String> names = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);
        try (POIFSFileSystem container = new POIFSFileSystem(new ByteArrayInputStream(bytes))) {
            names.addAll(container.getRoot().getEntryNames());
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(Content.class).debug("A container is damaged", e);
            for (String known : new String[] {"EncryptedPackage", "WordDocument", "PowerPoint Document", "Workbook", "Book"})
                if (contains(known)) names.add(known);
        }
        streams = names;
        return names;
    }

    /** Damaged archives are told as far as their beginning can be read. */
    private Listing listing() {
        if (listing == null) listing = list();
        return listing;
    }

    private Listing list() {
        if (!hasDirectory()) throw brokenOff(null);
        Listing[] found = {null};
        String[] told = {"", ""};
        int[] entries = {0};
        try {
            Archive.read(bytes, (name, in) -> {
                found[0] = listing(Archive.plain(name), in, told);
                return found[0] == null && ++entries[0] < MOST_ENTRIES;
            });
        } catch (IOException | IllegalArgumentException e) {
            throw brokenOff(e);
        }
        return found[0] != null ? found[0] : new Listing(mediaTypeOfWhole(told[0]), told[1], "");
    }

    /**
     * What a part tells of the whole; null where it does not.
     *
     * @param told gets the manifest, and the content types, where they tell nothing yet
     */
    private static Listing listing(String part, InputStream in, String[] told) throws IOException {
        if (part.equals("mimetype")) {
            String named = new String(in.readNBytes(200), StandardCharsets.US_ASCII).trim();
            if (MEDIA_TYPE.matcher(named).lookingAt()) return new Listing(named, "", "");
        }
        if (part.equals("META-INF/manifest.xml")) told[0] = new String(in.readNBytes(1 << 20), StandardCharsets.UTF_8);
        if (part.equalsIgnoreCase("[Content_Types].xml")) {
            told[1] = new String(in.readNBytes(1 << 20), StandardCharsets.UTF_8);
            for (String kind : List.of("wordprocessingml", "macroEnabled", "spreadsheetml", "presentationml"))
                if (told[1].contains(kind)) return new Listing("", told[1], "");
        }
        for (String folder : List.of("word", "xl", "ppt"))
            if (part.regionMatches(true, 0, folder + "/", 0, folder.length() + 1)) return new Listing("", "", folder);
        return null;
    }

    /** The media type that a manifest tells of the archive as a whole; empty where it tells none. */
    private static String mediaTypeOfWhole(String manifest) {
        return ENTRY.matcher(manifest).results().map(MatchResult::group).filter(entry -> WHOLE.matcher(entry).find())
                .map(TYPE_TOLD::matcher).filter(Matcher::find).map(told -> told.group(1)).findFirst().orElse("");
    }

    private static DecantException brokenOff(Exception cause) {
        return new DecantException(DecantException.Kind.UNREADABLE, Message.of("format.the-file-is-damaged"), cause);
    }

    /** Whether the record that ends an archive is there, which may be followed by a comment. */
    private boolean hasDirectory() {
        for (int at = bytes.length - 22; at >= Math.max(0, bytes.length - 66_000); at--) {
            if (bytes[at] == 0x50 && bytes[at + 1] == 0x4B && bytes[at + 2] == 5 && bytes[at + 3] == 6) return true;
        }
        return false;
    }

    /** Looks for a directory name of a compound file, which is written in UTF-16LE. */
    private boolean contains(String stream) {
        byte[] wanted = stream.getBytes(StandardCharsets.UTF_16LE);
        outer:
        for (int at = 0; at <= bytes.length - wanted.length; at++) {
            for (int i = 0; i < wanted.length; i++) if (bytes[at + i] != wanted[i]) continue outer;
            return true;
        }
        return false;
    }

    /** Whether it is text: no zero bytes (unless it is UTF-16, which says so at its start) and few control characters. */
    public boolean isText() {
        if (startsWith(0xFF, 0xFE) || startsWith(0xFE, 0xFF)) return true;
        int length = Math.min(bytes.length, 8192);
        int odd = 0;
        for (int i = 0; i < length; i++) {
            int b = bytes[i] & 0xFF;
            if (b == 0) return false;
            if (b < 32 && b != '\n' && b != '\r' && b != '\t' && b != '\f') odd++;
        }
        return odd * 50 < length;
    }
}
