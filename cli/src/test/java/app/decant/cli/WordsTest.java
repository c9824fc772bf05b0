package app.decant.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.TreeSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine;
import picocli.CommandLine.Model.PositionalParamSpec;

/** The command line's words stand in two files, all of them, and none stands in its code. */
class WordsTest {
    private static final ResourceBundle SENTENCES = ResourceBundle.getBundle("app.decant.cli.words", Locale.ROOT);
    private static final ResourceBundle OPTIONS = ResourceBundle.getBundle("app.decant.cli.options", Locale.ROOT);
    private static final Pattern WORDS_IN_CODE = Pattern.compile("\"(?:[^\"\\\\\\n]|\\\\.)*\\p{Alpha}+ \\p{Alpha}+ \\p{Alpha}+(?:[^\"\\\\\\n]|\\\\.)*\"");

    @Test void everyCommandOptionAndParameterSaysWhatItIsFor() {
        Set<String> asked = new TreeSet<>();
        described(Main.line().getCommandSpec(), asked);
        assertThat(asked).hasSizeGreaterThan(70);
        // What nothing asks for is dead.
        assertThat(OPTIONS.keySet()).filteredOn(key -> !key.contains("usage.")).allMatch(key -> asked.contains(key)
                || asked.stream().anyMatch(one -> key.startsWith("decant.") && key.endsWith('.' + one)));
    }

    private static void described(CommandSpec command, Set<String> asked) {
        if (command.name().equals("help")) return;
        assertThat(command.usageMessage().description()).as(command.qualifiedName()).isNotEmpty();
        for (ArgSpec one : command.args()) {
            String name = one instanceof OptionSpec option ? option.longestName().substring(2)
                    : one.paramLabel() + '[' + ((PositionalParamSpec) one).index() + ']';
            assertThat(String.join("", one.description())).as(command.qualifiedName() + " " + name).isNotBlank();
            asked.add(name);
        }
        for (CommandLine each : command.subcommands().values()) described(each.getCommandSpec(), asked);
    }

    @Test void noSentenceStandsInTheCodeAndEachInTheFileIsSaid() throws IOException {
        Set<String> said = new TreeSet<>();
        for (Path file : sources()) {
            String code = Files.readString(file);
            assertThat(WORDS_IN_CODE.matcher(code).results().map(found -> found.group())).as(file.toString()).isEmpty();
            for (String key : SENTENCES.keySet()) if (code.contains('"' + key + '"')) said.add(key);
            Matcher asked = Pattern.compile("Words\\.(?:of|wrong)\\((?:\\w+, )?\"([\\w.-]+)\"").matcher(code);
            while (asked.find()) assertThat(SENTENCES.containsKey(asked.group(1))).as(asked.group(1)).isTrue();
        }
        assertThat(said).isEqualTo(SENTENCES.keySet());
    }

    @Test void countsChooseTheirWordsAndAnEmptyQueueIsSaidSo() {
        assertThat(Words.of("publish.made", "a.docx", "a.pdf", 1, 20_480)).isEqualTo("a.docx → a.pdf, 1 page, 20,480 bytes");
        assertThat(Words.of("publish.made", "a.docx", "a.txt", 0, 1)).isEqualTo("a.docx → a.txt, 1 byte");
        assertThat(Words.wrong("queue.number", "99", 0)).hasMessage("There is no number 99 in the queue; it is empty.");
        assertThat(Words.of("inspect.sheet", "Fares", true, "A1:G40")).isEqualTo("sheet    Fares, hidden, A1:G40");
        assertThat(Words.of("inspect.sheet", "Notes", false, "none")).isEqualTo("sheet    Notes, empty");
    }

    private static List<Path> sources() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("src", "main", "java"))) {
            return files.filter(file -> file.toString().endsWith(".java")).toList();
        }
    }
}
