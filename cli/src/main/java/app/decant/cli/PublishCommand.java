package app.decant.cli;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.Taken;
import app.decant.layout.Pages;
import app.decant.outbox.MailOutbox;
import app.decant.pdf.PdfCheck;
import app.decant.publish.Order;
import app.decant.publish.Output;
import app.decant.publish.PublishQueue;
import app.decant.publish.Receipt;
import app.decant.publish.ReceiptFile;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.publish.Target;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.slf4j.LoggerFactory;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Publishes files. */
@Command(name = "publish", description = "Publishes documents as PDF, or in another format.", mixinStandardHelpOptions = true)
final class PublishCommand implements Callable<Integer> {
    @Parameters(arity = "1..*", paramLabel = "FILE", description = "the documents")
    private List<Path> files;

    @Option(names = "--out", paramLabel = "FILE|DIR", description = "where to; a folder, or a file for one document (default: beside the document)")
    private Path out;

    @Mixin private RecipeOptions options;

    @Mixin private SourceOptions source;

    @Option(names = "--also", paramLabel = "RECIPE|FORMAT", description = "make another output as well: by a recipe, or a format such as docx; may be given several times")
    private List<String> also = List.of();

    @Option(names = "--receipt", paramLabel = "FILE", description = "write the receipt to a file: text, or JSON where the name ends in .json")
    private Path receiptFile;

    @Option(names = "--queue", description = "put it into the queue instead; ./decant queue run makes it later")
    private boolean wait;

    @Option(names = "--mail-to", paramLabel = "ADDRESS", split = ",", description = "put the result into a mail in the outbox, ready to be sent")
    private List<String> mailTo;

    @Option(names = "--mail-only", description = "with --mail-to: keep no other copy of the result")
    private boolean mailOnly;

    @Option(names = "--json", description = "print one JSON value to standard output")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override public Integer call() {
        Recipe recipe = options.recipe();
        boolean outIsFolder = out != null && (Files.isDirectory(out) || files.size() > 1 || out.toString().endsWith("/"));
        ArrayNode results = Json.array();
        int failed = 0;
        for (Path file : files) {
            ObjectNode result = results.addObject();
            result.put("source", file.toString());
            try {
                publish(file, place(file, outIsFolder, recipe.target()), recipe, result);
            } catch (DecantException e) {
                if (e.kind() == Kind.WRONG_CALL && files.size() == 1 && !json) throw e;
                LoggerFactory.getLogger(PublishCommand.class).info("{}", e.getMessage(), e);
                failed++;
                result.put("done", false).put("kind", e.kind().name().toLowerCase(java.util.Locale.ROOT)).put("message", e.getMessage());
                spec.commandLine().getErr().println(e.getMessage());
            }
        }
        if (json) spec.commandLine().getOut().println(Json.text(results));
        return failed == 0 ? Main.DONE : Main.FAILED;
    }

    private Path place(Path file, boolean folder, Target target) {
        String renamed = SafeFile.withoutEnding(file.getFileName().toString()) + "." + target.ending();
        if (out == null) return file.toAbsolutePath().resolveSibling(renamed);
        return folder ? out.resolve(renamed) : out;
    }

    private void publish(Path file, Path target, Recipe recipe, ObjectNode result) {
        Taken taken = source.open(file);
        if (target.toAbsolutePath().normalize().equals(file.toAbsolutePath().normalize())) {
            throw new DecantException(Kind.WRONG_CALL, "The result would take the place of the original, " + file.getFileName() + ". Give another name with --out.");
        }
        if (wait) {
            PublishQueue.Waiting waiting = new PublishQueue(Decant.home().resolve("queue")).add(taken.document(), file.getFileName().toString(), recipe, target, Instant.now());
            result.put("waiting", waiting.place().getFileName().toString()).put("file", target.toString());
            if (!json) spec.commandLine().getErr().println(file.getFileName() + " waits in the queue.");
            return;
        }
        Pages pages = Decant.layOut(taken.document());
        List<Map.Entry<String, Recipe>> recipes = new ArrayList<>(List.of(Map.entry("", recipe)));
        for (String one : also) recipes.add(Map.entry(one, RecipeOptions.another(one, recipe)));
        List<Path> names = Output.names(target, recipes);
        List<Output> outputs = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) outputs.add(new Output(new Order(pages, recipes.get(i).getValue(), options.passwords(), file), names.get(i)));
        List<Receipt> receipts = Decant.publish(outputs, Progress.SILENT);
        Receipt first = receipts.get(0);
        Instant when = Instant.now();
        for (Receipt receipt : receipts) ReceiptFile.keep(receipt, when, Decant.home().resolve("receipts"));
        if (receiptFile != null) ReceiptFile.write(first, when, receiptFile);
        if (mailTo != null) mail(receipts, result);
        List<Finding> findings = new ArrayList<>(taken.findings());
        findings.addAll(first.findings());
        PrintWriter err = spec.commandLine().getErr();
        if (!json) {
            for (Receipt receipt : receipts) err.println(file.getFileName() + " → " + receipt.file() + (receipt.pages() > 0 ? ", " + receipt.pages() + (receipt.pages() == 1 ? " page" : " pages") : "") + ", " + receipt.bytes() + " bytes");
            for (PdfCheck.Proof proof : first.proofs()) err.println("  proven: " + proof.sentence());
            for (Finding finding : findings) if (finding.weight() != Finding.Weight.NOTE) err.println("  wants a look: " + finding.what());
        }
        result.put("done", true).put("file", first.file().toString()).put("pages", receipts.stream().mapToInt(Receipt::pages).sum()).put("bytes", receipts.stream().mapToLong(Receipt::bytes).sum())
                .put("seconds", receipts.stream().mapToLong(receipt -> receipt.time().toMillis()).sum() / 1000.0);
        if (receipts.size() > 1) {
            ArrayNode files = result.putArray("files");
            for (Receipt receipt : receipts) files.add(receipt.file().toString());
        }
        ArrayNode proofs = result.putArray("proofs");
        for (PdfCheck.Proof proof : first.proofs()) proofs.addObject().put("sentence", proof.sentence()).put("holds", proof.holds());
        result.set("findings", Json.findings(findings));
    }

    /** Another output: a format by the same recipe, or another recipe, which follows the same rule for files that are there. */
    private void mail(List<Receipt> receipts, ObjectNode result) {
        List<Path> made = receipts.stream().map(Receipt::file).toList();
        String name = made.get(0).getFileName().toString();
        Path letter = new MailOutbox(Decant.home().resolve("outbox")).put(new MailOutbox.Letter(mailTo, SafeFile.withoutEnding(name), "", made), Instant.now());
        result.put("mail", letter.toString());
        if (!json) spec.commandLine().getErr().println("  mail: " + letter);
        if (!mailOnly) return;
        try {
            for (Path file : made) Files.delete(file);
        } catch (IOException e) {
            throw new DecantException(Kind.TARGET_LOCKED, "The mail is in the outbox, but " + name + " can't be removed.", e);
        }
    }
}
