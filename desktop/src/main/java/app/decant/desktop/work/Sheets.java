package app.decant.desktop.work;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.Taken;
import app.decant.format.sheet.SheetFormat;
import app.decant.layout.PagedDocument;
import app.decant.page.Pages;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.Workbook;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.slf4j.LoggerFactory;

/** The sheets of a workbook on the pages that they are published on, as long as nobody revised the tables they stand in on the desk. */
final class Sheets {
    private final Workbook workbook;
    private final PagedDocument tables;
    private final Map<SheetChoice, PagedDocument> shown = new HashMap<>();

    private Sheets(Workbook workbook, PagedDocument tables) {
        this.workbook = workbook;
        this.tables = tables;
    }

    /** Those of a file that was taken in as tables; null where it is no workbook. Its pages as it is set up are made at once. */
    static Sheets of(Path file, String password, Taken taken, PagedDocument tables, Progress progress) {
        if (!(taken.format() instanceof SheetFormat)) return null;
        Sheets sheets = new Sheets(Decant.workbook(file, password, progress).workbook(), tables);
        sheets.pages(SheetChoice.AS_SET_UP);
        return sheets;
    }

    Workbook workbook() { return workbook; }

    /** The pages of a choice, to be looked at; the tables where there is nothing to be seen. */
    synchronized PagedDocument pages(SheetChoice choice) {
        return shown.computeIfAbsent(choice, key -> {
            try {
                Pages pages = SheetLayout.of(workbook, key, FontCatalogue.ofThisMachine(), Progress.SILENT);
                return tables.on(pages.pages());
            } catch (DecantException e) {
                LoggerFactory.getLogger(Sheets.class).info("{}", e.getMessage(), e);
                return tables;
            }
        });
    }
}
