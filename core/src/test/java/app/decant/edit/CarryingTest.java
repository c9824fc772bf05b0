package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Text carried elsewhere is what cutting and pasting plain letters would give, in one step that can be taken back. */
class CarryingTest {
    private static final List<String> LINES = List.of("The ferry sails at noon.", "", "Dogs travel free.", "Bicycles 3 crowns", "x", "Ask the purser.");

    private static Document document() {
        List<Block> blocks = new ArrayList<>();
        for (String line : LINES) blocks.add(Paragraph.of(line));
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(blocks)));
    }

    private static String text(Document document) {
        return Walk.of(document).stops().stream().map(stop -> stop.paragraph().text()).collect(Collectors.joining("\n"));
    }

    /** The place that is so many letters from the beginning, ends of paragraphs counted as one. */
    private static Place place(Document document, int at) {
        int left = at;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            if (left <= stop.paragraph().length()) return new Place(stop.path(), left);
            left -= stop.paragraph().length() + 1;
        }
        throw new AssertionError(at);
    }

    @Test void itIsCuttingAndPastingInOneStep() {
        Random random = new Random(7);
        Document document = document();
        String text = text(document);
        for (int i = 0; i < 400; i++) {
            int one = random.nextInt(text.length() + 1);
            int other = random.nextInt(text.length() + 1);
            int from = Math.min(one, other);
            int to = Math.max(one, other);
            int at = random.nextInt(text.length() + 1);
            boolean copy = random.nextBoolean();
            TextSelection picked = new TextSelection(place(document, from), place(document, to));
            Change change = Carrying.carry(document, picked, place(document, at), copy);
            String what = text.substring(from, to);
            String rest = copy ? text : text.substring(0, from) + text.substring(to);
            int there = copy || at <= from ? at : at - what.length();
            boolean within = at >= from && at <= to;
            assertThat(text(change.after())).as("%d to %d, to %d, %s", from, to, at, copy)
                    .isEqualTo(within ? text : rest.substring(0, there) + what + rest.substring(there));
            assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
            if (within) continue;
            TextSelection now = (TextSelection) change.picked();
            assertThat(List.of(now.start(), now.end())).containsExactly(place(change.after(), there), place(change.after(), there + what.length()));
        }
    }
}
