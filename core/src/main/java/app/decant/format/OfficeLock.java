package app.decant.format;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.security.GeneralSecurityException;
import org.apache.poi.poifs.crypt.Decryptor;
import org.apache.poi.poifs.crypt.EncryptionInfo;
import org.apache.poi.poifs.crypt.EncryptionMode;
import org.apache.poi.poifs.crypt.Encryptor;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/** Locks and unlocks Office Open XML files by a password (MS-OFFCRYPTO, agile and standard encryption). */
public final class OfficeLock {
    private OfficeLock() { }

    /**
     * What a locked file holds. One whose structure alone is protected is locked by a password that every reader knows (common
     * practice, no source): it opens without asking.
     *
     * @param password or null
     * @throws DecantException where the password is missing or wrong
     */
    public static byte[] unlocked(byte[] file, String name, String password) {
        try (POIFSFileSystem container = new POIFSFileSystem(new ByteArrayInputStream(file))) {
            Decryptor decryptor = Decryptor.getInstance(new EncryptionInfo(container));
            boolean open = decryptor.verifyPassword(Decryptor.DEFAULT_PASSWORD);
            if (!open && password == null) throw new DecantException(Kind.NEEDS_PASSWORD, Message.of("format.is-protected-by-a-password-to-open", name));
            if (!open && !decryptor.verifyPassword(password))
                throw new DecantException(Kind.NEEDS_PASSWORD, Message.of("format.this-is-not-the-password-of-look", name));
            try (InputStream in = decryptor.getDataStream(container)) {
                return in.readAllBytes();
            }
        } catch (IOException | GeneralSecurityException | RuntimeException e) {
            if (e instanceof DecantException told) throw told;
            throw new DecantException(Kind.UNREADABLE, Message.of("format.is-protected-in-a-way", name), e);
        }
    }

    /** The same file, which opens with the password only: agile encryption with AES; of an OpenDocument file, part by part. */
    public static byte[] locked(byte[] file, String password) {
        if (OpenDocumentLock.isOpenDocument(file)) return OpenDocumentLock.locked(file, password);
        try (POIFSFileSystem container = new POIFSFileSystem()) {
            Encryptor encryptor = new EncryptionInfo(EncryptionMode.agile).getEncryptor();
            encryptor.confirmPassword(password);
            try (OutputStream out = encryptor.getDataStream(container)) {
                out.write(file);
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            container.writeFilesystem(bytes);
            return bytes.toByteArray();
        } catch (IOException | GeneralSecurityException e) {
            throw new DecantException(Kind.UNSUPPORTED, Message.of("format.the-file-cannot-be-locked"), e);
        }
    }
}
