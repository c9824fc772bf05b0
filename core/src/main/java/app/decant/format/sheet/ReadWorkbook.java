package app.decant.format.sheet;

import app.decant.document.Finding;
import app.decant.sheet.Workbook;
import java.util.List;

/**
 * A workbook as it was read, and what could not be carried over.
 *
 * @param separated how its values between separators were read; null for other files
 */
public record ReadWorkbook(Workbook workbook, List<Finding> findings, SeparatedValues separated) {
    public ReadWorkbook { findings = List.copyOf(findings); }

    public ReadWorkbook(Workbook workbook, List<Finding> findings) { this(workbook, findings, null); }
}
