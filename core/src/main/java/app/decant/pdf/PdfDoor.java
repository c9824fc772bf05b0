package app.decant.pdf;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.IOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;

/** Opens PDFs that come from outside, and says in a sentence why one can't be. */
public final class PdfDoor {
    private PdfDoor() { }

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
            PDDocument pdf = Loader.loadPDF(bytes, password == null ? "" : password);
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
