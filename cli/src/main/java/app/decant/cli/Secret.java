package app.decant.cli;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.Console;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Where a password comes from: said with the option, typed at the terminal, or for scripts from a file or the environment. An empty one is none. */
final class Secret {
    /** What an option holds that was given without a password. */
    static final String ASK = "\u0000ask";

    private Secret() { }

    /**
     * @param option how it is called, for sentences
     * @param said   with the option itself; {@link #ASK} where it is to be typed; null where the option was not given
     * @param from   {@code file:PATH} or {@code env:NAME}, or null
     * @return the password, or null where none is wished
     * @throws DecantException where one is wished and there is none
     */
    static String of(String option, String said, String from) {
        if (said != null && from != null) throw wrong(option + " is given twice; give the password, or where it is to be read.");
        String password = from != null ? read(option, from) : ASK.equals(said) ? typed(option) : said;
        if (password != null && password.isEmpty()) throw wrong(option + " is given without a password. Give one, or leave the option out.");
        return password;
    }

    private static String typed(String option) {
        Console console = System.console();
        if (console == null) throw wrong(option + " is given without a password, and there is no terminal to type it at. Give one, or say with " + option
                + "-from where it is.");
        char[] typed = console.readPassword("%s: ", option);
        return typed == null ? "" : new String(typed);
    }

    private static String read(String option, String from) {
        if (from.startsWith("env:")) {
            String value = System.getenv(from.substring(4));
            if (value == null) throw wrong("The environment has no " + from.substring(4) + ", which " + option + "-from names.");
            return value;
        }
        if (!from.startsWith("file:")) throw wrong(option + "-from takes file:PATH or env:NAME.");
        Path file = Path.of(from.substring(5));
        try {
            // Editors end a file with a line end; it is no part of the password.
            return Files.readString(file).replaceFirst("\\r?\\n\\z", "");
        } catch (IOException e) {
            throw new DecantException(Kind.WRONG_CALL, Message.said(file + ", which " + option + "-from names, can't be read as text."), e);
        }
    }

    private static DecantException wrong(String sentence) { return new DecantException(Kind.WRONG_CALL, Message.said(sentence)); }
}
