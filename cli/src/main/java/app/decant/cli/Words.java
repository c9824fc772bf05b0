package app.decant.cli;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import app.decant.words.Sentences;

/** All sentences of the command line, from one bundle; what options are for stands in {@code options.properties}, where the parser of calls reads it. */
final class Words {
    private static final Sentences SENTENCES = new Sentences("app.decant.cli.words");

    private Words() { }

    /** The words of a key, with {@code {0}}, {@code {1}} filled in: numbers as counts, all else as its text. */
    static String of(String key, Object... values) {
        Object[] plain = values.clone();
        for (int i = 0; i < plain.length; i++) if (!(plain[i] instanceof Number)) plain[i] = String.valueOf(plain[i]);
        return SENTENCES.say(key, plain);
    }

    /** A call that can't be done as it is said. */
    static DecantException wrong(String key, Object... values) { return new DecantException(Kind.WRONG_CALL, Message.said(of(key, values))); }

    /** As {@link #wrong(String, Object...)}, where something else led to it. */
    static DecantException wrong(Throwable cause, String key, Object... values) {
        return new DecantException(Kind.WRONG_CALL, Message.said(of(key, values)), cause);
    }
}
