package app.decant.cli;

import app.decant.Decant;
import app.decant.document.Progress;
import app.decant.format.Taken;
import java.nio.charset.Charset;
import java.nio.file.Path;
import picocli.CommandLine.Option;

/** How documents are opened. */
final class SourceOptions {
    @Option(names = "--password", paramLabel = "P", description = "to open protected documents")
    private String password;

    @Option(names = "--text-encoding", paramLabel = "NAME", description = "how the letters of plain text are written, such as windows-1252 (default: found out)")
    private Charset letters;

    String password() { return password; }

    Taken open(Path file) { return letters == null ? Decant.open(file, password, Progress.SILENT) : Decant.openText(file, letters); }
}
