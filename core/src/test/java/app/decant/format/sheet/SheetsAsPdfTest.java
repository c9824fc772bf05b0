package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageDestination;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A workbook with one of everything, published from a file as a person would: what PDFBox finds of it, and what comes out as another workbook. */
class SheetsAsPdfTest {
    @TempDir private Path folder;

    private Receipt published(String ending, Target target, String name) throws IOException {
        SheetFormat format = SheetFormat.valueOf(ending.toUpperCase(Locale.ROOT));
        Path file = Files.write(folder.resolve("fares." + ending), format.write(FurnishedWorkbook.workbook(FurnishedWorkbook.lock()), Instant.EPOCH).bytes());
        Recipe recipe = Recipe.PLAIN.as(target);
        return Decant.publish(new Order(new Intake(file, null).pages(recipe, Progress.SILENT), recipe), folder.resolve(name), Progress.SILENT).get(0);
    }

    private static Map<String, String> fonts(Path file) throws IOException {
        Map<String, String> fonts = new TreeMap<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            new PDFTextStripper() {
                @Override protected void writeString(String text, List<TextPosition> positions) {
                    StringBuilder word = new StringBuilder();
                    for (TextPosition one : positions) {
                        word.append(one.getUnicode());
                        if (one.getUnicode().isBlank()) word.setLength(0);
                        fonts.put(word.toString(), one.getFont().getName());
                    }
                }
            }.getText(pdf);
        }
        return fonts;
    }

    /** Links to cells land on the page of their sheet, links out keep their address; letters of their own look so. */
    @ParameterizedTest @ValueSource(strings = {"xlsx", "xls", "ods"})
    void pagesShowWhatIsOnTheSheets(String ending) throws IOException {
        Receipt receipt = published(ending, Target.PDF, "fares.pdf");
        assertThat(receipt.proven()).isTrue();
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            List<String> addresses = new ArrayList<>();
            List<Integer> pages = new ArrayList<>();
            for (var annotation : pdf.getPage(0).getAnnotations()) {
                if (!(annotation instanceof PDAnnotationLink link)) continue;
                if (link.getAction() instanceof PDActionURI out) addresses.add(out.getURI());
                if (link.getDestination() instanceof PDPageDestination in) pages.add(in.retrievePageNumber());
            }
            assertThat(addresses).containsExactly("https://fernhollow.example/fares");
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setStartPage(pages.get(0) + 1);
            stripper.setEndPage(pages.get(0) + 1);
            assertThat(stripper.getText(pdf)).contains("Quay 2");
            assertThat(pages).hasSize(1);
            int pictures = 0;
            for (var name : pdf.getPage(0).getResources().getXObjectNames()) if (pdf.getPage(0).getResources().isImageXObject(name)) pictures++;
            assertThat(pictures + pdf.getNumberOfPages()).isGreaterThan(2);
        }
        Map<String, String> fonts = fonts(receipt.file());
        assertThat(fonts.get("Winter")).contains("Bold");
        assertThat(fonts.get("apply")).contains("Italic");
        assertThat(fonts.get("fares")).doesNotContain("Bold").doesNotContain("Italic");
    }

    /** From each kind into each other: proven, and all that is not held is told. */
    @ParameterizedTest @ValueSource(strings = {"xlsx", "xls", "ods"})
    void eachKindBecomesEachOther(String ending) throws IOException {
        for (String other : List.of("xlsx", "xls", "ods", "csv")) {
            Receipt receipt = published(ending, Target.of(other), "again." + other);
            assertThat(receipt.proven()).as(other).isTrue();
            if (other.equals("csv")) assertThat(receipt.findings()).extracting(Finding::what).anyMatch(told -> told.startsWith("Notes of 2"));
            else assertThat(receipt.findings()).extracting(Finding::what).noneMatch(told -> told.contains("formula"));
        }
    }

    @Test void aLinkThatLeadsNowhereIsNone() throws IOException {
        var workbook = FurnishedWorkbook.workbook(null);
        Path file = Files.write(folder.resolve("one.xlsx"), SheetFormat.XLSX.write(workbook.withSheets(workbook.sheets().subList(0, 1)),
                Instant.EPOCH).bytes());
        Receipt receipt = Decant.publish(new Order(new Intake(file, null).pages(Recipe.PLAIN, Progress.SILENT), Recipe.PLAIN), folder.resolve("one.pdf"),
                Progress.SILENT).get(0);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getPage(0).getAnnotations()).hasSize(1);
        }
    }
}
