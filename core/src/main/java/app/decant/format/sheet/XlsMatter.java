package app.decant.format.sheet;

import app.decant.sheet.CellCheck.Kind;
import app.decant.sheet.CellCheck.Strictness;
import app.decant.sheet.CellCheck.Words;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellNote;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.Range;
import app.decant.sheet.SheetFilter;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetMatter;
import app.decant.sheet.SheetView;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.poi.hssf.usermodel.DVConstraint;
import org.apache.poi.hssf.usermodel.HSSFCombobox;
import org.apache.poi.hssf.usermodel.HSSFComment;
import org.apache.poi.hssf.usermodel.HSSFDataValidation;
import org.apache.poi.hssf.usermodel.HSSFName;
import org.apache.poi.hssf.usermodel.HSSFShape;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.DataValidation.ErrorStyle;
import org.apache.poi.ss.usermodel.DataValidationConstraint.OperatorType;
import org.apache.poi.ss.usermodel.DataValidationConstraint.ValidationType;
import org.apache.poi.ss.usermodel.DataValidationConstraint;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.PaneInformation;
import org.slf4j.LoggerFactory;

/** Reads what belongs to a sheet of a .xls beside its cells and its pages ([MS-XLS]): panes, notes, checks, the filter and the lock. */
final class XlsMatter {
    static final Map<Integer, Kind> KINDS = Map.of(ValidationType.ANY, Kind.ANYTHING, ValidationType.INTEGER, Kind.WHOLE_NUMBER, ValidationType.DECIMAL,
            Kind.NUMBER, ValidationType.LIST, Kind.LIST, ValidationType.DATE, Kind.DAY, ValidationType.TIME, Kind.TIME, ValidationType.TEXT_LENGTH,
                    Kind.LENGTH,
            ValidationType.FORMULA, Kind.FORMULA);
    static final Map<Integer, Comparison> COMPARISONS = Map.of(OperatorType.BETWEEN, Comparison.BETWEEN, OperatorType.NOT_BETWEEN, Comparison.OUTSIDE,
            OperatorType.EQUAL, Comparison.EQUAL, OperatorType.NOT_EQUAL, Comparison.OTHER, OperatorType.LESS_THAN, Comparison.LESS,
            OperatorType.LESS_OR_EQUAL, Comparison.AT_MOST, OperatorType.GREATER_THAN, Comparison.MORE, OperatorType.GREATER_OR_EQUAL, Comparison.AT_LEAST);
    private static final String FILTER = "_FilterDatabase";

    private final HSSFWorkbook book;
    private final HSSFSheet sheet;
    private final Lost lost;

    XlsMatter(HSSFWorkbook book, HSSFSheet sheet, Lost lost) {
        this.book = book;
        this.sheet = sheet;
        this.lost = lost;
    }

    SheetMatter read() {
        List<CellNote> notes = new ArrayList<>();
        boolean filtered = false;
        // What can't be read is told with the shapes of the sheet.
        for (HSSFShape shape : XlsShapes.over(sheet, () -> { })) {
            filtered |= shape instanceof HSSFCombobox;
            if (!(shape instanceof HSSFComment comment)) continue;
            try {
                note(comment, notes);
            } catch (RuntimeException e) {
                // A note whose record is missing says neither where it belongs nor by whom it is.
                LoggerFactory.getLogger(XlsMatter.class).info("A note can't be read", e);
                lost.count(Lost.Kind.COMMENTS, 1);
            }
        }
        SheetLock lock = sheet.getProtect() ? new SheetLock(null, sheet.getPassword() & 0xFFFF, SheetLock.USUAL) : null;
        return new SheetMatter(view(), notes, checks(), filtered ? filter() : null, lock);
    }

    private SheetView view() {
        PaneInformation pane = sheet.getPaneInformation();
        boolean frozen = pane != null && pane.isFreezePane();
        return new SheetView(frozen ? pane.getHorizontalSplitPosition() : 0, frozen ? pane.getVerticalSplitPosition() : 0, sheet.isDisplayGridlines(),
                sheet.isRightToLeft(), 1, null);
    }

    private static void note(HSSFComment comment, List<CellNote> notes) {
        String author = comment.getAuthor() == null ? "" : comment.getAuthor();
        if (comment.getRow() >= 0 && comment.getColumn() >= 0 && comment.getString() != null)
            notes.add(new CellNote(comment.getRow(), comment.getColumn(), author, comment.getString().getString()));
    }

    private SheetFilter filter() {
        for (HSSFName name : book.getAllNames()) {
            boolean here = name.getNameName().endsWith(FILTER) && name.getSheetIndex() == book.getSheetIndex(sheet);
            if (!here || name.isDeleted()) continue;
            List<Range> ranges = XlsxPages.ranges(name.getRefersToFormula());
            if (!ranges.isEmpty()) return new SheetFilter(ranges.get(0), Map.of());
        }
        return null;
    }

    private List<CellCheck> checks() {
        List<CellCheck> checks = new ArrayList<>();
        try {
            for (HSSFDataValidation one : sheet.getDataValidations()) checks.add(check(one));
        } catch (RuntimeException e) {
            // Records that the library can't take apart are told as left out, one at least.
            LoggerFactory.getLogger(XlsMatter.class).info("Checks can't be read", e);
            lost.count(Lost.Kind.CHECKS, 1);
        }
        checks.removeIf(check -> check == null);
        return checks;
    }

    private CellCheck check(HSSFDataValidation told) {
        List<Range> places = new ArrayList<>();
        for (CellRangeAddress one : told.getRegions().getCellRangeAddresses())
            places.add(new Range(one.getFirstRow(), one.getFirstColumn(), one.getLastRow(), one.getLastColumn()));
        DataValidationConstraint constraint = told.getValidationConstraint();
        Kind kind = KINDS.get(constraint.getValidationType());
        if (kind == null || places.isEmpty()) {
            lost.count(Lost.Kind.CHECKS, 1);
            return null;
        }
        String[] listed = constraint.getExplicitListValues();
        String first = listed != null ? "\"" + String.join(",", listed) + "\"" : formula(constraint.getFormula1(), number(constraint, true));
        Strictness strictness = !told.getShowErrorBox() ? Strictness.SILENT : switch (told.getErrorStyle()) {
            case ErrorStyle.WARNING -> Strictness.WARN;
            case ErrorStyle.INFO -> Strictness.TELL;
            default -> Strictness.STOP;
        };
        return new CellCheck(places, kind, COMPARISONS.getOrDefault(constraint.getOperator(), Comparison.BETWEEN), first,
                formula(constraint.getFormula2(), number(constraint, false)),
                told.getEmptyCellAllowed(), !told.getSuppressDropDownArrow(), told.getShowPromptBox() ? words(told.getPromptBoxTitle(),
                        told.getPromptBoxText())
                : null, words(told.getErrorBoxTitle(), told.getErrorBoxText()), strictness);
    }

    /** The library tells a plain number apart from formulas. */
    private static Double number(DataValidationConstraint constraint, boolean first) {
        return constraint instanceof DVConstraint told ? first ? told.getValue1() : told.getValue2() : null;
    }

    private static String formula(String told, Double number) {
        return told != null || number == null ? told : number == Math.rint(number) ? String.valueOf(number.longValue()) : String.valueOf(number);
    }

    private static Words words(String title, String text) {
        boolean none = (title == null || title.isEmpty()) && (text == null || text.isEmpty());
        return none ? null : new Words(title == null ? "" : title, text == null ? "" : text);
    }
}
