package app.decant.sheet;

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

    public SheetLock { allowed = allowed.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(allowed)); }

    /** Whether a password is needed to open it. */
    public boolean hasPassword() { return key != null || shortKey != 0; }

    /** A digest of the password, its salt and how often it was made anew, as files tell them. */
    public record Key(String algorithm, String digest, String salt, int rounds) { }

    /** What may be allowed. */
    public enum Allowed {
        PICK_LOCKED, PICK_OPEN, FORMAT_CELLS, FORMAT_COLUMNS, FORMAT_ROWS, INSERT_COLUMNS, INSERT_ROWS, INSERT_LINKS, DELETE_COLUMNS, DELETE_ROWS, SORT,
                FILTER,
        PIVOT, OBJECTS, SCENARIOS
    }
}
