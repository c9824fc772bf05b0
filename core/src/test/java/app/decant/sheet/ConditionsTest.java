package app.decant.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.demo.FaresWorkbook;
import app.decant.document.Colour;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.format.Archive;
import app.decant.format.sheet.SheetFormat;
import app.decant.page.Item;
import app.decant.page.Page;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.formula.ConditionalFormattingEvaluator;
import org.apache.poi.ss.formula.EvaluationConditionalFormatRule;
import org.apache.poi.ss.formula.WorkbookEvaluatorProvider;
import org.apache.poi.ss.usermodel.ComparisonOperator;
import org.apache.poi.ss.usermodel.ConditionalFormattingRule;
import org.apache.poi.ss.usermodel.ConditionalFormattingThreshold.RangeType;
import org.apache.poi.ss.usermodel.IconMultiStateFormatting.IconSet;
import org.apache.poi.ss.usermodel.IndexedColors;
import org.apache.poi.ss.usermodel.PatternFormatting;
import org.apache.poi.ss.usermodel.SheetConditionalFormatting;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.xssf.usermodel.XSSFColor;
import org.apache.poi.xssf.usermodel.XSSFConditionalFormattingRule;
import org.apache.poi.xssf.usermodel.XSSFRow;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.apache.xmlbeans.XmlError;
import org.apache.xmlbeans.XmlOptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.CTCfRule;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.CTConditionalFormatting;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.STCfType;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.StyleSheetDocument;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.WorksheetDocument;

/** Rules that colour cells (ISO/IEC 29500-1, 18.3.1.10): which cells they hold for is what POI's own evaluator says; scales, bars and signs by hand. */
class ConditionsTest {
    private static final int ROWS = 24;

    @TempDir private Path folder;

    @Test void rulesHoldWhereTheLibrarySaysSo() throws IOException {
        Map<String, Integer> held = new HashMap<>();
        for (int seed = 0; seed < 4; seed++) {
            try (XSSFWorkbook book = ruled(new Random(seed))) {
                Workbook read = read(book, "rules.xlsx");
                Sheet sheet = read.sheets().get(0);
                assertThat(sheet.conditions()).hasSize(book.getSheetAt(0).getSheetConditionalFormatting().getNumConditionalFormattings());
                ConditionalFormattingEvaluator library = new ConditionalFormattingEvaluator(book,
                        (WorkbookEvaluatorProvider) book.getCreationHelper().createFormulaEvaluator());
                for (Condition one : sheet.conditions()) {
                    Conditions alone = Conditions.of(read, sheet.with(List.of(one)));
                    String kind = one.rule().toString().replaceFirst("dress=.*", "");
                    for (Row row : sheet.rows()) {
                        for (Cell cell : row.cells()) {
                            if (one.places().stream().noneMatch(place -> place.holds(row.index(), cell.column()))) continue;
                            // The library takes a value that is there three times for one that is there once.
                            boolean once = one.rule() instanceof Condition.Kind rule && rule.state() == Condition.State.UNIQUE;
                            boolean expected = once ? sheet.rows().stream().filter(other -> other.cell(0).value().equals(cell.value())).count() == 1
                                    : matches(library, row.index(), cell.column(), one.rank());
                            assertThat(alone.of(row.index(), cell) != Conditions.PLAIN).as("seed %d, %s, %s: %s", seed, kind, Range.name(row.index(),
                                    cell.column()), cell.value()).isEqualTo(expected);
                            if (expected) held.merge(kind, 1, Integer::sum);
                        }
                    }
                    assertThat(alone.unmet()).as(kind).isZero();
                }
            }
        }
        // Each kind of rule held somewhere, so that the comparison says something.
        assertThat(held).hasSizeGreaterThanOrEqualTo(15);
    }

    private static boolean matches(ConditionalFormattingEvaluator library, int row, int column, int rank) {
        Set<Integer> ranks = new HashSet<>();
        for (EvaluationConditionalFormatRule rule : library.getConditionalFormattingForCell(new CellReference("Rules", row, column, false, false)))
            ranks.add(rule.getPriority());
        return ranks.contains(rank);
    }

    /** A sheet of numbers, words, truths and gaps with a rule of each kind, none of which ends the others. */
    private static XSSFWorkbook ruled(Random random) {
        XSSFWorkbook book = new XSSFWorkbook();
        XSSFSheet sheet = book.createSheet("Rules");
        for (int r = 0; r < ROWS; r++) {
            XSSFRow row = sheet.createRow(r);
            row.createCell(0).setCellValue(random.nextInt(20) - 5);
            row.createCell(1).setCellValue(random.nextInt(12));
            String[] words = {"late", "Late again", "on time", "not late", "x", "lat"};
            row.createCell(2).setCellValue(words[random.nextInt(words.length)]);
            if (random.nextInt(3) > 0) row.createCell(3).setCellValue(random.nextInt(6) / 2.0);
        }
        SheetConditionalFormatting rules = sheet.getSheetConditionalFormatting();
        String first = "A1:A" + ROWS;
        byte[] operators = {ComparisonOperator.GT, ComparisonOperator.LT, ComparisonOperator.GE, ComparisonOperator.LE, ComparisonOperator.EQUAL,
            ComparisonOperator.NOT_EQUAL};
        for (byte operator : operators) add(rules, first, rules.createConditionalFormattingRule(operator, "5"));
        add(rules, first, rules.createConditionalFormattingRule(ComparisonOperator.BETWEEN, "2", "8"));
        add(rules, first, rules.createConditionalFormattingRule(ComparisonOperator.NOT_BETWEEN, "2", "8"));
        add(rules, first, rules.createConditionalFormattingRule(ComparisonOperator.GT, "$B$1"));
        add(rules, first, rules.createConditionalFormattingRule(ComparisonOperator.GT, "B1+1"));
        add(rules, "C1:C" + ROWS, rules.createConditionalFormattingRule(ComparisonOperator.EQUAL, "\"late\""));
        add(rules, "A1:D" + ROWS, rules.createConditionalFormattingRule("MOD(ROW(),2)=0"));
        add(rules, "A1:D" + ROWS, rules.createConditionalFormattingRule("AND($A1>3,$C1<>\"x\")"));
        add(rules, "A3:B" + ROWS, rules.createConditionalFormattingRule("A2=A3"));
        filter(sheet, first, STCfType.TOP_10, rule -> rule.setRank(4));
        filter(sheet, first, STCfType.TOP_10, rule -> {
            rule.setRank(3);
            rule.setBottom(true);
        });
        filter(sheet, first, STCfType.ABOVE_AVERAGE, rule -> { });
        filter(sheet, first, STCfType.ABOVE_AVERAGE, rule -> rule.setAboveAverage(false));
        filter(sheet, first, STCfType.DUPLICATE_VALUES, rule -> { });
        filter(sheet, first, STCfType.UNIQUE_VALUES, rule -> { });
        for (STCfType.Enum type : List.of(STCfType.CONTAINS_TEXT, STCfType.NOT_CONTAINS_TEXT, STCfType.BEGINS_WITH, STCfType.ENDS_WITH))
            filter(sheet, "C1:C" + ROWS, type, rule -> rule.setText("late"));
        return book;
    }

    private static void add(SheetConditionalFormatting rules, String place, ConditionalFormattingRule rule) {
        PatternFormatting pattern = rule.createPatternFormatting();
        pattern.setFillBackgroundColor(IndexedColors.YELLOW.index);
        pattern.setFillPattern(PatternFormatting.SOLID_FOREGROUND);
        rules.addConditionalFormatting(new CellRangeAddress[] {CellRangeAddress.valueOf(place)}, rule);
    }

    @FunctionalInterface private interface Telling { void tell(CTCfRule rule); }

    /** Rules of kinds that the library reads but has no way to make. */
    private static void filter(XSSFSheet sheet, String place, STCfType.Enum type, Telling telling) {
        int rank = sheet.getCTWorksheet().sizeOfConditionalFormattingArray() + 1;
        CTConditionalFormatting made = sheet.getCTWorksheet().addNewConditionalFormatting();
        made.setSqref(List.of(place));
        CTCfRule rule = made.addNewCfRule();
        rule.setType(type);
        rule.setPriority(rank);
        telling.tell(rule);
    }

    @Test void scalesBarsAndSignsAreDrawn() throws IOException {
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            XSSFSheet sheet = book.createSheet("Drawn");
            for (int r = 0; r < 5; r++) {
                sheet.createRow(r);
                for (int c = 0; c < 4; c++) sheet.getRow(r).createCell(c).setCellValue(r * 25);
            }
            SheetConditionalFormatting rules = sheet.getSheetConditionalFormatting();
            XSSFConditionalFormattingRule scale = (XSSFConditionalFormattingRule) rules.createConditionalFormattingColorScaleRule();
            scale.getColorScaleFormatting().getThresholds()[0].setRangeType(RangeType.MIN);
            scale.getColorScaleFormatting().getThresholds()[1].setRangeType(RangeType.PERCENTILE);
            scale.getColorScaleFormatting().getThresholds()[1].setValue(50d);
            scale.getColorScaleFormatting().getThresholds()[2].setRangeType(RangeType.MAX);
            scale.getColorScaleFormatting().setColors(new XSSFColor[] {colour(0xFF0000), colour(0xFFFFFF), colour(0x0000FF)});
            rules.addConditionalFormatting(new CellRangeAddress[] {CellRangeAddress.valueOf("A1:A5")}, scale);
            ConditionalFormattingRule bar = rules.createConditionalFormattingRule(colour(0x00AA00));
            bar.getDataBarFormatting().setWidthMin(0);
            bar.getDataBarFormatting().setWidthMax(100);
            rules.addConditionalFormatting(new CellRangeAddress[] {CellRangeAddress.valueOf("B1:B5")}, bar);
            ConditionalFormattingRule icons = rules.createConditionalFormattingRule(IconSet.GYR_3_ARROW);
            rules.addConditionalFormatting(new CellRangeAddress[] {CellRangeAddress.valueOf("C1:C5")}, icons);
            ConditionalFormattingRule bare = rules.createConditionalFormattingRule(IconSet.GYR_3_TRAFFIC_LIGHTS);
            bare.getMultiStateFormatting().setIconOnly(true);
            rules.addConditionalFormatting(new CellRangeAddress[] {CellRangeAddress.valueOf("D1:D5")}, bare);
            Workbook read = read(book, "drawn.xlsx");
            Page page = SheetLayout.of(read, SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT).page(0);
            List<Item.Fill> fills = page.items().stream().filter(Item.Fill.class::isInstance).map(Item.Fill.class::cast).toList();
            assertThat(fills.stream().filter(fill -> fill.colour().rgb() != 0x00AA00).map(fill -> fill.colour().rgb())).containsExactly(0xFF0000, 0xFF8080,
                    0xFFFFFF, 0x8080FF, 0x0000FF);
            List<Double> bars = fills.stream().filter(fill -> fill.colour().rgb() == 0x00AA00).map(Item.Fill::width).toList();
            // Of nothing there is no bar; the others grow evenly.
            assertThat(bars).hasSize(4);
            for (int i = 0; i < 4; i++) assertThat(bars.get(i) / bars.get(3)).isBetween((i + 1) * 0.25 - 0.001, (i + 1) * 0.25 + 0.001);
            List<Item.PictureItem> signs = page.items().stream().filter(Item.PictureItem.class::isInstance).map(Item.PictureItem.class::cast).toList();
            assertThat(signs).hasSize(10).allSatisfy(sign -> assertThat(sign.picture().isOrnament()).isTrue());
            assertThat(signs.stream().map(sign -> sign.picture().image()).distinct()).as("three arrows and three discs").hasSize(6);
            // Where only signs are to be seen, no number is.
            long numbers = page.items().stream().filter(Item.LineItem.class::isInstance).count();
            assertThat(numbers).isEqualTo(15);
        }
    }

    private static XSSFColor colour(int rgb) { return new XSSFColor(new byte[] {(byte) (rgb >> 16), (byte) (rgb >> 8), (byte) rgb}, null); }

    @Test void whereARuleEndsThingsThoseAfterItDoNotCount() {
        CellDress red = new CellDress(CellDress.NONE.font(), new Colour(0xFF0000), null, null);
        CellDress bold = new CellDress(CellDress.NONE.font().with(TextProperty.BOLD, true), new Colour(0x00FF00), null, "0.0");
        for (boolean last : new boolean[] {true, false}) {
            Condition first = new Condition(List.of(new Range(0, 0, 9, 0)), 1, last, new Condition.Compared(Condition.Comparison.MORE, "5", null, red));
            Condition second = new Condition(List.of(new Range(0, 0, 9, 0)), 2, false, new Condition.Compared(Condition.Comparison.MORE, "1", null, bold));
            Workbook book = book(List.of(second, first), 7, 3, 1);
            Conditions conditions = Conditions.of(book, book.sheets().get(0));
            CellDress both = shown(conditions, book, 0);
            assertThat(both.fill()).isEqualTo(new Colour(0xFF0000));
            assertThat(both.font().is(TextProperty.BOLD)).isEqualTo(!last);
            assertThat(both.format()).isEqualTo(last ? null : "0.0");
            assertThat(shown(conditions, book, 1).fill()).isEqualTo(new Colour(0x00FF00));
            assertThat(shown(conditions, book, 2)).isSameAs(CellDress.NONE);
        }
    }

    private static CellDress shown(Conditions conditions, Workbook book, int row) { return conditions.of(row, book.sheets().get(0).cell(row, 0)).dress(); }

    private static Workbook book(List<Condition> conditions, double... values) {
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < values.length; i++) rows.add(new Row(i, Double.NaN, false, List.of(new Cell(0, new CellValue.Number(values[i]), 0))));
        Sheet sheet = new Sheet("S", false, 48, 15, List.of(), rows, List.of(), PageSetup.PLAIN).with(conditions);
        return new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
    }

    @Test void aRuleThatCannotBeWorkedOutIsToldAndColoursNothing() {
        CellDress red = new CellDress(CellDress.NONE.font(), new Colour(0xFF0000), null, null);
        List<Condition> odd = new ArrayList<>();
        for (String formula : List.of("NOSUCHFUNCTION(A1)", "A1>", "'[other.xlsx]S'!A1>2", "((((", "Elsewhere!A1=1"))
            odd.add(new Condition(List.of(new Range(0, 0, 2, 0)), odd.size(), false, new Condition.Formula(formula, red)));
        odd.add(new Condition(List.of(new Range(0, 0, 2, 0)), 9, false, new Condition.Scale(List.of(new Condition.Point(Condition.By.NUMBER, "x y", true),
                new Condition.Point(Condition.By.MOST, null, true)), List.of(Colour.BLACK, Colour.WHITE))));
        Workbook book = book(odd, 1, 2, 3);
        SheetPages pages = SheetLayout.of(book, SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT);
        assertThat(pages.page(0).items()).noneMatch(Item.Fill.class::isInstance);
        assertThat(pages.findings()).extracting(Finding::what).anyMatch(what -> what.contains("rules that colour cells of S can't be worked out"));
    }

    @Test void newerFilesKeepThem() throws Exception {
        try (XSSFWorkbook made = ruled(new Random(9))) {
            Workbook read = read(made, "kept.xlsx");
            Path again = Files.write(folder.resolve("again.xlsx"), SheetFormat.XLSX.write(read, Instant.EPOCH).bytes());
            assertThat(SheetFormat.XLSX.write(read, Instant.EPOCH).findings()).isEmpty();
            Workbook kept = Decant.workbook(again, null, Progress.SILENT).workbook();
            assertThat(kept.sheets().get(0).conditions()).isEqualTo(read.sheets().get(0).conditions());
            Map<String, byte[]> parts = Archive.parts(Files.readAllBytes(again));
            List<XmlError> errors = new ArrayList<>();
            WorksheetDocument.Factory.parse(text(parts, "xl/worksheets/sheet1.xml")).validate(new XmlOptions().setErrorListener(errors));
            StyleSheetDocument.Factory.parse(text(parts, "xl/styles.xml")).validate(new XmlOptions().setErrorListener(errors));
            assertThat(errors).isEmpty();
            // Where a format has no place for them, that is told.
            assertThat(SheetFormat.ODS.write(read, Instant.EPOCH).findings()).extracting(Finding::what).anyMatch(what -> what.contains("colour cells"));
            try (XSSFWorkbook library = new XSSFWorkbook(Files.newInputStream(again))) {
                assertThat(library.getSheetAt(0).getSheetConditionalFormatting().getNumConditionalFormattings())
                        .isEqualTo(read.sheets().get(0).conditions().size());
            }
        }
        Workbook fares = FaresWorkbook.workbook();
        Path file = Files.write(folder.resolve("fares.xlsx"), SheetFormat.XLSX.write(fares, Instant.EPOCH).bytes());
        assertThat(Decant.workbook(file, null, Progress.SILENT).workbook().sheets().get(2).conditions()).isEqualTo(fares.sheets().get(2).conditions());
    }

    @Test void binaryFilesTellTheirsToo() throws IOException {
        try (HSSFWorkbook book = new HSSFWorkbook()) {
            HSSFSheet sheet = book.createSheet("Old");
            for (int r = 0; r < 6; r++) sheet.createRow(r).createCell(0).setCellValue(r);
            SheetConditionalFormatting rules = sheet.getSheetConditionalFormatting();
            add(rules, "A1:A6", rules.createConditionalFormattingRule(ComparisonOperator.GT, "3"));
            add(rules, "A1:A6", rules.createConditionalFormattingRule("MOD(A1,2)=1"));
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            book.write(bytes);
            Path file = Files.write(folder.resolve("old.xls"), bytes.toByteArray());
            Workbook read = Decant.workbook(file, null, Progress.SILENT).workbook();
            Conditions conditions = Conditions.of(read, read.sheets().get(0));
            List<Integer> coloured = new ArrayList<>();
            for (int r = 0; r < 6; r++) if (conditions.of(r, read.sheets().get(0).cell(r, 0)).dress().fill() != null) coloured.add(r);
            assertThat(coloured).containsExactly(1, 3, 4, 5);
            assertThat(conditions.of(5, read.sheets().get(0).cell(5, 0)).dress().fill()).isEqualTo(new Colour(0xFFFF00));
        }
    }

    private static String text(Map<String, byte[]> parts, String name) { return new String(parts.get(name), StandardCharsets.UTF_8); }

    private Workbook read(XSSFWorkbook book, String name) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        book.write(bytes);
        return Decant.workbook(Files.write(folder.resolve(name), bytes.toByteArray()), null, Progress.SILENT).workbook();
    }
}
