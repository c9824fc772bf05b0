package app.decant.cli;

import app.decant.Decant;
import app.decant.document.Progress;
import app.decant.proof.Comparison;
import app.decant.proof.Difference;
import app.decant.proof.PageScore;
import app.decant.sheet.CellComparison;
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
        CellComparison cells = TimeLimit.run(source.limit(), Progress.SILENT,
                (gate, progress) -> Decant.compareCells(original, result, password, progress).orElse(null));
        PrintWriter out = spec.commandLine().getOut();
        ObjectNode value = value(comparison);
        if (cells != null) cells(value.putObject("cells"), cells);
        if (json) out.println(Json.text(value));
        else print(out, comparison);
        if (!json && cells != null) print(out, cells);
        return Main.DONE;
    }

    static ObjectNode value(Comparison comparison) {
        ObjectNode value = Json.object();
        value.put("score", rounded(comparison.score())).put("looks", rounded(comparison.looks())).put("words", rounded(comparison.words()));
        ArrayNode pages = value.putArray("pages");
        for (PageScore page : comparison.pages()) {
            pages.addObject().put("page", page.page() + 1).put("score", rounded(page.score())).put("looks", rounded(page.looks()))
                    .put("words", rounded(page.words())).put("text", rounded(page.text())).put("structure", rounded(page.structure()))
                    .put("kept", rounded(page.kept())).put("painting", rounded(page.painting())).put("lineEnds", rounded(page.lineEnds()))
                    .put("places", rounded(page.places())).put("pictures", rounded(page.pictures())).put("letters", rounded(page.letters()));
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

    private static void cells(ObjectNode value, CellComparison cells) {
        value.put("score", rounded(cells.score())).put("compared", cells.cells());
        ArrayNode all = value.putArray("differences");
        for (CellComparison.Difference one : cells.differences()) {
            ObjectNode node = all.addObject().put("kind", one.kind().name().toLowerCase(Locale.ROOT)).put("sheet", one.sheet()).put("was", one.was())
                    .put("is", one.is());
            if (one.old() != null) node.put("old", one.old()).put("now", one.now());
        }
    }

    private static void print(PrintWriter out, CellComparison cells) {
        out.println(Words.of("compare.cells", cells.cells(), cells.score()));
        for (CellComparison.Difference one : cells.differences()) {
            String key = switch (one.kind()) {
                case SHEET -> one.is() == null ? "compare.cells.sheet.gone" : "compare.cells.sheet.new";
                case ROWS -> one.is() == null ? "compare.cells.rows.gone" : "compare.cells.rows.new";
                case VALUE -> "compare.cells.value";
                case FORMULA -> "compare.cells.formula";
                case LOOK -> "compare.cells.look";
            };
            out.println("  " + Words.of(key, one.sheet(), one.was() != null ? one.was() : one.is(), one.old() == null ? "" : one.old(),
                    one.now() == null ? "" : one.now()));
        }
    }

    private void print(PrintWriter out, Comparison comparison) {
        out.println(Words.of("compare.score", result.getFileName(), original.getFileName(), comparison.score(), comparison.looks(),
                comparison.words()));
        for (PageScore page : comparison.pages()) {
            out.println("  " + Words.of("compare.page", page.page() + 1, page.score(), page.looks(), page.words()));
            for (Difference difference : comparison.differences()) if (difference.page() == page.page()) out.println("    " + difference.sentence());
        }
    }

    private static double rounded(double value) { return Math.round(value * 1000) / 1000.0; }
}
