package app.decant.sheet;

import app.decant.document.Link;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;

/**
 * Links from cells to cells of the same workbook: where they land on pages. A place is written as {@code Fares!B2}, with the name of its sheet in single
 * quotes where that needs them, as a place of the same sheet, or as a name that is defined. Where nothing stands at the place, the first cell of its sheet
 * that holds something takes its stead.
 */
final class CellLinks {
    private final Workbook workbook;
    private final Map<Sheet, Map<Long, String>> landings = new IdentityHashMap<>();

    CellLinks(Workbook workbook) {
        this.workbook = workbook;
        for (Sheet sheet : workbook.sheets())
            for (Row row : sheet.rows())
                for (Cell cell : row.cells()) if (cell.link() instanceof Link.Inside inside) landing(sheet, inside.bookmark());
    }

    /** A link as pages know it: to a landing; null for one that leads nowhere. */
    Link shown(Sheet from, Link link) {
        if (!(link instanceof Link.Inside inside)) return link;
        String landing = landing(from, inside.bookmark());
        return landing == null ? null : new Link.Inside(landing);
    }

    /** The names by which links land on a cell, each at its first character. */
    Map<String, Integer> marks(Sheet sheet, int row, int column) {
        Map<Long, String> here = landings.get(sheet);
        String name = here == null ? null : here.get(Sheet.key(row, column));
        return name == null ? Map.of() : Map.of(name, 0);
    }

    private String landing(Sheet from, String place) {
        String written = place.startsWith("#") ? place.substring(1) : place;
        if (written.indexOf('!') < 0 && Range.of(written) == null) {
            String defined = workbook.names().getOrDefault(from.name() + "!" + written, workbook.names().get(written));
            if (defined == null) return null;
            written = defined;
        }
        int mark = written.lastIndexOf('!');
        Sheet sheet = mark < 0 ? from : workbook.sheet(written.substring(0, mark).replaceAll("^'|'$", "").replace("''", "'"));
        Range range = Range.of(written.substring(mark + 1));
        if (sheet == null || range == null) return null;
        Cell there = sheet.cell(range.top(), range.left());
        if (there != null && !there.isEmpty()) return landed(sheet, range.top(), range.left());
        for (Row row : sheet.rows()) for (Cell cell : row.cells()) if (!cell.isEmpty() && !row.hidden()) return landed(sheet, row.index(), cell.column());
        return null;
    }

    private String landed(Sheet sheet, int row, int column) {
        return landings.computeIfAbsent(sheet, key -> new HashMap<>()).computeIfAbsent(Sheet.key(row, column), key -> sheet.name() + "!" + Range.name(row,
                column));
    }
}
