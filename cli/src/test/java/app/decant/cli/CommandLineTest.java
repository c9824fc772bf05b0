package app.decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.demo.DemoFiles;
import app.decant.format.odf.OdfFormat;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
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

    @BeforeEach void files() throws IOException {
        System.setProperty("decant.home", folder.resolve("home").toString());
        List<Path> files = DemoFiles.into(folder);
        handbook = files.get(0);
        notice = files.get(1);
    }

    private static Called call(Object... arguments) { return Called.of(arguments); }

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
    }

    @Test void whatIsWrongWithACallIsSaidInItsOwnWords() throws IOException {
        refused("publish needs to be told FILE.", "publish");
        refused("compare needs to be told B.", "compare", notice);
        refused("--pages needs a value: RANGE.", "publish", notice, "--pages");
        refused("There is no option --nonsense.", "publish", notice, "--nonsense=3");
        refused("There is no option --bookmark. Perhaps --bookmarks is meant.", "publish", notice, "--bookmark", "3");
        refused("There is no command “nonsense”.", "nonsense");
        refused("There is no command “publsh”. Perhaps publish is meant.", "publsh", notice);
        refused("“and” is one word too many.", "compare", notice, handbook, "and");
        refused("--out is said twice.", "publish", notice, "--out", "a.pdf", "--out", "b.pdf");
        refused("“fine” is no number, which --picture-quality needs.", "publish", notice, "--picture-quality", "fine");
    }

    /** The sentence comes first, then where to read more; the same is in the JSON. */
    private static void refused(String sentence, Object... arguments) throws IOException {
        List<Object> asked = new ArrayList<>(List.of(arguments));
        Called said = call(arguments);
        assertThat(said.status()).isEqualTo(2);
        assertThat(said.err().lines().findFirst()).hasValue(sentence);
        // Where a value is missing, the next word would be taken for it.
        asked.add(1, "--json");
        Called told = call(asked.toArray());
        assertThat(told.json().get("message").asText()).isEqualTo(sentence);
        assertThat(told.json().get("kind").asText()).isEqualTo("wrong_call");
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

    @Test void whatCannotBeLockedOrHadIsRefusedByNameBeforeAnythingIsMade() throws IOException {
        Object[][] calls = {{"--user-password"}, {"--user-password", ""}, {"--lock", "none", "--user-password", "x"}, {"--to", "docx", "--owner-password",
                "x"}, {"--to", "odt", "--lock", "aes-256"}, {"--to", "html", "--allow", "print"}, {"--allow", "print", "--lock", "none"},
            {"--to", "txt", "--user-password", "x"}, {"--to", "docx", "--watermark", "DRAFT"}, {"--to", "docx", "--standard", "PDF/A-2b"},
                    {"--to", "docx", "--each", "{n}"}, {"--to", "docx", "--stamp", "x"}, {"--to", "docx", "--letterhead", "x.pdf"},
                    {"--to", "docx", "--linearized"},
            {"--to", "docx", "--bookmarks", "1-3"}, {"--to", "docx", "--pages", "1"}, {"--mail-only"}, {"--mail-to", "nobody"},
                    {"--user-password-from", "env:NOT_THERE_AT_ALL"}, {"--set", "locking=true"}, {"--set", "version=9.9"}, {"--set", "opening.page=99"},
                    {"--stamp-place", "top"}};
        for (Object[] options : calls) {
            List<Object> words = new ArrayList<>(List.of("publish", notice, "--out", folder.resolve("made"), "--json"));
            if (!Arrays.asList(options).contains("--to")) words.set(3, folder.resolve("made.pdf"));
            words.addAll(Arrays.asList(options));
            Called called = call(words.toArray());
            assertThat(called.status()).as(words + " " + called.err()).isEqualTo(2);
            assertThat(called.json()).as("one JSON value, always").isNotNull();
            assertThat(folder.toFile().list((parent, name) -> name.startsWith("made"))).as(words.toString()).isEmpty();
        }
    }

    @Test void passwordsComeFromFilesForScripts() throws IOException {
        Path secret = Files.writeString(folder.resolve("secret.txt"), "harbour lights\n");
        assertThat(call("publish", notice, "--out", folder.resolve("locked.pdf"), "--user-password-from", "file:" + secret).status()).isZero();
        assertThat(call("inspect", folder.resolve("locked.pdf")).status()).isEqualTo(1);
        assertThat(call("inspect", folder.resolve("locked.pdf"), "--password-from", "file:" + secret).status()).isZero();
    }

    @Test void aWorkOfSeveralFilesNamesEachWithItsProofs() throws IOException {
        JsonNode each = call("publish", notice, "--out", folder.resolve("sheet.pdf"), "--each", "{name} {n}", "--also", "docx", "--json").json().get(0);
        assertThat(each.get("files")).hasSize(3).allSatisfy(file -> {
            assertThat(Path.of(file.get("file").asText())).exists();
            assertThat(file.get("proofs")).isNotEmpty().allSatisfy(proof -> assertThat(proof.get("holds").asBoolean()).isTrue());
        });
        JsonNode mailed = call("publish", notice, "--out", folder.resolve("mailed.pdf"), "--mail-to", "office@ferries.example", "--mail-only", "--json")
                .json().get(0);
        assertThat(Path.of(mailed.get("file").asText())).exists().hasExtension("eml");
        assertThat(folder.resolve("mailed.pdf")).doesNotExist();
    }

    @Test void theNameOfTheResultSaysTheFormatAndMustNotContradict() {
        assertThat(call("publish", notice, "--out", folder.resolve("named.odt")).status()).isZero();
        assertThat(Decant.open(folder.resolve("named.odt")).format()).isEqualTo(OdfFormat.ODT);
        assertThat(call("publish", notice, "--to", "pdf", "--out", folder.resolve("wrong.docx")).status()).isEqualTo(2);
    }

    @Test void whatWaitsInTheQueueKeepsAllThatWasWished() throws IOException {
        Called put = call("publish", notice, "--out", folder.resolve("later.pdf"), "--also", "txt", "--attach-source", "--receipt",
                folder.resolve("receipt.json"), "--queue");
        assertThat(put.status()).as(put.err()).isZero();
        assertThat(folder.resolve("later.pdf")).doesNotExist();
        assertThat(call("queue", "run", "--json").status()).isZero();
        assertThat(folder.resolve("later.txt")).exists();
        assertThat(new ObjectMapper().readTree(folder.resolve("receipt.json").toFile())).hasSize(2);
        try (PDDocument pdf = Loader.loadPDF(folder.resolve("later.pdf").toFile())) {
            assertThat(pdf.getDocumentCatalog().getNames().getEmbeddedFiles().getNames()).hasSize(1);
        }
    }
}
