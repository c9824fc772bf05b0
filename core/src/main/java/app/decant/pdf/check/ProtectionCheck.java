package app.decant.pdf.check;

import app.decant.pdf.check.PdfCheck.Proof;
import app.decant.pdf.lock.Protection.Permission;
import app.decant.pdf.lock.Protection;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;

/** Tries a locked file as the people will who get it: with each password, with a wrong one, and looks what it lets them do. */
public final class ProtectionCheck {
    private ProtectionCheck() { }

    static List<Proof> check(Path file, Protection protection) throws IOException {
        List<Proof> proofs = new ArrayList<>();
        boolean asks = !protection.toOpen().isEmpty();
        if (asks) {
            boolean shut = isShut(file, "") && isShut(file, wrong(protection.toOpen()));
            proofs.add(new Proof(Message.of("check.opens-without-its-password", shut), shut));
        }
        try (PDDocument pdf = Loader.loadPDF(file.toFile(), protection.toOpen())) {
            if (pdf.getEncryption() == null) return List.of(new Proof(Message.of("check.it-is-not-encrypted"), false));
            Set<Permission> granted = Protection.granted(pdf.getCurrentAccessPermission());
            boolean same = granted.equals(protection.allowed());
            proofs.add(new Proof(Message.of("check.allows-instead-of-what-was-chosen", same, asks, granted), same));
            int bits = pdf.getEncryption().getLength();
            boolean strong = protection.strength() == Protection.Strength.RC4_40 || bits >= protection.strength().bits();
            proofs.add(new Proof(Message.of("check.encrypted-with-bits", bits), strong));
            boolean clear = !pdf.getEncryption().isEncryptMetaData();
            if (clear || protection.metadataInClear())
                proofs.add(new Proof(Message.of("check.its-facts-are-locked-as-well", clear), clear == protection.metadataInClear()));
        }
        try (PDDocument pdf = Loader.loadPDF(file.toFile(), protection.toChange())) {
            boolean owner = pdf.getCurrentAccessPermission().isOwnerPermission();
            proofs.add(new Proof(Message.of("check.the-owner-password-does-not-allow-everything", owner), owner));
        }
        return proofs;
    }

    /** Another password of the same length: one that is longer might count as the same, since only so many bytes count. */
    private static String wrong(String password) { return (password.charAt(0) == 'x' ? "y" : "x") + password.substring(1); }

    /**
     * Whether a file of an earlier run asks for just these passwords.
     *
     * @param toChange the owner's; empty where nobody knows it
     */
    public static boolean opensAsWished(Path file, String toOpen, String toChange) throws IOException {
        if (isShut(file, toOpen) || !toOpen.isEmpty() && !isShut(file, "")) return false;
        if (toChange.isEmpty()) return true;
        try (PDDocument pdf = Loader.loadPDF(file.toFile(), toChange)) {
            return pdf.getCurrentAccessPermission().isOwnerPermission();
        } catch (InvalidPasswordException e) {
            return false;
        }
    }

    private static boolean isShut(Path file, String password) throws IOException {
        try (PDDocument opened = Loader.loadPDF(file.toFile(), password)) {
            return opened == null;
        } catch (InvalidPasswordException e) {
            return true;
        }
    }
}
