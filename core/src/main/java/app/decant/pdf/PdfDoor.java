package app.decant.pdf;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;

/** Opens PDFs that come from outside, and says in a sentence why one can't be. */
public final class PdfDoor {
    private static final byte[] SIGNATURE = "%PDF-".getBytes(StandardCharsets.US_ASCII);
    private static final byte[] HEADER = "%PDF-1.7\n".getBytes(StandardCharsets.US_ASCII);
    /** Readers look for the header, and for the end, so far into a file, in bytes: common practice. What stands in front of it is no longer than a letter. */
    private static final int HEAD = 1024;
    private static final int FRONT = 1 << 16;
    private static final Pattern OBJECT = Pattern.compile("\\b\\d+\\s+\\d+\\s+obj\\b");

    private PdfDoor() { }

    /** Whether a file is a PDF that has lost its header (ISO 32000-2, 7.5.2), or has so much in front of it that readers don't see it. */
    public static boolean isHidden(byte[] bytes) {
        String tail = text(bytes, Math.max(0, bytes.length - HEAD), bytes.length);
        if (!tail.contains("startxref") || !tail.contains("%%EOF")) return false;
        return header(bytes) >= 0 || OBJECT.matcher(text(bytes, 0, Math.min(bytes.length, HEAD))).find();
    }

    private static String text(byte[] bytes, int from, int to) { return new String(bytes, from, to - from, StandardCharsets.ISO_8859_1); }

    /** Where a file begins to be a PDF; -1 where that is not told. */
    private static int header(byte[] bytes) {
        int last = Math.min(bytes.length, FRONT) - SIGNATURE.length;
        for (int at = 0; at <= last; at++) if (Arrays.equals(bytes, at, at + SIGNATURE.length, SIGNATURE, 0, SIGNATURE.length)) return at;
        return -1;
    }

    /** The file as all readers know it. */
    private static byte[] headed(byte[] bytes) {
        int at = header(bytes);
        if (at >= 0) return at < HEAD ? bytes : Arrays.copyOfRange(bytes, at, bytes.length);
        byte[] headed = Arrays.copyOf(HEADER, HEADER.length + bytes.length);
        System.arraycopy(bytes, 0, headed, HEADER.length, bytes.length);
        return headed;
    }

    /**
     * Opens a PDF.
     *
     * @param name     what people call it
     * @param password for a protected file, or null
     * @throws DecantException where it is no PDF, is damaged, or is locked
     */
    public static PDDocument open(byte[] bytes, String name, String password) {
        StandInFonts.use();
        try {
            PDDocument pdf = Loader.loadPDF(headed(bytes), password == null ? "" : password);
            PageCounts.mend(pdf);
            return pdf;
        } catch (InvalidPasswordException e) {
            throw new DecantException(Kind.NEEDS_PASSWORD, Message.of("pdf.this-is-not-the-password-of-look", password == null, name), e);
        } catch (LinkageError e) {
            // Locks by certificate ask for a library that is not brought along.
            throw lockedOtherwise(name, e);
        } catch (IOException | RuntimeException e) {
            if (String.valueOf(e.getMessage()).contains("ecurity handler")) throw lockedOtherwise(name, e);
            throw new DecantException(Kind.UNREADABLE, Message.of("pdf.is-damaged-no-pages-can-be-found", name), e);
        }
    }

    private static DecantException lockedOtherwise(String name, Throwable cause) {
        return new DecantException(Kind.UNSUPPORTED, Message.of("pdf.is-locked-for-the-holders-of-certain", name), cause);
    }
}
