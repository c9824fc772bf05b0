package app.decant.cli;

import app.decant.document.DecantException;
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
        if (said != null && from != null) throw Words.wrong("password.twice", option);
        String password = from != null ? read(option, from) : ASK.equals(said) ? typed(option) : said;
        if (password != null && password.isEmpty()) throw Words.wrong("password.empty", option);
        return password;
    }

    private static String typed(String option) {
        Console console = System.console();
        if (console == null) throw Words.wrong("password.no-terminal", option);
        char[] typed = console.readPassword("%s: ", option);
        return typed == null ? "" : new String(typed);
    }

    private static String read(String option, String from) {
        if (from.startsWith("env:")) {
            String value = System.getenv(from.substring(4));
            if (value == null) throw Words.wrong("password.environment", from.substring(4), option);
            return value;
        }
        if (!from.startsWith("file:")) throw Words.wrong("password.from", option);
        Path file = Path.of(from.substring(5));
        try {
            // Editors end a file with a line end; it is no part of the password.
            return Files.readString(file).replaceFirst("\\r?\\n\\z", "");
        } catch (IOException e) {
            throw Words.wrong(e, "password.unreadable", file, option);
        }
    }
}
