package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Anchor;
import app.decant.document.BlockPath;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Story;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.layout.Layout;
import app.decant.layout.Sample;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Boxes that lie upon each other: which of them is seen. */
class OverlapsTest {
    private static Inline box(String words) {
        TextBox box = new TextBox(List.of(Paragraph.of(words)), 120, 60, false, TableProperty.Insets.NONE, null, new Colour(0xFFFFFF));
        Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, (ParagraphProperty.Alignment) null, 200),
                new Anchor.Vertical(Anchor.Vertical.From.PAGE, (TableProperty.VerticalAlignment) null, 300), Anchor.Wrap.NONE,
                TableProperty.Insets.NONE, false);
        return new Inline.Floating(anchor, box, Look.PLAIN);
    }

    private static Document document() {
        List<Inline> inlines = new ArrayList<>(List.of(box("first"), box("second"), box("third")));
        inlines.addAll(Paragraph.of("The pier is open.").inlines());
        return Sample.of(List.of(Paragraph.of("").withInlines(inlines)));
    }

    private static Selection in(int box) {
        return TextSelection.caret(new Place(new Story.Box(new Place(BlockPath.of(0, 0), box)), BlockPath.of(0, 0), 0));
    }

    /** The words of the boxes as they are painted. */
    private static List<String> painted(Document document) {
        return Layout.of(document, FontCatalogue.shipped()).page(0).text().stream().filter(Item.LineItem.class::isInstance)
                .map(item -> TextPassage.paragraph((Item.LineItem) item).text()).filter(List.of("first", "second", "third")::contains).toList();
    }

    @Test void whatIsLaidOverAllIsPaintedLastAndTakenBack() {
        Document document = document();
        assertThat(painted(document)).containsExactly("first", "second", "third");
        Change over = Overlaps.lay(document, in(0), true);
        assertThat(painted(over.after())).containsExactly("second", "third", "first");
        Change under = Overlaps.lay(over.after(), in(2), false);
        assertThat(painted(under.after())).containsExactly("third", "second", "first");
        assertThat(under.transaction().inverse(over.after()).apply(under.after()).document()).isEqualTo(over.after());
        assertThat(Overlaps.lay(under.after(), in(2), false).after()).as("as it was").isEqualTo(under.after());
    }

    /** In the terms of ISO/IEC 29500-1, 20.4.2.3, and ISO/IEC 26300-1, 19.231, both read back. */
    @ParameterizedTest @ValueSource(strings = {"docx", "odt", "rtf"}) void formatsKeepIt(String ending) {
        Document laid = Overlaps.lay(Overlaps.lay(document(), in(0), true).after(), in(2), false).after();
        byte[] file = Formats.called(ending).write(laid, Instant.EPOCH).bytes();
        Document back = Formats.read(file, "x." + ending, null, Progress.SILENT).document();
        assertThat(painted(back)).containsExactly("third", "second", "first");
    }
}
