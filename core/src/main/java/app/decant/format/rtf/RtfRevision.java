package app.decant.format.rtf;

import app.decant.document.TrackedChange;
import app.decant.format.OfficeTime;

/**
 * What words say of tracked changes (RTF 1.9.1, "Track Changes"): authors by their numbers in the table of those who revised.
 *
 * @param time    as the words tell it
 */
record RtfRevision(boolean inserted, int author, int time, boolean deleted, int deletedBy, int deletedAt) {
    static final RtfRevision NONE = new RtfRevision(false, 0, 0, false, 0, 0);

    RtfRevision with(String word, int value, boolean on) {
        return switch (word) {
            case "revised" -> new RtfRevision(on, author, time, deleted, deletedBy, deletedAt);
            case "revauth" -> new RtfRevision(inserted, value, time, deleted, deletedBy, deletedAt);
            case "revdttm" -> new RtfRevision(inserted, author, value, deleted, deletedBy, deletedAt);
            case "deleted" -> new RtfRevision(inserted, author, time, on, deletedBy, deletedAt);
            case "revauthdel" -> new RtfRevision(inserted, author, time, deleted, value, deletedAt);
            case "revdttmdel" -> new RtfRevision(inserted, author, time, deleted, deletedBy, value);
            default -> this;
        };
    }

    /** The change, authors told by their numbers; null where there is none. */
    TrackedChange change() {
        if (!inserted && !deleted) return null;
        return new TrackedChange(inserted ? new TrackedChange.Mark(String.valueOf(author), OfficeTime.of(time)) : null,
                deleted ? new TrackedChange.Mark(String.valueOf(deletedBy), OfficeTime.of(deletedAt)) : null);
    }
}
