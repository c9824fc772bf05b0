package app.decant;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** How the sources are to read. */
class SourceTest {
    private static final Pattern NO_CODE = Pattern.compile("/\\*.*?\\*/|//[^\n]*|\"(?:\\\\.|[^\"\\\\\n])*\"", Pattern.DOTALL);
    private static final Pattern HEAD = Pattern.compile("^(?:import|package) .*$", Pattern.MULTILINE);
    private static final Pattern QUALIFIED = Pattern.compile("(?<![\\w.])(?:java|javax|javafx|app|org|com)(?:\\.[a-z]\\w*)+\\.([A-Z]\\w*)");
    private static final Pattern IMPORT = Pattern.compile("^import (?:static )?[\\w.]+\\.(\\w+);$", Pattern.MULTILINE);

    private static List<Path> sources(String kind) throws IOException {
        List<Path> sources = new ArrayList<>();
        for (String module : List.of("core", "cli", "desktop", "bench")) {
            Path folder = Path.of("..", module, "src", kind, "java");
            if (!Files.isDirectory(folder)) continue;
            try (Stream<Path> files = Files.walk(folder)) {
                sources.addAll(files.filter(one -> one.toString().endsWith(".java")).toList());
            }
        }
        assertThat(sources).hasSizeGreaterThan(50);
        return sources;
    }

    @Test void linesFitOnAScreen() throws IOException {
        List<String> wide = new ArrayList<>();
        for (String kind : List.of("main", "test")) {
            for (Path file : sources(kind)) for (String line : Files.readAllLines(file)) if (line.length() > 160) wide.add(file + ": " + line.strip());
        }
        assertThat(wide).isEmpty();
    }

    /** A name is written in full only where its short form means something else. */
    @Test void namesAreImported() throws IOException {
        Set<String> found = new TreeSet<>();
        for (String kind : List.of("main", "test")) {
            for (Path file : sources(kind)) {
                if (file.endsWith("package-info.java")) continue;
                String text = Files.readString(file);
                String code = HEAD.matcher(NO_CODE.matcher(text).replaceAll("")).replaceAll("");
                Matcher matcher = QUALIFIED.matcher(code);
                while (matcher.find()) {
                    String name = matcher.group(1);
                    boolean taken = text.matches("(?s).*\nimport [\\w.]+\\." + name + ";.*") || text.matches("(?s).*\\b(?:class|record|enum|interface) "
                            + name + "\\b.*")
                            || Files.exists(file.resolveSibling(name + ".java"));
                    if (!taken) found.add(file + ": " + matcher.group());
                }
            }
        }
        assertThat(found).isEmpty();
    }

    @Test void importsAreUsed() throws IOException {
        Set<String> found = new TreeSet<>();
        for (String kind : List.of("main", "test")) {
            for (Path file : sources(kind)) {
                String text = Files.readString(file);
                Set<String> words = new TreeSet<>(Arrays.asList(HEAD.matcher(text).replaceAll("").split("\\W+")));
                Matcher matcher = IMPORT.matcher(text);
                while (matcher.find()) if (!words.contains(matcher.group(1))) found.add(file + ": " + matcher.group());
            }
        }
        assertThat(found).isEmpty();
    }
}
