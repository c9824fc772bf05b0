package app.decant.format.sheet;

import app.decant.document.Finding;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellCheck.Strictness;
import app.decant.sheet.CellNote;
import app.decant.sheet.Column;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetMatter;
import app.decant.words.Message;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.IntUnaryOperator;
import org.apache.poi.hssf.usermodel.DVConstraint;
import org.apache.poi.hssf.usermodel.HSSFCell;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFComment;
import org.apache.poi.hssf.usermodel.HSSFDataValidation;
import org.apache.poi.hssf.usermodel.HSSFPatriarch;
import org.apache.poi.hssf.usermodel.HSSFRichTextString;
import org.apache.poi.hssf.usermodel.HSSFRow;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.poifs.crypt.CryptoFunctions;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.usermodel.DataValidation.ErrorStyle;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.CellRangeAddressList;
import org.slf4j.LoggerFactory;

/** Writes what {@link XlsMatter} reads. */
final class XlsMatterPart {
    private static final SpreadsheetVersion ROOM = SpreadsheetVersion.EXCEL97;
    private static final Range WHOLE = new Range(0, 0, ROOM.getLastRowIndex(), ROOM.getLastColumnIndex());
    private static final int NOTE_COLUMNS = 3;
    private static final int NOTE_ROWS = 5;
    private static final int LONGEST_TITLE = 32;
    private static final int LONGEST_WORDS = 255;

    private final HSSFSheet made;
    private final Sheet sheet;
    private final List<Finding> findings;
    private int left;

    XlsMatterPart(HSSFSheet made, Sheet sheet, List<Finding> findings) {
        this.made = made;
        this.sheet = sheet;
        this.findings = findings;
    }

    void write() {
        SheetMatter matter = sheet.matter();
        if (matter.view().isFrozen()) made.createFreezePane(Math.min(matter.view().frozenColumns(), WHOLE.right()),
                Math.min(matter.view().frozenRows(), WHOLE.bottom()));
        made.setDisplayGridlines(matter.view().grid());
        made.setRightToLeft(matter.view().rightToLeft());
        if (matter.view().zoom() != 1) made.setZoom((int) Math.round(matter.view().zoom() * 100));
        groups();
        for (CellNote one : matter.notes()) note(one);
        for (CellCheck one : matter.checks()) check(one);
        if (left > 0) findings.add(Finding.changed(Message.of("sheet.lost.checks", left)));
        if (matter.filter() != null && matter.filter().range().within(WHOLE) != null) {
            made.setAutoFilter(address(matter.filter().range().within(WHOLE)));
            if (!matter.filter().values().isEmpty()) findings.add(Finding.lost(Message.of("sheet.lost.filters", matter.filter().values().size())));
        }
        if (matter.lock() != null) lock(matter.lock());
    }

    private static CellRangeAddress address(Range range) { return new CellRangeAddress(range.top(), range.bottom(), range.left(), range.right()); }

    private void groups() {
        int lastRow = sheet.rows().isEmpty() ? -1 : Math.min(WHOLE.bottom(), sheet.rows().get(sheet.rows().size() - 1).index());
        int[] rows = new int[lastRow + 1];
        for (Row row : sheet.rows()) if (row.index() <= lastRow) rows[row.index()] = row.depth();
        grouped(rows, made::groupRow);
        int[] columns = new int[ROOM.getMaxColumns()];
        for (Column column : sheet.columns()) Arrays.fill(columns, Math.min(column.from(), columns.length), Math.min(column.to() + 1, columns.length),
                column.depth());
        grouped(columns, made::groupColumn);
        // Groups that are made anew show what they hold.
        for (Row row : sheet.rows()) if (row.hidden() && row.index() <= lastRow) made.getRow(row.index()).setZeroHeight(true);
    }

    /** Puts runs into groups, the outermost first. */
    private static void grouped(int[] depths, Grouping into) {
        for (int depth = 1; depth <= Row.DEEPEST; depth++) {
            int from = -1;
            for (int i = 0; i <= depths.length; i++) {
                boolean within = i < depths.length && depths[i] >= depth;
                if (within && from < 0) from = i;
                if (!within && from >= 0) into.group(from, i - 1);
                if (!within) from = -1;
            }
        }
    }

    @FunctionalInterface private interface Grouping { void group(int from, int to); }

    private void note(CellNote note) {
        if (!WHOLE.holds(note.row(), note.column())) {
            findings.add(Finding.lost(Message.of("sheet.lost.comments", 1)));
            return;
        }
        IntUnaryOperator within = column -> Math.min(column, WHOLE.right());
        HSSFClientAnchor anchor = new HSSFClientAnchor(0, 0, 0, 0, (short) within.applyAsInt(note.column() + 1), note.row(),
                (short) within.applyAsInt(note.column() + 1 + NOTE_COLUMNS), Math.min(note.row() + NOTE_ROWS, WHOLE.bottom()));
        HSSFComment comment = patriarch().createCellComment(anchor);
        comment.setString(new HSSFRichTextString(note.text()));
        comment.setAuthor(note.author());
        HSSFRow row = made.getRow(note.row()) == null ? made.createRow(note.row()) : made.getRow(note.row());
        HSSFCell cell = row.getCell(note.column()) == null ? row.createCell(note.column()) : row.getCell(note.column());
        cell.setCellComment(comment);
    }

    private HSSFPatriarch patriarch() {
        return made.getDrawingPatriarch() == null ? made.createDrawingPatriarch() : made.getDrawingPatriarch();
    }

    private void check(CellCheck check) {
        try {
            CellRangeAddressList places = new CellRangeAddressList();
            for (Range one : check.places()) if (one.within(WHOLE) != null) places.addCellRangeAddress(address(one.within(WHOLE)));
            if (places.countRanges() == 0) return;
            HSSFDataValidation told = new HSSFDataValidation(places, constraint(check));
            told.setEmptyCellAllowed(check.blanks());
            told.setSuppressDropDownArrow(!check.choices());
            if (check.prompt() != null) told.createPromptBox(shortened(check.prompt().title(), LONGEST_TITLE), shortened(check.prompt().text(),
                    LONGEST_WORDS));
            told.setShowPromptBox(check.prompt() != null);
            if (check.refusal() != null) told.createErrorBox(shortened(check.refusal().title(), LONGEST_TITLE), shortened(check.refusal().text(),
                    LONGEST_WORDS));
            told.setShowErrorBox(check.strictness() != Strictness.SILENT);
            told.setErrorStyle(check.strictness() == Strictness.WARN ? ErrorStyle.WARNING : check.strictness() == Strictness.TELL ? ErrorStyle.INFO
                    : ErrorStyle.STOP);
            made.addValidationData(told);
        } catch (RuntimeException e) {
            left++;
            LoggerFactory.getLogger(XlsMatterPart.class).debug("{} can't be a check here", check, e);
        }
    }

    private static String shortened(String text, int most) { return text.length() <= most ? text : text.substring(0, most); }

    private static DVConstraint constraint(CellCheck check) {
        int operator = code(XlsMatter.COMPARISONS, check.comparison());
        String first = formula(check.first());
        String second = formula(check.second());
        return switch (check.kind()) {
            case LIST -> {
                boolean listed = check.first().startsWith("\"") && check.first().endsWith("\"") && check.first().length() > 1;
                yield listed ? DVConstraint.createExplicitListConstraint(check.first().substring(1, check.first().length() - 1).replace("\"\"", "\"")
                        .split(",", -1)) : DVConstraint.createFormulaListConstraint(check.first());
            }
            case FORMULA -> DVConstraint.createCustomFormulaConstraint(check.first());
            case DAY -> DVConstraint.createDateConstraint(operator, first, second, null);
            case TIME -> DVConstraint.createTimeConstraint(operator, first, second);
            default -> DVConstraint.createNumericConstraint(code(XlsMatter.KINDS, check.kind()), operator, first, second);
        };
    }

    /** The library takes what begins with an equals sign for a formula, and all else for a number. */
    private static String formula(String told) { return told == null ? null : "=" + told; }

    private static <T> int code(Map<Integer, T> names, T wanted) {
        return names.entrySet().stream().filter(one -> one.getValue() == wanted).map(Map.Entry::getKey).findFirst().orElseThrow();
    }

    /** Older files hold fifteen bits of a password; any other with the same bits opens them, so that one is looked for and the true one goes on opening it. */
    private void lock(SheetLock lock) {
        String password = lock.shortKey() == 0 ? "" : password(lock.shortKey());
        made.protectSheet(password == null ? "" : password);
        if (lock.hasPassword() && (password == null || password.isEmpty())) findings.add(Finding.changed(Message.of("sheet.lock-without-password",
                sheet.name())));
        if (!lock.allowed().equals(SheetLock.USUAL)) findings.add(Finding.changed(Message.of("sheet.lock-without-allowances", sheet.name())));
    }

    static String password(int key) {
        for (int i = 0; i < 1 << 20; i++) {
            String tried = Integer.toString(i, 36);
            if (CryptoFunctions.createXorVerifier1(tried) == key) return tried;
        }
        return null;
    }
}
