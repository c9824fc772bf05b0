package app.decant.format.sheet;

import static app.decant.format.sheet.BinaryBook.bytes;
import static app.decant.format.sheet.BinaryBook.cell;
import static app.decant.format.sheet.BinaryBook.formula;
import static app.decant.format.sheet.BinaryBook.reference;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.format.Archive;
import app.decant.format.Content;
import app.decant.format.sheet.BinaryBook.Part;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Range;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.xssf.binary.XSSFBSharedStringsTable;
import org.apache.poi.xssf.binary.XSSFBSheetHandler;
import org.apache.poi.xssf.binary.XSSFBStylesTable;
import org.apache.poi.xssf.eventusermodel.XSSFBReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler.SheetContentsHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Binary workbooks of the newest generation, written by the clauses of [MS-XLSB]; what POI reads of them stands beside what is read here. */
class BinaryBookTest {
    @TempDir private Path root;
    private Path file;
    private Sheet fares;

    @BeforeEach void setUp() throws Exception {
        file = root.resolve("fares.xlsb");
        byte[] plain = bytes((byte) 0, (byte) 64, (short) 0, (byte) 0, (byte) 0, (byte) 0, (byte) -1);
        byte[] red = bytes((byte) 5, (byte) 0, (short) 0, (byte) 0xC0, (byte) 0x20, (byte) 0x10, (byte) -1);
        Part styles = new Part().record(278).record(615, 1).record(44, (short) 164, "0.00\" km\"").record(616)
                .record(611, 2).record(43, (short) 220, (short) 0, (short) 400, (short) 0, (byte) 0, (byte) 0, (byte) 0, (byte) 0, plain, (byte) 0, "Carlito")
                .record(43, (short) 280, (short) 2, (short) 700, (short) 0, (byte) 1, (byte) 0, (byte) 0, (byte) 0, red, (byte) 0, "Caladea").record(612)
                .record(603, 1).record(45, 0, plain, plain).record(604).record(613, 1).record(46, (byte) 0, line(0, plain), line(0, plain), line(5, red),
                        line(0, plain), line(0, plain)).record(614)
                .record(626, 1).record(47, format(-1, 0, 0, 0, 0x1010)).record(627)
                .record(617, 3).record(47, format(0, 0, 0, 0, 0x1010)).record(47, format(0, 164, 1, 90, 0x1052)).record(47, format(0, 14, 0, 0, 0x1010))
                .record(618).record(279);
        Part strings = new Part().record(159, 1, 1).record(19, (byte) 0, "Pier").record(19, (byte) 1, "Ost_x0041_rey", 1, (short) 0, (short) 1).record(160);
        Part book = new Part().record(131).record(153, 0, 0, "").record(143).record(156, 0, 1, "sheet1", "Fares").record(156, 1, 2, "sheet2", "Other rates")
                .record(144).record(353).record(357).record(362, 2, 0, 0, 0, 0, 1, 1).record(354)
                .record(39, 0, (byte) 0, -1, "RATE", 9, bytes((byte) 0x3A, (short) 1, 0, (short) 0), 0, -1)
                .record(39, 0x20, (byte) 0, 0, "_xlnm.Print_Area", 15, bytes((byte) 0x3B, (short) 0, 0, 3, (short) 0, (short) 2), 0, -1).record(132);
        byte[] twice = bytes(reference(0, 1), (byte) 0x1E, (short) 2, (byte) 0x05);
        byte[] away = bytes((byte) 0x4C, 0, (short) 0xFFFF, (byte) 0x1E, (short) 1, (byte) 0x03);
        byte[] sum = bytes((byte) 0x25, 0, 1, (short) 0xC001, (short) 0xC001, (byte) 0x19, (byte) 0x10, (short) 0, (byte) 0x17, (short) 1, (short) 'x',
                (byte) 0x08);
        byte[] either = bytes(reference(0, 1), (byte) 0x1E, (short) 5, (byte) 0x0D, (byte) 0x23, 1, (byte) 0x3A, (short) 1, 0, (short) 0xC000, (byte) 0x22,
                (byte) 3, (short) 1);
        byte[] array = bytes((byte) 0x20, new byte[14], (byte) 0x61, (short) 15);
        Part sheet = new Part().record(129).record(147, (byte) 0, (byte) 1, (byte) 0, plain, 0, 0, "").record(133)
                .record(137, (short) 0x4, 0, 0, 0, (byte) 64, (byte) 0, (short) 0, 100, 0, 0, 0)
                .record(151, 1.0, 2.0, 2, 1, 3, (byte) 1).record(138).record(134).record(485, -1, (short) 8, (short) 300, (short) 0)
                .record(390).record(60, 1, 2, 20 * 256, 0, (short) 0).record(391).record(145)
                .record(0, row(0, 600, 0x20)).record(7, cell(0, 0), 0).record(2, cell(1, 1), 12 << 2 | 2).record(2, cell(2, 0), 1234 << 2 | 3)
                .record(5, cell(3, 2), 46_722.0)
                .record(0, row(1, 300, 0)).record(6, cell(0, 0), "Ünal").record(4, cell(1, 0), (byte) 1).record(3, cell(2, 0), (byte) 0x07)
                .record(62, cell(3, 0), (byte) 0, "rich").record(1, cell(4, 1)).record(7, cell(5, 0), 1)
                .record(0, row(2, 300, 0x10)).record(9, cell(1, 0), 24.0, formula(twice, new byte[0]))
                .record(8, cell(2, 0), "13x", formula(sum, new byte[0])).record(9, cell(3, 0), 7.5, formula(either, new byte[0]))
                .record(9, cell(4, 0), 8.5, formula(bytes((byte) 1, 2), bytes(4))).record(427, 2, 3, 4, 4, away.length, away, 0)
                .record(9, cell(5, 0), 0.5, formula(array, bytes(1, 1, (byte) 0, 0.5)))
                .record(0, row(3, 300, 0)).record(9, cell(4, 0), 1.0, formula(bytes((byte) 1, 2), bytes(4)))
                .record(9, cell(5, 0), 3.0, formula(bytes((byte) 0x18, (byte) 0x19, new byte[12]), new byte[0]))
                .record(146).record(177, 1).record(176, 5, 6, 0, 2).record(178).record(477, (short) 0xA)
                .record(476, 0.5, 0.6, 0.7, 0.8, 0.3, 0.3).record(478, 9, 80, 600, 600, 1, 4, 1, 2, (short) 0x83, -1)
                .record(479, (short) 0, "&LFares", -1, -1, -1, -1, -1).record(480).record(392, 1, 1).record(396, 3, 0, 16_383, 1, 0).record(393).record(130);
        Part other = new Part().record(129).record(145).record(0, row(0, 300, 0)).record(5, cell(0, 0), 7.5).record(146).record(130);
        new BinaryBook().part("workbook", book).part("styles", styles).part("sharedStrings", strings).part("sheet1", sheet).part("sheet2", other).write(file);
        fares = read(file).workbook().sheets().get(0);
    }

    private static byte[] line(int kind, byte[] colour) { return bytes((byte) kind, (byte) 0, colour); }

    private static byte[] format(int parent, int number, int font, int turn, int flags) {
        return bytes((short) parent, (short) number, (short) font, (short) 0, (short) 0, (byte) turn, (byte) 0, (short) flags, (short) 0);
    }

    private static byte[] row(int index, int height, int flags) {
        return bytes(index, 0, (short) height, (byte) 0, (byte) flags, (byte) 0, 1, 0, 5);
    }

    private static ReadWorkbook read(Path file) throws Exception {
        Content content = new Content(Files.readAllBytes(file), file.getFileName().toString());
        assertThat(SheetFormat.XLSB.isOf(content)).isTrue();
        assertThat(SheetFormat.XLSX.isOf(content)).isFalse();
        return SheetFormat.XLSB.workbook(content, null, Progress.SILENT);
    }

    private Cell cellAt(String name) {
        Range range = Range.of(name);
        return fares.row(range.top()).cell(range.left());
    }

    /** POI's own reader shows the same in every cell. */
    @Test void cellsSayWhatPoiReads() throws Exception {
        Map<String, String> shown = new TreeMap<>();
        try (OPCPackage pack = OPCPackage.open(file.toFile())) {
            XSSFBReader reader = new XSSFBReader(pack);
            XSSFBReader.SheetIterator sheets = (XSSFBReader.SheetIterator) reader.getSheetsData();
            try (InputStream in = sheets.next()) {
                XSSFBStylesTable styles = new XSSFBStylesTable(pack.getPartsByName(Pattern.compile(".*styles.bin")).get(0).getInputStream());
                new XSSFBSheetHandler(in, styles, null, new XSSFBSharedStringsTable(pack), new SheetContentsHandler() {
                    @Override public void startRow(int row) { }
                    @Override public void endRow(int row) { }
                    @Override public void cell(String place, String value, XSSFComment comment) { shown.put(place, value); }
                }, new DataFormatter(), false).parse();
            }
        }
        assertThat(shown).containsEntry("A1", "Pier").containsEntry("B1", "12.00 km").containsEntry("C1", "12.34").containsEntry("A2", "Ünal");
        assertThat(cellAt("A1").value()).isEqualTo(new CellValue.Text("Pier"));
        assertThat(cellAt("B1").value()).isEqualTo(CellValue.of(12));
        assertThat(cellAt("C1").value()).isEqualTo(CellValue.of(12.34));
        assertThat(cellAt("D1").value()).isEqualTo(CellValue.of(46_722));
        assertThat(cellAt("A2").value()).isEqualTo(new CellValue.Text("Ünal"));
        assertThat(cellAt("B2").value()).isEqualTo(new CellValue.Truth(true));
        assertThat(cellAt("C2").value()).isEqualTo(new CellValue.Failure("#DIV/0!"));
        assertThat(cellAt("D2").value()).isEqualTo(new CellValue.Text("rich"));
        assertThat(cellAt("F2").value()).as("what only looks like a letter's number").isEqualTo(new CellValue.Text("Ost_x0041_rey"));
    }

    /** 2.5.97: operators, functions, names, other sheets, formulas of many cells, arrays. */
    @Test void formulasAreWritten() throws Exception {
        assertThat(cellAt("B3").formula()).isEqualTo("B1*2");
        assertThat(cellAt("C3").formula()).isEqualTo("SUM(B1:B2)&\"x\"");
        assertThat(cellAt("D3").formula()).isEqualTo("IF(B1>5,RATE,'Other rates'!A1)");
        assertThat(cellAt("E3").formula()).as("told for many").isEqualTo("D3+1");
        assertThat(cellAt("E4").formula()).isEqualTo("D4+1");
        assertThat(cellAt("F3").formula()).isEqualTo("SIN({0.5})");
        assertThat(cellAt("F4").formula()).as("a reference to a table").isNull();
        assertThat(cellAt("F4").value()).isEqualTo(CellValue.of(3));
        assertThat(read(file).findings()).extracting(Finding::what).anyMatch(told -> told.contains("1 formula has no writing here"));
        assertThat(read(file).workbook().names()).containsEntry("RATE", "'Other rates'!$A$1");
    }

    /** 2.4.3xx: rows, columns, looks, pages. */
    @Test void sheetsLookAndStandAsTheyDo() throws Exception {
        CellStyle style = read(file).workbook().style(cellAt("B1"));
        assertThat(style.format()).isEqualTo("0.00\" km\"");
        assertThat(style.turn()).isEqualTo(90);
        assertThat(style.across()).isEqualTo(CellStyle.Across.CENTRE);
        assertThat(style.wraps()).isTrue();
        assertThat(style.font().get(TextProperty.FAMILY)).isEqualTo("Caladea");
        assertThat(style.font().get(TextProperty.SIZE)).isEqualTo(14.0);
        assertThat(style.font().is(TextProperty.BOLD)).isTrue();
        assertThat(style.font().get(TextProperty.COLOUR).rgb() & 0xFFFFFF).isEqualTo(0xC02010);
        assertThat(style.borders().left().isVisible()).isTrue();
        assertThat(read(file).workbook().style(cellAt("D1")).format()).isEqualTo("m/d/yy");
        assertThat(fares.row(0).height()).isEqualTo(30);
        assertThat(fares.row(2).hidden()).isTrue();
        assertThat(fares.merged()).containsExactly(Range.of("A6:C7"));
        assertThat(fares.columns().get(0).from()).isEqualTo(1);
        assertThat(fares.columns().get(0).width()).isGreaterThan(100);
        assertThat(fares.setup().page().isLandscape()).isTrue();
        assertThat(fares.matter().view().isFrozen()).isTrue();
        assertThat(read(file).workbook().sheets().get(1).hidden()).isTrue();
    }

    /** Whatever stands in its records: a sentence, or a workbook that goes onto pages. */
    @Test void spoiledFilesEndInSentences() throws Exception {
        Map<String, byte[]> parts = Archive.parts(Files.readAllBytes(file));
        List<String> records = parts.keySet().stream().filter(name -> name.endsWith(".bin")).toList();
        Random random = new Random(7);
        int read = 0;
        for (int round = 0; round < 400; round++) {
            Map<String, byte[]> spoiled = new LinkedHashMap<>(parts);
            String name = records.get(random.nextInt(records.size()));
            byte[] bytes = spoiled.get(name).clone();
            for (int i = 1 + random.nextInt(3); i > 0; i--) bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
            spoiled.put(name, random.nextInt(8) == 0 ? Arrays.copyOf(bytes, random.nextInt(bytes.length)) : bytes);
            try {
                Content content = new Content(Archive.packed(null, spoiled), "fares.xlsb");
                Workbook workbook = SheetFormat.XLSB.workbook(content, null, Progress.SILENT).workbook();
                if (!workbook.sheets().isEmpty()) SheetFormat.XLSX.write(workbook, Instant.EPOCH);
                read++;
            } catch (DecantException e) {
                assertThat(e.getMessage()).isNotBlank();
            } catch (RuntimeException e) {
                throw new AssertionError("Round " + round + ", " + name, e);
            }
        }
        assertThat(read).isGreaterThan(100);
    }
}
