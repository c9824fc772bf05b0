package app.decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.DemoFiles;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Calls as scripts make them: exit status, standard output, standard error. */
class CommandLineTest {
    @TempDir Path folder;
    private Path handbook;
    private Path notice;

    /** What a call gave. */
    private record Called(int status, String out, String err) {
        JsonNode json() throws IOException { return new ObjectMapper().readTree(out); }
    }

    @BeforeEach void files() throws IOException {
        List<Path> files = DemoFiles.into(folder);
        handbook = files.get(0);
        notice = files.get(1);
    }

    private static Called call(Object... arguments) {
        PrintStream out = System.out;
        PrintStream err = System.err;
        ByteArrayOutputStream newOut = new ByteArrayOutputStream();
        ByteArrayOutputStream newErr = new ByteArrayOutputStream();
        try {
            System.setOut(new PrintStream(newOut, true, StandardCharsets.UTF_8));
            System.setErr(new PrintStream(newErr, true, StandardCharsets.UTF_8));
            String[] words = java.util.Arrays.stream(arguments).map(Object::toString).toArray(String[]::new);
            return new Called(Main.run(words), newOut.toString(StandardCharsets.UTF_8), newErr.toString(StandardCharsets.UTF_8));
        } finally {
            System.setOut(out);
            System.setErr(err);
        }
    }

    @Test void publishesARangeAndTellsInJson() throws IOException {
        Called called = call("publish", handbook, "--out", folder.resolve("out.pdf"), "--pages", "1-3,7", "--json");
        assertThat(called.status()).isZero();
        JsonNode result = called.json().get(0);
        assertThat(result.get("done").asBoolean()).isTrue();
        assertThat(result.get("pages").asInt()).isEqualTo(4);
        assertThat(result.get("proofs")).allSatisfy(proof -> assertThat(proof.get("holds").asBoolean()).isTrue());
        try (PDDocument pdf = Loader.loadPDF(Path.of(result.get("file").asText()).toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(4);
        }
    }

    @Test void oneBadFileDoesNotStopTheOthers() throws IOException {
        Path bad = Files.write(folder.resolve("bad.docx"), new byte[0]);
        Called called = call("publish", bad, notice, "--to", "txt", "--out", folder.resolve("texts"), "--json");
        assertThat(called.status()).isEqualTo(1);
        assertThat(called.err()).contains("bad.docx is an empty file");
        assertThat(called.json().get(0).get("done").asBoolean()).isFalse();
        assertThat(folder.resolve("texts/Harbour notice 27.txt")).content().contains("The timbers of the outer berth");
    }

    @Test void contentsInADocxNameTheirPages() throws IOException {
        assertThat(call("publish", handbook, "--to", "docx", "--out", folder.resolve("copy.docx")).status()).isZero();
        assertThat(call("publish", folder.resolve("copy.docx"), "--to", "txt").status()).isZero();
        assertThat(folder.resolve("copy.txt")).content().contains("1 Welcome aboard\t3\n", "7 Index of piers\t13\n");
    }

    @Test void inspectsAFile() throws IOException {
        JsonNode value = call("inspect", handbook, "--json").json();
        assertThat(value.get("kind").asText()).isEqualTo("docx");
        assertThat(value.get("pages").asInt()).isEqualTo(13);
        assertThat(value.get("facts").get("title").asText()).isEqualTo("Passenger handbook");
        assertThat(value.get("outline")).hasSize(30);
        assertThat(value.get("outline").get(2).get("title").asText()).isEqualTo("1.2 The three lines");
        assertThat(value.get("fonts").get(0).get("here").asBoolean()).isTrue();
    }

    @Test void wrongCallsEndWithTwo() {
        assertThat(call().status()).isEqualTo(2);
        assertThat(call("publish").status()).isEqualTo(2);
        assertThat(call("publish", notice, "--to", "papyrus").status()).isEqualTo(2);
        assertThat(call("publish", notice, "--pages", "9-").status()).isEqualTo(2);
        assertThat(call("publish", notice, "--nonsense").status()).isEqualTo(2);
        assertThat(call("nonsense").status()).isEqualTo(2);
    }

    @Test void theOriginalIsNeverTheTarget() throws IOException {
        byte[] before = Files.readAllBytes(notice);
        Called called = call("publish", notice, "--to", "docx", "--present", "replace");
        assertThat(called.status()).isEqualTo(2);
        assertThat(called.err()).contains("the place of an original");
        assertThat(Files.readAllBytes(notice)).isEqualTo(before);
    }

    @Test void failuresEndWithOne() {
        assertThat(call("inspect", folder.resolve("gone.docx")).status()).isEqualTo(1);
        assertThat(call("publish", notice, "--out", folder.resolve("n.pdf")).status()).isZero();
        Called again = call("publish", notice, "--out", folder.resolve("n.pdf"));
        assertThat(again.status()).isEqualTo(1);
        assertThat(again.err()).contains("n.pdf is already in", "n 2.pdf");
    }
}
