package app.decant.cli;

import app.decant.Decant;
import app.decant.document.DecantException.Kind;
import app.decant.document.Progress;
import app.decant.folder.FolderJournal;
import app.decant.folder.FolderLog;
import app.decant.folder.FolderPlan;
import app.decant.folder.FolderRun;
import app.decant.folder.FolderScan;
import app.decant.folder.FolderWatch;
import app.decant.publish.Recipe;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
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
@Command(name = "folder", mixinStandardHelpOptions = true)
final class FolderCommand implements Callable<Integer> {
    @Parameters(arity = "1..*", paramLabel = "FOLDER")
    private List<String> sources;

    @Option(names = "--into", paramLabel = "DIR")
    private Path into;

    @Mixin private RecipeOptions options;

    @Option(names = "--also", paramLabel = "RECIPE|FORMAT")
    private List<String> also = List.of();

    @Option(names = "--password", paramLabel = "P")
    private List<String> said = List.of();

    @Option(names = "--password-from", paramLabel = "file:PATH|env:NAME")
    private String keyFrom;

    @Option(names = "--kinds", paramLabel = "LIST", split = ",")
    private List<String> kinds = List.of("text", "pdf", "sheet");

    @Option(names = "--pattern", paramLabel = "GLOB")
    private List<String> patterns = List.of();

    @Option(names = "--flat")
    private boolean flat;

    @Option(names = "--there", paramLabel = "keep-both|newer|replace|skip")
    private String there = "keep-both";

    @Option(names = "--again")
    private boolean again;

    @Option(names = "--keep-times")
    private boolean keepTimes;

    @Option(names = "--limit", paramLabel = "SECONDS")
    private long limit = 600;

    @Option(names = "--faith", paramLabel = "0-100")
    private double faith;

    @Option(names = "--part", paramLabel = "I/N")
    private String part = "1/1";

    @Option(names = "--log", paramLabel = "FILE")
    private Path log;

    @Option(names = "--dry-run")
    private boolean dry;

    @Option(names = "--resume")
    private boolean resume;

    @Option(names = "--watch")
    private boolean watch;

    @Option(names = "--done-into", paramLabel = "NAME")
    private String doneInto;

    @Option(names = "--json")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override public Integer call() {
        FolderPlan plan = plan();
        List<String> keys = new ArrayList<>(said);
        String read = Secret.of("--password", null, keyFrom);
        if (read != null) keys.add(read);
        if (keys.contains("")) throw Words.wrong("password.empty", "--password");
        for (Map.Entry<String, Recipe> output : plan.outputs()) output.getValue().refuseContradictions(options.passwords());
        Path journals = plan.sources().get(0).target();
        PrintWriter err = spec.commandLine().getErr();
        if (watch) {
            err.println(Words.of("folder.watching"));
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
        Object words = entry.words().isEmpty() ? "" : entry.words().get(0);
        return switch (entry.state()) {
            case DONE -> Words.of("folder.line.done", entry.source(), entry.target());
            case WANTS_LOOK -> Words.of("folder.line.wants-look", entry.source(), entry.target(), Math.round(entry.faith()));
            case SKIPPED -> Words.of("folder.line.skipped", entry.source(), words).strip();
            case FAILED -> Words.of("folder.line.failed", entry.source(), words).strip();
        };
    }

    private int tell(FolderPlan plan, FolderScan scan) {
        FolderScan.Expectation expected = scan.expected(plan.again() ? List.of() : FolderJournal.known(plan.sources().get(0).target()), Runtime.getRuntime()
                .availableProcessors());
        if (!json) {
            spec.commandLine().getErr().println(scan.summary());
            for (FolderScan.LeftOut one : scan.leftOut()) spec.commandLine().getErr().println("  " + Words.of("folder.left-out", one.file(), one.reason()));
            if (!scan.items().isEmpty()) spec.commandLine().getErr().println("  " + expected.sentence());
            long free = FolderScan.free(plan.sources().get(0).target());
            if (free >= 0) spec.commandLine().getErr().println("  " + Words.of("folder.expected.free", Long.toString(free / 1_000_000)));
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
        for (String kind : kinds) wanted.add(RecipeOptions.value(FolderPlan.Kind.class, "--kinds", kind.trim()));
        List<FolderPlan.Source> all = new ArrayList<>();
        for (String source : sources) {
            int equals = source.indexOf('=');
            Path from = Path.of(equals < 0 ? source : source.substring(0, equals));
            if (equals < 0 && into == null) throw Words.wrong("folder.into");
            Path target = equals < 0 ? sources.size() > 1 ? into.resolve(from.toAbsolutePath().normalize().getFileName()) : into
                    : Path.of(source.substring(equals + 1));
            all.add(new FolderPlan.Source(from, target, !flat, wanted, patterns));
        }
        if (!part.matches("[1-9]\\d{0,3}/[1-9]\\d{0,3}")) throw Words.wrong("folder.part");
        int which = Integer.parseInt(part.split("/")[0]);
        int parts = Integer.parseInt(part.split("/")[1]);
        if (which > parts) throw Words.wrong("folder.part.beyond", part);
        return new FolderPlan(all, outputs, RecipeOptions.value(FolderPlan.WhenThere.class, "--there", there), again, keepTimes,
                Duration.ofSeconds(Math.max(1, limit)), faith, which, parts);
    }
}
