package app.decant.cli;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.format.Taken;
import app.decant.words.Message;
import java.nio.charset.Charset;
import java.nio.file.Path;
import java.time.Duration;
import picocli.CommandLine.Option;

/** How documents are opened. */
final class SourceOptions {
    @Option(names = "--password", paramLabel = "P", description = "to open protected documents; typed where it is not given here", arity = "0..1",
            fallbackValue = Secret.ASK)
    private String said;

    @Option(names = "--password-from", paramLabel = "file:PATH|env:NAME", description = "read it from a file or the environment")
    private String from;

    @Option(names = "--limit", paramLabel = "SECONDS", description = "give a document up after so long (default: 600)")
    private long limit = 600;

    private String password;

    @Option(names = "--text-encoding", paramLabel = "NAME",
            description = "how the letters of plain text are written, such as windows-1252 (default: found out)")
    private Charset letters;

    /** The password, asked for once; null where none is given. */
    String password() {
        if (password == null) password = Secret.of("--password", said, from);
        return password;
    }

    Duration limit() {
        if (limit < 1) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.said("--limit is one second or more."));
        return Duration.ofSeconds(limit);
    }

    Taken open(Path file, Progress progress) { return letters == null ? Decant.open(file, password(), progress) : Decant.openText(file, letters); }
}
