package app.decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.demo.DemoFiles;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.format.sheet.CorrectedSheets;
import app.decant.format.sheet.SheetFormat;
import app.decant.sheet.CellValue;
import app.decant.sheet.Workbook;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Workbooks from the command line: looked into, put onto pages as wished, made workbooks of other kinds, in folders too. */
class WorkbookCommandTest {
    @TempDir private Path folder;
    private Path fares;

    @BeforeEach void files() throws IOException {
        System.setProperty("decant.home", folder.resolve("home").toString());
        fares = DemoFiles.into(folder.resolve("in")).get(2);
    }

    private static JsonNode json(int status, Object... arguments) throws IOException { return Called.of(arguments).ended(status).json(); }

    @Test void tellsItsSheetsAndWhatDoesNotFit() throws IOException {
        JsonNode told = json(0, "inspect", fares, "--json");
        assertThat(told.get("kind").asText()).isEqualTo("xlsx");
        assertThat(told.get("pages").asInt()).isEqualTo(5);
        assertThat(told.get("sheets")).extracting(sheet -> sheet.get("name").asText() + " " + sheet.get("used").asText() + " " + sheet.get("formulas").asInt())
                .containsExactly("Fares A1:D15 20", "Timetable A1:S8 0", "Crossings 2026 A1:E15 16");
        assertThat(told.get("findings").toString()).contains("3 pages side by side");
    }

    @Test void goesOntoPagesAsWished() throws IOException {
        Path pdf = folder.resolve("fares.pdf");
        assertThat(json(0, "publish", fares, "--out", pdf, "--fit", "one-wide", "--json").get(0).get("pages").asInt()).isEqualTo(3);
        json(0, "publish", fares, "--out", pdf, "--present", "replace", "--sheets", "Crossings 2026,Fares", "--json");
        assertThat(text(pdf)).containsSubsequence("Passengers by month", "124,800", "Winter fares 2026 to 2027");
        json(0, "publish", fares, "--out", pdf, "--present", "replace", "--area", "winter", "--json");
        assertThat(text(pdf)).contains("Adult, single", "4.80").doesNotContain("Children under four", "Passengers");
        JsonNode refused = json(2, "publish", fares, "--out", folder.resolve("no.pdf"), "--area", "Nowhere!A1", "--json");
        assertThat(refused.toString()).contains("There is no sheet", "Timetable");
        assertThat(folder.resolve("no.pdf")).doesNotExist();
    }

    /** As in all that is made of it: pages, another workbook, a text document. */
    @Test void valuesBetweenSeparatorsAreReadAsItIsSaid() throws IOException {
        Path values = Files.write(folder.resolve("stops.csv"), "Pier#1.500\nQu\u00e4y#2.250\n".getBytes(Charset.forName("windows-1252")));
        Path pdf = folder.resolve("stops.pdf");
        json(0, "publish", values, "--out", pdf, "--separator", "#", "--decimals", ",", "--text-encoding", "windows-1251", "--json");
        assertThat(text(pdf)).contains("Pier", "1500", "Qu\u0434y", "2250").doesNotContain("#");
        Path book = folder.resolve("stops.xlsx");
        json(0, "publish", values, "--out", book, "--separator", "#", "--json");
        assertThat(Decant.workbook(book, null, Progress.SILENT).workbook().sheets().get(0).cell(0, 1).value()).isEqualTo(new CellValue.Number(1.5));
        Path document = folder.resolve("stops.docx");
        json(0, "publish", values, "--out", document, "--separator", "#", "--json");
        assertThat(Decant.open(document).document().toString()).contains("Qu\u00e4y").doesNotContain("#");
        assertThat(json(0, "inspect", values, "--separator", "#", "--json").get("sheets").get(0).get("used").asText()).isEqualTo("A1:B2");
        assertThat(json(2, "publish", fares, "--out", folder.resolve("no.pdf"), "--separator", ";", "--json").toString())
                .contains("no values between separators");
        assertThat(json(2, "publish", values, "--out", folder.resolve("no.pdf"), "--separator", "ab", "--json").toString()).contains("--separator");
        assertThat(folder.resolve("no.pdf")).doesNotExist();
    }

    @Test void comparesTwoCellByCell() throws IOException {
        Workbook book = Decant.workbook(fares, null, Progress.SILENT).workbook();
        CorrectedSheets corrected = CorrectedSheets.of(book, Document.empty(), Document.empty().answering("Fares!B4", "5.20")).orElseThrow();
        Path other = folder.resolve("other.ods");
        Files.write(other, SheetFormat.ODS.write(corrected.workbook(), Instant.EPOCH).bytes());
        JsonNode cells = json(0, "compare", fares, other, "--json").get("cells");
        assertThat(cells.get("differences")).filteredOn(one -> !one.get("kind").asText().equals("look"))
                .extracting(one -> one.get("kind").asText() + " " + one.get("was").asText() + " " + one.get("old").asText() + " " + one.get("now").asText())
                .containsExactly("value B4 4.80 5.20", "value C4 6.00 6.50", "value D4 2.40 2.60");
        assertThat(cells.get("score").asDouble()).isBetween(90.0, 99.9);
        assertThat(Called.of("compare", fares, other).ended(0).out()).contains("Fares, B4: was “4.80”, is “5.20”");
        assertThat(json(0, "compare", fares, fares, "--json").get("cells").get("differences")).isEmpty();
    }

    @Test void waitsInTheQueueAndComesOutAsTheSheetsItHolds() throws IOException {
        Path pdf = folder.resolve("later.pdf");
        json(0, "publish", fares, "--out", pdf, "--fit", "one-page", "--queue", "--json");
        assertThat(pdf).doesNotExist();
        json(0, "queue", "run", "--json");
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            assertThat(document.getNumberOfPages()).isEqualTo(3);
        }
        assertThat(text(pdf)).as("its own footer").contains("Page 2 of 3");
    }

    @Test void theTablesOfADocumentBecomeAWorkbook() throws IOException {
        Path handbook = folder.resolve("in/Passenger handbook.docx");
        JsonNode made = json(0, "publish", handbook, "--to", "xlsx", "--out", folder.resolve("tables.xlsx"), "--json").get(0);
        assertThat(made.get("proofs").toString()).contains("every value is in its cell");
        assertThat(made.get("findings").toString()).contains("Its 7 tables are a sheet each now");
        JsonNode told = json(0, "inspect", folder.resolve("tables.xlsx"), "--json");
        assertThat(told.get("sheets").get(0).get("name").asText()).isEqualTo("2.1 Tickets and fares");
        Path note = Files.writeString(folder.resolve("note.txt"), "Half tide.");
        JsonNode refused = json(2, "publish", note, "--to", "csv", "--out", folder.resolve("none.csv"), "--json");
        assertThat(refused.get(0).get("kind").asText()).isEqualTo("wrong_call");
        assertThat(refused.toString()).contains("no table in it");
        assertThat(folder.resolve("none.csv")).doesNotExist();
    }

    @Test void whatTravelsInsideIsTold() throws IOException {
        Path handbook = folder.resolve("in/Passenger handbook.docx");
        Path pdf = folder.resolve("with its source.pdf");
        json(0, "publish", handbook, "--attach-source", "--out", pdf, "--json");
        JsonNode told = json(0, "inspect", pdf, "--json");
        assertThat(told.get("sourceInside").asText()).isEqualTo("Passenger handbook.docx");
        assertThat(told.get("sourceInsideDiffers")).isEmpty();
        // A PDF that has its document inside keeps that one, and does not travel in itself.
        Path again = folder.resolve("again.pdf");
        json(0, "publish", pdf, "--attach-source", "--title", "Another title", "--out", again, "--json");
        try (PDDocument document = Loader.loadPDF(again.toFile())) {
            assertThat(document.getDocumentCatalog().getNames().getEmbeddedFiles().getNames()).containsOnlyKeys("Passenger handbook.docx");
        }
    }

    private static String text(Path pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test void folderRunsMakeWorkbooksOfOtherKinds() throws IOException {
        Files.writeString(fares.resolveSibling("tides.csv"), "pier;high;low\nGrennick;4,2;0,9\n");
        json(0, "folder", fares.getParent(), "--into", folder.resolve("out"), "--to", "ods", "--kinds", "sheet", "--json");
        json(0, "folder", folder.resolve("out"), "--into", folder.resolve("back"), "--to", "xls", "--kinds", "sheet", "--json");
        json(0, "folder", folder.resolve("back"), "--into", folder.resolve("csv"), "--to", "csv", "--kinds", "sheet", "--json");
        assertThat(Files.readString(folder.resolve("csv/tides.csv"))).contains("Grennick,4.2,0.9");
        assertThat(Files.readString(folder.resolve("csv/Winter fares.csv"))).contains("\"Adult, single\",4.80,6.00,2.40");
        JsonNode told = json(0, "inspect", folder.resolve("back/Winter fares.xls"), "--json");
        assertThat(told.get("sheets")).extracting(sheet -> sheet.get("formulas").asInt()).as("formulas went all the way").containsExactly(20, 0, 16);
        assertThat(told.get("pages").asInt()).isEqualTo(5);
    }
}
