package app.decant.format.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.EncryptedDocumentException;
import org.apache.poi.hssf.usermodel.HSSFCell;
import org.apache.poi.hssf.usermodel.HSSFCellStyle;
import org.apache.poi.hssf.usermodel.HSSFFont;
import org.apache.poi.hssf.usermodel.HSSFRow;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.ss.usermodel.BorderStyle;
import org.apache.poi.ss.usermodel.FillPatternType;
import org.apache.poi.ss.usermodel.HorizontalAlignment;
import org.apache.poi.ss.usermodel.PageMargin;
import org.apache.poi.ss.usermodel.VerticalAlignment;
import org.apache.poi.util.CodePageUtil;

/**
 * A workbook of 1995, made one of 1997 that the common library holds: values of cells, number formats, fonts, lines, shades, widths, heights, margins. Its
 * records are those of 1997 ([MS-XLS], 2.4) but for letters of eight bits and a few that are shorter; these are given from memory and were checked against
 * files. Formulas come as the values they had.
 */
final class OlderSheets {
    private static final String STREAM = "Book";
    private static final int GENERATION = 0x0500;
    private static final int BEGIN = 0x0809;
    private static final int END = 0x000A;
    private static final int USUAL_FORMATS = 164;
    private static final int MOST_ROWS = 65_536;
    private static final int MOST_COLUMNS = 256;
    private static final int MOST_SHEETS = 255;
    private static final int MOST_LOOKS = 4000;

    private final byte[] stream;
    private final HSSFWorkbook book = new HSSFWorkbook();
    private final List<byte[]> fonts = new ArrayList<>();
    private final List<byte[]> looks = new ArrayList<>();
    private final Map<Integer, String> formats = new HashMap<>();
    private final Map<Integer, HSSFCellStyle> styles = new HashMap<>();
    private final Map<Integer, HSSFFont> made = new HashMap<>();
    private Charset letters = Charset.forName("windows-1252");
    private boolean since1904;
    private int formulas;

    /** A workbook as read. @param since1904 whether days are counted from 1904 on; {@code formulas} whose values were taken */
    record Read(HSSFWorkbook book, boolean since1904, int formulas) { }

    /** A record. @param at where the next begins */
    private record Told(int kind, ByteBuffer data, int at) {
        int two(int from) { return from + 2 <= data.limit() ? data.getShort(from) & 0xFFFF : 0; }
        int one(int from) { return from < data.limit() ? data.get(from) & 0xFF : 0; }
        double number(int from) { return from + 8 <= data.limit() ? data.getDouble(from) : 0; }
    }

    private OlderSheets(byte[] stream) { this.stream = stream; }

    /**
     * Reads one.
     *
     * @return null where there is none of that year in the container
     * @throws EncryptedDocumentException where it is locked
     */
    static Read of(POIFSFileSystem container) throws IOException {
        if (!container.getRoot().hasEntryCaseInsensitive(STREAM)) return null;
        try (InputStream in = container.createDocumentInputStream(STREAM)) {
            OlderSheets sheets = new OlderSheets(in.readAllBytes());
            Told first = sheets.record(0);
            return first == null || first.kind != BEGIN || first.two(0) != GENERATION ? null : sheets.read();
        }
    }

    private Told record(int at) {
        if (at < 0 || at + 4 > stream.length) return null;
        ByteBuffer all = ByteBuffer.wrap(stream).order(ByteOrder.LITTLE_ENDIAN);
        int length = all.getShort(at + 2) & 0xFFFF;
        if (at + 4 + length > stream.length) return null;
        return new Told(all.getShort(at) & 0xFFFF, all.slice(at + 4, length).order(ByteOrder.LITTLE_ENDIAN), at + 4 + length);
    }

    private Read read() {
        List<int[]> places = new ArrayList<>();
        List<String> names = new ArrayList<>();
        for (Told one = record(record(0).at); one != null && one.kind != END; one = record(one.at)) {
            switch (one.kind) {
                case 0x002F -> throw new EncryptedDocumentException("locked");
                case 0x0042 -> letters(one.two(0));
                case 0x0022 -> since1904 = one.two(0) == 1;
                case 0x0031 -> fonts.add(bytes(one));
                case 0x00E0 -> looks.add(bytes(one));
                case 0x041E -> formats.put(one.two(0), words(one, 3, one.one(2)));
                case 0x0085 -> {
                    // Sheets of cells only; others are charts and macros.
                    if (one.one(5) != 0 || places.size() >= MOST_SHEETS) continue;
                    places.add(new int[] {one.two(0) | one.two(2) << 16, one.one(4) & 3});
                    names.add(words(one, 7, one.one(6)));
                }
                default -> { }
            }
        }
        for (int i = 0; i < places.size(); i++) {
            HSSFSheet sheet = book.createSheet(names.get(i).isBlank() || book.getSheet(names.get(i)) != null ? "Sheet" + (i + 1) : names.get(i));
            sheet(sheet, places.get(i)[0]);
            if (places.get(i)[1] != 0) book.setSheetHidden(i, true);
        }
        return new Read(book, since1904, formulas);
    }

    private static byte[] bytes(Told one) {
        byte[] bytes = new byte[one.data.limit()];
        one.data.get(0, bytes);
        return bytes;
    }

    private void letters(int page) {
        try {
            letters = Charset.forName(page == 0x8000 ? "x-MacRoman" : page == 0x8001 ? "windows-1252" : CodePageUtil.codepageToEncoding(page, true));
        } catch (IOException | IllegalArgumentException e) {
            // A page nobody knows is read as the usual one.
            letters = Charset.forName("windows-1252");
        }
    }

    private String words(Told one, int from, int length) {
        if (from > one.data.limit()) return "";
        byte[] told = new byte[Math.min(length, one.data.limit() - from)];
        one.data.get(from, told);
        return new String(told, letters);
    }

    private void sheet(HSSFSheet sheet, int place) {
        Told first = record(place);
        if (first == null || first.kind != BEGIN) return;
        int depth = 0;
        HSSFCell waiting = null;
        for (Told one = record(first.at); one != null; one = record(one.at)) {
            // Charts lie within, with an end of their own.
            if (one.kind == BEGIN) depth++;
            if (one.kind == END && depth-- == 0) return;
            if (depth > 0) continue;
            switch (one.kind) {
                case 0x0203 -> value(sheet, one, one.number(6));
                case 0x027E -> value(sheet, one, packed(one, 6));
                case 0x00BD -> {
                    for (int i = 0; 4 + 6 * i + 6 + 2 <= one.data.limit(); i++) cell(sheet, one.two(0), one.two(2) + i, one.two(4 + 6 * i))
                            .setCellValue(packed(one, 6 + 6 * i));
                }
                case 0x0204, 0x00D6 -> text(cell(sheet, one.two(0), one.two(2), one.two(4)), words(one, 8, one.two(6)));
                case 0x0205 -> truth(cell(sheet, one.two(0), one.two(2), one.two(4)), one.one(6), one.one(7) != 0);
                case 0x0201 -> cell(sheet, one.two(0), one.two(2), one.two(4));
                case 0x00BE -> {
                    for (int i = 0; 4 + 2 * i + 2 < one.data.limit(); i++) cell(sheet, one.two(0), one.two(2) + i, one.two(4 + 2 * i));
                }
                case 0x0006 -> waiting = formula(sheet, one);
                case 0x0207 -> {
                    if (waiting != null) text(waiting, words(one, 2, one.two(0)));
                    waiting = null;
                }
                default -> page(sheet, one);
            }
        }
    }

    private void value(HSSFSheet sheet, Told one, double number) { cell(sheet, one.two(0), one.two(2), one.two(4)).setCellValue(number); }

    /** What a cell held last; words follow in a record of their own. */
    private HSSFCell formula(HSSFSheet sheet, Told one) {
        formulas++;
        HSSFCell cell = cell(sheet, one.two(0), one.two(2), one.two(4));
        if (one.two(12) != 0xFFFF) cell.setCellValue(one.number(6));
        else if (one.one(6) == 1 || one.one(6) == 2) truth(cell, one.one(8), one.one(6) == 2);
        else if (one.one(6) == 0) return cell;
        return null;
    }

    private static void truth(HSSFCell cell, int told, boolean error) {
        if (error) cell.setCellErrorValue((byte) told);
        else cell.setCellValue(told != 0);
    }

    private static void text(HSSFCell cell, String words) { cell.setCellValue(words.substring(0, Math.min(words.length(), 32_767))); }

    /** A whole number or the upper part of a broken one, and whether it is of hundredths ([MS-XLS], 2.5.217). */
    private static double packed(Told one, int from) {
        int told = one.two(from) | one.two(from + 2) << 16;
        double number = (told & 2) != 0 ? told >> 2 : Double.longBitsToDouble((told & 0xFFFFFFFCL) << 32);
        return (told & 1) != 0 ? number / 100 : number;
    }

    private HSSFCell cell(HSSFSheet sheet, int row, int column, int look) {
        HSSFRow there = sheet.getRow(Math.min(row, MOST_ROWS - 1)) == null ? sheet.createRow(Math.min(row, MOST_ROWS - 1)) : sheet.getRow(row);
        HSSFCell cell = there.createCell(Math.min(column, MOST_COLUMNS - 1));
        HSSFCellStyle style = style(look);
        if (style != null) cell.setCellStyle(style);
        return cell;
    }

    private void page(HSSFSheet sheet, Told one) {
        switch (one.kind) {
            case 0x007D -> {
                for (int c = one.two(0); c <= Math.min(one.two(2), MOST_COLUMNS - 1); c++) {
                    sheet.setColumnWidth(c, Math.min(255 * 256, one.two(4)));
                    if ((one.two(8) & 1) != 0) sheet.setColumnHidden(c, true);
                }
            }
            case 0x0208 -> {
                if (one.two(0) >= MOST_ROWS) return;
                HSSFRow row = sheet.getRow(one.two(0)) == null ? sheet.createRow(one.two(0)) : sheet.getRow(one.two(0));
                if ((one.two(6) & 0x8000) == 0 && (one.two(12) & 0x40) != 0) row.setHeight((short) (one.two(6) & 0x7FFF));
                if ((one.two(12) & 0x20) != 0) row.setZeroHeight(true);
            }
            case 0x0055 -> sheet.setDefaultColumnWidth(one.two(0));
            case 0x0026 -> sheet.setMargin(PageMargin.LEFT, one.number(0));
            case 0x0027 -> sheet.setMargin(PageMargin.RIGHT, one.number(0));
            case 0x0028 -> sheet.setMargin(PageMargin.TOP, one.number(0));
            case 0x0029 -> sheet.setMargin(PageMargin.BOTTOM, one.number(0));
            case 0x00A1 -> {
                boolean unset = (one.two(10) & 4) != 0;
                if (unset) return;
                sheet.getPrintSetup().setPaperSize((short) one.two(0));
                sheet.getPrintSetup().setScale((short) one.two(2));
                sheet.getPrintSetup().setLandscape((one.two(10) & 2) == 0);
            }
            default -> { }
        }
    }

    private HSSFCellStyle style(int number) {
        if (number >= Math.min(MOST_LOOKS, looks.size())) return null;
        return styles.computeIfAbsent(number, key -> {
            Told one = new Told(0, ByteBuffer.wrap(looks.get(key)).order(ByteOrder.LITTLE_ENDIAN), 0);
            HSSFCellStyle style = book.createCellStyle();
            HSSFFont font = font(one.two(0));
            if (font != null) style.setFont(font);
            int format = one.two(2);
            style.setDataFormat(formats.containsKey(format) && !formats.get(format).isEmpty() ? book.createDataFormat().getFormat(formats.get(format))
                    : (short) (format < USUAL_FORMATS ? format : 0));
            style.setAlignment(HorizontalAlignment.forInt(Math.min(6, one.one(6) & 7)));
            style.setWrapText((one.one(6) & 8) != 0);
            style.setVerticalAlignment(VerticalAlignment.forInt(Math.min(3, one.one(6) >> 4 & 7)));
            if (one.data.limit() < 16) return style;
            int area = one.two(8) | one.two(10) << 16;
            int lines = one.two(12) | one.two(14) << 16;
            int pattern = area >> 16 & 0x3F;
            if (pattern > 0 && pattern <= 18) {
                style.setFillPattern(FillPatternType.forInt(pattern));
                style.setFillForegroundColor((short) (area & 0x7F));
                style.setFillBackgroundColor((short) (area >> 7 & 0x7F));
            }
            style.setBorderBottom(BorderStyle.valueOf((short) (area >> 22 & 7)));
            style.setBottomBorderColor((short) (area >>> 25));
            style.setBorderTop(BorderStyle.valueOf((short) (lines & 7)));
            style.setTopBorderColor((short) (lines >> 9 & 0x7F));
            style.setBorderLeft(BorderStyle.valueOf((short) (lines >> 3 & 7)));
            style.setLeftBorderColor((short) (lines >> 16 & 0x7F));
            style.setBorderRight(BorderStyle.valueOf((short) (lines >> 6 & 7)));
            style.setRightBorderColor((short) (lines >> 23 & 0x7F));
            return style;
        });
    }

    /** Number 4 is never told. */
    private HSSFFont font(int number) {
        int index = number > 4 ? number - 1 : number;
        if (index >= fonts.size()) return null;
        return made.computeIfAbsent(index, key -> {
            Told one = new Told(0, ByteBuffer.wrap(fonts.get(key)).order(ByteOrder.LITTLE_ENDIAN), 0);
            HSSFFont font = book.createFont();
            font.setFontHeight((short) one.two(0));
            font.setItalic((one.two(2) & 2) != 0);
            font.setStrikeout((one.two(2) & 8) != 0);
            font.setColor((short) one.two(4));
            font.setBold(one.two(6) >= 700);
            font.setTypeOffset((short) Math.min(2, one.two(8)));
            font.setUnderline((byte) one.one(10));
            String name = words(one, 15, one.one(14));
            if (!name.isBlank()) font.setFontName(name);
            return font;
        });
    }
}
