package app.decant.format;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Base64;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;
import javax.crypto.Cipher;
import javax.crypto.Mac;
import javax.crypto.spec.IvParameterSpec;
import javax.crypto.spec.SecretKeySpec;

/**
 * Locks and unlocks OpenDocument files by a password (ISO/IEC 26300-3, 3.4): each part by itself, packed and then encrypted, with what opens it in the
 * manifest. Read by AES with 256 bits and by the older Blowfish, written by AES.
 */
public final class OpenDocumentLock {
    private static final String KIND = "mimetype";
    private static final String MANIFEST = "META-INF/manifest.xml";
    private static final String AES = "http://www.w3.org/2001/04/xmlenc#aes256-cbc";
    private static final String SHA256 = "http://www.w3.org/2000/09/xmldsig#sha256";
    private static final String CHECKSUM = "urn:oasis:names:tc:opendocument:xmlns:manifest:1.0#sha256-1k";
    private static final int ROUNDS = 100_000;
    /** Files that ask for more are meant to keep a machine busy. */
    private static final int MOST_ROUNDS = 2_000_000;
    private static final int LOOKED_AT = 1024;
    private static final int MOST_BYTES = 1 << 30;
    private static final int BLOCK = 16;
    /** A part's head and its name end before this, and what kind of file it is begins. */
    private static final int FIRST_PART = 128;
    private static final SecureRandom RANDOM = new SecureRandom();

    private OpenDocumentLock() { }

    /** Whether a file says where such files say it, in the bytes of its first part, that it is one (ISO/IEC 26300-3, 3.3). */
    static boolean isOpenDocument(byte[] file) {
        return new String(file, 0, Math.min(file.length, FIRST_PART), StandardCharsets.ISO_8859_1).contains(KIND + "application/vnd.oasis.opendocument");
    }

    /** Whether any part is locked. */
    public static boolean isLocked(Map<String, byte[]> parts) {
        byte[] manifest = parts.get(MANIFEST);
        return manifest != null && XmlReader.tree(manifest, MANIFEST).children().stream().anyMatch(entry -> entry.child("manifest:encryption-data") != null);
    }

    /**
     * The parts of a file as they are when it is opened; those given where nothing is locked.
     *
     * @throws DecantException where the password is missing or wrong, or the file is locked in a way that is not known here
     */
    public static Map<String, byte[]> unlocked(Map<String, byte[]> parts, String name, String password, Progress progress) {
        if (!isLocked(parts)) return parts;
        if (password == null) throw new DecantException(Kind.NEEDS_PASSWORD, Message.of("format.is-protected-by-a-password-to-open", name));
        Map<String, byte[]> open = new LinkedHashMap<>(parts);
        try {
            long room = MOST_BYTES;
            Map<String, byte[]> keys = new HashMap<>();
            for (XmlNode entry : XmlReader.tree(parts.get(MANIFEST), MANIFEST).children()) {
                XmlNode told = entry.child("manifest:encryption-data");
                String part = Archive.plain(entry.get("manifest:full-path", ""));
                if (told == null || !parts.containsKey(part)) continue;
                progress.step(0, 0, Message.of("step.reading"));
                byte[] packed = decrypted(parts.get(part), told, password, keys);
                if (!fits(packed, told)) throw new DecantException(Kind.NEEDS_PASSWORD, Message.of("format.this-is-not-the-password-of-look", name));
                byte[] plain = unpacked(packed, room);
                room -= plain.length;
                open.put(part, plain);
            }
        } catch (GeneralSecurityException | DataFormatException | IllegalArgumentException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("format.is-protected-in-a-way", name), e);
        }
        return open;
    }

    private static byte[] decrypted(byte[] bytes, XmlNode told, String password, Map<String, byte[]> keys) throws GeneralSecurityException {
        XmlNode algorithm = needed(told, "manifest:algorithm");
        XmlNode derivation = needed(told, "manifest:key-derivation");
        boolean aes = algorithm.get("manifest:algorithm-name", "").equals(AES);
        if (!aes && !algorithm.get("manifest:algorithm-name", "").toLowerCase(Locale.ROOT).contains("blowfish"))
            throw new GeneralSecurityException("Another way of locking: " + algorithm.get("manifest:algorithm-name", ""));
        String way = derivation.get("manifest:key-derivation-name", "PBKDF2");
        if (!way.toLowerCase(Locale.ROOT).endsWith("pbkdf2")) throw new GeneralSecurityException("Another way to a key: " + way);
        XmlNode start = told.child("manifest:start-key-generation");
        String digest = start != null && start.get("manifest:start-key-generation-name", "").endsWith("sha256") ? "SHA-256" : "SHA-1";
        byte[] first = MessageDigest.getInstance(digest).digest(password.getBytes(StandardCharsets.UTF_8));
        int rounds = number(derivation, "manifest:iteration-count", 1024, MOST_ROUNDS);
        int size = number(derivation, "manifest:key-size", aes ? 32 : 16, 64);
        // Parts that share what they are salted with share the slow way to their key.
        String shared = String.join(" ", derivation.get("manifest:salt", ""), digest, Integer.toString(rounds), Integer.toString(size));
        byte[] key = keys.get(shared);
        if (key == null) keys.put(shared, key = key(first, bytes(derivation, "manifest:salt"), rounds, size));
        byte[] vector = bytes(algorithm, "manifest:initialisation-vector");
        Cipher cipher = Cipher.getInstance(aes ? "AES/CBC/NoPadding" : "Blowfish/CFB/NoPadding");
        cipher.init(Cipher.DECRYPT_MODE, new SecretKeySpec(key, aes ? "AES" : "Blowfish"), new IvParameterSpec(vector));
        byte[] plain = cipher.doFinal(bytes);
        if (!aes || plain.length == 0) return plain;
        // The last byte says how many were added (XML Encryption, 5.2).
        int added = plain[plain.length - 1] & 0xFF;
        return added < 1 || added > BLOCK || added > plain.length ? plain : Arrays.copyOf(plain, plain.length - added);
    }

    private static XmlNode needed(XmlNode node, String name) throws GeneralSecurityException {
        if (node.child(name) == null) throw new GeneralSecurityException("Nothing says " + name);
        return node.child(name);
    }

    private static byte[] bytes(XmlNode node, String name) { return Base64.getMimeDecoder().decode(node.get(name, "")); }

    private static int number(XmlNode node, String name, int otherwise, int most) throws GeneralSecurityException {
        String told = node.get(name, Integer.toString(otherwise));
        if (!told.matches("\\d{1,9}") || Integer.parseInt(told) < 1 || Integer.parseInt(told) > most) throw new GeneralSecurityException(name + " is " + told);
        return Integer.parseInt(told);
    }

    /** Whether the beginning of what came of it is what the manifest says (3.8.3). */
    private static boolean fits(byte[] packed, XmlNode told) throws GeneralSecurityException {
        String kind = told.get("manifest:checksum-type", "").toLowerCase(Locale.ROOT);
        byte[] sum = bytes(told, "manifest:checksum");
        if (sum.length == 0) return true;
        MessageDigest digest = MessageDigest.getInstance(kind.contains("sha256") ? "SHA-256" : "SHA-1");
        digest.update(packed, 0, kind.contains("1k") ? Math.min(LOOKED_AT, packed.length) : packed.length);
        return Arrays.equals(digest.digest(), sum);
    }

    /** PBKDF2 by HMAC with SHA-1 (RFC 8018, 5.2), of bytes instead of letters: what the library has takes letters only. */
    static byte[] key(byte[] password, byte[] salt, int rounds, int size) throws GeneralSecurityException {
        Mac mac = Mac.getInstance("HmacSHA1");
        mac.init(new SecretKeySpec(password, "HmacSHA1"));
        byte[] key = new byte[size];
        int at = 0;
        for (int block = 1; at < size; block++) {
            mac.update(salt);
            byte[] last = mac.doFinal(ByteBuffer.allocate(4).putInt(block).array());
            byte[] sum = last.clone();
            for (int round = 1; round < rounds; round++) {
                last = mac.doFinal(last);
                for (int i = 0; i < sum.length; i++) sum[i] ^= last[i];
            }
            int count = Math.min(sum.length, size - at);
            System.arraycopy(sum, 0, key, at, count);
            at += count;
        }
        return key;
    }

    private static byte[] unpacked(byte[] packed, long room) throws DataFormatException {
        Inflater inflater = new Inflater(true);
        try {
            inflater.setInput(packed);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            byte[] chunk = new byte[1 << 16];
            while (!inflater.finished()) {
                int count = inflater.inflate(chunk);
                if (count == 0 && (inflater.needsInput() || inflater.needsDictionary())) break;
                out.write(chunk, 0, count);
                if (out.size() > room) throw new DataFormatException("Without end");
            }
            return out.toByteArray();
        } finally {
            inflater.end();
        }
    }

    /** The same file, which opens with the password only. */
    public static byte[] locked(byte[] file, String password) {
        Map<String, byte[]> parts = Archive.parts(file);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Archive.Packing archive = Archive.packing(new String(parts.get(KIND), StandardCharsets.US_ASCII), bytes)) {
            Map<String, Locked> made = new LinkedHashMap<>();
            byte[] first = MessageDigest.getInstance("SHA-256").digest(password.getBytes(StandardCharsets.UTF_8));
            // One salt for all, each part with a beginning of its own: what makes a key slow is done once.
            byte[] salt = random(BLOCK);
            byte[] key = key(first, salt, ROUNDS, 32);
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                if (part.getKey().equals(KIND) || part.getKey().startsWith("META-INF/")) continue;
                Locked locked = Locked.of(part.getValue(), key);
                made.put(part.getKey(), locked);
                archive.stored(part.getKey(), locked.bytes);
            }
            archive.part(MANIFEST).write(manifest(XmlReader.tree(parts.get(MANIFEST), MANIFEST), made, salt));
        } catch (GeneralSecurityException e) {
            throw new DecantException(Kind.UNSUPPORTED, Message.of("format.the-file-cannot-be-locked"), e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private record Locked(byte[] bytes, byte[] vector, byte[] checksum, int size) {
        static Locked of(byte[] plain, byte[] key) throws GeneralSecurityException {
            Deflater deflater = new Deflater(Deflater.DEFAULT_COMPRESSION, true);
            deflater.setInput(plain);
            deflater.finish();
            ByteArrayOutputStream packed = new ByteArrayOutputStream();
            byte[] chunk = new byte[1 << 16];
            while (!deflater.finished()) packed.write(chunk, 0, deflater.deflate(chunk));
            deflater.end();
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            digest.update(packed.toByteArray(), 0, Math.min(LOOKED_AT, packed.size()));
            int added = BLOCK - packed.size() % BLOCK;
            byte[] padding = random(added);
            padding[added - 1] = (byte) added;
            packed.writeBytes(padding);
            byte[] vector = random(BLOCK);
            Cipher cipher = Cipher.getInstance("AES/CBC/NoPadding");
            cipher.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(key, "AES"), new IvParameterSpec(vector));
            return new Locked(cipher.doFinal(packed.toByteArray()), vector, digest.digest(), plain.length);
        }
    }

    private static byte[] random(int count) {
        byte[] bytes = new byte[count];
        RANDOM.nextBytes(bytes);
        return bytes;
    }

    private static byte[] manifest(XmlNode plain, Map<String, Locked> made, byte[] salt) {
        Base64.Encoder encoder = Base64.getEncoder();
        XmlWriter xml = new XmlWriter();
        xml.open("manifest:manifest", "xmlns:manifest", "urn:oasis:names:tc:opendocument:xmlns:manifest:1.0", "manifest:version", "1.2");
        Map<String, String> kinds = new LinkedHashMap<>();
        for (XmlNode entry : plain.children("manifest:file-entry")) kinds.put(entry.get("manifest:full-path", ""), entry.get("manifest:media-type", ""));
        // What is locked without a word in here would never open again.
        made.keySet().forEach(path -> kinds.putIfAbsent(path, ""));
        for (Map.Entry<String, String> kind : kinds.entrySet()) {
            String path = kind.getKey();
            Locked locked = made.get(path);
            xml.open("manifest:file-entry", "manifest:full-path", path, "manifest:version", path.equals("/") ? "1.2" : null, "manifest:media-type",
                    kind.getValue(), "manifest:size", locked == null ? null : locked.size);
            if (locked != null) {
                xml.open("manifest:encryption-data", "manifest:checksum-type", CHECKSUM, "manifest:checksum", encoder.encodeToString(locked.checksum));
                xml.leaf("manifest:algorithm", "manifest:algorithm-name", AES, "manifest:initialisation-vector", encoder.encodeToString(locked.vector));
                xml.leaf("manifest:key-derivation", "manifest:key-derivation-name", "PBKDF2", "manifest:key-size", "32", "manifest:iteration-count", ROUNDS,
                        "manifest:salt", encoder.encodeToString(salt));
                xml.leaf("manifest:start-key-generation", "manifest:start-key-generation-name", SHA256, "manifest:key-size", "32");
                xml.close();
            }
            xml.close();
        }
        return xml.close().bytes();
    }
}
