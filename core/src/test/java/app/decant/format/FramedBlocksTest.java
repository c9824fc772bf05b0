package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextFrame;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Frames and floating tables on their way through formats that know them, and those that do not. */
class FramedBlocksTest {
    private static final Anchor ANCHOR = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.MARGIN, Alignment.END, 0),
            new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 12), Anchor.Wrap.SQUARE, new Insets(2, 9, 2, 9), false);

    private static Document document() {
        TextFrame frame = new TextFrame(ANCHOR, 120, 0, false, 0, false);
        TextFrame drop = new TextFrame(new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 0),
                new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0), Anchor.Wrap.SQUARE, Insets.NONE, false), 0, 0, false, 3, false);
        Table table = new Table(Look.of(TableProperty.FLOATING, ANCHOR), List.of(60.0), List.of(new Table.Row(Look.PLAIN,
                List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of("Ostrey pier")))))));
        List<Block> blocks = List.of(Paragraph.of("T").withLook(Look.of(ParagraphProperty.FRAME, drop)), Paragraph.of("ide tables hang at the ramp."),
                Paragraph.of("Beside the text").withLook(Look.of(ParagraphProperty.FRAME, frame)), Paragraph.of("Boats leave every hour."), table,
                Paragraph.of("In winter every other."));
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(blocks)));
    }

    private static Document through(String ending, Document document) {
        Format format = Formats.called(ending);
        byte[] bytes = format.write(document, Instant.EPOCH).bytes();
        return format.read(new Content(bytes, "a." + ending), null, Progress.SILENT).document();
    }

    @Test void comeBackFromOfficeOpenXml() {
        Document back = through("docx", document());
        List<Block> wanted = document().blocks();
        assertThat(back.blocks()).hasSameSizeAs(wanted);
        for (int i = 0; i < wanted.size(); i++) {
            if (wanted.get(i) instanceof Paragraph paragraph)
                assertThat(((Paragraph) back.blocks().get(i)).look().get(ParagraphProperty.FRAME)).isEqualTo(paragraph.look().get(ParagraphProperty.FRAME));
            else assertThat(((Table) back.blocks().get(i)).look().get(TableProperty.FLOATING)).isEqualTo(ANCHOR);
        }
        assertThat(through("docx", back).blocks()).isEqualTo(back.blocks());
    }

    @ParameterizedTest
    @ValueSource(strings = {"odt", "rtf", "doc"})
    void areBoxesOrFramesWhereTheyAreRead(String ending) {
        Document back = through(ending, document());
        List<String> apart = new ArrayList<>();
        for (Block block : back.blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            if (paragraph.look().get(ParagraphProperty.FRAME) != null) apart.add(paragraph.plainText());
            for (Inline inline : paragraph.inlines())
                if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box)
                    box.blocks().forEach(inner -> apart.add(inner instanceof Paragraph own ? own.plainText() : "table"));
        }
        assertThat(apart).contains("T", "Beside the text");
        if (ending.equals("odt")) assertThat(apart).contains("table");
        else if (ending.equals("rtf")) assertThat(back.blocks()).anyMatch(block -> block instanceof Table table && ANCHOR.equals(table.look()
                .get(TableProperty.FLOATING)));
        else assertThat(Formats.called(ending).write(document(), Instant.EPOCH).findings()).anyMatch(finding ->
                finding.message().toString().contains("stand in the text"));
    }

    @Test void aDroppedLetterIsOneWordWithItsTextWhereThereAreNoPages() {
        for (String ending : List.of("txt", "html", "md")) {
            String text = new String(Formats.called(ending).write(document(), Instant.EPOCH).bytes());
            assertThat(text).as(ending).contains("Tide tables hang");
        }
    }

    /** Rich Text Format 1.9.1, "Positioned Objects and Frames" and "Table Definitions". */
    @Test void framesOfRichTextSayWhereTheyStand() {
        String file = "{\\rtf1\\ansi \\pard\\pvpara\\phmrg\\posxr\\posy40\\absw2000\\absh-600\\dfrmtxtx180 Beside\\par\\pard\\nowrap Text\\par"
                + "\\trowd\\trleft0\\tphpg\\tposx400\\tpvpg\\tposnegy-60\\tdfrmtxtLeft200\\cellx2000\\intbl Cell\\cell\\row\\pard End\\par}";
        List<Block> blocks = Formats.called("rtf").read(new Content(file.getBytes(), "a.rtf"), null, Progress.SILENT).document().blocks();
        TextFrame frame = ((Paragraph) blocks.get(0)).look().get(ParagraphProperty.FRAME);
        assertThat(frame).isEqualTo(new TextFrame(new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.MARGIN, Alignment.END, 0),
                new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 2), Anchor.Wrap.SQUARE, new Insets(0, 9, 0, 9), false), 100, 30, true, 0, false));
        assertThat(((Paragraph) blocks.get(1)).look().get(ParagraphProperty.FRAME)).isNull();
        assertThat(((Table) blocks.get(2)).look().get(TableProperty.FLOATING)).isEqualTo(new Anchor(
                new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, 20), new Anchor.Vertical(Anchor.Vertical.From.PAGE, null, -3),
                Anchor.Wrap.SQUARE, new Insets(0, 0, 0, 10), false));
    }
}
