package app.decant.sheet;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.EnumSet;
import java.util.Set;

/**
 * What may be done to a sheet that is locked against changes (ISO/IEC 29500-1, 18.3.1.85). It keeps nobody from reading.
 *
 * @param key      what its password is held to, or null where none is needed
 * @param shortKey the same as older files tell it, in 15 bits; 0 for none
 * @param allowed  what may be done all the same
 */
public record SheetLock(Key key, int shortKey, Set<Allowed> allowed) {
    /** What readers of such files let people do unless it is said: to pick cells. */
    public static final Set<Allowed> USUAL = Set.of(Allowed.PICK_LOCKED, Allowed.PICK_OPEN);

    /** So often is a digest made anew; files of one's own say 100,000. */
    private static final int MOST_ROUNDS = 1_000_000;

    public SheetLock { allowed = allowed.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(allowed)); }

    /** Whether a password is needed to open it. */
    public boolean hasPassword() { return key != null || shortKey != 0; }

    /**
     * Whether it opens with a password: its digest with the salt, made anew as often as the file says (18.3.1.85), or the fifteen bits of older files.
     *
     * @throws IllegalArgumentException where the digest is of a kind that is not known here, or would take for ever
     */
    public boolean opensWith(String password) {
        if (key != null && key.isOpenDocument()) return key.isOf(password);
        if (key != null && key.rounds() > MOST_ROUNDS) throw new IllegalArgumentException(key.rounds() + " rounds");
        if (key == null) return shortKey == 0 || shortKey == short15(password);
        try {
            MessageDigest digest = MessageDigest.getInstance(key.algorithm());
            digest.update(Base64.getDecoder().decode(key.salt()));
            byte[] hash = digest.digest(password.getBytes(StandardCharsets.UTF_16LE));
            for (int i = 0; i < key.rounds(); i++) {
                digest.update(hash);
                hash = digest.digest(ByteBuffer.allocate(Integer.BYTES).order(ByteOrder.LITTLE_ENDIAN).putInt(i).array());
            }
            return MessageDigest.isEqual(hash, Base64.getDecoder().decode(key.digest()));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalArgumentException(key.algorithm(), e);
        }
    }

    /** ISO/IEC 29500-4, 14.7.1: letter by letter from the last, turned in fifteen bits. */
    private static int short15(String password) {
        int hash = 0;
        for (int i = password.length() - 1; i >= 0; i--) hash = turned(hash) ^ password.charAt(i);
        return turned(hash) ^ password.length() ^ 0xCE4B;
    }

    private static int turned(int hash) { return hash << 1 & 0x7FFF | hash >> 14 & 1; }

    /**
     * A digest of the password, its salt and how often it was made anew, as files tell them.
     *
     * @param algorithm by its name, or in OpenDocument by its address (ISO/IEC 26300-1, 19.699), where it has no salt and is made once
     */
    public record Key(String algorithm, String digest, String salt, int rounds) {
        /** Whether it is told as in OpenDocument, which other formats can't. */
        public boolean isOpenDocument() { return algorithm.startsWith("http"); }

        /** Programs differ in how they write the letters before they are digested: common practice, no source. */
        private boolean isOf(String password) {
            String name = algorithm.endsWith("#sha256") ? "SHA-256" : algorithm.endsWith("#sha1") ? "SHA-1" : null;
            if (name == null) throw new IllegalArgumentException(algorithm);
            byte[] wanted = Base64.getDecoder().decode(digest);
            try {
                MessageDigest made = MessageDigest.getInstance(name);
                return MessageDigest.isEqual(made.digest(password.getBytes(StandardCharsets.UTF_8)), wanted)
                        || MessageDigest.isEqual(made.digest(password.getBytes(StandardCharsets.UTF_16LE)), wanted);
            } catch (NoSuchAlgorithmException e) {
                throw new IllegalArgumentException(algorithm, e);
            }
        }
    }

    /** What may be allowed. */
    public enum Allowed {
        PICK_LOCKED, PICK_OPEN, FORMAT_CELLS, FORMAT_COLUMNS, FORMAT_ROWS, INSERT_COLUMNS, INSERT_ROWS, INSERT_LINKS, DELETE_COLUMNS, DELETE_ROWS, SORT,
                FILTER,
        PIVOT, OBJECTS, SCENARIOS
    }
}
