package app.decant.format.sheet;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Finding;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Section.PageGeometry;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetObject;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.common.usermodel.HyperlinkType;
import org.apache.poi.hpsf.SummaryInformation;
import org.apache.poi.hssf.usermodel.HSSFCell;
import org.apache.poi.hssf.usermodel.HSSFCellStyle;
import org.apache.poi.hssf.usermodel.HSSFFont;
import org.apache.poi.hssf.usermodel.HSSFHyperlink;
import org.apache.poi.hssf.usermodel.HSSFName;
import org.apache.poi.hssf.usermodel.HSSFPrintSetup;
import org.apache.poi.hssf.usermodel.HSSFRichTextString;
import org.apache.poi.hssf.usermodel.HSSFRow;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.usermodel.BorderStyle;
import org.apache.poi.ss.usermodel.FillPatternType;
import org.apache.poi.ss.usermodel.FormulaError;
import org.apache.poi.ss.usermodel.HeaderFooter;
import org.apache.poi.ss.usermodel.HorizontalAlignment;
import org.apache.poi.ss.usermodel.PageMargin;
import org.apache.poi.ss.usermodel.VerticalAlignment;
import org.apache.poi.ss.util.CellRangeAddress;
import org.slf4j.LoggerFactory;

/** Writes workbooks of the binary generation of 1997 to 2003 by the common library ([MS-XLS]); what that has no room for is told. */
final class XlsWriter {
    private static final SpreadsheetVersion ROOM = SpreadsheetVersion.EXCEL97;
    private static final int LONGEST_TEXT = 32_767;

    private final Workbook workbook;
    private final HSSFWorkbook book = new HSSFWorkbook();
    private final List<HSSFCellStyle> styles = new ArrayList<>();
    private final Map<Look, HSSFFont> fonts = new HashMap<>();
    private final List<Finding> findings = new ArrayList<>();
    private int formulas;
    private int beyond;

    private XlsWriter(Workbook workbook) { this.workbook = workbook; }

    static WrittenWorkbook write(Workbook workbook) {
        // The library counts days from 1900 on.
        return new XlsWriter(Days.since1900(workbook)).written();
    }

    private WrittenWorkbook written() {
        int most = Math.min(workbook.styles().size(), ROOM.getMaxCellStyles() - 30);
        if (most < workbook.styles().size()) findings.add(Finding.changed(Message.of("sheet.xls-styles", workbook.styles().size() - most)));
        for (int i = 0; i < most; i++) styles.add(style(workbook.styles().get(i)));
        List<Sheet> kept = new ArrayList<>();
        // All sheets first: formulas lead to any of them.
        for (Sheet sheet : workbook.sheets()) book.createSheet(sheet.name());
        names();
        for (int i = 0; i < workbook.sheets().size(); i++) kept.add(sheet(workbook.sheets().get(i), i));
        if (workbook.sheets().isEmpty()) book.createSheet();
        // Behind all titles: the library finds those no more once there are areas.
        for (int i = 0; i < workbook.sheets().size(); i++) areas(workbook.sheets().get(i).setup(), i);
        if (beyond > 0) findings.add(Finding.lost(Message.of("sheet.xls-beyond", beyond)));
        if (formulas > 0) findings.add(Finding.changed(Message.of("sheet.formulas-as-values", formulas)));
        facts();
        XlsLocks.write(book, workbook.lock());
        try (book; ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            book.write(out);
            return new WrittenWorkbook(out.toByteArray(), workbook.withSheets(kept), findings);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void facts() {
        book.createInformationProperties();
        SummaryInformation told = book.getSummaryInformation();
        if (workbook.facts().title() != null) told.setTitle(workbook.facts().title());
        if (workbook.facts().subject() != null) told.setSubject(workbook.facts().subject());
        if (workbook.facts().author() != null) told.setAuthor(workbook.facts().author());
        if (workbook.facts().keywords() != null) told.setKeywords(workbook.facts().keywords());
    }

    /** Names first, since formulas ask for them; and all names before what they stand for, since they ask for each other. */
    private void names() {
        Map<HSSFName, String> made = new LinkedHashMap<>();
        workbook.names().forEach((key, place) -> {
            int mark = key.lastIndexOf('!');
            int owner = mark < 0 ? -1 : book.getSheetIndex(key.substring(0, mark));
            HSSFName name = null;
            try {
                if (mark > 0 && owner < 0) throw new IllegalArgumentException("No sheet of that name");
                name = book.createName();
                name.setSheetIndex(owner);
                name.setNameName(key.substring(mark + 1));
                made.put(name, place);
            } catch (RuntimeException e) {
                if (name != null) book.removeName(name);
                leftOut(key, e);
            }
        });
        for (int before = -1; before != made.size(); ) {
            before = made.size();
            made.entrySet().removeIf(one -> stands(one.getKey(), one.getValue()));
        }
        made.forEach((name, place) -> {
            findings.add(Finding.changed(Message.of("sheet.name-left-out", name.getNameName())));
            name.setRefersToFormula("#REF!");
        });
    }

    /** Whether a name could be told what it stands for; one that asks for another that does not know it yet is asked again. */
    private static boolean stands(HSSFName name, String place) {
        try {
            // What once led to a sheet that is gone leads nowhere, and says so.
            name.setRefersToFormula(place.contains("#REF!") ? "#REF!" : place);
            return true;
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsWriter.class).debug("{} can't stand for {}", name.getNameName(), place, e);
            return false;
        }
    }

    private void leftOut(String name, RuntimeException why) {
        findings.add(Finding.changed(Message.of("sheet.name-left-out", name)));
        LoggerFactory.getLogger(XlsWriter.class).debug("{} can't be a name", name, why);
    }

    /** Writes a sheet; returns it as far as there was room. */
    private Sheet sheet(Sheet sheet, int index) {
        HSSFSheet made = book.getSheetAt(index);
        book.setSheetHidden(index, sheet.hidden() && workbook.sheets().stream().anyMatch(one -> !one.hidden()));
        made.setDefaultColumnWidth((int) Math.max(1, Math.min(255, Math.round((sheet.columnWidth() / 0.75 - 5) / 7))));
        made.setDefaultRowHeightInPoints((float) sheet.rowHeight());
        for (Column column : sheet.columns()) {
            for (int c = column.from(); c <= Math.min(column.to(), ROOM.getLastColumnIndex()); c++) {
                int width = (int) Math.max(0, Math.min(255 * 256, Math.round(column.width() / 0.75 / 7 * 256)));
                // One that is as wide as those nobody set counts as one of them, and these are wider by what stands beside their letters.
                made.setColumnWidth(c, width == made.getDefaultColumnWidth() * 256 ? width + 1 : width);
                if (column.hidden()) made.setColumnHidden(c, true);
                if (column.style() > 0 && column.style() < styles.size()) made.setDefaultColumnStyle(c, styles.get(column.style()));
            }
        }
        List<Row> rows = new ArrayList<>();
        for (Row row : sheet.rows()) {
            if (row.index() > ROOM.getLastRowIndex()) {
                beyond += (int) row.cells().stream().filter(cell -> !cell.isEmpty()).count();
                continue;
            }
            HSSFRow into = made.createRow(row.index());
            if (!Double.isNaN(row.height())) into.setHeightInPoints((float) row.height());
            if (row.hidden()) into.setZeroHeight(true);
            List<Cell> cells = new ArrayList<>();
            for (Cell cell : row.cells()) {
                if (cell.column() > ROOM.getLastColumnIndex()) {
                    if (!cell.isEmpty()) beyond++;
                    continue;
                }
                cells.add(cell(into.createCell(cell.column()), cell));
            }
            rows.add(row.with(cells));
        }
        for (Range one : sheet.merged()) {
            Range room = one.within(new Range(0, 0, ROOM.getLastRowIndex(), ROOM.getLastColumnIndex()));
            if (room != null && room.rows() * room.columns() > 1) made.addMergedRegionUnsafe(address(room));
        }
        arrays(made, sheet);
        pages(made, sheet.setup());
        new XlsMatterPart(made, sheet, findings).write();
        for (SheetObject one : sheet.objects()) if (!XlsObjects.write(book, made, one, look -> fonts.computeIfAbsent(look, this::font)))
            findings.add(Finding.lost(Message.of("sheet.lost.pictures", 1)));
        return sheet.withRows(rows);
    }

    private static CellRangeAddress address(Range range) { return new CellRangeAddress(range.top(), range.bottom(), range.left(), range.right()); }

    private Cell cell(HSSFCell into, Cell cell) {
        if (cell.style() < styles.size()) into.setCellStyle(styles.get(cell.style()));
        if (cell.formula() != null && cell.array() == null) {
            try {
                into.setCellFormula(MovedFormula.dense(cell.formula()));
            } catch (RuntimeException e) {
                // What the older generation can't work out stands as what it came to.
                formulas++;
                LoggerFactory.getLogger(XlsWriter.class).debug("{} can't be a formula here", cell.formula(), e);
            }
        }
        CellValue value = cell.value();
        if (value instanceof CellValue.Text text) {
            String words = text.text();
            if (words.length() > LONGEST_TEXT) {
                words = words.substring(0, LONGEST_TEXT);
                findings.add(Finding.lost(Message.of("sheet.text-too-long", text.text().length(), LONGEST_TEXT)));
            }
            if (text.stretches().isEmpty()) into.setCellValue(words);
            else into.setCellValue(stretched(words, text, cell.style()));
            value = new CellValue.Text(words);
        } else {
            value(into, value);
        }
        if (cell.link() instanceof Link.Address address) {
            HSSFHyperlink link = book.getCreationHelper().createHyperlink(HyperlinkType.URL);
            link.setAddress(address.uri());
            into.setHyperlink(link);
        }
        if (cell.link() instanceof Link.Inside inside) {
            HSSFHyperlink link = book.getCreationHelper().createHyperlink(HyperlinkType.DOCUMENT);
            link.setAddress(inside.bookmark());
            into.setHyperlink(link);
        }
        return cell.with(value);
    }

    private HSSFRichTextString stretched(String words, CellValue.Text text, int style) {
        HSSFRichTextString told = new HSSFRichTextString(words);
        Look whole = workbook.styles().get(style).font();
        // Behind a stretch the library goes back to the first font of the file, not to that of the cell.
        told.applyFont(fonts.computeIfAbsent(whole, this::font));
        for (CellValue.Stretch one : text.stretches())
            if (one.to() <= words.length()) told.applyFont(one.from(), one.to(), fonts.computeIfAbsent(one.look().over(whole), this::font));
        return told;
    }

    /** Formulas that are spread over cells: the library takes what these came to away, and it is put back. */
    private void arrays(HSSFSheet made, Sheet sheet) {
        for (Row row : sheet.rows()) for (Cell cell : row.cells()) {
            Range spread = cell.array() == null ? null : cell.array().within(new Range(0, 0, ROOM.getLastRowIndex(), ROOM.getLastColumnIndex()));
            if (spread == null || !spread.equals(cell.array())) continue;
            try {
                made.setArrayFormula(MovedFormula.dense(cell.formula()), address(spread));
            } catch (RuntimeException e) {
                formulas++;
                LoggerFactory.getLogger(XlsWriter.class).debug("{} can't be a formula here", cell.formula(), e);
                continue;
            }
            for (int r = spread.top(); r <= spread.bottom(); r++) for (int c = spread.left(); c <= spread.right(); c++) {
                Cell one = sheet.cell(r, c);
                HSSFCell into = made.getRow(r).getCell(c);
                if (one == null) continue;
                if (one.style() < styles.size()) into.setCellStyle(styles.get(one.style()));
                value(into, one.value());
            }
        }
    }

    private static void value(HSSFCell into, CellValue value) {
        if (value instanceof CellValue.Number number) {
            into.setCellValue(number.value());
        } else if (value instanceof CellValue.Text text) {
            into.setCellValue(text.text());
        } else if (value instanceof CellValue.Truth truth) {
            into.setCellValue(truth.value());
        } else if (value instanceof CellValue.Failure failure) {
            if (isCode(failure.code())) into.setCellErrorValue(FormulaError.forString(failure.code()).getCode());
            else into.setCellValue(failure.code());
        }
    }

    private static boolean isCode(String code) {
        for (FormulaError one : FormulaError.values()) if (one.getString().equals(code) && one.getCode() >= 0) return true;
        return false;
    }

    private void pages(HSSFSheet sheet, PageSetup setup) {
        PageGeometry page = setup.page();
        HSSFPrintSetup told = sheet.getPrintSetup();
        told.setPaperSize((short) XlsxPages.number(page));
        told.setLandscape(page.isLandscape());
        told.setScale((short) Math.max(10, Math.min(400, Math.round(setup.scale() * 100))));
        told.setFitWidth((short) setup.wide());
        told.setFitHeight((short) setup.tall());
        told.setLeftToRight(setup.across());
        told.setHeaderMargin(page.header() / 72);
        told.setFooterMargin(page.footer() / 72);
        sheet.setFitToPage(setup.fitted());
        sheet.setMargin(PageMargin.LEFT, page.left() / 72);
        sheet.setMargin(PageMargin.RIGHT, page.right() / 72);
        sheet.setMargin(PageMargin.TOP, page.top() / 72);
        sheet.setMargin(PageMargin.BOTTOM, page.bottom() / 72);
        sheet.setHorizontallyCenter(setup.middle());
        sheet.setVerticallyCenter(setup.centre());
        sheet.setPrintGridlines(setup.grid());
        sheet.setPrintRowAndColumnHeadings(setup.headings());
        for (int row : setup.rowBreaks()) if (row > 0 && row <= ROOM.getLastRowIndex()) sheet.setRowBreak(row - 1);
        for (int column : setup.columnBreaks()) if (column > 0 && column <= ROOM.getLastColumnIndex()) sheet.setColumnBreak(column - 1);
        Range room = new Range(0, 0, ROOM.getLastRowIndex(), ROOM.getLastColumnIndex());
        if (setup.titleRows() != null && setup.titleRows().within(room) != null)
            sheet.setRepeatingRows(new CellRangeAddress(setup.titleRows().top(), setup.titleRows().within(room).bottom(), -1, -1));
        if (setup.titleColumns() != null && setup.titleColumns().within(room) != null)
            sheet.setRepeatingColumns(new CellRangeAddress(-1, -1, setup.titleColumns().left(), setup.titleColumns().within(room).right()));
        parts(setup.header(), sheet.getHeader());
        parts(setup.footer(), sheet.getFooter());
    }

    private void areas(PageSetup setup, int index) {
        Range room = new Range(0, 0, ROOM.getLastRowIndex(), ROOM.getLastColumnIndex());
        List<String> areas = setup.areas().stream().map(area -> area.within(room)).filter(area -> area != null).map(Range::toString).toList();
        if (!areas.isEmpty()) book.setPrintArea(index, String.join(",", areas));
    }

    private static void parts(String codes, HeaderFooter into) {
        if (codes == null) return;
        StringBuilder[] parts = {new StringBuilder(), new StringBuilder(), new StringBuilder()};
        int part = 1;
        for (int i = 0; i < codes.length(); i++) {
            int side = codes.charAt(i) == '&' && i + 1 < codes.length() ? "LCR".indexOf(Character.toUpperCase(codes.charAt(i + 1))) : -1;
            boolean doubled = codes.charAt(i) == '&' && i + 1 < codes.length() && codes.charAt(i + 1) == '&';
            if (side >= 0) {
                part = side;
                i++;
            } else {
                parts[part].append(codes.charAt(i));
                if (doubled) parts[part].append(codes.charAt(++i));
            }
        }
        into.setLeft(parts[0].toString());
        into.setCenter(parts[1].toString());
        into.setRight(parts[2].toString());
    }

    private HSSFCellStyle style(CellStyle style) {
        HSSFCellStyle made = book.createCellStyle();
        made.setDataFormat(book.createDataFormat().getFormat(style.format()));
        made.setFont(fonts.computeIfAbsent(style.font(), this::font));
        made.setLocked(!style.open());
        made.setWrapText(style.wraps());
        made.setShrinkToFit(style.shrinks());
        made.setIndention((short) Math.min(15, style.indent()));
        made.setRotation((short) (style.turn() == CellStyle.STACKED ? 0xFF : style.turn()));
        made.setAlignment(switch (style.across()) {
            case BY_KIND -> HorizontalAlignment.GENERAL;
            case LEFT -> HorizontalAlignment.LEFT;
            case CENTRE -> HorizontalAlignment.CENTER;
            case RIGHT -> HorizontalAlignment.RIGHT;
            case JUSTIFY -> HorizontalAlignment.JUSTIFY;
            case FILL -> HorizontalAlignment.FILL;
            case CENTRE_ACROSS -> HorizontalAlignment.CENTER_SELECTION;
        });
        made.setVerticalAlignment(switch (style.down()) {
            case TOP -> VerticalAlignment.TOP;
            case MIDDLE -> VerticalAlignment.CENTER;
            case BOTTOM -> VerticalAlignment.BOTTOM;
            case JUSTIFY -> VerticalAlignment.JUSTIFY;
        });
        if (style.fill() != null) {
            made.setFillForegroundColor(colour(style.fill()));
            made.setFillPattern(FillPatternType.SOLID_FOREGROUND);
        }
        Borders borders = style.borders() == null ? Borders.OPEN : style.borders();
        made.setBorderTop(line(borders.top()));
        made.setBorderRight(line(borders.right()));
        made.setBorderBottom(line(borders.bottom()));
        made.setBorderLeft(line(borders.left()));
        if (borders.top() != null) made.setTopBorderColor(colour(borders.top().colour()));
        if (borders.right() != null) made.setRightBorderColor(colour(borders.right().colour()));
        if (borders.bottom() != null) made.setBottomBorderColor(colour(borders.bottom().colour()));
        if (borders.left() != null) made.setLeftBorderColor(colour(borders.left().colour()));
        return made;
    }

    private static BorderStyle line(Border border) {
        String name = LineStyles.name(border);
        if (name == null) return BorderStyle.NONE;
        return switch (name) {
            case "double" -> BorderStyle.DOUBLE;
            case "hair" -> BorderStyle.HAIR;
            case "dotted" -> BorderStyle.DOTTED;
            case "dashed" -> BorderStyle.DASHED;
            case "mediumDashed" -> BorderStyle.MEDIUM_DASHED;
            case "thick" -> BorderStyle.THICK;
            case "medium" -> BorderStyle.MEDIUM;
            default -> BorderStyle.THIN;
        };
    }

    private HSSFFont font(Look look) {
        HSSFFont font = book.createFont();
        font.setFontName(look.get(TextProperty.FAMILY, "Arial"));
        font.setFontHeight((short) Math.round(look.get(TextProperty.SIZE, 11.0) * 20));
        font.setBold(look.is(TextProperty.BOLD));
        font.setItalic(look.is(TextProperty.ITALIC));
        font.setStrikeout(look.is(TextProperty.STRIKE));
        Underline under = look.get(TextProperty.UNDERLINE, Underline.NONE);
        font.setUnderline(under == Underline.NONE ? HSSFFont.U_NONE : under == Underline.DOUBLE ? HSSFFont.U_DOUBLE : HSSFFont.U_SINGLE);
        Script script = look.get(TextProperty.SCRIPT, Script.BASELINE);
        font.setTypeOffset(script == Script.SUPER ? HSSFFont.SS_SUPER : script == Script.SUB ? HSSFFont.SS_SUB : HSSFFont.SS_NONE);
        Colour ink = look.get(TextProperty.COLOUR);
        if (ink != null && !ink.isAutomatic()) font.setColor(colour(ink));
        return font;
    }

    private final Map<Colour, Short> palette = new HashMap<>();

    /** The colour's place among the fifty-six that a file has; the nearest of them once all are taken. */
    private short colour(Colour colour) {
        if (colour.isAutomatic()) return HSSFFont.COLOR_NORMAL;
        return palette.computeIfAbsent(colour, key -> {
            byte red = (byte) key.red();
            byte green = (byte) key.green();
            byte blue = (byte) key.blue();
            if (book.getCustomPalette().findColor(red, green, blue) != null) return book.getCustomPalette().findColor(red, green, blue).getIndex();
            if (palette.size() < 40) {
                // From the end, where the least usual ones are.
                short place = (short) (63 - palette.size());
                book.getCustomPalette().setColorAtIndex(place, red, green, blue);
                return place;
            }
            return book.getCustomPalette().findSimilarColor(red, green, blue).getIndex();
        });
    }
}
