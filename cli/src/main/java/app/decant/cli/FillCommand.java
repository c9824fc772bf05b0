package app.decant.cli;

import app.decant.Decant;
import app.decant.FormData;
import app.decant.Intake;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.form.FileField;
import app.decant.pdf.form.FileForm;
import app.decant.publish.Guard;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.publish.TimeLimit;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
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

/** Fills the form of a PDF in, once or for each row of a table; without anything to fill in, lists its fields. */
@Command(name = "fill", mixinStandardHelpOptions = true)
final class FillCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE")
    private Path file;

    @Option(names = "--set", paramLabel = "NAME=VALUE")
    private List<String> set = List.of();

    @Option(names = "--data", paramLabel = "FILE")
    private Path data;

    @Option(names = "--out", paramLabel = "FILE|DIR")
    private Path out;

    @Option(names = "--present", paramLabel = "refuse|replace|keep-both")
    private Recipe.WhenPresent present = Recipe.WhenPresent.REFUSE;

    @Mixin private SourceOptions source;

    @Option(names = "--json")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override public Integer call() {
        FileForm form = Decant.form(file, source.password());
        if (set.isEmpty() && data == null) {
            list(form);
            return Main.DONE;
        }
        List<Map<String, String>> wishes = wishes();
        ArrayNode results = Json.array();
        Set<DecantException.Kind> failed = EnumSet.noneOf(DecantException.Kind.class);
        for (int i = 0; i < wishes.size(); i++) {
            ObjectNode result = results.addObject();
            try {
                fill(FormData.answers(form, wishes.get(i)), place(i, wishes.size()), result);
            } catch (DecantException e) {
                LoggerFactory.getLogger(FillCommand.class).info("{}", e.getMessage(), e);
                failed.add(e.kind());
                String told = wishes.size() == 1 ? e.getMessage() : Words.of("fill.row", i + 1, e.getMessage());
                result.put("done", false).put("kind", e.kind().name().toLowerCase(Locale.ROOT)).put("message", told);
                spec.commandLine().getErr().println(told);
            }
        }
        if (json) spec.commandLine().getOut().println(Json.text(results));
        if (failed.isEmpty()) return Main.DONE;
        return failed.equals(Set.of(DecantException.Kind.WRONG_CALL)) ? Main.WRONG_CALL : Main.FAILED;
    }

    /** What each form says; what is set goes for all. */
    private List<Map<String, String>> wishes() {
        Map<String, String> told = new LinkedHashMap<>();
        for (String one : set) {
            int at = one.indexOf('=');
            if (at < 1) throw Words.wrong("fill.set", one);
            told.put(one.substring(0, at), one.substring(at + 1));
        }
        List<Map<String, String>> all = new ArrayList<>();
        for (Map<String, String> row : data == null ? List.of(Map.<String, String>of()) : FormData.read(data)) {
            Map<String, String> both = new LinkedHashMap<>(row);
            both.putAll(told);
            all.add(both);
        }
        return all;
    }

    private Path place(int index, int count) {
        String plain = SafeFile.withoutEnding(String.valueOf(file.getFileName()));
        boolean folder = out != null && (Files.isDirectory(out) || out.toString().endsWith("/"));
        Path wished = out == null ? file.toAbsolutePath().resolveSibling(Words.of("fill.name", plain) + ".pdf") : folder ? out.resolve(plain + ".pdf") : out;
        if (count == 1) return wished;
        String number = String.format(Locale.ROOT, "%0" + Integer.toString(count).length() + "d", index + 1);
        return wished.resolveSibling(SafeFile.withoutEnding(wished.getFileName().toString()) + " " + number + ".pdf");
    }

    private void fill(Map<String, String> answers, Path target, ObjectNode result) {
        Recipe plain = Recipe.PLAIN.with(present);
        Recipe recipe = plain.with(plain.style().incremental(true));
        Receipt receipt = TimeLimit.run(source.limit(), Progress.SILENT, (gate, progress) -> {
            Intake intake = Intake.filled(file, source.password(), answers);
            Guard others = (data == null ? Guard.NONE : Guard.NONE.and(data)).through(gate);
            return Decant.publish(new Order(intake.pages(recipe, progress), recipe, Recipe.Passwords.NONE, file, others), target, progress).get(0);
        });
        result.put("done", true).put("file", receipt.file().toString()).put("fields", answers.size()).put("bytes", receipt.bytes());
        result.set("proofs", Json.proofs(receipt.proofs()));
        result.set("findings", Json.findings(receipt.findings()));
        if (json) return;
        PrintWriter err = spec.commandLine().getErr();
        err.println(Words.of("fill.made", receipt.file(), answers.size()));
        for (PdfCheck.Proof proof : receipt.proofs()) err.println("  " + Words.of("publish.proven", proof.sentence()));
        for (Finding finding : receipt.findings())
            if (finding.weight() != Finding.Weight.NOTE) err.println("  " + Words.of("publish.wants-look", finding.what()));
    }

    private void list(FileForm form) {
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            ArrayNode fields = Json.array();
            for (FileField field : form.fields()) {
                ObjectNode node = fields.addObject().put("name", field.name()).put("label", field.label())
                        .put("kind", field.kind().name().toLowerCase(Locale.ROOT)).put("page", field.places().get(0).page() + 1)
                        .put("value", field.value()).put("fixed", field.fixed());
                if (field.most() > 0) node.put("most", field.most());
                ArrayNode choices = node.putArray("choices");
                for (String choice : choices(field)) choices.add(choice);
            }
            out.println(Json.text(fields));
            return;
        }
        out.println(Words.of("fill.fields", file.getFileName(), form.fields().size()));
        for (FileField field : form.fields()) {
            out.println("  " + Words.of("fill.field", field.name(), field.places().get(0).page() + 1, field.kind().name(), field.value(), field.fixed()));
            if (!choices(field).isEmpty()) out.println("    " + String.join(" | ", choices(field)));
        }
    }

    private static List<String> choices(FileField field) {
        if (field.kind() == FileField.Kind.TICK) return Collections.emptyList();
        return field.choices().stream().map(choice -> choice.words().equals(choice.value()) ? choice.value() : choice.value() + " (" + choice.words() + ")")
                .toList();
    }
}
