package app.decant.cli;

import app.decant.Decant;
import app.decant.document.Progress;
import app.decant.proof.Comparison;
import app.decant.proof.Difference;
import app.decant.proof.PageScore;
import app.decant.publish.TimeLimit;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code decant compare A B}: how faithful B is to A, page by page. */
@Command(name = "compare", mixinStandardHelpOptions = true)
final class CompareCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "A")
    private Path original;

    @Parameters(index = "1", paramLabel = "B")
    private Path result;

    @Mixin private SourceOptions source;

    @Option(names = "--json")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override public Integer call() {
        String password = source.password();
        Comparison comparison = TimeLimit.run(source.limit(), Progress.SILENT, (gate, progress) -> Decant.compare(original, result, password, progress));
        PrintWriter out = spec.commandLine().getOut();
        if (json) out.println(Json.text(value(comparison)));
        else print(out, comparison);
        return Main.DONE;
    }

    static ObjectNode value(Comparison comparison) {
        ObjectNode value = Json.object();
        value.put("score", rounded(comparison.score()));
        ArrayNode pages = value.putArray("pages");
        for (PageScore page : comparison.pages()) {
            pages.addObject().put("page", page.page() + 1).put("score", rounded(page.score())).put("text", rounded(page.text()))
                    .put("lineEnds", rounded(page.lineEnds())).put("places", rounded(page.places()))
                    .put("pictures", rounded(page.pictures())).put("looks", rounded(page.looks()));
        }
        ArrayNode findings = value.putArray("findings");
        for (Difference difference : comparison.differences()) {
            ObjectNode node = findings.addObject();
            node.put("kind", difference.kind().name().toLowerCase(Locale.ROOT).replace('_', '-')).put("weight", difference.weight().name()
                    .toLowerCase(Locale.ROOT)).put("page", difference.page() + 1).put("what", difference.sentence());
            node.putObject("place").put("x", rounded(difference.x())).put("y", rounded(difference.y())).put("width", rounded(difference.width()))
                    .put("height", rounded(difference.height()));
        }
        return value;
    }

    private void print(PrintWriter out, Comparison comparison) {
        out.println(Words.of("compare.score", result.getFileName(), original.getFileName(), comparison.score()));
        for (PageScore page : comparison.pages()) {
            out.println("  " + Words.of("compare.page", page.page() + 1, page.score()));
            for (Difference difference : comparison.differences()) if (difference.page() == page.page()) out.println("    " + difference.sentence());
        }
    }

    private static double rounded(double value) { return Math.round(value * 1000) / 1000.0; }
}
