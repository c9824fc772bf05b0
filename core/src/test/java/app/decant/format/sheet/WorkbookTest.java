package app.decant.format.sheet;

import app.decant.document.Facts;
import app.decant.font.FontCatalogue;
import app.decant.page.Piece;
import app.decant.sheet.SheetLayout;
import java.time.LocalDateTime;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.DateUtil;
import org.assertj.core.data.Offset;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.format.Archive;
import app.decant.format.Content;
import app.decant.page.Pages;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.NumberText;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.Workbook;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.apache.xmlbeans.XmlError;
import org.apache.xmlbeans.XmlException;
import org.apache.xmlbeans.XmlObject;
import org.apache.xmlbeans.XmlOptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.SstDocument;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.StyleSheetDocument;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.WorkbookDocument;
import org.openxmlformats.schemas.spreadsheetml.x2006.main.WorksheetDocument;

/**
 * Workbooks there and back. Held against the common library's own reader and formatter, the schemas of ISO/IEC 29500 as it holds them, the validator of
 * OpenDocument, and the text that PDFBox reads from pages.
 */
class WorkbookTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");

    @TempDir private Path folder;

    private static Workbook read(SheetFormat format, byte[] bytes, String name) { return format.workbook(new Content(bytes, name), null, Progress.SILENT)
            .workbook(); }

    private static Workbook xlsx() { return read(SheetFormat.XLSX, SampleWorkbook.xlsx(), "fares.xlsx"); }

    /** Every cell's kind, value and shown text as the library has them. */
    @Test void everyCellShowsWhatTheLibrarySaysItShows() throws IOException {
        try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(SampleWorkbook.xlsx()))) {
            assertShown(book, xlsx());
        }
        try (HSSFWorkbook book = new HSSFWorkbook(new ByteArrayInputStream(SampleWorkbook.xls()))) {
            assertShown(book, read(SheetFormat.XLS, SampleWorkbook.xls(), "fares.xls"));
        }
    }

    private static void assertShown(org.apache.poi.ss.usermodel.Workbook book, Workbook ours) {
        DataFormatter formatter = new DataFormatter(Locale.ENGLISH);
        formatter.setUseCachedValuesForFormulaCells(true);
        NumberText numbers = new NumberText(ours, Locale.ENGLISH);
        int cells = 0;
        for (int s = 0; s < book.getNumberOfSheets(); s++) {
            Sheet sheet = ours.sheets().get(s);
            assertThat(sheet.name()).isEqualTo(book.getSheetName(s));
            assertThat(sheet.hidden()).isEqualTo(book.isSheetHidden(s));
            for (org.apache.poi.ss.usermodel.Row row : book.getSheetAt(s)) {
                for (org.apache.poi.ss.usermodel.Cell one : row) {
                    if (one.getCellType() == CellType.BLANK) continue;
                    Cell cell = sheet.cell(row.getRowNum(), one.getColumnIndex());
                    assertThat(cell).as(one.getAddress().toString()).isNotNull();
                    assertThat(numbers.of(cell.value(), ours.style(cell).format())).as("%s!%s", sheet.name(), one.getAddress())
                            .isEqualTo(formatter.formatCellValue(one).replaceAll("^-(0(\\.0*)?)$", "$1"));
                    assertThat(cell.formula()).isEqualTo(one.getCellType() == CellType.FORMULA ? one.getCellFormula() : null);
                    assertThat(ours.style(cell).wraps()).isEqualTo(one.getCellStyle().getWrapText());
                    cells++;
                }
            }
        }
        assertThat(cells).isGreaterThan(280);
    }

    @Test void pagesAreSetUpAsTheFileSays() {
        for (Workbook book : List.of(xlsx(), read(SheetFormat.XLS, SampleWorkbook.xls(), "fares.xls"))) {
            PageSetup setup = book.sheet("fares").setup();
            assertThat(setup.page().width()).isEqualTo(595.3);
            assertThat(setup.page().height()).isEqualTo(419.5);
            assertThat(setup.titleRows()).isEqualTo(new Range(1, 0, 1, Range.MOST_COLUMNS - 1));
            assertThat(setup.rowBreaks()).containsExactly(20);
            assertThat(setup.middle()).isTrue();
            assertThat(setup.header()).contains("&A").contains("14");
            assertThat(book.sheets().get(1).setup().areas()).containsExactly(new Range(0, 0, 17, 7));
            assertThat(book.names()).containsEntry("Winter", "Fares!$A$2:$D$10");
            assertThat(book.sheet("Fares").merged()).containsExactly(new Range(0, 0, 0, 3));
            assertThat(book.sheet("Fares").row(5).hidden()).isTrue();
        }
    }

    /** The law of writing: what is read from a written file is what was written: values, formulas, formats as they show, widths, merges, pages. */
    @Test void whatIsWrittenIsReadAgain() {
        Workbook book = xlsx();
        for (SheetFormat format : List.of(SheetFormat.XLSX, SheetFormat.ODS, SheetFormat.XLS)) {
            Workbook again = read(format, format.write(book, WHEN).bytes(), "fares." + format.ending());
            assertThat(again.names().keySet()).isEqualTo(book.names().keySet());
            for (int s = 0; s < book.sheets().size(); s++) assertSame(format, book, again, s);
        }
    }

    private static void assertSame(SheetFormat format, Workbook book, Workbook again, int s) {
        Sheet one = book.sheets().get(s);
        Sheet other = again.sheets().get(s);
        NumberText numbers = new NumberText(book, Locale.ENGLISH);
        NumberText numbersAgain = new NumberText(again, Locale.ENGLISH);
        assertThat(other.name()).isEqualTo(one.name());
        assertThat(other.hidden()).isEqualTo(one.hidden());
        assertThat(other.merged()).isEqualTo(one.merged());
        assertThat(other.setup().areas()).isEqualTo(one.setup().areas());
        assertThat(other.setup().titleRows()).isEqualTo(one.setup().titleRows());
        assertThat(other.setup().page().width()).isCloseTo(one.setup().page().width(), Offset.offset(0.2));
        assertThat(other.setup().fitted()).isEqualTo(one.setup().fitted());
        for (Row row : one.rows()) {
            for (Cell cell : row.cells()) {
                Cell found = other.cell(row.index(), cell.column());
                if (cell.isEmpty()) continue;
                String place = format + " " + one.name() + "!" + Range.name(row.index(), cell.column()) + " " + book.style(cell).format();
                assertThat(found).as(place).isNotNull();
                // OpenDocument 1.2 has no decimals that are left out where they are nought.
                if (format == SheetFormat.ODS && book.style(cell).format().equals("0.0##")) continue;
                assertThat(numbersAgain.of(found.value(), again.style(found).format()).replace('\u00A0', ' ')).as(place)
                        .isEqualTo(numbers.of(cell.value(), book.style(cell).format()));
                assertThat(found.formula()).as(place).isEqualTo(cell.formula());
                assertThat(found.link()).as(place).isEqualTo(cell.link());
                assertThat(again.style(found).fill()).as(place).isEqualTo(book.style(cell).fill());
                assertThat(again.style(found).across()).as(place).isEqualTo(book.style(cell).across());
            }
        }
    }

    /** 1 November 2026 is day 44866 from 1904 on, as POI counts it; a time of day is no day. */
    @Test void daysCountedFrom1904StayTheDaysTheyAre() {
        CellStyle day = new CellStyle(CellStyle.PLAIN.font(), "yyyy-mm-dd", CellStyle.Across.BY_KIND, CellStyle.Down.BOTTOM, false, false, 0, 0, null, null);
        CellStyle time = new CellStyle(CellStyle.PLAIN.font(), "hh:mm", CellStyle.Across.BY_KIND, CellStyle.Down.BOTTOM, false, false, 0, 0, null, null);
        double told = DateUtil.getExcelDate(LocalDateTime.of(2026, 11, 1, 0, 0), true);
        Row row = new Row(0, Double.NaN, false, List.of(new Cell(0, new CellValue.Number(told), 1), new Cell(1, new CellValue.Number(0.25), 2)));
        Workbook book = new Workbook(List.of(new Sheet("S", false, 48, 15, List.of(), List.of(row), List.of(), PageSetup.PLAIN)),
                List.of(CellStyle.PLAIN, day, time), Map.of(), Facts.NONE, true);
        for (SheetFormat format : List.of(SheetFormat.XLSX, SheetFormat.ODS, SheetFormat.XLS)) {
            Workbook again = read(format, format.write(book, WHEN).bytes(), "days." + format.ending());
            NumberText numbers = new NumberText(again, Locale.ENGLISH);
            assertThat(again.sheets().get(0).rows().get(0).cells()).extracting(cell -> numbers.of(cell.value(), again.style(cell).format())).as(format.ending())
                    .containsExactly("2026-11-01", "06:00");
        }
    }

    @Test void partsAreAsTheSchemaSays() throws Exception {
        List<String> errors = new ArrayList<>();
        for (Map.Entry<String, byte[]> part : Archive.parts(SheetFormat.XLSX.write(xlsx(), WHEN).bytes()).entrySet()) {
            List<XmlError> found = new ArrayList<>();
            XmlObject parsed = parsed(part.getKey(), new String(part.getValue(), StandardCharsets.UTF_8));
            if (parsed == null) continue;
            parsed.validate(new XmlOptions().setErrorListener(found));
            // Blanks at the ends of strings are kept as all programs do it, which the schema does not know.
            found.removeIf(error -> error.getMessage().contains("space@http://www.w3.org/XML/1998/namespace"));
            for (XmlError error : found) errors.add(part.getKey() + ": " + error.getMessage());
        }
        assertThat(errors).isEmpty();
        Path file = folder.resolve("fares.ods");
        Files.write(file, SheetFormat.ODS.write(xlsx(), WHEN).bytes());
        Path validator = Path.of("target", "tools", "odfvalidator.jar");
        Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-jar", validator.toString(), "-c",
                file.toString())
                .redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        assertThat(said).doesNotContain("rror");
    }

    private static XmlObject parsed(String name, String text) throws XmlException {
        if (name.startsWith("xl/worksheets/sheet")) return WorksheetDocument.Factory.parse(text);
        return switch (name) {
            case "xl/workbook.xml" -> WorkbookDocument.Factory.parse(text);
            case "xl/styles.xml" -> StyleSheetDocument.Factory.parse(text);
            case "xl/sharedStrings.xml" -> SstDocument.Factory.parse(text);
            default -> null;
        };
    }

    private Path file(String name, byte[] bytes) throws IOException { return Files.write(folder.resolve(name), bytes); }

    private Receipt publish(Path file, Recipe recipe, String name) {
        Intake intake = new Intake(file, null);
        Pages pages = intake.pages(recipe, Progress.SILENT);
        return Decant.publish(new Order(pages, recipe), folder.resolve(name), Progress.SILENT).get(0);
    }

    private static List<String> texts(Path pdf) throws IOException {
        List<String> texts = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            for (int p = 1; p <= document.getNumberOfPages(); p++) {
                PDFTextStripper stripper = new PDFTextStripper();
                stripper.setSortByPosition(true);
                stripper.setStartPage(p);
                stripper.setEndPage(p);
                texts.add(stripper.getText(document));
            }
        }
        return texts;
    }

    @Test void sheetsGoOntoPagesAsTheyAreSetUp() throws IOException {
        Receipt receipt = publish(file("fares.xlsx", SampleWorkbook.xlsx()), Recipe.PLAIN, "fares.pdf");
        assertThat(receipt.proven()).isTrue();
        List<String> pages = texts(receipt.file());
        assertThat(pages.get(0)).contains("Winter fares", "Line Adult Child Both", "Page 1 of " + pages.size()).doesNotContain("Line 20 ");
        assertThat(pages.get(0)).as("a hidden row").doesNotContain("Line 4 ");
        int second = pages.indexOf(pages.stream().filter(page -> page.contains("Line 20 ")).findFirst().orElseThrow());
        assertThat(pages.get(second)).as("the head repeats").contains("Line Adult Child Both").doesNotContain("Winter fares");
        assertThat(pages.get(second)).contains("52.50");
        try (PDDocument document = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(document.getPage(0).getMediaBox().getWidth()).isGreaterThan(document.getPage(0).getMediaBox().getHeight());
            assertThat(document.getDocumentCatalog().getDocumentOutline().getFirstChild().getTitle()).isEqualTo("Fares");
            assertThat(document.getDocumentCatalog().getStructureTreeRoot()).isNotNull();
        }
        assertThat(String.join("", pages)).as("what is hidden is not published").doesNotContain("Empty");
    }

    @Test void aPartARangeAndAFitAreChosen() throws IOException {
        Path file = file("fares.xlsx", SampleWorkbook.xlsx());
        SheetChoice range = new SheetChoice(List.of(), List.of("Fares!A2:B4"), false, SheetChoice.Fit.AS_SET_UP);
        assertThat(texts(publish(file, Recipe.PLAIN.with(range), "range.pdf").file())).singleElement().asString().contains("Line Adult", "2.50")
                .doesNotContain("Child", "Winter");
        SheetChoice name = new SheetChoice(List.of(), List.of("winter"), false, SheetChoice.Fit.ONE_PAGE);
        assertThat(texts(publish(file, Recipe.PLAIN.with(name), "name.pdf").file())).hasSize(1);
        SheetChoice one = new SheetChoice(List.of("Fares"), List.of(), false, SheetChoice.Fit.ONE_PAGE);
        assertThat(texts(publish(file, Recipe.PLAIN.with(one), "one.pdf").file())).singleElement().asString().contains("Line 40", "Winter fares");
        for (String wrong : List.of("Nothing!A1:B2", "Fares!ZZZZ1", "summer"))
            assertThatThrownBy(() -> publish(file, Recipe.PLAIN.with(new SheetChoice(List.of(), List.of(wrong), false, SheetChoice.Fit.AS_SET_UP)), "no.pdf"))
                    .isInstanceOf(DecantException.class);
        assertThat(SheetChoice.Fit.of("1x-")).isEqualTo(SheetChoice.Fit.ONE_WIDE);
        for (String fit : List.of("as-set-up", "one-wide", "one-page", "2x3", "-x4", "80%")) assertThat(SheetChoice.Fit.of(fit).word()).isEqualTo(fit);
    }

    @Test void whatIsWiderThanItsPaperIsToldWithTheRemedy() throws IOException {
        StringBuilder wide = new StringBuilder();
        for (int r = 0; r < 5; r++) {
            for (int c = 0; c < 30; c++) wide.append(c == 0 ? "" : ",").append("value ").append(r * c);
            wide.append('\n');
        }
        Path file = file("wide.csv", wide.toString().getBytes(StandardCharsets.UTF_8));
        Receipt receipt = publish(file, Recipe.PLAIN, "wide.pdf");
        assertThat(receipt.findings()).extracting(Finding::what).anyMatch(what -> what.contains("pages side by side"));
        Receipt fitted = publish(file, Recipe.PLAIN.with(new SheetChoice(List.of(), List.of(), false, SheetChoice.Fit.ONE_WIDE)), "fitted.pdf");
        assertThat(texts(fitted.file())).hasSize(1);
        assertThat(fitted.findings()).extracting(Finding::what).noneMatch(what -> what.contains("side by side"));
    }

    @Test void numbersTooWideShowSoAndTextRunsOverWhatIsEmpty() {
        List<Cell> cells = List.of(new Cell(0, new CellValue.Number(1234567.891), 1), new Cell(1, new CellValue.Text("runs over the empty one beside it"), 0),
                new Cell(3, new CellValue.Text("neighbour"), 0));
        Sheet sheet = new Sheet("S", false, 30, 15, List.of(), List.of(new Row(0, Double.NaN, false, cells)), List.of(), PageSetup.PLAIN);
        CellStyle money = new CellStyle(CellStyle.PLAIN.font(), "#,##0.00", CellStyle.Across.BY_KIND, CellStyle.Down.BOTTOM, false, false, 0, 0, null, null);
        Workbook book = new Workbook(List.of(sheet), List.of(CellStyle.PLAIN, money), Map.of(), Facts.NONE, false);
        Pages pages = SheetLayout.of(book, SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT);
        List<String> lines = pages.page(0).lines().stream().map(line -> line.line().pieces().stream()
                .map(piece -> piece instanceof Piece.Glyphs glyphs ? glyphs.text() : "").reduce("", String::concat)).toList();
        assertThat(lines.get(0)).matches("#+");
        assertThat(lines.get(1)).startsWith("runs over").doesNotContain("beside");
        assertThat(lines).contains("neighbour");
        assertThat(pages.findings()).extracting(Finding::what).anyMatch(what -> what.contains("####")).anyMatch(what -> what.contains("cut off"));
    }

    /** Cells behind the last words of a row that are dressed at most don't keep these from running on beyond all that is used. */
    @Test void textRunsOnBeyondWhatIsUsedOverDressedCells() {
        String title = "All fares of the harbour line, from the first of the month on";
        List<Cell> cells = List.of(new Cell(0, new CellValue.Text(title), 0), new Cell(1, CellValue.EMPTY, 0));
        Sheet sheet = new Sheet("S", false, 48, 15, List.of(), List.of(new Row(0, Double.NaN, false, cells)), List.of(), PageSetup.PLAIN);
        Workbook book = new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
        Pages pages = SheetLayout.of(book, SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT);
        assertThat(pages.page(0).lines().get(0).line().pieces().stream().map(piece -> piece instanceof Piece.Glyphs glyphs ? glyphs.text() : "")
                .reduce("", String::concat)).isEqualTo(title);
        assertThat(pages.findings()).isEmpty();
    }

    @Test void separatorsQuotesAndDecimalSignsAreFoundOut() {
        Map<String, List<Object>> told = new LinkedHashMap<>();
        told.put("a,b\n1.5,\"x, \"\"y\"\"\"\n", List.of("a", "b", 1.5, "x, \"y\""));
        told.put("a;b\n1,5;2.000,25\n", List.of("a", "b", 1.5, 2000.25));
        told.put("a\tb\n007\t12345678901234567890\n", List.of("a", "b", "007", "12345678901234567890"));
        told.put("\uFEFFa|b\n-1|=1+1\n", List.of("a", "b", -1.0, "=1+1"));
        told.forEach((text, wanted) -> {
            Sheet sheet = read(SheetFormat.CSV, text.getBytes(StandardCharsets.UTF_8), "x.csv").sheets().get(0);
            List<Object> found = new ArrayList<>();
            for (Row row : sheet.rows()) for (Cell cell : row.cells())
                found.add(cell.value() instanceof CellValue.Number number ? number.value() : ((CellValue.Text) cell.value()).text());
            assertThat(found).as(text).isEqualTo(wanted);
        });
        String csv = new String(SheetFormat.CSV.write(read(SheetFormat.CSV, "=cmd|' /C calc'!A0;@SUM(1);x\n".getBytes(StandardCharsets.UTF_8), "x.csv"), WHEN)
                .bytes(),
                StandardCharsets.UTF_8);
        assertThat(csv).as("no program is to run it").doesNotContain("\n=").startsWith("\"'=cmd").contains("'@SUM");
    }

    @Test void aWorkbookBecomesTablesOfATextAndAWorkbookOfAnotherKind() throws IOException {
        Path file = file("fares.xls", SampleWorkbook.xls());
        Document document = Decant.open(file).document();
        Table table = (Table) document.sections().get(0).blocks().stream().filter(Table.class::isInstance).findFirst().orElseThrow();
        assertThat(table.columns()).hasSize(4);
        assertThat(table.rows().get(0).cells()).as("merged").hasSize(1);
        for (Target target : List.of(Target.DOCX, Target.of("ods"), Target.of("xlsx"), Target.of("csv"), Target.of("xls"), Target.HTML)) {
            Receipt receipt = publish(file, Recipe.PLAIN.to(target), "out." + target.ending());
            assertThat(receipt.proven()).as(target.ending()).isTrue();
            assertThat(Files.size(receipt.file())).isPositive();
        }
        try (XSSFWorkbook again = new XSSFWorkbook(Files.newInputStream(folder.resolve("out.xlsx")))) {
            assertThat(again.getSheet("Fares").getRow(2).getCell(3).getCellFormula()).isEqualTo("SUM(B3:C3)");
            assertThat(again.getSheet("Fares").getRow(2).getCell(3).getNumericCellValue()).isEqualTo(7.5);
            assertThat(new DataFormatter(Locale.ENGLISH).formatCellValue(again.getSheet("Fares").getRow(2).getCell(1))).isEqualTo("2.50");
        }
    }

    @Test void oddAndHostileSheetsAreSensiblePagesOrASentence() throws IOException {
        PageSetup plain = PageSetup.PLAIN;
        Row far = new Row(Range.MOST_ROWS - 1, Double.NaN, false, List.of(new Cell(Range.MOST_COLUMNS - 1, new CellValue.Text("stray"), 0)));
        assertRefused(new Sheet("far", false, 48, 15, List.of(), List.of(far), List.of(), plain), "would come to");
        assertRefused(new Sheet("none", false, 48, 15, List.of(), List.of(), List.of(), plain), "nothing that could be put");
        Range all = new Range(0, 0, Range.MOST_ROWS - 1, Range.MOST_COLUMNS - 1);
        Row first = new Row(0, 409, false, List.of(new Cell(0, new CellValue.Text("x".repeat(40_000)), 0)));
        Sheet merged = new Sheet("merged", false, 48, 15, List.of(), List.of(first), List.of(new Range(0, 0, 40, 8)), plain.withAreas(List.of(all)));
        assertThat(laid(merged).count()).isBetween(1, 20);
        PageSetup tiny = new PageSetup(plain.page(), 0.0001, 1, 1, true, false, true, true, true, true, List.of(), new Range(0, 0, 400, 20),
                new Range(0, 0, 400, 20),
                List.of(0, 1, 2, 5_000_000), List.of(-3), "&", "&&&K&\"&99999&Z");
        assertThat(laid(new Sheet("tiny", false, 0, 0, List.of(), List.of(first), List.of(), tiny)).count()).isPositive();
        String bad = """
                <worksheet xmlns='http://schemas.openxmlformats.org/spreadsheetml/2006/main'><cols><col min='-5' max='99999999' width='1e99'/></cols>
                <sheetData><row r='0'><c r='A0'/></row><row r='99999999'/><row r='2' ht='NaN'><c r='ZZZZ9' t='s'><v>12</v></c><c t='s'><v>-1</v></c>
                <c s='77'><v>1e999</v></c><c r='B2'><f>[1]Other!A1</f><v>5</v></c></row></sheetData><mergeCells><mergeCell ref='nonsense'/></mergeCells>
                <pageSetup scale='99999999999' paperSize='x'/></worksheet>""";
        Map<String, byte[]> parts = new LinkedHashMap<>(Archive.parts(SampleWorkbook.xlsx()));
        parts.put("xl/worksheets/sheet1.xml", bad.getBytes(StandardCharsets.UTF_8));
        Workbook read = read(SheetFormat.XLSX, Archive.packed(null, parts), "bad.xlsx");
        assertThat(read.sheets().get(0).cell(1, 1).value()).isEqualTo(new CellValue.Number(5));
        assertThat(publish(file("bad.xlsx", Archive.packed(null, parts)), Recipe.PLAIN, "bad.pdf").proven()).isTrue();
    }

    private static Pages laid(Sheet sheet) {
        Workbook book = new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
        return SheetLayout.of(book, SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT);
    }

    private static void assertRefused(Sheet sheet, String words) {
        assertThatThrownBy(() -> laid(sheet).count()).isInstanceOf(DecantException.class).hasMessageContaining(words);
    }
}
