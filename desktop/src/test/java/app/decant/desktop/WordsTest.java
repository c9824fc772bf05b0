package app.decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.desktop.part.Words;
import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The bundle holds every word that the window asks for, each a whole message that can be filled in. */
class WordsTest {
    private static final ResourceBundle BUNDLE = ResourceBundle.getBundle("app.decant.desktop.words", Locale.ENGLISH);

    @Test void everyMessageIsWellFormedAndNumbersItsValuesFromTheFirst() {
        for (String key : BUNDLE.keySet()) {
            MessageFormat message = new MessageFormat(BUNDLE.getString(key), Locale.ENGLISH);
            Set<String> names = message.getArgumentNames();
            for (int i = 0; i < names.size(); i++) assertThat(names).as(key).contains(Integer.toString(i));
        }
    }

    @Test void countsChooseTheirWords() {
        assertThat(Words.of("pages", 1)).isEqualTo("1 page");
        assertThat(Words.of("pages", 1234)).isEqualTo("1234 pages");
        assertThat(Words.of("words", 2361)).isEqualTo("2,361 words");
        assertThat(Words.of("proof.pages", 0)).isEqualTo("0 pages, text whole and in order");
        assertThat(Words.of("folders.minutes", 1)).isEqualTo("about a minute left");
    }

    @Test void whateverIsAskedForByNameIsThere() throws IOException {
        Pattern asked = Pattern.compile("Words\\.of\\(\"([a-z][A-Za-z.]*)\"[,)]");
        List<String> missing = new ArrayList<>();
        int seen = 0;
        try (Stream<Path> files = Files.walk(Path.of("src", "main", "java"))) {
            for (Path file : files.filter(one -> one.toString().endsWith(".java")).toList()) {
                Matcher matcher = asked.matcher(Files.readString(file));
                while (matcher.find()) {
                    seen++;
                    if (!BUNDLE.containsKey(matcher.group(1))) missing.add(file.getFileName() + ": " + matcher.group(1));
                }
            }
        }
        assertThat(missing).isEmpty();
        assertThat(seen).isGreaterThan(200);
    }
}
