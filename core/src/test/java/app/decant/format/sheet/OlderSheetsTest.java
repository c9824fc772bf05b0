package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.format.Content;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.util.Random;
import org.apache.poi.hssf.extractor.OldExcelExtractor;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.Test;

/** Workbooks of 1995, laid out here record by record: their cells are values again, not lines of words; the common library reads the words beside. */
class OlderSheetsTest {
    private final ByteArrayOutputStream records = new ByteArrayOutputStream();

    private OlderSheetsTest record(int kind, Object... parts) {
        ByteBuffer data = ByteBuffer.allocate(200).order(ByteOrder.LITTLE_ENDIAN);
        for (Object part : parts) {
            if (part instanceof Integer two) data.putShort((short) (int) two);
            else if (part instanceof Byte one) data.put(one);
            else if (part instanceof Double number) data.putDouble(number);
            else data.put(((String) part).getBytes(Charset.forName("windows-1251")));
        }
        ByteBuffer head = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putShort((short) kind).putShort((short) data.position());
        records.writeBytes(head.array());
        records.write(data.array(), 0, data.position());
        return this;
    }

    private static byte one(int number) { return (byte) number; }

    private byte[] file(boolean locked) {
        record(0x0809, 0x0500, 5, 0, 0);
        if (locked) record(0x002F, 1, 2);
        record(0x0042, 1251).record(0x0022, 1);
        record(0x0031, 200, 0, 0x7FFF, 400, 0, one(0), one(0), one(204), one(0), one(5), "Arial");
        record(0x0031, 280, 2, 10, 700, 0, one(1), one(0), one(204), one(0), one(5), "Arial");
        record(0x041E, 165, one(10), "yyyy-mm-dd");
        // The usual look, and one: bold, a date, centred, light behind, thick below.
        record(0x00E0, 0, 0, 0, one(0x20), one(0), 0, 0, 0, 0);
        record(0x00E0, 1, 165, 0, one(0x22), one(0), 0x000D | 0x40 << 7, 1 | 5 << 6, 0, 0);
        int place = records.size();
        record(0x0085, 0, 0, one(0), one(0), one(5), "Fares").record(0x000A);
        byte[] head = records.toByteArray();
        ByteBuffer.wrap(head).order(ByteOrder.LITTLE_ENDIAN).putInt(place + 4, head.length);
        records.reset();
        records.writeBytes(head);
        record(0x0809, 0x0500, 0x10, 0, 0).record(0x007D, 0, 1, 20 * 256, 0, 0, 0);
        record(0x0204, 0, 0, 0, 6, "\u041F\u0440\u0438\u0447\u0430\u043B").record(0x0203, 1, 0, 1, 33_000.0).record(0x027E, 1, 1, 0, 3 | 1234 << 2, 0);
        record(0x0006, 2, 0, 0, 7.5, 0, 0, 0, 0).record(0x0006, 2, 1, 0, one(0), one(0), 0, 0, 0xFFFF, 0, 0, 0, 0).record(0x0207, 4, "late");
        record(0x0205, 3, 0, 0, one(1), one(0)).record(0x000A);
        try (POIFSFileSystem container = new POIFSFileSystem(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            container.createDocument(new ByteArrayInputStream(records.toByteArray()), "Book");
            container.writeFilesystem(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static ReadWorkbook read(byte[] file) { return XlsReader.read(new Content(file, "fares.xls"), null, Progress.SILENT); }

    @Test void cellsAreValuesWithTheirLooks() throws IOException {
        byte[] file = file(false);
        try (OldExcelExtractor poi = new OldExcelExtractor(new ByteArrayInputStream(file))) {
            assertThat(poi.getText()).contains("\u041F\u0440\u0438\u0447\u0430\u043B", "33000", "late");
        }
        ReadWorkbook read = read(file);
        assertThat(read.findings()).singleElement().asString().contains("2 formulas are the values they had");
        Workbook workbook = read.workbook();
        assertThat(workbook.since1904()).isTrue();
        Sheet sheet = workbook.sheets().get(0);
        assertThat(sheet.name()).isEqualTo("Fares");
        assertThat(value(sheet, 0, 0)).isEqualTo(new CellValue.Text("\u041F\u0440\u0438\u0447\u0430\u043B"));
        assertThat(value(sheet, 1, 0)).isEqualTo(new CellValue.Number(33_000));
        assertThat(value(sheet, 1, 1)).as("of hundredths").isEqualTo(new CellValue.Number(12.34));
        assertThat(value(sheet, 2, 0)).isEqualTo(new CellValue.Number(7.5));
        assertThat(value(sheet, 2, 1)).isEqualTo(new CellValue.Text("late"));
        assertThat(value(sheet, 3, 0)).isEqualTo(new CellValue.Truth(true));
        CellStyle style = workbook.styles().get(cell(sheet, 1, 0).style());
        assertThat(style.format()).isEqualTo("yyyy-mm-dd");
        assertThat(style.font().is(TextProperty.BOLD)).isTrue();
        assertThat(style.across()).isEqualTo(CellStyle.Across.CENTRE);
        assertThat(style.borders().bottom().isVisible()).isTrue();
    }

    private static Cell cell(Sheet sheet, int row, int column) {
        return sheet.rows().stream().filter(one -> one.index() == row).flatMap(one -> one.cells().stream()).filter(one -> one.column() == column).findFirst()
                .orElseThrow();
    }

    private static CellValue value(Sheet sheet, int row, int column) { return cell(sheet, row, column).value(); }

    @Test void lockedOnesAreRefusedWithAReason() {
        assertThatThrownBy(() -> read(file(true))).isInstanceOf(DecantException.class).hasMessageContaining("fares.xls");
    }

    @Test void damageIsToldOrBorne() {
        byte[] file = file(false);
        Random random = new Random(5);
        for (int i = 0; i < 400; i++) {
            byte[] damaged = file.clone();
            for (int k = 0; k < 4; k++) damaged[512 + random.nextInt(700)] = (byte) random.nextInt(256);
            try {
                read(damaged);
            } catch (DecantException e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
    }
}
