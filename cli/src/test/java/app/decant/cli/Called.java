package app.decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** What a call gave, made as a script makes it: exit status, standard output, standard error. */
record Called(int status, String out, String err) {
    static Called of(Object... arguments) {
        PrintStream out = System.out;
        PrintStream err = System.err;
        ByteArrayOutputStream newOut = new ByteArrayOutputStream();
        ByteArrayOutputStream newErr = new ByteArrayOutputStream();
        try {
            System.setOut(new PrintStream(newOut, true, StandardCharsets.UTF_8));
            System.setErr(new PrintStream(newErr, true, StandardCharsets.UTF_8));
            String[] words = Arrays.stream(arguments).map(Object::toString).toArray(String[]::new);
            return new Called(Main.run(words), newOut.toString(StandardCharsets.UTF_8), newErr.toString(StandardCharsets.UTF_8));
        } finally {
            System.setOut(out);
            System.setErr(err);
        }
    }

    /** The same, where it ended as expected. */
    Called ended(int expected) {
        assertThat(status).as("%s%s", out, err).isEqualTo(expected);
        return this;
    }

    JsonNode json() throws IOException { return new ObjectMapper().readTree(out); }
}
