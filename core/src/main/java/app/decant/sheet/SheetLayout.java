package app.decant.sheet;

import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Progress;
import app.decant.document.Section.PageGeometry;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.CellText;
import app.decant.page.Element.Role;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Pages.Heading;
import app.decant.page.Passage;
import app.decant.words.Message;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * Puts sheets onto pages as they are set up: areas, each beginning a page; columns and rows as many as fit, or made small enough; what repeats; headers and
 * footers.
 */
public final class SheetLayout {
    /** More pages come of a stray cell or a wrong area, not of anybody's wish. */
    private static final int MOST_PAGES = 20_000;
    private static final int MANY_PAGES = 400;
    /** Columns beyond those that hold something over which text may run. */
    private static final int MOST_REACH = 30;
    /** Wider tables are read to nobody cell by cell. */
    private static final int MOST_TOLD = 256;
    private static final double HEADING_HEIGHT = 15;
    private static final Look PLAIN = Look.of(TextProperty.FAMILY, "Calibri").with(TextProperty.SIZE, 11.0);
    private static final Look FRAME = Look.of(TextProperty.SIZE, 10.0);

    private final Workbook workbook;
    private final SheetChoice choice;
    private final Progress progress;
    private final CellText setter;
    private final NumberText numbers;
    private final List<Page> pages = new ArrayList<>();
    private final List<Heading> headings = new ArrayList<>();
    private final List<Element> structure = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final List<Framed> framed = new ArrayList<>();

    /** A page that still wants its header and footer, since these tell how many pages there are. */
    private record Framed(int page, Sheet sheet, PageSetup setup) { }

    private SheetLayout(Workbook workbook, SheetChoice choice, FontCatalogue fonts, Progress progress) {
        this.workbook = workbook;
        this.choice = choice;
        this.progress = progress;
        Look first = workbook.styles().get(0).font();
        setter = new CellText(fonts, first.over(PLAIN));
        numbers = new NumberText(workbook, Locale.getDefault(Locale.Category.FORMAT));
    }

    /**
     * The pages of a workbook.
     *
     * @throws DecantException where a sheet or an area that is wished for is not there; the pages themselves, when they are asked for, where there is nothing
     *         to be seen, or far too much
     */
    public static SheetPages of(Workbook workbook, SheetChoice choice, FontCatalogue fonts, Progress progress) {
        choice.of(workbook);
        return new SheetPages(workbook, choice, fonts, progress);
    }

    static SheetPages.Made made(Workbook workbook, SheetChoice choice, FontCatalogue fonts, Progress progress) {
        return new SheetLayout(workbook, choice, fonts, progress).made();
    }

    private SheetPages.Made made() {
        List<SheetChoice.Wished> wished = choice.of(workbook);
        for (int i = 0; i < wished.size(); i++) {
            progress.step(i, wished.size(), Message.of("sheet.onto-pages", wished.get(i).sheet().name()));
            sheet(wished.get(i).sheet(), wished.get(i).setup());
        }
        if (pages.isEmpty()) throw new DecantException(Kind.UNSUPPORTED, Message.of("sheet.nothing-to-see"));
        for (Framed one : framed) frame(one);
        if (pages.size() > MANY_PAGES) findings.add(0, Finding.changed(Message.of("sheet.many-pages", pages.size())));
        long failures = count(cell -> cell.value() instanceof CellValue.Failure);
        if (failures > 0) findings.add(Finding.note(Message.of("sheet.failures", failures)));
        long unknown = count(cell -> cell.formula() != null && cell.value() instanceof CellValue.Empty);
        if (unknown > 0) findings.add(Finding.changed(Message.of("sheet.never-calculated", unknown)));
        return new SheetPages.Made(pages, headings, Element.of(Role.DOCUMENT, structure), setter.fonts(), findings);
    }

    private long count(Predicate<Cell> wanted) {
        long count = 0;
        for (SheetChoice.Wished one : choice.of(workbook)) for (Row row : one.sheet().rows()) count += row.cells().stream().filter(wanted).count();
        return count;
    }

    private void sheet(Sheet sheet, PageSetup setup) {
        Range used = sheet.used(workbook.styles());
        if (used == null) return;
        int reach = setup.areas().isEmpty() ? reach(sheet, used) : used.right();
        List<Range> areas = setup.areas().isEmpty() ? List.of(new Range(0, 0, used.bottom(), reach)) : setup.areas();
        int first = pages.size();
        for (Range area : areas) {
            // Beyond what is used there is only white paper.
            Range seen = area.within(new Range(0, 0, Math.max(used.bottom(), area.top()), Math.max(reach, area.left())));
            if (seen != null) area(sheet, setup, seen);
        }
        if (pages.size() > first) headings.add(new Heading(1, sheet.name(), sheet.name(), first, setup.page().top()));
        if (!setup.areas().isEmpty() && areas.stream().noneMatch(area -> area.within(used) != null))
            findings.add(Finding.changed(Message.of("sheet.area-empty", sheet.name())));
    }

    /** The last column that text of the last cells of rows runs over. */
    private int reach(Sheet sheet, Range used) {
        int reach = used.right();
        SheetGrid grid = null;
        for (Row row : sheet.rows()) {
            if (row.cells().isEmpty() || row.hidden()) continue;
            Cell last = row.cells().get(row.cells().size() - 1);
            CellStyle style = workbook.style(last);
            boolean runs = last.value() instanceof CellValue.Text && !style.wraps() && !style.shrinks()
                    && (style.across() == CellStyle.Across.BY_KIND || style.across() == CellStyle.Across.LEFT);
            if (!runs) continue;
            if (grid == null) grid = new SheetGrid(workbook, sheet, new Range(0, 0, 0, used.right() + MOST_REACH), (cell, dress, width) -> 0);
            String text = ((CellValue.Text) last.value()).text().replace('\n', ' ');
            double size = style.font().get(TextProperty.SIZE, 11.0);
            double room = grid.width(last.column(), reach);
            // Letters are hardly wider than high; only what may be too long is set.
            if (text.length() * size < room) continue;
            double width = setter.set(SheetPainter.paragraph(text, style.font(), Alignment.START), CellText.ENDLESS).width() + 2 * SheetPainter.PADDING;
            boolean within = sheet.merged().stream().anyMatch(one -> one.holds(row.index(), last.column()));
            while (!within && room < width && reach < used.right() + MOST_REACH) room += grid.width(++reach);
        }
        return reach;
    }

    private void area(Sheet sheet, PageSetup setup, Range area) {
        SheetGrid grid = new SheetGrid(workbook, sheet, whole(area, setup), (cell, style, width) -> SheetPainter.height(workbook, setter, numbers, cell,
                style, width));
        double beside = setup.headings() ? 8 + 6 * Integer.toString(area.bottom() + 1).length() : 0;
        double above = setup.headings() ? HEADING_HEIGHT : 0;
        SheetSplit split = SheetSplit.of(sheet, setup, area, grid, beside, above);
        if (pages.size() + (long) split.pages() > MOST_PAGES)
            throw new DecantException(Kind.UNSUPPORTED, Message.of("sheet.too-many-pages", sheet.name(), split.pages()));
        if (split.columns().size() > 1 && !setup.fitted())
            findings.add(Finding.changed(Message.of("sheet.side-by-side", sheet.name(), split.columns().size())));
        SheetPainter.Tally tally = new SheetPainter.Tally();
        Conditions conditions = Conditions.of(workbook, sheet);
        SheetPainter painter = new SheetPainter(workbook, sheet, setup, grid, split.scale(), setter, numbers, conditions, tally);
        int outer = setup.across() ? split.rows().size() : split.columns().size();
        int inner = setup.across() ? split.columns().size() : split.rows().size();
        for (int i = 0; i < outer; i++) {
            for (int j = 0; j < inner; j++) {
                progress.step(pages.size(), 0, Message.of("sheet.onto-pages", sheet.name()));
                page(sheet, setup, grid, split, split.columns().get(setup.across() ? j : i), split.rows().get(setup.across() ? i : j), painter, beside, above);
            }
        }
        if (tally.hashes > 0) findings.add(Finding.changed(Message.of("sheet.hashes", sheet.name(), tally.hashes)));
        if (tally.cut > 0) findings.add(Finding.changed(Message.of("sheet.cut", sheet.name(), tally.cut)));
        if (tally.turned > 0) findings.add(Finding.changed(Message.of("sheet.turned", sheet.name(), tally.turned)));
        if (conditions.unmet() > 0) findings.add(Finding.lost(Message.of("sheet.conditions-unmet", sheet.name(), conditions.unmet())));
        structure.add(table(area, setup, tally));
        for (SheetObject one : sheet.objects()) if (one.cells().within(area) != null)
            structure.add(new Element(Role.FIGURE, 0, null, false, one.picture(), one.picture().description(), null, 1, 1, List.of()));
    }

    /** The area with what repeats beside it. */
    private static Range whole(Range area, PageSetup setup) {
        Range whole = area;
        if (setup.titleRows() != null) whole = whole.with(new Range(setup.titleRows().top(), area.left(), setup.titleRows().bottom(), area.right()));
        if (setup.titleColumns() != null) whole = whole.with(new Range(whole.top(), setup.titleColumns().left(), whole.bottom(), setup.titleColumns().right()));
        return whole;
    }

    private void page(Sheet sheet, PageSetup setup, SheetGrid grid, SheetSplit split, int[] across, int[] down, SheetPainter painter, double beside,
            double above) {
        int[] repeatedColumns = repeated(setup.titleColumns() == null ? null : new int[] {setup.titleColumns().left(), setup.titleColumns().right()},
                across[0]);
        int[] repeatedRows = repeated(setup.titleRows() == null ? null : new int[] {setup.titleRows().top(), setup.titleRows().bottom()}, down[0]);
        int[] columns = IntStream.concat(IntStream.of(repeatedColumns), IntStream.rangeClosed(across[0], across[1])).toArray();
        int[] rows = IntStream.concat(IntStream.of(repeatedRows), IntStream.rangeClosed(down[0], down[1])).toArray();
        PageGeometry page = setup.page();
        double width = beside + split.scale() * IntStream.of(columns).mapToDouble(grid::width).sum();
        double height = above + split.scale() * IntStream.of(rows).mapToDouble(grid::height).sum();
        double x = page.left() + (setup.middle() ? Math.max(0, (page.width() - page.left() - page.right() - width) / 2) : 0);
        double y = page.top() + (setup.centre() ? Math.max(0, (page.height() - page.top() - page.bottom() - height) / 2) : 0);
        List<Item> items = painter.paint(columns, rows, x + beside, y + above, repeatedColumns.length, repeatedRows.length);
        if (setup.headings()) headings(columns, rows, grid, split.scale(), x, y, beside, above, items);
        framed.add(new Framed(pages.size(), sheet, setup));
        pages.add(new Page(pages.size(), Integer.toString(pages.size() + 1), page.width(), page.height(), items, List.of()));
    }

    /** What repeats, on pages behind those where it stands itself. */
    private static int[] repeated(int[] titles, int start) {
        return titles == null || start <= titles[0] ? new int[0] : IntStream.rangeClosed(titles[0], Math.min(titles[1], start - 1)).toArray();
    }

    /** Letters above the columns, numbers beside the rows. */
    private void headings(int[] columns, int[] rows, SheetGrid grid, double scale, double x, double y, double beside, double above, List<Item> items) {
        double at = x + beside;
        for (int column : columns) {
            double width = grid.width(column) * scale;
            label(Range.letters(column), at, y, width, above, items);
            at += width;
        }
        at = y + above;
        for (int row : rows) {
            double height = grid.height(row) * scale;
            label(Integer.toString(row + 1), x, at, beside, height, items);
            at += height;
        }
    }

    private void label(String text, double x, double y, double width, double height, List<Item> items) {
        if (width < 3 || height < 3) return;
        Look look = Look.of(TextProperty.SIZE, Math.min(9, height * 0.7));
        CellText.Lines lines = setter.set(SheetPainter.paragraph(text, look, Alignment.START), CellText.ENDLESS);
        for (Item.LineItem line : lines.lines())
            items.add(line.moved(x + Math.max(0, (width - lines.width()) / 2), y + (height - lines.height()) / 2).locked());
    }

    private void frame(Framed one) {
        if (one.setup.header() == null && one.setup.footer() == null) return;
        Page bare = pages.get(one.page);
        HeaderText.Values values = new HeaderText.Values(bare.label(), pages.size(), one.sheet.name(),
                workbook.facts().title() == null ? "" : workbook.facts().title(), LocalDateTime.now(), Locale.getDefault(Locale.Category.FORMAT));
        List<Item> items = new ArrayList<>();
        if (one.setup.header() != null) line(one.setup, one.setup.header(), values, true, items);
        if (one.setup.footer() != null) line(one.setup, one.setup.footer(), values, false, items);
        pages.set(one.page, new Page(bare.index(), bare.label(), bare.width(), bare.height(), bare.text(), items));
    }

    private void line(PageSetup setup, String codes, HeaderText.Values values, boolean header, List<Item> items) {
        PageGeometry page = setup.page();
        List<List<Inline>> parts = HeaderText.of(codes, values, FRAME);
        for (int i = 0; i < parts.size(); i++) {
            if (parts.get(i).isEmpty()) continue;
            Alignment alignment = i == 0 ? Alignment.START : i == 1 ? Alignment.CENTRE : Alignment.END;
            Paragraph paragraph = new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, alignment), FRAME, parts.get(i));
            CellText.Lines lines = setter.set(paragraph, page.width() - page.left() - page.right());
            double y = header ? page.header() : page.height() - page.footer() - lines.height();
            for (Item.LineItem item : lines.lines()) items.add(item.moved(page.left(), y).locked());
        }
    }

    /** The area as readers hear it who can't see it: a table whose first row, or whose repeated rows, are its head. */
    private static Element table(Range area, PageSetup setup, SheetPainter.Tally tally) {
        List<Element> rows = new ArrayList<>();
        int head = setup.titleRows() == null ? tally.passages.keySet().stream().findFirst().orElse(-1) : setup.titleRows().bottom();
        for (Map.Entry<Integer, Map<Integer, Passage>> row : tally.passages.entrySet()) {
            List<Element> cells = new ArrayList<>();
            for (int c = area.left(); c <= Math.min(area.right(), area.left() + MOST_TOLD); c++) {
                Passage passage = row.getValue().get(c);
                Element text = new Element(Role.PARAGRAPH, 0, passage, true, null, null, null, 1, 1, List.of());
                cells.add(new Element(row.getKey() <= head ? Role.HEAD_CELL : Role.CELL, 0, null, false, null, null, null, 1, 1,
                        passage == null ? List.of() : List.of(text)));
            }
            rows.add(Element.of(Role.ROW, cells));
        }
        return Element.of(Role.TABLE, rows);
    }
}
