package app.decant.pdf.lock;

import java.security.SecureRandom;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;

/**
 * Passwords and what is allowed without the owner's (ISO 32000-2, 7.6). Passwords live here only while a file is written; they are no part of a
 * kept recipe.
 *
 * @param strength      how the file is encrypted; {@code NONE} leaves it open
 * @param toOpen        the password that opens it, or empty
 * @param toChange      the owner's password; empty where one is to be made up
 * @param allowed       what may be done without the owner's password
 * @param metadataInClear whether what is said about the document stays readable, for search programs and archives (7.6.4.2)
 */
public record Protection(Strength strength, String toOpen, String toChange, Set<Permission> allowed, boolean metadataInClear) {
    private static final String SIGNS = "ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnpqrstuvwxyz23456789";
    public static final Protection NONE = new Protection(Strength.NONE, "", "", EnumSet.allOf(Permission.class), false);

    public Protection {
        toOpen = toOpen == null ? "" : toOpen;
        toChange = toChange == null ? "" : toChange;
        allowed = Collections.unmodifiableSet(allowed.isEmpty() ? EnumSet.noneOf(Permission.class) : EnumSet.copyOf(allowed));
    }

    /** How strongly a file is encrypted. The first two are weak by today's measure and only for readers from before 2004. */
    public enum Strength {
        NONE(0, 1.4f), RC4_40(40, 1.4f), RC4_128(128, 1.4f), AES_128(128, 1.6f), AES_256(256, 2.0f);

        private final int bits;
        private final float version;

        Strength(int bits, float version) {
            this.bits = bits;
            this.version = version;
        }

        public int bits() { return bits; }
        /** The PDF version that first knew it. */
        public float version() { return version; }
        public boolean isWeak() { return this == RC4_40 || this == RC4_128; }
        /** Passwords are at most so many bytes (7.6.4.3.2 and 7.6.4.3.3). */
        public int longest() { return this == AES_256 ? 127 : 32; }
    }

    /** What can be allowed or not: the bits of ISO 32000-2, table 22. */
    public enum Permission { PRINT, PRINT_FINE, CHANGE, COPY, COMMENT, FILL_FORMS, READ_ALOUD, ASSEMBLE }

    /** A password nobody knows. */
    public static String unguessable() {
        SecureRandom random = new SecureRandom();
        StringBuilder password = new StringBuilder();
        for (int i = 0; i < 24; i++) password.append(SIGNS.charAt(random.nextInt(SIGNS.length())));
        return password.toString();
    }

    public boolean isOn() { return strength != Strength.NONE; }

    /** The bits as PDFBox sets them. */
    AccessPermission permissions() {
        AccessPermission access = new AccessPermission() {
            /**
             * Decides over the revision of a file of 40 bits (ISO 32000-1, table 21): the second knows four things only, each of which allows another as
             * well.
             */
            @Override protected boolean hasAnyRevision3PermissionSet() { return !fitsRevision2(); }
        };
        access.setCanPrint(allowed.contains(Permission.PRINT));
        access.setCanPrintFaithful(allowed.contains(Permission.PRINT_FINE));
        access.setCanModify(allowed.contains(Permission.CHANGE));
        access.setCanExtractContent(allowed.contains(Permission.COPY));
        access.setCanModifyAnnotations(allowed.contains(Permission.COMMENT));
        access.setCanFillInForm(allowed.contains(Permission.FILL_FORMS));
        access.setCanExtractForAccessibility(allowed.contains(Permission.READ_ALOUD));
        access.setCanAssembleDocument(allowed.contains(Permission.ASSEMBLE));
        return access;
    }

    private boolean fitsRevision2() {
        return allowed.containsAll(EnumSet.of(Permission.PRINT_FINE, Permission.FILL_FORMS, Permission.READ_ALOUD, Permission.ASSEMBLE))
                && allowed.containsAll(EnumSet.of(Permission.PRINT, Permission.COMMENT, Permission.COPY, Permission.CHANGE));
    }

    /** The same as a policy for writing. */
    StandardProtectionPolicy policy() {
        StandardProtectionPolicy policy = new StandardProtectionPolicy(toChange, toOpen, permissions());
        policy.setEncryptionKeyLength(strength.bits());
        policy.setPreferAES(!strength.isWeak());
        return policy;
    }

    /** Which of the permissions an opened file grants. */
    public static Set<Permission> granted(AccessPermission access) {
        Set<Permission> granted = EnumSet.noneOf(Permission.class);
        if (access.canPrint()) granted.add(Permission.PRINT);
        if (access.canPrintFaithful()) granted.add(Permission.PRINT_FINE);
        if (access.canModify()) granted.add(Permission.CHANGE);
        if (access.canExtractContent()) granted.add(Permission.COPY);
        if (access.canModifyAnnotations()) granted.add(Permission.COMMENT);
        if (access.canFillInForm()) granted.add(Permission.FILL_FORMS);
        if (access.canExtractForAccessibility()) granted.add(Permission.READ_ALOUD);
        if (access.canAssembleDocument()) granted.add(Permission.ASSEMBLE);
        return granted;
    }

    /** Says nothing of its passwords. */
    @Override public String toString() {
        return "Protection[" + strength + ", " + (toOpen.isEmpty() ? "opens freely" : "password to open") + ", " + allowed
                + (metadataInClear ? ", facts in the clear" : "") + "]";
    }
}
