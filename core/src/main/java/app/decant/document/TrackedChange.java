package app.decant.document;

import java.time.Instant;

/**
 * That text, the end of a paragraph or a row was put in or taken out and nobody has settled it yet (ISO/IEC 29500-1, 17.13.5; ISO/IEC 26300-1, 5.5).
 *
 * @param insertion who put it in; null where it stood before
 * @param deletion  who took it out; null where it stays
 */
public record TrackedChange(Mark insertion, Mark deletion) {
    public TrackedChange {
        if (insertion == null && deletion == null) throw new IllegalArgumentException("Somebody put it in or took it out");
    }

    /**
     * Who did something, and when.
     *
     * @param author empty where the file does not say
     * @param when   null where the file does not say
     */
    public record Mark(String author, Instant when) {
        public Mark { author = author == null ? "" : author; }
    }

    public static TrackedChange inserted(String author, Instant when) { return new TrackedChange(new Mark(author, when), null); }
    public static TrackedChange deleted(String author, Instant when) { return new TrackedChange(null, new Mark(author, when)); }

    /** Joins what is said around something with what is said of it: what was put in may be taken out again. */
    public TrackedChange within(TrackedChange around) {
        if (around == null) return this;
        return new TrackedChange(insertion != null ? insertion : around.insertion, deletion != null ? deletion : around.deletion);
    }

    public boolean isDeletion() { return deletion != null; }

    /** Whoever touched it last. */
    public Mark mark() { return deletion != null ? deletion : insertion; }

    /** Whether it is still there once everything is accepted, or everything rejected. */
    public boolean stays(boolean accepted) { return accepted ? deletion == null : insertion == null; }
}
