package app.decant.format.sheet;

import app.decant.document.Finding;
import app.decant.sheet.Workbook;
import java.util.List;

/**
 * A workbook as a file.
 *
 * @param kept     what of it the format holds, which it must be found to hold when it is read again
 * @param findings what it does not
 */
public record WrittenWorkbook(byte[] bytes, Workbook kept, List<Finding> findings) {
    public WrittenWorkbook { findings = List.copyOf(findings); }
}
