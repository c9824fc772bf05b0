package app.decant.format.sheet;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.format.Content;
import app.decant.format.StoredFacts;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellStyle.Across;
import app.decant.sheet.CellStyle.Down;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetObject;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import org.apache.poi.EncryptedDocumentException;
import org.apache.poi.hssf.OldExcelFormatException;
import org.apache.poi.hssf.extractor.OldExcelExtractor;
import org.apache.poi.hssf.record.crypto.Biff8EncryptionKey;
import org.apache.poi.hssf.usermodel.HSSFCell;
import org.apache.poi.hssf.usermodel.HSSFCellStyle;
import org.apache.poi.hssf.usermodel.HSSFFont;
import org.apache.poi.hssf.usermodel.HSSFName;
import org.apache.poi.hssf.usermodel.HSSFPalette;
import org.apache.poi.hssf.usermodel.HSSFPrintSetup;
import org.apache.poi.hssf.usermodel.HSSFRichTextString;
import org.apache.poi.hssf.usermodel.HSSFRow;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.hssf.util.HSSFColor;
import org.apache.poi.ss.usermodel.BorderStyle;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.FillPatternType;
import org.apache.poi.ss.usermodel.FormulaError;
import org.apache.poi.ss.usermodel.HeaderFooter;
import org.apache.poi.common.usermodel.HyperlinkType;
import org.apache.poi.ss.usermodel.PageMargin;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.slf4j.LoggerFactory;

/** Reads workbooks of the binary generation of 1997 to 2003 by the common library ([MS-XLS]); of the one of 1995 what {@link OlderSheets} says. */
final class XlsReader {
    private static final double PIXEL = 0.75;
    /** Names that say something of a sheet, not of cells ([MS-XLS], 2.4.150). */
    private static final Set<String> OWN = Set.of("Print_Area", "Print_Titles", "Consolidate_Area", "Criteria", "Database", "Extract", "Sheet_Title");

    private final HSSFWorkbook book;
    private final Progress progress;
    private final Lost lost = new Lost();

    private XlsReader(HSSFWorkbook book, Progress progress) {
        this.book = book;
        this.progress = progress;
    }

    static ReadWorkbook read(Content content, String password, Progress progress) {
        // The key is the thread's, and must not stay.
        Biff8EncryptionKey.setCurrentUserPassword(password);
        try (HSSFWorkbook book = new HSSFWorkbook(new ByteArrayInputStream(content.bytes()), false)) {
            return new XlsReader(book, progress).workbook();
        } catch (EncryptedDocumentException e) {
            boolean wrong = password != null && !password.isEmpty();
            throw new DecantException(Kind.NEEDS_PASSWORD, Message.of(wrong ? "sheet.wrong-password" : "sheet.needs-password", content.name()), e);
        } catch (DecantException e) {
            throw e;
        } catch (IOException e) {
            throw damaged(content, e);
        } catch (RuntimeException e) {
            // Whatever the library stumbles over, the records are not as they should be, or of an older generation.
            LoggerFactory.getLogger(XlsReader.class).info("{} can't be read as it is", content.name(), e);
            return mended(content, progress, e);
        } finally {
            Biff8EncryptionKey.setCurrentUserPassword(null);
        }
    }

    private static DecantException damaged(Content content, Exception cause) {
        return new DecantException(Kind.UNREADABLE, Message.of("sheet.damaged", content.name()), cause);
    }

    /** With its records as the library takes them; where they can't be mended it is of an older generation, or damaged. */
    private static ReadWorkbook mended(Content content, Progress progress, RuntimeException cause) {
        if (!content.isCompound()) return old(content);
        try (POIFSFileSystem container = new POIFSFileSystem(new ByteArrayInputStream(content.bytes()))) {
            int leftOut = XlsRecords.mend(container);
            if (leftOut >= 0) {
                try (HSSFWorkbook book = new HSSFWorkbook(container, false)) {
                    XlsReader reader = new XlsReader(book, progress);
                    reader.lost.count(Lost.Kind.RECORDS, leftOut);
                    return reader.workbook();
                }
            }
        } catch (DecantException e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            throw damaged(content, e);
        }
        if (cause instanceof OldExcelFormatException) return older(content, progress);
        throw damaged(content, cause);
    }

    private static ReadWorkbook older(Content content, Progress progress) {
        try (POIFSFileSystem container = new POIFSFileSystem(new ByteArrayInputStream(content.bytes()))) {
            OlderSheets.Read older = OlderSheets.of(container);
            if (older == null || older.book().getNumberOfSheets() == 0) return old(content);
            try (HSSFWorkbook book = older.book()) {
                ReadWorkbook read = new XlsReader(book, progress).workbook();
                Workbook made = read.workbook();
                List<Finding> findings = new ArrayList<>(read.findings());
                findings.add(Finding.lost(Message.of("sheet.older", older.formulas())));
                Facts facts = StoredFacts.in(container.getRoot());
                return new ReadWorkbook(new Workbook(made.sheets(), made.styles(), made.names(), facts, older.since1904(), made.lock()), findings);
            }
        } catch (EncryptedDocumentException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("sheet.old-lock", content.name()), e);
        } catch (IOException | RuntimeException e) {
            if (e instanceof DecantException told) throw told;
            throw damaged(content, e);
        }
    }

    /** Of the generations before, what its cells say, one a line. */
    private static ReadWorkbook old(Content content) {
        try (OldExcelExtractor extractor = new OldExcelExtractor(new ByteArrayInputStream(content.bytes()))) {
            List<Row> rows = new ArrayList<>();
            for (String line : extractor.getText().split("\n", -1)) {
                if (!line.isBlank()) rows.add(new Row(rows.size(), Double.NaN, false, List.of(new Cell(0, new CellValue.Text(line.strip()), 0))));
            }
            Sheet sheet = new Sheet(content.name(), false, 48, 15, List.of(), rows, List.of(), PageSetup.PLAIN);
            Workbook made = new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
            return new ReadWorkbook(made, List.of(Finding.lost(Message.of("sheet.old-text-only"))));
        } catch (EncryptedDocumentException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("sheet.old-lock", content.name()), e);
        } catch (IOException | RuntimeException e) {
            throw damaged(content, e);
        }
    }

    private ReadWorkbook workbook() {
        List<CellStyle> styles = new ArrayList<>();
        for (int i = 0; i < book.getNumCellStyles(); i++) styles.add(style(book.getCellStyleAt(i)));
        if (styles.isEmpty()) styles.add(CellStyle.PLAIN);
        // Cells nobody dressed have the style of number 15.
        CellStyle plain = styles.size() > 15 ? styles.get(15) : styles.get(0);
        styles.add(0, plain);
        Map<String, String> names = new TreeMap<>();
        for (HSSFName name : book.getAllNames()) {
            boolean own = !name.isFunctionName() && !name.isDeleted() && !name.getNameName().startsWith("_") && !OWN.contains(name.getNameName());
            String owner = name.getSheetIndex() < 0 || name.getSheetIndex() >= book.getNumberOfSheets() ? "" : book.getSheetName(name.getSheetIndex()) + "!";
            if (own) names.put(owner + name.getNameName(), formula(name));
        }
        names.values().removeIf(String::isEmpty);
        List<Sheet> sheets = new ArrayList<>();
        for (int i = 0; i < book.getNumberOfSheets(); i++) {
            progress.step(i, book.getNumberOfSheets(), Message.of("sheet.reading", book.getSheetName(i)));
            sheets.add(sheet(i));
        }
        boolean since1904 = book.getInternalWorkbook().isUsing1904DateWindowing();
        Facts facts = StoredFacts.of(book.getSummaryInformation(), Map.of());
        return new ReadWorkbook(new Workbook(sheets, styles, names, facts, since1904, XlsLocks.of(book)), lost.findings());
    }

    private static String formula(HSSFName name) {
        try {
            return name.getRefersToFormula() == null ? "" : name.getRefersToFormula();
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsReader.class).debug("A name leads nowhere", e);
            return "";
        }
    }

    private Sheet sheet(int index) {
        HSSFSheet sheet = book.getSheetAt(index);
        List<Row> rows = new ArrayList<>();
        int last = 0;
        for (int r = sheet.getFirstRowNum(); r >= 0 && r <= sheet.getLastRowNum(); r++) {
            HSSFRow row = sheet.getRow(r);
            if (row == null) continue;
            TreeMap<Integer, Cell> cells = new TreeMap<>();
            for (org.apache.poi.ss.usermodel.Cell one : row) {
                HSSFCell cell = (HSSFCell) one;
                cells.put(cell.getColumnIndex(), cell(cell));
                last = Math.max(last, cell.getColumnIndex());
            }
            boolean own = row.getRowStyle() != null || row.getHeight() != sheet.getDefaultRowHeight();
            rows.add(new Row(r, own || row.getZeroHeight() ? row.getHeightInPoints() : Double.NaN, row.getZeroHeight(),
                    row.getOutlineLevel(), List.copyOf(cells.values())));
        }
        List<Column> columns = new ArrayList<>();
        for (int c = 0; c <= Math.max(last, 20); c++)
            columns.add(new Column(c, c, Math.max(0, sheet.getColumnWidthInPixels(c)) * PIXEL, sheet.isColumnHidden(c), sheet.getColumnOutlineLevel(c),
                    sheet.getColumnStyle(c) == null ? 0 : sheet.getColumnStyle(c).getIndex() + 1));
        List<Range> merged = new ArrayList<>();
        for (CellRangeAddress one : sheet.getMergedRegions()) if (one.getNumberOfCells() > 1) merged.add(range(one));
        List<SheetObject> objects = XlsObjects.over(sheet, this::letters, lost);
        XlsConditions conditions = new XlsConditions(number -> colour(book.getCustomPalette(), number));
        conditions.read(sheet.getSheetConditionalFormatting());
        lost.count(Lost.Kind.CONDITIONS, conditions.unknown());
        boolean hidden = book.isSheetHidden(index) || book.isSheetVeryHidden(index);
        double width = sheet.getDefaultColumnWidth() * 7.0 + 5;
        return new Sheet(book.getSheetName(index), hidden, width * PIXEL, sheet.getDefaultRowHeightInPoints(), columns, rows, merged, setup(sheet, index),
                objects, conditions.conditions(), new XlsMatter(book, sheet, lost).read());
    }

    private static Range range(CellRangeAddress one) { return new Range(one.getFirstRow(), one.getFirstColumn(), one.getLastRow(), one.getLastColumn()); }

    private PageSetup setup(HSSFSheet sheet, int index) {
        HSSFPrintSetup told = sheet.getPrintSetup();
        double[] paper = XlsxPages.paper(told.getPaperSize());
        boolean landscape = told.getLandscape();
        double[] margins = {sheet.getMargin(PageMargin.LEFT), sheet.getMargin(PageMargin.RIGHT), sheet.getMargin(PageMargin.TOP),
            sheet.getMargin(PageMargin.BOTTOM), told.getHeaderMargin(), told.getFooterMargin()};
        for (int i = 0; i < margins.length; i++) margins[i] = Math.max(0, Math.min(20, margins[i]));
        List<Range> areas = book.getPrintArea(index) == null ? List.of() : XlsxPages.ranges(book.getPrintArea(index));
        List<Integer> rowBreaks = new ArrayList<>();
        for (int one : sheet.getRowBreaks()) rowBreaks.add(one + 1);
        List<Integer> columnBreaks = new ArrayList<>();
        for (int one : sheet.getColumnBreaks()) columnBreaks.add(one + 1);
        return new PageSetup(XlsxPages.geometry(landscape ? paper[1] : paper[0], landscape ? paper[0] : paper[1], margins),
                told.getScale() > 0 ? told.getScale() / 100.0 : 1, Math.max(0, told.getFitWidth()), Math.max(0, told.getFitHeight()),
                        told(sheet::getFitToPage),
                told.getLeftToRight(), told(sheet::getHorizontallyCenter), told(sheet::getVerticallyCenter), told(sheet::isPrintGridlines),
                told(sheet::isPrintRowAndColumnHeadings),
                areas, repeating(sheet.getRepeatingRows(), true), repeating(sheet.getRepeatingColumns(), false), rowBreaks, columnBreaks,
                codes(sheet.getHeader()), codes(sheet.getFooter()));
    }

    /** What the library can't tell, since a record is missing, is not so. */
    private static boolean told(BooleanSupplier asked) {
        try {
            return asked.getAsBoolean();
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsReader.class).debug("A record is missing", e);
            return false;
        }
    }

    private static String codes(HeaderFooter told) {
        StringBuilder codes = new StringBuilder();
        if (!told.getLeft().isEmpty()) codes.append("&L").append(told.getLeft());
        if (!told.getCenter().isEmpty()) codes.append("&C").append(told.getCenter());
        if (!told.getRight().isEmpty()) codes.append("&R").append(told.getRight());
        return codes.isEmpty() ? null : codes.toString();
    }

    private static Range repeating(CellRangeAddress told, boolean rows) {
        if (told == null) return null;
        return rows ? new Range(told.getFirstRow(), 0, told.getLastRow(), Range.MOST_COLUMNS - 1)
                : new Range(0, told.getFirstColumn(), Range.MOST_ROWS - 1, told.getLastColumn());
    }

    private Cell cell(HSSFCell cell) {
        CellType type = cell.getCellType();
        String formula = null;
        Range array = null;
        if (type == CellType.FORMULA) {
            Range spread = cell.isPartOfArrayFormulaGroup() ? range(cell.getArrayFormulaRange()) : null;
            boolean first = spread == null || spread.top() == cell.getRowIndex() && spread.left() == cell.getColumnIndex();
            formula = first ? formula(cell) : null;
            array = first && formula != null ? spread : null;
            type = cell.getCachedFormulaResultType();
        }
        CellValue value = switch (type) {
            case NUMERIC -> CellValue.of(cell.getNumericCellValue());
            case STRING -> words(cell);
            case BOOLEAN -> new CellValue.Truth(cell.getBooleanCellValue());
            case ERROR -> new CellValue.Failure(failure(cell.getErrorCellValue()));
            default -> CellValue.EMPTY;
        };
        String address = cell.getHyperlink() == null ? null : cell.getHyperlink().getAddress();
        boolean inward = cell.getHyperlink() != null && cell.getHyperlink().getType() == HyperlinkType.DOCUMENT;
        boolean outward = address != null && address.contains(":");
        Link link = address == null ? null : inward ? new Link.Inside(address) : outward ? new Link.Address(address) : null;
        return new Cell(cell.getColumnIndex(), value, formula, array, cell.getCellStyle().getIndex() + 1, link);
    }

    /** A text, and which of its letters look otherwise than the cell. */
    private CellValue.Text words(HSSFCell cell) {
        HSSFRichTextString told = cell.getRichStringCellValue();
        String text = told.getString();
        List<CellValue.Stretch> stretches = new ArrayList<>();
        Look whole = letters(cell.getCellStyle().getFont(book));
        for (int i = 0; i < told.numFormattingRuns(); i++) {
            int from = told.getIndexOfFormattingRun(i);
            int to = i + 1 < told.numFormattingRuns() ? told.getIndexOfFormattingRun(i + 1) : text.length();
            boolean sound = from >= 0 && from < to && to <= text.length() && (stretches.isEmpty() || stretches.get(stretches.size() - 1).to() <= from);
            Look look = sound ? letters(book.getFontAt(told.getFontOfFormattingRun(i))) : whole;
            if (sound && !look.equals(whole)) stretches.add(new CellValue.Stretch(from, to, look));
        }
        return new CellValue.Text(text, stretches);
    }

    private static String failure(byte code) { return FormulaError.isValidCode(code) ? FormulaError.forInt(code).getString() : "#VALUE!"; }

    /** A formula that the library can't put into words keeps its last value alone. */
    private static String formula(HSSFCell cell) {
        try {
            return cell.getCellFormula();
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsReader.class).debug("A formula can't be told", e);
            return null;
        }
    }

    private Look letters(HSSFFont font) {
        HSSFPalette palette = book.getCustomPalette();
        Look look = Look.of(TextProperty.FAMILY, font.getFontName()).with(TextProperty.SIZE, Math.max(1.0, font.getFontHeight() / 20.0));
        if (font.getBold()) look = look.with(TextProperty.BOLD, true);
        if (font.getItalic()) look = look.with(TextProperty.ITALIC, true);
        if (font.getStrikeout()) look = look.with(TextProperty.STRIKE, true);
        if (font.getUnderline() != HSSFFont.U_NONE)
            look = look.with(TextProperty.UNDERLINE, font.getUnderline() == HSSFFont.U_DOUBLE || font.getUnderline() == HSSFFont.U_DOUBLE_ACCOUNTING
                    ? Underline.DOUBLE : Underline.SINGLE);
        if (font.getTypeOffset() != HSSFFont.SS_NONE) look = look.with(TextProperty.SCRIPT, font.getTypeOffset() == HSSFFont.SS_SUPER ? Script.SUPER
                : Script.SUB);
        Colour ink = colour(palette, font.getColor());
        if (ink != null) look = look.with(TextProperty.COLOUR, ink);
        return look;
    }

    private CellStyle style(HSSFCellStyle style) {
        HSSFPalette palette = book.getCustomPalette();
        Look look = letters(style.getFont(book));
        boolean filled = style.getFillPattern() != FillPatternType.NO_FILL;
        Colour fill = filled ? colour(palette, style.getFillForegroundColor()) : null;
        Border top = border(style.getBorderTop(), colour(palette, style.getTopBorderColor()));
        Border right = border(style.getBorderRight(), colour(palette, style.getRightBorderColor()));
        Border bottom = border(style.getBorderBottom(), colour(palette, style.getBottomBorderColor()));
        Border left = border(style.getBorderLeft(), colour(palette, style.getLeftBorderColor()));
        boolean open = top == null && right == null && bottom == null && left == null;
        String format = style.getDataFormatString();
        return new CellStyle(look, format == null ? CellStyle.GENERAL : format, across(style), down(style), style.getWrapText(), style.getShrinkToFit(),
                Math.max(0, style.getIndention()), style.getRotation() == 0xFF ? 255 : style.getRotation(), fill,
                open ? null : new Borders(top, right, bottom, left, null, null), !style.getLocked());
    }

    private static Across across(HSSFCellStyle style) {
        return switch (style.getAlignment()) {
            case LEFT -> Across.LEFT;
            case CENTER -> Across.CENTRE;
            case RIGHT -> Across.RIGHT;
            case JUSTIFY, DISTRIBUTED -> Across.JUSTIFY;
            case FILL -> Across.FILL;
            case CENTER_SELECTION -> Across.CENTRE_ACROSS;
            case GENERAL -> Across.BY_KIND;
        };
    }

    private static Down down(HSSFCellStyle style) {
        return switch (style.getVerticalAlignment()) {
            case TOP -> Down.TOP;
            case CENTER -> Down.MIDDLE;
            case JUSTIFY, DISTRIBUTED -> Down.JUSTIFY;
            case BOTTOM -> Down.BOTTOM;
        };
    }

    private static Border border(BorderStyle style, Colour colour) {
        String name = switch (style) {
            case NONE -> "none";
            case HAIR -> "hair";
            case DOTTED -> "dotted";
            case MEDIUM -> "medium";
            case THICK -> "thick";
            case DOUBLE -> "double";
            case THIN -> "thin";
            default -> style.name().toLowerCase(Locale.ROOT).startsWith("medium") || style == BorderStyle.SLANTED_DASH_DOT ? "mediumDashed" : "dashed";
        };
        return LineStyles.border(name, colour == null ? Colour.BLACK : colour);
    }

    /** The colour of a number; null for that of the system. */
    private static Colour colour(HSSFPalette palette, short index) {
        if (index == HSSFFont.COLOR_NORMAL || index == HSSFColor.HSSFColorPredefined.AUTOMATIC.getIndex()) return null;
        HSSFColor colour = palette.getColor(index);
        if (colour == null) return null;
        short[] rgb = colour.getTriplet();
        return new Colour(rgb[0] << 16 | rgb[1] << 8 | rgb[2]);
    }
}
