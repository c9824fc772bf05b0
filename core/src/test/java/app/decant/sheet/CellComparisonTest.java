package app.decant.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.FaresWorkbook;
import app.decant.document.Colour;
import app.decant.document.Progress;
import app.decant.format.Content;
import app.decant.format.sheet.SheetFormat;
import app.decant.sheet.CellComparison.Difference;
import app.decant.sheet.CellComparison.Kind;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Two workbooks compared cell by cell: what was changed is told, and nothing else. */
class CellComparisonTest {
    private static final Workbook FARES = FaresWorkbook.workbook();

    private static Workbook answered(String... answers) {
        TreeMap<String, String> all = new TreeMap<>();
        for (int i = 0; i < answers.length; i += 2) all.put(answers[i], answers[i + 1]);
        return SheetAnswers.of(all).set(FARES);
    }

    private static Workbook with(int sheet, Sheet other) {
        List<Sheet> sheets = new ArrayList<>(FARES.sheets());
        sheets.set(sheet, other);
        return FARES.withSheets(sheets);
    }

    private static Sheet with(Sheet sheet, int row, Cell cell) {
        return sheet.withRows(sheet.rows().stream().map(one -> one.index() != row ? one : one.with(one.cells().stream()
                .map(old -> old.column() == cell.column() ? cell : old).toList())).toList());
    }

    @Test void whatIsTheSameDiffersInNothing() {
        CellComparison same = CellComparison.of(FARES, answered("Fares!B:B", "99"));
        assertThat(same.differences()).isEmpty();
        assertThat(same.score()).isEqualTo(100);
        assertThat(same.cells()).isGreaterThan(100);
    }

    /** What goes through another format and back says the same: values and formulas; looks are a matter of that format. */
    @Test void otherFormatsSayTheSame() {
        for (SheetFormat format : List.of(SheetFormat.XLSX, SheetFormat.XLS, SheetFormat.ODS)) {
            byte[] bytes = format.write(FARES, Instant.EPOCH).bytes();
            Workbook back = format.workbook(new Content(bytes, "fares." + format.name().toLowerCase(Locale.ROOT)), null, Progress.SILENT).workbook();
            assertThat(CellComparison.of(FARES, back).differences()).as("%s", format).noneMatch(one -> one.kind() != Kind.LOOK);
        }
    }

    @Test void aValueAFormulaAndALookAreTold() {
        Sheet fares = FARES.sheets().get(0);
        Cell price = fares.cell(3, 1);
        Cell asked = fares.cell(3, 2);
        Sheet changed = with(with(fares, 3, price.with(new CellValue.Number(5.2))), 3, new Cell(2, asked.value(), "B4*1.3", asked.style(), null));
        assertThat(CellComparison.of(FARES, with(0, changed)).differences()).containsExactly(new Difference(Kind.VALUE, "Fares", "B4", "B4", "4.80", "5.20"),
                new Difference(Kind.FORMULA, "Fares", "C4", "C4", "=B4*1.25", "=B4*1.3"));
        List<CellStyle> styles = new ArrayList<>(FARES.styles());
        CellStyle own = FARES.style(price);
        styles.add(new CellStyle(own.font(), own.format(), own.across(), own.down(), own.wraps(), own.shrinks(), own.indent(), own.turn(), new Colour(0xFFEE00),
                own.borders(), own.open()));
        List<Sheet> sheets = new ArrayList<>(FARES.sheets());
        sheets.set(0, with(fares, 3, new Cell(1, price.value(), null, styles.size() - 1, null)));
        Workbook lit = new Workbook(sheets, styles, FARES.names(), FARES.facts(), FARES.since1904());
        assertThat(CellComparison.of(FARES, lit).differences()).containsExactly(new Difference(Kind.LOOK, "Fares", "B4", "B4", null, null));
    }

    @Test void rowsThatCameAndSheetsThatWentAreToldAsSuch() {
        Sheet fares = FARES.sheets().get(0);
        List<Row> rows = new ArrayList<>();
        for (Row row : fares.rows()) {
            int down = row.index() >= 5 ? 2 : 0;
            if (row.index() == 5) for (int i = 0; i < 2; i++) rows.add(new Row(5 + i, Double.NaN, false, List.of(new Cell(0, new CellValue.Text("Pram"), 0))));
            rows.add(new Row(row.index() + down, row.height(), row.hidden(), row.depth(), row.cells()));
        }
        Workbook longer = with(0, fares.withRows(rows));
        assertThat(CellComparison.of(FARES, longer).differences()).containsExactly(new Difference(Kind.ROWS, "Fares", null, "6:7", null, null));
        assertThat(CellComparison.of(longer, FARES).differences()).containsExactly(new Difference(Kind.ROWS, "Fares", "6:7", null, null, null));
        assertThat(CellComparison.of(FARES, longer).score()).isBetween(90.0, 99.99);
        // A formula below that asks something else is told, though its rows are counted otherwise.
        List<Row> asked = new ArrayList<>(rows);
        asked.replaceAll(row -> row.index() != 9 ? row : row.with(row.cells().stream().map(cell -> cell.formula() == null ? cell
                : new Cell(cell.column(), cell.value(), cell.formula().replace("*", "/"), cell.style(), null)).toList()));
        assertThat(CellComparison.of(FARES, with(0, fares.withRows(asked))).differences()).extracting(Difference::kind).contains(Kind.ROWS, Kind.FORMULA);
        Workbook shorter = FARES.withSheets(FARES.sheets().subList(0, 2));
        assertThat(CellComparison.of(FARES, shorter).differences()).containsExactly(new Difference(Kind.SHEET, "Crossings 2026", "Crossings 2026", null, null,
                null));
        assertThat(CellComparison.of(shorter, FARES).differences()).hasSize(1);
        assertThat(CellComparison.of(shorter, FARES).score()).isLessThan(90);
    }

    /** What is said in quotes is not what case and blanks are nothing in. */
    @Test void wordsWithinFormulasAreWordForWord() {
        Sheet fares = FARES.sheets().get(0);
        Cell price = fares.cell(3, 2);
        String[] formulas = {"IF(B4>1,\"By day\",'My Sheet'!b2)", "if( B4 > 1, \"By day\",'My Sheet'!B2)", "IF(B4>1,\"by day\",'My Sheet'!B2)"};
        List<Workbook> books = new ArrayList<>();
        for (String formula : formulas) books.add(with(0, with(fares, 3, new Cell(2, price.value(), formula, price.style(), null))));
        assertThat(CellComparison.of(books.get(0), books.get(1)).differences()).isEmpty();
        assertThat(CellComparison.of(books.get(1), books.get(2)).differences()).extracting(Difference::kind).containsExactly(Kind.FORMULA);
    }
}
