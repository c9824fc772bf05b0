package app.decant.cli;

import app.decant.Decant;
import app.decant.document.Progress;
import app.decant.format.Taken;
import java.nio.charset.Charset;
import java.nio.file.Path;
import java.time.Duration;
import picocli.CommandLine.Option;

/** How documents are opened. */
final class SourceOptions {
    @Option(names = "--password", paramLabel = "P", arity = "0..1", fallbackValue = Secret.ASK)
    private String said;

    @Option(names = "--password-from", paramLabel = "file:PATH|env:NAME")
    private String from;

    @Option(names = "--limit", paramLabel = "SECONDS")
    private long limit = 600;

    private String password;

    @Option(names = "--text-encoding", paramLabel = "NAME")
    private Charset letters;

    /** The password, asked for once; null where none is given. */
    String password() {
        if (password == null) password = Secret.of("--password", said, from);
        return password;
    }

    Duration limit() {
        if (limit < 1) throw Words.wrong("option.limit");
        return Duration.ofSeconds(limit);
    }

    Taken open(Path file, Progress progress) { return letters == null ? Decant.open(file, password(), progress) : Decant.openText(file, letters); }
}
