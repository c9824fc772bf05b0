package app.decant.cli;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.Taken;
import app.decant.outbox.MailOutbox;
import app.decant.pdf.check.PdfCheck;
import app.decant.publish.Delivery;
import app.decant.publish.Guard;
import app.decant.publish.Order;
import app.decant.publish.Output;
import app.decant.publish.PublishQueue;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.publish.Target;
import app.decant.publish.TimeLimit;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import org.slf4j.LoggerFactory;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Publishes files, each by itself: one that fails stops no other. */
@Command(name = "publish", mixinStandardHelpOptions = true)
final class PublishCommand implements Callable<Integer> {
    @Parameters(arity = "1..*", paramLabel = "FILE")
    private List<Path> files;

    @Option(names = "--out", paramLabel = "FILE|DIR")
    private Path out;

    @Mixin private RecipeOptions options;

    @Mixin private SourceOptions source;

    @Option(names = "--also", paramLabel = "RECIPE|FORMAT")
    private List<String> also = List.of();

    @Option(names = "--receipt", paramLabel = "FILE")
    private Path receiptFile;

    @Option(names = "--queue")
    private boolean wait;

    @Option(names = "--mail-to", paramLabel = "ADDRESS", split = ",")
    private List<String> mailTo = List.of();

    @Option(names = "--mail-only")
    private boolean mailOnly;

    @Option(names = "--json")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override public Integer call() {
        boolean outIsFolder = out != null && (Files.isDirectory(out) || files.size() > 1 || out.toString().endsWith("/"));
        Target named = out == null || outIsFolder ? null : Target.of(ending(out));
        Recipe recipe = options.recipe(named);
        if (named != null && named != recipe.target()) {
            throw Words.wrong("publish.out", named.ending(), recipe.target().words(), recipe.target().ending());
        }
        recipe.refuseContradictions(options.passwords());
        if (mailOnly && mailTo.isEmpty()) throw Words.wrong("publish.mail-only");
        MailOutbox.refuseWrong(mailTo);
        if (receiptFile != null && files.size() > 1)
            throw Words.wrong("publish.receipt", files.size());
        ArrayNode results = Json.array();
        Set<Kind> failed = EnumSet.noneOf(Kind.class);
        for (Path file : files) {
            ObjectNode result = results.addObject();
            result.put("source", file.toString());
            try {
                publish(file, place(file, outIsFolder, recipe.target()), recipe, result);
            } catch (DecantException e) {
                if (e.kind() == Kind.UNFORESEEN) LoggerFactory.getLogger(PublishCommand.class).error("Unforeseen, at {}", file, e);
                else LoggerFactory.getLogger(PublishCommand.class).info("{}", e.getMessage(), e);
                failed.add(e.kind());
                String told = e.getMessage().startsWith("It ") || e.kind() == Kind.UNFORESEEN ? file.getFileName() + ": " + e.getMessage() : e.getMessage();
                result.put("done", false).put("kind", e.kind().name().toLowerCase(Locale.ROOT)).put("message", told);
                spec.commandLine().getErr().println(told);
            }
        }
        if (json) spec.commandLine().getOut().println(Json.text(results));
        if (failed.isEmpty()) return Main.DONE;
        return failed.equals(Set.of(Kind.WRONG_CALL)) ? Main.WRONG_CALL : Main.FAILED;
    }

    private static String ending(Path file) {
        String name = file.getFileName().toString();
        return name.substring(name.lastIndexOf('.') + 1);
    }

    private Path place(Path file, boolean folder, Target target) {
        String renamed = SafeFile.withoutEnding(String.valueOf(file.getFileName())) + "." + target.ending();
        if (out == null) return file.toAbsolutePath().resolveSibling(renamed);
        return folder ? out.resolve(renamed) : out;
    }

    private List<Map.Entry<String, Recipe>> recipes(Recipe recipe) {
        List<Map.Entry<String, Recipe>> recipes = new ArrayList<>(List.of(Map.entry("", recipe)));
        for (String one : also) recipes.add(Map.entry(one, RecipeOptions.another(one, recipe)));
        return recipes;
    }

    private void publish(Path file, Path target, Recipe recipe, ObjectNode result) {
        List<Map.Entry<String, Recipe>> recipes = recipes(recipe);
        for (Map.Entry<String, Recipe> one : recipes) one.getValue().refuseContradictions(options.passwords());
        List<Path> names = Output.names(target, recipes);
        Delivery delivery = new Delivery(mailTo, mailOnly, receiptFile);
        String password = source.password();
        if (wait) {
            Taken taken = TimeLimit.run(source.limit(), Progress.SILENT, (gate, progress) -> source.open(file, progress));
            List<PublishQueue.Wish> wishes = new ArrayList<>();
            for (int i = 0; i < names.size(); i++) wishes.add(new PublishQueue.Wish(recipes.get(i).getValue(), names.get(i)));
            PublishQueue.Waiting waiting = Decant.queue(taken.document(), file.getFileName().toString(), file, password, wishes, delivery);
            result.put("waiting", waiting.place().getFileName().toString()).put("file", target.toString());
            if (!json) spec.commandLine().getErr().println(Words.of("publish.waits", file.getFileName()));
            return;
        }
        Guard others = Guard.NONE.and(files);
        Made made = TimeLimit.run(source.limit(), Progress.SILENT, (gate, progress) -> {
            Intake intake = source.intake(file);
            List<Output> outputs = new ArrayList<>();
            for (int i = 0; i < names.size(); i++) {
                Recipe one = recipes.get(i).getValue();
                outputs.add(new Output(new Order(intake.pages(one, progress), one, options.passwords(), file, others.through(gate)), names.get(i)));
            }
            return new Made(intake.findings(), Decant.publish(outputs, progress));
        });
        List<Receipt> receipts = Decant.deliver(made.receipts, delivery, others);
        tell(file, made.findings, receipts, result);
    }

    /** What came of a file: what was found taking it in, and the receipts. */
    private record Made(List<Finding> findings, List<Receipt> receipts) { }

    private void tell(Path file, List<Finding> taken, List<Receipt> receipts, ObjectNode result) {
        if (!json) print(file, taken, receipts);
        Receipt first = receipts.get(0);
        result.put("done", true).put("file", first.file().toString()).put("pages", receipts.stream().mapToInt(Receipt::pages).sum())
                .put("bytes", receipts.stream().mapToLong(Receipt::bytes).sum())
                .put("seconds", receipts.stream().mapToLong(receipt -> receipt.time().toMillis()).sum() / 1000.0);
        List<Finding> findings = new ArrayList<>(taken);
        findings.addAll(first.findings());
        result.set("proofs", Json.proofs(first.proofs()));
        result.set("findings", Json.findings(findings));
        if (receipts.size() == 1) return;
        ArrayNode each = result.putArray("files");
        for (Receipt receipt : receipts) {
            ObjectNode node = each.addObject().put("file", receipt.file().toString()).put("to", receipt.target().ending()).put("pages", receipt.pages())
                    .put("bytes", receipt.bytes());
            node.set("proofs", Json.proofs(receipt.proofs()));
            node.set("findings", Json.findings(receipt.findings()));
        }
    }

    private void print(Path file, List<Finding> taken, List<Receipt> receipts) {
        PrintWriter err = spec.commandLine().getErr();
        print(taken);
        for (Receipt receipt : receipts) {
            err.println(Words.of("publish.made", file.getFileName(), receipt.file(), receipt.pages(), receipt.bytes()));
            for (PdfCheck.Proof proof : receipt.proofs()) err.println("  " + Words.of("publish.proven", proof.sentence()));
            print(receipt.findings());
        }
    }

    private void print(List<Finding> findings) {
        for (Finding finding : findings)
            if (finding.weight() != Finding.Weight.NOTE) spec.commandLine().getErr().println("  " + Words.of("publish.wants-look", finding.what()));
    }
}
