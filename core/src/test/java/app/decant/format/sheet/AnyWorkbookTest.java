package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Facts;
import app.decant.document.Look;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.format.Content;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.NumberText;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.assertj.core.data.Offset;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Any workbook, drawn by lot, is written in every format of workbooks so that it is read again as it was: values, formats, looks, widths, merges, pages. */
class AnyWorkbookTest {
    private static final int WORKBOOKS = 60;
    private static final List<String> FORMATS = List.of("General", "0.00", "#,##0", "0%", "d mmm yyyy", "h:mm:ss", "[Red]-0.0;0.0", "@", "0.00E+00");

    @ParameterizedTest @EnumSource(value = SheetFormat.class, names = {"XLSX", "XLS", "ODS"})
    void everyFormatGivesBackWhatItWasGiven(SheetFormat format) {
        for (int seed = 0; seed < WORKBOOKS; seed++) {
            Workbook book = workbook(new Random(seed));
            WrittenWorkbook written = format.write(book, Instant.EPOCH);
            Workbook again = format.workbook(new Content(written.bytes(), "any"), null, Progress.SILENT).workbook();
            assertThat(again.sheets()).as("seed %d", seed).extracting(Sheet::name).isEqualTo(book.sheets().stream().map(Sheet::name).toList());
            for (int s = 0; s < book.sheets().size(); s++) same(format, book, again, s, "seed " + seed + ", sheet " + s);
        }
    }

    private static void same(SheetFormat format, Workbook book, Workbook again, int index, String where) {
        Sheet one = book.sheets().get(index);
        Sheet other = again.sheets().get(index);
        assertThat(other.hidden()).as(where).isEqualTo(one.hidden());
        assertThat(other.merged()).as(where).containsExactlyInAnyOrderElementsOf(one.merged());
        for (Row row : one.rows()) {
            for (Cell cell : row.cells()) {
                String at = where + ", " + Range.name(row.index(), cell.column());
                Cell found = other.cell(row.index(), cell.column());
                CellStyle was = book.style(cell);
                if (cell.isEmpty()) {
                    if (was.fill() != null) assertThat(again.style(found).fill()).as(at).isEqualTo(was.fill());
                    continue;
                }
                assertThat(found).as(at).isNotNull();
                boolean time = cell.value() instanceof CellValue.Number && NumberText.isDate(was.format());
                // A time is told to the billionth of a second.
                if (time) assertThat(number(found)).as(at).isCloseTo(number(cell), Offset.offset(1e-12 + Math.abs(number(cell)) * 1e-15));
                else assertThat(found.value()).as(at).isEqualTo(cell.value());
                CellStyle is = again.style(found);
                assertThat(is.format()).as(at).isEqualTo(was.format());
                assertThat(is.font().is(TextProperty.BOLD)).as(at).isEqualTo(was.font().is(TextProperty.BOLD));
                assertThat(is.font().get(TextProperty.SIZE, 11.0)).as(at).isEqualTo(was.font().get(TextProperty.SIZE, 11.0));
                assertThat(is.fill()).as(at).isEqualTo(was.fill());
                assertThat(is.across()).as(at).isEqualTo(was.across());
                assertThat(is.down()).as(at).isEqualTo(was.down());
                assertThat(is.wraps()).as(at).isEqualTo(was.wraps());
                assertThat(is.borders() == null ? null : is.borders().top()).as(at).isEqualTo(was.borders() == null ? null : was.borders().top());
            }
            if (!row.cells().isEmpty()) assertThat(other.row(row.index()).hidden()).as(where + ", row " + row.index()).isEqualTo(row.hidden());
        }
        for (Column column : one.columns()) {
            Column found = other.columns().stream().filter(some -> some.from() <= column.from() && some.to() >= column.from()).findFirst().orElse(null);
            assertThat(found).as("%s, column %s", where, column).isNotNull();
            // A column is so many letters wide in some formats.
            assertThat(found.width()).as("%s, column %s", where, column).isCloseTo(column.width(), Offset.offset(1.0));
            assertThat(found.hidden()).as("%s, column %s", where, column).isEqualTo(column.hidden());
        }
        assertThat(other.setup().page().isLandscape()).as(where).isEqualTo(one.setup().page().isLandscape());
        assertThat(other.setup().rowBreaks()).as(where).isEqualTo(one.setup().rowBreaks());
        assertThat(other.setup().titleRows()).as(where).isEqualTo(one.setup().titleRows());
        assertThat(other.setup().fitted()).as(where).isEqualTo(one.setup().fitted());
        if (one.setup().fitted()) assertThat(List.of(other.setup().wide(), other.setup().tall())).as(where).isEqualTo(List.of(one.setup().wide(),
                one.setup().tall()));
        else assertThat(other.setup().scale()).as(where).isEqualTo(one.setup().scale());
        assertThat(other.setup().areas()).as(where).isEqualTo(one.setup().areas());
    }

    private static double number(Cell cell) { return ((CellValue.Number) cell.value()).value(); }

    private static Workbook workbook(Random random) {
        List<CellStyle> styles = new ArrayList<>(List.of(CellStyle.PLAIN.lettered(Look.of(TextProperty.FAMILY, "Carlito").with(TextProperty.SIZE, 11.0))));
        for (int i = 0; i < 6; i++) styles.add(style(random));
        List<Sheet> sheets = new ArrayList<>();
        int count = 1 + random.nextInt(3);
        for (int s = 0; s < count; s++) sheets.add(sheet(random, s, styles.size()));
        return new Workbook(sheets, styles, Map.of(), Facts.NONE, false);
    }

    private static CellStyle style(Random random) {
        Look font = Look.of(TextProperty.SIZE, 8.0 + random.nextInt(8));
        if (random.nextBoolean()) font = font.with(TextProperty.BOLD, true);
        Border line = Border.single(0.5, Colour.BLACK);
        return new CellStyle(font, FORMATS.get(random.nextInt(FORMATS.size())), CellStyle.Across.values()[random.nextInt(4)],
                CellStyle.Down.values()[random.nextInt(3)], random.nextBoolean(), false, 0, 0,
                random.nextBoolean() ? new Colour(random.nextInt(0x1000000)) : null,
                random.nextBoolean() ? new Borders(line, line, line, line, null, null) : null);
    }

    private static Sheet sheet(Random random, int number, int styles) {
        List<Row> rows = new ArrayList<>();
        int index = random.nextInt(3);
        int many = 1 + random.nextInt(8);
        for (int r = 0; r < many; r++) {
            List<Cell> cells = new ArrayList<>();
            for (int c = random.nextInt(2); c < 6; c += 1 + random.nextInt(2)) cells.add(new Cell(c, value(random), random.nextInt(styles)));
            rows.add(new Row(index, random.nextBoolean() ? Double.NaN : 12 + random.nextInt(30), random.nextInt(6) == 0, cells));
            index += 1 + random.nextInt(3);
        }
        // Rows of nothing but looks, which writers may say once, with other rows among them.
        for (int r = 60; r < 60 + random.nextInt(40); r++) {
            int style = r == 75 ? 0 : styles - 1;
            List<Cell> blanks = new ArrayList<>();
            for (int c : List.of(1, 2, 3, 5)) blanks.add(new Cell(c, CellValue.EMPTY, c == 3 ? 0 : style));
            rows.add(new Row(r, 15, r == 80, blanks));
        }
        List<Column> columns = new ArrayList<>();
        for (int c = 0; c < 6; c += 1 + random.nextInt(3)) columns.add(new Column(c, c, 30 + random.nextInt(120), random.nextInt(6) == 0));
        List<Range> merged = new ArrayList<>();
        if (random.nextBoolean()) merged.add(new Range(40, 1, 41 + random.nextInt(2), 3));
        for (int r = 62; r < 90 && number == 0; r += 4) if (random.nextBoolean()) merged.add(new Range(r, 2, r + random.nextInt(4), 3));
        PageSetup setup = random.nextBoolean() ? PageSetup.PLAIN : PageSetup.PLAIN.on(PageSetup.PLAIN.page().turned());
        if (random.nextBoolean()) setup = setup.fitted(1, random.nextInt(3));
        else if (random.nextBoolean()) setup = setup.scaled(0.25 + random.nextInt(3) * 0.25);
        if (random.nextBoolean()) setup = setup.repeating(new Range(0, 0, random.nextInt(2), Range.MOST_COLUMNS - 1));
        if (random.nextBoolean()) setup = setup.withAreas(List.of(new Range(0, 0, 5 + random.nextInt(5), 4)));
        return new Sheet(List.of("Fares", "It's 2 & <more>", "Überfahrten")
                .get(number), number > 0 && random.nextBoolean(), 48, 15, columns, rows, merged, setup);
    }

    private static CellValue value(Random random) {
        return switch (random.nextInt(7)) {
            case 0 -> new CellValue.Text(List.of("Adult", "two\nlines", "  spaces  ", "=1+1", "'quoted", "\"x\", y; z", "<b>&amp;</b>", "10.5", "TRUE")
                    .get(random.nextInt(9)));
            case 1 -> new CellValue.Number(random.nextInt(100_000));
            case 2 -> new CellValue.Number(random.nextGaussian() * 1e6);
            case 3 -> new CellValue.Number(40_000 + random.nextInt(10_000) + random.nextInt(86_400) / 86_400.0);
            case 4 -> new CellValue.Truth(random.nextBoolean());
            case 5 -> CellValue.EMPTY;
            default -> new CellValue.Number(random.nextDouble() / 1e5);
        };
    }
}
