package app.decant.recover;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** Programs of the machine that typeset. They are asked only where somebody wants their figures; no test needs them. */
final class Typesetter {
    private Typesetter() { }

    static boolean isHere(String program) {
        return Stream.of(System.getenv("PATH").split(":")).anyMatch(folder -> Files.isExecutable(Path.of(folder, program)));
    }

    /** What it makes of a source, in a folder of its own. */
    static byte[] run(String name, String source, String made, List<List<String>> commands) {
        try {
            Path folder = Files.createTempDirectory("typeset");
            Files.writeString(folder.resolve(name), source);
            for (int size : new int[] {120, 180, 200, 220, 240})
                for (int high : new int[] {70, 90, 100, 110, 120}) Files.write(folder.resolve(size + "x" + high + ".png"), FormattingObjects.png(size, high));
            for (List<String> command : commands) {
                Process process = new ProcessBuilder(command).directory(folder.toFile()).redirectErrorStream(true)
                        .redirectOutput(folder.resolve("log").toFile()).start();
                if (!process.waitFor(60, TimeUnit.SECONDS)) process.destroyForcibly();
            }
            if (!Files.exists(folder.resolve(made))) throw new IllegalStateException(commands + " made nothing: " + Files.readString(folder.resolve("log")));
            byte[] pdf = Files.readAllBytes(folder.resolve(made));
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path file : all.sorted(Comparator.reverseOrder()).toList()) Files.delete(file);
            }
            return pdf;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
