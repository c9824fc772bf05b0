package app.decant.document;

import app.decant.words.Message;

/** Hears how far long work has come, and can stop it. */
@FunctionalInterface
public interface Progress {
    /** Hears nothing, stops nothing. */
    Progress SILENT = (done, total, what) -> true;

    /**
     * @param done  so much is done
     * @param total of so much; 0 where that is not known
     * @param what  what is being done, in a word or two
     * @return whether to go on
     */
    boolean goOn(int done, int total, Message what);

    /** Reports, and stops the work with {@link DecantException.Kind#CANCELLED} where that is wished. */
    default void step(int done, int total, Message what) {
        if (!goOn(done, total, what)) throw new DecantException(DecantException.Kind.CANCELLED, Message.of("document.stopped-nothing-was-changed"));
    }
}
