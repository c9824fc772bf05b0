package app.decant.cli;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.Progress;
import app.decant.format.Taken;
import app.decant.format.sheet.SeparatedValues;
import app.decant.format.sheet.SheetFormat;
import app.decant.sheet.Workbook;
import java.nio.charset.Charset;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Locale;
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

    @Option(names = "--separator", paramLabel = "SIGN")
    private String separator;

    @Option(names = "--decimals", paramLabel = "SIGN")
    private String decimals;

    /** The password, asked for once; null where none is given. */
    String password() {
        if (password == null) password = Secret.of("--password", said, from);
        return password;
    }

    Duration limit() {
        if (limit < 1) throw Words.wrong("option.limit");
        return Duration.ofSeconds(limit);
    }

    /** Values between separators are told from other text by their name. */
    private boolean isSeparated(Path file) {
        boolean said = separator != null || decimals != null;
        return said || letters != null && SheetFormat.CSV.endings().stream().anyMatch(ending -> String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT)
                .endsWith("." + ending));
    }

    private SeparatedValues wished() {
        boolean tab = "tab".equals(separator);
        if (separator != null && !tab && separator.length() != 1) throw Words.wrong("option.separator", separator);
        if (decimals != null && !decimals.equals(",") && !decimals.equals(".")) throw Words.wrong("option.decimals", decimals);
        return new SeparatedValues(separator == null ? null : tab ? '\t' : separator.charAt(0), decimals == null ? null : decimals.equals(","), letters);
    }

    Taken open(Path file, Progress progress) {
        if (isSeparated(file)) return Decant.openSeparated(file, wished(), progress);
        return letters == null ? Decant.open(file, password(), progress) : Decant.openText(file, letters);
    }

    /** What of a file is published. */
    Intake intake(Path file) { return isSeparated(file) ? Intake.separated(file, wished()) : new Intake(file, password(), told -> open(file, told)); }

    Workbook workbook(Path file, Progress progress) {
        return Decant.workbook(file, password(), isSeparated(file) ? wished() : SeparatedValues.AS_FOUND, progress).workbook();
    }
}
