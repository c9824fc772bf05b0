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
import java.util.BitSet;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
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
    /** Wider tables are read to nobody cell by cell. */
    private static final int MOST_TOLD = 256;
    /** Of tables with more cells each row is told as a whole: their tags would take more room than all else. */
    private static final long MOST_CELLS_TOLD = 100_000;
    static final double HEADING_HEIGHT = 15;
    private static final Look PLAIN = Look.of(TextProperty.FAMILY, "Calibri").with(TextProperty.SIZE, 11.0);
    private static final Look FRAME = Look.of(TextProperty.SIZE, 10.0);

    private final Workbook workbook;
    private final SheetChoice choice;
    private final Progress progress;
    private final CellText setter;
    private final NumberText numbers;
    private final CellLinks links;
    private final LocalDateTime now = LocalDateTime.now();
    private final List<Area> areas = new ArrayList<>();
    private final List<Plan> plans = new ArrayList<>();
    private final List<Heading> headings = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();

    /** An area that is put onto pages, and what came up on them. */
    private record Area(Sheet sheet, PageSetup setup, Range range, SheetGrid grid, SheetSplit split, Conditions conditions, SheetPainter painter,
                        double beside, double above, SheetPainter.Tally tally) { }

    /** What stands on one page: columns and rows, those that repeat first, and where on the paper they begin. */
    private record Plan(Area area, int[] columns, int[] rows, int repeatedColumns, int repeatedRows, double x, double y) { }

    private SheetLayout(Workbook workbook, SheetChoice choice, FontCatalogue fonts, Progress progress) {
        this.workbook = workbook;
        this.choice = choice;
        this.progress = progress;
        Look first = workbook.styles().get(0).font();
        setter = new CellText(fonts, first.over(PLAIN));
        links = new CellLinks(workbook);
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

    /** All pages planned; what there is to tell of them is known when each was {@linkplain #page(int, boolean) painted} once. */
    static SheetLayout planned(Workbook workbook, SheetChoice choice, FontCatalogue fonts, Progress progress) {
        SheetLayout layout = new SheetLayout(workbook, choice, fonts, progress);
        layout.plan();
        return layout;
    }

    private void plan() {
        List<SheetChoice.Wished> wished = choice.of(workbook);
        for (int i = 0; i < wished.size(); i++) {
            progress.step(i, wished.size(), Message.of("sheet.onto-pages", wished.get(i).sheet().name()));
            sheet(wished.get(i).sheet(), wished.get(i).setup());
        }
        if (plans.isEmpty()) throw new DecantException(Kind.UNSUPPORTED, Message.of("sheet.nothing-to-see"));
    }

    int count() { return plans.size(); }

    String label(int page) { return Integer.toString(page + 1); }

    List<Heading> headings() { return headings; }

    Collection<FontCatalogue.Match> fonts() { return setter.fonts(); }

    /** What there is to tell of pages that were painted. */
    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>(this.findings);
        if (plans.size() > MANY_PAGES) findings.add(0, Finding.changed(Message.of("sheet.many-pages", plans.size())));
        for (Area area : areas) {
            String name = area.sheet.name();
            if (area.split.columns().size() > 1 && !area.setup.fitted())
                findings.add(Finding.changed(Message.of("sheet.side-by-side", name, area.split.columns().size())));
            if (area.tally.hashes > 0) findings.add(Finding.changed(Message.of("sheet.hashes", name, area.tally.hashes)));
            if (area.tally.cut > 0) findings.add(Finding.changed(Message.of("sheet.cut", name, area.tally.cut)));
            if (isLarge(area.range)) findings.add(Finding.note(Message.of("sheet.told-by-rows", name)));
            if (area.conditions.unmet() > 0) findings.add(Finding.lost(Message.of("sheet.conditions-unmet", name, area.conditions.unmet())));
        }
        long failures = count(cell -> cell.value() instanceof CellValue.Failure);
        if (failures > 0) findings.add(Finding.note(Message.of("sheet.failures", failures)));
        long unknown = count(cell -> cell.formula() != null && cell.value() instanceof CellValue.Empty);
        if (unknown > 0) findings.add(Finding.changed(Message.of("sheet.never-calculated", unknown)));
        return findings;
    }

    /** What pages that were painted hold, as readers hear it who can't see them. */
    Element structure() {
        List<Element> structure = new ArrayList<>();
        for (int i = 0; i < areas.size(); i++) {
            Area area = areas.get(i);
            structure.add(table(i, area));
            for (SheetObject one : area.sheet.objects()) if (one.cells().within(area.range) != null) structure.addAll(SheetOverlay.elements(one, i));
        }
        return Element.of(Role.DOCUMENT, structure);
    }

    private long count(Predicate<Cell> wanted) {
        long count = 0;
        for (SheetChoice.Wished one : choice.of(workbook)) for (Row row : one.sheet().rows()) count += row.cells().stream().filter(wanted).count();
        return count;
    }

    private void sheet(Sheet sheet, PageSetup setup) {
        Range used = sheet.used(workbook.styles());
        if (used == null) return;
        List<Range> wished = PublishedAreas.of(workbook, sheet, setup, used, setter);
        int first = plans.size();
        for (Range area : wished) area(sheet, setup, area);
        if (plans.size() > first) headings.add(new Heading(1, sheet.name(), sheet.name(), first, setup.page().top()));
        if (!setup.areas().isEmpty() && wished.stream().noneMatch(area -> area.within(used) != null))
            findings.add(Finding.changed(Message.of("sheet.area-empty", sheet.name())));
    }

    /** How wide the numbers of its rows are. */
    static double beside(Range area) { return 8 + 6 * Integer.toString(area.bottom() + 1).length(); }

    private void area(Sheet sheet, PageSetup setup, Range area) {
        SheetGrid grid = new SheetGrid(workbook, sheet, whole(area, setup), (cell, style, width) -> SheetPainter.height(workbook, setter, numbers, cell,
                style, width));
        double beside = setup.headings() ? beside(area) : 0;
        double above = setup.headings() ? HEADING_HEIGHT : 0;
        SheetSplit split = SheetSplit.of(sheet, setup, area, grid, beside, above);
        if (plans.size() + (long) split.pages() > MOST_PAGES)
            throw new DecantException(Kind.UNSUPPORTED, Message.of("sheet.too-many-pages", sheet.name(), split.pages()));
        Conditions conditions = Conditions.of(workbook, sheet);
        SheetPainter painter = new SheetPainter(workbook, sheet, setup, grid, split.scale(), setter, numbers, conditions, links,
                areas.size(), isLarge(area));
        Area made = new Area(sheet, setup, area, grid, split, conditions, painter, beside, above, new SheetPainter.Tally());
        areas.add(made);
        int outer = setup.across() ? split.rows().size() : split.columns().size();
        int inner = setup.across() ? split.columns().size() : split.rows().size();
        for (int i = 0; i < outer; i++) {
            for (int j = 0; j < inner; j++) {
                plan(made, split.columns().get(setup.across() ? j : i), split.rows().get(setup.across() ? i : j));
            }
        }
    }

    /** The area with what repeats beside it. */
    private static Range whole(Range area, PageSetup setup) {
        Range whole = area;
        if (setup.titleRows() != null) whole = whole.with(new Range(setup.titleRows().top(), area.left(), setup.titleRows().bottom(), area.right()));
        if (setup.titleColumns() != null) whole = whole.with(new Range(whole.top(), setup.titleColumns().left(), whole.bottom(),
                setup.titleColumns().right()));
        return whole;
    }

    private void plan(Area area, int[] across, int[] down) {
        PageSetup setup = area.setup;
        int[] repeatedColumns = repeated(setup.titleColumns() == null ? null : new int[] {setup.titleColumns().left(), setup.titleColumns().right()},
                across[0]);
        int[] repeatedRows = repeated(setup.titleRows() == null ? null : new int[] {setup.titleRows().top(), setup.titleRows().bottom()}, down[0]);
        int[] columns = IntStream.concat(IntStream.of(repeatedColumns), IntStream.rangeClosed(across[0], across[1])).toArray();
        int[] rows = IntStream.concat(IntStream.of(repeatedRows), IntStream.rangeClosed(down[0], down[1])).toArray();
        PageGeometry page = setup.page();
        double width = area.beside + area.split.scale() * IntStream.of(columns).mapToDouble(area.grid::width).sum();
        double height = area.above + area.split.scale() * IntStream.of(rows).mapToDouble(area.grid::height).sum();
        double x = page.left() + (setup.middle() ? Math.max(0, (page.width() - page.left() - page.right() - width) / 2) : 0);
        double y = page.top() + (setup.centre() ? Math.max(0, (page.height() - page.top() - page.bottom() - height) / 2) : 0);
        plans.add(new Plan(area, columns, rows, repeatedColumns.length, repeatedRows.length, x, y));
    }

    /**
     * A page painted; each time it is asked for it is the same.
     *
     * @param first whether it is the first time, so that what goes amiss on it is counted
     */
    synchronized Page page(int index, boolean first) {
        Plan plan = plans.get(index);
        Area area = plan.area;
        if (first) progress.step(index, plans.size(), Message.of("sheet.onto-pages", area.sheet.name()));
        List<Item> items = area.painter.paint(plan.columns, plan.rows, plan.x + area.beside, plan.y + area.above, plan.repeatedColumns, plan.repeatedRows,
                first ? area.tally : new SheetPainter.Tally());
        if (area.setup.headings())
            headings(plan.columns, plan.rows, area.grid, area.split.scale(), plan.x, plan.y, area.beside, area.above, items);
        PageGeometry paper = area.setup.page();
        return new Page(index, label(index), paper.width(), paper.height(), items, frame(index, area));
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

    private List<Item> frame(int page, Area one) {
        if (one.setup.header() == null && one.setup.footer() == null) return List.of();
        HeaderText.Values values = new HeaderText.Values(label(page), plans.size(), one.sheet.name(),
                workbook.facts().title() == null ? "" : workbook.facts().title(), now, Locale.getDefault(Locale.Category.FORMAT));
        List<Item> items = new ArrayList<>();
        if (one.setup.header() != null) line(one.setup, one.setup.header(), values, true, items);
        if (one.setup.footer() != null) line(one.setup, one.setup.footer(), values, false, items);
        return items;
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
    private static Element table(int number, Area area) {
        List<Element> rows = new ArrayList<>();
        SortedMap<Integer, BitSet> shown = area.tally.shown;
        int head = area.setup.titleRows() == null ? shown.isEmpty() ? -1 : shown.firstKey() : area.setup.titleRows().bottom();
        for (Map.Entry<Integer, BitSet> row : shown.entrySet()) {
            List<Element> cells = new ArrayList<>();
            if (isLarge(area.range)) {
                cells.add(cell(Role.CELL, new CellPassage(number, row.getKey(), CellPassage.WHOLE_ROW, 0, Map.of())));
                rows.add(Element.of(Role.ROW, cells));
                continue;
            }
            for (int c = area.range.left(); c <= Math.min(area.range.right(), area.range.left() + MOST_TOLD); c++) {
                Passage passage = row.getValue().get(c) ? new CellPassage(number, row.getKey(), c, 0, Map.of()) : null;
                cells.add(cell(row.getKey() <= head ? Role.HEAD_CELL : Role.CELL, passage));
            }
            rows.add(Element.of(Role.ROW, cells));
        }
        return Element.of(Role.TABLE, rows);
    }

    private static Element cell(Role role, Passage passage) {
        if (passage == null) return Element.of(role, List.of());
        return Element.of(role, List.of(new Element(Role.PARAGRAPH, 0, passage, true, null, null, null, 1, 1, List.of())));
    }

    private static boolean isLarge(Range area) { return area.rows() * (long) Math.min(area.columns(), MOST_TOLD + 1) > MOST_CELLS_TOLD; }
}
