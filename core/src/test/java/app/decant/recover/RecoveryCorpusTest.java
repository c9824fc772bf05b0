package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;

/**
 * Documents of known structure, published by four writers with habits of their own, taken in again. The writers: Decant's own; Apache FOP; OpenPDF; and
 * PDFBox writing as print drivers do, letter by letter. With {@code -Ddecant.figures=FILE} the figures are written down.
 */
class RecoveryCorpusTest {
    private final Map<String, Map<String, Score.Count>> byWriter = new LinkedHashMap<>();
    private final Map<String, Map<String, Score.Count>> byLayout = new LinkedHashMap<>();
    private final List<String> details = new ArrayList<>();

    @Test void bringsBackWhatFourWritersPublished() throws IOException {
        for (Specimen specimen : Specimens.all()) {
            boolean rightToLeft = specimen.pieces().stream().anyMatch(piece -> piece instanceof Specimen.RightToLeft);
            measure("Decant", specimen, OwnWriter.write(specimen, false));
            measure("letter by letter", specimen, GlyphByGlyph.write(OwnWriter.pages(specimen)));
            if (rightToLeft) continue;
            measure("FOP", specimen, FormattingObjects.write(specimen, false));
            boolean plain = specimen.pieces().stream().noneMatch(piece -> piece instanceof Specimen.Noted || piece instanceof Specimen.Dated);
            if (plain) measure("OpenPDF", specimen, OpenWriter.write(specimen));
        }
        String figures = figures();
        if (System.getProperty("decant.figures") != null) Files.writeString(Path.of(System.getProperty("decant.figures")), figures);
        System.out.println(figures);
        System.out.println(String.join("\n", details));
        Map<String, Score.Count> all = sum(byWriter);
        // What came back once comes back always; only where lines end differs for some writers.
        all.forEach((what, count) -> {
            if (what.equals("links")) assertThat(count.recall()).as(what).isEqualTo(1);
            else if (!what.equals("line ends")) assertThat(count.least()).as(what).isEqualTo(1);
        });
        assertThat(all.get("line ends").least()).as("line ends").isGreaterThanOrEqualTo(0.98);
    }

    private void measure(String writer, Specimen specimen, byte[] pdf) throws IOException {
        if (System.getProperty("decant.keep") != null) Files.write(Path.of(System.getProperty("decant.keep"), writer + " " + specimen.name() + ".pdf"), pdf);
        Recovered recovered = Recovery.of(pdf, specimen.name(), null, FontCatalogue.ofThisMachine(), Progress.SILENT);
        Score score = new Score(specimen, recovered.document());
        // Letter by letter there are no links to bring back.
        boolean links = !writer.equals("letter by letter");
        Map<String, Score.Count> counts = new LinkedHashMap<>();
        counts.put("characters", score.characters());
        counts.put("words", score.words());
        counts.put("paragraphs", score.paragraphs());
        counts.put("headings", score.headings());
        counts.put("list items", score.items());
        counts.put("table cells", score.cells());
        counts.put("contents entries", score.entries());
        counts.put("notes", score.notes());
        counts.put("side notes", score.asides());
        counts.put("pictures", score.pictures());
        counts.put("links", links ? score.links() : new Score.Count(0, 0, 0));
        counts.put("heads out", score.heads());
        counts.put("line ends", score.lineEnds(pdf));
        counts.forEach((what, count) -> {
            byWriter.computeIfAbsent(writer, key -> new LinkedHashMap<>()).merge(what, count, Score.Count::plus);
            byLayout.computeIfAbsent(specimen.name(), key -> new LinkedHashMap<>()).merge(what, count, Score.Count::plus);
            if (count.least() < 1) details.add(writer + " | " + specimen.name() + " | " + what + " | " + count);
        });
        if (!score.missing().isEmpty()) details.add(score.missing());
    }

    private static Map<String, Score.Count> sum(Map<String, Map<String, Score.Count>> groups) {
        Map<String, Score.Count> all = new LinkedHashMap<>();
        groups.values().forEach(counts -> counts.forEach((what, count) -> all.merge(what, count, Score.Count::plus)));
        return all;
    }

    private String figures() {
        StringBuilder text = new StringBuilder("| what | " + String.join(" | ", byWriter.keySet()) + " | all |\n|---|" + "---|".repeat(byWriter.size() + 1)
                + "\n");
        Map<String, Score.Count> all = sum(byWriter);
        for (String what : all.keySet()) {
            text.append("| ").append(what).append(" | ");
            for (Map<String, Score.Count> counts : byWriter.values()) text.append(cell(counts.get(what))).append(" | ");
            text.append(cell(all.get(what))).append(" |\n");
        }
        text.append("\n| layout | ").append(String.join(" | ", all.keySet())).append(" |\n|---|").append("---|".repeat(all.size())).append('\n');
        byLayout.forEach((layout, counts) -> {
            text.append("| ").append(layout).append(" | ");
            for (String what : all.keySet()) text.append(cell(counts.get(what))).append(" | ");
            text.append('\n');
        });
        return text.toString();
    }

    private static String cell(Score.Count count) {
        if (count == null || count.wanted() == 0 && count.found() == 0) return "";
        return String.format(Locale.ROOT, "%.3f / %.3f", count.precision(), count.recall());
    }
}
