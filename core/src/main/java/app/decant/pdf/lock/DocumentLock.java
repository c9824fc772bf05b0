package app.decant.pdf.lock;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import javax.crypto.Cipher;
import javax.crypto.spec.SecretKeySpec;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.DecryptionMaterial;
import org.apache.pdfbox.pdmodel.encryption.PDEncryption;
import org.apache.pdfbox.pdmodel.encryption.ProtectionPolicy;
import org.apache.pdfbox.pdmodel.encryption.SecurityHandler;
import org.apache.pdfbox.pdmodel.encryption.StandardSecurityHandler;

/**
 * Locks a file as it is written. The library's standard handler makes passwords and keys; this one adds that what is said about the document may
 * stay readable for search programs and archives (ISO 32000-2, 7.6.4.2, {@code EncryptMetadata}), and serves files in any order of objects.
 */
public final class DocumentLock extends SecurityHandler<ProtectionPolicy> {
    private final Protection protection;

    public DocumentLock(Protection protection) {
        super(protection.policy());
        this.protection = protection;
    }

    /** Has the library write a file locked. */
    public void on(PDDocument pdf) throws IOException {
        PDEncryption encryption = new PDEncryption();
        encryption.setSecurityHandler(this);
        pdf.setEncryptionDictionary(encryption);
    }

    /** Makes the keys, and the file's entry that tells how it is locked (7.6.2, table 20). */
    @Override public void prepareDocumentForEncryption(PDDocument pdf) throws IOException {
        StandardSecurityHandler standard = new StandardSecurityHandler(protection.policy());
        standard.prepareDocumentForEncryption(pdf);
        PDEncryption encryption = pdf.getEncryption();
        encryption.setSecurityHandler(this);
        setEncryptionKey(standard.getEncryptionKey());
        setKeyLength(standard.getKeyLength());
        setAES(standard.isAES());
        if (protection.metadataInClear()) leaveMetadata(pdf, encryption, standard);
    }

    private void leaveMetadata(PDDocument pdf, PDEncryption encryption, StandardSecurityHandler standard) throws IOException {
        encryption.getCOSObject().setBoolean(COSName.getPDFName("EncryptMetadata"), false);
        if (protection.strength() == Protection.Strength.AES_256) {
            encryption.setPerms(permissions(encryption.getPermissions()));
            return;
        }
        // The key and the user's entry depend on it (algorithms 2 and 5).
        byte[] password = protection.toOpen().getBytes(StandardCharsets.ISO_8859_1);
        byte[] id = ((COSString) ((COSArray) pdf.getDocument().getTrailer().getDictionaryObject(COSName.ID)).getObject(0)).getBytes();
        int length = encryption.getLength() / 8;
        setEncryptionKey(standard.computeEncryptedKey(password, encryption.getOwnerKey(), null, null, null, encryption.getPermissions(), id,
                encryption.getRevision(), length, false, false));
        encryption.setUserKey(standard.computeUserPassword(password, encryption.getOwnerKey(), encryption.getPermissions(), id, encryption.getRevision(),
                length, false));
    }

    /** Algorithm 10: the permissions once more, encrypted, with an F for what is left in the clear. */
    private byte[] permissions(int bits) throws IOException {
        byte[] block = new byte[16];
        new SecureRandom().nextBytes(block);
        for (int i = 0; i < 4; i++) block[i] = (byte) (bits >> 8 * i);
        for (int i = 4; i < 8; i++) block[i] = (byte) 0xFF;
        System.arraycopy("Fadb".getBytes(StandardCharsets.US_ASCII), 0, block, 8, 4);
        try {
            Cipher cipher = Cipher.getInstance("AES/ECB/NoPadding");
            cipher.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(getEncryptionKey(), "AES"));
            return cipher.doFinal(block);
        } catch (GeneralSecurityException e) {
            throw new IOException(e);
        }
    }

    @Override public void encryptStream(COSStream stream, long number, int generation) throws IOException {
        if (!(protection.metadataInClear() && COSName.METADATA.equals(stream.getCOSName(COSName.TYPE)))) super.encryptStream(stream, number, generation);
    }

    @Override public void prepareForDecryption(PDEncryption encryption, COSArray id, DecryptionMaterial material) {
        throw new UnsupportedOperationException("This locks only");
    }
}
