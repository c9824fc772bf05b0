package app.decant.document;

/** Everything that can go wrong in a way the person at the desk should hear of. The message is a sentence for them, with the next step. */
public final class DecantException extends RuntimeException {
    private static final long serialVersionUID = 1;
    private final Kind kind;

    /** What went wrong, for programs. */
    public enum Kind { UNREADABLE, NEEDS_PASSWORD, NOT_PERMITTED, TARGET_LOCKED, TARGET_EXISTS, UNSUPPORTED, CANCELLED, GIVEN_UP, WRONG_CALL, NOT_PROVEN,
            UNFORESEEN }

    public DecantException(Kind kind, String sentence) { this(kind, sentence, null); }

    public DecantException(Kind kind, String sentence, Throwable cause) {
        super(sentence, cause);
        this.kind = kind;
    }

    public Kind kind() { return kind; }
}
