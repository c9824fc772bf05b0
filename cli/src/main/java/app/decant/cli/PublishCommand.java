package app.decant.cli;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.Taken;
import app.decant.pdf.PdfCheck;
import app.decant.pdf.PdfChoices;
import app.decant.publish.PageRange;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.slf4j.LoggerFactory;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Publishes files. */
@Command(name = "publish", description = "Publishes documents as PDF, .docx or plain text.", mixinStandardHelpOptions = true)
final class PublishCommand implements Callable<Integer> {
    @Parameters(arity = "1..*", paramLabel = "FILE", description = "the documents")
    private List<Path> files;

    @Option(names = "--to", paramLabel = "FORMAT", defaultValue = "pdf", description = "pdf, docx or txt (default: ${DEFAULT-VALUE})")
    private String to;

    @Option(names = "--out", paramLabel = "FILE|DIR", description = "where to; a folder, or a file for one document (default: beside the document)")
    private Path out;

    @Option(names = "--pages", paramLabel = "RANGE", description = "all, odd, even, or a list such as 1-3,7,12-")
    private String pages;

    @Option(names = "--bookmarks", paramLabel = "LEVELS", defaultValue = "1-3", description = "heading levels for bookmarks, such as 1-3, or none (default: ${DEFAULT-VALUE})")
    private String bookmarks;

    @Option(names = "--fonts", paramLabel = "used|whole", defaultValue = "used", description = "embed the characters used, or whole fonts (default: ${DEFAULT-VALUE})")
    private String fonts;

    @Option(names = "--present", paramLabel = "refuse|replace|keep-both", defaultValue = "refuse", description = "when the file is already there (default: ${DEFAULT-VALUE})")
    private String present;

    @Option(names = "--password", paramLabel = "P", description = "to open protected documents")
    private String password;

    @Option(names = "--json", description = "print one JSON value to standard output")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override public Integer call() {
        Recipe recipe = recipe();
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

    private Recipe recipe() {
        Target target = Target.of(to);
        if (target == null) throw new DecantException(Kind.WRONG_CALL, "“" + to + "” is no format this version writes. Choose pdf, docx or txt.");
        if (pages != null && target != Target.PDF) throw new DecantException(Kind.WRONG_CALL, "Page ranges are for PDF; a ." + target.ending() + " always holds the whole document.");
        Recipe.WhenPresent rule = switch (present) {
            case "refuse" -> Recipe.WhenPresent.REFUSE;
            case "replace" -> Recipe.WhenPresent.REPLACE;
            case "keep-both" -> Recipe.WhenPresent.KEEP_BOTH;
            default -> throw new DecantException(Kind.WRONG_CALL, "--present is refuse, replace or keep-both.");
        };
        PdfChoices.Fonts wish = switch (fonts) {
            case "used" -> PdfChoices.Fonts.USED_CHARACTERS;
            case "whole" -> PdfChoices.Fonts.WHOLE;
            default -> throw new DecantException(Kind.WRONG_CALL, "--fonts is used or whole.");
        };
        return Recipe.PLAIN.to(target).of(new PageRange(pages)).with(levels()).with(wish).with(rule);
    }

    private PdfChoices.Bookmarks levels() {
        if (bookmarks.equals("none")) return PdfChoices.Bookmarks.NONE;
        if (!bookmarks.matches("[1-9](-[1-9])?")) throw new DecantException(Kind.WRONG_CALL, "--bookmarks is none, a level, or levels such as 1-3.");
        int from = bookmarks.charAt(0) - '0';
        int to = bookmarks.charAt(bookmarks.length() - 1) - '0';
        if (to < from) throw new DecantException(Kind.WRONG_CALL, "--bookmarks runs backwards; write " + to + "-" + from + ".");
        return new PdfChoices.Bookmarks(from, to, from);
    }

    private Path place(Path file, boolean folder, Target target) {
        String name = file.getFileName().toString();
        int dot = name.lastIndexOf('.');
        String renamed = (dot > 0 ? name.substring(0, dot) : name) + "." + target.ending();
        if (out == null) return file.toAbsolutePath().resolveSibling(renamed);
        return folder ? out.resolve(renamed) : out;
    }

    private void publish(Path file, Path target, Recipe recipe, ObjectNode result) {
        Taken taken = Decant.open(file, password, Progress.SILENT);
        if (target.toAbsolutePath().normalize().equals(file.toAbsolutePath().normalize())) {
            throw new DecantException(Kind.WRONG_CALL, "The result would take the place of the original, " + file.getFileName() + ". Give another name with --out.");
        }
        Receipt receipt = Decant.publish(taken.document(), recipe, target);
        List<Finding> findings = new ArrayList<>(taken.findings());
        findings.addAll(receipt.findings());
        PrintWriter err = spec.commandLine().getErr();
        if (!json) {
            err.println(file.getFileName() + " → " + receipt.file() + (receipt.pages() > 0 ? ", " + receipt.pages() + (receipt.pages() == 1 ? " page" : " pages") : "") + ", " + receipt.bytes() + " bytes");
            for (PdfCheck.Proof proof : receipt.proofs()) err.println("  proven: " + proof.sentence());
            for (Finding finding : findings) if (finding.weight() != Finding.Weight.NOTE) err.println("  wants a look: " + finding.what());
        }
        result.put("done", true).put("file", receipt.file().toString()).put("pages", receipt.pages()).put("bytes", receipt.bytes()).put("seconds", receipt.time().toMillis() / 1000.0);
        ArrayNode proofs = result.putArray("proofs");
        for (PdfCheck.Proof proof : receipt.proofs()) proofs.addObject().put("sentence", proof.sentence()).put("holds", proof.holds());
        result.set("findings", Json.findings(findings));
    }
}
