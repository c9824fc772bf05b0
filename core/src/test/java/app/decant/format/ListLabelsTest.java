package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering.Level;
import app.decant.document.Numbering.NumberedList;
import app.decant.document.Numbering.Pattern;
import app.decant.document.Numbering.Suffix;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.page.Item;
import app.decant.page.Piece;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.ListLevel;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.junit.jupiter.api.Test;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTLvl;

/** Labels of lists that are counted in unusual ways, as formats write them and pages show them. */
class ListLabelsTest {
    private static final Instant WHEN = Instant.parse("2026-03-02T09:30:00Z");

    private static Level level(NumberFormat format, String label, boolean legal, Alignment standing) {
        Look look = Look.of(ParagraphProperty.INDENT_START, 72.0).with(ParagraphProperty.FIRST_LINE, -36.0);
        return new Level(format, 1, label, Suffix.TAB, null, null, look).labelled(legal, standing);
    }

    private static Document document(Level... levels) {
        List<Level> all = new ArrayList<>(List.of(levels));
        while (all.size() < 9) all.add(new Level(NumberFormat.NONE, 1, "", Suffix.NOTHING, null, null, Look.PLAIN));
        Numbering numbering = Numbering.NONE.with(new Pattern("1", all), new NumberedList("1", "1", Map.of(), Map.of()));
        List<Paragraph> paragraphs = new ArrayList<>();
        for (int level = 0; level < levels.length; level++) for (int i = 0; i < 2; i++)
            paragraphs.add(Paragraph.of("of the charter").withLook(Look.of(ParagraphProperty.LIST, new ListReference("1", level))));
        Document empty = Document.empty();
        return empty.withNumbering(numbering).withSections(List.of(empty.sections().get(0).withBlocks(List.copyOf(paragraphs))));
    }

    private static final Document CHARTER = document(level(NumberFormat.UPPER_ROMAN, "Article %1", false, Alignment.END),
            level(NumberFormat.DECIMAL_ZERO, "Section %1.%2", true, Alignment.CENTRE), level(NumberFormat.ORDINAL_TEXT, "%3:", false, Alignment.START));

    private static List<String> labels(Document document) {
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        return Walk.of(document).stops().stream().map(stop -> labels.label(stop.paragraph())).toList();
    }

    private static Level level(Document document, int depth) {
        ListReference list = ((Paragraph) document.blocks().get(2 * depth)).look().get(ParagraphProperty.LIST);
        return document.numbering().level(list);
    }

    @Test void formatsThatKnowThemGiveThemBack() {
        List<String> shown = List.of("Article I", "Article II", "Section 2.1", "Section 2.2", "First:", "Second:");
        assertThat(labels(CHARTER)).isEqualTo(shown);
        for (String ending : List.of("docx", "doc", "rtf")) {
            Document back = Formats.read(Formats.called(ending).write(CHARTER, WHEN).bytes(), "charter." + ending, null, Progress.SILENT).document();
            assertThat(labels(back)).as(ending).isEqualTo(shown);
            assertThat(List.of(0, 1, 2)).as(ending).extracting(depth -> level(back, depth).standing())
                    .containsExactly(Alignment.END, Alignment.CENTRE, Alignment.START);
            assertThat(level(back, 1).legal()).as(ending).isTrue();
        }
    }

    /** OpenDocument 1.2 has no such ways of counting: what it shows instead is told. */
    @Test void openDocumentTellsWhatItCanNotSay() {
        Written written = Formats.called("odt").write(CHARTER, WHEN);
        assertThat(written.findings()).extracting(finding -> finding.message().toString()).anyMatch(said -> said.contains("counted otherwise"));
        Document back = Formats.read(written.bytes(), "charter.odt", null, Progress.SILENT).document();
        assertThat(labels(back)).startsWith("Article I", "Article II");
        assertThat(level(back, 0).standing()).isEqualTo(Alignment.END);
        Document plain = document(level(NumberFormat.UPPER_ROMAN, "%1.", false, Alignment.START), level(NumberFormat.DECIMAL, "%1.%2", false, Alignment.START));
        assertThat(Formats.called("odt").write(plain, WHEN).findings()).isEmpty();
    }

    /** OpenDocument 1.2, 16.32: a sign and what follows it. */
    @Test void signsOfSeveralLettersStay() {
        for (String sign : List.of("\u2022", "\u2022.", "(\u2022)", "\uD83D\uDEA2 -", "No.")) {
            Document document = document(level(NumberFormat.BULLET, sign, false, Alignment.START));
            for (String ending : List.of("odt", "docx", "rtf", "doc")) {
                Document back = Formats.read(Formats.called(ending).write(document, WHEN).bytes(), "signs." + ending, null, Progress.SILENT).document();
                assertThat(labels(back).get(0)).as(ending).isEqualTo(sign);
            }
        }
    }

    /** By the schemas as POI holds them, and by its reader of binary files ([MS-DOC], 2.9.150). */
    @Test void otherReadersSeeThem() throws IOException {
        try (XWPFDocument poi = new XWPFDocument(new ByteArrayInputStream(Formats.called("docx").write(CHARTER, WHEN).bytes()))) {
            CTLvl second = poi.getNumbering().getAbstractNums().get(0).getAbstractNum().getLvlArray(1);
            assertThat(second.isSetIsLgl()).isTrue();
            assertThat(second.getLvlJc().getVal().toString()).isEqualTo("center");
            assertThat(poi.getNumbering().getAbstractNums().get(0).getAbstractNum().getLvlArray(2).getNumFmt().getVal().toString()).isEqualTo("ordinalText");
        }
        try (HWPFDocument poi = new HWPFDocument(new ByteArrayInputStream(Formats.called("doc").write(CHARTER, WHEN).bytes()))) {
            int list = poi.getRange().getParagraph(0).getList().getLsid();
            ListLevel first = poi.getListTables().getLevel(list, 0);
            assertThat(first.getAlignment()).isEqualTo(2);
            assertThat(poi.getListTables().getLevel(list, 2).getNumberFormat()).isEqualTo(7);
        }
    }

    /** 17.9.7: what stands on its end ends where the first line begins, 36 points from the margin here; the text begins at the indent. */
    @Test void labelsStandOnTheirEndOrMiddle() {
        for (Alignment standing : List.of(Alignment.START, Alignment.CENTRE, Alignment.END)) {
            Document document = document(level(NumberFormat.UPPER_ROMAN, "%1.", false, standing));
            Item.LineItem line = Layout.of(document, FontCatalogue.shipped()).page(0).lines().get(0);
            Piece label = line.line().pieces().get(0);
            Piece text = line.line().pieces().get(line.line().pieces().size() - 1);
            double share = standing == Alignment.START ? 0 : standing == Alignment.END ? 1 : 0.5;
            assertThat(label.x()).as(standing.name()).isCloseTo(-share * ((Piece.Glyphs) label).width(), within(0.01));
            assertThat(text.x()).as("its text").isCloseTo(36, within(0.01));
        }
    }

    /** Items stand in boxes, notes and headers, too: those of a box where it hangs, the others by themselves. They change as the text before them does. */
    @Test void itemsHaveLabelsWhereverTheyStand() {
        Document made = document(level(NumberFormat.DECIMAL, "%1.", false, Alignment.START));
        Paragraph item = ((Paragraph) made.blocks().get(0)).withInlines(List.of(new Inline.Text("pier", Look.PLAIN)));
        Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 200),
                new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0), Anchor.Wrap.SQUARE, TableProperty.Insets.NONE, false);
        TextBox box = new TextBox(List.of(item.withStyle(null)), 120, 60, true, TableProperty.Insets.NONE, null, null);
        Paragraph holds = Paragraph.of("holds").withInlines(List.of(new Inline.Floating(anchor, box, Look.PLAIN), new Inline.Text("holds", Look.PLAIN),
                new Inline.Note(Inline.Note.Kind.FOOTNOTE, List.of(item.withMark(Look.PLAIN)), null, Look.PLAIN)));
        Section section = made.sections().get(0);
        Document document = made.withSections(List.of(section.withBlocks(List.of(item, holds, item.withMark(Look.PLAIN)))
                .withFrames(Map.of(Section.FramePlace.HEADER, List.of(item.withMark(Look.PLAIN))))));
        Layout layout = new Layout(FontCatalogue.shipped());
        assertThat(seen(layout.next(document))).containsExactlyInAnyOrder("1.", "2.", "3.", "1.", "1.");
        List<Block> shorter = document.blocks().subList(1, 3);
        Document after = document.withSections(List.of(document.sections().get(0).withBlocks(shorter)));
        assertThat(seen(layout.next(after))).containsExactlyInAnyOrder("1.", "2.", "1.", "1.");
    }

    private static List<String> seen(PagedDocument pages) {
        List<String> labels = new ArrayList<>();
        for (Item item : pages.page(0).items())
            if (item instanceof Item.LineItem line) for (Piece piece : line.line().pieces())
                if (piece instanceof Piece.Glyphs glyphs && glyphs.text().matches("\\d\\.")) labels.add(glyphs.text());
        return labels;
    }
}
