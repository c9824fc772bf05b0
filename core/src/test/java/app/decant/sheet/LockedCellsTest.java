package app.decant.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.sheet.SheetFormat;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.poifs.crypt.HashAlgorithm;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Locked sheets as Apache POI makes them: what may be written on, and which password opens them (ISO/IEC 29500-1, 18.3.1.85). */
class LockedCellsTest {
    private static final String PASSWORD = "Fähre 7 mit Grüßen";

    @TempDir private Path root;

    private static Workbook read(Path file) { return Decant.workbook(file, null, Progress.SILENT).workbook(); }

    private Workbook locked(HashAlgorithm algorithm) throws IOException {
        Path file = root.resolve("locked.xlsx");
        try (XSSFWorkbook book = new XSSFWorkbook(); OutputStream out = Files.newOutputStream(file)) {
            XSSFSheet sheet = book.createSheet("Fares");
            CellStyle open = book.createCellStyle();
            open.setLocked(false);
            sheet.createRow(0).createCell(0).setCellValue("Adult");
            sheet.getRow(0).createCell(1).setCellValue(4.8);
            sheet.getRow(0).getCell(1).setCellStyle(open);
            sheet.setDefaultColumnStyle(3, open);
            sheet.enableLocking();
            sheet.lockFormatColumns(false);
            if (algorithm != null) sheet.setSheetPassword(PASSWORD, algorithm);
            book.createSheet("Notes").createRow(0).createCell(0).setCellValue("free");
            book.write(out);
        }
        return read(file);
    }

    private static String refused(Workbook workbook, String... names) {
        Map<String, String> answers = new TreeMap<>();
        for (String name : names) answers.put(name, "5");
        return new LockedCells(workbook, workbook.sheets().get(0)).refused(new TreeMap<>(answers));
    }

    @Test void whatIsLockedStaysAsItIs() throws IOException {
        Workbook workbook = locked(null);
        LockedCells cells = new LockedCells(workbook, workbook.sheet("Fares"));
        assertThat(Map.of("A1", cells.isLocked(0, 0), "B1", cells.isLocked(0, 1), "C9", cells.isLocked(8, 2), "D9", cells.isLocked(8, 3)))
                .containsExactlyInAnyOrderEntriesOf(Map.of("A1", true, "B1", false, "C9", true, "D9", false));
        assertThat(new LockedCells(workbook, workbook.sheet("Notes")).isLocked(0, 0)).isFalse();
        assertThat(refused(workbook, "Fares!B1", "Fares!D4")).isNull();
        assertThat(refused(workbook, "Fares!B1", "Fares!A1", "Fares!D4")).isEqualTo("A1");
        assertThat(refused(workbook, "Fares!B1 bold")).as("looks").isEqualTo("B1 bold");
        assertThat(refused(workbook, "Fares!B:B")).as("widths are allowed").isNull();
        assertThat(refused(workbook, "Fares!4:4")).as("heights are not").isEqualTo("4:4");
        assertThat(refused(workbook, "Fares!area", "Fares!fit", "Fares!rows")).as("how it falls onto pages").isNull();
    }

    @Test void itsPasswordOpensIt() throws IOException {
        for (HashAlgorithm algorithm : new HashAlgorithm[] {HashAlgorithm.sha512, HashAlgorithm.sha1, HashAlgorithm.sha256}) {
            SheetLock lock = locked(algorithm).sheet("Fares").matter().lock();
            assertThat(lock.hasPassword()).isTrue();
            assertThat(lock.opensWith(PASSWORD)).as("%s", algorithm).isTrue();
            assertThat(lock.opensWith(PASSWORD + " ")).as("%s", algorithm).isFalse();
        }
        assertThat(locked(null).sheet("Fares").matter().lock().opensWith("anything")).isTrue();
    }

    @Test void olderFilesHoldFifteenBitsOfIt() throws IOException {
        for (String password : new String[] {"f", "ferry", "a longer one, 31"}) {
            Path file = root.resolve("locked.xls");
            try (HSSFWorkbook book = new HSSFWorkbook(); OutputStream out = Files.newOutputStream(file)) {
                book.createSheet("Fares").createRow(0).createCell(0).setCellValue("Adult");
                book.getSheetAt(0).protectSheet(password);
                book.write(out);
            }
            SheetLock lock = read(file).sheet("Fares").matter().lock();
            assertThat(lock.opensWith(password)).as(password).isTrue();
            assertThat(lock.opensWith(password + "x")).as(password).isFalse();
        }
    }

    /** OpenDocument has digests of its own (ISO/IEC 26300-1, 19.699): they stay in its files, and what can't hold them says so. */
    @Test void openDocumentKeepsItsPasswords() throws Exception {
        Workbook fares = locked(null);
        for (String[] kind : new String[][] {{"SHA-1", "http://www.w3.org/2000/09/xmldsig#sha1"}, {"SHA-256", "http://www.w3.org/2000/09/xmldsig#sha256"}}) {
            for (Charset letters : List.of(StandardCharsets.UTF_8, StandardCharsets.UTF_16LE)) {
                String digest = Base64.getEncoder().encodeToString(MessageDigest.getInstance(kind[0]).digest(PASSWORD.getBytes(letters)));
                SheetLock lock = new SheetLock(new SheetLock.Key(kind[1], digest, "", 0), 0, SheetLock.USUAL);
                Sheet sheet = fares.sheets().get(0);
                SheetMatter matter = sheet.matter();
                SheetMatter other = new SheetMatter(matter.view(), matter.notes(), matter.checks(), matter.filter(), lock, matter.tables());
                Workbook workbook = fares.withSheets(List.of(sheet.with(other)));
                Path file = Files.write(root.resolve("locked.ods"), SheetFormat.ODS.write(workbook, Instant.EPOCH).bytes());
                SheetLock kept = read(file).sheets().get(0).matter().lock();
                assertThat(kept).isEqualTo(lock);
                assertThat(List.of(kept.opensWith(PASSWORD), kept.opensWith("another"))).as("%s", letters).containsExactly(true, false);
                for (SheetFormat format : List.of(SheetFormat.XLSX, SheetFormat.XLS)) {
                    assertThat(format.write(workbook, Instant.EPOCH).findings()).as("%s", format).extracting(Finding::what)
                            .anyMatch(told -> told.contains("password"));
                }
            }
        }
        assertThatThrownBy(() -> new SheetLock(new SheetLock.Key("http://ferries.example#tide", "AAAA", "", 0), 0, Set.of()).opensWith("x"))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** A file may ask for a digest that nobody has, or for one that would take for ever. */
    @Test void digestsThatCantBeMadeAreSaidToBeSo() {
        for (SheetLock.Key key : new SheetLock.Key[] {new SheetLock.Key("WHIRLPOOL-7", "AAAA", "AAAA", 1),
            new SheetLock.Key("SHA-512", "AAAA", "AAAA", Integer.MAX_VALUE), new SheetLock.Key("SHA-512", "no digest", "AAAA", 1)})
            assertThatThrownBy(() -> new SheetLock(key, 0, Set.of()).opensWith("x")).isInstanceOf(IllegalArgumentException.class);
    }
}
