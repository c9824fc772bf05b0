package app.decant.bench;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.publish.FactsRule;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * A tagged PDF published from itself with all its proofs: with nothing wished, with another title, and (up to 300 pages) with one word changed; beside what
 * {@code qpdf} takes to write it anew, in a process of its own.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 10)
@Measurement(iterations = 4, time = 10)
@Fork(value = 1, jvmArgs = {"-Xmx1g", "-Djava.awt.headless=true"})
public class KeptPublication {
    @Param({"300", "1000", "2000"}) private int pages;

    private Path source;
    private Path target;
    private Taken taken;
    private PagedDocument now;
    private String print;

    @Setup public void make() throws IOException {
        Path folder = Files.createTempDirectory("kept");
        source = folder.resolve("source.pdf");
        target = folder.resolve("target.pdf");
        Decant.publish(new Order(Decant.layOut(LongDocuments.pages(pages)), Recipe.PLAIN), source, Progress.SILENT);
        if (pages > 300) return;
        print = Intake.fingerprint(source);
        taken = Decant.open(source);
        Walk.Stop stop = Walk.of(taken.document()).stops().stream().filter(one -> one.paragraph().length() > 80).skip(200).findFirst().orElseThrow();
        int end = stop.paragraph().text().indexOf(' ');
        Document after = Typing.type(taken.document(), new TextSelection(new Place(stop.path(), 0), new Place(stop.path(), end)), "Ferry", null).after();
        now = Decant.layOut(after);
    }

    private int publish(Intake intake, Recipe recipe) {
        Recipe replacing = recipe.with(Recipe.WhenPresent.REPLACE);
        return Decant.publish(new Order(intake.pages(replacing, Progress.SILENT), replacing), target, Progress.SILENT).size();
    }

    @Benchmark public int unchanged() { return publish(new Intake(source, null), Recipe.PLAIN); }

    @Benchmark public int anotherTitle() {
        return publish(new Intake(source, null), Recipe.PLAIN.with(new FactsRule(false, "Another", null, null, null, null)));
    }

    @Benchmark public int oneWordChanged() {
        return now == null ? 0 : publish(Intake.revised(source, null, taken, now, print), Recipe.PLAIN);
    }

    @Benchmark public int qpdf() throws IOException, InterruptedException {
        return new ProcessBuilder("qpdf", source.toString(), target.toString()).start().waitFor();
    }
}
