package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.ListLabels;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.format.Format;
import app.decant.format.Formats;
import app.decant.format.odf.OdfFormat;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.format.rtf.RtfFormat;
import app.decant.layout.Sample;
import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Lists made, set deeper, counted anew and ended; as they are counted and as they are saved. */
class ListsTest {
    private static final Document TEXT = Sample.of(List.of("a", "b", "c", "d").stream().map(Paragraph::of).toList());

    private static TextSelection from(int first, int last) {
        return new TextSelection(new Place(BlockPath.of(0, first), 0), new Place(BlockPath.of(0, last), 1));
    }

    private static String told(Document document) {
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        return Walk.of(document).stops().stream().map(Walk.Stop::paragraph).map(paragraph -> (labels.label(paragraph) == null ? "" : labels.label(paragraph))
                + paragraph.text()).collect(Collectors.joining(" "));
    }

    private static Document after(Document before, Change change) {
        assertThat(change.transaction().inverse(before).apply(change.after()).document()).isEqualTo(before);
        return change.after();
    }

    @Test void paragraphsBecomeItemsAndItemsParagraphs() {
        Document numbers = after(TEXT, Lists.toggle(TEXT, from(0, 2), Lists.Kind.NUMBERS));
        assertThat(told(numbers)).isEqualTo("1.a 2.b 3.c d");
        assertThat(told(after(numbers, Lists.toggle(numbers, from(3, 3), Lists.Kind.NUMBERS)))).as("goes on with the list before").isEqualTo("1.a 2.b 3.c 4.d");
        assertThat(told(after(numbers, Lists.toggle(numbers, from(3, 3), Lists.Kind.BULLETS)))).isEqualTo("1.a 2.b 3.c \u2022d");
        assertThat(after(numbers, Lists.toggle(numbers, from(0, 2), Lists.Kind.NUMBERS)).blocks()).isEqualTo(TEXT.blocks());
        assertThat(told(after(numbers, Lists.toggle(numbers, from(1, 1), Lists.Kind.BULLETS)))).isEqualTo("1.a \u2022b 2.c d");
    }

    /** A paragraph below a counted heading begins a list of its own. */
    @Test void headingsAreNoLists() {
        Document counted = Lists.toggle(TEXT, from(0, 0), Lists.Kind.NUMBERS).after();
        Document headed = Dressing.paragraphs(counted, from(0, 0), paragraph -> paragraph.withLook(paragraph.look().with(ParagraphProperty.OUTLINE_LEVEL, 1)),
                EditKind.HEADING).after();
        assertThat(told(Lists.toggle(headed, from(1, 2), Lists.Kind.NUMBERS).after())).isEqualTo("1.a 1.b 2.c d");
        assertThat(Lists.deeper(headed, from(0, 0), 1).isNothing()).isTrue();
    }

    @Test void itemsGoDeeperAndAreCountedAnew() {
        Document list = Lists.toggle(TEXT, from(0, 3), Lists.Kind.NUMBERS).after();
        Document deeper = after(list, Lists.deeper(list, from(1, 2), 1));
        assertThat(told(deeper)).isEqualTo("1.a a.b b.c 2.d");
        assertThat(told(after(deeper, Lists.deeper(deeper, from(1, 2), -5)))).isEqualTo("1.a 2.b 3.c 4.d");
        assertThat(told(after(list, Lists.restart(list, from(2, 2))))).isEqualTo("1.a 2.b 1.c 2.d");
        assertThat(Lists.deeper(TEXT, from(0, 1), 1).isNothing()).as("what is no item stays").isTrue();
    }

    /** Counted in other programs as here: written and read again in each format. */
    @Test void countsOutliveSaving() {
        Document list = Lists.restart(Lists.toggle(TEXT, from(0, 3), Lists.Kind.NUMBERS).after(), from(2, 2)).after();
        Document made = Lists.deeper(list, from(3, 3), 1).after();
        for (Format format : List.of(OoxmlFormat.DOCX, OdfFormat.ODT, RtfFormat.RTF)) {
            Document again = Formats.read(format.write(made, Instant.EPOCH).bytes(), "x." + format.ending(), null, Progress.SILENT).document();
            assertThat(told(again)).as(format.ending()).isEqualTo("1.a 2.b 1.c a.d");
        }
    }
}
