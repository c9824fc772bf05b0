package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.demo.FaresWorkbook;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.BlockStep;
import app.decant.edit.Deletion;
import app.decant.edit.Dressing;
import app.decant.edit.EditKind;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Recalculation;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetText;
import app.decant.sheet.Workbook;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Cells corrected in the tables that a workbook is taken in as: the workbook holds what was typed, what depends on it is reckoned, all else stays. */
class CorrectedSheetsTest {
    private final Workbook fares = FaresWorkbook.workbook();
    private final Document came = SheetText.of(fares, SheetChoice.AS_SET_UP);

    @TempDir private Path folder;

    @Test void aNumberThatIsCorrectedIsReckonedWith() throws IOException {
        CorrectedSheets made = corrected(typed(came, "4.80", "5.20"));
        assertThat(made.cells()).isEqualTo(1);
        Sheet sheet = made.workbook().sheets().get(0);
        assertThat(number(sheet, 3, 1)).isEqualTo(5.2);
        assertThat(number(sheet, 3, 2)).isEqualTo(6.5);
        assertThat(number(sheet, 3, 3)).isEqualTo(2.6);
        assertThat(sheet.cell(3, 2).formula()).isEqualTo("B4*1.25");
        assertThat(made.findings()).extracting(Finding::what).containsExactly("A cell was corrected; 2 formulas come to something else.");
        assertThat(different(fares, made.workbook())).containsExactlyInAnyOrder("Fares!B4", "Fares!C4", "Fares!D4");
        // What the library of the newer files comes to over the corrected file is the same.
        try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(SheetFormat.XLSX.write(made.workbook(), Instant.EPOCH).bytes()))) {
            book.getCreationHelper().createFormulaEvaluator().evaluateAll();
            for (Row row : sheet.rows())
                for (Cell cell : row.cells())
                    if (cell.formula() != null) assertThat(book.getSheetAt(0).getRow(row.index()).getCell(cell.column()).getNumericCellValue())
                            .isEqualTo(number(sheet, row.index(), cell.column()));
        }
    }

    @Test void sumsFollowOverTheirWholeChain() {
        CorrectedSheets made = corrected(typed(came, "2,189", "3,000"));
        Sheet sheet = made.workbook().sheets().get(2);
        double before = number(fares.sheets().get(2), 14, 4);
        assertThat(number(sheet, 2, 4)).isEqualTo(number(fares.sheets().get(2), 2, 4) + 811);
        assertThat(number(sheet, 14, 1)).isEqualTo(number(fares.sheets().get(2), 14, 1) + 811);
        assertThat(number(sheet, 14, 4)).isEqualTo(before + 811);
        assertThat(different(fares, made.workbook())).hasSize(4);
    }

    @Test void whatIsTypedIsTakenAsWhatItIs() {
        assertThat(value(typed(came, "4.80", "free"))).isEqualTo(new CellValue.Text("free"));
        assertThat(value(typed(came, "4.80", "-3"))).isEqualTo(new CellValue.Number(-3));
        assertThat(value(typed(came, "4.80", "1,250.50"))).isEqualTo(new CellValue.Number(1250.5));
        assertThat(value(typed(came, "4.80", ""))).isEqualTo(CellValue.EMPTY);
        Cell asked = corrected(typed(came, "4.80", "=B5/2+1")).workbook().sheets().get(0).cell(3, 1);
        assertThat(asked.formula()).isEqualTo("B5/2+1");
        assertThat(asked.value()).isEqualTo(new CellValue.Number(5.3));
        // A formula that is overwritten is one no more.
        Cell over = corrected(typed(came, "6.00", "7")).workbook().sheets().get(0).cell(3, 2);
        assertThat(over.formula()).isNull();
        assertThat(over.value()).isEqualTo(new CellValue.Number(7));
        Cell failed = corrected(typed(came, "4.80", "=1/0")).workbook().sheets().get(0).cell(3, 1);
        assertThat(failed.value()).isEqualTo(new CellValue.Failure("#DIV/0!"));
    }

    private CellValue value(Document now) { return corrected(now).workbook().sheets().get(0).cell(3, 1).value(); }

    @Test void timesKeepTheirWayOfBeingShownAndPlainNumbersGetTheirs() {
        Workbook book = book(new Cell(0, new CellValue.Number(0.25), 1), new Cell(1, new CellValue.Text("some"), 0), new Cell(2,
                new CellValue.Text("=SUM(1)"), 2));
        Document tables = SheetText.of(book, SheetChoice.AS_SET_UP);
        Cell time = cell(book, tables, typed(tables, "06:00", "07:30"), 0);
        assertThat(time.value()).isEqualTo(new CellValue.Number(0.3125));
        assertThat(time.style()).isEqualTo(1);
        Cell share = cell(book, tables, typed(tables, "some", "12.5 %"), 1);
        assertThat(share.value()).isEqualTo(new CellValue.Number(0.125));
        assertThat(CorrectedSheets.of(book, tables, typed(tables, "some", "12.5 %")).orElseThrow().workbook().style(share).format()).isEqualTo("0.0%");
        // What is text by its format stays text, whatever it looks like.
        assertThat(cell(book, tables, typed(tables, "=SUM(1)", "=SUM(2)"), 2).value()).isEqualTo(new CellValue.Text("=SUM(2)"));
        assertThat(cell(book, tables, typed(tables, "=SUM(1)", "007"), 2).value()).isEqualTo(new CellValue.Text("007"));
    }

    private static Cell cell(Workbook book, Document tables, Document now, int column) {
        return CorrectedSheets.of(book, tables, now).orElseThrow().workbook().sheets().get(0).cell(0, column);
    }

    private static Workbook book(Cell... cells) {
        List<CellStyle> styles = List.of(CellStyle.PLAIN, CellStyle.PLAIN.showing("hh:mm"), CellStyle.PLAIN.showing("@"));
        Sheet sheet = new Sheet("S", false, 90, 15, List.of(), List.of(new Row(0, Double.NaN, false, List.of(cells))), List.of(), PageSetup.PLAIN);
        return new Workbook(List.of(sheet), styles, Map.of(), Facts.NONE, false);
    }

    @Test void looksOfLettersAndHowTheyStandGoAlong() {
        TextSelection all = find(came, "4.80");
        Document bold = Dressing.looks(came, all, look -> look.with(TextProperty.BOLD, true)).after();
        Document middle = Dressing.paragraphs(bold, all, paragraph -> paragraph.withLook(paragraph.look().with(ParagraphProperty.ALIGNMENT,
                ParagraphProperty.Alignment.CENTRE)), EditKind.PARAGRAPH).after();
        Workbook made = corrected(middle).workbook();
        Cell cell = made.sheets().get(0).cell(3, 1);
        assertThat(cell.value()).isEqualTo(new CellValue.Number(4.8));
        assertThat(made.style(cell).font().is(TextProperty.BOLD)).isTrue();
        assertThat(made.style(cell).across()).isEqualTo(CellStyle.Across.CENTRE);
        assertThat(made.style(cell).format()).isEqualTo("#,##0.00");
        assertThat(made.style(made.sheets().get(0).cell(4, 1))).isEqualTo(fares.style(fares.sheets().get(0).cell(4, 1)));
    }

    @Test void moreThanCellsChangedIsNoWorkbookAnyMore() {
        BlockPath heading = BlockPath.of(0, 0);
        Document renamed = Typing.type(came, TextSelection.caret(new Place(heading, 0)), "New ", null).after();
        assertThat(CorrectedSheets.fits(came, renamed)).isFalse();
        assertThat(CorrectedSheets.of(fares, came, renamed)).isEmpty();
        Document longer = new BlockStep(Story.BODY, BlockPath.of(0), 1, 1, List.of(Paragraph.of("between"))).apply(came).document();
        assertThat(CorrectedSheets.fits(came, longer)).isFalse();
        assertThat(CorrectedSheets.fits(came, typed(came, "4.80", "5"))).isTrue();
        assertThat(CorrectedSheets.fits(came, came)).isTrue();
        // Typed and taken back, it is the workbook that came.
        Document back = typed(typed(came, "4.80", "5"), "5", "4.80");
        assertThat(CorrectedSheets.of(fares, came, back).orElseThrow().workbook()).isEqualTo(fares);
    }

    @Test void whatCannotBeReckonedKeepsWhatItCameToAndIsTold() {
        Workbook book = book(new Cell(0, new CellValue.Number(2), 0), new Cell(1, new CellValue.Number(40), "NOSUCH(A1)", 0, null),
                new Cell(2, new CellValue.Number(99), "A1*3", 0, null), new Cell(3, new CellValue.Number(7), "[1]Other!A1", 0, null));
        Document tables = SheetText.of(book, SheetChoice.AS_SET_UP);
        CorrectedSheets made = CorrectedSheets.of(book, tables, typed(tables, "2", "5")).orElseThrow();
        Row row = made.workbook().sheets().get(0).rows().get(0);
        assertThat(row.cell(1).value()).isEqualTo(new CellValue.Number(40));
        assertThat(row.cell(2).value()).isEqualTo(new CellValue.Number(15));
        assertThat(row.cell(3).value()).isEqualTo(new CellValue.Number(7));
        assertThat(made.findings()).extracting(Finding::what).anyMatch(what -> what.startsWith("2 formulas can't be worked out here and keep"));
    }

    @Test void aStoredResultThatNothingTouchedStaysThoughItIsStale() {
        // Stored as 99, though it comes to 6: what was corrected elsewhere does not change it.
        Workbook book = book(new Cell(0, new CellValue.Number(2), 0), new Cell(1, new CellValue.Number(99), "A1*3", 0, null), new Cell(2,
                new CellValue.Number(1), 0));
        Document tables = SheetText.of(book, SheetChoice.AS_SET_UP);
        Workbook made = CorrectedSheets.of(book, tables, typed(tables, "1", "8")).orElseThrow().workbook();
        assertThat(made.sheets().get(0).cell(0, 1).value()).isEqualTo(new CellValue.Number(99));
        assertThat(made.sheets().get(0).cell(0, 2).value()).isEqualTo(new CellValue.Number(8));
    }

    @Test void circlesEndAndAreTold() {
        Workbook book = book(new Cell(0, new CellValue.Number(2), 0), new Cell(1, new CellValue.Number(1), "C1+A1", 0, null), new Cell(2,
                new CellValue.Number(1),
                "B1+1", 0, null));
        Document tables = SheetText.of(book, SheetChoice.AS_SET_UP);
        assertThat(CorrectedSheets.of(book, tables, typed(tables, "2", "5"))).isPresent();
    }

    @Test void aChainOfThousandsOfCellsEndsInAValueOrASentence() {
        List<Row> rows = new ArrayList<>();
        // Each cell asks the one below: worked out from the top, it goes as deep as the sheet is long.
        for (int i = 0; i < 20_000; i++)
            rows.add(new Row(i, Double.NaN, false, List.of(new Cell(0, new CellValue.Number(1), "A" + (i + 2) + "+1", 0, null))));
        rows.add(new Row(20_000, Double.NaN, false, List.of(new Cell(0, new CellValue.Number(1), 0))));
        Sheet sheet = new Sheet("S", false, 90, 15, List.of(), rows, List.of(), PageSetup.PLAIN);
        Workbook before = new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
        List<Row> changed = new ArrayList<>(rows);
        changed.set(20_000, new Row(20_000, Double.NaN, false, List.of(new Cell(0, new CellValue.Number(5), 0))));
        Recalculation reckoned = Recalculation.of(before, before.withSheets(List.of(sheet.withRows(changed))));
        assertThat(reckoned.changed() + reckoned.unknown()).isBetween(1, 20_000);
        assertThat(reckoned.workbook().sheets().get(0).cell(19_999, 0).value()).isEqualTo(new CellValue.Number(6));
    }

    /** The law: each cell holds what was typed into it, and no cell without a formula holds anything else than before. */
    @Test void onlyWhatWasTypedAndWhatDependsOnItChanges() {
        Map<BlockPath, SheetText.CellPlace> places = SheetText.places(fares);
        List<Walk.Stop> stops = Walk.of(came).stops().stream().filter(stop -> stop.path().size() == 5).toList();
        Random random = new Random(4);
        for (int round = 0; round < 15; round++) {
            Document now = came;
            Map<String, String> typed = new HashMap<>();
            for (int i = 0; i < 1 + random.nextInt(4); i++) {
                Walk.Stop stop = stops.get(random.nextInt(stops.size()));
                SheetText.CellPlace place = places.get(stop.path().parent());
                String words = "word" + random.nextInt(1000);
                now = Typing.type(now, new TextSelection(new Place(stop.path(), 0), new Place(stop.path(), now.paragraph(new Place(stop.path(), 0)).length())),
                        words, null).after();
                typed.put(fares.sheets().get(place.sheet()).name() + "!" + Range.name(place.row(), place.column()), words);
            }
            Workbook made = corrected(now).workbook();
            Set<String> other = different(fares, made);
            for (Map.Entry<String, String> one : typed.entrySet()) {
                int mark = one.getKey().lastIndexOf('!');
                Range spot = Range.of(one.getKey().substring(mark + 1));
                assertThat(made.sheet(one.getKey().substring(0, mark)).cell(spot.top(), spot.left()).value()).isEqualTo(new CellValue.Text(one.getValue()));
            }
            other.removeAll(typed.keySet());
            for (String one : other) {
                int mark = one.lastIndexOf('!');
                Range spot = Range.of(one.substring(mark + 1));
                assertThat(made.sheet(one.substring(0, mark)).cell(spot.top(), spot.left()).formula()).as(one).isNotNull();
            }
        }
    }

    @Test void publishedItIsASheetWithWhatWasCorrected() throws IOException {
        Path file = Files.write(folder.resolve("fares.xlsx"), SheetFormat.XLSX.write(fares, Instant.EPOCH).bytes());
        Document tables = Decant.open(file).document();
        Workbook read = Decant.workbook(file, null, Progress.SILENT).workbook();
        CorrectedSheets made = CorrectedSheets.of(read, tables, typed(tables, "4.80", "5.20")).orElseThrow();
        Intake intake = Intake.corrected(file, null, made);
        Receipt receipt = Decant.publish(new Order(intake.pages(Recipe.PLAIN, Progress.SILENT), Recipe.PLAIN), folder.resolve("fares.pdf"),
                Progress.SILENT).get(0);
        assertThat(receipt.proven()).isTrue();
        assertThat(intake.findings()).extracting(Finding::what).contains("A cell was corrected; 2 formulas come to something else.");
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getNumberOfPages()).as("as the sheets are set up").isEqualTo(5);
            assertThat(new PDFTextStripper().getText(pdf)).contains("Adult, single 5.20 6.50 2.60");
        }
    }

    private CorrectedSheets corrected(Document now) { return CorrectedSheets.of(fares, came, now).orElseThrow(); }

    private static double number(Sheet sheet, int row, int column) { return ((CellValue.Number) sheet.cell(row, column).value()).value(); }

    private static Set<String> different(Workbook one, Workbook other) {
        Set<String> different = new HashSet<>();
        for (int s = 0; s < one.sheets().size(); s++) {
            Sheet was = one.sheets().get(s);
            Sheet is = other.sheets().get(s);
            List<Row> rows = new ArrayList<>(was.rows());
            rows.addAll(is.rows());
            for (Row row : rows)
                for (Cell cell : row.cells())
                    if (!Objects.equals(was.cell(row.index(), cell.column()), is.cell(row.index(), cell.column())))
                        different.add(was.name() + "!" + Range.name(row.index(), cell.column()));
        }
        return different;
    }

    private static Document typed(Document document, String at, String text) {
        TextSelection all = find(document, at);
        return text.isEmpty() ? Deletion.delete(document, all).after() : Typing.type(document, all, text, null).after();
    }

    /** A cell that says just this. */
    private static TextSelection find(Document document, String at) {
        for (Walk.Stop stop : Walk.of(document).stops())
            if (stop.paragraph().plainText().equals(at)) return new TextSelection(new Place(stop.path(), 0), new Place(stop.path(), at.length()));
        throw new AssertionError(at + " is not there");
    }
}
