package app.decant.format.binary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.ListLabels;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.format.Formats;
import app.decant.format.Reading;
import app.decant.format.Taken;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import java.util.Random;
import org.apache.poi.hwpf.extractor.Word6Extractor;
import org.junit.jupiter.api.Test;

/**
 * Text documents of 1993 to 1995: not their words alone, but their looks. The files are made in the tests, as programs of that time laid them out (from memory,
 * and as real files are); that their words are where they belong is read by POI too.
 */
class OlderReadingTest {
    private static final int BOLD = 85;
    private static final int FONT = 93;
    private static final int SIZE = 99;
    private static final int COLOUR = 98;
    private static final int ALIGNED = 5;
    private static final int IN_TABLE = 24;
    private static final int ROW_END = 25;
    private static final byte[] NOTHING = new byte[0];

    private static OlderFile begun() {
        return new OlderFile().font("Times New Roman", 0).font("Arial Cyr", 204).font("Symbol", 2)
                .style(0, "Normal", 0xFFF, NOTHING, OlderFile.bytes(SIZE, 22, 0))
                .style(1, "\u00DCberschrift 1", 0, OlderFile.bytes(ALIGNED, 1), OlderFile.bytes(BOLD, 1));
    }

    private static Document read(byte[] file) {
        Taken taken = Formats.read(file, "older.doc", null, Progress.SILENT);
        assertThat(taken.findings()).isEmpty();
        return taken.document();
    }

    private static List<Block> blocks(Document document) { return document.sections().get(0).blocks(); }

    @Test void looksComeInWithTheWords() throws IOException {
        byte[] file = begun().run("Tide tables\r").paragraph(1).run("Late ", COLOUR, 6)
                .run("\u043F\u0440\u0438\u043B\u0438\u0432", "windows-1251", FONT, 1, 0, BOLD, 1).run("\r")
                .paragraph(0, ALIGNED, 2, 17, 0xD0, 2, 21, 0x78, 0).part(0).run("Northhaven Ferries\r\r").paragraph(0).part(2)
                .section(153, 2, 164, 0x82, 0x2E, 166, 0x38, 4).stories(0, 20).made();
        try (Word6Extractor poi = new Word6Extractor(new ByteArrayInputStream(file))) {
            assertThat(poi.getText()).contains("Tide tables", "Late ");
        }
        Document read = read(file);
        Cascade cascade = Cascade.of(read);
        Paragraph heading = (Paragraph) blocks(read).get(0);
        assertThat(heading.plainText()).isEqualTo("Tide tables");
        assertThat(read.styles().styles().get(heading.style()).name()).as("by its number, in whatever language it was named").isEqualTo("heading 1");
        assertThat(cascade.paragraph(heading).get(ParagraphProperty.OUTLINE_LEVEL)).isEqualTo(1);
        assertThat(cascade.paragraph(heading).get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.CENTRE);
        Paragraph text = (Paragraph) blocks(read).get(1);
        assertThat(text.plainText()).as("each font's own code page").isEqualTo("Late \u043F\u0440\u0438\u043B\u0438\u0432");
        assertThat(Reading.run(read, "Late ").get(TextProperty.COLOUR)).isEqualTo(new Colour(0xFF0000));
        assertThat(Reading.run(read, "\u043F\u0440\u0438\u043B\u0438\u0432").is(TextProperty.BOLD)).isTrue();
        assertThat(Reading.run(read, "\u043F\u0440\u0438\u043B\u0438\u0432").get(TextProperty.FAMILY)).isEqualTo("Arial Cyr");
        assertThat(text.look().get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.END);
        assertThat(text.look().get(ParagraphProperty.INDENT_START)).isEqualTo(36);
        assertThat(text.look().get(ParagraphProperty.SPACE_BEFORE)).isEqualTo(6);
        assertThat(cascade.text(text, Reading.run(read, "Late ")).get(TextProperty.SIZE)).isEqualTo(11);
        Section section = read.sections().get(0);
        assertThat(section.page().width()).isEqualTo(0x2E82 / 20.0);
        assertThat(section.page().left()).isEqualTo(54);
        assertThat(((Paragraph) section.frames().get(FramePlace.HEADER).get(0)).plainText()).isEqualTo("Northhaven Ferries");
        assertThat(section.frames()).doesNotContainKey(FramePlace.FOOTER);
    }

    /** Two cells, the first between thick red lines, and a tenth of black behind it. */
    @Test void tablesKeepTheirEdgesLinesAndShades() {
        int red = 0x0001 * 2 | 1 << 3 | 6 << 6;
        byte[] cells = OlderFile.joined(OlderFile.bytes(190, 28, 0, 2, 0, 0, 0x40, 0x0B, 0xE0, 0x10), new byte[2],
                OlderFile.bytes(red, red >> 8, 0, 0, red, red >> 8, 0, 0), new byte[10]);
        int[] row = new int[cells.length];
        for (int i = 0; i < row.length; i++) row[i] = cells[i] & 0xFF;
        int[] all = new int[row.length + 4 + 6];
        System.arraycopy(new int[] {IN_TABLE, 1, ROW_END, 1}, 0, all, 0, 4);
        System.arraycopy(row, 0, all, 4, row.length);
        System.arraycopy(new int[] {191, 4, 0, 3 << 2, 7 << 5, 0}, 0, all, 4 + row.length, 6);
        byte[] file = begun().run("Pier\u0007").paragraph(0, IN_TABLE, 1).run("Fare\u0007").paragraph(0, IN_TABLE, 1).run("\u0007").paragraph(0, all).run("\r")
                .paragraph(0).part(0).made();
        Table table = (Table) blocks(read(file)).get(0);
        assertThat(table.rows()).hasSize(1);
        Table.Cell first = table.rows().get(0).cells().get(0);
        Table.Cell second = table.rows().get(0).cells().get(1);
        assertThat(((Paragraph) first.blocks().get(0)).plainText()).isEqualTo("Pier");
        assertThat(((Paragraph) second.blocks().get(0)).plainText()).isEqualTo("Fare");
        assertThat(table.columns()).containsExactly(144.0, 72.0);
        assertThat(first.look().get(TableProperty.BORDERS).top()).isEqualTo(new Border(Border.Line.SINGLE, 1.5, new Colour(0xFF0000), 0));
        assertThat(first.look().get(TableProperty.BORDERS).bottom().isVisible()).isTrue();
        assertThat(first.look().get(TableProperty.SHADING)).isEqualTo(new Colour(0xE6E6E6));
    }

    private static int[] number(int kind, int format, String before, String after, int font, int start) {
        int[] told = new int[4 + 52];
        System.arraycopy(new int[] {13, kind, 12, 52, format, before.length(), after.length(), 0, 0, 0, font, 0, 0, 0, start, 0}, 0, told, 0, 16);
        for (int i = 0; i < before.length() + after.length(); i++) told[4 + 20 + i] = (before + after).charAt(i);
        return told;
    }

    @Test void numberedParagraphsBecomeLists() {
        int[] letter = number(10, 4, "(", ")", 0, 3);
        byte[] file = begun().run("Rope\r").paragraph(0, letter).run("Fender\r").paragraph(0, letter).run("Between\r").paragraph(0)
                .run("Anchor\r").paragraph(0, letter).run("Bell\r").paragraph(0, number(11, 0, "\u00B7", "", 2, 0)).part(0).made();
        Document read = read(file);
        ListLabels labels = ListLabels.of(read, Cascade.of(read));
        List<String> told = blocks(read).stream().map(block -> labels.label((Paragraph) block)).map(label -> label == null ? "" : label).toList();
        assertThat(told.subList(0, 4)).containsExactly("(c)", "(d)", "", "(c)");
        assertThat(told.get(4)).isNotEmpty();
    }

    /** Saved in a hurry: what was put in later stands at the end of the file, and a piece says that all of it is bold. */
    @Test void piecesArePutTogether() {
        byte[] file = begun().run("The gangway is up.\rnot ").paragraph(0).part(0)
                .pieced(new int[] {0, 15, 0, 0}, new int[] {19, 4, BOLD, 1}, new int[] {15, 4, 0, 0}).made();
        Document read = read(file);
        assertThat(Reading.texts(read).get(0)).isEqualTo("The gangway is not up.");
        assertThat(Reading.run(read, "not ").is(TextProperty.BOLD)).isTrue();
    }

    @Test void lockedOnesAreRefusedWithAReason() {
        byte[] file = begun().run("Secret\r").paragraph(0).part(0).locked().made();
        assertThatThrownBy(() -> Formats.read(file, "older.doc", "key", Progress.SILENT)).isInstanceOf(DecantException.class).hasMessageContaining("older.doc");
    }

    /** Whatever a byte says instead, the file opens or is refused in words. */
    @Test void damageIsToldOrBorne() {
        byte[] file = begun().run("Tide tables\r").paragraph(1).run("Rope\r").paragraph(0, number(10, 4, "(", ")", 0, 3))
                .run("Pier\u0007").paragraph(0, IN_TABLE, 1)
                .run("\u0007").paragraph(0, IN_TABLE, 1, ROW_END, 1).part(0).run("Head\r\r").paragraph(0).part(2).section(153, 2).stories(0, 6)
                .pieced(new int[] {0, 25, 0, 0}).made();
        Random random = new Random(27);
        int opened = 0;
        for (int i = 0; i < 1500; i++) {
            byte[] damaged = file.clone();
            for (int k = 0; k < 3; k++) damaged[512 + random.nextInt(damaged.length - 512)] = (byte) (random.nextBoolean() ? 0xFF : random.nextInt(256));
            try {
                Formats.read(damaged, "older.doc", null, Progress.SILENT);
                opened++;
            } catch (DecantException e) {
                assertThat(e.getMessage()).contains("older.doc");
            }
        }
        assertThat(opened).isPositive();
    }
}
