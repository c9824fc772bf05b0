package app.decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The folder command as a process of its own, killed at any moment and started again. */
class FolderCommandTest {
    /** {@code -Ddecant.kills=100} kills a hundred times; there is then as much more to do. */
    private static final int KILLS = Integer.getInteger("decant.kills", 8);
    private static final int FILES = 5 * KILLS;

    @TempDir private Path folder;

    private List<String> call(String... arguments) {
        List<String> call = new ArrayList<>(List.of(ProcessHandle.current().info().command().orElse("java"), "-cp", System.getProperty("java.class.path"),
                "-Ddecant.home=" + folder.resolve("home"), "app.decant.cli.Main", "folder"));
        call.addAll(List.of(arguments));
        return call;
    }

    private Path sources() throws IOException { return sources(FILES); }

    private Path sources(int count) throws IOException {
        Path source = Files.createDirectories(folder.resolve("in"));
        for (int i = 0; i < count; i++) {
            Path file = source.resolve("year " + i % 4).resolve("notice " + i + (i % 2 == 0 ? ".txt" : ".md"));
            Files.createDirectories(file.getParent());
            Files.writeString(file, ("The ferry number " + i + " leaves the pier at the time that the table says.\n\n").repeat(60));
        }
        return source;
    }

    private static List<Path> files(Path of) throws IOException {
        try (Stream<Path> files = Files.walk(of)) {
            return files.filter(Files::isRegularFile).filter(file -> !file.getFileName().toString().equals(".decant-journal.jsonl")).toList();
        }
    }

    @Test void losesAndDoublesNothingHoweverOftenItIsKilled() throws Exception {
        Path source = sources();
        Path target = folder.resolve("out");
        Random random = new Random();
        long seed = random.nextLong();
        random.setSeed(seed);
        int kills = 0;
        for (int i = 0; i < KILLS; i++) {
            Process process = new ProcessBuilder(call(source.toString(), "--into", target.toString())).redirectErrorStream(true)
                    .redirectOutput(new File(folder.toFile(), "log")).start();
            if (!process.waitFor(700 + random.nextInt(1800), TimeUnit.MILLISECONDS)) kills++;
            process.destroyForcibly().waitFor();
        }
        Process last = new ProcessBuilder(call(source.toString(), "--into", target.toString(), "--json")).redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        JsonNode log = new ObjectMapper().readTree(last.getInputStream().readAllBytes());
        assertThat(last.waitFor()).isZero();
        assertThat(kills).as("seed %d", seed).isPositive();
        assertThat(log.path("files")).hasSize(FILES);
        assertThat(files(target)).as("one result for each file, no halves, seed %d", seed).hasSize(FILES).allMatch(file -> file.toString().endsWith(".pdf"));
        for (Path result : files(target)) {
            try (PDDocument pdf = Loader.loadPDF(result.toFile())) {
                assertThat(pdf.getNumberOfPages()).isPositive();
            }
        }
    }

    /** Locks of files belong to processes on some systems, so one process alone cannot show this. */
    @Test void aSecondRunOfTheSameFilesIsKeptOut() throws Exception {
        Path source = sources(300);
        Path target = folder.resolve("out");
        Process first = new ProcessBuilder(call(source.toString(), "--into", target.toString(), "--faith", "1")).redirectErrorStream(true)
                .redirectOutput(new File(folder.toFile(), "log")).start();
        try {
            for (int i = 0; i < 600 && (!Files.isDirectory(target) || files(target).isEmpty()); i++) Thread.sleep(20);
            // A dry run looks at the journal while the first is at work, and must not loosen its hold.
            assertThat(new ProcessBuilder(call(source.toString(), "--into", target.toString(), "--dry-run")).redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD).start().waitFor()).isZero();
            Process second = new ProcessBuilder(call(source.toString(), "--into", target.toString())).redirectErrorStream(true).start();
            String said = new String(second.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(first.isAlive()).as("the first is still at work").isTrue();
            assertThat(second.waitFor()).isEqualTo(1);
            assertThat(said).contains("Another run is at work");
            int there = files(target).size();
            for (int i = 0; i < 600 && files(target).size() < there + 3; i++) Thread.sleep(20);
            assertThat(files(target)).as("the first goes on").hasSizeGreaterThan(there);
        } finally {
            first.destroy();
            first.waitFor();
        }
    }

    @Test void saysWhatItWouldDoAndDoesNothing() throws Exception {
        Path source = sources();
        Process dry = new ProcessBuilder(call(source.toString(), "--into", folder.resolve("out").toString(), "--to", "odt", "--pattern", "*.md", "--dry-run",
                "--json")).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        JsonNode said = new ObjectMapper().readTree(dry.getInputStream().readAllBytes());
        assertThat(dry.waitFor()).isZero();
        assertThat(said.path("items")).hasSize(FILES / 2);
        assertThat(said.path("items").get(0).path("target").asText()).endsWith(".odt");
        assertThat(folder.resolve("out")).doesNotExist();
        Process wrong = new ProcessBuilder(call(source.toString())).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        assertThat(wrong.waitFor()).isEqualTo(2);
    }

    @Test void watchesAFolderAndMovesWhatIsDone() throws Exception {
        Path source = Files.createDirectories(folder.resolve("in"));
        Path target = folder.resolve("out");
        Process watching = new ProcessBuilder(call(source.toString(), "--into", target.toString(), "--watch", "--done-into", "done"))
                .redirectErrorStream(true).redirectOutput(new File(folder.toFile(), "log")).start();
        try {
            Files.writeString(source.resolve("late.txt"), "The last ship leaves at nine.");
            for (int i = 0; i < 300 && !(Files.exists(target.resolve("late.pdf")) && Files.exists(source.resolve("done/late.txt"))); i++) Thread.sleep(100);
            assertThat(target.resolve("late.pdf")).exists();
            assertThat(source.resolve("done/late.txt")).exists();
            assertThat(source.resolve("late.txt")).doesNotExist();
            Thread.sleep(2500);
            assertThat(files(target)).as("what was moved is not made again").hasSize(1);
        } finally {
            watching.destroyForcibly().waitFor();
        }
    }
}
