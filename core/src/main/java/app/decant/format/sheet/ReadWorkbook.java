package app.decant.format.sheet;

import app.decant.document.Finding;
import app.decant.sheet.Workbook;
import java.util.List;

/** A workbook as it was read, and what could not be carried over. */
public record ReadWorkbook(Workbook workbook, List<Finding> findings) {
    public ReadWorkbook { findings = List.copyOf(findings); }
}
