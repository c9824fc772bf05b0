package app.decant.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Where letters of a text are on the lines of a page that show it. */
class ProvenanceTest {
    private static final List<Provenance.Sheet> SHEETS = List.of(new Provenance.Sheet(595, 842, 0));

    private static Provenance.Line line(String letters) {
        int[] marks = new int[letters.length()];
        float[] places = new float[letters.length()];
        for (int i = 0; i < marks.length; i++) {
            marks[i] = i;
            places[i] = i;
        }
        return new Provenance.Line(0, letters, marks, places, places, 100, 10);
    }

    private static Paragraph paragraph(String text) {
        Paragraph made = Paragraph.of("");
        List<Inline> inlines = new ArrayList<>();
        for (String part : text.split("(?=#)|(?<=#)"))
            inlines.add(part.equals("#") ? new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "1", Look.PLAIN) : new Inline.Text(part, Look.PLAIN));
        return made.withInlines(inlines);
    }

    /** Every letter of a head is found where the line has it, numbers of any length between; another text is none of it. */
    @Test void aHeadIsFoundAroundTheNumbersOfItsPages() {
        Random random = new Random(3);
        for (int i = 0; i < 300; i++) {
            String before = "abc def ".substring(0, random.nextInt(9));
            String number = String.valueOf(random.nextInt(2000));
            String after = " of the pier".substring(0, random.nextInt(13));
            int[] counted = {before.length(), before.length() + number.length()};
            Provenance.Head head = new Provenance.Head(line(before + number + after), true, List.of(counted));
            String text = before + Inline.OBJECT + after;
            int[] letters = head.letters(text);
            assertThat(letters).as(text).isNotNull();
            for (int at = 0; at < text.length(); at++) {
                char letter = text.charAt(at);
                if (letter == Inline.OBJECT) assertThat(letters[at]).isEqualTo(before.length());
                else if (letter != ' ') assertThat(head.line().letters().charAt(letters[at])).isEqualTo(letter);
                else assertThat(letters[at]).isEqualTo(-1);
            }
            assertThat(head.letters(text + "x")).isNull();
            assertThat(head.letters("x" + text)).isNull();
        }
    }

    /** The number of a note is the object that it is in the text; all after it stands where it stood. */
    @Test void theNumberOfANoteIsItsMark() {
        Paragraph noted = paragraph("but one#. More of it.");
        for (String number : List.of("1", "12", "*")) {
            Provenance provenance = new Provenance(Map.of(noted, List.of(line("but one" + number + ". More"), line("of it."))), SHEETS);
            int[][] places = provenance.places(noted);
            assertThat(places).as(number).isNotNull();
            assertThat(places[7]).containsExactly(0, 7);
            assertThat(places[8]).containsExactly(0, 7 + number.length());
            assertThat(places[noted.text().length() - 1]).containsExactly(1, 5);
        }
        Provenance other = new Provenance(Map.of(noted, List.of(line("but two. More of it."))), SHEETS);
        assertThat(other.places(noted)).isNull();
    }
}
