package app.decant.pdf;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
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
            return Loader.loadPDF(bytes, password == null ? "" : password);
        } catch (InvalidPasswordException e) {
            throw new DecantException(Kind.NEEDS_PASSWORD, password == null ? name + " is protected by a password to open. Give the password and try again."
                    : "This is not the password of " + name + ". Look for capital letters and try again.", e);
        } catch (LinkageError e) {
            // Locks by certificate ask for a library that is not brought along.
            throw lockedOtherwise(name, e);
        } catch (IOException | RuntimeException e) {
            if (String.valueOf(e.getMessage()).contains("ecurity handler")) throw lockedOtherwise(name, e);
            throw new DecantException(Kind.UNREADABLE, name + " is damaged: no pages can be found in it. Ask for it again, or open an older copy.", e);
        }
    }

    private static DecantException lockedOtherwise(String name, Throwable cause) {
        return new DecantException(Kind.UNSUPPORTED,
                name + " is locked for the holders of certain certificates, or in another way that can't be undone here. Ask its sender for a copy that "
                + "opens with a password, or with none.", cause);
    }
}
