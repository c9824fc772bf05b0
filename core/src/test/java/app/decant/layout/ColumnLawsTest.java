package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Section;
import app.decant.document.Section.Columns;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where lines stand: within their columns, in reading order, none twice and none left out; indents and rooms as paragraphs say (ISO/IEC 29500-1, 17.3.1). */
class ColumnLawsTest {
    private static final PageGeometry PAPER = new PageGeometry(400, 500, 50, 40, 60, 30, 20, 20, 0);
    private static final double SLACK = 0.05;

    private static PagedDocument layOut(Document document) { return Layout.of(document, FontCatalogue.shipped()); }

    private static Section section(Columns columns, List<Block> blocks) {
        return new Section(Section.Start.NEXT_PAGE, PAPER, columns, Section.PageNumbering.CONTINUED, Map.of(), false, blocks);
    }

    private static String text(Item.LineItem line) {
        StringBuilder text = new StringBuilder();
        for (Piece piece : line.line().pieces()) if (piece instanceof Piece.Glyphs glyphs) text.append(glyphs.text());
        return text.toString();
    }

    private static double right(Item.LineItem line) {
        double right = line.left();
        for (Piece piece : line.line().pieces()) {
            if (!(piece instanceof Piece.Glyphs glyphs)) continue;
            int end = glyphs.text().stripTrailing().length();
            if (end > 0) right = Math.max(right, line.left() + glyphs.x() + Math.min(glyphs.width(), glyphs.glyphX()[Math.min(end, glyphs.glyphs().length)]));
        }
        return right;
    }

    private static Look look(Random random) {
        Look look = Look.of(ParagraphProperty.ALIGNMENT, Alignment.values()[random.nextInt(Alignment.values().length)]);
        if (random.nextBoolean()) look = look.with(ParagraphProperty.INDENT_START, (double) random.nextInt(60));
        if (random.nextBoolean()) look = look.with(ParagraphProperty.INDENT_END, (double) random.nextInt(60));
        if (random.nextBoolean()) look = look.with(ParagraphProperty.FIRST_LINE, random.nextInt(40) - 10.0);
        if (random.nextBoolean()) look = look.with(ParagraphProperty.SPACE_BEFORE, (double) random.nextInt(20));
        if (random.nextBoolean()) look = look.with(ParagraphProperty.SPACE_AFTER, (double) random.nextInt(20));
        if (random.nextInt(4) == 0) look = look.with(ParagraphProperty.KEEP_TOGETHER, true);
        if (random.nextInt(5) == 0) look = look.with(ParagraphProperty.KEEP_WITH_NEXT, true);
        return random.nextInt(6) == 0 ? look.with(ParagraphProperty.PAGE_BREAK_BEFORE, true) : look;
    }

    private static List<Block> paragraphs(Random random, int count) {
        List<Block> blocks = new ArrayList<>();
        for (int p = 0; p < count; p++) {
            StringBuilder text = new StringBuilder();
            for (int w = random.nextInt(90); w >= 0; w--) text.append("p").append(p).append('w').append(w).append(w == 0 ? "" : " ");
            Look letters = Look.of(TextProperty.SIZE, 7.0 + random.nextInt(8));
            blocks.add(new Paragraph(null, look(random), letters, List.of(new Inline.Text(text.toString(), letters))));
        }
        return blocks;
    }

    /** Every word once, in its order; no line beyond its column or its page; lines of a column one under another. */
    @ParameterizedTest @ValueSource(ints = {1, 2, 3})
    void everyWordStandsOnceWithinItsColumn(int count) {
        Columns columns = count == 1 ? Columns.ONE : new Columns(count, 18, false, List.of());
        double width = (PAPER.width() - PAPER.left() - PAPER.right() - 18 * (count - 1)) / count;
        for (int seed = 0; seed < 40; seed++) {
            List<Block> blocks = paragraphs(new Random(seed * 7 + count), 8);
            PagedDocument pages = layOut(Sample.of(section(columns, blocks)));
            StringBuilder read = new StringBuilder();
            for (Page page : pages.pages()) {
                double[] lowest = new double[count];
                int last = 0;
                for (Item.LineItem line : page.lines()) {
                    read.append(text(line)).append(' ');
                    int column = (int) Math.floor((line.left() - PAPER.left() + 12) / (width + 18));
                    assertThat(column).as("columns are filled from left to right").isBetween(last, count - 1);
                    last = column;
                    double from = PAPER.left() + column * (width + 18);
                    assertThat(line.left()).isGreaterThanOrEqualTo(from - 10 - SLACK);
                    assertThat(right(line)).as("seed %s: %s", seed, text(line)).isLessThanOrEqualTo(from + width + SLACK);
                    assertThat(line.y()).isGreaterThanOrEqualTo(Math.max(PAPER.top(), lowest[column]) - SLACK);
                    lowest[column] = line.y() + line.line().height();
                    assertThat(lowest[column]).isLessThanOrEqualTo(PAPER.height() - PAPER.bottom() + SLACK);
                }
            }
            StringBuilder wanted = new StringBuilder();
            for (Block block : blocks) wanted.append(((Paragraph) block).text()).append(' ');
            // Where indents leave little room, words are broken between letters.
            assertThat(read.toString().replaceAll("\\s+", "")).isEqualTo(wanted.toString().replaceAll("\\s+", ""));
        }
    }

    /** 17.3.1.12 and 17.3.1.13: indents count from the margins, the first line from the indent, at the end where text runs from the right. */
    @Test void indentsCountFromTheMargins() {
        String words = "word ".repeat(40).strip();
        Look hanging = Look.of(ParagraphProperty.INDENT_START, 40.0).with(ParagraphProperty.FIRST_LINE, -15.0).with(ParagraphProperty.INDENT_END, 70.0);
        List<Item.LineItem> lines = layOut(Sample.of(section(Columns.ONE, List.of(Sample.looking(words, hanging))))).page(0).lines();
        assertThat(lines.get(0).left()).isCloseTo(PAPER.left() + 25, within(SLACK));
        for (Item.LineItem line : lines.subList(1, lines.size())) assertThat(line.left()).isCloseTo(PAPER.left() + 40, within(SLACK));
        for (Item.LineItem line : lines) assertThat(right(line)).isLessThanOrEqualTo(PAPER.width() - PAPER.right() - 70 + SLACK);
        Look turned = hanging.with(ParagraphProperty.RIGHT_TO_LEFT, true).with(ParagraphProperty.FIRST_LINE, 0.0);
        List<Item.LineItem> hebrew = layOut(Sample.of(section(Columns.ONE, List.of(Sample.looking("שלום ".repeat(60).strip(), turned))))).page(0).lines();
        for (Item.LineItem line : hebrew) assertThat(line.left()).isGreaterThanOrEqualTo(PAPER.left() + 70 - SLACK);
    }

    /** 17.3.1.13: of lines that are set alike, the ends that should be are on one line. */
    @Test void linesEndWhereTheirAlignmentSays() {
        String words = "some words of many lengths and another ".repeat(8).strip();
        for (Alignment alignment : List.of(Alignment.START, Alignment.CENTRE, Alignment.END, Alignment.JUSTIFY)) {
            List<Item.LineItem> lines = layOut(Sample.of(section(Columns.ONE, List.of(Sample.looking(words, Look.of(ParagraphProperty.ALIGNMENT,
                    alignment))))))
                    .page(0).lines();
            assertThat(lines).hasSizeGreaterThan(3);
            double end = PAPER.width() - PAPER.right();
            for (Item.LineItem line : lines.subList(0, lines.size() - 1)) {
                if (alignment == Alignment.START || alignment == Alignment.JUSTIFY) assertThat(line.left()).isCloseTo(PAPER.left(), within(SLACK));
                if (alignment == Alignment.END || alignment == Alignment.JUSTIFY) assertThat(right(line)).isCloseTo(end, within(0.2));
                if (alignment == Alignment.CENTRE) assertThat(line.left() - PAPER.left()).isCloseTo(end - right(line), within(0.2));
            }
        }
    }

    /** 17.3.1.14 and 17.3.1.15: what is kept together moves as a whole where it fits a page, and with what follows it. */
    @Test void whatIsKeptTogetherMovesAsAWhole() {
        for (int before = 20; before < 36; before++) {
            List<Block> blocks = new ArrayList<>();
            for (int i = 0; i < before; i++) blocks.add(Paragraph.of("filling " + i));
            blocks.add(Sample.looking("head", Look.of(ParagraphProperty.KEEP_WITH_NEXT, true)));
            blocks.add(Sample.looking("kept ".repeat(80).strip(), Look.of(ParagraphProperty.KEEP_TOGETHER, true)));
            PagedDocument pages = layOut(Sample.of(section(Columns.ONE, blocks)));
            List<Integer> on = new ArrayList<>();
            for (Page page : pages.pages()) for (Item.LineItem line : page.lines())
                if (text(line).startsWith("kept") || text(line).equals("head")) on.add(page.index());
            assertThat(on).as("behind %s lines", before).isNotEmpty().containsOnly(on.get(0));
        }
    }

    /** 17.4: cells stand beside each other, as wide as their columns, their text within; what is joined is as wide as all it covers. */
    @Test void cellsStandBesideEachOther() {
        Random random = new Random(5);
        for (int round = 0; round < 30; round++) {
            List<Double> widths = new ArrayList<>();
            for (int c = 2 + random.nextInt(4); c > 0; c--) widths.add(30.0 + random.nextInt(40));
            List<Table.Row> rows = new ArrayList<>();
            for (int r = 0; r < 4; r++) {
                List<Table.Cell> cells = new ArrayList<>();
                for (int c = 0; c < widths.size(); ) {
                    int span = Math.min(widths.size() - c, 1 + random.nextInt(2));
                    cells.add(new Table.Cell(c, span, 1, Look.PLAIN, List.of(Paragraph.of("r" + r + "c" + c + " ab cd"))));
                    c += span;
                }
                rows.add(new Table.Row(Look.PLAIN, cells));
            }
            Page page = layOut(Sample.of(section(Columns.ONE, List.of(new Table(Look.PLAIN, widths, rows), Paragraph.of("after"))))).page(0);
            double lowest = 0;
            double behind = 0;
            for (Item item : page.text()) {
                if (!(item instanceof Item.LineItem line)) continue;
                if (text(line).equals("after")) behind = line.y();
                else lowest = Math.max(lowest, line.y() + line.line().height());
                for (int r = 0; r < 4; r++) for (Table.Cell cell : rows.get(r).cells()) {
                    if (!text(line).startsWith("r" + r + "c" + cell.column() + " ")) continue;
                    double from = widths.subList(0, cell.column()).stream().mapToDouble(Double::doubleValue).sum();
                    double width = widths.subList(cell.column(), cell.column() + cell.columnSpan()).stream().mapToDouble(Double::doubleValue).sum();
                    double shift = line.left() - PAPER.left() - from;
                    assertThat(shift).as("cell %s of row %s", cell.column(), r).isBetween(-6.0, 12.0);
                    assertThat(right(line) - PAPER.left()).isLessThanOrEqualTo(from + width + 6);
                }
            }
            assertThat(behind).isGreaterThanOrEqualTo(lowest - SLACK);
        }
    }

    /** The same document gives the same pages, item by item, however often. */
    @Test void pagesAreAFunctionOfTheirDocument() {
        for (int seed = 0; seed < 10; seed++) {
            Document document = Sample.of(section(new Columns(2, 18, true, List.of()), paragraphs(new Random(seed), 12)));
            PagedDocument one = layOut(document);
            PagedDocument two = layOut(document);
            assertThat(two.count()).isEqualTo(one.count());
            for (int i = 0; i < one.count(); i++) assertThat(Sample.lines(two.page(i))).isEqualTo(Sample.lines(one.page(i)));
        }
    }
}
