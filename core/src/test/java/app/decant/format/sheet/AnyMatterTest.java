package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Link;
import app.decant.document.Progress;
import app.decant.format.Content;
import app.decant.sheet.Cell;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellCheck.Kind;
import app.decant.sheet.CellCheck.Strictness;
import app.decant.sheet.CellCheck.Words;
import app.decant.sheet.CellNote;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetFilter;
import app.decant.sheet.SheetMatter;
import app.decant.sheet.SheetView;
import app.decant.sheet.Workbook;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Notes, checks, filters, groups and links drawn by lot: what is written is read as the same, in each kind of workbook. */
class AnyMatterTest {
    private static final int ROUNDS = 60;

    private static Workbook again(SheetFormat format, Workbook workbook) {
        return format.workbook(new Content(format.write(workbook, Instant.EPOCH).bytes(), "any." + format.ending()), null, Progress.SILENT).workbook();
    }

    private static Range range(Random random, int column) {
        int top = random.nextInt(60);
        return new Range(top, column, top + random.nextInt(20), column + random.nextInt(2));
    }

    /** Checks of columns that no other has, so that each cell has one at most, as OpenDocument tells it. */
    private static List<CellCheck> checks(Random random) {
        List<CellCheck> checks = new ArrayList<>();
        Kind[] compared = {Kind.WHOLE_NUMBER, Kind.NUMBER, Kind.DAY, Kind.TIME, Kind.LENGTH};
        for (int column = random.nextInt(3); column < 30; column += 3 + random.nextInt(9)) {
            Comparison comparison = Comparison.values()[random.nextInt(Comparison.values().length)];
            boolean two = comparison == Comparison.BETWEEN || comparison == Comparison.OUTSIDE;
            Words words = random.nextBoolean() ? null : new Words(random.nextBoolean() ? "" : "Title", "Say <this> & \"that\"");
            Strictness strictness = Strictness.values()[random.nextInt(3)];
            Kind kind = compared[random.nextInt(compared.length)];
            checks.add(switch (random.nextInt(3)) {
                case 0 -> new CellCheck(List.of(range(random, column)), Kind.LIST, Comparison.BETWEEN, random.nextBoolean() ? "\"a,b,c\"" : "$A$1:$A$9", null,
                        random.nextBoolean(), random.nextBoolean(), words, null, strictness);
                case 1 -> new CellCheck(List.of(range(random, column)), Kind.FORMULA, Comparison.BETWEEN, "LEN(A1)>" + random.nextInt(9), null,
                        random.nextBoolean(), true, null, words, strictness);
                default -> new CellCheck(List.of(range(random, column)), kind, comparison, String.valueOf(random.nextInt(50)),
                        two ? String.valueOf(50 + random.nextInt(50)) : null, random.nextBoolean(), true, words, words, strictness);
            });
        }
        return checks;
    }

    private static Workbook workbook(Random random) {
        List<Row> rows = new ArrayList<>();
        for (int r = 0; r < 40; r += 1 + random.nextInt(3)) {
            List<Cell> cells = new ArrayList<>();
            for (int c = 0; c < 8; c += 1 + random.nextInt(4)) cells.add(new Cell(c, new CellValue.Text("r" + r + "c" + c), null, 0,
                    random.nextInt(5) == 0 ? new Link.Inside("Fares!A" + (1 + random.nextInt(30))) : null));
            rows.add(new Row(r, 15, random.nextInt(9) == 0, random.nextInt(4), cells));
        }
        Map<Integer, CellNote> notes = new TreeMap<>();
        for (int i = random.nextInt(9); i > 0; i--) {
            int row = random.nextInt(70);
            notes.put(row, new CellNote(row, random.nextInt(12), random.nextBoolean() ? "" : "Ada Quay", "line <1>\n& line " + i));
        }
        SheetFilter filter = random.nextBoolean() ? null : new SheetFilter(new Range(random.nextInt(4), 0, 20 + random.nextInt(20), 1
                + random.nextInt(6)), Map.of());
        SheetMatter matter = new SheetMatter(SheetView.PLAIN, List.copyOf(notes.values()), checks(random), filter,
                random.nextBoolean() ? null : FurnishedWorkbook.lock());
        Sheet sheet = new Sheet("Fares", false, 48, 15, List.of(), rows, List.of(), PageSetup.PLAIN, List.of(), List.of(), matter);
        return new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
    }

    @ParameterizedTest @EnumSource(names = {"XLSX", "XLS", "ODS"})
    void whateverBelongsToASheetComesBack(SheetFormat format) {
        for (int seed = 0; seed < ROUNDS; seed++) {
            Sheet before = workbook(new Random(seed)).sheets().get(0);
            Sheet after = again(format, workbook(new Random(seed))).sheets().get(0);
            String where = format + ", " + seed;
            assertThat(after.matter().notes()).as(where).isEqualTo(before.matter().notes());
            assertThat(after.matter().filter()).as(where).isEqualTo(before.matter().filter());
            assertThat(after.matter().lock() == null).as(where).isEqualTo(before.matter().lock() == null);
            assertThat(after.matter().checks()).as(where).hasSameSizeAs(before.matter().checks());
            for (CellCheck check : before.matter().checks()) assertThat(after.matter().checks()).as("%s: %s", where, check).anyMatch(other ->
                    other.kind() == check.kind() && new HashSet<>(other.places()).equals(new HashSet<>(check.places())) && other.first().equals(check.first())
                            && other.strictness() == check.strictness() && other.blanks() == check.blanks()
                            && (check.kind() == Kind.LIST || check.kind() == Kind.FORMULA || other.comparison() == check.comparison())
                            && (check.second() == null || check.second().equals(other.second())));
            for (Row row : before.rows()) {
                if (row.depth() > 0 || !row.cells().isEmpty()) assertThat(after.row(row.index()).depth()).as("%s, row %s", where, row.index())
                        .isEqualTo(row.depth());
                for (Cell cell : row.cells()) {
                    Link link = after.cell(row.index(), cell.column()).link();
                    assertThat(link).as(where).isEqualTo(cell.link());
                }
            }
        }
    }

    /** Thousands of links out, each by a relation of its own, as lists of addresses have them. */
    @Test void thousandsOfLinksAreEachTheirOwn() {
        List<Row> rows = new ArrayList<>();
        for (int r = 0; r < 8000; r++)
            rows.add(new Row(r, 15, false, List.of(new Cell(0, new CellValue.Text("to " + r), null, 0, new Link.Address("https://fernhollow.example/" + r)))));
        Sheet sheet = new Sheet("Links", false, 48, 15, List.of(), rows, List.of(), PageSetup.PLAIN);
        Workbook after = again(SheetFormat.XLSX, new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false));
        assertThat(after.sheets().get(0).rows()).isEqualTo(rows);
    }

    /** Whoever opens a locked sheet on the desk is told of it. */
    @Test void locksAreToldOnTheDesk() {
        byte[] bytes = SheetFormat.XLSX.write(FurnishedWorkbook.workbook(FurnishedWorkbook.lock()), Instant.EPOCH).bytes();
        assertThat(SheetFormat.XLSX.read(new Content(bytes, "a.xlsx"), null, Progress.SILENT).findings()).extracting(Finding::what)
                .anyMatch(told -> told.startsWith("“It's fares” is locked"));
    }
}
