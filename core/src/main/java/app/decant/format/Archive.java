package app.decant.format;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.slf4j.LoggerFactory;

/** Archives that documents are kept in: unpacked within the bounds of real ones, packed the same way every time. */
public final class Archive {
    private static final LocalDateTime NO_TIME = LocalDateTime.of(1980, 1, 2, 0, 0);
    private static final int MOST_PARTS = 20_000;
    private static final long MOST_BYTES = 1L << 30;
    /** Up to here a file may unpack whatever its size; beyond, no real document shrinks by more than the ratio. */
    private static final long FREE_BYTES = 64L << 20;
    private static final int MOST_RATIO = 150;

    private Archive() { }

    /** Takes the files of an archive one by one, each while it can be read; says whether it wants more. */
    @FunctionalInterface
    interface Taking {
        boolean take(String name, InputStream in) throws IOException;
    }

    /**
     * The parts by their names, without a slash in front.
     *
     * @throws DecantException where it is damaged or expands without end
     */
    public static Map<String, byte[]> parts(byte[] file) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        long[] total = {0};
        try {
            read(file, (name, in) -> {
                byte[] bytes = unpacked(in, total[0], file.length);
                total[0] += bytes.length;
                if (parts.size() > MOST_PARTS) throw tooLarge();
                parts.put(plain(name), bytes);
                return true;
            });
        } catch (IOException | IllegalArgumentException e) {
            if (parts.isEmpty()) throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("format.the-file-is-damaged-its-archive"), e);
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("format.the-file-is-damaged-its-archive-breaks", parts.size()), e);
        }
        return parts;
    }

    /**
     * Reads the files of an archive as they stand in it, as its directory tells them (ISO/IEC 21320-1; APPNOTE 4.3.12); where that can't be read, one
     * behind another as they tell themselves.
     */
    static void read(byte[] file, Taking taking) throws IOException {
        ZipFile whole = null;
        try {
            whole = ZipFile.builder().setByteArray(file).setIgnoreLocalFileHeader(true).get();
        } catch (IOException | IllegalArgumentException e) {
            LoggerFactory.getLogger(Archive.class).debug("The directory of an archive can't be read", e);
        }
        if (whole == null) {
            readInOrder(file, taking);
            return;
        }
        try (ZipFile zip = whole) {
            for (ZipArchiveEntry entry : Collections.list(zip.getEntriesInPhysicalOrder())) {
                if (entry.isDirectory()) continue;
                try (InputStream in = zip.getInputStream(entry)) {
                    if (!taking.take(entry.getName(), in)) return;
                }
            }
        }
    }

    private static void readInOrder(byte[] file, Taking taking) throws IOException {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                if (!entry.isDirectory() && !taking.take(entry.getName(), zip)) return;
        }
    }

    /** Packs parts in their order. The kind of the archive, where that is told, stands first and is not compressed (ISO/IEC 26300-3, 3.3; OCF 3.3, 4.3). */
    public static byte[] packed(String kind, Map<String, byte[]> parts) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Packing archive = packing(kind, bytes)) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) archive.part(part.getKey()).write(part.getValue());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** The same, part by part while they are written. */
    public static Packing packing(String kind, OutputStream out) throws IOException { return new Packing(kind, out); }

    /** An archive that is being packed. Closing it ends the archive and leaves the stream beneath open. */
    public static final class Packing implements Closeable {
        private final ZipOutputStream zip;

        private Packing(String kind, OutputStream out) throws IOException {
            zip = new ZipOutputStream(out);
            if (kind == null) return;
            stored("mimetype", kind.getBytes(StandardCharsets.US_ASCII));
        }

        /** Puts a part in as it is, not compressed. */
        public void stored(String name, byte[] bytes) throws IOException {
            ZipEntry entry = entry(name);
            CRC32 sum = new CRC32();
            sum.update(bytes);
            entry.setMethod(ZipEntry.STORED);
            entry.setSize(bytes.length);
            entry.setCrc(sum.getValue());
            zip.putNextEntry(entry);
            zip.write(bytes);
        }

        /** Begins a part and ends the one before; what is written to the stream is in it until the next begins. */
        public OutputStream part(String name) throws IOException {
            zip.putNextEntry(entry(name));
            return zip;
        }

        @Override public void close() throws IOException { zip.finish(); }
    }

    /** All entries have one time, so that the same document gives the same bytes. */
    private static ZipEntry entry(String name) {
        ZipEntry entry = new ZipEntry(name);
        entry.setTimeLocal(NO_TIME);
        return entry;
    }

    private static byte[] unpacked(InputStream zip, long before, long packed) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] chunk = new byte[1 << 16];
        for (int read = zip.read(chunk); read >= 0; read = zip.read(chunk)) {
            out.write(chunk, 0, read);
            long total = before + out.size();
            if (total > MOST_BYTES || total > FREE_BYTES && total / MOST_RATIO > packed) throw tooLarge();
        }
        return out.toByteArray();
    }

    private static DecantException tooLarge() {
        return new DecantException(DecantException.Kind.UNREADABLE, Message.of("format.the-file-unpacks-to-far-more-than"));
    }

    /** A part's name as archives should have it. */
    public static String plain(String name) {
        String forward = name.replace('\\', '/');
        return forward.startsWith("/") ? forward.substring(1) : forward;
    }
}
