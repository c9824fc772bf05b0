package app.decant.document;

import app.decant.words.Message;

/**
 * Something a person should know about what was read, laid out or published.
 *
 * @param weight  how bad it is
 * @param message a sentence
 * @param place   where it is, null where that is not known or all of it; a page number is added by whoever knows the pages
 */
public record Finding(Weight weight, Message message, Message place) {
    /** Nothing lost; changed a little; lost. */
    public enum Weight { NOTE, CHANGED, LOST }

    public static Finding note(Message message) { return new Finding(Weight.NOTE, message, null); }
    public static Finding changed(Message message) { return new Finding(Weight.CHANGED, message, null); }
    public static Finding lost(Message message) { return new Finding(Weight.LOST, message, null); }

    /** The same, at a place. */
    public Finding at(Message where) { return new Finding(weight, message, where); }

    /** @param page from 0 */
    public static Message page(int page) { return Message.of("place.page", page + 1); }

    /** The sentence in words. */
    public String what() { return message.toString(); }

    /** The place in words, or empty. */
    public String where() { return place == null ? "" : place.toString(); }
}
