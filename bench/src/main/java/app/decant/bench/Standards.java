package app.decant.bench;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.page.Pages;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.publish.FactsRule;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/** Publishes every PDF of a folder under a standard and tells what became of its pages: kept as they are, kept and repaired, set anew with the reason. */
public final class Standards {
    private Standards() { }

    public static void main(String[] arguments) throws IOException {
        Path out = Files.createDirectories(Path.of(arguments[1]));
        Standard standard = Standard.named(arguments[2]);
        if (standard == null) throw new IllegalArgumentException("No standard is called " + arguments[2]);
        List<Path> files;
        try (Stream<Path> listed = Files.list(Path.of(arguments[0]))) {
            files = listed.filter(file -> file.toString().endsWith(".pdf")).sorted().toList();
        }
        Map<String, Integer> sums = new TreeMap<>();
        for (Path file : files) {
            String told;
            String sum;
            long from = System.nanoTime();
            try {
                Intake intake = new Intake(file, null);
                // Files of other people often have no title, which accessible copies want.
                Recipe recipe = Recipe.PLAIN.with(PdfStyle.PLAIN.with(standard)).with(new FactsRule(false, "A title", null, null, null, null));
                Pages pages = intake.pages(recipe, Progress.SILENT);
                sum = pages.original().isEmpty() ? "set anew" : pages.mending().isPresent() ? "kept and repaired" : "kept as they are";
                Path made = out.resolve(file.getFileName());
                Files.deleteIfExists(made);
                Decant.publish(new Order(pages, recipe, Recipe.Passwords.NONE, file), made, Progress.SILENT);
                told = String.join(" ", intake.findings().stream().map(Finding::what).filter(words -> words.contains(standard.words())).toList());
            } catch (DecantException e) {
                sum = e.kind() == DecantException.Kind.NOT_PROVEN ? "not proven" : "refused";
                told = e.getMessage();
            } catch (RuntimeException | Error e) {
                sum = "internal error";
                told = String.valueOf(e);
            }
            sums.merge(sum, 1, Integer::sum);
            System.out.printf("%-20s %6d ms  %-18s %s%n", file.getFileName(), (System.nanoTime() - from) / 1_000_000, sum, told);
        }
        System.out.println(sums);
    }
}
