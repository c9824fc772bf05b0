package app.decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty;
import app.decant.publish.Recipe;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Forms filled in from the command line: listed, once, from a table, refused in words; read again by PDFBox. */
class FillCommandTest {
    @TempDir private Path folder;
    private Path form;

    @BeforeEach void form() {
        System.setProperty("decant.home", folder.resolve("home").toString());
        Paragraph line = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("Owner: ", Look.PLAIN),
                field(1, FormField.Kind.TEXT, "Owner", List.of()),
                new Inline.Text(" Line: ", Look.PLAIN), field(2, FormField.Kind.CHOICE, "Line", List.of("Ostrey line", "Skerrow line")),
                new Inline.Text(" Wet: ", Look.PLAIN), field(3, FormField.Kind.TICK, "Wet", List.of())));
        Document document = Document.empty();
        document = document.withSections(List.of(document.sections().get(0).withBlocks(List.of(line))));
        form = Decant.publish(document, Recipe.PLAIN.with(Recipe.PLAIN.style().fillable(true)), folder.resolve("request.pdf")).file();
    }

    private static Inline field(int number, FormField.Kind kind, String name, List<String> choices) {
        String shown = kind == FormField.Kind.TICK ? FormField.UNTICKED : FormField.EMPTY;
        return new Inline.Text(shown, Look.of(TextProperty.FORM, new FormField(number, kind, true, name, choices, null)));
    }

    private static String run(int status, Object... arguments) { return Called.of(arguments).ended(status).out(); }

    private static JsonNode json(int status, Object... arguments) throws IOException { return Called.of(arguments).ended(status).json(); }

    @Test void listsWhatCanBeFilledIn() throws IOException {
        assertThat(run(0, "fill", form)).contains("request.pdf: 3 fields to be filled in", "Owner  (page 1, text)", "Line  (page 1, list)",
                "Ostrey line | Skerrow line", "Wet  (page 1, box to tick)");
        JsonNode fields = json(0, "fill", form, "--json");
        assertThat(fields).extracting(field -> field.get("name").asText() + " " + field.get("kind").asText())
                .containsExactly("Owner text", "Line list", "Wet tick");
        assertThat(fields.get(1).get("choices")).extracting(JsonNode::asText).containsExactly("Ostrey line", "Skerrow line");
    }

    @Test void fillsOneFormBesideIt() throws IOException {
        JsonNode made = json(0, "fill", form, "--set", "Owner=Marit Holm", "--set", "Wet=yes", "--json").get(0);
        Path file = Path.of(made.get("file").asText());
        assertThat(file).hasFileName("request filled in.pdf");
        assertThat(made.get("fields").asInt()).isEqualTo(2);
        assertThat(made.get("proofs")).allMatch(proof -> proof.get("holds").asBoolean());
        assertThat(value(file, "Owner")).isEqualTo("Marit Holm");
        assertThat(Arrays.mismatch(Files.readAllBytes(form), Files.readAllBytes(file))).isEqualTo((int) Files.size(form));
        assertThat(json(1, "fill", form, "--set", "Owner=Another", "--json").get(0).get("kind").asText()).isEqualTo("target_exists");
        assertThat(value(file, "Owner")).isEqualTo("Marit Holm");
    }

    @Test void fillsAFormForEachRowOfATable() throws IOException {
        Path table = folder.resolve("owners.csv");
        Files.writeString(table, "Owner,Line\nMarit Holm,Skerrow line\nIngrid Vaage,Holm line\nOle Brandt,Ostrey line\n");
        Path into = Files.createDirectory(folder.resolve("made"));
        JsonNode told = json(2, "fill", form, "--data", table, "--set", "Wet=yes", "--out", into, "--json");
        assertThat(told).extracting(one -> one.get("done").asBoolean()).containsExactly(true, false, true);
        assertThat(told.get(1).get("message").asText()).isEqualTo("Row 2: Line does not offer Holm line. It offers: Ostrey line, Skerrow line.");
        try (Stream<Path> files = Files.list(into)) {
            assertThat(files.map(file -> file.getFileName().toString())).containsExactlyInAnyOrder("request 1.pdf", "request 3.pdf");
        }
        assertThat(value(into.resolve("request 3.pdf"), "Owner")).isEqualTo("Ole Brandt");
        assertThat(value(into.resolve("request 3.pdf"), "Wet")).isEqualTo("On");
    }

    @Test void saysWhatIsWrongWithACall() throws IOException {
        assertThat(json(2, "fill", form, "--set", "Owner", "--json").get("message").asText()).isEqualTo("--set takes NAME=VALUE, not Owner.");
        assertThat(json(2, "fill", form, "--set", "Nobody=x", "--json").get(0).get("message").asText()).startsWith("There is no field Nobody.");
        Path letter = Files.writeString(folder.resolve("letter.txt"), "Dear Sir");
        assertThat(json(2, "fill", letter, "--json").get("message").asText()).startsWith("letter.txt is no PDF with a form of its own.");
    }

    private static String value(Path file, String name) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            return pdf.getDocumentCatalog().getAcroForm().getField(name).getValueAsString();
        }
    }
}
