package app.decant.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.text.MessagePattern;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the core says: whole sentences in one file, all of them there, filled in by as many values as they have places. */
class MessageTest {
    private static final ResourceBundle BUNDLE = ResourceBundle.getBundle("app.decant.words.sentences", Locale.ROOT);
    private static final Pattern ASKED = Pattern.compile("Message\\.of\\(\\s*\"([\\w.-]+)\"");
    private static final Pattern QUOTED = Pattern.compile("\"([\\w.-]+)(?=\")");
    /** Keys that are put together from the name of a value. */
    private static final Pattern BY_NAME = Pattern.compile("(?:format|folder|topic|kind|recipe|sheet\\.lost)\\..*");

    @Test void everySentenceIsWellFormedAndNumbersItsValuesFromTheFirst() {
        for (String key : BUNDLE.keySet()) {
            Set<Integer> places = places(key);
            for (int i = 0; i < places.size(); i++) assertThat(places).as(key).contains(i);
        }
    }

    @Test void whateverIsSaidIsThereWithAsManyValuesAsItHasPlaces() throws IOException {
        List<String> wrong = new ArrayList<>();
        Set<String> used = new TreeSet<>(List.of("said", "list"));
        for (Path file : sources()) {
            String text = Files.readString(file);
            QUOTED.matcher(text).results().map(quoted -> quoted.group(1)).filter(BUNDLE::containsKey).forEach(used::add);
            Matcher matcher = ASKED.matcher(text);
            while (matcher.find()) {
                String key = matcher.group(1);
                if (text.startsWith(" +", matcher.end()) || key.endsWith(".")) continue;
                if (!BUNDLE.containsKey(key)) wrong.add(file.getFileName() + ": there is no " + key);
                else if (values(text, matcher.end()) != places(key).size())
                    wrong.add(file.getFileName() + ": other values for " + key);
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(used).hasSizeGreaterThan(300);
        assertThat(BUNDLE.keySet()).allMatch(key -> used.contains(key) || BY_NAME.matcher(key).matches());
    }

    /** What was put into words is for interfaces; the core has none of its own. */
    @Test void noSentenceStandsInTheCode() throws IOException {
        for (Path file : sources()) assertThat(Files.readString(file)).as(file.toString()).doesNotContain("Message.said(\"");
    }

    @Test void countsAndChoicesChooseTheirWords() {
        assertThat(Message.of("check.pages-as-chosen", 1, 1)).hasToString("1 page, as chosen");
        assertThat(Message.of("check.pages-as-chosen", 12, 12)).hasToString("12 pages, as chosen");
        assertThat(Message.of("layout.stand-in", "Harbour Sans", "Carlito", true))
                .hasToString("Harbour Sans is not here; Carlito stands in for it. It has the same widths, so lines end where they did.");
        assertThat(Message.of("publish.that-is-for-pdfs", Message.list(List.of(Message.of("wish.bookmarks"), Message.of("wish.pages", "2-3"))), "rtf"))
                .hasToString("That is for PDFs, not for a .rtf: bookmarks, pages 2-3. Make a PDF, or leave it out.");
    }

    @Test void theSameIsEqualAndWhatIsNoSentenceCannotBeSaid() {
        assertThat(Message.of("place.page", 3)).isEqualTo(Message.of("place.page", 3)).isNotEqualTo(Message.of("place.page", 4));
        assertThatThrownBy(() -> Message.of("no.such.sentence")).isInstanceOf(IllegalArgumentException.class);
        assertThat(Message.said("100 % {0} of it's own")).hasToString("100 % {0} of it's own");
    }

    @Test void aSecondLanguageIsOneFile() {
        Locale before = Locale.getDefault();
        try {
            Locale.setDefault(Locale.GERMANY);
            Sentences german = new Sentences("app.decant.words.two-languages");
            assertThat(german.say("pages", 1)).isEqualTo("1 Seite");
            assertThat(german.say("pages", 2015)).isEqualTo("2.015 Seiten");
            assertThat(german.say("only", "one.pdf")).isEqualTo("one.pdf is here");
            Locale.setDefault(Locale.FRANCE);
            assertThat(new Sentences("app.decant.words.two-languages").say("pages", 2015)).isEqualTo("2,015 pages");
        } finally {
            Locale.setDefault(before);
        }
    }

    /** What a sentence has places for, also in its choices. */
    private static Set<Integer> places(String key) {
        MessagePattern pattern = new MessagePattern(BUNDLE.getString(key));
        Set<Integer> places = new TreeSet<>();
        for (int i = 0; i < pattern.countParts(); i++)
            if (pattern.getPartType(i) == MessagePattern.Part.Type.ARG_NUMBER) places.add(pattern.getPart(i).getValue());
        return places;
    }

    private static List<Path> sources() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("src", "main", "java"))) {
            return files.filter(file -> file.toString().endsWith(".java") && !file.endsWith(Path.of("words", "Message.java"))).toList();
        }
    }

    /** How many arguments follow, up to the parenthesis that ends the call. */
    private static int values(String text, int from) {
        int depth = 0;
        int count = 0;
        for (int i = from;; i++) {
            char c = text.charAt(i);
            if (c == '"' || c == '\'') {
                for (i++; text.charAt(i) != c; i++) if (text.charAt(i) == '\\') i++;
            } else if ("([{".indexOf(c) >= 0) {
                depth++;
            } else if (")]}".indexOf(c) >= 0) {
                if (depth-- == 0) return count;
            } else if (c == ',' && depth == 0) {
                count++;
            }
        }
    }
}
