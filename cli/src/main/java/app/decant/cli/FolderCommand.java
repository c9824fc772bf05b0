package app.decant.cli;

import app.decant.Decant;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.folder.FolderJournal;
import app.decant.folder.FolderLog;
import app.decant.folder.FolderPlan;
import app.decant.folder.FolderRun;
import app.decant.folder.FolderScan;
import app.decant.folder.FolderWatch;
import app.decant.publish.Recipe;
import app.decant.words.Message;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Does whole folders. */
@Command(name = "folder", description = "Makes the files of whole folders, mirrored into a target; goes on where an earlier run broke off.",
        mixinStandardHelpOptions = true)
final class FolderCommand implements Callable<Integer> {
    @Parameters(arity = "1..*", paramLabel = "FOLDER", description = "where files come from; SOURCE=TARGET gives one a target of its own")
    private List<String> sources;

    @Option(names = "--into", paramLabel = "DIR", description = "where results go")
    private Path into;

    @Mixin private RecipeOptions options;

    @Option(names = "--also", paramLabel = "RECIPE|FORMAT", description = "make another result of each file as well; may be given several times")
    private List<String> also = List.of();

    @Option(names = "--password", paramLabel = "P", description = "tried on protected documents; may be given several times")
    private List<String> said = List.of();

    @Option(names = "--password-from", paramLabel = "file:PATH|env:NAME", description = "read one from a file or the environment")
    private String keyFrom;

    @Option(names = "--kinds", paramLabel = "LIST", split = ",", description = "text, template, pdf, sheet, picture (default: text,pdf,sheet)")
    private List<String> kinds = List.of("text", "pdf", "sheet");

    @Option(names = "--pattern", paramLabel = "GLOB", description = "only files of such a name, such as *.doc; may be given several times")
    private List<String> patterns = List.of();

    @Option(names = "--flat", description = "leave out the folders below")
    private boolean flat;

    @Option(names = "--there", paramLabel = "keep-both|newer|replace|skip", description = "when a result is there already (default: keep-both)")
    private String there = "keep-both";

    @Option(names = "--again", description = "make anew what an earlier run has made of the same files")
    private boolean again;

    @Option(names = "--keep-times", description = "results get the times of their originals")
    private boolean keepTimes;

    @Option(names = "--limit", paramLabel = "SECONDS", description = "give a file up after so long (default: 600)")
    private long limit = 600;

    @Option(names = "--faith", paramLabel = "0-100", description = "score each result; what is below this wants a look")
    private double faith;

    @Option(names = "--part", paramLabel = "I/N", description = "only this of N parts, such as 3/8")
    private String part = "1/1";

    @Option(names = "--log", paramLabel = "FILE", description = "write the log: .odt, .html, .csv or .json")
    private Path log;

    @Option(names = "--dry-run", description = "say what would be done, and do nothing")
    private boolean dry;

    @Option(names = "--resume", description = "go on where an earlier run broke off; this is done anyway")
    private boolean resume;

    @Option(names = "--watch", description = "stay, and make what comes into the folders")
    private boolean watch;

    @Option(names = "--done-into", paramLabel = "NAME", description = "with --watch: move sources that are done into a folder of this name below theirs")
    private String doneInto;

    @Option(names = "--json", description = "print one JSON value to standard output")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override public Integer call() {
        FolderPlan plan = plan();
        List<String> keys = new ArrayList<>(said);
        String read = Secret.of("--password", null, keyFrom);
        if (read != null) keys.add(read);
        if (keys.contains("")) throw wrong("--password is given without a password. Give one, or leave the option out.");
        for (Map.Entry<String, Recipe> output : plan.outputs()) output.getValue().refuseContradictions(options.passwords());
        Path journals = plan.sources().get(0).target();
        PrintWriter err = spec.commandLine().getErr();
        if (watch) {
            err.println("Watching; end it with Ctrl C.");
            new FolderWatch(plan, doneInto, (asked, listener) -> Decant.folderRun(asked, keys, options.passwords(), listener))
                    .run(journals, entry -> err.println(line(entry)), () -> !Thread.currentThread().isInterrupted());
            return Main.DONE;
        }
        FolderScan scan = FolderScan.of(plan, Progress.SILENT);
        if (dry) return tell(plan, scan);
        List<FolderJournal.Entry> entries;
        try (FolderJournal journal = FolderJournal.open(journals, plan.part(), plan.parts())) {
            entries = Decant.folderRun(plan, keys, options.passwords(), new FolderRun.Listener() {
                @Override public void ended(FolderJournal.Entry entry, int done, int total) {
                    if (!json) err.println(done + "/" + total + "  " + line(entry));
                }
            }).run(scan, journal);
        }
        Instant when = Instant.now();
        if (log != null) FolderLog.write(entries, scan, when, log.toAbsolutePath());
        if (json) spec.commandLine().getOut().println(FolderLog.json(entries, scan.leftOut(), when).strip());
        else err.println(FolderRun.summary(entries));
        return entries.stream().anyMatch(entry -> entry.state() == FolderJournal.State.FAILED) ? Main.FAILED : Main.DONE;
    }

    private static String line(FolderJournal.Entry entry) {
        String words = entry.words().isEmpty() ? "" : "  " + entry.words().get(0);
        return switch (entry.state()) {
            case DONE -> entry.source() + " → " + entry.target();
            case WANTS_LOOK -> entry.source() + " → " + entry.target() + "  wants a look, faith " + Math.round(entry.faith());
            case SKIPPED -> entry.source() + "  skipped" + words;
            case FAILED -> entry.source() + "  failed" + words;
        };
    }

    private int tell(FolderPlan plan, FolderScan scan) {
        FolderScan.Expectation expected = scan.expected(plan.again() ? List.of() : FolderJournal.known(plan.sources().get(0).target()), Runtime.getRuntime()
                .availableProcessors());
        if (!json) {
            spec.commandLine().getErr().println(scan.summary());
            for (FolderScan.LeftOut one : scan.leftOut()) spec.commandLine().getErr().println("  left out: " + one.file() + "  " + one.reason());
            if (!scan.items().isEmpty()) spec.commandLine().getErr().println("  " + expected.sentence());
            long free = FolderScan.free(plan.sources().get(0).target());
            if (free >= 0) spec.commandLine().getErr().println("  " + free / 1_000_000 + " MB are free where results go.");
            return Main.DONE;
        }
        ObjectNode root = Json.object().put("summary", scan.summary()).put("bytes", scan.bytes()).put("expectedSeconds", expected.seconds())
                .put("expectedBytes", expected.bytes()).put("free", FolderScan.free(plan.sources().get(0).target()));
        ArrayNode items = root.putArray("items");
        for (FolderScan.Item item : scan.items())
            items.addObject().put("source", item.source().toString()).put("target", item.target().toString()).put("bytes", item.bytes());
        ArrayNode out = root.putArray("leftOut");
        for (FolderScan.LeftOut one : scan.leftOut()) out.addObject().put("file", one.file().toString()).put("reason", one.reason());
        spec.commandLine().getOut().println(Json.text(root));
        return Main.DONE;
    }

    private FolderPlan plan() {
        Recipe recipe = options.recipe(null);
        List<Map.Entry<String, Recipe>> outputs = new ArrayList<>(List.of(Map.entry("", recipe)));
        for (String one : also) outputs.add(Map.entry(one, RecipeOptions.another(one, recipe)));
        Set<FolderPlan.Kind> wanted = EnumSet.noneOf(FolderPlan.Kind.class);
        for (String kind : kinds) wanted.add(value(FolderPlan.Kind.class, "--kinds", kind.trim()));
        List<FolderPlan.Source> all = new ArrayList<>();
        for (String source : sources) {
            int equals = source.indexOf('=');
            Path from = Path.of(equals < 0 ? source : source.substring(0, equals));
            if (equals < 0 && into == null) throw wrong("Where shall the results go? Give --into DIR, or SOURCE=TARGET.");
            Path target = equals < 0 ? sources.size() > 1 ? into.resolve(from.toAbsolutePath().normalize().getFileName()) : into
                    : Path.of(source.substring(equals + 1));
            all.add(new FolderPlan.Source(from, target, !flat, wanted, patterns));
        }
        if (!part.matches("[1-9]\\d{0,3}/[1-9]\\d{0,3}")) throw wrong("--part takes which of how many, such as 3/8.");
        int which = Integer.parseInt(part.split("/")[0]);
        int parts = Integer.parseInt(part.split("/")[1]);
        if (which > parts) throw wrong("--part " + part + " asks for a part that is not there.");
        return new FolderPlan(all, outputs, value(FolderPlan.WhenThere.class, "--there", there), again, keepTimes, Duration.ofSeconds(Math.max(1, limit)),
                faith, which, parts);
    }

    private static <T extends Enum<T>> T value(Class<T> kind, String option, String text) {
        for (T one : kind.getEnumConstants()) if (one.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(text.toLowerCase(Locale.ROOT))) return one;
        throw wrong("“" + text + "” is nothing that " + option + " can be.");
    }

    private static DecantException wrong(String sentence) { return new DecantException(Kind.WRONG_CALL, Message.said(sentence)); }
}
