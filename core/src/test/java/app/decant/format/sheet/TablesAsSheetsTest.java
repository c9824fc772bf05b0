package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.NumberText;
import app.decant.sheet.Range;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Tables of documents and PDFs as workbooks: read by POI, number by number. What a number is in a language is common practice, no source. */
class TablesAsSheetsTest {
    @TempDir private Path folder;

    @Test void theTablesOfTheHandbookAreSheetsOfNumbers() throws IOException {
        Path file = publish(PassengerHandbook.document(), Target.of("xlsx"));
        try (XSSFWorkbook book = new XSSFWorkbook(Files.newInputStream(file))) {
            assertThat(book.getNumberOfSheets()).isEqualTo(7);
            XSSFSheet fares = book.getSheetAt(0);
            assertThat(fares.getSheetName()).isEqualTo("2.1 Tickets and fares");
            assertThat(fares.getRow(1).getCell(1).getNumericCellValue()).isEqualTo(6.40);
            assertThat(new DataFormatter(Locale.UK).formatCellValue(fares.getRow(1).getCell(1))).isEqualTo("6.40");
            assertThat(fares.getRepeatingRows()).isEqualTo(CellRangeAddress.valueOf("1:1"));
            XSSFSheet piers = book.getSheet("7 Index of piers");
            assertThat(piers.getRow(1).getCell(2).getStringCellValue()).as("a telephone number is a name").isEqualTo("0555 0101");
            XSSFSheet line = book.getSheet("5.1 Ostrey line");
            assertThat(line.getRow(1).getCell(0).getNumericCellValue()).as("06:10 as a part of a day").isEqualTo(370 / 1440.0);
            assertThat(new DataFormatter(Locale.UK).formatCellValue(line.getRow(1).getCell(0))).isEqualTo("06:10");
        }
    }

    @Test void theTablesOfAPdfAreThoseOfItsDocument() throws IOException {
        Path pdf = folder.resolve("handbook.pdf");
        Decant.publish(PassengerHandbook.document(), Recipe.PLAIN, pdf);
        Workbook expected = TablesAsSheets.of(PassengerHandbook.document()).workbook();
        Workbook found = TablesAsSheets.of(Decant.open(pdf).document()).workbook();
        assertThat(found.sheets()).extracting(Sheet::name).isEqualTo(expected.sheets().stream().map(Sheet::name).toList());
        for (int s : new int[] {0, 1, 3, 4, 6}) assertThat(values(found.sheets().get(s))).isEqualTo(values(expected.sheets().get(s)));
    }

    @Test void aTableThatGoesOnOverPagesIsOneSheetWithOneHead() {
        Table first = table("Pier", "Fare", "Skerrow", "4.20", "Ostrey", "6.40");
        Table second = table("Pier", "Fare", "Tolm Head", "8.10");
        Document document = document(Paragraph.of("Fares of all piers"), first, Paragraph.of(""), second, Paragraph.of("Crew"), table("Mate", "2"));
        Workbook workbook = TablesAsSheets.of(document).workbook();
        assertThat(workbook.sheets()).extracting(Sheet::name).containsExactly("Fares of all piers", "Crew");
        assertThat(values(workbook.sheets().get(0))).containsExactly("Pier", "Fare", "Skerrow", "4.2", "Ostrey", "6.4", "Tolm Head", "8.1");
        // Another grid, or words between, make it another table.
        Document other = document(first, Paragraph.of("and now"), second);
        assertThat(TablesAsSheets.of(other).workbook().sheets()).hasSize(2);
    }

    @Test void namesAreShortPlainAndEachThere() {
        List<Block> blocks = new ArrayList<>();
        for (String caption : List.of("Fares [2026]: piers/islands * and what else is charged?", "Fares [2026]: piers/islands * and what else", "", "History"))
            blocks.addAll(List.of(Paragraph.of(caption), Paragraph.of("x".repeat(300)), table("a", "1"), Paragraph.of("y".repeat(200))));
        List<String> names = TablesAsSheets.of(document(blocks.toArray(Block[]::new))).workbook().sheets().stream().map(Sheet::name).toList();
        assertThat(names).doesNotHaveDuplicates().allSatisfy(name -> assertThat(name).hasSizeLessThanOrEqualTo(31).doesNotContainPattern("[\\[\\]:*?/\\\\]"));
        assertThat(names.get(1)).endsWith(" 2");
        assertThat(names.get(3)).isEqualTo("History");
    }

    @Test void mergedCellsLooksAndLinksGoAlong() {
        Look red = Look.of(TextProperty.BOLD, true).with(TextProperty.COLOUR, new Colour(0x8A3B12));
        Paragraph bold = Paragraph.of("").withInlines(List.of(new Inline.Text("Both ways", red))).withLook(Look.of(ParagraphProperty.ALIGNMENT,
                ParagraphProperty.Alignment.CENTRE));
        Paragraph link = Paragraph.of("").withInlines(List.of(new Inline.Text("office", Look.of(TextProperty.LINK,
                new Link.Address("https://ferries.example")))));
        Table table = new Table(Look.PLAIN, List.of(60.0, 70.0, 80.0), List.of(
                new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 2, Look.of(TableProperty.SHADING, new Colour(0xDDEEFF)), List.of(Paragraph.of("Pier"))),
                        new Table.Cell(1, 2, 1, Look.PLAIN, List.of(bold)))),
                new Table.Row(Look.PLAIN, List.of(new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of("12 %"))),
                        new Table.Cell(2, 1, 1, Look.PLAIN, List.of(link))))));
        Workbook workbook = TablesAsSheets.of(document(table)).workbook();
        Sheet sheet = workbook.sheets().get(0);
        assertThat(sheet.merged()).containsExactlyInAnyOrder(new Range(0, 0, 1, 0), new Range(0, 1, 0, 2));
        assertThat(sheet.columns()).extracting(column -> column.width()).containsExactly(60.0, 70.0, 80.0);
        assertThat(workbook.style(sheet.cell(0, 0)).fill()).isEqualTo(new Colour(0xDDEEFF));
        CellStyle head = workbook.style(sheet.cell(0, 1));
        assertThat(head.across()).isEqualTo(CellStyle.Across.CENTRE);
        assertThat(head.font().is(TextProperty.BOLD)).isTrue();
        assertThat(head.font().get(TextProperty.COLOUR)).isEqualTo(new Colour(0x8A3B12));
        assertThat(sheet.cell(1, 1).value()).isEqualTo(new CellValue.Number(0.12));
        assertThat(sheet.cell(1, 2).link()).isEqualTo(new Link.Address("https://ferries.example"));
    }

    @Test void whatATableShowsDecidesBeforeItsLanguage() {
        Document german = spoken(document(table("1.250", "1.250,50", "17,5", "2.000")), "de-DE");
        assertThat(values(TablesAsSheets.of(german).workbook().sheets().get(0))).containsExactly("1250.0", "1250.5", "17.5", "2000.0");
        Document points = spoken(document(table("1.250", "17.5", "3.75", "2.5")), "de-DE");
        assertThat(values(TablesAsSheets.of(points).workbook().sheets().get(0))).containsExactly("1.25", "17.5", "3.75", "2.5");
        // Nothing shows it: the language decides.
        assertThat(values(TablesAsSheets.of(spoken(document(table("1.250", "x")), "de-DE")).workbook().sheets().get(0))).containsExactly("1250.0", "x");
        assertThat(values(TablesAsSheets.of(spoken(document(table("1.250", "x")), "en-GB")).workbook().sheets().get(0))).containsExactly("1.25", "x");
        Document american = spoken(document(table("12/24/2026", "x")), "en-US");
        assertThat(values(TablesAsSheets.of(american).workbook().sheets().get(0))).containsExactly("46380.0", "x");
    }

    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '~', nullValues = "-", value = {
        "7|7|General", "-5|-5|General", "\u22125|-5|General", "5-|-5|General", "+3|3|General", "4.10|4.1|0.00", ".5|0.5|0.0", "1,234|1234|#,##0",
        "1,234.50|1234.5|#,##0.00", "1 234.5|1234.5|#,##0.0", "1'234.50|1234.5|#,##0.00", "12 %|0.12|0%", "12.5%|0.125|0.0%",
                "\u00A3 4.20|4.2|~\"\u00A3\"0.00~",
        "4.20 \u20AC|4.2|~0.00\" \u20AC\"~", "-\u00A34.20|-4.2|~\"\u00A3\"0.00~", "(\u00A34.20)|-4.2|~\"\u00A3\"0.00~", "(1,200)|-1200|#,##0",
        "2026-11-27|46353|yyyy-mm-dd", "27.11.2026|46353|dd.mm.yyyy", "3/4/2026|46115|d/m/yyyy", "07:15|0.302083333|hh:mm", "7:15:30|0.302430556|h:mm:ss",
        "(5)|-|-", "007|-|-", "0555 0101|-|-", "12 34|-|-", "1.|-|-", "3/8|-|-", "31.02.2026|-|-", "1,23,4|-|-", "12,5,0|-|-", "1.2.3|-|-", "25:10|-|-",
        "4 pm|-|-", "1234567890123456789|-|-", "x|-|-", "-|-|-", "1900-01-15|-|-"})
    void numbersAsTheyAreWritten(String text, Double value, String format) {
        WrittenNumber number = text == null ? null : WrittenNumber.of(text, '.', false);
        if (value == null) {
            assertThat(number).isNull();
            return;
        }
        assertThat(number).isNotNull();
        assertThat(number.value()).isCloseTo(value, Offset.offset(1e-8));
        assertThat(number.format()).isEqualTo(format.replace("~", ""));
    }

    /** The law: what a number is taken as shows the digits that were written. */
    @Test void whatIsTakenAsANumberShowsAsItWasWritten() {
        NumberText shows = new NumberText(new Workbook(List.of(), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false), Locale.ENGLISH);
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            String whole = Integer.toString(random.nextInt(random.nextBoolean() ? 100 : 9_999_999));
            String grouped = random.nextBoolean() ? String.format(Locale.ENGLISH, "%,d", Integer.parseInt(whole)) : whole;
            String decimals = random.nextBoolean() ? "" : "." + Integer.toString(1000 + random.nextInt(1000)).substring(1, 2 + random.nextInt(3));
            String text = (random.nextInt(4) == 0 ? "-" : "") + grouped + decimals + (random.nextInt(5) == 0 ? "%" : "");
            WrittenNumber number = WrittenNumber.of(text, '.', false);
            assertThat(number).as(text).isNotNull();
            String shown = shows.of(new CellValue.Number(number.value()), number.format());
            boolean nought = number.value() == 0;
            assertThat(nought ? shown.replace("-", "") : shown).isEqualTo(nought ? text.replace("-", "") : text);
        }
    }

    @Test void aDocumentWithoutTablesIsRefusedInWords() {
        assertThatThrownBy(() -> publish(document(Paragraph.of("Half tide.")), Target.of("ods"))).isInstanceOfSatisfying(DecantException.class,
                told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.WRONG_CALL)).hasMessageContaining("no table");
        assertThat(folder).isEmptyDirectory();
    }

    @Test void everyFormatOfSheetsTakesThem() throws IOException {
        Document document = document(Paragraph.of("Fares"), table("Pier", "Fare", "Skerrow", "4.20", "Ostrey", "1,206.40"));
        for (Target target : Target.sheets()) {
            Path file = publish(document, target);
            Workbook again = Decant.workbook(file, null, Progress.SILENT).workbook();
            assertThat(values(again.sheets().get(0))).as(target.ending()).containsExactly("Pier", "Fare", "Skerrow", "4.2", "Ostrey", "1206.4");
        }
    }

    private Path publish(Document document, Target target) {
        Receipt receipt = Decant.publish(new Order(Decant.layOut(document), Recipe.PLAIN.to(target)), folder.resolve("tables." + target.ending()),
                Progress.SILENT).get(0);
        assertThat(receipt.proven()).isTrue();
        assertThat(receipt.findings()).anyMatch(finding -> finding.what().contains("what stands beside"));
        return receipt.file();
    }

    private static List<String> values(Sheet sheet) {
        List<String> values = new ArrayList<>();
        sheet.rows().forEach(row -> row.cells().forEach(cell -> values.add(cell.value() instanceof CellValue.Number number ? Double.toString(number.value())
                : cell.value() instanceof CellValue.Text text ? text.text() : "")));
        return values;
    }

    private static Document spoken(Document document, String language) {
        return document.withFacts(new Facts(null, null, null, null, language, null, null, Map.of()));
    }

    private static Document document(Block... blocks) { return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(blocks)))); }

    private static Table table(String... cells) {
        List<Table.Row> rows = new ArrayList<>();
        for (int i = 0; i < cells.length; i += 2)
            rows.add(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of(cells[i]))),
                    new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of(cells[i + 1]))))));
        return new Table(Look.PLAIN, List.of(90.0, 60.0), rows);
    }
}
