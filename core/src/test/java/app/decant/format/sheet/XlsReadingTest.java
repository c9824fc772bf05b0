package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.fail;

import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Link;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.format.Content;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellNote;
import app.decant.sheet.CellValue;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.Range;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetLock;
import app.decant.format.Formats;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.function.UnaryOperator;
import org.apache.logging.log4j.LogManager;
import org.apache.poi.common.usermodel.HyperlinkType;
import org.apache.poi.hssf.usermodel.DVConstraint;
import org.apache.poi.hssf.usermodel.HSSFCell;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFComment;
import org.apache.poi.hssf.usermodel.HSSFDataValidation;
import org.apache.poi.hssf.usermodel.HSSFFont;
import org.apache.poi.hssf.usermodel.HSSFHyperlink;
import org.apache.poi.hssf.usermodel.HSSFPatriarch;
import org.apache.poi.hssf.usermodel.HSSFRichTextString;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.hssf.util.HSSFColor;
import org.apache.poi.ss.usermodel.DataValidation;
import org.apache.poi.ss.usermodel.DataValidationConstraint.OperatorType;
import org.apache.poi.ss.usermodel.DataValidationConstraint.ValidationType;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.CellRangeAddressList;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.util.IOUtils;
import org.apache.poi.util.LittleEndian;
import org.junit.jupiter.api.Test;

/** Binary workbooks as POI writes them ([MS-XLS]): what is on their sheets beside values; and their bytes spoiled. */
class XlsReadingTest {
    private static ReadWorkbook read(byte[] bytes) { return SheetFormat.XLS.workbook(new Content(bytes, "fares.xls"), null, Progress.SILENT); }

    private static byte[] bytes(HSSFWorkbook book) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        book.write(out);
        book.close();
        return out.toByteArray();
    }

    private static HSSFWorkbook fares() {
        HSSFWorkbook book = new HSSFWorkbook();
        HSSFSheet sheet = book.createSheet("Fares");
        for (int r = 0; r < 12; r++) sheet.createRow(r).createCell(0).setCellValue("Line " + r);
        HSSFPatriarch over = sheet.createDrawingPatriarch();
        HSSFComment note = over.createCellComment(new HSSFClientAnchor(0, 0, 0, 0, (short) 2, 1, (short) 4, 4));
        note.setString(new HSSFRichTextString("Ask first"));
        note.setAuthor("Ada Quay");
        sheet.getRow(1).getCell(0).setCellComment(note);
        over.createSimpleShape(new HSSFClientAnchor(0, 0, 0, 0, (short) 5, 1, (short) 6, 4));
        sheet.createFreezePane(1, 2);
        sheet.setDisplayGridlines(false);
        sheet.setAutoFilter(new CellRangeAddress(0, 11, 0, 1));
        sheet.groupRow(3, 6);
        sheet.groupRow(4, 5);
        sheet.protectSheet("quay");
        return book;
    }

    @Test void whatBelongsToASheetIsRead() throws IOException {
        ReadWorkbook read = read(bytes(fares()));
        Sheet sheet = read.workbook().sheets().get(0);
        assertThat(sheet.matter().notes()).containsExactly(new CellNote(1, 0, "Ada Quay", "Ask first"));
        assertThat(sheet.matter().view().frozenRows()).isEqualTo(2);
        assertThat(sheet.matter().view().frozenColumns()).isEqualTo(1);
        assertThat(sheet.matter().view().grid()).isFalse();
        assertThat(sheet.matter().filter().range()).isEqualTo(Range.of("A1:B12"));
        assertThat(sheet.matter().lock()).isEqualTo(new SheetLock(null, FurnishedWorkbook.SHORT_KEY, SheetLock.USUAL));
        assertThat(List.of(sheet.row(2).depth(), sheet.row(3).depth(), sheet.row(4).depth(), sheet.row(6).depth(), sheet.row(7).depth()))
                .containsExactly(0, 1, 2, 1, 0);
        assertThat(read.findings()).extracting(Finding::what).as("the signs of filters and the boxes of notes are no shapes")
                .containsExactly("1 drawn shape is left out.");
    }

    @Test void aFilterThatWasTakenAwayIsNone() throws IOException {
        HSSFWorkbook book = new HSSFWorkbook();
        HSSFSheet sheet = book.createSheet("S");
        sheet.createRow(0).createCell(0).setCellValue("x");
        assertThat(read(bytes(book)).workbook().sheets().get(0).matter().filter()).isNull();
    }

    /** 2.5.19 and 2.4.88: each kind of check, its places, what is said. */
    @Test void checksAreRead() throws IOException {
        HSSFWorkbook book = new HSSFWorkbook();
        HSSFSheet sheet = book.createSheet("S");
        sheet.createRow(0).createCell(0).setCellValue("x");
        HSSFDataValidation ages = new HSSFDataValidation(new CellRangeAddressList(1, 9, 0, 0), DVConstraint.createNumericConstraint(
                ValidationType.INTEGER, OperatorType.NOT_BETWEEN, "3", "=A1+5"));
        ages.createPromptBox("Age", "years");
        ages.createErrorBox("No", "not that");
        ages.setErrorStyle(DataValidation.ErrorStyle.WARNING);
        ages.setEmptyCellAllowed(false);
        sheet.addValidationData(ages);
        sheet.addValidationData(new HSSFDataValidation(new CellRangeAddressList(1, 1, 1, 1), DVConstraint.createExplicitListConstraint(new String[] {"a",
                "b c"})));
        sheet.addValidationData(new HSSFDataValidation(new CellRangeAddressList(1, 1, 2, 2), DVConstraint.createFormulaListConstraint("$A$1:$A$5")));
        sheet.addValidationData(new HSSFDataValidation(new CellRangeAddressList(1, 1, 3, 3), DVConstraint.createCustomFormulaConstraint("ISNUMBER(D2)")));
        List<CellCheck> checks = read(bytes(book)).workbook().sheets().get(0).matter().checks();
        assertThat(checks).hasSize(4);
        assertThat(checks.get(0)).isEqualTo(new CellCheck(List.of(Range.of("A2:A10")), CellCheck.Kind.WHOLE_NUMBER, Comparison.OUTSIDE, "3", "A1+5",
                false, true,
                new CellCheck.Words("Age", "years"), new CellCheck.Words("No", "not that"), CellCheck.Strictness.WARN));
        assertThat(checks.get(1).first()).isEqualTo("\"a,b c\"");
        assertThat(checks.get(2).first()).isEqualTo("$A$1:$A$5");
        assertThat(checks.get(3).kind()).isEqualTo(CellCheck.Kind.FORMULA);
    }

    @Test void lettersLinksAndSpreadFormulasAreRead() throws IOException {
        HSSFWorkbook book = new HSSFWorkbook();
        HSSFSheet sheet = book.createSheet("S");
        HSSFFont red = book.createFont();
        red.setBold(true);
        red.setColor(HSSFColor.HSSFColorPredefined.RED.getIndex());
        HSSFRichTextString text = new HSSFRichTextString("plain red plain");
        text.applyFont(6, 9, red);
        HSSFCell first = sheet.createRow(0).createCell(0);
        first.setCellValue(text);
        HSSFHyperlink inward = book.getCreationHelper().createHyperlink(HyperlinkType.DOCUMENT);
        inward.setAddress("S!A2");
        first.setHyperlink(inward);
        HSSFCell second = sheet.createRow(1).createCell(0);
        second.setCellValue("out");
        HSSFHyperlink outward = book.getCreationHelper().createHyperlink(HyperlinkType.URL);
        outward.setAddress("https://fernhollow.example/");
        second.setHyperlink(outward);
        sheet.createRow(2);
        sheet.setArrayFormula("A1:A2", CellRangeAddress.valueOf("C3:C4"));
        Sheet read = read(bytes(book)).workbook().sheets().get(0);
        CellValue.Text words = (CellValue.Text) read.cell(0, 0).value();
        assertThat(words.stretches()).singleElement().satisfies(stretch -> {
            assertThat(stretch.from()).isEqualTo(6);
            assertThat(stretch.to()).isEqualTo(9);
            assertThat(stretch.look().is(TextProperty.BOLD)).isTrue();
            assertThat(stretch.look().get(TextProperty.COLOUR)).isEqualTo(new Colour(0xFF0000));
        });
        assertThat(read.cell(0, 0).link()).isEqualTo(new Link.Inside("S!A2"));
        assertThat(read.cell(1, 0).link()).isEqualTo(new Link.Address("https://fernhollow.example/"));
        assertThat(read.cell(2, 2).array()).isEqualTo(Range.of("C3:C4"));
        assertThat(read.cell(2, 2).formula()).isEqualTo("A1:A2");
        assertThat(read.cell(3, 2).formula()).isNull();
    }

    /** Bytes spoiled at random: a workbook, or a sentence; nothing else, and soon. */
    @Test void spoiledFilesEndInAWorkbookOrASentence() throws IOException {
        byte[] whole = bytes(fares());
        Random random = new Random(97);
        int refused = 0;
        for (int round = 0; round < 400; round++) {
            byte[] spoiled = round % 4 == 0 ? Arrays.copyOf(whole, 512 + random.nextInt(whole.length - 512)) : whole.clone();
            for (int i = 1 + random.nextInt(12); i > 0; i--) spoiled[512 + random.nextInt(spoiled.length - 512)] = (byte) random.nextInt(256);
            try {
                assertThat(read(spoiled).workbook().sheets()).isNotNull();
            } catch (DecantException e) {
                assertThat(e.getMessage()).contains("fares.xls");
                refused++;
            }
        }
        assertThat(refused).isBetween(1, 399);
        assertThatThrownBy(() -> read(Arrays.copyOf(whole, 600))).isInstanceOf(DecantException.class);
    }

    /** The workbook's stream with its records changed one by one; a change to null leaves one out. */
    private static byte[] changed(byte[] file, String name, UnaryOperator<byte[]> change) throws IOException {
        try (POIFSFileSystem container = new POIFSFileSystem(new ByteArrayInputStream(file)); POIFSFileSystem made = new POIFSFileSystem()) {
            byte[] stream = IOUtils.toByteArray(container.getRoot().createDocumentInputStream("Workbook"));
            ByteArrayOutputStream records = new ByteArrayOutputStream();
            for (int at = 0; at + 4 <= stream.length; ) {
                int next = at + 4 + LittleEndian.getUShort(stream, at + 2);
                records.writeBytes(change.apply(Arrays.copyOfRange(stream, at, next)));
                at = next;
            }
            made.getRoot().createDocument(name, new ByteArrayInputStream(records.toByteArray()));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            made.writeFilesystem(out);
            return out.toByteArray();
        }
    }

    private static int kind(byte[] record) { return LittleEndian.getUShort(record, 0); }

    private static byte[] longer(byte[] record, int by) {
        byte[] longer = Arrays.copyOf(record, record.length + by);
        LittleEndian.putUShort(longer, 2, record.length + by - 4);
        return longer;
    }

    private static void assertHoldsFares(ReadWorkbook read) {
        assertThat(read.workbook().sheets().get(0).name()).isEqualTo("Fares");
        assertThat(read.workbook().sheets().get(0).rows()).hasSize(12);
        assertThat(read.workbook().sheets().get(0).cell(3, 0).value()).isEqualTo(new CellValue.Text("Line 3"));
    }

    /** The library refuses the whole workbook for any of these, which other readers open. */
    @Test void oneRecordThatIsNotAsItShouldBeCostsNoWorkbook() throws IOException {
        byte[] file = bytes(fares());
        int sheetName = 0x85;
        int centred = 0x83;
        int delta = 0x10;
        ReadWorkbook longer = read(changed(file, "Workbook", record -> kind(record) == sheetName || kind(record) == delta ? longer(record, 8) : record));
        assertHoldsFares(longer);
        assertThat(longer.findings()).extracting(Finding::what).noneMatch(told -> told.contains("damaged"));
        byte[] mended = changed(file, "Workbook", record -> kind(record) == delta ? longer(record, 8) : record);
        assertThatThrownBy(() -> SheetFormat.XLS.workbook(new Content(mended, "fares.xls"), null, (done, total, what) -> false))
                .satisfies(e -> assertThat(((DecantException) e).kind()).as("stopped, not damaged").isEqualTo(DecantException.Kind.CANCELLED));
        ReadWorkbook twice = read(changed(file, "Workbook", record -> {
            if (kind(record) != centred) return record;
            byte[] both = Arrays.copyOf(record, 2 * record.length);
            System.arraycopy(record, 0, both, record.length, record.length);
            return both;
        }));
        assertHoldsFares(twice);
        ReadWorkbook cut = read(changed(file, "Workbook", record -> kind(record) == delta ? new byte[] {(byte) delta, 0, 1, 0, 0} : record));
        assertHoldsFares(cut);
        assertThat(cut.findings()).extracting(Finding::what).anyMatch(told -> told.contains("1 part of the file was damaged and is left out."));
    }

    /** Some writers kept the stream's name of the generation before. */
    @Test void aStreamOfTheOldNameMayBeOfTheNewerGeneration() throws IOException {
        ReadWorkbook read = read(changed(bytes(fares()), "Book", UnaryOperator.identity()));
        assertHoldsFares(read);
        assertThat(read.findings()).extracting(Finding::what).noneMatch(told -> told.contains("1997"));
    }

    /** [MS-XLS] 2.4.21 and the books on the generations before, from memory: a beginning, a text in a cell, an end, and no container. */
    @Test void workbooksWithoutAContainerSayWhatTheirCellsSay() {
        byte[] file = {0x09, 0x04, 0x06, 0, 0, 0, 0x10, 0, 0, 0, 0x04, 0x02, 0x0D, 0, 1, 0, 0, 0, 0, 0, 5, 0, 'F', 'e', 'r', 'r', 'y', 0x0A, 0, 0, 0};
        assertThat(Formats.of(new Content(file, "it"))).isSameAs(SheetFormat.XLS);
        ReadWorkbook read = read(file);
        assertThat(read.workbook().sheets().get(0).rows()).singleElement().satisfies(row -> assertThat(row.cells().get(0).value())
                .isEqualTo(new CellValue.Text("Ferry")));
    }

    /** The library makes words of every cell it reads for a log; where they were made before anyone asked for them, opening took six times as long. */
    @Test void nobodyMakesWordsForALogThatNobodyReads() {
        LogManager.getLogger(HSSFSheet.class).atTrace().log(() -> fail("words were made"));
        assertThat(LogManager.getLogger(HSSFSheet.class).isErrorEnabled()).isFalse();
    }
}
