package app.decant.document;

import app.decant.words.Message;

/** Everything that can go wrong in a way the person at the desk should hear of. The message is a sentence for them, with the next step. */
public final class DecantException extends RuntimeException {
    private static final long serialVersionUID = 1;
    private final Kind kind;
    private final transient Message message;

    /** What went wrong, for programs. */
    public enum Kind { UNREADABLE, NEEDS_PASSWORD, NOT_PERMITTED, TARGET_LOCKED, TARGET_EXISTS, UNSUPPORTED, CANCELLED, GIVEN_UP, WRONG_CALL, NOT_PROVEN,
            UNFORESEEN }

    public DecantException(Kind kind, Message message) { this(kind, message, null); }

    public DecantException(Kind kind, Message message, Throwable cause) {
        super(message.toString(), cause);
        this.kind = kind;
        this.message = message;
    }

    /** What is said, as a value; after a journey through a stream, its words. */
    public Message message() { return message == null ? Message.said(getMessage()) : message; }

    public Kind kind() { return kind; }
}
