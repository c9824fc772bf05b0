package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.recover.line.OpticalReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;

/**
 * Documents of known structure, published by writers with habits of their own, taken in again. Some layouts are worked with: what is missing of them is told.
 * Of the others nobody looks at more than the figures, so that these say what unknown files come to. With {@code -Ddecant.figures=FILE} the figures are
 * written down, of programs that this machine has as well: a browser, pdfTeX, groff.
 */
class RecoveryCorpusTest {
    /** What has at least to come back from the layouts that are worked with, and from the others. */
    private static final Map<String, List<Double>> LEAST = Map.ofEntries(Map.entry("characters", List.of(0.999, 0.999)),
            Map.entry("words", List.of(0.995, 0.99)), Map.entry("paragraphs", List.of(0.99, 0.98)), Map.entry("headings", List.of(1.0, 0.99)),
            Map.entry("with level", List.of(1.0, 0.99)), Map.entry("list items", List.of(1.0, 0.99)), Map.entry("table cells", List.of(1.0, 0.99)),
            Map.entry("contents entries", List.of(1.0, 1.0)), Map.entry("notes", List.of(1.0, 1.0)), Map.entry("side notes", List.of(1.0, 1.0)),
            Map.entry("pictures", List.of(1.0, 1.0)), Map.entry("links", List.of(1.0, 1.0)), Map.entry("heads out", List.of(1.0, 1.0)),
            Map.entry("line ends", List.of(0.99, 0.98)));

    private static final int AT_A_TIME = 2;
    private static final String COPIER = "copier with words";
    private static final String SCANNER = "scanner";

    private final Map<String, Map<String, Score.Count>> byWriter = new LinkedHashMap<>();
    private final Map<String, Map<String, Score.Count>> byWriterAlone = new LinkedHashMap<>();
    private final Map<String, Map<String, Score.Count>> byLayout = new LinkedHashMap<>();
    private final List<String> details = new ArrayList<>();

    /** A program that makes PDFs. */
    private record Writer(String name, Predicate<Specimen> takes, Function<Specimen, byte[]> write) { }

    private static List<Writer> writers(boolean ofThisMachine) {
        List<Writer> writers = new ArrayList<>(List.of(new Writer("Decant", any -> true, one -> OwnWriter.write(one, false)),
                new Writer("letter by letter", any -> true, one -> GlyphByGlyph.write(OwnWriter.pages(one))),
                new Writer("FOP", one -> !one.has(Specimen.RightToLeft.class), one -> FormattingObjects.write(one, false)),
                new Writer("FOP, tagged", one -> !one.has(Specimen.RightToLeft.class), one -> FormattingObjects.write(one, true)),
                new Writer("OpenPDF", OpenWriter::takes, OpenWriter::write)));
        if (!ofThisMachine) return writers;
        writers.add(new Writer(COPIER, CopierWriter::takes, one -> CopierWriter.write(one, true)));
        if (OpticalReader.isHere()) writers.add(new Writer(SCANNER, CopierWriter::takes, one -> CopierWriter.write(one, false)));
        if (Typesetter.isHere("chromium")) {
            writers.add(new Writer("browser", BrowserPrint::takes, one -> BrowserPrint.write(one, false)));
            writers.add(new Writer("browser, tagged", BrowserPrint::takes, one -> BrowserPrint.write(one, true)));
        }
        if (Typesetter.isHere("pdflatex")) writers.add(new Writer("pdfTeX", TexWriter::takes, TexWriter::write));
        if (Typesetter.isHere("groff")) writers.add(new Writer("groff", TroffWriter::takes, TroffWriter::write));
        return writers;
    }

    @Test void bringsBackWhatOthersPublished() throws IOException {
        String file = System.getProperty("decant.figures");
        String only = System.getProperty("decant.writer");
        List<Writer> writers = writers(file != null).stream().filter(writer -> only == null || writer.name.equals(only)).toList();
        // Told in the order of the layouts. On all cores where nothing else runs: other tests beside this one watch the clock.
        List<Supplier<Measured>> wanted = new ArrayList<>();
        int at = 0;
        for (Specimen specimen : Specimens.all()) {
            List<Writer> able = writers.stream().filter(writer -> writer.takes.test(specimen)).toList();
            // Every time each layout by some, in turn; by all where the figures are wanted.
            int first = at++;
            int count = file == null ? Math.min(AT_A_TIME, able.size()) : able.size();
            for (int i = 0; i < count; i++) {
                Writer writer = able.get((first + i) % able.size());
                wanted.add(() -> measured(writer, specimen));
            }
        }
        (file == null ? wanted.stream() : wanted.parallelStream()).map(Supplier::get).toList().forEach(this::add);
        String figures = figures();
        if (file != null) Files.writeString(Path.of(file), figures);
        System.out.println(figures);
        System.out.println(String.join("\n", details));
        Map<String, Score.Count> worked = sum(byWriter);
        Map<String, Score.Count> alone = sum(byWriterAlone);
        LEAST.forEach((what, least) -> {
            assertThat(worked.get(what).least()).as(what).isGreaterThanOrEqualTo(least.get(0));
            assertThat(alone.get(what).least()).as(what + ", only measured").isGreaterThanOrEqualTo(least.get(1));
        });
    }

    /** What came back of one layout from one writer, and what was missing. */
    private record Measured(Writer writer, Specimen specimen, Map<String, Score.Count> counts, String missing) { }

    private static Measured measured(Writer writer, Specimen specimen) {
        byte[] pdf = writer.write.apply(specimen);
        String keep = System.getProperty("decant.keep");
        try {
            if (keep != null) Files.write(Path.of(keep, writer.name + " " + specimen.name() + ".pdf"), pdf);
            return measured(writer, specimen, pdf);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Measured measured(Writer writer, Specimen specimen, byte[] pdf) throws IOException {
        Recovered recovered = Recovery.of(pdf, specimen.name(), null, FontCatalogue.ofThisMachine(), Progress.SILENT);
        boolean scan = writer.name.equals(COPIER) || writer.name.equals(SCANNER);
        Score score = new Score(specimen, scan ? CopierWriter.text(recovered.document()) : recovered.document());
        // Letter by letter and on paper there are no links to bring back.
        boolean links = !scan && !writer.name.equals("letter by letter");
        Map<String, Score.Count> counts = new LinkedHashMap<>();
        counts.put("characters", score.characters());
        counts.put("words", score.words());
        counts.put("paragraphs", score.paragraphs());
        counts.put("headings", score.headings());
        counts.put("with level", score.levels());
        counts.put("list items", score.items());
        counts.put("table cells", score.cells());
        counts.put("contents entries", score.entries());
        counts.put("notes", score.notes());
        counts.put("side notes", score.asides());
        counts.put("pictures", score.pictures());
        counts.put("links", links ? score.links() : new Score.Count(0, 0, 0));
        counts.put("heads out", score.heads());
        // Tagged files look as the others do; of letters written one by one the reader makes lines of its own.
        boolean lines = links && !writer.name.endsWith("tagged");
        counts.put("line ends", lines ? score.lineEnds(pdf) : new Score.Count(0, 0, 0));
        return new Measured(writer, specimen, counts, score.missing());
    }

    private void add(Measured one) {
        boolean worked = Specimens.isWorkedWith(one.specimen);
        one.counts.forEach((what, count) -> {
            (worked ? byWriter : byWriterAlone).computeIfAbsent(one.writer.name, key -> new LinkedHashMap<>()).merge(what, count, Score.Count::plus);
            if (worked) byLayout.computeIfAbsent(one.specimen.name(), key -> new LinkedHashMap<>()).merge(what, count, Score.Count::plus);
            if (worked && count.least() < 1) details.add(one.writer.name + " | " + one.specimen.name() + " | " + what + " | " + count);
        });
        if (worked && !one.missing.isEmpty()) details.add(one.missing);
    }

    private static Map<String, Score.Count> sum(Map<String, Map<String, Score.Count>> groups) {
        Map<String, Score.Count> all = new LinkedHashMap<>();
        groups.values().forEach(counts -> counts.forEach((what, count) -> all.merge(what, count, Score.Count::plus)));
        return all;
    }

    private String figures() {
        StringBuilder text = new StringBuilder("Layouts that are worked with:\n\n").append(table(byWriter)).append("\nLayouts that are only measured:\n\n")
                .append(table(byWriterAlone));
        Map<String, Score.Count> all = sum(byWriter);
        text.append("\nBy layout:\n\n| layout | ").append(String.join(" | ", all.keySet())).append(" |\n|---|").append("---|".repeat(all.size()))
                .append('\n');
        byLayout.forEach((layout, counts) -> {
            text.append("| ").append(layout).append(" | ");
            for (String what : all.keySet()) text.append(cell(counts.get(what))).append(" | ");
            text.append('\n');
        });
        return text.toString();
    }

    private static String table(Map<String, Map<String, Score.Count>> groups) {
        StringBuilder text = new StringBuilder("| what | " + String.join(" | ", groups.keySet()) + " | all |\n|---|" + "---|".repeat(groups.size() + 1)
                + "\n");
        Map<String, Score.Count> all = sum(groups);
        for (String what : all.keySet()) {
            text.append("| ").append(what).append(" | ");
            for (Map<String, Score.Count> counts : groups.values()) text.append(cell(counts.get(what))).append(" | ");
            text.append(cell(all.get(what))).append(" |\n");
        }
        return text.toString();
    }

    private static String cell(Score.Count count) {
        if (count == null || count.wanted() == 0 && count.found() == 0) return "";
        return String.format(Locale.ROOT, "%.3f / %.3f", count.precision(), count.recall());
    }
}
