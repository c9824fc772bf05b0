package app.decant.document;

/**
 * Something a person should know about what was read, laid out or published.
 *
 * @param weight how bad it is
 * @param what   a sentence
 * @param where  where it is, in words, or empty; a page number is added by whoever knows the pages
 */
public record Finding(Weight weight, String what, String where) {
    /** Nothing lost; changed a little; lost. */
    public enum Weight { NOTE, CHANGED, LOST }

    public static Finding note(String what, String where) { return new Finding(Weight.NOTE, what, where); }
    public static Finding changed(String what, String where) { return new Finding(Weight.CHANGED, what, where); }
    public static Finding lost(String what, String where) { return new Finding(Weight.LOST, what, where); }
}
