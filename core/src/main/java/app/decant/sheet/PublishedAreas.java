package app.decant.sheet;

import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.TextProperty;
import app.decant.layout.CellText;
import java.util.ArrayList;
import java.util.List;

/** Which areas of a sheet go onto pages: those that are set, or all that is used and what text runs over beside it. */
final class PublishedAreas {
    /** Columns beyond those that hold something over which text may run. */
    private static final int MOST_REACH = 30;

    private PublishedAreas() { }

    /** @param used of the sheet, beyond which there is only white paper */
    static List<Range> of(Workbook workbook, Sheet sheet, PageSetup setup, Range used, CellText setter) {
        if (setup.areas().isEmpty()) return List.of(new Range(0, 0, used.bottom(), reach(workbook, sheet, used, setter)));
        List<Range> areas = new ArrayList<>();
        for (Range area : setup.areas()) {
            Range seen = area.within(new Range(0, 0, Math.max(used.bottom(), area.top()), Math.max(used.right(), area.left())));
            if (seen != null) areas.add(seen);
        }
        return areas;
    }

    /** The last cell of a row that holds something; those behind it are dressed at most. Null where none does. */
    private static Cell lastFilled(Row row) {
        for (int i = row.cells().size() - 1; i >= 0; i--) if (!row.cells().get(i).isEmpty()) return row.cells().get(i);
        return null;
    }

    /** The last column that text of the last cells of rows runs over. */
    private static int reach(Workbook workbook, Sheet sheet, Range used, CellText setter) {
        int reach = used.right();
        SheetGrid grid = null;
        for (Row row : sheet.rows()) {
            Cell last = row.hidden() ? null : lastFilled(row);
            if (last == null) continue;
            CellStyle style = workbook.style(last);
            boolean runs = last.value() instanceof CellValue.Text && !style.wraps() && !style.shrinks()
                    && (style.across() == CellStyle.Across.BY_KIND || style.across() == CellStyle.Across.LEFT);
            if (!runs) continue;
            if (grid == null) grid = new SheetGrid(workbook, sheet, new Range(0, 0, 0, used.right() + MOST_REACH), (cell, dress, width) -> 0);
            if (reach == used.right() + MOST_REACH) break;
            double size = style.font().get(TextProperty.SIZE, 11.0);
            double room = grid.width(last.column(), reach);
            String text = SheetPainter.seen(((CellValue.Text) last.value()).text(), grid.width(last.column(), used.right() + MOST_REACH), size)
                    .replace('\n', ' ');
            // Letters are hardly wider than high; only what may be too long is set.
            if (text.length() * size < room) continue;
            double width = setter.set(SheetPainter.paragraph(text, style.font(), Alignment.START), CellText.ENDLESS).width() + 2 * SheetPainter.PADDING;
            boolean within = sheet.merged().stream().anyMatch(one -> one.holds(row.index(), last.column()));
            while (!within && room < width && reach < used.right() + MOST_REACH) room += grid.width(++reach);
        }
        return reach;
    }
}
