package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.AlignedTab;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.page.Piece;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Tabs that go to the edges of their text (ISO/IEC 29500-1, 17.3.3.23), as heads of pages have them. */
class AlignedTabsTest {
    private static final double WIDTH = Section.PLAIN.page().textWidth();

    private static Inline tab(TabStop.Kind kind, boolean indents, TabStop.Leader leader) {
        return new Inline.Text("\t", Look.of(TextProperty.ALIGNED_TAB, new AlignedTab(kind, indents, leader)));
    }

    private static Inline text(String text) { return new Inline.Text(text, Look.PLAIN); }

    private static Paragraph head(Look look, boolean indents) {
        return Paragraph.of("").withLook(look).withInlines(List.of(text("Ostrey Sound Ferries"), tab(TabStop.Kind.CENTRE, indents, TabStop.Leader.NONE),
                text("Notice"), tab(TabStop.Kind.END, indents, TabStop.Leader.DOTS), text("March")));
    }

    private static Document document(Paragraph paragraph) {
        Document empty = Document.empty();
        return empty.withSections(List.of(Section.PLAIN.withBlocks(List.of(paragraph, Paragraph.of("text"))).withFrames(
                Map.of(FramePlace.HEADER, List.of(paragraph)))));
    }

    private static List<Piece> pieces(Document document) {
        PagedDocument pages = Layout.of(document, FontCatalogue.shipped());
        return pages.page(0).lines().stream().map(line -> line.line().pieces()).filter(all -> all.size() > 2).findFirst().orElseThrow();
    }

    private static Piece.Glyphs glyphs(List<Piece> pieces, String text) {
        return pieces.stream().filter(Piece.Glyphs.class::isInstance).map(Piece.Glyphs.class::cast).filter(one -> one.text().strip().equals(text)).findFirst()
                .orElseThrow();
    }

    /** Stops of the paragraph, and how wide its text is, make no difference. */
    @Test void theyHeedTheEdgesAndNotTheStops() {
        Look stops = Look.of(ParagraphProperty.TABS, new TabStops(List.of(new TabStop(300, TabStop.Kind.START, TabStop.Leader.NONE))));
        for (Look look : List.of(Look.PLAIN, stops, Look.of(ParagraphProperty.INDENT_START, 30.0).with(ParagraphProperty.INDENT_END, 50.0))) {
            List<Piece> pieces = pieces(document(head(look, false)));
            double start = look.get(ParagraphProperty.INDENT_START, 0.0);
            Piece.Glyphs middle = glyphs(pieces, "Notice");
            assertThat(start + middle.x() + middle.width() / 2).isCloseTo(WIDTH / 2, within(0.05));
            Piece.Glyphs last = glyphs(pieces, "March");
            assertThat(start + last.x() + last.width()).isCloseTo(WIDTH, within(0.05));
        }
    }

    @Test void orTheIndents() {
        Look look = Look.of(ParagraphProperty.INDENT_START, 30.0).with(ParagraphProperty.INDENT_END, 50.0);
        List<Piece> pieces = pieces(document(head(look, true)));
        Piece.Glyphs last = glyphs(pieces, "March");
        assertThat(30 + last.x() + last.width()).isCloseTo(WIDTH - 50, within(0.05));
        Piece.Glyphs middle = glyphs(pieces, "Notice");
        assertThat(30 + middle.x() + middle.width() / 2).isCloseTo((30 + WIDTH - 50) / 2, within(0.05));
        assertThat(pieces).filteredOn(Piece.Tab.class::isInstance).extracting(one -> ((Piece.Tab) one).leader())
                .containsExactly(TabStop.Leader.NONE, TabStop.Leader.DOTS);
    }

    /** Other formats get stops where they go, and pages of what is read again look the same. */
    @Test void otherFormatsGetStopsInstead() {
        Document document = document(head(Look.of(ParagraphProperty.TABS, new TabStops(List.of(new TabStop(300, TabStop.Kind.START, TabStop.Leader.NONE)))),
                false));
        for (String ending : List.of("odt", "rtf", "doc")) {
            byte[] file = Formats.called(ending).write(ForeignDocument.of(document), Instant.EPOCH).bytes();
            List<Piece> pieces = pieces(Formats.read(file, "head." + ending, null, Progress.SILENT).document());
            Piece.Glyphs last = glyphs(pieces, "March");
            assertThat(last.x() + last.width()).as(ending).isCloseTo(WIDTH, within(0.6));
            Piece.Glyphs middle = glyphs(pieces, "Notice");
            assertThat(middle.x() + middle.width() / 2).as(ending).isCloseTo(WIDTH / 2, within(0.6));
        }
        assertThat(ForeignDocument.of(Document.empty())).isEqualTo(Document.empty());
    }

    @Test void docxHasThem() {
        Document back = Formats.read(Formats.called("docx").write(document(head(Look.PLAIN, true)), Instant.EPOCH).bytes(), "head.docx", null, Progress.SILENT)
                .document();
        Paragraph head = (Paragraph) back.sections().get(0).frames().get(FramePlace.HEADER).get(0);
        assertThat(head.inlines()).isEqualTo(head(Look.PLAIN, true).inlines());
    }

    @Test void thereIsNoEdgeForPoints() {
        assertThatThrownBy(() -> new AlignedTab(TabStop.Kind.DECIMAL, true, TabStop.Leader.NONE)).isInstanceOf(IllegalArgumentException.class);
    }
}
