package app.decant.desktop.work;

import app.decant.Decant;
import app.decant.document.BlockPath;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Story;
import app.decant.edit.TextSelection;
import app.decant.font.FontCatalogue;
import app.decant.format.sheet.CorrectedSheets;
import app.decant.format.sheet.SeparatedValues;
import app.decant.format.sheet.SheetFormat;
import app.decant.layout.PagedDocument;
import app.decant.page.Pages;
import app.decant.sheet.Cell;
import app.decant.sheet.Range;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.SheetText;
import app.decant.sheet.Workbook;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.LoggerFactory;

/**
 * The sheets of a workbook on the pages that they are published on, with what was corrected in the cells of the tables that stand for them on the desk. Where
 * more than cells was changed there, the tables are what is published.
 */
final class Sheets {
    private final Workbook workbook;
    private final Document came;
    private final boolean large;
    private final SeparatedValues separated;
    private final Map<BlockPath, SheetText.CellPlace> places;
    private final Map<SheetChoice, PagedDocument> shown = new HashMap<>();
    private Document asked;
    private boolean fits = true;
    private Document correctedOf;
    private CorrectedSheets corrected;
    private PagedDocument shownOf;

    /** Those of a workbook that was taken in. Its pages as it is set up are made at once, unless there are very many. */
    Sheets(Decant.Sheets of, PagedDocument tables) {
        workbook = of.workbook();
        came = of.taken().document();
        large = of.isLarge();
        separated = of.separated();
        places = large ? Map.of() : SheetText.places(workbook);
        if (!large) pages(SheetChoice.AS_SET_UP, tables);
    }

    /** Whether its pages take a while, so that nobody should wait for them, and its tables are only their beginnings. */
    boolean isLarge() { return large; }

    /** How its values between separators were read; null for other workbooks. */
    SeparatedValues separated() { return separated; }

    /** The pages of a choice where they were made already; else null. */
    synchronized PagedDocument known(SheetChoice choice, PagedDocument tables) { return shownOf == tables ? shown.get(choice) : null; }

    /** Whether a document is still the tables of the workbook, but for what stands in their cells. */
    synchronized boolean fits(Document now) {
        if (asked != now) fits = CorrectedSheets.fits(came, now);
        asked = now;
        return fits;
    }

    /** The workbook with what was corrected in a document that {@link #fits fits}. */
    synchronized CorrectedSheets corrected(Document now) {
        if (correctedOf != now) corrected = CorrectedSheets.of(workbook, came, now).orElse(new CorrectedSheets(workbook, 0, List.of()));
        correctedOf = now;
        return corrected;
    }

    /** What does not come along where more than cells was changed. */
    List<Finding> lostInTables() { return SheetFormat.lostInTables(workbook); }

    /** The cell that a caret is in; null where it is in none. */
    Session.SheetCell cell(Document now, TextSelection picked) {
        BlockPath path = picked.head().path();
        SheetText.CellPlace place = path.size() == 5 ? places.get(path.parent()) : null;
        if (place == null || !(picked.head().story() instanceof Story.Body)) return null;
        Sheet sheet = workbook.sheets().get(place.sheet());
        Cell cell = sheet.cell(place.row(), place.column());
        Place start = picked.head().at(0);
        String text = now.paragraph(start).plainText();
        boolean written = text.startsWith("=") && text.length() > 1;
        boolean same = came.find(Story.BODY, path) instanceof Paragraph old && old.plainText().equals(text);
        String formula = written ? text.substring(1) : same && cell != null ? cell.formula() : null;
        TextSelection all = new TextSelection(start, start.at(text.length()));
        return new Session.SheetCell(sheet.name(), Range.name(place.row(), place.column()), formula, written, all);
    }

    /** The pages of a choice, to be looked at; the tables where there is nothing to be seen. */
    synchronized PagedDocument pages(SheetChoice choice, PagedDocument tables) {
        if (shownOf != tables) shown.clear();
        shownOf = tables;
        return shown.computeIfAbsent(choice, key -> {
            try {
                Pages pages = SheetLayout.of(corrected(tables.document()).workbook(), key, FontCatalogue.ofThisMachine(), Progress.SILENT);
                return tables.on(pages.pages());
            } catch (DecantException e) {
                LoggerFactory.getLogger(Sheets.class).info("{}", e.getMessage(), e);
                return tables;
            }
        });
    }
}
