package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.RandomDocument;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;

/** Paragraphs of a long document that are set ahead by all cores, and the page that is looked at, which comes first: both are those of a plain layout. */
class SettingAheadTest {
    @Test void pagesSetAheadAreThoseSetOneByOne() {
        for (int seed = 0; seed < 6; seed++) {
            Document document = longDocument(seed);
            Layout oneByOne = new Layout(FontCatalogue.shipped());
            // Only what is laid out first is set ahead; this goes on from a document of the same styles.
            oneByOne.next(document.withSections(List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("before"))))));
            PagedDocument expected = oneByOne.next(document);
            PagedDocument ahead = Layout.of(document, FontCatalogue.shipped());
            assertThat(RelayoutTest.painted(ahead)).as("seed %d", seed).isEqualTo(RelayoutTest.painted(expected));
            assertThat(ahead.findings()).as("seed %d", seed).isEqualTo(expected.findings());
            assertThat(ahead.fonts()).extracting(FontCatalogue.Match::family).isEqualTo(expected.fonts().stream().map(FontCatalogue.Match::family).toList());
        }
    }

    @Test void aStyleOfMostTextChangedGivesThePagesOfALayoutFromNothing() {
        Document document = withStyle(longDocument(3), 10);
        Layout layout = new Layout(FontCatalogue.shipped());
        layout.next(document);
        for (double size : new double[] {12, 9.5, 10}) {
            document = withStyle(document, size);
            assertThat(RelayoutTest.painted(layout.next(document))).isEqualTo(RelayoutTest.painted(Layout.of(document, FontCatalogue.shipped())));
        }
    }

    @Test void thePageLookedAtComesFirstAndAsItWillBe() {
        Document document = Sample.of(Sample.prose(300, 60, 7));
        Layout layout = new Layout(FontCatalogue.shipped());
        PagedDocument before = layout.next(document);
        int looked = before.count() / 2;
        AtomicReference<Page> seen = new AtomicReference<>();
        Style normal = document.styles().style("Normal");
        Style red = normal.withLook(normal.look().with(TextProperty.COLOUR, new Colour(0x8A3B12)));
        PagedDocument after = layout.next(document.withStyles(document.styles().with(red)), Progress.SILENT, looked, seen::set);
        assertThat(seen.get()).isNotNull();
        List<String> expected = RelayoutTest.painted(after.on(List.of(after.page(looked))));
        assertThat(RelayoutTest.painted(before.on(List.of(seen.get())))).isEqualTo(expected).anyMatch(line -> line.contains(red.look().get(TextProperty.COLOUR)
                .toString()));
    }

    @Test void nothingIsGlimpsedWhereNoStyleChanged() {
        Document document = Sample.of(Sample.prose(200, 60, 7));
        Layout layout = new Layout(FontCatalogue.shipped());
        layout.next(document);
        List<Page> seen = new ArrayList<>();
        List<Block> blocks = new ArrayList<>(document.sections().get(0).blocks());
        blocks.set(100, Paragraph.of("another"));
        layout.next(document.withSections(List.of(document.sections().get(0).withBlocks(blocks))), Progress.SILENT, 1, seen::add);
        assertThat(seen).isEmpty();
    }

    @Test void itStopsWhereThatIsWished() {
        Document document = Sample.of(Sample.prose(900, 60, 7));
        int[] asked = {0};
        Progress stopping = (done, total, what) -> ++asked[0] < 2;
        assertThatThrownBy(() -> new Layout(FontCatalogue.shipped()).next(document, stopping)).isInstanceOfSatisfying(DecantException.class,
                told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.CANCELLED));
        assertThat(asked[0]).isEqualTo(2);
    }

    private static Document withStyle(Document document, double size) {
        return document.withStyles(document.styles().with(new Style("Body", "body", Style.Kind.PARAGRAPH, null, null, Look.of(TextProperty.SIZE, size))));
    }

    /** Random blocks of all kinds in sections of one and two columns, so many that they are set ahead. */
    private static Document longDocument(int seed) {
        RandomDocument random = new RandomDocument(new Random(seed));
        Document some = random.document();
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Section.Columns columns = i == 1 ? new Section.Columns(2, 18, false, List.of()) : Section.Columns.ONE;
            List<Block> blocks = new ArrayList<>(random.blocks(60, 0));
            blocks.addAll(Sample.prose(30, 40, seed + i));
            sections.add(new Section(Section.Start.NEXT_PAGE, Section.PageGeometry.A4, columns, Section.PageNumbering.CONTINUED, some.sections().get(0)
                    .frames(), false, blocks));
        }
        return some.withSections(sections);
    }
}
